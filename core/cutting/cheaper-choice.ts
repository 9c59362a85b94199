import type { IntegerModel } from './integer.ts'

/**
 * Which of some filled boards or sheets to take, each any number of times, so that every piece is there and all cost
 * less than `below`: the model a solver is asked.
 */
export const cheaperChoice = (
  filled: readonly { stock: number; counts: ArrayLike<number> }[],
  wanted: readonly number[],
  stocks: readonly { price: number; available: number | null }[],
  below: number,
): IntegerModel => ({
  cost: filled.map((s) => stocks[s.stock].price),
  upper: filled.map((s) => stocks[s.stock].available),
  rows: [
    ...wanted.map((least, i) => ({
      terms: filled.flatMap(({ counts }, c): [number, number][] => (counts[i] > 0 ? [[c, counts[i]]] : [])),
      least,
      most: null,
    })),
    ...stocks.map((s, k) => ({
      terms: filled.flatMap((x, c): [number, number][] => (x.stock === k ? [[c, 1]] : [])),
      least: null,
      most: s.available,
    })),
    { terms: filled.map((s, c): [number, number] => [c, stocks[s.stock].price]), least: null, most: below - 1 },
  ],
})
