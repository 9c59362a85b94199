/**
 * Years at which the long-term value of the methods is reached, and exponent of the curve between: a usual
 * approximation, not a code rule.
 */
const END_YEARS = 50
const EXPONENT = 0.21

/**
 * Sag after some years, between the first day and the method's long-term value: φ(t) = φend·(t/50 years)^0.21.
 * @param firstMm sag on day one
 * @param longTermFactor long-term sag over first-day sag, 1 or more
 */
export const sagAfter = (firstMm: number, longTermFactor: number, years: number): number =>
  firstMm * (1 + (longTermFactor - 1) * Math.min(1, (Math.max(0, years) / END_YEARS) ** EXPONENT))
