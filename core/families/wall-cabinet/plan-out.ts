import { unitsOf } from '../../assembly/settings.ts'
import { dadoDepth } from '../../blocks/carcass/housed-shelf.ts'
import { fixingPlaces, FROM_END_MM } from '../../blocks/mounts/wall-fixing.ts'
import { depthToHold } from '../../blocks/sizing/depth-to-hold.ts'
import { besideHinges, standsOut, takenByHinges } from '../../blocks/fronts/front.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { OVER_BENCH_MM, reachMm } from '../../goods/person.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { house, LEAST_OPEN, levelTerms, topsInside, type Level, type Opening } from '../house-on-shelves.ts'
import { LIMITS, type WallCabinetParams } from './parameters.ts'

/** A shelf of one board thickness is kept to this span: the usual rule for 3/4 in boards. */
const USUAL_CLEAR = inches(30)
/** Higher than this two people cannot hold it up and drive a screw, mm. Product decision. */
const MOST_HIGH = 1200
export interface Plan {
  sheet: Sheet
  back: Sheet
  rail: Section
  openings: Opening[]
  /** Left faces of all uprights, the outer ones included. */
  uprights: number[]
  levels: Level[]
  /** Tops of the bottom and the shelves, above the floor. */
  tops: number[]
  footMm: number
  headMm: number
  /** From the wall to the front of the back, and to the front. */
  innerMm: number
  frontMm: number
  widthMm: number
  dadoMm: number
  play: { sideMm: number; aboveMm: number }
}

/**
 * Clear width at which even one opening passes two studs; null where it does so anyway, or would have to be far wider.
 */
function reachesTwoStuds(ctx: ShapeContext, clearMm: number, t: number): number | null {
  if (ctx.space.construction.kind !== 'studs') return null
  const widths = [clearMm, ...ctx.space.studsMm.map((x) => x + FROM_END_MM - t).filter((x) => x > clearMm)]
  const found = widths.find((w) => fixingPlaces(ctx.space, t, t + w).length >= 2)
  return found === undefined || found === clearMm || found > MOST_WIDER * clearMm ? null : found
}
/** An opening is made this much wider to reach a second stud, no more. Product decision. */
const MOST_WIDER = 1.6

type Planned = { plan: Plan; unhoused: Shaped['unhoused'] }

/** Works out every dimension of a wall cabinet and where the goods go, before a piece is placed. */
export function planOut(p: WallCabinetParams, ctx: ShapeContext, pen: DimPen): Result<Planned> {
  const [sheet, back, rail] = [findSheet(p.sheet)!, findSheet(p.backSheet)!, findSection(p.railSection)!]
  const t = sheet.thicknessMm
  const innerMm = rail.thicknessMm + back.thicknessMm
  const units = unitsOf(ctx.settings)
  const { aboveMm, sideMm } = shelfPlay(pen, 400)
  const deepest = Math.max(...ctx.goods.map((g) => g.item.deepMm))
  const deep = depthToHold(
    sheet,
    { settings: ctx.settings, spaceMm: ctx.space.depthMm - (p.front === 'doors' ? t : 0) },
    deepest,
    {
      takenMm: innerMm,
      outMm: standsOut(p.front),
    },
  )
  const depthMm = pen.length({ path: 'depthMm', code: 'clear-depth', min: 80, max: 600 }, deep.mm, deep.why)
  const widest = Math.max(...ctx.goods.map((g) => g.item.acrossMm))
  const usual = Math.min(
    Math.max(USUAL_CLEAR, widest + 2 * sideMm + takenByHinges(p.front)),
    ctx.space.lengthMm - 2 * t,
  )
  const studs = reachesTwoStuds(ctx, usual, t)
  const clearMm = pen.length(
    { path: 'clearMm', code: 'clear-bay', min: 150, max: 1800 },
    studs === null ? usual : roundUp(studs, units),
    studs === null
      ? { code: 'usual-span', terms: [], data: { everyMm: USUAL_CLEAR } }
      : { code: 'two-studs', terms: [] },
  )
  const dadoMm = dadoDepth(t, units)
  const { sheetTrimMm } = ctx.settings
  const longest = sheet.lengthMm - 2 * sheetTrimMm - 2 * dadoMm
  if (clearMm > longest) return bad('longer-than-board', { mm: clearMm, mostMm: longest }, 'clearMm')
  const widestStrip = sheet.widthMm - 2 * sheetTrimMm - innerMm
  if (depthMm > widestStrip) return bad('deeper-than-sheet', { mm: depthMm, mostMm: widestStrip }, 'depthMm')

  const openingsFor = (n: number): Opening[] =>
    Array.from({ length: n }, (_, i) => ({ left: t + i * (clearMm + t), right: t + i * (clearMm + t) + clearMm }))
  // Hinges take some of an opening on both sides.
  const beside = (o: Opening): Opening => besideHinges(p.front, o)
  const most = Math.max(1, Math.min(LIMITS.bays, Math.floor((ctx.space.lengthMm - t) / (clearMm + t))))
  const highOf = (levels: readonly Level[]) =>
    levelTerms(levels, aboveMm, t)
      .flat()
      .reduce((s, x) => s + x.mm, 0)
  const last = (levels: readonly Level[]) => levels[levels.length - 1].tallest?.tallMm ?? LEAST_OPEN
  const least = Math.min(OVER_BENCH_MM, ctx.space.heightMm / 2)
  const mostHigh = Math.min(MOST_HIGH, sheet.lengthMm - 2 * sheetTrimMm, ctx.space.heightMm - least)
  const grows = (levels: Level[]) => highOf(levels) + last(levels) + aboveMm + t <= mostHigh
  const shelves = p.shelves === null ? null : p.shelves + 1
  const housed = (n: number) =>
    house(
      ctx.goods,
      false,
      shelves,
      openingsFor(n).map(beside),
      depthMm,
      sideMm,
      standsOut(p.front),
      grows,
      LIMITS.shelves + 1,
    )
  const enough = Array.from({ length: most }, (_, i) => i + 1).find((n) => housed(n).unhoused.length === 0) ?? most
  const things = { things: ctx.goods.reduce((n, g) => n + g.count, 0) }
  const bays = pen.count({ path: 'bays', code: 'bays', min: 1, max: LIMITS.bays }, enough, {
    code: 'shelves-goods',
    terms: [],
    data: things,
  })
  const { levels, unhoused } = housed(bays)
  pen.count({ path: 'shelves', code: 'shelves-over', min: 0, max: LIMITS.shelves }, levels.length - 1, {
    code: 'shelves-goods',
    terms: [],
    data: things,
  })
  const inside = topsInside(levels, aboveMm, t, pen)
  if (!inside.ok) return inside
  const rel = inside.value
  // Behind the back the rails, and the strip between them, need their widths, whether the goods do or not.
  const boards = (p.hang === 'strip' ? 3 : 2) * rail.widthMm
  const high = Math.max(rel[rel.length - 1] + Math.max(last(levels) + aboveMm, rail.widthMm), t + boards) + t
  const sheetMost = sheet.lengthMm - 2 * sheetTrimMm
  if (high > sheetMost) return bad('shelf-above-sheet', { mm: high, mostMm: sheetMost }, 'shelves')
  const reach = reachMm(ctx.settings.personMm) - rel[rel.length - 1]
  const under = ctx.space.heightMm - high
  const hang = Math.max(0, Math.min(OVER_BENCH_MM, reach, under))
  const footMm = pen.length({ path: 'hangMm', code: 'hang', min: 0, max: 2600 }, roundDown(hang, units), {
    code: hang === OVER_BENCH_MM ? 'hang-bench' : hang === reach ? 'hang-reach' : 'hang-ceiling',
    terms: [],
    data: { benchMm: OVER_BENCH_MM },
  })
  const openings = openingsFor(bays)
  const fixed = fixingPlaces(ctx.space, t, t + bays * (clearMm + t) - t)
  if (fixed.length === 0) return bad('no-stud-behind-it', {}, 'clearMm')
  return good({
    unhoused,
    plan: {
      sheet,
      back,
      rail,
      openings,
      uprights: Array.from({ length: bays + 1 }, (_, i) => i * (clearMm + t)),
      levels,
      tops: rel.map((z) => footMm + z),
      footMm,
      headMm: footMm + high,
      innerMm,
      frontMm: innerMm + depthMm,
      widthMm: bays * (clearMm + t) + t,
      dadoMm,
      play: { sideMm, aboveMm },
    },
  })
}
