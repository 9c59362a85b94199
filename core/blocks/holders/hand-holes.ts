import type { Draft } from '../../assembly/draft.ts'
import { sharesMoreThan, type Box } from '../../geometry/box.ts'

/*
 * What goes along to where it is used is carried by a hand hole in each of its sides, in their upper halves.
 *
 *   |rail|‾‾‾‾‾‾‾‾‾‾‾‾|
 *   |    |  (======)  |  side
 *   |    |            |
 */

/** Fingers of a broad hand, three at least, and how thick it is, with play, mm. Product decision. */
const LEAST_WIDE_MM = 70
const WIDE_MM = 95
const HIGH_MM = 30
/** Wood left over a hole and beside it, mm: what a hand lifts by does not tear out. Product decision. */
const OVER_MM = 28
const BESIDE_MM = 15
/** Fingers reach this far in, and close over the upper edge, mm. */
const FINGERS_MM = 40
const CLOSE_MM = 10
const STEP_MM = 5

interface Between {
  backMm: number
  frontMm: number
  headMm: number
  /** All pieces of the holder. */
  parts: readonly string[]
}

/** Lower edge of the highest hole through which a hand goes in past all pieces, in the upper half; null where there is none. */
function highest(d: Draft, sides: readonly [string, string], h: Between, [y0, y1]: readonly [number, number]) {
  const isFree = (side: string, k: number, z0: number): boolean => {
    const { min, max } = d.box(side)
    const reach: Box = {
      min: [min[0] - k * FINGERS_MM, y0, z0],
      max: [max[0] + (1 - k) * FINGERS_MM, y1, z0 + HIGH_MM + CLOSE_MM],
    }
    return h.parts.every((id) => id === side || !sharesMoreThan(d.box(id), reach, 0))
  }
  const { min } = d.box(sides[0])
  for (let z = h.headMm - OVER_MM - HIGH_MM; z >= (min[2] + h.headMm) / 2; z -= STEP_MM)
    if (sides.every((side, k) => isFree(side, k, z))) return z
  return null
}

/** A hand hole in both sides of a holder, where a hand finds room. @returns how many */
export function handHoles(d: Draft, sides: readonly [string, string], h: Between): number {
  const [from, to] = [h.backMm + BESIDE_MM, h.frontMm - BESIDE_MM]
  const wideMm = Math.min(WIDE_MM, to - from)
  if (wideMm < LEAST_WIDE_MM) return 0
  const y0 = (from + to - wideMm) / 2
  const z0 = highest(d, sides, h, [y0, y0 + wideMm])
  if (z0 === null) return 0
  for (const side of sides) {
    const { min } = d.box(side)
    d.machine(side, { kind: 'cutout', atMm: z0 - min[2], offMm: y0 - min[1], lengthMm: HIGH_MM, widthMm: wideMm })
  }
  return sides.length
}
