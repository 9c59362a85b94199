import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { boxSize } from '../../geometry/box.ts'
import { newGoods } from '../../goods/goods.ts'
import { newtons } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type SlotRackParams } from './parameters.ts'
import { onEdge } from './plan-out.ts'
import { slotRack } from './slot-rack.ts'

const flat = (
  id: string,
  count: number,
  thickMm: number,
  deepMm: number,
  tallMm: number,
  massKg: number | null = 2,
) => ({
  item: newGoods({ id, name: id, kind: 'other', count, acrossMm: thickMm, deepMm, tallMm, massKg }),
  count,
})
const pictures = flat('picture', 12, 40, 500, 700)
const trays = flat('tray', 10, 25, 400, 300)
const ctx = (goods: ShapeContext['goods'] = [pictures, trays]) => exampleContext('metric', goods)
const read = (over: Partial<SlotRackParams> = {}, c = ctx()) => {
  const params = { ...startingParams('metric', true), ...over }
  const r = readWith(slotRack, newBuild({ id: 'b', family: 'slot-rack', params: params as never, wallId: 'w' }), c)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const slotsWith = (r: ReturnType<typeof read>, id: string) =>
  r.shaped.assembly.bays.filter((b) => b.items.some((i) => i.goodsId === id))
const wide = (b: { clear: { min: number[]; max: number[] } }) => b.clear.max[0] - b.clear.min[0]

describe('a slot rack', () => {
  const r = read()
  it('has a slot for each thing, a fifth more to spare, and holds', () => {
    const { bays } = r.shaped.assembly
    expect(bays.flatMap((b) => b.items)).toHaveLength(22)
    expect(bays).toHaveLength(12 + Math.ceil(12 / 5) + 10 + 2)
    expect(r.shaped.unhoused).toEqual([])
    expect(r.checks.filter((x) => x.state === 'fails' || x.state === 'unknown').map((x) => x.id)).toEqual([])
  })
  it('a slot follows its thing: thicker by a millimetre, wider by as much; as many in one as are said', () => {
    const one = wide(slotsWith(read({ perSlot: 1 }, ctx([flat('a', 3, 30, 400, 400)])), 'a')[0])
    const more = wide(slotsWith(read({ perSlot: 1 }, ctx([flat('a', 3, 31, 400, 400)])), 'a')[0])
    const three = wide(slotsWith(read({ perSlot: 3 }, ctx([flat('a', 3, 30, 400, 400)])), 'a')[0])
    expectNear(more - one, 1, 1e-9)
    expectNear(three - one, 60, 1e-9)
  })
  it('puts things of a height together, the high ones low', () => {
    const low = (id: string) => Math.min(...slotsWith(r, id).map((b) => b.clear.min[2]))
    expect(low('picture')).toBeLessThan(low('tray'))
    for (const b of slotsWith(r, 'tray')) expect(b.clear.max[2] - b.clear.min[2]).toBeLessThan(500)
  })
  it('dividers stand in grooves of the decks under and over them, with play, and pass nothing that stands', () => {
    const { parts } = r.shaped.assembly
    const boxes = partBoxes(r.shaped.assembly)
    const dividers = parts.filter((p) => p.role === 'divider')
    expect(dividers.length).toBeGreaterThan(20)
    for (const p of dividers) {
      const b = boxes.get(p.id)!
      const held = parts.filter(
        (q) =>
          q.machining.some(
            (m) =>
              m.kind === 'dado' &&
              Math.abs(boxes.get(q.id)!.min[0] + m.atMm + m.widthMm / 2 - (b.min[0] + b.max[0]) / 2) < 1e-6,
          ) && Math.min(Math.abs(boxes.get(q.id)!.max[2] - b.min[2]), Math.abs(boxes.get(q.id)!.min[2] - b.max[2])) < 6,
      )
      expect(held.length).toBeGreaterThanOrEqual(2)
      for (const bay of r.shaped.assembly.bays)
        for (const i of bay.items) {
          const apart = b.max[0] <= i.box.min[0] + 1e-6 || b.min[0] >= i.box.max[0] - 1e-6
          expect(apart || b.max[2] <= i.box.min[2] || b.min[2] >= i.box.max[2]).toBe(true)
        }
    }
  })
  it('stands a flat thing on its long edge where it would be too deep, and lays none flat', () => {
    const g = pictures.item
    expect(onEdge(g, 600)).toMatchObject({ thickMm: 40, tallMm: 700, deepMm: 500 })
    expect(onEdge(g, 450)).toMatchObject({ tallMm: 500, deepMm: 700 })
    // Measured lying down, it is stood up all the same.
    expect(onEdge({ ...g, acrossMm: 700, deepMm: 500, tallMm: 40 }, 800)).toMatchObject({ thickMm: 40, tallMm: 500 })
    for (const b of r.shaped.assembly.bays)
      for (const i of b.items) expect(boxSize(i.box)[0]).toBe(Math.min(...boxSize(i.box)))
  })
  it('what is too high or not flat finds no place, and says so', () => {
    const some = read({}, ctx([pictures, { ...flat('crate', 2, 300, 300, 300) }]))
    expect(some.shaped.unhoused).toEqual([{ goodsId: 'crate', count: 2, why: 'no-place' }])
  })
})

describe('its dividers', () => {
  it('by hand: what leans turns about its foot, the divider is a beam from deck to deck', () => {
    const c = ctx([flat('slab', 1, 20, 400, 600, 10)])
    const r = read({ perSlot: 1, sparePct: 200, marginMm: 100 }, c)
    const [bay] = slotsWith(r, 'slab')
    const n = (1.5 * newtons(10) * (wide(bay) - 20)) / (2 * 600)
    const span = bay.clear.max[2] - bay.clear.min[2]
    const check = r.checks.find((x) => x.check === 'partitions')!
    expectNear(check.demand!, (n * 600 * (span - 600)) / span, 1e-9)
    expect(check.state).toBe('holds')
  })
  it('prove nothing of what nobody has weighed', () => {
    const r = read({}, ctx([flat('picture', 6, 40, 500, 700, null)]))
    expect(r.checks.find((x) => x.check === 'partitions')!.state).toBe('unknown')
  })
  it('weaken the decks they stand in: more grooves, more sag', () => {
    const sag = (perSlot: number) => {
      const r = read({ perSlot, sparePct: 0, columns: 1, clearMm: 700 }, ctx([flat('sheet', 24, 10, 500, 500, 1)]))
      return r.checks.find((x) => x.check === 'sag' && x.parts.includes('deck-0-0'))!.demand!
    }
    expect(sag(1)).toBeGreaterThan(1.2 * sag(12))
  })
})

describe('what cannot be', () => {
  const problem = (over: Partial<SlotRackParams>, c = ctx()) => {
    const r = slotRack.shape({ ...startingParams('metric', true), ...over }, c)
    return r.ok ? null : [r.problem.code, r.problem.field]
  }
  it('is told at its field', () => {
    expect(problem({}, ctx([flat('crate', 2, 300, 300, 300)]))?.[0]).toBe('slots-none-flat')
    expect(problem({ made: 'knock-down', baseMm: 20 })).toEqual(['blocks-in-floor', 'baseMm'])
    expect(problem({ columns: 6, clearMm: 1200 })).toEqual(['slots-too-wide', 'columns'])
    expect(problem({ perSlot: 40, clearMm: 150 }, ctx([flat('a', 40, 30, 400, 400)]))).toEqual([
      'slots-column-narrow',
      'clearMm',
    ])
    expect(problem({ perSlot: 1 }, ctx([flat('a', 130, 10, 400, 400)]))).toEqual(['slots-too-many', 'perSlot'])
    expect(problem({ depthMm: 1220 }, { ...ctx(), space: { ...ctx().space, depthMm: 500 } })).toEqual([
      'slots-too-deep',
      'depthMm',
    ])
    expect(problem({ baseMm: 900 }, ctx([flat('a', 2, 30, 1200, 1250)]))?.[0]).toBe('slots-too-high')
  })
  it('is just as deep as is wanted where no share of the sheet that goes in is', () => {
    // On its short edge 800 mm go in no more; 600 by a quarter less and a nailer of 18: between two shares, 415 and 623.
    const picture = flat('picture', 3, 40, 800, 600)
    const c = ctx([picture])
    const shallow = { ...c, space: { ...c.space, depthMm: 610 } }
    const r2 = read({}, shallow)
    expect(r2.shaped.unhoused).toEqual([])
    const depth = r2.shaped.dims.find((d) => d.path === 'depthMm')!
    expectNear(depth.value, 0.75 * 600 + 18, 1e-2)
    expect(r2.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(problem({ depthMm: 300 }, shallow)).toEqual(['slots-none-deep', 'depthMm'])
  })
})

describe('a slot rack behind panels that slide', () => {
  const slid = read({ front: 'sliding' })
  const { bays, parts } = slid.shaped.assembly
  const [TRACK, OVERLAP] = [38, 10]
  it('has each slot behind one panel, and its tracks before it', () => {
    expect(slid.shaped.unhoused).toEqual([])
    expect(slid.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const uprights = parts.filter((p) => p.id.startsWith('upright-')).map((p) => slid.boxes.get(p.id)!)
    for (const { clear } of bays) {
      const left = Math.max(...uprights.map((u) => u.max[0]).filter((x) => x <= clear.min[0] + 1e-6))
      const right = Math.min(...uprights.map((u) => u.min[0]).filter((x) => x >= clear.max[0] - 1e-6))
      const middle = (left + right) / 2
      const behind = [clear.max[0] <= middle - OVERLAP + 1e-6, clear.min[0] >= middle + OVERLAP - 1e-6]
      expect(behind.filter(Boolean)).toHaveLength(1)
      expect(slid.boxes.get('deck-0-0')!.max[1] - clear.max[1]).toBeCloseTo(TRACK, 6)
    }
  })
  it.each(['hb-6mm', 'ply-12mm'])('no divider of %s lies in another, in the middle either', (dividerSheet) => {
    const r = read({ front: 'sliding', dividerSheet })
    const of = r.shaped.assembly.parts.filter((p) => p.role === 'divider').map((p) => r.boxes.get(p.id)!)
    expect(of.length).toBeGreaterThan(8)
    const past = (a: (typeof of)[number], b: typeof a) => [0, 1, 2].some((k) => a.max[k] <= b.min[k] + 1e-6)
    for (const [i, a] of of.entries()) for (const b of of.slice(i + 1)) expect(past(a, b) || past(b, a)).toBe(true)
  })
  it('its lowest and highest bins are a track higher, and the tracks take of its depth', () => {
    const high = (r: typeof slid) => ['deck-0-0', 'deck-0-1', 'top'].map((id) => r.boxes.get(id)!.min[2])
    const [one, other] = [high(read({ front: 'panel' })), high(slid)]
    for (const i of [1, 2]) expect(other[i] - other[i - 1]).toBeCloseTo(one[i] - one[i - 1] + TRACK, 6)
    const without = (depthMm: number) => read({ front: 'sliding', depthMm }).shaped.unhoused.map((u) => u.count)
    // A picture of 500, behind it the board that ties it.
    const tieMm = parts.find((p) => p.id === 'tie-0')!.size.thicknessMm
    expect(without(500 + TRACK + tieMm)).toEqual([])
    expect(without(500 + TRACK + tieMm - 1).reduce((a, b) => a + b, 0)).toBe(12)
  })
  it('dividers go in before the tracks that would be in their way', () => {
    const ids = slid.steps.map((s) => s.id)
    expect(ids.indexOf('dividers')).toBeGreaterThanOrEqual(0)
    expect(ids.indexOf('dividers')).toBeLessThan(ids.indexOf('tracks'))
    expect(ids.indexOf('tracks')).toBeLessThan(ids.indexOf('sliding'))
  })
  it('a column whose half is too narrow for a slot says what it wants', () => {
    const params = { ...startingParams('metric', true), front: 'sliding' as const, clearMm: 150 }
    const build = newBuild({ id: 'b', family: 'slot-rack', params: params as never, wallId: 'w' })
    const r = readWith(slotRack, build, ctx([flat('a', 2, 60, 400, 400)]))
    expect(r).toMatchObject({ problem: { code: 'slots-column-narrow', data: { leastMm: 2 * (66 + OVERLAP) } } })
  })
})
