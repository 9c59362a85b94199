/** Greatest common divisor; of nought and a number that number. */
export const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))

/**
 * Costs are whole: a bound between two of them is worth the next. What floating point may be off is taken off first.
 */
export const wholeAbove = (bound: number): number => Math.ceil(bound - 1e-6 - 1e-11 * Math.abs(bound))

/** Prices that sums of board prices can make, from the least upward: a bound between two of them is worth the next. */
export class Attainable {
  private readonly g: number
  private readonly can: Uint8Array

  /** @param most no sum above it is asked for */
  constructor(prices: readonly number[], most: number) {
    this.g = prices.reduce((a, p) => gcd(a, p), 0)
    const size = this.g === 0 ? 0 : Math.floor(most / this.g)
    this.can = new Uint8Array(size <= 2_000_000 ? size + 1 : 0)
    if (this.can.length === 0) return
    this.can[0] = 1
    for (const p of new Set(prices))
      if (p > 0) for (let c = p / this.g; c <= size; c++) if (this.can[c - p / this.g]) this.can[c] = 1
  }
  from(least: number, most: number): number {
    const from = wholeAbove(least)
    if (from <= 0 || from >= most) return Math.max(0, from)
    if (this.g === 0 || this.can.length === 0) return from
    for (let c = Math.ceil(from / this.g); c * this.g < most; c++) if (this.can[c]) return c * this.g
    return most
  }
}
