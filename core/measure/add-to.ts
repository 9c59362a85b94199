/** Adds to the list a map has under a key, begun where there is none. */
export function addTo<K, T>(map: Map<K, T[]>, key: K, value: T): void {
  const list = map.get(key)
  if (list) list.push(value)
  else map.set(key, [value])
}
