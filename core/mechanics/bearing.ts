import { inches } from '../measure/units.ts'

/**
 * Short bearing lengths away from a member's end: Cb = (lb + 0.375 in)/lb below 6 in and 3 in or more from the end. NDS
 * 2018 3.10.4.
 */
export const bearingAreaFactor = (lengthMm: number, toEndMm: number): number =>
  lengthMm >= inches(6) || toEndMm < inches(3) ? 1 : (lengthMm + inches(0.375)) / lengthMm

/**
 * Effective contact length across the grain: 30 mm more on each side where there is wood, no more than the length
 * itself or half a gap. EN 1995-1-1 6.1.5.
 */
export const effectiveContact = (lengthMm: number, beforeMm: number, afterMm: number): number =>
  lengthMm + [beforeMm, afterMm].reduce((s, a) => s + Math.max(0, Math.min(30, a, lengthMm)), 0)

/**
 * Shear a beam may carry at a support where it is notched on the tension side: V = (2/3·Fv'·b·dn)·(dn/d)². NDS 2018
 * equation 3.4-3. N
 * @param leftMm depth left over the notch
 */
export const notchedShear = (fv: number, breadthMm: number, depthMm: number, leftMm: number): number =>
  (2 / 3) * fv * breadthMm * leftMm * (leftMm / depthMm) ** 2

/**
 * Factor kv on shear strength at a notch on the side of the support: EN 1995-1-1 equation 6.62, solid timber kn = 5.
 * @param runMm length over which the notch slopes for each mm of its depth (0: square)
 * @param reachMm from the line of the support to the notch's corner
 */
export function notchFactor(depthMm: number, leftMm: number, reachMm: number, runMm = 0): number {
  const alpha = leftMm / depthMm
  const x = reachMm / depthMm
  const top = 5 * (1 + (1.1 * runMm ** 1.5) / Math.sqrt(depthMm))
  return Math.min(
    1,
    top / (Math.sqrt(depthMm) * (Math.sqrt(alpha * (1 - alpha)) + 0.8 * x * Math.sqrt(1 / alpha - alpha * alpha))),
  )
}

/** A panel's housing (dado, rabbet): what bears on the shoulder. Depth × length × strength across the grain. N */
export const housingBearing = (depthMm: number, lengthMm: number, strength: number): number =>
  depthMm * lengthMm * strength

/**
 * A pin, or a tube, in a bored hole with a force across it and a moment at the face: pressure straight-lined along its
 * depth, largest at the face, p = (4V + 6M/L) / (d·L). MPa
 */
export const boredHolePressure = (forceN: number, momentNmm: number, diameterMm: number, depthMm: number): number =>
  (4 * forceN + (6 * momentNmm) / depthMm) / (diameterMm * depthMm)

/**
 * A stiff pin (shelf pin) in a hole of some depth, pressed across at a way out from the face: the wood yields on one
 * side near the face, on the other at the bottom. F = fh·d·(√((2e + L)² + L²) − (2e + L)). N
 * @param fh strength of the wood round the hole, MPa; source: equilibrium of a rigid dowel, as in mode c of EN 1995-1-1
 * 8.2.2
 */
export const pinInHole = (fh: number, diameterMm: number, depthMm: number, outMm: number): number =>
  fh * diameterMm * (Math.hypot(2 * outMm + depthMm, depthMm) - (2 * outMm + depthMm))

/** The same pin bent where the wood stops giving way: most of its moment is e + F/(2·fh·d) from the load. N·mm */
export const pinMoment = (forceN: number, fh: number, diameterMm: number, outMm: number): number =>
  forceN * (outMm + forceN / (2 * fh * diameterMm))

/** The force at which such a pin bends with a moment, N: `pinMoment` the other way round. */
export const pinBends = (momentNmm: number, fh: number, diameterMm: number, outMm: number): number =>
  fh * diameterMm * (Math.sqrt(outMm ** 2 + (2 * momentNmm) / (fh * diameterMm)) - outMm)

/** Plastic moment of a round steel pin, N·mm: fy·d³/6. */
export const roundPlasticMoment = (fy: number, diameterMm: number): number => (fy * diameterMm ** 3) / 6
