import type { Draft } from '../../assembly/draft.ts'
import type { Stock } from '../../assembly/assembly.ts'
import { screwFor } from '../../catalogue/fasteners.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { wedgeShare } from '../../mechanics/hung.ts'
import type { FreeSpace } from '../../room/room.ts'

/*
 * A body on a wall: it hangs on a rail at its back near its top, and leans against the wall with its lower edge.
 *
 *    wall|=| rail of the body, its lower edge bevelled        or the rail is screwed through into the wall
 *        |/|
 *        |=| strip on the wall, its upper edge bevelled
 */

export interface Hanging {
  body: string
  /** The rail of the body against the wall, and the piece along its lower edge that leans there. */
  rail: string
  lower: string
  space: FreeSpace
  system: UnitSystem
  /** Into each stud; in masonry an anchor stands alone. */
  screws: number
}

/** Thread wanted in a stud behind the lining, mm. */
const STUD_EMBED_MM = 50
/** Fixings keep this far from the ends of a board, mm. */
export const FROM_END_MM = 25
/** A wall without studs takes a fixing this often, mm. Product decision, about the spacing of studs. */
const MASONRY_SPACING_MM = 400
/** Friction of planed wood on wood, entered nowhere else. Mechanics of materials handbooks: 0.25 to 0.5. */
const FRICTION = 0.3
/** The usual bevel, from level. */
export const BEVEL_RAD = Math.PI / 4

/** Where fixings go through something that runs along the wall: in every stud it passes, or regularly. */
export function fixingPlaces(space: FreeSpace, left: number, right: number): number[] {
  const c = space.construction
  const [from, to] = [left + FROM_END_MM, right - FROM_END_MM]
  if (c.kind === 'thin') return []
  if (c.kind === 'studs') return space.studsMm.filter((x) => x >= from && x <= to)
  const n = Math.max(2, Math.ceil((to - from) / MASONRY_SPACING_MM) + 1)
  return Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
}

/** An anchor through a part into the wall. @param throughMm wood it passes @returns its id */
function anchorAt(d: Draft, part: string, x: number, z: number, throughMm: number, h: Hanging): string {
  const c = h.space.construction
  const all = throughMm + (c.kind === 'studs' && c.lined ? c.liningMm : 0)
  const screw = screwFor((all + STUD_EMBED_MM) / 1.95, 200, h.system)
  const stud = c.kind === 'studs'
  return d.anchor({
    part,
    into: stud ? 'stud' : c.kind === 'masonry' ? 'masonry' : 'concrete',
    at: [x, 0, z],
    count: stud ? h.screws : 1,
    fastener: stud ? screw.id : null,
    embedMm: stud ? screw.lengthMm - all : 0,
    holds: ['y', 'z'],
  })
}

const UP: Vec3 = [0, 0, 1]
const OUT: Vec3 = [0, 1, 0]
const WALL = { kind: 'wall' } as const

/** The two halves of a stretch along the wall: what leans on all of it can be turned by neither. */
const halves = (b: Box): Box[] => {
  const middle = (b.min[0] + b.max[0]) / 2
  return [
    { min: b.min, max: [middle, b.max[1], b.max[2]] },
    { min: [middle, b.min[1], b.min[2]], max: b.max },
  ]
}

/** The lower edge of the body leans against the wall. */
function leans(d: Draft, h: Hanging) {
  const { min, max } = d.box(h.lower)
  for (const contact of halves({ min, max: [max[0], min[1], max[2]] }))
    d.hold({
      from: { body: h.body, through: h.lower },
      on: WALL,
      contact: { min: contact.min, max: [contact.max[0], contact.max[1], (contact.min[2] + contact.max[2]) / 2] },
      push: OUT,
      way: 'push',
      via: 'bearing',
    })
}

/**
 * Hooks a body on a bevelled strip that is fixed to the wall, under the bevelled rail at its back.
 * @returns how many fixings the strip has
 */
export function hookOnStrip(d: Draft, h: Hanging, strip: { id: string; section: Section; stock: Stock }): number {
  const { min, max } = d.box(h.rail)
  const { thicknessMm: t, widthMm: w } = strip.section
  d.square({
    id: strip.id,
    role: 'hanger',
    stock: strip.stock,
    min: [min[0], 0, min[2] - w],
    size: [max[0] - min[0], t, w],
    along: 'x',
    across: 'z',
  })
  d.machine(strip.id, { kind: 'bevel', edge: 'high', angleRad: BEVEL_RAD })
  d.machine(h.rail, { kind: 'bevel', edge: 'low', angleRad: BEVEL_RAD })
  const from = { body: h.body, through: h.rail }
  const on = { kind: 'part', part: strip.id } as const
  for (const contact of halves({ min: [min[0], 0, min[2]], max: [max[0], t, min[2]] })) {
    const by = d.hold({ from, on, contact, push: UP, way: 'push', via: 'bearing' })
    d.hold({
      from,
      on,
      contact: { min: [contact.min[0], 0, min[2] - t], max: contact.max },
      push: OUT,
      way: 'pull',
      via: 'bearing',
      wedged: { by, share: wedgeShare(BEVEL_RAD, Math.atan(FRICTION)) },
    })
  }
  leans(d, h)
  const z = min[2] - w / 2
  const places = fixingPlaces(h.space, min[0], max[0])
  for (const x of places) holdsAt(d, { part: strip.id }, anchorAt(d, strip.id, x, z, t, h), [x, 0, z])
  return places.length
}

/** An anchor holds up and back what it passes. */
function holdsAt(
  d: Draft,
  from: { part: string } | { body: string; through: string },
  anchor: string,
  [x, y, z]: Vec3,
) {
  const contact: Box = { min: [x, y, z], max: [x, y, z] }
  for (const push of [UP, OUT]) d.hold({ from, on: WALL, contact, push, way: 'both', via: 'fasteners', anchor })
}

/** Screws a body to the wall through its rail and what lies before it. @returns how many fixings */
export function screwThroughRail(d: Draft, h: Hanging, beforeMm: number): number {
  const { min, max } = d.box(h.rail)
  const z = (min[2] + max[2]) / 2
  const places = fixingPlaces(h.space, min[0], max[0])
  for (const x of places) {
    const anchor = anchorAt(d, h.rail, x, z, max[1] - min[1] + beforeMm, h)
    holdsAt(d, { body: h.body, through: h.rail }, anchor, [x, 0, z])
  }
  leans(d, h)
  return places.length
}
