import { crossesUnder } from '../../blocks/frame/shelf-frame.ts'
import { roomForChain } from '../../blocks/mounts/on-chains.ts'
import {
  highestHung,
  joistsToHangFrom,
  pastNuts,
  PAST_ROD_MM,
  ROD_OUT_MM,
  rowPlaces,
  type KnownJoists,
} from '../../blocks/mounts/on-rods.ts'
import { depthToHold } from '../../blocks/sizing/depth-to-hold.ts'
import { piecesOnStuds, type Row } from '../../blocks/mounts/pieces-on-studs.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { chainOf, type Line } from '../../catalogue/soft.ts'
import { findRod, ROD_LENGTHS, type Rod } from '../../catalogue/steel.ts'
import type { Goods } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { inches } from '../../measure/units.ts'
import { longestBoard } from '../boards-of.ts'
import { shelfPlay, sumTerms, type DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import {
  betweenRods,
  grownTo,
  house,
  littleWider,
  widestBetween,
  type Level,
  type Opening,
} from '../house-on-shelves.ts'
import { framedTerms, framedTops } from '../shelf-tops.ts'
import { spliceOver, type Stretch } from '../../blocks/sizing/splice.ts'
import { LIMITS, type LedgerShelfParams } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'posts-half-sheet': { everyMm: number }
  'ledger-posts-wide': { everyMm: number }
  'posts-even': { everyMm: number; wallMm: number }
  'bays-goods': { things: number }
  'bays-wall': { wallMm: number }
}
export interface ProblemData {
  'ledger-misses-studs': { count: number; from: number }
  'ledger-not-spliced': { mostMm: number }
  'front-in-ceiling': { mm: number; mostMm: number }
  'rods-in-floor': { mm: number; leastMm: number }
  'chain-too-short': { mm: number; leastMm: number; shelf: number }
}

/** Posts no further apart than half a sheet, centre to centre: the usual rule for rails of 2x4. */
const POSTS_EVERY = inches(48)
/** Nor ever further than this, mm. */
const MOST_APART = 2400
/** Cross pieces no further apart: the span for which 3/4 in panels are rated. */
const CROSS_EVERY = inches(24)
/** Above the tallest thing on a shelf, to lift it out: builders' usual two inches. */
const PLAY_ABOVE = inches(2)
/** Goods may stand out past the shelf's front edge this far. */
export const STICK_OUT = inches(1)

/** How a front that hangs does so. */
export interface HungFront {
  joists: KnownJoists
  rod: Rod
  chain: Line | null
  bearer: Section
  spreader: Section
  /** Middles of the bearers, and of all rods out from the wall. */
  xs: number[]
  outMm: number
}

export interface Plan {
  frame: Section
  post: Section
  sheet: Sheet
  lengthMm: number
  /** Of the sheets, and of the frames under them. */
  depthMm: number
  frameMm: number
  /** Left edges of the posts; none where the front hangs. */
  posts: number[]
  hung: HungFront | null
  /** From the upper face of a sheet to the underside of what carries it. */
  framedMm: number
  openings: Opening[]
  /** Left faces of the cross pieces. */
  crosses: number[]
  levels: Level[]
  tops: number[]
  ledgers: Stretch[]
  rails: Stretch[]
  sheets: Stretch[]
  play: { sideMm: number; aboveMm: number }
}

export function planOut(
  p: LedgerShelfParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const [frame, post, sheet] = [findSection(p.frameSection)!, findSection(p.postSection)!, findSheet(p.sheet)!]
  const hangs = hangingOf(p, ctx)
  if (!hangs.ok) return hangs
  const from = hangs.value
  /** What stands or lies under the front at each place: how wide along the wall, and how far it goes out. */
  const [edgeMm, pastMm] = from ? [from.bearer.widthMm, ROD_OUT_MM + PAST_ROD_MM] : [post.widthMm, post.thicknessMm]
  // Notched round the posts the sheets go out as far as they do.
  const roundMm = !from && p.edge === 'round-posts' ? post.thicknessMm : 0
  const takenMm = pastMm - roundMm
  const { aboveMm, sideMm } = shelfPlay(pen, 600, PLAY_ABOVE)
  const least = 2 * frame.thicknessMm + 50 + roundMm
  const deep = depthToHold(
    sheet,
    { settings: ctx.settings, spaceMm: ctx.space.depthMm },
    // Small things stand on one that is deep enough to be framed.
    Math.max(least + STICK_OUT, ...ctx.goods.map((g) => g.item.deepMm)),
    { takenMm, sheetMm: 0, outMm: STICK_OUT },
  )
  const depthMm = pen.length({ path: 'depthMm', code: 'depth', min: 150, max: 1220 }, deep.mm, deep.why)
  const widest = sheet.widthMm - 2 * ctx.settings.sheetTrimMm
  if (depthMm > widest) return bad('deeper-than-sheet', { mm: depthMm, mostMm: widest }, 'depthMm')
  if (depthMm < least) return bad('too-shallow', { mm: depthMm, leastMm: least }, 'depthMm')

  // Where what goes between two posts is wider than that usually is they stand as far apart as it wants.
  const wants = (mm: number) => mm + 2 * sideMm + edgeMm
  const isWide = (g: Goods) => wants(g.acrossMm) > POSTS_EVERY
  const between = widestBetween(ctx.goods, p.floorBay ? ctx.settings : null, isWide)
  const wantsMm = wants(Math.max(between, littleWider(ctx.goods, isWide, POSTS_EVERY)))
  const asWide = wantsMm > POSTS_EVERY
  const everyMm = asWide ? Math.min(MOST_APART, roundUp(wantsMm, unitsOf(ctx.settings))) : POSTS_EVERY
  // Along a wall evenly, so that nothing of it is left over.
  const alongMm = ctx.space.lengthMm - edgeMm
  const even = roundDown(alongMm / Math.max(1, Math.ceil(alongMm / everyMm - 1e-9)), unitsOf(ctx.settings))
  // Where the wall is shorter than that, no further than it lets them.
  const isEven = (p.follow === 'wall' && !asWide) || alongMm < everyMm
  const apartMm = pen.length(
    { path: 'apartMm', code: 'posts-apart', min: 300, max: MOST_APART },
    isEven ? Math.max(300, even) : everyMm,
    isEven
      ? { code: 'posts-even', terms: [], data: { everyMm, wallMm: ctx.space.lengthMm } }
      : { code: asWide ? 'ledger-posts-wide' : 'posts-half-sheet', terms: [], data: { everyMm } },
  )
  const most = Math.max(1, Math.floor((ctx.space.lengthMm - edgeMm) / apartMm + 1e-9))
  const frontOf = (bays: number) => frontPlaces(from, { bays, apartMm, edgeMm, depthMm })
  const framed = { frameMm: frame.widthMm + (from?.bearer.thicknessMm ?? 0), sheetMm: sheet.thicknessMm }
  const grows = (levels: Level[]) => {
    const z = framedTerms(levels, framed, aboveMm).reduce((sum, t) => sum + sumTerms(t), 0)
    return grownTo(levels, z, ctx.space.heightMm, ctx.settings)
  }
  const housed = (openings: Opening[]) =>
    house(
      ...([ctx.goods, p.floorBay ? ctx.settings : null, p.shelves, openings, depthMm, sideMm, STICK_OUT] as const),
      grows,
      LIMITS.shelves,
    )
  const mostBays = Math.min(most, LIMITS.bays)
  const tries = Array.from({ length: mostBays }, (_, i) => i + 1)
  const holdsAll = (n: number) => {
    const f = frontOf(n)
    return f.ok && housed(f.value.openings).unhoused.length === 0
  }
  const enough = tries.find(holdsAll) ?? mostBays
  const things = ctx.goods.reduce((n, g) => n + g.count, 0)
  const bays = pen.count(
    { path: 'bays', code: 'bays', min: 1, max: LIMITS.bays },
    p.follow === 'wall' ? mostBays : enough,
    p.follow === 'wall'
      ? { code: 'bays-wall', terms: [], data: { wallMm: ctx.space.lengthMm } }
      : { code: 'bays-goods', terms: [], data: { things } },
  )
  const front = frontOf(bays)
  if (!front.ok) return front
  const { openings, xs } = front.value
  const { levels, unhoused } = housed(openings)
  const shelves = levels.filter((l) => !l.floor)
  pen.count({ path: 'shelves', code: 'shelves', min: 1, max: LIMITS.shelves }, shelves.length, {
    code: 'shelves-goods',
    terms: [],
    data: { things },
  })
  const tops = framedTops(levels, framed, aboveMm, pen)
  if (!tops.ok) return tops

  const lengthMm = bays * apartMm + edgeMm
  const rows = tops.value.map((top): Row => {
    const high = top - framed.sheetMm
    return { low: high - frame.widthMm, high, throughMm: frame.thicknessMm }
  })
  const runs = runsOf(p, ctx, { lengthMm, rows, posts: xs }, sheet)
  if (!runs.ok) return runs
  const lowestMm = tops.value[0] - framed.sheetMm - framed.frameMm
  // Nuts hold the rods under the lowest bearers.
  const leastUnder = from ? pastNuts(from.rod) : 0
  if (from && lowestMm < leastUnder)
    return bad('rods-in-floor', { mm: Math.max(0, lowestMm), leastMm: leastUnder }, 'topMm.0')
  const longest = from && !from.chain ? Math.max(...ROD_LENGTHS[from.rod.system]) : Infinity
  if (ctx.space.ceilingMm - lowestMm > longest)
    return bad('rod-too-long', { mm: ctx.space.ceilingMm - lowestMm, mostMm: longest }, 'front')
  // Over the highest bearer there is room for the coupling, or the eye nut, under the ceiling.
  const highMost = highestHung(ctx.space.ceilingMm, framed.sheetMm + frame.widthMm)
  const high = tops.value[tops.value.length - 1]
  if (from && high > highMost)
    return bad('front-in-ceiling', { mm: high, mostMm: highMost }, `topMm.${tops.value.length - 1}`)
  const short = from?.chain ? shortChain(ctx, from, tops.value, framed.sheetMm + frame.widthMm) : null
  if (short) return bad('chain-too-short', short, `topMm.${short.shelf - 1}`)
  const every = pen.length({ path: 'crossEveryMm', code: 'cross-every', min: 150, max: 1300 }, CROSS_EVERY, {
    code: 'sheet-span',
    terms: [],
    data: { everyMm: CROSS_EVERY },
  })
  const crosses = crossesUnder(lengthMm, every, frame.thicknessMm, runs.value.sheets)
  return good({
    unhoused,
    plan: {
      frame,
      post,
      sheet,
      lengthMm,
      depthMm,
      frameMm: depthMm - roundMm,
      posts: from ? [] : xs.map((x) => x - edgeMm / 2),
      hung: from && { ...from, xs, outMm: front.value.outMm },
      framedMm: framed.sheetMm + framed.frameMm,
      openings,
      crosses,
      levels,
      tops: tops.value,
      ...runs.value,
      play: { sideMm, aboveMm },
    },
  })
}

/** The first shelf from below whose bearers have no room over them for rods, eyes and some chain; null where all have. */
function shortChain(
  ctx: ShapeContext,
  { rod, bearer }: Pick<HungFront, 'rod' | 'bearer'>,
  tops: readonly number[],
  overMm: number,
): ProblemData['chain-too-short'] | null {
  for (const [i, top] of tops.entries()) {
    const next = tops[i + 1]
    const overhead = next === undefined ? ctx.space.ceilingMm : next - overMm - bearer.thicknessMm
    const [mm, leastMm] = [overhead - (top - overMm), roomForChain(rod, next === undefined ? 'ceiling' : 'wood')]
    if (mm < leastMm) return { mm: Math.max(0, mm), leastMm, shelf: i + 1 }
  }
  return null
}

/** What the front hangs from; null where it stands on posts. */
function hangingOf(p: LedgerShelfParams, ctx: ShapeContext): Result<Omit<HungFront, 'xs' | 'outMm'> | null> {
  if (p.front === 'posts') return good(null)
  const known = joistsToHangFrom(ctx.space)
  if (!known.ok) return known
  const [bearer, spreader] = [p.bearerSection, p.spreaderSection].map((s) => findSection(s)!)
  const chain = p.front === 'chains' ? chainOf(p.chain, ctx.settings.yard) : null
  return good({ joists: known.value, rod: findRod(p.rod)!, chain, bearer, spreader })
}

/** Middles of posts or bearers along the wall, and what can be drawn out between them. */
function frontPlaces(
  from: Omit<HungFront, 'xs' | 'outMm'> | null,
  { bays, apartMm, edgeMm, depthMm }: { bays: number; apartMm: number; edgeMm: number; depthMm: number },
): Result<{ xs: number[]; outMm: number; openings: Opening[] }> {
  const lengthMm = bays * apartMm + edgeMm
  if (!from) {
    const xs = Array.from({ length: bays + 1 }, (_, i) => i * apartMm + edgeMm / 2)
    const openings = xs.slice(1).map((x, i) => ({ left: xs[i] + edgeMm / 2, right: x - edgeMm / 2 }))
    return good({ xs, outMm: depthMm, openings })
  }
  const outMm = depthMm + ROD_OUT_MM
  const r = rowPlaces(from.joists, from.rod, { lengthMm, outMm, edgeMm, count: bays + 1 })
  if (!r.ok) return { ok: false, problem: { ...r.problem, field: 'apartMm' } }
  const wide = { diameterMm: Math.max(from.rod.diameterMm, from.chain?.wideMm ?? 0) }
  return good({ ...r.value, openings: betweenRods(r.value.xs, wide) })
}

/** Ledgers in pieces that meet on studs, rails on posts, sheets wherever a cross piece can lie under their joint. */
function runsOf(
  p: LedgerShelfParams,
  ctx: ShapeContext,
  { lengthMm, rows, posts }: { lengthMm: number; rows: readonly Row[]; posts: number[] },
  sheet: Sheet,
): Result<Pick<Plan, 'ledgers' | 'rails' | 'sheets'>> {
  const mostMm = longestBoard(ctx, p.frameSection)
  const ledgers = piecesOnStuds(ctx.space, lengthMm, mostMm, undefined, rows)
  const rails = spliceOver(lengthMm, mostMm, posts)
  if (!ledgers || !rails) return bad('ledger-not-spliced', { mostMm }, 'apartMm')
  if (ledgers.poor) return bad('ledger-misses-studs', ledgers.poor, 'bays')
  const long = sheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  const n = Math.ceil(lengthMm / long - 1e-9)
  const sheets = Array.from({ length: n }, (_, i) => ({ from: (lengthMm * i) / n, to: (lengthMm * (i + 1)) / n }))
  return good({ ledgers: ledgers.pieces, rails, sheets })
}
