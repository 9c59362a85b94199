import { clearOf, FEATURE_DEFAULTS } from './features.ts'
import { cornersAt } from './outline.ts'
import { atWallMm, studCentres, type Room, type Sides, type SideWall, type Wall } from './room.ts'

/*
 *    wall behind        seen from above: places along the walls beside a space are told out from its back;
 *   ______________
 *  |  __________  \    where a corner is wider than square its wall goes back from the space, so much for each mm out
 *  | |  space   |  \
 */

/** A corner further from square than this has no side wall: what stands square does not stand at it. Product decision. */
const SQUARE_RAD = (2 * Math.PI) / 180

/** The wall that meets another at an end of it; null at a loose end of an open run. */
export function wallAtEnd(r: Room, wallId: string, end: 'left' | 'right'): Wall | null {
  const i = r.walls.findIndex((w) => w.id === wallId)
  const j = i + (end === 'left' ? -1 : 1)
  return i < 0 ? null : (r.walls[r.closed ? (j + r.walls.length) % r.walls.length : j] ?? null)
}

/** The walls at both ends of a wall that meet it at a right angle, in the frame of what begins at a place before it. */
export function sidesAt(r: Room, wallId: string, from: { alongMm: number; outMm: number }): Sides {
  const corners = cornersAt(r, wallId, from.alongMm)
  const side = (which: 'left' | 'right'): SideWall | null => {
    const corner = corners[which]
    const w = wallAtEnd(r, wallId, which)
    if (!corner || !w || Math.abs(corner.rad - Math.PI / 2) > SQUARE_RAD) return null
    const backPerMm = Math.tan(corner.rad - Math.PI / 2)
    const sign = which === 'left' ? -1 : 1
    /** Walls go on to the right: of the one on the left it is the right end that is here. */
    const out = (mm: number) => (which === 'left' ? w.lengthMm - mm : mm) - from.outMm
    return {
      name: w.name,
      construction: w.construction,
      atMm: corner.fromMm + sign * backPerMm * from.outMm,
      backPerMm,
      highMm: w.heightMm,
      nearMm: atWallMm(w),
      studsMm: studCentres(w)
        .map(out)
        .sort((a, b) => a - b),
      obstacles: obstaclesOf(r, w, out),
    }
  }
  return { left: side('left'), right: side('right') }
}

const obstaclesOf = (r: Room, w: Wall, out: (mm: number) => number): SideWall['obstacles'] =>
  r.features
    .filter((f) => f.wallId === w.id && !FEATURE_DEFAULTS[f.kind].prepared && !f.comesDown)
    .map((f) => {
      const c = clearOf(f)
      const ends = [out(f.atMm - c.leftMm), out(f.atMm + f.wideMm + c.rightMm)]
      return {
        from: Math.min(...ends),
        to: Math.max(...ends),
        footMm: f.upMm - c.belowMm,
        headMm: f.upMm + f.highMm + c.aboveMm,
      }
    })
