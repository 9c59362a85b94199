import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { roundNearest } from '../../measure/rounding.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { Units } from '../../measure/units.ts'
import { fallAt, type FloorFall } from '../../room/room.ts'
import { UP } from '../mounts/wall-fixing.ts'

/** A post that stands on the floor: its left back corner, its sizes along the wall and out from it, its top. */
export interface StandingPost {
  id: string
  stock: Stock
  x: number
  y: number
  wideMm: number
  deepMm: number
  topMm: number
  /** Which of its sizes is the section's width. */
  across: 'x' | 'y'
}

/** Heights are told from the level line at the floor's highest place: where it falls away, a post is longer by the fall. */
export function standPost(d: Draft, p: StandingPost, floor: { fall: FloorFall; units: Units }): void {
  const fall = roundNearest(Math.max(0, fallAt(floor.fall, p.x + p.wideMm / 2, p.y)), floor.units)
  d.square({
    id: p.id,
    role: 'post',
    stock: p.stock,
    min: [p.x, p.y, -fall],
    size: [p.wideMm, p.deepMm, p.topMm + fall],
    along: 'z',
    across: p.across,
  })
  d.rest(p.id, 'floor')
}

/** A post that stands turned: its middle, the way its broad face looks, its top. */
export interface TurnedPost {
  id: string
  stock: Stock
  x: number
  y: number
  wideMm: number
  thickMm: number
  topMm: number
  facing: Vec3
}

/** The same for a post that is not square to its wall: its foot is reckoned no larger than a square that lies within it. */
export function standTurnedPost(d: Draft, p: TurnedPost, floor: { fall: FloorFall; units: Units }): void {
  const fall = roundNearest(Math.max(0, fallAt(floor.fall, p.x, p.y)), floor.units)
  // Nought has no sign in a file.
  const low = fall > 0 ? -fall : 0
  d.strut({
    ...{ id: p.id, role: 'post', stock: p.stock, widthMm: p.wideMm, thicknessMm: p.thickMm, facing: p.facing },
    ...{ from: [p.x, p.y, low], to: [p.x, p.y, p.topMm] },
  })
  const half = p.thickMm / (2 * (Math.abs(p.facing[0]) + Math.abs(p.facing[1])))
  d.hold({
    ...{ from: { part: p.id }, on: { kind: 'floor' }, push: UP, way: 'push', via: 'bearing' },
    ...{ contact: { min: [p.x - half, p.y - half, low], max: [p.x + half, p.y + half, low] } },
    areaMm2: p.wideMm * p.thickMm,
  })
}
