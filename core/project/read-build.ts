import { alike, labels, type Alike } from '../assembly/identical.ts'
import { mirrorAssembly } from '../assembly/mirror.ts'
import { partBoxes, wholeBox, type PartBoxes, partsById } from '../assembly/part-box.ts'
import { partMassKg } from '../assembly/mass.ts'
import { sheetKey, startingPrices, type PriceLine } from '../catalogue/prices.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { CHECKS } from '../checks/all.ts'
import type { CheckContext, CheckResult } from '../checks/check.ts'
import { jointRooms, type JointRooms } from '../checks/joint-room.ts'
import { verdict, type Verdict } from '../checks/verdict.ts'
import { boardsOf } from '../families/boards-of.ts'
import type { AnyFamily, ShapeContext, Shaped } from '../families/family.ts'
import { findFamily } from '../families/registry.ts'
import type { Goods } from '../goods/goods.ts'
import { analyse, edgeStrips } from '../loads/analyse.ts'
import type { LoadPath } from '../loads/load-path.ts'
import { good, type Problem, type Result } from '../measure/result.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { ceilingAt } from '../room/ceiling.ts'
import { fallUnder, floorPlane, type FloorPlane } from '../room/floor.ts'
import { onPlan, outline, type Outline } from '../room/outline.ts'
import { freeSpace, LEVEL, type FreeSpace, type Room } from '../room/room.ts'
import type { Step } from '../steps/step.ts'
import { pieceLines, type PieceLine } from '../takeoff/pieces.ts'
import type { Build, Project } from './project.ts'
import { checksInRoom, checksInRoomKept, surroundingsOf, tiesOf, withRoom } from './room-checks.ts'

/** Everything that is read from one build. */
export interface BuildReading {
  build: Build
  shaped: Shaped
  space: FreeSpace
  boxes: PartBoxes
  groups: Alike[]
  labels: Map<string, string>
  service: LoadPath
  design: LoadPath
  rooms: JointRooms
  checks: CheckResult[]
  verdict: Verdict
  pieces: PieceLine[]
  steps: Step[]
  massKg: number
  goods: Map<string, Goods>
}
export type BuildOutcome = { ok: true; reading: BuildReading } | { ok: false; build: Build; problem: Problem }

/** The price book of a project: the starting one with the person's own prices in it. */
export const priceBook = (p: Pick<Project, 'prices' | 'settings'>): PriceLine[] =>
  [...startingPrices(p.settings.yard), ...p.settings.ownSheets.map((id): PriceLine => ({ key: sheetKey(id), label: findSheet(id)?.label ?? id, per: 'sheet', minor: 0 }))].map((l) => (l.key in p.prices ? { ...l, minor: p.prices[l.key] } : l))

/** The plan of a room and its floor: worked out once for a room and shared by all that stands in it. */
export interface RoomPlan {
  room: Room
  outline: Outline
  floor: FloorPlane | null
}
const plans = new WeakMap<Room, RoomPlan>()
export function roomPlan(room: Room): RoomPlan {
  const known = plans.get(room)
  if (known) return known
  const o = outline(room)
  const plan: RoomPlan = { room, outline: o, floor: floorPlane(room, o) }
  plans.set(room, plan)
  return plan
}

/** Further out than this a build no longer stands at its wall, mm. */
const AT_WALL_MM = 20

/** Where the next build on the same wall begins; Infinity when there is none. */
function nextOnWall(p: Project, build: Build): number {
  const wall = p.room.walls.find((w) => w.id === build.wallId)
  return Math.min(...p.builds.filter((b) => b.id !== build.id && b.wallId === build.wallId && b.offsetMm > build.offsetMm && b.outMm < (wall?.depthMm ?? 0)).map((b) => b.offsetMm))
}

/** The space a build has where it stands: along the wall and out from it, or turned; away from the wall nothing can be tied to it. */
function spaceOf(p: Project, build: Build): FreeSpace | null {
  const wall = p.room.walls.find((w) => w.id === build.wallId)
  if (!wall) return null
  const space = freeSpace(p.room, wall, build.offsetMm, Math.min(nextOnWall(p, build), wall.lengthMm))
  const { outline: o } = roomPlan(p.room)
  const line = o.walls.find((w) => w.wall.id === wall.id)
  const ceilingMm = line ? Math.min(...[0, wall.depthMm].map((out) => ceilingAt(p.room, o, onPlan(line, build.offsetMm, build.outMm + out)))) : space.ceilingMm
  const away = build.turn !== 0 || build.outMm > AT_WALL_MM
  const depthMm = Math.max(50, space.depthMm - build.outMm)
  const turned = build.turn % 2 === 1
  return {
    ...space, ceilingMm, heightMm: Math.min(space.heightMm, ceilingMm),
    lengthMm: turned ? Math.max(space.depthMm, space.lengthMm) : space.lengthMm, depthMm: turned ? Math.max(space.depthMm, 1200) : away ? Math.max(depthMm, 1200) : depthMm,
    ...(away ? { construction: { kind: 'thin' as const }, studsMm: [] } : {}),
  }
}

/** What a build is shaped to: its goods that are still kept, and its space up to the next build on the wall. */
export function contextOf(p: Project, build: Build, prices = priceBook(p)): ShapeContext | null {
  const space = spaceOf(p, build)
  if (!space) return null
  const goods = build.goods.flatMap(({ goodsId, count }) => {
    const item = p.goods.find((g) => g.id === goodsId && g.decision === 'keep')
    return item ? [{ item, count: Math.min(count, item.count) }] : []
  })
  const { outline: o, floor } = roomPlan(p.room)
  const line = o.walls.find((w) => w.wall.id === build.wallId)
  return {
    goods, space, settings: p.settings, boards: boardsOf(prices, p.settings.yard),
    ...(floor && line && build.turn === 0 ? { fallUnder: (wide: number, deep: number) => fallUnder(floor, line, { alongMm: build.offsetMm, outMm: build.outMm }, wide, deep) } : {}),
  }
}

/** Reads one build: shape, load path, checks, parts and steps. Pure and quick: called on every change. */
export function readBuild(p: Project, build: Build, firstLetter = 0, prices = priceBook(p)): BuildOutcome {
  const family = findFamily(build.family)
  if (!family) return { ok: false, build, problem: { code: 'no-such-family', data: { family: build.family } } }
  const ctx = contextOf(p, build, prices)
  if (!ctx) return { ok: false, build, problem: { code: 'no-such-wall' } }
  return readWith(family, build, ctx, firstLetter)
}

/** A build as it stands: its feet follow the floor, and mirrored it meets the studs that are really behind it. Its size does not depend on either. */
function shapeInPlace(family: AnyFamily, build: Build, ctx: ShapeContext): Result<Shaped> {
  const first = family.shape(build.params, ctx)
  if (!first.ok || (!build.mirrored && !ctx.fallUnder)) return first
  const { max } = wholeBox(partBoxes(first.value.assembly))
  const fall = ctx.fallUnder?.(max[0], max[1]) ?? LEVEL
  const space: FreeSpace = {
    ...ctx.space,
    studsMm: build.mirrored ? ctx.space.studsMm.map((x) => max[0] - x).filter((x) => x >= 0).sort((a, b) => a - b) : ctx.space.studsMm,
    floorFall: build.mirrored ? { atOriginMm: fall.atOriginMm + (fall.xMmPerM * max[0]) / 1000, xMmPerM: -fall.xMmPerM, yMmPerM: fall.yMmPerM } : fall,
  }
  const shaped = family.shape(build.params, { ...ctx, space })
  if (!shaped.ok || !build.mirrored) return shaped
  // What is dragged along the wall runs the other way.
  const dims = shaped.value.dims.map((d) => (d.drag?.axis === 'x' ? { ...d, drag: { ...d.drag, sign: -d.drag.sign as 1 | -1 } } : d))
  return good({ ...shaped.value, dims, assembly: mirrorAssembly(shaped.value.assembly, max[0]) })
}

export function readWith(family: AnyFamily, build: Build, ctx: ShapeContext, firstLetter = 0): BuildOutcome {
  const shaped = shapeInPlace(family, build, ctx)
  if (!shaped.ok) return { ok: false, build, problem: shaped.problem }
  const { assembly } = shaped.value
  const method = METHODS[ctx.settings.method]
  const conditions = ctx.settings
  const boxes = partBoxes(assembly)
  const stripsOf = edgeStrips(assembly)
  const service = analyse(assembly, boxes, { method, conditions, stripsOf, factor: { self: 1, goods: 1 } })
  const { self, goods: goodsFactor } = method.loadFactor
  const design = self === 1 && goodsFactor === 1 ? service : analyse(assembly, boxes, { method, conditions, stripsOf, factor: { self, goods: goodsFactor } })
  const groups = alike(assembly, firstLetter)
  const goods = new Map(ctx.goods.map((g) => [g.item.id, g.item]))
  const rooms = jointRooms(assembly, boxes, method)
  const context: CheckContext = {
    assembly, parts: partsById(assembly), boxes, alike: groups, service, design, settings: ctx.settings, method, rooms, space: ctx.space, goods, unhoused: shaped.value.unhoused,
  }
  const checks = CHECKS.flatMap((c) => c.run(context))
  return {
    ok: true,
    reading: {
      build, shaped: shaped.value, space: ctx.space, boxes, groups, labels: labels(groups), service, design, rooms, checks, verdict: verdict(checks),
      pieces: pieceLines(build.id, groups), steps: family.steps(build.params, shaped.value), massKg: assembly.parts.reduce((m, x) => m + partMassKg(x), 0), goods,
    },
  }
}

/** Readings of builds that did not change since, by build. */
export type KeptReadings = Map<string, { key: unknown[]; outcome: BuildOutcome }>

/** Reads all builds by themselves, letters running on from one to the next. */
export function readAlone(p: Project, kept?: KeptReadings): BuildOutcome[] {
  let letters = 0
  const prices = priceBook(p)
  return p.builds.map((b) => {
    // All that one build's reading depends on; the document is immutable, so the same object is the same value.
    const key: unknown[] = [b, p.goods, p.room, p.settings, p.prices, letters, nextOnWall(p, b)]
    const known = kept?.get(b.id)
    const outcome = known && key.every((k, i) => k === known.key[i]) ? known.outcome : readBuild(p, b, letters, prices)
    kept?.set(b.id, { key, outcome })
    if (outcome.ok) letters += outcome.reading.groups.length
    return outcome
  })
}

/** What was read in the room the last time, beside the readings it was made of: ticks and names change neither. */
const inRoom = new WeakMap<KeptReadings, { key: unknown[]; outcomes: BuildOutcome[] }>()

/** Reads all builds, each by itself and then in the room with the others. */
export function readBuilds(p: Project, kept?: KeptReadings): BuildOutcome[] {
  const alone = readAlone(p, kept)
  const key: unknown[] = [p.room, p.settings, p.goods, ...alone]
  const known = kept && inRoom.get(kept)
  if (known && known.key.length === key.length && key.every((k, i) => k === known.key[i])) return known.outcomes
  const outcomes = inTheRoom(p, alone, kept ? checksInRoomKept : checksInRoom)
  if (kept) inRoom.set(kept, { key, outcomes })
  return outcomes
}

function inTheRoom(p: Project, alone: readonly BuildOutcome[], look: typeof checksInRoom): BuildOutcome[] {
  const round = surroundingsOf(p, roomPlan(p.room).outline, readingsOf(alone))
  return alone.map((o) => {
    if (!o.ok) return o
    const checks = withRoom(o.reading.checks, look(round, o.reading))
    return { ok: true, reading: { ...o.reading, ...tiesOf(round, o.reading), checks, verdict: verdict(checks) } }
  })
}

export const readingsOf = (outcomes: readonly BuildOutcome[]): BuildReading[] => outcomes.flatMap((o) => (o.ok ? [o.reading] : []))
