import type { PriceLine } from '../catalogue/prices.ts'
import { screwKey } from '../catalogue/prices.ts'
import type { CutPlan } from './cut-plan.ts'
import type { ScrewLine } from './screws.ts'

/** One line of the shopping list. `eachMinor` is null when the price book has no price for it. */
export interface Purchase {
  key: string
  aisle: 'lumber' | 'sheets' | 'fasteners'
  label: string
  count: number
  /** How many single things that is, for boxes. */
  holds: number | null
  eachMinor: number | null
  totalMinor: number | null
}

export interface Bill {
  lines: Purchase[]
  totalMinor: number
  /** Lines without a price: then the total is only part of it. */
  unpriced: number
}

export function purchases(plan: CutPlan, screws: readonly ScrewLine[], prices: readonly PriceLine[]): Bill {
  const book = new Map(prices.map((p) => [p.key, p]))
  const counts = new Map<string, { aisle: Purchase['aisle']; count: number; holds: number | null; label: string }>()
  const add = (key: string, aisle: Purchase['aisle'], count: number, label: string, holds: number | null = null) => {
    const seen = counts.get(key)
    if (seen) seen.count += count
    else counts.set(key, { aisle, count, holds, label })
  }
  for (const b of plan.boards) if (b.handId === null) add(b.stockKey, 'lumber', 1, b.section)
  for (const s of plan.sheets) if (s.handId === null) add(s.stockKey, 'sheets', 1, s.sheet)
  for (const s of screws) add(screwKey(s.fastener), 'fasteners', s.boxes, s.label, s.count)
  const lines = [...counts].map(([key, c]): Purchase => {
    const eachMinor = book.get(key)?.minor ?? null
    return { key, aisle: c.aisle, label: book.get(key)?.label ?? c.label, count: c.count, holds: c.holds, eachMinor, totalMinor: eachMinor === null ? null : eachMinor * c.count }
  })
  const aisles = ['lumber', 'sheets', 'fasteners']
  lines.sort((a, b) => aisles.indexOf(a.aisle) - aisles.indexOf(b.aisle) || a.key.localeCompare(b.key, 'en', { numeric: true }))
  return { lines, totalMinor: lines.reduce((n, l) => n + (l.totalMinor ?? 0), 0), unpriced: lines.filter((l) => l.eachMinor === null).length }
}
