import type { Lever } from '../family.ts'
import { leverPen, lighterSheets, stifferSheets, strengthPen } from '../levers.ts'
import { LIMITS, type SlotRackParams } from './parameters.ts'

export interface LeverData {
  'slots-sheet': { sheet: string }
  'slots-divider': { sheet: string }
  'slots-narrower': { mm: number }
  'slots-wider': { mm: number }
  'slots-fewer': { count: number }
  'slots-less-spare': { pct: number }
  'slots-columns': { count: number }
  'slots-lower': { mm: number }
}
/** Dividers no thicker than this: they take the room of things, mm. */
const THICKEST_MM = 13
const WIDTHS = [300, 400, 500, 600]
const WIDER = [900, 1000]

/** Ways in which a slot rack can be changed when something does not hold, fit or clear; one change each. */
export function slotRackLevers(p: SlotRackParams): Lever<SlotRackParams>[] {
  const { out, add } = strengthPen(p)
  if (!p.tie) add('add-tie', { tie: true })
  for (const s of stifferSheets(p.sheet)) add('slots-sheet', { sheet: s.id }, { sheet: s.id })
  for (const s of stifferSheets(p.dividerSheet))
    if (s.thicknessMm <= THICKEST_MM) add('slots-divider', { dividerSheet: s.id }, { sheet: s.id })
  for (const mm of WIDTHS) if (mm < (p.clearMm ?? Infinity)) add('slots-narrower', { clearMm: mm }, { mm })
  for (const count of [10, 5, 2, 1])
    if (count < (p.perSlot ?? Infinity)) add('slots-fewer', { perSlot: count }, { count })
  for (const pct of [10, 0]) if (pct < (p.sparePct ?? 20)) add('slots-less-spare', { sparePct: pct }, { pct })
  for (const count of [1, 2, 3, 4])
    if (count !== p.columns && count <= LIMITS.columns) add('slots-columns', { columns: count }, { count })
  for (const mm of [150, 60]) if (mm < (p.baseMm ?? Infinity)) add('slots-lower', { baseMm: mm }, { mm })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function slotRackSavers(p: SlotRackParams): Lever<SlotRackParams>[] {
  const { out, add } = leverPen(p)
  for (const s of lighterSheets(p.sheet, 14)) add('slots-sheet', { sheet: s.id }, { sheet: s.id })
  for (const s of lighterSheets(p.dividerSheet, 5)) add('slots-divider', { dividerSheet: s.id }, { sheet: s.id })
  for (const mm of WIDER) if (mm > (p.clearMm ?? 762)) add('slots-wider', { clearMm: mm }, { mm })
  return out
}
