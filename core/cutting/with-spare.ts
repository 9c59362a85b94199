import type { CannotCut, CutControl, CutResult } from './format.ts'
import { spareId } from './spare-id.ts'

/*
 * Whether some pieces can be cut from limited stock at all. A rule that finds no way proves nothing: so stock that costs
 * is put beside what there is and a plan with as little of it as possible is looked for. None of it: a plan. Never less
 * than some of it, with proof: impossible. Else nobody knows.
 */

interface Stock {
  id: string
  price: number
  available: number | null
  offcut: boolean
}
interface Instance<S extends Stock> {
  parts: readonly { id: string; qty: number }[]
  stock: readonly S[]
}
interface Plan {
  claim: { cost: number; lowerBound: number; proved: boolean }
}
type Bought = readonly { stock: string; count: number }[]

/** Of the time there is, the share that goes into finding any plan. */
const SHARE = 0.6

/**
 * The instance with spare stock beside its own: limited stock is free, one more of what is sold without limit costs 1,
 * and a spare one more than all of that.
 * @param spares sizes of the spare stock: every piece fits on one of them
 */
function eased<S extends Stock, I extends Instance<S>>(
  instance: I,
  spares: readonly S[],
): { instance: I; from: number } {
  const from = 1 + instance.parts.reduce((n, p) => n + p.qty, 0)
  const own = instance.stock.map((s) => ({ ...s, price: s.available === null ? 1 : 0 }))
  const stock: S[] = [...own]
  for (const s of spares) stock.push({ ...s, id: spareId(stock), price: from, available: null, offcut: false })
  return { instance: { ...instance, stock }, from }
}

/**
 * A plan where the quick rule found none.
 * @param bought what a plan takes
 * @param search the planner that also proves
 */
export function anyPlan<S extends Stock, I extends Instance<S>, P extends Plan>(
  instance: I,
  spares: readonly S[],
  bought: (plan: P) => Bought,
  search: (instance: I, control: CutControl<P>) => CutResult<P>,
  control: CutControl<P>,
): CutResult<P> {
  const { instance: wider, from } = eased<S, I>(instance, spares)
  const all = control.secondsLeft?.() ?? null
  const until = all === null ? -Infinity : all * (1 - SHARE)
  let found: P | null = null
  const own = new Set(instance.stock.map((s) => s.id))
  const keep = (p: P) => {
    if (found === null && bought(p).every((b) => own.has(b.stock))) found = p
  }
  const r = search(wider, {
    shouldStop: () => found !== null || (control.shouldStop?.() ?? false) || (control.secondsLeft?.() ?? 1) < until,
    secondsLeft: () => (control.secondsLeft?.() ?? Infinity) - Math.max(0, until),
    onBetter: keep,
  })
  if (r.ok) keep(r.plan)
  const pieces = instance.parts.reduce((n, p) => n + p.qty, 0)
  if (found !== null) {
    const prices = new Map(instance.stock.map((s) => [s.id, s.price]))
    const cost = bought(found).reduce((n, b) => n + b.count * (prices.get(b.stock) ?? 0), 0)
    const plan: P = { ...(found as P), claim: { cost, lowerBound: 0, proved: cost === 0 } }
    return { ok: true, plan }
  }
  if (!r.ok) return r
  const why: CannotCut =
    r.plan.claim.lowerBound >= from
      ? { code: 'not-enough-stock', data: { pieces } }
      : { code: 'none-found', data: { pieces, seconds: all === null ? 0 : Math.round(all) } }
  return { ok: false, why }
}

/**
 * Whether limited stock is too little by sheer measure: what only goes onto limited stock needs more than there is.
 * @param need measure of one piece, kerf included
 * @param room measure of one of a stock, a kerf beyond its end included
 */
export function tooLittle<P extends { qty: number }, S extends { available: number | null }>(
  parts: readonly P[],
  stocks: readonly S[],
  fits: (p: P, s: S) => boolean,
  need: (p: P) => number,
  room: (s: S) => number,
): boolean {
  const bound = parts.filter((p) => !stocks.some((s) => s.available === null && fits(p, s)))
  const needed = bound.reduce((n, p) => n + p.qty * need(p), 0)
  const there = stocks.reduce((n, s) => n + (s.available === null ? 0 : s.available * room(s)), 0)
  return needed > there
}
