import { unitsOf } from '../assembly/settings.ts'
import { economicalRip } from '../blocks/sizing/economical-rip.ts'
import type { Sheet } from '../catalogue/sheets.ts'
import { BODY } from '../goods/person.ts'
import { bad, good, type Result } from '../measure/result.ts'
import { roundNearest, roundUp } from '../measure/rounding.ts'
import { inches } from '../measure/units.ts'
import type { DimPen } from './dim-pen.ts'
import type { ShapeContext } from './family.ts'

/** What the height of a worktop follows: the work, the table of a machine beside it, or what must go under. */
export const HEIGHTS = ['fine', 'general', 'heavy', 'machine', 'under'] as const
export type HeightFrom = (typeof HEIGHTS)[number]

export interface HeightReasons {
  'bench-work': { work: HeightFrom; personMm: number }
  'bench-machine': { machineMm: number }
  'bench-under': { underMm: number }
  'bench-table-saw': Record<string, never>
  'bench-under-usual': Record<string, never>
}
export interface DepthReasons {
  'bench-rip': { parts: number }
  'bench-clamps': Record<string, never>
}

/** A bench of no given length, mm. Product decision: what a person works along without walking. */
export const USUAL_LENGTH = inches(72)
/** Above the tallest thing on a shelf under a top, to draw it out, mm. Product decision. */
export const PLAY_ABOVE = inches(1)
/** A usual depth, mm: half of a sheet is within reach. */
const USUAL_DEPTH = inches(24)
/** For the jaws of clamps, mm. Product decision. */
const OVERHANG = inches(3 / 4)

/**
 * Height of a worktop from that of the elbow, mm: E. Grandjean, Fitting the Task to the Man, 5 to 10 cm above it for
 * fine work, 10 to 15 below for light and 15 to 40 below for heavy work; the middle of each.
 */
const FROM_ELBOW: Record<'fine' | 'general' | 'heavy', number> = { fine: 50, general: -125, heavy: -225 }
/** A top that takes what comes off a machine is this much lower than its table, mm: nothing catches. */
const UNDER_TABLE_MM = 2
/** A usual saw table, and what is usually rolled under, mm. */
const USUAL_TABLE = inches(34)
const USUAL_UNDER = inches(30)

/** What is fixed of it stands in the parameters under these names, where the pen finds it. */
interface Followed {
  heightFrom: HeightFrom
}

/** The height from what it follows. @param underTopMm top and frame together */
export function benchHeight(p: Followed, ctx: ShapeContext, pen: DimPen, underTopMm: number): number {
  const units = unitsOf(ctx.settings)
  const at = { path: 'heightMm', code: 'bench-height', min: 350, max: 1500 }
  if (p.heightFrom === 'machine') {
    const machineMm = pen.length({ path: 'machineMm', code: 'machine-table', min: 300, max: 1400 }, USUAL_TABLE, {
      code: 'bench-table-saw',
      terms: [],
    })
    return pen.length(at, machineMm - UNDER_TABLE_MM, { code: 'bench-machine', terms: [], data: { machineMm } })
  }
  if (p.heightFrom === 'under') {
    const underMm = pen.length({ path: 'underMm', code: 'goes-under', min: 100, max: 1300 }, USUAL_UNDER, {
      code: 'bench-under-usual',
      terms: [],
    })
    return pen.length(at, roundUp(underMm + underTopMm, units), { code: 'bench-under', terms: [], data: { underMm } })
  }
  const elbow = BODY.elbow * ctx.settings.personMm
  const mm = roundNearest(elbow + FROM_ELBOW[p.heightFrom], units)
  const data = { work: p.heightFrom, personMm: ctx.settings.personMm }
  return pen.length(at, mm, { code: 'bench-work', terms: [], data })
}

/** Depth of a top, a share of its sheet, and how far it stands out before what is under it; refused where no sheet is as deep. */
export function benchDepth(
  ctx: ShapeContext,
  pen: DimPen,
  top: Sheet,
  overhang: { code: string },
): Result<{ depthMm: number; overhangMm: number }> {
  const rip = economicalRip(top, ctx.settings, USUAL_DEPTH - inches(0.5), ctx.space.depthMm)
  const depthMm = pen.length({ path: 'depthMm', code: 'bench-depth', min: 300, max: 1250 }, rip?.mm ?? USUAL_DEPTH, {
    code: 'bench-rip',
    terms: [],
    data: { parts: rip?.n ?? 1 },
  })
  const mostMm = top.widthMm - 2 * ctx.settings.sheetTrimMm
  if (depthMm > mostMm) return bad('deeper-than-sheet', { mm: depthMm, mostMm }, 'depthMm')
  const overhangMm = pen.length({ path: 'overhangMm', ...overhang, min: 0, max: 150 }, OVERHANG, {
    code: 'bench-clamps',
    terms: [],
  })
  return good({ depthMm, overhangMm })
}
