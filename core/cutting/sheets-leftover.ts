import type { Cut2dInstance, Cut2dPlan, CutControl } from './format.ts'
import type { SolveInteger } from './integer.ts'
import { edgeLeftover, type Lying } from './sheet-edge.ts'
import { spareId } from './spare-id.ts'
import { planSheetsBest } from './sheets-best.ts'

/** Searches for one more halving of how wide the leftover may be, and seconds each of them may take. */
const HALVINGS = 8
const SECONDS_EACH = 1
/** Where nobody keeps a clock: how often the planner may ask whether to stop. */
const QUESTIONS = 4000
/** Leftovers are told apart by this share of a sheet's side: about two centimetres. */
const SHARE = 1 / 100

type Sheet = Cut2dPlan['sheets'][number]
type Way = 'x' | 'y'

const lying = (i: Cut2dInstance, s: Sheet): Lying[] => {
  const parts = new Map(i.parts.map((p) => [p.id, p]))
  return s.placements.map((q) => {
    const p = parts.get(q.part)!
    return { x: q.x, y: q.y, w: q.rotated ? p.h : p.w, h: q.rotated ? p.w : p.h }
  })
}
const stockOf = (i: Cut2dInstance, s: Sheet) => i.stock.find((t) => t.id === s.stock)!

/** Area of the largest strip a plan leaves along one edge of one of its sheets. */
export const largestLeftover = (i: Cut2dInstance, p: Cut2dPlan): number =>
  Math.max(0, ...p.sheets.map((s) => edgeLeftover(stockOf(i, s), i.trim, lying(i, s))))

/**
 * Of plans that cost no more, one with a large leftover in one piece: a strip across a whole sheet is asked for beside
 * the pieces, and made wider by halving as long as the cost stays. Takes a plan already found; gives none that costs
 * more or leaves a smaller strip. What is found is not proved to be the largest: the search is the planner's own.
 */
export function largestLeftoverPlan(
  instance: Cut2dInstance,
  found: Cut2dPlan,
  solveInteger: SolveInteger | null,
  control: CutControl<Cut2dPlan> = {},
): Cut2dPlan {
  if (found.sheets.length === 0) return found
  const bought = new Set(found.sheets.map((s) => s.stock))
  const sheet = instance.stock.filter((s) => bought.has(s.id)).reduce((a, b) => (b.w * b.h > a.w * a.h ? b : a))
  const [wide, high] = [sheet.w - 2 * instance.trim, sheet.h - 2 * instance.trim]
  let plan = found
  for (const way of ['x', 'y'] as const) {
    const [length, breadth] = way === 'x' ? [wide, high] : [high, wide]
    let low = Math.floor(largestLeftover(instance, plan) / breadth)
    let most = length
    const step = Math.max(1, Math.round(length * SHARE))
    for (let k = 0; k < HALVINGS && most - low > step; k++) {
      if (control.shouldStop?.()) return plan
      const size = Math.ceil((low + most) / 2)
      const better = withStrip(instance, found, way, size, breadth, solveInteger, control)
      if (better && largestLeftover(instance, better) > largestLeftover(instance, plan)) plan = better
      if (better) low = size
      else most = size
    }
  }
  return plan
}

/** A plan that costs no more and leaves a strip of this size free; null when none was found. */
function withStrip(
  instance: Cut2dInstance,
  found: Cut2dPlan,
  way: Way,
  size: number,
  breadth: number,
  solveInteger: SolveInteger | null,
  control: CutControl<Cut2dPlan>,
): Cut2dPlan | null {
  const id = spareId(instance.parts)
  const strip = { id, ...(way === 'x' ? { w: size, h: breadth } : { w: breadth, h: size }), qty: 1, rotate: false }
  let hit: Cut2dPlan | null = null
  let asked = 0
  const until = (control.secondsLeft?.() ?? Infinity) - SECONDS_EACH
  const r = planSheetsBest({ ...instance, parts: [...instance.parts, strip] }, solveInteger, {
    secondsLeft: control.secondsLeft,
    shouldStop: () =>
      hit !== null ||
      (control.shouldStop?.() ?? false) ||
      (control.secondsLeft ? control.secondsLeft() < until : ++asked > QUESTIONS),
    onBetter: (p) => {
      if (p.claim.cost <= found.claim.cost) hit = p
    },
  })
  if (hit === null && r.ok && r.plan.claim.cost <= found.claim.cost) hit = r.plan
  return hit && withoutStrip(instance, hit, found, strip, way)
}

/** Takes the strip out again; what lay beyond it moves up, where it went across the whole sheet. */
function withoutStrip(
  i: Cut2dInstance,
  p: Cut2dPlan,
  found: Cut2dPlan,
  asked: { id: string; w: number; h: number },
  way: Way,
): Cut2dPlan {
  const sheets = p.sheets.flatMap((s): Sheet[] => {
    const strip = s.placements.find((q) => q.part === asked.id)
    if (!strip) return [s]
    const { w, h } = stockOf(i, s)
    // On a sheet larger than the one it was made for, something may lie beside it.
    const across = way === 'x' ? asked.h >= h - 2 * i.trim : asked.w >= w - 2 * i.trim
    const by = (way === 'x' ? asked.w : asked.h) + i.kerf
    const placements = s.placements
      .filter((q) => q !== strip)
      .map((q) => (across && q[way] > strip[way] ? { ...q, [way]: q[way] - by } : q))
    return placements.length > 0 ? [{ ...s, placements }] : []
  })
  const cost = sheets.reduce((n, s) => n + s.count * stockOf(i, s).price, 0)
  const lowerBound = Math.min(found.claim.lowerBound, cost)
  return { ...found, sheets, claim: { ...found.claim, cost, lowerBound, proved: lowerBound >= cost } }
}
