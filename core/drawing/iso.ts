import type { Assembly, Part } from '../assembly/assembly.ts'
import { isUpright, turnedBox } from '../assembly/part-box.ts'
import { corners, type TurnedBox } from '../geometry/box.ts'
import { hull, type Point } from '../geometry/hull.ts'
import { areaVector } from '../geometry/polyhedron.ts'
import { add, cross, dot, norm, scale, sub, type Vec3 } from '../geometry/vec.ts'
import type { Goods } from '../goods/goods.ts'
import { inkOf } from './ink.ts'
import { goodsSolid } from './goods-solid.ts'
import { PageGrid } from './page-grid.ts'
import { painted } from './paint-order.ts'
import { EYE, hiddenBy, left, onPage, outOfHoles, passes, pieceOf, type Piece } from './piece.ts'
import type { Ink, Mark, Scene } from './scene.ts'
import { polyhedra, solidOf, type Solid } from './solid.ts'
import { workOn } from './work.ts'

/*
 * A build from in front, the right and above, all three ways to one scale. Faces are painted from far to near; of every
 * edge only what can be seen is a line: a piece hides of an edge what lies behind it, and what lies behind is found
 * exactly, as the part of a strip between the edge and the eye that is inside the piece.
 */

/** Cells of the page along its longer side, by which what lies over each other is found. */
const CELLS = 40
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
  /** Fasteners, drawn as arrows to where they go in. */
  arrows?: readonly FastenerArrow[]
  /** From below, as one sees what hangs: upside down as in a mirror on the floor, and the page turned back. */
  below?: boolean
}

/** So many fasteners go into a part at a place, this way. */
export interface FastenerArrow {
  part: string
  at: Vec3
  way: Vec3
  count: number
}
/** Length of an arrow on the page, as a share of its longer side. */
const ARROW_SHARE = 0.05

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
  cuts: s.cuts.map((h) => ({ ...h, out: under(h.out) })),
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
        things.push({ goods: item.goodsId, solid: look(goodsSolid(o.goods.get(item.goodsId), item)), ink: 'goods' })
  const pieces = things.flatMap((t, i) => t.solid.pieces.map((box) => pieceOf(i, box, t.solid.cuts)))
  const bounds = boundsOf([
    ...things.flatMap((t) => t.solid.pieces),
    ...(o.frame ?? []).flatMap((p) => look(solidOf(p)).pieces),
  ])
  const cellMm = Math.max(20, Math.max(bounds[2] - bounds[0], bounds[3] - bounds[1]) / CELLS)
  const grid = new PageGrid(pieces, cellMm)
  const marks: Mark[] = []
  const isRod = ({ thing }: Piece) => {
    const { part } = things[thing]
    return part?.stock.kind === 'steel' && part.axial && isUpright(part)
  }
  for (const p of painted(outOfHoles(pieces, isRod), cellMm)) {
    const { part, goods, ink } = things[p.thing]
    for (const { points, out } of p.seen)
      marks.push({
        kind: 'face',
        points: points.map(onPage),
        ink,
        tone: Math.abs(out[2]) > 0.7 ? 'top' : Math.abs(out[0]) > Math.abs(out[1]) ? 'side' : 'front',
        ...(part ? { part: part.id, ...grainOn(part, out, o.below) } : {}),
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
    for (const i of grid.over([p, q], page)) {
      const x = pieces[i]
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
  if (o.moved && !o.below) marks.push(...guides(a.parts, o.moved, pieces, grid))
  for (const w of o.below ? [] : (o.arrows ?? [])) {
    const by = o.moved?.get(w.part) ?? [0, 0, 0]
    const long = ARROW_SHARE * Math.max(bounds[2] - bounds[0], bounds[3] - bounds[1])
    const to = add(w.at, by)
    marks.push({
      kind: 'arrow',
      from: onPage(sub(to, scale(w.way, long))),
      to: onPage(to),
      text: `${w.count} ×`,
      part: w.part,
    })
  }
  const arrows = marks.flatMap((m) => (m.kind === 'arrow' ? [m.from] : []))
  if (o.labels) marks.push(...labelsOf(things, o.labels))
  return { marks, bounds: withRoom(bounds, arrows) }
}

/** Bounds that hold some places too, with room for what is written there. */
function withRoom([l, b, r, t]: Scene['bounds'], places: readonly Point[]): Scene['bounds'] {
  const m = 0.04 * Math.max(r - l, t - b)
  const [x, y] = [0, 1].map((k) => places.map((p) => p[k]))
  return [
    Math.min(l, ...x.map((v) => v - m)),
    Math.min(b, ...y.map((v) => v - m)),
    Math.max(r, ...x.map((v) => v + m)),
    Math.max(t, ...y.map((v) => v + m)),
  ]
}

/** How the grain of a part runs on a face of it: on the page, or towards the eye. */
function grainOn(p: Part, out: Vec3, below = false): { grain?: number | 'end' } {
  if (p.stock.kind !== 'board' && p.stock.kind !== 'sheet') return {}
  const along = p.stock.kind === 'sheet' && p.grain === 'width' ? p.at.across : p.at.along
  const way = below ? under(along) : along
  if (Math.abs(dot(way, out)) > 0.7) return { grain: 'end' }
  const [x, y] = onPage(way)
  const turn = Math.atan2(below ? -y : y, x)
  // A line runs both ways.
  return { grain: Math.round((((turn + Math.PI) % Math.PI) * 180) / Math.PI) * (Math.PI / 180) }
}

/** From where a moved part is drawn to where it goes, along its edges: what of that is seen. */
function guides(
  parts: readonly Part[],
  moved: ReadonlyMap<string, Vec3>,
  pieces: readonly Piece[],
  grid: PageGrid,
): Mark[] {
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
      const gone = grid.over([a, b], page).flatMap((i) => hiddenBy(pieces[i], from, to) ?? [])
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
    cuts: s.cuts.map((h) => ({ ...h, atMm: h.atMm + dot(by, h.out) })),
    edges: s.edges.map(([p, q]) => [put(p), put(q)] as const),
  }
}

function ring(figure: readonly Vec3[], to: (p: Vec3, q: Vec3) => void): void {
  figure.forEach((p, i) => to(p, figure[(i + 1) % figure.length]))
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
    for (const piece of polyhedra(solid))
      for (const f of piece) {
        const out = areaVector(f)
        if (dot(out, EYE) <= 0) continue
        const area = norm(out)
        if (area > most) [most, where] = [area, scale(f.reduce(add, [0, 0, 0]), 1 / f.length)]
      }
    return [{ kind: 'label', at: onPage(where), text, part: part.id, upright: false }]
  })
}
