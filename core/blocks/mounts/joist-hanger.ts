import type { Draft } from '../../assembly/draft.ts'
import { hangerFor, HANGER_SEAT_MM, HANGER_STEEL_MM } from '../../catalogue/hardware.ts'
import type { Box } from '../../geometry/box.ts'
import { UP } from './wall-fixing.ts'

/*
 *   |on|======== joist     from the side: the joist ends at the face of what it hangs on, its hanger below it
 *   |__|__
 */

/**
 * Hangs the end of a joist on a board by a bought hanger. @param faceMm y where it ends. @param way out from there.
 * @param nailed what little a sheet over it lifts is held down by the hanger's nails
 */
export function hangJoist(
  d: Draft,
  h: { id: string; joist: string; on: string; faceMm: number; way: 1 | -1; nailed?: boolean },
): string {
  const { min, max } = d.box(h.joist)
  const { item, massKg, ratedN } = hangerFor(max[2] - min[2])
  const low = min[2]
  d.square({
    id: h.id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: [min[0], h.way === 1 ? h.faceMm : h.faceMm - HANGER_SEAT_MM, low - HANGER_STEEL_MM],
    size: [max[0] - min[0], HANGER_SEAT_MM, HANGER_STEEL_MM],
    along: 'x',
    across: 'y',
  })
  d.joint({ kind: 'hung', near: h.id, far: h.joist, fasteners: [] })
  d.joint({ kind: 'hung', near: h.id, far: h.on, fasteners: [] })
  // Both at the face: what bends the hanger there its maker has seen to.
  const on = d.box(h.on)
  const contact: Box = {
    min: [Math.max(min[0], on.min[0]), h.faceMm, low],
    max: [Math.min(max[0], on.max[0]), h.faceMm, low],
  }
  const [joist, hanger] = [
    { from: { part: h.joist }, on: { kind: 'part', part: h.id } },
    { from: { part: h.id }, on: { kind: 'part', part: h.on } },
  ] as const
  d.hold({ ...joist, contact, push: UP, way: h.nailed ? 'both' : 'push', via: 'hanging' })
  d.hold({ ...hanger, contact, push: UP, way: 'both', via: 'hanging' })
  return h.id
}
