import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { alike } from '../../assembly/identical.ts'
import { newGoods } from '../../goods/goods.ts'
import { PERSON_N } from '../../loads/arrangements.ts'
import { METRIC } from '../../measure/units.ts'
import { judge } from '../../project/judge.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleGoods, ratedSlab, thinWalls } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { bench } from './bench.ts'
import { startingParams, type BenchParams } from './parameters.ts'

const say = sayIn(METRIC)
const ctx = (goods: ShapeContext['goods'] = [], over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext('metric', goods)
  return { ...c, space: { ...c.space, ...over } }
}
const params = (p: Partial<BenchParams>): BenchParams => ({ ...startingParams('metric', true), ...p })
const read = (p: Partial<BenchParams> = {}, c = ctx()): BuildReading => readParams(bench, params(p), c)
const problemOf = (p: Partial<BenchParams>, c = ctx()) => tryParams(bench, params(p), c).problem
const dim = (r: BuildReading, path: string) => r.shaped.dims.find((d) => d.path === path)!
/** The same bench with nobody ever on it. */
const alone = (r: BuildReading) => {
  const a = r.shaped.assembly
  const nobody = { ...a, subassemblies: a.subassemblies.map(({ tags: _t, ...s }) => s) }
  const { settings } = ctx()
  return judge(nobody, { settings, space: r.space, goods: r.goods, unhoused: [], alike: alike(a) }).checks
}

describe('the height of a bench', () => {
  it.each([
    ['general', 0.63 * 1700 - 125],
    ['fine', 0.63 * 1700 + 50],
    ['heavy', 0.63 * 1700 - 225],
  ] as const)('follows the elbow for %s work', (heightFrom, mm) => {
    const c = ctx()
    const r = readParams(bench, params({ heightFrom }), { ...c, settings: { ...c.settings, personMm: 1700 } })
    expect(Math.abs(dim(r, 'heightMm').value - mm)).toBeLessThan(1)
    const tops = r.shaped.assembly.parts.filter((p) => p.role === 'top')
    for (const p of tops) expectNear(r.boxes.get(p.id)!.max[2], dim(r, 'heightMm').value, 1e-9)
  })
  it('is hardly under the table of a machine, and over what must go under its frame', () => {
    expect(dim(read({ heightFrom: 'machine', machineMm: 880 }), 'heightMm').value).toBe(878)
    const r = read({ heightFrom: 'under', underMm: 700 })
    const rail = r.shaped.assembly.parts.find((p) => p.role === 'rail')!
    expect(r.boxes.get(rail.id)!.min[2]).toBeGreaterThanOrEqual(700)
    expect(r.boxes.get(rail.id)!.min[2]).toBeLessThan(701)
  })
})

describe('a person on a bench', () => {
  const r = read({ lengthMm: 1000, depthMm: 600, shelves: 0 })
  it('holds, and says with whom', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const top = r.checks.find((c) => c.check === 'bending' && c.data.role === 'top')!
    expect(top.data.arranged).toBe('person')
    expect(sayCheck(top, say)).toMatch(/with a person on it where that does most/)
    // For days, not for years: EN 1995-1-1 table 3.1.
    expect(top.working!.inputs.find((i) => i.symbol === 'kmod')).toMatchObject({ value: 0.9 })
  })
  it('sits over the front rail: bent like a beam on its two legs', () => {
    const rail = r.shaped.assembly.parts.find((p) => p.role === 'rail')!
    const check = r.checks.find((c) => c.check === 'bending' && c.data.role === 'rail')!
    const span = 1000 - 89
    const moment = 1.5 * PERSON_N * (span / 4 - 100 / 8)
    const { thicknessMm: b, widthMm: d } = rail.size
    // The top and the frame add a little.
    expect(check.demand!).toBeGreaterThan(moment / ((b * d * d) / 6))
    expect(check.demand!).toBeLessThan(1.1 * (moment / ((b * d * d) / 6)))
  })
  it('stands over a cross piece: bent like a beam between its hangers', () => {
    const cross = r.shaped.assembly.parts.find((p) => p.role === 'cross')!
    const check = r.checks.find((c) => c.check === 'bending' && c.data.role === 'cross')!
    const span = cross.size.lengthMm
    const moment = 1.5 * PERSON_N * (span / 4 - 100 / 8)
    const { thicknessMm: b, widthMm: d } = cross.size
    // At an end more of it: the top stands out past the last one.
    expect(check.demand!).toBeGreaterThan(moment / ((b * d * d) / 6))
    expect(check.demand!).toBeLessThan(1.35 * (moment / ((b * d * d) / 6)))
  })
  it('is what breaks a top that carries its things', () => {
    const thin = read({ lengthMm: 1000, depthMm: 600, shelves: 0, sheet: 'ply-9mm' })
    const worst = thin.checks.find((c) => c.check === 'bending' && c.data.role === 'top')!
    expect(worst).toMatchObject({ state: 'fails', data: { arranged: 'person' } })
    expect(alone(thin).find((c) => c.check === 'bending' && c.data.role === 'top')!.state).toBe('holds')
  })
  it('bends a top that no plate is made of, too: its cross pieces further apart than its rails', () => {
    const wide = read({ lengthMm: 1000, depthMm: 420, shelves: 0, crossEveryMm: 1300 })
    const worst = wide.checks.find((c) => c.check === 'bending' && c.data.role === 'top')!
    const nobody = alone(wide).find((c) => c.id === worst.id)!
    expect(worst.data.arranged).toBe('person')
    expect(worst.demand!).toBeGreaterThan(5 * nobody.demand!)
  })
  it('does not make it sag for years', () => {
    const sag = (list: readonly BuildReading['checks'][number][]) =>
      list.filter((c) => c.check === 'sag').map((c) => [c.id, c.demand])
    expect(sag(r.checks)).toEqual(sag(alone(r)))
  })
  it('pushes: what keeps it from folding is asked for 300 N more', () => {
    const sway = (list: readonly BuildReading['checks'][number][]) => list.find((c) => c.id === 'sway:build')!
    expectNear(sway(r.checks).demand! - sway(alone(r)).demand!, 1.5 * 300, 1e-9)
    expect(sayCheck({ ...sway(r.checks), state: 'fails' }, say)).toMatch(/the push of who works at it/)
  })
  it('finds two whole layers half as hard to bend', () => {
    const of = (layers: 'one' | 'two') =>
      read({ lengthMm: 1000, depthMm: 600, shelves: 0, layers }).checks.find(
        (c) => c.check === 'bending' && c.data.role === 'top',
      )!.demand!
    expectNear(of('two'), of('one') / 2, 0.1)
  })
})

describe('wells for machines', () => {
  const well = { leftMm: 900, wideMm: 700, tableMm: 95, way: 'lowered' as const, frontMm: 120 }
  const saw = newGoods({
    id: 'saw',
    name: 'saw',
    kind: 'equipment',
    count: 1,
    acrossMm: 600,
    deepMm: 500,
    tallMm: 450,
    massKg: 24,
  })
  const r = read({ lengthMm: 2600, depthMm: 600, wells: [well] }, ctx([{ item: saw, count: 1 }]))
  it('are lower by the table of the machine, which stands in its own', () => {
    const tops = r.shaped.assembly.parts.filter((p) => p.role === 'top').map((p) => r.boxes.get(p.id)!)
    expect(tops.map((b) => b.max[2])).toEqual([946, 946 - 95, 946])
    expect([tops[1].min[0], tops[1].max[0]]).toEqual([900, 1600])
    const bay = r.shaped.assembly.bays.find((b) => b.name.code === 'well')!
    expect(bay.items).toMatchObject([{ goodsId: 'saw', massKg: 24 }])
    expect(bay.items[0].box.min[2]).toBe(946 - 95)
    expect(r.shaped.unhoused).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it.each([
    ['past the end', [{ ...well, leftMm: 2000 }], 'well-past-end', 'wells.0'],
    ['too near to the end', [{ ...well, leftMm: 100 }], 'wells-meet', 'wells.0'],
    ['over each other', [well, { ...well, leftMm: 1200 }], 'wells-meet', 'wells.1'],
    ['nearly on the floor', [{ ...well, tableMm: 700 }], null, null],
  ])('%s are told as they are', (_name, wells, code, field) => {
    const problem = problemOf({ lengthMm: 2600, depthMm: 600, wells })
    expect(problem?.code ?? null).toBe(code)
    expect(problem?.field ?? null).toBe(field)
    if (problem) expect(sayProblem(problem, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('make a bench of no given length so long that they find their place', () => {
    for (const leftMm of [0, 300, 900, 1129, 1500]) {
      const { reading } = tryParams(bench, params({ depthMm: 600, wells: [{ ...well, leftMm }] }), ctx())
      expect(dim(reading!, 'lengthMm').value).toBeGreaterThanOrEqual(leftMm + 700)
    }
  })
  it('leave room under them or are none', () =>
    expect(problemOf({ lengthMm: 2600, heightMm: 700, wells: [{ ...well, tableMm: 600 }] })).toMatchObject({
      code: 'well-too-low',
      field: 'wells.0',
    }))
})

describe('what stands under a bench', () => {
  const low = crateOf([400, 350, 300], 12)
  it('is on the floor and on as few shelves as it needs, and the bench grows for the rest', () => {
    const r = read({}, ctx([{ item: low, count: 9 }]))
    expect(r.shaped.unhoused).toEqual([])
    const few = read({ lengthMm: 1000 }, ctx([{ item: low, count: 9 }]))
    expect(few.shaped.unhoused).toMatchObject([{ count: expect.any(Number) }])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('is none where it is too tall', () => {
    const tall = crateOf([400, 350, 900], 12)
    const r = read({}, ctx([{ item: tall, count: 1 }]))
    expect(r.shaped.unhoused).toMatchObject([{ count: 1 }])
  })
  it('shelves in the frame of the top are refused', () =>
    expect(problemOf({ shelves: 1, topMm: [900] }, ctx([{ item: low, count: 2 }]))).toMatchObject({
      code: 'shelf-over-top',
      field: 'topMm.0',
    }))
})

describe('a bench and its wall', () => {
  it('needs none that holds a screw when panels keep it stiff', () => {
    const thin = ctx([], { construction: { kind: 'thin' } })
    expect(problemOf({}, thin)).toMatchObject({ code: 'no-wall-to-hang-on', field: 'stiff' })
    const r = read({ stiff: 'panels', depthMm: 750, lengthMm: 1800, layers: 'two' }, thin)
    expect(r.checks.find((c) => c.id === 'sway:build')).toMatchObject({ state: 'holds' })
    expect(r.checks.find((c) => c.id === 'sway:deep')).toMatchObject({ state: 'holds' })
    expect(r.shaped.assembly.anchors).toEqual([])
    expect(checkOf(r, 'unread:build').state).toBe('holds')
  })
  it('is refused where there is no depth for legs', () =>
    expect(problemOf({ depthMm: 300, overhangMm: 100 })).toMatchObject({ code: 'bench-too-shallow', field: 'depthMm' }))
  it('stands on a floor that falls: each leg to its own length, the top level', () => {
    const c = { ...ctx(), fallUnder: () => ({ atOriginMm: 0, xMmPerM: 10, yMmPerM: 6 }) }
    const legs = read({}, c).shaped.assembly.parts.filter((p) => p.role === 'post')
    expect(new Set(legs.map((p) => p.size.lengthMm)).size).toBe(legs.length)
  })
})

describe('legs pinned to the slab', () => {
  const rated = (over: Partial<ShapeContext['space']> = {}) => {
    const c = ctx([], over)
    return { ...c, settings: { ...c.settings, anchorRatedN: 4000 } }
  }
  const free: Partial<BenchParams> = { stiff: 'panels', lengthMm: 1500, shelves: 0, depthMm: 600 }
  it('add what a quarter of their rating holds down, times their way from the front feet', () => {
    const [loose, held] = (['standing', 'pinned'] as const).map((feet) => read({ ...free, feet }, rated()))
    const pins = held.shaped.assembly.anchors.filter((x) => x.into === 'slab')
    const rear = held.shaped.assembly.parts.filter((p) => /^leg-.*-rear$/.test(p.id))
    expect(pins).toHaveLength(rear.length)
    const tip = (r: BuildReading) => checkOf(r, 'tip-over:pull')
    const front = Math.max(
      ...held.shaped.assembly.supports
        .filter((s) => s.on.kind === 'floor' && 'part' in s.from)
        .map((s) => s.contact.max[1]),
    )
    const figure = tip(held).working!.inputs.find((i) => i.symbol === 'feet held down')!
    expectNear(figure.value, pins.length * 1000 * (front - pins[0].at[1]), 1e-6)
    expect(tip(held).ratio!).toBeLessThan(tip(loose).ratio!)
    expect(held.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('have their front ones held down too where nothing is behind', () => {
    const r = read({ ...free, feet: 'pinned' }, rated({ away: true }))
    const legs = r.shaped.assembly.parts.filter((p) => p.role === 'post')
    expect(r.shaped.assembly.anchors.filter((x) => x.into === 'slab')).toHaveLength(legs.length)
  })
  it('are not on a timber floor, and leave room under the lowest shelf', () => {
    expect(read({ ...free, feet: 'pinned' }, rated({ floor: 'timber' })).shaped.assembly.anchors).toEqual([])
    const low = problemOf({ ...free, feet: 'pinned', shelves: 1, topMm: [130], floorBay: false }, rated())!
    expect([low.code, low.field]).toEqual(['angle-under-shelf', 'topMm.0'])
    expect(sayProblem(low, say)).toMatch(/angles at its feet need/)
  })
  it('are not proven while nobody has rated their anchors', () => {
    const r = read({ ...free, feet: 'pinned' })
    expect(r.verdict.unknown + r.verdict.fails).toBeGreaterThan(0)
  })
  it('older benches only stand', () => {
    const { feet, ...second } = startingParams('metric', true)
    expect(bench.upgrade(second, 2)).toEqual({ ...second, feet })
  })
})

describe('a bench as it is begun', () => {
  it.each(['metric', 'imperial'] as const)('holds at a wall with studs, who sits on it too: %s', (system) => {
    for (const wallMm of [1800, 2500, 5000]) {
      const c = exampleContext(system, [exampleGoods(system, 'box', 2)], wallMm)
      const r = readParams(bench, bench.start(c) as object, c)
      expect([wallMm, r.checks.filter((x) => x.state === 'fails' || x.state === 'unknown').map((x) => x.id)]).toEqual([
        wallMm,
        [],
      ])
    }
  })
  it('where no wall holds anything its feet are held down, and it stands', () => {
    const c = ratedSlab(thinWalls(exampleContext('metric', [exampleGoods('metric', 'box', 2)], 4000)))
    const begun = bench.start(c) as BenchParams
    expect(begun).toMatchObject({ stiff: 'panels', feet: 'pinned' })
    expect(readParams(bench, begun, c).verdict).toMatchObject({ fails: 0, unknown: 0 })
    const standing = readParams(bench, { ...begun, feet: 'standing' }, c)
    expect(checkOf(standing, 'tip-over:pull').state).toBe('fails')
  })
})
