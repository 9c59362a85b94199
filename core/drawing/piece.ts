import { type Box, type TurnedBox } from '../geometry/box.ts'
import { clipped, faces, halfSpaces, type HalfSpace } from '../geometry/contact.ts'
import { hull, type Point } from '../geometry/hull.ts'
import { cutBy, outOf, polyhedronOf, type Polyhedron } from '../geometry/polyhedron.ts'
import { cross, dot, unit, type Vec3 } from '../geometry/vec.ts'

/*
 * Solids as the eye meets them from in front, the right and above: what each covers of the page, and what it hides of an
 * edge.
 */

/** Towards the eye. */
export const EYE: Vec3 = unit([1, 1, 1])
export const RIGHT: Vec3 = unit([1, -1, 0])
export const UP: Vec3 = cross(EYE, RIGHT).map((v) => -v) as Vec3
/** Lengths along all three ways are true on the page. */
export const TRUE = Math.sqrt(3 / 2)
export const onPage = (p: Vec3): Point => [TRUE * dot(p, RIGHT), TRUE * dot(p, UP)]

/** Pieces are this much smaller when they hide: what only touches hides nothing, mm. */
export const SKIN_MM = 0.05
/** Pieces of a line shorter than this are not drawn, share of it. */
const LEAST = 1e-4

/** A solid without a corner that points inwards. */
export interface Piece {
  thing: number
  /** Its faces, and which of them look to the eye: corners and the way out. */
  all: Polyhedron
  seen: { points: readonly Vec3[]; out: Vec3 }[]
  bounds: Box
  walls: HalfSpace[]
  /** How far each wall looks to the eye. */
  facing: number[]
  /** Its figure on the page, going round to the left. */
  figure: Point[]
  /** What it covers of the page: left, bottom, right, top. */
  page: [number, number, number, number]
  near: [number, number]
}
/** @param cuts what mitres and bevels leave of it */
export function pieceOf(thing: number, box: TurnedBox, cuts: readonly HalfSpace[] = []): Piece {
  const own = halfSpaces(box, -SKIN_MM)
  const walls = [...own, ...cuts.map((h) => ({ ...h, atMm: h.atMm - SKIN_MM }))]
  // Walls and faces come in one order; where planes have cut, a face says itself where it looks.
  const all = cuts.length === 0 ? faces(box) : cuts.reduce(cutBy, polyhedronOf(box))
  const seen = all
    .map((points, i) => ({ points, out: cuts.length === 0 ? own[i].out : outOf(points) }))
    .filter((f) => dot(f.out, EYE) > 1e-9)
  return measured({ thing, all, seen, walls })
}

function measured(p: Pick<Piece, 'thing' | 'all' | 'seen' | 'walls'>): Piece {
  const min: Vec3 = [Infinity, Infinity, Infinity]
  const max: Vec3 = [-Infinity, -Infinity, -Infinity]
  const page: Piece['page'] = [Infinity, Infinity, -Infinity, -Infinity]
  const near: Piece['near'] = [Infinity, -Infinity]
  const flat: Point[] = []
  for (const face of p.all)
    for (const c of face) {
      for (let k = 0; k < 3; k++) {
        if (c[k] < min[k]) min[k] = c[k]
        if (c[k] > max[k]) max[k] = c[k]
      }
      const depth = dot(c, EYE)
      if (depth < near[0]) near[0] = depth
      if (depth > near[1]) near[1] = depth
      const at = onPage(c)
      for (let k = 0; k < 2; k++) {
        if (at[k] < page[k]) page[k] = at[k]
        if (at[k] > page[k + 2]) page[k + 2] = at[k]
      }
      flat.push(at)
    }
  return { ...p, facing: p.walls.map((w) => dot(w.out, EYE)), bounds: { min, max }, figure: hull(flat), page, near }
}

/** A piece in two along a plane. */
export function split(p: Piece, axis: number, atMm: number): Piece[] {
  return [1, -1].map((sign) => {
    const out: Vec3 = [0, 0, 0]
    out[axis] = sign
    const h: HalfSpace = { out, atMm: sign * atMm }
    const kept = (figure: readonly Vec3[]) => clipped(figure, h)
    return measured({
      thing: p.thing,
      all: p.all.map(kept).filter((f) => f.length > 2),
      seen: p.seen.map((f) => ({ ...f, points: kept(f.points) })).filter((f) => f.points.length > 2),
      walls: [...p.walls, { ...h, atMm: h.atMm - SKIN_MM }],
    })
  })
}

/** All its faces look along an axis of the room. */
const isSquareOn = (p: Piece): boolean => p.walls.every((w) => w.out.some((v) => Math.abs(v) > 1 - 1e-9))
/** What a rod reaches into less than this it only touches, mm. */
const INTO_MM = 1

/** What is left to see of an upright rod beside a piece it goes through: what is under it and over it. */
function beside(rod: Piece, through: Piece): Piece[] {
  const [{ min, max }, hole] = [rod.bounds, through.bounds]
  const within = [0, 1].every((k) => min[k] > hole.min[k] && max[k] < hole.max[k])
  const [low, high] = [hole.min[2], hole.max[2]]
  if (!within || high <= min[2] + INTO_MM || low >= max[2] - INTO_MM) return [rod]
  const under = low > min[2] + INTO_MM ? [split(rod, 2, low)[0]] : []
  const over = high < max[2] - INTO_MM ? [split(rod, 2, high)[1]] : []
  return [...under, ...over]
}

/** Upright rods without what of them is inside other pieces: nothing of that is before or behind those. */
export function outOfHoles(pieces: readonly Piece[], isRod: (p: Piece) => boolean): Piece[] {
  const others = pieces.filter((p) => !isRod(p) && isSquareOn(p))
  return pieces.flatMap((p) =>
    isRod(p) ? others.reduce<Piece[]>((left, o) => left.flatMap((x) => beside(x, o)), [p]) : [p],
  )
}

/**
 * Which stretch of an edge a piece hides, from 0 to 1 along it; null when none. A point at t along the edge and s towards
 * the eye is inside a wall when a·t + b·s ≤ c. Some s from 0 on must be inside all walls: every bound of it from below
 * under every bound from above, which are limits of t.
 */
export function hiddenBy(p: Piece, from: Vec3, to: Vec3): [number, number] | null {
  const [wx, wy, wz] = [to[0] - from[0], to[1] - from[1], to[2] - from[2]]
  const { walls, facing } = p
  const n = walls.length
  let [lo, hi] = [0, 1]
  const limit = (k: number, l: number): boolean => {
    if (k > 1e-12) hi = Math.min(hi, l / k)
    else if (k < -1e-12) lo = Math.max(lo, l / k)
    else if (l < 0) return false
    return hi > lo
  }
  for (let i = 0; i < n; i++) {
    const { out, atMm } = walls[i]
    A[i] = wx * out[0] + wy * out[1] + wz * out[2]
    C[i] = atMm - from[0] * out[0] - from[1] * out[1] - from[2] * out[2]
    // Upright to the page, or before the edge itself: limits of t alone.
    if (facing[i] > -FLAT && !limit(A[i], C[i])) return null
  }
  for (let i = 0; i < n; i++) {
    if (facing[i] >= -FLAT) continue
    for (let j = 0; j < n; j++)
      if (facing[j] > FLAT && !limit(A[i] * facing[j] - A[j] * facing[i], C[i] * facing[j] - C[j] * facing[i]))
        return null
  }
  return hi - lo > 1e-9 ? [lo, hi] : null
}
/** A wall turned this little towards the eye or away is upright to the page. */
const FLAT = 1e-9
/** Room for the walls of one piece. */
const [A, C] = [new Float64Array(256), new Float64Array(256)]

/** Whether a line of the page passes by a figure. */
export function passes(figure: readonly Point[], p: Point, q: Point): boolean {
  let c = figure[figure.length - 1]
  for (const d of figure) {
    const [du, dv] = [d[0] - c[0], d[1] - c[1]]
    if (du * (p[1] - c[1]) <= dv * (p[0] - c[0]) && du * (q[1] - c[1]) <= dv * (q[0] - c[0])) return true
    c = d
  }
  return false
}

/** What of 0 to 1 is left when stretches are taken away. */
export function left(gone: [number, number][]): [number, number][] {
  gone.sort((a, b) => a[0] - b[0])
  const out: [number, number][] = []
  let at = 0
  for (const [lo, hi] of gone) {
    if (lo - at > LEAST) out.push([at, lo])
    at = Math.max(at, hi)
  }
  if (1 - at > LEAST) out.push([at, 1])
  return out
}
