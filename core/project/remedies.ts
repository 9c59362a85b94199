import { ONLY_MET } from '../clearance/conflicts.ts'
import type { CheckResult } from '../checks/check.ts'
import { isHardWorked, isTrouble } from '../checks/verdict.ts'
import type { Lever } from '../families/family.ts'
import type { Goods } from '../goods/goods.ts'
import type { Feature } from '../room/features.ts'
import { unitsOf } from '../assembly/settings.ts'
import { withValue } from '../families/params.ts'
import { findFamily } from '../families/registry.ts'
import { roundUp } from '../measure/rounding.ts'
import type { Units } from '../measure/units.ts'
import type { Build, Project } from './project.ts'
import { shiftsOntoStuds } from '../room/onto-studs.ts'
import { obstacleMoves } from './move-obstacle.ts'
import { procure } from './plan.ts'
import { contextOf, glanceAt, readingsOf, readWith, roomPlan, type BuildReading } from './read-build.ts'
import { readAlone, type KeptReadings } from './read-builds.ts'
import { checksInRoom, inReach, surroundingsOf, withRoom } from './room-checks.ts'

/** A change after which a failing link holds, and what it costs. */
export interface Remedy {
  changes: { code: string; data: Record<string, number | string> }[]
  build: Build
  /** What of the room is moved instead of the build. */
  feature?: Feature
  /** What is packed otherwise, and how many of it there are then. */
  goods?: Goods
  /** Against the build as it is: money, its own mass, and how many things lose or gain their place. */
  deltaMinor: number
  deltaKg: number
  deltaHoused: number
  /** Everything else holds too once it is made. */
  allHold: boolean
}

export interface RemedyOptions {
  /** Readings of the build the search may take. */
  budget?: number
  most?: number
  /**
   * For a search that has many builds to look at: one change only, fewer goods only where none helps, and the first few
   * that help will do.
   */
  quick?: boolean
  /** What is in the way may be moved too. */
  obstacles?: boolean
  /** Readings of the other builds, where several searches share them. */
  kept?: KeptReadings
}

/** Readings the last resort may always take. */
const [LEAST_LEFT, LEAST_QUICK] = [40, 15]
/** Changes that help, of which the cheapest is taken in a hurry. */
const ENOUGH = 2

/** Checks that a tie to a neighbour can mend. */
const STANDING = new Set(['tip-over', 'slenderness', 'sway', 'earthquake'])

const housed = (r: BuildReading) => r.shaped.assembly.bays.reduce((n, b) => n + b.items.length, 0)
const troubles = (checks: readonly CheckResult[]) => checks.filter(isTrouble).length

/**
 * Searches a family's levers, one change and then two, for what makes a troubled check hold without breaking another
 * that held. The last resort, fewer goods, is always looked for. Bounded by a count of readings, deterministic,
 * cheapest first.
 * @param checkId id of the result in the build's reading
 */
export function remedies(p: Project, build: Build, checkId: string, o: RemedyOptions = {}): Remedy[] {
  const family = findFamily(build.family)
  const ctx = contextOf(p, build)
  if (!family || !ctx) return []
  const base = readWith(family, build, ctx)
  if (!base.ok) return []
  const round = surroundingsOf(p, roomPlan(p.room).outline, readingsOf(readAlone(p, o.kept)))
  const inRoom = checksInRoom(round, base.reading)
  /** What holds of a reading in the room, apart from what is only read there. */
  const alone = (r: BuildReading, room: readonly CheckResult[]) =>
    withRoom(r.checks, room).filter((c) => !room.includes(c))
  const target = withRoom(base.reading.checks, inRoom).find((c) => c.id === checkId)
  if (!target || (!isTrouble(target) && !isHardWorked(target))) return []
  // What nobody weighed is weighed: leaving it out is no remedy.
  if (target.code === 'unknown-not-weighed') return []
  const kind = target.check
  // A link that works hard is eased when nothing of its kind works hard any more.
  const stillBad = (x: CheckResult) => isTrouble(x) || (!isTrouble(target) && isHardWorked(x))
  /** The very trouble that is to be mended. */
  const isTheSame = (x: CheckResult) =>
    x.check === kind && stillBad(x) && x.code === target.code && x.data.role === target.data.role
  const minor = (r: BuildReading) => procure(p, [r]).bill.totalMinor
  const before = {
    minor: minor(base.reading),
    kg: base.reading.massKg,
    housed: housed(base.reading),
    fails: troubles(alone(base.reading, inRoom)),
    roomFails: troubles(inRoom),
  }
  let left = o.budget ?? 110
  const found: Remedy[] = []

  const tryBuild = (changed: Build, changes: Remedy['changes']): Remedy | null => {
    if (left-- <= 0) return null
    const same = changed.goods === build.goods && changed.offsetMm === build.offsetMm && changed.outMm === build.outMm
    const c = same ? ctx : contextOf(p, changed)
    // What is tied to a neighbour is only known in the room, where results take the place of those read alone.
    const isRoom = inRoom.includes(target) || changed.tiedTo !== build.tiedTo
    // What is as bad with the goods as they are drawn is so wherever they stand: most changes end here.
    if (c && !isRoom && (glanceAt(family, changed, c, kind)?.some(isTheSame) ?? true)) return null
    const r = c && readWith(family, changed, c)
    if (!r?.ok) return null
    // Letters move when parts change: the whole kind of check must come clean, or at least this one without new trouble
    // elsewhere.
    const roomOf = () => checksInRoom(round, r.reading, ONLY_MET)
    const room = isRoom ? roomOf() : null
    const checks = room ? (inRoom.includes(target) ? room : withRoom(r.reading.checks, room)) : r.reading.checks
    const [now, was] = [
      troubles(checks),
      inRoom.includes(target) ? before.roomFails : room ? before.fails + before.roomFails : before.fails,
    ]
    const sameKind = checks.filter((x) => x.check === kind && stillBad(x))
    const cured = sameKind.length === 0 || (now < was && !sameKind.some(isTheSame))
    if (!cured || (isTrouble(target) ? now >= was : now > was)) return null
    // What it costs elsewhere: nothing that held by itself or in the room may fail for it.
    const other = room ? (inRoom.includes(target) ? troubles(alone(r.reading, room)) : 0) : troubles(roomOf())
    if (other > (room ? before.fails : before.roomFails)) return null
    return {
      changes,
      build: changed,
      deltaMinor: minor(r.reading) - before.minor,
      deltaKg: r.reading.massKg - before.kg,
      deltaHoused: housed(r.reading) - before.housed,
      allHold: now + other === 0,
    }
  }
  const keep = (r: Remedy | null) => r && found.push(r)
  const change = (l: Lever<unknown>) => ({ code: l.code, data: l.data ?? {} })
  const withParams = (l: Lever<unknown>): Build => ({ ...build, params: l.params as Build['params'] })

  if (STANDING.has(kind))
    for (const o of inReach(round, base.reading))
      if (!build.tiedTo.includes(o.id))
        keep(
          tryBuild({ ...build, tiedTo: [...build.tiedTo, o.id] }, [{ code: 'tie-neighbour', data: { name: o.name } }]),
        )
  if (o.obstacles)
    for (const m of obstacleMoves(round, base.reading, target))
      found.push({
        changes: [{ code: 'move-feature', data: { kind: m.feature.kind, name: m.feature.name, mm: m.mm, way: m.way } }],
        build,
        feature: m.feature,
        deltaMinor: 0,
        deltaKg: 0,
        deltaHoused: 0,
        allHold: m.allHold && before.fails === 0,
      })
  // What stands on it would be left behind.
  const stands = STANDING.has(kind)
  for (const m of ctx.carries ? [] : [...named(target), ...(stands ? ontoStuds(p.room, base.reading) : [])])
    keep(tryBuild(moved(build, m), [told(m)]))
  for (const l of longer(base.reading, target, unitsOf(p.settings)))
    keep(tryBuild({ ...build, params: l.params }, [l.change]))
  // Narrower than the studs stand apart it finds no two wherever it is moved.
  for (const l of stands && found.length === 0 && !ctx.carries ? oneMore(base.reading) : []) {
    const wider = { ...build, params: l.params }
    const r = readWith(family, wider, ctx, undefined, 'as-drawn')
    keep(tryBuild(wider, [l.change]))
    for (const m of r.ok ? ontoStuds(p.room, r.reading) : []) keep(tryBuild(moved(wider, m), [l.change, told(m)]))
  }
  const levers = family.levers(build.params, ctx)
  for (const l of levers) {
    if (o.quick && found.filter((r) => r.deltaHoused >= 0).length >= ENOUGH) break
    keep(tryBuild(withParams(l), [change(l)]))
  }
  if (found.length === 0 && !o.quick)
    for (const first of levers)
      for (const second of family.levers(first.params, ctx))
        if (second.code !== first.code) keep(tryBuild(withParams(second), [change(first), change(second)]))
  const keepsAll = () => found.some((r) => r.deltaHoused >= 0)
  if (!o.quick || !keepsAll()) {
    left = Math.max(left, o.quick ? LEAST_QUICK : LEAST_LEFT)
    keep(fewerGoods(build, ctx.goods, base.reading, target, tryBuild))
  }

  const seen = new Set<string>()
  return found
    .sort(
      (a, b) =>
        Number(b.allHold) - Number(a.allHold) ||
        (a.deltaHoused < 0 ? 1 : 0) - (b.deltaHoused < 0 ? 1 : 0) ||
        // What is moved in the room costs somebody's work that nobody has priced.
        Number(a.feature !== undefined) - Number(b.feature !== undefined) ||
        a.deltaMinor - b.deltaMinor ||
        a.changes.length - b.changes.length,
    )
    .filter((r) => {
      const key = JSON.stringify([r.build, r.feature])
      return seen.has(key) ? false : Boolean(seen.add(key))
    })
    .slice(0, o.most ?? 6)
}

interface Move {
  mm: number
  way: string
}
/** The moves a conflict itself named: the smallest that ends it, and the one that ends all. */
function named({ data: { moveMm, moveWay, clearMm, clearWay } }: CheckResult): Move[] {
  return [
    [moveMm, moveWay],
    [clearMm, clearWay],
  ].flatMap(([mm, way]) => (typeof mm === 'number' && mm > 0 ? [{ mm, way: String(way) }] : []))
}
const told = ({ mm, way }: Move) => ({ code: 'move', data: { mm, way } })
export function moved(build: Build, { mm, way }: Move): Build {
  const along = way === 'left' ? -mm : way === 'right' ? mm : 0
  const out = way === 'out' ? mm : way === 'back' ? -mm : 0
  return { ...build, offsetMm: Math.max(0, build.offsetMm + along), outMm: Math.max(0, build.outMm + out) }
}

/** What stands along a wall without two studs behind it is moved to where there are two. */
export function ontoStuds({ walls }: Project['room'], { build, boxes }: BuildReading): Move[] {
  const wall = walls.find((w) => w.id === build.wallId)
  if (wall?.construction.kind !== 'studs' || build.turn !== 0 || build.standsOn !== null) return []
  const all = [...boxes.values()]
  const from = build.offsetMm + Math.min(...all.map((b) => b.min[0]))
  const to = build.offsetMm + Math.max(...all.map((b) => b.max[0]))
  const shifts = shiftsOntoStuds(wall, from, to)
  return (['left', 'right'] as const).flatMap((way) => {
    const mm = Math.ceil(shifts[way] ?? 0)
    return mm > 0 ? [{ mm, way }] : []
  })
}

/** Dimensions by which a build is made longer along its wall, and counts of what it has side by side. */
const LENGTHS = ['lengthMm', 'clearMm']
const SIDE_BY_SIDE = ['bays', 'columns']

interface Longer {
  params: Build['params']
  change: Remedy['changes'][number]
}
/** As much longer as a check says it must be, or by one bay. */
function longer(r: BuildReading, target: CheckResult, units: Units): Longer[] {
  const mm = target.data.longerMm
  if (typeof mm !== 'number' || mm <= 0) return []
  const dimOf = (paths: readonly string[]) => r.shaped.dims.find((d) => paths.includes(d.path))
  const length = dimOf(LENGTHS)
  const to = length ? roundUp(length.value + mm, units) : 0
  const changed = (path: string, value: number) => withValue(r.build.params, path, value)
  return [
    ...(length
      ? [{ params: changed(length.path, to), change: { code: 'longer', data: { mm: to - length.value } } }]
      : []),
    ...oneMore(r),
  ]
}
/** One bay or column more beside those it has. */
function oneMore(r: BuildReading): Longer[] {
  const count = r.shaped.dims.find((d) => SIDE_BY_SIDE.includes(d.path))
  if (!count) return []
  return [{ params: withValue(r.build.params, count.path, count.value + 1), change: { code: 'one-more', data: {} } }]
}

type Stored = { item: { id: string; name: string; massKg: number | null }; count: number }[]
type Attempt = (b: Build, changes: Remedy['changes']) => Remedy | null

/** Takes out what has no place, and nothing else. */
function withoutThese(
  build: Build,
  goods: Stored,
  out: BuildReading['shaped']['unhoused'],
  attempt: Attempt,
): Remedy | null {
  const left = goods.map(({ item, count }) => {
    const none = out.filter((u) => u.goodsId === item.id).reduce((n, u) => n + u.count, 0)
    return { item, out: Math.min(none, count), keep: Math.max(0, count - none) }
  })
  const changes = left
    .filter((x) => x.out > 0)
    .map((x) => ({ code: 'carry-less', data: { goods: x.item.name, out: x.out, keep: x.keep } }))
  const stays = left.filter((x) => x.keep > 0).map((x) => ({ goodsId: x.item.id, count: x.keep }))
  return attempt({ ...build, goods: stays }, changes)
}

/**
 * Takes goods out, the named or heaviest kind first, in halving steps, until the check comes clean: the most that may
 * stay.
 */
function fewerGoods(
  build: Build,
  goods: Stored,
  reading: BuildReading,
  target: CheckResult,
  attempt: Attempt,
): Remedy | null {
  const { unhoused: all } = reading.shaped
  const unhoused = all.find((u) => target.id.endsWith(`unhoused:${u.goodsId}`))
  // What has no place here is kept elsewhere, all of it at once.
  const allOut = unhoused && all.length > 1 ? withoutThese(build, goods, all, attempt) : null
  if (allOut) return allOut
  const order = [...goods].sort(
    (a, b) =>
      Number(b.item.id === unhoused?.goodsId) - Number(a.item.id === unhoused?.goodsId) ||
      (b.item.massKg ?? Infinity) - (a.item.massKg ?? Infinity),
  )
  const least = goods.length === 1 ? 1 : 0
  for (const g of order.slice(0, 3)) {
    const test = (keep: number) => {
      const goodsLeft = build.goods
        .map((x) => (x.goodsId === g.item.id ? { ...x, count: keep } : x))
        .filter((x) => x.count > 0)
      return attempt({ ...build, goods: goodsLeft }, [
        { code: 'carry-less', data: { goods: g.item.name, out: g.count - keep, keep } },
      ])
    }
    let best = test(least)
    if (!best) continue
    let [good, bad] = [least, g.count]
    for (let i = 0; i < 8 && bad - good > 1; i++) {
      const middle = Math.floor((bad + good) / 2)
      const r = test(middle)
      if (r) [best, good] = [r, middle]
      else bad = middle
    }
    return best
  }
  return null
}
