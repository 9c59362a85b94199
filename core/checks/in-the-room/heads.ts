import type { BuildSolids, Frame } from '../../clearance/placing.ts'
import type { Convex } from '../../geometry/convex.ts'
import { hull, type Point } from '../../geometry/hull.ts'
import { inside, plus } from '../../geometry/plane.ts'
import { plain, type CheckResult } from '../check.ts'
import { defineRoomCheck } from '../room-check.ts'

/*
 * Edges at the height of a head where one walks: what hangs, and what opens. Over something that stands on the floor
 * nobody walks.
 */

/** An edge lower than this is seen and met with a shoulder or an arm, mm. Product decision. */
const SEEN_MM = 1300
/** Soles, mm. */
const SOLES_MM = 30
/** Nobody walks nearer to a wall than this: half a person's width and a hand's, mm. */
const BESIDE_WALL_MM = 350
/** What stands on the floor and is as high as a knee keeps people from walking there, mm. */
const KNEE_MM = 450
const FLOOR_MM = 150
/** A place just inside an edge, mm. */
const INSIDE_MM = 60

interface Edge {
  lowMm: number
  at: Point
  part: string | null
  motion: string | null
}

const footOf = (b: Convex): Point[] => hull(b.points.map((p): Point => [p[0], p[1]]))

/** The place of a body furthest from the wall, a little inside it, and how far out that is. */
function outermost(b: Convex, f: Frame): { at: Point; outMm: number } {
  const { from, inward } = f.wall
  const out = (p: Point) => (p[0] - from[0]) * inward[0] + (p[1] - from[1]) * inward[1]
  const foot = footOf(b)
  const far = Math.max(...foot.map(out))
  const edge = foot.filter((p) => far - out(p) < 1)
  const middle: Point = [
    edge.reduce((s, p) => s + p[0], 0) / edge.length,
    edge.reduce((s, p) => s + p[1], 0) / edge.length,
  ]
  return { at: plus(middle, inward as Point, -INSIDE_MM), outMm: far }
}

function edgesOf(solids: BuildSolids, f: Frame, crownMm: number): Edge[] {
  const at = (body: Convex, part: string | null, motion: string | null): Edge[] => {
    const lowMm = body.min[2]
    if (lowMm < SEEN_MM || lowMm >= crownMm) return []
    const o = outermost(body, f)
    return o.outMm < BESIDE_WALL_MM ? [] : [{ lowMm, at: o.at, part, motion }]
  }
  return [
    ...solids.parts.flatMap((p) => at(p.body, p.id, null)),
    ...solids.goods.flatMap((g) => at(g.body, null, null)),
    ...solids.swept.flatMap((s) => at(s.body, null, s.motion)),
  ]
}

const stands = (b: Convex) => b.min[2] < FLOOR_MM && b.max[2] > KNEE_MM
/** What of a build keeps people from walking under the rest of it: whatever is lower than an edge one does not see. */
const lowOf = (s: BuildSolids): Convex[] =>
  [...s.parts, ...s.goods].map((x) => x.body).filter((b) => b.min[2] < SEEN_MM)

export const heads = defineRoomCheck({
  id: 'heads',
  reads: ['solids', 'frame', 'neighbours', 'keeps', 'settings'],
  run({ solids, frame, neighbours, keeps, settings }): CheckResult[] {
    const edges = edgesOf(solids, frame, settings.personMm + SOLES_MM)
    if (edges.length === 0) return []
    const feet = [
      ...lowOf(solids),
      ...neighbours.flatMap((n) => lowOf(n.solids)),
      ...keeps.filter((k) => k.code === 'solid' && stands(k.body)).map((k) => k.body),
    ].map(footOf)
    const open = edges.filter((e) => !feet.some((foot) => inside(e.at, foot)))
    if (open.length === 0) return []
    const low = open.reduce((a, b) => (b.lowMm < a.lowMm ? b : a))
    return [
      plain({
        check: 'heads',
        link: 'handling',
        code: open.every((e) => e.motion !== null) ? 'head-leaf' : 'head-edge',
        quantity: 'length',
        subject: 'all',
        state: 'holds',
        parts: low.part ? [low.part] : [],
        data: { atMm: low.lowMm, personMm: settings.personMm },
      }),
    ]
  },
})
