import { unitsOf } from '../../assembly/settings.ts'
import { runOnStuds } from '../../blocks/mounts/pieces-on-studs.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { WHEEL_HOOK } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { hangsByWheel, type Goods } from '../../goods/goods.ts'
import { reachMm } from '../../goods/person.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundNearest, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { byUse } from '../by-use.ts'
import { longestBoard } from '../boards-of.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import type { Planned } from '../opened.ts'
import { LIMITS, type HookRailParams } from './parameters.ts'

export interface ReasonData {
  'hooks-things': { things: number; fit: number }
  'wheel-off-floor': object
  'wheel-in-reach': { reachMm: number }
  'wheels-beside': object
  'wheel-lift': object
}
export interface ProblemData {
  'nothing-by-wheel': object
  'wheels-past-wall': { mm: number; haveMm: number }
  'wheels-too-high': { mm: number; mostMm: number }
  'wheels-too-deep': { mm: number; mostMm: number }
  'wheel-rail-in-floor': { mm: number; leastMm: number }
  'wheel-rail-narrow': { mm: number; leastMm: number }
  'wheel-rail-misses-studs': { count: number; from: number }
  'wheel-rail-not-spliced': { mostMm: number }
}

/** Off the floor to sweep under; between handle bars; over a hook to lift a wheel off. Builders' usual. */
const USUAL_LOWEST = inches(6)
const LEAST_LOWEST = inches(2)
const USUAL_BESIDE = inches(2)
const USUAL_LIFT = inches(4)
/** Tyre and rim over the bend of a hook, mm: indicative, of tyres 25 to 60 mm thick on rims 20 mm high. */
export const OVER_BEND_MM = 60

/** A thing on its hook. */
export interface OnHook {
  item: Goods
  column: number
}
export interface Plan {
  rail: Section
  /** Bend of the hooks, which is the middle of the rail. */
  hookMm: number
  /** Of the hooks along the wall. */
  middles: number[]
  pieces: Stretch[]
  widestMm: number
  liftMm: number
  hung: OnHook[]
}

export function planOut(p: HookRailParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [ours, others] = [true, false].map((is) => ctx.goods.filter((g) => hangsByWheel(g.item) === is))
  const items = ours.map((g) => g.item)
  const things = ours.reduce((n, g) => n + g.count, 0)
  if (things === 0) return bad('nothing-by-wheel')
  const rail = findSection(p.railSection)!
  if (rail.widthMm < WHEEL_HOOK.highMm)
    return bad('wheel-rail-narrow', { mm: rail.widthMm, leastMm: WHEEL_HOOK.highMm }, 'railSection')

  const most = (of: (g: Goods) => number) => Math.max(...items.map(of))
  // Hooks have a width of their own, whatever hangs on them.
  const widestMm = Math.max(
    WHEEL_HOOK.wideMm,
    most((g) => g.deepMm),
  )
  const [longest, outMm] = [most((g) => g.acrossMm), most((g) => g.tallMm)]
  const reachesMm = rail.thicknessMm + Math.max(outMm, WHEEL_HOOK.outMm)
  if (reachesMm > ctx.space.depthMm) return bad('wheels-too-deep', { mm: reachesMm, mostMm: ctx.space.depthMm })

  const besideMm = pen.length(
    { path: 'besideMm', code: 'wheels-beside', min: 0, max: 600 },
    roundNearest(USUAL_BESIDE, units),
    { code: 'wheels-beside', terms: [] },
  )
  const liftMm = pen.length(
    { path: 'abovePlayMm', code: 'above-play', min: 40, max: 400 },
    roundNearest(USUAL_LIFT, units),
    { code: 'wheel-lift', terms: [] },
  )
  const fit = Math.min(LIMITS.hooks, Math.floor((ctx.space.lengthMm + besideMm) / (widestMm + besideMm) + 1e-9))
  if (fit < 1) return bad('wheels-past-wall', { mm: widestMm, haveMm: ctx.space.lengthMm })
  const hooks = pen.count({ path: 'hooks', code: 'wheel-hooks', min: 1, max: LIMITS.hooks }, Math.min(fit, things), {
    code: 'hooks-things',
    terms: [],
    data: { things, fit },
  })
  const lengthMm = hooks * widestMm + (hooks - 1) * besideMm
  if (lengthMm > ctx.space.lengthMm + 1e-6)
    return bad('wheels-past-wall', { mm: lengthMm, haveMm: ctx.space.lengthMm }, 'hooks')

  // A wheel is lifted onto its hook from the floor; what is long hangs lower for it.
  const reach = reachMm(ctx.settings.personMm)
  const inReach = reach - longest + OVER_BEND_MM
  const lowestMm = pen.length(
    { path: 'lowestMm', code: 'wheel-lowest', min: 40, max: 1200 },
    roundDown(Math.max(LEAST_LOWEST, Math.min(USUAL_LOWEST, inReach)), units),
    inReach < USUAL_LOWEST
      ? { code: 'wheel-in-reach', terms: [], data: { reachMm: reach } }
      : { code: 'wheel-off-floor', terms: [] },
  )
  const leastLong = OVER_BEND_MM + Math.max(rail.widthMm, WHEEL_HOOK.highMm) / 2
  if (lowestMm + longest < leastLong)
    return bad('wheel-rail-in-floor', { mm: lowestMm + longest, leastMm: leastLong }, 'lowestMm')
  const topMm = lowestMm + longest + liftMm
  if (topMm > ctx.space.heightMm) return bad('wheels-too-high', { mm: topMm, mostMm: ctx.space.heightMm }, 'lowestMm')

  const mostMm = longestBoard(ctx, p.railSection)
  const hookMm = lowestMm + longest - OVER_BEND_MM
  const band = { low: hookMm - rail.widthMm / 2, high: hookMm + rail.widthMm / 2, throughMm: rail.thicknessMm }
  // A short one goes on to the next stud.
  const run = runOnStuds(ctx.space, lengthMm, mostMm, { round: (mm) => roundUp(mm, units), bands: [band] })
  if (!run) return bad('wheel-rail-not-spliced', { mostMm })
  if (run.poor) return bad('wheel-rail-misses-studs', run.poor)

  const { first, left } = byUse(ours, hooks)
  return good({
    unhoused: [
      ...others.map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-wheel' })),
      ...[...left].map(([goodsId, n]) => ({ goodsId, count: n, why: 'no-place' })),
    ],
    plan: {
      rail,
      hookMm,
      middles: Array.from({ length: hooks }, (_, k) => widestMm / 2 + k * (widestMm + besideMm)),
      pieces: run.pieces,
      widestMm,
      liftMm,
      hung: first.map((item, column) => ({ item, column })),
    },
  })
}
