import { roundDown } from '../measure/rounding.ts'
import type { Units } from '../measure/units.ts'
import type { Reason } from './family.ts'

export interface Divided {
  mm: number
  why: Reason
}

/**
 * A piece length between `leastMm` and `mostMm` that a board divides into with the least money a piece, kerf and
 * squaring trim allowed for; `wishMm` when no board divides well, or as much of it as there is room for.
 */
export function dividingLength(
  leastMm: number,
  wishMm: number,
  mostMm: number,
  boards: { lengthMm: number; minor: number }[],
  kerfMm: number,
  trimMm: number,
  units: Units,
): Divided {
  let best: { mm: number; each: number; board: number; pieces: number } | null = null
  for (const b of boards)
    for (let n = 1; n <= 12; n++) {
      const exact = (b.lengthMm - trimMm - (n - 1) * kerfMm) / n
      const mm = roundDown(Math.min(exact, mostMm), units)
      if (mm < leastMm || exact > mostMm) continue
      const each = b.minor / n
      if (!best || each < best.each - 0.01 || (Math.abs(each - best.each) <= 0.01 && mm > best.mm))
        best = { mm, each, board: b.lengthMm, pieces: n }
    }
  if (!best && wishMm > mostMm)
    return { mm: roundDown(mostMm, units), why: { code: 'rail-space', terms: [], data: { wishMm } } }
  if (!best) return { mm: wishMm, why: { code: 'no-board-divides', terms: [], data: { wishMm } } }
  return {
    mm: best.mm,
    why: {
      code: 'divides-board',
      terms: [],
      data: { boardMm: best.board, pieces: best.pieces, kerfMm, trimMm, wishMm },
    },
  }
}
