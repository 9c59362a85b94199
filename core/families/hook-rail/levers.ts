import { WHEEL_HOOK } from '../../catalogue/hardware.ts'
import { findSection } from '../../catalogue/lumber.ts'
import type { Lever, ShapeContext } from '../family.ts'
import { DEEPER, leverPen, strengthPen } from '../levers.ts'
import type { HookRailParams } from './parameters.ts'

export interface LeverData {
  'wheel-rail': { section: string }
  'wheel-rail-in-stud': object
  'wheels-fewer': { count: number }
  'wheels-closer': { mm: number }
  'wheels-lower': { mm: number }
}

/** Nearer to each other handle bars are passed with care, or every second one hangs the other way up; mm. */
const CLOSER = [25, 0]
/** Nearer to the floor it is not swept, mm. */
const LOWER_MM = 60

/** Ways in which a hook rail can be changed when something does not hold or fit; one change each. */
export function hookRailLevers(p: HookRailParams, ctx: ShapeContext): Lever<HookRailParams>[] {
  const { out, add } = strengthPen(p)
  if (p.wallScrews === 'one') add('wheel-rail-in-stud', { wallScrews: 'two' })
  for (const section of DEEPER[p.railSection] ?? []) add('wheel-rail', { railSection: section }, { section })
  const hooks = p.hooks ?? ctx.goods.reduce((n, g) => n + g.count, 0)
  if (hooks > 1) add('wheels-fewer', { hooks: hooks - 1 }, { count: hooks - 1 })
  for (const mm of CLOSER) if ((p.besideMm ?? Infinity) > mm) add('wheels-closer', { besideMm: mm }, { mm })
  if ((p.lowestMm ?? Infinity) > LOWER_MM) add('wheels-lower', { lowestMm: LOWER_MM }, { mm: LOWER_MM })
  return out
}

/** Ways to spend less on one that is stronger than it need be. */
export function hookRailSavers(p: HookRailParams): Lever<HookRailParams>[] {
  const pen = leverPen(p)
  const slimmer = Object.entries(DEEPER).find(([, deeper]) => deeper.includes(p.railSection))?.[0]
  if (slimmer && findSection(slimmer)!.widthMm >= WHEEL_HOOK.highMm)
    pen.add('wheel-rail', { railSection: slimmer }, { section: slimmer })
  if (p.wallScrews === 'two') pen.add('wheel-rail-in-stud', { wallScrews: 'one' })
  return pen.out
}
