import { add, dot, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import { boxUnion, type Box } from '../geometry/box.ts'
import type { Assembly, Motion, Part } from './assembly.ts'

/** A direction turned about an axis by an angle (Rodrigues' rotation). */
function turned(v: Vec3, axis: Vec3, byRad: number): Vec3 {
  const k = unit(axis)
  const c = Math.cos(byRad)
  const s = Math.sin(byRad)
  const along = dot(k, v) * (1 - c)
  return [
    v[0] * c + (k[1] * v[2] - k[2] * v[1]) * s + k[0] * along,
    v[1] * c + (k[2] * v[0] - k[0] * v[2]) * s + k[1] * along,
    v[2] * c + (k[0] * v[1] - k[1] * v[0]) * s + k[2] * along,
  ]
}

/** Where a point is once a motion is done: about an axis, along a line, or along several one after the other. */
export const movedPoint = (m: Motion, p: Vec3): Vec3 =>
  m.kind === 'slide'
    ? add(p, m.by)
    : m.kind === 'stages'
      ? m.by.reduce(add, p)
      : add(m.at, turned(sub(p, m.at), m.axis, m.byRad))

/** The upright box around a box that is moved. */
export function movedBox(m: Motion, b: Box): Box {
  const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((k): Vec3 => [
    (k & 1 ? b.max : b.min)[0],
    (k & 2 ? b.max : b.min)[1],
    (k & 4 ? b.max : b.min)[2],
  ])
  return boxUnion(corners.map((c) => movedPoint(m, c)).map((p) => ({ min: p, max: p })))
}

/** A direction of what is moved. */
export const movedWay = (m: Motion, v: Vec3): Vec3 => (m.kind === 'swing' ? turned(v, m.axis, m.byRad) : v)

export const movedPart = (m: Motion, p: Part): Part => {
  const way = (v: Vec3): Vec3 => movedWay(m, v)
  return { ...p, at: { centre: movedPoint(m, p.at.centre), along: way(p.at.along), across: way(p.at.across) } }
}

/** A motion done in part, 0 to 1: of one in stages the first ones whole. */
export function partly(m: Motion, share: number): Motion {
  if (m.kind === 'swing') return { ...m, byRad: m.byRad * share }
  if (m.kind === 'slide') return { ...m, by: scale(m.by, share) }
  const done = share * m.by.length
  return { ...m, by: m.by.map((by, i) => scale(by, Math.min(1, Math.max(0, done - i)))) }
}

/** A line that rises less than this is level: size of the upward part of its axis. */
const LEVEL = 0.5
/** A leaf or a lid that turns about a level line. */
export const turnsUp = (m: Motion): m is Motion & { kind: 'swing' } => m.kind === 'swing' && Math.abs(m.axis[2]) < LEVEL

/** What opens when the build is used; what is only taken off or put on is none of it. */
export const opens = (m: Motion): boolean => m.kind !== 'stages'

/** The parts of a build with some of its motions done. */
export function withMoved(a: Assembly, motions: readonly Motion[]): Part[] {
  const of = new Map(motions.flatMap((m) => m.parts.map((id) => [id, m] as const)))
  return a.parts.map((p) => {
    const m = of.get(p.id)
    return m ? movedPart(m, p) : p
  })
}
