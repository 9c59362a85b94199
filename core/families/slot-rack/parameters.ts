import { slidingFront } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, sheet } from '../params.ts'

export const LIMITS = { columns: 6, levels: 6, slots: 120 } as const

export const MADE = ['for-good', 'knock-down'] as const

export const slotRackParams = z.object({
  columns: countDim(1, LIMITS.columns),
  /** Clear width of a column. */
  clearMm: dim(150, 1200),
  depthMm: dim(150, 1220),
  /** Lowest deck above the floor. */
  baseMm: dim(0, 900),
  /** Over the tallest thing of a bin, to lift it in. */
  marginMm: dim(5, 200),
  /** Things in one slot. */
  perSlot: countDim(1, 40),
  /** Slots kept free for what comes later, of those that are filled. */
  sparePct: countDim(0, 200),
  sheet,
  dividerSheet: sheet,
  tie: z.boolean(),
  front: slidingFront,
  /** Decks stand in housings for good, or lie on blocks and come off, so that it travels in flat pieces. */
  made: z.enum(MADE),
})
export type SlotRackParams = z.infer<typeof slotRackParams>

const STOCK: Record<UnitSystem, Pick<SlotRackParams, 'sheet' | 'dividerSheet'>> = {
  imperial: { sheet: 'ply-23/32', dividerSheet: 'hb-1/4' },
  metric: { sheet: 'ply-18mm', dividerSheet: 'hb-6mm' },
}

export const startingParams = (system: UnitSystem, canTie: boolean): SlotRackParams => ({
  columns: null,
  clearMm: null,
  depthMm: null,
  baseMm: null,
  marginMm: null,
  perSlot: null,
  sparePct: null,
  ...STOCK[system],
  tie: canTie,
  front: 'open',
  made: 'for-good',
})

/** The first form had no front, and was made for good. */
export const UPGRADES = [(raw: Raw): Raw => ({ front: 'open', made: 'for-good', ...raw })]
