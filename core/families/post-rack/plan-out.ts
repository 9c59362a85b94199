import { standingDepth } from '../../blocks/sizing/economical-rip.ts'
import { ANGLE_ROOM_MM } from '../../blocks/mounts/pinned-foot.ts'
import { leastRise } from '../../blocks/frame/brace.ts'
import { besideHinges, frontDeep } from '../../blocks/fronts/front.ts'
import { coversMore, slidingFault, widestPanel } from '../../blocks/fronts/sliding.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { roundDown } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import { canHoldTie } from '../../room/room.ts'
import type { ShapeContext, Shaped, Term } from '../family.ts'
import type { Goods } from '../../goods/goods.ts'
import { grownTo, littleWider, widestBetween, type Level, type Opening, type Spot } from '../house-on-shelves.ts'
import { framedTerms } from '../shelf-tops.ts'
import { equalModules, moduleSizes, modulesFor, modulesToWall } from './modules.ts'
import { LIMITS, type PostRackParams } from './parameters.ts'
import { modulesOf, notePosts, openingsOf, type AlongTheRun, type ModulePlan } from './posts-along.ts'
import { houseUnequal, isAt, isOut, tallBays, tallTerms, type TallBay } from './tall-bays.ts'

export interface ReasonData {
  'length-wall': { wallMm: number; trimMm: number }
  'length-goods': { trimMm: number }
  'posts-as-wide': { apartMm: number }
  'post-spacing': { everyMm: number }
  evenly: object
  'post-past-wide': object
}
export interface ProblemData {
  'cover-too-high': { mm: number; mostMm: number }
  'cover-too-wide': { mm: number; mostMm: number }
  'past-braced-ends': { mostMm: number }
  'no-such-module': { module: number; modules: number }
  'no-shelf-over': { shelf: number; shelves: number }
  'no-such-module-own': { module: number; modules: number }
  'no-such-shelf-own': { module: number; shelf: number; shelves: number }
  'own-top-twice': { module: number; shelf: number }
  'own-top-on-posts': { shelf: number }
  'own-top-in-the-way': { mm: number; leastMm: number; mostMm: number; module: number; shelf: number }
  'no-wall-beside': object
  'seams-pulled': object
  'angle-under-rail': { mm: number; leastMm: number }
  'posts-too-short': { mm: number; leastMm: number }
  'post-outside': { mm: number; leastMm: number; mostMm: number }
}

/** Above the tallest thing on a shelf, to lift it out: builders' usual two inches. */
const PLAY_ABOVE = inches(2)
/** Goods may stand out past the shelf's front edge this far. */
const STICK_OUT = inches(1)
/**
 * Posts no further apart than this: half a sheet, the usual rule for rails of 2x4. Remedies add posts where it is not
 * enough.
 */
const POSTS_EVERY = inches(49)

export interface PostRackPlan {
  modules: ModulePlan[]
  openings: (Opening & { module: number })[]
  lengthMm: number
  /** Of the frames under the shelves, and of the sheets on them. */
  frameMm: number
  sheetMm: number
  levels: Level[]
  /** Bays over which shelves are left out, and what stands in each. */
  tall: { bay: TallBay; spots: Spot[] }[]
  /** Shelf tops, from below; same order as the levels that are not the floor. */
  tops: number[]
  /** The same in each module, where some are at a height of their own. */
  topsIn: number[][]
  /** Where the posts end: at the uppermost shelf, or under its frame. */
  postTopMm: number
  play: { sideMm: number; aboveMm: number }
  stickOutMm: number
  unhoused: Shaped['unhoused']
}

interface Stocks extends AlongTheRun {
  railDepth: number
  postThick: number
  sheetThick: number
}

export function planOut(
  p: PostRackParams,
  ctx: ShapeContext,
  pen: DimPen,
): PostRackPlan | { field: string; code: string; data: Record<string, number> } {
  const units = unitsOf(ctx.settings)
  const sheet = findSheet(p.sheet)!
  const rail = findSection(p.railSection)!
  const post = findSection(p.postSection)!
  const back = findSection(p.backSection)!
  const { aboveMm, sideMm } = shelfPlay(pen, 600, PLAY_ABOVE)
  // What stands on the floor goes between two posts: a wide one has a bay as wide.
  const every = postsEvery(p, ctx)
  const isWide = (g: Goods) => g.acrossMm + 2 * sideMm > every - post.widthMm
  const widestMm = widestBetween(ctx.goods, p.floorBay ? ctx.settings : null, isWide)
  const s: Stocks = {
    railDepth: rail.widthMm,
    railThick: rail.thicknessMm,
    postWidth: post.widthMm,
    postThick: post.thicknessMm,
    sheetThick: sheet.thicknessMm,
    postsEvery: every,
    leastApart: widestMm > 0 ? widestMm + 2 * sideMm + post.widthMm : 0,
    wideMm: littleWider(ctx.goods, isWide, every) + 2 * sideMm,
  }
  const frame = { frameMm: s.railDepth, sheetMm: s.sheetThick }
  const { kerfMm, squaringTrimMm, sheetTrimMm } = ctx.settings

  const outMm = p.front === 'open' ? STICK_OUT : 0
  const closedMm = frontDeep(p.front, s.sheetThick, ctx.settings.yard)

  // Depth: the narrowest rip of a sheet that takes the deepest thing and leaves the posts inside the space.
  const deepest = ctx.goods.reduce((d, g) => Math.max(d, g.item.deepMm), 0)
  const covered = p.cover === 'panels'
  const cover = findSheet(p.coverSheet)!
  const behindMm = covered ? cover.thicknessMm : p.brace || p.tie ? back.thicknessMm : 0
  // Notched round the posts a sheet is as deep as the whole rack.
  const roundMm = p.panels === 'round-posts' ? 2 * s.postThick : 0
  const most = ctx.space.depthMm - closedMm - 2 * s.postThick + roundMm - behindMm
  const rips = [4, 3, 2, 1].map((n) => ({
    n,
    mm: roundDown((sheet.widthMm - 2 * sheetTrimMm - (n - 1) * kerfMm) / n, units),
  }))
  const inside = rips.filter((r) => r.mm <= most)
  const rip = inside.find((r) => r.mm >= deepest - outMm) ?? inside[inside.length - 1]
  const deep = standingDepth(rip, { wantedMm: deepest - outMm, mostMm: most, deepestMm: deepest }, units)
  const depthMm = pen.length(
    { path: 'depthMm', code: 'depth', min: 150, max: 1250 },
    Math.max(150, deep?.mm ?? roundDown(most, units)),
    deep
      ? {
          code: deep.why,
          terms: [],
          data: { parts: rip?.n ?? 1, sheetMm: sheet.widthMm, kerfMm, deepestMm: deepest },
        }
      : { code: 'depth-space', terms: [], data: { spaceMm: ctx.space.depthMm } },
  )
  if (depthMm > sheet.widthMm - 2 * sheetTrimMm)
    return {
      field: 'depthMm',
      code: 'deeper-than-sheet',
      data: { mm: depthMm, mostMm: sheet.widthMm - 2 * sheetTrimMm },
    }
  const leastMm = 2 * rail.thicknessMm + 50 + roundMm
  if (depthMm < leastMm) return { field: 'depthMm', code: 'too-shallow', data: { mm: depthMm, leastMm } }
  const frameMm = depthMm - roundMm
  const onPosts = p.topFrame === 'on-posts'
  const overMm = overPostsMm(frameMm, s)
  if (onPosts && overMm > sheet.widthMm - 2 * sheetTrimMm)
    return {
      field: 'depthMm',
      code: 'deeper-than-sheet',
      data: { mm: overMm, mostMm: sheet.widthMm - 2 * sheetTrimMm },
    }

  const boards = ctx.boards(p.railSection, false)
  const sizes = moduleSizes(sheet.lengthMm, boards, kerfMm, squaringTrimMm, sheetTrimMm, units)
  const longest = Math.min(
    Math.max(...boards.map((b) => b.lengthMm - squaringTrimMm), 0),
    sheet.lengthMm - 2 * sheetTrimMm,
  )
  // Diagonals lie on the ends; a sheet carries what pushes it to a braced end of its own module only.
  const endMm = p.ends === 'braced' ? back.thicknessMm : 0
  const mostModules = p.ends === 'braced' ? LIMITS.bracedModules : LIMITS.modules
  const roomMm = ctx.space.lengthMm - 2 * endMm
  const wallModules = modulesFor(roomMm, sizes).slice(0, mostModules)

  const layOut = (lengths: number[]) => modulesOf(lengths, p, s, endMm)
  const bays = tallBays(p.leftOut)
  const growsFor = (levels: Level[], tall: readonly Spot[][]) => {
    const tops: number[] = []
    framedTerms(levels, frame, aboveMm).forEach((terms, shelf) => {
      const sumMm = (tops[shelf - 1] ?? 0) + mmOf(terms)
      const at = { shelf, tops, sumMm, aboveMm, frameMm: s.railDepth + s.sheetThick }
      tops.push(sumMm + mmOf(tallTerms(bays, tall, at)))
    })
    return grownTo(levels, tops[tops.length - 1] ?? 0, ctx.space.heightMm, ctx.settings)
  }
  const housedIn = (openings: PostRackPlan['openings']) =>
    houseUnequal(
      {
        ...{
          goods: ctx.goods,
          floorBay: p.floorBay,
          lifters: ctx.settings,
          shelves: p.shelves,
          depthMm,
          sideMm,
          outMm,
        },
        ...{ openings: openings.map((o) => besideHinges(p.front, o)), grows: growsFor, most: LIMITS.shelves },
      },
      p.leftOut,
    )
  const housed = (lengths: number[]) => housedIn(openingsOf(layOut(lengths).modules, s))

  // Length: fixed, the wall's, or the first run of modules in which everything finds a place.
  const toWall = modulesToWall(roomMm, sizes, units).slice(0, mostModules)
  const chosen =
    p.follow === 'wall' ? toWall : (runs(wallModules, sizes).find((t) => housed(t).unhoused.length === 0) ?? toWall)
  const sum = (list: number[]) => list.reduce((a, b) => a + b, 0)
  const lengthMm = pen.length({ path: 'lengthMm', code: 'length', min: 400, max: 15_000 }, sum(chosen) + 2 * endMm, {
    code: p.follow === 'wall' ? 'length-wall' : 'length-goods',
    terms: [
      ...chosen.map((mm) => ({
        name:
          mm === sizes.fullMm ? 'module' : mm === sizes.halfMm ? 'half-module' : chosen.length > 1 ? 'filler' : 'wall',
        mm,
      })),
      ...(endMm > 0 ? [{ name: 'end-braces', mm: 2 * endMm }] : []),
    ],
    data: { wallMm: ctx.space.lengthMm, sheetMm: sheet.lengthMm, trimMm: squaringTrimMm },
  })
  const lengths = p.lengthMm === null ? chosen : equalModules(lengthMm - 2 * endMm, sizes, longest)
  if (lengths.length > mostModules)
    return {
      field: 'lengthMm',
      code: 'past-braced-ends',
      data: { mm: lengthMm, mostMm: mostModules * sizes.fullMm + 2 * endMm },
    }
  if (Math.max(...lengths) > longest)
    return { field: 'lengthMm', code: 'longer-than-board', data: { mm: Math.max(...lengths), mostMm: longest } }

  const { modules, fault } = layOut(lengths)
  if (fault) return fault
  notePosts(modules, s, pen)
  const openings = openingsOf(modules, s)
  const unslid = p.front === 'sliding' ? slidingFault(openings, ctx.settings, s.postWidth) : null
  if (unslid) return unslid
  const { levels, tall, unhoused } = housedIn(openings)
  const shelfLevels = levels.filter((l) => !l.floor)
  pen.count({ path: 'shelves', code: 'shelves', min: 1, max: LIMITS.shelves }, shelfLevels.length, {
    code: 'shelves-goods',
    terms: [],
    data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) },
  })

  const tops: number[] = []
  const odd = oddBay(p, modules.length, shelfLevels.length)
  if (odd) return odd
  const needed = framedTerms(levels, frame, aboveMm)
  // What nothing ties stands on its diagonals: they have no useful angle under a very low shelf.
  const lyingMm = onPosts ? s.railDepth + s.sheetThick : 0
  const highMm = mmOf(needed.flat()) - lyingMm
  const tied = p.tie && !covered && canHoldTie(ctx.space)
  const low =
    tied || !(p.brace || covered) ? 0 : leastBraced(modules, frameMm, p.ends === 'braced', s, back.widthMm) - highMm
  // An angle at a foot stands under the lowest rail.
  const least = rail.widthMm + sheet.thicknessMm
  const pinned = p.feet === 'pinned' && ctx.space.floor === 'slab'
  const angle = pinned ? least + ANGLE_ROOM_MM - mmOf(needed[0]) : 0
  needed.forEach((terms, i) => {
    const raised = i === 0 ? raisedBy(levels[0].floor ? 0 : low, angle) : []
    const usual: Term[] = i === 0 ? [...terms, ...raised] : [{ name: 'shelf-below', mm: tops[i - 1] }, ...terms]
    const sumMm = mmOf(usual)
    const over = { shelf: i, tops, sumMm, aboveMm, frameMm: s.railDepth + s.sheetThick }
    const from = [...usual, ...tallTerms(bays, tall, over)]
    tops.push(
      pen.sum(
        { path: `topMm.${i}`, code: 'shelf-top', data: { shelf: i + 1 }, min: 60, max: 4000 },
        from,
        i === 0 && !levels[0].floor ? 'kick' : 'goods-below',
      ),
    )
  })
  if (pinned && tops[0] < least + ANGLE_ROOM_MM)
    return { field: 'topMm.0', code: 'angle-under-rail', data: { mm: tops[0], leastMm: least + ANGLE_ROOM_MM } }
  for (let i = 0; i < tops.length; i++) {
    const floor = i === 0 ? 0 : tops[i - 1]
    if (tops[i] - floor < least)
      return {
        field: `topMm.${i}`,
        code: 'shelves-overlap',
        data: { mm: tops[i], leastMm: floor + least, shelf: i + 1 },
      }
  }
  const topsIn = modules.map((_m, module) => tops.map((z, i) => p.ownTops.find((x) => isAt(x, module, i))?.topMm ?? z))
  const own = oddTop(p, topsIn, {
    ...{ least, firstMm: pinned ? least + ANGLE_ROOM_MM : least },
    ...{ highMm: tops[tops.length - 1], onPosts },
  })
  if (own) return own
  const postTopMm = tops[tops.length - 1] - lyingMm
  if (postTopMm < LEAST_POST_MM)
    return {
      ...{ field: `topMm.${tops.length - 1}`, code: 'posts-too-short' },
      data: { mm: tops[tops.length - 1], leastMm: lyingMm + LEAST_POST_MM },
    }
  const over = covered ? pastSheet(modules, s, p, ctx, tops[tops.length - 1]) : null
  if (over) return over
  return {
    modules,
    openings,
    lengthMm,
    frameMm,
    sheetMm: depthMm,
    levels,
    tall: bays.map((bay, n) => ({ bay, spots: tall[n] })),
    tops,
    topsIn,
    postTopMm,
    play: { sideMm, aboveMm },
    stickOutMm: outMm,
    unhoused,
  }
}

const mmOf = (terms: readonly Term[]): number => terms.reduce((n, x) => n + x.mm, 0)
/** What the lowest shelf is raised by for its diagonals, or for the angles at its feet. */
const raisedBy = (braceMm: number, angleMm: number): Term[] =>
  Math.max(braceMm, angleMm) <= 0
    ? []
    : braceMm >= angleMm
      ? [{ name: 'room-for-brace', mm: braceMm }]
      : [{ name: 'room-for-angle', mm: angleMm }]

/** A post under a frame is at least this long, mm: shorter it splits. Product decision. */
const LEAST_POST_MM = 100
/** From the backs of the rear posts to the fronts of the front ones: so deep is a frame that lies on them, mm. */
const overPostsMm = (frameMm: number, s: Pick<Stocks, 'postThick'>): number => frameMm + 2 * s.postThick

/** A level whose frame lies on the posts. */
export const liesOnPosts = (p: PostRackParams, plan: Pick<PostRackPlan, 'tops'>, level: number): boolean =>
  p.topFrame === 'on-posts' && level === plan.tops.length - 1

/** A module that is not there, or a bay with nothing over it. */
function oddBay(
  p: PostRackParams,
  modules: number,
  shelves: number,
): { field: string; code: string; data: Record<string, number> } | null {
  const beyond = p.leftOut.find((x) => x.module > modules)
  if (beyond) return { field: 'leftOut', code: 'no-such-module', data: { module: beyond.module, modules } }
  const open = p.leftOut.find((x) => x.shelf >= shelves)
  return open ? { field: 'leftOut', code: 'no-shelf-over', data: { shelf: open.shelf, shelves } } : null
}

/** A shelf at a height of its own that is not there, told twice, over the posts, or in what is under or over it. */
function oddTop(
  p: PostRackParams,
  topsIn: readonly (readonly number[])[],
  { least, firstMm, highMm, onPosts }: { least: number; firstMm: number; highMm: number; onPosts: boolean },
): { field: string; code: string; data: Record<string, number> } | null {
  for (const [k, { module, shelf }] of p.ownTops.entries()) {
    const field = `ownTops.${k}`
    const [m, i] = [module - 1, shelf - 1]
    const tops = topsIn[m]
    if (!tops) return { field, code: 'no-such-module-own', data: { module, modules: topsIn.length } }
    if (i >= tops.length || !hasShelf(p, m, i))
      return { field, code: 'no-such-shelf-own', data: { module, shelf, shelves: tops.length } }
    if (p.ownTops.findIndex((x) => isAt(x, m, i)) < k) return { field, code: 'own-top-twice', data: { module, shelf } }
    const last = tops.length - 1
    if (i === last && onPosts) return { field, code: 'own-top-on-posts', data: { shelf } }
    const there = tops.flatMap((z, n) => (hasShelf(p, m, n) ? [{ z, n }] : []))
    const at = there.findIndex((x) => x.n === i)
    const under = there[at - 1]
    const over = there[at + 1]
    const leastMm = under ? under.z + least : firstMm
    // What is uppermost stays within the posts.
    const mostMm = over ? over.z - least : highMm
    if (tops[i] < leastMm || tops[i] > mostMm)
      return { field, code: 'own-top-in-the-way', data: { mm: tops[i], leastMm, mostMm, module, shelf } }
  }
  return null
}

/** Whether a module has a shelf, and the next one it has over a level: -1 the floor. */
export const hasShelf = (p: PostRackParams, module: number, shelf: number): boolean => !isOut(p.leftOut, module, shelf)
export const nextOver = (p: PostRackParams, module: number, level: number): number => {
  let i = level + 1
  while (isOut(p.leftOut, module, i)) i++
  return i
}

/** A panel over the back begins this far above the floor: water and a broom, mm. */
export const COVER_FOOT_MM = 60
/** The longest and the widest panel that comes out of the sheet of its back, mm. */
const coverSize = (p: PostRackParams, ctx: ShapeContext): { longMm: number; wideMm: number } => {
  const sheet = findSheet(p.coverSheet)!
  const trim = 2 * ctx.settings.sheetTrimMm
  return { longMm: sheet.lengthMm - trim, wideMm: sheet.widthMm - trim }
}
/** The longest panel along the rack that its height leaves of a sheet, mm. */
export const coverMost = (p: PostRackParams, ctx: ShapeContext, highMm: number): number => {
  const { longMm, wideMm } = coverSize(p, ctx)
  return highMm <= wideMm ? longMm : wideMm
}
/** Panels over its back meet on posts, and those that slide before it are no wider than their sheet. */
function postsEvery(p: PostRackParams, ctx: ShapeContext): number {
  const post = findSection(p.postSection)!.widthMm
  const { yard, sheetTrimMm } = ctx.settings
  const most = [
    POSTS_EVERY,
    ...(p.cover === 'panels' ? [coverSize(p, ctx).wideMm - post] : []),
    ...(p.front === 'sliding' ? [widestPanel(yard, sheetTrimMm) - coversMore(post)] : []),
  ]
  return Math.min(...most)
}

/** Whether a panel would have to be larger than its sheet. */
function pastSheet(modules: ModulePlan[], s: Stocks, p: PostRackParams, ctx: ShapeContext, topMm: number) {
  const highMm = topMm - COVER_FOOT_MM
  const { longMm } = coverSize(p, ctx)
  if (highMm > longMm) return { field: 'cover', code: 'cover-too-high', data: { mm: highMm, mostMm: longMm } }
  const most = coverMost(p, ctx, highMm)
  const widest = Math.max(...modules.flatMap((m) => m.posts.slice(1).map((x, i) => x + s.postWidth - m.posts[i])))
  return widest > most ? { field: 'midPosts', code: 'cover-too-wide', data: { mm: widest, mostMm: most } } : null
}

/** The lowest top under which a diagonal still fits at a useful angle: across the nearest posts, and over the ends, mm. */
function leastBraced(modules: ModulePlan[], depthMm: number, ends: boolean, s: Stocks, boardMm: number): number {
  const over = (wideMm: number) => leastRise(wideMm, boardMm)
  const gaps = modules.map((m) => Math.min(...m.posts.slice(1).map((x, i) => x - m.posts[i] + s.postWidth)))
  return Math.max(...gaps.map(over), ends ? over(depthMm + 2 * s.postThick) : 0)
}

/** Runs to try for goods: half, whole, whole and half, ... up to the wall. */
function runs(wall: number[], m: { fullMm: number; halfMm: number }): number[][] {
  const room = wall.reduce((a, b) => a + b, 0)
  const out: number[][] = []
  for (let halves = 1; halves <= 2 * LIMITS.modules; halves++) {
    const run = [...Array.from({ length: Math.floor(halves / 2) }, () => m.fullMm), ...(halves % 2 ? [m.halfMm] : [])]
    if (run.reduce((a, b) => a + b, 0) <= room + 1e-6) out.push(run)
  }
  return out.length > 0 ? out : [wall]
}
