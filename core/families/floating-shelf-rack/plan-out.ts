import { unitsOf } from '../../assembly/settings.ts'
import { shareOf } from '../../blocks/sizing/share-of.ts'
import { besideHinges, frontDeep, takenByHinges } from '../../blocks/fronts/front.ts'
import { hingeRoom } from '../../blocks/fronts/hinged.ts'
import { slidingFault } from '../../blocks/fronts/sliding.ts'
import { ANGLE_ROOM_MM } from '../../blocks/mounts/pinned-foot.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { reachMm } from '../../goods/person.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { leastOverTwo } from '../../room/onto-studs.ts'
import { canHoldTie } from '../../room/room.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import { grownTo, house, LEAST_OPEN, type Level, type Opening } from '../house-on-shelves.ts'
import type { Planned } from '../opened.ts'
import { rowsHeld } from '../stands-alone.ts'
import { LIMITS, type FloatingShelfRackParams } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'floating-width': { parts: number; sheetMm: number; widestMm: number }
  'floating-depth': { parts: number; sheetMm: number; deepestMm: number }
  'floating-high': { things: number; reachMm: number }
  'floating-rise': Record<string, never>
  'floating-shelves': { things: number; places: number }
  'floating-bays': { things: number }
}
export interface ProblemData {
  'floating-too-wide': { mm: number; mostMm: number }
  'floating-too-deep': { mm: number; mostMm: number }
  'floating-too-high': { mm: number; mostMm: number }
  'floating-rise-low': { mm: number; leastMm: number }
  'floating-top-narrow': { mm: number; leastMm: number }
  'floating-angles-meet': { mm: number; leastMm: number }
  'floating-too-many': { count: number; most: number }
}

/** From one pair of cleats to the next. Product decision: a hand more or less. */
const RISE = inches(4)
/** The lowest pair of cleats, above the floor, mm. */
const FIRST_MM = 100
const LEAST_WIDE_MM = 450
const LEAST_DEEP_MM = 280
/** Thin sheet spans no further, and nobody reaches deeper, mm. */
const MOST_WIDE_MM = 1300
const MOST_DEEP_MM = 900
/** A post no thicker than this part of its length may stand free between its ends: NDS 2018 3.7.1.4, le/d ≤ 50. */
const SLENDER = 50
/** A loose shelf has this much play between posts, and past the cleats its strips, on each side, mm. */
export const LOOSE_MM = 2
/** What a thing may stand out in front. Product decision. */
const STICK_OUT = inches(1)

/** Between two planks, mm: what is wet swells. Builders' usual gap. */
export const BETWEEN_PLANKS_MM = 5
/** Planks over the frames, and how many lie beside each other. */
export interface Planks {
  section: Section
  count: number
}

export interface Plan {
  post: Section
  cleat: Section
  strip: Section
  back: Section
  sheet: Sheet
  /** What lies over it for somebody to stand on; null where nothing does. */
  planks: Planks | null
  tied: boolean
  /** Over its ends; null where there is none. */
  cover: Sheet | null
  /** Where posts begin, out from the wall. */
  backMm: number
  /** Left faces of the frames' posts. */
  frames: number[]
  /** Between the cleats of each bay, between its posts, and what hinges leave of it. */
  openings: Opening[]
  between: Opening[]
  free: Opening[]
  clearMm: number
  deepMm: number
  highMm: number
  riseMm: number
  /** Upper faces of the cleats, from below. */
  places: number[]
  /** Place of each shelf, from below. */
  shelves: { place: number; level: Level }[]
  play: { sideMm: number; aboveMm: number }
  stickOutMm: number
}

/** Shelves at the lowest places that leave each level below room for what stands on it. */
export function placesFor(
  levels: readonly Level[],
  places: readonly number[],
  o: { aboveMm: number; underMm: number; thickMm: number },
): number[] | null {
  const out: number[] = []
  for (let i = 0; i < levels.length; i++) {
    const below = levels[i - 1]
    const least = i === 0 ? 0 : places[out[i - 1]] + o.thickMm + (below.tallest?.tallMm ?? LEAST_OPEN) + o.aboveMm
    // Its strips hang under it.
    const place = places.findIndex((z, n) => z - o.underMm >= least - 1e-6 && (i === 0 || n > out[i - 1]))
    if (place < 0) return null
    out.push(place)
  }
  return out
}

export function planOut(p: FloatingShelfRackParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [post, cleat, strip, back] = [p.postSection, p.cleatSection, p.stripSection, p.backSection].map((id) =>
    findSection(id)!,
  )
  const sheet = findSheet(p.sheet)!
  const tied = p.tie && canHoldTie(ctx.space)
  // A board joins the frames along the top, at the wall.
  const backMm = back.thicknessMm
  const cover = p.cover === 'ends' ? findSheet(p.coverSheet)! : null
  const endMm = cover ? cover.thicknessMm : p.ends === 'braced' ? back.thicknessMm : 0
  const deepest = Math.max(...ctx.goods.map((g) => g.item.deepMm))
  const widest = Math.max(...ctx.goods.map((g) => g.item.acrossMm))
  const { aboveMm, sideMm } = shelfPlay(pen, 600)

  const outMm = p.front === 'open' ? STICK_OUT : 0
  const mostDeep = ctx.space.depthMm - backMm - frontDeep(p.front, sheet.thicknessMm, ctx.settings.yard)
  const deep = shareOf(sheet.widthMm, ctx.settings, {
    wantedMm: deepest - outMm,
    leastMm: LEAST_DEEP_MM,
    mostMm: Math.min(MOST_DEEP_MM, mostDeep),
  })
  const deepMm = pen.length(
    { path: 'depthMm', code: 'floating-depth', min: 200, max: MOST_DEEP_MM },
    deep?.mm ?? Math.max(200, roundDown(mostDeep, units)),
    { code: 'floating-depth', terms: [], data: { parts: deep?.n ?? 1, sheetMm: sheet.widthMm, deepestMm: deepest } },
  )
  if (deepMm > mostDeep) return bad('floating-too-deep', { mm: deepMm + backMm, mostMm: ctx.space.depthMm }, 'depthMm')
  // Angles that hold the feet down stand between the rear and the front posts.
  const leastDeep = 2 * post.widthMm + rowsHeld(ctx.space).length * ANGLE_ROOM_MM
  if (p.feet === 'pinned' && ctx.space.floor === 'slab' && deepMm < leastDeep)
    return bad('floating-angles-meet', { mm: deepMm, leastMm: leastDeep }, 'depthMm')
  // Room for things lies between the cleats, which run up both sides of a bay, and beside what hinges take.
  const lost = 2 * cleat.thicknessMm + takenByHinges(p.front)
  const wide = shareOf(sheet.lengthMm, ctx.settings, {
    wantedMm: Math.max(LEAST_WIDE_MM, widest + 2 * sideMm + lost),
    leastMm: LEAST_WIDE_MM,
    mostMm: Math.min(MOST_WIDE_MM, ctx.space.lengthMm - 2 * post.thicknessMm - 2 * endMm),
  })
  const clearMm = pen.length(
    { path: 'clearMm', code: 'floating-width', min: 250, max: MOST_WIDE_MM },
    wide ? wide.mm + 2 * LOOSE_MM : LEAST_WIDE_MM,
    { code: 'floating-width', terms: [], data: { parts: wide?.n ?? 1, sheetMm: sheet.lengthMm, widestMm: widest } },
  )
  // Leaves hang on the posts between the cleats.
  const betweenMm = p.front === 'doors' ? hingeRoom(sheet.thicknessMm) : 5
  const leastRise = cleat.widthMm + sheet.thicknessMm + betweenMm
  const riseMm = pen.length(
    { path: 'riseMm', code: 'floating-rise', min: 60, max: 400 },
    Math.max(roundDown(RISE, units), roundUp(leastRise, units)),
    { code: 'floating-rise', terms: [] },
  )
  if (riseMm < leastRise) return bad('floating-rise-low', { mm: riseMm, leastMm: leastRise }, 'riseMm')

  const plank = findSection(p.plankSection)!
  const eachMm = plank.widthMm + BETWEEN_PLANKS_MM
  const planks = p.top === 'planks' ? { section: plank, count: Math.floor((deepMm - back.widthMm) / eachMm) } : null
  if (planks && planks.count < 1)
    return bad('floating-top-narrow', { mm: deepMm, leastMm: back.widthMm + eachMm }, 'depthMm')
  const overMm = Math.max(back.thicknessMm, planks?.section.thicknessMm ?? 0)
  const mostHigh = Math.min(ctx.space.heightMm, ctx.space.ceilingMm) - overMm
  // Loose shelves do not keep posts from bowing along the wall.
  const mostTacked = Math.min(mostHigh, SLENDER * post.thicknessMm)
  const reach = reachMm(ctx.settings.personMm)
  const high = (topMm: number) => Math.floor((topMm - FIRST_MM - sheet.thicknessMm) / riseMm + 1e-9) + 1
  const all = Array.from(
    { length: Math.min(LIMITS.places, Math.max(1, high(Math.min(reach, mostTacked)))) },
    (_, i) => {
      return FIRST_MM + i * riseMm
    },
  )
  const o = { aboveMm, underMm: p.strips === 'none' ? 0 : Math.max(0, strip.widthMm), thickMm: sheet.thicknessMm }
  const pitch = clearMm + post.thicknessMm
  const lengthOf = (n: number) => n * pitch + post.thicknessMm + 2 * endMm
  const room = ctx.space.lengthMm - post.thicknessMm - 2 * endMm
  const most = Math.max(1, Math.min(LIMITS.bays, Math.floor(room / pitch + 1e-9)))
  const openingsFor = (n: number): Opening[] =>
    Array.from({ length: n }, (_, k) => {
      const left = endMm + post.thicknessMm + k * pitch
      return { left: left + cleat.thicknessMm, right: left + clearMm - cleat.thicknessMm }
    })
  const free = (o: Opening) => besideHinges(p.front, o)
  const topOf = (levels: Level[], placed: readonly number[]) =>
    all[placed[placed.length - 1]] +
    sheet.thicknessMm +
    Math.max(LEAST_OPEN, (levels[levels.length - 1].tallest?.tallMm ?? 0) + aboveMm)
  const grows = (levels: Level[]) => {
    const placed = placesFor(levels, all, o)
    if (placed === null || topOf(levels, placed) > mostTacked) return false
    return grownTo(levels, all[placed[placed.length - 1]] + sheet.thicknessMm, mostHigh, ctx.settings)
  }
  const housed = (n: number) =>
    house(ctx.goods, null, p.shelves, openingsFor(n).map(free), deepMm, sideMm, outMm, grows, LIMITS.shelves)
  // What is tied to studs is so long that two of them may lie behind it.
  const leastLong = tied ? leastOverTwo(ctx.space) : 0
  const isEnough = (n: number) => lengthOf(n) >= leastLong && housed(n).unhoused.length === 0
  const wanted = Array.from({ length: most }, (_, i) => i + 1).find(isEnough) ?? most
  const things = ctx.goods.reduce((n, g) => n + g.count, 0)
  const bays = pen.count({ path: 'bays', code: 'floating-bays', min: 1, max: LIMITS.bays }, wanted, {
    code: 'floating-bays',
    terms: [],
    data: { things },
  })
  const wideMm = lengthOf(bays)
  if (wideMm > ctx.space.lengthMm + 1e-6)
    return bad('floating-too-wide', { mm: wideMm, mostMm: ctx.space.lengthMm }, p.bays === null ? 'clearMm' : 'bays')
  const openings = openingsFor(bays)
  const between = openings.map((o) => ({ left: o.left - cleat.thicknessMm, right: o.right + cleat.thicknessMm }))
  const unslid = p.front === 'sliding' ? slidingFault(between, ctx.settings, post.thicknessMm) : null
  if (unslid) return bad(unslid.code, unslid.data, unslid.field)
  const { levels, unhoused } = housed(bays)
  pen.count({ path: 'shelves', code: 'floating-shelves', min: 1, max: LIMITS.shelves }, levels.length, {
    code: 'floating-shelves',
    terms: [],
    data: { things, places: all.length },
  })
  const placed = placesFor(levels, all, o)
  if (!placed) return bad('floating-too-many', { count: levels.length, most: all.length }, 'shelves')
  const highMm = pen.length(
    { path: 'highMm', code: 'floating-high', min: 600, max: 2600 },
    Math.min(roundDown(mostTacked, units), Math.max(600, roundUp(topOf(levels, placed), units))),
    { code: 'floating-high', terms: [], data: { things, reachMm: reach } },
  )
  if (highMm > mostHigh) return bad('floating-too-high', { mm: highMm, mostMm: mostHigh }, 'highMm')
  // No cleats where a shelf on them would leave no room under the top.
  const places = all.filter((z) => z + sheet.thicknessMm <= highMm - TOP_ROOM_MM)
  if (placed.some((n) => n >= places.length))
    return bad('floating-too-high', { mm: all[Math.max(...placed)] + TOP_ROOM_MM, mostMm: highMm }, 'highMm')
  return good({
    plan: {
      post,
      cleat,
      strip,
      back,
      sheet,
      planks,
      tied,
      cover,
      backMm,
      frames: Array.from({ length: bays + 1 }, (_, k) => endMm + k * pitch),
      openings,
      between,
      free: openings.map(free),
      clearMm,
      deepMm,
      highMm,
      riseMm,
      places,
      shelves: placed.map((place, i) => ({ place, level: levels[i] })),
      play: { sideMm, aboveMm },
      stickOutMm: outMm,
    },
    unhoused,
  })
}
/** Under the boards along the top, mm: the upper piece of a frame lies there. */
const TOP_ROOM_MM = 120
