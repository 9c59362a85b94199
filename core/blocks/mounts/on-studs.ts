import { COMPUTED_SLACK_MM } from '../../measure/rounding.ts'
import type { FreeSpace } from '../../room/room.ts'

/** Studs a little closer than asked for are taken, mm. */
const STUD_TOLERANCE_MM = 3

/**
 * Where upright pieces go along a wall, their middles: on studs at least so far apart, or regularly where there are none.
 * @param pastMm how far the first is from the end of a wall without studs
 */
export function placesOnStuds(
  space: FreeSpace,
  { halfMm, apartMm, pastMm }: { halfMm: number; apartMm: number; pastMm: number },
): number[] {
  const [from, to] = [halfMm - COMPUTED_SLACK_MM, space.lengthMm - halfMm + COMPUTED_SLACK_MM]
  if (space.construction.kind !== 'studs') {
    const first = Math.min(halfMm + pastMm, to)
    const n = Math.max(0, Math.floor((to - first) / apartMm + 1e-9))
    return Array.from({ length: n + 1 }, (_, i) => first + i * apartMm)
  }
  const out: number[] = []
  for (const x of space.studsMm)
    if (x >= from && x <= to && (out.length === 0 || x - out[out.length - 1] >= apartMm - STUD_TOLERANCE_MM))
      out.push(x)
  return out
}
