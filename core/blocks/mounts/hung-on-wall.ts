import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { wedgeShare } from '../../mechanics/hung.ts'
import { anchorAt, fixingPlaces, holdsAt, OUT, screwAlong, UP, WALL, type Wall } from './wall-fixing.ts'

/*
 * A body on a wall: it hangs on a rail at its back near its top, and leans against the wall with its lower edge.
 *
 *    wall|=| rail of the body, its lower edge bevelled        or the rail is screwed through into the wall
 *        |/|
 *        |=| strip on the wall, its upper edge bevelled
 */

export interface Hanging extends Wall {
  body: string
  /** The rail of the body against the wall, and the piece along its lower edge that leans there. */
  rail: string
  lower: string
  /** Into each stud; in masonry an anchor stands alone. */
  screws: number
}

/** Fixings stay this far under the bevel of a strip, mm. Product decision. */
const UNDER_BEVEL_MM = 6

/** Friction of planed wood on wood, entered nowhere else. Mechanics of materials handbooks: 0.25 to 0.5. */
const FRICTION = 0.3
/** The usual bevel, from level. */
export const BEVEL_RAD = Math.PI / 4

/** Beyond what clears the bevels of each other a body is lifted by this to hook it on or off, mm. */
const LIFT_MM = 10
/** Drawn out from the wall by this it is clear, mm. */
const OUT_MM = 60
/** Height of fixings in a strip: as high as there is wood of its whole thickness, under the toe of the bevel. mm */
const fixingUp = ({ widthMm: w, thicknessMm: t }: Section): number =>
  Math.max(w / 2, w - t * Math.tan(BEVEL_RAD) - UNDER_BEVEL_MM)

/** How far a body is lifted to come off its strip: a bevel of 45° is as high as its board is thick. */
export const liftOff = (s: Section): number => s.thicknessMm * Math.tan(BEVEL_RAD) + LIFT_MM

/** What leans along the wall does so at this many places: only past the middle of an outer one is it turned. */
const PLACES = 4

/** A stretch along the wall in equal pieces. */
const pieces = ({ min, max }: Box): Box[] => {
  const each = (max[0] - min[0]) / PLACES
  return Array.from({ length: PLACES }, (_, i) => ({
    min: [min[0] + i * each, min[1], min[2]],
    max: [min[0] + (i + 1) * each, max[1], max[2]],
  }))
}

/** The lower edge of the body leans against the wall. */
function leans(d: Draft, h: Hanging) {
  const { min, max } = d.box(h.lower)
  for (const contact of pieces({ min, max: [max[0], min[1], max[2]] }))
    d.hold({
      from: { body: h.body, through: h.lower },
      on: WALL,
      contact: { min: contact.min, max: [contact.max[0], contact.max[1], (contact.min[2] + contact.max[2]) / 2] },
      push: OUT,
      way: 'push',
      via: 'bearing',
    })
}

interface Strip {
  id: string
  section: Section
  stock: Stock
}

/** A strip under a rail, and the bevels of both. @returns where the rail is, and the strip's thickness and width */
function placeStrip(d: Draft, rail: string, { id, section, stock }: Strip) {
  const { min, max } = d.box(rail)
  const { thicknessMm: t, widthMm: w } = section
  d.square({
    id,
    role: 'hanger',
    stock,
    min: [min[0], 0, min[2] - w],
    size: [max[0] - min[0], t, w],
    along: 'x',
    across: 'z',
  })
  // The strip stands away from the wall at its top, the rail away from the body at its bottom.
  d.machine(id, { kind: 'bevel', face: 'over', edge: 'high', angleRad: BEVEL_RAD })
  d.machine(rail, { kind: 'bevel', face: 'under', edge: 'low', angleRad: BEVEL_RAD })
  return { min, max, t, w }
}

/**
 * Hooks a body on a bevelled strip that is fixed to the wall, under the bevelled rail at its back.
 * @returns how many fixings the strip has
 */
export function hookOnStrip(d: Draft, h: Hanging, strip: Strip): number {
  const { min, max, t, w } = placeStrip(d, h.rail, strip)
  const from = { body: h.body, through: h.rail }
  const on = { kind: 'part', part: strip.id } as const
  for (const contact of pieces({ min: [min[0], 0, min[2]], max: [max[0], t, min[2]] })) {
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
  // Pulled askew by an open leaf its rail comes to lie against the wall at the other end.
  for (const contact of pieces({ min, max: [max[0], min[1], max[2]] }))
    d.hold({ from, on: WALL, contact, push: OUT, way: 'push', via: 'bearing' })
  const z = min[2] - w + fixingUp(strip.section)
  return screwAlong(d, strip.id, z, h, { count: h.screws })
}

/**
 * A second strip under the lower rail of a body: it keeps that from swinging out. Nobody knows which of two strips
 * bears, so the first is counted with everything; this one has no less to hold it, and less that pulls.
 */
export function secondStrip(d: Draft, h: Hanging, strip: Strip): void {
  const { min, max, t, w } = placeStrip(d, h.lower, strip)
  const z = min[2] - w + fixingUp(strip.section)
  for (const x of fixingPlaces(h.space, min[0], max[0]))
    holdsAt(d, { part: strip.id }, anchorAt(d, strip.id, { x, z, throughMm: t }, h, { count: h.screws }), { x, z })
}

/** How what hangs on a strip is hooked on and off: lifted, then drawn out. @param parts all that goes along */
export function liftsOff(d: Draft, strip: Section, parts: string[]): void {
  const by: Vec3[] = [
    [0, 0, liftOff(strip)],
    [0, OUT_MM, 0],
  ]
  d.motion({ kind: 'stages', parts, by })
}

/** Screws a body to the wall through its rail and what lies before it. @returns how many fixings */
export function screwThroughRail(d: Draft, h: Hanging, beforeMm: number): number {
  const { min, max } = d.box(h.rail)
  const z = (min[2] + max[2]) / 2
  const places = fixingPlaces(h.space, min[0], max[0])
  for (const x of places) {
    const anchor = anchorAt(d, h.rail, { x, z, throughMm: max[1] - min[1] + beforeMm }, h, { count: h.screws })
    holdsAt(d, { body: h.body, through: h.rail }, anchor, { x, z })
  }
  leans(d, h)
  return places.length
}
