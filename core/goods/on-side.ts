import type { Goods } from './goods.ts'

/**
 * Wider than this, and so much wider than thick, a long thing lies on its long edge on arms: a ladder, a kayak. mm.
 * Product decision.
 */
const [WIDE_MM, WIDER] = [350, 1.6]
/** Thinner than this it would fall over on it, mm. Product decision. */
const THICK_MM = 80
/** Arms that leave more room over each other waste the wall, mm. Product decision. */
export const MOST_ON_ARMS_MM = 900

/** A long thing laid on its long edge where that is better; else as it was measured. @param mostHighMm no higher so */
export function onSide(g: Goods, mostHighMm: number): Goods {
  const lies = g.deepMm > Math.max(WIDE_MM, WIDER * g.tallMm) && g.tallMm >= THICK_MM && g.deepMm <= mostHighMm
  return lies ? { ...g, deepMm: g.tallMm, tallMm: g.deepMm } : g
}
