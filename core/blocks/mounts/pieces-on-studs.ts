import { spliceOver, type Stretch } from '../sizing/splice.ts'
import type { FreeSpace } from '../../room/room.ts'
import { fixingPlaces, type Covered } from './wall-fixing.ts'

/** A piece on a wall is held in at least as many studs. */
export const LEAST_STUDS = 2

/**
 * A run along the wall in pieces that meet on studs, each in two of its own besides, as long as a board allows.
 * @returns null where no board is long enough; `poor` where a piece is held in too few
 */
export function piecesOnStuds(
  space: FreeSpace,
  lengthMm: number,
  mostMm: number,
  covered?: Covered,
): { pieces: Stretch[]; poor: { from: number; count: number } | null } | null {
  const studs = fixingPlaces(space, 0, lengthMm, covered)
  const seats = [0, ...studs, lengthMm]
  const count = (l: Stretch) => fixingPlaces(space, l.from, l.to, covered).length
  const held = (l: Stretch) => count(l) >= LEAST_STUDS
  // Where two pieces meet a stud lies behind the ends of both.
  const splices = studs.map((_x, early) => spliceOver(lengthMm, mostMm, seats, early))
  const pieces = splices.find((list) => list?.every(held)) ?? splices[0] ?? spliceOver(lengthMm, mostMm, seats)
  if (!pieces) return null
  const poor = pieces.find((l) => !held(l))
  return { pieces, poor: poor ? { from: poor.from, count: count(poor) } : null }
}
