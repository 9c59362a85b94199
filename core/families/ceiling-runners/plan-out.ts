import { unitsOf } from '../../assembly/settings.ts'
import { crossed } from '../../blocks/mounts/under-joists.ts'
import { joistsToHangFrom, type KnownJoists } from '../../blocks/mounts/on-rods.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { bodyAcross, LEAST_BEARING_MM, type Goods } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { LIMITS, type CeilingRunnersParams } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'play-lid': object
  'deep-one': object
  'deep-length': { byLength: number }
  'flange-screws-usual': object
  'to-second-joist': object
  'runner-totes': { deep: number }
}
export interface ProblemData {
  'no-ledge': { mm: number; leastMm: number }
  'no-room-over-rim': { mm: number; leastMm: number }
  'runner-too-short': { mm: number; leastMm: number }
  'crosses-too-few': { count: number }
  'battens-meet': { mm: number; leastMm: number }
}

/** Room to slide: a quarter of an inch on each side, builders' usual; and a lid clears what is over it by as much. */
const PLAY_SIDE = inches(1 / 4)
const PLAY_LID = inches(3 / 8)
/** Between totes one behind the other, for a hand. Product decision, mm. */
const BETWEEN_MM = 25
/** A person reaches so many totes over each other's lids from a ladder. Product decision. */
const USUAL_DEEP = 2
/** Screws along a board that carries by them: a usual six inches, mm. */
const FLANGE_SCREWS_EVERY = inches(6)
/** Battens from the ends of the runners, and from each other at most, mm. Product decision. */
const FROM_END_MM = 60
const BATTENS_APART_MM = 900
/** A batten reaches past the outer webs by this, mm. */
export const PAST_WEB_MM = 40
/** A runner reaches past a joist it is to be fixed to, mm. */
const PAST_JOIST_MM = 40

interface Lane {
  left: number
  clearMm: number
  /** From the wall outwards. */
  totes: Goods[]
}
export interface Plan {
  web: Section
  flange: Section
  batten: Section
  joists: KnownJoists
  lanes: Lane[]
  /** Left faces of the webs. */
  webs: number[]
  runnerMm: number
  /** Middles of battens, out from the wall; none where runners cross the joists themselves. */
  battens: number[]
  flangeScrewsMm: number
  /** Upper edge of the webs. */
  topMm: number
  railMm: number
  widthMm: number
  play: { sideMm: number; aboveMm: number }
}

const rimOf = (g: Goods): number => g.tote?.rimMm ?? 0
const outTo = (totes: readonly Goods[]): number =>
  totes.reduce((y, g) => y + g.deepMm, 0) + Math.max(0, totes.length - 1) * BETWEEN_MM
/** Where each tote of a lane begins, out from the wall. */
export const placesOf = (totes: readonly Goods[]): number[] =>
  totes.map((_g, i) => outTo(totes.slice(0, i)) + (i && BETWEEN_MM))

/** Works out runners under the joists, from the totes outward. */
export function planOut(
  p: CeilingRunnersParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const known = joistsToHangFrom(ctx.space)
  if (!known.ok) return known
  const joists = known.value
  const fits = ctx.goods.filter((g) => g.item.tote !== null)
  if (fits.length === 0) return bad('no-totes')
  const units = unitsOf(ctx.settings)
  const [web, flange, batten] = [p.webSection, p.flangeSection, p.battenSection].map((s) => findSection(s)!)
  const ledge = (flange.widthMm - web.thicknessMm) / 2
  if (ledge < 2 * LEAST_BEARING_MM)
    return bad('no-ledge', { mm: Math.max(0, ledge), leastMm: 2 * LEAST_BEARING_MM }, 'flangeSection')

  const most = Math.max(1, (ledge - LEAST_BEARING_MM) / 2)
  const sideMm = pen.length({ path: 'sidePlayMm', code: 'side-play', min: 1, max: 100 }, Math.min(PLAY_SIDE, most), {
    code: most < PLAY_SIDE ? 'play-bearing' : 'play-smooth',
    terms: [],
  })
  const aboveMm = pen.length({ path: 'abovePlayMm', code: 'above-play', min: 1, max: 300 }, PLAY_LID, {
    code: 'play-lid',
    terms: [],
  })
  const rim = Math.max(...fits.map((g) => rimOf(g.item)))
  if (web.widthMm < rim + aboveMm)
    return bad('no-room-over-rim', { mm: web.widthMm, leastMm: rim + aboveMm }, 'webSection')

  const all = fits.flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const widest = Math.max(...all.map((g) => g.acrossMm))
  const each = widest + 2 * sideMm + web.thicknessMm
  const byLength = Math.max(1, Math.floor((ctx.space.lengthMm - flange.widthMm) / each))
  const deepest = Math.max(...all.map((g) => g.deepMm))
  const byDepth = Math.max(1, Math.floor((ctx.space.depthMm + BETWEEN_MM) / (deepest + BETWEEN_MM)))
  const wanted = Math.min(Math.max(Math.ceil(all.length / byLength), 1), byDepth, USUAL_DEEP)
  const deep = pen.count({ path: 'deep', code: 'deep', min: 1, max: LIMITS.deep }, wanted, {
    code: wanted > 1 ? 'deep-length' : 'deep-one',
    terms: [],
    data: { byLength },
  })
  const needed = Math.ceil(all.length / deep)
  const columns = pen.count(
    { path: 'columns', code: 'columns', min: 1, max: LIMITS.columns },
    Math.min(needed, byLength, LIMITS.columns),
    {
      code: needed > byLength ? 'columns-wall' : 'columns-goods',
      terms: [],
      data: { total: all.length, rows: deep, byLength },
    },
  )
  // One kind beside the other, the widest first; the deepest at the wall.
  const queue = [...all].sort((a, b) => b.acrossMm - a.acrossMm || b.deepMm - a.deepMm)
  const taken = Array.from({ length: columns }, (_, c) => queue.slice(c * deep, (c + 1) * deep))
  const lanes: Lane[] = []
  let x = (flange.widthMm + web.thicknessMm) / 2
  for (const [c, totes] of taken.entries()) {
    const rims = totes.reduce((w, g) => Math.max(w, g.acrossMm), totes.length > 0 ? 0 : widest)
    const bodies = Math.max(0, ...totes.map(bodyAcross))
    const byBody = bodies + 2 * ledge > rims
    const clearMm = pen.sum(
      { path: `clearMm.${c}`, code: 'clear-width', data: { column: c + 1 }, min: 60, max: 3000 },
      [
        ...(byBody
          ? [
              { name: 'body', mm: bodies },
              { name: 'ledge', mm: ledge, times: 2 },
            ]
          : [{ name: 'lid', mm: rims }]),
        { name: 'side-play', mm: sideMm, times: 2 },
      ],
    )
    lanes.push({ left: x, clearMm, totes })
    x += clearMm + web.thicknessMm
  }
  const longest = Math.max(...taken.map(outTo))
  const across = joists.run === 'along'
  // Two joists at least hold what crosses them.
  const second = across ? joists.atMm.filter((y) => y >= PAST_JOIST_MM)[1] : undefined
  const reach = second === undefined ? 0 : second + PAST_JOIST_MM
  const runnerMm = pen.length(
    { path: 'runnerMm', code: 'runner-length', min: 150, max: 4800 },
    roundUp(Math.max(longest, reach), units),
    reach > longest
      ? { code: 'to-second-joist', terms: [] }
      : { code: 'runner-totes', terms: [], data: { deep: Math.max(...taken.map((t) => t.length)) } },
  )
  const flangeScrewsMm = pen.length(
    { path: 'flangeScrewsMm', code: 'flange-screws', min: 50, max: 400 },
    FLANGE_SCREWS_EVERY,
    { code: 'flange-screws-usual', terms: [] },
  )
  if (runnerMm < longest - COVERED_MM)
    return bad('runner-too-short', { mm: runnerMm, leastMm: longest - COVERED_MM }, 'runnerMm')
  const leastMm = 2 * FROM_END_MM + batten.widthMm
  if (!across && runnerMm < leastMm) return bad('battens-meet', { mm: runnerMm, leastMm }, 'runnerMm')
  if (across && crossed(joists, 0, runnerMm).length < 2)
    return bad('crosses-too-few', { count: crossed(joists, 0, runnerMm).length }, 'runnerMm')
  const widthMm = x - web.thicknessMm + (flange.widthMm + web.thicknessMm) / 2
  const webs = [lanes[0].left - web.thicknessMm, ...lanes.map((l) => l.left + l.clearMm)]
  const battens = across ? [] : battensAt(runnerMm)
  if (!across) {
    const n = crossed(joists, webs[0] - PAST_WEB_MM, webs[webs.length - 1] + web.thicknessMm + PAST_WEB_MM).length
    if (n < 2) return bad('crosses-too-few', { count: n }, 'columns')
  }
  const topMm = ctx.space.ceilingMm - (across ? 0 : batten.thicknessMm)
  const counts = new Map<string, number>()
  for (const g of queue.slice(columns * deep)) counts.set(g.id, (counts.get(g.id) ?? 0) + 1)
  return good({
    unhoused: [
      ...ctx.goods
        .filter((g) => g.item.tote === null)
        .map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-rim' })),
      ...[...counts].map(([goodsId, count]) => ({ goodsId, count, why: 'no-place' })),
    ],
    plan: {
      web,
      flange,
      batten,
      joists,
      lanes,
      webs,
      runnerMm,
      flangeScrewsMm,
      battens,
      topMm,
      railMm: topMm - web.widthMm,
      widthMm,
      play: { sideMm, aboveMm },
    },
  })
}
/** A tote may stand out past its runners by this much, mm: builders' usual inch. */
export const COVERED_MM = inches(1)

/** Battens near both ends of the runners, and between them no further apart than they should be. */
function battensAt(runnerMm: number): number[] {
  const [from, to] = [FROM_END_MM, runnerMm - FROM_END_MM]
  const n = Math.max(1, Math.ceil((to - from) / BATTENS_APART_MM))
  return Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n)
}
