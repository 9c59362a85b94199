import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { arrangements } from '../../loads/arrangements.ts'
import { METRIC } from '../../measure/units.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, exampleGoods, exampleSaw, inCorner, ratedSlab, thinWalls } from '../example-context.ts'
import { findFamily } from '../registry.ts'
import { boxBench } from './box-bench.ts'
import { startingParams, type BoxBenchParams } from './parameters.ts'

const say = sayIn(METRIC)
const crate = crateOf([400, 300, 240], 8, { count: 6 })
const ctx = (goods = [{ item: crate, count: 6 }]) => exampleContext('metric', goods, 6000)
const given = (over: Partial<BoxBenchParams>) => ({ ...startingParams('metric', true), ...over })
const read = (over: Partial<BoxBenchParams> = {}, c = ctx()) => readParams(boxBench, given(over), c)
const problem = (over: Partial<BoxBenchParams>, c = ctx()) => tryParams(boxBench, given(over), c).problem
const dim = (r: ReturnType<typeof read>, path: string) => r.shaped.dims.find((d) => d.path === path)!.value

describe('a bench on boxes', () => {
  const r = read()
  const box = (id: string) => r.boxes.get(id)!
  it('is as high as the work asks, its top over ends and dividers and past them', () => {
    expect(validateAssembly(r.shaped.assembly)).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const high = dim(r, 'heightMm')
    expectNear(box('top-0-b').max[2], high, 1e-9)
    expectNear(box('upright-0-0').max[2], high - 36, 1e-9)
    // 19 mm for the jaws of clamps, the back at the wall.
    expectNear(box('top-0-a').max[1] - box('upright-0-0').max[1], 19.05, 0.06)
    expect(box('top-0-a').min[1]).toBe(0)
    expect(box('upright-0-0').min[1]).toBe(6)
  })
  it('has its bottoms and shelves in dadoes of a third, on both sides of a divider at one height', () => {
    const divider = r.shaped.assembly.parts.find((p) => p.id === 'upright-0-1')!
    const dadoes = divider.machining.flatMap((m) => (m.kind === 'dado' ? [m] : []))
    expect(new Set(dadoes.map((m) => m.face))).toEqual(new Set(['over', 'under']))
    expect(dadoes.every((m) => m.depthMm === 6)).toBe(true)
    const [over, under] = (['over', 'under'] as const).map((f) => dadoes.filter((m) => m.face === f).map((m) => m.atMm))
    expect(over).toEqual(under)
    expectNear(box('shelf-0-0').min[0], box('upright-0-0').max[0] - 6, 1e-9)
    expectNear(box('shelf-0-0').max[2], dim(r, 'kickMm') + 18, 1e-9)
  })
  it('longer than a sheet is two boxes side on side, each with a top of its own', () => {
    const two = read({ bays: 5 })
    const at = (id: string) => two.boxes.get(id)!
    expect(two.shaped.assembly.bays.filter((b) => b.name.code === 'worktop')).toHaveLength(2)
    expectNear(at('upright-0-3').max[0], at('upright-1-0').min[0], 1e-9)
    expectNear(at('top-0-b').max[0], at('top-1-b').min[0], 1e-9)
    const joint = two.shaped.assembly.joints.find((j) => j.near === 'upright-0-3' && j.far === 'upright-1-0')!
    expect(joint.fasteners[0].count).toBeGreaterThanOrEqual(4)
    const step = two.steps.find((s) => s.code === 'box-bench-join')!
    expect(stepText(step, say)).toMatch(/^2 boxes side by side/)
    expect(two.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(two.checks.filter((c) => c.check === 'stock').every((c) => c.state === 'holds')).toBe(true)
  })
  it('bears a person between two dividers, where that does most; one layer is told too weak', () => {
    const people = arrangements(r.shaped.assembly).filter((x) => x.peopled)
    const middles = people.flatMap((x) =>
      x.assembly.bays.flatMap((b) =>
        b.items.flatMap((i) => (i.goodsId === 'person' ? [(i.box.min[0] + i.box.max[0]) / 2] : [])),
      ),
    )
    const between = (box('upright-0-0').max[0] + box('upright-0-1').min[0]) / 2
    const other = (box('upright-0-1').max[0] + box('upright-0-2').min[0]) / 2
    expect(middles.some((x) => Math.min(Math.abs(x - between), Math.abs(x - other)) < 10)).toBe(true)
    const thin = read({ layers: 'one' })
    const bent = thin.checks.find((c) => c.check === 'bending' && c.parts[0] === 'top-0-a')!
    expect(bent).toMatchObject({ state: 'fails', data: { arranged: 'person' } })
    expect(boxBench.levers(given({ layers: 'one' }), ctx()).map((l) => l.code)).toContain('two-layers')
  })
  it('doors hang on its ends and dividers under the top, with a gap between two boxes', () => {
    const doors = read({ front: 'doors', bays: 5 })
    const at = (id: string) => doors.boxes.get(id)!
    const leaves = doors.shaped.assembly.parts.filter((p) => p.role === 'door').map((p) => at(p.id))
    const high = at('upright-0-0').max[2]
    for (const b of leaves) expect(b.max[2]).toBeLessThan(high)
    const seam = at('upright-0-3').max[0]
    expect(leaves.some((b) => b.min[0] < seam && b.max[0] > seam)).toBe(false)
    const nearest = leaves.flatMap((b) => [b.min[0], b.max[0]]).filter((x) => Math.abs(x - seam) < 10)
    expectNear(Math.max(...nearest) - Math.min(...nearest), 3, 1e-6)
    // The top covers the leaves and stands out past them.
    expectNear(at('top-0-a').max[1] - Math.max(...leaves.map((b) => b.max[1])), 19.05, 0.06)
    expect(doors.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('who sits on it while its doors are open comes and goes: the top does not sag of that for years', () => {
    const sag = (front: 'open' | 'doors') => read({ front }).checks.find((c) => c.id === 'sag:top-0-a')!.demand!
    // What is more is the catches that hang under it.
    expect(sag('doors')).toBeLessThan(1.5 * sag('open'))
    const people = arrangements(read({ front: 'doors' }).shaped.assembly).filter((x) => x.peopled)
    expect(new Set(people.map((x) => x.code))).toEqual(new Set(['person', 'opened']))
  })
  it('is pushed along without folding: its backs are screwed closely', () => {
    const sway = checkOf(r, 'sway:build')
    expect(sway.state).toBe('holds')
    expect(sayCheck(sway, say)).toMatch(/\.$/)
    const back = r.shaped.assembly.joints.find((j) => j.near === 'back-0')!
    expect(back.fasteners[0].count).toBe(Math.ceil(r.boxes.get('back-0')!.max[2] / 120))
  })
  it('says what it cannot be', () => {
    expect(problem({ depthMm: 300, overhangMm: 150, front: 'doors' })).toMatchObject({ code: 'box-bench-shallow' })
    expect(problem({ shelves: 1, topMm: [900] })).toMatchObject({ code: 'box-shelf-over-top', field: 'topMm.0' })
    expect(problem({ heightMm: 350, kickMm: 200, machineMm: null })!.code).toBe('box-shelf-over-top')
    for (const p of [
      problem({ shelves: 1, topMm: [900] })!,
      problem({ depthMm: 300, overhangMm: 150, front: 'doors' })!,
    ])
      expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('takes what is low, and no machine or drum', () => {
    const suits = (kind: 'box' | 'drum' | 'equipment') =>
      boxBench.suits({ ...exampleGoods('metric', 'box', 1).item, kind })
    expect(suits('box')).not.toBeNull()
    expect([suits('drum'), suits('equipment')]).toEqual([null, null])
    expect(findFamily('box-bench')!.propose(ctx())).not.toEqual([])
    const tall = { item: crateOf([400, 300, 900], 8, { count: 1 }), count: 1 }
    expect(findFamily('box-bench')!.propose(ctx([tall]))).toEqual([])
  })
  it('is lower where a machine stands, so that its table is level with the top', () => {
    const saw = exampleSaw()
    const low = read(
      { bays: 3, wells: [{ after: 2, wideMm: 660, tableMm: 330 }] },
      ctx([{ item: crate, count: 6 }, saw]),
    )
    const a = low.shaped.assembly
    const at = (id: string) => low.boxes.get(id)!
    expect(validateAssembly(a)).toEqual([])
    expect(low.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(low.shaped.unhoused).toEqual([])
    const high = dim(low, 'heightMm')
    // Two openings, the well between its own sides, the third opening: each box begins where the one before ends.
    expectNear(at('top-0-b').max[2], high, 1e-9)
    expectNear(at('top-1-b').max[2], high - 330, 1e-9)
    expectNear(at('top-2-b').max[2], high, 1e-9)
    expectNear(at('top-1-a').max[0] - at('top-1-a').min[0], 660, 1e-9)
    expectNear(at('top-0-a').max[0], at('top-1-a').min[0], 1e-9)
    expectNear(at('top-1-a').max[0], at('top-2-a').min[0], 1e-9)
    // The machine stands in the middle of its well, and its table comes level with the top.
    const well = a.bays.find((b) => b.name.code === 'well')!
    expectNear(well.items[0].box.max[2], high, 1e-9)
    const middle = (b: { min: readonly number[]; max: readonly number[] }) => (b.min[0] + b.max[0]) / 2
    expectNear(middle(well.items[0].box), middle(at('top-1-a')), 1e-9)
    // Under its top the well is a box like the others, with what shelves come under it.
    const inWell = a.bays.filter((b) => b.name.code === 'shelf' && b.name.column === 3)
    expect(inWell.length).toBeGreaterThan(0)
    for (const b of inWell) expect(b.clear.max[2]).toBeLessThanOrEqual(high - 330 - 36)
    expect(a.stick.find((m) => m.code === 'worktop')!.parts).not.toContain('top-1-b')
    const mark = a.stick.find((m) => m.code === 'well-top')!
    expectNear(mark.zMm, high - 330, 1e-9)
    expect(mark.parts).toEqual(['top-1-a', 'top-1-b'])
    expect(new Set(a.stick.map((m) => m.level)).size).toBe(a.stick.length)
    const step = low.steps.find((x) => x.code === 'bench-machines')!
    expect(step.on).toEqual(['top-1-b', 'top-1-a'])
    expect(stepText(step, say)).toMatch(/its table is level with the top/)
  })
  it('a wide well has dividers, and leaves and curtains end under each top', () => {
    const wells = [{ after: 1, wideMm: 1300, tableMm: 200 }]
    const few = ctx([{ item: crate, count: 2 }])
    const doors = read({ bays: 2, front: 'doors', wells }, few)
    const at = (id: string) => doors.boxes.get(id)!
    const inWell = doors.shaped.assembly.parts.filter((p) => p.id.startsWith('upright-1-')).map((p) => at(p.id))
    // (1300 − 18) / (711 + 18): two openings.
    expect(inWell.length).toBe(3)
    const apart = inWell.slice(1).map((b, i) => b.min[0] - inWell[i].max[0])
    for (const mm of apart) expectNear(mm, (1300 - 3 * 18) / 2, 1e-6)
    expectNear(inWell[2].max[0] - inWell[0].min[0], 1300, 1e-9)
    for (const p of doors.shaped.assembly.parts.filter((x) => x.role === 'door')) {
      const b = at(p.id)
      const top = ['top-0-a', 'top-1-a', 'top-2-a']
        .map(at)
        .find((x) => x.min[0] < b.max[0] - 10 && x.max[0] > b.min[0] + 10)!
      expectNear(top.min[2] - b.max[2], 3, 1e-6)
    }
    expect(doors.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const curtain = read({ bays: 2, front: 'curtain', wells }, few)
    const rails = curtain.shaped.assembly.parts
      .filter((p) => p.id.endsWith('-rail'))
      .map((p) => curtain.boxes.get(p.id)!)
    expect(rails.map((b) => Math.round(b.max[2]))).toEqual([0, 200, 0].map((mm) => Math.round(rails[0].max[2] - mm)))
    expect(curtain.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('the top is scribed where it meets the bench along the other wall: a corner of 88.7 degrees by hand', () => {
    const c = inCorner(ctx(), 88.7, 620)
    const r2 = read({ bays: 3, clearMm: 500, depthMm: 600, corner: 'left' }, c)
    // x(y) = D / sin 88.7° + y / tan 88.7°, of what is free left of it.
    const [sin, tan] = [Math.sin((88.7 * Math.PI) / 180), Math.tan((88.7 * Math.PI) / 180)]
    const [back, front] = [620 - 600 / sin, 620 - 600 / sin - 600 / tan]
    for (const id of ['top-0-a', 'top-0-b']) {
      const p = r2.shaped.assembly.parts.find((x) => x.id === id)!
      const [[atBack], , , [atFront]] = p.outline!
      expectNear(atFront - atBack, back - front, 1e-6)
      expectNear(r2.boxes.get(id)!.min[0], -back, 1e-6)
      expect(p.machining).toContainEqual({ kind: 'scribe', edge: 'start', allowanceMm: 5 })
    }
    expect(r2.steps.map((s) => s.code)).toContain('bench-scribe')
    expect(r2.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(problem({ corner: 'right' })).toMatchObject({ code: 'no-corner-known', field: 'corner' })
  })
  it('what nothing behind it holds is held down inside, under its bottoms', () => {
    const pinned = read({ tie: false, feet: 'pinned', bays: 3 }, ratedSlab(ctx()))
    const angles = pinned.shaped.assembly.parts
      .filter((p) => p.id.startsWith('angle-'))
      .map((p) => pinned.boxes.get(p.id)!)
    expect(angles).toHaveLength(2)
    const [left, right] = [pinned.boxes.get('upright-0-0')!, pinned.boxes.get('upright-0-3')!]
    expectNear(angles[0].min[0], left.max[0], 1e-9)
    expectNear(angles[1].max[0], right.min[0], 1e-9)
    for (const b of angles) expect(b.max[2]).toBeLessThanOrEqual(pinned.boxes.get('shelf-0-0')!.min[2])
    expect(pinned.shaped.assembly.anchors.every((x) => x.into === 'slab')).toBe(true)
    expect(pinned.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(boxBench.levers(given({ tie: false }), ctx()).map((l) => l.code)).toContain('pin-feet')
  })
  it('refuses wells and feet there is no height for', () => {
    expect(problem({ wells: [{ after: 0, wideMm: 600, tableMm: 700 }] })).toMatchObject({
      code: 'box-well-too-low',
      field: 'wells.0',
    })
    expect(problem({ kickMm: 40, feet: 'pinned' })).toMatchObject({ code: 'box-angle-over-kick', field: 'kickMm' })
    for (const p of [
      problem({ wells: [{ after: 0, wideMm: 600, tableMm: 700 }] })!,
      problem({ kickMm: 40, feet: 'pinned' })!,
    ])
      expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('an older file has no wells, plain ends and feet that stand', () => {
    const old = Object.fromEntries(
      Object.entries(given({})).filter(([k]) => !['wells', 'corner', 'meets', 'otherDepthMm', 'feet'].includes(k)),
    )
    expect(findFamily('box-bench')!.upgrade(old, 1)).toEqual(given({}))
  })
  it('is begun with its feet held down where no wall holds anything', () => {
    const c = ratedSlab(thinWalls(ctx([{ item: crate, count: 2 }])))
    const begun = boxBench.start(c) as BoxBenchParams
    expect(begun).toMatchObject({ tie: false, feet: 'pinned' })
    expect(readParams(boxBench, begun, c).verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
})
