import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../../test-support/crate.ts'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { newGoods } from '../../goods/goods.ts'
import { METRIC } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { bench } from './bench.ts'
import { startingParams, UPGRADES, type BenchParams, type Well } from './parameters.ts'

const saw = newGoods({
  ...{ id: 'saw', name: 'saw', kind: 'equipment', count: 1, acrossMm: 600, deepMm: 500, tallMm: 340, massKg: 26 },
})
const withSaw = exampleContext('metric', [{ item: saw, count: 1 }])
const well: Well = { leftMm: 900, wideMm: 620, tableMm: 330, way: 'dropped-in', frontMm: 150 }
const params = (p: Partial<BenchParams>): BenchParams => ({
  ...startingParams('metric', true),
  ...{ lengthMm: 2600, depthMm: 800, shelves: 0, supports: 'doubled', wells: [well] },
  ...p,
})
const read = (p: Partial<BenchParams> = {}, c: ShapeContext = withSaw): BuildReading => readParams(bench, params(p), c)
const problemOf = (p: Partial<BenchParams>, c = withSaw) => tryParams(bench, params(p), c).problem
const high = (r: BuildReading) => r.shaped.dims.find((d) => d.path === 'heightMm')!.value
const dropped = (r: BuildReading) => r.shaped.assembly.bays.find((b) => b.id.startsWith('drop-'))!

describe('a machine let down through the top', () => {
  const r = read()
  it('stands on a platform by as much lower as its table is high, with the same play all round', () => {
    const bay = dropped(r)
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const [{ box }] = bay.items
    expectNear(box.min[2], high(r) - 330, 1e-9)
    expectNear(box.min[0] - bay.clear.min[0], 10, 1e-9)
    expectNear(bay.clear.max[0] - box.max[0], 10, 1e-9)
    expectNear(box.min[1] - bay.clear.min[1], 3, 1e-9)
    expectNear(bay.clear.max[1] - box.max[1], 3, 1e-9)
    expect(bay.clear.max[1]).toBe(800 - 150)
    expect(r.shaped.unhoused).toEqual([])
  })
  it('goes in from above: nothing of the bench is over its platform but what is round the opening', () => {
    const { clear } = dropped(r)
    const inside = [...r.boxes].filter(([, b]) =>
      [0, 1, 2].every((i) => b.min[i] < clear.max[i] - 1e-6 && b.max[i] > clear.min[i] + 1e-6),
    )
    expect(inside).toEqual([])
  })
  it('leaves a top that covers all but the opening, each piece on something at two edges', () => {
    const tops = r.shaped.assembly.parts.filter((p) => p.role === 'top').map((p) => r.boxes.get(p.id)!)
    const area = tops.reduce((sum, b) => sum + (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]), 0)
    const { min, max } = dropped(r).clear
    expectNear(area, 2600 * 800 - (max[0] - min[0]) * (max[1] - min[1]), 1e-9)
    for (const side of ['rear', 'front', 'left', 'right'])
      expect(
        r.shaped.assembly.supports.filter((s) => 'part' in s.from && s.from.part === `top-1-a-${side}`).length,
      ).toBeGreaterThan(1)
  })
  it.each([
    ['too near to the front', { frontMm: 70 }, 'drop-too-near'],
    ['with a table hardly above its foot', { tableMm: 100 }, 'drop-too-shallow'],
    ['before the bench begins', { leftMm: 60 }, 'well-past-start'],
    ['past its end', { leftMm: 2000 }, 'well-past-end'],
  ])('%s is told as it is', (_name, over, code) => {
    const problem = problemOf({ wells: [{ ...well, ...over }] })
    expect(problem).toMatchObject({ code, field: 'wells.0' })
    expect(sayProblem(problem!, sayIn(METRIC))).toMatch(/^[A-Z].*\.$/)
  })
  it('that is wider than its opening less its play, too deep, or not there is asked for', () => {
    const asked = [
      problemOf({ wells: [{ ...well, wideMm: 605 }] }),
      problemOf({ depthMm: 700 }),
      problemOf({}, exampleContext('metric', [])),
    ]
    for (const p of asked) {
      expect(p).toMatchObject({ code: 'drop-no-machine', field: 'wells.0' })
      expect(sayProblem(p!, sayIn(METRIC))).toMatch(/^No machine .*\.$/)
    }
  })
  it('is let down and made level after the top is laid', () => {
    const steps = bench.steps(params({}), r.shaped)
    const at = (code: string) => steps.findIndex((s) => s.code === code)
    expect(at('bench-drop-in')).toBeGreaterThan(at('bench-top'))
    expect(at('pieces-under-rails')).toBeGreaterThan(0)
  })
  it('is lowered in benches made before', () => {
    const old = { ...startingParams('metric', true), wells: [{ leftMm: 900, wideMm: 700, tableMm: 95 }] }
    const { back: _b, ledgerScrews: _l, supports: _s, ...first } = old
    const now = UPGRADES.reduce((raw, up) => up(raw), first as Record<string, unknown>)
    expect(bench.schema.parse(now)).toMatchObject({ back: 'legs', supports: 'single', wells: [{ way: 'lowered' }] })
  })
})

describe('pieces under the rails', () => {
  const single = read({ wells: [], supports: 'single', railJoint: 'screws' }, exampleContext('metric', []))
  const doubled = read({ wells: [], supports: 'doubled', railJoint: 'screws' }, exampleContext('metric', []))
  it('take from their fasteners what somebody on the bench weighs', () => {
    expect(checkOf(single, 'joints:post-rail').state).toBe('fails')
    expect(checkOf(doubled, 'joints:post-rail').state).toBe('holds')
  })
  it('stand on the floor beside each leg, right under their rail', () => {
    const { assembly } = doubled.shaped
    const under = assembly.parts.filter((p) => p.id.startsWith('under-'))
    const legs = assembly.parts.filter((p) => p.id.startsWith('leg-'))
    expect(under).toHaveLength(legs.length)
    const rail = doubled.boxes.get('rail-0-top-front')!
    for (const p of under) {
      const b = doubled.boxes.get(p.id)!
      expect(b.min[2]).toBe(0)
      expectNear(b.max[2], rail.min[2], 1e-9)
    }
  })
  it('are not there where panels are, nor stand out past a thinner rail', () => {
    expect(problemOf({ stiff: 'panels' })).toMatchObject({ code: 'doubled-behind-panels', field: 'supports' })
    expect(problemOf({ postSection: '47x100mm' })).toMatchObject({ code: 'post-past-rail', field: 'supports' })
  })
})

describe('a bench on a batten', () => {
  const plain = exampleContext('metric', [{ item: crateOf([400, 350, 300], 12), count: 4 }])
  // Its first stud near its end: who sits at the wall there hangs on that one.
  const shifted = plain.space.studsMm.map((x) => x - plain.space.studsMm[0] + 60)
  const goods = { ...plain, space: { ...plain.space, studsMm: shifted } }
  const asked = { wells: [], supports: 'single', lengthMm: 1800, shelves: 1, back: 'batten' } as const
  const r = read({ ...asked, wells: [] }, goods)
  it('that runs far past its first stud is told: who sits at that end hangs on one fixing', () => {
    const far = checkOf(read({ ...asked, wells: [] }, plain), 'anchors:build')
    expect(far).toMatchObject({ state: 'fails', data: { arranged: 'person' } })
    expect(far.ratio!).toBeGreaterThan(1.3 * checkOf(r, 'anchors:build').ratio!)
  })
  const { assembly } = r.shaped
  it('has no legs behind, and screws in every stud behind each frame', () => {
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(assembly.parts.filter((p) => p.id.endsWith('-rear') && p.role === 'post')).toEqual([])
    const studs = r.space.studsMm.filter((x) => x >= 25 && x <= 1775)
    for (const z of ['rail-0-0-rear', 'rail-0-top-rear'])
      expect(assembly.anchors.filter((a) => a.part === z).map((a) => a.at[0])).toEqual(studs)
    expect(assembly.anchors.every((a) => a.holds.includes('z'))).toBe(true)
  })
  it('lets shelves reach the wall', () => {
    const shelf = r.boxes.get('shelf-0-0-0')!
    expect(shelf.min[1]).toBe(0)
  })
  it('is put on the wall in one step, and not tied once more', () => {
    const codes = bench.steps(params({ back: 'batten' }), r.shaped).map((s) => s.code)
    expect(codes).toContain('bench-on-wall')
    expect(codes).not.toContain('bench-stand')
    expect(codes).not.toContain('tie')
  })
  it('is refused where a stretch meets one stud, and where the wall carries nothing', () => {
    const one = problemOf({ wells: [], lengthMm: 600, back: 'batten', shelves: 0 }, exampleContext('metric', []))
    expect(one).toMatchObject({ code: 'batten-misses-studs', field: 'back' })
    const thin = { ...goods, space: { ...goods.space, construction: { kind: 'thin' as const }, studsMm: [] } }
    expect(problemOf({ wells: [], back: 'batten' }, thin)).toMatchObject({ code: 'no-wall-to-hang-on', field: 'back' })
  })
  it('holds in masonry by as much as its anchors are rated', () => {
    const rated = (anchorRatedN: number) => {
      const space = { ...goods.space, construction: { kind: 'masonry' as const }, studsMm: [] }
      const c = { ...goods, space: space as ShapeContext['space'], settings: { ...goods.settings, anchorRatedN } }
      return read({ wells: [], supports: 'single', lengthMm: 1800, shelves: 0, back: 'batten' }, c)
    }
    // Who sits at the wall sits on one anchor.
    expect(checkOf(rated(8000), 'anchors:build')).toMatchObject({ state: 'fails', data: { arranged: 'person' } })
    expect(checkOf(rated(12_000), 'anchors:build').state).toBe('holds')
    const [weak, strong] = [rated(2000), rated(8000)].map((x) => checkOf(x, 'anchors:build').ratio!)
    expectNear(weak / strong, 4, 0.01)
  })
})
