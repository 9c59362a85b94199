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

/**
 * Pins the foot of a post to the slab on the side that looks into the build: it cannot be lifted. A rear one in front of
 * it, a front one behind it. @param id of the angle @returns the anchor's id
 */
export function pinFoot(d: Draft, id: string, post: string, side: 'rear' | 'front' = 'rear'): string {
  const { sizeMm, steelMm, item, massKg, ratedN } = FOOT_ANGLE
  const foot = d.box(post)
  const wideMm = Math.min(sizeMm, foot.max[0] - foot.min[0])
  const x = (foot.min[0] + foot.max[0]) / 2
  const rear = side === 'rear'
  const [y, z] = [rear ? foot.max[1] : foot.min[1] - sizeMm, foot.min[2]]
  const face = rear ? y : y + sizeMm
  const profile: [number, number][] = [
    [0, 0],
    [sizeMm, 0],
    [sizeMm, 2 * steelMm],
    [4 * steelMm, sizeMm],
    [0, sizeMm],
  ]
  d.square({
    id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: [x - wideMm / 2, y, z],
    size: [wideMm, sizeMm, sizeMm],
    along: 'y',
    across: 'z',
    outline: rear ? profile : profile.map(([u, v]): [number, number] => [sizeMm - u, v]).reverse(),
  })
  d.joint({ kind: 'hung', near: id, far: post, fasteners: [], at: [x, face, z + sizeMm / 2] })
  const leg: Box = { min: [x - wideMm / 2, face, z], max: [x + wideMm / 2, face, z + sizeMm] }
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
