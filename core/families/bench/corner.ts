import type { EndCut } from '../../blocks/frame/shelf-frame.ts'
import { good, type Result } from '../../measure/result.ts'
import { cornerLine } from '../corner-line.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import type { BenchParams } from './parameters.ts'

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
  const line = cornerLine({ side, lengthMm, depthMm, otherMm }, ctx, 'corner')
  return line.ok ? good({ ...line.value, side, otherMm }) : line
}
