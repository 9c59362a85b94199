import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, section } from '../params.ts'

export const LIMITS = { places: 10 } as const

export const floorPlaceParams = z.object({
  /** Places side by side, a thing in each. */
  places: countDim(1, LIMITS.places),
  /** Free on each side of a thing. */
  besideMm: dim(0, 600),
  /** On edge on the floor at the wall: what is rolled in stops there. */
  stopSection: section,
})
export type FloorPlaceParams = z.infer<typeof floorPlaceParams>

const STOP: Record<UnitSystem, string> = { imperial: '2x4', metric: '38x89mm' }

export const startingParams = (system: UnitSystem): FloorPlaceParams => ({
  places: null,
  besideMm: null,
  stopSection: STOP[system],
})
