import { type Frame } from '../clearance/placing.ts'
import type { Assembly } from '../assembly/assembly.ts'
import type { Point } from '../geometry/hull.ts'
import { polyhedronOf } from '../geometry/polyhedron.ts'
import { trianglesOf } from '../geometry/pieces.ts'
import { area } from '../geometry/plane.ts'
import type { Vec3 } from '../geometry/vec.ts'
import type { Goods } from '../goods/goods.ts'
import { ceilingAt } from '../room/ceiling.ts'
import { FEATURE_DEFAULTS, type Feature } from '../room/features.ts'
import { onPlan, type Outline, type WallLine } from '../room/outline.ts'
import type { Room } from '../room/room.ts'
import { addBuilds, Gathered, type Paint, type Placement, type SpaceModel } from './space-model.ts'

/* The whole room with its walls folded up, and what is built in it. Walls are seen from inside only. */

/** Openings are drawn this far before their wall, so that they are seen, mm. */
const BEFORE_MM = 4

export const placementOf = (f: Frame): Placement => ({
  origin: [...f.toPlan(0, 0), f.liftMm],
  x: f.direction([1, 0, 0]),
  y: f.direction([0, 1, 0]),
})

const NO_OWN: Vec3 = [0, 0, 0]
function figure(g: Gathered, paint: Paint, points: readonly Vec3[], edges = true): void {
  const owner = g.owner({ paint })
  g.face(
    { m: null, owner },
    points,
    points.map(() => NO_OWN),
    [0, 0, 1],
  )
  if (edges) points.forEach((p, i) => g.edge({ m: null, owner }, p, points[(i + 1) % points.length]))
}

function addFloor(g: Gathered, outline: Outline): void {
  const corners = outline.walls.map((w) => w.from)
  if (!outline.closed || corners.length < 3) return
  // Walked with the inside on the right: seen from above it goes round to the right.
  const round: Point[] = area(corners) > 0 ? [...corners].reverse() : corners
  for (const t of trianglesOf(round))
    figure(
      g,
      'floor',
      t.map(([x, y]): Vec3 => [x, y, 0]),
      false,
    )
}

/** A stretch of a wall, seen from inside. */
const onWall = (w: WallLine, a0: number, a1: number, z0: number, z1: number | [number, number], outMm = 0): Vec3[] => {
  const [left, right] = typeof z1 === 'number' ? [z1, z1] : z1
  const at = (a: number, z: number): Vec3 => [...onPlan(w, a, outMm), z]
  return [at(a0, z0), at(a1, z0), at(a1, right), at(a0, left)]
}

function addFeature(g: Gathered, w: WallLine, f: Feature, ceilingMm: number): void {
  const { solid, on } = FEATURE_DEFAULTS[f.kind]
  if (!solid || f.deepMm < 1) {
    if (on === 'wall')
      figure(g, 'opening', onWall(w, f.atMm, f.atMm + f.wideMm, f.upMm, f.upMm + f.highMm, f.outMm + BEFORE_MM))
    return
  }
  const high = Math.max(1, f.highMm)
  const upMm = on === 'ceiling' && f.upMm === 0 ? ceilingMm - high : f.upMm
  const owner = g.owner({ paint: 'fixture' })
  const [x, y] = onPlan(w, f.atMm + f.wideMm / 2, f.outMm + f.deepMm / 2)
  const box = polyhedronOf({
    centre: [x, y, upMm + high / 2],
    along: [w.along[0], w.along[1], 0],
    across: [-w.inward[0], -w.inward[1], 0],
    size: [f.wideMm, f.deepMm, high],
  })
  for (const face of box) {
    g.face(
      { m: null, owner },
      face,
      face.map(() => NO_OWN),
      [0, 0, 1],
    )
    face.forEach((p, i) => g.edge({ m: null, owner }, p, face[(i + 1) % face.length]))
  }
}

export function roomModel(
  room: Room,
  outline: Outline,
  builds: readonly { id: string; assembly: Assembly; at: Placement }[],
  goods: ReadonlyMap<string, Goods> | null,
): SpaceModel {
  const g = new Gathered()
  addFloor(g, outline)
  for (const w of outline.walls) {
    const top = (p: Point) => Math.min(w.wall.heightMm, ceilingAt(room, outline, p))
    figure(g, 'wall', onWall(w, 0, w.wall.lengthMm, 0, [top(w.from), top(w.to)]))
  }
  for (const f of room.features) {
    const w = outline.walls.find((x) => x.wall.id === f.wallId)
    if (w) addFeature(g, w, f, ceilingAt(room, outline, onPlan(w, f.atMm, f.outMm)))
  }
  addBuilds(g, builds, goods)
  return g.done()
}
