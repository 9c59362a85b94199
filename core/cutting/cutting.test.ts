import { describe, expect, it } from '@jest/globals'
import { sheetInstance } from '../../test-support/sheet-instance.ts'
import fc from 'fast-check'
import { workshopBoards, workshopSheets } from '../../cli/cut-instances.ts'
import { planBoardsExact } from './boards-exact.ts'
import { planBoardsGreedy } from './boards-greedy.ts'
import {
  cut1dPlan,
  cut2dPlan,
  type Cut1dInstance,
  type Cut1dPlan,
  type Cut2dInstance,
  type Cut2dPlan,
} from './format.ts'
import { fillBest } from './knapsack.ts'
import { planSheetsBest } from './sheets-best.ts'
import { planSheetsGreedy } from './sheets-greedy.ts'
import { fewestBins } from '../../test-support/fewest-bins.ts'
import { verifyBoards, verifySheets } from './verify.ts'

const boards = (i: Cut1dInstance): Cut1dPlan => {
  const r = planBoardsGreedy(i)
  if (!r.ok) throw new Error(JSON.stringify(r.why))
  return r.plan
}
const sheets = (i: Cut2dInstance): Cut2dPlan => {
  const r = planSheetsGreedy(i)
  if (!r.ok) throw new Error(JSON.stringify(r.why))
  return r.plan
}
const one = (over: Partial<Cut1dInstance> = {}): Cut1dInstance => ({
  format: 'cut1d-instance',
  version: 1,
  name: 'x',
  unit: 'mm',
  kerf: 3,
  trimStart: 6,
  trimEnd: 0,
  parts: [{ id: 'a', length: 600, qty: 4 }],
  stock: [{ id: '8', length: 2438, price: 400, available: null, offcut: false }],
  ...over,
})

describe('boards', () => {
  it('fits k pieces exactly when their lengths, kerfs and the trim do', () => {
    const exact = one({
      parts: [{ id: 'a', length: 605, qty: 4 }],
      stock: [{ id: 's', length: 6 + 4 * 605 + 3 * 3, price: 1, available: null, offcut: false }],
    })
    expect(boards(exact).claim).toEqual({ cost: 1, lowerBound: 1, proved: true })
    expect(boards({ ...exact, stock: [{ ...exact.stock[0], length: exact.stock[0].length - 1 }] }).claim.cost).toBe(2)
  })
  it('passes the verifier on seeded workshop instances, never below its own bound', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const i = workshopBoards(seed)
      const plan = boards(i)
      expect(verifyBoards(i, plan)).toEqual([])
      expect(cut1dPlan.parse(plan)).toEqual(plan)
      expect(plan.claim.cost).toBeLessThanOrEqual(1.25 * plan.claim.lowerBound + 2000)
    }
  })
  it('uses what lies there first, but no more of it than there is', () => {
    const i = one({
      stock: [
        { id: '8', length: 2438, price: 400, available: null, offcut: false },
        { id: 'left', length: 1300, price: 0, available: 1, offcut: true },
      ],
    })
    const plan = boards(i)
    expect(verifyBoards(i, plan)).toEqual([])
    expect(plan.boards.find((b) => b.stock === 'left')?.count).toBe(1)
  })
  it.each([
    ['a piece longer than any board', one({ parts: [{ id: 'a', length: 9000, qty: 1 }] }), 'piece-longer-than-stock'],
    ['too little stock', one({ stock: [{ id: 's', length: 2438, price: 1, available: 0, offcut: true }] }), 'no-stock'],
    [
      'not enough stock',
      one({
        parts: [{ id: 'a', length: 2000, qty: 3 }],
        stock: [{ id: 's', length: 2438, price: 1, available: 2, offcut: true }],
      }),
      'not-enough-stock',
    ],
    ['a mountain of pieces', one({ parts: [{ id: 'a', length: 10, qty: 1_000_000 }] }), 'too-many-pieces'],
  ])('answers %s at once', (_name, i, code) => expect(planBoardsGreedy(i)).toMatchObject({ ok: false, why: { code } }))
  it('takes ten thousand pieces in bounded work', () =>
    expect(
      verifyBoards(
        one({ parts: [{ id: 'a', length: 333, qty: 10_000 }] }),
        boards(one({ parts: [{ id: 'a', length: 333, qty: 10_000 }] })),
      ),
    ).toEqual([]))
  it('plans nothing for nothing', () => expect(boards(one({ parts: [] })).boards).toEqual([]))
})

describe('sheets', () => {
  it('passes the verifier on seeded workshop instances', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const i = workshopSheets(seed)
      const plan = sheets(i)
      expect(verifySheets(i, plan)).toEqual([])
      expect(cut2dPlan.parse(plan)).toEqual(plan)
      expect(plan.claim.lowerBound).toBeLessThanOrEqual(plan.claim.cost)
    }
  })
  it('takes two rips of half a sheet less the kerf, and needs a second sheet for a hair more', () => {
    const i: Cut2dInstance = {
      ...workshopSheets(1),
      trim: 0,
      kerf: 32,
      parts: [{ id: 'a', w: 24400, h: 6084, qty: 2, rotate: false }],
      stock: [{ id: 'full', w: 24400, h: 12200, price: 10, available: null, offcut: false }],
    }
    expect(sheets(i).claim).toEqual({ cost: 10, lowerBound: 10, proved: true })
    expect(sheets({ ...i, parts: [{ ...i.parts[0], h: 6085 }] }).claim.cost).toBe(20)
  })
  it('keeps the grain, and says when only turning would do', () => {
    const i: Cut2dInstance = {
      ...workshopSheets(1),
      trim: 0,
      parts: [{ id: 'a', w: 5000, h: 20000, qty: 1, rotate: false }],
      stock: [{ id: 'full', w: 24400, h: 12200, price: 10, available: null, offcut: false }],
    }
    expect(planSheetsGreedy(i)).toMatchObject({ ok: false, why: { code: 'piece-larger-than-stock' } })
    expect(sheets({ ...i, parts: [{ ...i.parts[0], rotate: true }] }).sheets[0].placements[0].rotated).toBe(true)
  })
})

describe('the verifier finds', () => {
  const i = workshopBoards(3)
  const p = boards(i)
  it('lost, surplus and unknown pieces, overlong boards, wrong money', () => {
    const codes = (spoil: (q: Cut1dPlan) => void) => {
      const q = JSON.parse(JSON.stringify(p)) as Cut1dPlan
      spoil(q)
      return verifyBoards(i, q).map((f) => f.code)
    }
    expect(codes((q) => q.boards[0].cuts.pop())).toContain('count')
    expect(codes((q) => (q.boards[0].cuts[0] = 'ghost'))).toContain('unknown-part')
    expect(codes((q) => q.boards[0].cuts.push(...Array(30).fill(q.boards[0].cuts[0])))).toContain('too-long')
    expect(codes((q) => (q.claim.cost -= 1))).toContain('cost')
    expect(codes((q) => (q.claim.lowerBound = q.claim.cost + 1))).toContain('bound')
    expect(codes((q) => (q.boards[0].stock = 'ghost'))).toContain('unknown-stock')
  })
  it('pieces that touch, stick out, turn their grain, or cannot be cut straight', () => {
    const si: Cut2dInstance = {
      ...workshopSheets(1),
      kerf: 0,
      trim: 0,
      parts: [
        { id: 'v', w: 100, h: 200, qty: 2, rotate: false },
        { id: 'h', w: 200, h: 100, qty: 2, rotate: false },
        { id: 'm', w: 100, h: 100, qty: 1, rotate: false },
      ],
      stock: [{ id: 's', w: 300, h: 300, price: 1, available: null, offcut: false }],
    }
    const pinwheel = [
      { part: 'h', x: 0, y: 0 },
      { part: 'v', x: 200, y: 0 },
      { part: 'h', x: 100, y: 200 },
      { part: 'v', x: 0, y: 100 },
      { part: 'm', x: 100, y: 100 },
    ].map((q) => ({ ...q, rotated: false }))
    const plan = (placements: Cut2dPlan['sheets'][number]['placements']): Cut2dPlan => ({
      format: 'cut2d-plan',
      version: 1,
      instance: 'x',
      sheets: [{ stock: 's', count: 1, placements }],
      claim: { cost: 1, lowerBound: 1, proved: true },
    })
    const codes = (placements: typeof pinwheel) => verifySheets(si, plan(placements)).map((f) => f.code)
    expect(codes(pinwheel)).toEqual(['not-straight'])
    expect(codes(pinwheel.map((q) => (q.part === 'm' ? { ...q, x: 120 } : q)))).toContain('too-close')
    expect(codes(pinwheel.map((q) => (q.part === 'm' ? { ...q, x: 250 } : q)))).toContain('outside')
    expect(codes(pinwheel.map((q, n) => (n === 0 ? { ...q, rotated: true } : q)))).toContain('grain')
  })
})

it('every plan of random boards verifies', () => {
  const part = fc.record({ length: fc.integer({ min: 1, max: 2400 }), qty: fc.integer({ min: 1, max: 9 }) })
  fc.assert(
    fc.property(fc.array(part, { maxLength: 8 }), fc.integer({ min: 0, max: 5 }), (list, kerf) => {
      const i = one({ kerf, parts: list.map((p, n) => ({ id: `p${n}`, ...p })) })
      expect(verifyBoards(i, boards(i))).toEqual([])
    }),
  )
})

describe('boards, exactly', () => {
  /** Stopped after a number of looks, not after a time: the same on every machine. */
  const verified = (instance: Cut1dInstance, looks = 4000) => {
    let n = 0
    const r = planBoardsExact(instance, null, { shouldStop: () => ++n > looks })
    if (!r.ok) throw new Error(JSON.stringify(r.why))
    expect(verifyBoards(instance, r.plan)).toEqual([])
    return r.plan
  }
  const one = (lengths: [number, number][], stock: [number, number][], kerf = 0): Cut1dInstance => ({
    format: 'cut1d-instance',
    version: 1,
    name: 'x',
    unit: '1',
    kerf,
    trimStart: 0,
    trimEnd: 0,
    parts: lengths.map(([length, qty], i) => ({ id: `p${i}`, length, qty })),
    stock: stock.map(([length, price], i) => ({ id: `s${i}`, length, price, available: null, offcut: false })),
  })
  it('proves what can be worked out by hand', () => {
    // Three of 60 and three of 40 into 100: three boards, and no fewer.
    expect(
      verified(
        one(
          [
            [60, 3],
            [40, 3],
          ],
          [[100, 1]],
        ),
      ).claim,
    ).toEqual({ cost: 3, lowerBound: 3, proved: true })
    // Rounded up, 4 × 34 is two boards of 100 (two each) and not the 1.36 of the lengths.
    expect(verified(one([[34, 4]], [[100, 7]])).claim).toMatchObject({ cost: 14, proved: true })
    // A long board for 11 beats two short ones for 6 only when both pieces fit it.
    expect(
      verified(
        one(
          [
            [90, 1],
            [80, 1],
          ],
          [
            [100, 6],
            [170, 11],
          ],
        ),
      ).claim,
    ).toMatchObject({ cost: 11, proved: true })
    expect(
      verified(
        one(
          [
            [90, 1],
            [81, 1],
          ],
          [
            [100, 6],
            [170, 11],
          ],
        ),
      ).claim,
    ).toMatchObject({ cost: 12, proved: true })
  })
  it('never costs more than the first plan, never promises less than the best, over random workshops', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (seed) => {
        const instance = workshopBoards(seed)
        const first = planBoardsGreedy(instance)
        const best = verified(instance, 1500)
        return first.ok && best.claim.cost <= first.plan.claim.cost && best.claim.lowerBound <= best.claim.cost
      }),
      { numRuns: 12 },
    )
  })
  it('agrees with trying everything on small ones', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 12, max: 70 }), { minLength: 2, maxLength: 7 }), (list) => {
        const instance = one(
          list.map((l) => [l, 1]),
          [[100, 1]],
        )
        return verified(instance).claim.cost === fewestBins(list, 100)
      }),
      { numRuns: 60 },
    )
  })
  it('uses free pieces on hand, no more of them than there are', () => {
    const instance = one([[50, 4]], [[100, 10]])
    instance.stock.push({ id: 'left', length: 50, price: 0, available: 2, offcut: true })
    const plan = verified(instance)
    expect(plan.claim).toMatchObject({ cost: 10, proved: true })
  })
  it('fills a board as well as a table does', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.integer({ min: 3, max: 40 }), fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 4 })),
          { minLength: 1, maxLength: 8 },
        ),
        (items) => {
          const f = fillBest(
            items.map((i) => i[0]),
            items.map((i) => i[1]),
            items.map((i) => i[2]),
            100,
          )
          const best = new Array<number>(101).fill(0)
          for (const [w, v, q] of items)
            for (let k = 0; k < q; k++) for (let c = 100; c >= w; c--) best[c] = Math.max(best[c], best[c - w] + v)
          return (
            f.exact &&
            f.value === best[100] &&
            items.reduce((s, i, k) => s + i[0] * f.counts[k], 0) <= 100 &&
            items.every((i, k) => f.counts[k] <= i[2])
          )
        },
      ),
    )
  })
  it('answers at once what cannot be cut', () => {
    expect(planBoardsExact(one([[101, 1]], [[100, 1]]), null)).toMatchObject({
      ok: false,
      why: { code: 'piece-longer-than-stock' },
    })
    expect(planBoardsExact(one([[10, 30_000]], [[100, 1]]), null)).toMatchObject({
      ok: false,
      why: { code: 'too-many-pieces' },
    })
  })
})

describe('sheets, better', () => {
  it('pass the verifier, never cost more than the first plan, and never less than the bound', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const instance = workshopSheets(seed)
      const first = planSheetsGreedy(instance)
      let n = 0
      const r = planSheetsBest(instance, null, { shouldStop: () => ++n > 900 })
      if (!r.ok || !first.ok) {
        expect(r.ok).toBe(first.ok)
        continue
      }
      expect(verifySheets(instance, r.plan)).toEqual([])
      expect(r.plan.claim.cost).toBeLessThanOrEqual(first.plan.claim.cost)
      expect(r.plan.claim.lowerBound).toBeLessThanOrEqual(r.plan.claim.cost)
    }
  })
  it('prove what the area cannot: four squares of 60 in sheets of 100 need four', () => {
    const instance = sheetInstance({
      parts: [{ id: 'a', w: 60, h: 60, qty: 4, rotate: true }],
      stock: [{ id: 's', w: 100, h: 100, price: 5, available: null, offcut: false }],
    })
    const r = planSheetsBest(instance, null)
    expect(r.ok && r.plan.claim).toEqual({ cost: 20, lowerBound: 20, proved: true })
  })
})
