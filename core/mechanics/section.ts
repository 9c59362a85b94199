/** Properties of a solid rectangle; depth is in the direction of bending. */
export const secondMoment = (breadthMm: number, depthMm: number): number => (breadthMm * depthMm ** 3) / 12
export const sectionModulus = (breadthMm: number, depthMm: number): number => (breadthMm * depthMm ** 2) / 6
export const gyration = (depthMm: number): number => depthMm / Math.sqrt(12)
/** Shear stiffness GA of a solid rectangle, N: form factor 5/6. */
export const shearStiffness = (g: number, breadthMm: number, depthMm: number): number =>
  (5 / 6) * g * breadthMm * depthMm

/** A rectangle of a built-up section: its modulus, size, and the height of its own middle above a common line, mm. */
export interface Layer {
  e: number
  breadthMm: number
  depthMm: number
  middleMm: number
}

/** Bending stiffness of layers that act as one (glued and screwed): Σ EI + Σ EA·a² about the common centroid. N·mm² */
export function compositeStiffness(layers: readonly Layer[]): number {
  const ea = layers.reduce((s, l) => s + l.e * l.breadthMm * l.depthMm, 0)
  const axis = layers.reduce((s, l) => s + l.e * l.breadthMm * l.depthMm * l.middleMm, 0) / ea
  return layers.reduce(
    (s, l) => s + l.e * (secondMoment(l.breadthMm, l.depthMm) + l.breadthMm * l.depthMm * (l.middleMm - axis) ** 2),
    0,
  )
}

/** Bending stiffness of layers that only lie together (screwed, no glue, slip unknown): Σ EI, a lower bound. N·mm² */
export const looseStiffness = (layers: readonly Layer[]): number =>
  layers.reduce((s, l) => s + l.e * secondMoment(l.breadthMm, l.depthMm), 0)

/**
 * Two layers held by fasteners of known slip: EN 1995-1-1 annex B, γ1 = 1 / (1 + π²·E1·A1·s / (K·l²)), γ2 = 1. N·mm²
 * @param slipNPerMm slip modulus K of one fastener
 */
export function partialStiffness(
  top: Layer,
  bottom: Layer,
  spacingMm: number,
  slipNPerMm: number,
  spanMm: number,
): number {
  const a1 = top.breadthMm * top.depthMm
  const a2 = bottom.breadthMm * bottom.depthMm
  const gamma = 1 / (1 + (Math.PI ** 2 * top.e * a1 * spacingMm) / (slipNPerMm * spanMm ** 2))
  const apart = Math.abs(top.middleMm - bottom.middleMm)
  const from2 = (gamma * top.e * a1 * apart) / (gamma * top.e * a1 + bottom.e * a2)
  return (
    top.e * secondMoment(top.breadthMm, top.depthMm) +
    bottom.e * secondMoment(bottom.breadthMm, bottom.depthMm) +
    gamma * top.e * a1 * (apart - from2) ** 2 +
    bottom.e * a2 * from2 ** 2
  )
}

/**
 * Slip modulus of a screw or nail at service load, N/mm: EN 1995-1-1 table 7.1, ρm^1.5·d^0.8/30 driven nails,
 * ρm^1.5·d/23 screws.
 */
export const slipModulus = (rhoMean: number, diameterMm: number, kind: 'nail' | 'screw'): number =>
  kind === 'nail' ? (rhoMean ** 1.5 * diameterMm ** 0.8) / 30 : (rhoMean ** 1.5 * diameterMm) / 23

/** Modulus of a board from a sag test: a weight at midspan on two supports, E = P·L³ / (48·I·sag). MPa */
export const modulusFromSag = (
  forceN: number,
  spanMm: number,
  breadthMm: number,
  depthMm: number,
  sagMm: number,
): number => (forceN * spanMm ** 3) / (48 * secondMoment(breadthMm, depthMm) * sagMm)

/** Second moment of area of a round tube, mm⁴: π·(D⁴ − d⁴)/64. */
export const tubeSecondMoment = (outerMm: number, wallMm: number): number =>
  (Math.PI * (outerMm ** 4 - (outerMm - 2 * wallMm) ** 4)) / 64

/** Modulus of elasticity of steel, MPa: AISC 360-16, 29 000 ksi; EN 1993-1-1 3.2.6 has 210 000. */
export const STEEL_E = 199_948
