import { ROOM_CHECKS } from '../checks/in-the-room/all.ts'
import type { RoomContext } from '../checks/room-check.ts'
import type { CheckResult } from '../checks/check.ts'
import { conflicts, type Neighbour } from '../clearance/conflicts.ts'
import { keepOuts, wallBodies, type KeepOut } from '../clearance/keep-outs.ts'
import { frameOf, solidsOf, type BuildSolids, type Frame } from '../clearance/placing.ts'
import { wholeBox } from '../assembly/part-box.ts'
import type { Outline } from '../room/outline.ts'
import type { Room } from '../room/room.ts'
import type { Project } from './project.ts'
import type { BuildReading } from './read-build.ts'

/** A build where it stands in the room. */
export interface PlacedBuild {
  reading: BuildReading
  frame: Frame
  solids: BuildSolids
}

/** A build's own frame in the room; null when it has no wall. */
export function frameInRoom(outline: Outline, { build, boxes, shaped }: Pick<BuildReading, 'build' | 'boxes' | 'shaped'>): Frame | null {
  const wall = outline.walls.find((w) => w.wall.id === build.wallId)
  if (!wall || shaped.assembly.parts.length === 0) return null
  const { max } = wholeBox(boxes)
  return frameOf(wall, { alongMm: build.offsetMm, outMm: build.outMm, turn: build.turn }, max[0], max[1])
}

/** All builds that have a wall, where they stand. */
export function placeBuilds(outline: Outline, readings: readonly BuildReading[]): PlacedBuild[] {
  return readings.flatMap((reading) => {
    const frame = frameInRoom(outline, reading)
    return frame ? [{ reading, frame, solids: solidsOf(frame, reading.shaped.assembly) }] : []
  })
}

/** Everything in the room that keeps space. */
export const roomKeeps = (room: Room, outline: Outline): KeepOut[] => [...wallBodies(outline), ...room.features.flatMap((f) => keepOuts(outline, f))]

/** Everything round a build, worked out once for many looks at it. */
export interface Surroundings {
  p: Project
  outline: Outline
  keeps: readonly KeepOut[]
  placed: readonly PlacedBuild[]
}
export const surroundingsOf = (p: Project, outline: Outline, readings: readonly BuildReading[]): Surroundings => ({
  p, outline, keeps: roomKeeps(p.room, outline), placed: placeBuilds(outline, readings),
})

/** The checks of one build in its room, with the others round it. */
export function checksInRoom(s: Surroundings, reading: BuildReading): CheckResult[] {
  const own = s.placed.find((x) => x.reading === reading) ?? placeBuilds(s.outline, [reading])[0]
  if (!own) return []
  const { frame, solids } = own
  const neighbours: Neighbour[] = s.placed.filter((o) => o.reading.build.id !== reading.build.id).map((o) => ({ buildId: o.reading.build.id, name: o.reading.build.name, solids: o.solids }))
  const context: RoomContext = {
    room: s.p.room, outline: s.outline, frame, assembly: reading.shaped.assembly, boxes: reading.boxes, solids, neighbours, keeps: s.keeps, settings: s.p.settings, goods: reading.goods,
    conflicts: conflicts(frame, solids, neighbours, s.keeps),
    hungN: reading.service.notWeighed.length > 0 ? null : reading.shaped.assembly.supports.filter((x) => x.on.kind === 'ceiling').reduce((n, x) => n + (reading.service.reactions.get(x.id) ?? 0), 0),
  }
  return ROOM_CHECKS.flatMap((c) => c.run(context))
}
