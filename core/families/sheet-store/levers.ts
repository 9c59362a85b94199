import type { Lever } from '../family.ts'
import { leverPen, strengthPen } from '../levers.ts'
import { LIMITS, type SheetStoreParams } from './parameters.ts'

export interface LeverData {
  'store-more-frames': { count: number }
  'store-section': { section: string }
  'store-tie': { section: string }
  'store-less-spare': { pct: number }
  'store-other-end': Record<string, never>
  'store-edge': { edge: string }
  'store-screws': { count: number }
}
const DEEPER: Record<string, string[]> = {
  '2x3': ['2x4', '2x6'],
  '2x4': ['2x6'],
  '38x63mm': ['38x89mm', '47x100mm'],
  '38x89mm': ['47x100mm'],
}
const TIES: Record<string, string[]> = { '2x3': ['2x4'], '38x63mm': ['38x89mm'] }

/** Ways in which a store of sheets can be changed when something does not hold, fit or clear; one change each. */
export function sheetStoreLevers(p: SheetStoreParams): Lever<SheetStoreParams>[] {
  const { out, add } = strengthPen(p)
  for (const count of [3, 4, 5])
    if (count > (p.frames ?? 3) && count <= LIMITS.frames) add('store-more-frames', { frames: count }, { count })
  for (const section of DEEPER[p.frameSection] ?? []) add('store-section', { frameSection: section }, { section })
  for (const section of TIES[p.backSection] ?? []) add('store-tie', { backSection: section }, { section })
  if (p.tieScrews === 'two') add('store-screws', { tieScrews: 'three' }, { count: 3 })
  for (const pct of [15, 0]) if (pct < (p.sparePct ?? 30)) add('store-less-spare', { sparePct: pct }, { pct })
  const edge = p.edge === 'long' ? 'short' : 'long'
  add('store-edge', { edge }, { edge })
  if (p.entry === 'right') add('store-other-end', { entry: 'left' }, {})
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function sheetStoreSavers(p: SheetStoreParams): Lever<SheetStoreParams>[] {
  const { out, add } = leverPen(p)
  for (const [light, heavy] of Object.entries(DEEPER))
    if (heavy.includes(p.frameSection)) add('store-section', { frameSection: light }, { section: light })
  for (const count of [3, 2]) if (count < (p.frames ?? 4)) add('store-more-frames', { frames: count }, { count })
  return out
}
