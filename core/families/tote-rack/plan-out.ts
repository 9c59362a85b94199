import { unitsOf } from '../../assembly/settings.ts'
import { frontDeep, standsOut } from '../../blocks/fronts/front.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { bodyAcross, LEAST_BEARING_MM, type Goods } from '../../goods/goods.ts'
import { BODY, liftedToMm, reachMm, tiltRoomMm } from '../../goods/person.ts'
import { countedKg } from '../../goods/presumed.ts'
import { roundDown } from '../../measure/rounding.ts'
import { canHoldTie } from '../../room/room.ts'
import { inches } from '../../measure/units.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { withoutPlace } from '../house-on-shelves.ts'
import { dividingLength } from '../dividing-length.ts'
import { LIMITS, type ToteRackParams } from './parameters.ts'

export interface ReasonData {
  'play-apart': object
  'play-mixed': object
  'top-extra': object
  'rows-goods': { total: number; columns: number }
  'rows-height': { byHeight: number }
  'back-rails-brace': object
  'back-rails-stop': object
}
export interface ProblemData {
  'rail-shorter-than-posts': { mm: number; leastMm: number }
  'rail-below-plate': { mm: number; leastMm: number }
  'opening-too-narrow': { mm: number; leastMm: number }
  'catch-needs-rails': object
  'catch-past-rails': { mm: number; freeMm: number }
  'rails-overlap': { mm: number; leastMm: number }
}

/**
 * Room a person wants around a tote, mm. Builders' usual figures: 1/4 in to slide smoothly, 1/2 in between mixed makes.
 */
const PLAY_SMOOTH = inches(1 / 4)
const PLAY_MIXED = inches(1 / 2)
/** Above the rim lifted over a rail. */
const PLAY_ABOVE = inches(1 / 2)
/** More above the top row, where no lid may be tipped past the plate: builders' usual inch and a half. */
const TOP_EXTRA = inches(1.5)
/** A tote may stand out past the rails this far and still be carried along its length. */
const STICK_OUT = inches(1)
/** Rails a little longer than the tote cost nothing when the board divides better. */
const RAIL_SLACK = inches(2)

export interface Column {
  clearMm: number
  left: number
}
export interface Row {
  railTopMm: number
}
export interface RackPlan {
  columns: Column[]
  rows: Row[]
  postMm: number
  railMm: number
  rail: { thicknessMm: number; heightMm: number; flat: boolean }
  /** What goes into each place, `grid[column][row]`. */
  grid: (Goods | null)[][]
  play: { sideMm: number; aboveMm: number }
  stickOutMm: number
  /** How far a lid, or all of a tote, reaches over its rails when it comes out, with its play. */
  overRailMm: number
  /** What lies behind the totes of a column, on the back rails. */
  catchMm: number
  widthMm: number
  /** Underside of the top plate. */
  topMm: number
  unhoused: Shaped['unhoused']
}

/** Height of a tote below the rail that carries it, and above it. */
const below = (g: Goods, carry: ToteRackParams['carry']) => (carry === 'rim' ? g.tallMm - (g.tote?.rimMm ?? 0) : 0)
const above = (g: Goods, carry: ToteRackParams['carry']) => (carry === 'rim' ? (g.tote?.rimMm ?? 0) : g.tallMm)

/** Works out every dimension of the rack, from the goods outward. Post and plate thickness come from their sections. */
export function planOut(p: ToteRackParams, ctx: ShapeContext, pen: DimPen): RackPlan | 'nothing' {
  const units = unitsOf(ctx.settings)
  const fits = ctx.goods.filter((g) => p.carry === 'base' || g.item.tote !== null)
  const unhoused: Shaped['unhoused'] = ctx.goods
    .filter((g) => !fits.includes(g))
    .map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-rim' }))
  if (fits.length === 0) return 'nothing'

  const post = findSection(p.postSection)!
  const plate = findSection(p.plateSection)!
  const railStock = findSection(p.railSection)!
  const flat = p.carry === 'base'
  const ripped =
    p.railRip === 'half' ? roundDown((railStock.widthMm - ctx.settings.kerfMm) / 2, units) : railStock.widthMm
  const rail = flat
    ? { thicknessMm: ripped, heightMm: railStock.thicknessMm, flat }
    : { thicknessMm: railStock.thicknessMm, heightMm: ripped, flat }

  const makes = playFor(fits, p.carry, rail.thicknessMm)
  const sideMm = pen.length({ path: 'sidePlayMm', code: 'side-play', min: 1, max: 100 }, makes.sideMm, {
    code: makes.why,
    terms: [],
  })
  const aboveMm = pen.length({ path: 'abovePlayMm', code: 'above-play', min: 1, max: 300 }, PLAY_ABOVE, {
    code: 'play-above',
    terms: [],
  })
  const topExtra = pen.length({ path: 'topExtraMm', code: 'top-extra', min: 0, max: 600 }, TOP_EXTRA, {
    code: 'top-extra',
    terms: [],
  })

  // How many rows: what the ceiling leaves and a person can reach; how many columns: what the totes need and the wall
  // leaves.
  const tallest = fits.reduce((a, b) => (b.item.tallMm > a.item.tallMm ? b : a)).item
  const widest = fits.reduce((a, b) => (b.item.acrossMm > a.item.acrossMm ? b : a)).item
  const total = fits.reduce((n, g) => n + g.count, 0)
  // Carried by the rim a tote takes its height, rim included: the one above hangs from its own. On its base, its rails
  // as well.
  const usualPitch = tallest.tallMm + (p.carry === 'rim' ? 0 : rail.heightMm) + aboveMm
  const overhead = 2 * plate.thicknessMm + aboveMm + topExtra
  const { personMm, onePersonKg } = ctx.settings
  const shoulderMm = BODY.shoulder * personMm
  // What is too heavy for one person, or was never weighed, is not lifted over the shoulder, nor anything to where two
  // do not lift it: the lowest stands on the bottom plate.
  const heaviest = Math.max(...fits.map((g) => countedKg(g.item)))
  const light = fits.every((g) => g.item.massKg !== null && g.item.massKg <= onePersonKg)
  const mostOver =
    Math.min(light ? Infinity : shoulderMm, liftedToMm(heaviest, onePersonKg) - tallest.tallMm / 2) -
    plate.thicknessMm -
    aboveMm +
    usualPitch
  const byHeight = Math.max(
    1,
    Math.floor(
      Math.min(Math.min(ctx.space.heightMm - 20, reachMm(personMm) + overhead) - overhead, mostOver) / usualPitch,
    ),
  )
  const usualWidth = widest.acrossMm + 2 * sideMm + post.thicknessMm
  const byLength = Math.max(1, Math.floor((ctx.space.lengthMm - post.thicknessMm) / usualWidth))
  const mostRows = Math.min(byHeight, LIMITS.rows)
  const columnsNeeded = makes.apart
    ? byMake(fits).reduce((n, make) => n + Math.ceil(make.reduce((m, g) => m + g.count, 0) / mostRows), 0)
    : Math.ceil(total / mostRows)
  const columns = pen.count(
    { path: 'columns', code: 'columns', min: 1, max: LIMITS.columns },
    Math.min(columnsNeeded, byLength, LIMITS.columns),
    {
      code: columnsNeeded > byLength ? 'columns-wall' : 'columns-goods',
      terms: [],
      data: { total, rows: byHeight, byLength },
    },
  )
  const rowsNeeded = makes.apart ? leastRows(fits, columns, mostRows) : Math.ceil(total / columns)
  const rows = pen.count(
    { path: 'rows', code: 'rows', min: 1, max: LIMITS.rows },
    Math.min(rowsNeeded, byHeight, LIMITS.rows),
    {
      code: rowsNeeded > byHeight ? 'rows-height' : 'rows-goods',
      terms: [],
      data: { total, columns, byHeight },
    },
  )

  const { grid, left } = house(fits, columns, rows, makes.apart)
  unhoused.push(...left)

  const columnPlans: Column[] = []
  let x = post.thicknessMm
  for (let c = 0; c < columns; c++) {
    const own = grid[c].filter((g): g is Goods => g !== null)
    const g = (own.length > 0 ? own : [widest]).reduce((a, b) => (b.acrossMm > a.acrossMm ? b : a))
    const clearMm = pen.sum(
      { path: `clearMm.${c}`, code: 'clear-width', data: { column: c + 1 }, min: 60, max: 3000 },
      [
        { name: g.tote ? 'lid' : 'width', mm: g.acrossMm },
        { name: 'side-play', mm: sideMm, times: 2 },
      ],
    )
    columnPlans.push({ clearMm, left: x })
    x += clearMm + post.thicknessMm
  }

  const rowGoods = Array.from({ length: rows }, (_, r) => {
    const own = grid.map((column) => column[r]).filter((g): g is Goods => g !== null)
    return own.length > 0 ? own : [tallest]
  })
  const deepestBelow = (r: number) => rowGoods[r].reduce((a, b) => (below(b, p.carry) > below(a, p.carry) ? b : a))
  const tallestOf = (r: number) => rowGoods[r].reduce((a, b) => (above(b, p.carry) > above(a, p.carry) ? b : a))
  const plateTerm = { name: 'bottom-plate', mm: plate.thicknessMm }
  const first = deepestBelow(0)
  const hanging = below(first, p.carry) + aboveMm > rail.heightMm
  const rowPlans: Row[] = []
  rowPlans.push({
    railTopMm: pen.sum(
      { path: 'firstMm', code: 'first-rail', min: 60, max: 3000 },
      p.carry === 'rim' && hanging
        ? [plateTerm, { name: 'tote-below-rim', mm: below(first, p.carry) }, { name: 'above-play', mm: aboveMm }]
        : [plateTerm, { name: 'rail-height', mm: rail.heightMm }],
    ),
  })
  for (let r = 1; r < rows; r++) {
    const [lower, upper] = [tallestOf(r - 1), deepestBelow(r)]
    // Rails above the shoulder want room to tip a tote in, which may be more than its rim and the play.
    const tilted = Math.max(...rowGoods[r - 1].map((g) => tiltRoomMm(above(g, p.carry), g.deepMm)))
    const tips = rowPlans[r - 1].railTopMm > shoulderMm && tilted > above(lower, p.carry) + aboveMm
    const under =
      p.carry === 'base'
        ? { name: 'rail-height', mm: rail.heightMm }
        : { name: 'tote-below-rim', mm: below(upper, p.carry) }
    const level =
      p.carry === 'base'
        ? [
            { name: 'tote-height', mm: lower.tallMm },
            { name: 'rail-height', mm: rail.heightMm },
          ]
        : lower.id === upper.id
          ? [{ name: 'tote-height', mm: lower.tallMm }]
          : [
              { name: 'rim', mm: above(lower, p.carry) },
              { name: 'tote-below-rim', mm: below(upper, p.carry) },
            ]
    const pitch = pen.sum(
      { path: `pitchMm.${r - 1}`, code: 'pitch', data: { row: r }, min: 60, max: 3000 },
      tips ? [{ name: 'tilt-room', mm: tilted }, under] : [...level, { name: 'above-play', mm: aboveMm }],
    )
    rowPlans.push({ railTopMm: rowPlans[r - 1].railTopMm + pitch })
  }
  const last = tallestOf(rows - 1)
  const topMm = rowPlans[rows - 1].railTopMm + above(last, p.carry) + aboveMm + topExtra

  const catchMm = p.catch === 'board' ? post.thicknessMm : 0
  const deepest = fits.reduce((a, b) => (b.item.deepMm > a.item.deepMm ? b : a)).item.deepMm + catchMm
  const stickOutMm = p.front === 'open' ? STICK_OUT : standsOut(p.front)
  const frontMm = frontDeep(p.front, findSheet(p.doorSheet)!.thicknessMm, ctx.settings.yard)
  const leastMm = deepest - stickOutMm
  const roomMm = ctx.space.depthMm - frontMm - backDeep(p, ctx)
  const divided = dividingLength(
    leastMm,
    deepest,
    // Where there is no room for all of a tote it stands out by as much as it may.
    Math.min(deepest + RAIL_SLACK, Math.max(leastMm, roomMm)),
    ctx.boards(p.railSection, false),
    ctx.settings.kerfMm,
    ctx.settings.squaringTrimMm,
    units,
  )
  const railMm = pen.length({ path: 'railLengthMm', code: 'rail-length', min: 150, max: 4800 }, divided.mm, divided.why)
  return {
    columns: columnPlans,
    rows: rowPlans,
    postMm: topMm - plate.thicknessMm,
    railMm,
    rail,
    grid,
    play: { sideMm, aboveMm },
    stickOutMm,
    catchMm,
    overRailMm: Math.max(...fits.map((g) => above(g.item, p.carry))) + aboveMm,
    widthMm: x,
    topMm,
    unhoused,
  }
}

/** How far a rack stands out from the wall behind its rails: boards across the back, ties and braces lie there. mm */
export function backDeep(p: Pick<ToteRackParams, 'brace' | 'tie' | 'backRails' | 'backSection'>, ctx: ShapeContext) {
  const isThere = p.brace || (p.tie && canHoldTie(ctx.space)) || p.backRails !== 0
  return isThere ? findSection(p.backSection)!.thicknessMm : 0
}

/** Goods of one width are one make: they lie on the same pair of rails. */
function byMake(fits: ShapeContext['goods']): ShapeContext['goods'][] {
  const makes = new Map<number, ShapeContext['goods']>()
  for (const g of fits) makes.set(g.item.acrossMm, [...(makes.get(g.item.acrossMm) ?? []), g])
  return [...makes].sort(([a], [b]) => b - a).map(([, list]) => list)
}

/**
 * Play on each side: as much as is wanted, but never so much that the narrowest tote, pushed to one side, leaves the
 * rail on the other. Where not even a smooth fit would leave all makes on their rails, each has columns of its own.
 */
function playFor(fits: ShapeContext['goods'], carry: ToteRackParams['carry'], railMm: number) {
  const widths = fits.map((g) => g.item.acrossMm)
  const spread = Math.max(...widths) - Math.min(...widths)
  const most = (apart: number) => (carry === 'rim' ? (railMm - LEAST_BEARING_MM - apart) / 2 : Infinity)
  const mixed = fits.length > 1
  const wanted = mixed ? PLAY_MIXED : PLAY_SMOOTH
  if (mixed && most(spread) < PLAY_SMOOTH)
    return { sideMm: Math.max(1, Math.min(PLAY_SMOOTH, most(0))), apart: true, why: 'play-apart' }
  const sideMm = Math.max(1, Math.min(wanted, most(spread)))
  return { sideMm, apart: false, why: sideMm < wanted ? 'play-bearing' : mixed ? 'play-mixed' : 'play-smooth' }
}

/** Fewest rows in which makes of their own columns all fit; the most there may be where they never do. */
function leastRows(fits: ShapeContext['goods'], columns: number, most: number): number {
  const counts = byMake(fits).map((make) => make.reduce((n, g) => n + g.count, 0))
  for (let rows = 1; rows < most; rows++)
    if (counts.reduce((n, c) => n + Math.ceil(c / rows), 0) <= columns) return rows
  return most
}

/**
 * Heaviest low: kinds go in column by column, and each column is turned heaviest down. Makes apart begin a column each.
 */
function house(goods: ShapeContext['goods'], columns: number, rows: number, apart: boolean) {
  const queueOf = (list: ShapeContext['goods']) =>
    [...list]
      .sort((a, b) => b.item.acrossMm - a.item.acrossMm || countedKg(b.item) - countedKg(a.item))
      .flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const filled = (apart ? byMake(goods) : [goods]).flatMap((list) => {
    const queue = queueOf(list)
    return Array.from({ length: Math.ceil(queue.length / rows) }, (_, c) => queue.slice(c * rows, (c + 1) * rows))
  })
  const grid: (Goods | null)[][] = Array.from({ length: columns }, (_, c) => {
    const own: (Goods | null)[] = [...(filled[c] ?? [])].sort((a, b) => countedKg(b) - countedKg(a))
    while (own.length < rows) own.push(null)
    return own
  })
  return { grid, left: withoutPlace(filled.slice(columns).flat()) }
}

/** Least width a tote's body leaves between its rails. Used by the levers. */
export const bodyGap = (g: Goods, clearMm: number, railMm: number): number => clearMm - 2 * railMm - bodyAcross(g)
