import type { Joists } from './room.ts'

/*
 * Joists as a build meets that is turned or mirrored, told from how it would meet them straight, its back to the wall:
 * that depends on how wide and deep it is.
 */

interface Size {
  wideMm: number
  deepMm: number
}

const back = (j: Joists, mm: number): number => mm - j.fromMm - (j.size?.spanMm ?? 0)
const from = (list: readonly number[], mm: number): number[] => list.map((x) => mm - x).reverse()

/**
 * @param turn quarter turns against the hands of a clock as one faces the wall: its own x runs back to the wall after one
 */
export function turnedJoists(j: Joists, turn: number, { wideMm, deepMm }: Size): Joists {
  const out = j.run === 'out'
  switch (turn) {
    case 1:
      return out
        ? { ...j, run: 'along', fromMm: back(j, wideMm) }
        : { ...j, run: 'out', atMm: from(j.atMm, wideMm), fromMm: j.fromMm }
    case 2:
      return out
        ? { ...j, atMm: from(j.atMm, wideMm), fromMm: back(j, deepMm) }
        : { ...j, atMm: from(j.atMm, deepMm), fromMm: back(j, wideMm) }
    case 3:
      return out
        ? { ...j, run: 'along', atMm: from(j.atMm, deepMm), fromMm: j.fromMm }
        : { ...j, run: 'out', fromMm: back(j, deepMm) }
    default:
      return j
  }
}

/** The same for one that is mirrored: its left and right change places. */
export const mirroredJoists = (j: Joists, wideMm: number): Joists =>
  j.run === 'out' ? { ...j, atMm: from(j.atMm, wideMm) } : { ...j, fromMm: back(j, wideMm) }
