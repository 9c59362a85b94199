import { unitsOf } from '../../assembly/settings.ts'
import { BEHIND_MM, BESIDE_MM, type ArmSize } from '../../blocks/arms/arm.ts'
import { TILT_RAD } from '../../blocks/arms/in-hole.ts'
import { laidOver, PAST_ARM_MM } from '../../blocks/arms/laid-over.ts'
import { placesOnStuds } from '../../blocks/mounts/on-studs.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { reachMm } from '../../goods/person.ts'
import { isLong } from '../../goods/goods.ts'
import { MOST_ON_ARMS_MM, onSide } from '../../goods/on-side.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { COMPUTED_SLACK_MM, roundNearest, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { armDiameterMm } from '../arms.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { LIMITS, type BoardRackParams } from './parameters.ts'
import { BETWEEN_MM, spread, stacked, type Level } from '../../blocks/arms/stacking.ts'

export interface ReasonData {
  'uprights-usual': { everyMm: number }
  'uprights-short': { shortestMm: number }
  'uprights-longest': { longestMm: number }
  'arms-usual': object
  'arms-deepest': { deepestMm: number }
  'levels-boards': { things: number }
  'rise-boards': object
  'lowest-sheets': { tallMm: number }
  'lowest-usual': object
  'play-hand': object
}
export interface ProblemData {
  'no-boards': object
  'arm-too-thick': { mm: number; mostMm: number }
  'too-few-uprights': { count: number; mm: number }
  'arm-too-deep': { mm: number; mostMm: number }
  'levels-too-high': { mm: number; mostMm: number }
  'rack-past-wall': { mm: number; haveMm: number }
}

/** Uprights are usually on every second stud, arms a foot long and a foot apart. Builders' usual. */
const USUAL_APART = inches(32)
const USUAL_ARM = inches(12)
const USUAL_RISE = inches(12)
/** The lowest level over what stands on the floor or is walked past, mm. */
const USUAL_LOWEST = inches(24)
/** Room for a hand over a stack, mm. */
const HAND = inches(4)
/** Sheets below stand clear of the lowest arms by this, mm: they are lifted out. */
const OVER_SHEET_MM = 60
/** Uprights reach past the outer arms by this, mm; and one is at least so long: else its few screws are pried out. */
const PAST_MM = 120
const LEAST_LONG_MM = 500
/** On studs they stand further apart than was asked for: where the shortest is too short for that, on every stud. mm */
const EVERY_STUD_MM = 200
/** What a stack may be high where nothing is fixed, mm: builders' usual, a hand around it. */
const USUAL_STACK = 200

export interface Plan {
  upright: Section
  /** Across the wall and out from it, of one. */
  wideMm: number
  deepMm: number
  arm: ArmSize
  /** Middles. */
  uprights: number[]
  /** Arms at the face of the uprights, from below; and how far uprights reach past the outer ones. */
  heights: number[]
  pastMm: number
  levels: Level[]
  /** Middle of all of them, and of each that does not lie on two arms there, by its id. */
  middleMm: number
  aside: ReadonlyMap<string, number>
  longestMm: number
  sheets: { item: ShapeContext['goods'][number]['item']; count: number }[]
  play: { aboveMm: number }
}

const leanOf = (armMm: number, diameterMm: number) => armMm * Math.tan(TILT_RAD) + diameterMm

const isSheet = (g: ShapeContext['goods'][number]) => g.item.kind === 'sheet'
export function planOut(
  p: BoardRackParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const units = unitsOf(ctx.settings)
  const long = ctx.goods.filter((g) => isLong(g.item))
  const sheets = ctx.goods.filter(isSheet)
  if (long.length === 0) return bad('no-boards')
  const upright = findSection(p.uprightSection)!
  const [wideMm, deepMm] = [upright.thicknessMm, upright.widthMm]
  const diameterMm = armDiameterMm(p)
  const mostThick = wideMm - 2 * BESIDE_MM
  if (diameterMm > mostThick)
    return bad('arm-too-thick', { mm: diameterMm, mostMm: mostThick }, p.arm === 'tube' ? 'tube' : 'dowelSection')

  const lengths = long.map((g) => g.item.acrossMm)
  const [longest, shortest] = [Math.max(...lengths), Math.min(...lengths)]
  const byShort = shortest - 2 * PAST_ARM_MM
  const usual = Math.max(EVERY_STUD_MM, Math.min(USUAL_APART, byShort))
  const lyingAt = (mm: number) => {
    const places = uprightsFor(ctx, wideMm, mm)
    return long.filter((g) => laidOver(places, g.item.acrossMm, 0) !== null).length
  }
  const begun = lyingAt(EVERY_STUD_MM) > lyingAt(usual) ? EVERY_STUD_MM : usual
  const apartMm = pen.length(
    { path: 'apartMm', code: 'arms-apart', min: EVERY_STUD_MM, max: 2400 },
    begun,
    begun < USUAL_APART
      ? { code: 'uprights-short', terms: [], data: { shortestMm: shortest } }
      : { code: 'uprights-usual', terms: [], data: { everyMm: USUAL_APART } },
  )
  const stood = standUp(ctx, pen, { wideMm, apartMm, longest })
  if (!stood.ok) return stood
  const { uprights, middleMm } = stood.value
  const placed = new Map(long.map((g) => [g.item.id, laidOver(uprights, g.item.acrossMm, middleMm)]))
  // Over few uprights what is long would lie past the corner.
  const inside = ({ item }: (typeof long)[number]) => placed.get(item.id)! >= item.acrossMm / 2 - COMPUTED_SLACK_MM
  const lying = long.filter((g) => placed.get(g.item.id) !== null && inside(g))

  const aboveMm = pen.length({ path: 'abovePlayMm', code: 'above-play', min: 0, max: 400 }, roundNearest(HAND, units), {
    code: 'play-hand',
    terms: [],
  })
  // Where the rise is fixed, what would be too high on its long edge lies flat.
  const leastLean = leanOf(USUAL_ARM, diameterMm)
  const mostHigh = Math.min(MOST_ON_ARMS_MM, (p.riseMm ?? LIMITS.riseMm) - aboveMm - leastLean)
  const boards = lying.map((g) => ({ ...g, item: onSide(g.item, mostHigh) }))
  const deepest = Math.max(...boards.map((g) => g.item.deepMm), 0)
  const arm = pen.length(
    { path: 'armMm', code: 'arm-length', min: 80, max: LIMITS.armMm },
    roundUp(Math.max(USUAL_ARM, deepest + 2 * BETWEEN_MM), units),
    deepest + 2 * BETWEEN_MM > USUAL_ARM
      ? { code: 'arms-deepest', terms: [], data: { deepestMm: deepest } }
      : { code: 'arms-usual', terms: [] },
  )
  if (arm + deepMm > ctx.space.depthMm)
    return bad('arm-too-deep', { mm: arm + deepMm, mostMm: ctx.space.depthMm }, 'armMm')

  // Arms rise to their ends: what lies there is level with them.
  const leanMm = leanOf(arm, diameterMm)
  const sheetTall = Math.max(0, ...sheets.map((g) => g.item.tallMm))
  const lowestMm = pen.length(
    { path: 'lowestMm', code: 'lowest-arm', min: 100, max: 2600 },
    roundUp(Math.max(USUAL_LOWEST, sheetTall > 0 ? sheetTall + OVER_SHEET_MM + diameterMm : 0), units),
    sheetTall > 0
      ? { code: 'lowest-sheets', terms: [], data: { tallMm: sheetTall } }
      : { code: 'lowest-usual', terms: [] },
  )
  const reach = Math.min(reachMm(ctx.settings.personMm), ctx.space.heightMm - PAST_MM)
  const mostLevels = (mm: number) => Math.min(LIMITS.levels, Math.max(1, 1 + Math.floor((reach - lowestMm) / mm)))
  const stackedAt = (mm: number) => stacked(boards, mm - aboveMm - leanMm, arm, mostLevels(mm))
  const riseFor = (mm: number) => Math.min(LIMITS.riseMm, roundUp(Math.max(USUAL_RISE, mm + aboveMm + leanMm), units))
  // What is thick itself wants more room over each level: where more has a place so than with more levels.
  const [low, thick] = [USUAL_STACK, Math.max(USUAL_STACK, ...boards.map((g) => g.item.tallMm))].map(riseFor)
  const leftAt = (mm: number) => [...stackedAt(mm).left.values()].reduce((n, x) => n + x, 0)
  const riseMm = pen.length(
    { path: 'riseMm', code: 'level-rise', min: 100, max: LIMITS.riseMm },
    leftAt(thick) < leftAt(low) ? thick : low,
    { code: 'rise-boards', terms: [] },
  )
  const highMm = riseMm - aboveMm - leanMm
  const full = stackedAt(riseMm)
  const count = pen.count({ path: 'levels', code: 'levels', min: 1, max: LIMITS.levels }, full.levels.length || 1, {
    code: 'levels-boards',
    terms: [],
    data: { things: boards.reduce((n, g) => n + g.count, 0) },
  })
  const topMm = lowestMm + (count - 1) * riseMm
  const pastMm = Math.max(PAST_MM, (LEAST_LONG_MM - (topMm - lowestMm)) / 2)
  if (topMm + pastMm > ctx.space.heightMm)
    return bad('levels-too-high', { mm: topMm + pastMm, mostMm: ctx.space.heightMm }, 'levels')
  const { levels, left } = p.levels === null ? full : spread(boards, highMm, arm, count)
  const others = ctx.goods.filter((g) => !long.includes(g) && !sheets.includes(g))
  const unlaid = long.filter((g) => !lying.includes(g))
  return good({
    unhoused: [
      ...unlaid.map(({ item, count }) => ({
        ...{ goodsId: item.id, count },
        why: placed.get(item.id) === null ? 'too-short-for-arms' : 'no-place',
      })),
      ...others.map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-board' })),
      ...[...left].map(([goodsId, n]) => ({
        goodsId,
        count: n,
        why: boards.some((g) => g.item.id === goodsId && g.item.deepMm + 2 * BETWEEN_MM > arm)
          ? 'too-deep'
          : 'no-place',
      })),
    ],
    plan: {
      upright,
      wideMm,
      deepMm,
      arm: { diameterMm, depthMm: deepMm - BEHIND_MM, outMm: arm },
      uprights,
      heights: Array.from({ length: count }, (_, i) => lowestMm + i * riseMm),
      pastMm,
      levels,
      middleMm,
      aside: new Map([...placed].flatMap(([id, at]) => (at === null ? [] : [[id, at]]))),
      longestMm: longest,
      sheets,
      play: { aboveMm },
    },
  })
}

/** Where uprights can stand, so far apart at least. */
const uprightsFor = (ctx: ShapeContext, wideMm: number, apartMm: number): number[] =>
  placesOnStuds(ctx.space, { halfMm: wideMm / 2, apartMm, pastMm: 50 })

/** Uprights on studs from the first one on, as many as the longest board lies on; and where the middle of all boards is. */
function standUp(
  ctx: ShapeContext,
  pen: DimPen,
  { wideMm, apartMm, longest }: { wideMm: number; apartMm: number; longest: number },
): Result<{ uprights: number[]; middleMm: number }> {
  const places = uprightsFor(ctx, wideMm, apartMm)
  if (places.length < 2) return bad('too-few-uprights', { count: places.length, mm: apartMm }, 'apartMm')
  const reached = places.filter((x) => x - places[0] <= longest - 2 * PAST_ARM_MM).length
  const count = pen.count(
    { path: 'uprights', code: 'uprights', min: 2, max: LIMITS.uprights },
    Math.min(Math.max(2, reached), LIMITS.uprights),
    { code: 'uprights-longest', terms: [], data: { longestMm: longest } },
  )
  if (count > places.length) return bad('too-few-uprights', { count: places.length, mm: apartMm }, 'uprights')
  const uprights = places.slice(0, count)
  const under = (uprights[0] + uprights[count - 1]) / 2
  // Evenly over them where it goes on the wall so.
  const middleMm = Math.max(under, longest / 2)
  if (middleMm + longest / 2 > ctx.space.lengthMm)
    return bad('rack-past-wall', { mm: longest, haveMm: ctx.space.lengthMm }, 'uprights')
  return good({ uprights, middleMm })
}
