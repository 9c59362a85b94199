import type { Joists } from './room.ts'

/*
 * Joists as a build meets that is turned, told from how it would meet them straight, its back to the wall:
 * that depends on how wide and deep it is.
 */

interface Size {
  wideMm: number
  deepMm: number
}

/** Where a joist begins that ran the other way, and places counted from the other end, mm. */
export const begunBack = (j: Joists, mm: number): number => mm - j.fromMm - (j.size?.spanMm ?? 0)
export const fromOther = (list: readonly number[], mm: number): number[] => list.map((x) => mm - x).reverse()

/**
 * @param turn quarter turns against the hands of a clock as one faces the wall: its own x runs back to the wall after one
 */
export function turnedJoists(j: Joists, turn: number, { wideMm, deepMm }: Size): Joists {
  const out = j.run === 'out'
  switch (turn) {
    case 1:
      return out
        ? { ...j, run: 'along', fromMm: begunBack(j, wideMm) }
        : { ...j, run: 'out', atMm: fromOther(j.atMm, wideMm), fromMm: j.fromMm }
    case 2:
      return out
        ? { ...j, atMm: fromOther(j.atMm, wideMm), fromMm: begunBack(j, deepMm) }
        : { ...j, atMm: fromOther(j.atMm, deepMm), fromMm: begunBack(j, wideMm) }
    case 3:
      return out
        ? { ...j, run: 'along', atMm: fromOther(j.atMm, deepMm), fromMm: j.fromMm }
        : { ...j, run: 'out', fromMm: begunBack(j, deepMm) }
    default:
      return j
  }
}
