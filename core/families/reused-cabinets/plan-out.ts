import type { Bay } from '../../assembly/assembly.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { placesIn, type ExistingBox } from '../../blocks/carcass/existing-box.ts'
import type { Strips } from '../../blocks/holders/frame.ts'
import { bevelHigh, liftOff } from '../../blocks/mounts/hung-on-wall.ts'
import { LEAST_STUDS, piecesOnStuds } from '../../blocks/mounts/pieces-on-studs.ts'
import { stripWidth } from '../../blocks/mounts/strip-width.ts'
import { fixingPlaces, FROM_END_MM } from '../../blocks/mounts/wall-fixing.ts'
import { GAP_MM, type Blocked } from '../../blocks/sizing/along-wall.ts'
import { spliceOver } from '../../blocks/sizing/splice.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { sub } from '../../geometry/vec.ts'
import { standsOn, type Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { OVER_BENCH_MM } from '../../goods/person.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundNearest } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { longestBoard } from '../boards-of.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import { preparedFrom } from '../../room/prepared.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { fillFlat, withoutPlace } from '../house-on-shelves.ts'
import { arrange, blockedBy, groups, rowOf, type Reach } from './arrange.ts'
import type { Cabinet, ReusedCabinetsParams } from './parameters.ts'

export interface ReasonData {
  'tops-over-bench': { benchMm: number }
  'boards-usual': object
  'own-rail-usual': object
  'own-rail-high': object
  'overhang-usual': object
}
export interface ProblemData {
  'no-cabinets': object
  'cabinet-no-room': { cabinet: number; mm: number; haveMm: number }
  'cabinet-past-top': { cabinet: number; mm: number; mostMm: number }
  'cabinet-below-floor': { cabinet: number; mm: number; topMm: number }
  'cabinet-too-small': { cabinet: number }
  'cabinet-one-stud': { cabinet: number; count: number }
  'cabinets-miss-studs': { from: number; count: number }
  'cabinets-not-spliced': { mostMm: number }
  'bases-unlike': { cabinet: number; mm: number; otherMm: number }
  'worktop-too-deep': { mm: number; mostMm: number }
  'worktop-too-long': { mm: number; mostMm: number }
}

/** Usual boards and rails of cabinets, mm: 5/8 in to 3/4 in boards, rails of the same, about 2 1/2 in high. Measure yours. */
const BOARD = inches(5 / 8)
const RAIL_HIGH = inches(2.5)
const OVERHANG = inches(1)
/** Wider gaps between neighbours are left open, mm. Product decision. */
const FILLED_MM = 150
/** Beyond this two neighbours hang on strips of their own, mm: a stud further is met by itself. Product decision. */
const RUN_GAP_MM = 600
/** A worktop runs on over this much with nothing under it, mm: for the knees, or for an appliance. Product decision. */
const OPEN_GAP_MM = 900

export interface PlacedCabinet extends ExistingBox {
  index: number
  items: Bay['items'][]
}
export interface Run {
  boxes: PlacedCabinet[]
  left: number
  right: number
}
export interface Plan {
  cabinets: PlacedCabinet[]
  runs: Run[]
  /** Where what hangs on strips hooks; null where it is screwed to the wall, or stands. */
  strips: Strips | null
  /** Narrow gaps between neighbours, closed by a strip of sheet. */
  fillers: { beside: PlacedCabinet; left: number; right: number; footMm: number; headMm: number }[]
  worktop: { pieces: { left: number; right: number }[]; deepMm: number; overhangMm: number; topMm: number } | null
  filler: Sheet
  top: Sheet
  support: Section
  play: { sideMm: number; aboveMm: number }
}
type Planned = { plan: Plan; unhoused: Shaped['unhoused'] }

interface Measures {
  strip: Section
  stripWideMm: number
  boardMm: number
  railMm: number
  railHighMm: number
  overhangMm: number
  topMm: number
  play: { sideMm: number; aboveMm: number }
}

function measuresOf(p: ReusedCabinetsParams, ctx: ShapeContext, pen: DimPen): Measures {
  const units = unitsOf(ctx.settings)
  const length = (
    path: keyof ReusedCabinetsParams & string,
    code: string,
    [min, max]: [number, number],
    mm: number,
    why: keyof ReasonData,
    data: Record<string, number> = {},
  ) => pen.length({ path, code, min, max }, roundNearest(mm, units), { code: why, terms: [], data })
  const hangs = p.row === 'wall'
  const tallest = Math.max(0, ...p.cabinets.map((c) => c.highMm))
  const strip = findSection(p.stripSection)!
  const under = ctx.space.heightMm - (p.hang === 'strip' ? liftOff(strip) : 0)
  const topMm = hangs
    ? pen.length(
        { path: 'topMm', code: 'cabinet-tops', min: 400, max: 3200 },
        roundDown(Math.min(OVER_BENCH_MM + tallest, under), units),
        { code: 'tops-over-bench', terms: [], data: { benchMm: OVER_BENCH_MM } },
      )
    : tallest
  return {
    strip,
    stripWideMm: stripWidth(strip, p.strip, ctx.settings),
    boardMm: length('boardMm', 'cabinet-boards', [6, 40], BOARD, 'boards-usual'),
    // What stands is not hung by its rails: they only take of its depth.
    railMm: hangs ? length('railMm', 'own-rail', [6, 40], BOARD, 'own-rail-usual') : (p.railMm ?? BOARD),
    railHighMm: hangs ? length('railHighMm', 'own-rail-high', [30, 200], RAIL_HIGH, 'own-rail-high') : RAIL_HIGH,
    overhangMm:
      !hangs && p.worktop !== 'none'
        ? length('overhangMm', 'worktop-overhang', [0, 150], OVERHANG, 'overhang-usual')
        : 0,
    topMm,
    play: shelfPlay(pen, 300),
  }
}

/** Works out where every cabinet comes and what hangs or stands with it, before a piece is placed. */
export function planOut(p: ReusedCabinetsParams, ctx: ShapeContext, pen: DimPen): Result<Planned> {
  if (p.cabinets.length === 0) return bad('no-cabinets', {}, 'cabinets')
  const m = measuresOf(p, ctx, pen)
  const hangs = p.row === 'wall'
  const fits = eachFits(p, ctx, m)
  if (!fits.ok) return fits
  const liftMm = hangs && p.hang === 'strip' ? liftOff(m.strip) : 0
  const reach = (c: Cabinet): Reach =>
    hangs ? { footMm: m.topMm - c.highMm, headMm: m.topMm + liftMm } : { footMm: 0, headMm: c.highMm }
  const spec = rowOf(p, ctx.space, reach, m.boardMm)
  const row = arrange(p, spec)
  const lost = row.at.findIndex((x) => x === null)
  if (lost >= 0) {
    const haveMm =
      ctx.space.lengthMm - row.at.reduce<number>((s, x, i) => s + (x === null ? 0 : p.cabinets[i].wideMm), 0)
    return bad('cabinet-no-room', { cabinet: lost + 1, mm: p.cabinets[lost].wideMm, haveMm }, `cabinets.${lost}.wideMm`)
  }
  const { cabinets, unhoused } = filled(p, ctx, m, row.at as number[])
  const atStrip = { footMm: m.topMm - m.boardMm - 2 * m.stripWideMm, headMm: m.topMm }
  const between = hangs ? blockedBy(ctx.space, atStrip, m.strip.thicknessMm) : []
  const runs = groups(cabinets, hangs ? RUN_GAP_MM : OPEN_GAP_MM, between).map((list): Run => {
    const boxes = list.map((x) => cabinets.find((c) => c.index === x.index)!)
    const last = boxes[boxes.length - 1]
    return { boxes, left: boxes[0].left, right: last.left + last.wideMm }
  })
  const strips = hangs && p.hang === 'strip' ? stripsOf(p, ctx, m, { runs, between }) : good(null)
  if (!strips.ok) return strips
  if (hangs && p.hang === 'through') {
    const studs = (c: PlacedCabinet) =>
      fixingPlaces(ctx.space, c.left + m.boardMm, c.left + c.wideMm - m.boardMm).length
    const bare = cabinets.find((c) => studs(c) < LEAST_STUDS)
    if (bare) return bad('cabinet-one-stud', { cabinet: bare.index + 1, count: studs(bare) }, 'hang')
  }
  const worktop = !hangs && p.worktop !== 'none' ? worktopOf(p, ctx, m, runs) : good(null)
  if (!worktop.ok) return worktop
  const plan: Plan = {
    cabinets,
    runs,
    strips: strips.value,
    fillers: fillersOf(runs),
    worktop: worktop.value,
    filler: findSheet(p.fillerSheet)!,
    top: findSheet(p.worktopSheet)!,
    support: findSection(p.supportSection)!,
    play: m.play,
  }
  return good({ plan, unhoused })
}

/** Each by itself: under the ceiling, over the floor, large enough for its own boards. */
function eachFits(p: ReusedCabinetsParams, ctx: ShapeContext, m: Measures): Result<null> {
  const first = p.cabinets[0]
  for (const [i, c] of p.cabinets.entries()) {
    const at = `cabinets.${i}.highMm`
    const own = { left: 0, backMm: 0, footMm: 0, boardMm: m.boardMm, railMm: m.railMm, ...c }
    const [{ clear }] = placesIn(own)
    if (Math.min(...sub(clear.max, clear.min)) < LEAST_INSIDE_MM)
      return bad('cabinet-too-small', { cabinet: i + 1 }, at)
    if (p.row === 'floor') {
      if (c.highMm > ctx.space.heightMm)
        return bad('cabinet-past-top', { cabinet: i + 1, mm: c.highMm, mostMm: ctx.space.heightMm }, at)
      if (p.worktop !== 'none' && Math.abs(c.highMm - first.highMm) > GAP_MM)
        return bad('bases-unlike', { cabinet: i + 1, mm: c.highMm, otherMm: first.highMm }, at)
      continue
    }
    if (m.topMm > ctx.space.heightMm)
      return bad('cabinet-past-top', { cabinet: i + 1, mm: m.topMm, mostMm: ctx.space.heightMm }, 'topMm')
    if (c.highMm > m.topMm) return bad('cabinet-below-floor', { cabinet: i + 1, mm: c.highMm, topMm: m.topMm }, at)
    if (c.highMm < 2 * m.railHighMm + 2 * m.boardMm + (p.hang === 'strip' ? m.stripWideMm : 0))
      return bad('cabinet-too-small', { cabinet: i + 1 }, at)
  }
  return good(null)
}
/** Nothing goes into less, mm. */
const LEAST_INSIDE_MM = 40

/** Cabinets where they come, and the goods in them: heavy things low, each inside by its height. */
function filled(p: ReusedCabinetsParams, ctx: ShapeContext, m: Measures, at: readonly number[]) {
  const hooked = p.row === 'wall' && p.hang === 'strip'
  const boxes = p.cabinets.map((c, index): ExistingBox & { index: number } => ({
    id: `cabinet-${index}`,
    name: `Cabinet ${index + 1}`,
    index,
    left: at[index],
    backMm: hooked ? m.strip.thicknessMm : 0,
    footMm: p.row === 'wall' ? m.topMm - c.highMm : 0,
    wideMm: c.wideMm,
    deepMm: c.deepMm,
    highMm: c.highMm,
    massKg: c.massKg,
    holdsKg: c.holdsKg,
    shelves: c.shelves,
    front: c.front,
    boardMm: m.boardMm,
    railMm: m.railMm,
    railHighMm: m.railHighMm,
  }))
  const insides = boxes.flatMap((b, box) => placesIn(b).map((x, place) => ({ box, place, ...x })))
  const items = boxes.map((b) => placesIn(b).map((): Bay['items'] => []))
  const heavyFirst = (a: Goods, b: Goods) => countedKg(b) - countedKg(a) || b.tallMm - a.tallMm
  let queue = ctx.goods.flatMap((g) => Array.from({ length: g.count }, () => g.item)).sort(heavyFirst)
  const carries = boxes.map((b) => (b.holdsKg > 0 ? b.holdsKg : Infinity))
  insides.sort((a, b) => a.row - b.row || boxes[a.box].left - boxes[b.box].left)
  for (const { box, place, clear } of insides) {
    const high = clear.max[2] - clear.min[2]
    // What it is known to carry is not gone over by what is put into it.
    const goesIn: Goods[] = []
    const later: Goods[] = []
    let left = carries[box]
    for (const g of queue) {
      const fits = g.tallMm + m.play.aboveMm <= high && countedKg(g) <= left
      if (fits) left -= countedKg(g)
      ;(fits ? goesIn : later).push(g)
    }
    const { spots, left: over } = fillFlat(
      goesIn,
      [{ left: clear.min[0], right: clear.max[0] }],
      clear.max[1] - clear.min[1],
      m.play.sideMm,
    )
    carries[box] -= spots.reduce((s, x) => s + countedKg(x.item), 0)
    items[box][place] = spots.map(({ item, x, y }) => ({
      goodsId: item.id,
      massKg: item.massKg,
      stands: standsOn(item.kind),
      box: {
        min: [x, clear.min[1] + y, clear.min[2]],
        max: [x + item.acrossMm, clear.min[1] + y + item.deepMm, clear.min[2] + item.tallMm],
      },
    }))
    queue = [...later, ...over].sort(heavyFirst)
  }
  return {
    cabinets: boxes.map((b, i): PlacedCabinet => ({ items: items[i], ...b })),
    unhoused: withoutPlace(queue),
  }
}

/** One line of strips, a piece or more under each run, each held in two studs. */
function stripsOf(
  p: ReusedCabinetsParams,
  ctx: ShapeContext,
  m: Measures,
  { runs, between }: { runs: readonly Run[]; between: readonly Blocked[] },
): Result<Strips> {
  const most = longestBoard(ctx, p.stripSection)
  const section = { ...m.strip, widthMm: m.stripWideMm }
  const topMm = m.topMm - m.boardMm - m.stripWideMm + bevelHigh(section)
  const band = { low: topMm - m.stripWideMm, high: topMm, throughMm: section.thicknessMm }
  const pieces: { id: string; left: number; right: number }[] = []
  for (const [r, under] of runs.entries()) {
    const run = ontoStuds(under, ctx, between, runs)
    const space = {
      ...ctx.space,
      studsMm: ctx.space.studsMm.map((x) => x - run.left),
      prepared: preparedFrom(ctx.space.prepared, { alongMm: run.left }),
    }
    const found = piecesOnStuds(space, run.right - run.left, most, undefined, [band])
    if (!found) return bad('cabinets-not-spliced', { mostMm: most }, 'cabinets')
    if (found.poor)
      return bad('cabinets-miss-studs', { from: run.left + found.poor.from, count: found.poor.count }, 'cabinets')
    found.pieces.forEach((s, k) =>
      pieces.push({ id: `strip-${r}-${k}`, left: run.left + s.from, right: run.left + s.to }),
    )
  }
  return good({
    section,
    widthMm: m.stripWideMm,
    cleat: section,
    backMm: 0,
    rows: [{ topMm, pieces }],
  })
}

/** A run of strip that goes on past its cabinets to the next stud, where it would meet fewer than two. */
function ontoStuds(
  run: Run,
  { space }: ShapeContext,
  between: readonly Blocked[],
  runs: readonly Run[],
): { left: number; right: number } {
  const count = (left: number, right: number) => fixingPlaces(space, left, right).length
  if (count(run.left, run.right) >= LEAST_STUDS || space.construction.kind !== 'studs') return run
  const taken = [...between.map((b) => ({ left: b.from, right: b.to })), ...runs.filter((x) => x !== run)]
  const free = (left: number, right: number) =>
    left >= 0 && right <= space.lengthMm && taken.every((t) => t.right <= left || t.left >= right)
  const ends = space.studsMm.flatMap((x) => [
    { left: Math.min(run.left, x - FROM_END_MM), right: run.right },
    { left: run.left, right: Math.max(run.right, x + FROM_END_MM) },
  ])
  const long = (e: { left: number; right: number }) => e.right - e.left
  const fits = ends.filter((e) => count(e.left, e.right) >= LEAST_STUDS && free(e.left, e.right))
  return fits.length === 0 ? run : fits.reduce((a, b) => (long(b) < long(a) ? b : a))
}

/** Gaps that a strip of sheet closes, as high as both neighbours are. */
function fillersOf(runs: readonly Run[]): Plan['fillers'] {
  return runs.flatMap(({ boxes }) =>
    boxes.slice(1).flatMap((b, i) => {
      const a = boxes[i]
      const [left, right] = [a.left + a.wideMm, b.left]
      if (right - left <= GAP_MM || right - left > FILLED_MM) return []
      const footMm = Math.max(a.footMm, b.footMm)
      return [{ beside: a, left, right, footMm, headMm: Math.min(a.footMm + a.highMm, b.footMm + b.highMm) }]
    }),
  )
}

/** A worktop over each run of bases: whole, or in pieces that meet where two bases do. */
function worktopOf(
  p: ReusedCabinetsParams,
  ctx: ShapeContext,
  m: Measures,
  runs: readonly Run[],
): Result<NonNullable<Plan['worktop']>> {
  const sheet = findSheet(p.worktopSheet)!
  const trim = 2 * ctx.settings.sheetTrimMm
  const deepMm = Math.max(...p.cabinets.map((c) => c.deepMm)) + m.overhangMm
  if (deepMm > sheet.widthMm - trim)
    return bad('worktop-too-deep', { mm: deepMm, mostMm: sheet.widthMm - trim }, 'overhangMm')
  const mostMm = sheet.lengthMm - trim
  const pieces: { left: number; right: number }[] = []
  for (const run of runs) {
    const lengthMm = run.right - run.left
    const meets = run.boxes.slice(1).flatMap((b, i) => {
      const end = run.boxes[i].left + run.boxes[i].wideMm
      return b.left - end <= GAP_MM ? [end - run.left] : []
    })
    const spliced = p.worktop === 'spliced' ? spliceOver(lengthMm, mostMm, [0, ...meets, lengthMm]) : null
    const list = lengthMm <= mostMm ? [{ from: 0, to: lengthMm }] : spliced
    if (!list) return bad('worktop-too-long', { mm: lengthMm, mostMm }, 'worktop')
    for (const s of list) pieces.push({ left: run.left + s.from, right: run.left + s.to })
  }
  return good({ pieces, deepMm, overhangMm: m.overhangMm, topMm: m.topMm })
}
