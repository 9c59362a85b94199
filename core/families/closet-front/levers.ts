import type { Lever, ShapeContext } from '../family.ts'
import { drawerLevers, drawerSavers } from '../in-drawers.ts'
import { leverPen, lighterSheets, narrowerBays, stifferSheets, strengthPen } from '../levers.ts'
import { isFramed, LIMITS, type ClosetFrontParams } from './parameters.ts'

export interface LeverData {
  'closet-school': { school: string }
  'closet-doors': Record<string, never>
  'closet-bays': { count: number }
  'closet-skin': { sheet: string }
  'closet-no-drawers': Record<string, never>
  'closet-no-face': Record<string, never>
}

/** Ways in which a closet can be changed when something does not hold or fit; one change each. */
export function closetFrontLevers(p: ClosetFrontParams, ctx: ShapeContext): Lever<ClosetFrontParams>[] {
  const { out, add } = strengthPen(p)
  if (!p.tie) add('add-tie', { tie: true })
  if (p.front === 'lift-up' || p.front === 'both') add('closet-doors', { front: 'doors' }, {})
  if (p.front === 'drawers') {
    drawerLevers(p, add)
    add('closet-no-drawers', { front: 'doors' }, {})
  }
  if (p.front !== 'open' && p.front !== 'curtain') add('no-doors', { front: 'open' })
  for (const school of ['boxes', 'shared'] as const) if (isFramed(p)) add('closet-school', { school }, { school })
  for (const s of stifferSheets(p.sheet, 14)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.school === 'frames')
    for (const s of stifferSheets(p.skinSheet)) add('closet-skin', { skinSheet: s.id }, { sheet: s.id })
  for (const mm of narrowerBays(p.clearMm, ctx)) add('narrower', { clearMm: mm }, { mm })
  const bays = p.bays ?? 2
  for (const count of [bays + 1, bays + 2]) if (count <= LIMITS.bays) add('closet-bays', { bays: count }, { count })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function closetFrontSavers(p: ClosetFrontParams): Lever<ClosetFrontParams>[] {
  const { out, add } = leverPen(p)
  for (const s of lighterSheets(p.sheet, 14)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.school === 'frames')
    for (const s of lighterSheets(p.skinSheet, 8)) add('closet-skin', { skinSheet: s.id }, { sheet: s.id })
  if (p.front === 'drawers') drawerSavers(p, add)
  if (p.face === 'frame') add('closet-no-face', { face: 'edges' }, {})
  for (const school of ['shared', 'boxes', 'frames'] as const)
    if (p.school !== school) add('closet-school', { school }, { school })
  return out
}
