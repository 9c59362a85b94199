import type { Draft } from '../../assembly/draft.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { onCourse } from '../../room/courses.ts'
import type { FreeSpace } from '../../room/room.ts'
import { anchorAt } from './wall-fixing.ts'

/** A wall without studs is tied to every this far, mm: product decision, about the spacing of studs. */
const MASONRY_SPACING = 800
/** Thread wanted in a stud behind the lining by what is only tied, mm. */
const TIE_EMBED_MM = 32

/**
 * Ties a horizontal part near the wall to what is behind it: to each stud it passes, or at regular places in masonry.
 * The board against the wall is screwed through.
 * @param behindMm thickness of what lies between the part and the wall
 * @returns how many ties there are
 */
export function tieToWall(d: Draft, part: string, space: FreeSpace, system: UnitSystem, behindMm = 0): number {
  const b = d.box(part)
  const c = space.construction
  const edge = 20
  const spots =
    c.kind === 'studs'
      ? space.studsMm.filter((x) => x > b.min[0] + edge && x < b.max[0] - edge)
      : c.kind === 'thin'
        ? []
        : places(b.min[0], b.max[0])
  const at = { z: onCourse(c, (b.min[2] + b.max[2]) / 2, [b.min[2], b.max[2]]) }
  for (const x of spots)
    anchorAt(
      d,
      part,
      { x, ...at, throughMm: b.max[1] - b.min[1] + behindMm },
      { space, system },
      { embedMm: TIE_EMBED_MM, holds: ['x', 'y'] },
    )
  return spots.length
}

function places(left: number, right: number): number[] {
  const n = Math.max(2, Math.ceil((right - left) / MASONRY_SPACING))
  return Array.from({ length: n }, (_, i) => left + ((right - left) * (i + 0.5)) / n)
}
