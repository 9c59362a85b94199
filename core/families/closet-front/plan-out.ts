import { unitsOf } from '../../assembly/settings.ts'
import { dadoDepth } from '../../blocks/carcass/shelf-between.ts'
import { NAILER } from '../../blocks/carcass/standing.ts'
import { frontDeep, takenByHinges } from '../../blocks/fronts/front.ts'
import { overOpening } from '../../blocks/fronts/face-frame.ts'
import { GAP_MM, ONE_LEAF_MM } from '../../blocks/fronts/hinged.ts'
import { rowsOf, sprung, type Row } from '../../blocks/fronts/lift-up.ts'
import { slidingFault } from '../../blocks/fronts/sliding.ts'
import { economicalRip, standingDepth } from '../../blocks/sizing/economical-rip.ts'
import { PULL } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { bad, good, type Problem, type Result } from '../../measure/result.ts'
import { roundDown } from '../../measure/rounding.ts'
import { inches, type Units, type UnitSystem } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import { madeBelow } from '../drawers-below.ts'
import type { ShapeContext } from '../family.ts'
import type { Opening } from '../house-on-shelves.ts'
import { deepForDrawers, takenByDrawer, usualClear, type DrawerMake } from '../in-drawers.ts'
import type { Planned } from '../opened.ts'
import { isFramed, LIMITS, type ClosetFrontParams } from './parameters.ts'
import { fittingsOf, type Across, type Sizes } from './sizes.ts'
import { upwardOf, type Upward } from './upward.ts'
import { wallSizes, wallsOf, type Wall, type WallSizes } from './walls.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'closet-bays': { everyMm: number; wallMm: number }
  'closet-studs': { everyMm: number; wallMm: number }
  'closet-clear': { bays: number; fillerMm: number }
  'closet-high': { ceilingMm: number; spareMm: number; sheetMm: number }
  'closet-kick': Record<string, never>
  'closet-shelves': { things: number; apartMm: number }
  'closet-even': Record<string, never>
}
export interface ProblemData {
  'closet-too-long': { mm: number; mostMm: number }
  'closet-too-high': { mm: number; mostMm: number }
  'closet-too-deep': { mm: number; mostMm: number }
  'closet-too-shallow': { mm: number; leastMm: number }
  'closet-frames-wide': { mm: number; mostMm: number }
  'closet-springs-want-sides': object
  'closet-sliding-wants-posts': object
  'closet-kick-low': { mm: number; leastMm: number }
  'closet-face-low': { mm: number; leastMm: number }
  'closet-face-wants-sheets': object
  'closet-face-wants-doors': object
  'closet-drawers-want-sides': object
}

/** A shallower closet holds nothing, mm. Product decision. */
const LEAST_DEEP_MM = 150
/** A bay is no wider than one leaf closes, mm. Usual for closets. */
const USUAL_CLEAR = inches(23)
/** A filler no narrower than this can be scribed and screwed; one wider is no filler, mm. Product decision. */
export const LEAST_FILLER_MM = 20
const MOST_FILLER_MM = 200
const MOST_HEAD_MM = 250
const USUAL_DEPTH_MM = 400

export interface Plan extends Sizes, Across, Omit<Upward, 'unhoused'> {
  dadoMm: number
  /** Height of the strip over it; nought where there is none. */
  headMm: number
  rowsUp: Row[]
  /** Doors begin over this height, and end under that; null where they go all the way up, or there are none. */
  doorsFromMm: number
  doorsToMm: number | null
  play: { sideMm: number; aboveMm: number }
}

/** What the bays look into, from left to right. */
const openingsOf = (walls: readonly Wall[]): Opening[] =>
  walls.slice(1).map((w, k) => ({ left: walls[k].to, right: w.from }))

/** How far its front stands out past the edges of its sides, mm. */
const outOf = (p: ClosetFrontParams, t: number, yard: UnitSystem): number =>
  Math.max(frontDeep(fittingsOf(p), t, yard), p.front === 'drawers' && p.hand === 'pull' ? PULL.outMm : 0)

/** Works out every dimension of a closet and where the goods go, before a piece is placed. */
export function planOut(p: ClosetFrontParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const tied = p.tie && canHoldTie(ctx.space)
  const [sheet, back, skin] = [p.sheet, p.backSheet, p.skinSheet].map((id) => findSheet(id)!)
  const s: Sizes = {
    sheet,
    back,
    skin,
    post: findSection(p.postSection)!,
    cleat: findSection(p.cleatSection)!,
    face: p.face === 'frame' ? findSection(p.faceSection)! : null,
    t: sheet.thicknessMm,
    nailer: findSection(NAILER[ctx.settings.yard])!,
    tied,
    ...shelfPlay(pen, 600),
  }
  const across = acrossOf(p, ctx, pen, s)
  if (!across.ok) return across
  const upward = upwardOf(p, ctx, pen, s, across.value)
  if (!upward.ok) return upward
  const { tops, highMm, kickMm, drawers } = upward.value
  if (s.face && tops[0] < s.face.widthMm)
    return bad('closet-face-low', { mm: tops[0], leastMm: s.face.widthMm }, 'kickMm')
  const fronts = frontsOf(p, ctx, s, { tops, highMm, kickMm, ...across.value })
  if (!fronts.ok) return fronts
  const head = ctx.space.heightMm - highMm
  return good({
    unhoused: upward.value.unhoused,
    plan: {
      ...s,
      ...across.value,
      ...upward.value,
      ...fronts.value,
      dadoMm: dadoDepth(s.t, unitsOf(ctx.settings)),
      // Doors begin on the panel over the drawers.
      doorsFromMm: drawers ? tops[1] - s.t / 2 + GAP_MM / 2 : kickMm,
      headMm: p.fillers && head >= LEAST_FILLER_MM && head <= MOST_HEAD_MM ? head : 0,
      play: { sideMm: s.sideMm, aboveMm: s.aboveMm },
    },
  })
}

/** Bays alike from wall to wall, strips at both ends that take what is left over. */
function acrossOf(p: ClosetFrontParams, ctx: ShapeContext, pen: DimPen, s: Sizes): Result<Across> {
  const { kerfMm, sheetTrimMm } = ctx.settings
  const deepest = ctx.goods.reduce((d, g) => Math.max(d, g.item.deepMm), 0)
  const unfaced = faceFault(p)
  if (unfaced) return bad(unfaced, {}, 'face')
  const faceMm = s.face?.thicknessMm ?? 0
  const room = ctx.space.depthMm - s.back.thicknessMm - faceMm - outOf(p, s.t, ctx.settings.yard)
  const wantedMm = p.front === 'drawers' ? deepForDrawers(p, deepest) : deepest
  const rip = economicalRip(s.sheet, ctx.settings, wantedMm, room)
  const deep = standingDepth(rip, { wantedMm, mostMm: Math.min(800, room), deepestMm: deepest }, unitsOf(ctx.settings))
  const depthMm = pen.length(
    { path: 'depthMm', code: 'clear-depth', min: LEAST_DEEP_MM, max: 800 },
    deep?.mm ?? USUAL_DEPTH_MM,
    {
      code: deep?.why ?? 'depth-space',
      terms: [],
      data: { parts: rip?.n ?? 1, sheetMm: s.sheet.widthMm, kerfMm, deepestMm: deepest, spaceMm: ctx.space.depthMm },
    },
  )
  if (depthMm < LEAST_DEEP_MM) return bad('closet-too-shallow', { mm: depthMm, leastMm: LEAST_DEEP_MM }, 'depthMm')
  const mostDeep = s.sheet.widthMm - 2 * sheetTrimMm
  if (depthMm > mostDeep) return bad('closet-too-deep', { mm: depthMm, mostMm: mostDeep }, 'depthMm')
  const sizes = wallSizes(p.school, p.school === 'frames' ? s.skin.thicknessMm : s.t, s.post.thicknessMm)
  const least = p.fillers ? 2 * LEAST_FILLER_MM : 0
  const w: Widths = { free: ctx.space.lengthMm - least, sizes, units: unitsOf(ctx.settings) }
  const { count, why } = baysFor(p, ctx, s, w)
  const bays = pen.count({ path: 'bays', code: 'bays', min: 1, max: LIMITS.bays }, count, why)
  const most = mostClear(p, sizes)
  const mostMm = Number.isFinite(most) ? roundDown(most, w.units) : most
  const clearMm = pen.length(
    { path: 'clearMm', code: 'clear-bay', min: 200, max: 1200 },
    Math.min(evenly(w, bays), mostMm),
    {
      code: 'closet-clear',
      terms: [],
      data: { bays, fillerMm: LEAST_FILLER_MM },
    },
  )
  const long = wallsWide(w, bays) + bays * clearMm
  if (long + least > ctx.space.lengthMm + 0.01)
    return bad('closet-too-long', { mm: long + least, mostMm: ctx.space.lengthMm }, 'bays')
  const over = (ctx.space.lengthMm - long) / 2
  const fillerMm = p.fillers && over <= MOST_FILLER_MM ? over : 0
  if (clearMm > mostMm) return bad('closet-frames-wide', { mm: clearMm, mostMm }, 'clearMm')
  const made = drawersOf(p, ctx, s, { depthMm, clearMm })
  if (!made.ok) return made
  const all = wallsOf(p.school, fillerMm, bays, clearMm, sizes)
  const [openings, faces] = [openingsOf(all), facesOf(all, s.face)]
  return good({ walls: all, openings, faces, depthMm, fillerMm, make: made.value })
}

/** How drawers are made, between sides of sheet whose edges show; null where none are asked for. */
function drawersOf(
  p: ClosetFrontParams,
  ctx: ShapeContext,
  s: Sizes,
  wide: { depthMm: number; clearMm: number },
): Result<DrawerMake | null> {
  if (p.front !== 'drawers') return good(null)
  if (isFramed(p) || s.face) return bad('closet-drawers-want-sides', {}, s.face ? 'face' : 'school')
  return madeBelow(p, ctx, { box: s.sheet, ...wide })
}

/** Why there is no face frame on it; null where there is one, or none is wanted. */
function faceFault(p: ClosetFrontParams): 'closet-face-wants-sheets' | 'closet-face-wants-doors' | null {
  if (p.face !== 'frame') return null
  if (isFramed(p)) return 'closet-face-wants-sheets'
  return p.front === 'lift-up' || p.front === 'both' ? 'closet-face-wants-doors' : null
}

/** Between the inner edges of stiles, which reach over their walls; between the walls where there are none. */
function facesOf(all: readonly Wall[], face: Section | null): Opening[] {
  const over = (k: number) => (face ? overOpening(face, all[k].to - all[k].from, k === 0 || k === all.length - 1) : 0)
  return openingsOf(all).map((o, k) => ({ left: o.left + over(k), right: o.right - over(k + 1) }))
}

/** Leaves of light frames hang on their open faces: one closes a bay, at an end over all of the wall there, mm. */
const mostClear = (p: ClosetFrontParams, sizes: WallSizes): number =>
  p.school === 'frames' && p.front === 'doors' ? ONE_LEAF_MM - sizes.outerMm - sizes.innerMm / 2 : Infinity

/** Free for bays and what is between them, mm. */
interface Widths {
  free: number
  sizes: WallSizes
  units: Units
}
const wallsWide = ({ sizes }: Widths, bays: number): number => 2 * sizes.outerMm + (bays - 1) * sizes.innerMm
/** Clear width of so many bays alike. */
const evenly = (w: Widths, bays: number): number =>
  Math.max(200, Math.min(1200, roundDown((w.free - wallsWide(w, bays)) / bays, w.units)))

/**
 * How many bays: none wider than usual, if what is widest still goes in; and where bays as wide as studs are apart would
 * have every stud behind an upright, one or two more, or one less, so that the ties find some.
 */
function baysFor(p: ClosetFrontParams, ctx: ShapeContext, s: Sizes, w: Widths) {
  const widest = ctx.goods.reduce((mm, g) => Math.max(mm, g.item.acrossMm), 0)
  const [usualMm, besideMm] = p.front === 'drawers' ? [usualClear(p), takenByDrawer(p)] : [USUAL_CLEAR, 0]
  const fittedMm = Math.max(takenByHinges(fittingsOf(p)), besideMm)
  const needs = widest + fittedMm + cleatsTake(p, s) + stilesTake(s, w.sizes) + 2 * s.sideMm
  const every = Math.max(p.clearMm ?? Math.min(usualMm, mostClear(p, w.sizes)), needs)
  const wanted = (w.free - 2 * w.sizes.outerMm + w.sizes.innerMm) / (every + w.sizes.innerMm)
  const rounded = p.clearMm === null ? Math.ceil(wanted - 1e-6) : Math.floor(wanted + 1e-6)
  const each = (n: number) => (w.free - wallsWide(w, n)) / n
  const goesIn = (n: number) => n >= 1 && n <= LIMITS.bays && each(n) >= needs
  const fits = Math.min(LIMITS.bays, Math.max(1, goesIn(rounded) ? rounded : Math.floor(wanted)))
  const ties = (n: number) => tiedBays(p, ctx, w, n) >= Math.min(n, LEAST_TIED)
  const closes = (n: number) => p.clearMm !== null || each(n) <= mostClear(p, w.sizes)
  const other = [fits, fits + 1, fits + 2, fits - 1].find((n) => goesIn(n) && closes(n) && ties(n))
  const count = s.tied && p.clearMm === null ? (other ?? fits) : fits
  return {
    count,
    why: {
      code: count === fits ? 'closet-bays' : 'closet-studs',
      terms: [],
      data: { everyMm: every, wallMm: ctx.space.lengthMm },
    },
  }
}
/** Ties in fewer bays than this leave a closet to one screw. Product decision. */
const LEAST_TIED = 2
/** A tie wants this much between it and an upright, mm. */
const BESIDE_STUD_MM = 25

/** Bays that have a stud between their uprights, where there are studs. */
function tiedBays(p: ClosetFrontParams, ctx: ShapeContext, w: Widths, bays: number): number {
  if (ctx.space.construction.kind !== 'studs') return bays
  const clear = evenly(w, bays)
  const filler = (ctx.space.lengthMm - wallsWide(w, bays) - bays * clear) / 2
  const openings = openingsOf(wallsOf(p.school, p.fillers ? filler : 0, bays, clear, w.sizes))
  return openings.filter((o) =>
    ctx.space.studsMm.some((x) => x > o.left + BESIDE_STUD_MM && x < o.right - BESIDE_STUD_MM),
  ).length
}

/** Stiles leave less of a bay, most of one at an end. */
const stilesTake = ({ face }: Sizes, x: WallSizes): number =>
  face ? overOpening(face, x.outerMm, true) + overOpening(face, x.innerMm, false) : 0
/** Cleats at both ends of a shelf leave less of the bay below it. */
const cleatsTake = (p: ClosetFrontParams, s: Sizes): number => (isFramed(p) ? 2 * s.cleat.thicknessMm : 0)

interface Fronts {
  rowsUp: Row[]
  doorsToMm: number | null
}

/** Tracks are screwed to posts or stiles: into the edge of a sheet nothing may be screwed that is pulled. */
function unslid(p: ClosetFrontParams, ctx: ShapeContext, s: Sizes, faces: readonly Opening[]): Problem | null {
  if (p.front !== 'sliding') return null
  if (!isFramed(p) && !s.face) return { code: 'closet-sliding-wants-posts', field: 'front', data: {} }
  return slidingFault(faces, ctx.settings, s.face?.widthMm ?? s.post.thicknessMm)
}

/** Leaves that turn up: one for each shelf, or over the highest only; refused where no gas spring goes in. */
function frontsOf(
  p: ClosetFrontParams,
  ctx: ShapeContext,
  s: Sizes,
  x: Across & { tops: number[]; highMm: number; kickMm: number },
): Result<Fronts> {
  const wrong = unslid(p, ctx, s, x.faces)
  if (wrong) return { ok: false, problem: wrong }
  if (p.front !== 'lift-up' && p.front !== 'both') return good({ rowsUp: [], doorsToMm: null })
  if (p.school === 'frames') return bad('closet-springs-want-sides', {}, 'front')
  const all = rowsOf(x.kickMm, x.highMm, x.tops, x.highMm - s.t, s.t)
  // Doors below want a shelf to end at.
  const rowsUp =
    p.front === 'both' && x.tops.length > 1 ? rowsOf(0, x.highMm, x.tops.slice(-1), x.highMm - s.t, s.t) : all
  const middle = x.tops[x.tops.length - 1] - s.t / 2
  const both = p.front === 'both' && x.tops.length > 1
  const rows = both ? [{ ...rowsUp[0], footMm: middle + GAP_MM / 2 }] : rowsUp
  const leaf = {
    sheet: s.sheet,
    left: 0,
    right: x.openings[0].right - x.openings[0].left + s.t,
    frontMm: 0,
    deepMm: x.depthMm,
  }
  const fitted = sprung(rows, leaf)
  return fitted.ok ? good({ rowsUp: rows, doorsToMm: both ? middle - GAP_MM / 2 : null }) : fitted
}
