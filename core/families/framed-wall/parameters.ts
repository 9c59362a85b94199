import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { dim, section, sheet } from '../params.ts'

/** Which of its faces are closed by panels. */
export const FACES = ['one', 'both', 'none'] as const

export const framedWallParams = z.object({
  lengthMm: dim(600, 9000),
  /** From the floor to the ceiling it is fixed to. */
  highMm: dim(1800, 4000),
  /** From the middle of one stud to the next, at most. */
  everyMm: dim(200, 620),
  /** Opening for a door, its left side along the wall, and its height; nought wide where there is none. */
  doorMm: dim(0, 1800),
  doorAtMm: dim(0, 9000),
  doorHighMm: dim(1200, 3000),
  /** From one anchor in the slab to the next, at most. */
  anchorEveryMm: dim(200, 1200),
  section,
  sheet,
  faces: z.enum(FACES),
})
export type FramedWallParams = z.infer<typeof framedWallParams>

const STOCK: Record<UnitSystem, Pick<FramedWallParams, 'section' | 'sheet'>> = {
  imperial: { section: '2x4', sheet: 'ply-15/32' },
  metric: { section: '38x89mm', sheet: 'ply-12mm' },
}

export const startingParams = (system: UnitSystem): FramedWallParams => ({
  lengthMm: null,
  highMm: null,
  everyMm: null,
  doorMm: null,
  doorAtMm: null,
  doorHighMm: null,
  anchorEveryMm: null,
  ...STOCK[system],
  faces: 'one',
})
