import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { EXISTING_FRONTS, existingBays, placeExisting, type PlacedExisting } from '../../blocks/carcass/existing-box.ts'
import { cleatFoot, hookExisting } from '../../blocks/holders/frame.ts'
import { fixingUp, screwThroughRail, wallStrip } from '../../blocks/mounts/hung-on-wall.ts'
import { STRIP_RIPS } from '../../blocks/mounts/strip-width.ts'
import { temporaryLedger } from '../../blocks/mounts/temporary-ledger.ts'
import { screwAlong, UP, type Wall } from '../../blocks/mounts/wall-fixing.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { good, type Result } from '../../measure/result.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { LIMITS, startingParams, WALL_SCREWS, type Cabinet, type ReusedCabinetsParams } from './parameters.ts'
import { planOut, type PlacedCabinet, type Plan } from './plan-out.ts'

/*
 *   |‾‾‾‾‾|‾‾‾‾|  |‾‾‾‾‾‾|   tops in one line, hung on strips or through their own rails, round what is on the wall
 *   |     |____|  |      |
 *   |_____|       |______|
 *
 *   =====================    or on the floor, under a worktop in one length or in pieces that meet over two sides
 *   |     |    |  |      |
 */
export function shapeReusedCabinets(p: ReusedCabinetsParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut, p.row === 'wall')
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  if (p.row === 'wall') hung(d, p, ctx, plan)
  else standing(d, p, ctx, plan)
  return good({
    assembly: d.assembly,
    dims: pen.dims,
    choices: choices(p, ctx),
    lists: [cabinetList(p, ctx), ...(p.row === 'wall' ? [edgeList(p, ctx)] : [])],
    unhoused,
  })
}

const boardOf = (section: string, ctx: ShapeContext): Stock => ({
  kind: 'board',
  section,
  grade: ctx.settings.grade,
  treated: false,
})

function hung(d: Draft, p: ReusedCabinetsParams, ctx: ShapeContext, plan: Plan) {
  const { strips } = plan
  const wall: Wall = { space: ctx.space, system: ctx.settings.yard }
  const [stock, screws] = [boardOf(p.stripSection, ctx), WALL_SCREWS[p.wallScrews]]
  for (const s of strips?.rows[0].pieces ?? []) {
    const { section, widthMm, rows } = strips!
    const topMm = rows[0].topMm
    wallStrip(d, { id: s.id, section, stock, left: s.left, right: s.right, topMm, backMm: 0, widthMm })
    screwAlong(d, s.id, topMm - widthMm + fixingUp(section), wall, { count: screws })
    d.sub({ id: `put-${s.id}`, name: 'unit', parts: [s.id], built: 'in-place' })
  }
  for (const c of plan.cabinets) {
    const own = placeExisting(d, c, ctx.settings.yard)
    const fillers = placeFillers(d, plan, c)
    const parts = [...own.parts, ...fillers]
    if (strips)
      hookExisting(
        d,
        {
          id: c.id,
          strips,
          row: 0,
          left: c.left,
          wideMm: c.wideMm,
          footMm: c.footMm,
          leanMm: c.footMm + c.boardMm,
          cleatStock: stock,
          tags: { cabinet: c.index + 1 },
        },
        { railMm: c.railHighMm, ...own, parts },
      )
    else through(d, c, own, parts, { ...wall, screws })
    existingBays(d, c, c.index + 1, c.items, plan.play)
  }
  if (strips) {
    const { rows, pieces } = { rows: strips.rows, pieces: strips.rows[0].pieces.map((x) => x.id) }
    d.mark(rows[0].topMm, 'strip-top', 1, pieces)
    d.mark(cleatFoot(strips, 0) + strips.cleat.widthMm + plan.cabinets[0].boardMm, 'cabinet-tops', 0, boxesOf(plan))
    return
  }
  for (const run of plan.runs)
    for (const c of run.boxes)
      temporaryLedger(d, {
        id: `${c.id}-ledger`,
        section: findSection(p.supportSection)!,
        stock: boardOf(p.supportSection, ctx),
        left: c.left,
        right: c.left + c.wideMm,
        underMm: c.footMm,
      })
  const ledgers = d.assembly.parts.filter((x) => x.temporary).map((x) => x.id)
  d.sub({ id: 'ledgers', name: 'unit', parts: ledgers, built: 'in-place' })
  d.mark(plan.cabinets[0].footMm + plan.cabinets[0].highMm, 'cabinet-tops', 0, boxesOf(plan))
}
const boxesOf = (plan: Plan): string[] => plan.cabinets.map((c) => `${c.id}-box`)

/** Screwed to the wall through its own rail. */
function through(d: Draft, c: PlacedCabinet, own: PlacedExisting, parts: string[], wall: Wall & { screws: number }) {
  const body = `${c.id}-body`
  d.body(body, parts, [])
  screwThroughRail(d, { ...wall, body, rail: own.upper, lower: own.lower })
  d.sub({ id: c.id, name: 'holder', parts, built: 'in-place', tags: { cabinet: c.index + 1 } })
}

/** Strips of sheet beside a cabinet, flush with its front. */
function placeFillers(d: Draft, plan: Plan, c: PlacedCabinet): string[] {
  return plan.fillers
    .filter((f) => f.beside === c)
    .map((f, i) => {
      const id = `${c.id}-filler-${i}`
      d.square({
        id,
        role: 'filler',
        stock: { kind: 'sheet', sheet: plan.filler.id },
        min: [f.left, c.backMm + c.deepMm - plan.filler.thicknessMm, f.footMm],
        size: [f.right - f.left, plan.filler.thicknessMm, f.headMm - f.footMm],
        along: 'z',
        across: 'x',
        grain: 'any',
      })
      d.screw(`${c.id}-box`, id, 2, 'edge', c.boardMm, f.right - f.left)
      return id
    })
}

function standing(d: Draft, p: ReusedCabinetsParams, ctx: ShapeContext, plan: Plan) {
  for (const c of plan.cabinets) {
    const own = placeExisting(d, c, ctx.settings.yard, false)
    const parts = [...own.parts, ...placeFillers(d, plan, c)]
    const body = `${c.id}-body`
    d.body(body, parts, [])
    // On its sides, at the back and at the front.
    for (const x of [c.left, c.left + c.wideMm - c.boardMm])
      for (const y of [0, c.deepMm - FOOT_MM]) {
        const min: Vec3 = [x, y, 0]
        const contact = { min, max: [x + c.boardMm, y + FOOT_MM, 0] as Vec3 }
        const from = { body, through: own.box }
        d.hold({ from, on: { kind: 'floor' }, contact, push: UP, way: 'push', via: 'bearing' })
      }
    d.sub({ id: c.id, name: 'holder', parts, built: 'in-place', tags: { cabinet: c.index + 1 } })
    existingBays(d, c, c.index + 1, c.items, plan.play)
  }
  if (plan.worktop) worktops(d, p, ctx, plan, plan.worktop)
  d.mark(plan.cabinets[0].highMm, 'cabinet-tops', 0, boxesOf(plan))
}
/** A side stands on this much of its ends, mm: floors are hollow in the middle. */
const FOOT_MM = 60
/** From the wall to the board under the back of a worktop, mm; the other is flush with the front. */
const SUPPORT_IN_MM = 20
/** Screws near either end of a board under a worktop: they bring back what it takes where somebody leans. */
const END_SCREWS = 3
/** A screw from the worktop into what is under it every so far, mm. Product decision. */
const TOP_SCREWS_EVERY_MM = 250

/** Worktops on the sides of the bases, and boards under them to screw to, which stiffen them as well. */
function worktops(d: Draft, p: ReusedCabinetsParams, ctx: ShapeContext, plan: Plan, w: NonNullable<Plan['worktop']>) {
  const { top, support } = plan
  w.pieces.forEach((piece, i) => {
    const id = `worktop-${i}`
    d.square({
      id,
      role: 'top',
      stock: { kind: 'sheet', sheet: top.id },
      min: [piece.left, 0, w.topMm],
      size: [piece.right - piece.left, w.deepMm, top.thicknessMm],
      along: 'x',
      across: 'y',
      // Over two sides that touch it lifts off the one.
      loose: true,
    })
    d.sub({
      id: `put-${id}`,
      name: 'sheets',
      parts: [id],
      built: 'in-place',
      tags: { use: 'worktop', endScrews: END_SCREWS },
    })
    const under = plan.cabinets.filter((c) => c.left + c.wideMm > piece.left && c.left < piece.right)
    for (const c of under) {
      for (const x of [c.left, c.left + c.wideMm - c.boardMm])
        d.hold({
          from: { part: id },
          on: { kind: 'part', part: `${c.id}-box` },
          contact: { min: [x, 0, w.topMm], max: [x + c.boardMm, c.deepMm, w.topMm] },
          push: UP,
          way: 'push',
          via: 'bearing',
        })
      for (const [k, y] of [SUPPORT_IN_MM, c.deepMm - support.thicknessMm].entries())
        supportUnder(d, { id: `${c.id}-support-${k}`, c, y, top: id, topMm: w.topMm }, p, ctx)
    }
  })
}

/** A board on edge between the sides of a base, under its worktop. */
function supportUnder(
  d: Draft,
  s: { id: string; c: PlacedCabinet; y: number; top: string; topMm: number },
  p: ReusedCabinetsParams,
  ctx: ShapeContext,
) {
  const { thicknessMm: t, widthMm: w } = findSection(p.supportSection)!
  const { c } = s
  const lengthMm = c.wideMm - 2 * c.boardMm
  d.square({
    id: s.id,
    role: 'cleat',
    stock: boardOf(p.supportSection, ctx),
    min: [c.left + c.boardMm, s.y, s.topMm - w],
    size: [lengthMm, t, w],
    along: 'x',
    across: 'z',
  })
  d.joint({ kind: 'housed', near: `${c.id}-box`, far: s.id, fasteners: [] })
  // So many at either end, and more between.
  const count = 2 * END_SCREWS + Math.max(0, Math.ceil(lengthMm / TOP_SCREWS_EVERY_MM) - 1)
  const joint = d.screw(s.top, s.id, count, 'side', findSheet(p.worktopSheet)!.thicknessMm, w)
  d.hold({
    from: { part: s.id },
    on: { kind: 'part', part: s.top },
    push: UP,
    way: 'both',
    via: 'hanging',
    joint,
  })
  d.sub({ id: `put-${s.id}`, name: 'unit', parts: [s.id], built: 'in-place' })
}

const cabinetList = (p: ReusedCabinetsParams, ctx: ShapeContext): ListChoice => ({
  path: 'cabinets',
  code: 'cabinets',
  items: p.cabinets.map((c) => ({ ...c })),
  fields: [
    { key: 'wideMm', code: 'cabinet-wide', quantity: 'length', min: 150, max: 2400 },
    { key: 'deepMm', code: 'cabinet-deep', quantity: 'length', min: 100, max: 900 },
    { key: 'highMm', code: 'cabinet-high', quantity: 'length', min: 150, max: 2400 },
    { key: 'massKg', code: 'cabinet-mass', quantity: 'mass', min: 0.1, max: 300 },
    { key: 'holdsKg', code: 'cabinet-holds', quantity: 'mass', min: 0, max: 1000 },
    { key: 'shelves', code: 'cabinet-shelves', quantity: 'count', min: 0, max: LIMITS.shelves },
    { key: 'front', code: 'cabinet-front', options: EXISTING_FRONTS },
  ],
  most: LIMITS.cabinets,
  fresh: { ...(p.cabinets[p.cabinets.length - 1] ?? startingParams(ctx.settings.yard).cabinets[0]) } satisfies Cabinet,
  step: {},
})
const edgeList = (p: ReusedCabinetsParams, ctx: ShapeContext): ListChoice => ({
  path: 'edges',
  code: 'cabinet-edges',
  items: p.edges.map((e) => ({ ...e })),
  fields: [{ key: 'atMm', code: 'edge-at', quantity: 'length', min: 0, max: 20000 }],
  most: LIMITS.edges,
  fresh: { atMm: p.edges[p.edges.length - 1]?.atMm ?? 0 },
  step: { atMm: ctx.settings.yard === 'imperial' ? 609.6 : 600 },
})

function choices(p: ReusedCabinetsParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const { section, sheet, coded } = choicePen(p)
  const sheets = imperial ? ['ply-19/32', 'ply-23/32', 'mdf-3/4'] : ['ply-15mm', 'ply-18mm', 'ply-21mm', 'mdf-18mm']
  const boards = imperial ? ['2x2', '2x3', '2x4'] : ['38x38mm', '38x63mm', '38x89mm']
  const strips = imperial ? ['2x4', '2x6'] : ['38x89mm', '47x150mm']
  const hangs = p.row === 'wall'
  const hooked = hangs && p.hang === 'strip'
  return [
    coded('row', 'cabinet-row', ['wall', 'floor']),
    coded('order', 'cabinet-order', ['search', 'listed']),
    ...(hangs ? [coded('hang', 'cabinet-hang', ['strip', 'through'])] : []),
    ...(hooked ? [section('stripSection', 'strip-section', strips), coded('strip', 'strip-rip', STRIP_RIPS)] : []),
    ...(hangs ? [coded('wallScrews', 'cabinet-screws', Object.keys(WALL_SCREWS))] : []),
    sheet('fillerSheet', 'filler-sheet', sheets),
    ...(hangs ? [] : [coded('worktop', 'worktop', ['none', 'one-length', 'spliced'])]),
    ...(!hangs && p.worktop !== 'none'
      ? [sheet('worktopSheet', 'worktop-sheet', sheets), section('supportSection', 'worktop-support', boards)]
      : []),
  ]
}
