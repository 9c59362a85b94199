import { PER_KELVIN, PROGRESSION, RATED_CELSIUS, type GasSpring } from '../catalogue/gas-springs.ts'

/*
 * A leaf that turns up about a level line, carried by springs beside it. Seen from the side, out from the build and up,
 * the hinge line at nought:
 *
 *      o─────────────── leaf, open          o hinge line
 *     /│ ·head                              W·arm turns it shut, n·F·lever turns it open
 *    / │leaf, shut
 *  foot on the upright
 */

/** In the cold of a garage springs hold a leaf by this much more than they must. Product decision. */
export const HOLDS_MORE = 1.1
/** A garage in winter and in summer, °C. Product decision. */
export const COLD_C = 0
export const WARM_C = 30
/** What a hand does easily over its head, N. Product decision. */
export const HAND_N = 60

/** Out and up from the hinge line, mm. */
export type Place = readonly [outMm: number, upMm: number]

export interface SpringPlaces {
  /** On what stands still, and on the leaf while it is shut. */
  foot: Place
  head: Place
}
export interface LiftedLeaf extends SpringPlaces {
  /** Its weight with all that is on it, N, and where that acts while it is shut. */
  weightN: number
  centre: Place
  /** From the hinge line to the edge one takes it by, mm. */
  edgeMm: number
  springs: number
}

/** Where a place of the leaf is once it is turned up by an angle, radians. */
export const turnedUp = ([out, up]: Place, byRad: number): Place => {
  const [c, s] = [Math.cos(byRad), Math.sin(byRad)]
  return [out * c - up * s, out * s + up * c]
}

/**
 * How long the spring is then, mm, the lever it has about the hinge line, positive where it opens, and which way it
 * pushes the leaf.
 */
export function springAt({ foot, head }: SpringPlaces, byRad: number): { longMm: number; leverMm: number; way: Place } {
  const [y, z] = turnedUp(head, byRad)
  const [u, v] = [y - foot[0], z - foot[1]]
  const longMm = Math.hypot(u, v)
  return longMm > 0
    ? { longMm, leverMm: (y * v - z * u) / longMm, way: [u / longMm, v / longMm] }
    : { longMm, leverMm: 0, way: [0, 0] }
}

/** What one spring pushes with at a length and a temperature, N: more the further it is in, less the colder it is. */
export const springForce = (s: GasSpring, longMm: number, celsius: number): number =>
  s.forceN *
  (1 + (PROGRESSION - 1) * Math.min(1, Math.max(0, (s.outMm - longMm) / s.strokeMm))) *
  (1 + PER_KELVIN * (celsius - RATED_CELSIUS))

/** Moment of the leaf's weight that turns it shut, N·mm. */
export const weightMoment = ({ weightN, centre }: LiftedLeaf, byRad: number): number =>
  weightN * turnedUp(centre, byRad)[0]

/** Moment of its springs that turns it open, N·mm. */
export function springMoment(leaf: LiftedLeaf, s: GasSpring, byRad: number, celsius: number): number {
  const { longMm, leverMm } = springAt(leaf, byRad)
  return leaf.springs * springForce(s, longMm, celsius) * leverMm
}

/** Places on the way that are looked at. */
const STEPS = 24

/**
 * What a hand at the edge must do on the way from shut to `openRad`, N: the most to lift it in the cold, and the most to
 * pull it down in the warm. Square to the leaf.
 */
export function handForces(leaf: LiftedLeaf, s: GasSpring, openRad: number): { liftN: number; pullN: number } {
  let [liftN, pullN] = [0, 0]
  for (let i = 0; i <= STEPS; i++) {
    const at = (openRad * i) / STEPS
    const weight = weightMoment(leaf, at)
    liftN = Math.max(liftN, (weight - springMoment(leaf, s, at, COLD_C)) / leaf.edgeMm)
    pullN = Math.max(pullN, (springMoment(leaf, s, at, WARM_C) - weight) / leaf.edgeMm)
  }
  return { liftN, pullN }
}
