import { spliceOver, type Stretch } from '../sizing/splice.ts'
import type { FreeSpace } from '../../room/room.ts'
import { fixingPlaces, fixingsBehind, type Along, type Covered } from './wall-fixing.ts'

/** A piece on a wall is held in at least as many studs. */
export const LEAST_STUDS = 2

/** One height at which a run lies. */
export type Row = Pick<Along, 'low' | 'high' | 'throughMm'>

/**
 * A run along the wall in pieces that meet on studs, each in two of its own besides, as long as a board allows.
 * @param bands edges of each row of it, and how much wood fixings pass: then bolts and blocking behind it hold it as well,
 * and what is said of studs is said of the row that has fewest
 * @returns null where no board is long enough; `poor` where a piece is held in too few
 */
export function piecesOnStuds(
  space: FreeSpace,
  lengthMm: number,
  mostMm: number,
  covered?: Covered,
  bands: readonly Row[] = [],
): { pieces: Stretch[]; poor: { from: number; count: number } | null } | null {
  const places = (left: number, right: number) =>
    bands.length === 0
      ? fixingPlaces(space, left, right, covered)
      : bands
          .map((b) => fixingsBehind(space, { left, right, ...b }, (b.low + b.high) / 2, covered).map((f) => f.x))
          .reduce((a, b) => (b.length < a.length ? b : a))
  const studs = places(0, lengthMm)
  const seats = [0, ...studs, lengthMm]
  const count = (l: Stretch) => places(l.from, l.to).length
  const held = (l: Stretch) => count(l) >= LEAST_STUDS
  // Where two pieces meet a stud lies behind the ends of both.
  const splices = studs.map((_x, early) => () => spliceOver(lengthMm, mostMm, seats, early))
  const pieces = firstOf(splices, (list) => list?.every(held)) ?? splices[0]?.() ?? spliceOver(lengthMm, mostMm, seats)
  if (!pieces) return null
  const poor = pieces.find((l) => !held(l))
  return { pieces, poor: poor ? { from: poor.from, count: count(poor) } : null }
}

/** @returns the first that is as it should be; no later one is worked out */
function firstOf<T>(all: readonly (() => T)[], isRight: (x: T) => boolean | undefined): T | undefined {
  for (const one of all) {
    const x = one()
    if (isRight(x)) return x
  }
  return undefined
}

/** A run reaches past the stud at its end by this, mm. */
const PAST_STUD_MM = 40

/**
 * The same where a run that is held in too few goes on to the next stud, and the next, as far as the wall goes.
 * @param round of its length
 */
export function runOnStuds(
  space: FreeSpace,
  lengthMm: number,
  mostMm: number,
  { round, covered, bands }: { round: (mm: number) => number; covered?: Covered; bands?: readonly Row[] },
): ReturnType<typeof piecesOnStuds> {
  const ends = space.studsMm.map((x) => round(x + PAST_STUD_MM)).filter((x) => x > lengthMm && x <= space.lengthMm)
  const tried = [lengthMm, ...ends].map((mm) => piecesOnStuds(space, mm, mostMm, covered, bands))
  return tried.find((x) => x && !x.poor) ?? tried[0]
}

/** What is as long as is needed, or longer, so that it passes two studs; no longer than its wall. */
export function pastTwoStuds(space: FreeSpace, neededMm: number, round: (mm: number) => number): number {
  if (space.construction.kind !== 'studs') return Math.min(neededMm, space.lengthMm)
  const second = space.studsMm.filter((x) => x >= PAST_STUD_MM)[LEAST_STUDS - 1] ?? 0
  return Math.min(space.lengthMm, Math.max(neededMm, round(second + PAST_STUD_MM)))
}
