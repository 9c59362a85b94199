import type { Draft } from '../../assembly/draft.ts'
import { screwFor } from '../../catalogue/fasteners.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { KnownJoists } from './on-rods.ts'
import { EDGE_SHARE, UP } from './wall-fixing.ts'

/*
 * What hangs under joists, or under another piece that does, by fasteners through it from below. Loads beside its middle
 * line pull at one side of it: it turns until its far edge presses against what it hangs from, and the fasteners are
 * pulled by that as well.
 *
 *     ==[joist]==            what hangs beside the middle by e pulls the fastener with
 *        | ↓  |  ↑ edge      W · (1 + e / a), a from the fastener to the edge that presses
 *        |web |
 *          ↓ load
 */

const DOWN: Vec3 = [0, 0, -1]
const CEILING = { kind: 'ceiling' } as const
/** Thread wanted in a joist behind the lining, mm: as for what hangs on a wall. */
const JOIST_EMBED_MM = 50

export interface Over {
  joists: KnownJoists
  system: UnitSystem
}

/** Middles of the joists that a stretch across them passes with wood past the fastener, mm. */
export const crossed = (j: KnownJoists, from: number, to: number, pastMm = 25): number[] =>
  j.atMm.filter((x) => x >= from + pastMm && x <= to - pastMm)

/** A place on the underside of something, as a box of no size. */
const spot = (x: number, y: number, z: number): Box => ({ min: [x, y, z], max: [x, y, z] })

/** Places of the two edges that may press, across a piece's length, within what both pieces share. */
function edges(d: Draft, part: string, at: { x: number; y: number }, shared: Box): Box[] {
  const { along } = d.part(part).at
  const i = Math.abs(along[0]) > 0.5 ? 1 : 0
  const z = d.box(part).max[2]
  const inside = EDGE_SHARE * (shared.max[i] - shared.min[i])
  return [shared.min[i] + inside, shared.max[i] - inside].map((v) => (i === 0 ? spot(v, at.y, z) : spot(at.x, v, z)))
}

/** A place made so long along the piece. */
function lengthen(d: Draft, part: string, place: Box, mm: number) {
  const i = Math.abs(d.part(part).at.along[0]) > 0.5 ? 0 : 1
  place.min[i] -= mm / 2
  place.max[i] += mm / 2
}

/** Held up at a place by fasteners, and kept from turning there by whichever edge then presses. */
function holdAt(
  d: Draft,
  [part, on]: readonly [string, string | null],
  at: { x: number; y: number },
  { shared, overMm = 0, ...by }: { joint?: string; anchor?: string; shared: Box; overMm?: number },
) {
  const from = { part }
  const target = on === null ? CEILING : ({ kind: 'part', part: on } as const)
  const contact = spot(at.x, at.y, d.box(part).max[2])
  lengthen(d, part, contact, overMm)
  d.hold({ from, on: target, contact, push: UP, way: 'both', via: 'fasteners', ...by })
  for (const edge of edges(d, part, at, shared)) {
    lengthen(d, part, edge, overMm)
    d.hold({ from, on: target, contact: edge, push: DOWN, way: 'push', via: 'bearing', steadies: true })
  }
}

/** A piece under the ceiling, fixed up into the joists it crosses. @returns how many fixings */
export function hangUnderJoists(d: Draft, part: string, o: Over, count = 1): number {
  const { min, max } = d.box(part)
  const out = o.joists.run === 'out'
  const i = out ? 0 : 1
  const places = crossed(o.joists, min[i], max[i])
  const throughMm = max[2] - min[2] + o.joists.liningMm
  const screw = screwFor((throughMm + JOIST_EMBED_MM) / 1.95, 200, o.system)
  for (const v of places) {
    const at = out ? { x: v, y: (min[1] + max[1]) / 2 } : { x: (min[0] + max[0]) / 2, y: v }
    const anchor = d.anchor({
      part,
      into: 'joist',
      at: [at.x, at.y, max[2]],
      count,
      fastener: screw.id,
      embedMm: screw.lengthMm - throughMm,
      holds: ['x', 'y', 'z'],
    })
    holdAt(d, [part, null], at, { anchor, shared: d.box(part) })
  }
  return places.length
}

interface Fastened {
  /** Fasteners at each place. */
  count?: number
  from?: 'below' | 'above'
  /** How far along itself it pulls at the other from each place: that is no point where the other is a sheet. mm */
  overMm?: number
}

/**
 * A piece screwed to another over it, at places where they meet: from below, or from above while both lie on the bench.
 */
export function hangUnder(
  d: Draft,
  part: string,
  on: string,
  places: readonly { x: number; y: number }[],
  { count = 1, from = 'below', overMm = 0 }: Fastened = {},
): void {
  const [a, b] = [d.box(part), d.box(on)]
  const shared: Box = {
    min: [Math.max(a.min[0], b.min[0]), Math.max(a.min[1], b.min[1]), a.max[2]],
    max: [Math.min(a.max[0], b.max[0]), Math.min(a.max[1], b.max[1]), a.max[2]],
  }
  const [high, over] = [a.max[2] - a.min[2], b.max[2] - b.min[2]]
  const all = count * places.length
  const joint =
    from === 'below' ? d.screw(part, on, all, 'side', high, over) : d.screw(on, part, all, 'side', over, high)
  for (const at of places) holdAt(d, [part, on], at, { joint, shared, overMm })
}
