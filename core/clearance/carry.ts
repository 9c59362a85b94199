import { solveAngle } from './solve-angle.ts'

/** A box to be carried, mm, whichever way it is held. */
export interface Carried {
  lengthMm: number
  widthMm: number
  thicknessMm: number
}
const sorted = (c: Carried): [number, number, number] =>
  [c.lengthMm, c.widthMm, c.thicknessMm].sort((a, b) => a - b) as [number, number, number]

/** Room for fingers and a wobble on each side of a doorway, mm. Product decision. */
export const HANDS_MM = 20

/**
 * Whether a p × q rectangle passes a w × h opening, square on or turned in it. With p ≥ q and w ≥ h: p ≤ w and q ≤ h,
 * or q ≤ h and h ≥ (2pqw + (p² − q²)·√(p² + q² − w²)) / (p² + q²). Carver, American Mathematical Monthly 64 (1957) 114.
 */
export function passesOpening(p: number, q: number, w: number, h: number): boolean {
  const [a, b] = [Math.max(p, q), Math.min(p, q)]
  const [wide, narrow] = [Math.max(w, h), Math.min(w, h)]
  if (a <= wide && b <= narrow) return true
  if (b > narrow || a <= wide) return false
  return narrow >= (2 * a * b * wide + (a * a - b * b) * Math.sqrt(a * a + b * b - wide * wide)) / (a * a + b * b)
}

/** Whether a thing goes through a doorway: its two smaller sides first, with room for hands. */
export function throughDoorway(
  c: Carried,
  doorWideMm: number,
  doorHighMm: number,
): { passes: boolean; needMm: number } {
  const [s, m] = sorted(c)
  const passes = passesOpening(m + 2 * HANDS_MM, s + 2 * HANDS_MM, doorWideMm, doorHighMm)
  return { passes, needMm: s + 2 * HANDS_MM }
}

/**
 * The longest thing of a width that goes round a right-angled corner from a passage `aMm` wide into one `bMm` wide,
 * flat on the floor: the least over all angles of (a·cos θ + b·sin θ − w) / (sin θ · cos θ). The classic problem of the
 * ladder with a width.
 */
export function longestRoundCorner(widthMm: number, aMm: number, bMm: number): number {
  if (widthMm >= Math.min(aMm, bMm)) return 0
  return solveAngle((t) => (aMm * Math.cos(t) + bMm * Math.sin(t) - widthMm) / (Math.sin(t) * Math.cos(t)))
}

/** Whether a thing, standing on one of its sides, goes round a corner; the height has to stay under `highMm`. */
export function roundCorner(
  c: Carried,
  aMm: number,
  bMm: number,
  highMm: number,
): { passes: boolean; shortenMm: number } {
  const [s, m, l] = sorted(c)
  // Carried with the second side upright if there is height for it, else lying.
  const width = m <= highMm ? s : m
  const longest = longestRoundCorner(width + 2 * HANDS_MM, aMm, bMm)
  // A thing taller than long may also be walked through standing on its end.
  const onEnd = l <= highMm && m + 2 * HANDS_MM <= Math.min(aMm, bMm)
  return { passes: onEnd || l <= longest, shortenMm: onEnd ? 0 : Math.max(0, l - longest) }
}

/** How a box gets to stand in an alcove or under a bulkhead. */
export type IntoAlcove = 'slid-in' | 'tipped-up' | 'neither'

/**
 * A box into an alcove `highMm` high and `deepMm` deep with `outsideMm` of height in front of it: stood up outside and
 * slid in when it is lower than the alcove; else tipped up inside, which needs its diagonal.
 */
export function intoAlcove(
  box: { deepMm: number; highMm: number },
  alcove: { highMm: number; deepMm: number; outsideMm: number },
  spareMm: number,
): IntoAlcove {
  const diagonal = Math.hypot(box.deepMm, box.highMm)
  if (box.highMm + spareMm <= alcove.highMm && diagonal + spareMm <= alcove.outsideMm) return 'slid-in'
  if (diagonal + spareMm <= alcove.highMm) return 'tipped-up'
  return 'neither'
}
