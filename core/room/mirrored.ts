import { begunBack, fromOther } from './joists-turned.ts'
import type { FreeSpace, Joists } from './room.ts'

/*
 * A mirrored build is shaped straight in the mirror image of its space, and then turned over: what is behind and over it
 * is where it really is.
 */

export function mirroredJoists<J extends Joists | null>(j: J, wideMm: number): J {
  if (j === null) return j
  return j.run === 'out' ? { ...j, atMm: fromOther(j.atMm, wideMm) } : { ...j, fromMm: begunBack(j, wideMm) }
}

const turned = <T extends { left: number; right: number }>(list: readonly T[], wideMm: number): T[] =>
  list.map((x) => ({ ...x, left: wideMm - x.right, right: wideMm - x.left }))

/** A space with its left and right changed, about a build so wide. */
export const mirroredSpace = (s: FreeSpace, wideMm: number): FreeSpace => ({
  ...s,
  studsMm: fromOther(s.studsMm, wideMm).filter((x) => x >= 0),
  obstacles: turned(s.obstacles, wideMm),
  joists: mirroredJoists(s.joists, wideMm),
  prepared: turned(s.prepared, wideMm),
  floorFall: {
    ...s.floorFall,
    atOriginMm: s.floorFall.atOriginMm + (s.floorFall.xMmPerM * wideMm) / 1000,
    xMmPerM: -s.floorFall.xMmPerM,
  },
})
