import { unitsOf, type Settings } from '../../assembly/settings.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown } from '../../measure/rounding.ts'
import type { Units } from '../../measure/units.ts'
import { sumTerms, type DimPen } from '../dim-pen.ts'
import {
  EMPTY,
  fillDrawers,
  highTogether,
  MOST_DRAWERS,
  placesBelow,
  rowsBelow,
  type DrawerFill,
  type DrawersBelow,
} from '../drawers-below.ts'
import type { ShapeContext, Shaped, Term } from '../family.ts'
import { grownTo, house, LEAST_OPEN, liftedOntoMm, type Level } from '../house-on-shelves.ts'
import type { DrawerRows } from '../in-drawers.ts'
import { levelTerms } from '../shelf-tops.ts'
import { LIMITS, type ClosetFrontParams } from './parameters.ts'
import { cleatHigh, usable, type Across, type Sizes } from './sizes.ts'

/** A strip under a panel is no narrower, mm. Product decision. */
const LEAST_STRIP_MM = 20
/** Uprights bow where nothing holds them: shelves are no further apart, mm. Product decision. */
const MOST_APART_MM = 550
/** Toes go under it, mm. */
const KICK_MM = 100
/** Under the ceiling, mm: what is this much lower is tilted and pushed under it, and a filler closes the rest. */
const UNDER_CEILING_MM = 30

export interface Upward {
  levels: Level[]
  tops: number[]
  kickMm: number
  highMm: number
  /** What stands on the highest shelf ends under this. */
  underMm: number
  /** Between the lowest panels and those over them. */
  drawers: DrawersBelow | null
  unhoused: Shaped['unhoused']
}
/** What the levels need from the lowest panel up, as terms for each; drawers stand on that. */
const termsOf = (levels: readonly Level[], s: Sizes, fill: DrawerFill | null, units: Units): Term[][] =>
  levelTerms(levels, s.aboveMm, s.t).map((terms, i) =>
    fill && i === 1
      ? [
          { name: 'drawers', mm: highTogether(fill, s.t, units) },
          { name: 'sheet', mm: s.t },
        ]
      : terms,
  )
const heightOf = (terms: readonly Term[][]): number => terms.flat().reduce((sum, x) => sum + x.mm, 0)

/** Up to the ceiling; shelves by what stands on them. */
export function upwardOf(p: ClosetFrontParams, ctx: ShapeContext, pen: DimPen, s: Sizes, x: Across): Result<Upward> {
  const { t, aboveMm } = s
  const units = unitsOf(ctx.settings)
  const kickMm = pen.length({ path: 'kickMm', code: 'closet-kick', min: 30, max: 300 }, roundDown(KICK_MM, units), {
    code: 'closet-kick',
    terms: [],
  })
  const leastKick = cleatHigh(p, s) + LEAST_STRIP_MM
  if (kickMm < leastKick) return bad('closet-kick-low', { mm: kickMm, leastMm: leastKick }, 'kickMm')
  const sheetMost = s.sheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  const highMm = pen.length(
    { path: 'highMm', code: 'closet-high', min: 900, max: 2800 },
    Math.max(900, roundDown(Math.min(ctx.space.heightMm - UNDER_CEILING_MM, sheetMost), units)),
    {
      code: 'closet-high',
      terms: [],
      data: { ceilingMm: ctx.space.heightMm, spareMm: UNDER_CEILING_MM, sheetMm: sheetMost },
    },
  )
  const most = Math.min(sheetMost, ctx.space.heightMm)
  if (highMm > most) return bad('closet-too-high', { mm: highMm, mostMm: most }, 'highMm')
  // Things leave under the upper rail of a face frame, and stand under the board of the tie.
  const under = highMm - Math.max(t + (s.tied ? s.nailer.widthMm : 0), s.face?.widthMm ?? 0)
  const below = { openings: x.openings, drawerRows: p.drawerRows, sideMm: s.sideMm, firstMm: kickMm + t, t }
  const drawn = x.make && fillDrawers(ctx, x.make, below)
  const fill = drawn && drawn.fill
  // The lowest panel is under the drawers.
  const first = fill ? [EMPTY] : []
  const grows = (over: Level[]) => {
    const levels = [...first, ...over]
    const last = levels[levels.length - 1].tallest ? 0 : LEAST_OPEN
    const z = kickMm + heightOf(termsOf(levels, s, fill, units))
    return grownTo(levels, z, under - last - aboveMm, ctx.settings)
  }
  const { levels: over, unhoused } = house(
    drawn ? drawn.left : ctx.goods,
    null,
    p.shelves === null ? null : p.shelves - first.length,
    x.openings.map((_o, k) => usable(p, { ...s, ...x }, k)),
    x.depthMm,
    s.sideMm,
    0,
    grows,
    LIMITS.shelves - first.length,
  )
  const levels = [...first, ...over]
  const empty = p.shelves === null ? emptyOver(s, levels, kickMm + heightOf(termsOf(levels, s, fill, units)), under) : 0
  const all = [...levels, ...Array.from({ length: empty }, () => EMPTY)]
  pen.count({ path: 'shelves', code: 'shelves', min: 1, max: LIMITS.shelves }, all.length, {
    code: 'closet-shelves',
    terms: [],
    data: { things: ctx.goods.reduce((n, g) => n + g.count, 0), apartMm: MOST_APART_MM },
  })
  if (fill) {
    const why = { code: 'shelves-goods', terms: [], data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) } }
    pen.count({ path: 'drawerRows', code: 'drawer-rows', min: 1, max: MOST_DRAWERS }, fill.rows.length, why)
  }
  const placed = topsOf(all, s, pen, { kickMm, under, units, lifters: ctx.settings, fill })
  if (!placed.ok) return placed
  const { tops, drawers } = placed.value
  const last = tops[tops.length - 1]
  if (last > under - LEAST_OPEN)
    return bad('shelf-above-sheet', { mm: last, mostMm: under - LEAST_OPEN }, p.shelves === null ? 'highMm' : 'shelves')
  return good({ levels: all, tops, kickMm, highMm, underMm: under, drawers, unhoused })
}

/** Shelves over those that things need, so that uprights are held at enough heights. @param z top of the highest */
function emptyOver(s: Sizes, levels: readonly Level[], z: number, under: number): number {
  const room = LIMITS.shelves - levels.length
  // The first of them is over what stands on the highest there is, however high that is.
  const { tallest } = levels[levels.length - 1]
  const [rise, over] = [LEAST_OPEN + s.aboveMm + s.t, under - LEAST_OPEN - z]
  const first = tallest ? tallest.tallMm + s.aboveMm + s.t : rise
  const fit = Math.max(0, 1 + Math.floor((over - first) / rise))
  return Math.min(room, fit, Math.max(0, Math.ceil((under - z) / (MOST_APART_MM + s.t)) - 1))
}

/**
 * Tops of all panels but the uppermost: parted evenly up to the top, and no lower than what stands below them needs, where
 * what stands on them is lifted to; and the places of the drawers under the second.
 */
function topsOf(
  levels: readonly Level[],
  s: Sizes,
  pen: DimPen,
  x: { kickMm: number; under: number; units: Units; lifters: Settings; fill: DrawerFill | null },
): Result<{ tops: number[]; drawers: DrawersBelow | null }> {
  const { t } = s
  const tops = [x.kickMm + t]
  let rows: DrawerRows | null = null
  termsOf(levels, s, x.fill, x.units).forEach((terms, i) => {
    if (i === 0) return
    const below = { name: i === 1 ? 'bottom' : 'shelf-below', mm: tops[i - 1] }
    const asked = { path: `topMm.${i - 1}`, code: 'shelf-top', data: { shelf: i }, min: 60, max: 2800 }
    if (x.fill && i === 1) {
      rows = rowsBelow(x.fill, pen, { t, firstMm: tops[0], highMm: terms[0].mm, units: x.units })
      const [drawers, ...rest] = terms
      tops.push(pen.sum(asked, [below, { ...drawers, mm: drawers.mm + rows.shiftMm }, ...rest]))
      return
    }
    const needed = sumTerms([below, ...terms])
    const parted = tops[i - 1] + (x.under + t - tops[i - 1]) / (levels.length - i + 1)
    const even = roundDown(Math.min(parted, liftedOntoMm(levels[i].spots, x.lifters)), x.units)
    if (even <= needed) tops.push(pen.sum(asked, [below, ...terms], 'goods-below'))
    else tops.push(pen.length(asked, even, { code: 'closet-even', terms: [] }))
  })
  for (let i = 1; i < tops.length; i++)
    if (tops[i] < tops[i - 1] + t)
      return bad('shelves-overlap', { mm: tops[i], leastMm: tops[i - 1] + t, shelf: i }, `topMm.${i - 1}`)
  if (!x.fill || !rows) return good({ tops, drawers: null })
  const places = placesBelow(rows, x.fill.make, t, tops[1] - t)
  return places.ok ? good({ tops, drawers: { ...x.fill, places: places.value } }) : places
}
