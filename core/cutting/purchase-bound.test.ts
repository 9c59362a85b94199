import { describe, expect, it } from '@jest/globals'
import { sheetInstance } from '../../test-support/sheet-instance.ts'
import { LargeTogether } from './large-together.ts'
import { PurchaseBound } from './purchase-bound.ts'

/** Pieces of as many sizes, each wanted once, about six of which lie on a sheet. */
const sizes = (count: number) =>
  sheetInstance({
    parts: Array.from({ length: count }, (_, i) => ({
      id: `${i}`,
      w: 31 + (i % 4),
      h: 43 + i,
      qty: 1,
      rotate: false,
    })),
    stock: [{ id: 's', w: 100, h: 120, price: 10, available: null, offcut: false }],
  })

/** How many choices of the largest pieces a solver is asked about. */
function askedAbout(count: number, cost: number): number[] {
  const asked: number[] = []
  const end = { steps: 0 }
  const bound = new PurchaseBound(sizes(count), {
    cost: () => cost,
    known: () => [],
    priced: () => {},
    kept: () => [],
    stop: () => end.steps > 3000,
    solve: (model) => {
      asked.push(model.cost.length)
      return null
    },
    secondsLeft: () => Infinity,
  })
  bound.begin(0)
  for (const _ of bound.steps()) end.steps++
  return asked
}

describe('a solver beside the bound', () => {
  it('is asked about few choices of large pieces, and never about so many that it would not be back in time', () => {
    const few = askedAbout(8, 30)
    expect(few.length).toBeGreaterThan(0)
    expect(Math.max(...few)).toBeLessThanOrEqual(3000)
    const many = new LargeTogether(sizes(17))
    for (const _ of many.takeIn(3e7));
    expect(many.fullest(0).length).toBeGreaterThan(3000)
    expect(askedAbout(17, 50).every((n) => n <= 3000)).toBe(true)
  })
})
