import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { boreCordHoles, type HolePlace } from '../../blocks/carcass/cord-holes.ts'
import { notchRound } from '../../blocks/frame/notched-round.ts'
import { CROSS_SCREWS, placeShelfFrame, RAIL_SCREWS, railOnPost } from '../../blocks/frame/shelf-frame.ts'
import { standPost } from '../../blocks/frame/standing-post.ts'
import { chainsOf } from '../../blocks/mounts/on-chains.ts'
import { hangRow, PAST_ROD_MM } from '../../blocks/mounts/on-rods.ts'
import { hangUnder } from '../../blocks/mounts/under-joists.ts'
import { EDGE_SHARE, screwAlong, UP } from '../../blocks/mounts/wall-fixing.ts'
import type { Box } from '../../geometry/box.ts'
import { LINE_WEIGHTS } from '../../catalogue/soft.ts'
import { RODS } from '../../catalogue/steel.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { longestBoard } from '../boards-of.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { LEDGER_SCREWS } from '../ledger-screws.ts'
import { opened } from '../opened.ts'
import { standing } from '../house-on-shelves.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { EDGES, FRONTS, LIMITS, type LedgerShelfParams } from './parameters.ts'
import { planOut, STICK_OUT, type HungFront, type Plan } from './plan-out.ts'

/*
 *  plan of a shelf, wall at the top:
 *    ===stud======stud======stud======stud==  ledger, in pieces that meet on studs
 *    |         |         |         |       |  cross pieces
 *    ======================================= front rail, in pieces that meet on posts
 *   [post]             [post]          [post]
 */
export function shapeLedgerShelf(p: LedgerShelfParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const posts = placePosts(d, p, ctx, plan)
  plan.tops.forEach((_z, i) => shelf(d, p, ctx, plan, i, posts))
  const hung = plan.hung ? hang(d, p, ctx, plan, plan.hung) : good(null)
  if (!hung.ok) return hung
  const bored = boreCordHoles(d, p.cordHoles, (h) => holePlace(d, plan, h))
  if (!bored.ok) return bored
  placeBays(d, plan)
  plan.tops.forEach((z, i) => d.mark(z, 'shelf-top', i + 1, idsOf('shelf', plan.sheets, i)))
  plan.tops.forEach((_z, i) => {
    const parts = d.assembly.parts.filter((x) => x.id.endsWith(`-${i}`) && x.role !== 'post' && x.role !== 'rod')
    pen.drag(`topMm.${i}`, { axis: 'z', sign: 1, parts: parts.map((x) => x.id) })
  })
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), lists: [holeList(p)], unhoused })
}

const board = (section: string, ctx: ShapeContext, treated = false): Stock => ({
  kind: 'board',
  section,
  grade: ctx.settings.grade,
  treated,
})
const idsOf = (name: string, pieces: readonly Stretch[], i: number) => pieces.map((_s, k) => `${name}-${k}-${i}`)
const named = (name: string, pieces: readonly Stretch[], i: number) =>
  pieces.map((s, k) => ({ id: `${name}-${k}-${i}`, from: s.from, to: s.to }))

/** Posts stand flat against the front rails; where the floor falls away one is longer by the fall. */
function placePosts(d: Draft, p: LedgerShelfParams, ctx: ShapeContext, plan: Plan): string[] {
  const { post, frameMm, tops } = plan
  const high = tops[tops.length - 1]
  const stock = board(p.postSection, ctx, ctx.space.floor === 'slab')
  return plan.posts.map((x, k) => {
    const id = `post-${k}`
    const at = { x, y: frameMm, wideMm: post.widthMm, deepMm: post.thicknessMm, topMm: high, across: 'x' } as const
    standPost(d, { id, stock, ...at }, { fall: ctx.space.floorFall, units: unitsOf(ctx.settings) })
    d.sub({ id: `stand-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    return id
  })
}

function shelf(d: Draft, p: LedgerShelfParams, ctx: ShapeContext, plan: Plan, i: number, posts: readonly string[]) {
  const [ledgers, rails, sheets] = [
    named('ledger', plan.ledgers, i),
    named('rail', plan.rails, i),
    named('shelf', plan.sheets, i),
  ]
  const crosses = plan.crosses.map((left, k) => ({ id: `cross-${k}-${i}`, left }))
  placeShelfFrame(d, {
    section: plan.frame,
    stock: board(p.frameSection, ctx),
    sheet: plan.sheet,
    backMm: 0,
    frontMm: plan.frameMm,
    topMm: plan.tops[i],
    rear: { role: 'ledger', pieces: ledgers },
    front: rails,
    crosses,
    crossScrews: CROSS_SCREWS[p.crossJoint],
    sheets,
    cover: { role: 'shelf', backMm: 0, frontMm: plan.depthMm, lies: [] },
  })
  if (plan.depthMm > plan.frameMm) for (const s of sheets) for (const id of posts) notchRound(d, s.id, id)
  const middle = plan.tops[i] - plan.sheet.thicknessMm - plan.frame.widthMm / 2
  const wall = { space: ctx.space, system: ctx.settings.yard }
  for (const l of ledgers)
    screwAlong(d, l.id, middle, wall, { count: LEDGER_SCREWS[p.ledgerScrews], holds: ['x', 'y', 'z'] })
  for (const r of rails)
    for (const id of posts)
      if (d.meets(r.id, id)) railOnPost(d, r.id, id, { how: p.railJoint, system: ctx.settings.yard })
  const frame = [...ledgers, ...rails, ...crosses].map((x) => x.id)
  d.sub({ id: `frame-${i}`, name: 'module', parts: frame, built: 'in-place' })
  d.sub({ id: `sheets-${i}`, name: 'sheets', parts: sheets.map((x) => x.id), built: 'in-place' })
}

/** Cross pieces hang on the inner face of a rail and turn it: it presses with that edge, and its screws hold the other. */
function lieOnBearer(d: Draft, rail: string, bearer: string, joint: string) {
  const [from, on] = [{ part: rail }, { kind: 'part', part: bearer } as const]
  d.hold({ from, on, push: UP, way: 'both', via: 'fasteners', joint })
  const [r, b] = [d.box(rail), d.box(bearer)]
  const [x0, x1] = [Math.max(r.min[0], b.min[0]), Math.min(r.max[0], b.max[0])]
  const inside = EDGE_SHARE * (r.max[1] - r.min[1])
  for (const y of [r.min[1] + inside, r.max[1] - inside]) {
    const contact: Box = { min: [x0, y, r.min[2]], max: [x1, y, r.min[2]] }
    d.hold({ from, on, contact, push: UP, way: 'push', via: 'bearing', steadies: true })
  }
}

/** Flat bearers under the frames, screwed to the ledger behind and hung at their front ends, all of one line together. */
function hang(d: Draft, p: LedgerShelfParams, ctx: ShapeContext, plan: Plan, h: HungFront): Result<null> {
  const { thicknessMm: t, widthMm: w } = h.bearer
  plan.tops.forEach((top, i) =>
    h.xs.forEach((x, k) => {
      const id = `bearer-${k}-${i}`
      d.square({
        id,
        role: 'cross',
        stock: board(p.bearerSection, ctx),
        min: [x - w / 2, 0, top - plan.framedMm],
        size: [w, h.outMm + PAST_ROD_MM, t],
        along: 'y',
        across: 'x',
      })
      for (const rail of idsOf('rail', plan.rails, i))
        if (d.meets(rail, id)) lieOnBearer(d, rail, id, d.screw(id, rail, 2, 'side', t, plan.frame.widthMm))
      const behind = idsOf('ledger', plan.ledgers, i).find((l) => d.box(l).min[0] <= x && d.box(l).max[0] >= x)!
      hangUnder(d, id, behind, [{ x, y: plan.frame.thicknessMm / 2 }], { count: 2 })
      d.sub({ id: `lay-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    }),
  )
  const hung = hangRow(
    d,
    {
      spreader: { section: h.spreader, stock: board(p.spreaderSection, ctx) },
      rod: h.rod,
      joists: h.joists,
      ceilingMm: ctx.space.ceilingMm,
    },
    {
      y: h.outMm,
      rods: h.xs.map((x, k) => ({ x, id: String(k), from: plan.tops.map((_z, i) => `bearer-${k}-${i}`) })),
    },
    h.chain ? chainsOf(h.chain) : undefined,
  )
  if (!hung.ok) return { ok: false, problem: { ...hung.problem, field: 'apartMm' } }
  const { spreaders, rods } = hung.value
  const most = longestBoard(ctx, p.spreaderSection)
  const long = Math.max(...spreaders.map((s) => d.part(s).size.lengthMm))
  if (long > most) return bad('longer-than-board', { mm: long, mostMm: most }, 'bays')
  const parts = [...spreaders, ...rods.flatMap((r) => [...r.lower, r.upper])]
  d.sub({ id: 'hangs', name: 'unit', parts, built: 'in-place' })
  return good(null)
}

/** Where a hole goes through a shelf: on one sheet, beside the cross pieces and clear of ledger and rail. */
function holePlace(d: Draft, plan: Plan, h: LedgerShelfParams['cordHoles'][number]): HolePlace {
  const i = Math.min(h.shelf, plan.tops.length) - 1
  const on = plan.sheets.findIndex((s) => h.alongMm <= s.to)
  const part = `shelf-${on < 0 ? plan.sheets.length - 1 : on}-${i}`
  const { min } = d.box(part)
  const { size } = d.part(part)
  const t = plan.frame.thicknessMm
  return {
    part,
    atMm: h.alongMm - min[0],
    offMm: h.outMm,
    lengthMm: size.lengthMm,
    widthMm: size.widthMm,
    // Over ledger and rail there is no way down.
    rimMm: t,
    seenMm: h.alongMm,
    taken: plan.crosses.map((x) => ({ fromMm: x, toMm: x + t })),
  }
}

const holeList = (p: LedgerShelfParams): ListChoice => ({
  path: 'cordHoles',
  code: 'cord-holes',
  items: p.cordHoles.map((h) => ({ ...h })),
  fields: [
    { key: 'shelf', code: 'hole-shelf', quantity: 'count', min: 1, max: LIMITS.shelves },
    { key: 'alongMm', code: 'hole-left', quantity: 'length', min: 0, max: 20000 },
    { key: 'outMm', code: 'hole-out', quantity: 'length', min: 0, max: 1220 },
    { key: 'diameterMm', code: 'hole-diameter', quantity: 'length', min: 10, max: 120 },
  ],
  most: LIMITS.cordHoles,
  fresh: { shelf: 1, alongMm: 150, outMm: 100, diameterMm: 50 },
  step: { alongMm: 90 },
})

function placeBays(d: Draft, plan: Plan) {
  const { tops, depthMm, openings, play } = plan
  let nth = -1
  plan.levels.forEach((level, row) => {
    if (!level.floor) nth++
    const at = level.floor ? 0 : tops[nth]
    const over = level.floor ? tops[0] : tops[nth + 1]
    const high = (level.tallest?.tallMm ?? 0) + play.aboveMm
    openings.forEach((o, k) => {
      const middle = (o.left + o.right) / 2
      const under = plan.sheets.findIndex((s) => middle >= s.from && middle <= s.to)
      d.bay({
        id: `bay-${k}-${row}`,
        name: { code: level.floor ? 'floor' : 'shelf', column: k + 1, row: level.floor ? 0 : nth + 1 },
        holds: 'surface',
        clear: {
          min: [o.left, 0, at],
          max: [o.right, depthMm, over === undefined ? at + high : over - plan.framedMm],
        },
        carriers: level.floor ? [] : [`shelf-${under}-${nth}`],
        items: standing(level, k, 0, at),
        play: { sideMm: play.sideMm, aboveMm: play.aboveMm, deepMm: 0 },
        stickOutMm: STICK_OUT,
        exit: [0, 1, 0],
      })
    })
  })
}

function choices(p: LedgerShelfParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-7/16', 'osb-23/32']
    : ['ply-12mm', 'ply-15mm', 'ply-18mm', 'osb3-15mm', 'osb3-18mm']
  const frames = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm', '47x150mm']
  const posts = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']
  const { section, sheet, coded } = choicePen(p)
  return [
    coded('follow', 'follow', ['goods', 'wall']),
    sheet('sheet', 'sheet', [...sheets, ...ctx.settings.ownSheets]),
    section('frameSection', 'shelf-frame', frames),
    coded('front', 'ledger-front', FRONTS),
    ...(p.front === 'posts'
      ? [section('postSection', 'post-section', posts), coded('edge', 'ledger-edge', EDGES)]
      : [
          section('bearerSection', 'ledger-bearers', frames.slice(1)),
          section('spreaderSection', 'spreader-section', frames.slice(1)),
          section(
            'rod',
            'rod',
            RODS.filter((r) => r.system === ctx.settings.yard).map((r) => r.id),
          ),
        ]),
    ...(p.front === 'chains' ? [coded('chain', 'chain', LINE_WEIGHTS)] : []),
    coded('ledgerScrews', 'ledger-screws', Object.keys(LEDGER_SCREWS)),
    ...(p.front === 'posts' ? [coded('railJoint', 'rail-joint', [...Object.keys(RAIL_SCREWS), 'bolts'])] : []),
    coded('crossJoint', 'cross-joint', Object.keys(CROSS_SCREWS)),
    coded('floorBay', 'floor-bay', [true, false]),
  ]
}
