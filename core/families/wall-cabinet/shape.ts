import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { besideHinges, standsOut } from '../../blocks/fronts/front.ts'
import { GAP_MM, placeLeaves } from '../../blocks/fronts/hinged.ts'
import { housedShelf } from '../../blocks/carcass/housed-shelf.ts'
import { hookOnStrip, screwThroughRail, type Hanging } from '../../blocks/mounts/hung-on-wall.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { canHoldTie } from '../../room/room.ts'
import { dimPen } from '../dim-pen.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { standing } from '../house-on-shelves.ts'
import { SCREWS, type WallCabinetParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/** Screws from the top into the rail are this far apart, mm. */
const TOP_SCREWS_EVERY = 200

/*
 *   side view:  |=|‾‾‾‾‾‾‾|   top in rabbets          front: |‾|‾‾‾‾‾‾|‾|‾‾‾‾‾‾|‾|
 *               |r|       |   rail r under the top,           | |------| |------| |   shelves in dadoes
 *               |   back  |   back in front of it             | |------| |------| |
 *               |=|_______|   lower rail, bottom              |_|______|_|______|_|
 */
export function shapeWallCabinet(p: WallCabinetParams, ctx: ShapeContext): Result<Shaped> {
  if (ctx.goods.length === 0) return bad('no-goods')
  if (!canHoldTie(ctx.space.construction)) return bad('no-wall-to-hang-on')
  const pen = dimPen(p, unitsOf(ctx.settings))
  const planned = planOut(p, ctx, pen)
  if (!planned.ok) return planned
  const { plan, unhoused } = planned.value
  const d = draft(ctx.settings.yard)
  uprights(d, plan)
  panels(d, plan)
  rails(d, p, plan, ctx.settings.grade)
  backs(d, plan)
  const parts = d.assembly.parts.map((x) => x.id)
  d.body('carcass', parts, [['rail-upper']])
  const hanging: Hanging = {
    body: 'carcass',
    rail: 'rail-upper',
    lower: 'rail-lower',
    space: ctx.space,
    system: ctx.settings.yard,
    screws: SCREWS[p.wallScrews],
  }
  if (p.hang === 'strip')
    hookOnStrip(d, hanging, { id: 'strip-wall', section: plan.rail, stock: board(p.railSection, ctx.settings.grade) })
  else screwThroughRail(d, hanging, plan.back.thicknessMm)
  if (p.front === 'doors') doors(d, plan)
  placeBays(d, p, plan)
  plan.tops.forEach((z, i) =>
    d.mark(
      z - plan.footMm,
      i === 0 ? 'bottom-top' : 'shelf-top',
      i,
      plan.openings.map((_o, k) => `shelf-${k}-${i}`),
      plan.footMm,
    ),
  )
  d.sub({ id: 'box', name: 'unit', parts, built: 'in-place' })
  if (p.hang === 'strip') d.sub({ id: 'wall', name: 'unit', parts: ['strip-wall'], built: 'in-place' })
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

const board = (section: string, grade: string): Stock => ({ kind: 'board', section, grade, treated: false })

/** Sides as deep as the cabinet; dividers end at the back, so that the rails run through behind them. */
function uprights(d: Draft, plan: Plan) {
  plan.uprights.forEach((x, u) => {
    const outer = u === 0 || u === plan.uprights.length - 1
    const y = outer ? 0 : plan.innerMm
    d.square({
      id: `upright-${u}`,
      role: 'side',
      stock: { kind: 'sheet', sheet: plan.sheet.id },
      min: [x, y, plan.footMm],
      size: [plan.sheet.thicknessMm, plan.frontMm - y, plan.headMm - plan.footMm],
      along: 'z',
      across: 'y',
    })
  })
}

/** Bottom, shelves and top of every opening. Top and bottom close the recess behind the back too. */
function panels(d: Draft, plan: Plan) {
  const t = plan.sheet.thicknessMm
  plan.openings.forEach((o, k) => {
    const common = {
      sheet: plan.sheet,
      left: o.left,
      right: o.right,
      dadoMm: plan.dadoMm,
      uprights: [`upright-${k}`, `upright-${k + 1}`] as const,
      footMm: plan.footMm,
    }
    plan.tops.forEach((topMm, i) => {
      const from = i === 0 ? 0 : plan.innerMm
      const at = i === 0 ? { at: 'start' as const } : {}
      housedShelf(d, {
        ...common,
        id: `shelf-${k}-${i}`,
        role: 'shelf',
        fromMm: from,
        deepMm: plan.frontMm - from,
        topMm,
        ...at,
      })
    })
    housedShelf(d, {
      ...common,
      id: `top-${k}`,
      role: 'top',
      fromMm: 0,
      deepMm: plan.frontMm,
      topMm: plan.footMm + (plan.headMm - plan.footMm),
      at: 'end',
    })
  })
  return t
}

/** A rail under the top and one over the bottom, against the wall, from side to side. */
function rails(d: Draft, p: WallCabinetParams, plan: Plan, grade: string) {
  const t = plan.sheet.thicknessMm
  const last = plan.uprights.length - 1
  const { thicknessMm, widthMm } = plan.rail
  for (const [id, z] of [
    ['rail-upper', plan.headMm - t - widthMm],
    ['rail-lower', plan.footMm + t],
  ] as const) {
    d.square({
      id,
      role: 'back-rail',
      stock: board(p.railSection, grade),
      min: [t, 0, z],
      size: [plan.widthMm - 2 * t, thicknessMm, widthMm],
      along: 'x',
      across: 'z',
    })
    for (const u of [0, last]) d.screw(`upright-${u}`, id, SCREWS[p.railScrews], 'end', t, 200)
  }
  // The rails reach past the dividers: tops and bottoms of all openings are screwed to them.
  plan.openings.forEach((o, k) => {
    const n = SCREWS[p.railScrews] + Math.floor((o.right - o.left) / TOP_SCREWS_EVERY)
    d.screw(`top-${k}`, 'rail-upper', n, 'side', t, widthMm)
    d.screw(`shelf-${k}-0`, 'rail-lower', n, 'side', t, widthMm)
  })
}

/** A back in each opening, in front of the rails, screwed to both. */
function backs(d: Draft, plan: Plan) {
  const t = plan.sheet.thicknessMm
  const { thicknessMm } = plan.back
  const [z0, z1] = [plan.footMm + t, plan.headMm - t]
  plan.openings.forEach((o, k) => {
    const id = `back-${k}`
    const upright = o.right - o.left <= plan.back.widthMm
    d.square({
      id,
      role: 'back',
      stock: { kind: 'sheet', sheet: plan.back.id },
      min: [o.left, plan.rail.thicknessMm, z0],
      size: [o.right - o.left, thicknessMm, z1 - z0],
      along: upright ? 'z' : 'x',
      across: upright ? 'x' : 'z',
      grain: 'any',
    })
    const n = 2 + Math.floor((o.right - o.left) / TOP_SCREWS_EVERY)
    for (const rail of ['rail-upper', 'rail-lower']) d.screw(id, rail, n, 'side', thicknessMm, plan.rail.thicknessMm)
  })
}

/**
 * Flat leaves over the openings, from the middle of one upright to the middle of the next; the outer ones are covered.
 */
function doors(d: Draft, plan: Plan) {
  const t = plan.sheet.thicknessMm
  const last = plan.openings.length - 1
  plan.openings.forEach((o, k) => {
    const ids = placeLeaves(d, {
      id: `door-${k}`,
      stock: { kind: 'sheet', sheet: plan.sheet.id },
      thicknessMm: t,
      left: k === 0 ? 0 : o.left - t / 2 + GAP_MM / 2,
      right: k === last ? plan.widthMm : o.right + t / 2 - GAP_MM / 2,
      footMm: plan.footMm,
      headMm: plan.headMm,
      frontMm: plan.frontMm,
      uprights: [`upright-${k}`, `upright-${k + 1}`],
      faces: [o.left, o.right],
      panelsMm: [...plan.tops, plan.headMm].map((z) => z - t / 2),
    })
    const hung = d.assembly.parts.filter((x) => ids.some((id) => x.id === id || x.id.startsWith(`${id}-hinge`)))
    d.sub({ id: `front-${k}`, name: 'unit', parts: hung.map((x) => x.id), built: 'in-place' })
  })
}

function placeBays(d: Draft, p: WallCabinetParams, plan: Plan) {
  const t = plan.sheet.thicknessMm
  plan.levels.forEach((level, i) => {
    const above = plan.tops[i + 1]
    plan.openings.forEach((o, k) =>
      d.bay({
        id: `bay-${k}-${i}`,
        name: { code: 'shelf', column: k + 1, row: i + 1 },
        holds: 'surface',
        clear: {
          min: [besideHinges(p.front, o).left, plan.innerMm, plan.tops[i]],
          max: [besideHinges(p.front, o).right, plan.frontMm, (above ?? plan.headMm) - t],
        },
        carriers: [`shelf-${k}-${i}`],
        items: standing(level, k, plan.innerMm, plan.tops[i]),
        play: { sideMm: plan.play.sideMm, aboveMm: plan.play.aboveMm, deepMm: 0 },
        stickOutMm: standsOut(p.front),
        exit: [0, 1, 0],
      }),
    )
  })
}

function choices(p: WallCabinetParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'mdf-5/8', 'mdf-3/4', 'pb-3/4', 'lc-3/4']
    : ['ply-12mm', 'ply-15mm', 'ply-18mm', 'ply-21mm', 'mdf-16mm', 'mdf-18mm', 'pb-18mm', 'lc-18mm']
  const backSheets = imperial ? ['hb-1/4', 'ply-15/32', 'ply-23/32'] : ['hb-6mm', 'ply-12mm', 'ply-18mm']
  const sections = imperial ? ['1x3', '1x4', '1x6', '2x3', '2x4'] : ['18x69mm', '18x94mm', '38x63mm', '38x89mm']
  return [
    { path: 'sheet', code: 'sheet', value: p.sheet, options: [...sheets, ...ctx.settings.ownSheets], of: 'sheet' },
    { path: 'backSheet', code: 'back-sheet', value: p.backSheet, options: backSheets, of: 'sheet' },
    { path: 'front', code: 'front', value: p.front, options: ['open', 'doors'], of: 'code' },
    { path: 'hang', code: 'hang', value: p.hang, options: ['strip', 'rail'], of: 'code' },
    { path: 'railSection', code: 'hang-rail', value: p.railSection, options: sections, of: 'section' },
    { path: 'railScrews', code: 'rail-screws', value: p.railScrews, options: ['two', 'three'], of: 'code' },
    {
      path: 'wallScrews',
      code: 'wall-screws',
      value: p.wallScrews,
      options: Object.keys(SCREWS),
      of: 'code',
    },
  ]
}
