/**
 * Column stability factor CP of the North American method: NDS 2018 equation 3.7-1, sawn lumber c = 0.8.
 * @param fcStar compression strength with all factors but CP, MPa
 * @param eMin modulus for stability with its factors, MPa
 * @param slenderness effective length over depth, le/d
 * @returns null beyond le/d = 50, which NDS 3.7.1.4 forbids
 */
export function columnStability(fcStar: number, eMin: number, slenderness: number): number | null {
  if (slenderness > 50) return null
  const c = 0.8
  const ratio = (0.822 * eMin) / slenderness ** 2 / fcStar
  const t = (1 + ratio) / (2 * c)
  return t - Math.sqrt(t * t - ratio / c)
}

/**
 * Instability factor kc of EN 1995-1-1, 6.3.2, solid timber (βc = 0.2).
 * @param slenderness λ: effective length over radius of gyration
 */
export function instabilityFactor(fc0k: number, e05: number, slenderness: number): number {
  const rel = (slenderness / Math.PI) * Math.sqrt(fc0k / e05)
  if (rel <= 0.3) return 1
  const k = 0.5 * (1 + 0.2 * (rel - 0.3) + rel * rel)
  return Math.min(1, 1 / (k + Math.sqrt(k * k - rel * rel)))
}
