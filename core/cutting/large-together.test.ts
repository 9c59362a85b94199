import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { loadSolver } from '../../cli/highs.ts'
import { sheetInstance } from '../../test-support/sheet-instance.ts'
import type { Cut2dInstance } from './format.ts'
import { roomForLarge } from './large-choice.ts'
import { LargeTogether } from './large-together.ts'
import { planSheetsBest } from './sheets-best.ts'

const whole = (i: Cut2dInstance, ...most: number[]) => {
  const t = new LargeTogether(i)
  for (const m of most.length > 0 ? most : [1e9]) for (const _ of t.takeIn(m));
  return t
}
/** Whether so many of each part are in a choice that fits one sheet. */
const fits = (t: LargeTogether, stock: number, counts: readonly number[]) =>
  t.fullest(stock).some((c) => t.kinds.every((part, x) => counts[part] <= c[x]))

interface Piece {
  w: number
  h: number
  rotate: boolean
}
/** Whether straight cuts at whole places free all pieces from a sheet: by trying every cut and every way to part them. */
function canBeCut(pieces: readonly Piece[], w: number, h: number): boolean {
  if (pieces.length === 0) return true
  if (pieces.reduce((n, p) => n + p.w * p.h, 0) > w * h) return false
  if (pieces.length === 1) {
    const [p] = pieces
    return (p.w <= w && p.h <= h) || (p.rotate && p.h <= w && p.w <= h)
  }
  for (let m = 1; m < 1 << (pieces.length - 1); m++) {
    const one = pieces.filter((_, i) => m & (1 << i))
    const other = pieces.filter((_, i) => !(m & (1 << i)))
    for (let x = 1; x < w; x++) if (canBeCut(one, x, h) && canBeCut(other, w - x, h)) return true
    for (let y = 1; y < h; y++) if (canBeCut(one, w, y) && canBeCut(other, w, h - y)) return true
  }
  return false
}

const PART = fc.record({
  w: fc.integer({ min: 2, max: 8 }),
  h: fc.integer({ min: 1, max: 6 }),
  qty: fc.integer({ min: 1, max: 2 }),
  rotate: fc.boolean(),
})

describe('what lies together on one sheet', () => {
  it('is what some straight cuts free, for every choice of pieces', () => {
    fc.assert(
      fc.property(fc.array(PART, { minLength: 1, maxLength: 3 }), (list) => {
        const parts = list.map((p, i) => ({ id: `${i}`, ...p }))
        const i = sheetInstance({
          parts,
          stock: [
            { id: 's', w: 9, h: 8, price: 10, available: null, offcut: false },
            { id: 'o', w: 6, h: 5, price: 0, available: 1, offcut: true },
          ],
        })
        const t = whole(i)
        const choices = parts.reduce<number[][]>(
          (all, p) => all.flatMap((c) => Array.from({ length: p.qty + 1 }, (_, n) => [...c, n])),
          [[]],
        )
        for (const c of choices.filter((c) => c.some((n) => n > 0)))
          i.stock.forEach((s, k) => {
            const pieces = c.flatMap((n, p) => Array.from({ length: n }, () => parts[p]))
            expect({ c, k, fits: fits(t, k, c) }).toEqual({ c, k, fits: canBeCut(pieces, s.w, s.h) })
          })
      }),
      { numRuns: 60 },
    )
  })
  it('is not what only lies round a hole, where no cut goes through', () => {
    const part = { id: 'a', w: 3, h: 2, qty: 4, rotate: true }
    const t = whole(sheetInstance({ parts: [part], stock: [{ ...sheetInstance({}).stock[0], w: 5, h: 5 }] }))
    expect(t.fullest(0)).toEqual([[3]])
  })
  it('counts kerf and trim', () => {
    const i = sheetInstance({ kerf: 1, trim: 2, parts: [{ id: 'a', w: 48, h: 56, qty: 2, rotate: false }] })
    expect(whole(i).fullest(0)).toEqual([[1]])
    expect(whole({ ...i, kerf: 0 }).fullest(0)).toEqual([[2]])
  })
  it('is the same taken in at once and bit by bit, the largest first', () => {
    const parts = [40, 30, 24, 20, 16].map((w, k) => ({ id: `${k}`, w, h: 24 - 2 * k, qty: 3, rotate: k % 2 === 0 }))
    const i = sheetInstance({ parts })
    const bits = Array.from({ length: 200 }, (_, k) => 200 * (k + 1))
    const slow = whole(i, ...bits, 1e9)
    const once = whole(i)
    expect([slow.kinds, slow.taken, slow.share()]).toEqual([once.kinds, once.taken, 1])
    expect(slow.fullest(0).sort()).toEqual(once.fullest(0).sort())
    const part = whole(i, 400)
    expect(part.share()).toBeGreaterThan(0)
    expect(part.share()).toBeLessThan(1)
    // What was not taken in is asked of nobody.
    for (const c of part.fullest(0)) c.forEach((n, x) => expect(n).toBeLessThanOrEqual(part.taken[x]))
  })
})

describe('room for large pieces', () => {
  // Two of either lie on a sheet, one of each does not: three of each are four sheets, though three have the area.
  const parts = [
    { id: 'wide', w: 100, h: 30, qty: 3, rotate: false },
    { id: 'tall', w: 50, h: 60, qty: 3, rotate: false },
  ]
  const i = sheetInstance({ parts })
  it('is not in a purchase that only mixtures of sheets could fill', async () => {
    const solve = (await loadSolver())!
    const t = whole(i)
    const ask = (n: number) => {
      const asked = roomForLarge(t, [n], (k) => t.fullest(k))!
      const answer = solve(asked, 5)
      return answer === 'infeasible' || answer === null ? answer : answer.values.reduce((a, b) => a + b, 0)
    }
    expect([ask(3), ask(4)]).toEqual(['infeasible', 4])
    const narrow = { ...i.stock[0], id: 'narrow', w: 90 }
    const two = whole({ ...i, stock: [...i.stock, narrow] })
    expect(roomForLarge(two, [0, 9], (k) => two.fullest(k))).toBeNull()
  })
  it('proves a plan the cheapest that area and linear program leave open', async () => {
    const steps = () => {
      let n = 0
      return { shouldStop: () => ++n > 4000 }
    }
    const open = planSheetsBest(i, null, steps())
    expect(open.ok && open.plan.claim).toEqual({ cost: 40, lowerBound: 30, proved: false })
    const closed = planSheetsBest(i, await loadSolver(), steps())
    expect(closed.ok && closed.plan.claim).toEqual({ cost: 40, lowerBound: 40, proved: true })
  })
})
