import type { TurnedBox } from './box.ts'
import { clipped, faces, type HalfSpace } from './contact.ts'
import { add, cross, dot, norm, scale, sub, unit, type Vec3 } from './vec.ts'

/**
 * A solid by its faces, each going round to the left as one sees it from outside; only one without corners that point
 * inwards can be cut.
 */
export type Polyhedron = readonly (readonly Vec3[])[]

/** Points nearer than this are one, mm. */
const EVEN_MM = 1e-6

/** Twice the area of a flat figure, along the way its corners go round to the left (Newell's sum). */
export function areaVector(figure: readonly Vec3[]): Vec3 {
  let sum: Vec3 = [0, 0, 0]
  // From its first corner: far from the origin nothing is lost to rounding.
  for (let i = 2; i < figure.length; i++)
    sum = add(sum, cross(sub(figure[i - 1], figure[0]), sub(figure[i], figure[0])))
  return sum
}

/** Way a face looks, unit. */
export const outOf = (face: readonly Vec3[]): Vec3 => unit(areaVector(face))

export function polyhedronOf(b: TurnedBox): Polyhedron {
  const all = faces(b)
  // All but the one its third axis looks to go round the other way.
  return all.map((f, i) => (i === all.length - 2 ? f : [...f].reverse()))
}

/** What of it lies on the inner side of a plane, closed by a face of its own where it was cut. */
export function cutBy(p: Polyhedron, h: HalfSpace): Polyhedron {
  const kept = p.map((f) => distinct(clipped(f, h))).filter((f) => f.length > 2 && norm(areaVector(f)) > EVEN_MM)
  if (kept.some((f) => isCap(f, h) && dot(outOf(f), h.out) > 0)) return kept
  // What lies in the plane, put in order round its middle.
  const rim = distinctPlaces(kept.flat().filter((c) => Math.abs(dot(c, h.out) - h.atMm) < EVEN_MM))
  if (rim.length < 3) return kept
  const middle = scale(rim.reduce(add, [0, 0, 0]), 1 / rim.length)
  const u = unit(sub(rim[0], middle))
  const v = cross(h.out, u)
  const turn = (c: Vec3) => Math.atan2(dot(sub(c, middle), v), dot(sub(c, middle), u))
  return [...kept, rim.sort((a, b) => turn(a) - turn(b))]
}

/** Whether a face lies in a plane it was cut by. */
export const isCap = (face: readonly Vec3[], h: HalfSpace): boolean =>
  face.every((c) => Math.abs(dot(c, h.out) - h.atMm) < EVEN_MM)

const same = (a: Vec3, b: Vec3) => norm(sub(a, b)) < EVEN_MM
const distinct = (f: readonly Vec3[]): Vec3[] => f.filter((c, i) => !same(c, f[(i + f.length - 1) % f.length]))
const distinctPlaces = (f: readonly Vec3[]): Vec3[] => f.filter((c, i) => f.findIndex((d) => same(c, d)) === i)

/** mm³: pyramids from one corner to every face. */
export function volumeOf(p: Polyhedron): number {
  const from = p[0]?.[0]
  return from ? p.reduce((sum, f) => sum + dot(sub(f[0], from), areaVector(f)) / 6, 0) : 0
}
