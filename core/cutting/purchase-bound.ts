import type { Cut2dInstance } from './format.ts'
import { wholeAbove } from './attainable.ts'
import { cheaperPurchases, type Sold } from './purchases.ts'
import type { PlacedKind } from './sheet-filler.ts'
import {
  areaBound,
  FINE,
  neededArea,
  ROUGH,
  SheetBound,
  usableArea,
  usableStock,
  type Limits,
  type SheetColumn,
} from './sheets-bound.ts'

/** Nodes of the branching on purchases. */
const MOST_NODES = 200

/** What the bound asks of the search that goes on beside it. */
export interface BesideSearch {
  /** Cost of the best plan so far. */
  cost(): number
  /** Its sheets. */
  known(): SheetColumn[]
  /** Told of every filling that was priced. */
  priced(stock: number, pieces: readonly PlacedKind[]): void
  /** Sheets seen that are worth most at the prices of the bound. */
  kept(worth: (c: SheetColumn) => number): SheetColumn[]
  stop(): boolean
  /** Whether plans are chosen among sheets seen: then it is worth asking for real ones alone, which takes longer. */
  chooses: boolean
}

/** What may be bought, the least that costs, and what the linear program buys; counted: of real sheets alone. */
interface Node {
  limits: Limits
  value: number
  bought: number[]
  counted: boolean
}
/** A stock bought in part is bought either less often or more. */
function halved({ limits: { least, most }, bought }: Node, k: number): Limits[] {
  return [
    { least, most: most.map((m, i) => (i === k ? Math.floor(bought[k]) : m)) },
    { least: least.map((l, i) => (i === k ? Math.ceil(bought[k]) : l)), most },
  ]
}

/** The least any plan can cost: raised step by step, while a search looks for better plans. */
export class PurchaseBound {
  private readonly stocks: Cut2dInstance['stock']
  lower: number
  /** What the bound pays for a piece of each kind; null before its first round. */
  duals: Float64Array | null = null

  constructor(
    private readonly instance: Cut2dInstance,
    private readonly of: BesideSearch,
  ) {
    this.stocks = usableStock(instance)
    this.lower = 0
  }

  /** Begins at a plan's own bound, or at the area. */
  begin(claimed: number) {
    this.lower = Math.max(claimed, this.attainable(areaBound(this.instance, this.stocks)))
  }

  /** Stocks as a purchase sees them. */
  sizes(): Sold[] {
    const area = usableArea(this.instance)
    return this.stocks.map((s) => ({ price: s.price, area: area(s), most: s.available }))
  }

  /**
   * The bound, step by step: rough, fine, then branching on how many of each sheet are bought (aggregate branching,
   * Vanderbeck): only limits change, so the pricing stays as it is. The least of what is open is the bound of all.
   */
  *steps(): Generator<{ fine: boolean; settled?: boolean }, void> {
    let root = 0
    let bound: SheetBound | null = null
    for (const work of [ROUGH, FINE]) {
      bound = new SheetBound(this.instance, work, this.of.priced)
      bound.takeIn(this.of.known())
      for (const value of bound.prove(bound.whole(), this.of.stop, this.of.kept)) {
        root = Math.max(root, value)
        this.lower = Math.max(this.lower, this.attainable(root))
        this.duals = bound.duals
        yield { fine: work === FINE }
        if (work === ROUGH && this.attainable(root) >= this.attainable(bound.objective)) break
      }
    }
    if (!bound || this.of.stop() || bound.bought.length === 0) return
    yield { fine: true, settled: true }
    let closer: SheetBound | null = null
    const open: Node[] = [{ limits: bound.whole(), value: root, bought: bound.bought, counted: false }]
    for (let nodes = 0; nodes < MOST_NODES && !this.of.stop(); nodes++) {
      open.sort((p, q) => p.value - q.value)
      while (open.length > 0 && this.attainable(open[open.length - 1].value) >= this.of.cost()) open.pop()
      if (open.length === 0) {
        this.lower = this.of.cost()
        return
      }
      this.lower = Math.max(this.lower, this.attainable(open[0].value))
      yield { fine: true }
      const node = open[0]
      const k = mostBroken(node.bought)
      // A whole purchase that the linear program can make even of real sheets: this kind of bound goes no further.
      if (k < 0 && (node.counted || !this.of.chooses)) return
      open.shift()
      const counted = k < 0
      if (counted) closer ??= bound.counted()
      for (const limits of counted ? [node.limits] : halved(node, k)) {
        let value = node.value
        let ended = false
        const asked = counted ? closer! : bound
        for (const v of asked.prove(limits, this.of.stop, this.of.kept)) {
          value = Math.max(value, v)
          yield { fine: true }
          if (this.attainable(value) >= this.of.cost()) {
            ended = true
            break
          }
        }
        if (this.of.stop()) {
          open.push({ limits, value, bought: [], counted })
          return
        }
        // What was asked for by real sheets alone may make a whole plan.
        if (counted && !ended) yield { fine: true, settled: true }
        if (!ended) open.push({ limits, value, bought: asked.objective < Infinity ? asked.bought : [], counted })
      }
    }
  }

  /** The least cost from a bound upward that some purchase with enough area has. */
  private attainable(bound: number): number {
    const top = this.of.cost()
    const from = wholeAbove(bound)
    if (from >= top) return top
    if (from <= this.reckoned.upTo && from > this.reckoned.from && this.reckoned.top === top) return this.reckoned.upTo
    const { purchases, complete } = cheaperPurchases(this.sizes(), neededArea(this.instance), from, top, 1, 'cheapest')
    if (!complete) return from
    const upTo = purchases.length === 0 ? top : purchases[0].reduce((n, c, k) => n + c * this.stocks[k].price, 0)
    this.reckoned = { from: from - 1, upTo, top }
    return upTo
  }
  private reckoned = { from: 0, upTo: -1, top: -1 }
}

/** The stock whose purchase is furthest from a whole number; below nought when all are whole. */
function mostBroken(bought: readonly number[]): number {
  let at = -1
  let worst = 1e-6
  bought.forEach((v, i) => {
    const off = Math.abs(v - Math.round(v))
    if (off > worst) [at, worst] = [i, off]
  })
  return at
}
