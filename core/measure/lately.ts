/**
 * What was worked out lately, by a key that says all it depends on: so many are kept, the oldest goes first. For what is
 * asked again and again in one sitting; an answer is never stale, for nothing else goes into it.
 */
export function lately<V>(most: number): (key: string, workOut: () => V) => V {
  const known = new Map<string, V>()
  return (key, workOut) => {
    if (known.has(key)) return known.get(key)!
    const value = workOut()
    if (known.size >= most) known.delete(known.keys().next().value!)
    known.set(key, value)
    return value
  }
}
