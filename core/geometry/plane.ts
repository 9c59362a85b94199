import type { Point } from './hull.ts'

/** Points and directions on a floor plan, mm. */
export const plus = (a: Point, b: Point, k = 1): Point => [a[0] + k * b[0], a[1] + k * b[1]]
export const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]]
export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1])

/** Area inside a closed figure, mm², whichever way round it is given (shoelace formula). */
export const area = (points: readonly Point[]): number =>
  Math.abs(
    points.reduce(
      (s, p, i) => s + p[0] * points[(i + 1) % points.length][1] - points[(i + 1) % points.length][0] * p[1],
      0,
    ),
  ) / 2

/** Whether a place lies inside a closed figure (crossings of a ray). */
export function inside(p: Point, points: readonly Point[]): boolean {
  let odd = false
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length]
    if (a[1] > p[1] !== b[1] > p[1] && p[0] < a[0] + ((p[1] - a[1]) / (b[1] - a[1])) * (b[0] - a[0])) odd = !odd
  })
  return odd
}

/**
 * A corner of a circle's sector with its centre: points far enough out that the straight sides stay outside the arc.
 */
export function sector(centre: Point, radiusMm: number, fromRad: number, toRad: number, steps = 8): Point[] {
  const each = (toRad - fromRad) / steps
  const r = radiusMm / Math.cos(each / 2)
  const out: Point[] = [centre, [centre[0] + radiusMm * Math.cos(fromRad), centre[1] + radiusMm * Math.sin(fromRad)]]
  for (let i = 0; i < steps; i++) {
    const t = fromRad + (i + 0.5) * each
    out.push([centre[0] + r * Math.cos(t), centre[1] + r * Math.sin(t)])
  }
  out.push([centre[0] + radiusMm * Math.cos(toRad), centre[1] + radiusMm * Math.sin(toRad)])
  return out
}

/** Least distance between two straight stretches. */
export function betweenSegments(a: Point, b: Point, c: Point, d: Point): number {
  const toSegment = (p: Point, q: Point, r: Point) => {
    const [x, y] = minus(r, q)
    const l2 = x * x + y * y
    const t = l2 === 0 ? 0 : Math.max(0, Math.min(1, ((p[0] - q[0]) * x + (p[1] - q[1]) * y) / l2))
    return distance(p, [q[0] + t * x, q[1] + t * y])
  }
  const side = (p: Point, q: Point, r: Point) => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])
  if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return 0
  return Math.min(toSegment(a, c, d), toSegment(b, c, d), toSegment(c, a, b), toSegment(d, a, b))
}

/**
 * Gap between two convex figures, mm: their distance when apart, minus the least push that parts them when they overlap
 * (separating axes are the normals of all sides).
 */
export function convexGap(a: readonly Point[], b: readonly Point[]): number {
  let deepest = -Infinity
  for (const [one, other] of [
    [a, b],
    [b, a],
  ] as const) {
    const mid = one.reduce((s, p) => plus(s, p, 1 / one.length), [0, 0] as Point)
    one.forEach((p, i) => {
      const q = one[(i + 1) % one.length]
      const l = distance(p, q)
      if (l < 1e-9) return
      let n: Point = [(q[1] - p[1]) / l, -(q[0] - p[0]) / l]
      if ((mid[0] - p[0]) * n[0] + (mid[1] - p[1]) * n[1] > 0) n = [-n[0], -n[1]]
      const reach = Math.min(...other.map((o) => (o[0] - p[0]) * n[0] + (o[1] - p[1]) * n[1]))
      if (reach > deepest) deepest = reach
    })
  }
  if (deepest <= 0) return deepest
  let least = Infinity
  a.forEach((p, i) =>
    b.forEach((q, j) => (least = Math.min(least, betweenSegments(p, a[(i + 1) % a.length], q, b[(j + 1) % b.length])))),
  )
  return least
}
