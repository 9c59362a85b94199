import type { Draft } from '../../assembly/draft.ts'
import { FOOT_ANGLE } from '../../catalogue/hardware.ts'
import type { Box } from '../../geometry/box.ts'
import { UP } from './wall-fixing.ts'

/*
 *  post|   from the side: an angle against the face of a post and on the floor,
 *      |L  screwed to the one, held in the other by an anchor
 */

/** Room an angle takes up over the floor in front of its post, mm. */
export const ANGLE_ROOM_MM = FOOT_ANGLE.sizeMm

/** Pins the foot of a post to the slab in front of it: it cannot be lifted. @param id of the angle @returns the anchor's id */
export function pinFoot(d: Draft, id: string, post: string): string {
  const { sizeMm, steelMm, item, massKg, ratedN } = FOOT_ANGLE
  const foot = d.box(post)
  const wideMm = Math.min(sizeMm, foot.max[0] - foot.min[0])
  const x = (foot.min[0] + foot.max[0]) / 2
  const [y, z] = [foot.max[1], foot.min[2]]
  d.square({
    id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: [x - wideMm / 2, y, z],
    size: [wideMm, sizeMm, sizeMm],
    along: 'y',
    across: 'z',
    outline: [
      [0, 0],
      [sizeMm, 0],
      [sizeMm, 2 * steelMm],
      [4 * steelMm, sizeMm],
      [0, sizeMm],
    ],
  })
  d.joint({ kind: 'hung', near: id, far: post, fasteners: [], at: [x, y, z + sizeMm / 2] })
  const leg: Box = { min: [x - wideMm / 2, y, z], max: [x + wideMm / 2, y, z + sizeMm] }
  // What it weighs hangs on the post: what its foot presses on the floor with is not shared with it.
  d.hold({ from: { part: id }, on: { kind: 'part', part: post }, push: UP, way: 'both', via: 'hanging', contact: leg })
  return d.anchor({
    part: id,
    into: 'slab',
    at: [x, y + sizeMm / 2, z],
    count: 1,
    fastener: null,
    embedMm: 0,
    holds: ['z'],
  })
}
