import { wholeBox } from '../../assembly/part-box.ts'
import type { Anchor } from '../../assembly/assembly.ts'
import type { Feature, FeatureKind } from '../../room/features.ts'
import { longerOntoStuds, shiftsOntoStuds } from '../../room/onto-studs.ts'
import type { KeepOut } from '../../clearance/keep-outs.ts'
import { standsAtWall, studCentres, type Room, type Wall } from '../../room/room.ts'
import { wallAtEnd } from '../../room/side-walls.ts'
import { defineRoomCheck, type RoomContext } from '../room-check.ts'
import { plain, type CheckResult } from '../check.ts'
import { drivenAlong } from '../wall-fixing.ts'

/**
 * A build that is to be held by the wall wants at least two fixings: one lets it turn. What hangs from the ceiling is
 * only steadied by them, and what is held by the wall beside it as well does not turn.
 */
const HELD = 2
const STEADIED = 1

/** The nearer of the two ways to a second stud, and the other. */
function moves({ left, right }: ReturnType<typeof shiftsOntoStuds>) {
  const ways = [
    { mm: left, way: 'left' },
    { mm: right, way: 'right' },
  ]
    .filter((x): x is { mm: number; way: string } => x.mm !== null && x.mm > 0)
    .sort((a, b) => a.mm - b.mm)
  const [near, far] = [...ways, NOWHERE, NOWHERE]
  return { moveMm: near.mm, moveWay: near.way, clearMm: far.mm, clearWay: far.way }
}
const NOWHERE = { mm: -1, way: '' }

/**
 * Where the build meets the wall's studs or masonry, how many fixings land in something, and what to do where they do
 * not.
 */
export const fixing = defineRoomCheck({
  id: 'fixing',
  reads: ['assembly', 'boxes', 'frame', 'keeps', 'room'],
  run({ assembly, boxes, frame, keeps, room }): CheckResult[] {
    // What goes into the floor, or up into the ceiling, is no fixing to a wall.
    const driven = assembly.anchors.filter((x) => drivenAlong(x) === 1)
    const w = frame.wall.wall
    const open = openingsBehind(driven, frame, w, room)
    // What would go into an opening holds nothing.
    const anchors = driven.filter((x) => !open.some((o) => o.within.includes(x)))
    const prepared = anchors.filter((x) => x.prepared).length
    const heldElse = assembly.supports.some((s) => s.on.kind === 'ceiling') || assembly.anchors.some((x) => x.side)
    const least = heldElse ? STEADIED : HELD
    const beside = intoSides({ assembly, frame, keeps, room })
    const atWall = frame.place.turn === 0 && standsAtWall(w, frame.place.outMm)
    const b = wholeBox(boxes)
    const [from, to] = [frame.place.alongMm + b.min[0], frame.place.alongMm + b.max[0]]
    const data = { wall: w.name, count: anchors.length, prepared, kind: w.construction.kind }
    if (!atWall)
      return [plain({ ...given, code: 'away-from-wall', subject: 'wall', state: 'not-applicable', data }), ...beside]
    if (w.construction.kind === 'thin' && anchors.length === 0)
      return [plain({ ...given, code: 'thin-wall', subject: 'wall', state: 'not-applicable', data }), ...beside]
    const behind = studCentres(w).filter((x) => x > from && x < to)
    const studs = { ...data, studs: behind.length, first: behind[0] ?? -1, last: behind[behind.length - 1] ?? -1 }
    const out: CheckResult[] = []
    if (anchors.length === 0)
      out.push(
        plain({
          ...given,
          code: w.construction.kind === 'studs' && behind.length < least ? 'no-stud-behind' : 'not-fixed',
          subject: 'wall',
          state: 'not-applicable',
          data: studs,
        }),
      )
    else if (anchors.length < least)
      out.push(
        plain({
          ...given,
          code: 'one-fixing',
          subject: 'wall',
          state: 'fails',
          demand: least,
          capacity: 1,
          parts: anchors.map((a) => a.part),
          data: { ...studs, ...moves(shiftsOntoStuds(w, from, to)), longerMm: longerOntoStuds(w, from, to) ?? -1 },
        }),
      )
    else
      out.push(
        plain({
          ...given,
          code: prepared > 0 ? 'in-prepared' : w.construction.kind === 'studs' ? 'in-studs' : 'in-masonry',
          subject: 'wall',
          state: 'holds',
          demand: least,
          capacity: anchors.length,
          parts: anchors.map((a) => a.part),
          data: studs,
        }),
      )
    const along = anchors.map((a): Driven => ({ part: a.part, atMm: frame.place.alongMm + a.at[0] }))
    return [...out, ...beside, ...open.map((o) => inOpening(o, { from, to }, w)), ...nearWires(along, w, keeps)]
  },
})

const given = { check: 'fixing', link: 'ground' as const, quantity: 'count' as const }

/** A fixing in a wall, and how far along that it is. */
interface Driven {
  part: string
  atMm: number
}

/** Fixings into the walls beside a build: how many, and what runs near them. */
function intoSides({ assembly, frame, keeps, room }: Pick<RoomContext, 'assembly' | 'frame' | 'keeps' | 'room'>) {
  return (['left', 'right'] as const).flatMap((end): CheckResult[] => {
    const anchors = assembly.anchors.filter((x) => x.side === end)
    const w = wallAtEnd(room, frame.wall.wall.id, end)
    if (anchors.length === 0 || !w) return []
    const driven = anchors.map((a): Driven => {
      const out = frame.place.outMm + a.at[1]
      return { part: a.part, atMm: end === 'left' ? w.lengthMm - out : out }
    })
    const data = { wall: w.name, count: anchors.length }
    const parts = anchors.map((a) => a.part)
    return [
      plain({ ...given, code: 'in-side-wall', subject: `side:${end}`, state: 'holds', parts, data }),
      ...nearWires(driven, w, keeps),
    ]
  })
}

/** Where there is no wall to be fixed to. */
const OPENINGS: readonly FeatureKind[] = ['door', 'window', 'sectional-door']

/** From where to where along its wall, mm. */
interface Stretch {
  from: number
  to: number
}

/** Openings of a wall, and the fixings that would go into them: no stud stands there, whatever their spacing says. */
const openingsBehind = (
  driven: readonly Anchor[],
  { place, liftMm }: RoomContext['frame'],
  w: Wall,
  room: Room,
): { opening: Feature; within: Anchor[] }[] =>
  room.features
    .filter((f) => f.wallId === w.id && !f.comesDown && OPENINGS.includes(f.kind))
    .map((f) => {
      const within = driven.filter((a) => {
        const [x, z] = [place.alongMm + a.at[0], liftMm + a.at[2]]
        return !a.prepared && x > f.atMm && x < f.atMm + f.wideMm && z > f.upMm && z < f.upMm + f.highMm
      })
      return { opening: f, within }
    })
    .filter((o) => o.within.length > 0)

function inOpening(
  { opening: f, within }: ReturnType<typeof openingsBehind>[number],
  own: Stretch,
  w: Wall,
): CheckResult {
  const ways = moves({
    right: movedPast(own, w, f.atMm + f.wideMm - own.from, 'right'),
    left: movedPast(own, w, own.to - f.atMm, 'left'),
  })
  const parts = within.map((a) => a.part)
  const data = { kind: f.kind, name: f.name, count: within.length, ...ways }
  return plain({ ...given, code: 'in-opening', subject: `opening:${f.id}`, state: 'fails', parts, data })
}

/** How far something is moved so that it is past an opening, and two studs are behind it; null where no move does it, mm. */
function movedPast({ from, to }: Stretch, w: Wall, mm: number, way: 'left' | 'right'): number | null {
  const by = way === 'right' ? mm : -mm
  if (from + by < 0 || to + by > w.lengthMm) return null
  if (w.construction.kind !== 'studs') return mm
  const more = shiftsOntoStuds(w, from + by, to + by)[way]
  return more === null ? null : mm + more
}

/** A screw where a wire or a pipe runs up or down to an outlet, a switch or a panel. */
function nearWires(driven: readonly Driven[], w: Wall, keeps: readonly KeepOut[]): CheckResult[] {
  const wires = keeps.filter(
    (k) =>
      k.code === 'clear' &&
      k.feature &&
      k.wall.wall.id === w.id &&
      ['outlet', 'switch', 'panel', 'conduit', 'pipe'].includes(k.feature.kind),
  )
  return wires.flatMap(({ feature }) => {
    const f = feature!
    const near = driven.filter((d) => d.atMm > f.atMm - NEAR_WIRE_MM && d.atMm < f.atMm + f.wideMm + NEAR_WIRE_MM)
    if (near.length === 0) return []
    const parts = near.map((d) => d.part)
    const data = { kind: f.kind, name: f.name, atMm: near[0].atMm }
    return [plain({ ...given, code: 'screw-near-wire', subject: `wire:${f.id}`, state: 'holds', parts, data })]
  })
}

/** Cables run straight up and down from boxes: screws keep this far to either side, mm. Product decision. */
const NEAR_WIRE_MM = 50
