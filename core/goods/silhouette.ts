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
    default:
      return [
        [-a, 0],
        [a, 0],
        [a, h],
        [-a, h],
      ]
  }
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
