import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { roundNearest } from '../../measure/rounding.ts'
import type { Units } from '../../measure/units.ts'
import { fallAt, type FloorFall } from '../../room/room.ts'

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
