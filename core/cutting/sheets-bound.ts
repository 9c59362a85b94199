import type { Cut2dInstance } from './format.ts'
import type { PlacedKind } from './sheet-filler.ts'
import { lastPlace, normalPlaces } from './normal-places.ts'
import { ColumnLp } from './simplex.ts'

/** Steps one pricing may take: rough for a first bound, fine for the last word. */
export const ROUGH = 3e6
export const FINE = 2.5e7
const ROUNDS = 600
/** Times known columns are asked for before each pricing. */
const KNOWN_ROUNDS = 4
/**
 * Cells of the longest side that are tried, the finest that is not too much work is taken; Infinity is every unit by
 * itself.
 */
const CELLS = [Infinity, 6000, 3000, 1500, 1000, 700, 500, 380, 300, 240, 190, 150]
/** A table of places longer than this is not made. */
const LONGEST = 60_000

type Stock = Cut2dInstance['stock'][number]
/** Least and most that may be bought of each stock. */
export interface Limits {
  least: readonly number[]
  most: readonly number[]
}
const UNLIMITED = 1e6
/** How often each part lies on one sheet of a stock: a way to cut it. */
export interface SheetColumn {
  stock: number
  counts: readonly number[]
}

/**
 * A cost below which no plan of straight cuts can come. Column generation whose pricing is the guillotine dynamic
 * programme over normal places (Gilmore and Gomory; Beasley): sizes may be rounded down to a grid, and a piece may be
 * cut from one sheet as often as one likes, so every real sheet is among those priced. Each round gives a bound that
 * holds by itself (Farley).
 */
export class SheetBound {
  readonly stocks: Stock[]
  private readonly n: number
  private readonly lp: ColumnLp
  private readonly table: Table | null
  /** Prices of the parts at the last round, minor units each. */
  duals: Float64Array
  /** What the linear program of the last round costs, and how much of each stock it buys once it is done. */
  objective = Infinity
  bought: number[] = []
  private readonly stockOf = new Map<number, number>()
  private fresh = true

  /**
   * @param work steps one pricing may take
   * @param seen told of every way to cut that was found and can really be cut: where the pieces lie, kerfs included,
   * from the sheet's usable corner
   */
  constructor(
    private readonly instance: Cut2dInstance,
    work: number,
    private readonly seen: (stock: number, laid: PlacedKind[]) => void = () => {},
  ) {
    const { trim } = instance
    this.stocks = usableStock(instance)
    this.n = instance.parts.length
    const { least, most } = this.whole()
    this.lp = new ColumnLp(
      [
        ...instance.parts.map((p) => ({ b: p.qty, least: true })),
        ...most.map((b) => ({ b, least: false })),
        ...least.map((b) => ({ b, least: true })),
      ],
      100 * (1 + Math.max(...this.stocks.map((s) => s.price))),
    )
    this.table = tableFor(instance, this.stocks, trim, work)
    this.duals = new Float64Array(this.n)
  }

  /** The limits of the instance itself. */
  whole(): Limits {
    return { least: this.stocks.map(() => 0), most: this.stocks.map((s) => s.available ?? UNLIMITED) }
  }

  /** Takes in ways to cut that are known already. */
  takeIn(columns: readonly SheetColumn[]): void {
    for (const c of columns) this.add(c)
  }
  private add({ stock, counts }: SheetColumn): void {
    const rows: number[] = []
    const values: number[] = []
    counts.forEach((c, i) => {
      if (c > 0) {
        rows.push(i)
        values.push(c)
      }
    })
    rows.push(this.n + stock, this.n + this.stocks.length + stock)
    values.push(1, 1)
    this.stockOf.set(this.lp.add({ cost: this.stocks[stock].price, rows, values }), stock)
  }

  /**
   * Yields the best bound so far after each round; ends when no column is left to add. Then `objective`, `bought` and
   * `duals` are those of the linear program: no bound of this kind goes beyond its cost.
   * @param limits least and most that may be bought of each stock
   * @param known ways to cut that somebody has seen, the best of them by the worth they are asked for; they spare
   * rounds
   */
  *prove(
    limits: Limits,
    shouldStop: () => boolean,
    known: (worth: (c: SheetColumn) => number) => SheetColumn[] = () => [],
  ): Generator<number, void> {
    const {
      instance: { parts },
      stocks,
      n,
      lp,
      table,
    } = this
    const { least, most } = limits
    this.objective = Infinity
    let best = areaBound(this.instance, stocks)
    yield best
    // Pieces smaller than a cell would come for nothing: then the grid says nothing.
    if (!table) return
    if (!this.fresh && !lp.restart([...parts.map((p) => p.qty), ...most, ...least], shouldStop)) return
    this.fresh = false
    for (let round = 0; round < ROUNDS; round++) {
      if (!lp.solve(shouldStop) || shouldStop()) return
      let y = lp.duals()
      // What is known already is cheaper to take in than to find.
      for (let k = 0; k < KNOWN_ROUNDS; k++) {
        const offered = known(
          (c) => c.counts.reduce((v, m, i) => v + m * y[i], 0) + this.stockDual(y, c.stock) - stocks[c.stock].price,
        )
        if (offered.length === 0) break
        this.takeIn(offered)
        if (!lp.solve(shouldStop) || shouldStop()) return
        y = lp.duals()
      }
      this.objective = lp.objective
      table.price(y)
      const value = stocks.map((_, s) => table.value(s))
      // Prices scaled down until no unlimited sheet is worth more than it costs; limited ones pay for what they would
      // gain, wanted ones for what they lose.
      const theta = Math.min(
        1,
        ...stocks.map((s, k) => (most[k] >= UNLIMITED && value[k] > s.price ? s.price / value[k] : 1)),
      )
      const bound =
        parts.reduce((sum, p, i) => sum + theta * y[i] * p.qty, 0) +
        stocks.reduce((sum, s, k) => {
          const loss = s.price - theta * value[k]
          return sum + loss * (loss < 0 ? (most[k] >= UNLIMITED ? 0 : most[k]) : least[k])
        }, 0)
      if (bound > best || round === 0) this.duals = y.slice(0, n)
      best = Math.max(best, bound)
      yield best
      let added = 0
      stocks.forEach((s, k) => {
        if (most[k] === 0 || s.price - value[k] - this.stockDual(y, k) >= -1e-7) return
        const laid = table.laid(k)
        const counts = new Array<number>(n).fill(0)
        for (const p of laid.pieces) counts[p.kind]++
        this.add({ stock: k, counts })
        if (laid.real) this.seen(k, laid.pieces)
        added++
      })
      if (added === 0) {
        this.bought = stocks.map(() => 0)
        for (const [c, v] of lp.solution()) {
          const k = this.stockOf.get(c)
          if (k !== undefined) this.bought[k] += v
        }
        return
      }
    }
  }
  private stockDual(y: ArrayLike<number>, k: number): number {
    return y[this.n + k] + y[this.n + this.stocks.length + k]
  }
}

/** Stock from which anything can be cut at all, in the order both planner and bound use. */
export const usableStock = (i: Cut2dInstance): Stock[] =>
  i.stock.filter((s) => s.available !== 0 && Math.min(s.w, s.h) > 2 * i.trim)

/** What the area alone asks for, at the cheapest price for area; free leftovers taken off. */
export function areaBound(instance: Cut2dInstance, stocks: readonly Stock[]): number {
  const area = usableArea(instance)
  let need = neededArea(instance)
  let cost = 0
  for (const s of [...stocks].sort((a, b) => a.price / area(a) - b.price / area(b))) {
    const n = Math.min(s.available ?? Infinity, need / area(s))
    cost += n * s.price
    need -= n * area(s)
    if (need <= 0) break
  }
  return cost
}
/** Area of a sheet, and of all pieces, each with the kerf beside it: what is compared when only area counts. */
export const usableArea =
  ({ kerf, trim }: Cut2dInstance) =>
  (s: { w: number; h: number }): number =>
    (s.w - 2 * trim + kerf) * (s.h - 2 * trim + kerf)
export const neededArea = ({ kerf, parts }: Cut2dInstance): number =>
  parts.reduce((n, p) => n + p.qty * (p.w + kerf) * (p.h + kerf), 0)

interface Table {
  price(y: ArrayLike<number>): void
  value(stock: number): number
  /** The pieces cut from a stock, and whether they fit it at their true sizes. */
  laid(stock: number): { pieces: PlacedKind[]; real: boolean }
}

/** The finest table that takes no more work than said. */
function tableFor(instance: Cut2dInstance, stocks: readonly Stock[], trim: number, work: number): Table | null {
  const { kerf } = instance
  const longest = Math.max(...stocks.map((s) => Math.max(s.w, s.h) - 2 * trim + kerf))
  for (const cells of CELLS) {
    const grid = cells === Infinity ? 1 : Math.ceil(longest / cells)
    if (longest / grid > LONGEST) continue
    const cell = (v: number) => Math.floor(v / grid)
    const parts = instance.parts.map((p) => ({
      w: cell(p.w + kerf),
      h: cell(p.h + kerf),
      qty: p.qty,
      rotate: p.rotate,
    }))
    if (parts.some((p) => p.w < 1 || p.h < 1)) return null
    const [ws, hs] = [stocks.map((s) => cell(s.w - 2 * trim + kerf)), stocks.map((s) => cell(s.h - 2 * trim + kerf))]
    const along = parts.flatMap((p) =>
      p.rotate
        ? [
            { size: p.w, times: p.qty },
            { size: p.h, times: p.qty },
          ]
        : [{ size: p.w, times: p.qty }],
    )
    const up = parts.flatMap((p) =>
      p.rotate
        ? [
            { size: p.h, times: p.qty },
            { size: p.w, times: p.qty },
          ]
        : [{ size: p.h, times: p.qty }],
    )
    const [xs, ys] = [normalPlaces(along, Math.max(...ws)), normalPlaces(up, Math.max(...hs))]
    if ((xs.length * ys.length * (xs.length + ys.length)) / 4 <= work || cells === CELLS[CELLS.length - 1])
      return new GuillotineTable(parts, xs, ys, ws, hs, {
        parts: instance.parts.map((p) => ({ w: p.w + kerf, h: p.h + kerf })),
        stocks: stocks.map((s) => ({ w: s.w - 2 * trim + kerf, h: s.h - 2 * trim + kerf })),
      })
  }
  return null
}

/** For each place, which place is left beyond a cut at another. */
function partners(places: Int32Array): Int32Array[] {
  const last = lastPlace(places, places[places.length - 1])
  return Array.from(places, (p) => {
    let e = 0
    while (e < places.length && 2 * places[e] <= p) e++
    const out = new Int32Array(e)
    for (let j = 1; j < e; j++) out[j] = last[p - places[j]]
    return out
  })
}

/** f(x, y): the most that can be cut from x by y, at given prices of the pieces, for every pair of places. */
class GuillotineTable implements Table {
  private readonly f: Float64Array
  /**
   * 0 nothing, i + 1 a piece, −1 and −2 the place before along x and y, 1000 + c and −1000 − c a cut at place c along x
   * or y.
   */
  private readonly how: Int32Array
  private readonly acrossX: Int32Array[]
  private readonly acrossY: Int32Array[]
  private readonly S: number
  private readonly stepsX: Int32Array
  private readonly countX: Int32Array
  private readonly stepsY: Int32Array
  private readonly corner: number[]

  constructor(
    private readonly parts: { w: number; h: number; rotate: boolean }[],
    private readonly xs: Int32Array,
    private readonly ys: Int32Array,
    ws: readonly number[],
    hs: readonly number[],
    private readonly real: { parts: { w: number; h: number }[]; stocks: { w: number; h: number }[] },
  ) {
    this.S = ys.length
    this.stepsX = new Int32Array(xs.length * ys.length)
    this.countX = new Int32Array(ys.length)
    this.stepsY = new Int32Array(ys.length)
    this.f = new Float64Array(xs.length * ys.length)
    this.how = new Int32Array(xs.length * ys.length)
    this.acrossX = partners(xs)
    this.acrossY = partners(ys)
    const [lastX, lastY] = [lastPlace(xs, Math.max(...ws)), lastPlace(ys, Math.max(...hs))]
    this.corner = ws.map((w, k) => lastX[w] * this.S + lastY[hs[k]])
    this.lastX = lastX
    this.lastY = lastY
  }
  private readonly lastX: Int32Array
  private readonly lastY: Int32Array

  price(y: ArrayLike<number>): void {
    const { f, how, S, xs, ys, acrossX, acrossY, lastX, lastY } = this
    f.fill(0)
    how.fill(0)
    this.parts.forEach((p, i) => {
      if (!(y[i] > 0)) return
      for (const [w, h] of p.rotate
        ? [
            [p.w, p.h],
            [p.h, p.w],
          ]
        : [[p.w, p.h]]) {
        if (w >= lastX.length || h >= lastY.length) continue
        // Sums of pieces wanted once may not list a size itself when it is longer than any stock: then it fits nowhere.
        const at = lastX[w] * S + lastY[h]
        if (xs[lastX[w]] === w && ys[lastY[h]] === h && y[i] > f[at]) {
          f[at] = y[i]
          how[at] = i + 1
        }
      }
    })
    // A cut is only worth trying where what lies before it grows: between two such places the further one leaves more
    // beyond.
    const { stepsX, countX, stepsY } = this
    countX.fill(0)
    const nx = xs.length
    for (let a = 1; a < nx; a++) {
      const row = a * S
      const px = acrossX[a]
      const ex = px.length
      let countY = 0
      for (let b = 1; b < S; b++) {
        let v = f[row + b]
        let h = how[row + b]
        if (f[row - S + b] > v) {
          v = f[row - S + b]
          h = -1
        }
        if (f[row + b - 1] > v) {
          v = f[row + b - 1]
          h = -2
        }
        for (let k = b * nx, e = k + countX[b]; k < e; k++) {
          const c = stepsX[k]
          if (c >= ex) break
          const t = f[c * S + b] + f[px[c] * S + b]
          if (t > v + 1e-9) {
            v = t
            h = 1000 + c
          }
        }
        const py = acrossY[b]
        const ey = py.length
        for (let k = 0; k < countY; k++) {
          const c = stepsY[k]
          if (c >= ey) break
          const t = f[row + c] + f[row + py[c]]
          if (t > v + 1e-9) {
            v = t
            h = -1000 - c
          }
        }
        f[row + b] = v
        how[row + b] = h
        if (v > f[row + b - 1]) stepsY[countY++] = b
        if (v > f[row - S + b]) stepsX[b * nx + countX[b]++] = a
      }
    }
  }
  value(stock: number): number {
    return this.f[this.corner[stock]]
  }
  laid(stock: number): { pieces: PlacedKind[]; real: boolean } {
    const { how, S, acrossX, acrossY, real } = this
    const pieces: PlacedKind[] = []
    // Places each part of the tree at its true size from a corner on. @returns how far it reaches
    const go = (at: number, x: number, y: number): [number, number] => {
      let [a, b] = [Math.floor(at / S), at % S]
      let h = how[a * S + b]
      while (h === -1 || h === -2) {
        if (h === -1) a--
        else b--
        h = how[a * S + b]
      }
      if (a === 0 || b === 0 || h === 0) return [x, y]
      if (h >= 1000) {
        const left = go((h - 1000) * S + b, x, y)
        const right = go(acrossX[a][h - 1000] * S + b, left[0], y)
        return [right[0], Math.max(left[1], right[1])]
      }
      if (h <= -1000) {
        const low = go(a * S + (-h - 1000), x, y)
        const high = go(a * S + acrossY[b][-h - 1000], x, low[1])
        return [Math.max(low[0], high[0]), high[1]]
      }
      const kind = h - 1
      // Which way it lies: as it is when it fits the place so.
      const p = this.parts[kind]
      const turned = !(p.w <= this.xs[a] && p.h <= this.ys[b])
      pieces.push({ kind, x, y, turned })
      const { w, h: high } = real.parts[kind]
      return turned ? [x + high, y + w] : [x + w, y + high]
    }
    const [w, h] = go(this.corner[stock], 0, 0)
    return { pieces, real: w <= real.stocks[stock].w && h <= real.stocks[stock].h }
  }
}
