import { unitsOf } from '../../assembly/settings.ts'
import { piecesOnStuds, type Row } from '../../blocks/mounts/pieces-on-studs.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { PEG_HOOK } from '../../catalogue/hardware.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Goods } from '../../goods/goods.ts'
import { BODY, reachMm } from '../../goods/person.ts'
import { assumedTool } from '../../goods/tool.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundNearest, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { longestBoard } from '../boards-of.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { LIMITS, type PegboardParams } from './parameters.ts'

export interface ReasonData {
  'panel-quarter': object
  'panel-long': object
  'panels-tools': { things: number }
  'panels-studs': { things: number }
  'panel-at-hand': object
  'panel-over-floor': object
  'battens-usual': object
  'panel-screws': object
  'hook-play': object
}
export interface ProblemData {
  'panel-past-sheet': { mm: number; mostMm: number }
  'pegboard-past-wall': { mm: number; haveMm: number }
  'battens-miss-studs': { count: number; from: number }
  'batten-not-spliced': { mostMm: number }
  'pegboard-too-high': { mm: number; mostMm: number }
  'no-standoff': { mm: number; leastMm: number }
  'no-hung-tools': object
}

/** A quarter of a sheet is what one person puts up; battens a foot and a third apart. Builders' usual. */
const BATTENS_EVERY = inches(16)
const PLAY = inches(1)
const SCREWS_EVERY = inches(8)
/** Room behind a panel for the backs of hooks, mm. */
const STANDOFF_MM = 12
/** Hooks sit on a grid of this, mm: the holes. */
export const GRID_MM = inches(1)
/** From the edges of a panel to the first hook, mm. */
const EDGE_MM = 40
/** What hangs past the lower edge of its panel ends this far over the floor, mm: one sweeps under it. Product decision. */
const OVER_FLOOR_MM = 50

/** A tool on its hook: x and z of the hook from the left end of the panels and their lower edge. */
export interface Hung {
  item: Goods
  panel: number
  x: number
  z: number
  hangMm: number
}
export interface Plan {
  sheet: Sheet
  batten: Section
  panels: Stretch[]
  highMm: number
  lowestMm: number
  lengthMm: number
  /** Middles of the battens above the floor, and the pieces of each. */
  battens: number[]
  pieces: Stretch[]
  screwsMm: number
  hung: Hung[]
}

const hangs = (g: Goods): number => Math.min(g.tallMm, (g.tool ?? assumedTool(g)).hangMm)
const grid = (mm: number): number => Math.ceil(mm / GRID_MM - 1e-9) * GRID_MM

export function planOut(
  p: PegboardParams,
  ctx: ShapeContext,
  pen: DimPen,
): Result<{ plan: Plan; unhoused: Shaped['unhoused'] }> {
  const units = unitsOf(ctx.settings)
  const [sheet, batten] = [findSheet(p.sheet)!, findSection(p.battenSection)!]
  if (batten.thicknessMm < STANDOFF_MM)
    return bad('no-standoff', { mm: batten.thicknessMm, leastMm: STANDOFF_MM }, 'battenSection')
  const trimmed = (mm: number) => mm - 2 * ctx.settings.sheetTrimMm
  const half = (mm: number) => roundDown((trimmed(mm) - ctx.settings.kerfMm) / 2, units)
  const size = (path: 'panelWideMm' | 'panelHighMm', code: string, mm: number, why: 'panel-quarter' | 'panel-long') =>
    pen.length({ path, code, min: 200, max: 2440 }, mm, { code: why, terms: [] })
  // Long tools hang on one as high as the sheet is wide.
  const quarter = half(sheet.widthMm)
  const isLong = ctx.goods.some((g) => g.item.tallMm > quarter - 2 * EDGE_MM)
  const high = isLong
    ? Math.min(roundDown(trimmed(sheet.widthMm), units), roundDown(ctx.space.heightMm, units))
    : quarter
  const wideMm = size('panelWideMm', 'panel-wide', half(sheet.lengthMm), 'panel-quarter')
  const highMm = size('panelHighMm', 'panel-high', high, isLong ? 'panel-long' : 'panel-quarter')
  const [long, short] = [Math.max(wideMm, highMm), Math.min(wideMm, highMm)]
  if (long > trimmed(sheet.lengthMm))
    return bad('panel-past-sheet', { mm: long, mostMm: trimmed(sheet.lengthMm) }, 'panelWideMm')
  if (short > trimmed(sheet.widthMm))
    return bad('panel-past-sheet', { mm: short, mostMm: trimmed(sheet.widthMm) }, 'panelHighMm')
  const sideMm = pen.length({ path: 'sidePlayMm', code: 'tool-apart', min: 0, max: 100 }, roundNearest(PLAY, units), {
    code: 'hook-play',
    terms: [],
  })

  // Its middle at the shoulder, its upper edge on the wall; higher where something hangs past its lower edge, as far as its
  // upper hooks are reached.
  const onWall = (mm: number) => Math.max(0, Math.min(mm, ctx.space.heightMm - highMm))
  const atHand = roundNearest(onWall(BODY.shoulder * ctx.settings.personMm - highMm / 2), units)
  const highest = roundDown(onWall(reachMm(ctx.settings.personMm) + EDGE_MM - highMm), units)
  const belowMm = (p.lowestMm ?? Math.max(atHand, highest)) - OVER_FLOOR_MM
  const tools = ctx.goods.flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const most = Math.min(LIMITS.panels, Math.floor(ctx.space.lengthMm / wideMm + 1e-9))
  if (most < 1) return bad('pegboard-past-wall', { mm: wideMm, haveMm: ctx.space.lengthMm }, 'panelWideMm')
  const tries = Array.from({ length: most }, (_, i) => i + 1)
  const enough = tries.find((n) => hang(tools, { n, wideMm, highMm, sideMm, belowMm }).left.size === 0) ?? most
  const longest = longestBoard(ctx, p.battenSection)
  // Battens are held in two studs: what is too narrow for that has a panel more.
  const isHeld = (n: number) => piecesOnStuds(ctx.space, n * wideMm, longest)?.poor === null
  const held = tries.find((n) => n >= enough && isHeld(n)) ?? enough
  const panels = pen.count({ path: 'panels', code: 'panels', min: 1, max: LIMITS.panels }, held, {
    code: held > enough ? 'panels-studs' : 'panels-tools',
    terms: [],
    data: { things: tools.length },
  })
  const lengthMm = panels * wideMm
  if (lengthMm > ctx.space.lengthMm)
    return bad('pegboard-past-wall', { mm: lengthMm, haveMm: ctx.space.lengthMm }, 'panels')
  const { hung, left } = hang(tools, { n: panels, wideMm, highMm, sideMm, belowMm })
  if (hung.length === 0) return bad('no-hung-tools')

  const wanted = Math.max(0, ...hung.map((x) => x.hangMm - x.z)) + OVER_FLOOR_MM
  const raised = wanted > OVER_FLOOR_MM && wanted > atHand
  const lowestMm = pen.length(
    { path: 'lowestMm', code: 'panel-lowest', min: 0, max: 2400 },
    raised ? roundUp(wanted, units) : atHand,
    { code: raised ? 'panel-over-floor' : 'panel-at-hand', terms: [] },
  )
  if (lowestMm + highMm > ctx.space.heightMm)
    return bad('pegboard-too-high', { mm: lowestMm + highMm, mostMm: ctx.space.heightMm }, 'lowestMm')
  const everyMm = pen.length(
    { path: 'battenEveryMm', code: 'battens-every', min: 150, max: 900 },
    roundUp(BATTENS_EVERY, units),
    {
      code: 'battens-usual',
      terms: [],
    },
  )
  const screwsMm = pen.length(
    { path: 'panelScrewsMm', code: 'panel-screws', min: 60, max: 400 },
    roundUp(SCREWS_EVERY, units),
    {
      code: 'panel-screws',
      terms: [],
    },
  )
  const [from, to] = [lowestMm + batten.widthMm / 2, lowestMm + highMm - batten.widthMm / 2]
  const spans = Math.max(1, Math.ceil((to - from) / everyMm - 1e-9))
  const battens = Array.from({ length: spans + 1 }, (_, i) => from + ((to - from) * i) / spans)
  const rows = battens.map((z): Row => {
    return { low: z - batten.widthMm / 2, high: z + batten.widthMm / 2, throughMm: batten.thicknessMm }
  })
  const run = piecesOnStuds(ctx.space, lengthMm, longest, undefined, rows)
  if (!run) return bad('batten-not-spliced', { mostMm: longest }, 'panels')
  if (run.poor) return bad('battens-miss-studs', run.poor, 'panels')
  return good({
    unhoused: [...left].map(([goodsId, count]) => ({ goodsId, count, why: 'no-place' })),
    plan: {
      sheet,
      batten,
      panels: Array.from({ length: panels }, (_, i) => ({ from: i * wideMm, to: (i + 1) * wideMm })),
      highMm,
      lowestMm,
      lengthMm,
      battens,
      pieces: run.pieces,
      screwsMm,
      hung,
    },
  })
}

/**
 * Tools in rows from the upper left on, the longest first, each on a hook of the grid; none over another.
 * @param belowMm how far past the lower edge of a panel what hangs in its upper row may reach
 */
function hang(
  tools: readonly Goods[],
  {
    n,
    wideMm,
    highMm,
    sideMm,
    belowMm,
  }: { n: number; wideMm: number; highMm: number; sideMm: number; belowMm: number },
): { hung: Hung[]; left: Map<string, number> } {
  const hung: Hung[] = []
  const left = new Map<string, number>()
  const heavy = (g: Goods) => (g.often === 'daily' ? 1 : 0)
  let queue = [...tools].sort((a, b) => heavy(b) - heavy(a) || b.tallMm - a.tallMm)
  for (let panel = 0; panel < n; panel++) {
    let top = highMm - EDGE_MM
    while (queue.length > 0 && top > EDGE_MM) {
      let x = panel * wideMm + EDGE_MM
      let rowMm = 0
      const rest: Goods[] = []
      for (const g of queue) {
        // Its hook is on the panel, and nothing hangs under it.
        const isPast =
          top === highMm - EDGE_MM &&
          g.tallMm + PEG_HOOK.highMm / 2 <= top + belowMm &&
          g.tallMm - hangs(g) <= top - EDGE_MM
        const fits = x + g.acrossMm <= (panel + 1) * wideMm - EDGE_MM && (g.tallMm <= top - EDGE_MM || isPast)
        if (!fits || (rowMm > 0 && g.tallMm > rowMm)) {
          rest.push(g)
          continue
        }
        rowMm = Math.max(rowMm, g.tallMm)
        const hook = panel * wideMm + grid(x + g.acrossMm / 2 - panel * wideMm)
        hung.push({ item: g, panel, x: hook, z: top - (g.tallMm - hangs(g)) - PEG_HOOK.highMm / 2, hangMm: hangs(g) })
        x = hook + g.acrossMm / 2 + sideMm
      }
      if (rowMm === 0) break
      queue = rest
      top -= grid(rowMm + sideMm)
    }
  }
  for (const g of queue) left.set(g.id, (left.get(g.id) ?? 0) + 1)
  return { hung, left }
}
