import type { Assembly, Joint, Part } from './assembly.ts'

/** A list by id, worked out once and shared by all that look into it; while a build is drawn its list still grows. */
function byId<T extends { id: string }>(): (list: readonly T[]) => ReadonlyMap<string, T> {
  const known = new WeakMap<readonly T[], { map: ReadonlyMap<string, T>; count: number }>()
  return (list) => {
    const seen = known.get(list)
    if (seen?.count === list.length) return seen.map
    const map = new Map<string, T>()
    for (const x of list) map.set(x.id, x)
    known.set(list, { map, count: list.length })
    return map
  }
}
const parts = byId<Part>()
const joints = byId<Joint>()

export const partsById = (a: Pick<Assembly, 'parts'>): ReadonlyMap<string, Part> => parts(a.parts)
export const jointsById = (a: Pick<Assembly, 'joints'>): ReadonlyMap<string, Joint> => joints(a.joints)
/** Looks up parts that are there. */
export function partOf(a: Pick<Assembly, 'parts'>): (id: string) => Part {
  const known = partsById(a)
  return (id) => known.get(id)!
}
