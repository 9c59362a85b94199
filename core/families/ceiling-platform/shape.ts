import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { CROSS_SCREWS, placeShelfFrame } from '../../blocks/frame/shelf-frame.ts'
import { hangOnDrops } from '../../blocks/mounts/on-drops.ts'
import { hangOnBolts } from '../../blocks/mounts/on-bolts.ts'
import { hangRow, type KnownJoists, type RodRow } from '../../blocks/mounts/on-rods.ts'
import { screwAlong } from '../../blocks/mounts/wall-fixing.ts'
import { RODS } from '../../catalogue/steel.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { longestBoard } from '../boards-of.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { reachesMm, standing } from '../house-on-shelves.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { CLEAT_SCREWS, DROP_SCREWS, FRONTS, type CeilingPlatformParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/*
 *  side:  wall|            =o=  spreader over the joists
 *             |   goods     |   rod
 *             |_____________|
 *             |=============|   deck, rails and cross pieces
 *            [|=============|=  bearer: on the cleat behind, on its rod in front
 *       cleat |             o
 */
export function shapeCeilingPlatform(p: CeilingPlatformParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const board = (section: string): Stock => ({ kind: 'board', section, grade: ctx.settings.grade, treated: false })
  const rails = deck(d, p, plan, board(p.frameSection))
  const cleats = cleatsOf(d, p, ctx, plan, board(p.bearerSection))
  const hung = bearersOf(d, p, ctx, plan, { board, rails, cleats })
  if (!hung.ok) return hung
  placeBays(d, plan)
  d.mark(plan.underMm, 'cleat-top', 1, cleats)
  pen.drag('topMm', { axis: 'z', sign: 1, parts: [...rails, ...cleats] })
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

const named = (name: string, list: readonly Stretch[]) => list.map((s, i) => ({ id: `${name}-${i}`, ...s }))

function deck(d: Draft, p: CeilingPlatformParams, plan: Plan, stock: Stock): string[] {
  const [rear, front, sheets] = [named('rear', plan.rails), named('front', plan.rails), named('deck', plan.sheets)]
  const crosses = plan.crosses.map((left, k) => ({ id: `cross-${k}`, left }))
  placeShelfFrame(d, {
    section: plan.frame,
    stock,
    sheet: plan.sheet,
    backMm: 0,
    frontMm: plan.depthMm,
    topMm: plan.topMm,
    rear: { role: 'rail', pieces: rear },
    front,
    crosses,
    crossScrews: CROSS_SCREWS[p.crossJoint],
    sheets,
  })
  const ids = (list: readonly { id: string }[]) => list.map((x) => x.id)
  d.sub({ id: 'frame', name: 'module', parts: ids([...rear, ...front, ...crosses]), built: 'in-place' })
  d.sub({ id: 'sheets', name: 'sheets', parts: ids(sheets), built: 'in-place' })
  return ids([...rear, ...front])
}

function cleatsOf(d: Draft, p: CeilingPlatformParams, ctx: ShapeContext, plan: Plan, stock: Stock): string[] {
  const { thicknessMm: t, widthMm: w } = plan.bearer
  const top = plan.underMm
  return named('cleat', plan.cleats).map(({ id, from, to }) => {
    d.square({ id, role: 'cleat', stock, min: [from, 0, top - w], size: [to - from, t, w], along: 'x', across: 'z' })
    const wall = { space: ctx.space, system: ctx.settings.yard }
    screwAlong(d, id, top - w / 2, wall, { count: CLEAT_SCREWS[p.cleatScrews] })
    d.sub({ id: `wall-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    return id
  })
}

function bearersOf(
  d: Draft,
  p: CeilingPlatformParams,
  ctx: ShapeContext,
  plan: Plan,
  { board, rails, cleats }: { board: (section: string) => Stock; rails: readonly string[]; cleats: readonly string[] },
): Result<null> {
  const { thicknessMm: t, widthMm: w } = plan.bearer
  const under = plan.underMm
  const long = plan.bearerMm
  for (const [k, x] of plan.bearers.entries()) {
    const id = `bearer-${k}`
    d.square({
      id,
      role: 'cross',
      stock: board(p.bearerSection),
      min: [x - w / 2, 0, under],
      size: [w, long, t],
      along: 'y',
      across: 'x',
    })
    // Rails lie on it and are screwed from below; it lies on its cleat and is screwed down to it.
    for (const r of rails)
      if (d.meets(r, id)) d.rest(r, id, 'bearing', d.screw(id, r, 2, 'side', t, plan.frame.widthMm))
    const on = cleats.find((c) => d.meets(id, c))
    if (on === undefined) return bad('not-buildable', { role: 'cleat', other: 'cross' }, 'bearers')
    d.rest(id, on, 'bearing', d.screw(id, on, 2, 'side', t, w))
    d.sub({ id: `lay-${id}`, name: 'unit', parts: [id], built: 'in-place' })
  }
  const row = { y: plan.rodOutMm, rods: plan.bearers.map((x, k) => ({ x, id: String(k), from: [`bearer-${k}`] })) }
  const { hangs } = plan
  if (hangs.kind === 'bolts') {
    const rods = hangOnBolts(d, { rod: plan.rod, ceilingMm: ctx.space.ceilingMm }, row, hangs.bolts)
    d.sub({ id: 'hangs', name: 'unit', parts: rods, built: 'in-place' })
    return good(null)
  }
  return p.front === 'drops'
    ? onDrops(d, p, ctx, { ...plan, joists: hangs.joists }, board(p.bearerSection))
    : onRods(d, p, ctx, { ...plan, joists: hangs.joists }, row, board(p.spreaderSection))
}

type OverJoists = Plan & { joists: KnownJoists }

/** Bearers on rods that go up through the ceiling to spreaders over the joists. */
function onRods(
  d: Draft,
  p: CeilingPlatformParams,
  ctx: ShapeContext,
  { spreader, rod, joists }: OverJoists,
  row: RodRow,
  stock: Stock,
): Result<null> {
  const hung = hangRow(d, { spreader: { section: spreader, stock }, rod, joists, ceilingMm: ctx.space.ceilingMm }, row)
  if (!hung.ok) return { ok: false, problem: { ...hung.problem, field: 'bearers' } }
  const { spreaders, rods } = hung.value
  const parts = [...spreaders, ...rods.flatMap((r) => [...r.lower, r.upper])]
  d.sub({ id: 'hangs', name: 'unit', parts, built: 'in-place' })
  return spreadersInOne(d, ctx, p.spreaderSection, spreaders)
}

/** Spreaders are of one piece. */
function spreadersInOne(d: Draft, ctx: ShapeContext, section: string, spreaders: readonly string[]): Result<null> {
  const mostMm = longestBoard(ctx, section)
  const mm = Math.max(...spreaders.map((id) => d.part(id).size.lengthMm))
  return mm > mostMm ? bad('longer-than-board', { mm, mostMm }, 'lengthMm') : good(null)
}

/** Bearers on pairs of boards that go up to spreaders of the same board. */
function onDrops(d: Draft, p: CeilingPlatformParams, ctx: ShapeContext, plan: OverJoists, stock: Stock): Result<null> {
  const hung = hangOnDrops(
    d,
    {
      ...{ joists: plan.joists, ceilingMm: ctx.space.ceilingMm, outMm: plan.rodOutMm },
      ...{ board: { section: plan.bearer, stock }, screws: DROP_SCREWS[p.dropScrews] },
    },
    plan.bearers.map((x, k) => ({ id: `bearer-${k}`, x })),
  )
  if (!hung.ok) return { ok: false, problem: { ...hung.problem, field: hung.problem.field || 'bearers' } }
  const { spreaders, saddles, drops } = hung.value
  d.sub({ id: 'hangs', name: 'unit', parts: [...spreaders, ...saddles, ...drops], built: 'in-place' })
  return spreadersInOne(d, ctx, p.bearerSection, spreaders)
}

function placeBays(d: Draft, plan: Plan) {
  const { topMm, depthMm, play } = plan
  const high = Math.max(0, ...plan.spots.map(reachesMm)) + play.aboveMm
  plan.openings.forEach((o, k) => {
    const middle = (o.left + o.right) / 2
    const on = plan.sheets.findIndex((s) => middle >= s.from && middle <= s.to)
    d.bay({
      id: `bay-${k}`,
      name: { code: 'shelf', column: k + 1, row: 1 },
      holds: 'surface',
      clear: { min: [o.left, 0, topMm], max: [o.right, depthMm, topMm + high] },
      carriers: [`deck-${on}`],
      items: standing({ floor: false, spots: plan.spots, tallest: null }, k, 0, topMm),
      play: { sideMm: play.sideMm, aboveMm: play.aboveMm, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 1, 0],
    })
  })
}

function choices(p: CeilingPlatformParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-7/16']
    : ['ply-12mm', 'ply-15mm', 'ply-18mm', 'osb3-15mm']
  const boards = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm', '47x150mm']
  const flat = boards.slice(1)
  const rods = RODS.filter((r) => r.system === ctx.settings.yard).map((r) => r.id)
  const { section, sheet, coded } = choicePen(p)
  return [
    sheet('sheet', 'deck-sheet', [...sheets, ...ctx.settings.ownSheets]),
    section('frameSection', 'deck-frame', boards),
    section('bearerSection', 'bearer-section', flat),
    coded('front', 'platform-front', FRONTS),
    ...(p.front !== 'drops' ? [section('rod', 'rod', rods)] : []),
    ...(p.front === 'rods' ? [section('spreaderSection', 'spreader-section', flat)] : []),
    ...(p.front !== 'drops' ? [] : [coded('dropScrews', 'drop-screws', Object.keys(DROP_SCREWS))]),
    coded('cleatScrews', 'cleat-screws', Object.keys(CLEAT_SCREWS)),
    coded('crossJoint', 'cross-joint', Object.keys(CROSS_SCREWS)),
  ]
}
