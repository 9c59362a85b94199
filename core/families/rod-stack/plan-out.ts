import { unitsOf } from '../../assembly/settings.ts'
import { besideHinges, frontDeep, standsOut, takenByHinges } from '../../blocks/fronts/front.ts'
import { rowsOf, sprung, type Row } from '../../blocks/fronts/lift-up.ts'
import { dadoDepth } from '../../blocks/carcass/shelf-between.ts'
import {
  joistsToHangFrom,
  COUPLER_UNDER_MM,
  FROM_BOX_MM,
  CROSS_END_MM,
  pastFirstJoist,
  planRods,
  type OnRods,
  type RodPlan,
} from '../../blocks/mounts/on-rods.ts'
import { depthToHold } from '../../blocks/sizing/depth-to-hold.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { findRod, ROD_LENGTHS, type Rod } from '../../catalogue/steel.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundUp } from '../../measure/rounding.ts'
import { shelfPlay, type DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { house, LEAST_OPEN, type Level, type Opening } from '../house-on-shelves.ts'
import { levelTerms, topsInside } from '../shelf-tops.ts'
import { LIMITS, type RodStackParams } from './parameters.ts'

export interface ReasonData {
  'past-first-joist': object
  'against-wall': object
  'clear-widest': { widestMm: number }
  'clear-usual': { everyMm: number }
  'gap-spanner': object
}
export interface ProblemData {
  'too-shallow-for-rods': { mm: number; leastMm: number }
  'spreaders-meet': { mm: number; mostMm: number }
  'hangs-to-floor': { mm: number; mostMm: number }
  'no-room-for-coupling': { leastMm: number }
}

/** A box is usually no narrower than this, mm. Product decision. */
const USUAL_CLEAR = 500
/** From the box to the ceiling: room to lift it onto its nuts, and for a hand and a spanner. mm */
const USUAL_GAP = 100
/**
 * It hangs no lower than this share of the room's height: heads pass under what hangs only at a wall. Product decision.
 */
const LOWEST_SHARE = 0.4

export interface Plan {
  sheet: Sheet
  back: Sheet
  cross: Section
  spreader: Section
  rod: Rod
  opening: Opening
  levels: Level[]
  /** Tops of the bottom and the shelves, above the floor. */
  tops: number[]
  footMm: number
  headMm: number
  backMm: number
  innerMm: number
  frontMm: number
  dadoMm: number
  rods: RodPlan
  joists: OnRods['joists']
  play: { sideMm: number; aboveMm: number }
  /** Leaves that turn up, from below. */
  rowsUp: Row[]
}
type Planned = { plan: Plan; unhoused: Shaped['unhoused'] }

/** The box as far left as its rods find a place between the joists with their cross pieces begun at nought. */
function placeBox(
  b: { wideMm: number; backMm: number; frontMm: number },
  cross: Section,
  rod: Rod,
  joists: OnRods['joists'],
): Result<{ box: Pick<OnRods, 'left' | 'right' | 'backMm' | 'frontMm'>; rods: RodPlan }> {
  let problem: Result<never> | null = null
  for (let left = CROSS_END_MM + FROM_BOX_MM; left <= MOST_LEFT_MM; left += STEP_MM) {
    const box = { left, right: left + b.wideMm, backMm: b.backMm, frontMm: b.frontMm }
    const rods = planRods({ ...box, crossMm: cross.widthMm, rod, joists })
    if (rods.ok && rods.value.xs[0] >= CROSS_END_MM) return good({ box, rods: rods.value })
    if (!rods.ok) problem ??= rods
  }
  return problem ?? bad('rod-in-joist', {}, 'clearMm')
}
const STEP_MM = 5
/** Further right than this nothing is tried: a joist is passed long before. mm */
const MOST_LEFT_MM = 300

/** Works out every dimension of a stack on rods, before a piece is placed. */
export function planOut(p: RodStackParams, ctx: ShapeContext, pen: DimPen): Result<Planned> {
  const known = joistsToHangFrom(ctx.space)
  if (!known.ok) return known
  const joists = known.value
  const units = unitsOf(ctx.settings)
  const [sheet, back] = [findSheet(p.sheet)!, findSheet(p.backSheet)!]
  const [cross, spreader, rod] = [findSection(p.crossSection)!, findSection(p.spreaderSection)!, findRod(p.rod)!]
  const t = sheet.thicknessMm
  const { aboveMm, sideMm } = shelfPlay(pen, 400)
  const past = pastFirstJoist(joists, rod, cross.widthMm)
  const behindMm = pen.length(
    { path: 'behindMm', code: 'behind', min: 0, max: 800 },
    Math.min(800, roundUp(past, units)),
    past > 0 ? { code: 'past-first-joist', terms: [] } : { code: 'against-wall', terms: [] },
  )
  const least = 2 * cross.widthMm
  const deep = depthToHold(
    sheet,
    { settings: ctx.settings, spaceMm: ctx.space.depthMm - behindMm - frontDeep(p.front, t, ctx.settings.yard) },
    Math.max(least + standsOut(p.front), ...ctx.goods.map((g) => g.item.deepMm)),
    { takenMm: back.thicknessMm, sheetMm: 0, outMm: standsOut(p.front) },
  )
  const depthMm = pen.length({ path: 'depthMm', code: 'clear-depth', min: 80, max: 700 }, deep.mm, deep.why)
  if (depthMm < least) return bad('too-shallow-for-rods', { mm: depthMm, leastMm: least }, 'depthMm')
  const widest = Math.max(...ctx.goods.map((g) => g.item.acrossMm))
  const needed = widest + 2 * sideMm + takenByHinges(p.front)
  const clearMm = pen.length(
    { path: 'clearMm', code: 'clear-bay', min: 150, max: 1500 },
    roundUp(Math.max(USUAL_CLEAR, needed), units),
    needed > USUAL_CLEAR
      ? { code: 'clear-widest', terms: [], data: { widestMm: widest } }
      : { code: 'clear-usual', terms: [], data: { everyMm: USUAL_CLEAR } },
  )
  const dadoMm = dadoDepth(t, units)
  const most = sheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  if (clearMm + 2 * dadoMm > most) return bad('longer-than-board', { mm: clearMm, mostMm: most }, 'clearMm')

  const placed = placeBox(
    { wideMm: clearMm + 2 * t, backMm: behindMm, frontMm: behindMm + back.thicknessMm + depthMm },
    cross,
    rod,
    {
      ...joists,
      size: joists.size,
    },
  )
  if (!placed.ok) return placed
  const { box, rods } = placed.value
  const [one, other] = joists.run === 'out' ? rods.ys : rods.xs
  if (other - one < spreader.widthMm)
    return bad('spreaders-meet', { mm: spreader.widthMm, mostMm: other - one }, 'spreaderSection')

  const opening = { left: box.left + t, right: box.right - t }
  const gapMm = pen.length({ path: 'gapMm', code: 'gap-ceiling', min: 0, max: 2000 }, roundUp(USUAL_GAP, units), {
    code: 'gap-spanner',
    terms: [],
  })
  const { ceilingMm } = ctx.space
  const tallOf = (l: Level) => l.tallest?.tallMm ?? LEAST_OPEN
  const highOf = (levels: readonly Level[]) =>
    levelTerms(levels, aboveMm, t)
      .flat()
      .reduce((s, x) => s + x.mm, 0) +
    tallOf(levels[levels.length - 1]) +
    aboveMm +
    t
  const mostHigh = Math.min(most, ceilingMm * (1 - LOWEST_SHARE) - gapMm)
  const shelves = p.shelves === null ? null : p.shelves + 1
  const { levels, unhoused } = house(
    ctx.goods,
    null,
    shelves,
    [besideHinges(p.front, opening)],
    depthMm,
    sideMm,
    standsOut(p.front),
    (l) => highOf(l) <= mostHigh,
    LIMITS.shelves + 1,
  )
  pen.count({ path: 'shelves', code: 'shelves-over', min: 0, max: LIMITS.shelves }, levels.length - 1, {
    code: 'shelves-goods',
    terms: [],
    data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) },
  })
  const inside = topsInside(levels, aboveMm, t, pen)
  if (!inside.ok) return inside
  const rel = inside.value
  const high = rel[rel.length - 1] + tallOf(levels[levels.length - 1]) + aboveMm + t
  if (high > most) return bad('shelf-above-sheet', { mm: high, mostMm: most }, 'shelves')
  // Its back is of one piece: one way it is no wider than its sheet.
  const [leastWay, mostWide] = [Math.min(clearMm + 2 * t, high), back.widthMm - 2 * ctx.settings.sheetTrimMm]
  if (leastWay > mostWide) return bad('back-past-sheet', { mm: leastWay, mostMm: mostWide }, 'clearMm')
  const footMm = ceilingMm - gapMm - high
  if (footMm < cross.thicknessMm + LEAST_UNDER)
    return bad('hangs-to-floor', { mm: high, mostMm: ceilingMm - gapMm - LEAST_UNDER }, 'gapMm')
  const leastGap = COUPLER_UNDER_MM + OVER_CROSS - high
  if (gapMm < leastGap) return bad('no-room-for-coupling', { leastMm: leastGap }, 'gapMm')
  const longest = Math.max(...ROD_LENGTHS[rod.system])
  const rodMm = ceilingMm - footMm + cross.thicknessMm
  if (rodMm > longest) return bad('rod-too-long', { mm: rodMm, mostMm: longest }, 'gapMm')
  const rows = rowsOf(
    footMm,
    footMm + high,
    rel.map((z) => footMm + z),
    footMm + high - t,
    t,
  )
  const leaf = { sheet, left: 0, right: clearMm + 2 * t, frontMm: 0, deepMm: depthMm }
  const rowsUp = p.front === 'lift-up' ? sprung(rows, leaf) : good([])
  if (!rowsUp.ok) return rowsUp
  return good({
    unhoused,
    plan: {
      sheet,
      back,
      cross,
      spreader,
      rod,
      opening,
      levels,
      tops: rel.map((z) => footMm + z),
      footMm,
      headMm: footMm + high,
      backMm: behindMm,
      innerMm: behindMm + back.thicknessMm,
      frontMm: box.frontMm,
      dadoMm,
      rods,
      joists,
      play: { sideMm, aboveMm },
      rowsUp: rowsUp.value,
    },
  })
}
/** The coupling nuts sit at least this far over the cross pieces, mm. */
const OVER_CROSS = 80
/** Room left under what hangs, mm: a broom passes. */
const LEAST_UNDER = 150
