/** What was worked out for a key before, or is now. @param fresh gives no undefined */
export function kept<K, V>(
  known: { get(key: K): V | undefined; set(key: K, value: V): unknown },
  key: K,
  fresh: () => V,
): V {
  const seen = known.get(key)
  if (seen !== undefined) return seen
  const value = fresh()
  known.set(key, value)
  return value
}
