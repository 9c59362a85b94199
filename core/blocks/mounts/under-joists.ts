import type { Draft } from '../../assembly/draft.ts'
import { screwFor } from '../../catalogue/fasteners.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { UnitSystem } from '../../measure/units.ts'
import {
  APART_MM,
  NUT_MM,
  preparedAcross,
  preparedBehind,
  type Prepared,
  type PreparedSpot,
} from '../../room/prepared.ts'
import type { KnownJoists } from './on-rods.ts'
import { ALONG, boreForBolt, DOWN, EDGE_SHARE, FROM_END_MM, OUT, UP } from './wall-fixing.ts'

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

const CEILING = { kind: 'ceiling' } as const
/** Thread wanted in a joist behind the lining, mm: as for what hangs on a wall. */
const JOIST_EMBED_MM = 50

export interface Over {
  joists: KnownJoists
  /** Bolts and blocking in the ceiling. */
  prepared: readonly Prepared[]
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

/** Bolts and blocking over a piece that runs across the joists, clear of where it is fixed into those. */
function preparedOver(o: Over, { min, max }: Box, i: 0 | 1, taken: readonly number[]): PreparedSpot[] {
  const k = i === 0 ? 1 : 0
  const band = { left: min[i] + FROM_END_MM, right: max[i] - FROM_END_MM, low: min[k], high: max[k] }
  const along = i === 0 ? o.prepared : o.prepared.map(preparedAcross)
  return preparedBehind(along, 'ceiling', band, (min[k] + max[k]) / 2, o.joists.atMm)
    .filter(({ prepared: p }) => p.kind !== 'bolt' || max[2] - min[2] + NUT_MM <= p.thickMm)
    .filter(({ at }) => taken.every((v) => Math.abs(v - at[0]) >= APART_MM))
}

/** What a screw that goes up passes on its way, and of which yard it is. */
interface Into extends Pick<Over, 'system'> {
  joists: Pick<KnownJoists, 'liningMm'>
}

/** What holds a piece up at one place: screws into a joist or into blocking, or a bolt that is there. */
function upInto(
  d: Draft,
  part: string,
  at: { x: number; y: number },
  o: Into,
  s: { count: number; into?: PreparedSpot },
) {
  const { min, max } = d.box(part)
  const throughMm = max[2] - min[2] + o.joists.liningMm
  const given = { part, at: [at.x, at.y, max[2]] as Vec3, holds: ['x', 'y', 'z'] as ('x' | 'y' | 'z')[] }
  const p = s.into?.prepared
  const prepared = p && { of: p.of, field: s.into!.field, on: 'ceiling' as const, holdsN: p.holdsN }
  if (p?.kind === 'bolt') {
    boreForBolt(d, part, { x: at.x, y: at.y }, p.right - p.left)
    return d.anchor({ ...given, into: 'bolt', count: 1, fastener: null, embedMm: 0, prepared })
  }
  const embedMm = Math.min(JOIST_EMBED_MM, p?.thickMm ?? JOIST_EMBED_MM)
  const screw = screwFor((throughMm + embedMm) / 1.95, 200, o.system)
  const thread = Math.min(screw.lengthMm - throughMm, p?.thickMm ?? Infinity)
  return d.anchor({
    ...given,
    into: 'joist',
    count: s.count,
    fastener: screw.id,
    embedMm: thread,
    ...(prepared ? { prepared } : {}),
  })
}

/**
 * A piece level under the ceiling that also keeps what comes against it: screws up into joists at some places along x, in
 * its middle, hold it up and where it is.
 */
export function keptUnderJoists(d: Draft, part: string, places: readonly number[], o: Into): void {
  const { min, max } = d.box(part)
  const y = (min[1] + max[1]) / 2
  for (const x of places.filter((v) => v >= min[0] && v <= max[0])) {
    const anchor = upInto(d, part, { x, y }, o, { count: 1 })
    holdAt(d, [part, null], { x, y }, { anchor, shared: d.box(part) })
    const contact = spot(x, y, max[2])
    for (const push of [OUT, ALONG])
      d.hold({ from: { part }, on: CEILING, contact, push, way: 'both', via: 'fasteners', anchor })
  }
}

/**
 * A piece under the ceiling, fixed up into the joists it crosses, and into what was prepared between them.
 * @returns how many fixings
 */
export function hangUnderJoists(d: Draft, part: string, o: Over, count = 1): number {
  const { min, max } = d.box(part)
  const i = o.joists.run === 'out' ? 0 : 1
  const places = crossed(o.joists, min[i], max[i])
  const put = (along: number, across: number, into?: PreparedSpot) => {
    const at = i === 0 ? { x: along, y: across } : { x: across, y: along }
    holdAt(d, [part, null], at, { anchor: upInto(d, part, at, o, { count, into }), shared: d.box(part) })
  }
  const middle = i === 0 ? (min[1] + max[1]) / 2 : (min[0] + max[0]) / 2
  for (const v of places) put(v, middle)
  const more = preparedOver(o, d.box(part), i, places)
  for (const s of more) put(...s.at, s)
  return places.length + more.length
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
