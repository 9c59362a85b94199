import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { tube, usualTube } from '../arms.ts'
import { countDim, dim, keys, section } from '../params.ts'

export const LIMITS = { rows: 3, columns: 12 } as const
export const SCREWS = { one: 1, two: 2 } as const
export const UPRIGHT_SCREWS = { two: 2, three: 3 } as const

export const hangingArmsParams = z.object({
  rows: countDim(1, LIMITS.rows),
  /** Lowest point of what hangs lowest, above the floor. */
  lowestMm: dim(40, 1800),
  /** Between neighbours along the wall. */
  besideMm: dim(0, 600),
  /** Over what hangs, to lift it off its arms. */
  abovePlayMm: dim(40, 400),
  /** From one arm of a pair to the other, centre to centre. */
  apartMm: dim(150, 900),
  /** Out from the face of the uprights. */
  armMm: dim(100, 700),
  uprightSection: section,
  railSection: section,
  tube,
  /** Of a rail in each stud, and of an upright at each rail. */
  wallScrews: z.enum(keys(SCREWS)),
  uprightScrews: z.enum(keys(UPRIGHT_SCREWS)),
})
export type HangingArmsParams = z.infer<typeof hangingArmsParams>

const STOCK: Record<UnitSystem, Pick<HangingArmsParams, 'uprightSection' | 'railSection'>> = {
  imperial: { uprightSection: '4x4', railSection: '2x4' },
  metric: { uprightSection: '47x100mm', railSection: '38x89mm' },
}

export const startingParams = (system: UnitSystem): HangingArmsParams => ({
  rows: null,
  lowestMm: null,
  besideMm: null,
  abovePlayMm: null,
  apartMm: null,
  armMm: null,
  ...STOCK[system],
  tube: usualTube[system],
  wallScrews: 'two',
  uprightScrews: 'two',
})
