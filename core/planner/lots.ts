import type { Project } from '../project/project.ts'
import { howMany, type Lot } from './offer.ts'

/*
 * Some things, shared out and put together.
 */

/** A share of some goods, what is wanted least left out first. */
export function shareOf(p: Project, lot: Lot, share: number): Lot {
  let left = Math.floor(howMany(lot) * share)
  const rank = (id: string) =>
    ['daily', 'weekly', 'seldom'].indexOf(p.goods.find((g) => g.id === id)?.often ?? 'seldom')
  const taken = new Map<string, number>()
  for (const g of [...lot].sort((a, b) => rank(a.goodsId) - rank(b.goodsId))) {
    const count = Math.min(g.count, left)
    left -= count
    if (count > 0) taken.set(g.goodsId, count)
  }
  return lot.flatMap((g) => (taken.has(g.goodsId) ? [{ goodsId: g.goodsId, count: taken.get(g.goodsId)! }] : []))
}

/** Goods of both, counts added up. */
export function together(a: Lot, b: Lot): Lot {
  const out = new Map(a.map((g) => [g.goodsId, g.count]))
  for (const g of b) out.set(g.goodsId, (out.get(g.goodsId) ?? 0) + g.count)
  return [...out].map(([goodsId, count]) => ({ goodsId, count }))
}

/** In one order, whichever they came in: the same things are the same lot. */
export const inOrder = (lot: Lot): Lot => [...lot].sort((a, b) => (a.goodsId < b.goodsId ? -1 : 1))
