import type { Anchor } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { onCourse } from '../../room/courses.ts'
import type { FreeSpace, SideWall } from '../../room/room.ts'
import { places, TIE_EDGE_MM, TIE_EMBED_MM } from './tie.ts'
import { fixingInto, liningOf } from './wall-fixing.ts'

/*
 * A piece at an end of a build, square to the wall behind, tied through its face to the wall beside it: to each stud it
 * passes, or at regular places in masonry. A gap between is packed out.
 */

export type End = 'left' | 'right'

/** The wall at an end of a space, if it holds a tie. */
export function holdsBeside(space: Pick<FreeSpace, 'sides'>, end: End): SideWall | null {
  const w = space.sides?.[end] ?? null
  return w?.construction.kind === 'thin' ? null : w
}

/** @param endMm how far along its space the build ends. @returns the wall it stands at there; null where none is near, or holds */
export function wallBeside(space: Pick<FreeSpace, 'sides'>, end: End, endMm: number): SideWall | null {
  const w = holdsBeside(space, end)
  return w && Math.abs(w.atMm - endMm) <= w.nearMm ? w : null
}

/** Where a piece is tied to the wall beside it: on its face, and how much each tie passes before what holds it, mm. */
interface SideTies {
  part: string
  end: End
  wall: SideWall
  at: { spot: Vec3; throughMm: number }[]
}

/** Where a piece that runs out from the wall can be tied to the one beside it. */
export function sideTies(d: Draft, part: string, end: End, wall: SideWall): SideTies {
  const { min, max } = d.box(part)
  const faceMm = end === 'left' ? min[0] : max[0]
  const c = wall.construction
  const z = onCourse(c, (min[2] + max[2]) / 2, [min[2], max[2]])
  const out =
    c.kind === 'studs'
      ? wall.studsMm.filter((y) => y > min[1] + TIE_EDGE_MM && y < max[1] - TIE_EDGE_MM)
      : places(min[1], max[1])
  const free = (y: number) =>
    z < wall.highMm && wall.obstacles.every((o) => y < o.from || y > o.to || z < o.footMm || z > o.headMm)
  const at = out.filter(free).map((y) => {
    const gap = (wall.atMm - faceMm) * (end === 'left' ? -1 : 1) + y * wall.backPerMm
    return { spot: [faceMm, y, z] as Vec3, throughMm: max[0] - min[0] + Math.max(0, gap) + liningOf(c) }
  })
  return { part, end, wall, at }
}

/** @param holds what may be counted on, along the build's axes */
export function tieToSide(d: Draft, t: SideTies, system: UnitSystem, holds: Anchor['holds']): void {
  for (const { spot, throughMm } of t.at) {
    const fixing = fixingInto(t.wall.construction, { throughMm, embedMm: TIE_EMBED_MM, count: 1 }, system)
    d.anchor({ part: t.part, side: t.end, at: spot, ...fixing, holds: [...holds] })
  }
}
