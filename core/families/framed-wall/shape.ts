import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { panelsOver, screwPanel } from '../../blocks/carcass/screwed-panel.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { placeNoggings } from '../../blocks/frame/noggings.ts'
import { ALONG, OUT, UP } from '../../blocks/mounts/wall-fixing.ts'
import { keptUnderJoists } from '../../blocks/mounts/under-joists.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { good, type Result } from '../../measure/result.ts'
import { fallAt, THINNEST_SHIM_MM } from '../../room/room.ts'
import { choicePen } from '../choices.ts'
import { dimPen } from '../dim-pen.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { FACES, type FramedWallParams } from './parameters.ts'
import { PANEL_FOOT_MM, planOut, type Door, type Plan } from './plan-out.ts'

/*
 *   =|======|======|======|=   upper plate, screwed up into the joists
 *    |      ||==|=||      |    beside a door two studs, the shorter one bears the board over it; short pieces on that
 *    |      ||    ||      |
 *   =|======||    ||======|=   lower plates, anchored to the slab
 */

/** Screws through a plate into each end of a stud, and of a short stud into the long one beside it. */
const END_SCREWS = 2
const BESIDE_EVERY_MM = 400
/** An anchor keeps this far from the end of a plate, mm. */
const FROM_END_MM = 50
/** Where a short stud is counted as held to the long one, of its length. */
const TRIMMER_HELD = [0.25, 0.5, 0.75, 0.98]
/** A stud stands shorter than this over a door as no piece, mm. */
const LEAST_PIECE_MM = 40
/** A panel is screwed to what it lies on by at least so much, mm. */
const LIES_MM = 8

const SIDEWAYS: readonly Vec3[] = [ALONG, OUT]

interface Site {
  d: Draft
  p: FramedWallParams
  ctx: ShapeContext
  plan: Plan
  /** Where the studs begin, out from the back. */
  y0: number
}

export function shapeFramedWall(p: FramedWallParams, ctx: ShapeContext): Result<Shaped> {
  const pen = dimPen(p, unitsOf(ctx.settings))
  const planned = planOut(p, ctx, pen)
  if (!planned.ok) return planned
  const [d, plan] = [draft(ctx.settings.yard), planned.value]
  const site: Site = { d, p, ctx, plan, y0: plan.backMm }
  lowerPlates(site)
  studs(site)
  if (plan.door) overDoor(site, plan.door)
  upperPlates(site)
  if (p.faces === 'none') placeNoggings(d, studIds(plan), noggingsOf(site))
  const frame = d.assembly.parts.map((x) => x.id)
  d.sub({ id: 'frame', name: 'frame', parts: frame, built: 'in-place', tags: { use: 'divides' } })
  panels(site)
  const closed = d.assembly.parts.map((x) => x.id).filter((id) => !frame.includes(id))
  if (closed.length > 0) d.sub({ id: 'panels', name: 'unit', parts: closed, built: 'in-place' })
  return good({
    assembly: d.assembly,
    dims: pen.dims,
    choices: choices(p, ctx),
    unhoused: ctx.goods.map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-place' })),
  })
}

const board = ({ p, ctx }: Site, treated = false): Stock => ({
  ...{ kind: 'board', section: p.section, grade: ctx.settings.grade, treated },
})

/** Plates on the slab, anchored to it; treated: a slab is damp. */
function lowerPlates(site: Site) {
  const { d, ctx, plan, y0 } = site
  const { thicknessMm: t, widthMm: w } = plan.section
  plan.plates.forEach((s, i) => {
    const id = `plate-low-${i}`
    d.square({
      ...{ id, role: 'plate', stock: board(site, true), along: 'x', across: 'y' },
      min: [s.from, y0, 0],
      size: [s.to - s.from, w, t],
    })
    for (const x of anchorsAlong(s, plan.anchorEveryMm)) {
      const at: Vec3 = [x, y0 + w / 2, 0]
      const anchor = d.anchor({
        ...{ part: id, into: 'slab', at, count: 1, fastener: null, embedMm: 0, holds: ['x', 'y'] },
      })
      for (const push of SIDEWAYS)
        d.hold({
          ...{ from: { part: id }, on: { kind: 'floor' }, push, way: 'both', via: 'fasteners', anchor },
          contact: { min: at, max: at },
        })
      const fall = fallAt(ctx.space.floorFall, x, y0 + w / 2)
      if (fall >= THINNEST_SHIM_MM) d.shim(id, [x, y0 + w / 2, 0], fall)
    }
  })
}

/** Places of anchors along a plate. */
function anchorsAlong({ from, to }: Stretch, everyMm: number): number[] {
  const [a, b] = [from + FROM_END_MM, to - FROM_END_MM]
  const n = Math.max(1, Math.ceil((b - a) / everyMm - 1e-9))
  return Array.from({ length: n + 1 }, (_, i) => a + ((b - a) * i) / n)
}

/** Kept where it is, along and across, by the fasteners of a joint, at a place of one's own or where both meet. */
function kept(d: Draft, part: string, on: string, joint: string, at?: Vec3) {
  const place = at ? { contact: { min: at, max: at } } : {}
  for (const push of SIDEWAYS)
    d.hold({ from: { part }, on: { kind: 'part', part: on }, push, way: 'both', via: 'fasteners', joint, ...place })
}

/** What stands: from one height to another, on something that is screwed to its end. */
function stand(site: Site, id: string, x: number, [from, to]: readonly [number, number], on: string) {
  const { d, plan, y0 } = site
  const { thicknessMm: t, widthMm: w } = plan.section
  d.square({
    ...{ id, role: 'stud', stock: board(site), along: 'z', across: 'y' },
    min: [x, y0, from],
    size: [t, w, to - from],
  })
  const joint = d.screw(on, id, END_SCREWS, 'end', t, 200)
  d.rest(id, on, 'bearing', joint)
  kept(d, id, on, joint)
  if (!on.startsWith('plate-')) return
  // The plate lies on the slab: what stands on it goes straight through.
  const foot: Box = { min: [x, y0, 0], max: [x + t, y0 + w, 0] }
  d.hold({ from: { part: on }, on: { kind: 'floor' }, push: UP, way: 'push', via: 'bearing', contact: foot })
}

const plateUnder = (plan: Plan, x: number): string =>
  `plate-low-${plan.plates.findIndex((s) => x + plan.section.thicknessMm / 2 <= s.to + 1e-6)}`

const studIds = (plan: Plan): string[] => plan.studs.map((_x, i) => `stud-${i}`)
/** Half-way up studs that no panel keeps from bowing. */
const noggingsOf = (site: Site) => ({
  ...{ section: site.plan.section, stock: board(site), backMm: site.y0, door: site.plan.door },
  lowMm: site.plan.highMm / 2,
})

function studs(site: Site) {
  const { plan } = site
  const t = plan.section.thicknessMm
  plan.studs.forEach((x, i) => stand(site, studIds(plan)[i], x, [t, plan.highMm - t], plateUnder(plan, x)))
}

/** Short studs beside the door, a board on them over it, and pieces from that to the upper plate. */
function overDoor(site: Site, door: Door) {
  const { d, plan, y0 } = site
  const { thicknessMm: t, widthMm: w } = plan.section
  const king = (x: number) => `stud-${plan.studs.findIndex((s) => Math.abs(s - x) < 1e-6)}`
  const sides = [
    { id: 'trimmer-left', x: door.from - t, king: king(door.from - 2 * t) },
    { id: 'trimmer-right', x: door.to, king: king(door.to + t) },
  ]
  for (const s of sides) {
    stand(site, s.id, s.x, [t, door.highMm], plateUnder(plan, s.x))
    const joint = d.screw(s.id, s.king, 2 + Math.floor(door.highMm / BESIDE_EVERY_MM), 'side', t, t)
    const x = s.x > door.from ? s.x + t : s.x
    // Side on side it bows no more than the long one does.
    for (const share of TRIMMER_HELD) kept(d, s.id, s.king, joint, [x, y0 + w / 2, t + share * (door.highMm - t)])
  }
  d.square({
    ...{ id: 'header', role: 'header', stock: board(site), along: 'x', across: 'y' },
    min: [door.from - t, y0, door.highMm],
    size: [door.to - door.from + 2 * t, w, t],
  })
  for (const s of sides) {
    d.rest('header', s.id)
    kept(d, 'header', s.king, d.screw(s.king, 'header', END_SCREWS, 'end', t, 200))
  }
  const [low, high] = [door.highMm + t, plan.highMm - t]
  if (high - low < LEAST_PIECE_MM) return
  cripplesOf(plan, door).forEach((x, i) => stand(site, `cripple-${i}`, x, [low, high], 'header'))
}

/** Left edges of the pieces over a door: one at each side of it, and where studs would stand. */
const cripplesOf = (plan: Plan, door: Door): number[] => {
  const t = plan.section.thicknessMm
  const between = plan.even.filter((x) => x >= door.from + 2 * t && x + t <= door.to - 2 * t)
  return [door.from, ...between, door.to - t]
}

function upperPlates(site: Site) {
  const { d, ctx, plan, y0 } = site
  const { thicknessMm: t, widthMm: w } = plan.section
  const { joists } = plan
  const under = d.assembly.parts.filter((x) => /^(stud|cripple)-/.test(x.id)).map((x) => x.id)
  plan.tops.forEach((s, i) => {
    const id = `plate-high-${i}`
    d.square({
      ...{ id, role: 'plate', stock: board(site), along: 'x', across: 'y' },
      min: [s.from, y0, plan.highMm - t],
      size: [s.to - s.from, w, t],
    })
    // It hangs on the ceiling before the studs are tapped in under it.
    const over = (u: string) => Math.min(d.box(u).max[0], s.to) - Math.max(d.box(u).min[0], s.from) > t / 2
    for (const on of under.filter(over)) kept(d, on, id, d.screw(id, on, END_SCREWS, 'end', t, 200))
    if (joists) keptUnderJoists(d, id, plan.fixedAt, { joists, system: ctx.settings.yard })
  })
}

/** Panels on its front, or on both faces: beside a door, over it, and where there is none. */
function panels(site: Site) {
  const { d, p, ctx, plan, y0 } = site
  if (p.faces === 'none') return
  const { thicknessMm: t, widthMm: w } = plan.section
  const { sheet, door, highMm } = plan
  const most = sheet.widthMm - 2 * ctx.settings.sheetTrimMm
  const last = plan.lengthMm - t
  const evenIn = (from: number, to: number) => plan.even.filter((x) => x > from + t && x < to - t)
  const runs = door
    ? [
        { lefts: [0, ...evenIn(0, door.from - 2 * t), door.from - t], lowMm: PANEL_FOOT_MM },
        { lefts: cripplesOf(plan, door), lowMm: door.highMm },
        { lefts: [door.to, ...evenIn(door.to + t, last), last], lowMm: PANEL_FOOT_MM },
      ]
    : [{ lefts: [0, ...evenIn(0, last), last], lowMm: PANEL_FOOT_MM }]
  const uprights = d.assembly.parts.filter((x) => x.role === 'stud').map((x) => ({ id: x.id, box: d.box(x.id) }))
  uprights.sort((a, b) => a.box.min[0] - b.box.min[0])
  const faces = p.faces === 'both' ? [0, y0 + w] : [y0 + w]
  faces.forEach((y, f) =>
    runs.forEach(({ lefts, lowMm }, r) =>
      panelsOver(lefts, t, most).forEach((s, k) => {
        const on = uprights.filter(
          ({ box: { min, max } }) =>
            Math.min(max[0], s.to) - Math.max(min[0], s.from) > LIES_MM && max[2] - lowMm > LEAST_PIECE_MM,
        )
        screwPanel(d, sheet, {
          ...{ id: `panel-${f}-${r}-${k}`, role: 'face', across: 'x', centred: true },
          min: [s.from, y, lowMm],
          size: [s.to - s.from, sheet.thicknessMm, highMm - lowMm],
          on: on.map((u) => u.id),
          // Its outermost carry it alike; those between, not evenly apart at a door, keep it flat.
          borneBy: [on[0].id, on[on.length - 1].id],
        })
      }),
    ),
  )
}

function choices(p: FramedWallParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const pen = choicePen(p)
  return [
    pen.section('section', 'framed-studs', imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']),
    pen.coded('faces', 'framed-faces', [...FACES]),
    ...(p.faces === 'none'
      ? []
      : [
          pen.sheet('sheet', 'framed-sheet', [
            ...(imperial ? ['ply-3/8', 'ply-15/32', 'osb-7/16'] : ['ply-9mm', 'ply-12mm', 'osb3-15mm']),
            ...ctx.settings.ownSheets,
          ]),
        ]),
  ]
}
