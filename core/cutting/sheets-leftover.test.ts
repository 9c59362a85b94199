import { describe, expect, it } from '@jest/globals'
import { sheetInstance } from '../../test-support/sheet-instance.ts'
import { workshopSheets } from '../../cli/cut-instances.ts'
import { cutTree, settingsOf } from './cut-tree.ts'
import type { Cut2dInstance, Cut2dPlan } from './format.ts'
import { edgeLeftover } from './sheet-edge.ts'
import { planSheetsBest } from './sheets-best.ts'
import { largestLeftover, largestLeftoverPlan } from './sheets-leftover.ts'
import { verifySheets } from './verify.ts'

/** Stops after so many questions: no clock in a test. */
const asks = (n: number) => {
  let asked = 0
  return { shouldStop: () => ++asked > n }
}
const best = (i: Cut2dInstance, n = 3000): Cut2dPlan => {
  const r = planSheetsBest(i, null, asks(n))
  if (!r.ok) throw new Error(JSON.stringify(r.why))
  return r.plan
}

describe('the largest leftover of plans that cost no more', () => {
  it.each([1, 3, 5])('workshop sheets %i: verified, no dearer, never smaller', (seed) => {
    const i = workshopSheets(seed)
    const found = best(i)
    const p = largestLeftoverPlan(i, found, null, asks(30_000))
    expect(verifySheets(i, p)).toEqual([])
    expect(p.claim.cost).toBeLessThanOrEqual(found.claim.cost)
    expect(p.claim.lowerBound).toBeLessThanOrEqual(p.claim.cost)
    expect(largestLeftover(i, p)).toBeGreaterThanOrEqual(largestLeftover(i, found))
  })
  it('puts what is over on one sheet: four halves and two quarters leave a whole half', () => {
    // Halves of 490 and quarters of 240 on sheets of 1000: two sheets are needed, and one of them can keep half.
    const i = sheetInstance({
      kerf: 4,
      parts: [
        { id: 'half', w: 490, h: 1000, qty: 2, rotate: false },
        { id: 'quarter', w: 240, h: 1000, qty: 2, rotate: false },
      ],
      stock: [{ id: 's', w: 1000, h: 1000, price: 10, available: null, offcut: false }],
    })
    const spread: Cut2dPlan = {
      format: 'cut2d-plan',
      version: 1,
      instance: 'x',
      claim: { cost: 20, lowerBound: 20, proved: true },
      sheets: [
        {
          stock: 's',
          count: 2,
          placements: [
            { part: 'half', x: 0, y: 0, rotated: false },
            { part: 'quarter', x: 494, y: 0, rotated: false },
          ],
        },
      ],
    }
    expect(verifySheets(i, spread)).toEqual([])
    const p = largestLeftoverPlan(i, spread, null, asks(60_000))
    expect(verifySheets(i, p)).toEqual([])
    expect(p.claim).toEqual(spread.claim)
    // One sheet takes both halves; the two quarters leave 1000 − 2 × 240 − 2 kerfs on the other.
    expect(largestLeftover(i, spread)).toBe((1000 - 734) * 1000)
    expect(largestLeftover(i, p)).toBeGreaterThanOrEqual(500 * 1000)
  })
  it('holds where a larger sheet costs the same as two small ones', () => {
    // The strip is made for the sheets bought, and may find its place on the larger one.
    const i = sheetInstance({
      kerf: 3,
      parts: [
        { id: 'a', w: 300, h: 200, qty: 5, rotate: true },
        { id: 'b', w: 450, h: 150, qty: 4, rotate: true },
        { id: 'c', w: 120, h: 90, qty: 9, rotate: true },
      ],
      stock: [
        { id: 'small', w: 1000, h: 500, price: 10, available: null, offcut: false },
        { id: 'large', w: 1000, h: 1000, price: 20, available: null, offcut: false },
        { id: 'long', w: 2000, h: 500, price: 20, available: null, offcut: false },
      ],
    })
    const found = best(i)
    const p = largestLeftoverPlan(i, found, null, asks(6_000))
    expect(verifySheets(i, p)).toEqual([])
    expect(p.claim.cost).toBeLessThanOrEqual(found.claim.cost)
  })
  it('nothing to cut leaves nothing to look for', () => {
    const i = workshopSheets(1)
    const none: Cut2dPlan = {
      format: 'cut2d-plan',
      version: 1,
      instance: i.name,
      sheets: [],
      claim: { cost: 0, lowerBound: 0, proved: true },
    }
    expect(largestLeftoverPlan(i, none, null)).toBe(none)
    expect(largestLeftover(i, none)).toBe(0)
  })
  it('measures the wider of the two strips, within the trim', () => {
    expect(edgeLeftover({ w: 100, h: 50 }, 5, [{ x: 5, y: 5, w: 45, h: 40 }])).toBe(45 * 40)
    expect(edgeLeftover({ w: 100, h: 50 }, 5, [{ x: 5, y: 5, w: 85, h: 10 }])).toBe(30 * 90)
    expect(edgeLeftover({ w: 100, h: 50 }, 0, [])).toBe(5000)
  })
})

describe('settings of the saw', () => {
  it('count every width once a way', () => {
    // Three strips of 20, each crosscut at 30: one fence, one stop.
    const rects = [0, 1, 2].flatMap((r) => [0, 1].map((c) => ({ x: c * 31, y: r * 21, w: 30, h: 20 })))
    const tree = cutTree(rects, { x: 0, y: 0, w: 100, h: 100 }, 1, 'y')!
    expect(settingsOf(tree)).toBe(2)
    const uneven = [...rects.slice(0, 4), { x: 0, y: 42, w: 25, h: 15 }]
    expect(settingsOf(cutTree(uneven, { x: 0, y: 0, w: 100, h: 100 }, 1, 'y')!)).toBe(4)
  })
})
