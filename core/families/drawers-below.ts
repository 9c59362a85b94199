import type { Draft } from '../assembly/draft.ts'
import { unitsOf } from '../assembly/settings.ts'
import { dadoDepth, housedShelf } from '../blocks/carcass/shelf-between.ts'
import type { Sheet } from '../catalogue/sheets.ts'
import { bad, type Result } from '../measure/result.ts'
import type { Units, UnitSystem } from '../measure/units.ts'
import type { DimPen } from './dim-pen.ts'
import type { ShapeContext } from './family.ts'
import { house, type Level, type Opening } from './house-on-shelves.ts'
import {
  drawerPlaces,
  drawerRows,
  drawersHigh,
  goesInDrawer,
  highDrawers,
  inDrawers,
  laidIn,
  leastForDrawer,
  LOOK_INTO_MM,
  markRunners,
  PLAY_OVER_MM,
  putDrawers,
  roomIn,
  usualDrawers,
  type DrawerMake,
  type DrawerPlace,
  type DrawerRows,
} from './in-drawers.ts'
import { countDim, dims } from './params.ts'

/*
 * Drawers between the lowest shelf of every opening and the one over it: what goes into them, how high they are together,
 * and the fixed panels between many of them.
 */

/** What lies in drawers, row by row. */
export interface DrawerFill {
  make: DrawerMake
  rows: Level[]
}
/** And where they are. */
export interface DrawersBelow extends DrawerFill {
  places: DrawerPlace[]
}

/** No more of them over each other. */
export const MOST_DRAWERS = 9
/** What is asked of them beside what they are made of, and how it begins. */
export const drawersBelow = {
  /** Drawers one over the other, and the underside of each but the lowest. */
  drawerRows: countDim(1, MOST_DRAWERS),
  drawerMm: dims(40, 3000, MOST_DRAWERS),
  ...inDrawers,
}
export const usualBelow = (system: UnitSystem) => ({
  drawerRows: null,
  drawerMm: [] as (number | null)[],
  ...usualDrawers(system),
})
/** A level with nothing on it: the lowest shelf is under the drawers. */
export const EMPTY: Level = { floor: false, spots: [], tallest: null }

/** What heights of drawers are counted with. @param t thickness of fixed panels @param firstMm upper face of the lowest */
const stacked = (t: number, firstMm: number) => ({ aboveMm: PLAY_OVER_MM, panelMm: t, firstMm })
/** Where a drawer begins is told by its number. */
const path = (i: number): string => `drawerMm.${i - 1}`

/** All drawers of an opening together, mm. */
export const highTogether = ({ rows, make }: DrawerFill, t: number, units: Units): number =>
  drawersHigh(rows, make, stacked(t, 0), units)

/** How drawers under the shelves of a box of this sheet are made, so deep and in openings so wide. */
export function madeBelow(
  p: Parameters<typeof highDrawers>[0] & { shelves: number | null },
  ctx: ShapeContext,
  s: { box: Sheet; depthMm: number; clearMm: number },
): Result<DrawerMake> {
  if (p.shelves === 1) return bad('drawers-one-shelf', {}, 'shelves')
  const made = highDrawers(p, ctx, { box: s.box, deepMm: s.depthMm, nailerMm: 0 }, 'depthMm')
  if (!made.ok) return made
  const leastMm = leastForDrawer(made.value)
  return s.clearMm < leastMm ? bad('drawer-too-narrow', { mm: s.clearMm, leastMm }, 'clearMm') : made
}

interface Below {
  openings: readonly Opening[]
  /** How many over each other; null for as many as things need. */
  drawerRows: number | null
  sideMm: number
  /** Upper face of the lowest shelf, and how thick a fixed panel is, mm. */
  firstMm: number
  t: number
}
/** Drawers with what goes into them, none looked into from above that is higher than one can, and what is left over. */
export function fillDrawers(
  ctx: ShapeContext,
  make: DrawerMake,
  b: Below,
): { fill: DrawerFill; left: ShapeContext['goods'] } {
  const grows = (rows: Level[]) =>
    b.firstMm + drawersHigh(rows, make, stacked(b.t, b.firstMm), unitsOf(ctx.settings)) <= LOOK_INTO_MM
  const small = ctx.goods.filter((g) => goesInDrawer(g.item))
  const rooms = b.openings.map((o) => roomIn(make, o))
  const { levels, unhoused } = house(
    ...([laidIn(make, small), null, b.drawerRows, rooms, make.deepMm, b.sideMm, 0] as const),
    ...([grows, MOST_DRAWERS, make.mostKg] as const),
  )
  const over = new Map(unhoused.map((u) => [u.goodsId, u.count]))
  const left = ctx.goods.map((g) => ({ ...g, count: goesInDrawer(g.item) ? (over.get(g.item.id) ?? 0) : g.count }))
  return { fill: { make, rows: levels }, left: left.filter((g) => g.count > 0) }
}

/** The undersides of drawers over the lowest shelf, noted as `drawerMm`, and how far what is fixed shifts the last. */
export const rowsBelow = (
  { rows, make }: DrawerFill,
  pen: DimPen,
  s: { t: number; firstMm: number; highMm: number; units: Units },
): DrawerRows =>
  drawerRows(rows, make, pen, { ...stacked(s.t, s.firstMm), headMm: s.firstMm + s.highMm, units: s.units, path })

/** The places of drawers up to what is over the last of them. */
export const placesBelow = (rows: DrawerRows, make: DrawerMake, t: number, headMm: number): Result<DrawerPlace[]> =>
  drawerPlaces(rows, make, { panelMm: t, headMm, path })

/** What drawers are put into. */
interface PutBelow {
  drawers: DrawersBelow
  openings: readonly Opening[]
  sheet: Sheet
  backMm: number
  deepMm: number
  uprightsOf: (opening: number) => [string, string]
}
/** Upper faces of the fixed panels between them; the lowest shelf is none. */
export const panelsAmong = ({ places }: DrawersBelow): number[] =>
  places.slice(1).flatMap((x) => (x.panelMm === null ? [] : [x.panelMm]))

/** Fixed panels between drawers, in dadoes like the shelves, and their marks. @param level of the first mark */
export function panelsBetween(d: Draft, ctx: ShapeContext, s: PutBelow, level: number): void {
  const dadoMm = dadoDepth(s.sheet.thicknessMm, unitsOf(ctx.settings))
  panelsAmong(s.drawers).forEach((topMm, j) => {
    s.openings.forEach((o, k) =>
      housedShelf(d, {
        ...{ id: `panel-${k}-${j}`, role: 'shelf', sheet: s.sheet, ...o, fromMm: s.backMm, deepMm: s.deepMm },
        ...{ topMm, dadoMm, uprights: s.uprightsOf(k), footMm: 0 },
      }),
    )
    const parts = s.openings.map((_o, k) => `panel-${k}-${j}`)
    d.mark(topMm, 'shelf-top', level + j, parts)
  })
}

/** The drawers of every opening, over `shelf-K-0`, and the marks of what they run on. */
export function putDrawersBelow(d: Draft, s: PutBelow): void {
  const { make, places, rows } = s.drawers
  s.openings.forEach((opening, k) =>
    putDrawers(
      d,
      make,
      places,
      rows,
      { aboveMm: PLAY_OVER_MM },
      {
        ...{ column: k, housed: k, opening, uprights: s.uprightsOf(k) },
        ...{ between: `shelf-${k}-0`, backMm: s.backMm, frontMm: s.backMm + s.deepMm },
      },
    ),
  )
  markRunners(d, make, d.assembly.stick.length + 1)
}
