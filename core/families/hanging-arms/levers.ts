import type { Lever, ShapeContext } from '../family.ts'
import { thickerTubes, thinnerTubes } from '../arms.ts'
import { DEEPER, leverPen, strengthPen } from '../levers.ts'
import { UPRIGHT_SCREWS, type HangingArmsParams } from './parameters.ts'

export interface LeverData {
  'pair-rails': { section: string }
  'pair-uprights': { section: string }
  'pair-fixed': { count: number }
  'rail-in-stud': object
  'pair-closer': { mm: number }
  'hung-one-row': object
  'hung-more-rows': { count: number }
}

/** Uprights whose holes are deeper, or that have more wood beside them. */
const BORED: Readonly<Record<string, string[]>> = {
  '2x4': ['4x4', '2x6'],
  '70x70mm': ['47x100mm', '47x150mm'],
  '47x100mm': ['47x150mm'],
}
/** Pairs that are tried, mm: what one arm takes does not change, what lies between studs does. */
const CLOSER = [203.2]

/** Ways in which hanging arms can be changed when something does not hold or fit; one change each. */
export function hangingArmsLevers(p: HangingArmsParams, ctx: ShapeContext): Lever<HangingArmsParams>[] {
  const pen = strengthPen(p)
  const { out, add } = pen
  thickerTubes(pen, p, ctx.settings.yard)
  if (p.uprightScrews === 'two') add('pair-fixed', { uprightScrews: 'three' }, { count: UPRIGHT_SCREWS.three })
  if (p.wallScrews === 'one') add('rail-in-stud', { wallScrews: 'two' })
  for (const section of BORED[p.uprightSection] ?? []) add('pair-uprights', { uprightSection: section }, { section })
  for (const section of DEEPER[p.railSection] ?? []) add('pair-rails', { railSection: section }, { section })
  for (const mm of CLOSER) if (mm < (p.apartMm ?? 305)) add('pair-closer', { apartMm: mm }, { mm })
  if ((p.rows ?? 1) > 1) add('hung-one-row', { rows: 1 })
  for (const count of [2, 3]) if (count > (p.rows ?? 1)) add('hung-more-rows', { rows: count }, { count })
  return out
}

/** Ways to spend less on some that are stronger than they need be. */
export function hangingArmsSavers(p: HangingArmsParams, ctx: ShapeContext): Lever<HangingArmsParams>[] {
  const pen = leverPen(p)
  thinnerTubes(pen, p, ctx.settings.yard)
  const slimmer = Object.entries(DEEPER).find(([, deeper]) => deeper[0] === p.railSection)?.[0]
  if (slimmer) pen.add('pair-rails', { railSection: slimmer }, { section: slimmer })
  if (p.uprightScrews === 'three') pen.add('pair-fixed', { uprightScrews: 'two' }, { count: UPRIGHT_SCREWS.two })
  if (p.wallScrews === 'two') pen.add('rail-in-stud', { wallScrews: 'one' })
  return pen.out
}
