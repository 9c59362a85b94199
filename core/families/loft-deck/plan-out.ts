import { unitsOf } from '../../assembly/settings.ts'
import { pastTwoStuds, piecesOnStuds, type Row } from '../../blocks/mounts/pieces-on-studs.ts'
import { spliceOver, type Stretch } from '../../blocks/sizing/splice.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { longestBoard } from '../boards-of.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { fill, reachesMm, withoutPlace, type Spot } from '../house-on-shelves.ts'
import { LIMITS, type LoftDeckParams } from './parameters.ts'

export interface ReasonData {
  'loft-goods': { things: number }
  'loft-wall': { wallMm: number }
  'loft-sheet': object
  'loft-room': { haveMm: number }
  'loft-headroom': { headroomMm: number }
  'joists-usual': object
  'uprights-apart': { everyMm: number }
  'door-usual': object
  'door-middle': object
}
export interface ProblemData {
  'loft-no-room-above': { haveMm: number; needMm: number }
  'loft-too-low': { mm: number; leastMm: number }
  'loft-past-ceiling': { mm: number; mostMm: number }
  'loft-ledger-studs': { count: number; from: number }
  'loft-not-spliced': { mostMm: number }
  'loft-joist-too-long': { mm: number; mostMm: number }
  'loft-door-past-wall': { mm: number; mostMm: number }
  'loft-rim-low': { mm: number; leastMm: number }
  'loft-holds-nothing': object
}

/** A person walks under it upright: the height of a usual door, 6 ft 8 in. */
const HEADROOM = inches(80)
/** Lower than this one only ducks under it, mm. Product decision. */
const LEAST_UNDER_MM = 1200
/** Joists every 16 in: the span for which 3/4 in panels are sold as floors. */
const JOISTS_EVERY = inches(16)
/** Uprights: posts no further apart than this, studs every 16 in. Product decision for posts. */
const POSTS_EVERY = inches(60)
const STUDS_EVERY = inches(16)
/** A usual door in its rough opening. */
const DOOR = inches(34)
const PLAY_ABOVE = inches(2)
/** A deck is tried this much longer each time, mm. */
const GROWS_MM = 100

/** One piece of the deck, and what stands on it. */
export interface DeckPiece {
  from: number
  to: number
  backMm: number
  frontMm: number
  spots: Spot[]
}
export interface Plan {
  joist: Section
  rim: Section
  upright: Section
  sheet: Sheet
  lengthMm: number
  depthMm: number
  topMm: number
  /** Left faces of the joists; of those under a joint of sheets both. */
  joists: number[]
  /** Pairs under a joint of sheets, by their places among the joists. */
  doubled: [number, number][]
  /** Left faces of posts or studs. */
  uprights: number[]
  /** Between uprights where there is a door: nothing is put there. */
  door: Stretch | null
  ledgers: Stretch[]
  rims: Stretch[]
  /** Where two rows of sheets meet, out from the wall. */
  seams: number[]
  deck: DeckPiece[]
  play: { sideMm: number; aboveMm: number }
}
type Planned = { plan: Plan; unhoused: Shaped['unhoused'] }

/** Room between the two joists under a joint, mm: a filler of a board in between gives both sheets a bearing of their own. */
export const FILLER = { imperial: '1x4', metric: '18x94mm' } as const

export function planOut(p: LoftDeckParams, ctx: ShapeContext, pen: DimPen): Result<Planned> {
  const units = unitsOf(ctx.settings)
  const [joist, rim, upright] = [p.joistSection, p.rimSection, p.uprightSection].map((s) => findSection(s)!)
  const sheet = findSheet(p.sheet)!
  const { aboveMm, sideMm } = shelfPlay(pen, 600, PLAY_ABOVE)
  if (rim.widthMm < joist.widthMm) return bad('loft-rim-low', { mm: rim.widthMm, leastMm: joist.widthMm }, 'rimSection')
  const goods = ctx.goods.flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const trim = 2 * ctx.settings.sheetTrimMm
  const wide = sheet.widthMm - trim
  // Posts stand out in front of the rim by what of them is no notch.
  const outMm = Math.max(0, upright.widthMm - rim.thicknessMm)
  const free = roundDown(ctx.space.depthMm - outMm, units)
  const depthMm = pen.length(
    { path: 'depthMm', code: 'loft-depth', min: 400, max: 3600 },
    Math.max(400, Math.min(wide, free)),
    { code: free < wide ? 'loft-room' : 'loft-sheet', terms: [], data: { haveMm: ctx.space.depthMm } },
  )
  const joistLong = depthMm - joist.thicknessMm - rim.thicknessMm
  if (joistLong > longestBoard(ctx, p.joistSection))
    return bad('loft-joist-too-long', { mm: joistLong, mostMm: longestBoard(ctx, p.joistSection) }, 'depthMm')
  const rows = Math.ceil(depthMm / wide - 1e-9)
  const most = ctx.space.lengthMm
  const housed = (mm: number) => onDeck(goods, sheetsOf(mm, depthMm, rows, sheet.lengthMm - trim), sideMm)
  let needed = Math.min(most, Math.max(SHORTEST_MM, ...goods.map((g) => g.acrossMm + 2 * sideMm)))
  while (needed < most && housed(needed).left.length > 0) needed = Math.min(most, needed + GROWS_MM)
  const whole = p.follow === 'wall'
  const lengthMm = pen.length(
    { path: 'lengthMm', code: 'length', min: 600, max: 9000 },
    // Its ledgers are held in two studs.
    whole ? most : pastTwoStuds(ctx.space, roundUp(needed, units), (mm) => roundUp(mm, units)),
    whole
      ? { code: 'loft-wall', terms: [], data: { wallMm: most } }
      : { code: 'loft-goods', terms: [], data: { things: goods.length } },
  )
  const { deck, left } = housed(lengthMm)
  const tallest = Math.max(0, ...deck.flatMap((x) => x.spots.map(reachesMm)))
  if (tallest === 0) return bad('loft-holds-nothing', {}, 'depthMm')
  const topMm = heightOf(ctx, pen, { deepMm: sheet.thicknessMm + rim.widthMm, tallest, aboveMm })
  if (!topMm.ok) return topMm

  const every = pen.length({ path: 'joistEveryMm', code: 'joists-every', min: 200, max: 620 }, JOISTS_EVERY, {
    code: 'joists-usual',
    terms: [],
  })
  const filler = findSection(FILLER[ctx.settings.yard])!
  const joints = [...new Set(deck.map((x) => x.from))].filter((x) => x > 0)
  const joists = joistsAt(lengthMm, every, joist.thicknessMm, { joints, gapMm: filler.thicknessMm })
  const stand = uprightsOf(p, ctx, pen, { lengthMm, wideMm: upright.thicknessMm })
  if (!stand.ok) return stand
  const highMm = topMm.value - sheet.thicknessMm
  const runs = runsOf(p, ctx, lengthMm, {
    uprights: stand.value.uprights.map((x) => x + upright.thicknessMm / 2),
    ledger: { low: highMm - joist.widthMm, high: highMm, throughMm: joist.thicknessMm },
  })
  if (!runs.ok) return runs
  return good({
    unhoused: withoutPlace(left),
    plan: {
      joist,
      rim,
      upright,
      sheet,
      lengthMm,
      depthMm,
      topMm: topMm.value,
      ...joists,
      ...stand.value,
      ...runs.value,
      seams: Array.from({ length: rows - 1 }, (_, i) => (depthMm * (i + 1)) / rows),
      deck,
      play: { sideMm, aboveMm },
    },
  })
}
/** A shorter deck is a shelf, mm. */
const SHORTEST_MM = 1200

/** As low as headroom under it lets it, and under the ceiling with what is on it. */
function heightOf(
  ctx: ShapeContext,
  pen: DimPen,
  d: { deepMm: number; tallest: number; aboveMm: number },
): Result<number> {
  const { ceilingMm } = ctx.space
  const topMm = pen.length(
    { path: 'topMm', code: 'loft-top', min: 1000, max: 5000 },
    roundUp(HEADROOM + d.deepMm, unitsOf(ctx.settings)),
    { code: 'loft-headroom', terms: [], data: { headroomMm: HEADROOM } },
  )
  const underMm = topMm - d.deepMm
  if (underMm < LEAST_UNDER_MM)
    return bad('loft-too-low', { mm: Math.max(0, underMm), leastMm: LEAST_UNDER_MM }, 'topMm')
  if (topMm > ctx.space.heightMm) return bad('loft-past-ceiling', { mm: topMm, mostMm: ctx.space.heightMm }, 'topMm')
  if (ceilingMm - topMm < d.tallest + d.aboveMm)
    return bad('loft-no-room-above', { haveMm: Math.max(0, ceilingMm - topMm), needMm: d.tallest + d.aboveMm }, 'topMm')
  return good(topMm)
}

/** Sheets in rows from the wall out, in each as few as there can be, all alike. */
const sheetsOf = (lengthMm: number, depthMm: number, rows: number, mostMm: number): DeckPiece[] => {
  const n = Math.ceil(lengthMm / mostMm - 1e-9)
  return Array.from({ length: rows }, (_r, row) =>
    Array.from({ length: n }, (_c, i) => ({
      from: (lengthMm * i) / n,
      to: (lengthMm * (i + 1)) / n,
      backMm: (depthMm * row) / rows,
      frontMm: (depthMm * (row + 1)) / rows,
      spots: [],
    })),
  ).flat()
}

/** What stands on each piece, the heaviest at the wall. */
function onDeck(goods: readonly Goods[], pieces: readonly DeckPiece[], sideMm: number) {
  let left = [...goods].sort((a, b) => countedKg(b) - countedKg(a) || b.acrossMm - a.acrossMm)
  const deck = pieces.map((piece) => {
    const openings = [{ left: piece.from, right: piece.to }]
    const filled = fill(left, openings, piece.frontMm - piece.backMm, sideMm, 0)
    left = filled.left
    return { ...piece, spots: filled.spots }
  })
  return { deck, left }
}

/** Joists at both ends, two with a filler between under every joint of sheets, and evenly between. */
function joistsAt(
  lengthMm: number,
  everyMm: number,
  t: number,
  { joints, gapMm }: { joints: readonly number[]; gapMm: number },
): Pick<Plan, 'joists' | 'doubled'> {
  const ends = [0, ...joints, lengthMm]
  const joists: number[] = []
  const doubled: [number, number][] = []
  ends.slice(1).forEach((to, i) => {
    // A joist's left face at either end of this stretch.
    const first = i === 0 ? 0 : ends[i] + gapMm / 2
    const last = i === ends.length - 2 ? to - t : to - gapMm / 2 - t
    const n = Math.max(1, Math.ceil((last - first) / everyMm - 1e-9))
    if (i > 0) doubled.push([joists.length - 1, joists.length])
    for (let k = 0; k <= n; k++) joists.push(first + ((last - first) * k) / n)
  })
  return { joists, doubled }
}

/** Posts evenly, or studs evenly to either side of a door. */
function uprightsOf(
  p: LoftDeckParams,
  ctx: ShapeContext,
  pen: DimPen,
  { lengthMm, wideMm }: { lengthMm: number; wideMm: number },
): Result<Pick<Plan, 'uprights' | 'door'>> {
  const units = unitsOf(ctx.settings)
  const evenly = (from: number, to: number, everyMm: number, count: number | null): number[] => {
    const n = count ?? 1 + Math.max(1, Math.ceil((to - from - wideMm) / everyMm - 1e-9))
    return Array.from({ length: n }, (_, i) => from + ((to - from - wideMm) * i) / (n - 1))
  }
  if (p.front === 'posts') {
    const tacked = Math.min(LIMITS.uprights, evenly(0, lengthMm, POSTS_EVERY, null).length)
    const count = pen.count({ path: 'uprights', code: 'loft-posts', min: 2, max: LIMITS.uprights }, tacked, {
      code: 'uprights-apart',
      terms: [],
      data: { everyMm: POSTS_EVERY },
    })
    return good({ uprights: evenly(0, lengthMm, POSTS_EVERY, count), door: null })
  }
  const fits = Math.max(0, Math.min(DOOR, lengthMm - 4 * wideMm - 2 * LEAST_PIER_MM))
  const doorMm = pen.length({ path: 'doorMm', code: 'loft-door', min: 0, max: 1800 }, roundUp(fits, units), {
    code: 'door-usual',
    terms: [],
  })
  if (doorMm === 0) return good({ uprights: evenly(0, lengthMm, STUDS_EVERY, null), door: null })
  const at = pen.length(
    { path: 'doorAtMm', code: 'loft-door-at', min: 0, max: 9000 },
    roundUp((lengthMm - doorMm) / 2, units),
    { code: 'door-middle', terms: [] },
  )
  const mostMm = lengthMm - doorMm - 2 * wideMm
  if (at < 2 * wideMm || at > mostMm) return bad('loft-door-past-wall', { mm: at, mostMm }, 'doorAtMm')
  return good({
    uprights: [...evenly(0, at, STUDS_EVERY, null), ...evenly(at + doorMm, lengthMm, STUDS_EVERY, null)],
    door: { from: at, to: at + doorMm },
  })
}
/** A framed wall has at least so much to either side of its door, mm. */
const LEAST_PIER_MM = 150

/** Ledgers in pieces that meet on studs, rims in pieces that meet over uprights. */
function runsOf(
  p: LoftDeckParams,
  ctx: ShapeContext,
  lengthMm: number,
  { uprights, ledger }: { uprights: number[]; ledger: Row },
): Result<Pick<Plan, 'ledgers' | 'rims'>> {
  const mostMm = Math.min(longestBoard(ctx, p.joistSection), longestBoard(ctx, p.rimSection))
  const ledgers = piecesOnStuds(ctx.space, lengthMm, mostMm, undefined, [ledger])
  const rims = spliceOver(lengthMm, mostMm, uprights)
  if (!ledgers || !rims) return bad('loft-not-spliced', { mostMm }, 'lengthMm')
  if (ledgers.poor) return bad('loft-ledger-studs', ledgers.poor, 'lengthMm')
  return good({ ledgers: ledgers.pieces, rims })
}
