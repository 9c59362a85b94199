import type { EndCut } from '../../blocks/frame/shelf-frame.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { offSquareMm } from '../../room/outline.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import type { BenchParams } from './parameters.ts'

/*
 * The end of a bench at a corner of the room, from above: its frame is square to its own wall, its top is cut to the line
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

export interface CornerProblems {
  'no-corner-known': { side: string }
  'corner-far-from-square': { side: string; rad: number }
  'corner-overlaps': { side: string; byMm: number; moveMm: number }
  'corner-gapes': { side: string; byMm: number; moveMm: number }
}

export interface CornerCut extends EndCut {
  side: 'left' | 'right'
  /** How far its top goes past the frame at the wall and at its front is in the cut; how deep what it meets is. */
  otherMm: number
}

/** How the top of a bench ends at its corner; null where it has none. */
export function cornerCut(
  p: BenchParams,
  ctx: ShapeContext,
  pen: DimPen,
  { depthMm, lengthMm }: { depthMm: number; lengthMm: number },
): Result<CornerCut | null> {
  if (p.corner === 'none') return good(null)
  const side = p.corner
  const otherMm =
    p.meets === 'wall'
      ? 0
      : pen.length({ path: 'otherDepthMm', code: 'bench-other', min: 200, max: 1250 }, depthMm, {
          code: 'bench-other-same',
          terms: [],
        })
  const corner = ctx.space.corners?.[side]
  if (!corner) return bad('no-corner-known', { side }, 'corner')
  if (offSquareMm(corner.rad, 1) === null) return bad('corner-far-from-square', { side, rad: corner.rad }, 'corner')
  const [sin, tan] = [Math.sin(corner.rad), Math.tan(corner.rad)]
  const freeMm = side === 'left' ? -corner.fromMm : corner.fromMm - lengthMm
  const past = (y: number) => freeMm - otherMm / sin - y / tan
  const [backMm, frontMm] = [past(0), past(depthMm)]
  const [least, most] = [Math.min(backMm, frontMm), Math.max(backMm, frontMm)]
  // Wherever it stands, the line would go past too little or too much of it.
  if (most - least > MOST_PAST_MM) return bad('corner-far-from-square', { side, rad: corner.rad }, 'corner')
  if (least < -NEAR_MM) return bad('corner-overlaps', { side, byMm: -least, moveMm: -least }, 'corner')
  if (most > MOST_PAST_MM) return bad('corner-gapes', { side, byMm: most, moveMm: least }, 'corner')
  const end = side === 'left' ? 'start' : 'end'
  return good({ side, end, otherMm, backMm: Math.max(0, backMm), frontMm: Math.max(0, frontMm), spareMm: SPARE_MM })
}
/** Nearer than this they touch, mm. */
const NEAR_MM = 1
