import { angleText } from '../measure/angle.ts'
import { oddSpan } from '../room/ceiling.ts'
import type { FloorPlane } from '../room/floor.ts'
import { CLOSES_MM, offSquareMm, scribeAllowanceMm, type Closing, type CornerReading } from '../room/outline.ts'
import type { Room } from '../room/room.ts'
import { plural, type Say } from './say.ts'

const wallName = (r: Room, id: string) => r.walls.find((w) => w.id === id)?.name ?? 'a wall'

/** What a diagonal is called: from one corner to another. */
export const diagonalName = (r: Room, id: string): string => {
  const d = r.diagonals.find((x) => x.id === id)
  return d
    ? `diagonal from the left end of ${wallName(r, d.fromWallId)} to the left end of ${wallName(r, d.toWallId)}`
    : 'diagonal'
}

/** Whether the measured room closes, and what to measure again when it does not. */
export function sayClosing(r: Room, c: Closing, say: Say): { state: 'holds' | 'fails' | 'unknown'; words: string } {
  if (!r.closed)
    return { state: 'unknown', words: 'The walls are an open run: say so when the last one ends at the first.' }
  if (c.by === 'none') return { state: 'unknown', words: 'A room needs at least three walls to close.' }
  const more = plural(c.wanted, 'diagonal')
  if (c.by === 'walk')
    return c.missMm > CLOSES_MM
      ? {
          state: 'fails',
          words: `Your walls miss by ${say.length(c.missMm)} when they are walked with the corners as they stand. Measure ${more}, or the corners.`,
        }
      : {
          state: 'unknown',
          words: `Your walls close to ${say.length(c.missMm)} if the corners are as they stand. Measure ${more} to be sure of the corners.`,
        }
  if (c.suspect) {
    const what = c.suspect.of === 'diagonal' ? `the ${diagonalName(r, c.suspect.id)}` : wallName(r, c.suspect.id)
    return {
      state: 'fails',
      words: `Your walls miss by ${say.length(c.missMm)}. Measure ${what} again: against all the others it is ${say.length(Math.abs(c.suspect.offMm))} too ${c.suspect.offMm > 0 ? 'long' : 'short'}.`,
    }
  }
  return { state: 'holds', words: `Walls and diagonals agree to ${say.length(c.missMm)}.` }
}

/** A corner in degrees, as an offset over a length, and what a worktop in it is cut over size by. */
export function sayCorner(c: CornerReading, overMm: number, say: Say): string {
  const off = offSquareMm(c.rad, overMm)
  const degrees = `${angleText(c.rad)}°${c.measured ? '' : ' (taken as square, not measured)'}`
  if (off === null) return `${degrees}: not near a right angle`
  if (Math.abs(off) < 0.5) return `${degrees}: square`
  const scribe = scribeAllowanceMm(c.rad, overMm)
  return `${degrees}: ${off > 0 ? 'closes' : 'opens'} by ${say.length(Math.abs(off))} over ${say.length(overMm)}; leave ${say.length(scribe ?? 0)} on a worktop to scribe`
}

/** How the floor falls, in words. */
export function sayFloor(f: FloorPlane | null, say: Say): string {
  if (!f) return 'Not measured: the floor is taken as level. Measure down from a level line at three places or more.'
  const perM = Math.hypot(f.a, f.b) * 1000
  const worst = Math.max(...f.points.map((p) => Math.abs(p.missMm)))
  const lowest = Math.max(...f.points.map((p) => p.fallMm))
  return `The floor falls ${say.length(lowest)} between its highest and lowest measured places, ${say.length(perM)} in each ${say.units.system === 'metric' ? 'metre' : '39 3/8"'}. Heights are taken from its highest place; posts and shims follow.${worst > 6 ? ` It is not flat: a place lies ${say.length(worst)} off the plane, so set shims at the place itself.` : ''}`
}

/** Joists that span far less than the wall they run along is long; '' where nothing is odd. */
export function sayOddSpan(r: Room, say: Say): string {
  const acrossMm = oddSpan(r)
  if (acrossMm === null) return ''
  return `${wallName(r, r.ceiling.alongWallId ?? '')} is ${say.length(acrossMm)} long: do they run along it? A span of ${say.length(r.ceiling.joist!.spanMm)} is right only where a beam or a wall bears them on the way.`
}
