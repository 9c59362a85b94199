import { describe, expect, it } from '@jest/globals'
import { seeded } from '../measure/seeded.ts'
import { ColumnLp, type LpColumn } from './simplex.ts'

const BIG = 1e4

/** A made-up program: rows to be covered, and one of them limited from above as well. */
function madeUp(seed: number, rows: number, columns: number) {
  const next = seeded(seed)
  const b = Array.from({ length: rows }, () => 1 + Math.floor(6 * next()))
  const list = Array.from({ length: columns }, (): LpColumn => {
    const at = [...new Set(Array.from({ length: 2 + Math.floor(3 * next()) }, () => Math.floor(rows * next())))]
    at.sort((x, y) => x - y)
    return { cost: 1 + Math.floor(9 * next()), rows: at, values: at.map(() => 1 + Math.floor(3 * next())) }
  })
  return { b, list }
}

/**
 * What a solution must be, by the theory alone: it keeps every row, its prices make no column worth taking, and both sides
 * come to the same sum. Then nothing costs less.
 */
function faults(lp: ColumnLp, b: readonly number[], columns: ReadonlyMap<number, LpColumn>): string[] {
  const out: string[] = []
  const [sums, y] = [b.map(() => 0), lp.duals()]
  let cost = 0
  for (const [c, v] of lp.solution()) {
    if (v < -1e-7) out.push(`column ${c} is ${v}`)
    cost += v * lp.costOf(c)
    const { rows, values } = columns.get(c) ?? { rows: [], values: [] }
    rows.forEach((r, k) => (sums[r] += v * values[k]))
  }
  for (const [c, { cost: own, rows, values }] of columns) {
    const reduced = rows.reduce((n, r, k) => n - y[r] * values[k], own)
    if (reduced < -1e-6) out.push(`column ${c} would still pay: ${reduced}`)
  }
  y.forEach((v, r) => {
    if (v < -1e-7 || v > BIG + 1e-6) out.push(`row ${r} is priced ${v}`)
  })
  sums.forEach((s, r) => {
    const short = b[r] - s
    // What is short is bought at the big price, and then the row bears it.
    if (short > 1e-6 && Math.abs(y[r] - BIG) > 1e-6) out.push(`row ${r} is short of ${short}`)
  })
  const dual = b.reduce((n, v, r) => n + v * y[r], 0)
  if (Math.abs(dual - cost) > 1e-6 * Math.max(1, cost)) out.push(`${cost} is not ${dual}`)
  if (Math.abs(lp.objective - cost) > 1e-6 * Math.max(1, cost)) out.push(`told ${lp.objective}, is ${cost}`)
  return out
}

describe('a linear program that grows by columns', () => {
  it('finds the optimum of a case solved by hand', () => {
    // Two kinds, 3 and 2 wanted; both together for 3, each alone for 2: two boards of both and one of the first.
    const lp = new ColumnLp(
      [3, 2].map((b) => ({ b, least: true })),
      BIG,
    )
    lp.add({ cost: 3, rows: [0, 1], values: [1, 1] })
    lp.add({ cost: 2, rows: [0], values: [1] })
    lp.add({ cost: 2, rows: [1], values: [1] })
    expect(lp.solve()).toBe(true)
    expect(lp.objective).toBeCloseTo(8, 9)
    expect([...lp.duals()]).toEqual([2, 1])
  })
  it.each([
    [1, 5, 12],
    [2, 30, 90],
    [3, 60, 200],
    [4, 120, 500],
    [5, 200, 700],
  ])('made-up program %i of %i rows: no prices are better, also after columns come and rows change', (seed, n, m) => {
    const { b, list } = madeUp(seed, n, m)
    const lp = new ColumnLp(
      b.map((v) => ({ b: v, least: true })),
      BIG,
    )
    const columns = new Map<number, LpColumn>()
    const put = (some: readonly LpColumn[]) => some.forEach((c) => columns.set(lp.add(c), c))
    put(list.slice(0, m / 2))
    expect(lp.solve()).toBe(true)
    expect(faults(lp, b, columns)).toEqual([])
    const before = lp.objective
    put(list.slice(m / 2))
    expect(lp.solve()).toBe(true)
    expect(faults(lp, b, columns)).toEqual([])
    expect(lp.objective).toBeLessThanOrEqual(before + 1e-6)
    const other = b.map((v, i) => (i % 3 === 0 ? Math.max(0, v - 2) : v))
    expect(lp.restart(other)).toBe(true)
    expect(faults(lp, other, columns)).toEqual([])
  })
  it('keeps a limit from above, at a price that is not above nought', () => {
    const lp = new ColumnLp(
      [
        { b: 4, least: true },
        { b: 1, least: false },
      ],
      BIG,
    )
    // The cheap kind is there only once.
    lp.add({ cost: 1, rows: [0, 1], values: [2, 1] })
    lp.add({ cost: 5, rows: [0], values: [1] })
    expect(lp.solve()).toBe(true)
    expect(lp.objective).toBeCloseTo(1 + 2 * 5, 9)
    expect(lp.duals()[1]).toBeCloseTo(1 - 2 * 5, 9)
  })
  it('says so when it is told to stop', () => {
    const { b, list } = madeUp(9, 150, 900)
    const lp = new ColumnLp(
      b.map((v) => ({ b: v, least: true })),
      BIG,
    )
    list.forEach((c) => lp.add(c))
    expect(lp.solve(() => true)).toBe(false)
  })
})
