import { unitsOf } from '../../assembly/settings.ts'
import { NAILER } from '../../blocks/carcass/standing.ts'
import { dadoDepth } from '../../blocks/carcass/shelf-between.ts'
import { clearInBox, frontDeep, placesInBox } from '../../blocks/fronts/front.ts'
import { GAP_MM } from '../../blocks/fronts/hinged.ts'
import { rowsOf, sprung, type Row } from '../../blocks/fronts/lift-up.ts'
import { ANGLE_ROOM_MM } from '../../blocks/mounts/pinned-foot.ts'
import { PULL } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Goods } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundNearest } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
import { cornerCut, type CornerCut } from '../bench-corner.ts'
import { benchDepth, benchHeight, PLAY_ABOVE, USUAL_LENGTH } from '../bench-sizes.ts'
import { intoWells } from '../bench-wells.ts'
import type { CornerProblems } from '../corner-line.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import { house, LEAST_OPEN, type Level, type Opening } from '../house-on-shelves.ts'
import {
  BINDS,
  clearForDrawer,
  drawerPlaces,
  drawerRows,
  drawersHigh,
  drawersIn,
  highDrawers,
  laidIn,
  leastForDrawer,
  roomIn,
  usualClear,
  type DrawerMake,
  type DrawerPlace,
} from '../in-drawers.ts'
import { levelTerms, topsInside } from '../shelf-tops.ts'
import type { Planned } from '../opened.ts'
import { LIMITS, type BoxBenchParams, type BoxWell } from './parameters.ts'

/** What is said with its problems. */
export interface ProblemData extends CornerProblems {
  'box-bench-shallow': { mm: number; leastMm: number }
  'box-shelf-over-top': { mm: number; mostMm: number; shelf: number }
  'box-well-too-low': { mm: number; leastMm: number }
  'box-angle-over-kick': { mm: number; leastMm: number }
}
export interface ReasonData {
  'bench-other-same': object
  'box-bench-bays': { things: number }
  'box-bench-toes': object
  'box-bench-span': object
}

/** Dividers no further apart, mm: somebody sits on the top between two of them. Product decision. */
const USUAL_CLEAR = inches(24)
/** And in a well no further than this where one machine stands, mm. Product decision: what two layers bear there. */
const WELL_CLEAR = inches(28)
/** Room for toes under the lowest panels, mm: builders' usual figure. */
const KICK = 80
/** Shallower than this a box holds nothing, and lower than this nothing goes in, mm. Product decisions. */
const LEAST_DEEP_MM = 150
export const LEAST_HIGH_MM = 60

/** A box of sheet: its ends and dividers from the left, and the openings between them. */
export interface BenchBox {
  lefts: number[]
  /** Numbers of its openings along the bench. */
  bays: number[]
  from: number
  to: number
  /** Where its sides end under its top. */
  highMm: number
  /** The number of the well it is; null where the top is as high as elsewhere. */
  well: number | null
}
/** An opening of a box, and the number it has among those that goods stand in; null in a well. */
export interface BoxOpening extends Opening {
  housed: number | null
}

export interface Plan {
  sheet: Sheet
  topSheet: Sheet
  back: Sheet
  layers: number
  /** Upper face of the top where it is no well. */
  heightMm: number
  depthMm: number
  /** From the wall to the back and to the front of the boxes. */
  backMm: number
  frontMm: number
  boxes: BenchBox[]
  openings: BoxOpening[]
  /** What stands in each well. */
  machines: (Goods | null)[]
  corner: CornerCut | null
  levels: Level[]
  /** Upper faces of the bottom and the shelves. */
  tops: number[]
  dadoMm: number
  tied: boolean
  nailer: Section
  play: { sideMm: number; aboveMm: number }
  /** Leaves that turn up, of each box from below. */
  rowsUp: Row[][]
  /** Drawers in each opening that is in no well; upper faces are then those of the fixed panels. */
  drawers: { make: DrawerMake; places: DrawerPlace[] } | null
}

type Nailed = Pick<Plan, 'tied' | 'nailer'> & { drawers: object | null }
/** What the piece along the wall takes of the highest opening of a box: drawers end before it, in a well there are none. */
export const nailerIn = ({ tied, nailer, drawers }: Nailed, b: Pick<BenchBox, 'well'>): number =>
  tied && (drawers === null || b.well !== null) ? nailer.widthMm : 0
/** How many of its levels a box has: a well has what comes under its top. */
export const levelsIn = (plan: Nailed & Pick<Plan, 'tops'>, b: BenchBox): number =>
  b.well === null ? plan.tops.length : plan.tops.filter((z) => z + LEAST_HIGH_MM <= b.highMm - nailerIn(plan, b)).length

export function planOut(p: BoxBenchParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const { yard, sheetTrimMm } = ctx.settings
  const units = unitsOf(ctx.settings)
  const [sheet, topSheet, back] = [findSheet(p.sheet)!, findSheet(p.topSheet)!, findSheet(p.backSheet)!]
  const t = sheet.thicknessMm
  const layers = p.layers === 'two' ? 2 : 1
  const thick = layers * topSheet.thicknessMm
  const heightMm = roundNearest(benchHeight(p, ctx, pen, thick), units)
  const highMm = heightMm - thick
  const { aboveMm, sideMm } = shelfPlay(pen, 300, PLAY_ABOVE)
  const deep = depths(p, ctx, pen, topSheet, back)
  if (!deep.ok) return deep
  const { depthMm, frontMm } = deep.value
  const insideMm = frontMm - back.thicknessMm
  const tied = p.tie && canHoldTie(ctx.space)
  const nailer = findSection(NAILER[yard])!
  const drawers = drawersOf(p, ctx, { box: sheet, deepMm: insideMm, nailerMm: tied ? nailer.thicknessMm : 0 })
  if (!drawers.ok) return drawers
  const make = drawers.value

  const widest = (make ? laidIn(make, ctx.goods) : ctx.goods).reduce((mm, g) => Math.max(mm, g.item.acrossMm), 0)
  const [neededMm, usualMm] = make
    ? [clearForDrawer(make, widest + 2 * sideMm), Math.min(usualClear(p), make.slide ? Infinity : BINDS * insideMm)]
    : [clearInBox(p.front, widest + 2 * sideMm), USUAL_CLEAR]
  const clearMm = pen.length(
    { path: 'clearMm', code: 'clear-bay', min: 200, max: 1500 },
    Math.min(Math.max(usualMm, neededMm), Math.max(200, ctx.space.lengthMm - 2 * t)),
    { code: make ? 'drawer-span' : 'box-bench-span', terms: [] },
  )
  if (make && clearMm < leastForDrawer(make))
    return bad('drawer-too-narrow', { mm: clearMm, leastMm: leastForDrawer(make) }, 'clearMm')
  const kickMm = pen.length({ path: 'kickMm', code: 'closet-kick', min: 40, max: 200 }, KICK, {
    code: 'box-bench-toes',
    terms: [],
  })
  // A box is no longer than a sheet: its top is one piece, and two boxes meet side on side.
  const mostLong = topSheet.lengthMm - 2 * sheetTrimMm
  const perBox = Math.floor((mostLong - t) / (clearMm + t))
  if (perBox < 1) return bad('longer-than-board', { mm: clearMm + 2 * t, mostMm: mostLong }, 'clearMm')
  const boxesFor = (n: number) => boxesOf(n, p.wells, { perBox, clearMm, t, highMm })
  const openingsFor = (n: number) => openingsOf(boxesFor(n), t)
  const housedIn = (n: number) => openingsFor(n).filter((o) => o.housed !== null)
  const lengthFor = (n: number) => boxesFor(n)[boxesFor(n).length - 1].to

  // Drawers end in front of it.
  const nailed: Nailed = { tied, nailer, drawers: make }
  const nailerMm = nailerIn(nailed, { well: null })
  const stacked = { aboveMm, panelMm: t, firstMm: kickMm + t }
  const grows = (levels: Level[]) => {
    if (make) return stacked.firstMm + drawersHigh(levels, make, stacked, units) <= highMm
    const over = levels[levels.length - 1].tallest?.tallMm ?? LEAST_OPEN
    const sum = levelTerms(levels, aboveMm, t)
      .flat()
      .reduce((mm, x) => mm + x.mm, kickMm)
    return sum + over + aboveMm <= highMm - nailerMm
  }
  const { machines, goods } = inWells(p, ctx, depthMm)
  const levelsOf = p.shelves === null ? null : p.shelves + 1
  const housed = (n: number) =>
    house(
      ...(make
        ? ([laidIn(make, goods), null, levelsOf, housedIn(n).map((o) => roomIn(make, o)), make.deepMm] as const)
        : ([goods, null, levelsOf, placesInBox(p.front, housedIn(n)), insideMm] as const)),
      ...([sideMm, 0, grows, LIMITS.shelves + 1, make?.mostKg] as const),
    )
  const most = Math.max(1, ...counts(LIMITS.bays).filter((n) => lengthFor(n) <= ctx.space.lengthMm))
  const usual = Math.max(1, ...counts(most).filter((n) => lengthFor(n) <= USUAL_LENGTH))
  const enough = counts(most).find((n) => n >= usual && housed(n).unhoused.length === 0) ?? most
  const things = goods.reduce((n, g) => n + g.count, 0)
  const bays = pen.count({ path: 'bays', code: 'bays', min: 1, max: LIMITS.bays }, enough, {
    code: 'box-bench-bays',
    terms: [],
    data: { things },
  })
  const found = housed(bays)
  const none: Level = { floor: false, spots: [], tallest: null }
  const usualRows = make && p.shelves === null ? drawersIn(highMm - stacked.firstMm, LIMITS.shelves + 1) : 1
  const levels = [...found.levels]
  while (levels.length < usualRows && (levels.length === 0 || grows([...levels, none]))) levels.push(none)
  const levelsCode = make ? 'drawers-over' : 'shelves-over'
  pen.count({ path: 'shelves', code: levelsCode, min: 0, max: LIMITS.shelves }, levels.length - 1, {
    code: 'shelves-goods',
    terms: [],
    data: { things },
  })
  const path = (i: number) => `topMm.${i - 1}`
  const within = { ...stacked, headMm: highMm, units, path }
  const places = make ? drawerPlaces(drawerRows(levels, make, pen, within), make, within) : good(null)
  if (!places.ok) return places
  const tops = places.value
    ? good(places.value.flatMap((x) => x.panelMm ?? []))
    : topsInside(levels, aboveMm, t, pen, { path: 'topMm', code: 'shelf-top', startMm: kickMm })
  if (!tops.ok) return tops
  const mostTop = highMm - nailerMm - LEAST_HIGH_MM
  const over = tops.value.findIndex((z) => z > mostTop)
  if (over >= 0)
    return bad(
      'box-shelf-over-top',
      { mm: tops.value[over], mostMm: mostTop, shelf: over },
      over === 0 ? 'heightMm' : `topMm.${over - 1}`,
    )
  const leastMm = thick + tops.value[0] + LEAST_HIGH_MM + nailerIn(nailed, { well: 0 })
  const low = p.wells.findIndex((w) => heightMm - w.tableMm < leastMm)
  if (low >= 0)
    return bad('box-well-too-low', { mm: Math.max(0, heightMm - p.wells[low].tableMm), leastMm }, `wells.${low}`)
  if (p.feet === 'pinned' && ctx.space.floor === 'slab' && kickMm < ANGLE_ROOM_MM)
    return bad('box-angle-over-kick', { mm: kickMm, leastMm: ANGLE_ROOM_MM }, 'kickMm')
  const rowsUp = liftRows(p, sheet, boxesFor(bays), {
    ...{ ...nailed, tops: tops.value, clearMm },
    deepMm: frontMm - back.thicknessMm,
  })
  if (!rowsUp.ok) return rowsUp
  const corner = cornerCut(p, ctx, pen, { depthMm, lengthMm: lengthFor(bays) })
  if (!corner.ok) return corner
  return good({
    unhoused: found.unhoused,
    plan: {
      ...{ sheet, topSheet, back, layers, heightMm, depthMm, frontMm, levels, tied, nailer, machines },
      corner: corner.value,
      backMm: back.thicknessMm,
      boxes: boxesFor(bays),
      openings: openingsFor(bays),
      tops: tops.value,
      dadoMm: dadoDepth(t, units),
      play: { sideMm, aboveMm },
      rowsUp: rowsUp.value,
      drawers: make && places.value ? { make, places: places.value } : null,
    },
  })
}

/** How drawers are made; null where none are asked for. */
function drawersOf(
  p: BoxBenchParams,
  ctx: ShapeContext,
  s: { box: Sheet; deepMm: number; nailerMm: number },
): Result<DrawerMake | null> {
  return p.front === 'drawers' ? highDrawers(p, ctx, s, 'depthMm') : good(null)
}

/** Leaves that turn up under the top of each box, and under its shelves. */
function liftRows(
  p: BoxBenchParams,
  sheet: Sheet,
  boxes: readonly BenchBox[],
  s: Nailed & Pick<Plan, 'tops'> & { clearMm: number; deepMm: number },
): Result<Row[][]> {
  const out: Row[][] = []
  if (p.front !== 'lift-up') return good(out)
  const t = sheet.thicknessMm
  for (const b of boxes) {
    const tops = s.tops.slice(0, levelsIn(s, b))
    const rows = rowsOf(tops[0] - t, b.highMm - GAP_MM, tops, b.highMm, t)
    const fitted = sprung(rows, { sheet, left: 0, right: s.clearMm + t, frontMm: 0, deepMm: s.deepMm })
    if (!fitted.ok) return fitted
    out.push(rows)
  }
  return good(out)
}

const counts = (most: number): number[] => Array.from({ length: most }, (_, i) => i + 1)

/** Depth of the top, and the front of the boxes: behind what the top stands out and what closes them. */
function depths(
  p: BoxBenchParams,
  ctx: ShapeContext,
  pen: DimPen,
  topSheet: Sheet,
  back: Sheet,
): Result<{ depthMm: number; frontMm: number }> {
  const deep = benchDepth(ctx, pen, topSheet, { code: 'box-overhang' })
  if (!deep.ok) return deep
  const { depthMm, overhangMm } = deep.value
  const pulls = p.front === 'drawers' && p.hand === 'pull' ? PULL.outMm : 0
  const closing = pulls + frontDeep(p.front, findSheet(p.sheet)!.thicknessMm, ctx.settings.yard)
  const frontMm = depthMm - overhangMm - closing
  const leastMm = depthMm - frontMm + back.thicknessMm + LEAST_DEEP_MM
  return depthMm < leastMm ? bad('box-bench-shallow', { mm: depthMm, leastMm }, 'depthMm') : good({ depthMm, frontMm })
}

/** Machines in the wells, and what stands in the openings. */
function inWells(p: BoxBenchParams, ctx: ShapeContext, deepMm: number) {
  if (p.wells.length === 0) return { machines: [], goods: ctx.goods }
  const { machines, rest } = intoWells(
    ctx.goods,
    p.wells.map(({ wideMm }) => ({ wideMm, deepMm })),
  )
  return { machines, goods: rest.map((item) => ({ item, count: 1 })) }
}

interface InBoxes {
  /** Openings in one box at most, and their clear width. */
  perBox: number
  clearMm: number
  t: number
  highMm: number
}

/**
 * Openings in as few boxes as give them between the wells, each box as long as the others or one opening less; and each
 * well, a lower box of its own.
 */
function boxesOf(bays: number, wells: readonly BoxWell[], { perBox, clearMm, t, highMm }: InBoxes): BenchBox[] {
  const out: BenchBox[] = []
  let [x, first] = [0, 0]
  const put = (n: number, openMm: number, high: Pick<BenchBox, 'highMm' | 'well'>) => {
    const lefts = Array.from({ length: n + 1 }, (_, i) => x + i * (openMm + t))
    out.push({ from: x, to: lefts[n] + t, lefts, bays: Array.from({ length: n }, (_, i) => first + i), ...high })
    x = lefts[n] + t
    first += n
  }
  const stretch = (n: number) => {
    const boxes = Math.ceil(n / perBox)
    for (let b = 0; b < boxes; b++)
      put(Math.floor(n / boxes) + (b < n % boxes ? 1 : 0), clearMm, { highMm, well: null })
  }
  let done = 0
  const order = wells.map((w, well) => ({ ...w, well })).sort((a, b) => a.after - b.after)
  for (const { after, wideMm, tableMm, well } of order) {
    const upTo = Math.min(after, bays)
    stretch(upTo - done)
    done = upTo
    const n = Math.max(1, Math.ceil((wideMm - t) / (Math.max(clearMm, WELL_CLEAR) + t) - 1e-9))
    put(n, (wideMm - t) / n - t, { highMm: highMm - tableMm, well })
  }
  stretch(bays - done)
  return out
}

/** Openings from the left; goods stand in those that are in no well. */
function openingsOf(boxes: readonly BenchBox[], t: number): BoxOpening[] {
  let next = 0
  return boxes.flatMap(({ lefts, well }) =>
    lefts.slice(1).map((x, i) => ({ left: lefts[i] + t, right: x, housed: well === null ? next++ : null })),
  )
}
