import type { Lever, ShapeContext } from '../family.ts'
import { drawerLevers, drawerSavers } from '../in-drawers.ts'
import { leverPen, lighterSheets, narrowerBays, stifferSheets, strengthPen } from '../levers.ts'
import { inches } from '../../measure/units.ts'
import type { ShelfUnitParams } from './parameters.ts'

export interface LeverData {
  'cleat-section': { section: string }
  'add-back': object
  wider: { mm: number }
  'no-strip': object
  'no-rear-strip': object
  'both-strips': { section: string }
}

const TALLER: Record<string, string[]> = {
  '1x2': ['1x3', '1x4', '2x3'],
  '1x3': ['1x4', '2x3'],
  '2x2': ['2x3'],
  '18x44mm': ['18x69mm', '18x94mm', '38x63mm'],
  '18x69mm': ['18x94mm', '38x63mm'],
  '38x38mm': ['38x63mm'],
}

/** Cleats thick enough for the points of their screws. */
const THICK: Record<string, string[]> = {
  '1x2': ['2x2'],
  '1x3': ['2x2'],
  '18x44mm': ['38x38mm'],
  '18x69mm': ['38x38mm'],
}

/** Ways in which a shelf unit can be made stronger; one change each. */
export function shelfUnitLevers(p: ShelfUnitParams, ctx: ShapeContext): Lever<ShelfUnitParams>[] {
  const { out, add } = strengthPen(p)
  if (p.raise === 'tilt') add('in-place', { raise: 'in-place' })
  if (p.hold === 'cleats') add('dado', { hold: 'dado' })
  for (const cleatSection of THICK[p.cleatSection] ?? [])
    if (p.hold === 'cleats') add('cleat-section', { cleatSection }, { section: cleatSection })
  if (p.front !== 'open' && p.front !== 'curtain') add('no-doors', { front: 'open' })
  if (p.front === 'deep-doors' || p.front === 'lift-up') add('flat-doors', { front: 'doors' })
  if (p.front === 'drawers') drawerLevers(p, add)
  if (!p.back) add('add-back', { back: true })
  if (!p.tie) add('add-tie', { tie: true })
  if (p.feet === 'standing' && ctx.space.floor === 'slab') add('pin-feet', { feet: 'pinned' })
  const taller = [p.stripSection, ...(TALLER[p.stripSection] ?? [])]
  for (const strip of ['screwed', 'glued'] as const)
    for (const stripSection of taller)
      if (p.strip === 'none' || strip !== p.strip || stripSection !== p.stripSection)
        if (!(p.strip === 'glued' && strip === 'screwed'))
          add('edge-strip', { strip, stripSection }, { strip, section: stripSection })
  if (!p.rearStrip)
    for (const stripSection of taller)
      add('both-strips', { strip: 'glued', stripSection, rearStrip: true }, { section: stripSection })
  for (const s of stifferSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of narrowerBays(p.clearMm, ctx)) add('narrower', { clearMm: mm }, { mm })
  return out
}

/** Ways to spend less on a shelf unit that is stronger than it need be. */
export function shelfUnitSavers(p: ShelfUnitParams, ctx: ShapeContext): Lever<ShelfUnitParams>[] {
  const { out, add } = leverPen(p)
  if (p.front === 'drawers') drawerSavers(p, add)
  for (const s of lighterSheets(p.sheet, 11)) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.strip !== 'none') add('no-strip', { strip: 'none', rearStrip: false })
  if (p.strip !== 'none' && p.rearStrip) add('no-rear-strip', { rearStrip: false })
  for (const inch of [36, 42, 48])
    if (inches(inch) > (p.clearMm ?? inches(30)) && inches(inch) < ctx.space.lengthMm)
      add('wider', { clearMm: inches(inch) }, { mm: inches(inch) })
  return out
}
