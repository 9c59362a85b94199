import type { Lever, ShapeContext } from '../family.ts'
import { drawerLevers, drawerSavers } from '../in-drawers.ts'
import { leverPen, lighterSheets, narrowerBays, stifferSheets, strengthPen } from '../levers.ts'
import type { BoxBenchParams } from './parameters.ts'

/** What is left of an overhang that is too much, mm. */
const LESS_OUT = 20

/** Ways in which it can be changed when something does not hold or fit; one change each. */
export function boxBenchLevers(p: BoxBenchParams, ctx: ShapeContext): Lever<BoxBenchParams>[] {
  const { out, add } = strengthPen(p)
  if (p.layers === 'one') add('two-layers', { layers: 'two' })
  if (!p.tie) add('add-tie', { tie: true })
  if (p.feet === 'standing' && ctx.space.floor === 'slab') add('pin-feet', { feet: 'pinned' })
  if (p.front === 'doors' || p.front === 'lift-up') add('no-doors', { front: 'open' })
  if (p.front === 'lift-up') add('flat-doors', { front: 'doors' })
  if (p.front === 'drawers') drawerLevers(p, add)
  for (const s of stifferSheets(p.topSheet)) add('worktop-sheet', { topSheet: s.id }, { sheet: s.id })
  for (const s of stifferSheets(p.sheet, 9)) add('sheet', { sheet: s.id }, { sheet: s.id })
  for (const mm of narrowerBays(p.clearMm, ctx)) add('narrower', { clearMm: mm }, { mm })
  for (const s of stifferSheets(p.backSheet, 5)) add('back-sheet', { backSheet: s.id }, { sheet: s.id })
  if ((p.overhangMm ?? Infinity) > LESS_OUT) add('less-overhang', { overhangMm: LESS_OUT }, { mm: LESS_OUT })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function boxBenchSavers(p: BoxBenchParams): Lever<BoxBenchParams>[] {
  const { out, add } = leverPen(p)
  if (p.front === 'drawers') drawerSavers(p, add)
  if (p.layers === 'two') add('one-layer', { layers: 'one' }, {})
  for (const s of lighterSheets(p.topSheet, 11)) add('worktop-sheet', { topSheet: s.id }, { sheet: s.id })
  for (const s of lighterSheets(p.sheet, 11)) add('sheet', { sheet: s.id }, { sheet: s.id })
  return out
}
