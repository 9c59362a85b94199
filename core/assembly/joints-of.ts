import { addTo } from '../measure/add-to.ts'
import type { Assembly, Joint } from './assembly.ts'

const known = new WeakMap<readonly Joint[], ReadonlyMap<string, readonly Joint[]>>()
const NONE: readonly Joint[] = []

/** The joints a part has, whichever of the two pieces it is. */
export function jointsOf(a: Pick<Assembly, 'joints'>, part: string): readonly Joint[] {
  const seen = known.get(a.joints)
  if (seen) return seen.get(part) ?? NONE
  const by = new Map<string, Joint[]>()
  for (const j of a.joints) {
    addTo(by, j.near, j)
    if (j.far !== j.near) addTo(by, j.far, j)
  }
  known.set(a.joints, by)
  return by.get(part) ?? NONE
}
