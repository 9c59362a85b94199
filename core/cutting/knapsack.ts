/** The best filling of one board at given prices of the pieces. */
export interface Filling {
  value: number
  counts: Int32Array
  /** Nothing better exists; false when the search was given up: then the value proves nothing. */
  exact: boolean
}

/** Steps of the search before the table is used instead. */
const STEPS = 60_000
/** A table larger than this is not made. */
const TABLE = 400_000

/**
 * Bounded knapsack: pieces of whole sizes, at most `most[i]` of each, into `capacity`, for the largest sum of values.
 * Depth first over the pieces by value per length, cut off by what the rest could bring at best; when that goes on too
 * long and the capacity is small, by a table.
 */
export function fillBest(
  sizes: readonly number[],
  values: ArrayLike<number>,
  most: readonly number[],
  capacity: number,
): Filling {
  const n = sizes.length
  const order = Array.from({ length: n }, (_, i) => i)
    .filter((i) => values[i] > 1e-10 && sizes[i] <= capacity && most[i] > 0)
    .sort((a, b) => values[b] / sizes[b] - values[a] / sizes[a])
  const k = order.length
  const [w, v, q] = [order.map((i) => sizes[i]), order.map((i) => values[i]), order.map((i) => most[i])]
  const now = new Int32Array(k)
  const best = new Int32Array(k)
  let bestValue = 0
  let steps = 0
  // Smallest size from here on: below it nothing more fits.
  const smallest = new Array<number>(k + 1).fill(Infinity)
  for (let i = k - 1; i >= 0; i--) smallest[i] = Math.min(smallest[i + 1], w[i])
  const bound = (i: number, room: number): number => {
    let b = 0
    for (let j = i; j < k && room > 0; j++) {
      const take = q[j] * w[j]
      if (take <= room) {
        b += q[j] * v[j]
        room -= take
      } else return b + (room / w[j]) * v[j]
    }
    return b
  }
  const go = (i: number, room: number, value: number): boolean => {
    if (value > bestValue + 1e-12) {
      bestValue = value
      best.set(now)
    }
    if (i >= k || room < smallest[i]) return true
    if (++steps > STEPS) return false
    if (value + bound(i, room) <= bestValue + 1e-11) return true
    const t = Math.min(q[i], Math.floor(room / w[i]))
    for (let c = t; c >= 0; c--) {
      now[i] = c
      if (!go(i + 1, room - c * w[i], value + c * v[i])) return false
      if (value + (c - 1) * v[i] + bound(i + 1, room - (c - 1) * w[i]) <= bestValue + 1e-11) break
    }
    now[i] = 0
    return true
  }
  const counts = new Int32Array(n)
  const exact = go(0, capacity, 0)
  if (!exact && capacity <= TABLE) return table(sizes, values, most, capacity)
  order.forEach((i, j) => (counts[i] = best[j]))
  return { value: bestValue, counts, exact }
}

/** The same by dynamic programming over the capacity. */
function table(
  sizes: readonly number[],
  values: ArrayLike<number>,
  most: readonly number[],
  capacity: number,
): Filling {
  const parts: { i: number; times: number }[] = []
  sizes.forEach((s, i) => {
    if (!(values[i] > 1e-10)) return
    let left = Math.min(most[i], Math.floor(capacity / s))
    for (let t = 1; left > 0; t *= 2) {
      const take = Math.min(t, left)
      parts.push({ i, times: take })
      left -= take
    }
  })
  const f = new Float64Array(capacity + 1)
  const took = parts.map(() => new Uint8Array(capacity + 1))
  parts.forEach((p, k) => {
    const [w, v] = [sizes[p.i] * p.times, values[p.i] * p.times]
    for (let c = capacity; c >= w; c--)
      if (f[c - w] + v > f[c] + 1e-12) {
        f[c] = f[c - w] + v
        took[k][c] = 1
      }
  })
  const counts = new Int32Array(sizes.length)
  let c = capacity
  for (let k = parts.length - 1; k >= 0; k--)
    if (took[k][c]) {
      counts[parts[k].i] += parts[k].times
      c -= sizes[parts[k].i] * parts[k].times
    }
  return { value: f[capacity], counts, exact: true }
}
