import type { BeamSpec } from '../mechanics/beam.ts'

/** A place this close to a support is on it, mm. */
const SAME_MM = 1e-6

/**
 * The span around a place on a beam, mm: between its neighbouring supports, or twice the overhang beyond the last one.
 */
export function spanAround(spec: BeamSpec, atMm: number): number {
  let left = -Infinity
  let right = Infinity
  for (const { atMm: x } of spec.supports) {
    if (x <= atMm + SAME_MM && x > left) left = x
    else if (x > atMm + SAME_MM && x < right) right = x
  }
  if (left === -Infinity) return right === Infinity ? spec.lengthMm : 2 * right
  if (right === Infinity) return 2 * (spec.lengthMm - left) || spec.lengthMm
  return right - left
}
