/** A stretch along a build, mm. */
export interface Stretch {
  from: number
  to: number
}

/**
 * A run longer than any board in pieces that meet over the middle of a post, each as long as a board allows.
 * @param seats middles of the posts in order, the first and the last near the ends of the run
 * @param early how many seats before the last possible one the first piece ends: boards above each other then do not
 * meet over the same post
 * @returns one piece when the run fits; null when two seats are further apart than a board
 */
export function spliceOver(lengthMm: number, mostMm: number, seats: readonly number[], early = 0): Stretch[] | null {
  const out: Stretch[] = []
  let from = 0
  while (lengthMm - from > mostMm) {
    const within = seats.filter((x) => x > from && x - from <= mostMm && x < lengthMm)
    // The end seats carry the run's own ends.
    const inner = within.filter((x) => x !== seats[0] && x !== seats[seats.length - 1])
    if (inner.length === 0) return null
    const skip = out.length === 0 ? Math.min(early, inner.length - 1) : 0
    const to = inner[inner.length - 1 - skip]
    out.push({ from, to })
    from = to
  }
  return [...out, { from, to: lengthMm }]
}
