import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { wedgeShare } from '../../mechanics/hung.ts'
import { alongOf, anchorAt, fixingsBehind, holdsAt, OUT, screwAlong, UP, WALL, type Wall } from './wall-fixing.ts'

/*
 * A body on a wall: it hangs on a rail at its back near its top, and leans against the wall with its lower edge.
 *
 *    wall|=| rail of the body, its lower edge bevelled        or the rail is screwed through into the wall
 *        |/| strip on the wall, its upper edge bevelled: its toe stands before the rail's
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
export const fixingUp = ({ widthMm: w, thicknessMm: t }: Pick<Section, 'widthMm' | 'thicknessMm'>): number =>
  Math.max(w / 2, w - t * Math.tan(BEVEL_RAD) - UNDER_BEVEL_MM)

/** A bevel of 45° is as high as its board is thick. mm */
export const bevelHigh = (s: Pick<Section, 'thicknessMm'>): number => s.thicknessMm * Math.tan(BEVEL_RAD)

/** How far a body is lifted to come off its strip. */
export const liftOff = (s: Pick<Section, 'thicknessMm'>): number => bevelHigh(s) + LIFT_MM

/** What leans along the wall does so at this many places: only past the middle of an outer one is it turned. */
const PLACES = 4

/** A stretch along the wall in equal pieces. */
const pieces = ({ min, max }: Box, places = PLACES): Box[] => {
  const each = (max[0] - min[0]) / places
  return Array.from({ length: places }, (_, i) => ({
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

export interface Strip {
  id: string
  section: Section
  stock: Stock
}

/**
 * A strip under a rail, and the bevels of both: its toe stands up before that of the rail, so that they share the height
 * of the bevel. @returns its upper edge
 */
function placeStrip(d: Draft, rail: string, { id, section, stock }: Strip): number {
  const { min, max } = d.box(rail)
  const topMm = min[2] + bevelHigh(section)
  wallStrip(d, { id, section, stock, left: min[0], right: max[0], topMm, backMm: 0 })
  bevelRail(d, rail)
  d.joint({ kind: 'hooked', near: rail, far: id, fasteners: [] })
  return topMm
}

/** A bevelled strip along the wall. @param s its toe, away from the wall, is its upper edge */
export function wallStrip(
  d: Draft,
  s: Strip & { left: number; right: number; topMm: number; backMm: number; widthMm?: number },
): void {
  const { thicknessMm: t, widthMm } = s.section
  const w = s.widthMm ?? widthMm
  d.square({
    id: s.id,
    role: 'hanger',
    stock: s.stock,
    min: [s.left, s.backMm, s.topMm - w],
    size: [s.right - s.left, t, w],
    along: 'x',
    across: 'z',
  })
  // It stands away from the wall at its top.
  d.machine(s.id, { kind: 'bevel', face: 'over', edge: 'high', angleRad: BEVEL_RAD })
}

/** The lower edge of what hooks over a strip: its toe is at the wall. */
export const bevelRail = (d: Draft, rail: string): void =>
  d.machine(rail, { kind: 'bevel', face: 'under', edge: 'low', angleRad: BEVEL_RAD })

/**
 * The bevelled rail of a body lies on that of a strip, along what the rail has of it: it is held up there, and pulled to
 * the wall by at least what the bevel pushes.
 */
export function hooksOver(
  d: Draft,
  { body, rail, strip }: { body: string; rail: string; strip: string },
  places = PLACES,
) {
  const { min, max } = d.box(rail)
  const topMm = d.box(strip).max[2]
  const from = { body, through: rail }
  const on = { kind: 'part', part: strip } as const
  const middle = (min[2] + topMm) / 2
  for (const { min: a, max: b } of pieces({ min: [min[0], min[1], min[2]], max: [max[0], max[1], topMm] }, places)) {
    const contact: Box = { min: [a[0], a[1], middle], max: [b[0], b[1], middle] }
    const by = d.hold({ from, on, contact, push: UP, way: 'push', via: 'bearing' })
    const wedged = { by, share: wedgeShare(BEVEL_RAD, Math.atan(FRICTION)) }
    d.hold({ from, on, contact: { min: a, max: b }, push: OUT, way: 'pull', via: 'bearing', wedged })
  }
}

/**
 * Hooks a body on a bevelled strip that is fixed to the wall, under the bevelled rail at its back.
 * @returns how many fixings the strip has
 */
export function hookOnStrip(d: Draft, h: Hanging, strip: Strip): number {
  const topMm = placeStrip(d, h.rail, strip)
  hooksOver(d, { body: h.body, rail: h.rail, strip: strip.id })
  leans(d, h)
  // Pulled askew by an open leaf its rail comes to lie against the wall at the other end.
  const { min, max } = d.box(h.rail)
  for (const contact of pieces({ min, max: [max[0], min[1], max[2]] }))
    d.hold({ from: { body: h.body, through: h.rail }, on: WALL, contact, push: OUT, way: 'push', via: 'bearing' })
  return screwAlong(d, strip.id, topMm - strip.section.widthMm + fixingUp(strip.section), h, { count: h.screws })
}

/**
 * A second strip under the lower rail of a body: it keeps that from swinging out. Nobody knows which of two strips
 * bears, so the first is counted with everything; this one has no less to hold it, and less that pulls.
 */
export function secondStrip(d: Draft, h: Hanging, strip: Strip): void {
  const wanted = placeStrip(d, h.lower, strip) - strip.section.widthMm + fixingUp(strip.section)
  for (const f of fixingsBehind(h.space, alongOf(d.box(strip.id)), wanted))
    holdsAt(d, { part: strip.id }, anchorAt(d, strip.id, f, h, { count: h.screws }), f)
}

/** How what hangs on a strip is hooked on and off: lifted, then drawn out. @param parts all that goes along */
export function liftsOff(d: Draft, strip: Section, parts: string[]): void {
  const by: Vec3[] = [
    [0, 0, liftOff(strip)],
    [0, OUT_MM, 0],
  ]
  d.motion({ kind: 'stages', parts, by })
}

/** Screws a body to the wall through its rail and the pieces that lie before it. @returns how many fixings */
export function screwThroughRail(d: Draft, h: Hanging, before: readonly string[] = []): number {
  const { min, max } = d.box(h.rail)
  const beforeMm = Math.max(0, ...before.map((id) => d.part(id).size.thicknessMm))
  const places = fixingsBehind(h.space, alongOf(d.box(h.rail), beforeMm), (min[2] + max[2]) / 2)
  for (const f of places) {
    const anchor = anchorAt(d, h.rail, f, h, { count: h.screws, before })
    holdsAt(d, { body: h.body, through: h.rail }, anchor, f)
  }
  leans(d, h)
  return places.length
}
