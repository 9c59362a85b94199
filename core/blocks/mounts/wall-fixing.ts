import type { Anchor } from '../../assembly/assembly.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { Draft } from '../../assembly/draft.ts'
import { screwFor } from '../../catalogue/fasteners.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { onCourse } from '../../room/courses.ts'
import type { FreeSpace } from '../../room/room.ts'

/*
 * Fixings through a piece into the wall behind it: where they can be, what they are, and what they hold.
 */

export interface Wall {
  space: FreeSpace
  system: UnitSystem
}

/** Thread wanted in a stud behind the lining by what hangs, mm. */
const STUD_EMBED_MM = 50
/** Fixings keep this far from the ends of a board, mm. */
export const FROM_END_MM = 25
/** A wall without studs takes a fixing this often, mm. Product decision, about the spacing of studs. */
const MASONRY_SPACING_MM = 400

/** Where pieces before it keep a fixing from being driven: their middles along the wall, and how far from those. */
export interface Covered {
  middles: readonly number[]
  halfMm: number
}
const NOTHING: Covered = { middles: [], halfMm: 0 }

/** Where fixings go through something that runs along the wall: in every stud it passes, or regularly. */
export function fixingPlaces(space: FreeSpace, left: number, right: number, covered: Covered = NOTHING): number[] {
  const c = space.construction
  const [from, to] = [left + FROM_END_MM, right - FROM_END_MM]
  const free = (x: number) => covered.middles.every((m) => Math.abs(x - m) >= covered.halfMm)
  if (c.kind === 'thin') return []
  if (c.kind === 'studs') return space.studsMm.filter((x) => x >= from && x <= to && free(x))
  const n = Math.max(2, Math.ceil((to - from) / MASONRY_SPACING_MM) + 1)
  return Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1)).filter(free)
}

interface Anchored {
  /** Screws beside each other in a stud; in masonry an anchor stands alone. */
  count?: number
  /** Thread wanted in a stud behind the lining, mm. */
  embedMm?: number
  holds?: Anchor['holds']
  covered?: Covered
}

/** Where an anchor goes, and how much wood it passes, mm. */
export interface Spot {
  x: number
  z: number
  throughMm: number
}

/** An anchor through a part into the wall. @returns its id */
export function anchorAt(
  d: Draft,
  part: string,
  at: Spot,
  w: Wall,
  { count = 1, embedMm = STUD_EMBED_MM, holds = ['y', 'z'] }: Anchored = {},
): string {
  const c = w.space.construction
  const all = at.throughMm + (c.kind === 'studs' && c.lined ? c.liningMm : 0)
  const screw = screwFor((all + embedMm) / 1.95, 200, w.system)
  const stud = c.kind === 'studs'
  return d.anchor({
    part,
    into: stud ? 'stud' : c.kind === 'masonry' ? 'masonry' : 'concrete',
    at: [at.x, 0, at.z],
    count: stud ? count : 1,
    fastener: stud ? screw.id : null,
    embedMm: stud ? screw.lengthMm - all : 0,
    holds,
  })
}

export const UP: Vec3 = [0, 0, 1]
export const OUT: Vec3 = [0, 1, 0]
export const WALL = { kind: 'wall' } as const

/** An anchor holds up and back what it passes. */
export function holdsAt(
  d: Draft,
  from: { part: string } | { body: string; through: string },
  anchor: string,
  at: { x: number; z: number },
) {
  const spot: Vec3 = [at.x, 0, at.z]
  const contact: Box = { min: spot, max: spot }
  for (const push of [UP, OUT]) d.hold({ from, on: WALL, contact, push, way: 'both', via: 'fasteners', anchor })
}

/** What turns about an edge presses so far inside it, as a share of the board's width. Product decision. */
export const EDGE_SHARE = 1 / 8

/**
 * Screws a piece that runs along the wall into every stud it passes, at a height. What it carries off the wall turns it
 * about its lower edge, which presses there. @returns how many fixings
 */
export function screwAlong(d: Draft, part: string, wantedMm: number, w: Wall, given: Anchored = {}): number {
  const { min, max } = d.box(part)
  const z = onCourse(w.space.construction, wantedMm, [min[2], max[2]])
  const places = fixingPlaces(w.space, min[0], max[0], given.covered)
  for (const x of places) {
    holdsAt(d, { part }, anchorAt(d, part, { x, z, throughMm: max[1] - min[1] }, w, given), { x, z })
    const edge: Vec3 = [x, 0, min[2] + EDGE_SHARE * (max[2] - min[2])]
    d.hold({
      from: { part },
      on: WALL,
      contact: { min: edge, max: edge },
      push: OUT,
      way: 'push',
      via: 'bearing',
      steadies: true,
    })
  }
  return places.length
}
