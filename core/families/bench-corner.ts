import type { Assembly, Part } from '../assembly/assembly.ts'
import type { EndCut } from '../blocks/frame/shelf-frame.ts'
import { good, type Result } from '../measure/result.ts'
import { z } from '../measure/schema.ts'
import { idsOf, stepsWith, type Step } from '../steps/step.ts'
import { cornerLine } from './corner-line.ts'
import type { DimPen } from './dim-pen.ts'
import type { Choice, ShapeContext } from './family.ts'
import { choicePen } from './choices.ts'
import { dim } from './params.ts'

/** An end that stands in a corner of the room, and whether it meets the bench along the other wall or that wall. */
export const scribedAtCorner = {
  corner: z.enum(['none', 'left', 'right']),
  meets: z.enum(['bench', 'wall']),
  otherDepthMm: dim(200, 1250),
}
type AtCorner = z.infer<z.ZodObject<typeof scribedAtCorner>>
/** Both ends plain. */
export const PLAIN_ENDS: AtCorner = { corner: 'none', meets: 'bench', otherDepthMm: null }

/** What is chosen of it. */
export function cornerChoices(p: AtCorner): Choice[] {
  const { coded } = choicePen(p)
  return [
    coded('corner', 'bench-corner', ['none', 'left', 'right']),
    ...(p.corner === 'none' ? [] : [coded('meets', 'bench-meets', ['bench', 'wall'])]),
  ]
}

export interface CornerCut extends EndCut {
  side: 'left' | 'right'
  /** How far its top goes past the frame at the wall and at its front is in the cut; how deep what it meets is. */
  otherMm: number
}

/** How the top of a bench ends at its corner; null where it has none. */
export function cornerCut(
  p: AtCorner,
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

/** What is said of the end that is scribed. */
export interface ScribeStep {
  'bench-scribe': { side: string; meets: string; spareMm: number; slantMm: number; longAt: string; deepMm: number }
}
const step = stepsWith<ScribeStep>()
const isScribed = (x: Part): boolean => x.machining.some((m) => m.kind === 'scribe')

/** What is scribed at the corner, and how far from square its line runs, to see whether the corner is as it was measured. */
export function scribeStep({ corner, meets }: AtCorner, a: Assembly): Step | false {
  const on = a.parts.filter(isScribed)
  const [x] = on
  if (!x) return false
  const [spareMm] = x.machining.flatMap((m) => (m.kind === 'scribe' ? [m.allowanceMm] : []))
  const [back, front] = x.outline
    ? corner === 'left'
      ? [-x.outline[0][0], -x.outline[3][0]]
      : [x.outline[1][0], x.outline[2][0]]
    : [0, 0]
  return step({
    id: 'scribe',
    code: 'bench-scribe',
    data: {
      ...{ side: corner, meets, spareMm },
      slantMm: Math.abs(back - front),
      longAt: back > front ? 'back' : 'front',
      deepMm: x.size.widthMm,
    },
    parts: [],
    on: idsOf(on),
    cautions: ['dust'],
  })
}
