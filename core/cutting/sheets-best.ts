import { isOverdue, type Cut2dInstance, type Cut2dPlan, type CutControl, type CutResult } from './format.ts'
import { isNeater, neatness, type Neatness } from './sheet-edge.ts'
import { bestFit, type Laid } from './sheet-best-fit.ts'
import { cheaperChoice } from './cheaper-choice.ts'
import type { SolveInteger } from './integer.ts'
import { SheetFiller, type PlacedKind } from './sheet-filler.ts'
import { planSheetsGreedy } from './sheets-greedy.ts'
import { PurchaseBound } from './purchase-bound.ts'
import { usableArea, usableStock, type SheetColumn } from './sheets-bound.ts'
import { seeded } from '../measure/seeded.ts'
import { Turns } from './turns.ts'
import { anyPlan } from './with-spare.ts'

/*
 * Sheets by straight through-cuts. A first plan at once; then ruin and recreate, sheet by sheet, aiming at one purchase
 * after the other that costs less than the best; every well-filled sheet is kept, and an integer program chooses among
 * them now and then. Beside it a bound by column generation, first rough, then fine, then for each cheaper purchase by
 * itself. The plan never gets worse.
 */

type Stock = Cut2dInstance['stock'][number]
interface Sheet {
  stock: number
  laid: Laid[]
  used: number
}

/**
 * Steps spent on one purchase before another is chosen; how often that is the one that has come nearest, otherwise the
 * nearest of so many drawn by lot.
 */
const TRY = 60
const NEAREST = 0.4
const DRAWN = 3
/**
 * Steps between two integer programs (twice as many after each that found nothing), sheets they choose from, and
 * seconds each may take.
 */
const INTEGER_EVERY = 900
const MOST_COLUMNS = 300
const INTEGER_SECONDS = 0.3
/** Sheets offered to the bound at once. */
const OFFERED = 12
/** Kept sheets beyond which the emptier half is let go. */
const MOST_KEPT = 6000
/** Steps without a better plan after which the search ends by itself. */
const ENOUGH = 400_000
/** And after so many it begins from another plan. */
const AGAIN = 4000
/** Plans made from nothing before any is improved. */
const STARTS = 10
/** Purchases looked at beside each other. */
const MOST_PURCHASES = 24
/** How much worse a filling may get on the way, as a share of one sheet. */
const SLACK = 0.03
/** What it counts, as area that is missing, that what is free lies on few sheets rather than a little on each. */
const GATHERED = 0.1
/** Tries to push the leftovers of a finished sheet together. */
const POLISH = 60

export function planSheetsBest(
  instance: Cut2dInstance,
  solveInteger: SolveInteger | null,
  control: CutControl<Cut2dPlan> = {},
): CutResult<Cut2dPlan> {
  const first = firstSheets(instance, control)
  if (!first.ok && (first.why.code !== 'none-found' || isOverdue(control))) return first
  if (instance.parts.length === 0) return first
  const begun = first.ok ? first : anySheets(instance, solveInteger, control)
  if (!begun.ok) return begun
  return { ok: true, plan: new SheetSearch(instance, begun.plan, solveInteger, control).run() }
}

/** A plan at once. The quick rule nests its cuts as deep as it likes: with a limit on that it begins at strips. */
function firstSheets(instance: Cut2dInstance, control: CutControl<Cut2dPlan>): CutResult<Cut2dPlan> {
  if (instance.maxStages === null || instance.parts.length === 0) return planSheetsGreedy(instance, control)
  const quick = planSheetsGreedy(instance)
  if (!quick.ok && quick.why.code !== 'none-found') return quick
  const strips = new SheetSearch(instance, null, null, {}).fromStrips()
  if (!strips) {
    const pieces = instance.parts.reduce((n, p) => n + p.qty, 0)
    return { ok: false, why: { code: 'none-found', data: { pieces, seconds: 0 } } }
  }
  control.onBetter?.(strips)
  return { ok: true, plan: strips }
}

/** A plan from limited stock where nothing is found at once: as few further sheets as possible. */
const anySheets = (
  instance: Cut2dInstance,
  solveInteger: SolveInteger | null,
  control: CutControl<Cut2dPlan>,
): CutResult<Cut2dPlan> =>
  anyPlan<Stock, Cut2dInstance, Cut2dPlan>(
    instance,
    usableStock(instance),
    (p) => p.sheets,
    (i, c) => planSheetsBest(i, solveInteger, c),
    control,
  )

/** The state of aiming at one purchase. */
interface Aim {
  bought: readonly number[]
  bins: (Sheet | null)[]
  stockOf: number[]
  left: Int32Array
  missing: number
  cost: number
}

class SheetSearch {
  private readonly parts: Cut2dInstance['parts']
  private readonly stocks: Stock[]
  private readonly sizes: { w: number; h: number; area: number }[]
  private readonly random = seeded(20261124)
  private readonly pool = new Map<string, Sheet>()
  private readonly filler: SheetFiller
  private readonly weight: Float64Array
  private readonly area: (s: Stock) => number
  private best: Sheet[]
  private readonly bound: PurchaseBound

  constructor(
    private readonly instance: Cut2dInstance,
    first: Cut2dPlan | null,
    private readonly solveInteger: SolveInteger | null,
    private readonly control: CutControl<Cut2dPlan>,
  ) {
    const { kerf } = instance
    this.parts = instance.parts
    this.stocks = usableStock(instance)
    this.sizes = this.parts.map((p) => ({ w: p.w + kerf, h: p.h + kerf, area: (p.w + kerf) * (p.h + kerf) }))
    this.filler = new SheetFiller(
      this.parts.map((p) => ({ w: p.w + kerf, h: p.h + kerf, rotate: p.rotate })),
      this.random,
      instance.maxStages,
    )
    this.weight = new Float64Array(this.parts.length).fill(1)
    this.area = usableArea(instance)
    const index = new Map(this.parts.map((p, i) => [p.id, i]))
    this.best = (first?.sheets ?? []).flatMap((s) =>
      Array.from({ length: s.count }, () =>
        this.sheet(
          this.stocks.findIndex((t) => t.id === s.stock),
          s.placements.map((q): Laid => ({ part: index.get(q.part)!, x: q.x, y: q.y, rotated: q.rotated })),
        ),
      ),
    )
    this.bound = new PurchaseBound(instance, {
      cost: () => this.cost(this.best),
      known: () => this.best.map((s) => ({ stock: s.stock, counts: this.countsOf(s) })),
      priced: this.priced,
      kept: this.kept,
      stop: this.stop,
      solve: solveInteger,
      secondsLeft: () => control.secondsLeft?.() ?? Infinity,
    })
    if (first) this.bound.begin(first.claim.lowerBound)
    for (const s of this.best) this.keep(s)
  }

  private sheet(stock: number, laid: Laid[]): Sheet {
    return { stock, laid, used: laid.reduce((n, l) => n + this.sizes[l.part].area, 0) }
  }
  private cost(list: readonly Sheet[]): number {
    return list.reduce((n, s) => n + this.stocks[s.stock].price, 0)
  }
  private fill(s: Sheet): number {
    return s.used / this.area(this.stocks[s.stock])
  }
  private keep(s: Sheet) {
    const counts = new Int32Array(this.parts.length)
    for (const l of s.laid) counts[l.part]++
    const key = `${s.stock}|${counts.join()}`
    if (this.pool.has(key)) return
    this.pool.set(key, s)
    if (this.pool.size > MOST_KEPT) {
      const sorted = [...this.pool].sort((a, b) => this.fill(b[1]) - this.fill(a[1]))
      this.pool.clear()
      for (const [k, v] of sorted.slice(0, MOST_KEPT / 2)) this.pool.set(k, v)
    }
  }

  /** A plan of strips alone; null when the stock does not reach. */
  fromStrips(): Cut2dPlan | null {
    for (let k = 0; k < STARTS; k++) {
      const sheets = this.construct(k === 0 ? 0 : 0.5)
      if (!sheets) continue
      this.best = sheets
      return this.asPlan(false)
    }
    return null
  }

  private readonly stop = () => this.control.shouldStop?.() ?? false

  run(): Cut2dPlan {
    const bound = this.bound.steps()
    const turns = new Turns(() => this.control.secondsLeft?.() ?? Infinity)
    let aims: Aim[] = []
    let at = 0
    let chosen: Aim | null = null
    let since = 0
    let wait = INTEGER_EVERY
    let nextInteger = wait
    let bounding = true
    const refresh = () => {
      const { purchases, complete } = this.targets()
      aims = purchases.map((bought) => this.aim(bought))
      at = 0
      // Nothing cheaper has even the area.
      if (aims.length === 0 && complete) this.bound.lower = this.cost(this.best)
    }
    for (let k = 0; k < STARTS && !this.stop() && this.cost(this.best) > this.bound.lower; k++) {
      const sheets = this.construct(k === 0 ? 0 : 0.5)
      if (sheets && this.cost(sheets) < this.cost(this.best)) this.take(sheets)
    }
    refresh()
    let known = this.bound.lower
    for (
      let step = 1;
      !this.stop() && this.cost(this.best) > this.bound.lower && (bounding || since < ENOUGH);
      step++
    ) {
      // With nothing to aim at there is only the bound to wait for.
      if (bounding && (aims.length === 0 || turns.isOfBound(step))) {
        const b = turns.bound(() => bound.next())
        bounding = !b.done
        // A linear program is done: its sheets and what is near them may make a whole plan.
        if (!b.done && b.value.settled && this.integer()) {
          since = 0
          refresh()
        }
        if (this.bound.lower > known) {
          known = this.bound.lower
          aims = aims.filter((a) => a.cost >= known)
          at = 0
        }
        // None of those listed is left.
        if (aims.length === 0) refresh()
        if (this.cost(this.best) <= this.bound.lower) break
      }
      if (aims.length === 0) {
        if (!bounding) break
        continue
      }
      since++
      if (at <= 0) {
        at = TRY
        const among =
          this.random() < NEAREST
            ? aims
            : Array.from({ length: DRAWN }, () => aims[Math.floor(this.random() * aims.length)])
        chosen = among.reduce((a, b) => (b.missing < a.missing ? b : a))
      }
      at--
      if (since % AGAIN === 0) {
        // Long without success: from another beginning.
        const sheets = this.construct(0.6)
        if (sheets) aims = aims.map((a) => this.aim(a.bought, sheets))
        at = 0
        continue
      }
      if (this.improve(chosen!)) {
        since = 0
        refresh()
        continue
      }
      if (step >= nextInteger) {
        if (this.integer()) {
          since = 0
          refresh()
          wait = INTEGER_EVERY
        } else wait *= 2
        nextInteger = step + wait
      }
    }
    return this.asPlan(true)
  }

  /**
   * Purchases cheaper than the best that have the area at least and are not below the bound: those with most room
   * first.
   */
  private targets(): { purchases: number[][]; complete: boolean } {
    return this.bound.purchases('roomiest', MOST_PURCHASES)
  }

  /** Takes what the bound priced into the sheets to choose from, without what is more than wanted. */
  private readonly priced = (stock: number, pieces: readonly PlacedKind[]): void => {
    if (this.instance.maxStages !== null) return
    const { trim } = this.instance
    const left = this.parts.map((p) => p.qty)
    this.keep(
      this.sheet(
        stock,
        pieces
          .filter((p) => left[p.kind]-- > 0)
          .map((p): Laid => ({ part: p.kind, x: p.x + trim, y: p.y + trim, rotated: p.turned })),
      ),
    )
  }
  /** Sheets seen, as columns of the bound: those first that are worth most at its prices. */
  private readonly kept = (worth: (c: SheetColumn) => number): SheetColumn[] => {
    const all = [...this.pool.values()].map((s) => ({ c: { stock: s.stock, counts: this.countsOf(s) } }))
    return all
      .map(({ c }) => ({ c, w: worth(c) }))
      .filter((x) => x.w > 1e-6)
      .sort((a, b) => b.w - a.w)
      .slice(0, OFFERED)
      .map((x) => x.c)
  }
  private countsOf(s: Sheet): number[] {
    const counts = new Array<number>(this.parts.length).fill(0)
    for (const l of s.laid) counts[l.part]++
    return counts
  }

  /** Sheet after sheet, each time the one that is cheapest for what is laid on it. */
  private construct(noise: number): Sheet[] | null {
    const r = this.random
    const left = Int32Array.from(this.parts, (p) => p.qty)
    const used = this.stocks.map(() => 0)
    const value = this.values()
    const out: Sheet[] = []
    while (left.some((n) => n > 0)) {
      if (this.stop()) return null
      let best: { sheet: Sheet; score: number } | null = null
      for (let k = 0; k < this.stocks.length; k++) {
        const s = this.stocks[k]
        if (s.available !== null && used[k] >= s.available) continue
        const rest = Int32Array.from(left)
        const laid = this.strips(s, rest, value, noise)
        if (laid.length === 0) continue
        const sheet = this.sheet(k, laid)
        // The last sheet is judged by its price alone; others by what a unit of area costs.
        const score = rest.every((n) => n === 0) ? s.price * 1e-12 : (s.price / sheet.used) * (1 + noise * 0.2 * r())
        if (!best || score < best.score) best = { sheet, score }
      }
      if (!best) return null
      for (const l of best.sheet.laid) left[l.part]--
      used[best.sheet.stock]++
      out.push(best.sheet)
      this.keep(best.sheet)
    }
    return out
  }

  /** Begins at the best plan, or another, with those of its sheets that a purchase has. */
  private aim(bought: readonly number[], from: readonly Sheet[] = this.best): Aim {
    const stockOf = bought.flatMap((n, k) => Array.from({ length: n }, () => k))
    const left = Int32Array.from(this.parts, (p) => p.qty)
    const own = [...from].sort((a, b) => this.fill(b) - this.fill(a))
    const bins = stockOf.map((k): Sheet | null => {
      const i = own.findIndex((s) => s.stock === k)
      return i < 0 ? null : own.splice(i, 1)[0]
    })
    for (const b of bins) if (b) for (const l of b.laid) left[l.part]--
    return {
      bought,
      bins,
      stockOf,
      left,
      missing: this.missing(left),
      cost: bought.reduce((n, c, k) => n + c * this.stocks[k].price, 0),
    }
  }
  private missing(left: Int32Array): number {
    let sum = 0
    for (let i = 0; i < left.length; i++) sum += left[i] * this.sizes[i].area
    return sum
  }

  /**
   * Empties a few of the sheets aimed at and fills them again. @returns whether everything found a place: a better plan
   */
  private improve(a: Aim): boolean {
    const r = this.random
    const n = a.bins.length
    const chosen = new Set<number>()
    a.bins.forEach((b, i) => !b && chosen.size < 4 && chosen.add(i))
    const more = Math.min(n, chosen.size + 1 + Math.floor(r() * r() * 3.5))
    if (r() < 0.35) {
      let worst = -1
      a.bins.forEach((b, i) => b && (worst < 0 || this.fill(b) < this.fill(a.bins[worst]!)) && (worst = i))
      if (worst >= 0) chosen.add(worst)
    }
    while (chosen.size < more) chosen.add(Math.floor(r() * n))
    const left = Int32Array.from(a.left)
    for (const i of chosen) for (const l of a.bins[i]?.laid ?? []) left[l.part]++
    const order = [...chosen]
    for (let i = order.length - 1; i > 0; i--) {
      const j = Math.floor(r() * (i + 1))
      ;[order[i], order[j]] = [order[j], order[i]]
    }
    const value = this.values()
    const noise = r() < 0.35 ? 0 : 0.5 * r()
    const again = order.map((i): [number, Sheet | null] => {
      const laid =
        this.instance.maxStages === null && r() < 0.3
          ? bestFit(this.instance, this.stocks[a.stockOf[i]], left, r)
          : this.strips(this.stocks[a.stockOf[i]], left, value, noise)
      if (laid.length === 0) return [i, null]
      const s = this.sheet(a.stockOf[i], laid)
      this.keep(s)
      return [i, s]
    })
    const missing = this.missing(left)
    const gathered = again.reduce((n, [i, s]) => n + this.free(a, i, s) ** 2 - this.free(a, i, a.bins[i]) ** 2, 0)
    const worse = missing - a.missing - (GATHERED * gathered) / this.area(this.stocks[0])
    if (missing > 0 && worse > SLACK * r() * r() * this.area(this.stocks[a.stockOf[order[0]]])) return false
    for (const [i, s] of again) a.bins[i] = s
    a.left = left
    a.missing = missing
    if (missing > 0) {
      // What finds no place is worth more from now on, until it has one.
      for (let i = 0; i < left.length; i++)
        this.weight[i] = left[i] > 0 ? Math.min(1.6, this.weight[i] * 1.02) : 1 + (this.weight[i] - 1) * 0.97
      return false
    }
    this.take(a.bins.filter((s): s is Sheet => s !== null))
    return true
  }
  /** Area that is free on a sheet aimed at, with what lies on it. */
  private free(a: Aim, bin: number, s: Sheet | null): number {
    return this.area(this.stocks[a.stockOf[bin]]) - (s?.used ?? 0)
  }
  private take(sheets: Sheet[]) {
    this.best = sheets
    this.control.onBetter?.(this.asPlan(false))
  }

  /**
   * Worth of one piece of each kind for the filler: its area, what the bound pays for it, and what is hard to place.
   */
  private values(): Float64Array {
    const r = this.random
    const power = 1 + 0.12 * r()
    const useDuals = this.bound.duals !== null && r() < 0.35
    return Float64Array.from(
      this.sizes,
      ({ area }, i) => (useDuals ? this.bound.duals![i] + 1e-6 : area ** power) * this.weight[i] * (1 + 0.06 * r()),
    )
  }

  private strips(stock: Stock, left: Int32Array, value: Float64Array, noise: number): Laid[] {
    const { kerf, trim } = this.instance
    return this.filler
      .fill(stock.w - 2 * trim + kerf, stock.h - 2 * trim + kerf, left, value, noise)
      .map((p): Laid => ({ part: p.kind, x: p.x + trim, y: p.y + trim, rotated: p.turned }))
  }

  /**
   * What a sheet is worth to a plan: at the prices of the bound against what it costs, or before there are any by how
   * full it is.
   */
  private worth(s: Sheet): number {
    if (!this.bound.duals) return this.fill(s)
    return s.laid.reduce((v, l) => v + this.bound.duals![l.part], 0) - this.stocks[s.stock].price
  }

  /** The cheapest choice among the well-filled sheets seen. @returns whether it was cheaper than the best */
  private integer(): boolean {
    if (!this.solveInteger || (this.control.secondsLeft?.() ?? Infinity) < 3 * INTEGER_SECONDS) return false
    const inBest = new Set(this.best)
    const columns = [
      ...this.best,
      ...[...this.pool.values()]
        .filter((s) => !inBest.has(s))
        .map((s) => ({ s, worth: this.worth(s) }))
        .sort((a, b) => b.worth - a.worth)
        .slice(0, MOST_COLUMNS)
        .map((x) => x.s),
    ]
    const counts = columns.map((s) => this.countsOf(s))
    const answer = this.solveInteger(
      cheaperChoice(
        columns.map((s, i) => ({ stock: s.stock, counts: counts[i] })),
        this.parts.map((p) => p.qty),
        this.stocks,
        this.cost(this.best),
      ),
      INTEGER_SECONDS,
    )
    if (!answer || answer === 'infeasible') return false
    const left = this.parts.map((p) => p.qty)
    const chosen: Sheet[] = []
    columns.forEach((s, c) => {
      for (let k = 0; k < answer.values[c]; k++) {
        const laid = s.laid.filter((l) => left[l.part]-- > 0)
        if (laid.length > 0) chosen.push(this.sheet(s.stock, laid))
      }
    })
    // Taking surplus away goes below nought above; only a full cover counts.
    if (left.some((n) => n > 0) || this.cost(chosen) >= this.cost(this.best)) return false
    this.take(chosen)
    return true
  }

  private neatness(s: Sheet): Neatness {
    return neatness(
      this.stocks[s.stock],
      this.instance.trim,
      this.instance.kerf,
      s.laid.map((l) => {
        const { w, h } = this.parts[l.part]
        return { x: l.x, y: l.y, w: l.rotated ? h : w, h: l.rotated ? w : h }
      }),
    )
  }
  /**
   * The same pieces on the same sheets, with what is left in one place rather than in many, and where that is alike
   * with fewer settings.
   */
  private polished(): Sheet[] {
    return this.best.map((s) => {
      if (this.stop()) return s
      let best = s
      let neat = this.neatness(s)
      for (let k = 0; k < POLISH && !this.stop(); k++) {
        const left = Int32Array.from(this.countsOf(s))
        const laid = this.strips(this.stocks[s.stock], left, this.values(), k === 0 ? 0 : 0.5)
        if (left.some((n) => n > 0)) continue
        const again = this.sheet(s.stock, laid)
        const now = this.neatness(again)
        if (isNeater(now, neat)) [best, neat] = [again, now]
      }
      return best
    })
  }

  private asPlan(last: boolean): Cut2dPlan {
    const grouped = new Map<string, Cut2dPlan['sheets'][number]>()
    for (const s of last ? this.polished() : this.best) {
      const placements = s.laid.map((l) => ({ part: this.parts[l.part].id, x: l.x, y: l.y, rotated: l.rotated }))
      const key = JSON.stringify([s.stock, placements])
      const seen = grouped.get(key)
      if (seen) seen.count++
      else grouped.set(key, { stock: this.stocks[s.stock].id, count: 1, placements })
    }
    const cost = this.cost(this.best)
    const lowerBound = Math.min(cost, this.bound.lower)
    return {
      format: 'cut2d-plan',
      version: 1,
      instance: this.instance.name,
      sheets: [...grouped.values()],
      claim: { cost, lowerBound, proved: lowerBound >= cost },
    }
  }
}
