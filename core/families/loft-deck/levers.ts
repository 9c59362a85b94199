import type { Lever } from '../family.ts'
import { moreLedgerScrews } from '../ledger-screws.ts'
import { leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import type { LoftDeckParams } from './parameters.ts'

export interface LeverData {
  'loft-joists': { section: string }
  'joists-closer': { mm: number }
  'loft-rim': { section: string }
  'more-posts': { count: number }
  'loft-uprights': { section: string }
  'loft-shallower': { mm: number }
}
const DEEPER: Record<string, string[]> = {
  '2x4': ['2x6', '2x8'],
  '2x6': ['2x8', '2x10'],
  '2x8': ['2x10', '2x12'],
  '2x10': ['2x12'],
  '47x100mm': ['47x150mm', '47x200mm'],
  '47x150mm': ['47x200mm'],
}
const STOUTER: Record<string, string[]> = {
  '2x4': ['2x6', '4x4'],
  '2x6': ['4x4'],
  '38x89mm': ['47x100mm', '47x150mm'],
  '47x100mm': ['47x150mm'],
}
/** Distances of joists and depths of the deck that are tried, mm: 16 and 12 in; three and two feet. */
const CLOSER = [406.4, 304.8]
const SHALLOWER = [914.4, 609.6]

/** Ways in which a loft deck can be changed when something does not hold or fit; one change each. */
export function loftDeckLevers(p: LoftDeckParams): Lever<LoftDeckParams>[] {
  const { out, add } = strengthPen(p)
  for (const section of DEEPER[p.joistSection] ?? []) add('loft-joists', { joistSection: section }, { section })
  for (const section of DEEPER[p.rimSection] ?? []) add('loft-rim', { rimSection: section }, { section })
  for (const mm of CLOSER) if (mm < (p.joistEveryMm ?? 406.5)) add('joists-closer', { joistEveryMm: mm }, { mm })
  if (p.front === 'posts')
    for (const count of [3, 4, 5, 6]) if (count > (p.uprights ?? 2)) add('more-posts', { uprights: count }, { count })
  for (const section of STOUTER[p.uprightSection] ?? []) add('loft-uprights', { uprightSection: section }, { section })
  moreLedgerScrews(p, { add })
  for (const s of stifferSheets(p.sheet, 14)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of SHALLOWER) if (mm < (p.depthMm ?? 1220)) add('loft-shallower', { depthMm: mm }, { mm })
  return out
}

/** Ways to spend less on a loft deck that is stronger than it need be. */
export function loftDeckSavers(p: LoftDeckParams): Lever<LoftDeckParams>[] {
  const { out, add } = leverPen(p)
  for (const [light, heavy] of Object.entries(DEEPER)) {
    if (heavy[0] === p.joistSection) add('loft-joists', { joistSection: light }, { section: light })
    if (heavy[0] === p.rimSection && light >= p.joistSection) add('loft-rim', { rimSection: light }, { section: light })
  }
  for (const s of lighterSheets(p.sheet, 14)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if ((p.joistEveryMm ?? 406) < 600) add('joists-closer', { joistEveryMm: 600 }, { mm: 600 })
  return out
}
