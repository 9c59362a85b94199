/** Tensile stress area of an inch thread, mm²: 0.7854·(d − 0.9743/n)², ASME B1.1. @param perInch threads per inch */
export const stressAreaInch = (diameterMm: number, perInch: number): number =>
  0.7854 * (diameterMm - (0.9743 * 25.4) / perInch) ** 2
/** Tensile stress area of a metric thread, mm²: π/4·(d − 0.9382·P)², ISO 898-1. */
export const stressAreaMetric = (diameterMm: number, pitchMm: number): number =>
  (Math.PI / 4) * (diameterMm - 0.9382 * pitchMm) ** 2

/**
 * Allowable tension of a threaded rod, N: nominal strength 0.75·Fu on the gross area over a safety factor of 2: AISC
 * 360 table J3.2.
 */
export const rodTension = (fu: number, diameterMm: number): number => (0.75 * fu * (Math.PI / 4) * diameterMm ** 2) / 2

/** Design tension of a threaded rod, N: 0.9·fub·As / γM2, γM2 1.25: EN 1993-1-8 table 3.4. */
export const rodTensionEc3 = (fu: number, diameterMm: number, pitchMm: number): number =>
  (0.9 * fu * stressAreaMetric(diameterMm, pitchMm)) / 1.25

/** What a washer on wood holds, N: its ring less the hole, times strength across the grain. */
export const washerBearing = (outerMm: number, holeMm: number, strength: number): number =>
  (Math.PI / 4) * (outerMm ** 2 - holeMm ** 2) * strength

/**
 * A bracket, strip or ledger on a wall with its load a way out: the pull on its upper fixing, N: W·e / h.
 * @param outMm load from the wall, @param leverMm upper fixing above the lowest bearing edge
 */
export const eccentricPull = (loadN: number, outMm: number, leverMm: number): number => (loadN * outMm) / leverMm

/**
 * Share of its load with which a bevel pushes its strip off the wall, tan(θ − φ): bevel and friction angle from level,
 * radians.
 */
export const wedgeShare = (bevelRad: number, frictionRad: number): number =>
  Math.tan(Math.max(0, bevelRad - frictionRad))

/**
 * Pull on the screws of a bevelled hanging strip, N: the larger of the pry-out of the load out from the wall and the
 * thrust of the bevel, which pushes outward with W·tan(θ − φ) for a bevel θ from upright and a friction angle φ (none:
 * the whole load at 45°).
 */
export const bevelPull = (
  loadN: number,
  outMm: number,
  leverMm: number,
  bevelRad = Math.PI / 4,
  frictionRad = 0,
): number => Math.max(eccentricPull(loadN, outMm, leverMm), loadN * wedgeShare(bevelRad, frictionRad))

/** Force along a knee brace or gusset edge at an angle above level that carries an upright load at its outer end, N. */
export const kneeBrace = (loadN: number, angleRad: number): number => loadN / Math.sin(angleRad)

/** Bending of a round tube as a cantilever arm: largest stress, MPa. */
export const tubeStress = (momentNmm: number, outerMm: number, wallMm: number): number => {
  const inner = outerMm - 2 * wallMm
  return (32 * momentNmm * outerMm) / (Math.PI * (outerMm ** 4 - inner ** 4))
}

/**
 * Conduit as an arm: no structural yield strength is guaranteed; assumed, MPa, and a safety factor of 1.67 (AISC 360
 * F1).
 */
export const CONDUIT_YIELD_ASSUMED = 200
export const STEEL_BENDING_SAFETY = 1.67
