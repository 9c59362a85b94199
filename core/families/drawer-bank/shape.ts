import type { Draft } from '../../assembly/draft.ts'
import { cutGrooves, drawerInside, placeDrawer, type Drawer } from '../../blocks/fronts/drawer.ts'
import { housedShelf } from '../../blocks/carcass/shelf-between.ts'
import {
  closeBack,
  coverUprights,
  NAILER,
  standUprights,
  tieNailers,
  uprightId,
  type StandingBox,
} from '../../blocks/carcass/standing.ts'
import { findSlide } from '../../catalogue/drawer-slides.ts'
import { FOAM } from '../../catalogue/soft.ts'
import { idsOf } from '../../steps/step.ts'
import { standsOn } from '../../goods/goods.ts'
import { good, type Result } from '../../measure/result.ts'
import { BOX_SHEETS, choicePen, GROOVE_SHEETS } from '../choices.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { HANDS, INSERTS, LIMITS, MAKES, PLAIN, type DrawerBankParams } from './parameters.ts'
import { firstGroove, handOf, panelTop, planOut, type Plan, type PlannedDrawer } from './plan-out.ts'

/*
 *   ===================   top over the uprights
 *   | |-----| |-----| |   drawers on thin bottoms that run in grooves, one groove for every unit
 *   | |=====| |=====| |   a fixed panel keeps tall uprights from bowing
 *   | |-----| |-----| |
 *   | |=====| |=====| |   the lowest panel over the kick
 */
export function shapeDrawerBank(p: DrawerBankParams, ctx: ShapeContext): Result<Shaped> {
  const begun = opened(p, ctx, planOut, false)
  if (!begun.ok) return begun
  const { d, pen, plan, unhoused } = begun.value
  const t = plan.box.thicknessMm
  const box: StandingBox = {
    openings: plan.openings,
    thicknessMm: t,
    backMm: plan.back.thicknessMm,
    deepMm: plan.deepMm,
    highMm: plan.highMm - t,
  }
  standUprights(d, box, p.sheet, ctx.space.floorFall)
  panels(d, plan, box)
  closeBack(d, box, plan.back)
  const system = ctx.settings.yard
  if (plan.tied) {
    const tie = { section: NAILER[system], grade: ctx.settings.grade, topMm: box.highMm }
    tieNailers(d, box, tie, { space: ctx.space, system })
  }
  coverUprights(d, box, plan.box)
  if (!plan.slide) grooves(d, plan)
  const parts = plan.drawers.map((x, i) => drawer(d, p, plan, x, i))
  if (plan.slide) markSlides(d, plan)
  const inDrawers = new Set(parts.flat())
  d.sub({
    id: 'unit',
    name: 'unit',
    parts: d.assembly.parts.flatMap((x) => (inDrawers.has(x.id) ? [] : [x.id])),
    built: 'flat',
  })
  parts.forEach((ids, i) => d.sub({ id: `drawer-${i}`, name: 'drawer', parts: ids, built: 'in-place' }))
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), lists: [drawerList(p)], unhoused })
}

/** The lowest panel, and those that keep tall uprights from bowing. */
function panels(d: Draft, plan: Plan, box: StandingBox) {
  plan.openings.forEach((o, k) => {
    for (let s = 0; s < plan.stretches; s++) {
      housedShelf(d, {
        id: `panel-${k}-${s}`,
        role: 'shelf',
        sheet: plan.box,
        left: o.left,
        right: o.right,
        fromMm: box.backMm,
        deepMm: plan.deepMm,
        topMm: panelTop(plan, s),
        dadoMm: plan.grooveMm,
        uprights: [uprightId(k), uprightId(k + 1)],
        footMm: 0,
      })
    }
  })
  for (let s = 0; s < plan.stretches; s++)
    d.mark(
      panelTop(plan, s),
      'shelf-top',
      s + 1,
      plan.openings.map((_o, k) => `panel-${k}-${s}`),
    )
}

function grooves(d: Draft, plan: Plan) {
  const at = Array.from({ length: plan.stretches }, (_, s) =>
    Array.from({ length: plan.stretchUnits }, (_u, i) => firstGroove(panelTop(plan, s)) + i * plan.unitMm),
  ).flat()
  plan.openings.forEach((_o, k) => {
    for (const u of [k, k + 1])
      cutGrooves(d, uprightId(u), `panel-${k}-0`, { atMm: at, bottom: plan.bottom, depthMm: plan.grooveMm })
  })
}

function drawer(d: Draft, p: DrawerBankParams, plan: Plan, x: PlannedDrawer, i: number): string[] {
  const o = plan.openings[x.column]
  const zMm = firstGroove(panelTop(plan, x.stretch)) + x.at * plan.unitMm
  const spec: Drawer = {
    id: `drawer-${i}`,
    uprights: [uprightId(x.column), uprightId(x.column + 1)],
    ...o,
    fromMm: plan.back.thicknessMm + plan.behindMm,
    toMm: plan.back.thicknessMm + plan.deepMm,
    zMm,
    highMm: x.units * plan.unitMm,
    ...(plan.slide ? { slide: plan.slide, grooveMm: plan.sideGrooveMm } : { grooveMm: plan.grooveMm }),
    sheet: plan.drawer,
    bottom: plan.bottom,
    hand: handOf(p, plan, x.units),
    ...(x.make === 'tray' ? { lipMm: LIP_MM } : {}),
    dividers: x.spaces.slice(1).map((r) => r.left - plan.drawer.thicknessMm),
    ...insertOf(plan, x),
  }
  const { moves: parts, slides } = placeDrawer(d, spec)
  const inside = drawerInside(spec)
  d.bay({
    id: `bay-${i}`,
    name: { code: 'drawer', column: x.column + 1, row: 1 + plan.drawers.filter((y) => below(y, x)).length },
    holds: 'surface',
    clear: {
      min: [inside.left, inside.backMm, inside.floorMm],
      max: [inside.right, inside.frontMm, inside.headMm],
    },
    carriers: [parts[0]],
    items: x.spots.map(({ item, x: atX, y }) => ({
      goodsId: item.id,
      massKg: item.massKg,
      stands: standsOn(item.kind),
      box: {
        min: [inside.left + atX, inside.backMm + y, inside.floorMm],
        max: [inside.left + atX + item.acrossMm, inside.backMm + y + item.deepMm, inside.floorMm + item.tallMm],
      },
    })),
    play: { sideMm: 0, aboveMm: plan.play.aboveMm, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 0, 1],
  })
  return [...parts, ...slides]
}
/** The lower edge of every slide, each height once, after the marks of the panels. */
function markSlides(d: Draft, plan: Plan) {
  const slides = d.assembly.parts.filter((x) => x.stock.kind === 'bought' && findSlide(x.stock.item))
  const heights = [...new Set(slides.map(({ id }) => d.box(id).min[2]))].sort((a, b) => a - b)
  heights.forEach((z, i) =>
    d.mark(z, 'slide-under', plan.stretches + i + 1, idsOf(slides.filter(({ id }) => d.box(id).min[2] === z))),
  )
}

/** Round the things of a drawer: foam, or a board of what the drawers are made of. */
function insertOf(plan: Plan, x: PlannedDrawer): Pick<Drawer, 'insert'> {
  if (x.insert === 'none') return {}
  const round = x.insert === 'bored'
  return {
    insert: {
      round,
      stock: round ? { kind: 'sheet', sheet: plan.drawer.id } : { kind: 'soft', soft: FOAM.id },
      thickMm: round ? plan.drawer.thicknessMm : FOAM.thickMm,
      rooms: x.spaces,
      places: x.spots.map((s) => ({ x: s.x, y: s.y, wideMm: s.item.acrossMm, deepMm: s.item.deepMm })),
    },
  }
}
/** Round a tray, mm: what lies flat does not slide off. Product decision. */
const LIP_MM = 15

const below = (y: PlannedDrawer, x: PlannedDrawer): boolean =>
  y.column === x.column && (y.stretch < x.stretch || (y.stretch === x.stretch && y.at < x.at))

const drawerList = (p: DrawerBankParams): ListChoice => ({
  path: 'drawers',
  code: 'drawers',
  items: p.drawers.map((x) => ({ ...x })),
  fields: [
    { key: 'units', code: 'drawer-units', quantity: 'count', min: 1, max: LIMITS.units },
    { key: 'count', code: 'drawer-count', quantity: 'count', min: 1, max: 60 },
    { key: 'make', code: 'drawer-make', options: MAKES },
    { key: 'rooms', code: 'drawer-rooms', quantity: 'count', min: 1, max: LIMITS.rooms },
    { key: 'insert', code: 'drawer-insert', options: INSERTS },
  ],
  most: LIMITS.kinds,
  fresh: { units: 1, count: 4, ...PLAIN },
  step: { units: 1 },
})

function choices(p: DrawerBankParams, ctx: ShapeContext): Choice[] {
  const { yard } = ctx.settings
  const thin = yard === 'imperial' ? ['ply-3/8', 'ply-15/32', 'ply-19/32'] : ['ply-9mm', 'ply-12mm', 'ply-15mm']
  const { sheet, coded } = choicePen(p)
  return [
    sheet('sheet', 'bank-sheet', [...BOX_SHEETS[yard], ...ctx.settings.ownSheets]),
    sheet('drawerSheet', 'bank-drawer-sheet', [...thin, ...ctx.settings.ownSheets]),
    sheet('bottomSheet', 'bank-bottom-sheet', [...GROOVE_SHEETS[yard], ...ctx.settings.ownSheets]),
    coded('runs', 'bank-runs', ['grooves', 'slides']),
    coded('hand', 'bank-hand', HANDS),
    coded('tie', 'tie', [true, false]),
  ]
}
