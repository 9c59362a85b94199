import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { housedShelf } from '../../blocks/carcass/shelf-between.ts'
import { hangCurtain } from '../../blocks/fronts/curtain.ts'
import { besideHinges, boxFront, standsOut, underHinges } from '../../blocks/fronts/front.ts'
import { placeLeaves } from '../../blocks/fronts/hinged.ts'
import { placeLiftUps, type Row } from '../../blocks/fronts/lift-up.ts'
import { SCREWED_FRONT, screwOver } from '../../blocks/fronts/screwed-panel.ts'
import { hangOnRods } from '../../blocks/mounts/on-rods.ts'
import { alongOf, anchorAt, fixingsBehind, OUT, WALL } from '../../blocks/mounts/wall-fixing.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { RODS } from '../../catalogue/steel.ts'
import { good, type Result } from '../../measure/result.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { standing } from '../house-on-shelves.ts'
import type { RodStackParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/** Screws through the back are this far apart, mm. */
const BACK_SCREWS_EVERY = 200
/** Nearer to the wall than this it is steadied by a screw through its back. */
const AT_WALL_MM = 1
/** The screws that steady it sit this far under its top, mm. */
const STEADY_UNDER_MM = 60

/*
 *   front:  ==o====o==  spreader      side:  wall|   o     o   rods
 *          ---|----|---  ceiling                 | |=========|
 *             |‾‾‾‾|    rods beside              | |---------|  shelves in dadoes,
 *             |----|    the box                  | |_________|  stiff back behind
 *            =|====|=   cross pieces             |  ==     ==
 */
export function shapeRodStack(p: RodStackParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut, false)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  box(d, plan)
  const parts = d.assembly.parts.map((x) => x.id)
  d.body('stack', parts, [['side-0', 'side-1']])
  const board = (section: string): Stock => ({ kind: 'board', section, grade: ctx.settings.grade, treated: false })
  const t = plan.sheet.thicknessMm
  const hung = hangOnRods(
    d,
    {
      body: 'stack',
      left: plan.opening.left - t,
      right: plan.opening.right + t,
      backMm: plan.backMm,
      frontMm: plan.frontMm,
      footMm: plan.footMm,
      sides: ['side-0', 'side-1'],
      cross: { section: plan.cross, stock: board(p.crossSection) },
      spreader: { section: plan.spreader, stock: board(p.spreaderSection) },
      rod: plan.rod,
      joists: plan.joists,
      ceilingMm: ctx.space.ceilingMm,
    },
    plan.rods,
  )
  // Screwed down through the bottom, so that the box does not slide off when it is knocked.
  for (const c of hung.crosses) {
    d.screw('shelf-0', c, 2, 'side', t, plan.cross.thicknessMm)
    d.rest('shelf-0', c)
  }
  if (p.front === 'doors') doors(d, p, plan)
  if (p.front === 'curtain') curtain(d, plan)
  if (p.front === 'panel') panel(d, plan)
  if (p.front === 'lift-up') liftUps(d, plan)
  steady(d, ctx, plan)
  placeBays(d, p, plan)
  plan.tops.forEach((z, i) =>
    d.mark(z - plan.footMm, i === 0 ? 'bottom-top' : 'shelf-top', i, [`shelf-${i}`], plan.footMm),
  )
  const sub = (id: string, of: string[]) => d.sub({ id, name: 'unit', parts: of, built: 'in-place' })
  sub('box', parts)
  sub('hanging', [...hung.spreaders, ...hung.upper, ...hung.lower, ...hung.crosses])
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

/** Two sides, a bottom, shelves and a top in dadoes and rabbets, and a back behind all of them. */
function box(d: Draft, plan: Plan) {
  const { sheet, back, opening, footMm, headMm, innerMm, frontMm, backMm } = plan
  const t = sheet.thicknessMm
  const [left, right] = [opening.left - t, opening.right + t]
  for (const [i, x] of [left, opening.right].entries())
    d.square({
      id: `side-${i}`,
      role: 'side',
      stock: { kind: 'sheet', sheet: sheet.id },
      min: [x, innerMm, footMm],
      size: [t, frontMm - innerMm, headMm - footMm],
      along: 'z',
      across: 'y',
    })
  const common = {
    sheet,
    ...opening,
    dadoMm: plan.dadoMm,
    uprights: ['side-0', 'side-1'] as const,
    footMm,
    fromMm: innerMm,
    deepMm: frontMm - innerMm,
  }
  plan.tops.forEach((topMm, i) =>
    housedShelf(d, { ...common, id: `shelf-${i}`, role: 'shelf', topMm, ...(i === 0 ? BOTTOM : {}) }),
  )
  housedShelf(d, { ...common, id: 'top', role: 'top', topMm: headMm, at: 'end' })
  d.square({
    id: 'back',
    role: 'back',
    stock: { kind: 'sheet', sheet: back.id },
    min: [left, backMm, footMm],
    size: [right - left, back.thicknessMm, headMm - footMm],
    along: 'z',
    across: 'x',
    grain: 'any',
  })
  const screws = (mm: number) => 2 + Math.floor(mm / BACK_SCREWS_EVERY)
  for (const side of ['side-0', 'side-1']) d.screw('back', side, screws(headMm - footMm), 'edge', back.thicknessMm, 200)
  const n = screws(right - left)
  plan.tops.forEach((_z, i) => d.screw('back', `shelf-${i}`, n, 'edge', back.thicknessMm, 200))
  d.screw('back', 'top', n, 'edge', back.thicknessMm, 200)
}

/** Under the sides nothing holds it up but the cross pieces it lies on. */
const BOTTOM = { at: 'start', lies: [] } as const

/** Against the wall a screw in each stud behind it keeps it from swinging; the rods carry it. */
function steady(d: Draft, ctx: ShapeContext, plan: Plan) {
  if (plan.backMm > AT_WALL_MM) return
  const wall = { space: ctx.space, system: ctx.settings.yard }
  for (const f of fixingsBehind(ctx.space, alongOf(d.box('back')), plan.headMm - STEADY_UNDER_MM)) {
    const anchor = anchorAt(d, 'back', f, wall)
    const at: Vec3 = [f.x, 0, f.z]
    d.hold({
      from: { body: 'stack', through: 'back' },
      on: WALL,
      contact: { min: at, max: at },
      push: OUT,
      way: 'both',
      via: 'fasteners',
      anchor,
    })
  }
}

/** Leaves over the whole front, from side to side. */
function doors(d: Draft, p: RodStackParams, plan: Plan) {
  const t = plan.sheet.thicknessMm
  const { opening, footMm, headMm, frontMm } = plan
  const before = d.assembly.parts.length
  placeLeaves(d, {
    id: 'door',
    stock: { kind: 'sheet', sheet: plan.sheet.id },
    thicknessMm: t,
    left: opening.left - t,
    right: opening.right + t,
    footMm,
    headMm,
    frontMm,
    uprights: ['side-0', 'side-1'],
    faces: [opening.left, opening.right],
    panelsMm: [...plan.tops, headMm].map((z) => z - t / 2),
    latch:
      p.latch === 'magnet'
        ? { under: 'top', underMm: headMm - t, frontMm, left: opening.left, right: opening.right }
        : null,
  })
  d.sub({ id: 'front', name: 'unit', parts: d.assembly.parts.slice(before).map((x) => x.id), built: 'in-place' })
}

/** Leaves that turn up, under the top and, where it is high, under each shelf. */
function liftUps(d: Draft, plan: Plan) {
  const { opening, innerMm, frontMm, sheet } = plan
  const before = d.assembly.parts.length
  const leaf = {
    left: opening.left - sheet.thicknessMm,
    right: opening.right + sheet.thicknessMm,
    uprights: ['side-0', 'side-1'] as const,
    faces: [opening.left, opening.right] as const,
    rows: plan.rowsUp,
    panelOf: ({ shelf }: Row) => (shelf === null ? 'top' : `shelf-${shelf}`),
  }
  placeLiftUps(d, [leaf], { sheet, frontMm, deepMm: frontMm - innerMm })
  d.sub({ id: 'front', name: 'unit', parts: d.assembly.parts.slice(before).map((x) => x.id), built: 'in-place' })
}

/** A panel over the whole front, taken off whole. */
function panel(d: Draft, plan: Plan) {
  const { opening, footMm, headMm, frontMm, sheet } = plan
  const before = d.assembly.parts.length
  screwOver(d, {
    ...{ id: 'panel', sheet, footMm, headMm, frontMm, uprights: ['side-0', 'side-1'] },
    ...{ left: opening.left - sheet.thicknessMm, right: opening.right + sheet.thicknessMm },
  })
  const parts = d.assembly.parts.slice(before).map((x) => x.id)
  d.sub({ id: 'front', name: 'unit', parts, built: 'in-place', tags: SCREWED_FRONT })
}

/** A curtain over the whole front. */
function curtain(d: Draft, plan: Plan) {
  const { opening, footMm, headMm, frontMm, sheet } = plan
  const parts = hangCurtain(d, {
    id: 'curtain',
    left: opening.left - sheet.thicknessMm,
    right: opening.right + sheet.thicknessMm,
    frontMm,
    headMm,
    footMm,
    on: ['side-0', 'side-1'],
  })
  d.sub({ id: 'front', name: 'unit', parts, built: 'in-place' })
}

function placeBays(d: Draft, p: RodStackParams, plan: Plan) {
  const t = plan.sheet.thicknessMm
  const { left, right } = besideHinges(p.front, plan.opening)
  const hinges = underHinges(p.front)
  plan.levels.forEach((level, i) =>
    d.bay({
      id: `bay-${i}`,
      name: { code: 'shelf', column: 1, row: i + 1 },
      holds: 'surface',
      clear: {
        min: [left, plan.innerMm, plan.tops[i]],
        max: [right, plan.frontMm, (plan.tops[i + 1] ?? plan.headMm) - t - hinges],
      },
      carriers: [`shelf-${i}`],
      items: standing(level, 0, plan.innerMm, plan.tops[i]),
      play: { sideMm: plan.play.sideMm, aboveMm: Math.max(0, plan.play.aboveMm - hinges), deepMm: 0 },
      stickOutMm: standsOut(p.front),
      exit: [0, 1, 0],
    }),
  )
}

function choices(p: RodStackParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-19/32', 'ply-23/32', 'mdf-3/4', 'lc-3/4']
    : ['ply-15mm', 'ply-18mm', 'ply-21mm', 'mdf-18mm', 'lc-18mm']
  const backs = imperial ? ['ply-15/32', 'ply-19/32', 'ply-23/32'] : ['ply-9mm', 'ply-12mm', 'ply-15mm', 'ply-18mm']
  const boards = imperial ? ['2x4', '2x6', '2x8'] : ['38x89mm', '47x100mm', '47x150mm', '47x200mm']
  const rods = RODS.filter((r) => r.system === ctx.settings.yard).map((r) => r.id)
  return [
    { path: 'sheet', code: 'sheet', value: p.sheet, options: [...sheets, ...ctx.settings.ownSheets], of: 'sheet' },
    { path: 'backSheet', code: 'back-sheet', value: p.backSheet, options: backs, of: 'sheet' },
    { path: 'front', code: 'front', value: p.front, options: boxFront.options, of: 'code' },
    ...(p.front === 'doors'
      ? [{ path: 'latch', code: 'latch', value: p.latch, options: ['magnet', 'none'], of: 'code' as const }]
      : []),
    { path: 'rod', code: 'rod', value: p.rod, options: rods, of: 'section' },
    { path: 'crossSection', code: 'cross-section', value: p.crossSection, options: boards, of: 'section' },
    { path: 'spreaderSection', code: 'spreader-section', value: p.spreaderSection, options: boards, of: 'section' },
  ]
}
