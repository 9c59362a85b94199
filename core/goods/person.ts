/**
 * Heights of a standing person as shares of stature: Drillis and Contini 1966 (knee, knuckle, elbow, shoulder, eye); grip overhead:
 * shoulder and arm to the fist.
 */
export const BODY = { knee: 0.285, knuckle: 0.485, elbow: 0.63, shoulder: 0.818, eye: 0.936, grip: 1.2 } as const

/** Height over a bench or a car's bonnet at which what hangs usually begins, mm. Product decision. */
export const OVER_BENCH_MM = 1350

/**
 * Highest place from which things are drawn without a ladder, of stature: 1.95 m for a person of 1.70 m. Product
 * decision.
 */
const REACH_SHARE = 1950 / 1700
export const reachMm = (personMm: number): number => REACH_SHARE * personMm

/** People a lift may count on. Product decision. */
export const LIFTERS = 2
/** What a person lifts to a height of the hands, of what they lift to the knuckles: revised NIOSH equation (1991). */
const [KNUCKLES_MM, HIGHEST_MM, PER_MM] = [750, 1750, 0.0003]
export const liftShare = (handsMm: number): number =>
  1 - PER_MM * Math.max(0, Math.min(handsMm, HIGHEST_MM) - KNUCKLES_MM)
/**
 * How high the hands are at most to which a thing is lifted by as many as may be counted on, mm; it is held at half its
 * height. Lower than anything where they lift it nowhere.
 */
export function liftedToMm(massKg: number, onePersonKg: number): number {
  const share = massKg / (LIFTERS * onePersonKg)
  if (share <= liftShare(HIGHEST_MM)) return Infinity
  return share > 1 ? -Infinity : KNUCKLES_MM + (1 - share) / PER_MM
}

/**
 * A tote pushed up over the shoulder comes in with its front low by this much. Product decision: about one in eleven.
 */
const TILT_RAD = (5 * Math.PI) / 180
/**
 * Room above its rails that a tote wants to be tipped in, mm: held level only once more than half of it is on the
 * rails, so the rear of the lid rises by half the depth times the sine of the tilt.
 */
export const tiltRoomMm = (rimMm: number, deepMm: number): number =>
  rimMm * Math.cos(TILT_RAD) + (deepMm / 2) * Math.sin(TILT_RAD)
