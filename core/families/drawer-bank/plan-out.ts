import { unitsOf } from '../../assembly/settings.ts'
import { RUN_MM } from '../../blocks/fronts/drawer.ts'
import { NAILER, THIN_BACK } from '../../blocks/carcass/standing.ts'
import { shareOf } from '../../blocks/sizing/share-of.ts'
import { dadoDepth } from '../../blocks/carcass/shelf-between.ts'
import { PULL } from '../../catalogue/hardware.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { lowest } from '../../goods/ways.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import {
  BEHIND_MM,
  BINDS,
  clearForDrawer,
  drawerMake,
  laid,
  LOOK_INTO_MM,
  PANEL_EVERY_MM,
  PLAY_OVER_MM,
  UNDER_MM,
  type DrawerMake,
} from '../in-drawers.ts'
import { fillFlat, withoutPlace, type Opening, type Spot } from '../house-on-shelves.ts'
import type { Planned } from '../opened.ts'
import { INSERTS, LIMITS, PLAIN, type DrawerBankParams, type DrawerKind, type Insert } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'bank-unit': Record<string, never>
  'bank-width': { parts: number; sheetMm: number; widestMm: number }
  'bank-depth': { parts: number; sheetMm: number; deepestMm: number }
  'bank-columns': { units: number; drawers: number }
  'bank-kick': Record<string, never>
}
export interface ProblemData {
  'bank-too-wide': { mm: number; mostMm: number }
  'bank-too-deep': { mm: number; mostMm: number }
  'bank-too-high': { mm: number; mostMm: number }
  'bank-unit-low': { mm: number; leastMm: number }
  'bank-too-many': { count: number; most: number }
  'bank-empty': Record<string, never>
  'bank-tray-slides': Record<string, never>
  'bank-rooms-narrow': { mm: number; leastMm: number }
}

/** From groove to groove: a hand lies flat in a drawer of one unit. Product decision. */
const UNIT = inches(2.5)
/** On slides its bottom lies higher in its sides, and as much must go in. Product decision. */
const UNIT_ON_SLIDES = inches(3)
const KICK = 80
const PLAY_SIDE_MM = 3
/** A drawer narrower or shallower than this is of no use, mm. */
const LEAST_WIDE_MM = 250
const LEAST_DEEP_MM = 300
const MOST_DEEP_MM = 900
const MOST_WIDE_MM = 1200
/** So deep it is made where nothing asks for more: what is drawn out two thirds still sits well. mm */
const USUAL_DEEP_MM = 450

export interface PlannedDrawer extends Omit<DrawerKind, 'count'> {
  /** Of a stretch between two fixed panels: which, from below, and how many units over its panel. */
  column: number
  stretch: number
  at: number
  spots: Spot[]
  /** Its rooms, from the left of its inside. */
  spaces: Opening[]
}
export interface Plan {
  box: Sheet
  back: Sheet
  tied: boolean
  openings: { left: number; right: number }[]
  unitMm: number
  clearMm: number
  deepMm: number
  kickMm: number
  /** How deep panels lie in the uprights. */
  grooveMm: number
  make: DrawerMake
  /** Units of each stretch, and how many stretches there are above each other. */
  stretchUnits: number
  stretches: number
  drawers: PlannedDrawer[]
  highMm: number
  play: { sideMm: number; aboveMm: number }
}

/** Where the first groove of a stretch lies, over the upper face of its panel, mm. */
export const firstGroove = (panelTopMm: number): number => panelTopMm + UNDER_MM
/** Height of a stretch from panel to panel, mm. */
export const stretchHigh = (p: Pick<Plan, 'stretchUnits' | 'unitMm'>): number => p.stretchUnits * p.unitMm + UNDER_MM
/** Upper face of the panel under a stretch. */
export const panelTop = (p: Pick<Plan, 'stretchUnits' | 'unitMm' | 'kickMm' | 'box'>, stretch: number): number =>
  p.kickMm + p.box.thicknessMm + stretch * (stretchHigh(p) + p.box.thicknessMm)

export function planOut(p: DrawerBankParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [box, drawer, bottom] = [p.sheet, p.drawerSheet, p.bottomSheet].map((id) => findSheet(id)!)
  const back = findSheet(THIN_BACK[ctx.settings.yard])!
  const tied = p.tie && canHoldTie(ctx.space)
  const nailerMm = tied ? findSection(NAILER[ctx.settings.yard])!.thicknessMm : 0
  const grooveMm = dadoDepth(box.thicknessMm, units)
  const spaceDeepMm = ctx.space.depthMm - (p.hand === 'pull' ? PULL.outMm : 0)
  const widest = Math.max(0, ...ctx.goods.map((g) => laid(g.item, Infinity).acrossMm)) + 2 * PLAY_SIDE_MM
  const deepest = Math.max(0, ...ctx.goods.map((g) => laid(g.item, Infinity).deepMm))

  // Uprights stand along their sheet: their depth comes out of its width. Bottoms span along theirs.
  const depthShare = shareOf(box.widthMm, ctx.settings, {
    wantedMm: Math.max(USUAL_DEEP_MM, deepest + 2 * drawer.thicknessMm + nailerMm + BEHIND_MM),
    leastMm: LEAST_DEEP_MM,
    mostMm: Math.min(MOST_DEEP_MM, spaceDeepMm - back.thicknessMm),
  })
  const deepMm = pen.length(
    { path: 'depthMm', code: 'bank-depth', min: 200, max: MOST_DEEP_MM },
    depthShare?.mm ?? Math.max(200, roundDown(spaceDeepMm - back.thicknessMm, units)),
    {
      code: 'bank-depth',
      terms: [],
      data: { parts: depthShare?.n ?? 1, sheetMm: box.widthMm, deepestMm: deepest },
    },
  )
  if (deepMm + back.thicknessMm > spaceDeepMm)
    return bad('bank-too-deep', { mm: deepMm + back.thicknessMm, mostMm: spaceDeepMm }, 'depthMm')
  const made = drawerMake(p, ctx, { box, deepMm, nailerMm }, p.depthMm === null ? 'runs' : 'depthMm')
  if (!made.ok) return made
  const make = made.value
  const { slide, behindMm } = make
  const drawerMm = deepMm - behindMm
  const tray = slide ? p.drawers.findIndex((x) => x.make === 'tray') : -1
  if (tray >= 0) return bad('bank-tray-slides', {}, `drawers.${tray}.make`)
  const besideMm = clearForDrawer(make, 0)
  // How much longer bottoms are than the clear width: they reach into grooves, of the uprights or of the sides.
  const taken = slide ? 2 * make.grooveMm - besideMm : 2 * (grooveMm - RUN_MM)
  const widthShare = shareOf(bottom.lengthMm, ctx.settings, {
    wantedMm: Math.max(LEAST_WIDE_MM, widest + besideMm) + taken,
    leastMm: LEAST_WIDE_MM,
    mostMm: Math.min(MOST_WIDE_MM, BINDS * drawerMm, ctx.space.lengthMm - 2 * box.thicknessMm) + taken,
  })
  const clearMm = pen.length(
    { path: 'clearMm', code: 'bank-width', min: 150, max: MOST_WIDE_MM },
    widthShare ? widthShare.mm - taken : roundDown(Math.max(150, ctx.space.lengthMm - 2 * box.thicknessMm), units),
    {
      code: 'bank-width',
      terms: [],
      data: { parts: widthShare?.n ?? 1, sheetMm: bottom.lengthMm, widestMm: widest },
    },
  )
  const unitMm = pen.length(
    { path: 'unitMm', code: 'bank-unit', min: 30, max: 200 },
    roundDown(slide ? UNIT_ON_SLIDES : UNIT, units),
    {
      code: 'bank-unit',
      terms: [],
    },
  )
  if (unitMm < make.leastMm) return bad('bank-unit-low', { mm: unitMm, leastMm: make.leastMm }, 'unitMm')
  const kickMm = pen.length({ path: 'kickMm', code: 'bank-kick', min: 0, max: 300 }, KICK, {
    code: 'bank-kick',
    terms: [],
  })

  // Of the height of its place, what is under and over a thing in it.
  const lost = make.lostMm + PLAY_OVER_MM
  const unitsFor = (g: Goods, insert: Insert = 'none') =>
    Math.max(1, Math.ceil(((insert === 'bored' ? onEnd(g).tallMm : lowest(g)) + lost) / unitMm - 1e-9))
  const wide = { left: 0, right: clearMm - besideMm }
  const spacesOf = (rooms: number) => roomsOf(wide, rooms, drawer.thicknessMm)
  for (const [i, x] of p.drawers.entries()) {
    const [{ left, right }] = spacesOf(x.rooms)
    if (right - left < LEAST_ROOM_MM)
      return bad('bank-rooms-narrow', { mm: Math.max(0, right - left), leastMm: LEAST_ROOM_MM }, `drawers.${i}.rooms`)
  }
  const filled = fillDrawers(p, ctx, unitsFor, spacesOf, make)
  if (filled.drawers.length > LIMITS.drawers)
    return bad('bank-too-many', { count: filled.drawers.length, most: LIMITS.drawers }, 'drawers')

  if (filled.drawers.length === 0) return bad('bank-empty')

  const t = box.thicknessMm
  const mostHigh = Math.min(LOOK_INTO_MM, ctx.space.heightMm, box.lengthMm - 2 * ctx.settings.sheetTrimMm)
  const sum = filled.drawers.reduce((n, x) => n + x.units, 0)
  const tallest = Math.max(1, ...filled.drawers.map((x) => x.units))
  const roomUnits = Math.max(tallest, Math.floor((mostHigh - kickMm - 2 * t - UNDER_MM) / unitMm))
  // Its top is one sheet.
  const mostWide = Math.min(ctx.space.lengthMm, box.lengthMm - 2 * ctx.settings.sheetTrimMm)
  const most = Math.max(1, Math.min(LIMITS.columns, Math.floor((mostWide - t) / (clearMm + t))))
  const wall = ctx.space.construction
  // Over two spaces between studs there are always two to be tied to.
  const forStuds = tied && wall.kind === 'studs' ? Math.ceil((2 * wall.spacingMm - t) / (clearMm + t)) : 1
  const columns = pen.count(
    { path: 'columns', code: 'bank-columns', min: 1, max: LIMITS.columns },
    Math.min(most, Math.max(filled.drawers.length > 1 ? forStuds : 1, Math.ceil(sum / roomUnits))),
    { code: 'bank-columns', terms: [], data: { units: sum, drawers: filled.drawers.length } },
  )
  const wideMm = columns * (clearMm + t) + t
  if (wideMm > mostWide + 1e-6)
    return bad('bank-too-wide', { mm: wideMm, mostMm: mostWide }, p.columns === null ? 'clearMm' : 'columns')
  const stacked = stack(filled.drawers, columns, { unitMm, tallest })
  const plan: Plan = {
    box,
    back,
    tied,
    openings: Array.from({ length: columns }, (_, k) => ({
      left: t + k * (clearMm + t),
      right: (k + 1) * (clearMm + t),
    })),
    unitMm,
    clearMm,
    deepMm,
    kickMm,
    grooveMm,
    make,
    ...stacked,
    highMm: 0,
    play: { sideMm: PLAY_SIDE_MM, aboveMm: PLAY_OVER_MM },
  }
  // A low box has no height for the board it would be tied by.
  plan.tied = tied && stretchHigh(plan) >= findSection(NAILER[ctx.settings.yard])!.widthMm
  // The top lies over the uprights.
  plan.highMm = panelTop(plan, plan.stretches)
  const mostMm = Math.min(ctx.space.heightMm, box.lengthMm - 2 * ctx.settings.sheetTrimMm + t)
  if (plan.highMm > mostMm)
    return bad('bank-too-high', { mm: plan.highMm, mostMm }, p.columns === null ? 'drawers' : 'columns')
  return good({ plan, unhoused: withoutPlace(filled.left) })
}

/** A room of a drawer no narrower than this takes a finger and a thing, mm. */
const LEAST_ROOM_MM = 25
/** Between two things in foam or in a board, and at its edges, half of it, mm. */
const WALL_MM = 8

/** Rooms alike beside each other, a divider between every two. */
function roomsOf(wide: Opening, rooms: number, dividerMm: number): Opening[] {
  const each = (wide.right - wide.left - (rooms - 1) * dividerMm) / rooms
  return Array.from({ length: rooms }, (_, i) => ({
    left: wide.left + i * (each + dividerMm),
    right: wide.left + i * (each + dividerMm) + each,
  }))
}

/** A thing as it stands in a hole: on its end, as broad as it is thick. */
export function onEnd(g: Goods): Goods {
  const [, mid, long] = [g.acrossMm, g.deepMm, g.tallMm].sort((a, b) => a - b)
  return { ...g, acrossMm: mid, deepMm: mid, tallMm: long }
}
/** About as broad as thick, and longer than that: what else stands in a hole falls over. Shares: product decision. */
export function standsInHole(g: Goods): boolean {
  const [low, mid, long] = [g.acrossMm, g.deepMm, g.tallMm].sort((a, b) => a - b)
  return mid <= ROUND_SHARE * low && long >= SLENDER_SHARE * mid
}
const ROUND_SHARE = 1.25
const SLENDER_SHARE = 1.5

/** With half of the wall on each side of it. */
const walled = (g: Goods): Goods => ({ ...g, acrossMm: g.acrossMm + WALL_MM, deepMm: g.deepMm + WALL_MM })

interface Filled {
  drawers: Omit<PlannedDrawer, 'column' | 'stretch' | 'at'>[]
  left: Goods[]
}

/** Things by how high a drawer they need, those that need most first; in drawers as listed, or in as many as they fill. */
function fillDrawers(
  p: DrawerBankParams,
  ctx: ShapeContext,
  unitsFor: (g: Goods, insert?: Insert) => number,
  spacesOf: (rooms: number) => Opening[],
  { deepMm, mostKg }: DrawerMake,
): Filled {
  const byNeed = [...ctx.goods].sort((a, b) => unitsFor(b.item) - unitsFor(a.item))
  const needs = new Map(ctx.goods.map((g) => [g.item.id, unitsFor(g.item)]))
  const whole = new Map(ctx.goods.map((g) => [g.item.id, g.item]))
  let queue = byNeed.flatMap((g) => Array.from({ length: g.count }, () => laid(g.item, deepMm)))
  const drawers: Filled['drawers'] = []
  const put = (kind: Omit<DrawerKind, 'count'>) => {
    const { units, insert } = kind
    const need = (g: Goods) =>
      insert !== 'bored' ? needs.get(g.id)! : standsInHole(g) ? unitsFor(whole.get(g.id)!, insert) : Infinity
    const [fit, not] = [queue.filter((g) => need(g) <= units), queue.filter((g) => need(g) > units)]
    const light = upTo(fit, mostKg)
    const spaces = spacesOf(kind.rooms)
    const lies = fit.slice(0, light)
    const { spots, left } =
      insert === 'none'
        ? fillFlat(lies, spaces, deepMm, PLAY_SIDE_MM)
        : inserted(lies, spaces, deepMm, (g) => (insert === 'bored' ? onEnd(whole.get(g.id)!) : g))
    queue = [...not, ...left, ...fit.slice(light)]
    drawers.push({ spots, spaces, ...kind })
    return spots.length
  }
  if (p.drawers.length > 0) {
    // What is made for few things gets those; low things go into low drawers, the high ones are kept for what needs them.
    const special = (x: DrawerKind) => INSERTS.length - INSERTS.indexOf(x.insert)
    for (const kind of [...p.drawers].sort((a, b) => special(a) - special(b) || a.units - b.units))
      for (let i = 0; i < kind.count && drawers.length <= LIMITS.drawers; i++) put(kind)
    return { drawers, left: queue }
  }
  const tooTall = queue.filter((g) => needs.get(g.id)! > LIMITS.units)
  queue = queue.filter((g) => needs.get(g.id)! <= LIMITS.units)
  while (queue.length > 0 && drawers.length <= LIMITS.drawers)
    if (put({ ...PLAIN, units: needs.get(queue[0].id)! }) === 0) {
      drawers.pop()
      tooTall.push(queue.shift()!)
    }
  return { drawers, left: [...tooTall, ...queue] }
}

/** Things with a wall between them, as they lie or stand there. */
function inserted(
  things: readonly Goods[],
  spaces: Opening[],
  deepMm: number,
  as: (g: Goods) => Goods,
): { spots: Spot[]; left: Goods[] } {
  const lying = new Map(things.map((g) => [g.id, g]))
  const { spots, left } = fillFlat(
    things.map((g) => walled(as(g))),
    spaces,
    deepMm,
    0,
  )
  const half = WALL_MM / 2
  const own = (g: Goods): Goods => ({ ...g, acrossMm: g.acrossMm - WALL_MM, deepMm: g.deepMm - WALL_MM })
  return {
    spots: spots.map((s) => ({ ...s, item: own(s.item), x: s.x + half, y: s.y + half })),
    left: left.map((g) => lying.get(g.id)!),
  }
}

/** How many of some things, from the first on, weigh no more than so much; one at least. What nobody weighed counts nothing. */
function upTo(list: readonly Goods[], mostKg: number): number {
  let kg = 0
  const over = list.findIndex((g, i) => (kg += countedKg(g)) > mostKg && i > 0)
  return over < 0 ? list.length : over
}

/** Drawers in columns, the high ones low; between fixed panels as many units as take them all. */
function stack(
  drawers: Filled['drawers'],
  columns: number,
  o: { unitMm: number; tallest: number },
): Pick<Plan, 'stretches' | 'stretchUnits' | 'drawers'> {
  const sum = drawers.reduce((n, x) => n + x.units, 0)
  const least = Math.max(o.tallest, Math.ceil(sum / columns))
  const stretches = Math.max(1, Math.ceil((least * o.unitMm) / PANEL_EVERY_MM))
  const sorted = [...drawers].sort((a, b) => b.units - a.units)
  for (let stretchUnits = Math.max(o.tallest, Math.ceil(least / stretches)); ; stretchUnits++) {
    const used = Array.from({ length: stretches }, () => Array<number>(columns).fill(0))
    const out = sorted.map((x): PlannedDrawer | null => {
      for (let s = 0; s < stretches; s++) {
        const k = used[s].indexOf(Math.min(...used[s]))
        if (used[s][k] + x.units > stretchUnits) continue
        used[s][k] += x.units
        return { column: k, stretch: s, at: used[s][k] - x.units, ...x }
      }
      return null
    })
    if (out.every((x) => x !== null)) return { stretches, stretchUnits, drawers: out }
  }
}
