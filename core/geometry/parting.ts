import { corners, thirdAxis, type TurnedBox } from './box.ts'
import { dot, scale, type Vec3 } from './vec.ts'

/** How far a solid reaches along a direction: from, to. */
export function reachAlong(b: TurnedBox, way: Vec3): [number, number] {
  const at = corners(b).map((c) => dot(c, way))
  return [Math.min(...at), Math.max(...at)]
}

/**
 * The way out of one solid's face into another that lies against it, or in a housing of it: of their faces' directions the
 * one along which they reach into each other least.
 * @returns the way from `a` to `b`, unit, and how deep they reach into each other along it, mm; negative when apart
 */
export function parting(a: TurnedBox, b: TurnedBox): { way: Vec3; deepMm: number } {
  let best: { way: Vec3; deepMm: number } = { way: [0, 0, 1], deepMm: Infinity }
  for (const s of [a, b])
    for (const axis of [s.along, s.across, thirdAxis(s)])
      for (const sign of [1, -1]) {
        const way = scale(axis, sign)
        const deepMm = reachAlong(a, way)[1] - reachAlong(b, way)[0]
        // Of two that tell the same the first stays: a's own face.
        if (deepMm < best.deepMm - 1e-6) best = { way, deepMm }
      }
  return best
}
