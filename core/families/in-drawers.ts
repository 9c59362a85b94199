import type { Draft } from '../assembly/draft.ts'
import { unitsOf } from '../assembly/settings.ts'
import { dadoDepth } from '../blocks/carcass/shelf-between.ts'
import {
  cutGrooves,
  DRAWER,
  drawerInside,
  HANDS,
  handFor,
  LEAST_ON_SLIDES_MM,
  OVER_MM,
  placeDrawer,
  RUN_MM,
  type Drawer,
  type Hand,
} from '../blocks/fronts/drawer.ts'
import { DRAWER_SLIDES, findSlide, slideFor, type DrawerSlide } from '../catalogue/drawer-slides.ts'
import { findSheet, type Sheet } from '../catalogue/sheets.ts'
import type { Goods } from '../goods/goods.ts'
import { countedKg } from '../goods/presumed.ts'
import { bad, good, type Result } from '../measure/result.ts'
import { roundDown } from '../measure/rounding.ts'
import { z } from '../measure/schema.ts'
import { inches, stepMm, type UnitSystem } from '../measure/units.ts'
import { idsOf } from '../steps/step.ts'
import { choicePen, GROOVE_SHEETS } from './choices.ts'
import type { DimPen } from './dim-pen.ts'
import type { Choice, ShapeContext, Term } from './family.ts'
import { standing, type Level, type Opening } from './house-on-shelves.ts'
import { lighterSheets, stifferSheets, type LeverPen } from './levers.ts'
import { sheet } from './params.ts'

/*
 * Drawers between uprights of sheet, one over the other: what they are made of and run on, how high the place of each is,
 * and what lies in it.
 */

/** What is said with the steps of drawers. */
export type { DrawerStep } from '../blocks/fronts/drawer-steps.ts'

/** How the drawers of a build are made. */
export const inDrawers = {
  drawerSheet: sheet,
  bottomSheet: sheet,
  /** On their thin bottoms in grooves of the uprights, or on bought slides. */
  runs: z.enum(['grooves', 'slides']),
  hand: z.enum(HANDS),
}
interface InDrawers {
  drawerSheet: string
  bottomSheet: string
  runs: 'grooves' | 'slides'
  hand: Hand
}
export const DRAWER_STOCK: Record<UnitSystem, Pick<InDrawers, 'drawerSheet' | 'bottomSheet'>> = {
  imperial: { drawerSheet: 'ply-15/32', bottomSheet: 'ply-3/8' },
  metric: { drawerSheet: 'ply-12mm', bottomSheet: 'ply-9mm' },
}
/**
 * What is made under a worktop where nobody says anything else: tools weigh more than runners of wood let one draw, and
 * bottoms span more than in a bank.
 */
export const usualDrawers = (system: UnitSystem): InDrawers => ({
  ...DRAWER_STOCK[system],
  bottomSheet: DRAWER_STOCK[system].drawerSheet,
  runs: 'slides',
  hand: 'pull',
})

/** What is said with its reasons and problems. */
export interface DrawerReason {
  'drawer-span': object
}
export interface DrawerProblem {
  'drawer-slide-short': { mm: number; leastMm: number }
  'drawer-too-low': { mm: number; leastMm: number; shelf: number }
  'drawer-too-narrow': { mm: number; leastMm: number }
  'drawers-in-dadoes': object
  'drawers-one-shelf': object
}
export interface DrawerLever {
  'drawer-bottom': { sheet: string }
  'drawer-sides': { sheet: string }
  'drawer-slides': Record<string, never>
  'drawer-grooves': Record<string, never>
}

/** No more is put into one drawer: it is drawn with one hand. Product decision. */
export const MOST_KG = { grooves: 8, slides: 15 } as const
/** Over a thing in its drawer, mm. */
export const PLAY_OVER_MM = 4
/** A drawer in grooves this much wider than it is deep binds. Usual rule of cabinet makers: no wider than deep. */
export const BINDS = 1.5
/** Nothing is looked into from above that stands higher than this: between elbow and shoulder. mm. Product decision. */
export const LOOK_INTO_MM = 1250
/** Tall uprights bow, and drawers fall out of their grooves: a fixed panel at least every so far, mm. Product decision. */
export const PANEL_EVERY_MM = 700
/** Behind the drawers, and under the lowest over a panel, mm. */
export const BEHIND_MM = 3
export const UNDER_MM = 3
/** What is free in a drawer of any use, at least: for a hand across, and a low thing upward. mm. Product decision. */
const LEAST_WIDE_MM = 80
const LEAST_TALL_MM = 15
/** Height in a drawer for nobody knows what, and how high the places of drawers are at most on the whole, mm. Product decisions. */
const EMPTY_MM = 80
const USUAL_HIGH_MM = 220
/** How many drawers fill a height where things ask for fewer. */
export const drawersIn = (highMm: number, most: number): number =>
  Math.max(1, Math.min(most, Math.ceil(highMm / USUAL_HIGH_MM)))

/** How drawers are made and run, and what each loses of its place to that. */
export interface DrawerMake {
  drawer: Sheet
  bottom: Sheet
  hand: Hand
  slide: DrawerSlide | null
  /** How deep bottoms lie: in the uprights they run in, or in the sides of drawers on slides. */
  grooveMm: number
  /** Between the back of its box and the drawers, where a nailer is too. */
  behindMm: number
  /** Free depth in a drawer. */
  deepMm: number
  /** Of the height of its place, what is under and over things in it. */
  lostMm: number
  /** No place is lower. */
  leastMm: number
  mostKg: number
}

/** What a drawer takes of the width of its place beside what is free in it. */
const besideOf = (x: Pick<DrawerMake, 'drawer' | 'bottom' | 'slide'>) =>
  drawerInside({
    ...{ left: 0, right: 0, fromMm: 0, toMm: 0, zMm: 0, highMm: 0 },
    ...{ sheet: x.drawer, bottom: x.bottom, ...(x.slide ? { slide: x.slide } : {}) },
  })

/** What a drawer takes of the width of its place, mm. */
export const takenByDrawer = (p: InDrawers): number => {
  const [drawer, bottom] = [findSheet(p.drawerSheet)!, findSheet(p.bottomSheet)!]
  const { left, right } = besideOf({ drawer, bottom, slide: p.runs === 'slides' ? ANY_SLIDE : null })
  return left - right
}
/** Any of them: they are one as thick as the other. */
const [ANY_SLIDE] = DRAWER_SLIDES.metric
/** Depth of a box for drawers with so much free in them, mm; no shallower than usual slides, and what is left in grooves, ask for. */
export const deepForDrawers = (p: InDrawers, freeMm: number): number =>
  Math.max(LEAST_DEEP_MM[p.runs], freeMm + 2 * findSheet(p.drawerSheet)!.thicknessMm + BEHIND_MM)
const LEAST_DEEP_MM = { grooves: 400, slides: 300 } as const
/** Drawers no wider than this on slides, and on their bottoms, mm. Product decisions: what a thin bottom spans. */
export const usualClear = (p: InDrawers): number => inches(p.runs === 'slides' ? 22 : 16)
/** Drawers as high and wide as under a worktop weigh so much themselves that less goes in than in a bank, kg. Product decision. */
const MOST_IN_GROOVES_KG = 4
/** On slides back and sides are screwed to each other: two screws find room over each other, mm. */
const LEAST_SCREWED_MM = inches(3)
/** The same for drawers higher than those of a bank. */
export function highDrawers(...given: Parameters<typeof drawerMake>): Result<DrawerMake> {
  const made = drawerMake(...given)
  if (!made.ok) return made
  const make = made.value
  return good(
    make.slide
      ? { ...make, leastMm: Math.max(make.leastMm, LEAST_SCREWED_MM) }
      : { ...make, mostKg: MOST_IN_GROOVES_KG },
  )
}

/** What goes into a drawer: low, and drawn and lifted out with one hand. mm and kg, product decisions. */
export const goesInDrawer = (g: Goods): boolean =>
  (g.kind === 'tool' || g.kind === 'box' || g.kind === 'bag') &&
  Math.min(g.tallMm, laid(g, Infinity).tallMm) <= LOW_MM &&
  countedKg(g) <= HEAVY_KG
const [LOW_MM, HEAVY_KG] = [200, 6]

/**
 * @param s the sheet of the uprights, free depth before their back, and how thick a nailer is there
 * @param deepPath the dimension that depth follows
 */
export function drawerMake(
  p: InDrawers,
  ctx: ShapeContext,
  s: { box: Sheet; deepMm: number; nailerMm: number },
  deepPath: string,
): Result<DrawerMake> {
  const units = unitsOf(ctx.settings)
  const [drawer, bottom] = [findSheet(p.drawerSheet)!, findSheet(p.bottomSheet)!]
  const behindMm = s.nailerMm + BEHIND_MM
  const longMm = s.deepMm - behindMm - drawer.thicknessMm
  const [shortest] = DRAWER_SLIDES[ctx.settings.yard]
  const slide = p.runs === 'slides' ? (slideFor(longMm, ctx.settings.yard) ?? null) : null
  if (p.runs === 'slides' && !slide)
    return bad('drawer-slide-short', { mm: longMm, leastMm: shortest.lengthMm }, deepPath)
  const inside = besideOf({ drawer, bottom, slide })
  return good({
    ...{ drawer, bottom, slide, behindMm, hand: p.hand, mostKg: MOST_KG[p.runs] },
    grooveMm: dadoDepth((slide ? drawer : s.box).thicknessMm, units),
    deepMm: longMm - drawer.thicknessMm,
    lostMm: inside.floorMm - inside.headMm,
    leastMm: slide ? LEAST_ON_SLIDES_MM : bottom.thicknessMm + RUN_MM + OVER_MM + LEAST_TALL_MM,
  })
}

/** What is free between the sides of a drawer in an opening. */
export const roomIn = (make: DrawerMake, o: Opening): Opening => {
  const { left, right } = besideOf(make)
  return { left: o.left + left, right: o.right + right }
}
/** Clear width of an opening for a drawer with so much free in it, mm. */
export const clearForDrawer = (make: DrawerMake, mm: number): number => {
  const { left, right } = besideOf(make)
  return mm + left - right
}
export const leastForDrawer = (make: DrawerMake): number => clearForDrawer(make, LEAST_WIDE_MM)

/** A thing as it lies in a drawer: nothing on it, and a tool laid down, its length to the front or across. */
export function laid(g: Goods, deepMm: number): Goods {
  if (g.kind !== 'tool') return { ...g, pile: 1 }
  const [low, mid, long] = [g.acrossMm, g.deepMm, g.tallMm].sort((a, b) => a - b)
  return long <= deepMm
    ? { ...g, pile: 1, tallMm: low, acrossMm: mid, deepMm: long }
    : { ...g, pile: 1, tallMm: low, acrossMm: long, deepMm: mid }
}
export const laidIn = (make: DrawerMake, goods: ShapeContext['goods']): ShapeContext['goods'] =>
  goods.map((g) => ({ ...g, item: laid(g.item, make.deepMm) }))

/** The place of one drawer. */
export interface DrawerPlace {
  zMm: number
  highMm: number
  /** Upper face of the fixed panel right under it; null where another drawer is. */
  panelMm: number | null
}

/** What one drawer needs of the height, mm. */
const needOf = (level: Level, make: DrawerMake, aboveMm: number): number =>
  Math.max((level.tallest?.tallMm ?? EMPTY_MM) + aboveMm + make.lostMm, make.leastMm)

/** Under which of some drawers, told by their heights, a fixed panel is: the first, and where a stretch would be too high. */
function panelled(heights: readonly number[]): boolean[] {
  let high = 0
  return heights.map((mm, i) => {
    const fixed = i === 0 || high + mm > PANEL_EVERY_MM
    high = fixed ? mm : high + mm
    return fixed
  })
}

interface Stacked {
  aboveMm: number
  /** Thickness of the fixed panels, and the upper face of the lowest. */
  panelMm: number
  firstMm: number
}
/** How high some drawers are from the upper face of the lowest panel, with what roundings add, mm. */
export function drawersHigh(levels: readonly Level[], make: DrawerMake, s: Stacked, units: UnitsOf): number {
  const needs = levels.map((l) => needOf(l, make, s.aboveMm))
  const panels = panelled(needs).filter(Boolean).length
  return needs.reduce((sum, mm) => sum + mm + stepMm(units), 0) + panels * UNDER_MM + (panels - 1) * s.panelMm
}
type UnitsOf = Parameters<typeof stepMm>[0]

/** Where drawers begin over the lowest panel, under which of them a fixed panel is, and how far what is fixed shifts the last. */
export interface DrawerRows {
  zs: number[]
  fixed: boolean[]
  shiftMm: number
}
/**
 * The undersides of drawers, each with what is below it as terms; what is left under a head goes to all alike.
 * @param path of the height of the drawer `i` from below, counted from 1
 */
export function drawerRows(
  levels: readonly Level[],
  make: DrawerMake,
  pen: DimPen,
  s: Stacked & { headMm: number; units: UnitsOf; path: (i: number) => string },
): DrawerRows {
  const spare = s.headMm - s.firstMm - drawersHigh(levels, make, s, s.units)
  const shareMm = roundDown(Math.max(0, spare) / levels.length, s.units)
  const needs = levels.map((l) => needOf(l, make, s.aboveMm))
  const fixed = panelled(needs.map((mm) => mm + shareMm))
  const zs = [s.firstMm + UNDER_MM]
  let shiftMm = 0
  for (let i = 1; i < levels.length; i++) {
    const tallest = levels[i - 1].tallest?.tallMm ?? EMPTY_MM
    const rest = needs[i - 1] - tallest - s.aboveMm - make.lostMm + shareMm
    const terms: Term[] = [
      { name: 'drawer-below', mm: zs[i - 1] },
      { name: 'in-drawer', mm: tallest },
      { name: 'above-play', mm: s.aboveMm },
      { name: 'drawer', mm: make.lostMm },
      ...(rest > 0 ? [{ name: 'spare', mm: rest }] : []),
      ...(fixed[i] ? [{ name: 'sheet', mm: s.panelMm + UNDER_MM }] : []),
    ]
    const asked = { path: s.path(i), code: 'drawer-under', data: { shelf: i + 1 }, min: 40, max: 3000 }
    zs.push(pen.sum(asked, terms, 'sum'))
    shiftMm += zs[i] - pen.dims[pen.dims.length - 1].tackedValue
  }
  return { zs, fixed, shiftMm }
}

/** The places of drawers up to what is over the last of them. */
export function drawerPlaces(
  { zs, fixed }: DrawerRows,
  make: DrawerMake,
  s: { panelMm: number; headMm: number; path: (i: number) => string },
): Result<DrawerPlace[]> {
  const places = zs.map((zMm, i): DrawerPlace => {
    const panelMm = fixed[i] ? zMm - UNDER_MM : null
    const over = i === zs.length - 1 ? s.headMm : fixed[i + 1] ? zs[i + 1] - UNDER_MM - s.panelMm : zs[i + 1]
    return { zMm, highMm: over - zMm, panelMm }
  })
  const low = places.findIndex((x) => x.highMm < make.leastMm - 1e-6)
  if (low < 0) return good(places)
  return bad(
    'drawer-too-low',
    { mm: places[low].highMm, leastMm: make.leastMm, shelf: low + 1 },
    s.path(Math.min(low + 1, zs.length - 1)),
  )
}

/** An opening full of drawers. */
interface DrawerColumn {
  /** Which opening, and which of those that goods lie in; null where none do. */
  column: number
  housed: number | null
  opening: Opening
  uprights: readonly [string, string]
  /** A panel between them, which tells their faces. */
  between: string
  backMm: number
  frontMm: number
}

/** The drawers of one opening, each a part by itself, and the grooves they run in. */
export function putDrawers(
  d: Draft,
  make: DrawerMake,
  places: readonly DrawerPlace[],
  levels: readonly Level[],
  play: { aboveMm: number },
  c: DrawerColumn,
): void {
  if (!make.slide)
    for (const u of c.uprights)
      cutGrooves(d, u, c.between, { atMm: places.map((x) => x.zMm), bottom: make.bottom, depthMm: make.grooveMm })
  places.forEach((place, i) => {
    const spec: Drawer = {
      ...{ id: `drawer-${c.column}-${i}`, uprights: c.uprights, ...c.opening },
      ...{ fromMm: c.backMm + make.behindMm, toMm: c.frontMm, zMm: place.zMm, highMm: place.highMm },
      ...{ grooveMm: make.grooveMm, sheet: make.drawer, bottom: make.bottom },
      ...(make.slide ? { slide: make.slide } : {}),
      hand: handFor(make.hand, place.highMm, make.bottom),
    }
    const { moves, slides } = placeDrawer(d, spec)
    const inside = drawerInside(spec)
    d.bay({
      id: `bay-drawer-${c.column}-${i}`,
      name: { code: 'drawer', column: c.column + 1, row: i + 1 },
      holds: 'surface',
      clear: { min: [inside.left, inside.backMm, inside.floorMm], max: [inside.right, inside.frontMm, inside.headMm] },
      carriers: [moves[0]],
      items: c.housed === null ? [] : standing(levels[i], c.housed, inside.backMm, inside.floorMm),
      play: { sideMm: 0, aboveMm: play.aboveMm, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 0, 1],
    })
    d.sub({ id: spec.id, name: DRAWER, parts: [...moves, ...slides], built: 'in-place' })
  })
}

/** Marks what drawers run in or on, each height once, from a level of the stick on. */
export function markRunners(d: Draft, make: Pick<DrawerMake, 'slide'>, level: number): void {
  const slides = d.assembly.parts.filter((x) => x.stock.kind === 'bought' && findSlide(x.stock.item))
  const bottoms = d.assembly.motions.flatMap((m) => (m.kind === 'slide' ? [d.part(m.parts[0])] : []))
  const on = make.slide ? slides : bottoms
  const heights = [...new Set(on.map(({ id }) => d.box(id).min[2]))].sort((a, b) => a - b)
  heights.forEach((mm, i) =>
    d.mark(
      mm,
      make.slide ? 'slide-under' : 'runner-groove',
      level + i,
      idsOf(on.filter(({ id }) => d.box(id).min[2] === mm)),
    ),
  )
}

/** What can be chosen of them. */
export function drawerChoices<P extends InDrawers>(p: P, ctx: ShapeContext): Choice[] {
  const { yard } = ctx.settings
  const thin = yard === 'imperial' ? ['ply-3/8', 'ply-15/32', 'ply-19/32'] : ['ply-9mm', 'ply-12mm', 'ply-15mm']
  const { sheet, coded } = choicePen<InDrawers>(p)
  return [
    sheet('drawerSheet', 'drawer-sheet', [...thin, ...ctx.settings.ownSheets]),
    sheet('bottomSheet', 'drawer-bottom-sheet', [...GROOVE_SHEETS[yard], ...ctx.settings.ownSheets]),
    coded('runs', 'drawer-runs', ['grooves', 'slides']),
    coded('hand', 'drawer-hand', HANDS),
  ]
}

/** Runner bottoms no thicker than this run in grooves of a usual board, and sides of drawers are no thicker, mm. */
const THICKEST_BOTTOM_MM = 13
const THICKEST_SIDE_MM = 16

/** Ways to make them stronger. @param slides whether all of them may run on slides */
export function drawerLevers(p: InDrawers, add: LeverPen<InDrawers>['add'], slides = true): void {
  if (p.runs === 'grooves' && slides) add('drawer-slides', { runs: 'slides' })
  for (const s of stifferSheets(p.bottomSheet))
    if (s.thicknessMm <= THICKEST_BOTTOM_MM) add('drawer-bottom', { bottomSheet: s.id }, { sheet: s.id })
  for (const s of stifferSheets(p.drawerSheet))
    if (s.thicknessMm <= THICKEST_SIDE_MM) add('drawer-sides', { drawerSheet: s.id }, { sheet: s.id })
}
/** Ways to spend less on them. */
export function drawerSavers(p: InDrawers, add: LeverPen<InDrawers>['add']): void {
  if (p.runs === 'slides') add('drawer-grooves', { runs: 'grooves' })
  for (const s of lighterSheets(p.bottomSheet, 5)) add('drawer-bottom', { bottomSheet: s.id }, { sheet: s.id })
  for (const s of lighterSheets(p.drawerSheet, 8)) add('drawer-sides', { drawerSheet: s.id }, { sheet: s.id })
}
