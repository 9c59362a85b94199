import { isFoot } from '../assembly/feet.ts'
import type { Assembly, Support } from '../assembly/assembly.ts'
import { mid, norm, scale, sub, type Vec3 } from '../geometry/vec.ts'
import { holdWrench, isHeld, type Hold } from './body.ts'
import { arrived, type LoadPath } from './load-path.ts'

/** Less than this times all weight is rounding, mm. */
const CLOSED_MM = 1e-6

/** A foot lifts when it is pulled by more than this share of all weight: rounding. */
const LIFTS = 1e-6

/**
 * So much lift an upright of a stiff frame is held down by what it is screwed to there, N: less than half of what one
 * screw of 4 mm gives in shear, and backs and shelves have several in each upright. Product decision.
 */
const BY_NEIGHBOURS_N = 100

/**
 * So little of all weight a foot may be lifted by where it hangs on what is screwed to it: a board over three posts that is
 * loaded over one of its spans only. What bears it there bears hardly more then. Product decision.
 */
const LITTLE_SHARE = 0.03

/** Where a foot can press: the corners of what of it stands on the floor. */
function corners(s: Support): Vec3[] {
  const { min, max } = s.contact
  return [
    [min[0], min[1], min[2]],
    [max[0], min[1], min[2]],
    [min[0], max[1], min[2]],
    [max[0], max[1], min[2]],
  ]
}

/**
 * Weights pass from board to board at their faces, some way beside each other's middles. The couples that makes are
 * taken by the frame as one: its feet press a little more here and a little less there. Adds that to what arrives; what
 * the ground cannot take is left, and equilibrium fails.
 */
export function closeOnGround(a: Assembly, path: LoadPath): void {
  const out = arrived(path)
  const w = { force: sub(path.weights.force, out.force), moment: sub(path.weights.moment, out.moment) }
  path.besideMm = path.loadsN > 0 ? norm(w.moment) / path.loadsN : 0
  if (norm(w.moment) <= CLOSED_MM * path.loadsN && norm(w.force) <= 1e-9 * path.loadsN) return
  const holds = a.supports.flatMap((s): Hold[] =>
    s.on.kind === 'part' || 'bay' in s.from
      ? []
      : s.on.kind === 'floor'
        ? corners(s).map((at) => ({ id: s.id, at, push: s.push, way: 'both' }))
        : [{ id: s.id, at: mid(s.contact.min, s.contact.max), push: s.push, way: 'both' }],
  )
  if (holds.length === 0) return
  const held = holdWrench(w, path.loadsN, holds)
  if (!isHeld(held)) return
  holds.forEach((h, i) => {
    const n = held.forces[i]
    if (n === 0) return
    path.reactions.set(h.id, (path.reactions.get(h.id) ?? 0) + n)
    path.arrivals.push({ support: h.id, at: h.at, n: scale(h.push, -n) })
  })
}

/** A foot that would have to be pulled down is none: what stands on it is told as not held. */
export function notLifted(a: Assembly, path: LoadPath): void {
  const under = new Map<string, number>()
  for (const s of a.supports)
    if (isFoot(s) && !('bay' in s.from)) {
      const foot = 'part' in s.from ? s.from.part : s.from.through
      under.set(foot, (under.get(foot) ?? 0) + (path.reactions.get(s.id) ?? 0))
    }
  for (const [foot, n] of under) {
    if (n >= -LIFTS * path.loadsN) continue
    if (n >= -Math.min(BY_NEIGHBOURS_N, LITTLE_SHARE * path.loadsN) && hangsOn(a, foot)) continue
    const frame = a.bodies.find((b) => b.sideways && b.parts.includes(foot))
    const all = frame?.parts.reduce((sum, id) => sum + (under.get(id) ?? 0), 0) ?? 0
    if (n < -BY_NEIGHBOURS_N || all <= 0) path.notHeld.push(foot)
  }
}

/** Whether something is screwed to a piece that it can hang on. */
const hangsOn = (a: Assembly, foot: string): boolean =>
  a.supports.some((s) => s.via === 'fasteners' && s.on.kind === 'part' && s.on.part === foot && s.way === 'both')
