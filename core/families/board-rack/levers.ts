import { TUBES } from '../../catalogue/steel.ts'
import type { Lever, ShapeContext } from '../family.ts'
import { leverPen, strengthPen } from '../levers.ts'
import type { BoardRackParams } from './parameters.ts'

export interface LeverData {
  'arm-tube': { section: string }
  'arms-tube': object
  'arms-dowel': object
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

const byStrength = (system: ShapeContext['settings']['yard']) =>
  TUBES.filter((t) => t.system === system).sort((a, b) => a.outerMm * a.wallMm - b.outerMm * b.wallMm)

/** Ways in which a board rack can be changed when something does not hold or fit; one change each. */
export function boardRackLevers(p: BoardRackParams, ctx: ShapeContext): Lever<BoardRackParams>[] {
  const { out, add } = strengthPen(p)
  const tubes = byStrength(ctx.settings.yard)
  if (p.arm === 'dowel') add('arms-tube', { arm: 'tube' })
  else
    for (const t of tubes.slice(tubes.findIndex((x) => x.id === p.tube) + 1))
      add('arm-tube', { tube: t.id }, { section: t.id })
  for (const mm of SHORTER) if (mm < (p.armMm ?? 305)) add('arms-shorter', { armMm: mm }, { mm })
  for (const count of MORE) if (count > (p.levels ?? 1)) add('more-levels', { levels: count }, { count })
  for (const mm of CLOSER) if (mm < (p.apartMm ?? 813)) add('uprights-closer', { apartMm: mm, uprights: null }, { mm })
  for (const section of DEEPER[p.uprightSection] ?? []) add('upright-section', { uprightSection: section }, { section })
  if (p.wallScrews === 'one') add('upright-screws', { wallScrews: 'two' })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function boardRackSavers(p: BoardRackParams, ctx: ShapeContext): Lever<BoardRackParams>[] {
  const { out, add } = leverPen(p)
  const tubes = byStrength(ctx.settings.yard)
  if (p.arm === 'tube') {
    for (const t of tubes.slice(
      0,
      Math.max(
        0,
        tubes.findIndex((x) => x.id === p.tube),
      ),
    ))
      add('arm-tube', { tube: t.id }, { section: t.id })
    add('arms-dowel', { arm: 'dowel' })
  }
  if (p.wallScrews === 'two') add('upright-screws', { wallScrews: 'one' })
  return out
}
