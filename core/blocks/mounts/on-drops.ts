import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import { bad, good, type Result } from '../../measure/result.ts'
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

/** Hangs bearers by their front ends. @returns ids of spreaders and drops; or why it cannot */
export function hangOnDrops(
  d: Draft,
  h: OnDrops,
  bearers: readonly { id: string; x: number }[],
): Result<{ spreaders: string[]; drops: string[] }> {
  const { joists: j, outMm: y } = h
  const { thicknessMm: t, widthMm: w } = h.board.section
  if (j.run !== 'along') return bad('drops-across-joists', {}, 'front')
  if (j.atMm.some((v) => Math.abs(v - y) < besideJoist(j, { diameterMm: w }))) return bad('rod-in-joist')
  const lies = overJoists(j, y, y)
  if (!lies) return bad('no-joist-over')
  const spreaders: string[] = []
  const drops: string[] = []
  bearers.forEach(({ id: bearer, x }, k) => {
    const over = spreader(
      d,
      { joists: j, ceilingMm: h.ceilingMm, spreader: h.board },
      { ...lies, rods: [] },
      { at: x, id: `spreader-${k}` },
    )
    spreaders.push(over)
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
  return good({ spreaders, drops })
}
