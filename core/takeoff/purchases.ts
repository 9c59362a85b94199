import { findBar } from '../catalogue/steel.ts'
import type { PriceLine } from '../catalogue/prices.ts'
import { screwKey } from '../catalogue/prices.ts'
import { sundryKey } from '../catalogue/sundries.ts'
import type { CutPlan } from './cut-plan.ts'
import type { ScrewLine } from './screws.ts'
import type { SundryLine } from './sundries.ts'

/** In the order of a yard's aisles. */
export const AISLES = ['lumber', 'sheets', 'fasteners', 'finish', 'hardware'] as const
export type Aisle = (typeof AISLES)[number]

/** One line of the shopping list. `eachMinor` is null when the price book has no price for it. */
export interface Purchase {
  key: string
  aisle: Aisle
  label: string
  /** What the builds need, what of it is there already, and what is left to buy. */
  count: number
  have: number
  buy: number
  /** How many single things that is, for boxes. */
  holds: number | null
  eachMinor: number | null
  /** Of what is left to buy. */
  totalMinor: number | null
}

export interface Bill {
  lines: Purchase[]
  totalMinor: number
  /** Lines without a price: then the total is only part of it. */
  unpriced: number
}

/** Ticks of the shopping list, and how many each stood for. */
export interface Cart {
  bought: readonly string[]
  inCart?: Readonly<Record<string, number>>
}

/** Of what is to be bought of a line, how many are in the cart: more may be asked for since it was ticked. */
export const inCart = ({ key, buy }: Pick<Purchase, 'key' | 'buy'>, cart: Cart): number =>
  cart.bought.includes(key) ? Math.min(buy, cart.inCart?.[key] ?? buy) : 0

/** A line is done once it is ticked and all of it is in the cart. */
export const isBought = (l: Pick<Purchase, 'key' | 'buy'>, cart: Cart): boolean =>
  cart.bought.includes(l.key) && inCart(l, cart) === l.buy

/** The cart once a line is ticked, with all that is asked for, or no longer. */
export function tickedCart(
  l: Pick<Purchase, 'key' | 'buy'>,
  cart: Cart,
): { bought: string[]; inCart: Record<string, number> } {
  const others = Object.fromEntries(Object.entries(cart.inCart ?? {}).filter(([key]) => key !== l.key))
  const bought = cart.bought.filter((k) => k !== l.key)
  return isBought(l, cart)
    ? { bought, inCart: others }
    : { bought: [...bought, l.key], inCart: { ...others, [l.key]: l.buy } }
}

export function purchases(
  plan: Pick<CutPlan, 'boards' | 'sheets'>,
  screws: readonly ScrewLine[],
  prices: readonly PriceLine[],
  sundries: readonly SundryLine[] = [],
  have: Readonly<Record<string, number>> = {},
): Bill {
  const book = new Map(prices.map((p) => [p.key, p]))
  const counts = new Map<string, { aisle: Aisle; count: number; holds: number | null; label: string }>()
  const add = (key: string, aisle: Aisle, count: number, label: string, holds: number | null = null) => {
    const seen = counts.get(key)
    if (seen) seen.count += count
    else counts.set(key, { aisle, count, holds, label })
  }
  for (const b of plan.boards)
    if (b.handId === null) add(b.stockKey, findBar(b.section) ? 'hardware' : 'lumber', 1, b.section)
  for (const s of plan.sheets) if (s.handId === null) add(s.stockKey, 'sheets', 1, s.sheet)
  for (const s of screws) add(screwKey(s.fastener), 'fasteners', s.boxes, s.label, s.count)
  for (const s of sundries)
    add(sundryKey(s.kind, s.label), s.kind === 'ready' ? 'hardware' : 'finish', s.count, s.label)
  const lines = [...counts].map(([key, c]): Purchase => {
    const eachMinor = book.get(key)?.minor ?? null
    const got = Math.min(c.count, have[key] ?? 0)
    const buy = c.count - got
    return {
      key,
      aisle: c.aisle,
      label: book.get(key)?.label ?? c.label,
      count: c.count,
      have: got,
      buy,
      holds: c.holds,
      eachMinor,
      totalMinor: eachMinor === null ? null : eachMinor * buy,
    }
  })
  lines.sort(
    (a, b) => AISLES.indexOf(a.aisle) - AISLES.indexOf(b.aisle) || a.key.localeCompare(b.key, 'en', { numeric: true }),
  )
  return {
    lines,
    totalMinor: lines.reduce((n, l) => n + (l.totalMinor ?? 0), 0),
    unpriced: lines.filter((l) => l.eachMinor === null && l.buy > 0).length,
  }
}
