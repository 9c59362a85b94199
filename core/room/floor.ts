import type { Point } from '../geometry/hull.ts'
import { solveLinear } from '../geometry/solve-linear.ts'
import { onPlan, type Outline, type WallLine } from './outline.ts'
import { LEVEL, type FloorFall, type Room } from './room.ts'

/**
 * The floor as a plane over the plan: how far it lies below the level line, mm, less the least of the places measured.
 */
export interface FloorPlane {
  /** `c + a·x + b·y` with x and y in mm of the plan. */
  a: number
  b: number
  c: number
  /** Where it was measured, how far below the highest measured place, and how far the plane misses it. */
  points: { at: Point; fallMm: number; missMm: number }[]
}

/**
 * The plane that fits the measured heights best. Three places not in a line make a plane; two or places in a line make
 * a slope along that line only; one says nothing.
 */
export function floorPlane(r: Room, o: Outline): FloorPlane | null {
  const read = r.floor.points.flatMap((p) => {
    const w = o.walls.find((x) => x.wall.id === p.wallId)
    return w ? [{ at: onPlan(w, p.atMm, p.outMm), down: p.downMm }] : []
  })
  if (read.length < 2) return null
  const least = Math.min(...read.map((p) => p.down))
  const mean = read.reduce((s, p): Point => [s[0] + p.at[0] / read.length, s[1] + p.at[1] / read.length], [0, 0])
  const [sxx, sxy, syy, sx, sy, n] = read.reduce(
    (s, { at: [x, y], down }) => {
      const [u, v, h] = [x - mean[0], y - mean[1], down - least]
      return [s[0] + u * u, s[1] + u * v, s[2] + v * v, s[3] + u * h, s[4] + v * h, s[5] + h]
    },
    [0, 0, 0, 0, 0, 0],
  )
  const spread = sxx + syy
  // Places in one line leave the slope across it open: a little stiffness holds that at nought.
  const inLine = sxx * syy - sxy * sxy < 1e-4 * spread * spread
  const hold = inLine ? 1e-6 * spread : 0
  const slope = solveLinear(
    [
      [sxx + hold, sxy],
      [sxy, syy + hold],
    ],
    [sx, sy],
  )
  if (!slope) return null
  const [a, b] = slope
  const c = n / read.length - a * mean[0] - b * mean[1]
  return {
    a,
    b,
    c,
    points: read.map((p) => ({
      at: p.at,
      fallMm: p.down - least,
      missMm: p.down - least - (a * p.at[0] + b * p.at[1] + c),
    })),
  }
}

/**
 * The fall of the floor under a build standing at a place of a wall, against the highest of the four corners of its
 * feet.
 */
export function fallUnder(
  plane: FloorPlane | null,
  w: WallLine,
  at: { alongMm: number; outMm: number },
  wideMm: number,
  deepMm: number,
): FloorFall {
  if (!plane) return LEVEL
  const down = (x: number, y: number) => {
    const p = onPlan(w, at.alongMm + x, at.outMm + y)
    return plane.a * p[0] + plane.b * p[1] + plane.c
  }
  const corners = [down(0, 0), down(wideMm, 0), down(0, deepMm), down(wideMm, deepMm)]
  return {
    atOriginMm: corners[0] - Math.min(...corners),
    xMmPerM: down(1000, 0) - down(0, 0),
    yMmPerM: down(0, 1000) - down(0, 0),
  }
}
