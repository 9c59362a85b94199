import type { Lever } from '../family.ts'
import { DEEPER, leverPen, lighterSheets, stifferSheets, strengthPen, THICKER_BRACE } from '../levers.ts'
import { standingLevers } from '../stands-alone.ts'
import { LIMITS, type FloatingShelfRackParams } from './parameters.ts'

export interface LeverData {
  'floating-strips': { strips: string }
  'floating-cleat': { section: string }
  'floating-narrower': { mm: number }
  'floating-wider': { mm: number }
  'floating-bays': { count: number }
  'floating-cover': object
  'floating-plank': { section: string }
  'floating-bare': object
}
const THICKER: Record<string, string[]> = {
  '1x2': ['2x2'],
  '1x3': ['2x2'],
  '18x44mm': ['38x38mm'],
  '18x69mm': ['38x38mm'],
}
/** Thicker planks, or broader ones. */
const BROADER: Record<string, string[]> = {
  '2x4': ['2x6'],
  '2x6': ['2x8'],
  '38x89mm': ['47x100mm', '47x150mm'],
  '47x100mm': ['47x150mm'],
  '47x150mm': ['47x200mm'],
}
const WIDTHS = [500, 600, 750]
const WIDER = [900, 1000]

/** Ways in which such a rack can be changed when something does not hold, fit or clear; one change each. */
export function floatingShelfRackLevers(p: FloatingShelfRackParams): Lever<FloatingShelfRackParams>[] {
  const { out, add } = strengthPen(p)
  standingLevers(p, { add })
  if (p.cover === 'none') add('floating-cover', { cover: 'ends' }, {})
  if (p.top === 'planks') {
    for (const section of BROADER[p.plankSection] ?? []) add('floating-plank', { plankSection: section }, { section })
    add('floating-bare', { top: 'open' }, {})
  }
  if (p.ends === 'braced')
    for (const section of THICKER_BRACE[p.backSection] ?? []) add('back-section', { backSection: section }, { section })
  for (const strips of ['screwed', 'glued'] as const)
    if (strips !== p.strips && p.strips !== 'glued') add('floating-strips', { strips }, { strips })
  for (const s of stifferSheets(p.sheet)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const section of THICKER[p.cleatSection] ?? []) add('floating-cleat', { cleatSection: section }, { section })
  for (const section of DEEPER[p.postSection] ?? []) add('post-section', { postSection: section }, { section })
  for (const mm of WIDTHS) if (mm < (p.clearMm ?? Infinity)) add('floating-narrower', { clearMm: mm }, { mm })
  for (const count of [2, 3, 4])
    if (count > (p.bays ?? 1) && count <= LIMITS.bays) add('floating-bays', { bays: count }, { count })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function floatingShelfRackSavers(p: FloatingShelfRackParams): Lever<FloatingShelfRackParams>[] {
  const { out, add } = leverPen(p)
  if (p.feet === 'pinned') add('feet-standing', { feet: 'standing' })
  for (const s of lighterSheets(p.sheet, 8)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.strips !== 'none') add('floating-strips', { strips: 'none' }, { strips: 'none' })
  for (const [light, heavy] of Object.entries(DEEPER))
    if (heavy.includes(p.postSection)) add('post-section', { postSection: light }, { section: light })
  for (const mm of WIDER) if (mm > (p.clearMm ?? Infinity)) add('floating-wider', { clearMm: mm }, { mm })
  return out
}
