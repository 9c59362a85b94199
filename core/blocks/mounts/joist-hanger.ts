import type { Draft } from '../../assembly/draft.ts'
import { hangerFor, HANGER_SEAT_MM, HANGER_STEEL_MM } from '../../catalogue/hardware.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { UP } from './wall-fixing.ts'

/*
 *   |on|======== joist     from the side: the joist ends at the face of what it hangs on, its hanger below it
 *   |__|__
 */

/**
 * Hangs the end of a joist on a board by a bought hanger. @param faceMm where along its axis it ends. @param way on from
 * there. @param nailed what little a sheet over it lifts is held down by the hanger's nails
 */
export function hangJoist(
  d: Draft,
  h: { id: string; joist: string; on: string; faceMm: number; way: 1 | -1; nailed?: boolean },
): string {
  const { min, max } = d.box(h.joist)
  const { item, massKg, ratedN } = hangerFor(max[2] - min[2])
  const low = min[2]
  const axis = Math.abs(d.part(h.joist).at.along[0]) > 0.5 ? 0 : 1
  const side = 1 - axis
  const at = (along: number, across: number, z: number): Vec3 => (axis === 0 ? [along, across, z] : [across, along, z])
  d.square({
    id: h.id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: at(h.way === 1 ? h.faceMm : h.faceMm - HANGER_SEAT_MM, min[side], low - HANGER_STEEL_MM),
    size: at(HANGER_SEAT_MM, max[side] - min[side], HANGER_STEEL_MM),
    along: side === 0 ? 'x' : 'y',
    across: axis === 0 ? 'x' : 'y',
  })
  d.joint({ kind: 'hung', near: h.id, far: h.joist, fasteners: [] })
  d.joint({ kind: 'hung', near: h.id, far: h.on, fasteners: [] })
  // Both at the face: what bends the hanger there its maker has seen to.
  const on = d.box(h.on)
  const contact: Box = {
    min: at(h.faceMm, Math.max(min[side], on.min[side]), low),
    max: at(h.faceMm, Math.min(max[side], on.max[side]), low),
  }
  const [joist, hanger] = [
    { from: { part: h.joist }, on: { kind: 'part', part: h.id } },
    { from: { part: h.id }, on: { kind: 'part', part: h.on } },
  ] as const
  d.hold({ ...joist, contact, push: UP, way: h.nailed ? 'both' : 'push', via: 'hanging' })
  d.hold({ ...hanger, contact, push: UP, way: 'both', via: 'hanging' })
  return h.id
}
