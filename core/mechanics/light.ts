/*
 * Light on a level top from lamps over it, and on what stands upright before them.
 */

/** What is left of a lamp's light when it is aged and dusty: CIE 97, clean rooms, lamps wiped every three years. */
const KEPT = 0.67

/** Light asked for where one works at a bench, lx: EN 12464-1, wood working and processing, work at joiner's bench. */
export const BENCH_LUX = 300

/** Light asked for where things are looked for and fetched, lx: EN 12464-1, store and stockrooms. */
export const STORE_LUX = 100

/**
 * Light on an upright face from the same lamp: the cosine of the face is that of the way out from it,
 * E = Φ · h · y / (π d⁴).
 * @param lumens that leave the lamp when new. @param upMm it is over the middle of the face, @param outMm before it, and
 *   @param asideMm beside it
 * @returns lx; none from a lamp behind the face, or no higher
 */
export function luxUprightFrom(lumens: number, upMm: number, outMm: number, asideMm: number): number {
  if (upMm <= 0 || outMm <= 0) return 0
  const squareM = (upMm * upMm + outMm * outMm + asideMm * asideMm) / 1e6
  return (KEPT * lumens * ((upMm * outMm) / 1e6)) / (Math.PI * squareM * squareM)
}

/**
 * Light on a level place from a lamp that shines down evenly (an even emitter: I = Φ/π · cos θ), by the inverse square and
 * the cosine: E = Φ · cos² θ / (π d²). What walls and ceiling give back is left out.
 * @param lumens of the lamp when new. @param upMm it is over the place, and @param awayMm beside it
 * @returns lx; none from a lamp that is no higher than the place
 */
export function luxFrom(lumens: number, upMm: number, awayMm: number): number {
  if (upMm <= 0) return 0
  const squareM = (upMm * upMm + awayMm * awayMm) / 1e6
  const cos2 = (upMm * upMm) / 1e6 / squareM
  return (KEPT * lumens * cos2) / (Math.PI * squareM)
}
