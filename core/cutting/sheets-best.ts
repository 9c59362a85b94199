import type { Cut2dInstance, Cut2dPlan, CutControl, CutResult } from './format.ts'
import type { SolveInteger } from './integer.ts'
import { planSheetsGreedy } from './sheets-greedy.ts'
import { COARSE, FINE, sheetsBound } from './sheets-bound.ts'
import { seeded } from '../measure/seeded.ts'

/*
 * Sheets by straight through-cuts: a greedy plan at once, then ruin and recreate (a few sheets are emptied and filled again by a randomised best fit),
 * every well-filled sheet kept, and an integer program over all of them. Beside it a bound by column generation. The plan never gets worse.
 */

type Stock = Cut2dInstance['stock'][number]
interface Free { x: number; y: number; w: number; h: number }
interface Laid { part: number; x: number; y: number; rotated: boolean }
interface Sheet { stock: number; laid: Laid[]; used: number }

/** Rounds between two integer programs, sheets they choose from, and seconds each may take. */
const ROUNDS_BETWEEN = 1500
const MOST_COLUMNS = 1200
const INTEGER_SECONDS = 1.5
/** Rounds of the search between two of the bound. */
const TURN_COARSE = 25
const TURN_FINE = 250
/** Rounds without a better plan after which the search ends by itself. */
const ENOUGH = 60_000

export function planSheetsBest(instance: Cut2dInstance, solveInteger: SolveInteger | null, control: CutControl<Cut2dPlan> = {}): CutResult<Cut2dPlan> {
  const first = planSheetsGreedy(instance, control)
  if (!first.ok || first.plan.claim.proved) return first
  return { ok: true, plan: new SheetSearch(instance, first.plan, solveInteger, control).run() }
}

class SheetSearch {
  private readonly parts: Cut2dInstance['parts']
  private readonly stocks: Stock[]
  private readonly random = seeded(20261124)
  private readonly pool = new Map<string, Sheet>()
  private current: Sheet[]
  private best: Sheet[]
  private lower = 0

  constructor(private readonly instance: Cut2dInstance, first: Cut2dPlan, private readonly solveInteger: SolveInteger | null, private readonly control: CutControl<Cut2dPlan>) {
    this.parts = instance.parts
    this.stocks = instance.stock.filter((s) => s.available !== 0 && Math.min(s.w, s.h) > 2 * instance.trim)
    const index = new Map(this.parts.map((p, i) => [p.id, i]))
    this.current = first.sheets.flatMap((s) => Array.from({ length: s.count }, () => this.sheet(this.stocks.findIndex((t) => t.id === s.stock), s.placements.map((q): Laid => ({ part: index.get(q.part)!, x: q.x, y: q.y, rotated: q.rotated })))))
    this.best = this.current
    this.lower = first.claim.lowerBound
    for (const s of this.current) this.keep(s)
  }

  private sheet(stock: number, laid: Laid[]): Sheet {
    return { stock, laid, used: laid.reduce((n, l) => n + this.parts[l.part].w * this.parts[l.part].h, 0) }
  }
  private cost(list: readonly Sheet[]): number {
    return list.reduce((n, s) => n + this.stocks[s.stock].price, 0)
  }
  private keep(s: Sheet) {
    const counts = new Map<number, number>()
    for (const l of s.laid) counts.set(l.part, (counts.get(l.part) ?? 0) + 1)
    const key = `${s.stock}|${[...counts].sort((a, b) => a[0] - b[0]).join(';')}`
    if (!this.pool.has(key)) this.pool.set(key, s)
  }

  run(): Cut2dPlan {
    const stop = () => this.control.shouldStop?.() ?? false
    const upper = () => this.cost(this.best)
    // The bound and the plan take turns: a coarse grid first, then a fine one that may show that nothing is left to gain.
    const bounds = [sheetsBound(this.instance, COARSE, stop), sheetsBound(this.instance, FINE, stop)]
    let since = 0
    let wait = ROUNDS_BETWEEN
    let next = wait
    for (let round = 1; !stop() && since < ENOUGH && upper() > this.lower; round++) {
      if (round % (bounds.length === 2 ? TURN_COARSE : TURN_FINE) === 1 && bounds.length > 0) {
        const b = bounds[0].next()
        if (b.done) bounds.shift()
        else this.lower = Math.max(this.lower, whole(b.value))
      }
      since = this.step() ? 0 : since + 1
      if (round >= next) {
        // Where it found nothing, more sheets have to be seen before it is asked again.
        const found = this.integer()
        if (found) since = 0
        else wait = Math.min(4 * ROUNDS_BETWEEN, 1.5 * wait)
        next = round + wait
      }
    }
    if (upper() > this.lower) this.integer()
    return this.asPlan()
  }

  /** Empties a few sheets and fills their pieces again. @returns whether the best plan got cheaper */
  private step(): boolean {
    const n = this.current.length
    if (n === 0) return false
    const r = this.random
    const many = Math.min(n, 1 + Math.floor(r() * r() * 5) + (n > 1 ? 1 : 0))
    // The least filled sheet more often than others.
    const chosen = new Set<number>()
    if (r() < 0.6) chosen.add(this.current.reduce((a, s, i) => (this.fill(s) < this.fill(this.current[a]) ? i : a), 0))
    while (chosen.size < many) chosen.add(Math.floor(r() * n))
    const out = [...chosen].map((i) => this.current[i])
    const rest = this.current.filter((_, i) => !chosen.has(i))
    const again = this.pack(out.flatMap((s) => s.laid.map((l) => l.part)), rest)
    if (!again) return false
    const [was, now] = [this.cost(out), this.cost(again)]
    // At the same cost uneven filling is better: an emptier sheet is nearer to going away. Now and then a worse one, to get out of a corner.
    const accept = now < was || (now === was && (this.uneven(again) >= this.uneven(out) || r() < 0.02))
    if (!accept) return false
    this.current = [...rest, ...again]
    if (this.cost(this.current) < this.cost(this.best)) {
      this.best = this.current
      this.control.onBetter?.(this.asPlan())
      return true
    }
    return false
  }
  private fill(s: Sheet): number {
    const t = this.stocks[s.stock]
    return s.used / (t.w * t.h)
  }
  private uneven(list: readonly Sheet[]): number {
    return list.reduce((n, s) => n + this.fill(s) ** 2, 0)
  }

  /** Packs pieces on as cheap sheets as a randomised best fit finds, beside what `others` use up of limited stock. */
  private pack(pieces: number[], others: readonly Sheet[]): Sheet[] | null {
    const r = this.random
    const used = this.stocks.map((_, k) => others.filter((s) => s.stock === k).length)
    const noise = r() < 0.3 ? 0 : r() * 0.6
    const by = Math.floor(r() * 4)
    const key = (i: number) => {
      const p = this.parts[i]
      const base = by === 0 ? p.w * p.h : by === 1 ? p.h * 1e4 + p.w : by === 2 ? p.w * 1e4 + p.h : Math.max(p.w, p.h) * 1e4 + Math.min(p.w, p.h)
      return base * (1 + noise * (r() - 0.5))
    }
    let queue = pieces.map((i) => ({ i, k: key(i) })).sort((a, b) => b.k - a.k).map((x) => x.i)
    const out: Sheet[] = []
    while (queue.length > 0) {
      let best: { sheet: Sheet; left: number[]; price: number } | null = null
      for (let k = 0; k < this.stocks.length; k++) {
        const s = this.stocks[k]
        if (s.available !== null && used[k] >= s.available) continue
        const { laid, left } = this.fillOne(s, queue)
        if (laid.length === 0) continue
        const sheet = this.sheet(k, laid)
        // The last sheet is judged by its price alone; others by what a unit of area costs, now and then a little wrong.
        const price = left.length === 0 ? s.price * 1e-6 : (s.price / sheet.used) * (1 + 0.15 * r())
        if (!best || price < best.price) best = { sheet, left, price }
      }
      if (!best) return null
      out.push(best.sheet)
      this.keep(best.sheet)
      used[best.sheet.stock]++
      queue = best.left
    }
    return out
  }

  private fillOne(stock: Stock, queue: readonly number[]): { laid: Laid[]; left: number[] } {
    const { kerf, trim } = this.instance
    const r = this.random
    const free: Free[] = [{ x: trim, y: trim, w: stock.w - 2 * trim, h: stock.h - 2 * trim }]
    const laid: Laid[] = []
    const left: number[] = []
    const rule = Math.floor(r() * 5)
    const score = Math.floor(r() * 3)
    for (const i of queue) {
      const p = this.parts[i]
      let at = -1
      let turned = false
      let least = Infinity
      for (let k = 0; k < free.length; k++)
        for (let t = 0; t < (p.rotate && p.w !== p.h ? 2 : 1); t++) {
          const [w, h] = t ? [p.h, p.w] : [p.w, p.h]
          const [dx, dy] = [free[k].w - w, free[k].h - h]
          if (dx < 0 || dy < 0) continue
          const s = score === 0 ? Math.min(dx, dy) : score === 1 ? free[k].w * free[k].h : Math.max(dx, dy)
          if (s < least) [least, at, turned] = [s, k, t === 1]
        }
      if (at < 0) {
        left.push(i)
        continue
      }
      const f = free[at]
      const [w, h] = turned ? [p.h, p.w] : [p.w, p.h]
      laid.push({ part: i, x: f.x, y: f.y, rotated: turned })
      const [dw, dh] = [f.w - w - kerf, f.h - h - kerf]
      const upright = rule === 0 ? true : rule === 1 ? false : rule === 2 ? dw < dh : rule === 3 ? dw >= dh : dw * f.h >= dh * f.w
      free.splice(at, 1)
      const rest: Free[] = upright
        ? [{ x: f.x + w + kerf, y: f.y, w: dw, h: f.h }, { x: f.x, y: f.y + h + kerf, w, h: dh }]
        : [{ x: f.x + w + kerf, y: f.y, w: dw, h }, { x: f.x, y: f.y + h + kerf, w: f.w, h: dh }]
      for (const q of rest) if (q.w > 0 && q.h > 0) free.push(q)
    }
    return { laid, left }
  }

  /** The cheapest choice among all well-filled sheets seen. @returns whether it was cheaper than the best */
  private integer(): boolean {
    if (!this.solveInteger) return false
    const inBest = new Set(this.best)
    const columns = [...this.best, ...[...this.pool.values()].filter((s) => !inBest.has(s)).sort((a, b) => this.fill(b) - this.fill(a)).slice(0, MOST_COLUMNS)]
    const counts = columns.map((s) => s.laid.reduce((m, l) => m.set(l.part, (m.get(l.part) ?? 0) + 1), new Map<number, number>()))
    const answer = this.solveInteger({
      cost: columns.map((s) => this.stocks[s.stock].price), upper: columns.map((s) => this.stocks[s.stock].available),
      rows: [
        ...this.parts.map((p, i) => ({ terms: columns.flatMap((_, c): [number, number][] => (counts[c].has(i) ? [[c, counts[c].get(i)!]] : [])), least: p.qty, most: null })),
        ...this.stocks.map((s, k) => ({ terms: columns.flatMap((x, c): [number, number][] => (x.stock === k ? [[c, 1]] : [])), least: null, most: s.available })),
        { terms: columns.map((s, c): [number, number] => [c, this.stocks[s.stock].price]), least: null, most: this.cost(this.best) - 1 },
      ],
    }, INTEGER_SECONDS)
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
    this.best = this.current = chosen
    this.control.onBetter?.(this.asPlan())
    return true
  }

  private asPlan(): Cut2dPlan {
    const grouped = new Map<string, Cut2dPlan['sheets'][number]>()
    for (const s of this.best) {
      const placements = s.laid.map((l) => ({ part: this.parts[l.part].id, x: l.x, y: l.y, rotated: l.rotated }))
      const key = JSON.stringify([s.stock, placements])
      const seen = grouped.get(key)
      if (seen) seen.count++
      else grouped.set(key, { stock: this.stocks[s.stock].id, count: 1, placements })
    }
    const cost = this.cost(this.best)
    const lowerBound = Math.min(cost, this.lower)
    return { format: 'cut2d-plan', version: 1, instance: this.instance.name, sheets: [...grouped.values()], claim: { cost, lowerBound, proved: lowerBound >= cost } }
  }
}

/** Costs are whole: a bound between two of them is worth the next. */
const whole = (b: number): number => Math.ceil(b - 1e-6)

