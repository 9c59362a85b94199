import { add, cross, dot, norm, scale, type Vec3 } from '../geometry/vec.ts'

/** A force at a point, N. */
export interface Force {
  at: Vec3
  n: Vec3
}

/** What holds a body: one force along one line. */
export interface Hold {
  id: string
  at: Vec3
  /** Unit way it pushes. */
  push: Vec3
  way: 'push' | 'pull' | 'both'
}

export interface Wrench {
  force: Vec3
  /** About the build's origin, N·mm. */
  moment: Vec3
}
export const NOTHING: Wrench = { force: [0, 0, 0], moment: [0, 0, 0] }

export const wrenchOf = (forces: readonly Force[]): Wrench =>
  forces.reduce((w, f) => ({ force: add(w.force, f.n), moment: add(w.moment, cross(f.at, f.n)) }), NOTHING)

/** Lengths are told in metres against newtons: moments and forces of a build then have one size. */
const PER_MM = 1e-3
/** A row of the equations that others leave less of than this says nothing new. */
const DEPENDENT = 1e-9
/** What may be left over, of all loads: rounding. */
const LEFT = 1e-7
/** A force smaller than this share of all loads is nought: rounding. */
const NOUGHT = 1e-12
/** A one-way support may go the wrong way by this share of all loads: rounding. */
const WRONG_WAY = 1e-9

/**
 * Forces of least squares that hold a wrench: equal springs under a rigid body, by rows made square to each other (Gram
 * and Schmidt). What no support can hold stays in `left`, N and N·m.
 */
function leastForces(w: Wrench, holds: readonly Hold[]): { forces: number[]; left: number } {
  const rows: { a: number[]; b: number }[] = []
  const raw = [0, 1, 2]
    .map((i) => ({ a: holds.map((h) => h.push[i]), b: -w.force[i] }))
    .concat(
      [0, 1, 2].map((i) => ({
        a: holds.map((h) => PER_MM * cross(h.at, h.push)[i]),
        b: -PER_MM * w.moment[i],
      })),
    )
  let left = 0
  for (const { a, b } of raw) {
    const row = { a: [...a], b }
    // Twice: once more takes away what rounding leaves.
    for (let k = 0; k < 2; k++)
      for (const r of rows) {
        const share = row.a.reduce((s, v, i) => s + v * r.a[i], 0)
        row.a = row.a.map((v, i) => v - share * r.a[i])
        row.b -= share * r.b
      }
    const size = Math.hypot(...row.a)
    if (size < DEPENDENT) left = Math.max(left, Math.abs(row.b))
    else rows.push({ a: row.a.map((v) => v / size), b: row.b / size })
  }
  return { forces: holds.map((_, i) => rows.reduce((s, r) => s + r.a[i] * r.b, 0)), left }
}

export interface HeldBody {
  /** Along each hold's push, N; nought where it lets go. */
  forces: number[]
  /** What no hold takes, of all loads: more than rounding means that it is not held. */
  leftShare: number
}

/**
 * A rigid body on its supports: six equations; where there are more supports than those ask for they share as equal
 * springs. One that may only push, or only pull, and would do the other lets go, and it is solved again.
 */
export const holdBody = (loads: readonly Force[], holds: readonly Hold[]): HeldBody =>
  holdWrench(wrenchOf(loads), loads.reduce((s, f) => s + norm(f.n), 0) || 1, holds)

/** The same for what all loads come to. @param scaleN all of them, N: what is small beside it is rounding */
export function holdWrench(w: Wrench, scaleN: number, holds: readonly Hold[]): HeldBody {
  let use = holds.map((_, i) => i)
  for (;;) {
    const { forces, left } = leastForces(
      w,
      use.map((i) => holds[i]),
    )
    let worst = -1
    let most = WRONG_WAY * scaleN
    use.forEach((i, k) => {
      const wrong = holds[i].way === 'both' ? 0 : holds[i].way === 'push' ? -forces[k] : forces[k]
      if (wrong > most) [worst, most] = [i, wrong]
    })
    if (worst < 0) {
      const out = holds.map(() => 0)
      // What is left of rounding is nothing.
      use.forEach((i, k) => (out[i] = Math.abs(forces[k]) < NOUGHT * scaleN ? 0 : forces[k]))
      return { forces: out, leftShare: left / scaleN }
    }
    use = use.filter((i) => i !== worst)
  }
}

export const isHeld = (b: HeldBody): boolean => b.leftShare <= LEFT

/** What a hold does to the body, as a force. */
export const forceOf = (h: Pick<Hold, 'at' | 'push'>, n: number): Force => ({ at: h.at, n: scale(h.push, n) })

/** Whether a hold can push along a way at all. */
export const canPush = (h: Pick<Hold, 'push' | 'way'>, way: Vec3): boolean =>
  h.way === 'both' || dot(h.push, way) * (h.way === 'push' ? 1 : -1) > 0
