import { SEVERAL } from '../ledger-screws.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, section, sheet } from '../params.ts'

export const LIMITS = { uprights: 24 } as const

export const loftDeckParams = z.object({
  /** Fill the wall, or be only as long as the goods need. */
  follow: z.enum(['goods', 'wall']),
  lengthMm: dim(600, 9000),
  depthMm: dim(400, 3600),
  /** Upper face of the deck above the floor. */
  topMm: dim(1000, 5000),
  abovePlayMm: dim(0, 600),
  sidePlayMm: dim(0, 100),
  /** From one joist to the next, middle to middle, at most. */
  joistEveryMm: dim(200, 620),
  /** Posts under the rim, or a framed wall with a door in it. */
  front: z.enum(['posts', 'wall']),
  uprights: countDim(2, LIMITS.uprights),
  /** Clear width of the door in the wall below, and its left side along the deck. */
  doorMm: dim(0, 1800),
  doorAtMm: dim(0, 9000),
  joistSection: section,
  rimSection: section,
  uprightSection: section,
  sheet,
  ledgerScrews: z.enum(SEVERAL),
})
export type LoftDeckParams = z.infer<typeof loftDeckParams>

type Stocks = Pick<LoftDeckParams, 'joistSection' | 'rimSection' | 'uprightSection' | 'sheet'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: { joistSection: '2x6', rimSection: '2x8', uprightSection: '4x4', sheet: 'ply-23/32' },
  metric: { joistSection: '47x150mm', rimSection: '47x200mm', uprightSection: '47x100mm', sheet: 'ply-18mm' },
}

export const startingParams = (system: UnitSystem): LoftDeckParams => ({
  follow: 'goods',
  lengthMm: null,
  depthMm: null,
  topMm: null,
  abovePlayMm: null,
  sidePlayMm: null,
  joistEveryMm: null,
  front: 'posts',
  uprights: null,
  doorMm: null,
  doorAtMm: null,
  ...STOCK[system],
  ledgerScrews: 'four',
})
