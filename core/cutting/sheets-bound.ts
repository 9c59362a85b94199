import type { Cut2dInstance } from './format.ts'
import { ColumnLp } from './simplex.ts'

/** Cells of the longest side of the largest sheet, coarse and fine: finer says more and takes longer (its third power). */
export const COARSE = 150
export const FINE = 380
const ROUNDS = 400

/**
 * A cost below which no plan of straight cuts can come. Column generation whose pricing is the guillotine dynamic programme over a grid (Gilmore and
 * Gomory; Beasley): pieces are rounded down to the grid and may be cut as often as one likes, so every real sheet is among those priced. Each round
 * gives a bound that holds by itself (Farley). Yields the best so far after each round; ends when no column is left to add.
 */
export function* sheetsBound(instance: Cut2dInstance, cells: number, shouldStop: () => boolean): Generator<number, void> {
  const { kerf, trim } = instance
  const stocks = instance.stock.filter((s) => s.available !== 0 && Math.min(s.w, s.h) > 2 * trim)
  const grid = Math.max(1, Math.ceil(Math.max(...stocks.map((s) => Math.max(s.w, s.h) - 2 * trim + kerf)) / cells))
  const cell = (mm: number) => Math.floor(mm / grid)
  const [ws, hs] = [stocks.map((s) => cell(s.w - 2 * trim + kerf)), stocks.map((s) => cell(s.h - 2 * trim + kerf))]
  const [X, Y] = [Math.max(...ws), Math.max(...hs)]
  const parts = instance.parts.map((p) => ({ w: cell(p.w + kerf), h: cell(p.h + kerf), area: (p.w + kerf) * (p.h + kerf), qty: p.qty, rotate: p.rotate }))
  // Pieces smaller than a cell would come for nothing: then the grid says nothing.
  let best = areaBound(instance, stocks)
  yield best
  if (parts.some((p) => p.w < 1 || p.h < 1)) return
  const lp = new ColumnLp([...parts.map((p) => ({ b: p.qty, least: true })), ...stocks.map((s) => ({ b: s.available ?? 1e6, least: false }))], 100 * (1 + Math.max(...stocks.map((s) => s.price))))
  const f = new Float64Array((X + 1) * (Y + 1))
  const how = new Int32Array((X + 1) * (Y + 1))
  for (let round = 0; round < ROUNDS; round++) {
    if (!lp.solve(shouldStop) || shouldStop()) return
    const y = lp.duals()
    guillotine(parts, y, X, Y, f, how)
    const value = stocks.map((_, s) => f[ws[s] * (Y + 1) + hs[s]])
    // Prices scaled down until no unlimited sheet is worth more than it costs; limited ones pay for what they would gain.
    const theta = Math.min(1, ...stocks.map((s, k) => (s.available === null && value[k] > s.price ? s.price / value[k] : 1)))
    const bound = parts.reduce((sum, p, i) => sum + theta * y[i] * p.qty, 0) + stocks.reduce((sum, s, k) => sum + (s.available === null ? 0 : s.available * Math.min(0, s.price - theta * value[k])), 0)
    best = Math.max(best, bound)
    yield best
    let added = 0
    stocks.forEach((s, k) => {
      if (s.price - value[k] - y[parts.length + k] >= -1e-7) return
      const counts = counted(parts.length, ws[k], hs[k], Y, how)
      const rows: number[] = []
      const values: number[] = []
      counts.forEach((c, i) => {
        if (c > 0) {
          rows.push(i)
          values.push(c)
        }
      })
      rows.push(parts.length + k)
      values.push(1)
      lp.add({ cost: s.price, rows, values })
      added++
    })
    if (added === 0) return
  }
}

/** What the area alone asks for, at the cheapest price for area; free leftovers taken off. */
function areaBound(instance: Cut2dInstance, stocks: Cut2dInstance['stock']): number {
  const { kerf, trim } = instance
  const area = (s: { w: number; h: number }) => (s.w - 2 * trim + kerf) * (s.h - 2 * trim + kerf)
  let need = instance.parts.reduce((n, p) => n + p.qty * (p.w + kerf) * (p.h + kerf), 0)
  let cost = 0
  for (const s of [...stocks].sort((a, b) => a.price / area(a) - b.price / area(b))) {
    const n = Math.min(s.available ?? Infinity, need / area(s))
    cost += n * s.price
    need -= n * area(s)
    if (need <= 0) break
  }
  return cost
}

/** f(x, y): the most that can be cut from x by y cells; `how`: 0 nothing, i + 1 a piece, ±(1000 + c) a cut at c along x or y. */
function guillotine(parts: { w: number; h: number; rotate: boolean }[], y: ArrayLike<number>, X: number, Y: number, f: Float64Array, how: Int32Array) {
  f.fill(0)
  how.fill(0)
  const S = Y + 1
  parts.forEach((p, i) => {
    if (!(y[i] > 0)) return
    for (const [w, h] of p.rotate ? [[p.w, p.h], [p.h, p.w]] : [[p.w, p.h]])
      if (w <= X && h <= Y && y[i] > f[w * S + h]) {
        f[w * S + h] = y[i]
        how[w * S + h] = i + 1
      }
  })
  for (let a = 1; a <= X; a++)
    for (let b = 1; b <= Y; b++) {
      const at = a * S + b
      let v = f[at]
      let h = how[at]
      if (f[at - S] > v) [v, h] = [f[at - S], 1000 + 1]
      if (f[at - 1] > v) [v, h] = [f[at - 1], -(1000 + 1)]
      for (let c = 1, e = a >> 1; c <= e; c++) {
        const t = f[c * S + b] + f[(a - c) * S + b]
        if (t > v + 1e-9) [v, h] = [t, 1000 + c]
      }
      for (let c = 1, e = b >> 1; c <= e; c++) {
        const t = f[a * S + c] + f[a * S + b - c]
        if (t > v + 1e-9) [v, h] = [t, -(1000 + c)]
      }
      f[at] = v
      how[at] = h
    }
}

function counted(n: number, x: number, y: number, Y: number, how: Int32Array): number[] {
  const out = new Array<number>(n).fill(0)
  const open: [number, number][] = [[x, y]]
  while (open.length > 0) {
    const [a, b] = open.pop()!
    if (a < 1 || b < 1) continue
    const h = how[a * (Y + 1) + b]
    if (h === 0) continue
    if (h > 1000) open.push([h - 1000, b], [a - (h - 1000), b])
    else if (h < -1000) open.push([a, -h - 1000], [a, b + h + 1000])
    else out[h - 1]++
  }
  return out
}
