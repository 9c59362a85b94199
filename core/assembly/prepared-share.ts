import type { Anchor, Assembly } from './assembly.ts'

/**
 * What one anchor may count on of what it is fixed to, which others of its build are fixed to as well: an even share, N.
 * Where each keeps to its share all of them keep to the whole. Null while nobody said what that carries; without end
 * where it is fixed to nothing prepared.
 */
export function preparedShare(a: Pick<Assembly, 'anchors'>, { prepared }: Anchor): number | null {
  if (!prepared) return Infinity
  if (prepared.holdsN === null) return null
  const same = (x: Anchor) => x.prepared?.of === prepared.of && x.prepared.field === prepared.field
  return prepared.holdsN / Math.max(1, a.anchors.filter(same).length)
}
