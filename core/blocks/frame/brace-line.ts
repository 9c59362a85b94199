/**
 * A diagonal whose whole width stays inside a rectangle: its angle above the horizontal and its length over the square
 * ends.
 */
export interface BraceLine {
  angleRad: number
  lengthMm: number
}

/**
 * The diagonal board of width `boardMm` that touches all four sides of a rectangle `wideMm` × `highMm` from inside.
 * Solves L·cos θ + w·sin θ = wide, L·sin θ + w·cos θ = high by bisection on θ.
 */
export function braceLine(wideMm: number, highMm: number, boardMm: number): BraceLine | null {
  if (Math.min(wideMm, highMm) < 2 * boardMm) return null
  const length = (t: number) => (wideMm - boardMm * Math.sin(t)) / Math.cos(t)
  const tooHigh = (t: number) => length(t) * Math.sin(t) + boardMm * Math.cos(t) > highMm
  let [lo, hi] = [0.01, Math.PI / 2 - 0.01]
  if (tooHigh(lo) || !tooHigh(hi)) return null
  for (let i = 0; i < 60; i++) {
    const m = (lo + hi) / 2
    if (tooHigh(m)) hi = m
    else lo = m
  }
  return { angleRad: lo, lengthMm: length(lo) }
}
