import { add, cross, dot, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import type { Assembly, Motion, Part } from './assembly.ts'

/** A direction turned about an axis by an angle (Rodrigues' rotation). */
function turned(v: Vec3, axis: Vec3, byRad: number): Vec3 {
  const k = unit(axis)
  const [c, s] = [Math.cos(byRad), Math.sin(byRad)]
  return add(add(scale(v, c), scale(cross(k, v), s)), scale(k, dot(k, v) * (1 - c)))
}

/** Where a point is once a motion is done: about an axis, or along a line. */
export const movedPoint = (m: Motion, p: Vec3): Vec3 =>
  m.kind === 'slide' ? add(p, m.by) : add(m.at, turned(sub(p, m.at), m.axis, m.byRad))

export const movedPart = (m: Motion, p: Part): Part => {
  const way = (v: Vec3): Vec3 => (m.kind === 'slide' ? v : turned(v, m.axis, m.byRad))
  return { ...p, at: { centre: movedPoint(m, p.at.centre), along: way(p.at.along), across: way(p.at.across) } }
}

/** The parts of a build with some of its motions done. */
export function withMoved(a: Assembly, motions: readonly Motion[]): Part[] {
  const of = new Map(motions.flatMap((m) => m.parts.map((id) => [id, m] as const)))
  return a.parts.map((p) => {
    const m = of.get(p.id)
    return m ? movedPart(m, p) : p
  })
}
