import type { Convex } from '../geometry/convex.ts'
import { minus } from '../geometry/plane.ts'
import { kept } from '../measure/kept.ts'
import type { WallLine } from '../room/outline.ts'

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
  const at = b.points.map(([x, y]) => minus([x, y], w.from))
  const along = at.map((v) => v[0] * w.along[0] + v[1] * w.along[1])
  const out = at.map((v) => v[0] * w.inward[0] + v[1] * w.inward[1])
  return {
    from: Math.min(...along),
    to: Math.max(...along),
    outMm: Math.min(...out),
    deepMm: Math.max(...out),
    lowMm: Math.min(...up),
    highMm: Math.max(...up),
  }
}
