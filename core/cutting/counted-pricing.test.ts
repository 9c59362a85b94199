import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { mixedSheets } from '../../cli/cut-instances.ts'
import { sheetInstance } from '../../test-support/sheet-instance.ts'
import { CountedPricing } from './counted-pricing.ts'
import type { Cut2dInstance } from './format.ts'
import { GuillotineTable, placesFor, type Places, type Pricing } from './guillotine-table.ts'
import { FINE, SheetBound } from './sheets-bound.ts'

const instance = (w: number, h: number, parts: Cut2dInstance['parts']): Cut2dInstance =>
  sheetInstance({ parts, stock: [{ id: 's', w, h, price: 10, available: null, offcut: false }] })
const placesIn = (i: Cut2dInstance): Places => placesFor(i, i.stock, FINE)!
const never = () => false

/** The most that straight cuts get out of a sheet with no piece oftener than wanted: every cut, every share of the pieces. */
function byTryingAll(i: Cut2dInstance, worth: readonly number[]): number {
  const known = new Map<string, number>()
  const best = (w: number, h: number, left: readonly number[]): number => {
    const key = `${w},${h},${left.join()}`
    const before = known.get(key)
    if (before !== undefined) return before
    let value = 0
    i.parts.forEach((p, k) => {
      const goes = (p.w <= w && p.h <= h) || (p.rotate && p.h <= w && p.w <= h)
      if (goes && left[k] > 0) value = Math.max(value, worth[k])
    })
    for (const share of shares(left)) {
      const rest = left.map((m, k) => m - share[k])
      for (let c = 1; c < w; c++) value = Math.max(value, best(c, h, share) + best(w - c, h, rest))
      for (let c = 1; c < h; c++) value = Math.max(value, best(w, c, share) + best(w, h - c, rest))
    }
    known.set(key, value)
    return value
  }
  return best(
    i.stock[0].w,
    i.stock[0].h,
    i.parts.map((p) => p.qty),
  )
}
const shares = (left: readonly number[]): number[][] =>
  left.reduce<number[][]>((all, m) => all.flatMap((s) => Array.from({ length: m + 1 }, (_, j) => [...s, j])), [[]])

/** What the fillings a pricing gives hold, and what they are worth. */
const worthOf = (p: Pricing, y: readonly number[]) =>
  p.ways(0, 0).map((laid) => laid.pieces.reduce((sum, q) => sum + y[q.kind], 0))

const small = fc
  .array(
    fc.record({
      w: fc.integer({ min: 2, max: 6 }),
      h: fc.integer({ min: 2, max: 5 }),
      qty: fc.integer({ min: 1, max: 2 }),
      rotate: fc.boolean(),
      worth: fc.integer({ min: 1, max: 30 }),
    }),
    { minLength: 1, maxLength: 3 },
  )
  .map((list) => ({
    i: instance(
      8,
      6,
      list.map(({ w, h, qty, rotate }, k) => ({ id: `p${k}`, w, h, qty, rotate })),
    ),
    worth: list.map((x) => x.worth),
  }))

describe('a sheet on which no piece is oftener than it is wanted', () => {
  it('is worth what trying every cut and every share of the pieces finds', () => {
    fc.assert(
      fc.property(small, ({ i, worth }) => {
        const pricing = new CountedPricing(
          placesIn(i),
          i.parts.map((p) => p.qty),
        )
        const [value] = pricing.price(worth, [0], never)!
        expect(value).toBeCloseTo(byTryingAll(i, worth), 6)
        const [laid] = pricing.ways(0, 0)
        expect(laid.pieces.reduce((sum, q) => sum + worth[q.kind], 0)).toBeCloseTo(value, 6)
        i.parts.forEach((p, k) => expect(laid.pieces.filter((q) => q.kind === k).length).toBeLessThanOrEqual(p.qty))
      }),
      { numRuns: 40 },
    )
  })
  it('is found again after other prices, whatever was counted for them', () => {
    const i = instance(8, 6, [
      { id: 'a', w: 4, h: 3, qty: 1, rotate: false },
      { id: 'b', w: 3, h: 2, qty: 2, rotate: true },
      { id: 'c', w: 2, h: 2, qty: 3, rotate: false },
    ])
    const pricing = new CountedPricing(placesIn(i), [1, 2, 3])
    for (const worth of [
      [30, 2, 1],
      [1, 20, 1],
      [1, 1, 9],
      [12, 6, 4],
    ])
      expect(pricing.price(worth, [0], never)![0]).toBeCloseTo(byTryingAll(i, worth), 6)
  })
  it('says nothing when it is stopped', () => {
    const i = mixedSheets(5)
    const pricing = new CountedPricing(placesIn({ ...i, stock: i.stock.slice(0, 1) }), i.parts.map((p) => p.qty)) // prettier-ignore
    const worth = i.parts.map((p) => p.w * p.h)
    expect(pricing.price(worth, [0], () => true)).toBeNull()
  })
})

describe('fillings of one pricing', () => {
  it('are worth what is said of the best, and more than is asked, each beginning with another cut', () => {
    const i = mixedSheets(5)
    const table = new GuillotineTable(placesIn({ ...i, stock: i.stock.slice(0, 1) }))
    const worth = i.parts.map((p) => p.w * p.h)
    const [value] = table.price(worth)
    const all = table.ways(0, 0.97 * value)
    const each = all.map((laid) => laid.pieces.reduce((sum, q) => sum + worth[q.kind], 0))
    expect(each[0]).toBeCloseTo(value, 3)
    expect(each.length).toBeGreaterThan(10)
    for (const v of each) {
      expect(v).toBeGreaterThan(0.97 * value)
      expect(v).toBeLessThanOrEqual(value + 1e-6)
    }
  })
  it('are traced to the right pieces however many kinds there are', () => {
    const parts = Array.from({ length: 1300 }, (_, k) => ({
      id: `p${k}`,
      w: 40 + (k % 7),
      h: 25,
      qty: 1,
      rotate: false,
    }))
    const i = instance(100, 60, parts)
    const table = new GuillotineTable(placesIn(i))
    const worth = parts.map((_, k) => (k === 1234 ? 50 : 1))
    const [value] = table.price(worth)
    expect(value).toBe(200)
    expect(worthOf(table, worth)[0]).toBe(200)
  })
})

describe('the bound asked more closely', () => {
  const least = (b: SheetBound) => {
    let value = 0
    for (const v of b.prove(b.whole(), never)) value = Math.max(value, v)
    return value
  }
  it('does not cut a piece twice from one sheet that is wanted once', () => {
    // Two of the first would go on a sheet, one of the second; both on none: 11 is longer than 10. The third goes beside
    // the second.
    const i = instance(10, 10, [
      { id: 'a', w: 5, h: 10, qty: 1, rotate: false },
      { id: 'b', w: 6, h: 10, qty: 1, rotate: false },
      { id: 'c', w: 4, h: 2, qty: 1, rotate: false },
    ])
    const plain = new SheetBound(i, FINE)
    expect(least(plain)).toBeCloseTo(15, 6)
    expect(least(plain.counted())).toBeCloseTo(20, 6)
  })
  it('is never lower', () => {
    fc.assert(
      fc.property(small, ({ i }) => {
        const fits = i.parts.every((p) => (p.w <= 8 && p.h <= 6) || (p.rotate && p.h <= 8 && p.w <= 6))
        fc.pre(fits)
        const plain = new SheetBound(i, FINE)
        const value = least(plain)
        expect(least(plain.counted())).toBeGreaterThanOrEqual(value - 1e-6)
      }),
      { numRuns: 40 },
    )
  })
})
