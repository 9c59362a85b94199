import { planBoardsExact } from './boards-exact.ts'
import type { Cut1dInstance, Cut1dPlan, CutControl, CutResult } from './format.ts'
import type { SolveInteger } from './integer.ts'
import { spareId } from './spare-id.ts'

/** Searches for one more halving of what the leftover may be. */
const HALVINGS = 16
/** Leftovers are told apart by this share of the longest board: about a centimetre. */
const SHARE = 1 / 400

/** What is left of a board in one piece once its cuts are off, kerf of the last cut taken off too. */
const leftOf = (i: Cut1dInstance, stock: string, cuts: readonly string[]): number => {
  const lengths = new Map(i.parts.map((p) => [p.id, p.length]))
  return (
    (i.stock.find((s) => s.id === stock)?.length ?? 0) -
    i.trimStart -
    i.trimEnd -
    cuts.reduce((n, c) => n + (lengths.get(c) ?? 0) + i.kerf, 0)
  )
}
/** The longest leftover of a plan, in the instance's unit; nought where nothing is left. */
export const longestLeftover = (i: Cut1dInstance, p: Cut1dPlan): number =>
  Math.max(0, ...p.boards.map((b) => leftOf(i, b.stock, b.cuts)))

/**
 * Of plans that cost the least, one with the longest single leftover: one long piece is worth more than many stubs. A
 * further piece is asked for and made longer by halving as long as the cost stays. Takes a plan already found; never
 * gives one that costs more.
 * @returns the plan with its claim of cost untouched, and whether no longer leftover is possible at that cost (to about
 * a centimetre)
 */
export function longestLeftoverPlan(
  instance: Cut1dInstance,
  found: Cut1dPlan,
  solveInteger: SolveInteger | null,
  control: CutControl<Cut1dPlan> = {},
): { plan: Cut1dPlan; longest: boolean } {
  if (!found.claim.proved || found.boards.length === 0) return { plan: found, longest: false }
  const id = spareId(instance.parts)
  let plan = found
  let low = longestLeftover(instance, found)
  const usable = instance.stock.map((s) => s.length - instance.trimStart - instance.trimEnd)
  let high = Math.max(...usable)
  const step = Math.max(1, Math.round(high * SHARE))
  let sure = true
  for (let k = 0; k < HALVINGS && high - low > step; k++) {
    if (control.shouldStop?.()) return { plan, longest: false }
    const length = Math.ceil((low + high) / 2)
    const asked: Cut1dInstance = { ...instance, parts: [...instance.parts, { id, length, qty: 1 }] }
    let hit = false
    const r: CutResult<Cut1dPlan> = planBoardsExact(asked, solveInteger, {
      ...control,
      shouldStop: () => hit || (control.shouldStop?.() ?? false),
      onBetter: (p) => void (hit ||= p.claim.cost <= found.claim.cost),
    })
    if (r.ok && r.plan.claim.cost <= found.claim.cost) {
      const boards = merged(
        r.plan.boards.map((b) => ({ ...b, cuts: b.cuts.filter((c) => c !== id) })).filter((b) => b.cuts.length > 0),
      )
      const cost = boards.reduce((n, b) => n + b.count * (instance.stock.find((s) => s.id === b.stock)?.price ?? 0), 0)
      if (cost <= found.claim.cost)
        plan = { ...found, boards, claim: { ...found.claim, cost, lowerBound: Math.min(found.claim.lowerBound, cost) } }
      low = Math.max(length, longestLeftover(instance, plan))
    } else {
      // Not found is only not possible where the planner is sure.
      if (r.ok && r.plan.claim.lowerBound <= found.claim.cost) sure = false
      high = length
    }
  }
  return { plan, longest: sure && high - low <= step }
}

function merged(boards: Cut1dPlan['boards']): Cut1dPlan['boards'] {
  const out = new Map<string, Cut1dPlan['boards'][number]>()
  for (const b of boards) {
    const key = `${b.stock}|${b.cuts.join('|')}`
    const seen = out.get(key)
    if (seen) seen.count += b.count
    else out.set(key, { ...b })
  }
  return [...out.values()]
}
