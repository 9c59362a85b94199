import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { workshopBoards, workshopSheets } from '../../test-support/instances.ts'
import { planBoardsGreedy } from './boards-greedy.ts'
import { cut1dPlan, cut2dPlan, type Cut1dInstance, type Cut1dPlan, type Cut2dInstance, type Cut2dPlan } from './format.ts'
import { planSheetsGreedy } from './sheets-greedy.ts'
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
  format: 'cut1d-instance', version: 1, name: 'x', unit: 'mm', kerf: 3, trimStart: 6, trimEnd: 0, parts: [{ id: 'a', length: 600, qty: 4 }],
  stock: [{ id: '8', length: 2438, price: 400, available: null, offcut: false }], ...over,
})

describe('boards', () => {
  it('fits k pieces exactly when their lengths, kerfs and the trim do', () => {
    const exact = one({ parts: [{ id: 'a', length: 605, qty: 4 }], stock: [{ id: 's', length: 6 + 4 * 605 + 3 * 3, price: 1, available: null, offcut: false }] })
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
    const i = one({ stock: [{ id: '8', length: 2438, price: 400, available: null, offcut: false }, { id: 'left', length: 1300, price: 0, available: 1, offcut: true }] })
    const plan = boards(i)
    expect(verifyBoards(i, plan)).toEqual([])
    expect(plan.boards.find((b) => b.stock === 'left')?.count).toBe(1)
  })
  it.each([
    ['a piece longer than any board', one({ parts: [{ id: 'a', length: 9000, qty: 1 }] }), 'piece-longer-than-stock'], ['too little stock', one({ stock: [{ id: 's', length: 2438, price: 1, available: 0, offcut: true }] }), 'no-stock'],
    ['not enough stock', one({ parts: [{ id: 'a', length: 2000, qty: 3 }], stock: [{ id: 's', length: 2438, price: 1, available: 2, offcut: true }] }), 'not-enough-stock'], ['a mountain of pieces', one({ parts: [{ id: 'a', length: 10, qty: 1_000_000 }] }), 'too-many-pieces'],
  ])('answers %s at once', (_name, i, code) => expect(planBoardsGreedy(i)).toMatchObject({ ok: false, why: { code } }))
  it('takes ten thousand pieces in bounded work', () => expect(verifyBoards(one({ parts: [{ id: 'a', length: 333, qty: 10_000 }] }), boards(one({ parts: [{ id: 'a', length: 333, qty: 10_000 }] })))).toEqual([]))
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
    const i: Cut2dInstance = { ...workshopSheets(1), trim: 0, kerf: 32, parts: [{ id: 'a', w: 24400, h: 6084, qty: 2, rotate: false }], stock: [{ id: 'full', w: 24400, h: 12200, price: 10, available: null, offcut: false }] }
    expect(sheets(i).claim).toEqual({ cost: 10, lowerBound: 10, proved: true })
    expect(sheets({ ...i, parts: [{ ...i.parts[0], h: 6085 }] }).claim.cost).toBe(20)
  })
  it('keeps the grain, and says when only turning would do', () => {
    const i: Cut2dInstance = { ...workshopSheets(1), trim: 0, parts: [{ id: 'a', w: 5000, h: 20000, qty: 1, rotate: false }], stock: [{ id: 'full', w: 24400, h: 12200, price: 10, available: null, offcut: false }] }
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
    const si: Cut2dInstance = { ...workshopSheets(1), kerf: 0, trim: 0, parts: [{ id: 'v', w: 100, h: 200, qty: 2, rotate: false }, { id: 'h', w: 200, h: 100, qty: 2, rotate: false }, { id: 'm', w: 100, h: 100, qty: 1, rotate: false }], stock: [{ id: 's', w: 300, h: 300, price: 1, available: null, offcut: false }] }
    const pinwheel = [{ part: 'h', x: 0, y: 0 }, { part: 'v', x: 200, y: 0 }, { part: 'h', x: 100, y: 200 }, { part: 'v', x: 0, y: 100 }, { part: 'm', x: 100, y: 100 }].map((q) => ({ ...q, rotated: false }))
    const plan = (placements: Cut2dPlan['sheets'][number]['placements']): Cut2dPlan => ({ format: 'cut2d-plan', version: 1, instance: 'x', sheets: [{ stock: 's', count: 1, placements }], claim: { cost: 1, lowerBound: 1, proved: true } })
    const codes = (placements: typeof pinwheel) => verifySheets(si, plan(placements)).map((f) => f.code)
    expect(codes(pinwheel)).toEqual(['not-straight'])
    expect(codes(pinwheel.map((q) => (q.part === 'm' ? { ...q, x: 120 } : q)))).toContain('too-close')
    expect(codes(pinwheel.map((q) => (q.part === 'm' ? { ...q, x: 250 } : q)))).toContain('outside')
    expect(codes(pinwheel.map((q, n) => (n === 0 ? { ...q, rotated: true } : q)))).toContain('grain')
  })
})

it('every plan of random boards verifies', () => {
  const part = fc.record({ length: fc.integer({ min: 1, max: 2400 }), qty: fc.integer({ min: 1, max: 9 }) })
  fc.assert(fc.property(fc.array(part, { maxLength: 8 }), fc.integer({ min: 0, max: 5 }), (list, kerf) => {
    const i = one({ kerf, parts: list.map((p, n) => ({ id: `p${n}`, ...p })) })
    expect(verifyBoards(i, boards(i))).toEqual([])
  }))
})
