import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { newGoods } from '../goods/goods.ts'
import { inches } from '../measure/units.ts'
import { readWith } from '../project/read-build.ts'
import { arrangements } from './arrangements.ts'
import type { Assembly, Placed } from '../assembly/assembly.ts'

const reading = (id: string, params: object, kg: number, count: number, wide = 300) => {
  const item = newGoods({
    id: 'box',
    name: 'box',
    kind: 'box',
    count,
    acrossMm: wide,
    deepMm: 280,
    tallMm: 250,
    massKg: kg,
  })
  const ctx = exampleContext('metric', [{ item, count }])
  const family = findFamily(id)!
  const r = readWith(
    family,
    {
      id: 'b',
      name: 'b',
      family: id,
      params: { ...(family.start(ctx) as object), ...params },
      wallId: 'w',
      offsetMm: 0,
      outMm: 0,
      turn: 0,
      mirrored: false,
      paramsVersion: 1,
      standsOn: null,
      tiedTo: [],
      goods: [],
    },
    ctx,
  )
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const one = () => reading('shelf-unit', { clearMm: 1100, bays: 1, shelves: 3 }, 38, 1)
const withItems = (a: Assembly, change: (i: Placed) => Placed): Assembly => ({
  ...a,
  bays: a.bays.map((b) => ({ ...b, items: b.items.map(change) })),
})

describe('goods where they do worst', () => {
  it('one heavy box is judged in the middle of its shelf, wherever it is drawn', () => {
    const r = one()
    const sag = r.checks.find((c) => c.check === 'sag' && c.data.role === 'shelf')!
    expect(sag.data.arranged).toBe('gathered')
    const packed = Math.max(
      ...[...r.service.members.values()].flatMap((m) =>
        m.state.kind === 'panel' ? m.state.strips.map((s) => Math.abs(s.result.sag.mm)) : [],
      ),
    )
    expect(Number(sag.data.firstMm)).toBeGreaterThan(2 * packed)
  })
  it('all arrangements keep every thing in its bay, none in another, with nothing added', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('tote-rack', 'post-rack', 'shelf-unit'),
        fc.integer({ min: 1, max: 14 }),
        fc.integer({ min: 120, max: 420 }),
        (id, count, wide) => {
          const a =
            id === 'tote-rack'
              ? (() => {
                  const ctx = exampleContext('imperial', [exampleGoods('imperial', 'tote', count)])
                  const s = findFamily(id)!.shape(findFamily(id)!.start(ctx), ctx)
                  if (!s.ok) throw new Error(JSON.stringify(s.problem))
                  return s.value.assembly
                })()
              : reading(id, {}, 5, count, wide).shaped.assembly
          for (const { code, assembly } of arrangements(a))
            for (const [i, b] of assembly.bays.entries()) {
              const was = a.bays[i].items
              if (code !== 'every-other' && code !== 'alone') expect(b.items).toHaveLength(was.length)
              for (const item of b.items) {
                expect(item.box.min[0]).toBeGreaterThanOrEqual(Math.min(b.clear.min[0], was[0].box.min[0]) - 1e-6)
                expect(item.box.max[0]).toBeLessThanOrEqual(
                  Math.max(b.clear.max[0], ...was.map((w) => w.box.max[0])) + 1e-6,
                )
                expect(item.box.max[2] - item.box.min[2]).toBeGreaterThan(0)
              }
              // Side by side, not in each other.
              const row = [...b.items].sort((x, y) => x.box.min[0] - y.box.min[0])
              const overlap = (list: readonly Placed[]) =>
                list.some((x, k) =>
                  list
                    .slice(k + 1)
                    .some((y) =>
                      [0, 1, 2].every((d) => x.box.min[d] < y.box.max[d] - 0.01 && y.box.min[d] < x.box.max[d] - 0.01),
                    ),
                )
              expect(overlap(row) && !overlap(was)).toBe(false)
            }
        },
      ),
      { numRuns: 25 },
    )
  })
  it('what is gathered does not depend on where it was drawn', () => {
    const a = one().shaped.assembly
    const shift = withItems(a, (i) => ({
      ...i,
      box: {
        min: [i.box.min[0] + 90, ...i.box.min.slice(1)] as never,
        max: [i.box.max[0] + 90, ...i.box.max.slice(1)] as never,
      },
    }))
    const places = (x: Assembly) =>
      arrangements(x)
        .filter((y) => y.code === 'gathered')
        .map((y) => y.assembly.bays.flatMap((b) => b.items.map((i) => Math.round(i.box.min[0]))))
    // The place it is drawn at already is no other arrangement.
    expect(places(shift).flat()).toEqual(expect.arrayContaining(places(a).flat()))
  })
  it('the heaviest thing is in the middle of a span, alone but for what has room beside it there', () => {
    const a = reading('shelf-unit', { bays: 1, clearMm: 800, shelves: 1 }, 5, 3, 200).shaped.assembly
    const [bay] = a.bays.filter((b) => b.items.length > 0)
    const heavy = { ...bay.items[0], massKg: 40 }
    const mixed = { ...a, bays: a.bays.map((b) => (b === bay ? { ...b, items: [heavy, ...bay.items.slice(1)] } : b)) }
    const alone = arrangements(mixed).find((x) => x.code === 'alone')!
    const items = alone.assembly.bays.find((b) => b.id === bay.id)!.items
    const middle = (i: Placed) => (i.box.min[0] + i.box.max[0]) / 2
    const at = items.find((i) => i.massKg === 40)!
    expect(Math.abs(middle(at) - (bay.clear.min[0] + bay.clear.max[0]) / 2)).toBeLessThan(12)
    expect(items.length).toBe(3)
  })
  it('what stands between two columns is loaded from both at once', () => {
    const a = reading('shelf-unit', { bays: 2, clearMm: 700, shelves: 1 }, 5, 4, 200).shaped.assembly
    const upright = a.parts.find((p) => p.id === 'upright-1')!.at.centre[0]
    const far = (x: Assembly) =>
      Math.max(
        ...x.bays.map((b) =>
          Math.min(...b.items.map((i) => Math.min(Math.abs(i.box.min[0] - upright), Math.abs(i.box.max[0] - upright)))),
        ),
      )
    const gathered = arrangements(a).filter((x) => x.code === 'gathered')
    expect(Math.min(...gathered.map((x) => far(x.assembly)))).toBeLessThan(15)
  })
  it('half empty is judged as well as full: nothing works less in the worst arrangement than as drawn', () => {
    const r = reading('post-rack', { shelves: 2, floorBay: false, midPosts: 1, lengthMm: inches(96) }, 25, 12)
    const codes = arrangements(r.shaped.assembly).map((x) => x.code)
    expect(codes).toContain('every-other')
    expect(codes[0]).toBe('packed')
    // A rail over two spans bends hardest with one of them empty, or with the goods in the middle of a span.
    expect(r.checks.some((c) => c.data.arranged !== undefined)).toBe(true)
  })
})
