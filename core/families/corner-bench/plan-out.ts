import { unitsOf } from '../../assembly/settings.ts'
import type { EndCut } from '../../blocks/frame/shelf-frame.ts'
import { economicalRip } from '../../blocks/sizing/economical-rip.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { bad, good, type Problem, type Result } from '../../measure/result.ts'
import { roundNearest, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { benchHeight, type HeightReasons } from '../bench-sizes.ts'
import { cornerLine, type CornerProblems } from '../corner-line.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import { withoutPlace } from '../house-on-shelves.ts'
import type { Planned } from '../opened.ts'
import type { CornerBenchParams } from './parameters.ts'

/*
 *   corner   own wall
 *     0‾‾‾‾‾‾‾‾‾‾‾‾‾‾‾‾|        all of it is told with its corner at the left: x along the own wall, y along the other
 *     |   joists: |  | |  depth
 *     |   |    |  |  | |        d the depth here, e that of the other end, f the front:
 *     |   |    |  |   /         length = e + f/√2, reach along the other wall = d + f/√2, so that the front runs at 45°
 *     |   |    |  | /
 *     |___|____| /  front
 *     other depth
 */

/** What is said with its reasons and problems. */
export interface ReasonData extends HeightReasons {
  'corner-level': object
  'corner-stands-before': object
  'corner-takes-machine': { acrossMm: number; deepMm: number }
  'corner-depth': object
  'corner-as-deep': object
  'corner-machine-play': object
  'corner-cross': object
}
export interface ProblemData extends CornerProblems {
  'corner-none-here': { side: string }
  'corner-not-square': { side: string; rad: number }
  'corner-past-sheet': { mm: number; mostMm: number }
  'corner-too-low': { mm: number; leastMm: number }
  'corner-front-narrow': { mm: number; leastMm: number }
  'corner-machine-no-room': { mm: number; leastMm: number }
  'corner-ledger-misses-studs': { count: number }
}

/** Somebody stands before so much of a front, mm. Product decision: shoulders and elbows. */
const USUAL_FRONT = inches(28)
/** As benches usually are, mm. */
const USUAL_DEPTH = inches(24)
/** About a machine: hands, cords and dust, mm. Product decision. */
const PLAY = inches(3 / 4)
/** Joists under a top that somebody may kneel on, near its slanted edge too, mm: beyond that no wood helps. */
const CROSS_EVERY = inches(8)
/** Somebody on the end of its top has their weight over the outermost joist: nothing holds the next one down, mm. */
const PAST_MM = 30
/** Knees and a broom go under what is lowest, mm. Product decision. */
const LEAST_UNDER_MM = 150
/** A front shorter than this share of its posts' width twice has no room for both, as a count of widths. */
const LEAST_WIDTHS = 3

export interface Plan {
  side: 'left' | 'right'
  sheet: Sheet
  frame: Section
  post: Section
  /** Along its own wall, and along the other. */
  lengthMm: number
  reachMm: number
  depthMm: number
  otherDepthMm: number
  frontMm: number
  /** Upper face of its top, and what the benches beside it have there. */
  topMm: number
  heightMm: number
  /** How far the top goes past its frame to the other wall. */
  cut: EndCut
  /** Left faces of its joists, the corner at the left. */
  joists: number[]
  /** What stands on it, and how far its middle is from both walls. */
  machine: { item: Goods; x: number; y: number } | null
  playMm: number
}

export function planOut(p: CornerBenchParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [frame, post] = [p.frameSection, p.postSection].map((s) => findSection(s)!)
  const sheet = findSheet(p.sheet)!
  const underTop = sheet.thicknessMm + 2 * frame.widthMm
  const heightMm = roundNearest(benchHeight(p, ctx, pen, underTop), units)
  const tableMm = pen.length({ path: 'tableMm', code: 'corner-table', min: 0, max: 700 }, 0, {
    ...{ code: 'corner-level', terms: [] },
  })
  const topMm = heightMm - tableMm
  const leastMm = underTop + LEAST_UNDER_MM
  if (topMm < leastMm) return bad('corner-too-low', { mm: topMm, leastMm }, 'tableMm')

  const rip = economicalRip(sheet, ctx.settings, USUAL_DEPTH - inches(0.5), ctx.space.depthMm)
  const depthMm = pen.length({ path: 'depthMm', code: 'corner-depth', min: 250, max: 1000 }, rip?.mm ?? USUAL_DEPTH, {
    ...{ code: 'corner-depth', terms: [] },
  })
  const otherDepthMm = pen.length({ path: 'otherDepthMm', code: 'bench-other', min: 250, max: 1000 }, depthMm, {
    ...{ code: 'corner-as-deep', terms: [] },
  })
  const playMm = pen.length({ path: 'sidePlayMm', code: 'side-play', min: 0, max: 100 }, PLAY, {
    ...{ code: 'corner-machine-play', terms: [] },
  })
  const { stands, left } = onTop(ctx)
  const needMm = stands ? frontFor(stands, playMm, Math.min(depthMm, otherDepthMm)) : 0
  const frontMm = pen.length(
    { path: 'frontMm', code: 'corner-front', min: 200, max: 1600 },
    roundUp(Math.max(USUAL_FRONT, needMm), units),
    needMm > USUAL_FRONT && stands
      ? { code: 'corner-takes-machine', terms: [], data: { acrossMm: stands.acrossMm, deepMm: stands.deepMm } }
      : { code: 'corner-stands-before', terms: [] },
  )
  const narrowestMm = LEAST_WIDTHS * post.widthMm
  if (frontMm < narrowestMm) return bad('corner-front-narrow', { mm: frontMm, leastMm: narrowestMm }, 'frontMm')
  // A front somebody fixed may be too short for what is to stand there.
  if (stands && frontMm < needMm - ROUNDING_MM)
    return bad('corner-machine-no-room', { mm: frontMm, leastMm: needMm }, 'frontMm')

  // Along the walls it is measured: there it comes out even, and the front a hair longer.
  const off = roundUp(frontMm / Math.SQRT2, units)
  const [lengthMm, reachMm] = [otherDepthMm + off, depthMm + off]
  const line = cornerLine({ side: p.side, lengthMm, depthMm: reachMm, otherMm: 0, mostPastMm: PAST_MM }, ctx, 'side')
  if (!line.ok) return elsewhere(line.problem, p.side)
  const trim = 2 * ctx.settings.sheetTrimMm
  for (const [mm, mostMm] of [
    [lengthMm + Math.max(line.value.backMm, line.value.frontMm), sheet.lengthMm - trim],
    [reachMm, sheet.widthMm - trim],
  ])
    if (mm > mostMm) return bad('corner-past-sheet', { mm, mostMm }, 'frontMm')

  const every = pen.length({ path: 'crossEveryMm', code: 'cross-every', min: 150, max: 800 }, CROSS_EVERY, {
    ...{ code: 'corner-cross', terms: [] },
  })
  const t = frame.thicknessMm
  // The last over the post at the end of the front: what is over it is held down by nothing else.
  const last = lengthMm - (post.thicknessMm + t) / (2 * Math.SQRT2) - t / 2
  const joists = [...evenly(0, otherDepthMm - t, every), ...evenly(otherDepthMm - t, last, every).slice(1)]
  return good({
    plan: {
      ...{ side: p.side, sheet, frame, post, lengthMm, reachMm, depthMm, otherDepthMm, topMm, heightMm },
      frontMm: off * Math.SQRT2,
      ...{ cut: line.value, joists, playMm },
      machine: stands && { item: stands, ...middleOf(stands, { lengthMm, depthMm, otherDepthMm, reachMm, playMm }) },
    },
    unhoused: withoutPlace(left),
  })
}
const ROUNDING_MM = 0.5

/** Where there is no corner, or none like a right angle, it is nothing at that end. */
function elsewhere(problem: Problem, side: string): Result<never> {
  if (problem.code === 'no-corner-known') return bad('corner-none-here', { side }, 'side')
  if (problem.code !== 'corner-far-from-square') return { ok: false, problem }
  return bad('corner-not-square', { side, rad: Number(problem.data!.rad) }, 'side')
}

/** Places from one to another, both among them, no further from each other than so much. */
function evenly(from: number, to: number, everyMm: number): number[] {
  const n = Math.max(1, Math.ceil((to - from) / everyMm - 1e-9))
  return Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n)
}

/** The heaviest machine or tool among the goods stands on it; all else finds no place here. */
function onTop(ctx: ShapeContext): { stands: Goods | null; left: Goods[] } {
  const all = ctx.goods.flatMap(({ item, count }) => Array.from({ length: count }, () => item))
  const fit = all.filter((g) => g.kind === 'equipment' || g.kind === 'tool')
  const stands = fit.reduce<Goods | null>((a, b) => (a && countedKg(a) >= countedKg(b) ? a : b), null)
  const at = stands ? all.indexOf(stands) : -1
  return { stands, left: all.filter((_, i) => i !== at) }
}

/**
 * The shortest front before which a thing finds room, mm: it is as wide as that, and its rear corners keep off both
 * walls. Its middle is on the line square to the front through the front's own middle, which is (d + f/(2√2)) from the
 * walls; a rear corner is (play + depth)/√2 + width/(2√2) nearer to one of them.
 */
export function frontFor(g: Pick<Goods, 'acrossMm' | 'deepMm'>, playMm: number, depthMm: number): number {
  const behind = 2 * (playMm + g.deepMm) + g.acrossMm + 2 * Math.SQRT2 * (playMm - depthMm)
  return Math.max(g.acrossMm + 2 * playMm, behind)
}

/** The middle of what stands so far behind the middle of the front as its play and half its depth are. */
function middleOf(
  g: Goods,
  at: Pick<Plan, 'lengthMm' | 'reachMm' | 'depthMm' | 'otherDepthMm' | 'playMm'>,
): { x: number; y: number } {
  const back = (at.playMm + g.deepMm / 2) / Math.SQRT2
  return { x: (at.lengthMm + at.otherDepthMm) / 2 - back, y: (at.reachMm + at.depthMm) / 2 - back }
}
