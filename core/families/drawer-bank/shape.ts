import type { Draft } from '../../assembly/draft.ts'
import { cutGrooves, DRAWER, drawerInside, handFor, placeDrawer, type Drawer } from '../../blocks/fronts/drawer.ts'
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
import { FOAM } from '../../catalogue/soft.ts'
import { standsOn } from '../../goods/goods.ts'
import { good, type Result } from '../../measure/result.ts'
import { BOX_SHEETS, choicePen } from '../choices.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { drawerChoices, markRunners } from '../in-drawers.ts'
import { INSERTS, LIMITS, MAKES, PLAIN, type DrawerBankParams } from './parameters.ts'
import { firstGroove, panelTop, planOut, type Plan, type PlannedDrawer } from './plan-out.ts'

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
  if (!plan.make.slide) grooves(d, plan)
  const parts = plan.drawers.map((x, i) => drawer(d, plan, x, i))
  if (plan.make.slide) markRunners(d, plan.make, plan.stretches + 1)
  const inDrawers = new Set(parts.flat())
  d.sub({
    id: 'unit',
    name: 'unit',
    parts: d.assembly.parts.flatMap((x) => (inDrawers.has(x.id) ? [] : [x.id])),
    built: 'flat',
  })
  parts.forEach((ids, i) => d.sub({ id: `drawer-${i}`, name: DRAWER, parts: ids, built: 'in-place' }))
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
      cutGrooves(d, uprightId(u), `panel-${k}-0`, { atMm: at, bottom: plan.make.bottom, depthMm: plan.grooveMm })
  })
}

function drawer(d: Draft, plan: Plan, x: PlannedDrawer, i: number): string[] {
  const [o, { make }] = [plan.openings[x.column], plan]
  const zMm = firstGroove(panelTop(plan, x.stretch)) + x.at * plan.unitMm
  const spec: Drawer = {
    id: `drawer-${i}`,
    uprights: [uprightId(x.column), uprightId(x.column + 1)],
    ...o,
    fromMm: plan.back.thicknessMm + make.behindMm,
    toMm: plan.back.thicknessMm + plan.deepMm,
    zMm,
    highMm: x.units * plan.unitMm,
    ...(make.slide ? { slide: make.slide } : {}),
    ...{ grooveMm: make.grooveMm, sheet: make.drawer, bottom: make.bottom },
    hand: handFor(make.hand, x.units * plan.unitMm, make.bottom),
    ...(x.make === 'tray' ? { lipMm: LIP_MM } : {}),
    dividers: x.spaces.slice(1).map((r) => r.left - make.drawer.thicknessMm),
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

/** Round the things of a drawer: foam, or a board of what the drawers are made of. */
function insertOf(plan: Plan, x: PlannedDrawer): Pick<Drawer, 'insert'> {
  if (x.insert === 'none') return {}
  const round = x.insert === 'bored'
  return {
    insert: {
      round,
      stock: round ? { kind: 'sheet', sheet: plan.make.drawer.id } : { kind: 'soft', soft: FOAM.id },
      thickMm: round ? plan.make.drawer.thicknessMm : FOAM.thickMm,
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
  const { sheet, coded } = choicePen(p)
  const { yard, ownSheets } = ctx.settings
  return [
    sheet('sheet', 'bank-sheet', [...BOX_SHEETS[yard], ...ownSheets]),
    ...drawerChoices(p, ctx),
    coded('tie', 'tie', [true, false]),
  ]
}
