/** Euler stress of the North American method: FcE = 0.822·Emin'/(le/d)². NDS 2018 3.7.1.5. */
export const eulerStress = (eMin: number, slenderness: number): number => (0.822 * eMin) / slenderness ** 2

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
  const ratio = eulerStress(eMin, slenderness) / fcStar
  const t = (1 + ratio) / (2 * c)
  return t - Math.sqrt(t * t - ratio / c)
}

/**
 * How hard a column works under compression off its axis and bending one way: NDS 2018 equation 15.4-1 (with e = 0 it
 * is 3.9-3). (fc/Fc')² + [fb + fc·(6e/d)·(1 + 0.234·fc/FcE)] / [Fb'·(1 − fc/FcE)]. At most 1.
 * @returns Infinity once fc reaches FcE: then it buckles
 */
export function combinedAsd(c: {
  fc: number
  fcAllowed: number
  fb: number
  fbAllowed: number
  fcE: number
  eccentricityMm: number
  depthMm: number
}): number {
  if (c.fc >= c.fcE) return Infinity
  const moved = c.fc * ((6 * c.eccentricityMm) / c.depthMm) * (1 + (0.234 * c.fc) / c.fcE)
  return (c.fc / c.fcAllowed) ** 2 + (c.fb + moved) / (c.fbAllowed * (1 - c.fc / c.fcE))
}

/**
 * Euler stress of sideways buckling in bending: FbE = 1.20·Emin′/RB², RB² = le·d/b². NDS 2018 3.3.3.6 and 3.3.3.8. MPa
 */
export const lateralEuler = (eMin: number, effectiveMm: number, depthMm: number, breadthMm: number): number =>
  (1.2 * eMin * breadthMm ** 2) / (effectiveMm * depthMm)

/**
 * Compression and bending both ways: NDS 2018 equations 3.9-3 and 3.9-4; 1 is on edge, 2 flat. At most 1.
 * (fc/Fc′)² + fb1/[Fb1′·(1 − fc/FcE1)] + fb2/[Fb2′·(1 − fc/FcE2 − (fb1/FbE)²)]
 * @param c.fcAllowed with CP of the more slender way
 * @returns Infinity once it buckles
 */
export function combinedBiaxialAsd(c: {
  fc: number
  fcAllowed: number
  fb1: number
  fb1Allowed: number
  fcE1: number
  fb2: number
  fb2Allowed: number
  fcE2: number
  fbE: number
}): number {
  const [left1, left2] = [1 - c.fc / c.fcE1, 1 - c.fc / c.fcE2 - (c.fb1 / c.fbE) ** 2]
  if (left1 <= 0 || left2 <= 0) return Infinity
  return (c.fc / c.fcAllowed) ** 2 + c.fb1 / (c.fb1Allowed * left1) + c.fb2 / (c.fb2Allowed * left2)
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

/** km of rectangles: the peaks of both bendings meet in one corner only. EN 1995-1-1 6.1.6(2). */
const KM = 0.7

/**
 * Compression and bending one way, and some the other way: EN 1995-1-1 equations 6.23 and 6.24, σc/(kc·fc,0,d) +
 * σm/fm,d + km·(σm/fm,d other way). At most 1.
 */
export const combinedEc5 = (c: {
  sigmaC: number
  fcDesign: number
  kc: number
  sigmaM: number
  fmDesign: number
  otherWay?: number
}): number => c.sigmaC / (c.kc * c.fcDesign) + c.sigmaM / c.fmDesign + KM * (c.otherWay ?? 0)
