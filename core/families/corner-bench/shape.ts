import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { thicknessAxis } from '../../assembly/part-box.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { keptOver } from '../../blocks/frame/shelf-frame.ts'
import { standPost, standTurnedPost } from '../../blocks/frame/standing-post.ts'
import { LEAST_STUDS } from '../../blocks/mounts/pieces-on-studs.ts'
import { sideTies, tieToSide, wallBeside } from '../../blocks/mounts/side-tie.ts'
import { tieToWall } from '../../blocks/mounts/tie.ts'
import { screwAlong } from '../../blocks/mounts/wall-fixing.ts'
import { add, scale, sub, unit, type Vec3 } from '../../geometry/vec.ts'
import { standsOn } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { canHoldTie } from '../../room/room.ts'
import { HEIGHTS } from '../bench-sizes.ts'
import { choicePen, TOP_SHEETS } from '../choices.ts'
import { dimPen } from '../dim-pen.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { LEDGER_SCREWS, SEVERAL } from '../ledger-screws.ts'
import { BACKS, SIDES, type CornerBenchParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/** Room shown over a top where nothing stands, mm. */
const OVER_MM = 300
/** Screws of the top along a joist are no further apart than this, mm. */
const SCREWS_EVERY_MM = 400

/*
 *  side:   ====================  top          on trestles: two posts and a beam over both
 *   ledger[ ]-----joist-----[ ]beam           one along the other wall, one across the corner;
 *   or beam                   ||              at the wall a third, or a ledger
 */
export function shapeCornerBench(p: CornerBenchParams, ctx: ShapeContext): Result<Shaped> {
  if (!canHoldTie(ctx.space)) return bad('no-wall-to-hang-on', {}, 'back')
  const pen = dimPen(p, unitsOf(ctx.settings))
  const planned = planOut(p, ctx, pen)
  if (!planned.ok) return planned
  const { plan, unhoused } = planned.value
  const d = draft(ctx.settings.yard)
  const site: Site = { d, p, ctx, plan, ...levels(plan) }
  trestle(site, 'end', { from: 0, to: plan.otherDepthMm, y: plan.reachMm - plan.frame.thicknessMm })
  const front = acrossCorner(site)
  const places = rear(site)
  if (p.back === 'ledger' && places < LEAST_STUDS) return bad('corner-ledger-misses-studs', { count: places }, 'side')
  joists(site, front)
  tieBeside(site)
  top(site)
  bays(site)
  d.mark(plan.topMm, 'worktop', 1, ['top'])
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

interface Site {
  d: Draft
  p: CornerBenchParams
  ctx: ShapeContext
  plan: Plan
  /** Under side of the top, of the joists and of the beams. */
  underTop: number
  seat: number
  head: number
}
const levels = ({ topMm, sheet, frame }: Plan) => {
  const underTop = topMm - sheet.thicknessMm
  return { underTop, seat: underTop - frame.widthMm, head: underTop - 2 * frame.widthMm }
}
/** Where something told with the corner at the left is: the same, or seen in a mirror. */
const mirrors = ({ plan }: Pick<Site, 'plan'>) => plan.side === 'right'
const atX = (s: Pick<Site, 'plan'>, x: number): number => (mirrors(s) ? s.plan.lengthMm - x : x)
const leftOf = (s: Pick<Site, 'plan'>, x: number, wideMm: number): number =>
  mirrors(s) ? s.plan.lengthMm - x - wideMm : x
const wayX = (s: Pick<Site, 'plan'>, v: Vec3): Vec3 => (mirrors(s) ? [-v[0], v[1], v[2]] : v)

const board = (section: string, ctx: ShapeContext, treated = false): Stock => ({
  kind: 'board',
  section,
  grade: ctx.settings.grade,
  treated,
})
const onFloor = ({ ctx }: Site) => ({ fall: ctx.space.floorFall, units: unitsOf(ctx.settings) })
const postStock = ({ p, ctx }: Site) => board(p.postSection, ctx, ctx.space.floor === 'slab')

/** Two posts with a beam over both, along the wall. @param x from where to where it goes, and its back */
function trestle(s: Site, key: string, x: { from: number; to: number; y: number }): string {
  const { d, p, ctx, plan } = s
  const { frame, post } = plan
  const beam = `beam-${key}`
  d.square({
    ...{ id: beam, role: 'rail', stock: board(p.frameSection, ctx), along: 'x', across: 'z' },
    min: [leftOf(s, x.from, x.to - x.from), x.y, s.head],
    size: [x.to - x.from, frame.thicknessMm, frame.widthMm],
  })
  // Their narrow sides along it, under its ends: what lies over an end then lies over a post.
  const y = key === 'rear' ? x.y : x.y + frame.thicknessMm - post.widthMm
  const posts = [x.from, x.to - post.thicknessMm].map((at, i) => {
    const id = `post-${key}-${i}`
    const size = { wideMm: post.thicknessMm, deepMm: post.widthMm, topMm: s.head, across: 'y' } as const
    standPost(d, { id, stock: postStock(s), x: leftOf(s, at, post.thicknessMm), y, ...size }, onFloor(s))
    keptOver(d, beam, id, 'end', ctx.settings.yard)
    return id
  })
  d.sub({ id: `trestle-${key}`, name: 'frame', parts: [beam, ...posts], built: 'in-place' })
  return beam
}

/** The trestle under its front, turned with it. */
function acrossCorner(s: Site): string {
  const { d, p, ctx, plan } = s
  const { frame, post } = plan
  const beam = 'beam-front'
  const [along, out] = [unit([1, -1, 0]), unit([1, 1, 0])]
  // Its front face is under the slanted edge; it begins where it passes the beam along the other wall.
  const at = (mm: number, backMm: number, z: number): Vec3 => {
    const x = plan.otherDepthMm + along[0] * mm - out[0] * backMm
    return [atX(s, x), plan.reachMm + along[1] * mm - out[1] * backMm, z]
  }
  const from = frame.thicknessMm / Math.SQRT2 + CLEAR_MM
  const [middle, z] = [frame.thicknessMm / 2, s.head + frame.widthMm / 2]
  d.strut({
    ...{ id: beam, role: 'rail', stock: board(p.frameSection, ctx) },
    ...{ from: at(from, middle, z), to: at(plan.frontMm, middle, z) },
    ...{ widthMm: frame.widthMm, thicknessMm: frame.thicknessMm, facing: wayX(s, out) },
  })
  const posts = frontPosts(plan).map((mm, i) => {
    const id = `post-front-${i}`
    const [x, y] = at(mm, post.widthMm / 2, 0)
    const size = { wideMm: post.widthMm, thickMm: post.thicknessMm, topMm: s.head, facing: wayX(s, along) }
    standTurnedPost(d, { id, stock: postStock(s), x, y, ...size }, onFloor(s))
    keptOver(d, beam, id, 'end', ctx.settings.yard)
    return id
  })
  d.sub({ id: 'trestle-front', name: 'frame', parts: [beam, ...posts], built: 'in-place' })
  return beam
}
/** Between pieces that pass each other, mm. */
const CLEAR_MM = 1

/** Where the posts of the front are along it: the first past the post at the end of the other beam, the last at its end. */
function frontPosts({ frontMm, post: { thicknessMm: t, widthMm: w } }: Plan): number[] {
  return [w / Math.SQRT2 + t / 2 + CLEAR_MM, frontMm - t / 2]
}

/** A ledger on the wall, or a trestle that is tied to it. @returns in how many places it is held */
function rear(s: Site): number {
  const { d, p, ctx, plan } = s
  if (p.back === 'posts') {
    const beam = trestle(s, 'rear', { from: 0, to: plan.lengthMm, y: 0 })
    return tieToWall(d, beam, ctx.space, ctx.settings.yard)
  }
  const { frame } = plan
  d.square({
    ...{ id: 'beam-rear', role: 'ledger', stock: board(p.frameSection, ctx), along: 'x', across: 'z' },
    min: [0, 0, s.head],
    size: [plan.lengthMm, frame.thicknessMm, frame.widthMm],
  })
  d.sub({ id: 'ledger', name: 'unit', parts: ['beam-rear'], built: 'in-place' })
  const wall = { space: ctx.space, system: ctx.settings.yard }
  return screwAlong(d, 'beam-rear', s.head + frame.widthMm / 2, wall, {
    count: LEDGER_SCREWS[p.ledgerScrews],
    holds: ['x', 'y', 'z'],
  })
}

/** Joists from the wall to the other end, or to the front, where they end at its slant. */
function joists(s: Site, front: string) {
  const { d, p, ctx, plan } = s
  const { frame } = plan
  const t = frame.thicknessMm
  const ids = plan.joists.map((x, k) => {
    const id = `joist-${k}`
    const slants = x > plan.otherDepthMm - t + CLEAR_MM
    const long = slants ? plan.reachMm - (x - plan.otherDepthMm) : plan.reachMm
    d.square({
      ...{ id, role: 'joist', stock: board(p.frameSection, ctx), along: 'y', across: 'z' },
      min: [leftOf(s, x, t), 0, s.seat],
      size: [t, long, frame.widthMm],
    })
    if (slants)
      d.machine(id, {
        kind: 'mitre',
        end: 'end',
        angleRad: (mirrors(s) ? -1 : 1) * (Math.PI / 4),
        through: 'thickness',
      })
    for (const beam of ['beam-rear', slants ? front : 'beam-end']) keptOver(d, id, beam, 'edge', ctx.settings.yard)
    return id
  })
  d.sub({ id: 'joists', name: 'unit', parts: [...ids, ...blocks(s, front)], built: 'in-place' })
}

/** The joist along the other wall is tied to that too, where it stands at it and it holds a screw. */
function tieBeside({ d, ctx, plan }: Site) {
  const wall = wallBeside(ctx.space, plan.side, plan.side === 'left' ? 0 : plan.lengthMm)
  if (wall) tieToSide(d, sideTies(d, 'joist-0', plan.side, wall), ctx.settings.yard, ['x', 'y'])
}

/** Blocks over the slanted beam between the joists: the edge of the top lies on them. */
function blocks(s: Site, front: string): string[] {
  const { d, p, ctx, plan } = s
  const { thicknessMm: t, widthMm } = plan.frame
  const beam = d.part(front)
  return plan.joists.slice(0, -1).flatMap((x, k) => {
    const [from, to] = [x + t, plan.joists[k + 1]]
    // As long as one with square ends can be between two faces it meets at 45°.
    const long = (to - from) * Math.SQRT2 - t - 2 * CLEAR_MM
    if (from < plan.otherDepthMm - CLEAR_MM || long < LEAST_BLOCK_MM) return []
    const mm = ((from + to) / 2 - plan.otherDepthMm + t / (2 * Math.SQRT2)) * Math.SQRT2
    const middle = mm - (beam.size.lengthMm / 2 + plan.frontMm - beam.size.lengthMm)
    const at = (by: number): Vec3 => {
      const c = add(beam.at.centre, scale(beam.at.along, middle + by))
      return [c[0], c[1], s.seat + widthMm / 2]
    }
    const id = `block-${k}`
    d.strut({
      ...{ id, role: 'block', stock: board(p.frameSection, ctx), from: at(-long / 2), to: at(long / 2) },
      ...{ widthMm, thicknessMm: t, facing: thicknessAxis(beam) },
    })
    keptOver(d, id, front, 'edge', ctx.settings.yard)
    return [id]
  })
}
/** A shorter block holds nothing. */
const LEAST_BLOCK_MM = 50

function top(s: Site) {
  const { d, plan } = s
  const { sheet, cut, lengthMm, reachMm, depthMm, otherDepthMm } = plan
  const past = Math.max(cut.backMm, cut.frontMm)
  // From the end of the sheet at the corner, going round it from the wall.
  const corners: [number, number][] = [
    [past - cut.backMm, 0],
    [past + lengthMm, 0],
    [past + lengthMm, depthMm],
    [past + otherDepthMm, reachMm],
    [past - cut.frontMm, reachMm],
  ]
  const outline = mirrors(s) ? corners.map(([u, v]): [number, number] => [past + lengthMm - u, v]).reverse() : corners
  d.square({
    ...{ id: 'top', role: 'top', stock: { kind: 'sheet', sheet: sheet.id }, along: 'x', across: 'y', outline },
    min: [mirrors(s) ? 0 : -past, 0, s.underTop],
    size: [past + lengthMm, reachMm, sheet.thicknessMm],
  })
  d.machine('top', { kind: 'scribe', edge: cut.end, allowanceMm: cut.spareMm })
  for (const id of d.assembly.parts.map((x) => x.id).filter((x) => /^(joist|block)-/.test(x))) {
    const n = Math.max(2, Math.ceil(d.part(id).size.lengthMm / SCREWS_EVERY_MM))
    d.rest('top', id, 'bearing', d.screw('top', id, n, 'side', sheet.thicknessMm, plan.frame.widthMm))
  }
  // Where a block ends the joist beside it goes on under the edge, over the same beam.
  const t = plan.frame.thicknessMm
  for (const s of d.assembly.supports) if (s.line) s.line = longer(s.line, t / 2 + t / Math.SQRT2 + CLEAR_MM)
  d.sub({ id: 'worktop', name: 'sheets', parts: ['top'], built: 'in-place', tags: { use: 'bench' } })
}

/** A line that goes on at both its ends. */
function longer([a, b]: readonly [Vec3, Vec3], mm: number): [Vec3, Vec3] {
  const by = scale(unit(sub(b, a)), mm)
  return [sub(a, by), add(b, by)]
}

function bays(s: Site) {
  const { d, plan, ctx } = s
  const box = d.box('top')
  const over = Math.max(plan.topMm + OVER_MM, ctx.space.ceilingMm)
  const bay = { holds: 'surface' as const, carriers: ['top'], stickOutMm: 0, exit: [0, 0, 1] as Vec3 }
  d.bay({
    ...{ id: 'bay-top', name: { code: 'worktop', column: 1, row: 1 }, ...bay, items: [] },
    clear: { min: [box.min[0], 0, plan.topMm], max: [box.max[0], plan.reachMm, over] },
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
  })
  const { machine: m } = plan
  if (!m) return
  const half = (m.item.acrossMm + m.item.deepMm) / (2 * Math.SQRT2)
  const room = half + plan.playMm / Math.SQRT2
  const x = atX(s, m.x)
  d.bay({
    ...{
      id: 'bay-machine',
      name: { code: plan.topMm < plan.heightMm ? 'well' : 'worktop', column: 2, row: 1 },
      ...bay,
    },
    clear: { min: [x - room, m.y - room, plan.topMm], max: [x + room, m.y + room, over] },
    items: [
      {
        ...{ goodsId: m.item.id, massKg: m.item.massKg, stands: standsOn(m.item.kind) },
        box: {
          min: [x - half, m.y - half, plan.topMm],
          max: [x + half, m.y + half, plan.topMm + m.item.tallMm],
        },
        turned: {
          rad: (mirrors(s) ? 1 : -1) * (Math.PI / 4),
          acrossMm: m.item.acrossMm,
          deepMm: m.item.deepMm,
        },
      },
    ],
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
  })
}

function choices(p: CornerBenchParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const boards = imperial ? ['2x4', '2x6'] : ['38x89mm', '47x100mm', '47x150mm']
  const { section, sheet, coded } = choicePen(p)
  return [
    coded('heightFrom', 'height-from', HEIGHTS),
    coded('side', 'corner-side', SIDES),
    coded('back', 'corner-back', BACKS),
    ...(p.back === 'ledger' ? [coded('ledgerScrews', 'ledger-screws', SEVERAL)] : []),
    sheet('sheet', 'worktop-sheet', [...TOP_SHEETS[ctx.settings.yard], ...ctx.settings.ownSheets]),
    section('frameSection', 'bench-frame', boards),
    section('postSection', 'post-section', boards),
  ]
}
