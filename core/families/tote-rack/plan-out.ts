import { unitsOf } from '../../assembly/settings.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { bodyAcross, type Goods } from '../../goods/goods.ts'
import { roundDown } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { dividingLength } from '../dividing-length.ts'
import { LIMITS, type ToteRackParams } from './parameters.ts'

/** Room a person wants around a tote, mm. Builders' usual figures: 1/4 in to slide smoothly, 1/2 in between mixed makes. */
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
/** Rows above this height of rail cannot be drawn out without a ladder. A person of 1.70 m reaches about 1.95 m. */
const REACH = 1950

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
  const unhoused: Shaped['unhoused'] = ctx.goods.filter((g) => !fits.includes(g)).map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-rim' }))
  if (fits.length === 0) return 'nothing'

  const post = findSection(p.postSection)!
  const plate = findSection(p.plateSection)!
  const railStock = findSection(p.railSection)!
  const flat = p.carry === 'base'
  const ripped = p.railRip === 'half' ? roundDown((railStock.widthMm - ctx.settings.kerfMm) / 2, units) : railStock.widthMm
  const rail = flat
    ? { thicknessMm: ripped, heightMm: railStock.thicknessMm, flat }
    : { thicknessMm: railStock.thicknessMm, heightMm: ripped, flat }

  const mixed = fits.length > 1
  const play = PLAY_MIXED
  const sideMm = pen.length({ path: 'sidePlayMm', code: 'side-play', min: 1, max: 100 }, mixed ? play : PLAY_SMOOTH, {
    code: mixed ? 'play-mixed' : 'play-smooth', terms: [],
  })
  const aboveMm = pen.length({ path: 'abovePlayMm', code: 'above-play', min: 1, max: 300 }, PLAY_ABOVE, { code: 'play-above', terms: [] })
  const topExtra = pen.length({ path: 'topExtraMm', code: 'top-extra', min: 0, max: 600 }, TOP_EXTRA, { code: 'top-extra', terms: [] })

  // How many rows: what the ceiling leaves and a person can reach; how many columns: what the totes need and the wall leaves.
  const tallest = fits.reduce((a, b) => (b.item.tallMm > a.item.tallMm ? b : a)).item
  const widest = fits.reduce((a, b) => (b.item.acrossMm > a.item.acrossMm ? b : a)).item
  const total = fits.reduce((n, g) => n + g.count, 0)
  const rimTerm = p.carry === 'rim' ? (tallest.tote?.rimMm ?? 0) : rail.heightMm
  const usualPitch = tallest.tallMm + rimTerm + aboveMm
  const overhead = 2 * plate.thicknessMm + aboveMm + topExtra
  const byHeight = Math.max(1, Math.floor((Math.min(ctx.space.heightMm - 20, REACH + overhead) - overhead) / usualPitch))
  const usualWidth = widest.acrossMm + 2 * sideMm + post.thicknessMm
  const byLength = Math.max(1, Math.floor((ctx.space.lengthMm - post.thicknessMm) / usualWidth))
  const columnsNeeded = Math.ceil(total / Math.min(byHeight, LIMITS.rows))
  const columns = pen.count({ path: 'columns', code: 'columns', min: 1, max: LIMITS.columns }, Math.min(columnsNeeded, byLength, LIMITS.columns), {
    code: columnsNeeded > byLength ? 'columns-wall' : 'columns-goods', terms: [], data: { total, rows: byHeight, byLength },
  })
  const rowsNeeded = Math.ceil(total / columns)
  const rows = pen.count({ path: 'rows', code: 'rows', min: 1, max: LIMITS.rows }, Math.min(rowsNeeded, byHeight, LIMITS.rows), {
    code: rowsNeeded > byHeight ? 'rows-height' : 'rows-goods', terms: [], data: { total, columns, byHeight },
  })

  const { grid, left } = house(fits, columns, rows)
  unhoused.push(...left)

  const columnPlans: Column[] = []
  let x = post.thicknessMm
  for (let c = 0; c < columns; c++) {
    const own = grid[c].filter((g): g is Goods => g !== null)
    const g = (own.length > 0 ? own : [widest]).reduce((a, b) => (b.acrossMm > a.acrossMm ? b : a))
    const clearMm = pen.sum({ path: `clearMm.${c}`, code: 'clear-width', data: { column: c + 1 }, min: 60, max: 3000 }, [
      { name: g.tote ? 'lid' : 'width', mm: g.acrossMm },
      { name: 'side-play', mm: sideMm, times: 2 },
    ])
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
    const g = tallestTote(rowGoods[r - 1], rowGoods[r], p.carry)
    const pitch = pen.sum({ path: `pitchMm.${r - 1}`, code: 'pitch', data: { row: r }, min: 60, max: 3000 }, [
      { name: 'tote-height', mm: g.tallMm },
      p.carry === 'rim' ? { name: 'rim', mm: g.tote?.rimMm ?? 0 } : { name: 'rail-height', mm: rail.heightMm },
      { name: 'above-play', mm: aboveMm },
    ])
    rowPlans.push({ railTopMm: rowPlans[r - 1].railTopMm + pitch })
  }
  const last = tallestOf(rows - 1)
  const topMm = rowPlans[rows - 1].railTopMm + above(last, p.carry) + aboveMm + topExtra

  const deepest = fits.reduce((a, b) => (b.item.deepMm > a.item.deepMm ? b : a)).item.deepMm
  const divided = dividingLength(
    deepest - STICK_OUT, deepest, Math.min(deepest + RAIL_SLACK, ctx.space.depthMm), ctx.boards(p.railSection, false), ctx.settings.kerfMm, ctx.settings.squaringTrimMm, units,
  )
  const railMm = pen.length({ path: 'railLengthMm', code: 'rail-length', min: 150, max: 4800 }, divided.mm, divided.why)
  return {
    columns: columnPlans, rows: rowPlans, postMm: topMm - plate.thicknessMm, railMm, rail, grid, play: { sideMm, aboveMm }, stickOutMm: STICK_OUT,
    widthMm: x, topMm, unhoused,
  }
}

/** Of two rows, the tote that needs most height between their rails. */
function tallestTote(lower: Goods[], upper: Goods[], carry: ToteRackParams['carry']): Goods {
  return (carry === 'rim' ? [...lower, ...upper] : lower).reduce((a, b) =>
    b.tallMm + (b.tote?.rimMm ?? 0) > a.tallMm + (a.tote?.rimMm ?? 0) ? b : a,
  )
}

/** Heaviest low: kinds go in column by column, and each column is turned heaviest down. */
function house(goods: ShapeContext['goods'], columns: number, rows: number) {
  const queue = [...goods]
    .sort((a, b) => b.item.acrossMm - a.item.acrossMm || (b.item.massKg ?? 0) - (a.item.massKg ?? 0))
    .flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const taken = queue.slice(0, columns * rows)
  const grid: (Goods | null)[][] = Array.from({ length: columns }, (_, c) => {
    const own: (Goods | null)[] = taken.slice(c * rows, (c + 1) * rows).sort((a, b) => (b.massKg ?? 0) - (a.massKg ?? 0))
    while (own.length < rows) own.push(null)
    return own
  })
  const counts = new Map<string, number>()
  for (const g of queue.slice(columns * rows)) counts.set(g.id, (counts.get(g.id) ?? 0) + 1)
  return { grid, left: [...counts].map(([goodsId, count]) => ({ goodsId, count, why: 'no-place' })) }
}

/** Least width a tote's body leaves between its rails. Used by the levers. */
export const bodyGap = (g: Goods, clearMm: number, railMm: number): number => clearMm - 2 * railMm - bodyAcross(g)
