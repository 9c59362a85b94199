import { unitsOf } from '../../assembly/settings.ts'
import type { Strips } from '../../blocks/holders/frame.ts'
import { outlineOf, teeSections, type HolderStock } from '../../blocks/holders/outline.ts'
import { clearFor, holderSize, toolOf, type HolderSize } from '../../blocks/holders/sizes.ts'
import { stripWidth } from '../../blocks/mounts/strip-width.ts'
import { fixingUp } from '../../blocks/mounts/hung-on-wall.ts'
import { fixingPlaces } from '../../blocks/mounts/wall-fixing.ts'
import { pastTwoStuds, piecesOnStuds, type Row } from '../../blocks/mounts/pieces-on-studs.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { TOOL_HOOK } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { reachMm } from '../../goods/person.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundNearest, roundUp, SAME_LENGTH_MM } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import type { FreeSpace } from '../../room/room.ts'
import { longestBoard } from '../boards-of.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { byUse, layOut, type Hung, type Wanted } from './layout.ts'
import { LIMITS, RAIL_SCREWS, type StripWallParams } from './parameters.ts'

export interface ReasonData {
  'rows-tools': { things: number }
  'rise-usual': object
  'rise-prepared': object
  'lowest-longest': { lowMm: number }
  'lowest-hand': { lowMm: number }
  'lowest-prepared': { lowMm: number }
  'strips-goods': object
  'strips-wall': { wallMm: number }
  'fit-usual': object
  'play-fingers': object
  'play-lift': object
}
export interface ProblemData {
  'tool-falls-through': { goods: string; mm: number; leastMm: number; held: string }
  'tool-not-over': { goods: string; mm: number; leastMm: number; held: string }
  'tool-not-on-hook': { goods: string; mm: number; leastMm: number; held: string }
  'tool-too-high-for-web': { goods: string; mm: number }
  'holder-no-tool': { holder: number }
  'holder-twice': { holder: number; goods: string }
  'strip-misses-studs': { count: number; from: number }
  'strip-not-spliced': { mostMm: number }
  'strips-too-close': { mm: number; leastMm: number }
  'strip-too-low': { mm: number; leastMm: number }
  'strips-too-high': { mm: number; mostMm: number }
  'cleat-not-as-thick': { mm: number; leastMm: number }
  'nothing-hung': { goods: string }
  'holder-in-the-way': { goods: string; mm: number }
}

/** Builders' usual: strips a foot apart, an eighth of an inch round what lifts out, half an inch between tools. */
const RISE = inches(12)
const FIT = inches(1 / 8)
const SIDE = inches(1 / 2)
const LIFT = inches(2)
/** The lowest strip is no lower than where a bench is worked at, mm. Product decision. */
const LOWEST = inches(40)
/** Wider holders are two, mm: one person still lifts them off. Product decision. */
const WIDEST_MM = 900
/** Strips are this much lower than what is over them at least, mm: room to lift a holder over its bevel. */
const BETWEEN_MM = 40
/** Battens on masonry are this far apart, mm: product decision, about the spacing of studs. */
const BATTENS_EVERY_MM = 500
/** A strip is at least this long, mm. */
const SHORTEST_MM = 300

export interface Plan {
  strips: Strips
  pieces: Stretch[]
  lengthMm: number
  /** Middles of battens on masonry. */
  battens: number[]
  batten: Section
  /** Over the battens, of panels that meet on them. */
  backing: Sheet | null
  hung: Hung[]
  stock: HolderStock
  play: { sideMm: number; aboveMm: number }
}

export function planOut(
  p: StripWallParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const units = unitsOf(ctx.settings)
  const [section, batten, cleat] = [p.stripSection, p.battenSection, p.cleatSection].map((id) => findSection(id)!)
  if (Math.abs(cleat.thicknessMm - section.thicknessMm) > SAME_LENGTH_MM)
    return bad('cleat-not-as-thick', { mm: cleat.thicknessMm, leastMm: section.thicknessMm }, 'cleatSection')
  const onBattens = p.mount === 'battens' && ctx.space.construction.kind !== 'studs'
  const widthMm = stripWidth(section, p.strip, ctx.settings)
  const backing = onBattens && p.backing === 'panels' ? findSheet(p.backingSheet)! : null
  const backMm = onBattens ? batten.thicknessMm + (backing?.thicknessMm ?? 0) : 0
  const stock = stockOf(p, ctx)
  const length = (
    path: keyof StripWallParams & string,
    code: string,
    [min, max]: [number, number],
    mm: number,
    why: keyof ReasonData,
  ) => pen.length({ path, code, min, max }, mm, { code: why, terms: [] })
  const fitMm = length('fitMm', 'tool-fit', [0, 25], roundNearest(FIT, units), 'fit-usual')
  const sideMm = length('sidePlayMm', 'tool-apart', [0, 100], roundNearest(SIDE, units), 'play-fingers')
  const aboveMm = length('abovePlayMm', 'above-play', [0, 300], roundNearest(LIFT, units), 'play-lift')

  const wanted = wantedFor(p, ctx, stock, { fitMm, sideMm })
  if (!wanted.ok) return wanted
  const { list, tooWide } = wanted.value

  // Over battens they are fixed to those.
  const prepared = onBattens ? [] : preparedRows(ctx.space, widthMm - fixingUp({ ...section, widthMm }))
  const [at, next] = prepared.filter((mm) => mm >= LOWEST)
  const apartMm = next === undefined ? null : next - at
  const riseMm = length(
    'riseMm',
    'strip-rise',
    [120, 900],
    apartMm !== null && apartMm >= 120 && apartMm <= 900 ? apartMm : roundNearest(RISE, units),
    apartMm === null ? 'rise-usual' : 'rise-prepared',
  )
  if (riseMm < widthMm + BETWEEN_MM)
    return bad('strips-too-close', { mm: riseMm, leastMm: widthMm + BETWEEN_MM }, 'riseMm')
  const most = longestBoard(ctx, p.stripSection)
  const strip = { section, widthMm, backMm, cleat }
  const wall: Wall = { ctx, list, stock, mostMm: most, strip, riseMm, laid: new Map() }
  if (prepared.length === 0 && !piecesOnStuds(ctx.space, ctx.space.lengthMm, most))
    return bad('strip-not-spliced', { mostMm: most }, 'lengthMm')
  const limit = p.lengthMm ?? (p.follow === 'wall' ? ctx.space.lengthMm : Math.min(WITHIN_MM, ctx.space.lengthMm))
  const deepest = Math.max(0, ...list.map((w) => underOf(wall, w)))
  const hooked = Math.max(LOWEST, Math.min(deepest, reachMm(ctx.settings.personMm)))
  // The lowest strip on battens is only leaned on.
  const start = roundNearest(Math.max(widthMm, hooked - (onBattens ? riseMm : 0)), units)
  // Where nothing else holds strips they lie over what was prepared, each over some of it.
  const over = prepared.find((mm) => mm >= start) ?? prepared[prepared.length - 1] ?? null
  const found = fewestRows(wall, limit, {
    fromMm: p.lowestMm ?? over ?? start,
    mayRise: p.lowestMm === null && over === null,
    rows: over === null ? LIMITS.rows : rowsOver(prepared, over, riseMm),
  })
  const lowestMm = pen.length({ path: 'lowestMm', code: 'strip-lowest', min: 250, max: 2600 }, found.lowestMm, {
    code: over !== null ? 'lowest-prepared' : found.lowestMm > start ? 'lowest-hand' : 'lowest-longest',
    terms: [],
    data: { lowMm: deepest },
  })
  if (lowestMm < widthMm) return bad('strip-too-low', { mm: lowestMm, leastMm: widthMm }, 'lowestMm')
  const rows = pen.count({ path: 'rows', code: 'strip-rows', min: 1, max: LIMITS.rows }, found.rows, {
    code: 'rows-tools',
    terms: [],
    data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) },
  })
  const topMm = lowestMm + (rows - 1) * riseMm
  if (topMm > ctx.space.heightMm) return bad('strips-too-high', { mm: topMm, mostMm: ctx.space.heightMm }, 'rows')

  const within = (mm: number) => layOn(wall, mm, { lowestMm, rows })
  const near = within(limit)
  const first = near.left.length === 0 ? near : within(ctx.space.lengthMm)
  const needed = roundUp(Math.max(SHORTEST_MM, ...first.hung.map((h) => h.left + h.outline.wideMm)), units)
  const lengthMm = pen.length(
    { path: 'lengthMm', code: 'strip-length', min: 250, max: 15000 },
    p.follow === 'wall' ? ctx.space.lengthMm : pastTwoStuds(ctx.space, needed, (mm) => roundUp(mm, units)),
    p.follow === 'wall'
      ? { code: 'strips-wall', terms: [], data: { wallMm: ctx.space.lengthMm } }
      : { code: 'strips-goods', terms: [] },
  )
  const run = piecesOnStuds(ctx.space, lengthMm, most, undefined, rowsOf(wall, { lowestMm, rows }))
  if (!run) return bad('strip-not-spliced', { mostMm: most }, 'lengthMm')
  if (run.poor) return bad('strip-misses-studs', run.poor, 'lengthMm')
  const { strips, hung, left } = within(lengthMm)
  const stuck = left.find((w) => w.atMm > 0)
  if (stuck) {
    const { id, name } = stuck.size.item
    const field = `holders.${p.holders.findIndex((h) => h.tool === id)}.atMm`
    return bad('holder-in-the-way', { goods: name, mm: stuck.atMm }, field)
  }
  if (hung.length === 0) return bad('nothing-hung', { goods: list[0]?.size.item.name ?? ctx.goods[0].item.name })
  const lost = new Map<string, number>()
  for (const w of left) lost.set(w.size.item.id, (lost.get(w.size.item.id) ?? 0) + w.count)
  return good({
    unhoused: [
      ...tooWide.map((x) => ({ ...x, why: 'too-wide' })),
      ...[...lost].map(([goodsId, count]) => ({ goodsId, count, why: 'no-place' })),
    ],
    plan: {
      strips,
      pieces: run.pieces,
      lengthMm,
      battens: onBattens ? battensAt(lengthMm, batten) : [],
      batten,
      backing,
      hung,
      stock,
      play: { sideMm, aboveMm },
    },
  })
}

function stockOf(p: StripWallParams, ctx: ShapeContext): HolderStock {
  return {
    system: ctx.settings.yard,
    grade: ctx.settings.grade,
    sheet: findSheet(p.sheet)!,
    divider: findSheet(p.dividerSheet)!,
    rail: findSection(p.railSection)!,
    railScrews: RAIL_SCREWS[p.railScrews],
    bar: findSection(p.barSection)!,
    plate: findSection(p.plateSection)!,
    peg: findSection(p.pegSection)!,
  }
}

/** What strips are tried on, with what is to hang there. */
interface Wall {
  ctx: ShapeContext
  list: readonly Wanted[]
  stock: HolderStock
  mostMm: number
  strip: Pick<Strips, 'section' | 'widthMm' | 'backMm' | 'cleat'>
  riseMm: number
  /** What was laid out before, by length and heights. */
  laid: Map<string, Laid>
}
type Laid = { strips: Strips } & ReturnType<typeof layOut>
interface Heights {
  lowestMm: number
  rows: number
}

/** The strips as what is fixed through them to the wall sees them: none of them where they are on battens. */
const rowsOf = ({ strip, riseMm }: Wall, { lowestMm, rows }: Heights): Row[] =>
  strip.backMm > 0
    ? []
    : Array.from({ length: rows }, (_, r) => {
        const high = lowestMm + r * riseMm
        return { low: high - strip.widthMm, high, throughMm: strip.section.thicknessMm }
      })

/**
 * Upper edges of strips whose fixings meet bolts or blocking, from below up; none on a wall that holds strips anywhere.
 * @param overMm how far a strip's upper edge is over its fixings
 */
function preparedRows(space: FreeSpace, overMm: number): number[] {
  if (fixingPlaces(space, 0, space.lengthMm).length > 0) return []
  const heights = space.prepared.filter((p) => p.on === 'wall').map((p) => (p.from + p.to) / 2 + overMm)
  const sorted = [...new Set(heights)].sort((a, b) => a - b)
  return sorted.filter((mm, i) => i === 0 || mm - sorted[i - 1] > SAME_LENGTH_MM)
}

/** How many strips one rise apart, from one of them up, each lie over something prepared. */
function rowsOver(prepared: readonly number[], fromMm: number, riseMm: number): number {
  const isThere = (mm: number) => prepared.some((x) => Math.abs(x - mm) <= SAME_LENGTH_MM)
  let rows = 1
  while (rows < LIMITS.rows && isThere(fromMm + rows * riseMm)) rows++
  return rows
}

/** @param untilOneIsLeft only whether all find a place is asked */
function layOn(w: Wall, lengthMm: number, at: Heights, untilOneIsLeft = false): Laid {
  const key = `${lengthMm} ${at.lowestMm} ${at.rows}`
  const known = w.laid.get(key)
  if (known) return known
  const laid = layOnAnew(w, lengthMm, at, untilOneIsLeft)
  if (!untilOneIsLeft || laid.left.length === 0) w.laid.set(key, laid)
  return laid
}

function layOnAnew(w: Wall, lengthMm: number, { lowestMm, rows }: Heights, untilOneIsLeft: boolean): Laid {
  const { ctx } = w
  const run = piecesOnStuds(ctx.space, lengthMm, w.mostMm, undefined, rowsOf(w, { lowestMm, rows }))
  const pieces = run?.pieces ?? []
  const strips: Strips = {
    rows: Array.from({ length: rows }, (_, r) => ({
      topMm: lowestMm + r * w.riseMm,
      pieces: pieces.map((s, k) => ({ id: `strip-${k}-${r}`, left: s.from, right: s.to })),
    })),
    ...w.strip,
  }
  const room = {
    lengthMm,
    heightMm: ctx.space.heightMm,
    depthMm: ctx.space.depthMm,
    personMm: ctx.settings.personMm,
    joints: pieces.slice(0, -1).map((s) => s.to),
  }
  return { strips, ...layOut(w.list, strips, w.stock, room, untilOneIsLeft) }
}

/** How far the lowest point of what hangs, wood or tool, is under the upper edge of its strip, mm. */
function underOf({ stock, strip, riseMm }: Wall, w: Wanted): number {
  const topMm = 5000
  const strips: Strips = { rows: [topMm - riseMm, topMm].map((mm) => ({ topMm: mm, pieces: [] })), ...strip }
  return topMm - outlineOf({ strips, stock, ...w, row: 1 }).lowMm
}

/**
 * As few strips as hang everything within reach of one place, the lowest no lower than it must be; else within the whole
 * wall; else as many as go on it.
 */
function fewestRows(
  w: Wall,
  limitMm: number,
  { fromMm, mayRise, rows: mostRows }: { fromMm: number; mayRise: boolean; rows: number },
): Heights {
  const { ctx, riseMm } = w
  const high = Math.min(reachMm(ctx.settings.personMm), ctx.space.heightMm)
  const most = Math.min(mostRows, LIMITS.rows, Math.max(1, 1 + Math.floor((high - fromMm) / riseMm)))
  for (const lengthMm of [limitMm, ctx.space.lengthMm])
    for (let rows = 1; rows <= most; rows++)
      for (let up = 0; up <= (mayRise ? most - rows : 0); up++) {
        const at = { lowestMm: fromMm + up * riseMm, rows }
        if (layOn(w, lengthMm, at, true).left.length === 0) return at
      }
  return { lowestMm: fromMm, rows: most }
}

/** What hangs within this much of a wall is reached from one place and a step to either side, mm. Product decision. */
const WITHIN_MM = 2400

/** Battens at both ends of the strips and between them. */
function battensAt(lengthMm: number, batten: Section): number[] {
  const [from, to] = [batten.widthMm / 2, lengthMm - batten.widthMm / 2]
  const n = Math.max(1, Math.ceil((to - from) / BATTENS_EVERY_MM))
  return Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n)
}

/** The holders tools need: as their table says, or as a list says otherwise. */
function wantedFor(
  p: StripWallParams,
  ctx: ShapeContext,
  stock: HolderStock,
  plays: { fitMm: number; sideMm: number },
): Result<{ list: Wanted[]; tooWide: { goodsId: string; count: number }[] }> {
  const own = new Map<string, StripWallParams['holders'][number]>()
  for (const [i, h] of p.holders.entries()) {
    const g = ctx.goods.find((x) => x.item.id === h.tool)
    if (!g) return bad('holder-no-tool', { holder: i + 1 }, `holders.${i}.tool`)
    if (own.has(h.tool)) return bad('holder-twice', { holder: i + 1, goods: g.item.name }, `holders.${i}.tool`)
    own.set(h.tool, h)
  }
  const woods = {
    dividerMm: stock.divider.thicknessMm,
    barMm: stock.bar.thicknessMm,
    pegMm: stock.peg.widthMm,
    hookOpenMm: TOOL_HOOK.openMm,
  }
  const list: Wanted[] = []
  const tooWide: { goodsId: string; count: number }[] = []
  for (const { item, count } of ctx.goods) {
    const h = own.get(item.id)
    const size = holderSize(item, h?.held ?? toolOf(item).held, plays, woods)
    if (!size.ok) return size
    const s = size.value
    if (s.held === 'drill-slots' && !teeSections(s, stock))
      return bad('tool-too-high-for-web', { goods: item.name, mm: s.boardMm }, 'holders')
    const sides = 2 * stock.sheet.thicknessMm
    const alone = clearFor(s, 1) <= ctx.space.lengthMm - sides ? 1 : 0
    const each = Math.max(alone, fewest(s, Math.min(WIDEST_MM, ctx.space.lengthMm) - sides))
    if (each < 1) {
      tooWide.push({ goodsId: item.id, count })
      continue
    }
    const holders = Math.ceil(count / each)
    for (let i = 0; i < holders; i++) {
      const n = Math.ceil(count / holders)
      list.push({ size: s, count: Math.min(n, count - i * n), row: h?.row ?? 0, atMm: i === 0 ? (h?.atMm ?? 0) : 0 })
    }
  }
  return good({ list: list.filter((w) => w.count > 0).sort(byUse), tooWide })
}

/** How many tools go beside each other in one holder; one wide tool may have a wider one. */
function fewest(s: HolderSize, clearMm: number): number {
  let n = 0
  while (n < 200 && clearFor(s, n + 1) <= clearMm) n++
  return n
}
