import { describe, expect, it } from '@jest/globals'
import { largeWorkshop, workshopBoards, workshopSheets } from '../../cli/cut-instances.ts'
import { seeded } from '../measure/seeded.ts'
import { planBoardsExact } from './boards-exact.ts'
import { planBoardsGreedy } from './boards-greedy.ts'
import type { Cut1dInstance, Cut2dInstance } from './format.ts'
import { SheetFiller } from './sheet-filler.ts'
import { planSheetsBest } from './sheets-best.ts'
import { verifyBoards, verifySheets } from './verify.ts'

/** Only what a plan takes of each stock. */
const own = <I extends Cut1dInstance | Cut2dInstance>(i: I, taken: readonly { stock: string; count: number }[]): I => ({
  ...i,
  stock: i.stock.map((s) => ({
    ...s,
    available: taken.filter((t) => t.stock === s.id).reduce((n, t) => n + t.count, 0),
  })),
})
const steps = (most: number) => {
  let n = 0
  return { shouldStop: () => ++n > most }
}

describe('exactly the stock of its own plan', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('is enough for boards, %s', (seed) => {
    for (const make of [workshopBoards, largeWorkshop]) {
      const i = make(seed)
      const first = planBoardsExact(i, null, steps(400))
      if (!first.ok) throw new Error('no plan')
      const limited = own(i, first.plan.boards)
      const again = planBoardsExact(limited, null, steps(20_000))
      expect(again.ok && verifyBoards(limited, again.plan)).toEqual([])
    }
  })
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('is never called too little for sheets, %s', (seed) => {
    const i = workshopSheets(seed)
    const first = planSheetsBest(i, null, steps(300))
    if (!first.ok) throw new Error('no plan')
    const limited = own(i, first.plan.sheets)
    const again = planSheetsBest(limited, null, steps(6000))
    if (again.ok) expect(verifySheets(limited, again.plan)).toEqual([])
    else expect(again.why.code).toBe('none-found')
  })
})

describe('too little stock', () => {
  const one = (lengths: number[], stock: number[]): Cut1dInstance => ({
    format: 'cut1d-instance',
    version: 1,
    name: 'x',
    unit: 'mm',
    kerf: 3,
    trimStart: 0,
    trimEnd: 0,
    parts: lengths.map((length, i) => ({ id: `${i}`, length, qty: 1 })),
    stock: stock.map((length, i) => ({ id: `s${i}`, length, price: 10, available: 1, offcut: false })),
  })
  it('is proven by length, or by trying, and nothing else is called so', () => {
    // Three of 600 do not come out of 1000 and 900, long enough together.
    expect(planBoardsGreedy(one([600, 600, 600], [1000, 900]))).toMatchObject({ why: { code: 'none-found' } })
    expect(planBoardsExact(one([600, 600, 600], [1000, 900]), null)).toMatchObject({
      why: { code: 'not-enough-stock' },
    })
    expect(planBoardsGreedy(one([600, 600, 600], [900, 700]))).toMatchObject({ why: { code: 'not-enough-stock' } })
  })
  it('agrees with trying everything on thousands of tiny instances', () => {
    const r = seeded(77)
    const roll = (from: number, to: number) => from + Math.floor(r() * (to - from + 1))
    const fits = (lengths: number[], room: number[]): boolean => {
      if (lengths.length === 0) return true
      const [first, ...rest] = lengths
      return room.some(
        (left, k) =>
          left >= first + 3 &&
          fits(
            rest,
            room.map((x, j) => (j === k ? x - first - 3 : x)),
          ),
      )
    }
    let [yes, no] = [0, 0]
    for (let k = 0; k < 4000; k++) {
      const lengths = Array.from({ length: roll(2, 6) }, () => roll(5, 40))
      const stock = Array.from({ length: roll(1, 3) }, () => roll(40, 70))
      const can = fits(
        [...lengths].sort((a, b) => b - a),
        stock.map((s) => s + 3),
      )
      const plan = planBoardsExact(one(lengths, stock), null)
      if (can) yes++
      else no++
      if (plan.ok) expect(verifyBoards(one(lengths, stock), plan.plan)).toEqual([])
      expect([k, plan.ok ? 'plan' : plan.why.code.replace(/^piece-longer-than-stock$/, 'not-enough-stock')]).toEqual([
        k,
        can ? 'plan' : 'not-enough-stock',
      ])
    }
    expect(Math.min(yes, no)).toBeGreaterThan(500)
  })
})

it('a column never takes more of a kind than there are, whichever way round they lie', () => {
  // Over a piece of 51 in a strip of 100 there is room for two upright and one lying. In two such columns each of these
  // entries alone is fine with what the first leaves of five; together they are one too many.
  const kinds = [
    { w: 30, h: 100, rotate: false },
    { w: 25, h: 51, rotate: false },
    { w: 8, h: 20, rotate: true },
  ]
  for (let seed = 1; seed < 40; seed++) {
    const left = Int32Array.of(1, 2, 5)
    const laid = new SheetFiller(kinds, seeded(seed), null).fill(
      80,
      100,
      left,
      kinds.map((k) => k.w * k.h),
      0,
    )
    expect(Math.min(...left)).toBeGreaterThanOrEqual(0)
    const counts = kinds.map((_, kind) => laid.filter((p) => p.kind === kind).length)
    expect(counts).toEqual([1 - left[0], 2 - left[1], 5 - left[2]])
  }
})
