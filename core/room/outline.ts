import type { Point } from '../geometry/hull.ts'
import { distance, minus, plus } from '../geometry/plane.ts'
import { leastSquares } from '../geometry/solve-linear.ts'
import { cornerOf, type Corner, type Corners, type Diagonal, type Room, type Wall } from './room.ts'

/*
 * The plan of the room. Map coordinates, mm: the first wall runs along +x from the origin, the room lies below it (y
 * negative), and one walks from wall to wall to the right, so that the inside is always on the right-hand side.
 */

/**
 * How well a tape, a long diagonal and an angle are measured: one standard deviation. Product decisions, for weighing
 * only.
 */
const TAPE_MM = 3
const DIAGONAL_MM = 4
/** A measurement left out on purpose. */
const NOT_TRUSTED_MM = 1e5
const MEASURED_CORNER = (0.3 * Math.PI) / 180
const ASSUMED_CORNER = (2 * Math.PI) / 180

/** A wall in the plan: its left end, the way it runs and the way into the room. */
export interface WallLine {
  wall: Wall
  from: Point
  to: Point
  along: Point
  inward: Point
}

export interface Outline {
  walls: WallLine[]
  /** Walls make a closed figure. */
  closed: boolean
}

/**
 * Where the left ends of the walls lie (and the end of the last) when one walks the lengths and corners as they were
 * said.
 */
function walk(walls: readonly Wall[]): Point[] {
  const out: Point[] = [[0, 0]]
  let heading = 0
  for (const w of walls) {
    const p = out[out.length - 1]
    out.push([p[0] + w.lengthMm * Math.cos(heading), p[1] + w.lengthMm * Math.sin(heading)])
    heading -= Math.PI - cornerOf(w)
  }
  return out
}

function lines(walls: readonly Wall[], ends: readonly Point[]): WallLine[] {
  return walls.map((wall, i) => {
    const [from, to] = [ends[i], ends[i + 1]]
    const l = distance(from, to) || 1
    const along: Point = [(to[0] - from[0]) / l, (to[1] - from[1]) / l]
    return { wall, from, to, along, inward: [along[1], -along[0]] }
  })
}

/**
 * Inside angle at each corner of a closed figure walked with the inside on the right; corner i is the right end of wall
 * i.
 */
function cornersOf(p: readonly Point[]): number[] {
  const n = p.length
  return p.map((_, i) => {
    const at = p[(i + 1) % n]
    const [a, b] = [minus(p[i], at), minus(p[(i + 2) % n], at)]
    const turn = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1])
    return turn < 0 ? turn + 2 * Math.PI : turn
  })
}

interface Fitted {
  points: Point[]
  chi2: number
}

/** The closed figure that agrees best with lengths, diagonals and corners; the length of one wall may be left out. */
function fit(walls: readonly Wall[], diagonals: readonly Diagonal[], untrusted?: string): Fitted | null {
  const n = walls.length
  const known = walk(walls).slice(0, n)
  // With enough diagonals the figure is known without the corners; then an assumed right angle only helps where nothing
  // else does.
  const assumed = ASSUMED_CORNER * (diagonals.length >= n - 3 ? 100 : 1)
  const index = new Map(walls.map((w, i) => [w.id, i]))
  const points = (x: readonly number[]): Point[] => [
    [0, 0],
    [x[0], 0],
    ...Array.from({ length: n - 2 }, (_, i): Point => [x[1 + 2 * i], x[2 + 2 * i]]),
  ]
  const residuals = (x: readonly number[]): number[] => {
    const p = points(x)
    const corners = cornersOf(p)
    return [
      ...walls.map(
        (w, i) => (distance(p[i], p[(i + 1) % n]) - w.lengthMm) / (w.id === untrusted ? NOT_TRUSTED_MM : TAPE_MM),
      ),
      ...diagonals.map(
        (d) => (distance(p[index.get(d.fromWallId) ?? 0], p[index.get(d.toWallId) ?? 0]) - d.lengthMm) / DIAGONAL_MM,
      ),
      ...walls.map((w, i) => (corners[i] - cornerOf(w)) / (w.cornerRad === null ? assumed : MEASURED_CORNER)),
    ]
  }
  const x = leastSquares([known[1][0], ...known.slice(2).flat()], residuals)
  return x && { points: points(x), chi2: residuals(x).reduce((s, r) => s + r * r, 0) }
}

const usable = (r: Room): Diagonal[] =>
  r.diagonals.filter(
    (d) => d.fromWallId !== d.toWallId && [d.fromWallId, d.toWallId].every((w) => r.walls.some((x) => x.id === w)),
  )

/** The plan of a room: adjusted to close when it is a closed one of three walls or more, else just walked. */
export function outline(r: Room): Outline {
  if (!r.closed || r.walls.length < 3) return { walls: lines(r.walls, walk(r.walls)), closed: false }
  const fitted = fit(r.walls, usable(r))
  const p = fitted?.points ?? walk(r.walls).slice(0, r.walls.length)
  return { walls: lines(r.walls, [...p, p[0]]), closed: true }
}

export interface Closing {
  /**
   * How far the measurements miss each other, mm: what is left between the ends when walked, or how far the worst
   * diagonal is off.
   */
  missMm: number
  by: 'walk' | 'diagonals' | 'none'
  /** What is most likely wrong, and by how much against all the others: positive when it was measured too long. */
  suspect: { of: 'wall' | 'diagonal'; id: string; offMm: number } | null
  /** Diagonals that would have to be added before anything checks anything. */
  wanted: number
}

/** Below this the measurements agree, mm: what a tape and two people can do. Product decision. */
export const CLOSES_MM = 10

/** Whether lengths, corners and diagonals agree, and which of them to measure again. */
export function closing(r: Room): Closing {
  const n = r.walls.length
  if (!r.closed || n < 3) return { missMm: 0, by: 'none', suspect: null, wanted: 0 }
  const diagonals = usable(r)
  const spare = diagonals.length - (n - 3)
  if (spare <= 0) {
    const ends = walk(r.walls)
    return { missMm: distance(ends[0], ends[n]), by: 'walk', suspect: null, wanted: 1 - spare }
  }
  // Each measurement left out in turn: the one without which the rest agree best is the one to doubt, a long diagonal
  // before a wall.
  const without = (of: 'wall' | 'diagonal', id: string) => {
    const fitted =
      of === 'diagonal'
        ? fit(
            r.walls,
            diagonals.filter((d) => d.id !== id),
          )
        : fit(r.walls, diagonals, id)
    if (!fitted) return null
    const i = (w: string) => r.walls.findIndex((x) => x.id === w)
    const d = diagonals.find((x) => x.id === id)
    const wallAt = i(id)
    const [a, b] = d ? [i(d.fromWallId), i(d.toWallId)] : [wallAt, (wallAt + 1) % n]
    const measured = d ? d.lengthMm : r.walls[wallAt].lengthMm
    return { of, id, offMm: measured - distance(fitted.points[a], fitted.points[b]), chi2: fitted.chi2, measured }
  }
  const tried = [
    ...diagonals.map((d) => without('diagonal', d.id)),
    ...r.walls.map((w) => without('wall', w.id)),
  ].filter((t) => t !== null)
  const missMm = Math.max(0, ...tried.filter((t) => t.of === 'diagonal').map((t) => Math.abs(t.offMm)))
  const best = tried.reduce<(typeof tried)[number] | null>((x, t) => {
    if (!x) return t
    const even = Math.abs(t.chi2 - x.chi2) < 0.05 * Math.max(1, x.chi2)
    return even
      ? t.of === 'diagonal' && (x.of === 'wall' || t.measured > x.measured)
        ? t
        : x
      : t.chi2 < x.chi2
        ? t
        : x
  }, null)
  return {
    missMm,
    by: 'diagonals',
    suspect: best && missMm > CLOSES_MM ? { of: best.of, id: best.id, offMm: best.offMm } : null,
    wanted: 0,
  }
}

export interface CornerReading {
  wallId: string
  rad: number
  measured: boolean
}

/** Inside angles as the adjusted plan has them; the last corner of an open run has none. */
export function cornerReadings(r: Room): CornerReading[] {
  const o = outline(r)
  if (o.closed)
    return cornersOf(o.walls.map((w) => w.from)).map((rad, i) => ({
      wallId: r.walls[i].id,
      rad,
      measured: r.walls[i].cornerRad !== null || usable(r).length >= r.walls.length - 3,
    }))
  return r.walls.slice(0, -1).map((w) => ({ wallId: w.id, rad: cornerOf(w), measured: w.cornerRad !== null }))
}

/** Rooms do not change once they are made. */
const readBefore = new WeakMap<Room, CornerReading[]>()

/** The corners at both ends of a wall, as the adjusted plan has them, from a place along it. */
export function cornersAt(r: Room, wallId: string, fromMm: number): Corners {
  const read = readBefore.get(r) ?? cornerReadings(r)
  readBefore.set(r, read)
  const i = r.walls.findIndex((w) => w.id === wallId)
  const closed = read.length === r.walls.length
  const at = (k: number, alongMm: number): Corner | null => {
    const c = read[closed ? (k + read.length) % read.length : k]
    return c ? { rad: c.rad, fromMm: alongMm - fromMm } : null
  }
  return i < 0 ? { left: null, right: null } : { left: at(i - 1, 0), right: at(i, r.walls[i].lengthMm) }
}

/**
 * How far a wall has run from square at a distance out from its neighbour, mm: L·tan(|90° − corner|); null where the
 * corner is not near a right angle. Positive when the corner is too small (the wall comes in), negative when it opens.
 */
export function offSquareMm(cornerRad: number, overMm: number): number | null {
  const near = cornerRad > Math.PI ? (3 * Math.PI) / 2 : Math.PI / 2
  const off = near - cornerRad
  return Math.abs(off) > Math.PI / 6 ? null : overMm * Math.tan(off)
}

/** Left on a worktop beside what the corner takes, mm: walls are not flat either. Product decision. */
const SCRIBE_SPARE_MM = 5

/** What a worktop of this depth is cut over length at a corner, so that it can be scribed to the wall, mm. */
export function scribeAllowanceMm(cornerRad: number, depthMm: number): number | null {
  const off = offSquareMm(cornerRad, depthMm)
  return off === null ? null : Math.abs(off) + SCRIBE_SPARE_MM
}

/** How far one comes straight out from a place of a wall before another wall stands in the way, mm; Infinity where none does. */
export function straightOutMm(o: Outline, w: WallLine, alongMm: number): number {
  const from = onPlan(w, alongMm, 0)
  const hits = o.walls.flatMap((other) => {
    if (other.wall.id === w.wall.id) return []
    const [a, b] = [minus(other.from, from), minus(other.to, from)]
    const beside = (p: Point) => p[0] * w.along[0] + p[1] * w.along[1]
    const out = (p: Point) => p[0] * w.inward[0] + p[1] * w.inward[1]
    // One end to the left, the other to the right of the way out: a wall that runs along it is not in it.
    if (beside(a) < 0 === beside(b) < 0) return []
    const t = beside(a) / (beside(a) - beside(b))
    const far = out(a) + t * (out(b) - out(a))
    return far > 0 ? [far] : []
  })
  return Math.min(Infinity, ...hits)
}

/** A place along, out and up from a wall in map coordinates. */
export const onPlan = (w: WallLine, alongMm: number, outMm: number): Point =>
  plus(plus(w.from, w.along, alongMm), w.inward, outMm)
/** The other way round: how far along and out from a wall a place of the plan is. */
export function fromWall(w: WallLine, at: Point): { alongMm: number; outMm: number } {
  const [x, y] = minus(at, w.from)
  return { alongMm: x * w.along[0] + y * w.along[1], outMm: x * w.inward[0] + y * w.inward[1] }
}
