import type { Lever, ShapeContext } from '../family.ts'
import { leverPen, stifferSheets, strengthPen } from '../levers.ts'
import { WALL_SCREWS, type ReusedCabinetsParams } from './parameters.ts'

export interface LeverData {
  'cabinet-screws': { count: number }
  'cabinets-on-strips': object
  'cabinets-through': object
  'cabinets-strip': { section: string }
  'cabinets-strip-whole': object
  'cabinets-search': object
  'cabinets-lower': { mm: number }
  'worktop-thicker': { sheet: string }
  'worktop-support': { section: string }
  'worktop-spliced': object
  'cabinet-without': { cabinet: number }
}
const WIDER: Record<string, string[]> = { '2x4': ['2x6'], '38x89mm': ['47x150mm'] }
const DEEPER: Record<string, string[]> = {
  '2x2': ['2x3', '2x4'],
  '2x3': ['2x4'],
  '38x38mm': ['38x63mm'],
  '38x63mm': ['38x89mm'],
}
/** Lower by these is tried, mm. */
const LOWER = [100, 200, 300]
/** Upper edges that are lowered from when nobody fixed them, mm. */
const USUAL_TOP = 2100

/** Ways in which reused cabinets can be changed when something does not hold or fit; one change each. */
export function reusedCabinetsLevers(p: ReusedCabinetsParams, _ctx: ShapeContext): Lever<ReusedCabinetsParams>[] {
  const { out, add } = strengthPen(p)
  if (p.order === 'listed') add('cabinets-search', { order: 'search' })
  if (p.row === 'wall') hungLevers(p, add)
  else if (p.worktop !== 'none') {
    for (const s of stifferSheets(p.worktopSheet)) add('worktop-thicker', { worktopSheet: s.id }, { sheet: s.id })
    for (const section of DEEPER[p.supportSection] ?? [])
      add('worktop-support', { supportSection: section }, { section })
    if (p.worktop === 'one-length') add('worktop-spliced', { worktop: 'spliced' })
  }
  if (p.cabinets.length > 1)
    p.cabinets.forEach((_c, i) =>
      add('cabinet-without', { cabinets: p.cabinets.filter((_x, k) => k !== i) }, { cabinet: i + 1 }),
    )
  return out
}

function hungLevers(p: ReusedCabinetsParams, add: ReturnType<typeof strengthPen<ReusedCabinetsParams>>['add']) {
  for (const [wallScrews, count] of Object.entries(WALL_SCREWS))
    if (count > WALL_SCREWS[p.wallScrews])
      add('cabinet-screws', { wallScrews: wallScrews as ReusedCabinetsParams['wallScrews'] }, { count })
  if (p.hang === 'through') add('cabinets-on-strips', { hang: 'strip' })
  else {
    add('cabinets-through', { hang: 'through' })
    if (p.strip === 'ripped') add('cabinets-strip-whole', { strip: 'whole' })
    for (const section of WIDER[p.stripSection] ?? []) add('cabinets-strip', { stripSection: section }, { section })
  }
  for (const by of LOWER) {
    const mm = (p.topMm ?? USUAL_TOP) - by
    add('cabinets-lower', { topMm: mm }, { mm })
  }
}

/** Ways to spend less on what is stronger than it need be. */
export function reusedCabinetsSavers(p: ReusedCabinetsParams): Lever<ReusedCabinetsParams>[] {
  const { out, add } = leverPen(p)
  if (p.row === 'wall')
    for (const [wallScrews, count] of Object.entries(WALL_SCREWS))
      if (count < WALL_SCREWS[p.wallScrews])
        add('cabinet-screws', { wallScrews: wallScrews as ReusedCabinetsParams['wallScrews'] }, { count })
  return out
}
