import type { Part } from '../assembly/assembly.ts'
import { turnedBox } from '../assembly/part-box.ts'
import { outlineOf, type Box } from '../geometry/box.ts'
import { add, scale } from '../geometry/vec.ts'

/*
 * A level top whose face is no rectangle, from above: somebody on it stands on wood, and does most at its slanted edges.
 */

type Point = readonly [number, number]
/** From where to where along the wall and out from it, mm. */
export interface Place {
  x: [number, number]
  y: [number, number]
}

/** An edge that runs more askew than this is slanted; what is scribed to a wall is not. Share of its length. */
const SLANTED = Math.sin((10 * Math.PI) / 180)
/** What is over its edge by less is on it, mm. */
const ON_MM = 1

const cornersOf = (p: Part): Point[] => {
  const all = outlineOf(turnedBox(p)).map(([u, v]): Point => {
    const [x, y] = add(p.at.centre, add(scale(p.at.along, u), scale(p.at.across, v)))
    return [x, y]
  })
  // Going round so that its inside is on the left.
  const twice = all.reduce((s, [x, y], i) => {
    const [z, w] = all[(i + 1) % all.length]
    return s + x * w - z * y
  }, 0)
  return twice < 0 ? all.reverse() : all
}

/** Edges of a part that lies flat that run neither along the wall nor out from it, its inside on their left. */
export function slantedEdges(p: Part): [Point, Point][] {
  if (!p.outline) return []
  const all = cornersOf(p)
  return all.flatMap((a, i): [Point, Point][] => {
    const b = all[(i + 1) % all.length]
    const [dx, dy] = [Math.abs(b[0] - a[0]), Math.abs(b[1] - a[1])]
    return Math.min(dx, dy) > SLANTED * Math.hypot(dx, dy) ? [[a, b]] : []
  })
}

/** Whether all of a place lies on a part that lies flat. */
export function isOn(p: Part, { x, y }: Place): boolean {
  if (!p.outline) return true
  const all = cornersOf(p)
  return all.every(([ax, ay], i) => {
    const [bx, by] = all[(i + 1) % all.length]
    const long = Math.hypot(bx - ax, by - ay)
    return x.every((px) => y.every((py) => ((bx - ax) * (py - ay) - (by - ay) * (px - ax)) / long >= -ON_MM))
  })
}

/** So far a place is moved along the wall to lie on what is cut a little askew, mm. */
const ASKEW_MM = 60

/** A place moved along the wall onto a part where it is but a little off it; null where it is further off. */
export function ontoIt(p: Part, { x, y }: Place): Place | null {
  for (let by = 0; by <= ASKEW_MM; by += ASKEW_MM / 12)
    for (const way of [1, -1]) {
      const moved: Place = { x: [x[0] + way * by, x[1] + way * by], y }
      if (isOn(p, moved)) return moved
    }
  return null
}

/** Squares of a size that touch a slanted edge from within: at its ends, in its middle, and where its x is one of these. */
export function alongSlants(p: Part, sizeMm: number, xs: readonly number[]): Place[] {
  return slantedEdges(p).flatMap(([a, b]) => {
    const across = (x: number) => (x - a[0]) / (b[0] - a[0])
    const at = [0, 0.25, 0.5, 0.75, 1, ...xs.map(across).filter((t) => t > 0 && t < 1)]
    // Out of it is on the right of the way along it.
    const out: Point = [b[1] - a[1], a[0] - b[0]]
    const range = (mm: number, way: number): [number, number] => (way > 0 ? [mm - sizeMm, mm] : [mm, mm + sizeMm])
    return at
      .map((t): Place => ({
        x: range(a[0] + t * (b[0] - a[0]), out[0]),
        y: range(a[1] + t * (b[1] - a[1]), out[1]),
      }))
      .filter((place) => isOn(p, place))
  })
}

/** Slabs of a face are no deeper than this out from the wall, mm. */
const SLAB_MM = 50

/**
 * A part that lies flat as slabs along the wall, each with its share of the face: what it weighs is where its wood is.
 * For one without corners that point inwards. @param z at which height
 */
export function slabsOf(p: Part, z: number): { box: Box; share: number }[] {
  const all = cornersOf(p)
  const levels = [...new Set(all.map(([, y]) => y))].sort((a, b) => a - b)
  const cuts = levels.slice(1).flatMap((to, i) => {
    const n = Math.max(1, Math.ceil((to - levels[i]) / SLAB_MM))
    return Array.from({ length: n }, (_, k) => [k, k + 1].map((j) => levels[i] + ((to - levels[i]) * j) / n))
  })
  const slabs = cuts.flatMap(([from, to]) => {
    const middle = (from + to) / 2
    const xs = all.flatMap(([ax, ay], i) => {
      const [bx, by] = all[(i + 1) % all.length]
      return ay > middle !== by > middle ? [ax + ((middle - ay) / (by - ay)) * (bx - ax)] : []
    })
    if (xs.length < 2) return []
    const [left, right] = [Math.min(...xs), Math.max(...xs)]
    return [{ box: { min: [left, from, z], max: [right, to, z] } as Box, mm2: (right - left) * (to - from) }]
  })
  const face = slabs.reduce((s, x) => s + x.mm2, 0)
  return slabs.map(({ box, mm2 }) => ({ box, share: mm2 / face }))
}
