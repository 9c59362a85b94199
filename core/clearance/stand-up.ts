import { boxSize, type Box } from '../geometry/box.ts'

/**
 * Height something needs while it is tilted up from lying on its back: it turns about its lower rear edge, and the corner
 * across from that edge sweeps a circle.
 * @param box the thing as it will stand, mm
 */
export function standUpHeight(box: Box): number {
  const [, deep, high] = boxSize(box)
  return Math.hypot(deep, high)
}
