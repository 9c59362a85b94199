import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, dims, section } from '../params.ts'

export const LIMITS = { columns: 20, deep: 4 } as const

export const ceilingRunnersParams = z.object({
  /** Openings side by side, and totes one behind the other in each. */
  columns: countDim(1, LIMITS.columns),
  deep: countDim(1, LIMITS.deep),
  /** Clear width of each opening between the webs, from the left. */
  clearMm: dims(60, 3000, LIMITS.columns),
  runnerMm: dim(150, 4800),
  sidePlayMm: dim(1, 100),
  /** Between a lid and what is over it. */
  abovePlayMm: dim(1, 300),
  webSection: section,
  flangeSection: section,
  /** Across the joists where these run the way the totes slide. */
  battenSection: section,
  /** Screws of a flange into its web, at most this far apart. */
  flangeScrewsMm: dim(50, 400),
  battenScrews: z.enum(['one', 'two', 'three']),
})
export type CeilingRunnersParams = z.infer<typeof ceilingRunnersParams>
export const SCREWS = { one: 1, two: 2, three: 3 } as const

const STOCK: Record<UnitSystem, Pick<CeilingRunnersParams, 'webSection' | 'flangeSection' | 'battenSection'>> = {
  imperial: { webSection: '2x3', flangeSection: '1x4', battenSection: '2x4' },
  metric: { webSection: '38x63mm', flangeSection: '18x94mm', battenSection: '38x89mm' },
}

export const startingParams = (system: UnitSystem): CeilingRunnersParams => ({
  columns: null,
  deep: null,
  clearMm: [],
  runnerMm: null,
  sidePlayMm: null,
  abovePlayMm: null,
  ...STOCK[system],
  flangeScrewsMm: null,
  battenScrews: 'two',
})
