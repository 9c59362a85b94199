import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, keys, section } from '../params.ts'

export const LIMITS = { hooks: 12 } as const
export const SCREWS = { one: 1, two: 2 } as const

export const hookRailParams = z.object({
  hooks: countDim(1, LIMITS.hooks),
  /** Lowest point of the longest of what hangs, above the floor. */
  lowestMm: dim(40, 1200),
  /** Between neighbours along the wall. */
  besideMm: dim(0, 600),
  /** Over a hook, to lift a wheel off it. */
  abovePlayMm: dim(40, 400),
  railSection: section,
  /** Of the rail in each stud. */
  wallScrews: z.enum(keys(SCREWS)),
})
export type HookRailParams = z.infer<typeof hookRailParams>

const RAIL: Record<UnitSystem, string> = { imperial: '2x6', metric: '47x150mm' }

export const startingParams = (system: UnitSystem): HookRailParams => ({
  hooks: null,
  lowestMm: null,
  besideMm: null,
  abovePlayMm: null,
  railSection: RAIL[system],
  wallScrews: 'two',
})
