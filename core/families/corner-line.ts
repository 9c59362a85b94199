import type { EndCut } from '../blocks/frame/shelf-frame.ts'
import { bad, good, type Problem, type Result } from '../measure/result.ts'
import { offSquareMm } from '../room/outline.ts'
import type { ShapeContext } from './family.ts'

/*
 * The end of a top at a corner of the room, from above: its frame is square to its own wall, its top is cut to the line
 * it meets, which is the wall beside it or the front of the bench along that wall.
 *
 *        own wall
 *      ‾‾‾‾\|‾‾‾‾‾‾‾‾    x(y) = D / sin θ + y / tan θ from the corner along the own wall, θ the corner, D the depth of
 *        the |   frame    the bench it meets (nought: the wall itself), y out from the own wall
 *      line \|
 */

/**
 * A top goes past its frame no further than this, mm: somebody on its very end, over 100 mm of it, would turn it up.
 * Product decision.
 */
const MOST_PAST_MM = 45
/** Left on beside what the corner takes: no wall is flat, mm. As the survey says it. */
const SPARE_MM = 5
/** Nearer than this they touch, mm. */
const NEAR_MM = 1

export interface CornerProblems {
  'no-corner-known': { side: string }
  'corner-far-from-square': { side: string; rad: number }
  'corner-overlaps': { side: string; byMm: number; moveMm: number }
  'corner-gapes': { side: string; byMm: number; moveMm: number }
}

/** The end of a top at a corner: which, how long and deep its frame is, and how deep what it meets along the other wall. */
export interface AtCorner {
  side: 'left' | 'right'
  lengthMm: number
  depthMm: number
  otherMm: number
  /** It goes past its frame no further than this, where less holds it than the frame of a bench, mm. */
  mostPastMm?: number
}

/** The line to which a top is cut at a corner, or why it cannot be. @param field what a person would change */
export function cornerLine(at: AtCorner, ctx: ShapeContext, field: string): Result<EndCut> {
  const { side, lengthMm, depthMm, otherMm, mostPastMm = MOST_PAST_MM } = at
  const corner = ctx.space.corners?.[side]
  if (!corner) return bad('no-corner-known', { side }, field)
  if (offSquareMm(corner.rad, 1) === null) return bad('corner-far-from-square', { side, rad: corner.rad }, field)
  const [sin, tan] = [Math.sin(corner.rad), Math.tan(corner.rad)]
  const freeMm = side === 'left' ? -corner.fromMm : corner.fromMm - lengthMm
  const past = (y: number) => freeMm - otherMm / sin - y / tan
  const [backMm, frontMm] = [past(0), past(depthMm)]
  const [least, most] = [Math.min(backMm, frontMm), Math.max(backMm, frontMm)]
  // Wherever it stands, the line would go past too little or too much of it.
  if (most - least > mostPastMm) return bad('corner-far-from-square', { side, rad: corner.rad }, field)
  if (least < -NEAR_MM) return bad('corner-overlaps', { side, byMm: -least, moveMm: -least }, field)
  if (most > mostPastMm) return bad('corner-gapes', { side, byMm: most, moveMm: least }, field)
  const end = side === 'left' ? 'start' : 'end'
  return good({ end, backMm: Math.max(0, backMm), frontMm: Math.max(0, frontMm), spareMm: SPARE_MM })
}

/** How far along its wall what should end at a corner must be moved to do so, mm; null where that is not what is wrong. */
export function intoCorner({ code, data }: Problem): number | null {
  if (code !== 'corner-gapes' && code !== 'corner-overlaps') return null
  const towards = code === 'corner-gapes' ? 1 : -1
  return Number(data?.moveMm) * towards * (data?.side === 'left' ? -1 : 1)
}
