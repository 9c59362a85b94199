import { boxSize, type Box } from '../geometry/box.ts'
import type { Point } from '../geometry/hull.ts'
import { convexGap } from '../geometry/plane.ts'

/**
 * Height something needs while it is tilted up from lying on its back: it turns about a lower edge, and the corner
 * across from that edge sweeps a circle.
 * @param box the thing as it will stand, mm
 */
export function standUpHeight(box: Box): number {
  const [, deep, high] = boxSize(box)
  return Math.hypot(deep, high)
}

/** The highest a frame of this depth may be to be tilted up under a height, mm. */
export const highestThatStands = (deepMm: number, underMm: number): number =>
  underMm <= deepMm ? 0 : Math.sqrt(underMm * underMm - deepMm * deepMm)

/** Angles looked at while it is turned up. */
const LOOKS = 90

/**
 * Least gap between a frame that is turned up and something in its way, seen from the side in [out, up], mm. It lies on
 * its face, feet towards the wall, and turns about its lower front edge until its back is at the wall.
 * @param rearOutMm where its back comes to stand, out from the wall
 */
export function turnUpGap(deepMm: number, highMm: number, rearOutMm: number, outline: readonly Point[]): number {
  let least = Infinity
  for (let i = 0; i <= LOOKS; i++) {
    const t = ((Math.PI / 2) * i) / LOOKS
    const at = (h: number, d: number): Point => [
      rearOutMm + deepMm + h * Math.sin(t) - d * Math.cos(t),
      h * Math.cos(t) + d * Math.sin(t),
    ]
    least = Math.min(least, convexGap([at(0, 0), at(highMm, 0), at(highMm, deepMm), at(0, deepMm)], outline))
  }
  return least
}
