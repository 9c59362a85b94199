import { unitsOf } from '../../assembly/settings.ts'
import { NAILER, THIN_BACK } from '../../blocks/carcass/standing.ts'
import { dadoDepth } from '../../blocks/carcass/shelf-between.ts'
import { shareOf } from '../../blocks/sizing/share-of.ts'
import { frontDeep, placesInBox } from '../../blocks/fronts/front.ts'
import { besideSlides, slidingDeep } from '../../blocks/fronts/sliding.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Goods } from '../../goods/goods.ts'
import { reachMm } from '../../goods/person.ts'
import { flatThing } from '../../goods/ways.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { inches, type UnitSystem } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import { withoutPlace } from '../house-on-shelves.ts'
import type { Planned } from '../opened.ts'
import { LIMITS, type SlotRackParams } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'slots-width': { everyMm: number }
  'slots-depth': { parts: number; sheetMm: number; deepestMm: number; outPct: number; insideMm: number }
  'slots-base': Record<string, never>
  'slots-margin': Record<string, never>
  'slots-each': { thickMm: number }
  'slots-spare': Record<string, never>
  'slots-columns': { slots: number; things: number }
}
export interface ProblemData {
  'slots-none-flat': Record<string, never>
  'slots-too-wide': { mm: number; mostMm: number }
  'slots-too-high': { mm: number; mostMm: number }
  'slots-none-deep': { mm: number; mostMm: number }
  'slots-too-deep': { mm: number; mostMm: number }
  'slots-column-narrow': { mm: number; leastMm: number }
  'slots-too-many': { count: number; most: number }
  'blocks-in-floor': { mm: number; leastMm: number }
}

/** Decks are kept to this span: what stands on edge is heavy for its length, and grooves weaken them. Product decision. */
const USUAL_CLEAR = inches(18)
/** A slot is about so wide: more things than go into it lie against each other. Product decision. */
const USUAL_SLOT_MM = 40
/** Beside what stands in a slot, mm. */
const FINGERS_MM = 6
const SPARE_PCT = 20
const MARGIN = inches(1)
/** The lowest deck: nobody kneels for what stands on it. Product decision. */
const BASE = inches(12)
/** Things of a bin differ in height by no more than this share: the room over low ones is lost. Product decision. */
const ALIKE_SHARE = 0.65
/** What stands out of a slot, of its depth, and still stands. Product decision. */
const OUT_SHARE = 0.25
/** Behind a front nothing stands out. */
export const outShare = (p: Pick<SlotRackParams, 'front'>): number => (p.front === 'open' ? OUT_SHARE : 0)
/** What decks lie on. */
export const BLOCK: Record<UnitSystem, string> = { imperial: '2x2', metric: '38x38mm' }
/** A slot that is left over at the end of a bin is none below this, mm. */
const LEAST_SLOT_MM = 20
const LEAST_DEEP_MM = 150
const MOST_DEEP_MM = 1220

/** A flat thing as it stands: on an edge, out from the wall. */
export interface OnEdge {
  item: Goods
  thickMm: number
  tallMm: number
  deepMm: number
}
export interface Slot {
  things: OnEdge[]
  /** From the left of its column. */
  leftMm: number
  wideMm: number
}
export interface Bin {
  tallMm: number
  columns: Slot[][]
}
export interface Plan {
  box: Sheet
  divider: Sheet
  back: Sheet
  tied: boolean
  openings: { left: number; right: number }[]
  clearMm: number
  deepMm: number
  /** What tracks that panels slide in take of its depth in front, and each of the height of its bin. */
  insideMm: number
  marginMm: number
  /** Of the decks in the uprights; none where they lie on blocks. */
  dadoMm: number
  /** Under both ends of a deck, where it is knocked down. */
  block: Section | null
  /** Of the dividers in the decks. */
  grooveMm: number
  bins: Bin[]
  /** Upper faces of the decks, from below; and the underside of the top. */
  decks: number[]
  highMm: number
}

/** As it was measured where that stands on an edge and goes in; else on its other edge. */
export function onEdge(g: Goods, mostDeepMm: number): OnEdge {
  const [thickMm, mid, long] = [g.acrossMm, g.deepMm, g.tallMm].sort((a, b) => a - b)
  const asMeasured = g.tallMm > thickMm ? g.tallMm : mid
  const other = asMeasured === long ? mid : long
  return other <= mostDeepMm
    ? { item: g, thickMm, tallMm: asMeasured, deepMm: other }
    : { item: g, thickMm, tallMm: other, deepMm: asMeasured }
}

export function planOut(p: SlotRackParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [box, divider] = [findSheet(p.sheet)!, findSheet(p.dividerSheet)!]
  const back = findSheet(THIN_BACK[ctx.settings.yard])!
  const tied = p.tie && canHoldTie(ctx.space)
  const nailer = findSection(NAILER[ctx.settings.yard])!
  const behindMm = back.thicknessMm
  const block = p.made === 'knock-down' ? findSection(BLOCK[ctx.settings.yard])! : null
  const slides = p.front === 'sliding'
  const insideMm = slides ? slidingDeep(ctx.settings.yard) : 0
  // A leaf or a panel is as thick as the box; panels that slide are inside.
  const beforeMm = slides ? 0 : frontDeep(p.front, box.thicknessMm, ctx.settings.yard)
  const mostDeep = ctx.space.depthMm - behindMm - beforeMm
  const out = outShare(p)
  const tieMm = tied ? nailer.thicknessMm : 0
  const flat = ctx.goods.filter((g) => flatThing(g.item))
  const left = ctx.goods.filter((g) => !flatThing(g.item)).flatMap((g) => Array<Goods>(g.count).fill(g.item))
  if (flat.length === 0) return bad('slots-none-flat')
  const things = flat
    .map((g) => ({ ...onEdge(g.item, (mostDeep - tieMm - insideMm) / (1 - out)), count: g.count }))
    .sort((a, b) => b.tallMm - a.tallMm)
  const deepest = Math.max(...things.map((x) => x.deepMm))

  // In the highest bin a board that ties it lies behind what stands there.
  const wantedFor = (x: OnEdge) => x.deepMm * (1 - out) + tieMm + insideMm
  const wanted = Math.max(...things.map(wantedFor))
  const share = shareOf(box.widthMm, ctx.settings, {
    wantedMm: wanted,
    leastMm: LEAST_DEEP_MM,
    mostMm: Math.min(MOST_DEEP_MM, mostDeep),
  })
  // Where no share of the sheet that there is room for is deep enough, just as deep as is wanted.
  const shared = share && share.mm >= Math.min(wanted, mostDeep) ? share : null
  const needed = Math.min(roundUp(wanted, units), Math.max(LEAST_DEEP_MM, roundDown(mostDeep, units)), MOST_DEEP_MM)
  const deepMm = pen.length(
    { path: 'depthMm', code: 'slots-depth', min: LEAST_DEEP_MM, max: MOST_DEEP_MM },
    shared?.mm ?? needed,
    {
      code: 'slots-depth',
      terms: [],
      data: { parts: shared?.n ?? 0, sheetMm: box.widthMm, deepestMm: deepest, outPct: 100 * out, insideMm },
    },
  )
  if (deepMm > mostDeep) return bad('slots-too-deep', { mm: deepMm + behindMm, mostMm: ctx.space.depthMm }, 'depthMm')
  const t = box.thicknessMm
  const clearMm = pen.length(
    { path: 'clearMm', code: 'slots-width', min: 150, max: 1200 },
    roundDown(Math.min(USUAL_CLEAR, ctx.space.lengthMm - 2 * t), units),
    { code: 'slots-width', terms: [], data: { everyMm: USUAL_CLEAR } },
  )
  const baseMm = pen.length({ path: 'baseMm', code: 'slots-base', min: 0, max: 900 }, BASE, {
    code: 'slots-base',
    terms: [],
  })
  const leastBaseMm = block?.widthMm ?? 0
  if (baseMm < leastBaseMm) return bad('blocks-in-floor', { mm: baseMm, leastMm: leastBaseMm }, 'baseMm')
  const marginMm = pen.length({ path: 'marginMm', code: 'slots-margin', min: 5, max: 200 }, MARGIN, {
    code: 'slots-margin',
    terms: [],
  })
  const thickest = Math.max(...things.map((x) => x.thickMm))
  const perSlot = pen.count(
    { path: 'perSlot', code: 'slots-each', min: 1, max: 40 },
    Math.min(40, Math.max(1, Math.floor(USUAL_SLOT_MM / thickest))),
    { code: 'slots-each', terms: [], data: { thickMm: thickest } },
  )
  const sparePct = pen.count({ path: 'sparePct', code: 'slots-spare', min: 0, max: 200 }, SPARE_PCT, {
    code: 'slots-spare',
    terms: [],
  })
  const tooDeep = (x: OnEdge) => wantedFor(x) > deepMm + 1e-6
  const fit = things.filter((x) => !tooDeep(x))
  left.push(...things.filter(tooDeep).flatMap((x) => Array<Goods>(x.count).fill(x.item)))
  if (fit.length === 0)
    return bad('slots-none-deep', { mm: wantedFor(things[things.length - 1]), mostMm: deepMm }, 'depthMm')
  const slots = slotsOf(fit, perSlot, sparePct, (mm) => roundUp(mm, units))
  if (slots.length > LIMITS.slots) return bad('slots-too-many', { count: slots.length, most: LIMITS.slots }, 'perSlot')
  const widest = Math.max(0, ...slots.map((s) => s.wideMm))
  // Blocks hang into the corners of a bin.
  const sideMm = block?.thicknessMm ?? 0
  const rooms = placesInBox(slides ? 'sliding' : 'open', [{ left: 0, right: clearMm }]).map((x) => ({
    left: Math.max(x.left, sideMm),
    right: Math.min(x.right, clearMm - sideMm),
  }))
  const leastMm = slides ? besideSlides(widest + sideMm) : widest + 2 * sideMm
  if (leastMm > clearMm + 1e-6) return bad('slots-column-narrow', { mm: clearMm, leastMm }, 'clearMm')

  const mostHigh = Math.min(ctx.space.heightMm, reachMm(ctx.settings.personMm), box.lengthMm)
  // Lifted over the lower track, and out under the upper one.
  const roomOf = (b: Bin, i: number, n: number) =>
    b.tallMm + marginMm + ((i === 0 ? 1 : 0) + (i === n - 1 ? 1 : 0)) * insideMm
  const highOf = (bins: readonly Bin[]) => bins.reduce((z, b, i) => z + roomOf(b, i, bins.length) + t, baseMm + t)
  const binsFor = (n: number) => binned(slots, n, rooms, divider.thicknessMm)
  // Its top is one sheet.
  const mostWide = Math.min(ctx.space.lengthMm, box.lengthMm - 2 * ctx.settings.sheetTrimMm)
  const most = Math.max(1, Math.min(LIMITS.columns, Math.floor((mostWide - t) / (clearMm + t))))
  const counts = Array.from({ length: most }, (_, i) => i + 1)
  const columns = pen.count(
    { path: 'columns', code: 'slots-columns', min: 1, max: LIMITS.columns },
    counts.find((n) => highOf(binsFor(n)) <= mostHigh) ?? most,
    {
      code: 'slots-columns',
      terms: [],
      data: { slots: slots.length, things: fit.reduce((n, x) => n + x.count, 0) },
    },
  )
  const wideMm = columns * (clearMm + t) + t
  if (wideMm > mostWide + 1e-6)
    return bad('slots-too-wide', { mm: wideMm, mostMm: mostWide }, p.columns === null ? 'clearMm' : 'columns')
  const all = binsFor(columns)
  // What would stand too high finds no place; the lowest bins stay.
  const bins = all.filter((_b, i) => highOf(all.slice(0, i + 1)) <= mostHigh)
  left.push(...all.slice(bins.length).flatMap((b) => b.columns.flat().flatMap((s) => s.things.map((x) => x.item))))
  if (bins.length === 0) return bad('slots-too-high', { mm: highOf(all.slice(0, 1)), mostMm: mostHigh }, 'baseMm')
  const decks = bins.map((_b, i) => bins.slice(0, i).reduce((z, b, k) => z + roomOf(b, k, bins.length) + t, baseMm + t))
  const highMm = highOf(bins)
  return good({
    plan: {
      box,
      divider,
      back,
      tied: tied && bins[bins.length - 1].tallMm + marginMm >= nailer.widthMm,
      openings: Array.from({ length: columns }, (_, k) => ({
        left: t + k * (clearMm + t),
        right: (k + 1) * (clearMm + t),
      })),
      clearMm,
      deepMm,
      insideMm,
      marginMm,
      dadoMm: block ? 0 : dadoDepth(t, units),
      block,
      grooveMm: roundDown(t / 4, units),
      bins,
      decks,
      highMm,
    },
    unhoused: withoutPlace(left),
  })
}

/** Slots for all things, the tallest first, and after each kind those kept free. */
function slotsOf(
  things: readonly (OnEdge & { count: number })[],
  perSlot: number,
  sparePct: number,
  round: (mm: number) => number,
): { things: OnEdge[]; wideMm: number; tallMm: number }[] {
  return things.flatMap((x) => {
    const n = Math.ceil(x.count / perSlot)
    const wideMm = round(Math.min(perSlot, x.count) * x.thickMm + FINGERS_MM)
    const filled = Array.from({ length: n }, (_, i) => ({
      things: Array<OnEdge>(Math.min(perSlot, x.count - i * perSlot)).fill(x),
      wideMm,
      tallMm: x.tallMm,
    }))
    const free = Math.ceil((n * sparePct) / 100)
    return [...filled, ...Array.from({ length: free }, () => ({ things: [], wideMm, tallMm: x.tallMm }))]
  })
}

/** Slots in bins above each other, each as high as its tallest; a bin is full, or what follows is much lower. */
function binned(
  slots: ReturnType<typeof slotsOf>,
  columns: number,
  rooms: readonly { left: number; right: number }[],
  dividerMm: number,
): Bin[] {
  const bins: Bin[] = []
  const each = Array.from({ length: columns }, (_, column) => rooms.map((room) => ({ ...room, column }))).flat()
  let ends: (number | null)[] = []
  const from = (k: number) => (ends[k] === null ? each[k].left : ends[k] + dividerMm)
  for (const s of slots) {
    const last = bins[bins.length - 1]
    const fits = (k: number) => from(k) + s.wideMm <= each[k].right + 1e-6
    let k = last && s.tallMm >= ALIKE_SHARE * last.tallMm ? each.findIndex((_x, i) => fits(i)) : -1
    if (k < 0) {
      bins.push({ tallMm: s.tallMm, columns: Array.from({ length: columns }, () => []) })
      ends = each.map(() => null)
      k = 0
    }
    const leftMm = from(k)
    bins[bins.length - 1].columns[each[k].column].push({ things: s.things, leftMm, wideMm: s.wideMm })
    ends[k] = leftMm + s.wideMm
  }
  for (const b of bins) for (const c of b.columns) c.sort((x, y) => x.leftMm - y.leftMm)
  return bins
}

/**
 * Where dividers of a column stand, `rightMm` the end of its room: after each slot but the last, before one that begins
 * further on, and after the last where a slot's room is left over.
 */
export function dividersOf(slots: readonly Slot[], rightMm: number, dividerMm: number): number[] {
  return slots.flatMap((s, i) => {
    const [end, next] = [s.leftMm + s.wideMm, slots[i + 1]?.leftMm]
    if (next === undefined) return rightMm - end - dividerMm >= LEAST_SLOT_MM ? [end] : []
    // Two where there is room for both and for what stands between the halves; else one, at what begins there.
    const before = next - dividerMm
    return before - end >= dividerMm ? [end, before] : [before]
  })
}
