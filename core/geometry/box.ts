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

/** The axis on which two boxes meet: the one along which they share least. */
export function meetingAxis(a: Box, b: Box): 0 | 1 | 2 {
  let axis: 0 | 1 | 2 = 0
  let least = Infinity
  for (const i of [0, 1, 2] as const) {
    const shared = Math.min(a.max[i], b.max[i]) - Math.max(a.min[i], b.min[i])
    if (shared < least) {
      least = shared
      axis = i
    }
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
 */
export function penetration(a: TurnedBox, b: TurnedBox): number {
  let most = -Infinity
  for (const p of convexPieces(a)) for (const q of convexPieces(b)) most = Math.max(most, penetrationOfTwo(p, q))
  return most
}

function penetrationOfTwo(a: TurnedBox, b: TurnedBox): number {
  const waysOf = (x: TurnedBox) => [...edgeWays(x), thirdAxis(x)]
  // An edge's own way looks out of a face of a rectangle; in another outline what is square to it does.
  const facesOf = (x: TurnedBox) => [...edgeWays(x).map((e) => cross(thirdAxis(x), e)), thirdAxis(x)]
  const [cornersA, cornersB] = [corners(a), corners(b)]
  let least = Infinity
  const tryAxis = (n: Vec3) => {
    const length = Math.hypot(...n)
    if (length < 1e-9) return
    const u = scale(n, 1 / length)
    const [p, q] = [cornersA.map((c) => dot(c, u)), cornersB.map((c) => dot(c, u))]
    least = Math.min(least, Math.max(...p) - Math.min(...q), Math.max(...q) - Math.min(...p))
  }
  facesOf(a).forEach(tryAxis)
  facesOf(b).forEach(tryAxis)
  for (const p of waysOf(a)) for (const q of waysOf(b)) tryAxis(cross(p, q))
  return least
}
