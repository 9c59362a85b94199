import { describe, expect, it } from '@jest/globals'
import { sheetInstance } from '../../test-support/sheet-instance.ts'
import fc from 'fast-check'
import { largeWorkshop } from '../../cli/cut-instances.ts'
import { planBoardsExact } from './boards-exact.ts'
import { longestLeftover, longestLeftoverPlan } from './boards-leftover.ts'
import type { Cut1dInstance } from './format.ts'
import { planSheetsBest } from './sheets-best.ts'
import { planSheetsGreedy } from './sheets-greedy.ts'
import { verifyBoards, verifySheets } from './verify.ts'

const one = (lengths: number[], stock: [number, number][], kerf = 0): Cut1dInstance => ({
  format: 'cut1d-instance',
  version: 1,
  name: 'x',
  unit: '1',
  kerf,
  trimStart: 0,
  trimEnd: 0,
  parts: lengths.map((length, i) => ({ id: `p${i}`, length, qty: 1 })),
  stock: stock.map(([length, price], i) => ({ id: `s${i}`, length, price, available: null, offcut: false })),
})
const best = (i: Cut1dInstance) => {
  const r = planBoardsExact(i, null)
  if (!r.ok) throw new Error(r.why.code)
  return longestLeftoverPlan(i, r.plan, null)
}

describe('the longest leftover', () => {
  it('is one long piece and not two stubs', () => {
    // 600 + 400 fills one board and leaves all but 300 of the other: 700 in one piece; 600 + 300 and 400 would leave
    // 100 and 600.
    const i = one([600, 400, 300], [[1000, 5]])
    const { plan, longest } = best(i)
    expect(plan.claim).toEqual({ cost: 10, lowerBound: 10, proved: true })
    expect(longestLeftover(i, plan)).toBe(700)
    expect(longest).toBe(true)
  })
  it('takes the kerf of the last cut off', () =>
    expect(longestLeftover(one([600], [[1000, 5]], 3), best(one([600], [[1000, 5]], 3)).plan)).toBe(397))
  it('agrees with trying everything, and never costs more', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 15, max: 80 }), { minLength: 1, maxLength: 6 }), (list) => {
        const i = one(list, [[100, 7]])
        const { plan } = best(i)
        expect(verifyBoards(i, plan)).toEqual([])
        const { boards, longest } = byHand(list)
        expect(plan.claim.cost).toBe(7 * boards)
        // To a four-hundredth of the board: one unit here.
        expect(longest - longestLeftover(i, plan)).toBeLessThanOrEqual(1)
      }),
      { numRuns: 40 },
    )
  })
  it('of workshop orders verifies at the same cost', () => {
    const i = largeWorkshop(9)
    let n = 0
    const r = planBoardsExact(i, null, { shouldStop: () => ++n > 4000 })
    if (!r.ok) throw new Error(r.why.code)
    const l = longestLeftoverPlan(i, r.plan, null, { shouldStop: () => ++n > 12_000 })
    expect(verifyBoards(i, l.plan)).toEqual([])
    expect(l.plan.claim.cost).toBeLessThanOrEqual(r.plan.claim.cost)
    expect(longestLeftover(i, l.plan)).toBeGreaterThanOrEqual(longestLeftover(i, r.plan))
  })
})

it('every plan of random sheets verifies, first and best, with any kerf, trim, grain and stock', () => {
  const part = fc.record({
    w: fc.integer({ min: 1, max: 90 }),
    h: fc.integer({ min: 1, max: 55 }),
    qty: fc.integer({ min: 1, max: 4 }),
    rotate: fc.boolean(),
  })
  fc.assert(
    fc.property(
      fc.array(part, { minLength: 1, maxLength: 5 }),
      fc.integer({ min: 0, max: 4 }),
      fc.integer({ min: 0, max: 2 }),
      fc.boolean(),
      (list, kerf, trim, offcut) => {
        const i = sheetInstance({
          kerf,
          trim,
          parts: list.map((p, k) => ({ id: `p${k}`, ...p })),
          stock: [
            { id: 'full', w: 100, h: 60, price: 10, available: null, offcut: false },
            ...(offcut ? [{ id: 'left', w: 50, h: 40, price: 0, available: 1, offcut: true }] : []),
          ],
        })
        const first = planSheetsGreedy(i)
        let n = 0
        const r = planSheetsBest(i, null, { shouldStop: () => ++n > 60 })
        expect(r.ok).toBe(first.ok)
        if (!r.ok || !first.ok) return
        expect(verifySheets(i, first.plan)).toEqual([])
        expect(verifySheets(i, r.plan)).toEqual([])
        expect(r.plan.claim.cost).toBeLessThanOrEqual(first.plan.claim.cost)
        // No bound beyond what area alone asks for can be missed: pieces never overlap.
        const area = list.reduce((a, p) => a + p.qty * p.w * p.h, 0) - (offcut ? 2000 : 0)
        expect(r.plan.claim.cost).toBeGreaterThanOrEqual(10 * Math.ceil(area / 6000 - 1e-9))
      },
    ),
    { numRuns: 60 },
  )
})

/** Fewest boards of 100, and the longest single leftover among plans with so few: by trying every way. */
function byHand(list: number[]): { boards: number; longest: number } {
  let [boards, longest] = [Infinity, 0]
  const go = (i: number, bins: number[]) => {
    if (bins.length > boards) return
    if (i === list.length) {
      const left = Math.max(...bins.map((b) => 100 - b))
      if (bins.length < boards || left > longest) [boards, longest] = [bins.length, left]
      return
    }
    bins.forEach(
      (b, k) =>
        b + list[i] <= 100 &&
        go(
          i + 1,
          bins.map((x, j) => (j === k ? x + list[i] : x)),
        ),
    )
    go(i + 1, [...bins, list[i]])
  }
  go(0, [])
  return { boards, longest }
}
