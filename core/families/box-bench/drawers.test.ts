import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { readParams, tryParams } from '../../../test-support/read-params.ts'
import { misplaced } from '../../assembly/sound.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { DRAWER } from '../../blocks/fronts/drawer.ts'
import { SLIDE_THICK_MM } from '../../catalogue/drawer-slides.ts'
import { METRIC } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { stepText } from '../../wording/steps.ts'
import { exampleContext, exampleSaw } from '../example-context.ts'
import { findFamily } from '../registry.ts'
import { boxBench } from './box-bench.ts'
import { startingParams, type BoxBenchParams } from './parameters.ts'

const say = sayIn(METRIC)
const tin = crateOf([110, 110, 140], 1.6, { count: 12 })
const ctx = (goods = [{ item: tin, count: 12 }]) => exampleContext('metric', goods, 6000)
const given = (over: Partial<BoxBenchParams>): BoxBenchParams => ({
  ...startingParams('metric', true),
  front: 'drawers',
  ...over,
})
const read = (over: Partial<BoxBenchParams> = {}, c = ctx()) => readParams(boxBench, given(over), c)
const problem = (over: Partial<BoxBenchParams>, c = ctx()) => tryParams(boxBench, given(over), c).problem
const dim = (r: ReturnType<typeof read>, path: string) => r.shaped.dims.find((d) => d.path === path)!.value

describe('a bench with drawers', () => {
  const r = read()
  const a = r.shaped.assembly
  const box = (id: string) => r.boxes.get(id)!
  const drawers = a.subassemblies.filter((s) => s.name === DRAWER)
  it('holds, all of it drawn out on slides, nothing in anything else', () => {
    expect([...validateAssembly(a), ...misplaced(a)]).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.shaped.unhoused).toEqual([])
    expect(a.motions.filter((m) => m.kind === 'slide')).toHaveLength(drawers.length)
    expect(r.checks.find((c) => c.check === 'on-slides')!.state).toBe('holds')
  })
  it('is full of them from its bottom to its top: rows of no more than usual height, the same in every opening', () => {
    const [rows, bays] = [dim(r, 'shelves') + 1, dim(r, 'bays')]
    expect(drawers).toHaveLength(rows * bays)
    const clear = dim(r, 'heightMm') - 36 - dim(r, 'kickMm') - 18
    expect(rows).toBe(Math.ceil(clear / 220))
    for (let i = 1; i < rows; i++) {
      // A face is 2 mm higher than it begins over the one below, or a panel of 18 mm and 3 mm are between.
      const [under, over] = [box(`drawer-0-${i - 1}-face`), box(`drawer-0-${i}-face`)]
      expect([2, 2 + 18 + 3].some((mm) => Math.abs(over.min[2] - under.max[2] - mm) < 1e-6)).toBe(true)
      expectNear(box(`drawer-1-${i}-face`).min[2], over.min[2], 1e-9)
    }
    const top = box(`drawer-0-${rows - 1}-face`)
    expectNear(dim(r, 'heightMm') - 36 - top.max[2], 2, 1e-6)
    expectNear(box('drawer-0-0-left').min[2] - box('shelf-0-0').max[2], 3, 1e-6)
  })
  it('keeps stretches of drawers under a fixed panel no higher than uprights are kept from bowing', () => {
    const panels = a.parts.filter((p) => p.id.startsWith('shelf-0-')).map((p) => box(p.id))
    expect(panels).toHaveLength(2)
    const ends = [...panels.map((b) => b.min[2]), dim(r, 'heightMm') - 36].sort((x, y) => x - y)
    for (let i = 1; i < ends.length; i++) expect(ends[i] - ends[i - 1]).toBeLessThan(700 + 18)
  })
  it('sides keep from the uprights by their slides, or by a hair in grooves that are cut for their bottoms', () => {
    expectNear(box('drawer-0-0-left').min[0] - box('upright-0-0').max[0], SLIDE_THICK_MM, 1e-6)
    const grooved = read({ runs: 'grooves', hand: 'hole' })
    expect([...validateAssembly(grooved.shaped.assembly), ...misplaced(grooved.shaped.assembly)]).toEqual([])
    const at = (id: string) => grooved.boxes.get(id)!
    expectNear(at('drawer-0-0-left').min[0] - at('upright-0-0').max[0], 1.5, 1e-6)
    const rows = dim(grooved, 'shelves') + 1
    const inner = grooved.shaped.assembly.parts.find((p) => p.id === 'upright-0-1')!
    const cut = inner.machining.filter((m) => m.kind === 'dado' && m.widthMm === 13)
    expect(cut).toHaveLength(2 * rows)
    // Narrow enough for a thin bottom, and each groove is on the stick.
    expect(dim(grooved, 'clearMm')).toBeLessThan(dim(r, 'clearMm'))
    const marks = grooved.shaped.assembly.stick.filter((m) => m.code === 'runner-groove')
    expect(marks.map((m) => m.zMm)).toEqual(
      Array.from({ length: rows }, (_, i) => at(`drawer-0-${i}-bottom`).min[2]).sort((x, y) => x - y),
    )
    const step = grooved.steps.find((s) => s.code === 'runner-grooves')!
    expect(stepText(step, say)).toMatch(new RegExp(`${2 * rows}|${rows} grooves`))
    expect(new Set(grooved.shaped.assembly.stick.map((m) => m.level)).size).toBe(grooved.shaped.assembly.stick.length)
  })
  it('puts no more into one than a hand draws, and nothing on anything', () => {
    const inside = a.bays.filter((b) => b.name.code === 'drawer').map((b) => b.items)
    expect(inside.flat()).toHaveLength(12)
    for (const items of inside) expect(items.reduce((kg, i) => kg + i.massKg!, 0)).toBeLessThanOrEqual(15)
    for (const items of inside) expect(new Set(items.map((i) => i.box.min[2])).size).toBeLessThan(2)
    const heavy = read({}, ctx([{ item: crateOf([300, 300, 150], 12, { count: 3 }), count: 3 }]))
    const full = heavy.shaped.assembly.bays.filter((b) => b.name.code === 'drawer' && b.items.length > 0)
    expect(full).toHaveLength(3)
  })
  it('lays tools down', () => {
    const saw = { item: { ...crateOf([60, 30, 420], 1, { count: 2 }), kind: 'tool' as const }, count: 2 }
    const laid = read({}, ctx([saw])).shaped.assembly.bays.flatMap((b) => b.items)
    for (const { box: b } of laid) expectNear(b.max[2] - b.min[2], 30, 1e-9)
  })
  it('leaves a well to its machine, and draws out only beside it', () => {
    const low = read({ bays: 3, wells: [{ after: 2, wideMm: 660, tableMm: 330 }] }, ctx([exampleSaw()]))
    expect(low.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const columns = new Set(low.shaped.assembly.bays.flatMap((b) => (b.name.code === 'drawer' ? [b.name.column] : [])))
    expect(columns).toEqual(new Set([1, 2, 4]))
    expect(low.shaped.assembly.bays.find((b) => b.name.code === 'well')!.items).toHaveLength(1)
  })
  it('has no shelf in what holds a well to the wall, however high the table of its machine', () => {
    const shelves: number[] = []
    for (let tableMm = 40; tableMm <= 700; tableMm += 11) {
      const wells = [{ after: 2, wideMm: 660, tableMm }]
      const shaped = boxBench.shape(given({ bays: 3, shelves: 1, wells }), ctx())
      if (!shaped.ok) {
        expect(shaped.problem.code).toBe('box-well-too-low')
        continue
      }
      const { assembly } = shaped.value
      expect([...validateAssembly(assembly), ...misplaced(assembly)]).toEqual([])
      shelves.push(assembly.parts.filter((p) => p.id.startsWith('shelf-2-')).length)
    }
    expect(new Set(shelves)).toEqual(new Set([1, 2]))
  })
  it('is led through: slides while the uprights lie, drawers once the top is on, then the handles', () => {
    const order = r.steps.map((s) => s.code)
    const at = (code: string) => order.indexOf(code)
    const told = ['dadoes-cut', 'slides-on', 'box-together', 'box-bench-top', 'drawer-on-slides', 'drawer-pulls']
    expect(told.map(at)).toEqual([...told.map(at)].sort((x, y) => x - y))
    expect(Math.min(...told.map(at))).toBeGreaterThan(-1)
    const brought = r.steps.flatMap((s) => s.parts)
    expect(brought.length).toBe(new Set(brought).size)
    expect(new Set(brought)).toEqual(new Set(a.parts.map((p) => p.id)))
  })
  it('names what cannot be, at its field', () => {
    expect(problem({ depthMm: 310 })).toMatchObject({ code: 'drawer-slide-short', field: 'depthMm' })
    expect(problem({ shelves: 3, topMm: [120] })).toMatchObject({ code: 'drawer-too-low', field: 'topMm.0' })
    expect(problem({ shelves: 1, topMm: [1390] })).toMatchObject({ code: 'drawer-too-low' })
    for (const p of [problem({ depthMm: 310 }), problem({ shelves: 3, topMm: [120] })])
      expect(sayProblem(p!, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('can be made stronger and cheaper, and an older file has the usual ones ready', () => {
    const codes = (l: readonly { code: string }[]) => l.map((x) => x.code)
    expect(codes(boxBench.levers(given({ runs: 'grooves' }), ctx()))).toEqual(
      expect.arrayContaining(['drawer-slides', 'drawer-sides']),
    )
    expect(codes(boxBench.savers(given({}), ctx()))).toEqual(
      expect.arrayContaining(['drawer-grooves', 'drawer-bottom']),
    )
    expect(codes(boxBench.levers(given({ front: 'open' }), ctx()))).not.toContain('drawer-sides')
    const made = ['drawerSheet', 'bottomSheet', 'runs', 'hand']
    const old = Object.fromEntries(Object.entries(given({})).filter(([k]) => !made.includes(k)))
    expect(findFamily('box-bench')!.upgrade(old, 2)).toEqual(given({}))
  })
})
