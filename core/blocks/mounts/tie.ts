import type { Draft } from '../../assembly/draft.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { onCourse } from '../../room/courses.ts'
import type { FreeSpace } from '../../room/room.ts'
import { alongOf, anchorAt, preparedFixings, type Spot } from './wall-fixing.ts'

/** A wall without studs is tied to every this far, mm: product decision, about the spacing of studs. */
const MASONRY_SPACING = 800
/** Ties to studs or masonry that are enough: then nobody looks for bolts and blocking. */
const ENOUGH_TIES = 2
/** Thread wanted in a stud behind the lining by what is only tied, mm. */
export const TIE_EMBED_MM = 32
/** Ties keep this far from the ends of what they go through, mm. */
export const TIE_EDGE_MM = 20

/**
 * Ties a horizontal part near the wall to what is behind it: to each stud it passes, or at regular places in masonry.
 * The board against the wall is screwed through.
 * @param behindMm thickness of what lies between the part and the wall
 * @returns how many ties there are
 */
export function tieToWall(d: Draft, part: string, space: FreeSpace, system: UnitSystem, behindMm = 0): number {
  const b = d.box(part)
  const c = space.construction
  const edge = TIE_EDGE_MM
  const spots =
    c.kind === 'studs'
      ? space.studsMm.filter((x) => x > b.min[0] + edge && x < b.max[0] - edge)
      : c.kind === 'thin'
        ? []
        : places(b.min[0], b.max[0])
  const middle = (b.min[2] + b.max[2]) / 2
  const z = onCourse(c, middle, [b.min[2], b.max[2]])
  const along = alongOf(b, behindMm)
  const usual = spots.map((x): Spot => ({ x, z, throughMm: along.throughMm }))
  const inside = { ...along, left: b.min[0] + edge, right: b.max[0] - edge }
  // Where the wall itself gives nothing, or too little, what was prepared in it does.
  const more = usual.length < ENOUGH_TIES ? preparedFixings(space, inside, middle, usual) : []
  const all = [...usual, ...more]
  for (const f of all) anchorAt(d, part, f, { space, system }, { embedMm: TIE_EMBED_MM, holds: ['x', 'y'] })
  return all.length
}

export function places(left: number, right: number): number[] {
  const n = Math.max(2, Math.ceil((right - left) / MASONRY_SPACING))
  return Array.from({ length: n }, (_, i) => left + ((right - left) * (i + 0.5)) / n)
}
