import type { PlannedRoom } from './plan-room.ts'

/** What people weigh plans by. */
export const TRADES = ['minor', 'floorM2', 'reach', 'hours', 'builds', 'makeshift', 'homeless'] as const
export type TradeKey = (typeof TRADES)[number]

/** What a plan is best at among some, and what it pays for that most: so much more than the least of them. */
export interface Trade {
  best: TradeKey[]
  pays: { key: TradeKey; by: number } | null
}

const valueOf = (x: PlannedRoom, key: TradeKey): number =>
  key === 'hours' ? x.hours : key === 'homeless' ? x.homeless.reduce((n, g) => n + g.count, 0) : x.measures[key]

/** Differences of less than this share of the largest are none. */
const SAME = 0.02

/** Every plan against the others that are shown with it. */
export function tradesOf(plans: readonly PlannedRoom[]): Trade[] {
  return plans.map((x) => {
    const best: TradeKey[] = []
    let pays: { key: TradeKey; by: number; share: number } | null = null
    for (const key of TRADES) {
      const all = plans.map((y) => valueOf(y, key))
      const [least, most] = [Math.min(...all), Math.max(...all)]
      if (most - least <= SAME * most) continue
      const off = valueOf(x, key) - least
      if (off <= SAME * most) best.push(key)
      else if (off / most > (pays?.share ?? 0)) pays = { key, by: off, share: off / most }
    }
    return { best, pays: pays && { key: pays.key, by: pays.by } }
  })
}
