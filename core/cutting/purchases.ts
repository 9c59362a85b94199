export interface Sold {
  price: number
  area: number
  most: number | null
}

/** Combinations looked at before the rest is given up. */
const MOST_LOOKED = 60_000

/**
 * Purchases that cost from `least` to less than `below` and have the area that is needed; what is free is always taken
 * along. Of two of which one has all the other has and costs no more, only that one. At most `count` of them: those
 * with most room for their area, or the cheapest.
 * @param cannot whether a purchase is known not to do: it is left out
 * @returns how many of each are bought, and whether all were looked at: when not, that there is none proves nothing
 */
export function cheaperPurchases(
  stocks: readonly Sold[],
  needed: number,
  least: number,
  below: number,
  count: number,
  first: 'roomiest' | 'cheapest',
  cannot: (bought: readonly number[]) => boolean = () => false,
): { purchases: number[][]; complete: boolean } {
  if (stocks.some((s) => s.price === 0 && s.most === null)) return { purchases: [], complete: false }
  const paid = stocks
    .map((s, k) => ({ ...s, k }))
    .filter((s) => s.price > 0)
    .sort((a, b) => b.price - a.price)
  const bought = stocks.map((s) => (s.price > 0 ? 0 : (s.most ?? 0)))
  const freeArea = stocks.reduce((a, s) => a + (s.price > 0 ? 0 : s.area * (s.most ?? 0)), 0)
  const found: { bought: number[]; area: number; cost: number }[] = []
  let looked = 0
  // The most area a unit of money buys from here on: what can not reach the area within the money is cut off.
  const rate = paid.map(() => 0)
  for (let i = paid.length - 1; i >= 0; i--) rate[i] = Math.max(rate[i + 1] ?? 0, paid[i].area / paid[i].price)
  const go = (i: number, cost: number, area: number) => {
    if (looked++ > MOST_LOOKED) return
    if (i === paid.length) {
      if (cost >= least && area >= needed && !cannot(bought)) found.push({ bought: [...bought], area, cost })
      return
    }
    if (area + (below - 1 - cost) * rate[i] < needed - 1e-6) return
    const s = paid[i]
    const most = Math.min(s.most ?? Infinity, Math.floor((below - 1 - cost) / s.price))
    // The last one has to bring all that is missing of area and of money.
    const fewest =
      i === paid.length - 1
        ? Math.max(0, Math.ceil((needed - area) / s.area - 1e-9), Math.ceil((least - cost) / s.price - 1e-9))
        : 0
    for (let n = fewest; n <= most; n++) {
      bought[s.k] = n
      go(i + 1, cost + n * s.price, area + n * s.area)
    }
    bought[s.k] = 0
  }
  go(0, 0, freeArea)
  const complete = looked <= MOST_LOOKED
  if (first === 'cheapest')
    return {
      purchases: found
        .sort((a, b) => a.cost - b.cost)
        .slice(0, count)
        .map((f) => f.bought),
      complete,
    }
  found.sort((a, b) => b.area - a.area || a.cost - b.cost)
  const worth: typeof found = []
  for (const f of found) {
    if (worth.length >= count) break
    if (!worth.some((o) => o.cost <= f.cost && o.bought.every((n, k) => n >= f.bought[k]))) worth.push(f)
  }
  return { purchases: worth.map((f) => f.bought), complete }
}
