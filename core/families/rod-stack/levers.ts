import type { Lever, ShapeContext } from '../family.ts'
import { leverPen, lighterSheets, narrowerBays, rodsLike, stifferSheets, strengthPen } from '../levers.ts'
import type { RodStackParams } from './parameters.ts'

export interface LeverData {
  'thinner-rod': { section: string }
  'cross-section': { section: string }
}

const WIDER: Record<string, string> = {
  '2x4': '2x6',
  '2x6': '2x8',
  '38x89mm': '47x100mm',
  '47x100mm': '47x150mm',
  '47x150mm': '47x200mm',
}

/** Ways in which a stack on rods can be changed when something does not hold or fit; one change each. */
export function rodStackLevers(p: RodStackParams, ctx: ShapeContext): Lever<RodStackParams>[] {
  const { out, add } = strengthPen(p)
  if (p.front === 'doors' || p.front === 'lift-up') add('no-doors', { front: 'open' })
  if (p.front === 'lift-up') add('flat-doors', { front: 'doors' })
  for (const r of rodsLike(p.rod, true)) add('rod', { rod: r.id }, { section: r.id })
  const [cross, spreader] = [WIDER[p.crossSection], WIDER[p.spreaderSection]]
  if (cross) add('cross-section', { crossSection: cross }, { section: cross })
  if (spreader) add('spreader-section', { spreaderSection: spreader }, { section: spreader })
  for (const s of stifferSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of narrowerBays(p.clearMm, ctx)) add('narrower', { clearMm: mm }, { mm })
  return out
}

/** Ways to spend less on a stack that is stronger than it need be. */
export function rodStackSavers(p: RodStackParams): Lever<RodStackParams>[] {
  const { out, add } = leverPen(p)
  for (const s of lighterSheets(p.sheet, 11)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const r of rodsLike(p.rod, false)) add('thinner-rod', { rod: r.id }, { section: r.id })
  return out
}
