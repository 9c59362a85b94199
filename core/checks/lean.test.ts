import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import type { Bay } from '../assembly/assembly.ts'
import { newtons } from '../measure/units.ts'
import { leanIn } from './lean.ts'

interface Thing {
  thick: number
  high: number
  kg: number
}
const slot = (clearMm: number, things: readonly Thing[]): Bay => {
  let x = 0
  return {
    id: 'b',
    name: { code: 'slot', column: 1, row: 1 },
    holds: 'slot',
    clear: { min: [0, 0, 0], max: [clearMm, 600, 1000] },
    carriers: ['deck'],
    items: things.map((t) => {
      const from = x
      x += t.thick
      return {
        goodsId: 'g',
        massKg: t.kg,
        stands: 'flat' as const,
        box: { min: [from, 0, 0] as [number, number, number], max: [x, 400, t.high] as [number, number, number] },
      }
    }),
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  }
}
/** The hardest of all ways to take some of them out. */
const hardest = (clearMm: number, things: readonly Thing[]) => {
  let worst = 0
  for (let set = 1; set < 1 << things.length; set++) {
    const those = things.filter((_t, i) => set & (1 << i))
    const free = Math.max(0, clearMm - those.reduce((s, t) => s + t.thick, 0))
    worst = Math.max(worst, those.reduce((s, t) => s + newtons(t.kg) / (2 * t.high), 0) * free)
  }
  return worst
}

describe('what leans in a slot', () => {
  it('by hand: one thing turns about its foot', () => {
    const l = leanIn(slot(60, [{ thick: 20, high: 600, kg: 10 }]), 0, 1.5)
    expect(l.n).toBeCloseTo((1.5 * newtons(10) * 40) / 1200, 9)
    expect(l).toMatchObject({ freeMm: 40, highsMm: [600] })
  })
  it('leans harder where some are taken out and leave more room than weight', () => {
    const ten = Array.from({ length: 10 }, () => ({ thick: 5, high: 500, kg: 2 }))
    // All: 10 · 4 mm; five of them: 5 · 29 mm.
    expect(leanIn(slot(54, ten), 0, 1).n).toBeCloseTo((newtons(2) / 1000) * 5 * 29, 9)
  })
  it('is as hard as the worst of all ways to take some out, of alike things and of others', () => {
    const thing = fc.record({ thick: fc.integer({ min: 3, max: 40 }), high: fc.integer({ min: 200, max: 900 }), kg: fc.integer({ min: 1, max: 20 }) }) // prettier-ignore
    fc.assert(
      fc.property(thing, fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 60 }), (t, n, more) => {
        const all = Array.from({ length: n }, () => t)
        expect(leanIn(slot(n * t.thick + more, all), 0, 1).n).toBeCloseTo(hardest(n * t.thick + more, all), 6)
      }),
      { seed: 7, numRuns: 60 },
    )
    fc.assert(
      fc.property(fc.array(thing, { minLength: 2, maxLength: 9 }), fc.integer({ min: 0, max: 60 }), (all, more) => {
        const clear = all.reduce((s, t) => s + t.thick, 0) + more
        expect(leanIn(slot(clear, all), 0, 1).n).toBeCloseTo(hardest(clear, all), 6)
      }),
      { seed: 7, numRuns: 200 },
    )
  })
  it('of very many unlike things is never less than that of some of them, and hardly more than all could bring', () => {
    const many = Array.from({ length: 90 }, (_, i) => ({ thick: 3 + ((i * 7) % 11) / 3, high: 300 + ((i * 37) % 400), kg: 0.5 + ((i * 13) % 17) / 5 })) // prettier-ignore
    const clear = 1.02 * many.reduce((s, t) => s + t.thick, 0)
    const { n } = leanIn(slot(clear, many), 0, 1)
    // Those that push most for the room they take, a share of the last of them too, do not push less than any choice.
    const push = (t: Thing) => newtons(t.kg) / (2 * t.high)
    const order = [...many].sort((a, b) => push(b) / b.thick - push(a) / a.thick)
    let [most, whole, sum, thick] = [0, 0, 0, 0]
    for (const t of order) {
      for (let share = 0; share <= 1; share += 0.01)
        most = Math.max(most, (sum + share * push(t)) * (clear - thick - share * t.thick))
      sum += push(t)
      thick += t.thick
      whole = Math.max(whole, sum * (clear - thick))
    }
    expect(n).toBeGreaterThanOrEqual(whole)
    expect(n).toBeLessThan(1.01 * most)
  })
})
