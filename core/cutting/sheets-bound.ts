import type { Cut2dInstance } from './format.ts'
import type { PlacedKind } from './sheet-filler.ts'
import { CountedPricing } from './counted-pricing.ts'
import { GuillotineTable, placesFor, type Laid, type Pricing } from './guillotine-table.ts'
import { ColumnLp } from './simplex.ts'

/** Steps one pricing may take: rough for a first bound, fine for the last word. */
export const ROUGH = 3e6
export const FINE = 2.5e7
const ROUNDS = 600
/** Times known columns are asked for before each pricing. */
const KNOWN_ROUNDS = 4
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
  private readonly pricing: Pricing | null
  /** Prices of the parts at the last round, minor units each. */
  duals: Float64Array
  /** What the linear program of the last round costs, and how much of each stock it buys once it is done. */
  objective = Infinity
  bought: number[] = []
  private readonly columnOf = new Map<number, SheetColumn>()
  private fresh = true

  /**
   * @param work steps one pricing may take
   * @param seen told of every way to cut that was found and can really be cut: where the pieces lie, kerfs included,
   * from the sheet's usable corner
   */
  constructor(
    private readonly instance: Cut2dInstance,
    private readonly work: number,
    private readonly seen: (stock: number, laid: PlacedKind[]) => void = () => {},
    private readonly counting = false,
  ) {
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
    const places = placesFor(instance, this.stocks, work)
    const wanted = instance.parts.map((p) => p.qty)
    this.pricing = places && (counting ? new CountedPricing(places, wanted) : new GuillotineTable(places))
    this.duals = new Float64Array(this.n)
  }

  /**
   * The same asked more closely: no piece oftener on one sheet than it is wanted in all. Dearer to ask, and never lower.
   * Begins with the ways to cut that are known, less what is too many in them.
   */
  counted(): SheetBound {
    const closer = new SheetBound(this.instance, this.work, this.seen, true)
    closer.takeIn([...this.columnOf.values()].map((c) => ({ ...c, counts: c.counts.map((m, i) => this.mostOf(i, m)) })))
    return closer
  }
  private readonly mostOf = (part: number, counts: number) => Math.min(counts, this.instance.parts[part].qty)

  /** The limits of the instance itself. */
  whole(): Limits {
    return { least: this.stocks.map(() => 0), most: this.stocks.map((s) => s.available ?? UNLIMITED) }
  }

  /** Takes in ways to cut that are known already. */
  takeIn(columns: readonly SheetColumn[]): void {
    for (const c of columns) this.add(c)
  }
  private add(column: SheetColumn): void {
    const { stock, counts } = column
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
    this.columnOf.set(this.lp.add({ cost: this.stocks[stock].price, rows, values }), column)
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
      pricing,
    } = this
    const { least, most } = limits
    this.objective = Infinity
    let best = areaBound(this.instance, stocks)
    yield best
    // Pieces smaller than a cell would come for nothing: then the grid says nothing.
    if (!pricing) return
    if (!this.fresh && !lp.restart([...parts.map((p) => p.qty), ...most, ...least], shouldStop)) return
    this.fresh = false
    for (let round = 0; round < ROUNDS; round++) {
      if (!lp.solve(shouldStop) || shouldStop()) return
      let y = lp.duals()
      // What is known already is cheaper to take in than to find.
      for (let k = 0; k < KNOWN_ROUNDS; k++) {
        const offered = known((c) => worthOf(c.counts, y) - this.asks(y, c.stock))
        if (offered.length === 0) break
        this.takeIn(offered)
        if (!lp.solve(shouldStop) || shouldStop()) return
        y = lp.duals()
      }
      this.objective = lp.objective
      const asks = stocks.map((_, k) => (most[k] === 0 ? Infinity : this.asks(y, k)))
      const value = pricing.price(y, asks, shouldStop)
      if (!value) return
      const bound = this.farley(y, value, limits)
      if (bound > best || round === 0) this.duals = y.slice(0, n)
      best = Math.max(best, bound)
      yield best
      const ways = stocks.flatMap((_, k) =>
        value[k] > asks[k] ? this.newWays(k, pricing.ways(k, asks[k]), y, asks[k]) : [],
      )
      for (const { laid, ...column } of ways) {
        this.add(column)
        if (laid.real) this.seen(column.stock, laid.pieces)
      }
      if (ways.length === 0) {
        this.bought = stocks.map(() => 0)
        for (const [c, v] of lp.solution()) {
          const column = this.columnOf.get(c)
          if (column) this.bought[column.stock] += v
        }
        return
      }
    }
  }
  /** Of fillings of a stock those that are worth more than it asks, each once. */
  private newWays(stock: number, list: readonly Laid[], y: ArrayLike<number>, asks: number) {
    const found = new Map<string, SheetColumn & { laid: Laid }>()
    for (const laid of list) {
      const counts = new Array<number>(this.n).fill(0)
      for (const p of laid.pieces) counts[p.kind]++
      const own = this.counting ? counts.map((m, i) => this.mostOf(i, m)) : counts
      if (worthOf(own, y) > asks) found.set(own.join(), { stock, counts: own, laid })
    }
    return [...found.values()]
  }
  /**
   * What no plan can cost less than, at any prices of the pieces (Farley): scaled down until no unlimited sheet is worth
   * more than it costs; limited ones pay for what they would gain, wanted ones for what they lose.
   * @param value what the best filling of each stock is worth at these prices
   */
  private farley(y: ArrayLike<number>, value: readonly number[], { least, most }: Limits): number {
    const { stocks } = this
    const theta = Math.min(
      1,
      ...stocks.map((s, k) => (most[k] >= UNLIMITED && value[k] > s.price ? s.price / value[k] : 1)),
    )
    return (
      this.instance.parts.reduce((sum, p, i) => sum + theta * y[i] * p.qty, 0) +
      stocks.reduce((sum, s, k) => {
        const loss = s.price - theta * value[k]
        return sum + loss * (loss < 0 ? (most[k] >= UNLIMITED ? 0 : most[k]) : least[k])
      }, 0)
    )
  }
  /** What a sheet of a stock must be worth at these prices to be bought. */
  private asks(y: ArrayLike<number>, k: number): number {
    return this.stocks[k].price - y[this.n + k] - y[this.n + this.stocks.length + k] + 1e-7
  }
}

const worthOf = (counts: readonly number[], y: ArrayLike<number>): number => {
  let sum = 0
  for (let i = 0; i < counts.length; i++) sum += counts[i] * y[i]
  return sum
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
