import earcut from 'earcut'
import polygonClipping from 'polygon-clipping'
import type { Machining, Part } from '../assembly/assembly.ts'
import { isRoundPart, turnedBox } from '../assembly/part-box.ts'
import { outlineOf, thirdAxis, type TurnedBox } from '../geometry/box.ts'
import { cutBy, polyhedronOf, type Polyhedron } from '../geometry/polyhedron.ts'
import { add, dot, scale, sub, type Vec3 } from '../geometry/vec.ts'
import { circle, lengthwise, prismSolid, solidOf } from './solid.ts'
import { leanOf, stretched } from './work.ts'

/*
 * A part as closed solids for drawing in three dimensions: what its drawings on paper show, and its holes as holes.
 */

/** Corners of a rod, which is drawn as much thicker as its volume then is the true one. */
const ROUND = 64
const THICKER = Math.sqrt((2 * Math.PI) / (ROUND * Math.sin((2 * Math.PI) / ROUND)))
/** Corners of a hole, and of one for a pin. */
const HOLE = 20
const SMALL_HOLE = 10
const SMALL_MM = 12
const EVEN_MM = 1e-6

interface Bore {
  /** Of its middle at its mouth, from the middle of the part along and across it. */
  at: readonly [number, number]
  /** How far its middle goes to either side for each mm through the part, from where it is the middle of its mouth. */
  lean: readonly [number, number]
  mouthMm: number
  diameterMm: number
  /** From where to where through the part, from its middle. */
  deep: readonly [number, number]
}

function boresOf(m: Machining, p: Part): Bore[] {
  if (m.kind !== 'hole' && m.kind !== 'row') return []
  const { lengthMm: l, widthMm: w, thicknessMm: t } = p.size
  const deepMm = m.depthMm === null ? t : Math.min(t, m.depthMm)
  const deep = m.face === 'over' ? ([t / 2 - deepMm, t / 2] as const) : ([-t / 2, deepMm - t / 2] as const)
  const [count, every] = m.kind === 'row' ? [m.count, m.everyMm] : [1, 0]
  const out = m.face === 'over' ? 1 : -1
  const lean = m.kind === 'hole' ? leanOf(m) : ([0, 0] as const)
  return Array.from({ length: count }, (_, i) => ({
    at: [m.atMm + i * every - l / 2, m.offMm - w / 2] as const,
    lean: [out * lean[0], out * lean[1]] as const,
    mouthMm: (out * t) / 2,
    diameterMm: m.diameterMm,
    deep,
  }))
}

/** Where the middle of a bore is at a height in the part, from the middle of its mouth. */
const aside = (b: Bore, z: number): readonly [number, number] => [
  b.lean[0] * (z - b.mouthMm),
  b.lean[1] * (z - b.mouthMm),
]
/** What a plane square to the part's thickness shows of a bore there: an oval, where it is bored at a tilt. */
function ringOf(b: Bore, z: number): [number, number][] {
  const [x, y] = aside(b, z)
  const round = circle(b.diameterMm, b.diameterMm, b.diameterMm > SMALL_MM ? HOLE : SMALL_HOLE)
  return stretched(round, b.lean).map(([u, v]): [number, number] => [b.at[0] + x + u, b.at[1] + y + v])
}

/** A layer of a piece: straight through it, with holes or without. */
interface Layer {
  box: TurnedBox
  /** Figures of its broad face, outer ring first, from the middle of the piece; closed. Null: its outline. */
  rings: Rings | null
  /** Of its other face, where that differs: holes bored at a tilt. */
  under?: Rings
}
type Rings = readonly (readonly [number, number][])[]
/** A piece of a part with holes: cut in layers where a hole ends. */
function layersOf(piece: TurnedBox, p: Part, bores: readonly Bore[]): Layer[] {
  const third = thirdAxis(turnedBox(p))
  const off = sub(piece.centre, p.at.centre)
  const [u, v, w] = [dot(off, p.at.along), dot(off, p.at.across), dot(off, third)]
  const [lo, hi] = [w - piece.size[2] / 2, w + piece.size[2] / 2]
  const reach = (b: Bore) =>
    [u, v].every((c, k) => {
      const slack = Math.abs(b.lean[k]) * p.size.thicknessMm
      return Math.abs(b.at[k] - c) < (piece.size[k] + b.diameterMm) / 2 + slack
    })
  const mine = bores.filter((b) => b.deep[0] < hi - EVEN_MM && b.deep[1] > lo + EVEN_MM && reach(b))
  if (mine.length === 0) return [{ box: piece, rings: null }]
  const levels = [lo, hi, ...mine.flatMap((b) => b.deep)].filter((z) => z >= lo && z <= hi).sort((a, b) => a - b)
  return levels.flatMap((from, i): Layer[] => {
    const to = levels[i + 1]
    if (to === undefined || to - from < EVEN_MM) return []
    const through = mine.filter((b) => b.deep[0] < (from + to) / 2 && b.deep[1] > (from + to) / 2)
    const box: TurnedBox = {
      ...piece,
      centre: add(piece.centre, scale(third, (from + to) / 2 - w)),
      size: [piece.size[0], piece.size[1], to - from],
    }
    if (through.length === 0) return [{ box, rings: null }]
    const figures = (z: number) => through.map((b) => ringOf(b, z).map(([x, y]): [number, number] => [x - u, y - v]))
    const outline = outlineOf(piece).map(([x, y]): [number, number] => [x, y])
    const leaning = through.some((b) => b.lean.some((k) => k !== 0))
    if (leaning && piece.outline === undefined) {
      const [over, under] = [figures(to), figures(from)]
      if ([over, under].every((list) => apartWithin(list, piece.size)))
        return [{ box, rings: withHoles(outline, over), under: withHoles(outline, under) }]
    }
    // Where holes run into each other, or out over an edge, one at a tilt is drawn square, as it is half way down.
    const left = polygonClipping.difference(
      [outline],
      figures((from + to) / 2).map((f) => [f]),
    )
    return left.map((rings) => ({ box, rings }))
  })
}

const closed = (ring: readonly [number, number][]): [number, number][] => [...ring, ring[0]]
/** An outline and holes in it, which go round the other way. */
const withHoles = (outline: readonly [number, number][], holes: Rings): Rings => [
  closed(outline),
  ...holes.map((h) => closed([...h].reverse())),
]
/** Whether holes lie in a rectangle round the middle, and none in another. */
function apartWithin(holes: Rings, size: readonly number[]): boolean {
  const spans = holes.map((h) => [0, 1].map((k) => h.map((c) => c[k])).map((v) => [Math.min(...v), Math.max(...v)]))
  const inside = spans.every((s) => s.every(([lo, hi], k) => lo > EVEN_MM - size[k] / 2 && hi < size[k] / 2 - EVEN_MM))
  const meet = (a: number[][], b: number[][]) => a.every(([lo, hi], k) => lo < b[k][1] && b[k][0] < hi)
  return inside && spans.every((a, i) => spans.slice(i + 1).every((b) => !meet(a, b)))
}

/** Triangles of a figure with holes in it, each going round to the left. @param rings closed: the last corner is the first */
function triangles(rings: readonly (readonly [number, number][])[]): (readonly [number, number])[][] {
  const open = rings.map((r) => r.slice(0, -1))
  const all = open.flat()
  let n = 0
  const starts = open.slice(0, -1).map((r) => (n += r.length))
  const at = earcut(all.flat(), starts)
  return Array.from({ length: at.length / 3 }, (_, i) => {
    const [a, b, c] = [0, 1, 2].map((k) => all[at[3 * i + k]])
    const turn = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])
    return turn > 0 ? [a, b, c] : [a, c, b]
  }).filter(([a, b, c]) => Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) > EVEN_MM)
}

/** A layer with holes as one closed solid: its two faces in triangles, and walls round all rings. */
function pierced({ box, rings, under: lower }: Layer): Polyhedron {
  const third = thirdAxis(box)
  const at = (sign: number) => {
    const middle = add(box.centre, scale(third, (sign * box.size[2]) / 2))
    return ([x, y]: readonly [number, number]): Vec3 => add(middle, add(scale(box.along, x), scale(box.across, y)))
  }
  const [over, under] = [at(1), at(-1)]
  const below = lower ?? rings!
  const walls = rings!.flatMap((r, n) =>
    r.slice(0, -1).map((c, i) => [over(r[i + 1]), over(c), under(below[n][i]), under(below[n][i + 1])]),
  )
  const faces = [triangles(rings!).map((t) => t.map(over)), triangles(below).map((t) => [...t].reverse().map(under))]
  return [...faces.flat(), ...walls]
}

/** A part as closed solids that meet face to face. Only a layer with holes has corners that point inwards. */
export function meshOf(p: Part): Polyhedron[] {
  const round = isRoundPart(p) ? circle(THICKER * p.size.widthMm, THICKER * p.size.thicknessMm, ROUND) : null
  const solid = round ? prismSolid(lengthwise(p, round), true) : solidOf(p)
  const bores = round ? [] : p.machining.flatMap((m) => boresOf(m, p))
  const cut = (b: TurnedBox) => solid.cuts.reduce(cutBy, polyhedronOf(b))
  return solid.pieces
    .flatMap((piece) => layersOf(piece, p, bores))
    .flatMap((layer): Polyhedron[] => {
      const { box, rings } = layer
      if (!rings) return [cut(box)]
      // A plane cuts only what has no corner that points inwards: then it is done triangle by triangle.
      return solid.cuts.length === 0 ? [pierced(layer)] : triangles(rings).map((outline) => cut({ ...box, outline }))
    })
    .filter((f) => f.length > 3)
}
