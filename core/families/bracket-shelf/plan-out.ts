import { unitsOf } from '../../assembly/settings.ts'
import { FROM_FRONT_MM, SHORT_LEG_MM, type Pair } from '../../blocks/arms/bracket.ts'
import { standsOut } from '../../blocks/fronts/front.ts'
import { bracesAt } from '../../blocks/frame/brace.ts'
import { braceLine } from '../../blocks/frame/brace-line.ts'
import { joistsToHangFrom, type KnownJoists } from '../../blocks/mounts/on-rods.ts'
import { placesOnStuds } from '../../blocks/mounts/on-studs.ts'
import { depthToHold } from '../../blocks/sizing/depth-to-hold.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { OVER_BENCH_MM, reachMm } from '../../goods/person.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped, Term } from '../family.ts'
import { house, LEAST_OPEN, type Level, type Opening } from '../house-on-shelves.ts'
import { spliceOver, type Stretch } from '../../blocks/sizing/splice.ts'
import { LIMITS, pairKind, type BracketShelfParams } from './parameters.ts'

export interface ReasonData {
  'apart-widest': { widestMm: number }
  'apart-usual': { everyMm: number }
  'down-per-out': { outMm: number }
  'up-to-shelf': object
  'down-to-shelf': object
}
export interface ProblemData {
  'too-few-studs': { count: number; mm: number }
  'no-room-for-bracket': { leastMm: number; shelf: number }
  'bracket-too-shallow': { mm: number; leastMm: number }
  'bracket-too-low': { mm: number; mostMm: number }
  'brace-no-angle': { outMm: number; mm: number }
  'hung-one-shelf': { count: number }
  'arm-under-braces': { mm: number; leastMm: number }
}

/** Nothing closes a shelf on brackets. */
export const STICK_OUT = standsOut('open')
/** Brackets are usually no closer than this, centre to centre: every second stud. Builders' usual. */
const USUAL_APART = inches(24)
/** Studs so little nearer than that, as a share of it, each take one. */
const HARDLY_NEARER = 0.9
const usualApart = ({ construction: c }: ShapeContext['space']): number =>
  c.kind === 'studs' && c.spacingMm >= HARDLY_NEARER * USUAL_APART ? Math.min(USUAL_APART, c.spacingMm) : USUAL_APART
/** The shelf reaches past its end brackets by this much, mm. Product decision. */
const PAST_END = 50
/** A bracket reaches about as far down as it reaches out: 0.8 of it is a usual look and keeps the angle near 45°. */
const DOWN_PER_OUT = 0.8
const LEAST_DOWN = 100
/** Of an arm before its leg, mm: a gusset's slant, or the washer of a rod. Product decision. */
const PAST_LEG_MM = 20

export interface Plan {
  sheet: Sheet
  frame: Section
  wideMm: number
  deepMm: number
  /** Middles of the brackets. */
  brackets: number[]
  openings: Opening[]
  levels: Level[]
  tops: number[]
  depthMm: number
  /** How far a bracket reaches down, or up, from the underside of its shelf. */
  downMm: number
  above: boolean
  /** What the front corner at its right end hangs from; null where that is on a bracket. */
  joists: KnownJoists | null
  pair: Pair
  /** Left end of all, and the sheets of each shelf from there. */
  left: number
  sheets: Stretch[]
  play: { sideMm: number; aboveMm: number }
}
type Planned = { plan: Plan; unhoused: Shaped['unhoused'] }

/** Leg and arm, along the wall and from face to face. */
export function frameOf(p: BracketShelfParams, ctx: ShapeContext): { frame: Section; wideMm: number; deepMm: number } {
  const frame = findSection(p.frameSection)!
  const half = roundDown((frame.widthMm - ctx.settings.kerfMm) / 2, unitsOf(ctx.settings))
  return { frame, wideMm: frame.thicknessMm, deepMm: p.frame === 'ripped' ? half : frame.widthMm }
}

const pairThickness = (p: BracketShelfParams): number =>
  pairKind(p) === 'gusset' ? findSheet(p.gussetSheet)!.thicknessMm : findSection(p.kneeSection)!.thicknessMm

export function planOut(p: BracketShelfParams, ctx: ShapeContext, pen: DimPen): Result<Planned> {
  const sheet = findSheet(p.sheet)!
  const units = unitsOf(ctx.settings)
  const { frame, wideMm, deepMm } = frameOf(p, ctx)
  const [t, side] = [sheet.thicknessMm, pairThickness(p)]
  const half = wideMm / 2 + side
  const { aboveMm, sideMm } = shelfPlay(pen, 400)
  const deepest = Math.max(...ctx.goods.map((g) => g.item.deepMm))
  // A leg is as deep as an arm is high: the gusset slants past it, or the rod hangs clear of it.
  const pastLeg = p.end === 'hung' ? FROM_FRONT_MM + PAST_LEG_MM : pairKind(p) === 'gusset' ? PAST_LEG_MM : 0
  const leastDeep = deepMm + pastLeg
  const wantedDeep = Math.max(deepest, leastDeep + STICK_OUT)
  const deep = depthToHold(sheet, { settings: ctx.settings, spaceMm: ctx.space.depthMm }, wantedDeep, {
    takenMm: 0,
    sheetMm: 0,
    outMm: STICK_OUT,
  })
  const depthMm = pen.length({ path: 'depthMm', code: 'depth', min: 100, max: 700 }, deep.mm, deep.why)
  const widestStrip = sheet.widthMm - 2 * ctx.settings.sheetTrimMm
  if (depthMm > widestStrip) return bad('deeper-than-sheet', { mm: depthMm, mostMm: widestStrip }, 'depthMm')

  const widest = Math.max(...ctx.goods.map((g) => g.item.acrossMm))
  const needed = widest + 2 * sideMm + 2 * half
  const mostLong = sheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  const placesFor = (mm: number) => placesOnStuds(ctx.space, { halfMm: half, apartMm: mm, pastMm: PAST_END })
  /** From where to where the shelves go on so many brackets, and their sheets; null where those are too short. */
  const runOn = (brackets: readonly number[]) => {
    const left = Math.max(0, brackets[0] - half - PAST_END)
    const right = Math.min(ctx.space.lengthMm, brackets[brackets.length - 1] + half + PAST_END)
    const sheets = spliceOver(right - left, mostLong, brackets.map((x) => x - left)) // prettier-ignore
    return sheets && { left, sheets }
  }
  const tallOf = (l: Level) => l.tallest?.tallMm ?? LEAST_OPEN
  const frameMm = deepMm + t
  const riseOf = (levels: readonly Level[]) =>
    levels.slice(0, -1).reduce((s, l) => s + tallOf(l) + aboveMm + frameMm, 0)
  const room = ctx.space.heightMm - Math.min(OVER_BENCH_MM, ctx.space.heightMm / 2)
  const grows = (levels: Level[]) => riseOf(levels) + tallOf(levels[levels.length - 1]) + aboveMm <= room
  const housedIn = (openings: Opening[], shelves: number | null) =>
    house(ctx.goods, null, shelves, openings, depthMm, sideMm, STICK_OUT, grows, LIMITS.shelves)
  /** Over an only shelf nothing hangs down: things stand anywhere on it, whatever is under it. */
  const overOne = (places: readonly number[], bays: number): Opening[] | null => {
    const run = runOn(places.slice(0, bays + 1))
    return run && run.sheets.map((x) => ({ left: run.left + x.from, right: run.left + x.to }))
  }
  const counts = (places: readonly number[]) =>
    Array.from({ length: Math.min(LIMITS.bays, Math.max(0, places.length - 1)) }, (_, i) => i + 1)
  const usualMm = usualApart(ctx.space)
  const closeMm = p.apartMm ?? roundUp(usualMm, units)
  const close = placesFor(closeMm)
  const onOne = counts(close).find((n) => {
    const openings = (p.bays ?? n) === n ? overOne(close, n) : null
    return openings !== null && housedIn(openings, 1).unhoused.length === 0
  })
  const isOne = p.stand === 'below' && (p.shelves ?? 1) === 1 && (onOne !== undefined || p.shelves === 1)
  const apartMm = pen.length(
    { path: 'apartMm', code: 'brackets-apart', min: 200, max: 1800 },
    roundUp(Math.max(usualMm, isOne ? 0 : needed), units),
    needed > usualMm && !isOne
      ? { code: 'apart-widest', terms: [], data: { widestMm: widest } }
      : { code: 'apart-usual', terms: [], data: { everyMm: usualMm } },
  )
  const places = placesFor(apartMm)
  if (places.length < 2) return bad('too-few-studs', { count: places.length, mm: apartMm }, 'apartMm')

  const openingsFor = (n: number): Opening[] =>
    (isOne ? overOne(places, n) : null) ??
    Array.from({ length: n }, (_, i) => ({ left: places[i] + half, right: places[i + 1] - half }))
  const housed = (n: number) => housedIn(openingsFor(n), isOne ? 1 : p.shelves)
  const most = counts(places).length
  const enough = counts(places).find((n) => housed(n).unhoused.length === 0) ?? most
  const why = { code: 'shelves-goods', terms: [], data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) } }
  const bays = pen.count({ path: 'bays', code: 'bays', min: 1, max: LIMITS.bays }, enough, why)
  if (bays > most) return bad('too-few-studs', { count: places.length, mm: apartMm }, 'bays')
  const { levels, unhoused } = housed(bays)
  pen.count({ path: 'shelves', code: 'shelves', min: 1, max: LIMITS.shelves }, levels.length, why)

  const heights = topsOf(levels, { aboveMm, deepMm, t }, ctx, pen)
  if (!heights.ok) return heights
  const tops = heights.value
  const above = p.stand === 'above'
  // Under a shelf down to the one below, or the floor; over it up to the one above, or the ceiling.
  const gaps = above
    ? tops.map((z, i) => (i + 1 < tops.length ? tops[i + 1] - frameMm : ctx.space.ceilingMm) - z + t)
    : tops.map((z, i) => z - frameMm - (i === 0 ? 0 : tops[i - 1]))
  const mostDown = Math.min(...gaps)
  if (mostDown < LEAST_DOWN)
    return bad(
      'no-room-for-bracket',
      { leastMm: LEAST_DOWN + frameMm, shelf: gaps.indexOf(mostDown) + 1 },
      `topMm.${gaps.indexOf(mostDown)}`,
    )
  const wanted = Math.max(LEAST_DOWN, DOWN_PER_OUT * depthMm)
  const downMm = pen.length(
    { path: 'reachMm', code: above ? 'bracket-up' : 'bracket-down', min: LEAST_DOWN, max: 900 },
    roundDown(Math.min(wanted, mostDown), units),
    wanted > mostDown
      ? { code: above ? 'up-to-shelf' : 'down-to-shelf', terms: [] }
      : { code: 'down-per-out', terms: [], data: { outMm: depthMm } },
  )
  if (downMm > mostDown) return bad('bracket-too-low', { mm: downMm, mostMm: mostDown }, 'reachMm')
  const hung = p.end === 'hung' ? joistsToHangFrom(ctx.space) : good(null)
  if (!hung.ok) return hung
  if (hung.value && tops.length > 1) return bad('hung-one-shelf', { count: tops.length }, 'shelves')
  // The leg of what hangs is under its arm, whatever the others are.
  if (hung.value && tops[0] - frameMm < SHORT_LEG_MM)
    return bad('no-room-for-bracket', { leastMm: SHORT_LEG_MM + frameMm, shelf: 1 }, 'topMm.0')
  if (depthMm < leastDeep) return bad('bracket-too-shallow', { mm: depthMm, leastMm: leastDeep }, 'depthMm')
  const pair = pairOf(p, depthMm, downMm + deepMm)
  if (!pair.ok) return pair

  const brackets = places.slice(0, bays + 1)
  const run = runOn(brackets)
  if (!run) return bad('longer-than-board', { mm: apartMm, mostMm: mostLong }, 'apartMm')
  return good({
    unhoused,
    plan: {
      sheet,
      frame,
      wideMm,
      deepMm,
      brackets,
      openings: openingsFor(bays),
      levels,
      tops,
      depthMm,
      downMm,
      pair: pair.value,
      above,
      joists: hung.value,
      ...run,
      play: { sideMm, aboveMm },
    },
  })
}

/** Tops of all shelves above the floor, the lowest where all stay in reach. */
function topsOf(
  levels: readonly Level[],
  { aboveMm, deepMm, t }: { aboveMm: number; deepMm: number; t: number },
  ctx: ShapeContext,
  pen: DimPen,
): Result<number[]> {
  const lowest = LEAST_DOWN + deepMm + t
  const terms = (l: Level): Term[] => {
    const own: Term[] = [
      { name: 'tallest', mm: l.tallest?.tallMm ?? LEAST_OPEN },
      { name: 'above-play', mm: aboveMm },
      { name: 'frame', mm: deepMm },
      { name: 'sheet', mm: t },
    ]
    // Over low things there is room for the brackets of the next shelf all the same.
    const missing = lowest - own.reduce((s, x) => s + x.mm, 0)
    return missing > 0 ? [...own, { name: 'room-for-brace', mm: missing }] : own
  }
  const rises = levels.slice(0, -1).map((l) => terms(l).reduce((s, x) => s + x.mm, 0))
  const rise = rises.reduce((s, x) => s + x, 0)
  const last = levels[levels.length - 1].tallest?.tallMm ?? LEAST_OPEN
  const reach = reachMm(ctx.settings.personMm) - rise
  const under = ctx.space.heightMm - rise - last - aboveMm
  const hang = Math.max(lowest, Math.min(OVER_BENCH_MM, reach, under))
  const tops = [
    pen.length(
      { path: 'topMm.0', code: 'shelf-top', data: { shelf: 1 }, min: 100, max: 3000 },
      roundDown(hang, unitsOf(ctx.settings)),
      {
        code: hang === OVER_BENCH_MM ? 'hang-bench' : hang === reach ? 'hang-reach' : 'hang-ceiling',
        terms: [],
        data: { benchMm: OVER_BENCH_MM },
      },
    ),
  ]
  levels
    .slice(0, -1)
    .forEach((l, i) =>
      tops.push(
        pen.sum(
          { path: `topMm.${i + 1}`, code: 'shelf-top', data: { shelf: i + 2 }, min: 100, max: 3000 },
          [{ name: 'shelf-below', mm: tops[i] }, ...terms(l)],
          'goods-below',
        ),
      ),
    )
  for (let i = 1; i < tops.length; i++)
    if (tops[i] < tops[i - 1] + lowest)
      return bad('shelves-overlap', { mm: tops[i], leastMm: tops[i - 1] + lowest, shelf: i + 1 }, `topMm.${i}`)
  return good(tops)
}

/** The gussets or braces of a bracket `outMm` long and `highMm` high. */
function pairOf(p: BracketShelfParams, outMm: number, highMm: number): Result<Pair> {
  if (pairKind(p) === 'gusset')
    return good({ kind: 'gusset', sheet: p.gussetSheet, thicknessMm: findSheet(p.gussetSheet)!.thicknessMm, outMm })
  const section = findSection(p.kneeSection)!
  const line = braceLine(outMm, highMm, section.widthMm)
  if (!line || !bracesAt(line.angleRad)) return bad('brace-no-angle', { outMm, mm: highMm }, 'reachMm')
  return good({
    kind: 'knee',
    widthMm: section.widthMm,
    thicknessMm: section.thicknessMm,
    outMm,
  })
}
