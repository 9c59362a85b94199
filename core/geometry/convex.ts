import type { Point } from './hull.ts'
import { add, cross, dot, norm, scale, sub, type Vec3 } from './vec.ts'

/**
 * A convex body by its corners, with the directions that a separating-axis test needs: of its faces and of its edges.
 */
export interface Convex {
  points: Vec3[]
  faces: Vec3[]
  edges: Vec3[]
  min: Vec3
  max: Vec3
  /** A box with its faces along the axes: most of what stands in a room. What is true of its bounds is true of it. */
  square: boolean
  /** Raised straight up from its plan: edges of two such bodies give no direction that their faces do not give. */
  upright: boolean
}

function body(points: Vec3[], faces: Vec3[], edges: Vec3[]): Convex {
  const min: Vec3 = [Infinity, Infinity, Infinity]
  const max: Vec3 = [-Infinity, -Infinity, -Infinity]
  for (const p of points)
    for (let i = 0; i < 3; i++) {
      if (p[i] < min[i]) min[i] = p[i]
      if (p[i] > max[i]) max[i] = p[i]
    }
  const along = (n: Vec3) => n.filter((x) => Math.abs(x) > 1e-12).length === 1
  const upright = [...faces, ...edges].every((n) => Math.abs(n[2]) < 1e-12 || Math.abs(n[2]) > 1 - 1e-12)
  return { points, faces, edges, min, max, upright, square: points.length === 8 && [...faces, ...edges].every(along) }
}

const UP: Vec3 = [0, 0, 1]

/** A convex figure of the plan, raised from `z0` to `z1`. */
export function prism(foot: readonly Point[], z0: number, z1: number): Convex {
  const faces: Vec3[] = [UP]
  const edges: Vec3[] = [UP]
  foot.forEach(([x, y], i) => {
    const q = foot[(i + 1) % foot.length]
    const l = Math.hypot(q[0] - x, q[1] - y)
    if (l < 1e-9) return
    const d: Vec3 = [(q[0] - x) / l, (q[1] - y) / l, 0]
    edges.push(d)
    faces.push([d[1], -d[0], 0])
  })
  return body([...foot.map(([x, y]): Vec3 => [x, y, z0]), ...foot.map(([x, y]): Vec3 => [x, y, z1])], faces, edges)
}

/** A flat convex figure anywhere in space, pushed along a direction it does not lie in. */
export function extruded(figure: readonly Vec3[], by: Vec3): Convex {
  const way = scale(by, 1 / norm(by))
  const edges: Vec3[] = [way]
  const faces: Vec3[] = []
  figure.forEach((p, i) => {
    const d = sub(figure[(i + 1) % figure.length], p)
    if (norm(d) < 1e-9) return
    const e = scale(d, 1 / norm(d))
    edges.push(e)
    const n = cross(e, way)
    if (norm(n) > 1e-9) faces.push(scale(n, 1 / norm(n)))
  })
  const flat = cross(edges[1], edges[2] ?? way)
  if (norm(flat) > 1e-9) faces.push(scale(flat, 1 / norm(flat)))
  return body([...figure, ...figure.map((p) => add(p, by))], faces, edges)
}

/** A box by its centre, three unit axes and its sizes along them. */
export function brick(centre: Vec3, axes: readonly [Vec3, Vec3, Vec3], size: Vec3): Convex {
  const points: Vec3[] = []
  for (const i of [-0.5, 0.5])
    for (const j of [-0.5, 0.5])
      for (const k of [-0.5, 0.5])
        points.push(
          add(centre, add(scale(axes[0], i * size[0]), add(scale(axes[1], j * size[1]), scale(axes[2], k * size[2])))),
        )
  return body(points, [...axes], [...axes])
}

const span = (c: Convex, n: Vec3): [number, number] => {
  let [lo, hi] = [Infinity, -Infinity]
  for (const p of c.points) {
    const d = dot(p, n)
    if (d < lo) lo = d
    if (d > hi) hi = d
  }
  return [lo, hi]
}

const AXES: Vec3[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]
function* axesOf(a: Convex, b: Convex): Generator<Vec3> {
  if (a.square && b.square) return yield* AXES

  yield* a.faces
  yield* b.faces
  if (a.upright && b.upright) return
  for (const p of a.edges)
    for (const q of b.edges) {
      const n = cross(p, q)
      const l = norm(n)
      if (l > 1e-6) yield scale(n, 1 / l)
    }
}

/** Boxes round both are apart by at least this much: then nothing closer can be found. */
const boxGap = (a: Convex, b: Convex): number =>
  Math.max(...[0, 1, 2].map((i) => Math.max(a.min[i] - b.max[i], b.min[i] - a.max[i])))

/**
 * Gap between two bodies, mm: minus the least push that parts them while they reach into each other; apart, the widest
 * separation that one of the axes shows (never more than the true distance).
 */
export function gapBetween(a: Convex, b: Convex): number {
  const rough = boxGap(a, b)
  if (rough > 0 || (a.square && b.square)) return rough
  let widest = -Infinity
  for (const n of axesOf(a, b)) {
    const [a0, a1] = span(a, n)
    const [b0, b1] = span(b, n)
    widest = Math.max(widest, Math.max(a0 - b1, b0 - a1))
    if (widest > 0) return widest
  }
  return widest
}

/**
 * How far `a` has to be moved along the unit direction `u` until it is free of `b`, mm; 0 when it is, Infinity when
 * that way leads nowhere. The faces of the Minkowski difference of two convex bodies lie among the separating axes, so
 * the least over those axes is exact.
 */
export function pushAlong(a: Convex, b: Convex, u: Vec3): number {
  if (gapBetween(a, b) >= 0) return 0
  let least = Infinity
  for (const n0 of axesOf(a, b))
    for (const n of [n0, scale(n0, -1)]) {
      const way = dot(n, u)
      if (way <= 1e-9) continue
      // a is beyond b along n once min(a) + t·way ≥ max(b).
      least = Math.min(least, (span(b, n)[1] - span(a, n)[0]) / way)
    }
  return least
}

export const moved = (c: Convex, by: Vec3): Convex => ({
  ...c,
  points: c.points.map((p) => add(p, by)),
  min: add(c.min, by),
  max: add(c.max, by),
})

/** Where a frame stands upright in another: its origin, and its first two axes as seen there. */
export interface Set {
  at: Point
  x: Point
  y: Point
}

/** A body that stood so by one frame as it stands so by another. */
export function carriedOver(c: Convex, from: Set, to: Set): Convex {
  const turn = ([x, y, z]: Vec3): Vec3 => {
    const [a, b] = [x * from.x[0] + y * from.x[1], x * from.y[0] + y * from.y[1]]
    return [a * to.x[0] + b * to.y[0], a * to.x[1] + b * to.y[1], z]
  }
  const place = (p: Vec3): Vec3 => add(turn([p[0] - from.at[0], p[1] - from.at[1], p[2]]), [to.at[0], to.at[1], 0])
  return body(c.points.map(place), c.faces.map(turn), c.edges.map(turn))
}
