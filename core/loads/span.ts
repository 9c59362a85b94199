import type { BeamSpec } from '../mechanics/beam.ts'

/** The span around a place on a beam, mm: between its neighbouring supports, or twice the overhang beyond the last one. */
export function spanAround(spec: BeamSpec, atMm: number): number {
  const places = spec.supports.map((s) => s.atMm).sort((a, b) => a - b)
  const left = places.filter((x) => x <= atMm + 1e-6).pop()
  const right = places.find((x) => x >= atMm - 1e-6 && x !== left)
  if (left === undefined) return 2 * ((right ?? spec.lengthMm) || spec.lengthMm)
  if (right === undefined) return 2 * Math.max(spec.lengthMm - left, 0) || spec.lengthMm
  return right - left
}
