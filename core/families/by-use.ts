import type { Goods } from '../goods/goods.ts'
import { countedKg } from '../goods/presumed.ts'
import type { ShapeContext } from './family.ts'

const OFTEN: Record<Goods['often'], number> = { daily: 0, weekly: 1, seldom: 2 }

/**
 * Things one by one for so many places: what is wanted most often first, of that the heavier.
 * @returns those that have a place, in order, and how many of each have none
 */
export function byUse(goods: ShapeContext['goods'], places: number): { first: Goods[]; left: Map<string, number> } {
  const order = goods
    .flatMap((g) => Array.from({ length: g.count }, () => g.item))
    .sort((a, b) => OFTEN[a.often] - OFTEN[b.often] || countedKg(b) - countedKg(a))
  const left = new Map<string, number>()
  for (const g of order.slice(places)) left.set(g.id, (left.get(g.id) ?? 0) + 1)
  return { first: order.slice(0, places), left }
}
