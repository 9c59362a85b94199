import type { Motion, Part } from '../assembly/assembly.ts'
import { partBox, turnedBox } from '../assembly/part-box.ts'
import { corners } from '../geometry/box.ts'
import { add, cross, dot, norm, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'

/** A flat convex figure and the way it is pushed to make a body: in the build's own frame, mm. */
export interface Swept {
  figure: Vec3[]
  by: Vec3
}

/** Pieces of a turn no larger than this stay convex, radians. */
const PIECE = Math.PI / 3

/** Everything a motion passes through, as convex bodies: for a swing the whole sector from its axis out, for a slide each part drawn along. */
export function sweptBodies(m: Motion, parts: readonly Part[]): Swept[] {
  const moving = m.parts.flatMap((id) => parts.filter((p) => p.id === id))
  return moving.flatMap((p) => (m.kind === 'slide' ? slide(p, m.by) : swing(p, m.at, unit(m.axis), m.byRad)))
}

/** The face of the part that leads, drawn along by the whole travel (and the part's own size that way). */
function slide(p: Part, by: Vec3): Swept[] {
  const b = partBox(p)
  const i = [0, 1, 2].reduce((a, k) => (Math.abs(by[k]) > Math.abs(by[a]) ? k : a), 0)
  const [j, k] = [(i + 1) % 3, (i + 2) % 3]
  const from = by[i] > 0 ? b.max[i] : b.min[i]
  const at = (u: number, v: number): Vec3 => {
    const q: Vec3 = [0, 0, 0]
    q[i] = from
    q[j] = u
    q[k] = v
    return q
  }
  return [
    { figure: [at(b.min[j], b.min[k]), at(b.max[j], b.min[k]), at(b.max[j], b.max[k]), at(b.min[j], b.max[k])], by },
  ]
}

function swing(p: Part, at: Vec3, axis: Vec3, byRad: number): Swept[] {
  const e1 = unit(Math.abs(axis[2]) < 0.9 ? cross(axis, [0, 0, 1]) : [1, 0, 0])
  const e2 = cross(axis, e1)
  const seen = corners(turnedBox(p)).map((c) => {
    const d = sub(c, at)
    return { along: dot(d, axis), r: norm(sub(d, scale(axis, dot(d, axis)))), rad: Math.atan2(dot(d, e2), dot(d, e1)) }
  })
  // Angles of the part as it hangs shut, kept together across the seam of the circle.
  const first = seen.reduce((a, b) => (b.r > a.r ? b : a)).rad
  const near = seen.filter((s) => s.r > 1).map((s) => Math.atan2(Math.sin(s.rad - first), Math.cos(s.rad - first)))
  const [lo, hi] = [
    first + Math.min(...near, 0) + Math.min(byRad, 0),
    first + Math.max(...near, 0) + Math.max(byRad, 0),
  ]
  const r = Math.max(...seen.map((s) => s.r))
  const [low, high] = [Math.min(...seen.map((s) => s.along)), Math.max(...seen.map((s) => s.along))]
  const n = Math.max(1, Math.ceil((hi - lo) / PIECE))
  const base = add(at, scale(axis, low))
  const place = (radius: number, t: number): Vec3 =>
    add(base, add(scale(e1, radius * Math.cos(t)), scale(e2, radius * Math.sin(t))))
  return Array.from({ length: n }, (_, i) => {
    const [a, b] = [lo + ((hi - lo) * i) / n, lo + ((hi - lo) * (i + 1)) / n]
    const steps = 4
    const each = (b - a) / steps
    // The straight sides of the figure stay outside the arc.
    const out = Array.from({ length: steps }, (_x, k) => place(r / Math.cos(each / 2), a + (k + 0.5) * each))
    return { figure: [base, place(r, a), ...out, place(r, b)], by: scale(axis, Math.max(high - low, 1)) }
  })
}
