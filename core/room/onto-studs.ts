import { studCentres, type FreeSpace, type Wall } from './room.ts'

/** Fixings keep so far from the ends of what is fixed, and a stud is not quite where it should be, mm. Product decision. */
export const FROM_END_MM = 40

/** So long something must be for two studs of a wall to lie behind it wherever it is moved to, mm; nought where there are none. */
export const leastOverTwo = ({ construction }: Pick<FreeSpace, 'construction'>): number =>
  construction.kind === 'studs' ? construction.spacingMm + 2 * FROM_END_MM : 0

/**
 * How far something that reaches from one place along a wall to another is moved so that two studs lie behind it.
 * @returns to the left and to the right, mm, both positive; null where no move along the wall does it
 */
export function shiftsOntoStuds(w: Wall, from: number, to: number): { left: number | null; right: number | null } {
  const studs = studCentres(w)
  const shifts = studs.slice(1).flatMap((second, i): number[] => {
    const [least, most] = [second + FROM_END_MM - to, studs[i] - FROM_END_MM - from]
    if (least > most) return []
    const mm = Math.min(most, Math.max(least, 0))
    return from + mm >= 0 && to + mm <= w.lengthMm ? [mm] : []
  })
  const nearest = (way: -1 | 1) => {
    const own = shifts.map((mm) => way * mm).filter((mm) => mm >= 0)
    return own.length > 0 ? Math.min(...own) : null
  }
  return { left: nearest(-1), right: nearest(1) }
}

/** How much longer to the right it is made to reach a second stud, mm; null where the wall has none there. */
export function longerOntoStuds(w: Wall, from: number, to: number): number | null {
  const [, second] = studCentres(w).filter((x) => x >= from + FROM_END_MM)
  const end = second === undefined ? Infinity : second + FROM_END_MM
  return end > to && end <= w.lengthMm ? end - to : null
}
