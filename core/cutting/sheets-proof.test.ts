import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { largeSheets, randomClass } from '../../cli/cut-instances.ts'
import { cutTree, type CutNode, type Rect } from './cut-tree.ts'
import type { Cut2dInstance, Cut2dPlan } from './format.ts'
import { lastPlace, normalPlaces } from './normal-places.ts'
import { cheaperPurchases } from './purchases.ts'
import { SheetFiller } from './sheet-filler.ts'
import { FINE, SheetBound } from './sheets-bound.ts'
import { planSheetsBest } from './sheets-best.ts'
import { seeded } from '../measure/seeded.ts'
import { sheetInstance } from '../../test-support/sheet-instance.ts'
import { fewestBins } from '../../test-support/fewest-bins.ts'
import { verifySheets } from './verify.ts'

const bounded = (i: Cut2dInstance) => {
  const b = new SheetBound(i, FINE)
  let value = 0
  for (const v of b.prove(b.whole(), () => false)) value = Math.max(value, v)
  return { value, objective: b.objective }
}

describe('normal places', () => {
  it('are all sums of the sizes, each as often as it is wanted', () => {
    expect([
      ...normalPlaces(
        [
          { size: 30, times: 2 },
          { size: 50, times: 1 },
        ],
        120,
      ),
    ]).toEqual([0, 30, 50, 60, 80, 110])
    expect([...lastPlace(Int32Array.of(0, 3, 5), 6)]).toEqual([0, 0, 0, 1, 1, 2, 2])
  })
  it('agree with trying every subset', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 7 }), (sizes) => {
        const all = new Set<number>()
        for (let m = 0; m < 1 << sizes.length; m++) all.add(sizes.reduce((s, w, i) => s + (m & (1 << i) ? w : 0), 0))
        const times = new Map<number, number>()
        for (const s of sizes) times.set(s, (times.get(s) ?? 0) + 1)
        const most = sizes.reduce((a, b) => a + b, 0)
        expect([
          ...normalPlaces(
            [...times].map(([size, n]) => ({ size, times: n })),
            most,
          ),
        ]).toEqual([...all].sort((a, b) => a - b))
      }),
    )
  })
})

describe('the bound', () => {
  it('is exact where pieces fill sheets exactly', () => {
    // Eight of 50 × 30: four on a sheet of 100 × 60, so two sheets of 10.
    expect(bounded(sheetInstance({ parts: [{ id: 'a', w: 50, h: 30, qty: 8, rotate: false }] })).value).toBeCloseTo(
      20,
      6,
    )
  })
  it('counts the kerf and the trim', () => {
    const i = sheetInstance({ kerf: 1, parts: [{ id: 'a', w: 50, h: 30, qty: 8, rotate: false }] })
    // 50 + 1 + 50 is more than 100: one column of one, two by height neither (30 + 1 + 30): one a sheet.
    expect(bounded(i).value).toBeCloseTo(80, 6)
    expect(bounded({ ...i, stock: [{ ...i.stock[0], w: 101, h: 61 }] }).value).toBeCloseTo(20, 6)
    expect(bounded({ ...i, trim: 1, stock: [{ ...i.stock[0], w: 102, h: 62 }] }).value).toBeCloseTo(80, 6)
  })
  it('takes the cheaper of two kinds of sheet, and no more of a limited one than there is', () => {
    const parts = [{ id: 'a', w: 50, h: 60, qty: 4, rotate: false }]
    const half = { id: 'half', w: 50, h: 60, price: 4, available: null as number | null, offcut: false }
    const full = sheetInstance({}).stock[0]
    expect(bounded(sheetInstance({ parts, stock: [full, half] })).value).toBeCloseTo(16, 6)
    expect(bounded(sheetInstance({ parts, stock: [full, { ...half, available: 1 }] })).value).toBeCloseTo(4 + 15, 6)
  })
  it('never goes beyond what a plan that verifies costs', () => {
    for (let seed = 30; seed < 35; seed++) {
      const i = largeSheets(seed)
      let n = 0
      const r = planSheetsBest(i, null, { shouldStop: () => ++n > 250 })
      if (!r.ok) throw new Error(r.why.code)
      expect(verifySheets(i, r.plan)).toEqual([])
      expect(bounded(i).value).toBeLessThanOrEqual(r.plan.claim.cost + 1e-6)
      expect(r.plan.claim.lowerBound).toBeLessThanOrEqual(r.plan.claim.cost)
    }
  })
  it('agrees with trying everything on small sheets of one kind', () => {
    // One strip high, so that it is a matter of lengths: fewest bins by trying all.
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 21, max: 70 }), { minLength: 2, maxLength: 6 }), (list) => {
        const i = sheetInstance({
          stock: [{ id: 's', w: 100, h: 10, price: 1, available: null, offcut: false }],
          parts: list.map((w, k) => ({ id: `p${k}`, w, h: 10, qty: 1, rotate: false })),
        })
        let n = 0
        const r = planSheetsBest(i, null, { shouldStop: () => ++n > 3000 })
        const truth = fewestBins(list, 100)
        expect(r.ok && r.plan.claim.cost).toBe(truth)
        expect(bounded(i).value).toBeLessThanOrEqual(truth + 1e-9)
      }),
      { numRuns: 25 },
    )
  })
})

describe('purchases cheaper than one', () => {
  const stocks = [
    { price: 10, area: 100, most: null },
    { price: 6, area: 55, most: null },
    { price: 0, area: 20, most: 1 },
  ]
  it('cost less, have the area, take what is free along, and leave out what another covers', () => {
    const { purchases, complete } = cheaperPurchases(stocks, 170, 0, 23, 50, 'roomiest')
    expect(complete).toBe(true)
    for (const b of purchases) {
      expect(b[2]).toBe(1)
      expect(b[0] * 10 + b[1] * 6).toBeLessThan(23)
      expect(b[0] * 100 + b[1] * 55 + 20).toBeGreaterThanOrEqual(170)
    }
    expect(purchases).toContainEqual([1, 1, 1])
    expect(purchases).toContainEqual([2, 0, 1])
  })
  it('are the same as by trying every one', () => {
    const sold = fc.record({
      price: fc.integer({ min: 1, max: 12 }),
      area: fc.integer({ min: 5, max: 60 }),
      most: fc.option(fc.integer({ min: 1, max: 4 }), { nil: null }),
    })
    fc.assert(
      fc.property(
        fc.array(sold, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 0, max: 150 }),
        fc.integer({ min: 0, max: 15 }),
        fc.integer({ min: 5, max: 30 }),
        (list, needed, least, below) => {
          let cheapest = Infinity
          const go = (i: number, cost: number, area: number): void => {
            if (cost >= below) return
            if (i === list.length)
              return void (cost >= least && area >= needed && (cheapest = Math.min(cheapest, cost)))
            for (let n = 0; n <= (list[i].most ?? 40); n++) go(i + 1, cost + n * list[i].price, area + n * list[i].area)
          }
          go(0, 0, 0)
          const { purchases, complete } = cheaperPurchases(list, needed, least, below, 1, 'cheapest')
          expect(complete).toBe(true)
          expect(purchases.length === 0 ? Infinity : purchases[0].reduce((c, n, k) => c + n * list[k].price, 0)).toBe(
            cheapest,
          )
        },
      ),
    )
  })
  it('says when it did not look at all of them', () => {
    expect(cheaperPurchases([{ price: 0, area: 5, most: null }], 10, 0, 5, 3, 'cheapest').complete).toBe(false)
    const many = Array.from({ length: 9 }, (_, k) => ({ price: 100 + k, area: 50 + k, most: null }))
    expect(cheaperPurchases(many, 400, 0, 9000, 3, 'cheapest').complete).toBe(false)
  })
  it('gives the cheapest first when asked so', () =>
    expect(cheaperPurchases(stocks, 0, 7, 40, 1, 'cheapest').purchases).toEqual([[1, 0, 1]]))
})

describe('strips', () => {
  it('lie inside, apart, no more than wanted, whatever the sizes', () => {
    const kind = fc.record({
      w: fc.integer({ min: 5, max: 60 }),
      h: fc.integer({ min: 5, max: 60 }),
      rotate: fc.boolean(),
    })
    fc.assert(
      fc.property(
        fc.array(kind, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 1e6 }),
        fc.constantFrom(null, 2, 3),
        (kinds, seed, stages) => {
          const left = Int32Array.from(kinds, () => 4)
          const laid = new SheetFiller(kinds, seeded(seed), stages).fill(
            100,
            80,
            left,
            kinds.map((k) => k.w * k.h),
            0.3,
          )
          const boxes = laid.map((p) => ({
            x: p.x,
            y: p.y,
            w: p.turned ? kinds[p.kind].h : kinds[p.kind].w,
            h: p.turned ? kinds[p.kind].w : kinds[p.kind].h,
          }))
          kinds.forEach((_, k) => expect(laid.filter((p) => p.kind === k).length + left[k]).toBe(4))
          boxes.forEach((a, i) => {
            expect(a.x + a.w <= 100 && a.y + a.h <= 80).toBe(true)
            for (const b of boxes.slice(i + 1))
              expect(a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h).toBe(false)
          })
          if (stages !== null) {
            const parts = kinds.map((k, i) => ({ id: `p${i}`, ...k, qty: Math.max(1, 4 - left[i]) }))
            const plan: Cut2dPlan = {
              format: 'cut2d-plan',
              version: 1,
              instance: 'x',
              sheets: [
                {
                  stock: 's',
                  count: 1,
                  placements: laid.map((p) => ({ part: `p${p.kind}`, x: p.x, y: p.y, rotated: p.turned })),
                },
              ],
              claim: { cost: 1, lowerBound: 0, proved: false },
            }
            expect(
              verifySheets(
                sheetInstance({
                  parts,
                  maxStages: stages,
                  stock: [{ id: 's', w: 100, h: 80, price: 1, available: null, offcut: false }],
                }),
                plan,
              ).filter((f) => f.code === 'stages' || f.code === 'not-straight'),
            ).toEqual([])
          }
        },
      ),
      { numRuns: 150 },
    )
  })
  it('fill a sheet that can be filled', () => {
    const laid = new SheetFiller(
      [
        { w: 40, h: 30, rotate: false },
        { w: 60, h: 30, rotate: false },
      ],
      seeded(5),
      null,
    ).fill(100, 60, Int32Array.of(2, 2), [1200, 1800], 0)
    expect(laid).toHaveLength(4)
  })
})

describe('a limit on how deep cuts are nested', () => {
  it.each([1, 2, 3])('of %s is kept', (maxStages) => {
    for (const seed of [2, 9, 12]) {
      const i = { ...largeSheets(seed), maxStages }
      let n = 0
      const r = planSheetsBest(i, null, { shouldStop: () => ++n > 120 })
      expect(r.ok && verifySheets(i, r.plan)).toEqual([])
    }
  })
  it('is counted by the verifier: taking a piece to size in its strip is none of them', () => {
    const i = (maxStages: number) =>
      sheetInstance({
        maxStages,
        parts: [
          { id: 'a', w: 100, h: 30, qty: 1, rotate: false },
          { id: 'b', w: 50, h: 20, qty: 1, rotate: false },
        ],
      })
    const plan: Cut2dPlan = {
      format: 'cut2d-plan',
      version: 1,
      instance: 'x',
      sheets: [
        {
          stock: 's',
          count: 1,
          placements: [
            { part: 'a', x: 0, y: 0, rotated: false },
            { part: 'b', x: 0, y: 30, rotated: false },
          ],
        },
      ],
      claim: { cost: 10, lowerBound: 10, proved: true },
    }
    // Rip at 30 and at 50; the second strip is trimmed.
    expect(verifySheets(i(1), plan)).toEqual([])
    // Two in the second strip: crosscut, a second stage; the lower one of them is trimmed.
    const beside = (at: number) => ({
      ...plan,
      sheets: plan.sheets.map((s) => ({
        ...s,
        placements: [...s.placements, { part: 'b', x: 50, y: at, rotated: false }],
      })),
    })
    const two = (maxStages: number) => ({
      ...i(maxStages),
      parts: i(2).parts.map((p) => ({ ...p, qty: p.id === 'b' ? 2 : 1 })),
    })
    expect(verifySheets(two(1), beside(30)).map((f) => f.code)).toEqual(['stages'])
    expect(verifySheets(two(2), beside(30))).toEqual([])
    // One above the other in a column of a strip: a third.
    const stacked = {
      ...plan,
      sheets: plan.sheets.map((s) => ({
        ...s,
        placements: [
          { part: 'b', x: 0, y: 0, rotated: false },
          { part: 'b', x: 0, y: 20, rotated: false },
          { part: 'c', x: 50, y: 0, rotated: false },
        ],
      })),
    }
    const three = (maxStages: number) => ({
      ...i(maxStages),
      parts: [
        { id: 'b', w: 50, h: 20, qty: 2, rotate: false },
        { id: 'c', w: 40, h: 40, qty: 1, rotate: false },
      ],
    })
    // The other way round it takes two: a strip upright is cut into the two, and the third is trimmed.
    expect(verifySheets(three(1), stacked).map((f) => f.code)).toEqual(['stages'])
    expect(verifySheets(three(2), stacked)).toEqual([])
  })
  it('of one plans strips of one piece each, two plans pieces lower than their strip beside others', () => {
    const i = (maxStages: number): Cut2dInstance =>
      sheetInstance({
        maxStages,
        parts: [
          { id: 'a', w: 50, h: 30, qty: 2, rotate: false },
          { id: 'b', w: 40, h: 20, qty: 2, rotate: false },
        ],
        stock: [{ id: 's', w: 100, h: 60, price: 10, available: null, offcut: false }],
      })
    const cost = (stages: number) => {
      let n = 0
      const r = planSheetsBest(i(stages), null, { shouldStop: () => ++n > 300 })
      expect(r.ok && verifySheets(i(stages), r.plan)).toEqual([])
      return r.ok ? r.plan.claim.cost : NaN
    }
    // Side by side they are one sheet; strips of one piece each need 100 of 60.
    expect([cost(2), cost(1)]).toEqual([10, 20])
  })
})

it('many sizes of sheet and many sheets of each are searched in bounded work', () => {
  const stock = [1, 2, 3, 4, 5, 6].map((k) => ({
    id: `s${k}`,
    w: 1000 + 97 * k,
    h: 700 + 31 * k,
    price: 100 + 13 * k * k,
    available: null,
    offcut: false,
  }))
  const i = sheetInstance({
    stock,
    parts: Array.from({ length: 10 }, (_, k) => ({
      id: `p${k}`,
      w: 200 + 37 * k,
      h: 150 + 23 * k,
      qty: 30,
      rotate: true,
    })),
  })
  let n = 0
  const r = planSheetsBest(i, null, { shouldStop: () => ++n > 60 })
  expect(r.ok && verifySheets(i, r.plan)).toEqual([])
})

it('random published classes verify, and are never below their bound', () => {
  for (let kind = 1; kind <= 10; kind++) {
    const i = randomClass(kind, 1, 20)
    let n = 0
    const r = planSheetsBest(i, null, { shouldStop: () => ++n > 200 })
    expect(r.ok && verifySheets(i, r.plan)).toEqual([])
  }
})

describe('the tree of cuts', () => {
  const leaves = (n: CutNode): CutNode[] =>
    n.pieces.length === 0 ? [] : n.way === null ? [n] : n.parts.flatMap(leaves)
  it('frees every piece at its size, one piece a leaf', () => {
    for (let seed = 1; seed < 14; seed++) {
      const i = largeSheets(seed)
      let n = 0
      const r = planSheetsBest(i, null, { shouldStop: () => ++n > 60 })
      if (!r.ok) continue
      for (const s of r.plan.sheets) {
        const stock = i.stock.find((x) => x.id === s.stock)!
        const rects = s.placements.map((q): Rect => {
          const p = i.parts.find((x) => x.id === q.part)!
          return { x: q.x, y: q.y, w: q.rotated ? p.h : p.w, h: q.rotated ? p.w : p.h }
        })
        const tree = cutTree(
          rects,
          { x: i.trim, y: i.trim, w: stock.w - 2 * i.trim, h: stock.h - 2 * i.trim },
          i.kerf,
          'either',
        )!
        const got = leaves(tree)
        expect(
          got
            .map((l) => l.pieces)
            .flat()
            .sort((a, b) => a - b),
        ).toEqual(rects.map((_, k) => k))
        for (const l of got) expect(l.region).toEqual(rects[l.pieces[0]])
      }
    }
  })
  it('is none where no straight cut parts the pieces', () => {
    const pinwheel: Rect[] = [
      { x: 0, y: 0, w: 2, h: 1 },
      { x: 2, y: 0, w: 1, h: 2 },
      { x: 1, y: 2, w: 2, h: 1 },
      { x: 0, y: 1, w: 1, h: 2 },
    ]
    expect(cutTree(pinwheel, { x: 0, y: 0, w: 3, h: 3 }, 0, 'either')).toBeNull()
  })
})
