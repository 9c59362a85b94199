import { unitsOf } from '../../assembly/settings.ts'
import { laidOver, PAST_ARM_MM } from '../../blocks/arms/laid-over.ts'
import { BETWEEN_MM, stacked, type Stack } from '../../blocks/arms/stacking.ts'
import { cradlePlaces, type CradlePlaces } from '../../blocks/mounts/cradles.ts'
import { CROSS_END_MM, highestHung, joistsToHangFrom, type KnownJoists } from '../../blocks/mounts/on-rods.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findRod, ROD_LENGTHS, type Rod } from '../../catalogue/steel.ts'
import { isLong } from '../../goods/goods.ts'
import { onSide } from '../../goods/on-side.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { LIMITS, type CeilingCradlesParams } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'cradles-usual': { everyMm: number }
  'cradles-short': { shortestMm: number }
  'cradles-longest': { longestMm: number }
  'cradle-stacks': { things: number }
  'cradle-under-ceiling': { highMm: number }
  'cradle-lifted-over': object
}
export interface ProblemData {
  'cradles-none-long': object
  'cradle-in-ceiling': { mm: number; mostMm: number }
  'cradle-too-low': { mm: number; leastMm: number }
  'cradle-too-narrow': { mm: number; leastMm: number }
  'cradle-too-deep': { mm: number; mostMm: number }
  'cradles-past-wall': { mm: number; haveMm: number }
}

/** From one cradle to the next, middle to middle: builders' usual for boards, every third joist. */
export const USUAL_APART = inches(48)
/** What lies there is lifted over what is under it by this, mm. */
const LIFTED = inches(4)
/** So high stacks lie, or two of what is thicker, mm: two people lift them down one by one. Product decision. */
const [USUAL_STACK, HIGH_STACK] = [200, 400]
/** Room left under what hangs, mm: one ducks under it at least. Product decision. */
const LEAST_UNDER_MM = 1200
/** From the wall to the end of a bearer, mm: a nut is turned there. */
const FROM_WALL_MM = 20

export interface Plan {
  bearer: Section
  spreader: Section
  rod: Rod
  joists: KnownJoists
  places: CradlePlaces
  topMm: number
  /** Where things lie, out from the wall. */
  backMm: number
  clearMm: number
  longestMm: number
  /** Middles along the wall: of all, and of each thing by its id. */
  middleMm: number
  middles: ReadonlyMap<string, number>
  stacks: Stack[]
  aboveMm: number
}

export function planOut(
  p: CeilingCradlesParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const joists = joistsToHangFrom(ctx.space)
  if (!joists.ok) return joists
  const all = ctx.goods.filter((g) => isLong(g.item))
  if (all.length === 0) return bad('cradles-none-long')
  const long = all.filter((g) => g.item.acrossMm <= ctx.space.lengthMm)
  if (long.length === 0) {
    const mm = Math.min(...all.map((g) => g.item.acrossMm))
    return bad('cradles-past-wall', { mm, haveMm: ctx.space.lengthMm })
  }
  const [bearer, spreader] = [p.bearerSection, p.spreaderSection].map((s) => findSection(s)!)
  const rod = findRod(p.rod)!
  const row = rowOf(ctx, pen, { long, rod, joists: joists.value, p })
  if (!row.ok) return row
  const { places, middleMm, longestMm, placed, clearMm, backMm } = row.value
  const lying = row.value.long.filter((g) => placed.get(g.item.id) !== null)
  const laid = stacked(lying, stackMm(lying), clearMm, 1)
  const stacks = laid.levels[0]?.stacks ?? []
  const highMm = Math.max(0, ...stacks.map((s) => s.count * s.item.tallMm))
  const height = heightOf(ctx, pen, { bearer, rod, highMm })
  if (!height.ok) return height
  const without = (goodsId: string, count: number, why: string) => ({ goodsId, count, why })
  return good({
    unhoused: [
      ...ctx.goods.filter((g) => !isLong(g.item)).map((g) => without(g.item.id, g.count, 'not-long')),
      ...all.filter((g) => !long.includes(g)).map((g) => without(g.item.id, g.count, 'no-place')),
      ...row.value.long.filter((g) => !lying.includes(g)).map((g) => without(g.item.id, g.count, 'too-short-for-arms')),
      ...[...laid.left].map(([id, n]) => without(id, n, 'no-place')),
    ],
    plan: {
      ...{ bearer, spreader, rod, joists: joists.value, places, ...height.value },
      ...{ backMm, clearMm, longestMm, middleMm, stacks },
      middles: new Map([...placed].flatMap(([id, at]) => (at === null ? [] : [[id, at]]))),
    },
  })
}

/** On its long edge what hangs under the ceiling is no higher, mm: heads. Product decision. */
const MOST_ON_SIDE_MM = 600

/** Narrower than this they hold nothing, mm; and so many times they are tried narrower where there is no room. */
const [LEAST_CLEAR_MM, NARROWED] = [80, 4]

type Goods = ShapeContext['goods']
const stackMm = (goods: Goods): number =>
  Math.max(USUAL_STACK, ...goods.map(({ item: { tallMm } }) => Math.max(tallMm, Math.min(2 * tallMm, HIGH_STACK))))

/** So wide that all of it lies side by side in stacks; as wide as it may be where that is not enough. */
function wideFor(goods: Goods): number {
  const { levels } = stacked(goods, stackMm(goods), LIMITS.clearMm, 1)
  const last = levels[0]?.stacks.at(-1)
  return last ? last.outMm + last.item.deepMm + BETWEEN_MM : BETWEEN_MM
}

/** Cradles along the wall and out from it, and where over them each thing lies. */
function rowOf(
  ctx: ShapeContext,
  pen: DimPen,
  { long: flat, rod, joists, p }: { long: Goods; rod: Rod; joists: KnownJoists; p: CeilingCradlesParams },
): Result<
  Pick<Plan, 'places' | 'middleMm' | 'longestMm' | 'clearMm' | 'backMm'> & {
    /** As it lies. */
    long: Goods
    placed: Map<string, number | null>
  }
> {
  const lengths = flat.map((g) => g.item.acrossMm)
  const [longestMm, shortestMm] = [Math.max(...lengths), Math.min(...lengths)]
  // Beside a joist that is in the way one goes further along.
  const byShort = shortestMm - 2 * PAST_ARM_MM - (joists.run === 'out' ? joists.size.wideMm + 2 * rod.diameterMm : 0)
  const apartMm = pen.length(
    { path: 'apartMm', code: 'cradles-apart', min: 300, max: 2400 },
    Math.max(300, Math.min(USUAL_APART, roundDown(byShort, unitsOf(ctx.settings)))),
    byShort < USUAL_APART
      ? { code: 'cradles-short', terms: [], data: { shortestMm } }
      : { code: 'cradles-usual', terms: [], data: { everyMm: USUAL_APART } },
  )
  const most = Math.max(2, 1 + Math.floor((longestMm - 2 * PAST_ARM_MM) / apartMm + 1e-9))
  const count = pen.count(
    { path: 'cradles', code: 'cradles', min: 2, max: LIMITS.cradles },
    Math.min(most, LIMITS.cradles),
    { code: 'cradles-longest', terms: [], data: { longestMm } },
  )
  const reachMm = (count - 1) * apartMm
  const wantedMm = Math.max(longestMm, reachMm + 2 * PAST_ARM_MM)
  if (wantedMm > ctx.space.lengthMm)
    return bad('cradles-past-wall', { mm: wantedMm, haveMm: ctx.space.lengthMm }, 'cradles')
  // Along the wall two spreaders lie side by side, one over each row of rods.
  const leastMm = joists.run === 'out' ? findSection(p.spreaderSection)!.widthMm + BETWEEN_MM - rod.diameterMm : 0
  const units = unitsOf(ctx.settings)
  const first = (wantedMm - reachMm) / 2
  const placesFor = (mm: number) =>
    cradlePlaces(joists, rod, {
      xs: Array.from({ length: count }, (_, k) => first + k * apartMm),
      ...{ rearMm: FROM_WALL_MM + CROSS_END_MM, apartMm: mm + rod.diameterMm },
    })
  // As wide as all of it wants, as far as there is room.
  const roomFor = (goods: Goods) => {
    let mm = roundUp(Math.max(leastMm, wideFor(goods)), units)
    for (let i = 0; i < NARROWED; i++) {
      const tried = placesFor(mm)
      const past = tried.ok ? tried.value.ys[1] + CROSS_END_MM - ctx.space.depthMm : 0
      if (past <= 0) break
      mm = Math.max(leastMm, LEAST_CLEAR_MM, roundDown(mm - past, units))
    }
    return mm
  }
  // What is too wide for it flat lies on its long edge.
  const haveMm = p.clearMm ?? roomFor(flat)
  const isWide = ({ item }: Goods[number]) => item.deepMm + 2 * BETWEEN_MM > haveMm
  const long = flat.map((g) => (isWide(g) ? { ...g, item: onSide(g.item, MOST_ON_SIDE_MM) } : g))
  const wideMm = roomFor(long)
  const clearMm = pen.length(
    { path: 'clearMm', code: 'cradle-clear', min: LEAST_CLEAR_MM, max: LIMITS.clearMm },
    wideMm,
    {
      code: 'cradle-stacks',
      terms: [],
      data: { things: long.reduce((n, g) => n + g.count, 0) },
    },
  )
  if (clearMm < leastMm) return bad('cradle-too-narrow', { mm: clearMm, leastMm }, 'clearMm')
  const placed = placesFor(clearMm)
  if (!placed.ok) return placed
  const { xs, ys } = placed.value
  const deepMm = ys[1] + CROSS_END_MM
  if (deepMm > ctx.space.depthMm) return bad('cradle-too-deep', { mm: deepMm, mostMm: ctx.space.depthMm }, 'clearMm')
  // Not past the end of its wall where a joist has moved the cradles along.
  const under = (xs[0] + xs[count - 1]) / 2
  const middleMm = Math.min(Math.max(under, longestMm / 2), ctx.space.lengthMm - longestMm / 2)
  return good({
    ...{ places: placed.value, middleMm, longestMm, clearMm, backMm: ys[0] + rod.diameterMm / 2 },
    long,
    placed: new Map(long.map((g) => [g.item.id, laidOver(xs, g.item.acrossMm, middleMm)])),
  })
}

/** As high under the ceiling as what lies there lets it, and what the rods are long enough for. */
function heightOf(
  ctx: ShapeContext,
  pen: DimPen,
  { bearer, rod, highMm }: { bearer: Section; rod: Rod; highMm: number },
): Result<Pick<Plan, 'topMm' | 'aboveMm'>> {
  const { ceilingMm } = ctx.space
  const aboveMm = pen.length({ path: 'abovePlayMm', code: 'above-play', min: 0, max: 400 }, LIFTED, {
    code: 'cradle-lifted-over',
    terms: [],
  })
  const mostMm = Math.min(ceilingMm - highMm, highestHung(ceilingMm, 0))
  const usual = roundDown(Math.min(mostMm, ceilingMm - highMm - aboveMm), unitsOf(ctx.settings))
  const topMm = pen.length({ path: 'topMm', code: 'cradle-top', min: 600, max: 4500 }, usual, {
    code: 'cradle-under-ceiling',
    terms: [],
    data: { highMm },
  })
  if (topMm > mostMm) return bad('cradle-in-ceiling', { mm: topMm, mostMm }, 'topMm')
  const underMm = topMm - bearer.thicknessMm
  if (underMm < LEAST_UNDER_MM)
    return bad('cradle-too-low', { mm: Math.max(0, underMm), leastMm: LEAST_UNDER_MM }, 'topMm')
  const longest = Math.max(...ROD_LENGTHS[rod.system])
  const rodMm = ceilingMm - underMm
  return rodMm > longest ? bad('rod-too-long', { mm: rodMm, mostMm: longest }, 'topMm') : good({ topMm, aboveMm })
}
