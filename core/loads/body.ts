import { cross, dot, norm, scale, type Vec3 } from '../geometry/vec.ts'

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

export function wrenchOf(forces: readonly Force[]): Wrench {
  const force: Vec3 = [0, 0, 0]
  const moment: Vec3 = [0, 0, 0]
  for (const { at, n } of forces)
    for (let i = 0; i < 3; i++) {
      const [j, k] = NEXT[i]
      force[i] += n[i]
      moment[i] += at[j] * n[k] - at[k] * n[j]
    }
  return { force, moment }
}
/** The axes after each, going round. */
const NEXT = [
  [1, 2],
  [2, 0],
  [0, 1],
] as const

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
 * The six equations of a body on its supports with their rows made square to each other (Gram and Schmidt): what no load
 * changes of them.
 */
interface Basis {
  /** Square to each other, of length one. */
  rows: number[][]
  /** Of each equation: its share of each row before it, and what is left of it; `row` is null where that is nothing. */
  equations: { shares: number[]; size: number; row: number | null }[]
}

function basisOf(holds: readonly Hold[]): Basis {
  const rows: number[][] = []
  const equations = [0, 1, 2, 3, 4, 5].map((i) => {
    const a = holds.map((h) => (i < 3 ? h.push[i] : PER_MM * cross(h.at, h.push)[i - 3]))
    const shares = rows.map(() => 0)
    // Twice: once more takes away what rounding leaves.
    for (let k = 0; k < 2; k++)
      rows.forEach((r, n) => {
        let share = 0
        for (let j = 0; j < a.length; j++) share += a[j] * r[j]
        for (let j = 0; j < a.length; j++) a[j] -= share * r[j]
        shares[n] += share
      })
    const size = Math.hypot(...a)
    if (size < DEPENDENT) return { shares, size, row: null }
    rows.push(a.map((v) => v / size))
    return { shares, size, row: rows.length - 1 }
  })
  return { rows, equations }
}

/**
 * Forces of least squares that hold a wrench: equal springs under a rigid body. What no support can hold stays in `left`,
 * N and N·m.
 */
function leastForces(w: Wrench, { rows, equations }: Basis, count: number): { forces: number[]; left: number } {
  const of = rows.map(() => 0)
  let left = 0
  equations.forEach(({ shares, size, row }, i) => {
    let b = i < 3 ? -w.force[i] : -PER_MM * w.moment[i - 3]
    for (let n = 0; n < shares.length; n++) b -= shares[n] * of[n]
    if (row === null) left = Math.max(left, Math.abs(b))
    else of[row] = b / size
  })
  const forces = Array.from({ length: count }, () => 0)
  rows.forEach((r, n) => {
    for (let j = 0; j < count; j++) forces[j] += r[j] * of[n]
  })
  return { forces, left }
}

/** Bases of supports met before, by which of them are in use. */
const met = new WeakMap<readonly Hold[], Map<string, Basis>>()
function basisFor(holds: readonly Hold[], use: readonly number[]): Basis {
  const known = met.get(holds) ?? new Map<string, Basis>()
  met.set(holds, known)
  const key = use.join()
  const basis = known.get(key) ?? basisOf(use.map((i) => holds[i]))
  known.set(key, basis)
  return basis
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
    const { forces, left } = leastForces(w, basisFor(holds, use), use.length)
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
