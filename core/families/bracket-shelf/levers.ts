import { findSection } from '../../catalogue/lumber.ts'
import { findSheet, SHEETS } from '../../catalogue/sheets.ts'
import type { Lever, ShapeContext } from '../family.ts'
import { leverPen, lighterSheets, narrowerBays, stifferSheets, strengthPen } from '../levers.ts'
import { pairKind, SCREWS, type BracketShelfParams } from './parameters.ts'

export interface LeverData {
  'leg-screws': { count: number }
  'corner-screws': { count: number }
  'pair-screws': { count: number; bracket: string }
  'end-on-bracket': object
  'brackets-below': object
  bracket: { bracket: string }
  'frame-whole': object
  'frame-ripped': object
  'frame-section': { section: string }
  'brackets-closer': { mm: number }
  'brackets-apart': { mm: number }
}

type Screws = BracketShelfParams['wallScrews']
const more = (now: Screws): Screws[] =>
  (['two', 'three', 'four', 'five'] as const).filter((n) => SCREWS[n] > SCREWS[now])

const KNEES: Record<string, string> = { '1x2': '1x3', '1x3': '1x4', '18x44mm': '18x69mm', '18x69mm': '18x94mm' }
const FRAMES: Record<string, string> = { '2x3': '2x4', '2x4': '2x6', '38x63mm': '38x89mm', '38x89mm': '47x100mm' }
/** Plywood of the same system a gusset can be made of instead, thicker than it is. */
const thickerPlates = (id: string) => {
  const now = findSheet(id)!
  return SHEETS.filter(
    (s) => s.system === now.system && s.kind === 'plywood' && s.thicknessMm > now.thicknessMm && s.thicknessMm < 20,
  )
}

/** Ways in which a bracket shelf can be changed when something does not hold or fit; one change each. */
export function bracketShelfLevers(p: BracketShelfParams, ctx: ShapeContext): Lever<BracketShelfParams>[] {
  const { out, add } = strengthPen(p)
  for (const wallScrews of more(p.wallScrews)) add('leg-screws', { wallScrews }, { count: SCREWS[wallScrews] })
  if (p.end === 'hung') add('end-on-bracket', { end: 'bracket' })
  if (p.cornerScrews === 'two') add('corner-screws', { cornerScrews: 'three' }, { count: 3 })
  if (p.cornerScrews === 'one') add('corner-screws', { cornerScrews: 'two' }, { count: 2 })
  for (const n of more(p.pairScrews))
    if (n !== 'five') add('pair-screws', { pairScrews: n }, { count: SCREWS[n], bracket: pairKind(p) })
  const kind = pairKind(p)
  if (p.stand === 'above') add('brackets-below', { stand: 'below' })
  else add('bracket', { bracket: kind === 'gusset' ? 'knee' : 'gusset' }, { bracket: kind })
  if (kind === 'gusset')
    for (const s of thickerPlates(p.gussetSheet)) add('gusset', { gussetSheet: s.id }, { sheet: s.id })
  else if (KNEES[p.kneeSection]) add('knee', { kneeSection: KNEES[p.kneeSection] }, { section: KNEES[p.kneeSection] })
  if (p.frame === 'ripped') add('frame-whole', { frame: 'whole' })
  else add('frame-ripped', { frame: 'ripped' })
  const section = FRAMES[p.frameSection]
  if (findSection(section ?? '')) add('frame-section', { frameSection: section }, { section })
  for (const s of stifferSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of narrowerBays(p.apartMm, ctx)) add('brackets-closer', { apartMm: mm }, { mm })
  return out
}

/** Ways to spend less on a bracket shelf that is stronger than it need be. */
export function bracketShelfSavers(p: BracketShelfParams, ctx: ShapeContext): Lever<BracketShelfParams>[] {
  const { out, add } = leverPen(p)
  for (const s of lighterSheets(p.sheet, 11)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.frame === 'whole') add('frame-ripped', { frame: 'ripped' })
  const wider = ctx.space.lengthMm > WIDER_MM ? WIDER_MM : null
  if (p.apartMm === null && wider !== null) add('brackets-apart', { apartMm: wider }, { mm: wider })
  return out
}
/** Every third stud, 24 and 16 in walls alike: brackets are tried this far apart, mm. */
const WIDER_MM = 1200
