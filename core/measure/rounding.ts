import type { Units } from './units.ts'
import { stepMm } from './units.ts'

/** Two lengths closer than this are the same to a person with a tape: a tenth of a millimetre. */
export const SAME_LENGTH_MM = 0.1
/** Floating-point slack when a length is compared with a limit it was computed from. */
export const COMPUTED_SLACK_MM = 1e-6

export type RoundingWay = 'up' | 'down' | 'nearest'

export interface Rounded {
  mm: number
  toMm: number
  way: RoundingWay
  /** How much the rounding moved the value, mm (signed). */
  movedMm: number
}

/** Rounds a length to a multiple of `toMm`; a value already on the grid stays put (within floating-point slack). */
export function roundLength(mm: number, toMm: number, way: RoundingWay): Rounded {
  const steps = mm / toMm
  const near = Math.round(steps)
  const onGrid = Math.abs(steps - near) * toMm < COMPUTED_SLACK_MM
  const n = onGrid || way === 'nearest' ? near : way === 'up' ? Math.ceil(steps) : Math.floor(steps)
  const rounded = n * toMm
  return { mm: rounded, toMm, way, movedMm: rounded - mm }
}

export const roundUp = (mm: number, units: Units): number => roundLength(mm, stepMm(units), 'up').mm
export const roundDown = (mm: number, units: Units): number => roundLength(mm, stepMm(units), 'down').mm
export const roundNearest = (mm: number, units: Units): number => roundLength(mm, stepMm(units), 'nearest').mm
