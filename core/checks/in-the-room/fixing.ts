import { wholeBox } from '../../assembly/part-box.ts'
import { longerOntoStuds, shiftsOntoStuds } from '../../room/onto-studs.ts'
import type { KeepOut } from '../../clearance/keep-outs.ts'
import { standsAtWall, studCentres, type Wall } from '../../room/room.ts'
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
    const anchors = assembly.anchors.filter((x) => drivenAlong(x) === 1)
    const prepared = anchors.filter((x) => x.prepared).length
    const w = frame.wall.wall
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
    return [...out, ...beside, ...nearWires(along, w, keeps)]
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
