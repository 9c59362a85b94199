import { unitsOf } from '../../assembly/settings.ts'
import { armTopMm, BEHIND_MM, BESIDE_MM, type ArmSize } from '../../blocks/arms/arm.ts'
import { runOnStuds } from '../../blocks/mounts/pieces-on-studs.ts'
import type { Covered } from '../../blocks/mounts/wall-fixing.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findTube } from '../../catalogue/steel.ts'
import { barOf, hangsByBar, type Goods } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundNearest, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { byUse } from '../by-use.ts'
import { longestBoard } from '../boards-of.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { LIMITS, type HangingArmsParams } from './parameters.ts'

export interface ReasonData {
  'apart-straight': { straightMm: number }
  'pair-foot': object
  'arms-past-bar': { deepMm: number }
  'rows-wall': { things: number; columns: number }
  'hung-off-floor': object
  'hung-beside': object
  'hung-lift': object
}
export interface ProblemData {
  'nothing-by-bar': object
  'hung-past-wall': { mm: number; haveMm: number }
  'hung-too-high': { mm: number; mostMm: number }
  'hung-too-deep': { mm: number; mostMm: number }
  'pair-past-bar': { mm: number; mostMm: number }
  'arm-short-of-bar': { mm: number; leastMm: number }
  'arm-thick-in-upright': { mm: number; mostMm: number }
  'hung-rail-misses-studs': { count: number; from: number }
  'hung-rail-not-spliced': { mostMm: number }
}

/** Arms of a pair; room to reach between neighbours, and over a bar to lift it off. Builders' usual. */
const USUAL_APART = inches(12)
const USUAL_BESIDE = inches(6)
const USUAL_LIFT = inches(4)
/** Swept and walked under; where two rows need the height, less. mm */
const USUAL_LOWEST = inches(12)
const LEAST_LOWEST = inches(2)
/** The straight of a bar goes past both its arms by this, mm. Product decision. */
const PAST_BAR_MM = 40
/** Handle bars clear the uprights by this, and arms reach past the bar by that, mm. Product decisions. */
const CLEAR_MM = 20
const PAST_END_MM = 60
/** Less and the bar slides off, mm. */
const LEAST_PAST_MM = 20
/** Uprights reach past the outer arms by this; one is at least so long: else its screws are pried out. mm */
const PAST_MM = 130
const LEAST_LONG_MM = 600
/** Rails from the ends of the uprights, and from each other at most, mm. Product decisions. */
const RAIL_IN_MM = 20
const RAILS_APART_MM = 1200

/** Beside an upright a screw is driven with this room, mm. Product decision. */
const DRIVER_MM = 15

/** A thing at its pair of arms. */
export interface HungOne {
  item: Goods
  row: number
  column: number
}
export interface Plan {
  rail: Section
  /** Across the wall and out from it, of an upright. */
  wideMm: number
  deepMm: number
  arm: ArmSize
  /** Out from the face of the uprights. */
  barOutMm: number
  apartMm: number
  /** Middles of the pairs. */
  columns: number[]
  /** Where uprights keep a screw from being driven through the rail behind them. */
  covered: Covered
  /** Underside of the bars, and where the arms for them come out of the uprights. */
  barsMm: number[]
  armsMm: number[]
  upright: Stretch
  rails: number[]
  pieces: Stretch[]
  widestMm: number
  belowMm: number
  overMm: number
  hung: HungOne[]
}

export function planOut(
  p: HangingArmsParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const units = unitsOf(ctx.settings)
  const [ours, others] = [true, false].map((is) => ctx.goods.filter((g) => hangsByBar(g.item) === is))
  const items = ours.map((g) => g.item)
  const count = ours.reduce((n, g) => n + g.count, 0)
  if (count === 0) return bad('nothing-by-bar')
  const [upright, rail] = [findSection(p.uprightSection)!, findSection(p.railSection)!]
  const [wideMm, deepMm] = [upright.thicknessMm, upright.widthMm]
  const diameterMm = findTube(p.tube)!.outerMm
  if (diameterMm > wideMm - 2 * BESIDE_MM)
    return bad('arm-thick-in-upright', { mm: diameterMm, mostMm: wideMm - 2 * BESIDE_MM }, 'tube')

  const most = (of: (g: Goods) => number) => Math.max(...items.map(of))
  const [widestMm, deepest, belowMm] = [most((g) => g.acrossMm), most((g) => g.deepMm), most((g) => barOf(g).belowMm)]
  const overBar = most((g) => g.tallMm - barOf(g).belowMm)
  const straight = Math.min(...items.map((g) => barOf(g).straightMm))
  const byBar = roundDown(straight - 2 * PAST_BAR_MM, units)
  const apartMm = pen.length(
    { path: 'apartMm', code: 'pair-apart', min: 150, max: 900 },
    Math.min(USUAL_APART, byBar),
    byBar < USUAL_APART
      ? { code: 'apart-straight', terms: [], data: { straightMm: straight } }
      : { code: 'pair-foot', terms: [] },
  )
  if (apartMm > byBar || apartMm < wideMm) return bad('pair-past-bar', { mm: apartMm, mostMm: byBar }, 'apartMm')

  const barOutMm = CLEAR_MM + deepest / 2
  const outMm = pen.length(
    { path: 'armMm', code: 'pair-arms', min: 100, max: 700 },
    roundUp(barOutMm + PAST_END_MM, units),
    { code: 'arms-past-bar', terms: [], data: { deepMm: deepest } },
  )
  if (outMm < barOutMm + LEAST_PAST_MM)
    return bad('arm-short-of-bar', { mm: outMm, leastMm: barOutMm + LEAST_PAST_MM }, 'armMm')
  const reachesMm = rail.thicknessMm + deepMm + Math.max(outMm, CLEAR_MM + deepest)
  if (reachesMm > ctx.space.depthMm) return bad('hung-too-deep', { mm: reachesMm, mostMm: ctx.space.depthMm }, 'armMm')

  const besideMm = pen.length(
    { path: 'besideMm', code: 'hung-beside', min: 0, max: 600 },
    roundNearest(USUAL_BESIDE, units),
    { code: 'hung-beside', terms: [] },
  )
  const overMm = pen.length(
    { path: 'abovePlayMm', code: 'above-play', min: 40, max: 400 },
    roundNearest(USUAL_LIFT, units),
    { code: 'hung-lift', terms: [] },
  )
  const side = Math.min(LIMITS.columns, Math.floor((ctx.space.lengthMm + besideMm) / (widestMm + besideMm) + 1e-9))
  if (side < 1) return bad('hung-past-wall', { mm: widestMm, haveMm: ctx.space.lengthMm })
  const riseMm = belowMm + overBar + overMm
  const goUp = (from: number) => Math.floor((ctx.space.heightMm - from) / riseMm + 1e-9)
  const rows = pen.count(
    { path: 'rows', code: 'hung-rows', min: 1, max: LIMITS.rows },
    Math.max(1, Math.min(LIMITS.rows, goUp(LEAST_LOWEST), Math.ceil(count / side))),
    { code: 'rows-wall', terms: [], data: { things: count, columns: side } },
  )
  const room = ctx.space.heightMm - rows * riseMm
  const lowestMm = pen.length(
    { path: 'lowestMm', code: 'hung-lowest', min: 40, max: 1800 },
    roundDown(Math.max(LEAST_LOWEST, Math.min(USUAL_LOWEST, room)), units),
    { code: 'hung-off-floor', terms: [] },
  )
  if (lowestMm > room + 1e-6)
    return bad('hung-too-high', { mm: lowestMm + rows * riseMm, mostMm: ctx.space.heightMm }, 'rows')

  const columns = Math.min(side, Math.ceil(count / rows))
  const lengthMm = columns * widestMm + (columns - 1) * besideMm
  const longest = longestBoard(ctx, p.railSection)
  const middles = Array.from({ length: columns }, (_, k) => widestMm / 2 + k * (widestMm + besideMm))
  const covered = {
    middles: middles.flatMap((x) => [x - apartMm / 2, x + apartMm / 2]),
    halfMm: wideMm / 2 + DRIVER_MM,
  }
  const run = runOnStuds(ctx.space, lengthMm, longest, { round: (mm) => roundUp(mm, units), covered })
  if (!run) return bad('hung-rail-not-spliced', { mostMm: longest })
  if (run.poor) return bad('hung-rail-misses-studs', run.poor)

  const barsMm = Array.from({ length: rows }, (_, i) => lowestMm + belowMm + i * riseMm)
  const armsMm = barsMm.map((z) => z - armTopMm(barOutMm, diameterMm))
  const stretch = stretchOf(armsMm, ctx.space.heightMm)
  // What is wanted daily and what is heavy hangs lowest, row by row from the left.
  const { first, left } = byUse(ours, rows * columns)
  return good({
    unhoused: [
      ...others.map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-bar' })),
      ...[...left].map(([goodsId, n]) => ({ goodsId, count: n, why: 'no-place' })),
    ],
    plan: {
      rail,
      wideMm,
      deepMm,
      arm: { diameterMm, depthMm: deepMm - BEHIND_MM, outMm },
      barOutMm,
      apartMm,
      columns: middles,
      covered,
      barsMm,
      armsMm,
      upright: stretch,
      rails: railsOf(stretch, rail),
      pieces: run.pieces,
      widestMm,
      belowMm,
      overMm: overBar + overMm,
      hung: first.map((item, i) => ({ item, row: Math.floor(i / columns), column: i % columns })),
    },
  })
}

/** From where to where an upright goes for its arms. */
function stretchOf(arms: readonly number[], mostMm: number): Stretch {
  const [low, high] = [arms[0], arms[arms.length - 1]]
  const past = Math.max(PAST_MM, (LEAST_LONG_MM - (high - low)) / 2)
  return { from: Math.max(0, low - past), to: Math.min(mostMm, high + past) }
}

/** Middles of the rails behind it: near both its ends, and between where those are far apart. */
function railsOf({ from, to }: Stretch, { widthMm }: Section): number[] {
  const [low, high] = [from + RAIL_IN_MM + widthMm / 2, to - RAIL_IN_MM - widthMm / 2]
  const spans = Math.max(1, Math.ceil((high - low) / RAILS_APART_MM))
  return Array.from({ length: spans + 1 }, (_, i) => low + ((high - low) * i) / spans)
}
