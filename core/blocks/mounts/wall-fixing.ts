import type { Anchor } from '../../assembly/assembly.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { Draft } from '../../assembly/draft.ts'
import { screwFor } from '../../catalogue/fasteners.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { onCourse } from '../../room/courses.ts'
import { APART_MM, NUT_MM, preparedBehind, type PreparedSpot } from '../../room/prepared.ts'
import type { Construction, FreeSpace } from '../../room/room.ts'

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

const isFree = (covered: Covered, x: number) => covered.middles.every((m) => Math.abs(x - m) >= covered.halfMm)

/** Where fixings go through something that runs along the wall: in every stud it passes, or regularly. */
export function fixingPlaces(space: FreeSpace, left: number, right: number, covered: Covered = NOTHING): number[] {
  const c = space.construction
  const [from, to] = [left + FROM_END_MM, right - FROM_END_MM]
  const free = (x: number) => isFree(covered, x)
  if (c.kind === 'thin') return []
  if (c.kind === 'studs') return space.studsMm.filter((x) => x >= from && x <= to && free(x))
  const n = Math.max(2, Math.ceil((to - from) / MASONRY_SPACING_MM) + 1)
  return Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1)).filter(free)
}

/** Something along a wall: its ends and edges, and how much wood a fixing passes in it and before it, mm. */
export interface Along {
  left: number
  right: number
  low: number
  high: number
  throughMm: number
}
export const alongOf = ({ min, max }: Box, beforeMm = 0): Along => ({
  left: min[0],
  right: max[0],
  low: min[2],
  high: max[2],
  throughMm: max[1] - min[1] + beforeMm,
})

/** Where one fixing goes, how much wood it passes, mm, and what it finds where that is not the wall as it is. */
export interface Spot {
  x: number
  z: number
  throughMm: number
  into?: PreparedSpot
}

/** Where something along a wall can be fixed to bolts and blocking behind it, clear of where it is fixed anyway. */
export function preparedFixings(space: FreeSpace, along: Along, wantedMm: number, usual: readonly Spot[]): Spot[] {
  if (space.prepared.length === 0) return []
  const studs = space.construction.kind === 'studs' ? space.studsMm : []
  return preparedBehind(space.prepared, 'wall', along, wantedMm, studs)
    .filter(({ prepared: p }) => p.kind !== 'bolt' || along.throughMm + space.packMm + NUT_MM <= p.thickMm)
    .map((into): Spot => ({ x: into.at[0], z: into.at[1], throughMm: along.throughMm, into }))
    .filter((p) => usual.every((u) => Math.abs(u.x - p.x) >= APART_MM))
}

/** What was prepared is met by hanging something no further from where it would hang than this, mm. Product decision. */
const WORTH_MOVING_MM = 300

/** The height nearest to one wanted at which bolts or blocking are behind a stretch of wall; null where none is near. */
export function preparedHeight(space: FreeSpace, left: number, right: number, wantedMm: number): number | null {
  const heights = space.prepared
    .filter((p) => p.on === 'wall' && p.right >= left + FROM_END_MM && p.left <= right - FROM_END_MM)
    .map((p) => (p.from + p.to) / 2)
    .filter((z) => Math.abs(z - wantedMm) <= WORTH_MOVING_MM)
  return heights.length === 0
    ? null
    : heights.reduce((a, b) => (Math.abs(b - wantedMm) < Math.abs(a - wantedMm) ? b : a))
}

/**
 * Where fixings go through something along the wall: at a height in every stud it passes, or regularly, on a course where
 * there are any; and wherever bolts or blocking behind it were prepared.
 */
export function fixingsBehind(space: FreeSpace, along: Along, wantedMm: number, covered: Covered = NOTHING): Spot[] {
  const { left, right, low, high, throughMm } = along
  const z = onCourse(space.construction, wantedMm, [low, high])
  const usual = fixingPlaces(space, left, right, covered).map((x): Spot => ({ x, z, throughMm }))
  const inside = { ...along, left: left + FROM_END_MM, right: right - FROM_END_MM }
  const prepared = preparedFixings(space, inside, wantedMm, usual).filter((p) => isFree(covered, p.x))
  return prepared.length === 0 ? usual : [...usual, ...prepared].sort((a, b) => a.x - b.x)
}

interface Anchored {
  /** Screws beside each other in a stud; in masonry an anchor stands alone. */
  count?: number
  /** Thread wanted in a stud behind the lining, mm. */
  embedMm?: number
  holds?: Anchor['holds']
  covered?: Covered
  /** What lies before the part and is passed as well. */
  before?: readonly string[]
}

/** An anchor through a part into the wall. @returns its id */
export function anchorAt(
  d: Draft,
  part: string,
  at: Spot,
  w: Wall,
  { count = 1, embedMm = STUD_EMBED_MM, holds = ['y', 'z'], before = [] }: Anchored = {},
): string {
  const c = w.space.construction
  // The screw passes what packs it out as well.
  const all = at.throughMm + w.space.packMm + liningOf(c)
  const passes = (id: string) => d.box(id).min[0] <= at.x && d.box(id).max[0] >= at.x
  const bored = [part, ...before.filter(passes)]
  if (at.into) return intoPrepared(d, bored, { ...at, into: at.into, throughMm: all }, { w, embedMm, holds, count })
  const fixing = fixingInto(c, { throughMm: all, embedMm, count }, w.system)
  return d.anchor({ part, at: [at.x, 0, at.z], ...fixing, holds })
}

/**
 * What goes into a wall: a screw of the catalogue into a stud, or an anchor known by its maker's rating.
 * @param of all it passes before what holds it, thread wanted in that, and how many go beside each other into a stud
 */
export function fixingInto(
  c: Construction,
  { throughMm, embedMm, count }: { throughMm: number; embedMm: number; count: number },
  system: UnitSystem,
): Pick<Anchor, 'into' | 'count' | 'fastener' | 'embedMm'> {
  if (c.kind !== 'studs')
    return { into: c.kind === 'masonry' ? 'masonry' : 'concrete', count: 1, fastener: null, embedMm: 0 }
  const screw = screwFor((throughMm + embedMm) / 1.95, 200, system)
  return { into: 'stud', count, fastener: screw.id, embedMm: Math.max(0, screw.lengthMm - throughMm) }
}
/** Lining before the studs of a wall, mm. */
export const liningOf = (c: Construction): number => (c.kind === 'studs' && c.lined ? c.liningMm : 0)

/** An anchor on a bolt that is there, which it is bored for, or with its thread in blocking. */
function intoPrepared(
  d: Draft,
  bored: readonly string[],
  at: Spot & { into: PreparedSpot },
  { w, embedMm, holds, count }: { w: Wall; embedMm: number; holds: Anchor['holds']; count: number },
): string {
  const { of, kind, holdsN, left, right, thickMm } = at.into.prepared
  const given = {
    part: bored[0],
    at: [at.x, 0, at.z] as Vec3,
    holds,
    prepared: { of, field: at.into.field, on: 'wall' as const, holdsN },
  }
  if (kind === 'bolt') {
    for (const part of bored) boreForBolt(d, part, at, right - left)
    return d.anchor({ ...given, into: 'bolt', count: 1, fastener: null, embedMm: 0 })
  }
  const screw = screwFor((at.throughMm + Math.min(embedMm, thickMm)) / 1.95, 200, w.system)
  const thread = Math.min(screw.lengthMm - at.throughMm, thickMm)
  return d.anchor({ ...given, into: 'stud', count, fastener: screw.id, embedMm: thread })
}

/** A hole for a bolt is this much wider, mm. */
const BOLT_PLAY_MM = 2

/** The hole a bolt in the wall or ceiling goes through in a piece before it: where along two of its sides. */
export function boreForBolt(d: Draft, part: string, at: { x: number; y?: number; z?: number }, diameterMm: number) {
  const { along, across } = d.part(part).at
  const from = d.box(part).min
  const to = (axis: Vec3) => {
    const i = axis.findIndex((v) => Math.abs(v) > 0.5)
    return ([at.x, at.y, at.z][i] ?? from[i]) - from[i]
  }
  const [atMm, offMm] = [to(along), to(across)]
  const wide = diameterMm + BOLT_PLAY_MM
  d.machine(part, { kind: 'hole', face: 'over', atMm, offMm, diameterMm: wide, depthMm: null, tiltRad: 0 })
}

export const UP: Vec3 = [0, 0, 1]
export const DOWN: Vec3 = [0, 0, -1]
export const OUT: Vec3 = [0, 1, 0]
export const ALONG: Vec3 = [1, 0, 0]
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
  const places = fixingsBehind(w.space, alongOf(d.box(part)), wantedMm, given.covered)
  for (const f of places) {
    const { x } = f
    holdsAt(d, { part }, anchorAt(d, part, f, w, given), f)
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
