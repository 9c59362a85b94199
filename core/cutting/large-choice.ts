import type { IntegerModel } from './integer.ts'
import type { LargeTogether } from './large-together.ts'

/**
 * Whether a purchase has room for all large pieces: the model a solver is asked, over what can lie together on each of its
 * sheets; null where a piece fits none of them, so that it has not.
 * @param bought how many of each stock
 */
export function roomForLarge(
  together: LargeTogether,
  bought: readonly number[],
  sheetsOf: (stock: number) => readonly number[][],
): IntegerModel | null {
  const sheets = bought.flatMap((n, stock) => (n > 0 ? sheetsOf(stock).map((counts) => ({ stock, counts })) : []))
  const wanted = together.taken.map((least, x) => ({
    terms: sheets.flatMap(({ counts }, c): [number, number][] => (counts[x] > 0 ? [[c, counts[x]]] : [])),
    least,
    most: null,
  }))
  if (wanted.some((row) => row.least > 0 && row.terms.length === 0)) return null
  const limits = bought.flatMap((most, stock) => {
    const terms = sheets.flatMap((s, c): [number, number][] => (s.stock === stock ? [[c, 1]] : []))
    return terms.length > 0 ? [{ terms, least: null, most }] : []
  })
  return {
    cost: sheets.map(() => 0),
    upper: sheets.map(({ stock }) => bought[stock]),
    rows: [...wanted, ...limits],
  }
}
