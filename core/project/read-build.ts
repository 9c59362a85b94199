import { partFeet } from '../assembly/feet.ts'
import { alike, labels, type Alike, type LetterPen } from '../assembly/identical.ts'
import { mirrorAssembly } from '../assembly/mirror.ts'
import { partBoxes, wholeBox, type PartBoxes } from '../assembly/part-box.ts'
import type { Part } from '../assembly/assembly.ts'
import { settled } from '../assembly/temporary.ts'
import { partMassKg } from '../assembly/mass.ts'
import { sheetKey, startingPrices, type PriceLine } from '../catalogue/prices.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { plain, type CheckResult } from '../checks/check.ts'
import type { JointRooms } from '../checks/joint-room.ts'
import { verdict, type Verdict } from '../checks/verdict.ts'
import { boardsOf } from '../families/boards-of.ts'
import type { AnyFamily, ShapeContext, Shaped } from '../families/family.ts'
import { findFamily, isHung, shareLength } from '../families/registry.ts'
import { atRest } from './at-rest.ts'
import { asUsed, placesOf, type Goods } from '../goods/goods.ts'
import type { LoadPath } from '../loads/load-path.ts'
import { kept } from '../measure/kept.ts'
import { bad, good, type Problem, type Result } from '../measure/result.ts'
import { ceilingAt, joistsOver } from '../room/ceiling.ts'
import { mirroredJoists, mirroredSpace } from '../room/mirrored.ts'
import { turnedJoists } from '../room/joists-turned.ts'
import { drivenAlong } from '../checks/wall-fixing.ts'
import { fallUnder, floorPlane, type FloorPlane } from '../room/floor.ts'
import { sidesAt } from '../room/side-walls.ts'
import { cornersAt, onPlan, outline, straightOutMm, type Outline, type WallLine } from '../room/outline.ts'
import { fromHigher } from '../room/courses.ts'
import { preparedFrom } from '../room/prepared.ts'
import { freeSpace, LEVEL, standsAtWall, type FreeSpace, type Room } from '../room/room.ts'
import type { Step } from '../steps/step.ts'
import { pieceLines, type PieceLine } from '../takeoff/pieces.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { burdened, carriesUnread, flatTop, standsOnTop, type FlatTop, type Standing } from './stacked.ts'
import { glance, judge, type Look } from './judge.ts'
import type { Build, Project } from './project.ts'
import { upgraded } from './upgrade.ts'

/** Everything that is read from one build. */
export interface BuildReading {
  build: Build
  /** As it stands when it is done. */
  shaped: Shaped
  /** The same with what stands on it: what is judged. */
  carried: Assembly
  /** What is only there while it is built. */
  temporary: Part[]
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
  /** Where it stands on another build: how high that is, mm. */
  liftMm: number
  most: ReadonlyMap<string, number>
}
export type BuildOutcome = { ok: true; reading: BuildReading } | { ok: false; build: Build; problem: Problem }

/** The price book of a project: the starting one with the person's own prices in it. */
export const priceBook = (p: Pick<Project, 'prices' | 'settings'>): PriceLine[] =>
  [
    ...startingPrices(p.settings.yard),
    ...p.settings.ownSheets.map((id): PriceLine => ({
      key: sheetKey(id),
      label: findSheet(id)?.label ?? id,
      per: 'sheet',
      minor: 0,
    })),
  ].map((l) => (l.key in p.prices ? { ...l, minor: p.prices[l.key] } : l))

/** The plan of a room and its floor: worked out once for a room and shared by all that stands in it. */
export interface RoomPlan {
  room: Room
  outline: Outline
  floor: FloorPlane | null
}
const plans = new WeakMap<Room, RoomPlan>()
export const roomPlan = (room: Room): RoomPlan =>
  kept(plans, room, () => {
    const o = outline(room)
    return { room, outline: o, floor: floorPlane(room, o) }
  })

/** Where the next build on the same wall begins that stands or hangs as this one does; Infinity when there is none. */
export function nextOnWall(p: Project, build: Build): number {
  const wall = p.room.walls.find((w) => w.id === build.wallId)
  // Out in the room it stands before nothing of the wall.
  if (wall && build.outMm >= wall.depthMm) return Infinity
  return Math.min(
    ...p.builds
      .filter(
        (b) =>
          b.id !== build.id &&
          b.standsOn === build.standsOn &&
          b.wallId === build.wallId &&
          shareLength(b, build) &&
          b.offsetMm > build.offsetMm &&
          b.outMm < (wall?.depthMm ?? 0),
      )
      .map((b) => b.offsetMm),
  )
}

/**
 * The space a build has where it stands: along the wall and out from it, or turned; away from the wall nothing can be
 * tied to it.
 */
function spaceOf(p: Project, build: Build): FreeSpace | null {
  const wall = p.room.walls.find((w) => w.id === build.wallId)
  if (!wall) return null
  const space = freeSpace(p.room, wall, build.offsetMm, Math.min(nextOnWall(p, build), wall.lengthMm))
  const { outline: o } = roomPlan(p.room)
  const line = o.walls.find((w) => w.wall.id === wall.id)
  const ceilingMm = line
    ? Math.min(...[0, wall.depthMm].map((out) => ceilingAt(p.room, o, onPlan(line, build.offsetMm, build.outMm + out))))
    : space.ceilingMm
  const away = build.turn !== 0 || !standsAtWall(wall, build.outMm)
  const depthMm = Math.max(50, space.depthMm - build.outMm)
  const turned = build.turn % 2 === 1
  return {
    ...space,
    ceilingMm,
    // Turned or away from its wall a build meets them otherwise than it is drawn: then nobody has looked.
    joists:
      line && build.turn === 0 ? joistsOver(p.room, o, line, { alongMm: build.offsetMm, outMm: build.outMm }) : null,
    away,
    packMm: away ? 0 : build.outMm,
    // Mirrored it is shaped before it is known how long it is.
    corners: away || build.mirrored ? null : cornersAt(p.room, wall.id, build.offsetMm),
    sides: away || build.mirrored ? null : sidesAt(p.room, wall.id, { alongMm: build.offsetMm, outMm: build.outMm }),
    heightMm: Math.min(space.heightMm, ceilingMm),
    lengthMm: turned && line ? acrossMm(o, line, build) : space.lengthMm,
    depthMm: turned ? Math.max(space.depthMm, 1200) : away ? Math.max(depthMm, 1200) : depthMm,
    prepared: reached(space.prepared, build, away),
    ...(away ? { construction: { kind: 'thin' as const }, studsMm: [] } : {}),
  }
}

/** Where a turned build keeps clear of the wall beside it, the way out is looked at this far along too, mm. */
const TURNED_DEEP_MM = 100
/**
 * How long what is turned may be: across the room to the wall it meets, whatever else stands at its own wall; as far as
 * its own wall is long where nobody has measured another one.
 */
function acrossMm(o: Outline, line: WallLine, { offsetMm, outMm }: Build): number {
  const far = Math.min(...[1, TURNED_DEEP_MM].map((mm) => straightOutMm(o, line, offsetMm + mm)))
  return Math.max(line.wall.depthMm, Number.isFinite(far) ? far - outMm : line.wall.lengthMm)
}

/** What a build can be fixed to of what is prepared: turned it meets nothing of it, away from its wall only the ceiling's. */
const reached = (list: FreeSpace['prepared'], { turn, outMm }: Build, away: boolean) =>
  turn === 0 ? preparedFrom(list, { outMm }).filter((p) => p.on === 'ceiling' || !away) : []

/** What a build stands on: the other build, its flat top in that one's own frame, and how high over the floor it is. */
export interface Base {
  lower: Build
  top: FlatTop
  highMm: number
}

/** On less of a top nothing is set, mm. Product decision. */
const LEAST_TOP_MM = 50

/** What a build stands on, and what that stands on, down to the floor; ends where one is on itself. */
export function chainBelow(p: Project, build: Build): Build[] {
  const chain: Build[] = []
  for (let at = build; at.standsOn !== null; at = chain[chain.length - 1]) {
    const lower = p.builds.find((b) => b.id === at.standsOn)
    if (!lower || chain.includes(lower)) break
    chain.push(lower)
  }
  return chain
}

/**
 * What a build that stands on another stands on; null on the floor, or hung.
 * @returns a problem where that other is gone, stands elsewhere or otherwise, has no flat top, or stands on this one
 */
export function baseOf(p: Project, build: Build, prices = priceBook(p)): Result<Base | null> {
  if (build.standsOn === null) return good(null)
  const chain = chainBelow(p, build)
  const lower = chain.length > 0 ? upgraded(chain[0]) : undefined
  const family = lower && findFamily(lower.family)
  if (!lower || !family) return bad('stands-on-nothing')
  const last = chain[chain.length - 1]
  if (chain.some((b) => b.id === build.id) || chain.some((b) => b.id === last.standsOn))
    return bad('stands-on-itself', { name: lower.name })
  if (lower.wallId !== build.wallId || lower.turn !== 0 || build.turn !== 0)
    return bad('stands-on-turned', { name: lower.name })
  if (isHung(build)) return bad('hangs-and-stands', { name: lower.name })
  const below = baseOf(p, lower, prices)
  if (!below.ok) return below
  const ctx = contextOf(p, lower, prices, [])
  const shaped = ctx && shapeInPlace(family, lower, ctx)
  if (!shaped?.ok) return bad('stands-on-nothing')
  const top = flatTop(settled(shaped.value.assembly).built)
  if (!top) return bad('no-flat-top', { name: lower.name })
  const { max } = top.box
  const left = [max[0] - (build.offsetMm - lower.offsetMm), max[1] - (build.outMm - lower.outMm)]
  if (Math.min(...left) < LEAST_TOP_MM) return bad('stands-past', { name: lower.name })
  return good({ lower, top, highMm: (below.value?.highMm ?? 0) + max[2] })
}

/** The space on another build: no wider and no deeper than its top, and under the ceiling above that. */
function spaceOn(space: FreeSpace, build: Build, { lower, top: { box }, highMm }: Base): FreeSpace {
  const [along, out] = [build.offsetMm - lower.offsetMm, build.outMm - lower.outMm]
  return {
    ...space,
    lengthMm: Math.min(space.lengthMm, box.max[0] - along),
    depthMm: Math.min(space.depthMm, box.max[1] - out),
    heightMm: Math.max(1, space.heightMm - highMm),
    ceilingMm: Math.max(1, space.ceilingMm - highMm),
    floor: 'top',
    floorFall: LEVEL,
    sides: null,
    construction: fromHigher(space.construction, highMm),
    prepared: preparedFrom(space.prepared, { upMm: highMm }),
    obstacles: space.obstacles.map((o) => ({ ...o, footMm: o.footMm - highMm, headMm: o.headMm - highMm })),
  }
}

/** What a family shapes to, and what stands on the build where it is: found with the place it had. */
export interface BuildContext extends ShapeContext {
  carries?: { at: Build; uppers: readonly BuildReading[] }
}

export const standingOn = (p: Project, build: Build): Build[] =>
  p.builds.filter((u) => u.standsOn === build.id && u.id !== build.id)

/** Builds that stand on one, as they are. */
const uppersOf = (p: Project, build: Build, prices: readonly PriceLine[]): BuildReading[] =>
  readingsOf(standingOn(p, build).map((u) => readBuild(p, u, [...prices])))

/**
 * What a build is shaped to: its goods that are still kept, its space up to the next build on the wall, and what stands
 * on it.
 */
export function contextOf(
  p: Project,
  build: Build,
  prices = priceBook(p),
  uppers: readonly BuildReading[] = uppersOf(p, build, prices),
): BuildContext | null {
  const base = baseOf(p, build, prices)
  const own = spaceOf(p, build)
  const space = own && base.ok && base.value ? spaceOn(own, build, base.value) : own
  if (!space) return null
  const goods = build.goods.flatMap(({ goodsId, count }) => {
    const item = p.goods.find((g) => g.id === goodsId && g.decision === 'keep')
    return item ? [{ item, count: Math.min(count, placesOf(item)) }] : []
  })
  const { outline: o, floor } = roomPlan(p.room)
  const line = o.walls.find((w) => w.wall.id === build.wallId)
  const at = p.builds.find((b) => b.id === build.id) ?? build
  return {
    ...(uppers.length > 0 ? { carries: { at, uppers } } : {}),
    goods,
    space,
    settings: p.settings,
    boards: boardsOf(prices, p.settings.yard),
    ...(floor && line && build.turn === 0 && build.standsOn === null
      ? {
          fallUnder: (wide: number, deep: number) =>
            fallUnder(floor, line, { alongMm: build.offsetMm, outMm: build.outMm }, wide, deep),
        }
      : {}),
    ...(line && build.turn !== 0
      ? {
          joistsUnder: (wideMm: number, deepMm: number) => {
            const straight = joistsOver(p.room, o, line, { alongMm: build.offsetMm, outMm: build.outMm })
            return straight && turnedJoists(straight, build.turn, { wideMm, deepMm })
          },
        }
      : {}),
  }
}

/** How a build is read beside its project: letters of its pieces, what stands on it, and how far it is judged. */
interface ReadOptions {
  pen?: LetterPen
  uppers?: readonly BuildReading[]
  look?: Look
}

/** What a build is shaped with; or why it cannot be. */
function begun(p: Project, build: Build, prices: PriceLine[], uppers?: readonly BuildReading[]) {
  const family = findFamily(build.family)
  if (!family) return bad('no-such-family', { family: build.family })
  if (build.paramsVersion > family.version) return bad('newer-build', { version: build.paramsVersion })
  const base = baseOf(p, build, prices)
  if (!base.ok) return base
  const ctx = contextOf(p, build, prices, uppers)
  return ctx ? good({ family, base: base.value, ctx }) : bad('no-such-wall')
}

/** Why a build cannot be shaped as it is; null when it can. Nothing of it is judged. */
export function shapeProblem(p: Project, given: Build): Problem | null {
  const build = upgraded(given)
  const first = begun(p, build, priceBook(p))
  if (!first.ok) return first.problem
  const shaped = shapeInPlace(first.value.family, build, first.value.ctx)
  return shaped.ok ? null : shaped.problem
}

/**
 * Reads one build: shape, load path, checks, parts and steps. Pure and quick: called on every change. Judged only as it
 * is drawn it is not proven.
 */
export function readBuild(
  p: Project,
  given: Build,
  prices = priceBook(p),
  { pen, uppers, look = 'everywhere' }: ReadOptions = {},
): BuildOutcome {
  const build = upgraded(given)
  const first = begun(p, build, prices, uppers)
  if (!first.ok) return { ok: false, build, problem: first.problem }
  const { family, base, ctx } = first.value
  const outcome = readWith(family, build, ctx, pen, look)
  if (!outcome.ok) return outcome
  const { reading } = outcome
  const unread = standingOn(p, build).filter((u) => !ctx.carries?.uppers.some((r) => r.build.id === u.id))
  const more = [
    ...(base ? [standsOnTop(standingOf(reading), base.lower, base.top)] : []),
    ...unread.map(carriesUnread),
    ...(look === 'as-drawn' ? [notYetEverywhere] : []),
  ]
  if (more.length === 0) return outcome
  const checks = [...reading.checks, ...more]
  const set = base && {
    liftMm: base.highMm,
    steps: withSetOn(reading.steps, base.lower, reading.shaped.assembly),
  }
  return { ok: true, reading: { ...reading, ...set, checks, verdict: verdict(checks) } }
}

/** While something is dragged nobody looks at the goods where they do worst: until then nothing is proven. */
const notYetEverywhere: CheckResult = plain({
  check: 'arranged',
  link: 'whole',
  code: 'unknown-arranged',
  quantity: 'count',
  subject: 'build',
  state: 'unknown',
})

const standingOf = ({ build, shaped, most, service }: BuildReading): Standing => ({
  build,
  assembly: shaped.assembly,
  most,
  weighed: service.notWeighed.length === 0,
})

/** Set on what it stands on before it is levelled, tied or loaded. */
function withSetOn(steps: readonly Step[], lower: Build, a: Assembly): Step[] {
  const feet = partFeet(a).map((s) => s.from.part)
  const step: Step = {
    id: 'set-on',
    code: 'set-on',
    data: { name: lower.name },
    parts: [],
    on: [...new Set(feet)],
    cautions: ['lift-two', 'top-heavy'],
    hold: { code: 'set-on-flush' },
  }
  const at = steps.findIndex((s) => ['level', 'tie'].includes(s.id) || s.code.startsWith('load-'))
  return at < 0 ? [...steps, step] : [...steps.slice(0, at), step, ...steps.slice(at)]
}

/** A build as it stands, its places as large as its things are in use, its things in them as they are at rest. */
export function shapeInPlace(family: AnyFamily, build: Build, ctx: ShapeContext): Result<Shaped> {
  const goods = ctx.goods.map((g) => ({ ...g, item: asUsed(g.item) }))
  if (goods.every((g, i) => g.item === ctx.goods[i].item)) return shapeOnFloor(family, build, ctx)
  const shaped = shapeOnFloor(family, build, { ...ctx, goods })
  if (!shaped.ok) return shaped
  const byId = (list: ShapeContext['goods']) => new Map(list.map((g) => [g.item.id, g.item]))
  return good({ ...shaped.value, assembly: atRest(shaped.value.assembly, byId(ctx.goods), byId(goods)) })
}

/**
 * Its feet follow the floor, and mirrored it meets the studs that are really behind it. Its size does not depend on
 * either.
 */
function shapeOnFloor(family: AnyFamily, build: Build, ctx: ShapeContext): Result<Shaped> {
  const first = family.shape(build.params, ctx)
  if (!first.ok || (!build.mirrored && !ctx.fallUnder)) return first
  const { max } = wholeBox(partBoxes(first.value.assembly))
  const space: FreeSpace = { ...ctx.space, floorFall: ctx.fallUnder?.(max[0], max[1]) ?? LEVEL }
  if (!build.mirrored) return family.shape(build.params, { ...ctx, space })
  const shaped = family.shape(build.params, {
    ...{ ...ctx, space: mirroredSpace(space, max[0]) },
    ...(ctx.joistsUnder
      ? { joistsUnder: (wide: number, deep: number) => mirroredJoists(ctx.joistsUnder!(wide, deep), wide) }
      : {}),
  })
  if (!shaped.ok) return shaped
  // What is dragged along the wall runs the other way.
  const dims = shaped.value.dims.map((d) =>
    d.drag?.axis === 'x' ? { ...d, drag: { ...d.drag, sign: -d.drag.sign as 1 | -1 } } : d,
  )
  return good({ ...shaped.value, dims, assembly: mirrorAssembly(shaped.value.assembly, max[0]) })
}

/** The space of a build that is shaped: what is over one that is turned depends on its size. */
function spaceRound(ctx: ShapeContext, assembly: Assembly): FreeSpace {
  if (!ctx.joistsUnder) return ctx.space
  const { max } = wholeBox(partBoxes(assembly))
  return { ...ctx.space, joists: ctx.joistsUnder(max[0], max[1]) }
}

/** A build shaped where it stands, with what stands on it and all that judges it. */
function shapedToJudge(family: AnyFamily, build: Build, ctx: BuildContext, pen?: LetterPen) {
  const shaped = shapeInPlace(family, build, ctx)
  if (!shaped.ok) return shaped
  const { unhoused } = shaped.value
  const { built: assembly, temporary } = settled(shaped.value.assembly)
  const groups = alike(assembly, pen)
  const goods = new Map(ctx.goods.map((g) => [g.item.id, g.item]))
  const { carries } = ctx
  const carried = carries ? burdened(assembly, carries.at, carries.uppers.map(standingOf)) : assembly
  const given = { settings: ctx.settings, space: spaceRound(ctx, assembly), goods, unhoused, alike: groups }
  return good({ shaped: shaped.value, assembly, temporary, groups, goods, carried, given })
}

/** What one check says of a build as it is drawn; null where it cannot be shaped. */
export function glanceAt(family: AnyFamily, build: Build, ctx: BuildContext, check: string): CheckResult[] | null {
  const begun = shapedToJudge(family, build, ctx)
  return begun.ok ? glance(begun.value.carried, begun.value.given, check) : null
}

export function readWith(
  family: AnyFamily,
  build: Build,
  ctx: BuildContext,
  pen?: LetterPen,
  look: Look = 'everywhere',
): BuildOutcome {
  const begun = shapedToJudge(family, build, ctx, pen)
  if (!begun.ok) return { ok: false, build, problem: begun.problem }
  const { shaped, assembly, temporary, groups, goods, carried, given } = begun.value
  const judged = judge(carried, given, look)
  return {
    ok: true,
    reading: {
      build,
      shaped: { ...shaped, assembly },
      temporary,
      carried,
      liftMm: 0,
      space: given.space,
      groups,
      labels: labels(groups),
      ...judged,
      verdict: verdict(judged.checks),
      pieces: pieceLines(build.id, groups),
      steps: withCautions(family.steps(build.params, shaped), assembly, ctx.space.packMm),
      massKg: assembly.parts.reduce((m, x) => m + partMassKg(x), 0),
      goods,
    },
  }
}

/** Steps that fix something to bolts or blocking say so, and those that fix to a wall the build is packed out from. */
function withCautions(steps: readonly Step[], { anchors }: Assembly, packMm: number): Step[] {
  const idsOf = (list: Assembly['anchors']) => new Set(list.map((x) => x.id))
  const [prepared, packed] = [
    idsOf(anchors.filter((x) => x.prepared)),
    idsOf(anchors.filter((x) => packMm > 0 && drivenAlong(x) === 1)),
  ]
  const fixes = (s: Step, ids: ReadonlySet<string>) => s.anchors?.some((id) => ids.has(id)) ?? false
  return steps.map((s) => {
    const more = [...(fixes(s, prepared) ? ['to-prepared'] : []), ...(fixes(s, packed) ? ['packers'] : [])]
    return more.length > 0 ? { ...s, cautions: [...s.cautions, ...more] } : s
  })
}

export const readingsOf = (outcomes: readonly BuildOutcome[]): BuildReading[] =>
  outcomes.flatMap((o) => (o.ok ? [o.reading] : []))
