import { unitsOf } from '../../assembly/settings.ts'
import { crossesUnder } from '../../blocks/frame/shelf-frame.ts'
import { boltRow, furthestBolt, type BoltRow } from '../../blocks/mounts/on-bolts.ts'
import { acrossJoists, dropOut, pastDrop, placeWide, saddleMm } from '../../blocks/mounts/on-drops.ts'
import {
  besideJoist,
  highestHung,
  joistsToHangFrom,
  overJoists,
  PAST_ROD_MM,
  ROD_OUT_MM,
  rowPlaces,
  type KnownJoists,
} from '../../blocks/mounts/on-rods.ts'
import { pastTwoStuds } from '../../blocks/mounts/pieces-on-studs.ts'
import { fixingsBehind } from '../../blocks/mounts/wall-fixing.ts'
import { depthToHold } from '../../blocks/sizing/depth-to-hold.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { findRod, ROD_LENGTHS, type Rod } from '../../catalogue/steel.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { longestBoard } from '../boards-of.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { betweenRods, fill, reachesMm, withoutPlace, type Opening, type Spot } from '../house-on-shelves.ts'
import { spliceOver, type Stretch } from '../../blocks/sizing/splice.ts'
import { LIMITS, type CeilingPlatformParams } from './parameters.ts'
import { countedKg } from '../../goods/presumed.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'platform-past-joist': object
  'platform-goods': { things: number }
  'platform-rows': object
  'platform-under-ceiling': { tallMm: number }
  'bearers-apart': { everyMm: number }
}
export interface ProblemData {
  'platform-in-ceiling': { mm: number; mostMm: number }
  'platform-too-low': { mm: number; leastMm: number }
  'cleat-misses-studs': { count: number }
  'deck-not-spliced': { mostMm: number }
}

/** Bearers are no further apart than this, middle to middle. Product decision: two stud bays. */
const BEARERS_EVERY = inches(32)
/** Cross pieces no further apart: half-inch panels are rated for about so much. */
const CROSS_EVERY = inches(16)
/** To lift things over the front edge and slide them in. */
const PLAY_ABOVE = inches(2)
/** A sheet longer than this is not got up there by one or two on ladders, mm. Product decision. */
const LONGEST_SHEET = 1220
const LEAST_STUDS = 2
/** Room left under what hangs, mm: one ducks under it at least. Product decision. */
const LEAST_UNDER_MM = 1200

/** What the front hangs from. */
type Hangs = { kind: 'joists'; joists: KnownJoists } | { kind: 'bolts'; bolts: BoltRow['bolts'] }

export interface Plan {
  sheet: Sheet
  frame: Section
  bearer: Section
  spreader: Section
  rod: Rod
  /** What it hangs from: joists that are known, or bolts. */
  hangs: Hangs
  lengthMm: number
  depthMm: number
  topMm: number
  /** Underside of the bearers, and upper edge of the cleats. */
  underMm: number
  /** Middles of the bearers, and of all rods or drops out from the wall; how long the bearers are. */
  bearers: number[]
  rodOutMm: number
  bearerMm: number
  crosses: number[]
  cleats: Stretch[]
  rails: Stretch[]
  sheets: Stretch[]
  openings: Opening[]
  spots: Spot[]
  play: { sideMm: number; aboveMm: number }
}

export function planOut(
  p: CeilingPlatformParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const known: Result<KnownJoists | null> = p.front === 'bolts' ? good(null) : joistsToHangFrom(ctx.space)
  if (!known.ok) return known
  const joists = known.value
  if (!joists && furthestBolt(ctx.space.prepared) === 0) return bad('too-few-bolts', { count: 0, outMm: 0 }, 'front')
  const units = unitsOf(ctx.settings)
  const [frame, bearer, spreader] = [p.frameSection, p.bearerSection, p.spreaderSection].map((s) => findSection(s)!)
  const [sheet, rod] = [findSheet(p.sheet)!, findRod(p.rod)!]
  const { aboveMm, sideMm } = shelfPlay(pen, 600, PLAY_ABOVE)
  const front = frontOf(p, bearer, rod, joists)
  const goods = ctx.goods.flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const least = 2 * frame.thicknessMm + 50
  // Where joists run along the wall its front hangs between the first and the next.
  const firstMm = joists?.run === 'along' ? Math.min(...joists.atMm) : null
  const pastJoistMm = firstMm === null ? 0 : firstMm + besideJoist(joists!, front.acrossJoists) - front.outMm
  const deepestMm = Math.max(...goods.map((g) => g.deepMm))
  const spaceMm = Math.min(ctx.space.depthMm, joists ? Infinity : furthestBolt(ctx.space.prepared) + PAST_ROD_MM)
  const deepFor = (mm: number) =>
    depthToHold(sheet, { settings: ctx.settings, spaceMm }, Math.max(least, pastJoistMm, mm), {
      ...{ takenMm: front.outMm + front.pastMm, sheetMm: 0, outMm: 0 },
    })

  // Long enough for all between its rods, as far as the wall goes.
  const edge = front.wideMm
  const most = ctx.space.lengthMm
  const widestMm = Math.max(...goods.map((g) => g.acrossMm)) + 2 * sideMm + 2 * edge
  // Its cleat is held in two studs.
  const shortest = pastTwoStuds(ctx.space, Math.min(most, roundUp(widestMm, units)), (mm) => roundUp(mm, units))
  // What is wider than bearers usually are apart goes between two of them as well, as far as a piece of the deck reaches.
  const apartMm = Math.max(BEARERS_EVERY, Math.min(widestMm, LONGEST_SHEET))
  const bearersOf = (mm: number) =>
    p.bearers ?? Math.min(LIMITS.bearers, 1 + Math.max(1, Math.ceil((mm - edge) / apartMm - 1e-9)))
  const layOut = (mm: number, deepMm: number): Result<Pick<BoltRow, 'xs' | 'outMm'> & Partial<BoltRow>> =>
    joists
      ? rowPlaces(joists, front.acrossJoists, {
          ...{ lengthMm: mm, outMm: deepMm + front.outMm, edgeMm: edge, count: bearersOf(mm) },
        })
      : boltRow(ctx.space.prepared, { lengthMm: mm, outMm: deepMm + front.outMm, edgeMm: edge })
  const queue = [...goods].sort((a, b) => countedKg(b) - countedKg(a) || b.acrossMm - a.acrossMm)
  const overBearersMm = sheet.thicknessMm + frame.widthMm
  const highestGoods = Math.max(...goods.map((g) => g.tallMm))
  const aboutUnderMm = ctx.space.ceilingMm - highestGoods - aboveMm - overBearersMm - bearer.thicknessMm
  const stood = (openings: Opening[], deepMm: number) => fill(queue, openings, deepMm, sideMm, 0)
  const leftAt = (mm: number, deepMm: number): number => {
    const r = layOut(mm, deepMm)
    return r.ok ? stood(betweenRods(r.value.xs, front.leaves), deepMm).left.length : Infinity
  }
  const isMade = (mm: number, deepMm: number): boolean => {
    const r = layOut(mm, deepMm)
    if (!r.ok || !runsOf(p, ctx, { lengthMm: mm, underMm: aboutUnderMm, bearer }, r.value.xs).ok) return false
    // Where joists run out one spreader lies over all rods.
    const lies = joists?.run === 'out' ? overJoists(joists, Math.min(...r.value.xs), Math.max(...r.value.xs)) : null
    return !lies || lies.to - lies.from <= longestBoard(ctx, p.spreaderSection)
  }
  /** Of a depth the length in which all has a place, or as far as boards and sheets go. */
  const longFor = (deepMm: number): { mm: number; left: number } => {
    let mm = shortest
    while (mm < most && leftAt(mm, deepMm) > 0) mm = Math.min(most, mm + GROWS_MM)
    while (mm > shortest && !isMade(mm, deepMm)) mm = Math.max(shortest, mm - GROWS_MM)
    return { mm, left: isMade(mm, deepMm) ? leftAt(mm, deepMm) : Infinity }
  }
  const sizes =
    p.depthMm === null ? depthsFor(ctx.goods, spaceMm).map(deepFor) : [{ ...deepFor(deepestMm), mm: p.depthMm }]
  const sized = leastLeft(sizes, ({ mm }) => longFor(mm))
  const depthMm = pen.length(
    { path: 'depthMm', code: 'depth', min: 200, max: 1220 },
    p.depthMm === null ? sized.size.mm : deepFor(deepestMm).mm,
    pastJoistMm > deepestMm
      ? { code: 'platform-past-joist', terms: [] }
      : sized.size === sizes[0]
        ? sized.size.why
        : { code: 'platform-rows', terms: [] },
  )
  const widest = sheet.widthMm - 2 * ctx.settings.sheetTrimMm
  if (depthMm > widest) return bad('deeper-than-sheet', { mm: depthMm, mostMm: widest }, 'depthMm')
  if (depthMm < least) return bad('too-shallow', { mm: depthMm, leastMm: least }, 'depthMm')
  const lengthMm = pen.length(
    { path: 'lengthMm', code: 'length', min: 300, max: 6000 },
    Math.min(roundUp(sized.long.mm, units), most),
    {
      code: 'platform-goods',
      terms: [],
      data: { things: goods.length },
    },
  )
  if (joists)
    pen.count({ path: 'bearers', code: 'bearers', min: 2, max: LIMITS.bearers }, bearersOf(lengthMm), {
      code: 'bearers-apart',
      terms: [],
      data: { everyMm: apartMm },
    })
  const rods = layOut(lengthMm, depthMm)
  if (!rods.ok) return rods
  const openings = betweenRods(rods.value.xs, front.leaves)
  const { spots, left } = stood(openings, depthMm)
  const tallest = Math.max(...spots.map(reachesMm), 0)
  // Over bearers on rods there is room for their couplings under the ceiling.
  const underCouplings = p.front !== 'drops' ? highestHung(ctx.space.ceilingMm, overBearersMm) : Infinity
  const mostMm = Math.min(ctx.space.ceilingMm - tallest, underCouplings)
  const highest = Math.min(mostMm, ctx.space.ceilingMm - tallest - aboveMm)
  const topMm = pen.length({ path: 'topMm', code: 'platform-top', min: 600, max: 4500 }, highest, {
    code: 'platform-under-ceiling',
    terms: [],
    data: { tallMm: tallest },
  })
  if (topMm > mostMm) return bad('platform-in-ceiling', { mm: topMm, mostMm }, 'topMm')

  const underMm = topMm - overBearersMm - bearer.thicknessMm
  const deepMm = ctx.space.ceilingMm - underMm
  if (underMm < LEAST_UNDER_MM)
    return bad('platform-too-low', { mm: Math.max(0, underMm), leastMm: LEAST_UNDER_MM }, 'topMm')
  const longestRod = Math.max(...ROD_LENGTHS[rod.system])
  if (p.front !== 'drops' && deepMm > longestRod)
    return bad('rod-too-long', { mm: deepMm, mostMm: longestRod }, 'topMm')
  const dropMm = joists ? deepMm + joists.size.deepMm + bearer.thicknessMm + saddleMm(bearer, joists.run) : 0
  if (p.front === 'drops' && dropMm > longestBoard(ctx, p.bearerSection))
    return bad('longer-than-board', { mm: dropMm, mostMm: longestBoard(ctx, p.bearerSection) }, 'topMm')
  const runs = runsOf(p, ctx, { lengthMm, underMm, bearer }, rods.value.xs)
  if (!runs.ok) return runs
  const every = pen.length({ path: 'crossEveryMm', code: 'cross-every', min: 150, max: 1300 }, CROSS_EVERY, {
    code: 'sheet-span',
    terms: [],
    data: { everyMm: CROSS_EVERY },
  })
  return good({
    unhoused: withoutPlace(left),
    plan: {
      sheet,
      frame,
      bearer,
      spreader,
      rod,
      hangs: rods.value.bolts ? { kind: 'bolts', bolts: rods.value.bolts } : { kind: 'joists', joists: joists! },
      lengthMm,
      depthMm,
      topMm,
      underMm,
      bearers: rods.value.xs,
      rodOutMm: rods.value.outMm,
      bearerMm: rods.value.outMm + front.pastMm,
      ...runs.value,
      crosses: crossesUnder(lengthMm, every, frame.thicknessMm, runs.value.sheets),
      openings,
      spots,
      play: { sideMm, aboveMm },
    },
  })
}
/** Rows of things alike that are tried behind each other. */
const MOST_ROWS = 3
/** Depths that are tried, the least first: of the deepest thing, and of several alike behind each other, mm. */
function depthsFor(goods: ShapeContext['goods'], spaceMm: number): number[] {
  const deepest = Math.max(...goods.map((g) => g.item.deepMm))
  const rows = goods.flatMap(({ item, count }) =>
    Array.from({ length: Math.min(count, MOST_ROWS) - 1 }, (_, i) => (i + 2) * item.deepMm),
  )
  return [deepest, ...[...new Set(rows)].filter((mm) => mm > deepest && mm <= spaceMm).sort((a, b) => a - b)]
}

/** The first of some sizes that leaves nothing out, or else least. */
function leastLeft<T, L extends { left: number }>(sizes: readonly T[], longFor: (size: T) => L): { size: T; long: L } {
  let best = { size: sizes[0], long: longFor(sizes[0]) }
  for (const size of sizes.slice(1)) {
    if (best.long.left === 0) break
    const long = longFor(size)
    if (long.left < best.long.left) best = { size, long }
  }
  return best
}

/** What hangs the front: how far out it is and the bearer past it, how wide across the joists and along the wall. mm */
function frontOf(p: CeilingPlatformParams, bearer: Section, rod: Rod, joists: KnownJoists | null) {
  return p.front === 'drops'
    ? {
        outMm: dropOut(bearer),
        pastMm: pastDrop(bearer),
        acrossJoists: { diameterMm: acrossJoists(bearer, joists?.run ?? 'along') },
        wideMm: placeWide(bearer),
        // Half of it on either side, and a hand's room.
        leaves: { diameterMm: placeWide(bearer) / 2 + HAND_MM },
      }
    : { outMm: ROD_OUT_MM, pastMm: PAST_ROD_MM, acrossJoists: rod, wideMm: bearer.widthMm, leaves: rod }
}

/** Beside a drop, mm. Product decision. */
const HAND_MM = 10

/** A platform is tried this much longer each time, mm. */
const GROWS_MM = 20

/** Cleats in pieces that meet on studs, rails in pieces that meet over bearers, sheets that can be got up there. */
function runsOf(
  p: CeilingPlatformParams,
  ctx: ShapeContext,
  { lengthMm, underMm, bearer }: Pick<Plan, 'lengthMm' | 'underMm' | 'bearer'>,
  bearers: number[],
): Result<Pick<Plan, 'cleats' | 'rails' | 'sheets'>> {
  const longest = (section: string) => longestBoard(ctx, section)
  const cleat = {
    left: 0,
    right: lengthMm,
    low: underMm - bearer.widthMm,
    high: underMm,
    throughMm: bearer.thicknessMm,
  }
  const studs = fixingsBehind(ctx.space, cleat, underMm - bearer.widthMm / 2).map((f) => f.x)
  if (studs.length < LEAST_STUDS) return bad('cleat-misses-studs', { count: studs.length }, 'lengthMm')
  const seats = [0, ...bearers.slice(1, -1), lengthMm]
  const cleats = spliceOver(lengthMm, longest(p.bearerSection), [0, ...studs, lengthMm])
  const rails = spliceOver(lengthMm, longest(p.frameSection), seats)
  // Sheets meet over bearers: what stands between two rods stands on one of them.
  const sheets = spliceOver(lengthMm, LONGEST_SHEET, seats)
  if (!sheets) return bad('deck-not-spliced', { mostMm: LONGEST_SHEET }, 'bearers')
  if (!cleats || !rails) return bad('longer-than-board', { mm: lengthMm, mostMm: longest(p.frameSection) }, 'lengthMm')
  return good({ cleats, rails, sheets })
}
