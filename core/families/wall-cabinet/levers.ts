import type { Lever, ShapeContext } from '../family.ts'
import { leverPen, lighterSheets, narrowerBays, stifferSheets, strengthPen } from '../levers.ts'
import { SCREWS, type WallCabinetParams } from './parameters.ts'

export interface LeverData {
  'hang-by-rail': object
  'hang-by-strip': object
  'in-rabbets': object
}

const THICKER: Record<string, string[]> = {
  '1x3': ['1x4', '2x4'],
  '1x4': ['1x6', '2x4'],
  '1x6': ['2x3', '2x4'],
  '2x3': ['2x4'],
  '18x69mm': ['18x94mm', '38x63mm', '38x89mm'],
  '18x94mm': ['38x63mm', '38x89mm'],
  '38x63mm': ['38x89mm'],
}

/** Ways in which a wall cabinet can be changed when something does not hold or fit; one change each. */
export function wallCabinetLevers(p: WallCabinetParams, ctx: ShapeContext): Lever<WallCabinetParams>[] {
  const { out, add } = strengthPen(p)
  if (p.hang !== 'rail') add('hang-by-rail', { hang: 'rail' })
  else add('hang-by-strip', { hang: 'strip' })
  if (p.front !== 'open' && p.front !== 'curtain') add('no-doors', { front: 'open' })
  if (p.front === 'deep-doors' || p.front === 'lift-up') add('flat-doors', { front: 'doors' })
  if (p.shelfHold === 'pins') add('dado', { shelfHold: 'dado' })
  if (p.shelfHold === 'butt') add('dado', { shelfHold: 'dado' })
  if (p.corner === 'butt') add('in-rabbets', { corner: 'rabbet' })
  if (p.railScrews === 'two') add('rail-screws', { railScrews: 'three' }, { count: 3 })
  const more = { two: ['three', 'four', 'five'], three: ['four', 'five'], four: ['five'], five: [] } as const
  for (const wallScrews of more[p.wallScrews]) add('wall-screws', { wallScrews }, { count: SCREWS[wallScrews] })
  for (const section of THICKER[p.railSection] ?? []) add('hang-rail', { railSection: section }, { section })
  for (const s of stifferSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of narrowerBays(p.clearMm, ctx)) add('narrower', { clearMm: mm }, { mm })
  if (p.bays === null) for (const bays of [1, 2, 3]) add('openings', { bays }, { count: bays })
  // One wide enough for two studs may sag where two narrow ones reach as far.
  if (p.bays === null)
    for (const mm of narrowerBays(p.clearMm ?? Infinity, ctx).slice(0, 2))
      add('narrow-openings', { bays: 2, clearMm: mm }, { count: 2, mm })
  return out
}

/** Ways to spend less on a wall cabinet that is stronger than it need be. */
export function wallCabinetSavers(p: WallCabinetParams): Lever<WallCabinetParams>[] {
  const { out, add } = leverPen(p)
  for (const s of lighterSheets(p.sheet, 11)) add('sheet', { sheet: s.id }, { sheet: s.id })
  return out
}
