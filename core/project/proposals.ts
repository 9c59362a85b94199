import { placesOf } from '../goods/goods.ts'
import { wishedWay } from '../goods/ways.ts'
import { wholeBox } from '../assembly/part-box.ts'
import { withPresumed } from '../goods/presumed.ts'
import { intoCorner } from '../families/corner-line.ts'
import { allFamilies } from '../families/registry.ts'
import { hoursOf } from '../takeoff/hours.ts'
import { setAtWall } from './new-build.ts'
import type { Build, Project } from './project.ts'
import { toEnd } from './to-end.ts'
import { procure } from './plan.ts'
import { priceBook, readBuild, readingsOf, readWith, roomPlan, type BuildReading } from './read-build.ts'
import { readAlone, type KeptReadings } from './read-builds.ts'
import { besideOthers, inItsWay, mending, type Mended } from './mending.ts'
import { moved, ontoStuds } from './remedies.ts'
import { surroundingsOf, type Surroundings } from './room-checks.ts'
import type { CheckResult } from '../checks/check.ts'
import { isTrouble, verdict, type Verdict } from '../checks/verdict.ts'
import type { Problem } from '../measure/result.ts'

/** A way to hold some goods at a stretch of wall, worked out and priced. */
export interface Proposal {
  build: Build
  holds: number
  leftOut: number
  minor: number
  lengthMm: number
  hours: number
  /** Beside all else in the room. */
  verdict: Verdict['state']
  /** What it meets there, the worst of it. */
  meets: CheckResult | null
}

/** As many ways are shown at least: where kinds are fewer, their second ones. */
const SHOWN = 3
/** A build a little further along its wall, where two studs hold it and nothing else is in its way; itself where that is no better. */
function overStuds(p: Project, round: Surroundings, build: Build, reading: BuildReading) {
  const troubles = (r: BuildReading) => besideOthers(round, r).filter(isTrouble).length
  const [on] = ontoStuds(p.room, reading).filter((m) => m.way === 'right')
  const there = on && moved(build, on)
  const read = there && readBuild(p, there)
  return read?.ok && troubles(read.reading) < troubles(reading)
    ? { build: there!, reading: read.reading }
    : { build, reading }
}
const roundOf = (p: Project, kept?: KeptReadings): Surroundings =>
  surroundingsOf(p, roomPlan(p.room).outline, readingsOf(readAlone(p, kept)))

/** On less of a wall nothing is begun, mm. Product decision. */
const LEAST_WALL_MM = 100

/** A build somebody began themselves; its problem, where it cannot stand there; what was changed so that it holds. */
export interface Begun {
  build: Build
  problem: Problem | null
  changes: Mended['changes']
  /** What is known of it in its room, with what things really weigh; unknown where nobody weighed them. */
  state: Verdict['state']
}

/**
 * A build of a kind somebody chose themselves, all tacked, for some goods at a place; null where the wall is none. It need
 * not hold, nor take all of them.
 */
export function startOf(
  p: Project,
  kind: string,
  given: Pick<Build, 'id' | 'wallId' | 'offsetMm' | 'goods'>,
): { build: Build; problem: Problem | null } | null {
  const family = allFamilies().find((f) => f.id === kind)
  const set = family && setAtWall(p, family, given)
  if (!set) return null
  const build = { ...set.bare, params: family.start(set.ctx) as Build['params'] }
  const wall = p.room.walls.find((w) => w.id === given.wallId)!
  if (given.offsetMm > wall.lengthMm - LEAST_WALL_MM) {
    const data = { mm: given.offsetMm, wallMm: wall.lengthMm }
    return { build, problem: { code: 'past-wall', field: 'offsetMm', data } }
  }
  const r = readBuild(p, build)
  // What belongs in a corner is begun there.
  const byMm = r.ok ? null : intoCorner(r.problem)
  if (byMm !== null) {
    const moved = { ...build, offsetMm: Math.max(0, build.offsetMm + byMm) }
    if (readBuild(p, moved).ok) return { build: moved, problem: null }
  }
  return r.ok
    ? { build: overStuds(p, roundOf(p), build, r.reading).build, problem: null }
    : { build, problem: r.problem }
}

/** Changes made to what somebody began themselves before it is theirs to change. Product decision. */
const OWN_REPAIRS = { most: 5, dearerBy: 0.5 }

/**
 * What `startOf` begins, made to hold where a change does that keeps it there with all it holds; told after each, for
 * somebody who would rather have it as it is by then.
 */
export function* beginning(
  given: Project,
  kind: string,
  at: Pick<Build, 'id' | 'wallId' | 'offsetMm' | 'goods'>,
): Generator<Begun | null, Begun | null> {
  const p = { ...given, goods: withPresumed(given.goods) }
  const begun = startOf(p, kind, at)
  const read = begun && !begun.problem && readBuild(p, begun.build)
  if (!read || !read.ok) return begun && { ...begun, changes: [], state: 'unknown' }
  const first = { build: begun.build, reading: read.reading }
  const kept: KeptReadings = new Map()
  const round = roundOf(p, kept)
  const stateOf = (build: Build): Verdict['state'] => {
    const r = readBuild(given, build)
    return r.ok ? verdict(besideOthers(round, r.reading)).state : 'unknown'
  }
  const told = ({ build, changes }: Mended): Begun => ({ build, changes, problem: null, state: stateOf(build) })
  let now = told({ ...first, changes: [] })
  yield now
  for (const so of mending(p, round, first, { ...OWN_REPAIRS, kept })) yield (now = told(so))
  return now
}

/** Goods kept that no build holds yet. */
export function withoutHome(p: Project): { goodsId: string; count: number }[] {
  const placed = new Map<string, number>()
  for (const b of p.builds) for (const g of b.goods) placed.set(g.goodsId, (placed.get(g.goodsId) ?? 0) + g.count)
  return p.goods
    .filter((g) => g.decision === 'keep')
    .map((g) => ({ goodsId: g.id, count: placesOf(g) - (placed.get(g.id) ?? 0) }))
    .filter((g) => g.count > 0)
}

/** Changes made to a proposal before it is shown: what it would be told to do at once. */
const REPAIRS = 3
/** First guesses of one kind that are made to hold, when the first of them cannot be. */
const TRIES = 2

/** Ways found so far, and whether some are still being made to hold. */
export interface Proposing {
  found: Proposal[]
  /** Kinds whose best way does not hold and is still worked at. */
  open: number
}

/** What only meets something in the room no change of its own makes hold. */
const mayBeMended = (x: Proposal) => x.verdict === 'fails' && !x.meets
const trouble = (x: Proposal) => Number(x.verdict === 'fails') + Number(x.verdict === 'unknown')
/** What leaves least out, then what holds, then what costs least. */
const better = (a: Proposal, b: Proposal) => a.leftOut - b.leftOut || trouble(a) - trouble(b) || a.minor - b.minor

/**
 * Ways to hold some goods at a stretch of wall, told as they come: first a look at every kind as it is tacked, then each
 * time that the best of a kind was made to hold. Only what is shown is worked at. The best of each kind, the best of
 * them first; where some hold, what does not is left out at the end.
 */
export function* proposing(
  given: Project,
  wallId: string,
  offsetMm: number,
  goods: Build['goods'],
  id: string,
): Generator<Proposing, Proposal[]> {
  // What nobody has weighed is reckoned with as it is presumed to weigh: sized for nothing it would have to be built anew.
  const p = { ...given, goods: withPresumed(given.goods) }
  const prices = priceBook(p)
  const wanted = goods.reduce((n, g) => n + g.count, 0)
  const kept: KeptReadings = new Map()
  const round = roundOf(p, kept)
  const weigh = (build: Build, r: BuildReading): Proposal => {
    const given = build.goods.reduce((n, g) => n + g.count, 0)
    const holds = given - r.shaped.unhoused.reduce((n, u) => n + u.count, 0)
    return {
      build,
      holds,
      leftOut: wanted - holds,
      minor: procure(p, [r]).bill.totalMinor,
      lengthMm: wholeBox(r.boxes).max[0],
      hours: hoursOf(r.shaped.assembly, r.steps.length),
      verdict: verdict(besideOthers(round, r)).state,
      meets: inItsWay(round, r),
    }
  }
  /** A first guess made to hold. */
  const repaired = (way: Proposal): Proposal => {
    const read = readBuild(p, way.build, prices)
    if (!read.ok || !mayBeMended(way)) return way
    const { build, reading } = toEnd(
      mending(p, round, { build: way.build, reading: read.reading }, { most: REPAIRS, kept }),
    )
    return weigh(build, reading)
  }

  const kinds = allFamilies().map((family) => {
    // What it is nothing for it is not asked to take.
    const suited = goods.filter((b) => p.goods.some((g) => g.id === b.goodsId && wishedWay(family, g) !== null))
    const at = { id, wallId, offsetMm, goods: suited }
    const set = suited.length > 0 ? setAtWall(p, family, at, prices) : null
    const tacked = set ? family.propose(set.ctx) : []
    return tacked
      .flatMap((params): Proposal[] => {
        const build: Build = { ...set!.bare, params: params as Build['params'] }
        const r = readWith(family, build, set!.ctx)
        if (!r.ok) return []
        const over = overStuds(p, round, build, r.reading)
        return [weigh(over.build, over.reading)]
      })
      .sort(better)
  })
  const shown = (fit = (_: Proposal) => true) => {
    const fitting = kinds.map((l) => l.filter(fit))
    const best = fitting.flatMap((l) => l.slice(0, 1))
    const seconds = fitting.flatMap((l) => l.slice(1)).sort(better)
    return [...best, ...seconds.slice(0, Math.max(0, SHOWN - best.length))].sort(better)
  }
  // What two kinds do better, and hold, is not worked at.
  const holding = kinds.flatMap((l) => l.slice(0, 1)).filter((x) => trouble(x) === 0)
  const beaten = (x: Proposal) => holding.filter((h) => h.leftOut < x.leftOut).length > 1
  const toMend = kinds.flatMap((list, k) => (list[0] && mayBeMended(list[0]) && !beaten(list[0]) ? [k] : []))
  yield { found: shown(), open: toMend.length }
  for (const [done, k] of toMend.entries()) {
    for (const first of kinds[k].slice(0, TRIES)) {
      const way = repaired(first)
      kinds[k] = kinds[k].map((x) => (x === first ? way : x)).sort(better)
      if (way.verdict !== 'fails') break
    }
    yield { found: shown(), open: toMend.length - done - 1 }
  }
  const sound = [(x: Proposal) => trouble(x) === 0, (x: Proposal) => x.verdict !== 'fails'].map(shown)
  return sound.find((l) => l.length > 0) ?? shown()
}

/** All ways of `proposing`, once none is worked at any more. */
export const propose = (...given: Parameters<typeof proposing>): Proposal[] => toEnd(proposing(...given))
