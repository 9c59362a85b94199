import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { placeNoggings } from '../../blocks/frame/noggings.ts'
import { longestBoard } from '../boards-of.ts'
import { LEDGER_SCREWS, SEVERAL } from '../ledger-screws.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { hangJoist } from '../../blocks/mounts/joist-hanger.ts'
import { screwAlong, UP } from '../../blocks/mounts/wall-fixing.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { findSection } from '../../catalogue/lumber.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { good, type Result } from '../../measure/result.ts'
import { roundNearest } from '../../measure/rounding.ts'
import { fallAt, THINNEST_SHIM_MM } from '../../room/room.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { reachesMm, standing } from '../house-on-shelves.ts'
import type { LoftDeckParams } from './parameters.ts'
import { FILLER, planOut, type Plan } from './plan-out.ts'

/*
 *  plan, wall at the top:
 *    =stud====stud====stud====stud=  ledger
 *    |     |     | |     |     |  |  joists in hangers; two with a filler where sheets meet
 *    ===============================  rim, in notches of posts, or of the studs of a wall with a door
 *   [ ]           [ ]            [ ]
 */
export function shapeLoftDeck(p: LoftDeckParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const board = (section: string, treated = false): Stock => ({
    kind: 'board',
    section,
    grade: ctx.settings.grade,
    treated,
  })
  const site: Site = { d, p, ctx, plan, board }
  const [ledgers, rims] = [ledgersOf(site), rimsOf(site)]
  uprights(site, rims)
  joists(site, ledgers, rims)
  const deck = decking(site, [...ledgers, ...rims])
  placeBays(d, plan)
  d.mark(
    plan.topMm - plan.sheet.thicknessMm,
    'ledger-top',
    1,
    ledgers.map((l) => l.id),
  )
  pen.drag('topMm', { axis: 'z', sign: 1, parts: [...deck, ...ledgers.map((l) => l.id)] })
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

interface Site {
  d: Draft
  p: LoftDeckParams
  ctx: ShapeContext
  plan: Plan
  board: (section: string, treated?: boolean) => Stock
}
interface Run extends Stretch {
  id: string
}

/** Upper edge of ledger, joists and rim. */
const framed = (plan: Plan): number => plan.topMm - plan.sheet.thicknessMm
const rimBack = (plan: Plan): number => plan.depthMm - plan.rim.thicknessMm

function ledgersOf({ d, p, ctx, plan, board }: Site): Run[] {
  const { joist } = plan
  return plan.ledgers.map((s, i) => {
    const id = `ledger-${i}`
    const z = framed(plan) - joist.widthMm
    d.square({
      id,
      role: 'ledger',
      stock: board(p.joistSection),
      min: [s.from, 0, z],
      size: [s.to - s.from, joist.thicknessMm, joist.widthMm],
      along: 'x',
      across: 'z',
    })
    const wall = { space: ctx.space, system: ctx.settings.yard }
    screwAlong(d, id, z + joist.widthMm / 2, wall, {
      count: LEDGER_SCREWS[p.ledgerScrews],
      holds: ['x', 'y', 'z'],
    })
    d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    return { id, ...s }
  })
}

function rimsOf({ d, p, plan, board }: Site): Run[] {
  const { rim } = plan
  return plan.rims.map((s, i) => {
    const id = `rim-${i}`
    d.square({
      id,
      role: 'rail',
      stock: board(p.rimSection),
      min: [s.from, rimBack(plan), framed(plan) - rim.widthMm],
      size: [s.to - s.from, rim.thicknessMm, rim.widthMm],
      along: 'x',
      across: 'z',
    })
    return { id, ...s }
  })
}

/** Posts, or studs on a plate: the rim lies in a notch of each, bolted to the tongue in front of it. */
function uprights(site: Site, rims: readonly Run[]) {
  const { d, p, ctx, plan, board } = site
  const { upright, rim } = plan
  const wall = p.front === 'wall'
  const treated = ctx.space.floor === 'slab'
  const plates = wall ? platesOf(site, treated) : []
  const seat = framed(plan) - rim.widthMm
  const ids = plan.uprights.map((x, k) => {
    const id = `upright-${k}`
    const plate = plates.find((s) => x >= s.from - 1 && x + upright.thicknessMm <= s.to + 1)
    const fall = Math.max(0, fallAt(ctx.space.floorFall, x + upright.thicknessMm / 2, plan.depthMm))
    const low = plate ? upright.thicknessMm : -roundNearest(fall, unitsOf(ctx.settings))
    d.square({
      id,
      role: 'post',
      stock: board(p.uprightSection, treated && !wall),
      min: [x, rimBack(plan), low],
      size: [upright.thicknessMm, upright.widthMm, framed(plan) - low],
      along: 'z',
      across: 'y',
    })
    d.machine(id, {
      kind: 'notch',
      edge: 'low',
      atMm: seat - low,
      offMm: 0,
      lengthMm: rim.widthMm,
      depthMm: rim.thicknessMm,
    })
    if (plate && fall >= THINNEST_SHIM_MM) d.shim(plate.id, [x + upright.thicknessMm / 2, plan.depthMm, 0], fall)
    if (plate) d.rest(id, plate.id, 'bearing', d.screw(plate.id, id, 2, 'end', upright.thicknessMm, 200))
    else d.rest(id, 'floor')
    for (const r of rims) if (Math.min(r.to, x + upright.thicknessMm) - Math.max(r.from, x) > 1) onto(site, r.id, id)
    return id
  })
  const nogs = wall ? noggings(site, ids) : []
  const parts = [...plates.map((s) => s.id), ...ids, ...nogs, ...rims.map((r) => r.id)]
  d.sub({ id: 'front', name: 'frame', parts, built: 'flat' })
}

/** A rim in the notch of an upright. */
function onto({ d, ctx, plan }: Site, rim: string, upright: string) {
  const [r, u] = [d.box(rim), d.box(upright)]
  const imperial = ctx.settings.yard === 'imperial'
  const fastener = imperial ? 'bolt-3/8x3.5' : 'bolt-M10x90'
  const joint = d.joint({
    kind: 'notched',
    near: upright,
    far: rim,
    fasteners: [{ fastener, count: 2, into: 'side' }],
  })
  const [x0, x1] = [Math.max(r.min[0], u.min[0]), Math.min(r.max[0], u.max[0])]
  const z = framed(plan) - plan.rim.widthMm
  d.hold({
    from: { part: rim },
    on: { kind: 'part', part: upright },
    contact: { min: [x0, r.min[1], z], max: [x1, r.max[1], z] },
    push: UP,
    way: 'push',
    via: 'bearing',
    joint,
  })
}

/** Plates under the studs, to either side of the door. */
function platesOf({ d, p, ctx, plan, board }: Site, treated: boolean): Run[] {
  const { upright, door, lengthMm } = plan
  const spans = door
    ? [
        { from: 0, to: door.from },
        { from: door.to, to: lengthMm },
      ]
    : [{ from: 0, to: lengthMm }]
  const most = longestBoard(ctx, p.uprightSection, treated)
  return spans.flatMap((s, i) => {
    // Plates meet under a stud's middle no more than they must: they lie on the floor.
    const n = Math.ceil((s.to - s.from) / most)
    return Array.from({ length: n }, (_, k) => {
      const id = `plate-${i}-${k}`
      const from = s.from + ((s.to - s.from) * k) / n
      const to = s.from + ((s.to - s.from) * (k + 1)) / n
      d.square({
        id,
        role: 'plate',
        stock: board(p.uprightSection, treated),
        min: [from, rimBack(plan), 0],
        size: [to - from, upright.widthMm, upright.thicknessMm],
        along: 'x',
        across: 'y',
      })
      d.rest(id, 'floor')
      return { id, from, to }
    })
  })
}

/** Boards between studs half-way up. */
const noggings = ({ d, p, plan, board }: Site, studs: readonly string[]): string[] =>
  placeNoggings(d, studs, {
    ...{ section: plan.upright, stock: board(p.uprightSection), backMm: rimBack(plan), door: plan.door },
    lowMm: (framed(plan) - plan.rim.widthMm) / 2,
  })

/** Joists in hangers between ledger and rim, fillers between the two of a pair, blocks under the seams of the deck. */
function joists({ d, p, ctx, plan, board }: Site, ledgers: readonly Run[], rims: readonly Run[]) {
  const { joist } = plan
  const [t, w] = [joist.thicknessMm, joist.widthMm]
  const [back, front] = [t, rimBack(plan)]
  const z = framed(plan) - w
  const most = (runs: readonly Run[], x: number) =>
    runs.reduce((a, b) => (shared(b, x, x + t) > shared(a, x, x + t) ? b : a))
  const ids = plan.joists.map((x, k) => {
    const id = `joist-${k}`
    d.square({
      id,
      role: 'joist',
      stock: board(p.joistSection),
      min: [x, back, z],
      size: [t, front - back, w],
      along: 'y',
      across: 'z',
    })
    const behind = hangJoist(d, { id: `hanger-${k}-0`, joist: id, on: most(ledgers, x).id, faceMm: back, way: 1 })
    const before = hangJoist(d, { id: `hanger-${k}-1`, joist: id, on: most(rims, x).id, faceMm: front, way: -1 })
    d.sub({ id: `put-${id}`, name: 'unit', parts: [id, behind, before], built: 'in-place' })
    return id
  })
  const filler = findSection(FILLER[ctx.settings.yard])!
  const long = Math.min(FILLER_MM, front - back)
  // Three of them, or as many as go in one after the other.
  const count = Math.min(FILLERS, Math.floor((front - back) / long))
  const shares = Array.from({ length: count }, (_, n) => (count > 1 ? n / (count - 1) : 0))
  for (const [a, b] of plan.doubled)
    for (const [n, share] of shares.entries()) {
      const id = `filler-${a}-${n}`
      d.square({
        id,
        role: 'filler',
        stock: board(FILLER[ctx.settings.yard]),
        min: [plan.joists[a] + t, back + (front - back - long) * share, z + (w - Math.min(w, filler.widthMm)) / 2],
        size: [filler.thicknessMm, long, Math.min(w, filler.widthMm)],
        along: 'y',
        across: 'z',
      })
      d.rest(id, ids[a], 'fasteners', d.screw(id, ids[a], 2, 'side', filler.thicknessMm, t))
      d.screw(ids[b], id, 2, 'side', t, filler.thicknessMm)
      d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    }
  blocks({ d, p, ctx, plan, board }, ids)
}
const shared = (s: Stretch, from: number, to: number) => Math.min(s.to, to) - Math.max(s.from, from)
/** Fillers between two joists are so long, mm. */
const FILLER_MM = 300
/** So many of them between each two. */
const FILLERS = 3

/** Boards between joists where two rows of sheets meet: both edges are screwed down there. */
function blocks({ d, p, plan, board }: Site, ids: readonly string[]) {
  const { joist } = plan
  const [t, w] = [joist.thicknessMm, joist.widthMm]
  for (const [n, y] of plan.seams.entries())
    ids.slice(1).forEach((right, i) => {
      const [from, to] = [plan.joists[i] + t, plan.joists[i + 1]]
      if (plan.doubled.some(([a]) => a === i)) return
      const id = `block-${n}-${i}`
      // Every other one set off by its thickness, so that both ends are screwed from outside.
      d.square({
        id,
        role: 'block',
        stock: board(p.joistSection),
        min: [from, y - t / 2 + (i % 2 === 0 ? 0 : t), framed(plan) - w],
        size: [to - from, t, w],
        along: 'x',
        across: 'z',
      })
      for (const s of [ids[i], right]) d.rest(id, s, 'fasteners', d.screw(s, id, 2, 'end', t, 200))
      d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    })
}

/** Deck screws along a joist are this far apart, mm: what floors have. */
const DECK_SCREWS_MM = 300

/** Sheets across the joists, screwed to ledger and rim along their edges: so the deck is tied to the wall. */
function decking({ d, plan }: Site, edges: readonly Run[]): string[] {
  const { sheet, joist } = plan
  return plan.deck.map((piece, i) => {
    const id = `deck-${i}`
    d.square({
      id,
      role: 'shelf',
      stock: { kind: 'sheet', sheet: sheet.id },
      min: [piece.from, piece.backMm, framed(plan)],
      size: [piece.to - piece.from, piece.frontMm - piece.backMm, sheet.thicknessMm],
      along: 'x',
      across: 'y',
    })
    plan.joists.forEach((x, k) => {
      if (shared({ from: piece.from, to: piece.to }, x, x + joist.thicknessMm) < joist.thicknessMm / 2) return
      const n = Math.max(2, Math.ceil((piece.frontMm - piece.backMm) / DECK_SCREWS_MM))
      d.rest(id, `joist-${k}`, 'bearing', d.screw(id, `joist-${k}`, n, 'side', sheet.thicknessMm, joist.widthMm))
    })
    for (const run of edges) {
      const long = shared(run, piece.from, piece.to)
      if (long < joist.thicknessMm || !d.meets(id, run.id)) continue
      const n = Math.max(2, Math.ceil(long / DECK_SCREWS_MM))
      d.rest(id, run.id, 'bearing', d.screw(id, run.id, n, 'side', sheet.thicknessMm, joist.widthMm))
    }
    d.sub({ id: `lay-${id}`, name: 'sheets', parts: [id], built: 'in-place' })
    return id
  })
}

function placeBays(d: Draft, plan: Plan) {
  const { topMm, play } = plan
  plan.deck.forEach((piece, i) => {
    const high = Math.max(0, ...piece.spots.map(reachesMm)) + play.aboveMm
    const clear: { min: Vec3; max: Vec3 } = {
      min: [piece.from, piece.backMm, topMm],
      max: [piece.to, piece.frontMm, topMm + high],
    }
    d.bay({
      id: `bay-${i}`,
      name: { code: 'shelf', column: i + 1, row: 1 },
      holds: 'surface',
      clear,
      carriers: [`deck-${i}`],
      items: standing({ floor: false, spots: piece.spots, tallest: null }, 0, piece.backMm, topMm),
      play: { sideMm: play.sideMm, aboveMm: play.aboveMm, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 1, 0],
    })
  })
}

function choices(p: LoftDeckParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const { section, sheet, coded } = choicePen(p)
  const deep = imperial ? ['2x4', '2x6', '2x8', '2x10', '2x12'] : ['47x100mm', '47x150mm', '47x200mm']
  const posts = imperial ? ['2x4', '2x6', '4x4'] : ['38x89mm', '47x100mm', '47x150mm']
  return [
    coded('follow', 'follow', ['goods', 'wall']),
    coded('front', 'loft-front', ['posts', 'wall']),
    section('joistSection', 'loft-joists', deep),
    section('rimSection', 'loft-rim', deep),
    section('uprightSection', 'loft-uprights', posts),
    sheet('sheet', 'deck-sheet', [
      ...(imperial ? ['ply-19/32', 'ply-23/32', 'osb-23/32'] : ['ply-15mm', 'ply-18mm', 'ply-21mm', 'osb3-18mm']),
      ...ctx.settings.ownSheets,
    ]),
    coded('ledgerScrews', 'ledger-screws', SEVERAL),
  ]
}
