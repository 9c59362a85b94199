import { jointsOf } from '../assembly/joints-of.ts'
import type { CheckContext } from './check.ts'
import { jointGives } from './ties.ts'

/** Further from the middle of a panel than this share of its length is its end: a back or a rail counts for neither. */
const END_SHARE = 0.4

/** What the weaker end of a panel is fastened by gives out from the wall and back, N; null where nobody knows. */
export function endsGive(
  panelId: string,
  c: Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'method' | 'settings'>,
): number | null {
  const { min, max } = c.boxes.get(panelId)!
  const fast = jointsOf(c.assembly, panelId).filter((j) => j.kind !== 'hinged' && j.fasteners.length > 0)
  const ends = [-1, 1].map((side) =>
    fast
      .filter((j) => (j.at[0] - (min[0] + max[0]) / 2) * side > END_SHARE * (max[0] - min[0]))
      .map((j) => jointGives(j, 1, c.parts, c.boxes, c)),
  )
  const known = ends.map((list) =>
    list.length === 0 || list.includes(null) ? null : list.reduce<number>((s, n) => s + n!, 0),
  )
  return known.includes(null) ? null : Math.min(...known.map((n) => n!))
}
