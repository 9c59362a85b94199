import type { Lever, ShapeContext } from '../family.ts'
import { leverPen, strengthPen, THICKER_BRACE } from '../levers.ts'
import type { ToteRackParams } from './parameters.ts'

export interface LeverData {
  'full-rails': object
  'thin-rail': { section: string }
  'stand-on-base': object
  'fewer-rows': { rows: number }
  'half-rails': object
}

const STRONGER: Record<string, string[]> = {
  '1x3': ['2x3', '2x4'],
  '1x4': ['2x4'],
  '2x2': ['2x3', '2x4'],
  '2x3': ['2x4', '2x6'],
  '2x4': ['2x6'],
  '18x69mm': ['38x63mm', '38x89mm'],
  '18x94mm': ['38x89mm'],
  '38x38mm': ['38x63mm', '38x89mm'],
  '38x63mm': ['38x89mm', '47x100mm'],
  '38x89mm': ['47x100mm'],
}
const THINNER: Record<string, string[]> = {
  '2x4': ['1x4'],
  '2x3': ['1x3'],
  '2x2': ['1x3'],
  '38x63mm': ['18x69mm'],
  '38x89mm': ['18x94mm'],
  '38x38mm': ['18x69mm'],
}

/** Ways in which a tote rack can be changed when something does not hold, fit or clear; one change each. */
export function toteRackLevers(p: ToteRackParams, ctx: ShapeContext): Lever<ToteRackParams>[] {
  const { out, add } = strengthPen(p)
  if (p.raise === 'tilt') add('in-place', { raise: 'in-place' })
  if (!p.brace) add('add-brace', { brace: true })
  if (!p.tie) add('add-tie', { tie: true })
  if (p.brace)
    for (const section of THICKER_BRACE[p.backSection] ?? []) add('back-section', { backSection: section }, { section })
  if (p.railRip === 'half') add('full-rails', { railRip: 'full' })
  for (const section of STRONGER[p.railSection] ?? []) add('rail-section', { railSection: section }, { section })
  for (const section of THINNER[p.railSection] ?? []) add('thin-rail', { railSection: section }, { section })
  for (const section of STRONGER[p.postSection] ?? []) add('post-section', { postSection: section }, { section })
  // The body must pass between the rails: a wider opening makes room for it, at the price of less rim on the rail.
  const tightest = ctx.goods.find((g) => g.item.tote !== null)
  if (p.carry === 'rim' && tightest) {
    for (const playMm of [9.525, 12.7, 19.05])
      if (playMm > (p.sidePlayMm ?? 0)) add('side-play', { sidePlayMm: playMm }, { playMm })
    add('stand-on-base', { carry: 'base' })
  }
  for (const rows of [-1, -2]) {
    const now = p.rows
    if (now !== null && now + rows >= 1) add('fewer-rows', { rows: now + rows }, { rows: now + rows })
  }
  if (p.rows === null) for (const rows of [2, 3, 4]) add('fewer-rows', { rows }, { rows })
  return out
}

const LIGHTER: Record<string, string[]> = {
  '2x6': ['2x4', '2x3'],
  '2x4': ['2x3', '2x2', '1x4'],
  '2x3': ['2x2', '1x3'],
  '47x100mm': ['38x89mm', '38x63mm'],
  '38x89mm': ['38x63mm', '38x38mm'],
  '38x63mm': ['38x38mm', '18x69mm'],
}

/** Ways to spend less on a tote rack that is stronger than it need be. */
export function toteRackSavers(p: ToteRackParams): Lever<ToteRackParams>[] {
  const { out, add } = leverPen(p)
  for (const section of LIGHTER[p.railSection] ?? []) add('rail-section', { railSection: section }, { section })
  if (p.railRip === 'full') add('half-rails', { railRip: 'half' })
  for (const section of LIGHTER[p.postSection] ?? [])
    if (!section.startsWith('1') && !/^2x2$|38x38/.test(section))
      add('post-section', { postSection: section }, { section })
  return out
}
