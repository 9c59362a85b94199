import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import type { Joists } from '../../room/room.ts'
import { besideJoist, overJoists, spreader, type KnownJoists } from './on-rods.ts'
import { UP } from './wall-fixing.ts'

/*
 * Boards in place of rods: a pair at the front end of each flat bearer, one on either edge, up beside the edges of a flat
 * spreader over the joists that is as broad and lies right over the bearer. What one of them turns the other turns back.
 *
 *     ==|=========|==  spreader over joists, from the front: its end          side:   =●===|‾|===●=
 *       |         |                                                                        | |
 *       |[bearer ]|                                                           bearer ======|_|
 *       drop   drop
 *
 * Where joists run out from the wall two spreaders lie over them along it, one before the drops and one behind, and a
 * saddle over both right over each bearer takes the place of its spreader:
 *
 *     from the side:   =[    saddle    ]=
 *                       [sp.]| |[sp.]          over joists that run out
 *                            | |
 *                 bearer ====|_|
 */

/** From the front of a frame to a drop, mm. */
const DROP_PLAY_MM = 5
/** Middle of a drop from the front of a frame, and how far past it the bearer goes, mm. */
export const dropOut = (s: Section): number => DROP_PLAY_MM + s.widthMm / 2
export const pastDrop = (s: Section): number => s.widthMm / 2
/** How wide one place is along the wall, mm: the bearer and a drop on either side. */
export const placeWide = (s: Section): number => s.widthMm + 2 * s.thicknessMm

export interface OnDrops {
  joists: KnownJoists
  ceilingMm: number
  /** Of bearers, spreaders and drops alike. */
  board: { section: Section; stock: Stock }
  /** Through a drop into the edge of a bearer, and of a spreader. */
  screws: number
  outMm: number
}

/** How much of the joists' spacing a place takes up across them, mm. */
export const acrossJoists = (s: Section, run: Joists['run']): number => (run === 'out' ? placeWide(s) : s.widthMm)
/** From a drop to the spreader before it, or behind, mm. */
const BESIDE_DROP_MM = 10
/** Screws of a saddle down into either spreader. */
const SADDLE_SCREWS = 2
/** What lies over spreaders makes a drop so much longer, mm. */
export const saddleMm = (s: Section, run: Joists['run']): number => (run === 'out' ? s.thicknessMm : 0)

interface Bearer {
  id: string
  x: number
}

/** What lies right over each bearer, as broad as that: a spreader over joists along the wall, else a saddle on two. */
function overBearers(
  d: Draft,
  h: OnDrops,
  bearers: readonly Bearer[],
): Result<{ spreaders: string[]; over: string[] }> {
  const { joists: j, outMm: y } = h
  const { thicknessMm: t, widthMm: w } = h.board.section
  const out = j.run === 'out'
  const wide = acrossJoists(h.board.section, j.run)
  const places = out ? bearers.map((b) => b.x) : [y]
  const meets = (at: number) => j.atMm.some((v) => Math.abs(v - at) < besideJoist(j, { diameterMm: wide }))
  if (places.some(meets)) return bad('rod-in-joist')
  const lies = overJoists(j, Math.min(...places), Math.max(...places))
  if (!lies) return bad('no-joist-over')
  const lay = (at: number, id: string) =>
    spreader(d, { joists: j, ceilingMm: h.ceilingMm, spreader: h.board }, { ...lies, rods: [] }, { at, id })
  if (!out) {
    const over = bearers.map((b, k) => lay(b.x, `spreader-${k}`))
    return good({ spreaders: over, over })
  }
  const aside = w / 2 + BESIDE_DROP_MM + w / 2
  const spreaders = [-1, 1].map((side, k) => lay(y + side * aside, `spreader-${k}`))
  const over = bearers.map(({ x }, k) => {
    const id = `saddle-${k}`
    const [from, to] = [y - aside - w / 2, y + aside + w / 2]
    const min: Vec3 = [x - w / 2, from, d.box(spreaders[0]).max[2]]
    d.square({ id, role: 'block', stock: h.board.stock, min, size: [w, to - from, t], along: 'y', across: 'x' })
    for (const on of spreaders) d.rest(id, on, 'bearing', d.screw(id, on, SADDLE_SCREWS, 'side', t, t))
    return id
  })
  return good({ spreaders, over })
}

/** Hangs bearers by their front ends. @returns ids of spreaders, of saddles and of drops; or why it cannot */
export function hangOnDrops(
  d: Draft,
  h: OnDrops,
  bearers: readonly Bearer[],
): Result<{ spreaders: string[]; saddles: string[]; drops: string[] }> {
  const { outMm: y } = h
  const { thicknessMm: t, widthMm: w } = h.board.section
  const laid = overBearers(d, h, bearers)
  if (!laid.ok) return laid
  const { spreaders, over: overs } = laid.value
  const drops: string[] = []
  bearers.forEach(({ id: bearer, x }, k) => {
    const over = overs[k]
    const [foot, head] = [d.box(bearer).min[2], d.box(over).max[2]]
    for (const side of [0, 1]) {
      const id = `drop-${k}-${side}`
      d.square({
        id,
        role: 'drop',
        stock: h.board.stock,
        min: [side === 0 ? x - w / 2 - t : x + w / 2, y - w / 2, foot],
        size: [t, w, head - foot],
        along: 'z',
        across: 'y',
        axial: true,
      })
      d.rest(bearer, id, 'fasteners', d.screw(id, bearer, h.screws, 'side', t, w))
      const joint = d.screw(id, over, h.screws, 'side', t, w)
      d.hold({ from: { part: id }, on: { kind: 'part', part: over }, push: UP, way: 'both', via: 'fasteners', joint })
      drops.push(id)
    }
  })
  return good({ spreaders, saddles: overs.filter((id) => !spreaders.includes(id)), drops })
}
