import type { Construction } from './room.ts'

/*
 * Fixings in masonry whose courses somebody has measured: in the bricks or blocks, or in the joints between them,
 * whichever their rating is for.
 *
 *   ______________   joint: jointMm high
 *     o      o       in a unit: the hole keeps off the joints
 *   ___x______x___   in a joint: the hole does not bite into a unit more than it must
 */

export type Courses = NonNullable<Extract<Construction, { kind: 'masonry' }>['courses']>

export const coursesOf = (c: Construction): Courses | null => (c.kind === 'masonry' ? (c.courses ?? null) : null)

/** The same wall as it is seen from so much higher: by what stands on something else. mm */
export function fromHigher(wall: Construction, byMm: number): Construction {
  const c = coursesOf(wall)
  return c ? { kind: 'masonry', courses: { ...c, firstMm: overJoint({ ...c, firstMm: 0 }, c.firstMm - byMm) } } : wall
}

/** A hole in a unit keeps this far from a joint, mm: less breaks out. Product decision, about two diameters. */
const FROM_JOINT_MM = 20
/** The middle of a hole in a joint is no further from its middle than this share of its height. Product decision. */
const WITHIN_JOINT = 0.25

/** How far above the nearest joint below a height is, mm: the joint's middle is nought. */
const overJoint = ({ everyMm, firstMm }: Courses, z: number): number => (((z - firstMm) % everyMm) + everyMm) % everyMm

/** How far a fixing at a height must go up (or down: less than nought) to be where it belongs, mm; nought where it is. */
export function offCourse(c: Courses, z: number): number {
  const over = overJoint(c, z)
  if (c.fixIn === 'joints') {
    const to = over <= c.everyMm / 2 ? -over : c.everyMm - over
    return Math.abs(to) <= WITHIN_JOINT * c.jointMm ? 0 : to
  }
  const keep = c.jointMm / 2 + FROM_JOINT_MM
  // Units too low for it are met in their middle.
  if (c.everyMm < 2 * keep) return Math.abs(c.everyMm / 2 - over) < 1 ? 0 : c.everyMm / 2 - over
  if (over < keep) return keep - over
  return over > c.everyMm - keep ? c.everyMm - keep - over : 0
}

/** Heights of fixings along an upright piece: evenly, each where its courses let it, none out of the piece or twice. */
export function upAlong(c: Courses | null, wanted: readonly number[], [from, to]: readonly [number, number]): number[] {
  if (!c) return [...wanted]
  const put = wanted.map((z) => {
    const at = z + offCourse(c, z)
    // Out of the piece: to the next course the other way.
    const other = at > to ? at - c.everyMm : at < from ? at + c.everyMm : at
    return other >= from && other <= to ? other : z
  })
  return put.filter((z, i) => i === 0 || z - put[i - 1] > 1)
}

/** A fixing keeps this far from the edges of the piece it goes through, mm. Product decision. */
const FROM_EDGE_MM = 18

/** Where a fixing wanted at a height goes through a piece from one height to another: where its course lets it, if it can. */
export function onCourse(wall: Construction, z: number, [from, to]: readonly [number, number]): number {
  const courses = coursesOf(wall)
  const at = courses ? z + offCourse(courses, z) : z
  return at >= from + FROM_EDGE_MM && at <= to - FROM_EDGE_MM ? at : z
}
