import { unitsOf } from '../../assembly/settings.ts'
import { dadoDepth } from '../../blocks/carcass/shelf-between.ts'
import { NAILER, THIN_BACK } from '../../blocks/carcass/standing.ts'
import { clearInBox, frontDeep, placesInBox, standsOut } from '../../blocks/fronts/front.ts'
import { GAP_MM } from '../../blocks/fronts/hinged.ts'
import { rowsOf, sprung, type Row } from '../../blocks/fronts/lift-up.ts'
import { slidingDeep } from '../../blocks/fronts/sliding.ts'
import { OVER_FLOOR_MM } from '../../blocks/fronts/standing.ts'
import { ANGLE_ROOM_MM } from '../../blocks/mounts/pinned-foot.ts'
import { clearBay, LEAST_CLEAR_MM, USUAL_SPAN_MM } from '../../blocks/sizing/clear-bay.ts'
import { economicalRip, standingDepth } from '../../blocks/sizing/economical-rip.ts'
import { FLAT_HINGE, PULL } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { inches, type Units } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
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
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import {
  EMPTY,
  fillDrawers,
  highTogether,
  madeBelow,
  placesBelow,
  rowsBelow,
  type DrawerFill,
  type DrawersBelow,
} from '../drawers-below.ts'
import type { ShapeContext, Term } from '../family.ts'
import { grownTo, house, type Level, type Opening } from '../house-on-shelves.ts'
import { deepForDrawers, takenByDrawer, usualClear, type DrawerMake, type DrawerRows } from '../in-drawers.ts'
import { hangsOnLeaf, planLeaves, type PivotPlan } from '../leaves-on-pins.ts'
import type { Planned } from '../opened.ts'
import { LIMITS, type ShelfUnitParams } from './parameters.ts'

/** What a thing may stand out in front of bare shelves. Product decision. */
const STICK_OUT = inches(1)
/** Toe room under the lowest shelf, mm. */
const KICK = 80
/** Over the highest shelf there is at least so much, mm. */
const LEAST_OVER_MM = 150
/** A shelf on cleats is so many times as deep as what is before them. Product decision: two thirds lie on them. */
const ON_CLEATS = 3
/** Deeper than this nobody reaches the back, mm. Product decision. */
const MOST_DEEP_MM = 800

export interface Plan extends Sizes {
  openings: Opening[]
  clearMm: number
  depthMm: number
  /** What panels that slide, or leaves on pins, take of that before the shelves between the lowest and the highest. */
  insideMm: number
  levels: Level[]
  tops: number[]
  highMm: number
  /** Leaves that turn up, from below; those that are boxes; those on pins. */
  rowsUp: Row[]
  leaf: LeafPlan | null
  pivots: PivotPlan | null
  /** Drawers between the lowest shelf and the one over it. */
  drawers: DrawersBelow | null
}

interface Sizes {
  sheet: Sheet
  t: number
  cleat: Section
  strip: Section
  /** The thin back, nought where there is none. */
  backMm: number
  /** A board across the top at the back that is tied to the wall, and how high it is. */
  tied: boolean
  nailerMm: number
  /** Feet that angles hold down. */
  pinned: boolean
  /** What hangs under a shelf: strips at its edges. */
  under: number
  /** How deep and how high tracks are before the shelves; nought where nothing slides. */
  trackMm: number
  /** What leaves that are boxes are made of; null where none are. */
  boxed: LeafSizes | null
  /** Where it begins: hinges that lie flat on its side are before that. */
  leftMm: number
  /** What a thing may stand out in front. */
  outMm: number
  play: { sideMm: number; aboveMm: number }
}

function sizesOf(p: ShelfUnitParams, ctx: ShapeContext, pen: DimPen): Sizes {
  const { yard } = ctx.settings
  const [sheet, cleat, strip] = [findSheet(p.sheet)!, findSection(p.cleatSection)!, findSection(p.stripSection)!]
  const thin = findSheet(THIN_BACK[yard])!
  const tied = p.tie && canHoldTie(ctx.space)
  const play = shelfPlay(pen, 600)
  const boxed = p.front === 'deep-doors'
  return {
    ...{ sheet, cleat, strip, tied, play, t: sheet.thicknessMm },
    backMm: p.back ? thin.thicknessMm : 0,
    nailerMm: tied ? findSection(NAILER[yard])!.widthMm : 0,
    pinned: p.feet === 'pinned' && ctx.space.floor === 'slab',
    under: p.strip === 'none' ? 0 : strip.widthMm,
    trackMm: p.front === 'sliding' ? slidingDeep(yard) : 0,
    boxed: boxed ? { sheet, face: thin, leafMm: leafDepth(pen, unitsOf(ctx.settings)), ...play } : null,
    leftMm: boxed ? FLAT_HINGE.thicknessMm : 0,
    outMm: p.front === 'open' ? STICK_OUT : standsOut(p.front),
  }
}

/** How far its front stands out past the shelves: panels slide inside, leaves on pins are before them. */
function frontThick(p: ShelfUnitParams, s: Sizes, ctx: ShapeContext): number {
  if (p.front === 'drawers') return p.hand === 'pull' ? PULL.outMm : 0
  if (p.front === 'sliding' || p.front === 'pivots') return 0
  if (s.boxed) return s.boxed.leafMm + s.boxed.face.thicknessMm
  return frontDeep(p.front, s.t, ctx.settings.yard)
}

/** Works out every dimension of a shelf unit and where the goods go, before a piece is placed. */
export function planOut(p: ShelfUnitParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const s = sizesOf(p, ctx, pen)
  const widths = widthsOf(p, ctx, s, pen)
  if (!widths.ok) return widths
  const { clearMm, openingsFor, pivots, onShelves } = widths.value
  const insideMm = s.trackMm + (pivots?.zoneMm ?? 0)
  const deep = depthOf(p, onShelves, s, pen, insideMm)
  if (!deep.ok) return deep
  const depthMm = deep.value
  const made = drawersOf(p, ctx, s, { depthMm, clearMm })
  if (!made.ok) return made
  const w = { clearMm, depthMm, insideMm, openingsFor, pivots, make: made.value }
  const filled = fillBays(p, onShelves, s, pen, w)
  const { bays, levels, leaf } = filled
  if (pivots && bays > 1) return bad('leaves-one-opening', { count: bays }, 'bays')
  const between: Between = { pivots, drawers: filled.drawers, units: unitsOf(ctx.settings) }
  const heights = topsOf(p, s, pen, levels, between)
  if (!heights.ok) return heights
  const { tops, drawn } = heights.value
  const places = drawn && w.make ? placesBelow(drawn, w.make, s.t, (tops[1] ?? tops[0]) - s.t - s.under) : good([])
  if (!places.ok) return places
  const rowsUp = p.front === 'lift-up' ? liftRows(p, s, { tops, clearMm, depthMm }) : good([])
  if (!rowsUp.ok) return rowsUp
  const high = highOf(p, ctx, s, { tops, levels, leafMm: leaf ? leafHigh(leaf.levels, leaf) : 0 })
  if (!high.ok) return high
  const withLeaf = leaf ? withTiers(leaf, high.value - OVER_FLOOR_MM, pen) : good(null)
  if (!withLeaf.ok) return withLeaf
  return good({
    unhoused: filled.unhoused,
    plan: {
      ...s,
      ...{ openings: openingsFor(bays), clearMm, depthMm, insideMm, levels, pivots },
      tops,
      highMm: high.value,
      rowsUp: rowsUp.value,
      leaf: withLeaf.value,
      drawers: filled.drawers && { ...filled.drawers, places: places.value },
    },
  })
}

interface Widths {
  clearMm: number
  openingsFor: (n: number) => Opening[]
  pivots: PivotPlan | null
  /** What does not hang on leaves. */
  onShelves: ShapeContext
}

/** Clear width of an opening, and the leaves on pins between its sides. */
function widthsOf(p: ShelfUnitParams, ctx: ShapeContext, s: Sizes, pen: DimPen): Result<Widths> {
  const { t, sheet } = s
  const wide = ctx.goods.filter((g) => !hangsOnLeaf(p, g.item) && !(s.boxed && fitsLeaf(g.item, s.boxed)))
  const widest = wide.reduce((mm, g) => Math.max(mm, g.item.acrossMm), 0)
  const [usualMm, besideMm] = p.front === 'drawers' ? [usualClear(p), takenByDrawer(p)] : [USUAL_SPAN_MM, 0]
  const clearMm = pen.length(
    { path: 'clearMm', code: 'clear-bay', min: LEAST_CLEAR_MM, max: 2400 },
    clearBay(Math.max(usualMm, clearInBox(p.front, widest + 2 * s.play.sideMm) + besideMm), ctx.space.lengthMm - 2 * t),
    p.front === 'drawers'
      ? { code: 'drawer-span', terms: [] }
      : { code: 'usual-span', terms: [], data: { everyMm: usualMm } },
  )
  const inDadoes = p.hold === 'dado' ? 2 * dadoDepth(t, unitsOf(ctx.settings)) : 0
  const longest = sheet.lengthMm - 2 * ctx.settings.sheetTrimMm - inDadoes
  if (clearMm > longest) return bad('longer-than-board', { mm: clearMm, mostMm: longest }, 'clearMm')
  const x0 = s.leftMm + t
  const openingsFor = (n: number): Opening[] =>
    Array.from({ length: n }, (_, i) => ({
      left: x0 + i * (clearMm + t),
      right: x0 + i * (clearMm + t) + clearMm,
    }))
  const pivots = p.front === 'pivots' ? planLeaves(p, ctx, pen, { ...openingsFor(1)[0], sheet }) : good(null)
  if (!pivots.ok) return pivots
  const onShelves = pivots.value ? { ...ctx, goods: pivots.value.left } : ctx
  return good({ clearMm, openingsFor, pivots: pivots.value && pivots.value.plan, onShelves })
}

/** Depth of the shelves, with what is inside before most of them. */
function depthOf(p: ShelfUnitParams, ctx: ShapeContext, s: Sizes, pen: DimPen, insideMm: number): Result<number> {
  const { sheet, strip, boxed } = s
  const { kerfMm, sheetTrimMm } = ctx.settings
  const behind = ctx.goods.filter((g) => !(boxed && fitsLeaf(g.item, boxed)))
  const deepest = behind.reduce((mm, g) => Math.max(mm, g.item.deepMm), 0)
  // The cleats of the highest shelf end behind leaves on pins: it lies on them with most of its depth.
  const onCleatsMm = p.front === 'pivots' && p.hold === 'cleats' ? ON_CLEATS * insideMm : 0
  const inDrawersMm = p.front === 'drawers' ? deepForDrawers(p, deepest) : 0
  const wantedMm = Math.max(onCleatsMm, inDrawersMm, deepest + insideMm - s.outMm)
  const mostDeepMm = ctx.space.depthMm - s.backMm - frontThick(p, s, ctx)
  const rip = economicalRip(sheet, ctx.settings, wantedMm, mostDeepMm)
  const most = { wantedMm, mostMm: Math.min(MOST_DEEP_MM, mostDeepMm), deepestMm: deepest + insideMm }
  const deep = standingDepth(rip, most, unitsOf(ctx.settings))
  const depthMm = pen.length({ path: 'depthMm', code: 'depth', min: 100, max: MOST_DEEP_MM }, deep?.mm ?? 300, {
    code: deep?.why ?? 'depth-space',
    terms: [],
    data: {
      ...{ parts: rip?.n ?? 1, sheetMm: sheet.widthMm, kerfMm, deepestMm: deepest, insideMm },
      spaceMm: ctx.space.depthMm,
    },
  })
  const mostMm = sheet.widthMm - 2 * sheetTrimMm
  if (depthMm > mostMm) return bad('deeper-than-sheet', { mm: depthMm, mostMm }, 'depthMm')
  const leastMm = Math.max(onCleatsMm, 2 * strip.thicknessMm + 40 + insideMm)
  return depthMm < leastMm ? bad('too-shallow', { leastMm }, 'depthMm') : good(depthMm)
}

/** Room for the angles at its feet, under what is under the lowest shelf. */
const footOf = (p: ShelfUnitParams, s: Sizes): number =>
  s.pinned ? ANGLE_ROOM_MM + Math.max(s.under, p.hold === 'cleats' ? s.cleat.widthMm : 0) : 0

/** How drawers are made; null where none are asked for. */
function drawersOf(
  p: ShelfUnitParams,
  ctx: ShapeContext,
  s: Sizes,
  wide: { depthMm: number; clearMm: number },
): Result<DrawerMake | null> {
  if (p.front !== 'drawers') return good(null)
  if (p.hold === 'cleats') return bad('drawers-in-dadoes', {}, 'hold')
  return madeBelow(p, ctx, { box: s.sheet, ...wide })
}

/** What is between the lowest shelf and another. */
interface Between {
  pivots: PivotPlan | null
  drawers: DrawerFill | null
  units: Units
}

/** What the levels need from the floor up, as terms for each. */
function termsOf(p: ShelfUnitParams, s: Sizes, levels: readonly Level[], b: Between): Term[][] {
  const { t, under, trackMm } = s
  const last = levels.length - 1
  const out = levels.map((_l, i): Term[] => {
    const below = levels[i - 1]
    if (!below)
      return [
        { name: 'kick', mm: Math.max(KICK, footOf(p, s)) },
        { name: 'sheet', mm: t },
      ]
    const drawers = i === 1 ? b.drawers : null
    return [
      ...(drawers
        ? [{ name: 'drawers', mm: highTogether(drawers, s.t, b.units) }]
        : [
            { name: 'tallest', mm: below.tallest?.tallMm ?? 0 },
            { name: 'above-play', mm: s.play.aboveMm },
          ]),
      // Lifted over the lower track, and out under the upper one, which is where a strip would be.
      ...(trackMm > 0 && i === 1 ? [{ name: 'track', mm: trackMm }] : []),
      ...(trackMm > 0 && i === last
        ? [{ name: 'track', mm: trackMm }]
        : under > 0
          ? [{ name: 'edge-strip', mm: under }]
          : []),
      { name: 'sheet', mm: t },
    ]
  })
  // Leaves on pins stand between the lowest shelf and the highest.
  const between = out
    .slice(1)
    .flat()
    .reduce((mm, x) => mm + x.mm, 0)
  const short = b.pivots && last > 0 ? b.pivots.openMm + t - between : 0
  if (short > 0) out[last].push({ name: 'leaves', mm: short })
  return out
}

interface Filling {
  clearMm: number
  depthMm: number
  insideMm: number
  openingsFor: (n: number) => Opening[]
  pivots: PivotPlan | null
  make: DrawerMake | null
}

/** Fills leaves that are boxes, or drawers, first with what goes there, then shelves, over as few openings as take everything. */
function fillBays(p: ShelfUnitParams, ctx: ShapeContext, s: Sizes, pen: DimPen, w: Filling) {
  const { t } = s
  const most = Math.max(1, Math.min(LIMITS.bays, Math.floor((ctx.space.lengthMm - t) / (w.clearMm + t))))
  const mostHigh = Math.min(ctx.space.heightMm, s.sheet.lengthMm - 2 * ctx.settings.sheetTrimMm)
  const units = unitsOf(ctx.settings)
  const growsOver = (drawers: DrawerFill | null) => (over: Level[]) => {
    const levels = drawers ? [EMPTY, ...over] : over
    const z = termsOf(p, s, levels, { pivots: w.pivots, drawers, units })
      .flat()
      .reduce((mm, x) => mm + x.mm, 0)
    return grownTo(levels, z, mostHigh - s.play.aboveMm - s.nailerMm, ctx.settings)
  }
  const housed = (n: number) => {
    const openings = w.openingsFor(n)
    const over = { left: s.leftMm, right: openings[n - 1].right + t, mostHigh: mostHigh - OVER_FLOOR_MM }
    const leaf = s.boxed ? fillLeaves(p, ctx, s.boxed, over) : null
    const below = { openings, drawerRows: p.drawerRows, sideMm: s.play.sideMm, firstMm: KICK + t, t }
    const drawn = w.make ? fillDrawers(ctx, w.make, below) : null
    const [goods, depth] = [(leaf ?? drawn ?? { left: ctx.goods }).left, w.depthMm - w.insideMm]
    const places = placesInBox(p.front, openings)
    // The lowest shelf is under the drawers.
    const under = drawn ? 1 : 0
    const shelves = p.shelves === null ? null : p.shelves - under
    const grows = growsOver(drawn && drawn.fill)
    const most = LIMITS.shelves - under
    const box = house(goods, null, shelves, places, depth, s.play.sideMm, s.outMm, grows, most)
    const levels = drawn ? [EMPTY, ...box.levels] : box.levels
    return { ...box, levels, leaf: leaf?.leaf ?? null, drawers: drawn && drawn.fill }
  }
  const enough = Array.from({ length: most }, (_, i) => i + 1).find((n) => housed(n).unhoused.length === 0) ?? most
  const why = { code: 'shelves-goods', terms: [], data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) } }
  const wanted = w.pivots ? 1 : enough
  const bays = pen.count({ path: 'bays', code: 'bays', min: 1, max: LIMITS.bays }, wanted, why)
  const found = housed(bays)
  const levels = [...found.levels]
  // Leaves stand between two shelves, whether something stands there or not.
  while (p.shelves === null && levels.length < (w.pivots || s.boxed ? 2 : 1)) levels.push(EMPTY)
  pen.count({ path: 'shelves', code: 'shelves', min: 1, max: LIMITS.shelves }, levels.length, why)
  if (found.leaf) pen.count({ path: 'tiers', code: 'tiers', min: 1, max: TIERS }, found.leaf.levels.length, why)
  const rows = found.drawers?.rows.length ?? 0
  if (rows > 0) pen.count({ path: 'drawerRows', code: 'drawer-rows', min: 1, max: LIMITS.drawers }, rows, why)
  return { ...found, bays, levels }
}

/** Upper faces of the shelves, each clear of the one below. */
function topsOf(
  p: ShelfUnitParams,
  s: Sizes,
  pen: DimPen,
  levels: readonly Level[],
  between: Between,
): Result<{ tops: number[]; drawn: DrawerRows | null }> {
  const { t } = s
  const { pivots } = between
  const tops: number[] = []
  let drawn: DrawerRows | null = null
  termsOf(p, s, levels, between).forEach((terms, i) => {
    const [drawers] = i === 1 ? terms.filter((x) => x.name === 'drawers') : []
    if (drawers && between.drawers) {
      const { units } = between
      drawn = rowsBelow(between.drawers, pen, { t, firstMm: tops[0], highMm: drawers.mm, units })
      drawers.mm += drawn.shiftMm
    }
    tops.push(
      pen.sum(
        { path: `topMm.${i}`, code: 'shelf-top', data: { shelf: i + 1 }, min: 40, max: 3000 },
        i === 0 ? terms : [{ name: 'shelf-below', mm: tops[i - 1] }, ...terms],
        i === 0 ? 'kick' : 'goods-below',
      ),
    )
  })
  const below = Math.max(s.under, p.hold === 'cleats' ? s.cleat.widthMm : 0)
  for (let i = 0; i < tops.length; i++) {
    const leastMm = (i === 0 ? 0 : tops[i - 1]) + t + (i === 0 && s.pinned ? footOf(p, s) : below)
    if (tops[i] < leastMm) return bad('shelves-overlap', { mm: tops[i], leastMm, shelf: i + 1 }, `topMm.${i}`)
  }
  if (s.trackMm > 0 && tops.length < 2) return bad('sliding-one-shelf', {}, 'front')
  if (!pivots) return good({ tops, drawn })
  if (tops.length < 2) return bad('leaves-one-shelf', {}, 'front')
  const [open, last] = [tops[tops.length - 1] - t - tops[0], tops.length - 1]
  return open < pivots.openMm - 1e-6
    ? bad(
        'leaves-too-high',
        { mm: pivots.openMm, mostMm: open },
        typeof p.topMm[last] === 'number' ? `topMm.${last}` : 'leafHighMm',
      )
    : good({ tops, drawn })
}

/** How high its uprights are: over what stands on the highest shelf, and no lower than its leaves. */
function highOf(
  p: ShelfUnitParams,
  ctx: ShapeContext,
  s: Sizes,
  { tops, levels, leafMm }: { tops: readonly number[]; levels: readonly Level[]; leafMm: number },
): Result<number> {
  const sheetMost = s.sheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  const mostMm = sheetMost - s.nailerMm
  const last = tops.length - 1
  if (tops[last] > mostMm) {
    const typed = p.topMm.some((x) => typeof x === 'number') || p.shelves === null
    return bad('shelf-above-sheet', { mm: tops[last], mostMm }, typed ? `topMm.${last}` : 'shelves')
  }
  const leafEnds = leafMm > 0 ? leafMm + OVER_FLOOR_MM : 0
  if (leafEnds > sheetMost) return bad('shelf-above-sheet', { mm: leafEnds, mostMm: sheetMost }, 'tiers')
  const over = Math.max(LEAST_OVER_MM, (levels[last].tallest?.tallMm ?? 0) + s.play.aboveMm)
  return good(Math.max(Math.min(sheetMost, tops[last] + over + s.nailerMm), leafEnds))
}

/** Leaves that turn up between the lowest shelf and the highest: what stands on that stays open. */
function liftRows(
  p: ShelfUnitParams,
  { sheet, t, cleat }: Sizes,
  s: Pick<Plan, 'tops' | 'clearMm' | 'depthMm'>,
): Result<Row[]> {
  const headMm = s.tops[s.tops.length - 1]
  if (s.tops.length < 2) return bad('lift-one-shelf', {}, 'front')
  if (p.strip !== 'none') return bad('lift-under-strip', {}, 'strip')
  const rows = rowsOf(s.tops[0] - t, headMm, s.tops.slice(0, -1), headMm - t, t)
  const cleatMm = p.hold === 'cleats' ? cleat.widthMm : 0
  return sprung(rows, { sheet, left: 0, right: s.clearMm + t - GAP_MM, frontMm: 0, deepMm: s.depthMm, cleatMm })
}
