import { findSheet, SHEETS } from '../../catalogue/sheets.ts'
import type { Lever, ShapeContext } from '../family.ts'
import { fixedPaths, withValue } from '../params.ts'
import { inches } from '../../measure/units.ts'
import type { ShelfUnitParams } from './parameters.ts'

const TALLER: Record<string, string[]> = { '1x2': ['1x3', '1x4', '2x3'], '1x3': ['1x4', '2x3'], '2x2': ['2x3'], '18x44mm': ['18x69mm', '18x94mm', '38x63mm'], '18x69mm': ['18x94mm', '38x63mm'], '38x38mm': ['38x63mm'] }

/** Ways in which a shelf unit can be made stronger; one change each. */
export function shelfUnitLevers(p: ShelfUnitParams, ctx: ShapeContext): Lever<ShelfUnitParams>[] {
  const out: Lever<ShelfUnitParams>[] = []
  const add = (code: string, change: Partial<ShelfUnitParams>, data?: Lever<ShelfUnitParams>['data']) => out.push({ code, params: { ...p, ...change }, ...(data ? { data } : {}) })
  for (const path of fixedPaths(p)) out.push({ code: 'let-go', data: { path }, params: withValue(p, path, null) })
  if (p.raise === 'tilt') add('in-place', { raise: 'in-place' })
  if (p.hold === 'cleats') add('dado', { hold: 'dado' })
  if (!p.back) add('add-back', { back: true })
  if (!p.tie) add('add-tie', { tie: true })
  const taller = [p.stripSection, ...(TALLER[p.stripSection] ?? [])]
  for (const strip of ['screwed', 'glued'] as const)
    for (const stripSection of taller)
      if (p.strip === 'none' || strip !== p.strip || stripSection !== p.stripSection) if (!(p.strip === 'glued' && strip === 'screwed')) add('edge-strip', { strip, stripSection }, { strip, section: stripSection })
  const now = findSheet(p.sheet)!
  for (const s of SHEETS) if (s.system === now.system && s.thicknessMm > 9 && s.ei.along > now.ei.along * 1.05) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const inch of [30, 24, 20, 16]) if (inches(inch) < (p.clearMm ?? inches(30)) && ctx.goods.every((g) => g.item.acrossMm + inches(1) <= inches(inch))) add('narrower', { clearMm: inches(inch) }, { mm: inches(inch) })
  return out
}

/** Ways to spend less on a shelf unit that is stronger than it need be. */
export function shelfUnitSavers(p: ShelfUnitParams, ctx: ShapeContext): Lever<ShelfUnitParams>[] {
  const out: Lever<ShelfUnitParams>[] = []
  const add = (code: string, change: Partial<ShelfUnitParams>, data?: Lever<ShelfUnitParams>['data']) => out.push({ code, params: { ...p, ...change }, ...(data ? { data } : {}) })
  const now = findSheet(p.sheet)!
  for (const s of SHEETS) if (s.system === now.system && s.thicknessMm > 11 && s.ei.along < now.ei.along * 0.95) add('sheet', { sheet: s.id }, { sheet: s.id })
  if (p.strip !== 'none') add('no-strip', { strip: 'none' })
  for (const inch of [36, 42, 48]) if (inches(inch) > (p.clearMm ?? inches(30)) && inches(inch) < ctx.space.lengthMm) add('wider', { clearMm: inches(inch) }, { mm: inches(inch) })
  return out
}
