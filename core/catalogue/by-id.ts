/** Finds a thing of one or several lists by its id. Of two with the same id the one listed first. */
export function byId<T extends { readonly id: string }>(
  ...lists: readonly (readonly T[])[]
): (id: string) => T | undefined {
  const known = new Map<string, T>()
  for (const x of lists.flat()) if (!known.has(x.id)) known.set(x.id, x)
  return (id) => known.get(id)
}
