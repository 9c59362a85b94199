import type { Draft } from '../../assembly/draft.ts'
import { FOOT_ANGLE } from '../../catalogue/hardware.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
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
  const foot = d.box(post)
  const way = side === 'rear' ? 1 : -1
  return angleAt(d, id, post, { axis: 1, way, middleMm: (foot.min[0] + foot.max[0]) / 2 })
}

/**
 * Pins an upright of sheet to the slab by its broad face. @param way along the wall to which the angle lies
 * @param middleMm of the angle, out from the wall
 */
const pinSide = (d: Draft, id: string, upright: string, way: 1 | -1, middleMm: number): string =>
  angleAt(d, id, upright, { axis: 0, way, middleMm })

/** Middle of an angle from the back or the front of its box, mm: a driver goes in beside it. */
const ANGLE_IN_MM = 80

/** Angles at both ends of boxes of sheet, inside, under their lowest panels. @param ends the outer uprights of each */
export function pinBoxes(
  d: Draft,
  ends: readonly (readonly [string, string])[],
  at: { backMm: number; frontMm: number; rows: readonly ('rear' | 'front')[] },
): void {
  // Of what is shallow both would be in one place; neither stands in the back.
  const inMm = Math.max(FOOT_ANGLE.sizeMm / 2, Math.min(ANGLE_IN_MM, (at.frontMm - at.backMm) / 4))
  const parts = ends.flatMap(([left, right], n) =>
    at.rows.flatMap((row) => {
      const y = row === 'rear' ? at.backMm + inMm : at.frontMm - inMm
      const [one, other] = ['left', 'right'].map((side) => `angle-${n}-${side}-${row}`)
      pinSide(d, one, left, 1, y)
      pinSide(d, other, right, -1, y)
      return [one, other]
    }),
  )
  d.sub({ id: 'angles', name: 'unit', parts, built: 'in-place' })
}

/** An angle against the face of a post that looks along an axis, `way` along it. @returns the anchor's id */
function angleAt(
  d: Draft,
  id: string,
  post: string,
  { axis, way, middleMm }: { axis: 0 | 1; way: 1 | -1; middleMm: number },
): string {
  const { sizeMm, steelMm, item, massKg, ratedN } = FOOT_ANGLE
  const foot = d.box(post)
  const side = axis === 0 ? 1 : 0
  const wideMm = Math.min(sizeMm, foot.max[side] - foot.min[side])
  const z = foot.min[2]
  const face = way > 0 ? foot.max[axis] : foot.min[axis]
  const from = way > 0 ? face : face - sizeMm
  /** Along the axis first, along the post's face second. */
  const at = (along: number, beside: number, up: number): Vec3 =>
    axis === 0 ? [along, beside, up] : [beside, along, up]
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
    min: at(from, middleMm - wideMm / 2, z),
    size: at(sizeMm, wideMm, sizeMm),
    along: axis === 0 ? 'x' : 'y',
    across: 'z',
    outline: way > 0 ? profile : profile.map(([u, v]): [number, number] => [sizeMm - u, v]).reverse(),
  })
  d.joint({ kind: 'hung', near: id, far: post, fasteners: [], at: at(face, middleMm, z + sizeMm / 2) })
  const leg: Box = { min: at(face, middleMm - wideMm / 2, z), max: at(face, middleMm + wideMm / 2, z + sizeMm) }
  // What it weighs hangs on the post: what its foot presses on the floor with is not shared with it.
  d.hold({ from: { part: id }, on: { kind: 'part', part: post }, push: UP, way: 'both', via: 'hanging', contact: leg })
  return d.anchor({
    part: id,
    into: 'slab',
    at: at(from + sizeMm / 2, middleMm, z),
    count: 1,
    fastener: null,
    embedMm: 0,
    holds: ['z'],
  })
}
