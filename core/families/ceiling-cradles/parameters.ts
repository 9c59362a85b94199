import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, rod, section } from '../params.ts'

export const LIMITS = { cradles: 8, clearMm: 1100 } as const
/** From which end things are slid in, as one stands before it. */
export const FROM = ['right', 'left'] as const

export const ceilingCradlesParams = z.object({
  cradles: countDim(2, LIMITS.cradles),
  /** From one to the next, middle to middle. */
  apartMm: dim(300, 2400),
  /** Between the two rods of each. */
  clearMm: dim(80, LIMITS.clearMm),
  /** Upper faces of the bearers above the floor. */
  topMm: dim(600, 4500),
  /** Over what lies there. */
  abovePlayMm: dim(0, 400),
  bearerSection: section,
  spreaderSection: section,
  rod,
  from: z.enum(FROM),
})
export type CeilingCradlesParams = z.infer<typeof ceilingCradlesParams>

type Stocks = Pick<CeilingCradlesParams, 'bearerSection' | 'spreaderSection' | 'rod'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: { bearerSection: '2x4', spreaderSection: '2x4', rod: 'rod-3/8' },
  metric: { bearerSection: '38x89mm', spreaderSection: '38x89mm', rod: 'rod-M10' },
}

export const startingParams = (system: UnitSystem): CeilingCradlesParams => ({
  cradles: null,
  apartMm: null,
  clearMm: null,
  topMm: null,
  abovePlayMm: null,
  ...STOCK[system],
  from: 'right',
})
