import { usualThing } from '../catalogue/find-usual.ts'
import type { Goods } from './goods.ts'

/*
 * What is kept in piles: bags that lie flat, wheels, rolls of bedding. So many of one kind lie on each other and take the
 * room of one, but for their height.
 */

/** A bag lies flat when it is no higher than so much of its lesser side. Product decision. */
const FLAT_SHARE = 0.7
/** No pile is higher, mm, nor of more, nor heavier, kg: what is below is still got at, and a shelf carries it. Product decisions. */
const MOST_HIGH_MM = 950
const MOST_LAYERS = 5
const MOST_KG = 110
/** A pile stands by itself up to so many times as high as its lesser side. Product decision: steeper than that it slides or topples. */
export const PILE_STEEP = 3

/** How many of a thing usually lie on each other: one where it is none that is piled. */
export function usualPile(g: Pick<Goods, 'name' | 'kind' | 'acrossMm' | 'deepMm' | 'tallMm' | 'massKg'>): number {
  const usual = usualThing(g.name)
  const isFlat = g.kind === 'bag' && g.tallMm <= FLAT_SHARE * Math.min(g.acrossMm, g.deepMm)
  const most = usual?.pile ?? (isFlat ? MOST_LAYERS : 1)
  const standsMm = Math.min(MOST_HIGH_MM, PILE_STEEP * Math.min(g.acrossMm, g.deepMm))
  const high = Math.floor(standsMm / g.tallMm)
  const heavy = Math.floor(MOST_KG / Math.max(g.massKg ?? usual?.mostKg ?? 0, 0.1))
  return Math.max(1, Math.min(most, high, heavy))
}
