import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { armParams, startingArms } from '../arms.ts'
import { countDim, dim, keys, section } from '../params.ts'

export const LIMITS = { uprights: 10, levels: 12, armMm: 900, riseMm: 1200 } as const
export const SCREWS = { one: 1, two: 2 } as const

export const boardRackParams = z.object({
  uprights: countDim(2, LIMITS.uprights),
  /** From one upright to the next at least, centre to centre. */
  apartMm: dim(200, 2400),
  levels: countDim(1, LIMITS.levels),
  /** Lowest arm at the face of its upright above the floor, and from one level to the next. */
  lowestMm: dim(100, 2600),
  riseMm: dim(100, LIMITS.riseMm),
  /** Out from the face of the uprights. */
  armMm: dim(80, LIMITS.armMm),
  /** Over what lies on a level, for a hand. */
  abovePlayMm: dim(0, 400),
  uprightSection: section,
  ...armParams,
  /** At every fixing of an upright. */
  wallScrews: z.enum(keys(SCREWS)),
})
export type BoardRackParams = z.infer<typeof boardRackParams>

const UPRIGHT: Record<UnitSystem, string> = { imperial: '4x4', metric: '70x70mm' }

export const startingParams = (system: UnitSystem): BoardRackParams => ({
  uprights: null,
  apartMm: null,
  levels: null,
  lowestMm: null,
  riseMm: null,
  armMm: null,
  abovePlayMm: null,
  uprightSection: UPRIGHT[system],
  ...startingArms[system],
  wallScrews: 'one',
})
