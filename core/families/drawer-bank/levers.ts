import type { Lever } from '../family.ts'
import { drawerLevers, drawerSavers } from '../in-drawers.ts'
import { leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import { LIMITS, type DrawerBankParams } from './parameters.ts'

export interface LeverData {
  'bank-box': { sheet: string }
  'bank-narrower': { mm: number }
  'bank-wider': { mm: number }
  'bank-columns': { count: number }
}

/** Clear widths that are tried, mm. */
const WIDTHS = [250, 300, 400, 500, 600]

/** Ways in which a bank of drawers can be changed when something does not hold, fit or clear; one change each. */
export function drawerBankLevers(p: DrawerBankParams): Lever<DrawerBankParams>[] {
  const { out, add } = strengthPen(p)
  if (!p.tie) add('add-tie', { tie: true })
  drawerLevers(
    p,
    add,
    p.drawers.every((x) => x.make !== 'tray'),
  )
  for (const s of stifferSheets(p.sheet)) add('bank-box', { sheet: s.id }, { sheet: s.id })
  for (const mm of WIDTHS) if (mm < (p.clearMm ?? Infinity)) add('bank-narrower', { clearMm: mm }, { mm })
  for (let count = (p.columns ?? 1) + 1; count <= Math.min(LIMITS.columns, (p.columns ?? 1) + 2); count++)
    add('bank-columns', { columns: count }, { count })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function drawerBankSavers(p: DrawerBankParams): Lever<DrawerBankParams>[] {
  const { out, add } = leverPen(p)
  drawerSavers(p, add)
  for (const s of lighterSheets(p.sheet, 14)) add('bank-box', { sheet: s.id }, { sheet: s.id })
  for (const mm of WIDTHS) if (mm > (p.clearMm ?? Infinity)) add('bank-wider', { clearMm: mm }, { mm })
  return out
}
