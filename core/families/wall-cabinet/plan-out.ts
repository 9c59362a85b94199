import { clearBay, LEAST_CLEAR_MM, USUAL_SPAN_MM } from '../../blocks/sizing/clear-bay.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { dadoDepth, pinsDeep, rowsBetween, seatNear, type Rows } from '../../blocks/carcass/shelf-between.ts'
import { clearInBox, frontDeep, placesInBox, standsOut } from '../../blocks/fronts/front.ts'
import { GAP_MM } from '../../blocks/fronts/hinged.ts'
import { rowsOf, sprung, type Row } from '../../blocks/fronts/lift-up.ts'
import { slidingDeep } from '../../blocks/fronts/sliding.ts'
import { bevelHigh, fixingUp, liftOff } from '../../blocks/mounts/hung-on-wall.ts'
import { fixingPlaces, FROM_END_MM, preparedHeight } from '../../blocks/mounts/wall-fixing.ts'
import { depthToHold } from '../../blocks/sizing/depth-to-hold.ts'
import { FLAT_HINGE } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { OVER_BENCH_MM, reachMm } from '../../goods/person.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import {
  fillLeaves,
  fitsLeaf,
  leafDepth,
  leafHigh,
  TIERS,
  withTiers,
  type LeafPlan,
  type LeafSizes,
} from '../deep-leaves.ts'
import { house, LEAST_OPEN, type Level, type Opening } from '../house-on-shelves.ts'
import { levelTerms, topsInside } from '../shelf-tops.ts'
import { hangsOnLeaf, planLeaves, type PivotPlan } from '../leaves-on-pins.ts'
import { LIMITS, type WallCabinetParams } from './parameters.ts'

export interface ReasonData {
  'two-studs': object
}
export interface ProblemData {
  'pins-too-shallow': { mm: number; leastMm: number }
  'no-stud-behind-it': object
  'back-past-sheet': { mm: number; mostMm: number }
}

/** Higher than this two people cannot hold it up and drive a screw, mm. Product decision. */
const MOST_HIGH = 1200
/** Sides run past a bottom and a top in dadoes by this much, mm. Product decision: less breaks out. */
const PAST_MM = 12
/** Shallower than this a box holds nothing, mm. Product decision. */
const LEAST_DEEP_MM = 80

export interface Plan {
  t: number
  pastMm: number
  sheet: Sheet
  back: Sheet
  rail: Section
  openings: Opening[]
  /** Left faces of all uprights, the outer ones included. */
  uprights: number[]
  levels: Level[]
  /** Tops of the bottom and the shelves, and of the top, above the floor. */
  tops: number[]
  topMm: number
  footMm: number
  headMm: number
  /** From the wall to the front of the back, to that of the shelves, and to the front of the box. */
  innerMm: number
  shelvesMm: number
  frontMm: number
  leftMm: number
  rightMm: number
  dadoMm: number
  rows: Rows
  play: { sideMm: number; aboveMm: number }
  slideMm: number
  leaf: LeafPlan | null
  /** Leaves on pins before the shelves. */
  pivots: PivotPlan | null
  /** Leaves that turn up, one over the other. */
  rowsUp: Row[]
}

/**
 * Clear width at which even one opening passes two studs; null where it does so anyway, or would have to be far wider.
 */
function reachesTwoStuds(ctx: ShapeContext, clearMm: number, t: number): number | null {
  if (ctx.space.construction.kind !== 'studs') return null
  const widths = [clearMm, ...ctx.space.studsMm.map((x) => x + FROM_END_MM - t).filter((x) => x > clearMm)]
  const found = widths.find((w) => fixingPlaces(ctx.space, t, t + w).length >= 2)
  return found === undefined || found === clearMm || found > MOST_WIDER * clearMm ? null : found
}
/** An opening is made this much wider to reach a second stud, no more. Product decision. */
const MOST_WIDER = 1.6

type Planned = { plan: Plan; unhoused: Shaped['unhoused'] }

/** Works out every dimension of a wall cabinet and where the goods go, before a piece is placed. */
export function planOut(p: WallCabinetParams, ctx: ShapeContext, pen: DimPen): Result<Planned> {
  const s = sizesOf(p, ctx, pen)
  const widths = widthsOf(p, ctx, s, pen)
  if (!widths.ok) return widths
  const { clearMm, depthMm, dadoMm } = widths.value
  const x0 = s.leftMm + s.t
  const openingsFor = (n: number): Opening[] =>
    Array.from({ length: n }, (_, i) => ({
      left: x0 + i * (clearMm + s.t),
      right: x0 + i * (clearMm + s.t) + clearMm,
    }))
  const pivots = p.front === 'pivots' ? planLeaves(p, ctx, pen, { ...openingsFor(1)[0], sheet: s.sheet }) : good(null)
  if (!pivots.ok) return pivots
  const onShelves = pivots.value ? { ...ctx, goods: pivots.value.left } : ctx
  const filled = fillBays(p, onShelves, s, pen, { clearMm, depthMm, openingsFor })
  const { bays, levels, leaf } = filled
  const openings = openingsFor(bays)
  const rightMm = openings[bays - 1].right + s.t
  if (pivots.value && bays > 1) return bad('leaves-one-opening', { count: bays }, 'bays')
  const shelvesMm = s.innerMm + depthMm
  const frontMm = shelvesMm + s.slideMm + (pivots.value?.plan.zoneMm ?? 0)
  if (frontMm > ctx.space.depthMm && pivots.value)
    return bad('leaves-too-deep', { mm: frontMm, mostMm: ctx.space.depthMm }, 'leaves')
  const heights = heightsOf(p, ctx, s, pen, {
    ...{ levels, openMm: pivots.value?.plan.openMm ?? 0, leafMm: leaf ? leafHigh(leaf.levels, leaf) : 0 },
    ...{ left: x0, right: rightMm - s.t },
  })
  if (!heights.ok) return heights
  const withLeaf = leaf ? withTiers(leaf, heights.value.high, pen) : good(null)
  if (!withLeaf.ok) return withLeaf
  const { tops, footMm, high, rows } = heights.value
  const leastDeep = pinsDeep(ctx.settings.yard)
  if (p.shelfHold === 'pins' && tops.length > 1 && depthMm < leastDeep)
    return bad('pins-too-shallow', { mm: depthMm, leastMm: leastDeep }, 'depthMm')
  // A back is of one piece: one way it is no wider than its sheet.
  const [least, most] = [Math.min(clearMm, high - 2 * (s.pastMm + s.t)), s.back.widthMm - 2 * ctx.settings.sheetTrimMm]
  if (least > most) return bad('back-past-sheet', { mm: least, mostMm: most }, 'clearMm')
  const rowsUp = p.front === 'lift-up' ? liftRows(s, heights.value, { clearMm, depthMm }) : good([])
  if (!rowsUp.ok) return rowsUp
  return good({
    unhoused: filled.unhoused,
    plan: {
      ...s,
      openings,
      uprights: Array.from({ length: bays + 1 }, (_, i) => s.leftMm + i * (clearMm + s.t)),
      levels,
      tops: tops.map((z) => footMm + z),
      topMm: footMm + high - s.pastMm,
      footMm,
      headMm: footMm + high,
      shelvesMm,
      frontMm,
      rightMm,
      dadoMm,
      rows,
      play: { sideMm: s.sideMm, aboveMm: s.aboveMm },
      leaf: withLeaf.value,
      pivots: pivots.value && pivots.value.plan,
      rowsUp: rowsUp.value,
    },
  })
}

function liftRows(s: Sizes, h: Heights, w: { clearMm: number; depthMm: number }): Result<Row[]> {
  const at = (mm: number) => h.footMm + mm
  const topUnder = at(h.high - s.pastMm - s.t)
  const rows = rowsOf(h.footMm, at(h.high), h.tops.map(at), topUnder, s.t)
  return sprung(rows, { sheet: s.sheet, left: 0, right: w.clearMm + s.t - GAP_MM, frontMm: 0, deepMm: w.depthMm })
}

interface Sizes {
  sheet: Sheet
  back: Sheet
  rail: Section
  t: number
  innerMm: number
  pastMm: number
  leftMm: number
  sideMm: number
  aboveMm: number
  /** Depth of a leaf inside; nought where it is flat or none. */
  leafMm: number
  /** How deep and how high tracks are in front of the shelves; nought where nothing slides. */
  slideMm: number
}

function sizesOf(p: WallCabinetParams, ctx: ShapeContext, pen: DimPen): Sizes {
  const [sheet, back, rail] = [findSheet(p.sheet)!, findSheet(p.backSheet)!, findSection(p.railSection)!]
  const boxed = p.front === 'deep-doors'
  const leafMm = boxed ? leafDepth(pen, unitsOf(ctx.settings)) : 0
  return {
    sheet,
    back,
    rail,
    leafMm,
    slideMm: p.front === 'sliding' ? slidingDeep(ctx.settings.yard) : 0,
    t: sheet.thicknessMm,
    innerMm: rail.thicknessMm + back.thicknessMm,
    pastMm: p.corner === 'dado' ? PAST_MM : 0,
    leftMm: boxed ? FLAT_HINGE.thicknessMm : 0,
    ...shelfPlay(pen, 400),
  }
}

/** How far its front stands out past the box: panels slide in it, leaves on pivots are in it. */
function frontThick(p: WallCabinetParams, s: Sizes, yard: UnitSystem): number {
  if (p.front === 'sliding' || p.front === 'pivots') return 0
  return p.front === 'deep-doors' ? s.leafMm + s.back.thicknessMm : frontDeep(p.front, s.t, yard)
}

function widthsOf(
  p: WallCabinetParams,
  ctx: ShapeContext,
  s: Sizes,
  pen: DimPen,
): Result<{ clearMm: number; depthMm: number; dadoMm: number }> {
  const units = unitsOf(ctx.settings)
  const { sheetTrimMm } = ctx.settings
  const goods = ctx.goods.filter((g) => !(s.leafMm > 0 && fitsLeaf(g.item, s)) && !hangsOnLeaf(p, g.item))
  const inBox = goods.length > 0 ? goods : ctx.goods
  const deep = depthToHold(
    s.sheet,
    { settings: ctx.settings, spaceMm: ctx.space.depthMm - frontThick(p, s, ctx.settings.yard) },
    Math.max(LEAST_DEEP_MM, ...inBox.map((g) => g.item.deepMm)),
    { takenMm: s.innerMm + s.slideMm, sheetMm: s.innerMm + s.slideMm, outMm: standsOut(p.front) },
  )
  const why = p.front === 'pivots' && goods.length === 0 ? { code: 'behind-leaves', terms: [] } : deep.why
  const depthMm = pen.length({ path: 'depthMm', code: 'clear-depth', min: LEAST_DEEP_MM, max: 600 }, deep.mm, why)
  const widest = Math.max(...inBox.map((g) => g.item.acrossMm))
  const usual = clearBay(
    Math.max(USUAL_SPAN_MM, clearInBox(p.front, widest + 2 * s.sideMm)),
    ctx.space.lengthMm - 2 * s.t,
  )
  const studs = reachesTwoStuds(ctx, usual, s.t)
  const clearMm = pen.length(
    { path: 'clearMm', code: 'clear-bay', min: LEAST_CLEAR_MM, max: 1800 },
    studs === null ? usual : roundUp(studs, units),
    studs === null
      ? { code: 'usual-span', terms: [], data: { everyMm: USUAL_SPAN_MM } }
      : { code: 'two-studs', terms: [] },
  )
  const dadoMm = dadoDepth(s.t, units)
  const longest = s.sheet.lengthMm - 2 * sheetTrimMm - 2 * dadoMm
  if (clearMm > longest) return bad('longer-than-board', { mm: clearMm, mostMm: longest }, 'clearMm')
  const widestStrip = s.sheet.widthMm - 2 * sheetTrimMm - s.innerMm - s.slideMm
  if (depthMm > widestStrip) return bad('deeper-than-sheet', { mm: depthMm, mostMm: widestStrip }, 'depthMm')
  return good({ clearMm, depthMm, dadoMm })
}

/** Leaves that are boxes. */
const leafSizes = (s: Sizes): LeafSizes => ({ ...s, face: s.back })

const lastTall = (levels: readonly Level[]) => levels[levels.length - 1].tallest?.tallMm ?? LEAST_OPEN
/** What tracks take over the last level: it is lifted over the lower one where that is on it, and comes out under the upper. */
const overLast = (levels: readonly Level[], s: Sizes) => (levels.length > 1 ? 1 : 2) * s.slideMm
const highOf = (levels: readonly Level[], s: Sizes) =>
  levelTerms(levels, s.aboveMm, s.t, s.slideMm)
    .flat()
    .reduce((sum, x) => sum + x.mm, overLast(levels, s))

/** Fills leaves first with what fits there, then shelves, over as few openings as take everything. */
function fillBays(
  p: WallCabinetParams,
  ctx: ShapeContext,
  s: Sizes,
  pen: DimPen,
  w: { clearMm: number; depthMm: number; openingsFor: (n: number) => Opening[] },
) {
  const { t, sideMm, aboveMm } = s
  const most = Math.max(1, Math.min(LIMITS.bays, Math.floor((ctx.space.lengthMm - t) / (w.clearMm + t))))
  const least = Math.min(OVER_BENCH_MM, ctx.space.heightMm / 2)
  const mostHigh = Math.min(MOST_HIGH, s.sheet.lengthMm - 2 * ctx.settings.sheetTrimMm, ctx.space.heightMm - least)
  const grows = (levels: Level[]) => highOf(levels, s) + lastTall(levels) + aboveMm + t <= mostHigh
  const shelves = p.shelves === null ? null : p.shelves + 1
  const housed = (n: number) => {
    const openings = w.openingsFor(n)
    const over = { left: s.leftMm, right: openings[n - 1].right + t, mostHigh }
    const leaf = s.leafMm > 0 ? fillLeaves(p, ctx, leafSizes(s), over) : null
    const goods = leaf ? leaf.left : ctx.goods
    const inBox = placesInBox(p.front, openings)
    const box = house(goods, null, shelves, inBox, w.depthMm, sideMm, standsOut(p.front), grows, LIMITS.shelves + 1)
    return { ...box, leaf: leaf?.leaf ?? null }
  }
  const enough = Array.from({ length: most }, (_, i) => i + 1).find((n) => housed(n).unhoused.length === 0) ?? most
  const why = { code: 'shelves-goods', terms: [], data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) } }
  const bays = pen.count({ path: 'bays', code: 'bays', min: 1, max: LIMITS.bays }, enough, why)
  const found = housed(bays)
  pen.count({ path: 'shelves', code: 'shelves-over', min: 0, max: LIMITS.shelves }, found.levels.length - 1, why)
  if (found.leaf) pen.count({ path: 'tiers', code: 'tiers', min: 1, max: TIERS }, found.leaf.levels.length, why)
  return { bays, ...found }
}

interface Heights {
  tops: number[]
  footMm: number
  high: number
  rows: Rows
}

function heightsOf(
  p: WallCabinetParams,
  ctx: ShapeContext,
  s: Sizes,
  pen: DimPen,
  {
    levels,
    openMm,
    leafMm,
    left,
    right,
  }: { levels: readonly Level[]; openMm: number; leafMm: number; left: number; right: number },
): Result<Heights> {
  const { t, rail, pastMm, aboveMm } = s
  const { yard } = ctx.settings
  const bottom = pastMm + t
  const seat = (mm: number, way: 'up' | 'down') => seatNear(mm - t, bottom, yard, way) + t
  const inside = topsInside(levels, aboveMm, t, pen, {
    path: 'topMm',
    code: 'shelf-top-inside',
    startMm: pastMm,
    trackMm: s.slideMm,
    ...(p.shelfHold === 'pins' ? { seat } : {}),
  })
  if (!inside.ok) return inside
  const tops = inside.value
  // Behind the back the rails, and the strip between them, need their widths, whether the goods do or not.
  const strips = p.hang === 'rail' ? 0 : p.hang === 'strip' ? 1 : 2
  const lift = strips > 0 ? liftOff(rail) : 0
  const boards = (2 + strips) * rail.widthMm + strips * lift
  const over = tops[tops.length - 1]
  const high =
    Math.max(
      over + Math.max(lastTall(levels) + aboveMm + overLast(levels, s), rail.widthMm),
      bottom + boards,
      bottom + openMm,
      leafMm - t - pastMm,
    ) +
    t +
    pastMm
  const sheetMost = s.sheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  if (high > sheetMost)
    return bad('shelf-above-sheet', { mm: high, mostMm: sheetMost }, leafMm >= high ? 'tiers' : 'shelves')
  const reach = reachMm(ctx.settings.personMm) - over
  const under = ctx.space.heightMm - high - lift
  const usual = Math.max(0, Math.min(OVER_BENCH_MM, reach, under))
  // Fixings go through the strip, or through the rail, so far over the underside.
  const fixed =
    high - pastMm - t - rail.widthMm + (strips > 0 ? bevelHigh(rail) - rail.widthMm + fixingUp(rail) : rail.widthMm / 2)
  const prepared = preparedHeight(ctx.space, left, right, usual + fixed)
  const hang = prepared === null ? usual : Math.max(0, Math.min(prepared - fixed, under))
  const footMm = pen.length(
    { path: 'hangMm', code: 'hang', min: 0, max: 2600 },
    roundDown(hang, unitsOf(ctx.settings)),
    {
      code:
        prepared !== null
          ? 'hang-prepared'
          : hang === OVER_BENCH_MM
            ? 'hang-bench'
            : hang === reach
              ? 'hang-reach'
              : 'hang-ceiling',
      terms: [],
      data: { benchMm: OVER_BENCH_MM },
    },
  )
  return good({ tops, footMm, high, rows: rowsBetween(bottom, high - pastMm - t, yard) })
}
