import type { Convex } from '../geometry/convex.ts'
import { kept } from '../measure/kept.ts'
import { fromWall, type WallLine } from '../room/outline.ts'

/*
 * Bodies in a room as they stand before one of its walls.
 */

/** What stands no further over the floor and reaches at least so high leaves room for nothing there, mm. Product decision. */
export const HIGH = { fromMm: 300, toMm: 1200 } as const
export const isHigh = (b: { lowMm: number; highMm: number }, toMm: number) => b.lowMm <= HIGH.fromMm && b.highMm >= toMm

/** From where to where a body reaches along a wall, how near it comes to it, and how far out it reaches, mm. */
interface Beside {
  from: number
  to: number
  outMm: number
  deepMm: number
  lowMm: number
  highMm: number
}
const seenBeside = new WeakMap<Convex, Map<WallLine, Beside>>()
export const beside = (w: WallLine, b: Convex): Beside =>
  kept(
    kept(seenBeside, b, () => new Map<WallLine, Beside>()),
    w,
    () => measuredBeside(w, b),
  )
function measuredBeside(w: WallLine, b: Convex): Beside {
  const up = b.points.map((p) => p[2])
  const at = b.points.map(([x, y]) => fromWall(w, [x, y]))
  const [along, out] = [at.map((p) => p.alongMm), at.map((p) => p.outMm)]
  return {
    from: Math.min(...along),
    to: Math.max(...along),
    outMm: Math.min(...out),
    deepMm: Math.max(...out),
    lowMm: Math.min(...up),
    highMm: Math.max(...up),
  }
}
