import type { Point } from '../geometry/hull.ts'
import { minus } from '../geometry/plane.ts'

/** Places of a number along its shape, as shares of how long that is, the middle first. */
const ALONG = [0, -0.25, 0.25, -0.4, 0.4]
/** Rows of numbers beside it, of its own height. */
const ROWS = [0, 1, 2]
/** Numbers nearer to each other than this share of their height run into one another. */
const APART = 0.95

const middleOf = (p: readonly Point[]): Point => [
  p.reduce((s, q) => s + q[0], 0) / p.length,
  p.reduce((s, q) => s + q[1], 0) / p.length,
]
const off = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1])

/**
 * Where each of some shapes has its number: in its middle, or beside it where it is thinner than that is high, towards a
 * point; and clear of the numbers before it where there is room.
 * @param high how high a number is, in units of the points
 */
export function numbersApart(shapes: readonly (readonly Point[])[], high: number, inside: Point): Point[] {
  const placed: Point[] = []
  for (const shape of shapes) {
    const middle = middleOf(shape)
    const edges = shape.map((p, i) => minus(shape[(i + 1) % shape.length], p))
    const longest = edges.reduce((a, b) => (Math.hypot(...b) > Math.hypot(...a) ? b : a))
    const long = Math.hypot(...longest) || 1
    const along: Point = [longest[0] / long, longest[1] / long]
    const side = minus(inside, middle)
    const towards = -along[1] * side[0] + along[0] * side[1] < 0 ? -1 : 1
    const out: Point = [-along[1] * towards, along[0] * towards]
    const across = shape.map((p) => out[0] * p[0] + out[1] * p[1])
    const thick = Math.max(...across) - Math.min(...across)
    const beside = thick >= high ? 0 : (thick + 1.1 * high) / 2
    const places = ROWS.flatMap((row) =>
      ALONG.map((share): Point => {
        const [u, v] = [share * long, beside + row * high]
        return [middle[0] + along[0] * u + out[0] * v, middle[1] + along[1] * u + out[1] * v]
      }),
    )
    placed.push(places.find((p) => placed.every((q) => off(p, q) >= APART * high)) ?? places[0])
  }
  return placed
}
