import type { Motion, Part } from '../assembly/assembly.ts'
import { partBox, turnedBox } from '../assembly/part-box.ts'
import { corners } from '../geometry/box.ts'
import { hull, type Point } from '../geometry/hull.ts'
import { add, cross, dot, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'

/** A flat convex figure and the way it is pushed to make a body: in the build's own frame, mm. */
export interface Swept {
  figure: Vec3[]
  by: Vec3
}

/** Steps of a turn, radians: fine enough that what they leave over is less than a millimetre beside a wide leaf. */
const STEP = Math.PI / 18

/**
 * Everything a motion passes through, as convex bodies: for a swing its way step by step, for a slide each part drawn
 * along.
 */
export function sweptBodies(m: Motion, parts: readonly Part[]): Swept[] {
  const moving = m.parts.flatMap((id) => parts.filter((p) => p.id === id))
  return moving.flatMap((p) =>
    m.kind === 'slide'
      ? slide(p, m.by)
      : m.kind === 'stages'
        ? m.by.flatMap((by, i) => slide(stage(m, p, i), by))
        : swing(p, m.at, unit(m.axis), m.byRad),
  )
}

/** Where a part is before one of its stages. */
const stage = (m: Extract<Motion, { kind: 'stages' }>, p: Part, i: number): Part => ({
  ...p,
  at: { ...p.at, centre: m.by.slice(0, i).reduce(add, p.at.centre) },
})

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

/** The way of a turning part, step by step: what lies between one place and the next. */
function swing(p: Part, at: Vec3, axis: Vec3, byRad: number): Swept[] {
  const e1 = unit(Math.abs(axis[2]) < 0.9 ? cross(axis, [0, 0, 1]) : [1, 0, 0])
  const e2 = cross(axis, e1)
  const seen = corners(turnedBox(p)).map((c) => {
    const d = sub(c, at)
    return { along: dot(d, axis), x: dot(d, e1), y: dot(d, e2) }
  })
  const [low, high] = [Math.min(...seen.map((s) => s.along)), Math.max(...seen.map((s) => s.along))]
  const n = Math.max(1, Math.ceil(Math.abs(byRad) / STEP))
  const each = byRad / n
  // Between two places every corner runs on an arc: the chord of one a little further out lies outside it.
  const further = 1 / Math.cos(each / 2)
  const turned = (by: number, k: number): Point[] =>
    seen.map((s) => [k * (s.x * Math.cos(by) - s.y * Math.sin(by)), k * (s.x * Math.sin(by) + s.y * Math.cos(by))])
  const place = ([x, y]: Point): Vec3 => add(at, add(scale(axis, low), add(scale(e1, x), scale(e2, y))))
  return Array.from({ length: n }, (_, i) => {
    const figure = hull([...turned(i * each, 1), ...turned((i + 1) * each, 1), ...turned((i + 0.5) * each, further)])
    return { figure: figure.map(place), by: scale(axis, Math.max(high - low, 1)) }
  })
}
