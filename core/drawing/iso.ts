import type { Assembly, Part } from '../assembly/assembly.ts'
import { turnedBox } from '../assembly/part-box.ts'
import { corners, type Box, type TurnedBox } from '../geometry/box.ts'
import { clipped, faces, halfSpaces, type HalfSpace } from '../geometry/contact.ts'
import { hull, type Point } from '../geometry/hull.ts'
import { cross, dot, mid, norm, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import { isRound, type Goods } from '../goods/goods.ts'
import type { Ink, Mark, Scene } from './scene.ts'
import { circle, prismSolid, solidOf, type Solid } from './solid.ts'
import { workOn } from './work.ts'

/*
 * A build from in front, the right and above, all three ways to one scale. Faces are painted from far to near; of every
 * edge only what can be seen is a line: a piece hides of an edge what lies behind it, and what lies behind is found
 * exactly, as the part of a strip between the edge and the eye that is inside the piece.
 */

/** Towards the eye. */
export const EYE: Vec3 = unit([1, 1, 1])
const RIGHT: Vec3 = unit([1, -1, 0])
const UP: Vec3 = cross(EYE, RIGHT).map((v) => -v) as Vec3
/** Lengths along all three ways are true on the page. */
const TRUE = Math.sqrt(3 / 2)
export const onPage = (p: Vec3): Point => [TRUE * dot(p, RIGHT), TRUE * dot(p, UP)]

/** Pieces are this much smaller when they hide: what only touches hides nothing, mm. */
const SKIN_MM = 0.05
/** Cells of the page along its longer side, by which what lies over each other is found. */
const CELLS = 40
/** Pieces of a line shorter than this are not drawn, share of it. */
const LEAST = 1e-4

interface Piece {
  thing: number
  /** Its faces, and which of them look to the eye: corners and the way out. */
  all: Vec3[][]
  seen: { points: Vec3[]; out: Vec3 }[]
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
interface Thing {
  solid: Solid
  ink: Ink
  part?: Part
  goods?: string
}

export interface IsoOptions {
  goods: ReadonlyMap<string, Goods>
  labels?: ReadonlyMap<string, string>
  showGoods?: boolean
  /** Parts the drawing has room for, whether they are drawn or not: it keeps its place from step to step. */
  frame?: readonly Part[]
  /** Parts whose edges are drawn dashed where they are hidden. */
  ghosts?: ReadonlySet<string>
  /** Parts moved out of their place, mm: for drawings of how it goes together. */
  moved?: ReadonlyMap<string, Vec3>
  /** From below, as one sees what hangs: everything upside down as in a mirror on the floor, and the page turned back. */
  below?: boolean
}

const inkOf = (p: Part): Ink => (p.stock.kind === 'sheet' ? 'sheet' : p.stock.kind === 'board' ? 'board' : 'fitting')

function goodsSolid(g: Goods | undefined, box: Box): Solid {
  const [w, d, h] = sub(box.max, box.min)
  const round = g !== undefined && isRound(g.kind)
  return prismSolid(
    {
      centre: mid(box.min, box.max),
      along: [1, 0, 0],
      across: [0, 1, 0],
      size: [w, d, h],
      ...(round ? { outline: circle(w, d) } : {}),
    },
    round,
  )
}

function pieceOf(thing: number, box: TurnedBox): Piece {
  const all = faces(box)
  const seen = all.map((points) => ({ points, out: outward(points, box.centre) })).filter((f) => dot(f.out, EYE) > 1e-9)
  return measured({ thing, all, seen, walls: halfSpaces(box, -SKIN_MM) })
}

function measured(p: Pick<Piece, 'thing' | 'all' | 'seen' | 'walls'>): Piece {
  const points = p.all.flat()
  const flat = points.map(onPage)
  const depth = points.map((c) => dot(c, EYE))
  const range = (list: readonly number[]): [number, number] => [Math.min(...list), Math.max(...list)]
  const [x, y, z] = [0, 1, 2].map((k) => range(points.map((c) => c[k])))
  const [u, v] = [0, 1].map((k) => range(flat.map((c) => c[k])))
  return {
    ...p,
    facing: p.walls.map((w) => dot(w.out, EYE)),
    bounds: { min: [x[0], y[0], z[0]], max: [x[1], y[1], z[1]] },
    figure: hull(flat),
    page: [u[0], v[0], u[1], v[1]],
    near: range(depth),
  }
}

/** A piece in two along a plane. */
function split(p: Piece, axis: number, atMm: number): Piece[] {
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

/**
 * Which stretch of an edge a piece hides, from 0 to 1 along it; null when none. A point at t along the edge and s towards
 * the eye is inside a wall when a·t + b·s ≤ c. Some s from 0 on must be inside all walls: every bound of it from below
 * under every bound from above, which are limits of t.
 */
function hiddenBy(p: Piece, from: Vec3, to: Vec3): [number, number] | null {
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
function passes(figure: readonly Point[], p: Point, q: Point): boolean {
  for (let i = 0; i < figure.length; i++) {
    const [x, y] = figure[i]
    const [u, v] = figure[(i + 1) % figure.length]
    const side = (c: Point) => (u - x) * (c[1] - y) - (v - y) * (c[0] - x)
    if (side(p) <= 0 && side(q) <= 0) return true
  }
  return false
}

/** What of 0 to 1 is left when stretches are taken away. */
function left(gone: [number, number][]): [number, number][] {
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

const apart = (a: Piece['page'], b: Piece['page']): boolean =>
  a[0] >= b[2] || b[0] >= a[2] || a[1] >= b[3] || b[1] >= a[3]

/** Places on the page that many things may share: each piece is listed where it is. */
class Grid {
  private readonly cells = new Map<number, number[]>()
  constructor(
    private readonly pieces: readonly Piece[],
    private readonly cellMm: number,
  ) {
    this.stamps = new Uint32Array(pieces.length)
    pieces.forEach((p, i) =>
      this.each(p.page, (key) => void (this.cells.get(key)?.push(i) ?? this.cells.set(key, [i]))),
    )
  }
  private each([l, b, r, t]: Piece['page'], to: (key: number) => void): void {
    const c = this.cellMm
    for (let i = Math.floor(l / c); i <= Math.floor(r / c); i++)
      for (let k = Math.floor(b / c); k <= Math.floor(t / c); k++) to(i * 4096 + k)
  }
  /** Everything that may lie over a stretch of the page, each once. */
  over(page: Piece['page']): Piece[] {
    const found: Piece[] = []
    const stamp = ++this.asked
    this.each(page, (key) => {
      const list = this.cells.get(key)
      if (!list) return
      for (const i of list) {
        if (this.stamps[i] === stamp) continue
        this.stamps[i] = stamp
        if (!apart(this.pieces[i].page, page)) found.push(this.pieces[i])
      }
    })
    return found
  }
  private asked = 0
  private readonly stamps: Uint32Array
}

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
  let figure: Point[] = [...a]
  for (let i = 0; i < b.length && figure.length > 2; i++) {
    const [p, q] = [b[i], b[(i + 1) % b.length]]
    const side = (c: Point) => (q[0] - p[0]) * (c[1] - p[1]) - (q[1] - p[1]) * (c[0] - p[0])
    const kept: Point[] = []
    figure.forEach((c, k) => {
      const d = figure[(k + 1) % figure.length]
      const [sc, sd] = [side(c), side(d)]
      if (sc >= 0) kept.push(c)
      if (sc < 0 !== sd < 0)
        kept.push([c[0] + (sc / (sc - sd)) * (d[0] - c[0]), c[1] + (sc / (sc - sd)) * (d[1] - c[1])])
    })
    figure = kept
  }
  let [area, x, y] = [0, 0, 0]
  figure.forEach(([u, v], i) => {
    const [p, q] = figure[(i + 1) % figure.length]
    const part = u * q - p * v
    area += part / 2
    x += ((u + p) * part) / 6
    y += ((v + q) * part) / 6
  })
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
function painted(given: readonly Piece[], cellMm: number): Piece[] {
  let pieces = [...given]
  const told = new Map<Piece, Map<Piece, number>>()
  for (let n = 0; ; n++) {
    const grid = new Grid(pieces, cellMm)
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
  grid: Grid,
  told: Map<Piece, Map<Piece, number>>,
): { order: Piece[]; ring: Piece[] | null } {
  const index = new Map(pieces.map((p, i) => [p, i]))
  const behind: Set<number>[] = pieces.map(() => new Set())
  const ahead: number[][] = pieces.map(() => [])
  pieces.forEach((a, i) => {
    const known = told.get(a) ?? new Map<Piece, number>()
    told.set(a, known)
    for (const b of grid.over(a.page)) {
      const k = index.get(b)!
      if (k <= i) continue
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

/** The edges of a solid that may be seen: of what is round only where its side turns away. */
function edgesOf({ edges, round }: Solid): readonly (readonly [Vec3, Vec3])[] {
  if (!round) return edges
  const n = edges.length / 3
  const side = (i: number) => {
    const [[a, b], , [near, far]] = [edges[3 * (i % n)], 0, edges[3 * (i % n) + 2]]
    return dot(cross(sub(b, a), sub(near, far)), EYE)
  }
  return edges.filter((_, k) => k % 3 !== 2 || side((k - 2) / 3) > 0 !== side((k - 2) / 3 + n - 1) > 0)
}

/** Draws an assembly in space: faces, the edges that are seen, work in faces that look to the eye. */
export function drawIso(a: Assembly, o: IsoOptions): Scene {
  return o.below ? turnedBack(drawn(a, o)) : drawn(a, o)
}

const under = (p: Vec3): Vec3 => [p[0], p[1], -p[2]]
/** A solid in the mirror: its outline goes round the other way, and so does its third axis. */
const mirrored = (s: Solid): Solid => ({
  ...s,
  pieces: s.pieces.map((b) => ({ ...b, centre: under(b.centre), along: under(b.along), across: under(b.across) })),
  edges: s.edges.map(([p, q]) => [under(p), under(q)] as const),
})
function turnedBack({ marks, bounds: [l, b, r, t] }: Scene): Scene {
  const back = ([x, y]: Point): Point => [x, -y]
  return {
    bounds: [l, -t, r, -b],
    marks: marks.map((m): Mark => {
      if (m.kind === 'face') return { ...m, points: m.points.map(back) }
      if (m.kind === 'edge') return { ...m, from: back(m.from), to: back(m.to) }
      return m.kind === 'label' ? { ...m, at: back(m.at) } : m
    }),
  }
}

function drawn(a: Assembly, o: IsoOptions): Scene {
  const look = o.below ? mirrored : (s: Solid) => s
  const things: Thing[] = a.parts.map((part) => ({
    part,
    solid: look(at(solidOf(part), o.moved?.get(part.id))),
    ink: inkOf(part),
  }))
  if (o.showGoods !== false)
    for (const bay of a.bays)
      for (const item of bay.items)
        things.push({ goods: item.goodsId, solid: look(goodsSolid(o.goods.get(item.goodsId), item.box)), ink: 'goods' })
  const pieces = things.flatMap((t, i) => t.solid.pieces.map((box) => pieceOf(i, box)))
  const bounds = boundsOf([
    ...things.flatMap((t) => t.solid.pieces),
    ...(o.frame ?? []).flatMap((p) => look(solidOf(p)).pieces),
  ])
  const cellMm = Math.max(20, Math.max(bounds[2] - bounds[0], bounds[3] - bounds[1]) / CELLS)
  const grid = new Grid(pieces, cellMm)
  const marks: Mark[] = []
  for (const p of painted(pieces, cellMm)) {
    const { part, goods, ink } = things[p.thing]
    for (const { points, out } of p.seen)
      marks.push({
        kind: 'face',
        points: points.map(onPage),
        ink,
        tone: Math.abs(out[2]) > 0.7 ? 'top' : Math.abs(out[0]) > Math.abs(out[1]) ? 'side' : 'front',
        ...(part ? { part: part.id } : {}),
        ...(goods ? { goods } : {}),
      })
  }
  const line = (from: Vec3, to: Vec3, own: Thing, ink: Ink) => {
    const [p, q] = [onPage(from), onPage(to)]
    if (Math.hypot(q[0] - p[0], q[1] - p[1]) < 0.1) return
    const page: Piece['page'] = [
      Math.min(p[0], q[0]) - 0.01,
      Math.min(p[1], q[1]) - 0.01,
      Math.max(p[0], q[0]) + 0.01,
      Math.max(p[1], q[1]) + 0.01,
    ]
    const low = Math.min(dot(from, EYE), dot(to, EYE))
    const gone: [number, number][] = []
    for (const x of grid.over(page)) {
      if (x.near[1] <= low || passes(x.figure, p, q)) continue
      const stretch = hiddenBy(x, from, to)
      if (stretch) gone.push(stretch)
      if (stretch && stretch[1] - stretch[0] >= 1) break
    }
    const point = (t: number): Point => [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]
    const put = (lo: number, hi: number, hidden?: true) =>
      marks.push({
        kind: 'edge',
        from: point(lo),
        to: point(hi),
        ink,
        ...(own.part ? { part: own.part.id } : {}),
        ...(hidden ? { hidden } : {}),
      })
    const open = left(gone)
    for (const [lo, hi] of open) put(lo, hi)
    if (own.part && o.ghosts?.has(own.part.id)) for (const [lo, hi] of left(open)) put(lo, hi, true)
  }
  for (const t of things) {
    for (const [from, to] of edgesOf(t.solid)) line(from, to, t, t.ink)
    if (t.part)
      for (const figure of holesSeen(t.part, o.moved?.get(t.part.id), o.below))
        ring(figure, (p, q) => line(p, q, t, 'work'))
  }
  if (o.moved && !o.below) marks.push(...guides(a.parts, o.moved, grid))
  if (o.labels) marks.push(...labelsOf(things, o.labels))
  return { marks, bounds }
}

/** From where a moved part is drawn to where it goes, along its edges: what of that is seen. */
function guides(parts: readonly Part[], moved: ReadonlyMap<string, Vec3>, grid: Grid): Mark[] {
  return parts.flatMap((p): Mark[] => {
    const by = moved.get(p.id)
    if (!by) return []
    const points = corners(turnedBox(p))
    // Only the outermost corners: those that lead along the edge of the figure it draws on its way.
    return hull(points.map(onPage)).flatMap((c): Mark[] => {
      const from = points.find((v) => Math.hypot(onPage(v)[0] - c[0], onPage(v)[1] - c[1]) < 1e-6)!
      const to: Vec3 = [from[0] + by[0], from[1] + by[1], from[2] + by[2]]
      const [a, b] = [onPage(from), onPage(to)]
      const page: Piece['page'] = [
        Math.min(a[0], b[0]),
        Math.min(a[1], b[1]),
        Math.max(a[0], b[0]),
        Math.max(a[1], b[1]),
      ]
      const gone = grid.over(page).flatMap((x) => hiddenBy(x, from, to) ?? [])
      return gone.length > 0 ? [] : [{ kind: 'edge', from: a, to: b, ink: 'work', part: p.id, hidden: true }]
    })
  })
}

function at(s: Solid, by: Vec3 | undefined): Solid {
  if (!by) return s
  const put = (p: Vec3): Vec3 => [p[0] + by[0], p[1] + by[1], p[2] + by[2]]
  return {
    ...s,
    pieces: s.pieces.map((b) => ({ ...b, centre: put(b.centre) })),
    edges: s.edges.map(([p, q]) => [put(p), put(q)] as const),
  }
}

function ring(figure: readonly Vec3[], to: (p: Vec3, q: Vec3) => void): void {
  figure.forEach((p, i) => to(p, figure[(i + 1) % figure.length]))
}

/** Way out of a face, unit. */
function outward(figure: readonly Vec3[], centre: Vec3): Vec3 {
  const n = unit(cross(sub(figure[1], figure[0]), sub(figure[2], figure[1])))
  return dot(sub(figure[0], centre), n) >= 0 ? n : scale(n, -1)
}

/** Holes in the broad face that looks to the eye, a hair above it. */
function holesSeen(p: Part, by: Vec3 = [0, 0, 0], below = false): Vec3[][] {
  const holes = p.machining.filter((m) => m.kind === 'hole' || m.kind === 'row')
  if (holes.length === 0) return []
  const third = cross(p.at.along, p.at.across)
  const up = dot(third, below ? under(EYE) : EYE) > 0
  const off = scale(third, ((up ? 1 : -1) * p.size.thicknessMm) / 2)
  return workOn({ ...p, machining: holes }, up ? 'over' : 'under').map((f) =>
    f.map((c): Vec3 => {
      const there: Vec3 = [c[0] + off[0] + by[0], c[1] + off[1] + by[1], c[2] + off[2] + by[2]]
      return below ? under(there) : there
    }),
  )
}

/** What all of it covers of the page, with a little beside. */
function boundsOf(boxes: readonly TurnedBox[]): Scene['bounds'] {
  let [l, b, r, t] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const box of boxes)
    for (const [x, y] of corners(box).map(onPage))
      [l, b, r, t] = [Math.min(l, x), Math.min(b, y), Math.max(r, x), Math.max(t, y)]
  if (l > r) return [0, 0, 1, 1]
  const m = 0.04 * Math.max(r - l, t - b)
  return [l - m, b - m, r + m, t + m]
}

/** Letters in the middle of each part's largest face that looks to the eye. */
function labelsOf(things: readonly Thing[], labels: ReadonlyMap<string, string>): Mark[] {
  return things.flatMap(({ part, solid }): Mark[] => {
    const text = part && labels.get(part.id)
    if (!part || !text) return []
    let [most, where]: [number, Vec3] = [0, part.at.centre]
    for (const box of solid.pieces)
      for (const f of faces(box)) {
        if (dot(outward(f, box.centre), EYE) <= 0) continue
        const area = norm(cross(sub(f[1], f[0]), sub(f[2], f[1])))
        if (area > most)
          [most, where] = [
            area,
            scale(
              f.reduce((s, c) => [s[0] + c[0], s[1] + c[1], s[2] + c[2]], [0, 0, 0]),
              1 / f.length,
            ),
          ]
      }
    return [{ kind: 'label', at: onPage(where), text, part: part.id, upright: false }]
  })
}
