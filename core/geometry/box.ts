import { kept } from '../measure/kept.ts'
import { convexPieces } from './pieces.ts'
import { add, cross, dot, scale, sub, type Vec3 } from './vec.ts'

/** An axis-aligned box, mm. */
export interface Box {
  min: Vec3
  max: Vec3
}

/** A box turned freely: centre, two unit axes (the third is their cross product) and the sizes along the three. */
export interface TurnedBox {
  centre: Vec3
  along: Vec3
  across: Vec3
  size: Vec3
  /**
   * Corners along the first two axes from the centre, going round from the first to the second; a
   * rectangle where left out.
   */
  outline?: readonly (readonly [number, number])[]
}

export const boxSize = (b: Box): Vec3 => sub(b.max, b.min)

export function boxUnion(boxes: readonly Box[]): Box {
  const min: Vec3 = [Infinity, Infinity, Infinity]
  const max: Vec3 = [-Infinity, -Infinity, -Infinity]
  for (const b of boxes)
    for (let i = 0; i < 3; i++) {
      if (b.min[i] < min[i]) min[i] = b.min[i]
      if (b.max[i] > max[i]) max[i] = b.max[i]
    }
  return { min, max }
}

/**
 * The overlap of two boxes, or null; boxes that only touch give a box of zero thickness. `slack` mm closes small gaps.
 */
export function boxOverlap(a: Box, b: Box, slack = 0): Box | null {
  const min: Vec3 = [0, 0, 0]
  const max: Vec3 = [0, 0, 0]
  for (let i = 0; i < 3; i++) {
    min[i] = Math.max(a.min[i], b.min[i])
    max[i] = Math.min(a.max[i], b.max[i])
    if (max[i] < min[i] - slack) return null
    if (max[i] < min[i]) min[i] = max[i] = (min[i] + max[i]) / 2
  }
  return { min, max }
}

/** Whether two boxes share more than this along all three axes, mm. */
export function sharesMoreThan(a: Box, b: Box, mm: number): boolean {
  for (let i = 0; i < 3; i++) if (Math.min(a.max[i], b.max[i]) - Math.max(a.min[i], b.min[i]) <= mm) return false
  return true
}

/** Whether one box lies in another that is larger by less than `slackMm` all round. */
export function isWithin(a: Box, b: Box, slackMm: number): boolean {
  for (let i = 0; i < 3; i++) if (a.min[i] <= b.min[i] - slackMm || a.max[i] >= b.max[i] + slackMm) return false
  return true
}

/** How far a point lies outside a box, mm; nought inside. */
export const outsideBox = (b: Box, p: Vec3): number =>
  Math.hypot(
    Math.max(0, b.min[0] - p[0], p[0] - b.max[0]),
    Math.max(0, b.min[1] - p[1], p[1] - b.max[1]),
    Math.max(0, b.min[2] - p[2], p[2] - b.max[2]),
  )

/** Shares of two axes that differ by less are alike, mm. */
const ALIKE_MM = 1e-6

/**
 * The axis on which two boxes meet: the one along which they share least; where they share as much of two, as in a notch
 * as deep as its board is thick, the one along which neither is long.
 */
export function meetingAxis(a: Box, b: Box): 0 | 1 | 2 {
  const shared = (i: number) => Math.min(a.max[i], b.max[i]) - Math.max(a.min[i], b.min[i])
  const long = (i: number) => Math.max(a.max[i] - a.min[i], b.max[i] - b.min[i])
  let axis: 0 | 1 | 2 = 0
  for (const i of [1, 2] as const) {
    const more = shared(i) - shared(axis)
    if (more < -ALIKE_MM || (more <= ALIKE_MM && long(i) < long(axis))) axis = i
  }
  return axis
}

export const thirdAxis = (b: Pick<TurnedBox, 'along' | 'across'>): Vec3 => cross(b.along, b.across)

/** Corners of its broad face along its first two axes, from its centre. */
export function outlineOf(b: TurnedBox): readonly (readonly [number, number])[] {
  const [l, w] = [b.size[0] / 2, b.size[1] / 2]
  return (
    b.outline ?? [
      [-l, -w],
      [l, -w],
      [l, w],
      [-l, w],
    ]
  )
}

export function corners(b: TurnedBox): Vec3[] {
  const c = thirdAxis(b)
  return outlineOf(b).flatMap(([u, v]) =>
    [-1, 1].map((k) => add(b.centre, add(scale(b.along, u), add(scale(b.across, v), scale(c, (k * b.size[2]) / 2))))),
  )
}

/** Ways the edges of its broad face run, one for each two that are parallel in a rectangle. */
export function edgeWays(b: TurnedBox): Vec3[] {
  if (!b.outline) return [b.along, b.across]
  return b.outline.map(([u, v], i) => {
    const [p, q] = b.outline![(i + 1) % b.outline!.length]
    const long = Math.hypot(p - u, q - v)
    return add(scale(b.along, (p - u) / long), scale(b.across, (q - v) / long))
  })
}

/** The upright box around a turned one: half its reach along each room axis to either side of its centre. */
export function extents(b: TurnedBox): Box {
  const { along: u, across: v, centre, size } = b
  const min: Vec3 = [0, 0, 0]
  const max: Vec3 = [0, 0, 0]
  for (let i = 0; i < 3; i++) {
    const [j, k] = [(i + 1) % 3, (i + 2) % 3]
    const third = Math.abs(u[j] * v[k] - u[k] * v[j])
    const half = (Math.abs(u[i]) * size[0] + Math.abs(v[i]) * size[1] + third * size[2]) / 2
    min[i] = centre[i] - half
    max[i] = centre[i] + half
  }
  return { min, max }
}

/**
 * How deep two turned boxes reach into each other, mm: the least push that would part them; 0 or less when they do not.
 * Separating-axis test over the faces of both and the ways their edges cross.
 * @param enough once they are known to reach no deeper than this, any figure up to it is given
 */
export function penetration(a: TurnedBox, b: TurnedBox, enough = -Infinity): number {
  if (!a.outline && !b.outline) return penetrationOfBricks(a, b, enough)
  let most = -Infinity
  for (const p of convexPieces(a))
    for (const q of convexPieces(b)) most = Math.max(most, penetrationOfTwo(p, q, Math.max(most, enough)))
  return most
}

/** Two rectangular boxes: half their reach along each axis, and how far apart their middles are along it. */
function penetrationOfBricks(a: TurnedBox, b: TurnedBox, enough: number): number {
  const [axesA, axesB] = [axesOf(a), axesOf(b)]
  const apart = sub(b.centre, a.centre)
  const reach = (axes: readonly Vec3[], size: Vec3, n: Vec3) =>
    (Math.abs(dot(axes[0], n)) * size[0] + Math.abs(dot(axes[1], n)) * size[1] + Math.abs(dot(axes[2], n)) * size[2]) /
    2
  const along = (n: Vec3) => reach(axesA, a.size, n) + reach(axesB, b.size, n) - Math.abs(dot(apart, n))
  return leastAlong([...axesA, ...axesB], axesA, axesB, along, enough)
}

/** The least of what two bodies share along the ways out of their faces and those across two of their edges. */
function leastAlong(
  faces: readonly Vec3[],
  edgesA: readonly Vec3[],
  edgesB: readonly Vec3[],
  along: (n: Vec3) => number,
  enough: number,
): number {
  let least = Infinity
  for (const n of faces) {
    least = Math.min(least, along(n))
    if (least <= enough) return least
  }
  for (const p of edgesA)
    for (const q of edgesB) {
      const n = cross(p, q)
      const length = Math.hypot(n[0], n[1], n[2])
      if (length < PARALLEL) continue
      least = Math.min(least, along(n) / length)
      if (least <= enough) return least
    }
  return least
}
/** Unit vectors whose cross product is shorter than this run the same way. */
const PARALLEL = 1e-9
const axesOf = (b: TurnedBox): readonly [Vec3, Vec3, Vec3] => [b.along, b.across, thirdAxis(b)]

/** Two prisms of any outline. An edge's own way looks out of a face of a rectangle; in another outline what is square to it does. */
function penetrationOfTwo(a: TurnedBox, b: TurnedBox, enough: number): number {
  const [x, y] = [prismOf(a), prismOf(b)]
  const along = (n: Vec3) => {
    const [p, q] = [spanOf(x.corners, n), spanOf(y.corners, n)]
    return Math.min(p.hi - q.lo, q.hi - p.lo)
  }
  return leastAlong([...x.faces, ...y.faces], x.edges, y.edges, along, enough)
}

/** What a prism is asked along: worked out once for each that is met again and again. */
interface Prism {
  corners: readonly Vec3[]
  edges: readonly Vec3[]
  faces: readonly Vec3[]
}
const prisms = new WeakMap<TurnedBox, Prism>()
const prismOf = (b: TurnedBox): Prism =>
  kept(prisms, b, () => {
    const [ways, third] = [edgeWays(b), thirdAxis(b)]
    return { corners: corners(b), edges: [...ways, third], faces: [...ways.map((e) => cross(third, e)), third] }
  })

/** From where to where corners reach along a way. */
function spanOf(points: readonly Vec3[], n: Vec3): { lo: number; hi: number } {
  let [lo, hi] = [Infinity, -Infinity]
  for (const p of points) {
    const at = dot(p, n)
    if (at < lo) lo = at
    if (at > hi) hi = at
  }
  return { lo, hi }
}
