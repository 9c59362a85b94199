/** What is long lies on an arm or a bearer with this much past its middle at least, mm. Product decision. */
export const PAST_ARM_MM = 60
/** Rounding of a length, mm. */
const SAME_MM = 1e-6

/**
 * Where the middle of something long goes along a row of arms so that it lies on arms on both sides of that: as near to a
 * wanted place as that lets it.
 * @param at middles of the arms, in order, mm
 * @returns null where it is too short for any two of them
 */
export function laidOver(at: readonly number[], longMm: number, wantedMm: number): number | null {
  const half = longMm / 2 - PAST_ARM_MM
  const under = at.filter((x) => Math.abs(x - wantedMm) <= half + SAME_MM)
  const beside = (way: 1 | -1) => under.some((x) => way * (x - wantedMm) >= PAST_ARM_MM)
  if (beside(-1) && beside(1)) return wantedMm
  const middles = at.slice(1).flatMap((right, i) => {
    // From where it reaches the right one to where it still reaches the left one, and never with its middle past either.
    const from = Math.max(right - half, at[i] + PAST_ARM_MM)
    const to = Math.min(at[i] + half, right - PAST_ARM_MM)
    return from > to + SAME_MM ? [] : [Math.min(Math.max(wantedMm, from), to)]
  })
  const off = (mm: number) => Math.abs(mm - wantedMm)
  return middles.length === 0 ? null : middles.reduce((best, mm) => (off(mm) < off(best) - SAME_MM ? mm : best))
}
