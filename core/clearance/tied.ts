import { partFeet } from '../assembly/feet.ts'
import type { Assembly, Part } from '../assembly/assembly.ts'
import { isUpright } from '../assembly/part-box.ts'
import { goodsWeights as goodsOn, selfWeights, type Weight } from '../assembly/weights.ts'
import type { Convex } from '../geometry/convex.ts'
import { hull, type Point } from '../geometry/hull.ts'
import { dot, type Vec3 } from '../geometry/vec.ts'
import type { BuildSolids, Frame } from './placing.ts'

/** A build of a group tied together, where it stands in the room. */
export interface Unit {
  id: string
  name: string
  frame: Frame
  assembly: Assembly
  solids: BuildSolids
  /** Ids of the builds it is tied to, as this side says it. */
  tiedTo: readonly string[]
}

/**
 * Two units further apart than this are not screwed to each other, even with a packer between them, mm. Product
 * decision.
 */
const PACKER_MM = 30
/** Faces that meet must overlap by this much to take screws, mm. */
const OVERLAP_MM = 18
/** Only what reaches up this share of the lower unit can be tied by. */
const TALL_SHARE = 0.6

/** Where two units can be screwed to each other: the uprights that come nearest. */
export interface Meeting {
  near: Part
  far: Part
  /** Sizes along the screws, mm. */
  nearMm: number
  gapMm: number
  farMm: number
  /** Highest point both reach, mm. */
  topMm: number
  /** Unit direction from the first to the second, in the room. */
  way: Vec3
  at: Vec3
}

/** Height of what is built, without the goods on it, mm. */
export const heightOf = (u: Unit): number => Math.max(...u.solids.parts.map((s) => s.body.max[2]))

const span = (c: Convex, n: Vec3): [number, number] =>
  c.points.reduce(([lo, hi], p) => [Math.min(lo, dot(p, n)), Math.max(hi, dot(p, n))], [Infinity, -Infinity])

function uprights(u: Unit): { part: Part; body: Convex }[] {
  const bodies = new Map(u.solids.parts.map((s) => [s.id, s.body]))
  const high = TALL_SHARE * heightOf(u)
  const carries = new Set(u.assembly.supports.flatMap((s) => (s.on.kind === 'part' ? [s.on.part] : [])))
  return u.assembly.parts.flatMap((part) => {
    const body = bodies.get(part.id)
    return body && !part.loose && isUpright(part) && carries.has(part.id) && body.max[2] - body.min[2] >= high
      ? [{ part, body }]
      : []
  })
}

/**
 * The nearest pair of uprights face to face, the nearer the better; null when no two come within a packer of each
 * other.
 */
export function meetingOf(a: Unit, b: Unit): Meeting | null {
  let best: Meeting | null = null
  for (const p of uprights(a))
    for (const q of uprights(b))
      for (const face of p.body.faces) {
        if (Math.abs(face[2]) > 0.1) continue
        const across: Vec3 = [-face[1], face[0], 0]
        const [pa, qa] = [span(p.body, across), span(q.body, across)]
        if (Math.min(pa[1], qa[1]) - Math.max(pa[0], qa[0]) < OVERLAP_MM) continue
        for (const sign of [1, -1]) {
          const n: Vec3 = [sign * face[0], sign * face[1], 0]
          const [pn, qn] = [span(p.body, n), span(q.body, n)]
          const gapMm = qn[0] - pn[1]
          if (gapMm < -1 || gapMm > PACKER_MM || (best && gapMm >= best.gapMm - 0.5)) continue
          const middle = (Math.max(pa[0], qa[0]) + Math.min(pa[1], qa[1])) / 2
          best = {
            near: p.part,
            far: q.part,
            nearMm: pn[1] - pn[0],
            gapMm: Math.max(0, gapMm),
            farMm: qn[1] - qn[0],
            topMm: Math.min(p.body.max[2], q.body.max[2]),
            way: n,
            at: [
              across[0] * middle + n[0] * pn[1],
              across[1] * middle + n[1] * pn[1],
              Math.min(p.body.max[2], q.body.max[2]),
            ],
          }
        }
      }
  return best
}

/** Everything tied to a unit, over however many ties, itself first. */
export function groupOf(own: Unit, others: readonly Unit[]): Unit[] {
  const tied = (a: Unit, b: Unit) => a.tiedTo.includes(b.id) || b.tiedTo.includes(a.id)
  const group = [own]
  for (let i = 0; i < group.length; i++)
    for (const o of others) if (!group.includes(o) && tied(group[i], o)) group.push(o)
  return group
}

/** One weight where it is in the room: N, place on the plan and height. */
export interface PlacedWeight {
  n: number
  at: Point
  z: number
}

const placedIn = (u: Unit, weights: readonly Weight[]): PlacedWeight[] =>
  weights.map(({ n, x, y, z }) => ({ n, at: u.frame.toPlan(x, y), z }))
export const ownWeights = (u: Unit): PlacedWeight[] => placedIn(u, selfWeights(u.assembly))
/** What stands on it, not on the floor under it. */
export const goodsWeights = (u: Unit): PlacedWeight[] => placedIn(u, goodsOn(u.assembly))

/** An edge of the ground that units stand on together: its outward direction, and how far out it lies. */
export interface FootEdge {
  out: Point
  atMm: number
  corners: [Point, Point]
}

/** Edges of the hull of all feet, over which the whole could tip. */
export function footEdges(units: readonly Unit[]): FootEdge[] {
  const feet = units.flatMap((u) =>
    partFeet(u.assembly).flatMap(({ contact: { min, max } }): Point[] =>
      [
        [min[0], min[1]],
        [max[0], min[1]],
        [max[0], max[1]],
        [min[0], max[1]],
      ].map(([x, y]) => u.frame.toPlan(x, y)),
    ),
  )
  const corners = hull(feet)
  return corners.flatMap((p, i): FootEdge[] => {
    const q = corners[(i + 1) % corners.length]
    const l = Math.hypot(q[0] - p[0], q[1] - p[1])
    if (l < 1) return []
    const out: Point = [(q[1] - p[1]) / l, (p[0] - q[0]) / l]
    return [{ out, atMm: out[0] * p[0] + out[1] * p[1], corners: [p, q] }]
  })
}
