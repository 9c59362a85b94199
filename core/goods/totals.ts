import type { Goods } from './goods.ts'

export interface GoodsTotals {
  things: number
  massKg: number
  /** Things whose mass nobody knows. */
  notWeighed: number
  floorMm2: number
  volumeMm3: number
  /** Length of shelf they need, one deep, side by side. */
  shelfMm: number
}

/** Totals over what is kept (or over `which`). */
export function totals(goods: readonly Goods[], which: Goods['decision'] = 'keep'): GoodsTotals {
  const t: GoodsTotals = { things: 0, massKg: 0, notWeighed: 0, floorMm2: 0, volumeMm3: 0, shelfMm: 0 }
  for (const g of goods) {
    if (g.decision !== which) continue
    t.things += g.count
    if (g.massKg === null) t.notWeighed += g.count
    else t.massKg += g.count * g.massKg
    t.floorMm2 += g.count * g.acrossMm * g.deepMm
    t.volumeMm3 += g.count * g.acrossMm * g.deepMm * g.tallMm
    t.shelfMm += g.count * g.acrossMm
  }
  return t
}
