import type { Point } from '../geometry/hull.ts'
import { baseAcross, bodyAcross, type Goods } from './goods.ts'

type Shape = Pick<Goods, 'kind' | 'acrossMm' | 'tallMm' | 'tote'>

/** Closed outline of a thing from the front, mm, standing on z = 0 and centred on x = 0. */
export function silhouette(g: Shape): Point[] {
  const a = g.acrossMm / 2
  const h = g.tallMm
  if (g.tote) {
    const body = Math.max(bodyAcross(g as Goods) / 2, 1)
    const base = Math.max(baseAcross(g as Goods) / 2, 1)
    const rim = h - Math.min(g.tote.rimMm, h * 0.9)
    return [
      [-base, 0],
      [base, 0],
      [body, rim],
      [a, rim],
      [a, h],
      [-a, h],
      [-a, rim],
      [-body, rim],
    ]
  }
  switch (g.kind) {
    case 'pail':
      return [
        [-0.88 * a, 0],
        [0.88 * a, 0],
        [0.96 * a, 0.92 * h],
        [a, 0.92 * h],
        [a, h],
        [-a, h],
        [-a, 0.92 * h],
        [-0.96 * a, 0.92 * h],
      ]
    case 'drum':
      return [
        [-a, 0],
        [a, 0],
        [a, 0.32 * h],
        [0.97 * a, 0.34 * h],
        [0.97 * a, 0.64 * h],
        [a, 0.66 * h],
        [a, h],
        [-a, h],
        [-a, 0.66 * h],
        [-0.97 * a, 0.64 * h],
        [-0.97 * a, 0.34 * h],
        [-a, 0.32 * h],
      ]
    case 'bag':
      return [
        [-0.9 * a, 0],
        [0.9 * a, 0],
        [a, 0.4 * h],
        [0.9 * a, 0.9 * h],
        [0.6 * a, h],
        [-0.6 * a, h],
        [-0.9 * a, 0.9 * h],
        [-a, 0.4 * h],
      ]
    case 'bicycle':
      return bicycle(a, h)
    default:
      return [
        [-a, 0],
        [a, 0],
        [a, h],
        [-a, h],
      ]
  }
}

/** Two wheels, the frame between them, saddle and bars: one line round all of it. @param a half its length */
function bicycle(a: number, h: number): Point[] {
  const r = Math.min(0.33 * h, 0.45 * a)
  const arc = (x: number, from: number, to: number): Point[] =>
    Array.from({ length: 13 }, (_, i): Point => {
      const t = from + ((to - from) * i) / 12
      return [x + r * Math.cos(t), r + r * Math.sin(t)]
    })
  const up = Math.PI / 2
  return [
    // From where the frame leaves the rear wheel, round under it, and the front wheel likewise.
    ...arc(-a + r, up, 2.5 * Math.PI - 0.9),
    [-0.12 * a, 0.42 * h],
    [0.14 * a, 0.42 * h],
    ...arc(a - r, Math.PI - 0.6, 2 * Math.PI + 1.9),
    [0.38 * a, 0.92 * h],
    [0.46 * a, 0.98 * h],
    [0.34 * a, h],
    [0.26 * a, 0.93 * h],
    [0.31 * a, 0.78 * h],
    [-0.22 * a, 0.74 * h],
    [-0.26 * a, 0.9 * h],
    [-0.16 * a, 0.94 * h],
    [-0.42 * a, 0.95 * h],
    [-0.34 * a, 0.88 * h],
    [-0.28 * a, 0.7 * h],
  ]
}

/** How far something of a bicycle reaches to each side, of half its bars, from one height to another, of its whole height. */
type Reach = readonly [of: number, from: number, to: number]
/** Seen from its end where it stands, and from above where it hangs upright: pedals, saddle, bars. */
const STANDING: readonly Reach[] = [
  [0.5, 0.24, 0.27],
  [0.28, 0.88, 0.91],
  [1, 0.94, 0.97],
]
const UPRIGHT: readonly Reach[] = [
  [0.28, 0.26, 0.4],
  [0.5, 0.45, 0.48],
  [1, 0.67, 0.7],
]
/** Half of a tyre, of half the bars. */
const TYRE = 0.08

/** A bicycle from its end, or from above: wheels and all that reaches out from between them. @param across of its bars */
function bicycleOnEnd(across: number, h: number, reaches: readonly Reach[]): Point[] {
  const a = across / 2
  const edge = (of: number, at: number): Point => [of * a, at * h]
  const right: Point[] = [
    edge(TYRE / 2, 0),
    edge(TYRE, 0.02),
    ...reaches.flatMap(([of, from, to]) => [edge(TYRE, from), edge(of, from), edge(of, to), edge(TYRE, to)]),
    edge(TYRE, 0.98),
    edge(TYRE / 2, 1),
  ]
  return [...right, ...right.map(([x, z]): Point => [-x, z]).reverse()]
}

const ALIKE_MM = 1

/**
 * The same in a box it fills, seen from a side of that; a bicycle also from its end, and hanging upright with its wheels
 * to the left. Standing on z = 0, centred on x = 0.
 */
export function silhouetteIn(g: Shape, wideMm: number, highMm: number): Point[] {
  if (g.kind !== 'bicycle') return silhouette({ ...g, acrossMm: wideMm, tallMm: highMm })
  const is = (a: number, b: number) => Math.abs(a - b) <= ALIKE_MM
  if (is(highMm, g.tallMm)) return is(wideMm, g.acrossMm) ? silhouette(g) : bicycleOnEnd(wideMm, highMm, STANDING)
  if (!is(wideMm, g.tallMm)) return bicycleOnEnd(wideMm, highMm, UPRIGHT)
  return silhouette(g).map(([x, z]): Point => [z - wideMm / 2, highMm / 2 + x])
}

/** A standing person from the front, for size: 1.70 m, standing on z = 0, centred on x = 0. Closed outlines. */
export function personOutline(heightMm = 1700): Point[][] {
  const k = heightMm / 1700
  const half: Point[] = [
    [20, 0],
    [130, 0],
    [120, 60],
    [125, 420],
    [150, 800],
    [165, 760],
    [205, 760],
    [215, 980],
    [205, 1310],
    [160, 1400],
    [60, 1430],
  ]
  const body: Point[] = [...half, ...half.map(([x, z]): Point => [-x, z]).reverse()]
  const head: Point[] = Array.from({ length: 20 }, (_, i): Point => {
    const t = (i / 20) * 2 * Math.PI
    return [78 * Math.cos(t), 1585 + 115 * Math.sin(t)]
  })
  return [body, head].map((o) => o.map(([x, z]): Point => [x * k, z * k]))
}
