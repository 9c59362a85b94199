import { kept } from '../measure/kept.ts'
import { ROOM_CHECKS } from '../checks/in-the-room/all.ts'
import { preparedOf } from '../checks/in-the-room/shared-hold.ts'
import type { OtherBuild, RoomContext } from '../checks/room-check.ts'
import type { CheckResult } from '../checks/check.ts'
import { atOnce, conflicts, thorough, type Effort, type Neighbour } from '../clearance/conflicts.ts'
import { keepOuts, skirtings, takenDown, wallBodies, type KeepOut } from '../clearance/keep-outs.ts'
import { frameOf, solidsOf, type BuildSolids, type Frame } from '../clearance/placing.ts'
import { wholeBox } from '../assembly/part-box.ts'
import { groupOf, meetingOf, type Unit } from '../clearance/tied.ts'
import type { Goods } from '../goods/goods.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import type { Anchor } from '../assembly/assembly.ts'
import { tieFastener, TIE_FASTENERS } from '../checks/in-the-room/tied.ts'
import type { Step } from '../steps/step.ts'
import { metName } from '../wording/features.ts'
import type { Outline } from '../room/outline.ts'
import type { Room } from '../room/room.ts'
import type { Project } from './project.ts'
import type { BuildReading } from './read-build.ts'

/** Ties between builds go this far below the top of the lower one, mm: clear of its end grain. */
const TIE_BELOW_TOP_MM = 60

/** A build where it stands in the room. */
export interface PlacedBuild {
  reading: BuildReading
  frame: Frame
  solids: BuildSolids
}

/** A build's own frame in the room; null when it has no wall. */
export function frameInRoom(
  outline: Outline,
  { build, boxes, shaped, liftMm }: Pick<BuildReading, 'build' | 'boxes' | 'shaped' | 'liftMm'>,
): Frame | null {
  const wall = outline.walls.find((w) => w.wall.id === build.wallId)
  if (!wall || shaped.assembly.parts.length === 0) return null
  const { max } = wholeBox(boxes)
  return frameOf(wall, { alongMm: build.offsetMm, outMm: build.outMm, turn: build.turn }, max[0], max[1], liftMm)
}

/** Where a reading was placed the last time: neither readings nor outlines change once they are made. */
const placedBefore = new WeakMap<BuildReading, { outline: Outline; placed: PlacedBuild | null }>()

/** All builds that have a wall, where they stand. */
export function placeBuilds(outline: Outline, readings: readonly BuildReading[]): PlacedBuild[] {
  return readings.flatMap((reading) => {
    const known = placedBefore.get(reading)
    if (known?.outline === outline) return known.placed ? [known.placed] : []
    const frame = frameInRoom(outline, reading)
    const placed = frame ? { reading, frame, solids: solidsOf(frame, reading.shaped.assembly) } : null
    placedBefore.set(reading, { outline, placed })
    return placed ? [placed] : []
  })
}

/** Everything in the room that keeps space. */
export const roomKeeps = (room: Room, outline: Outline): KeepOut[] => [
  ...wallBodies(outline),
  ...skirtings(outline),
  ...room.features.flatMap((f) => keepOuts(outline, f)),
]

/** Everything round a build, worked out once for many looks at it. */
export interface Surroundings {
  p: Project
  outline: Outline
  keeps: readonly KeepOut[]
  placed: readonly PlacedBuild[]
}
export const surroundingsOf = (p: Project, outline: Outline, readings: readonly BuildReading[]): Surroundings => ({
  p,
  outline,
  keeps: roomKeeps(p.room, outline),
  placed: placeBuilds(outline, readings),
})

const otherOf = ({ reading, frame }: PlacedBuild): OtherBuild => ({
  id: reading.build.id,
  name: reading.build.name,
  frame,
  assembly: reading.shaped.assembly,
  checks: reading.checks,
})
const unitOf = ({ reading, frame, solids }: PlacedBuild): Unit => ({
  id: reading.build.id,
  name: reading.build.name,
  frame,
  solids,
  assembly: reading.shaped.assembly,
  tiedTo: reading.build.tiedTo,
})

/** A build and all that is tied to it, itself first; empty where it stands nowhere. */
export function tiedGroup(s: Surroundings, reading: BuildReading): Unit[] {
  const own = s.placed.find((x) => x.reading === reading) ?? placeBuilds(s.outline, [reading])[0]
  return own ? groupOf(unitOf(own), s.placed.filter((o) => o.reading.build.id !== reading.build.id).map(unitOf)) : []
}

/** Builds near enough to be screwed to it. */
export function inReach(s: Surroundings, reading: BuildReading): { id: string; name: string }[] {
  const own = s.placed.find((x) => x.reading === reading) ?? placeBuilds(s.outline, [reading])[0]
  return own
    ? s.placed
        .filter((o) => o.reading.build.id !== reading.build.id && meetingOf(unitOf(own), unitOf(o)) !== null)
        .map((o) => ({ id: o.reading.build.id, name: o.reading.build.name }))
    : []
}

/**
 * What ties to neighbours add to a build: screws to buy and a step to do. Each tie belongs to one of its two builds,
 * the one whose id comes first, so that its screws are counted once.
 */
export function tiesOf(s: Surroundings, reading: BuildReading): Partial<Pick<BuildReading, 'shaped' | 'steps'>> {
  const [own, ...rest] = tiedGroup(s, reading)
  const names: string[] = []
  const on: string[] = []
  const anchors = rest.flatMap((o): Anchor[] => {
    if (!own.tiedTo.includes(o.id) && !o.tiedTo.includes(own.id)) return []
    const m = meetingOf(own, o)
    if (!m) return []
    names.push(o.name)
    on.push(m.near.id)
    if (own.id > o.id) return []
    const { fastener, embedMm } = tieFastener(m, s.p.settings.yard)
    const box = reading.boxes.get(m.near.id)!
    return [
      {
        id: `tie-to-${o.id}`,
        part: m.near.id,
        into: 'neighbour',
        at: [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2, m.topMm - TIE_BELOW_TOP_MM],
        count: TIE_FASTENERS,
        fastener: fastener.id,
        embedMm: Math.max(0, embedMm),
        holds: ['x', 'y', 'z'],
      },
    ]
  })
  if (names.length === 0) return {}
  const step: Step = {
    id: 'tie-neighbours',
    code: 'tie-neighbours',
    data: { names: names.join(', '), count: TIE_FASTENERS },
    parts: [],
    on,
    cautions: ['top-heavy'],
    hold: { code: 'tied-before-load' },
  }
  // Tied before anything is laid or loaded on it: the last steps of a build sheet are those.
  const last = reading.steps.findIndex((x) => x.code.startsWith('load-'))
  const at = last < 0 ? reading.steps.length : last
  return {
    shaped: {
      ...reading.shaped,
      assembly: { ...reading.shaped.assembly, anchors: [...reading.shaped.assembly.anchors, ...anchors] },
    },
    steps: [...reading.steps.slice(0, at), step, ...reading.steps.slice(at)],
  }
}

/** Steps with what comes down first before them, where the build is to stand in its place. */
export function afterTakingDown(s: Surroundings, reading: BuildReading, steps: readonly Step[]): readonly Step[] {
  const own = s.placed.find((x) => x.reading === reading)
  if (!own) return steps
  const { min, max } = own.solids.whole
  const going = s.p.room.features.filter((f) => {
    const body = takenDown(s.outline, f)
    return body !== null && [0, 1, 2].every((i) => body.min[i] < max[i] && body.max[i] > min[i])
  })
  if (going.length === 0) return steps
  const names = going.map((f) => metName(f.kind, f.name)).join(', ')
  const wired = going.some((f) => f.kind === 'light')
  const first: Step = {
    id: 'take-down',
    code: 'take-down',
    data: { names },
    parts: [],
    cautions: ['lift-two', ...(wired ? ['not-into-wires'] : [])],
  }
  return [first, ...steps]
}

/** What was read of a build in its room takes the place of what was read of it alone. */
export function withRoom(alone: readonly CheckResult[], inRoom: readonly CheckResult[]): CheckResult[] {
  const ids = new Set(inRoom.map((c) => c.id))
  return [...alone.filter((c) => !ids.has(c.id)), ...inRoom]
}

/**
 * Further away than this nothing of another build matters to one, mm: a way out, a leaf or a frame being stood up reach
 * less.
 */
const FAR_MM = 3500
const nearTo = (a: PlacedBuild, b: PlacedBuild): boolean =>
  [0, 1].every(
    (i) =>
      a.solids.whole.min[i] - b.solids.whole.max[i] < FAR_MM && b.solids.whole.min[i] - a.solids.whole.max[i] < FAR_MM,
  )

/** Whether two builds hang from one ceiling, or are fixed to the same bolts or blocking, however far apart. */
function shareHold(a: PlacedBuild, b: PlacedBuild): boolean {
  const [p, q] = [a, b].map((x) => x.reading.shaped.assembly)
  const overhead = [p, q].every((x) => x.supports.some((s) => s.on.kind === 'ceiling'))
  const to = preparedOf({ assembly: q })
  return overhead || [...preparedOf({ assembly: p })].some((of) => to.has(of))
}

const checkedBefore = new WeakMap<BuildReading, { same: readonly unknown[]; checks: CheckResult[] }>()

/**
 * The same, remembered by reading: what was found holds as long as the room, the settings and all builds near it are
 * the same; where it stands in something all builds, for the way out of that is looked for among all of them.
 */
export function checksInRoomKept(s: Surroundings, reading: BuildReading): CheckResult[] {
  const own = s.placed.find((x) => x.reading === reading)
  const group = own ? new Set(tiedGroup(s, reading).map((u) => u.id)) : new Set<string>()
  const round = s.placed.filter((o) => o.reading !== reading)
  const near = round
    .filter((o) => own && (nearTo(own, o) || shareHold(own, o) || group.has(o.reading.build.id)))
    .map((o) => o.reading)
  const known = checkedBefore.get(reading)
  const same = (list: readonly unknown[]) =>
    known !== undefined && known.same.length === list.length && list.every((x, i) => x === known.same[i])
  const base = [s.p.room, s.p.settings, s.p.goods]
  if (same([...base, ...near])) return known!.checks
  const all = [...base, 'all', ...round.map((o) => o.reading)]
  if (same(all)) return known!.checks
  // On every change only so much is looked at; what that leaves open is looked at in the worker (`deeperLook`).
  const checks = checksInRoom(s, reading, atOnce(s.placed.length))
  const meets = checks.some((c) => c.check === 'clearance' && c.state === 'fails')
  checkedBefore.set(reading, { same: meets ? all : [...base, ...near], checks })
  return checks
}

const byIds = new WeakMap<readonly Goods[], ReadonlyMap<string, Goods>>()
/** Goods by id, made once for a list. */
const goodsById = (list: readonly Goods[]): ReadonlyMap<string, Goods> =>
  kept(byIds, list, () => new Map(list.map((g) => [g.id, g])))

/** The checks of one build in its room, with the others round it. */
export function checksInRoom(
  s: Surroundings,
  reading: BuildReading,
  effort: Effort = thorough(s.placed.length),
): CheckResult[] {
  const own = s.placed.find((x) => x.reading === reading) ?? placeBuilds(s.outline, [reading])[0]
  if (!own) return []
  const { frame, solids } = own
  const neighbours: Neighbour[] = s.placed
    .filter((o) => o.reading.build.id !== reading.build.id)
    .map((o) => ({ buildId: o.reading.build.id, name: o.reading.build.name, solids: o.solids }))
  const group = tiedGroup(s, reading)
  const readingOf = (id: string) =>
    id === reading.build.id ? reading : s.placed.find((o) => o.reading.build.id === id)?.reading
  const swayAlone = new Map(
    group.map((u) => [u.id, readingOf(u.id)?.checks.filter((c) => c.check === 'sway') ?? []] as const),
  )
  const context: RoomContext = {
    group,
    swayAlone,
    method: METHODS[s.p.settings.method],
    room: s.p.room,
    outline: s.outline,
    frame,
    assembly: reading.shaped.assembly,
    boxes: reading.boxes,
    solids,
    neighbours,
    checks: reading.checks,
    others: s.placed.filter((o) => o.reading.build.id !== reading.build.id).map(otherOf),
    keeps: s.keeps,
    settings: s.p.settings,
    goods: reading.goods,
    everything: goodsById(s.p.goods),
    conflicts: conflicts(frame, solids, neighbours, s.keeps, effort),
  }
  return ROOM_CHECKS.flatMap((c) => c.run(context))
}
