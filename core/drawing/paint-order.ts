import type { Point } from '../geometry/hull.ts'
import { dot, type Vec3 } from '../geometry/vec.ts'
import { PageGrid } from './page-grid.ts'
import { EYE, RIGHT, SKIN_MM, split, TRUE, UP, type Piece } from './piece.ts'

/* In which order solids are painted so that what is nearer covers what is farther. */

/** Whether a lies before b for the eye: 1, behind it: −1, neither: 0. */
function before(a: Piece, b: Piece): number {
  let told = 0
  for (let k = 0; k < 3; k++) {
    if (a.bounds.min[k] >= b.bounds.max[k] - 2 * SKIN_MM) told = told === -1 ? 2 : 1
    else if (b.bounds.min[k] >= a.bounds.max[k] - 2 * SKIN_MM) told = told === 1 ? 2 : -1
    if (told === 2) return 0
  }
  // Solids that do not reach into each other are one before the other all over: one place of what both cover tells.
  const shared = overlap(a.figure, b.figure)
  if (!shared) return 0
  if (told !== 0) return told
  const [p, q] = [depthAt(a, shared), depthAt(b, shared)]
  return p === null || q === null ? 0 : Math.sign(p - q)
}

/** The middle of what two figures of the page share, each going round to the left; null where that is next to nothing. */
function overlap(a: readonly Point[], b: readonly Point[]): Point | null {
  let figure: readonly Point[] = a
  for (let i = 0; i < b.length && figure.length > 2; i++) {
    const [p, q] = [b[i], b[(i + 1) % b.length]]
    const [du, dv] = [q[0] - p[0], q[1] - p[1]]
    const side = (c: Point) => du * (c[1] - p[1]) - dv * (c[0] - p[0])
    const kept: Point[] = []
    let c = figure[figure.length - 1]
    let sc = side(c)
    for (const d of figure) {
      const sd = side(d)
      if (sc < 0 !== sd < 0)
        kept.push([c[0] + (sc / (sc - sd)) * (d[0] - c[0]), c[1] + (sc / (sc - sd)) * (d[1] - c[1])])
      if (sd >= 0) kept.push(d)
      c = d
      sc = sd
    }
    figure = kept
  }
  let [area, x, y] = [0, 0, 0]
  for (let i = 0; i < figure.length; i++) {
    const [u, v] = figure[i]
    const [p, q] = figure[(i + 1) % figure.length]
    const part = u * q - p * v
    area += part / 2
    x += ((u + p) * part) / 6
    y += ((v + q) * part) / 6
  }
  return area > LEAST_SHARED_MM2 ? [x / area, y / area] : null
}
/** Figures that share less of the page than this do not cover each other, mm². */
const LEAST_SHARED_MM2 = 0.5

/** How near the eye a piece is in one place of the page; null where it is not. */
function depthAt(p: Piece, [x, y]: Point): number | null {
  const from: Vec3 = [0, 1, 2].map((k) => (x * RIGHT[k] + y * UP[k]) / TRUE) as Vec3
  let [lo, hi] = [-Infinity, Infinity]
  for (const { out, atMm } of p.walls) {
    const [along, room] = [dot(EYE, out), atMm - dot(from, out)]
    if (along > 1e-9) hi = Math.min(hi, room / along)
    else if (along < -1e-9) lo = Math.max(lo, room / along)
    else if (room < 0) return null
  }
  return lo <= hi ? hi : null
}

/** Pieces cut in two at most, where they lie round each other. */
const MOST_SPLITS = 150

/** From far to near: each after all that lie behind it. What lies round each other in a ring is cut in two. */
export function painted(given: readonly Piece[], cellMm: number): Piece[] {
  let pieces = [...given]
  const told = new Map<Piece, Map<Piece, number>>()
  for (let n = 0; ; n++) {
    const grid = new PageGrid(pieces, cellMm)
    const { order, ring } = sorted(pieces, grid, told)
    const cut = ring && n < MOST_SPLITS ? cutOf(ring) : null
    if (!cut) return order
    pieces = pieces.flatMap((p) => (p === cut.piece ? split(p, cut.axis, cut.atMm) : [p]))
  }
}

/** A piece of a ring and a plane of another of it that goes through. */
function cutOf(ring: readonly Piece[]): { piece: Piece; axis: number; atMm: number } | null {
  for (const piece of ring)
    for (const other of ring)
      for (let axis = 0; axis < 3; axis++)
        for (const atMm of [other.bounds.min[axis], other.bounds.max[axis]])
          if (other !== piece && atMm > piece.bounds.min[axis] + 1 && atMm < piece.bounds.max[axis] - 1)
            return { piece, axis, atMm }
  return null
}

function sorted(
  pieces: readonly Piece[],
  grid: PageGrid,
  told: Map<Piece, Map<Piece, number>>,
): { order: Piece[]; ring: Piece[] | null } {
  const behind: Set<number>[] = pieces.map(() => new Set())
  const ahead: number[][] = pieces.map(() => [])
  pieces.forEach((a, i) => {
    const known = told.get(a) ?? new Map<Piece, number>()
    told.set(a, known)
    for (const k of grid.over(a.figure, a.page)) {
      if (k <= i) continue
      const b = pieces[k]
      const way = known.get(b) ?? before(a, b)
      known.set(b, way)
      if (way === 0) continue
      const [far, nearer] = way > 0 ? [k, i] : [i, k]
      ahead[far].push(nearer)
      behind[nearer].add(far)
    }
  })
  const byDepth = pieces.map((_, i) => i).sort((p, q) => pieces[p].near[0] - pieces[q].near[0])
  const order: Piece[] = []
  const done = new Set<number>()
  const ready = byDepth.filter((i) => behind[i].size === 0)
  let ring: Piece[] | null = null
  while (order.length < pieces.length) {
    let i = ready.shift()
    if (i === undefined) {
      i = byDepth.find((k) => !done.has(k))!
      ring ??= ringFrom(i, behind).map((k) => pieces[k])
    }
    if (done.has(i)) continue
    done.add(i)
    order.push(pieces[i])
    for (const k of ahead[i]) {
      behind[k].delete(i)
      if (behind[k].size === 0 && !done.has(k)) ready.push(k)
    }
  }
  return { order, ring }
}

/** Back from one to what lies behind it, until one comes again. */
function ringFrom(start: number, behind: readonly ReadonlySet<number>[]): number[] {
  const path: number[] = []
  let at = start
  while (!path.includes(at)) {
    path.push(at)
    const [next] = behind[at]
    if (next === undefined) return path
    at = next
  }
  return path.slice(path.indexOf(at))
}
