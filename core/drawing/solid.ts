import type { Machining, Part } from '../assembly/assembly.ts'
import { isRoundPart, turnedBox } from '../assembly/part-box.ts'
import { outlineOf, thirdAxis, type TurnedBox } from '../geometry/box.ts'
import type { HalfSpace } from '../geometry/contact.ts'
import { convexPieces } from '../geometry/pieces.ts'
import { cutBy, isCap, polyhedronOf, type Polyhedron } from '../geometry/polyhedron.ts'
import { add, dot, scale, sub, type Vec3 } from '../geometry/vec.ts'

/** A part as it comes from the bench: solids without a corner that points inwards, and the edges one sees. */
export interface Solid {
  pieces: readonly TurnedBox[]
  /** What mitres and bevels leave of all of them. */
  cuts: readonly HalfSpace[]
  edges: readonly (readonly [Vec3, Vec3])[]
  /** Edges along its sides are only seen where the side turns away: rods, drums. */
  round: boolean
}

type Range = readonly [number, number]
/** What is taken out of a part: from where to where along it, across it and through it, from its corner, mm. */
type Taken = readonly [Range, Range, Range]

/** Corners of what is round, and of a quarter of a rounded corner. */
const ROUND = 20
const ARC = 12
const EVEN_MM = 1e-6

/** What saw and router take out of a part as boxes; holes, bevels, mitres and corners take none. */
function takenBy(m: Machining, p: Part): Taken[] {
  const { lengthMm: l, widthMm: w, thicknessMm: t } = p.size
  const deep = (mm: number, face: 'over' | 'under'): Range => (face === 'over' ? [t - mm, t] : [0, mm])
  switch (m.kind) {
    case 'dado':
      return [[[m.atMm, m.atMm + m.widthMm], [m.offMm, w], deep(m.depthMm, m.face)]]
    case 'groove':
      return [[[0, l], [m.offMm, m.offMm + m.widthMm], deep(m.depthMm, m.face)]]
    case 'rabbet': {
      const d = deep(m.depthMm, m.face)
      if (m.edge === 'start') return [[[0, m.widthMm], [0, w], d]]
      if (m.edge === 'end') return [[[l - m.widthMm, l], [0, w], d]]
      return [[[0, l], m.edge === 'low' ? [0, m.widthMm] : [w - m.widthMm, w], d]]
    }
    case 'notch':
      return [[[m.atMm, m.atMm + m.lengthMm], m.edge === 'low' ? [0, m.depthMm] : [w - m.depthMm, w], [0, t]]]
    case 'cutout':
      return [
        [
          [m.atMm, m.atMm + m.lengthMm],
          [m.offMm, m.offMm + m.widthMm],
          [0, t],
        ],
      ]
    case 'recess':
      return [[[m.atMm, m.atMm + m.lengthMm], [m.offMm, m.offMm + m.widthMm], deep(m.depthMm, m.face)]]
    default:
      return []
  }
}

/** Places along an axis where something begins or ends, in order, those in one place as one. */
function places(size: number, ranges: readonly Range[]): number[] {
  const all = [0, size, ...ranges.flat().map((v) => Math.min(size, Math.max(0, v)))].sort((a, b) => a - b)
  return all.filter((v, i) => i === 0 || v - all[i - 1] > EVEN_MM)
}

/** A rectangular part with boxes taken out of it: cells of a grid, and the edges where filled and empty meet. */
function cells(p: Part, taken: readonly Taken[]): Solid {
  const size = [p.size.lengthMm, p.size.widthMm, p.size.thicknessMm]
  const at = [0, 1, 2].map((k) =>
    places(
      size[k],
      taken.map((t) => t[k]),
    ),
  )
  const n = at.map((a) => a.length - 1)
  const filled = (i: number, j: number, k: number): boolean => {
    if (i < 0 || j < 0 || k < 0 || i >= n[0] || j >= n[1] || k >= n[2]) return false
    const mid = [i, j, k].map((c, x) => (at[x][c] + at[x][c + 1]) / 2)
    return !taken.some((t) => t.every(([a, z], x) => mid[x] > a && mid[x] < z))
  }
  const box = turnedBox(p)
  const axes = [p.at.along, p.at.across, thirdAxis(box)]
  const point = (c: readonly number[]): Vec3 =>
    c.reduce<Vec3>((sum, v, x) => add(sum, scale(axes[x], v - size[x] / 2)), p.at.centre)

  const pieces: TurnedBox[] = []
  for (let j = 0; j < n[1]; j++)
    for (let k = 0; k < n[2]; k++)
      for (let i = 0; i < n[0]; i++) {
        if (!filled(i, j, k)) continue
        // Cells in a row along the length are one.
        let end = i
        while (filled(end + 1, j, k)) end++
        const [lo, hi] = [
          [at[0][i], at[1][j], at[2][k]],
          [at[0][end + 1], at[1][j + 1], at[2][k + 1]],
        ]
        const middle = point(lo.map((v, x) => (v + hi[x]) / 2))
        pieces.push({ ...box, centre: middle, size: [hi[0] - lo[0], hi[1] - lo[1], hi[2] - lo[2]] })
        i = end
      }

  const edges: [Vec3, Vec3][] = []
  for (let x = 0; x < 3; x++) {
    const [y, z] = [(x + 1) % 3, (x + 2) % 3]
    const has = (c: number, a: number, b: number) => {
      const cell = [0, 0, 0]
      ;[cell[x], cell[y], cell[z]] = [c, a, b]
      return filled(cell[0], cell[1], cell[2])
    }
    for (let a = 0; a <= n[y]; a++)
      for (let b = 0; b <= n[z]; b++) {
        let from: number | null = null
        for (let c = 0; c <= n[x]; c++) {
          // Of the four round a line one or three filled, or two across from each other: an edge.
          const round = [has(c, a - 1, b - 1), has(c, a, b - 1), has(c, a, b), has(c, a - 1, b)]
          const count = round.filter(Boolean).length
          const isEdge = c < n[x] && (count === 1 || count === 3 || (count === 2 && round[0] === round[2]))
          if (isEdge) from ??= c
          else if (from !== null) {
            const ends = [from, c].map((e) => {
              const v = [0, 0, 0]
              ;[v[x], v[y], v[z]] = [at[x][e], at[y][a], at[z][b]]
              return point(v)
            })
            edges.push([ends[0], ends[1]])
            from = null
          }
        }
      }
  }
  return { pieces, cuts: [], edges, round: false }
}

/** A solid of one outline all the way through. */
export function prismSolid(b: TurnedBox, round = false): Solid {
  const half = scale(thirdAxis(b), b.size[2] / 2)
  const middle = outlineOf(b).map(([u, v]) => add(b.centre, add(scale(b.along, u), scale(b.across, v))))
  const edges = middle.flatMap((c, i): [Vec3, Vec3][] => {
    const next = middle[(i + 1) % middle.length]
    const [near, far] = [add(c, half), add(c, scale(half, -1))]
    return [
      [near, add(next, half)],
      [far, add(next, scale(half, -1))],
      [near, far],
    ]
  })
  return { pieces: convexPieces(b), cuts: [], edges, round }
}

/** Corners of a circle, or of an oval, from its centre. */
export const circle = (wide: number, high: number, n = ROUND): (readonly [number, number])[] =>
  Array.from({ length: n }, (_, i) => {
    const a = (2 * Math.PI * i) / n
    return [(wide / 2) * Math.cos(a), (high / 2) * Math.sin(a)] as const
  })

/** A part lengthwise: its section is the outline, its length runs through. */
export const lengthwise = (p: Part, outline: readonly (readonly [number, number])[]): TurnedBox => {
  const box = turnedBox(p)
  return {
    centre: box.centre,
    along: box.across,
    across: thirdAxis(box),
    size: [p.size.widthMm, p.size.thicknessMm, p.size.lengthMm],
    outline,
  }
}

/** Corners of the broad face of a rectangle whose corners are rounded off; `front`: those of its upper edge. */
function rounded(p: Part, m: Extract<Machining, { kind: 'corner' }>): [number, number][] {
  const { lengthMm: l, widthMm: w } = p.size
  const r = Math.min(m.radiusMm, l / 2, w / (m.at === 'all' ? 2 : 1))
  const arc = (u: number, v: number, from: number): [number, number][] =>
    Array.from({ length: ARC + 1 }, (_, i) => {
      const a = from + (i * Math.PI) / 2 / ARC
      return [u + r * Math.cos(a) - l / 2, v + r * Math.sin(a) - w / 2]
    })
  const half = Math.PI / 2
  const low: [number, number][] =
    m.at === 'all'
      ? [...arc(r, r, 2 * half), ...arc(l - r, r, 3 * half)]
      : [
          [-l / 2, -w / 2],
          [l / 2, -w / 2],
        ]
  return [...low, ...arc(l - r, w - r, 0), ...arc(r, w - r, half)]
}

/** The planes an end at a slant or an edge at a slant is cut along; what lies beyond is gone. */
function planeOf(m: Machining, p: Part): HalfSpace | null {
  if (m.kind !== 'mitre' && m.kind !== 'bevel') return null
  const { lengthMm: l, widthMm: w, thicknessMm: t } = p.size
  const third = thirdAxis(turnedBox(p))
  const [c, s] = [Math.cos(m.angleRad), Math.sin(m.angleRad)]
  const plane = (out: Vec3, corner: Vec3): HalfSpace => ({ out, atMm: dot(out, corner) })
  if (m.kind === 'bevel') {
    // The slant takes wood off the face it is told for.
    const edge = scale(p.at.across, m.edge === 'low' ? -1 : 1)
    const face = scale(third, m.face === 'over' ? 1 : -1)
    const corner = add(p.at.centre, add(scale(edge, w / 2), scale(face, -t / 2)))
    return plane(add(scale(edge, c), scale(face, s)), corner)
  }
  const end = scale(p.at.along, m.end === 'start' ? -1 : 1)
  const [across, half] = m.through === 'width' ? [p.at.across, w / 2] : [third, t / 2]
  // The long point stays; the end falls back towards the other side.
  const away = scale(across, Math.sign(m.angleRad) || 1)
  const corner = add(p.at.centre, add(scale(end, l / 2), scale(away, -half)))
  return plane(add(scale(end, c), scale(away, Math.abs(s))), corner)
}

/** A solid with what lies beyond planes taken off: its edges end there, and those round the cuts are new. */
function cutOff(s: Solid, cuts: readonly HalfSpace[]): Solid {
  if (cuts.length === 0) return s
  const kept = s.edges.flatMap(([p, q]): [Vec3, Vec3][] => {
    let [lo, hi] = [0, 1]
    for (const h of cuts) {
      const [dp, dq] = [dot(p, h.out) - h.atMm, dot(q, h.out) - h.atMm]
      if (dp > -EVEN_MM && dq > -EVEN_MM) return []
      if (dp > EVEN_MM) lo = Math.max(lo, dp / (dp - dq))
      if (dq > EVEN_MM) hi = Math.min(hi, dp / (dp - dq))
    }
    const at = (k: number) => add(p, scale(sub(q, p), k))
    return hi - lo > EVEN_MM ? [[at(lo), at(hi)]] : []
  })
  const round = new Map<string, [Vec3, Vec3]>()
  const key = (p: Vec3, q: Vec3) => [...p, ...q].map((v) => v.toFixed(3)).join()
  for (const b of s.pieces)
    for (const f of cuts.reduce(cutBy, polyhedronOf(b)))
      if (cuts.some((h) => isCap(f, h)))
        f.forEach((p, i) => {
          const q = f[(i + 1) % f.length]
          // What two pieces of one cut share is no edge.
          if (!round.delete(key(q, p))) round.set(key(p, q), [p, q])
        })
  return { ...s, cuts, edges: [...kept, ...round.values()] }
}

/** What a solid is made of, piece by piece, with its cuts. */
export const polyhedra = (s: Solid): Polyhedron[] =>
  s.pieces.map((b) => s.cuts.reduce(cutBy, polyhedronOf(b))).filter((f) => f.length > 3)

const known = new WeakMap<Part, Solid>()

/** A part with what is cut into it. Holes do not change it: they are drawn on it. */
export function solidOf(p: Part): Solid {
  const seen = known.get(p)
  if (seen) return seen
  const corner = p.machining.find((m) => m.kind === 'corner')
  const taken = p.machining.flatMap((m) => takenBy(m, p))
  const plain = turnedBox(p)
  const solid = isRoundPart(p)
    ? prismSolid(lengthwise(p, circle(p.size.widthMm, p.size.thicknessMm)), true)
    : p.outline
      ? prismSolid(plain)
      : taken.length > 0
        ? cells(p, taken)
        : prismSolid(corner ? { ...plain, outline: rounded(p, corner) } : plain)
  const whole = cutOff(
    solid,
    p.machining.flatMap((m) => planeOf(m, p) ?? []),
  )
  known.set(p, whole)
  return whole
}
