/*
 * Where cuts can usefully be: sums of piece sizes, each piece at most as often as it is wanted. A straight-cut pattern
 * can be pushed together until every piece begins at such a place (Herz; Christofides and Whitlock), so a table over
 * them misses nothing.
 */

/** All sums up to `most` of sizes, each taken at most its number of times; nought is one of them. Ascending. */
export function normalPlaces(sizes: readonly { size: number; times: number }[], most: number): Int32Array {
  const can = new Uint8Array(most + 1)
  can[0] = 1
  const used = new Int32Array(most + 1)
  for (const { size, times } of sizes) {
    if (size < 1 || size > most) continue
    used.fill(0)
    for (let c = size; c <= most; c++)
      if (!can[c] && can[c - size] && used[c - size] < times) {
        can[c] = 1
        used[c] = used[c - size] + 1
      }
  }
  const out: number[] = []
  for (let c = 0; c <= most; c++) if (can[c]) out.push(c)
  return Int32Array.from(out)
}

/** For each whole number up to `most`, the index of the last place not beyond it. */
export function lastPlace(places: Int32Array, most: number): Int32Array {
  const at = new Int32Array(most + 1)
  for (let c = 0, i = 0; c <= most; c++) {
    while (i + 1 < places.length && places[i + 1] <= c) i++
    at[c] = i
  }
  return at
}
