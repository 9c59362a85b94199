import { describe, expect, it } from '@jest/globals'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { exampleContext, exampleGoods } from '../../families/example-context.ts'
import { startingParams as unitParams, type ShelfUnitParams } from '../../families/shelf-unit/parameters.ts'
import { shelfUnit } from '../../families/shelf-unit/shelf-unit.ts'
import { startingParams as cabinetParams } from '../../families/wall-cabinet/parameters.ts'
import { wallCabinet } from '../../families/wall-cabinet/wall-cabinet.ts'

const ctx = exampleContext('metric', [exampleGoods('metric', 'box', 6)])
const unit = (over: Partial<ShelfUnitParams> = {}) => ({
  ...unitParams('metric', true),
  ...{ front: 'sliding' as const, bays: 2, shelves: 3, abovePlayMm: 40 },
  ...over,
})
const standing = readParams(shelfUnit, unit(), ctx)
const hung = readParams(
  wallCabinet,
  { ...cabinetParams('metric'), front: 'sliding', bays: 1, clearMm: 800, shelves: 0, abovePlayMm: 40 },
  exampleContext('metric', [exampleGoods('metric', 'box', 2)]),
)
/** Height of a carton of the examples, and what is left over it. */
const [TALL, PLAY, TRACK, SHEET] = [300, 40, 38, 18]

describe('panels that slide inside a box', () => {
  it.each([
    ['standing', standing, 4],
    ['hung', hung, 2],
  ])('%s: two in each opening, which meet past its middle and clear a half of it each', (_n, r, count) => {
    const a = r.shaped.assembly
    const panels = a.parts.filter((p) => p.role === 'door')
    expect(panels.length).toBe(count)
    for (let k = 0; k < count; k += 2) {
      const [one, other] = [panels[k], panels[k + 1]].map((p) => r.boxes.get(p.id)!)
      expect(one.max[0] - other.min[0]).toBeCloseTo(20, 6)
      // One behind the other.
      expect(other.min[1] - one.max[1]).toBeGreaterThan(5)
    }
    const slides = a.motions.flatMap((m) => (m.kind === 'slide' ? [m] : []))
    expect(slides.length).toBe(count)
    for (const m of slides) {
      const panel = r.boxes.get(m.parts[0])!
      const [from, to] = [panel.min[0] + m.by[0], panel.max[0] + m.by[0]]
      const before = a.bays.filter((b) => b.clear.min[0] >= panel.min[0] - 2 && b.clear.max[0] <= panel.max[0] + 2)
      expect(before.length).toBeGreaterThan(0)
      for (const b of before) expect(b.clear.max[0] <= from + 1e-6 || b.clear.min[0] >= to - 1e-6).toBe(true)
    }
    expect(checkOf(r, 'slides:panels')).toMatchObject({ state: 'holds', demand: 6, capacity: 8 })
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
  })
  it('shelves between end behind the tracks, the lowest and the highest do not', () => {
    const deep = (id: string) => standing.boxes.get(id)!.max[1]
    expect(deep('shelf-0-0') - deep('shelf-0-1')).toBeCloseTo(TRACK, 6)
    expect(deep('shelf-0-2')).toBe(deep('shelf-0-0'))
    for (const t of ['low', 'high']) expect(deep(`track-0-${t}`)).toBeCloseTo(deep('shelf-0-0'), 6)
  })
  it('what stands on the lowest is lifted over its track, and goes out under the upper one', () => {
    const tops = (r: typeof standing) =>
      r.shaped.assembly.parts.filter((p) => p.role === 'shelf' && p.id.startsWith('shelf-0-')).map((p) => r.boxes.get(p.id)!.max[2]) // prettier-ignore
    const [low, middle, high] = tops(standing)
    expect(middle - low).toBeCloseTo(TALL + PLAY + TRACK + SHEET, 6)
    expect(high - middle).toBeCloseTo(TALL + PLAY + TRACK + SHEET, 6)
    const two = readParams(shelfUnit, unit({ shelves: 2 }), ctx)
    const [only, over] = tops(two)
    expect(over - only).toBeCloseTo(TALL + PLAY + 2 * TRACK + SHEET, 6)
    // A box with nothing between: both tracks are in the way of the same things.
    expect(hung.boxes.get('top-0')!.min[2] - hung.boxes.get('shelf-0-0')!.max[2]).toBeGreaterThanOrEqual(
      TALL + PLAY + 2 * TRACK,
    )
  })
  it('takes only what goes through half of an opening', () => {
    // Half of it less the overlap must hold the carton and its play: 300 and twice 20.
    const wide = 2 * (300 + 2 * 20 + 10)
    const out = (clearMm: number) =>
      readParams(shelfUnit, unit({ clearMm, sidePlayMm: 20 }), ctx).shaped.unhoused.reduce((n, u) => n + u.count, 0)
    expect(out(wide)).toBe(0)
    expect(out(wide - 1)).toBe(6)
  })
  it('is refused where there is but one shelf', () => {
    expect(tryParams(shelfUnit, unit({ shelves: 1 }), ctx)).toMatchObject({
      problem: { code: 'sliding-one-shelf', field: 'front' },
    })
  })
  it('its tracks are put on before the panels are in, and its panels slid in last', () => {
    for (const r of [standing, hung]) {
      const ids = r.steps.map((s) => s.id)
      expect(ids.indexOf('tracks')).toBeGreaterThanOrEqual(0)
      expect(ids.indexOf('tracks')).toBeLessThan(ids.findIndex((id) => id === 'stand' || id === 'hang'))
      expect(ids.indexOf('sliding')).toBeGreaterThan(ids.findIndex((id) => id === 'stand' || id === 'hang'))
      expect(r.steps.find((s) => s.id === 'sliding')!.code).toBe('panels-slid-in')
    }
  })
})
