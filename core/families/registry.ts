import { FAMILIES } from './all.ts'
import type { AnyFamily } from './family.ts'
import { valueAt } from './params.ts'

const byId = new Map(FAMILIES.map((f) => [f.id, f]))

export const allFamilies = (): readonly AnyFamily[] => FAMILIES
export const findFamily = (id: string): AnyFamily | undefined => byId.get(id)

interface OfKind {
  family: string
  params: unknown
}
/** Whether a build hangs, as against what stands on the floor. */
export const isHung = (b: OfKind): boolean => byId.get(b.family)?.hangs(b.params) ?? false

const ON_FLOOR = ['floor'] as const
const ON_WALL = ['wall'] as const
const levelsOf = (b: OfKind): readonly string[] => (isHung(b) ? (byId.get(b.family)?.hangsFrom ?? ON_WALL) : ON_FLOOR)
/** What is hung at heights that differ by this much hangs over or under the other, mm. Product decision. */
const OVER_EACH_OTHER_MM = 300
const heightOf = (b: OfKind): unknown => {
  const path = byId.get(b.family)?.hangsAt
  return path === undefined ? null : valueAt(b.params, path)
}
/**
 * Whether two builds at one wall take of each other's length: both stand, or hang from the same and not at heights
 * somebody fixed one over the other.
 */
export function shareLength(a: OfKind, b: OfKind): boolean {
  const [own, other] = [levelsOf(a), levelsOf(b)]
  if (!own.some((level) => other.includes(level))) return false
  const [one, two] = [heightOf(a), heightOf(b)]
  return !(typeof one === 'number' && typeof two === 'number' && Math.abs(one - two) >= OVER_EACH_OTHER_MM)
}
