import type { CheckResult, Quantity } from './check.ts'

/** A link that uses more than this share of what it can do is called hard-worked. */
export const HARD_WORKED = 0.85

/** Where a ratio near one means that something works hard; a lid that fills its opening is meant to. */
const WORKS: ReadonlySet<Quantity> = new Set<Quantity>(['stress', 'sag', 'force', 'moment', 'moment-per-width'])

/** Whether its ratio says something to a person as a share of strength; shares of several strengths add up to one. */
export const isStrength = (r: Pick<CheckResult, 'quantity' | 'capacity'>): boolean =>
  WORKS.has(r.quantity) || (r.quantity === 'ratio' && r.capacity === 1)

/** How hard a holding link works, 0 to 1; fits, lifts and yes-or-no answers hardly count. */
export const strain = (r: CheckResult): number => (isStrength(r) ? (r.ratio ?? 0) : (r.ratio ?? 0) / 100)

/** It fails, or could not be made: either way it is not shown to hold. */
export const isTrouble = (r: Pick<CheckResult, 'state'>): boolean => r.state === 'fails' || r.state === 'unknown'

export const isHardWorked = (r: CheckResult): boolean => r.state === 'holds' && strain(r) > HARD_WORKED

/**
 * How pressing a result is: failures by how far, then what could not be computed, then the rest by how hard it works.
 */
export function urgency(r: CheckResult): number {
  if (r.state === 'fails') return 2000 + Math.min(r.ratio ?? 999, 999)
  if (r.state === 'unknown') return 1000
  if (r.state === 'not-applicable') return -1
  return strain(r)
}

export const byUrgency = (results: readonly CheckResult[]): CheckResult[] =>
  [...results].sort((a, b) => urgency(b) - urgency(a))

export interface Verdict {
  state: 'holds' | 'hard-worked' | 'fails' | 'unknown'
  /** The weakest link. */
  weakest: CheckResult | null
  fails: number
  unknown: number
}

export function verdict(results: readonly CheckResult[]): Verdict {
  const weakest = byUrgency(results.filter((r) => r.state !== 'not-applicable'))[0] ?? null
  const fails = results.filter((r) => r.state === 'fails').length
  const unknown = results.filter((r) => r.state === 'unknown').length
  const state =
    fails > 0 ? 'fails' : unknown > 0 || !weakest ? 'unknown' : isHardWorked(weakest) ? 'hard-worked' : 'holds'
  return { state, weakest, fails, unknown }
}
