import type { Machining, Part } from '../assembly/assembly.ts'
import { turnedBox } from '../assembly/part-box.ts'
import { outlineOf, thirdAxis, type TurnedBox } from '../geometry/box.ts'
import { convexPieces } from '../geometry/pieces.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'

/** A part as it comes from the bench: solids without a corner that points inwards, and the edges one sees. */
export interface Solid {
  pieces: readonly TurnedBox[]
  edges: readonly (readonly [Vec3, Vec3])[]
  /** Edges along its sides are only seen where the side turns away: rods, drums. */
  round: boolean
}

type Range = readonly [number, number]
/** What is taken out of a part: from where to where along it, across it and through it, from its corner, mm. */
type Taken = readonly [Range, Range, Range]

/** Corners of what is round. */
const ROUND = 20
const EVEN_MM = 1e-6

/** What saw and router take out of a part as boxes; holes, bevels and mitres take none. */
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
  return { pieces, edges, round: false }
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
  return { pieces: convexPieces(b), edges, round }
}

/** Corners of a circle, or of an oval, from its centre. */
export const circle = (wide: number, high: number): (readonly [number, number])[] =>
  Array.from({ length: ROUND }, (_, i) => {
    const a = (2 * Math.PI * i) / ROUND
    return [(wide / 2) * Math.cos(a), (high / 2) * Math.sin(a)] as const
  })

/** A part lengthwise: its section is the outline, its length runs through. */
const lengthwise = (p: Part, outline: readonly (readonly [number, number])[]): TurnedBox => {
  const box = turnedBox(p)
  return {
    centre: box.centre,
    along: box.across,
    across: thirdAxis(box),
    size: [p.size.widthMm, p.size.thicknessMm, p.size.lengthMm],
    outline,
  }
}

/** Section of a part with an edge at a slant, from its middle: across it, and through it. */
function bevelled(p: Part, m: Extract<Machining, { kind: 'bevel' }>): (readonly [number, number])[] {
  const [w, t] = [p.size.widthMm / 2, p.size.thicknessMm / 2]
  const cut = Math.min(2 * w, 2 * t * Math.tan(m.angleRad))
  // The slant takes wood off the face it is told for.
  const low = m.edge === 'low'
  const [under, over] = m.face === 'over' ? [0, cut] : [cut, 0]
  return low
    ? [
        [-w + under, -t],
        [w, -t],
        [w, t],
        [-w + over, t],
      ]
    : [
        [-w, -t],
        [w - under, -t],
        [w - over, t],
        [-w, t],
      ]
}

const known = new WeakMap<Part, Solid>()

/** A part with what is cut into it. Holes and mitres do not change it: they are drawn on it. */
export function solidOf(p: Part): Solid {
  const seen = known.get(p)
  if (seen) return seen
  const bevel = p.machining.find((m) => m.kind === 'bevel')
  const taken = p.machining.flatMap((m) => takenBy(m, p))
  const solid =
    p.stock.kind === 'steel'
      ? prismSolid(lengthwise(p, circle(p.size.widthMm, p.size.thicknessMm)), true)
      : p.outline
        ? prismSolid(turnedBox(p))
        : taken.length > 0
          ? cells(p, taken)
          : bevel
            ? prismSolid(lengthwise(p, bevelled(p, bevel)))
            : prismSolid(turnedBox(p))
  known.set(p, solid)
  return solid
}
