/** A point on a drawing, mm. */
export type Point = [number, number]

/** Convex hull, counter-clockwise (Andrew's monotone chain). */
export function hull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  if (sorted.length < 3) return sorted
  const turn = (o: Point, a: Point, b: Point) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])
  const chain = (list: Point[]) => {
    const out: Point[] = []
    for (const p of list) {
      while (out.length >= 2 && turn(out[out.length - 2], out[out.length - 1], p) <= 1e-9) out.pop()
      out.push(p)
    }
    out.pop()
    return out
  }
  return [...chain(sorted), ...chain(sorted.reverse())]
}
