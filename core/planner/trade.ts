/** What people weigh plans and builds by: less is better in each. */
export const TRADES = ['minor', 'floorM2', 'reach', 'hours', 'builds', 'makeshift', 'homeless', 'lengthMm'] as const
export type TradeKey = (typeof TRADES)[number]

/** What one of some choices is best at, and what it pays for that most: so much more than the least of them. */
export interface Trade {
  best: TradeKey[]
  /** Of those, what no other is as good at. */
  alone: TradeKey[]
  pays: { key: TradeKey; by: number } | null
}

/** Differences of less than this share of the largest are none. */
const SAME = 0.02
/** What is told to the last coin and thing: of two that nearly agree one reads which is less. */
const EXACT: readonly TradeKey[] = ['minor', 'builds', 'makeshift', 'homeless']

/** Every choice against the others that are shown with it. @param choices what each comes to, the same keys in all */
export function tradesOf(choices: readonly Partial<Record<TradeKey, number>>[]): Trade[] {
  const keys = TRADES.filter((k) => choices.every((c) => c[k] !== undefined))
  const good = choices.map((c) =>
    keys.filter((key) => {
      const all = choices.map((x) => x[key]!)
      const [least, most] = [Math.min(...all), Math.max(...all)]
      const as = EXACT.includes(key) ? 0 : SAME * most
      return most - least > SAME * most && c[key]! - least <= as
    }),
  )
  return choices.map((c, i) => {
    let pays: { key: TradeKey; by: number; share: number } | null = null
    for (const key of keys) {
      const all = choices.map((x) => x[key]!)
      const by = c[key]! - Math.min(...all)
      const share = by / Math.max(...all)
      if (share > Math.max(SAME, pays?.share ?? 0)) pays = { key, by, share }
    }
    const alone = good[i].filter((key) => good.every((g, k) => k === i || !g.includes(key)))
    return { best: good[i], alone, pays: pays && { key: pays.key, by: pays.by } }
  })
}
