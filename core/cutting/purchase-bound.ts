import type { Cut2dInstance } from './format.ts'
import { wholeAbove } from './attainable.ts'
import type { SolveInteger } from './integer.ts'
import { roomForLarge } from './large-choice.ts'
import { LargeTogether } from './large-together.ts'
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

/**
 * When it is asked which of the largest pieces lie together: beside the first bound, where a glance takes in nearly all;
 * beside the closer one; and once no other goes further. `work` is pairs of boxes, `glance` that of a first look after
 * which they must have so large a `share` of all area, `seconds` those a solver has for a purchase.
 */
const LARGE = {
  first: { glance: 3e5, share: 0.85, work: 2e6, seconds: 0.5 },
  next: { glance: 1e6, share: 0.88, work: 6e6, seconds: 1 },
  last: { glance: 6e6, share: 0.5, work: 3e7, seconds: 4 },
}
/** Choices of large pieces beyond which nobody is asked: a solver looks at its clock only once it has read the model. */
const MOST_CHOICES = 3000
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
  /** Chooses among sheets; where there is one, real ones alone are asked for at the end, which takes longer. */
  solve: SolveInteger | null
  secondsLeft(): number
}

/** A round of the bound: at the fine grid or beyond, and with new sheets that may make a whole plan. */
interface BoundStep {
  fine: boolean
  settled?: boolean
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
    this.large = new LargeTogether(instance)
  }

  /** Begins at a plan's own bound, or at the area. */
  begin(claimed: number) {
    this.lower = Math.max(claimed, this.attainable(areaBound(this.instance, this.stocks)))
  }

  /** Stocks as a purchase sees them. */
  private sizes(): Sold[] {
    const area = usableArea(this.instance)
    return this.stocks.map((s) => ({ price: s.price, area: area(s), most: s.available }))
  }

  /** The bound, step by step: by linear programs, and by which of the largest pieces lie together. */
  *steps(): Generator<BoundStep, void> {
    yield* this.linear()
    if (!this.of.stop()) yield* this.byLarge('last')
  }
  /**
   * Rough, fine, then branching on how many of each sheet are bought (aggregate branching,
   * Vanderbeck): only limits change, so the pricing stays as it is. The least of what is open is the bound of all.
   */
  private *linear(): Generator<BoundStep, void> {
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
      if (work === ROUGH && !this.of.stop()) yield* this.byLarge('first')
    }
    if (!bound || this.of.stop() || bound.bought.length === 0) return
    yield { fine: true, settled: true }
    yield* this.byLarge('next')
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
      if (k < 0 && (node.counted || !this.of.solve)) return
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

  /**
   * Purchases that have the area and still no room for the largest pieces, which is asked exactly (`LargeTogether`): the
   * cheapest first, until one has room for them or nobody can tell.
   */
  private *byLarge(when: keyof typeof LARGE): Generator<BoundStep, void> {
    const { solve } = this.of
    if (!solve) return
    const { glance, share, work, seconds } = LARGE[when]
    const step = { fine: when !== 'first' }
    for (const most of [glance, work]) {
      for (const _ of this.large.takeIn(most)) {
        if (this.of.stop()) return
        yield step
      }
      if (this.large.share() < share) return
    }
    const fullest = new Map<number, number[][]>()
    const sheetsOf = (k: number) => {
      const known = fullest.get(k) ?? this.large.fullest(k)
      fullest.set(k, known)
      return known
    }
    const roomy = new Set<string>()
    for (;;) {
      const { purchases, complete } = this.purchases('cheapest', roomy.size + 1)
      if (!complete) return
      const bought = purchases.find((p) => !roomy.has(p.join()))
      if (purchases.length === 0) this.lower = this.of.cost()
      if (!bought || this.of.stop()) return
      const asked = roomForLarge(this.large, bought, sheetsOf)
      const cannot =
        !asked ||
        (asked.cost.length <= MOST_CHOICES &&
          solve(asked, Math.min(seconds, this.of.secondsLeft() / 4)) === 'infeasible')
      if (!cannot) roomy.add(bought.join())
      else {
        this.tooSmall.push(bought)
        this.lower = Math.max(this.lower, this.attainable(this.lower))
      }
      yield step
    }
  }
  private readonly large: LargeTogether
  /** Purchases known to have no room, and with them all that have less. */
  private readonly tooSmall: number[][] = []
  private readonly isTooSmall = (bought: readonly number[]) =>
    this.tooSmall.some((t) => bought.every((n, k) => n <= t[k]))

  /** Purchases from the bound on that cost less than the best plan, without those known to be too small. */
  purchases(first: 'roomiest' | 'cheapest', count: number): { purchases: number[][]; complete: boolean } {
    return this.between(this.lower, this.of.cost(), count, first)
  }
  private between(least: number, below: number, count: number, first: 'roomiest' | 'cheapest') {
    return cheaperPurchases(this.sizes(), neededArea(this.instance), least, below, count, first, this.isTooSmall)
  }

  /** The least cost from a bound upward that some purchase with enough area has. */
  private attainable(bound: number): number {
    const top = this.of.cost()
    const from = wholeAbove(bound)
    if (from >= top) return top
    const { reckoned } = this
    const told = this.tooSmall.length
    if (from <= reckoned.upTo && from > reckoned.from && reckoned.top === top && reckoned.told === told)
      return reckoned.upTo
    const { purchases, complete } = this.between(from, top, 1, 'cheapest')
    if (!complete) return from
    const upTo = purchases.length === 0 ? top : purchases[0].reduce((n, c, k) => n + c * this.stocks[k].price, 0)
    this.reckoned = { from: from - 1, upTo, top, told }
    return upTo
  }
  private reckoned = { from: 0, upTo: -1, top: -1, told: 0 }
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
