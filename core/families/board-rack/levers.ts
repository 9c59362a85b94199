import { cheaperArms, strongerArms } from '../arms.ts'
import type { Lever, ShapeContext } from '../family.ts'
import { leverPen, strengthPen } from '../levers.ts'
import type { BoardRackParams } from './parameters.ts'

export interface LeverData {
  'arms-shorter': { mm: number }
  'more-levels': { count: number }
  'uprights-closer': { mm: number }
  'upright-section': { section: string }
  'upright-screws': object
}

const DEEPER: Record<string, string[]> = { '2x4': ['4x4', '2x6'], '47x100mm': ['70x70mm', '47x150mm'] }
/** Arms and uprights that are tried, mm: three quarters and half a foot; one stud of 16 and of 24 in. */
const SHORTER = [228.6, 152.4]
const CLOSER = [609.6, 406.4]
/** Levels that are tried: what is on them is spread over more. */
const MORE = [2, 3, 4, 5, 6, 8]

/** Ways in which a board rack can be changed when something does not hold or fit; one change each. */
export function boardRackLevers(p: BoardRackParams, ctx: ShapeContext): Lever<BoardRackParams>[] {
  const pen = strengthPen(p)
  const { out, add } = pen
  strongerArms(pen, p, ctx.settings.yard)
  for (const mm of SHORTER) if (mm < (p.armMm ?? 305)) add('arms-shorter', { armMm: mm }, { mm })
  for (const count of MORE) if (count > (p.levels ?? 1)) add('more-levels', { levels: count }, { count })
  for (const mm of CLOSER) if (mm < (p.apartMm ?? 813)) add('uprights-closer', { apartMm: mm, uprights: null }, { mm })
  for (const section of DEEPER[p.uprightSection] ?? []) add('upright-section', { uprightSection: section }, { section })
  if (p.wallScrews === 'one') add('upright-screws', { wallScrews: 'two' })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function boardRackSavers(p: BoardRackParams, ctx: ShapeContext): Lever<BoardRackParams>[] {
  const pen = leverPen(p)
  cheaperArms(pen, p, ctx.settings.yard)
  if (p.wallScrews === 'two') pen.add('upright-screws', { wallScrews: 'one' })
  return pen.out
}
