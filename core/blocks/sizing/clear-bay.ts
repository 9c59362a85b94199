import { inches } from '../../measure/units.ts'

/** A shelf of one board thickness is kept to this span without a strip under it, mm: the usual rule for 3/4 in boards. */
export const USUAL_SPAN_MM = inches(30)
/** Less is no bay: hands do not go in, mm. Product decision. */
export const LEAST_CLEAR_MM = 150

/**
 * Clear width of the bays of a box, mm: what is wanted, as far as one bay has room for it along the wall. Where there is
 * less room than for a bay at all it does not fit, and the room says so.
 */
export const clearBay = (wantedMm: number, roomMm: number): number =>
  Math.max(LEAST_CLEAR_MM, Math.min(wantedMm, roomMm))
