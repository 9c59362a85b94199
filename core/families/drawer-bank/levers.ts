import type { Lever } from '../family.ts'
import { leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import { LIMITS, type DrawerBankParams } from './parameters.ts'

export interface LeverData {
  'bank-bottom': { sheet: string }
  'bank-sides': { sheet: string }
  'bank-box': { sheet: string }
  'bank-narrower': { mm: number }
  'bank-wider': { mm: number }
  'bank-columns': { count: number }
  'bank-slides': Record<string, never>
  'bank-grooves': Record<string, never>
}

/** Runner bottoms no thicker than this run in grooves of a usual board, mm. */
const THICKEST_BOTTOM_MM = 13
const THICKEST_SIDE_MM = 16
/** Clear widths that are tried, mm. */
const WIDTHS = [250, 300, 400, 500, 600]

/** Ways in which a bank of drawers can be changed when something does not hold, fit or clear; one change each. */
export function drawerBankLevers(p: DrawerBankParams): Lever<DrawerBankParams>[] {
  const { out, add } = strengthPen(p)
  if (!p.tie) add('add-tie', { tie: true })
  if (p.runs === 'grooves' && p.drawers.every((x) => x.make !== 'tray')) add('bank-slides', { runs: 'slides' })
  for (const s of stifferSheets(p.bottomSheet))
    if (s.thicknessMm <= THICKEST_BOTTOM_MM) add('bank-bottom', { bottomSheet: s.id }, { sheet: s.id })
  for (const s of stifferSheets(p.drawerSheet))
    if (s.thicknessMm <= THICKEST_SIDE_MM) add('bank-sides', { drawerSheet: s.id }, { sheet: s.id })
  for (const s of stifferSheets(p.sheet)) add('bank-box', { sheet: s.id }, { sheet: s.id })
  for (const mm of WIDTHS) if (mm < (p.clearMm ?? Infinity)) add('bank-narrower', { clearMm: mm }, { mm })
  for (let count = (p.columns ?? 1) + 1; count <= Math.min(LIMITS.columns, (p.columns ?? 1) + 2); count++)
    add('bank-columns', { columns: count }, { count })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function drawerBankSavers(p: DrawerBankParams): Lever<DrawerBankParams>[] {
  const { out, add } = leverPen(p)
  if (p.runs === 'slides') add('bank-grooves', { runs: 'grooves' })
  for (const s of lighterSheets(p.bottomSheet, 5)) add('bank-bottom', { bottomSheet: s.id }, { sheet: s.id })
  for (const s of lighterSheets(p.drawerSheet, 8)) add('bank-sides', { drawerSheet: s.id }, { sheet: s.id })
  for (const s of lighterSheets(p.sheet, 14)) add('bank-box', { sheet: s.id }, { sheet: s.id })
  for (const mm of WIDTHS) if (mm > (p.clearMm ?? Infinity)) add('bank-wider', { clearMm: mm }, { mm })
  return out
}
