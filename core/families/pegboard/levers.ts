import type { Lever } from '../family.ts'
import { leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import type { PegboardParams } from './parameters.ts'

export interface LeverData {
  'battens-in-stud': object
  'battens-closer': { mm: number }
  'panel-screws-closer': { mm: number }
  'peg-battens': { section: string }
  'peg-panel': { sheet: string }
}
const THICKER: Record<string, string> = { '1x2': '2x2', '2x2': '2x3', '18x44mm': '38x38mm', '38x38mm': '38x63mm' }
const CLOSER = [304.8, 203.2]
const SCREWS_CLOSER = [150, 100]

/** Ways in which a pegboard can be changed when something does not hold or fit; one change each. */
export function pegboardLevers(p: PegboardParams): Lever<PegboardParams>[] {
  const { out, add } = strengthPen(p)
  if (p.wallScrews === 'one') add('battens-in-stud', { wallScrews: 'two' })
  for (const mm of CLOSER) if (mm < (p.battenEveryMm ?? 406)) add('battens-closer', { battenEveryMm: mm }, { mm })
  for (const mm of SCREWS_CLOSER)
    if (mm < (p.panelScrewsMm ?? 203)) add('panel-screws-closer', { panelScrewsMm: mm }, { mm })
  const section = THICKER[p.battenSection]
  if (section) add('peg-battens', { battenSection: section }, { section })
  for (const s of stifferSheets(p.sheet))
    if (s.thicknessMm < MOST_THICK_MM) add('peg-panel', { sheet: s.id }, { sheet: s.id })
  return out
}
/** Hooks go through no thicker panel than this, mm. */
const MOST_THICK_MM = 13

/** Ways to spend less on one that is stronger than it need be. */
export function pegboardSavers(p: PegboardParams): Lever<PegboardParams>[] {
  const { out, add } = leverPen(p)
  const thinner = Object.entries(THICKER).find(([, b]) => b === p.battenSection)?.[0]
  if (thinner) add('peg-battens', { battenSection: thinner }, { section: thinner })
  for (const s of lighterSheets(p.sheet, 8)) add('peg-panel', { sheet: s.id }, { sheet: s.id })
  if (p.wallScrews === 'two') add('battens-in-stud', { wallScrews: 'one' })
  return out
}
