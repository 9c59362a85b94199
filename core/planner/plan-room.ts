import { isTrouble } from '../checks/verdict.ts'
import type { Goods } from '../goods/goods.ts'
import { withPresumed } from '../goods/presumed.ts'
import { seeded } from '../measure/seeded.ts'
import type { Project } from '../project/project.ts'
import { withoutHome } from '../project/proposals.ts'
import { readingsOf, type BuildReading } from '../project/read-build.ts'
import { PRESUMED_RATING_N } from '../project/rating-wanted.ts'
import { readBuilds, type KeptReadings } from '../project/read-builds.ts'
import { remedies } from '../project/remedies.ts'
import { hardest } from './judged-offer.ts'
import { wantsIn, type Wants } from './help.ts'
import { RoomMarket } from './market.ts'
import type { Measures } from './measures.ts'
import { isGlued, lotWithout, type Lot, type Offer } from './offer.ts'
import {
  lookedAt,
  measuresWith,
  provenRoom,
  sameBuilds,
  type Planned,
  type PlannedRoom,
  type Planning,
} from './planned.ts'
import { LEAST_APART, leavesFarMore, SHOWN, worthShowing } from './shown.ts'
import { holdingIn, thriftier } from './thrift.ts'
import { AIMS, differ, keeping, leavesMany, Shelf, type Aim, type Plan, type Urgency } from './plans.ts'
import type { Bulk, SearchOptions } from './orders.ts'
import { isTight as isTightIn } from './tight.ts'
import { allJudged, mended, refitted, searching, withoutFailing, withRoomFor } from './search.ts'
import type { Wishes } from '../project/wishes.ts'

/** Plans that are proven for one aim before one gives up. */
const MOST_PROVEN = 3
/** So much more of the whole time may be taken to prove the plan of an aim, judging what looks best one by one. */
const PROVING = 0.2
/**
 * By these shares of the whole time one aim after the other is looked for; what is left is for plans that differ by one
 * build.
 */
const LOOKED = [0.45, 0.6, 0.75] as const
/** Where room is short what has a place matters more than what else a plan is good at. */
const LOOKED_SHORT = [0.72, 0.8, 0.88] as const
/** By this share of that no further plan is grown from nothing: those there are get better. */
const GROWN = 0.45
/** By this share of it no more plans are looked for: what is left is for less wood in the cheapest of them. */
const VARIED = 0.92
/** By this share of the time nothing is begun any more. */
const ENDING = 1.05
/** Builds that are tried in the place of another. */
const MOST_SWAPPED = 20
/** Walls that are tried for a build in the place of another. */
const WALLS_TRIED = 4
/** Times a plan has things placed again that it had no place for after all. */
const PLACED_AGAIN = 2
/** Builds of one plan that are changed for what they meet in the room. */
const MOVES = 3

/** Times something of every day without a place is tried in that of what is used less. */
const DAILY_TRIES = 4

/** How much it matters that a thing has a place: one of every day is worth some that are used less. Product decision. */
const WANTED: Record<Goods['often'], number> = { daily: 25, weekly: 1, seldom: 0.25 }
const urgencyIn = (p: Project): Urgency => {
  const of = new Map(p.goods.map((g) => [g.id, WANTED[g.often]]))
  return (id) => of.get(id) ?? 1
}

/** Litres of the box round a thing. */
const bulkIn = (p: Project): Bulk => {
  const of = new Map(p.goods.map((g) => [g.id, (g.acrossMm * g.deepMm * g.tallMm) / 1e6]))
  return (id) => of.get(id) ?? 1
}

/**
 * The project as planning sees it: everything weighs what it does, or is presumed to; anchors hold what they are rated
 * for, or are presumed to be; nothing is screwed to some walls.
 */
function asPlanned(p: Project, wishes: Wishes): Project {
  const walls = p.room.walls.map((w) =>
    wishes.noHolesIn.includes(w.id) ? { ...w, construction: { kind: 'thin' as const } } : w,
  )
  const settings = { ...p.settings, anchorRatedN: p.settings.anchorRatedN ?? PRESUMED_RATING_N }
  return { ...p, settings, goods: withPresumed(p.goods), room: { ...p.room, walls } }
}

/** Things of a build that stand beside what they are not to be beside, or too near to a flame. */
function notToBeThere({ build, checks }: BuildReading): Lot {
  const things = checks.flatMap((c) =>
    c.check === 'keeping' && c.state === 'fails' ? String(c.data.things ?? '').split(' ') : [],
  )
  return build.goods.filter((g) => things.includes(g.goodsId))
}

/** Judges a plan where it stands, and moves builds that meet something there. */
function proven(p: Project, plan: Plan): BuildReading[] {
  let builds = plan.offers.map((o) => o.build)
  const kept: KeptReadings = new Map()
  for (let i = 0; ; i++) {
    const all = { ...p, builds: [...p.builds, ...builds] }
    const own = new Set(builds.map((b) => b.id))
    const readings = readingsOf(readBuilds(all, kept)).filter((r) => own.has(r.build.id))
    // Beside the others it is shorter than it was by itself: what it has no place for is left out, and what is not to be there.
    const fewer = new Map(
      readings.flatMap((r) => {
        const out = [...r.shaped.unhoused, ...notToBeThere(r)]
        return out.length > 0 ? [[r.build.id, lotWithout(r.build.goods, out)] as const] : []
      }),
    )
    if (fewer.size > 0 && i < MOVES) {
      builds = builds
        .map((b) => (fewer.has(b.id) ? { ...b, goods: fewer.get(b.id)!.map((g) => ({ ...g })) } : b))
        .filter((b) => b.goods.length > 0)
      continue
    }
    const bad = i < MOVES && readings.find((r) => r.checks.some((c) => c.state === 'fails' && c.link === 'room'))
    const [check] = bad ? hardest(bad.checks.filter((c) => c.link === 'room')) : []
    if (!bad || !check) return readings
    const found = remedies(all, bad.build, check.id, { most: 8, quick: true, kept }).find((x) => x.deltaHoused >= 0)
    if (!found) return readings
    builds = builds.map((b) => (b.id === bad.build.id ? found.build : b))
  }
}

/** Searches plans of a room, told as they come. Each can be taken as it stands. */
class RoomPlanner implements Planned {
  readonly market: RoomMarket
  readonly shelf: Shelf
  readonly p: Project
  readonly urgency: Urgency
  private readonly bulk: Bulk
  readonly wants: Wants
  private readonly heap: Lot
  /** What no kind of build keeps: that is no sign that room is short. */
  readonly keptByNone: Lot
  private readonly proven: PlannedRoom[] = []
  private readonly aims: readonly Aim[]
  /** Plans that hold: no other that is much like one of them is shown. */
  private readonly taken: Plan[] = []
  private readonly failed: Plan[] = []
  /** Whether all the time there is has passed. */
  private isOver: () => boolean = () => false

  constructor(
    readonly given: Project,
    readonly wishes: Wishes,
    private readonly seed: number,
    turn: number,
  ) {
    this.aims = AIMS.map((_, k) => AIMS[(k + turn) % AIMS.length])
    this.p = asPlanned(given, wishes)
    this.urgency = urgencyIn(given)
    this.bulk = bulkIn(given)
    this.market = new RoomMarket(this.p, wishes)
    this.wants = wantsIn(this.p, wishes, this.market)
    this.shelf = new Shelf(this.urgency)
    const isKept = (g: Lot[number]) => this.market.kindsFor([g]).length > 0
    const all = withoutHome(this.p)
    ;[this.heap, this.keptByNone] = [all.filter(isKept), all.filter((g) => !isKept(g))]
  }

  *run(rounds: number, shouldStop: (share: number) => boolean): Generator<Planning, Planning> {
    this.isOver = () => shouldStop(ENDING)
    const random = seeded(this.seed)
    const isTight = isTightIn(this.p.room, this.heap, this.bulk, this.market.walls)
    for (const [k, aim] of this.aims.entries()) {
      const looked = () => (this.shelf.isShort() ? LOOKED_SHORT : LOOKED)
      const share = () => looked()[k]
      const part = (of: number) => {
        const begun = k === 0 ? 0 : looked()[k - 1]
        return begun + of * (share() - begun)
      }
      const { urgency, bulk } = this
      const isGrown = () => shouldStop(part(GROWN))
      const given = {
        aim,
        urgency,
        bulk,
        isTight,
        budgetMinor: this.wishes.budgetMinor,
        random,
        unlike: this.taken,
        isGrown,
      }
      // Until there is a plan that holds, one is looked for with all care.
      const hurried = { ...given, isLate: (of: number) => shouldStop(part(of)) }
      const o: SearchOptions = this.isEnough() ? hurried : given
      let told = 0
      for (const stage of searching(this.heap, this.market, this.shelf, o, Math.ceil(rounds / AIMS.length))) {
        if (stage === 'growing') yield this.state('growing')
        else if (stage !== 'round' || ++told % TOLD_EVERY === 0) yield this.state('looking')
        // One that is begun is grown to its end.
        if (stage !== 'growing' && shouldStop(share())) break
      }
      yield this.state('proving')
      yield* this.proveOne(o, () => shouldStop(share() + PROVING))
    }
    const { urgency, bulk } = this
    const o = { aim: this.aims[0], urgency, bulk, budgetMinor: this.wishes.budgetMinor, unlike: [], random }
    yield* this.varied(o, () => shouldStop(VARIED))
    // Where room is short the time was for what has a place.
    if (!this.shelf.isShort()) yield* this.withLessWood(() => shouldStop(ENDING))
    return this.state('done')
  }

  /**
   * Plans that keep what one build of a plan holds, or some of it, in another kind of build: where the search came upon
   * too few that hold, they are others all the same, and most of them is judged already.
   */
  private *varied(o: SearchOptions, isLate: () => boolean): Generator<Planning> {
    let tried = 0
    const count = (x: Offer) => x.housed.reduce((n, g) => n + g.count, 0)
    // Those that are found on the way are tried as well.
    for (const base of this.taken)
      for (const offer of [...base.offers].sort((a, b) => count(b) - count(a)))
        for (const { kind, lot } of this.otherKinds(offer)) {
          if (this.shown().length >= SHOWN || isLate()) return
          const swapped = this.swapped(base, offer, kind, lot)
          if (!swapped || this.isLike(swapped)) continue
          if (++tried > MOST_SWAPPED) return
          const judged = yield* this.allJudged(swapped, o, isLate)
          if (isLate()) return
          if (left(judged) > left(base) || this.isLike(judged)) continue
          const { plan, readings } = this.standing(judged, o)
          if (left(plan) > left(base) || this.isLike(plan)) continue
          const found = provenRoom(o.aim, this.inTheirRoom(readings), this)
          this.proven.push(found)
          if (found.measures.troubles === 0 && this.shown().includes(found)) this.taken.push(plan)
          yield this.state('proving')
        }
  }

  /** Other kinds that keep all a build holds; then those that keep some of it, what suits that best first. */
  private otherKinds({ build, housed }: Offer): { kind: string; lot: Lot }[] {
    const isOther = ({ kind }: { kind: string }) => kind !== build.family
    const all = this.market.kindsFor(housed).filter(isOther)
    const some = new Map<string, { lot: Lot[number][]; score: number }>()
    for (const g of housed)
      for (const { kind, score } of this.market.kindsFor([g]).filter(isOther)) {
        const known = some.get(kind)
        if (known) known.lot.push(g)
        some.set(kind, { lot: known?.lot ?? [g], score: Math.max(score, known?.score ?? 0) })
      }
    const parts = [...some]
      .filter(([kind]) => !all.some((x) => x.kind === kind))
      .sort(([, a], [, b]) => b.score - a.score)
      .map(([kind, { lot }]) => ({ kind, lot }))
    return [...all.map(({ kind }) => ({ kind, lot: housed })), ...parts]
  }

  /** The cheapest plan of those shown, with less wood where all of it holds so too. */
  private *withLessWood(isLate: () => boolean): Generator<Planning> {
    const [first] = this.shown()
      .filter((x) => x.measures.troubles === 0)
      .sort((a, b) => a.measures.minor - b.measures.minor)
    const standing = first && !isLate() && holdingIn(this.p, first.builds)
    if (!standing) return
    const minorOf = (r: BuildReading) => this.market.shop.rough.of(r.shaped.assembly)
    const dearest = [...standing].sort((a, b) => minorOf(b) - minorOf(a)).map((r) => r.build)
    const thrifty = thriftier(this.p, dearest, isLate)
    let step = thrifty.next()
    for (; !step.done; step = thrifty.next()) yield this.state('proving')
    const less = new Map(step.value.map((b) => [b.id, b]))
    const readings = holdingIn(
      this.p,
      first.builds.map((b) => less.get(b.id)!),
    )
    const found = readings && provenRoom(first.aim, this.inTheirRoom(readings), this)
    const allowed = found && readings.every((r) => !this.wishes.comesApart || !isGlued(r.shaped.assembly))
    if (!allowed || found.measures.troubles > 0 || found.measures.minor >= first.measures.minor) return
    this.proven.splice(this.proven.indexOf(first), 1, found)
    yield this.state('proving')
  }

  /**
   * A plan with another kind of build for some of what one holds, or in its place for all of it, at its wall or another;
   * null where none goes anywhere.
   */
  private swapped(base: Plan, offer: Offer, kind: string, lot: Lot): Plan | null {
    const others = base.offers.filter((x) => x !== offer)
    const { wallId, family } = offer.build
    const rest = lotWithout(offer.housed, lot)
    const stays = rest.length > 0 ? this.market.offer(family, wallId, rest, others) : null
    if (rest.length > 0 && !stays) return null
    const beside = stays ? [...others, stays] : others
    const walls = [wallId, ...this.market.walls.filter((w) => w !== wallId)]
    for (const at of walls.slice(0, WALLS_TRIED)) {
      const other = this.market.offer(kind, at, lot, beside)
      if (!other) continue
      const offers = [...beside, other]
      return {
        offers,
        homeless: [...base.homeless, ...lotWithout(offer.housed, [...other.housed, ...(stays?.housed ?? [])])],
      }
    }
    return null
  }

  /** Proves the best plan for an aim that is unlike those there are; where it does not hold, the next best. */
  private *proveOne(o: SearchOptions, isLate: () => boolean): Generator<Planning> {
    const { aim } = o
    const of = { aim, budgetMinor: this.wishes.budgetMinor }
    // What is judged already is soon proven: late, and where nothing is promised to keep more.
    const best = () => {
      const [judged, any] = [this.shelf.best(of, no, true), this.shelf.best(of, no)]
      const isEnough = judged && (isLate() || judged.measures.homeless <= any!.measures.homeless)
      return (isEnough ? judged : any)?.plan
    }
    const no: Plan[] = [...this.taken]
    for (let tries = 0; tries < MOST_PROVEN;) {
      const next = best()
      if (!next || (isLate() && this.isEnough())) return
      const open = next.offers.filter((x) => !x.judged)
      if (this.leavesFarMore(next) || this.isLike(next) || this.failed.some((x) => differ(x, next) === 0)) no.push(next)
      else if (open.length > 0 && !isLate()) {
        // It is judged first, and another may be the best then; where room is short all of its builds at once.
        for (const x of leavesMany(next) ? open : open.slice(0, 1)) {
          if (isLate()) break
          this.market.settled(x)
          yield this.state('proving')
        }
        this.shelf.refresh(this.market)
        this.shelf.add(refitted(next, this.market, o))
        yield this.state('proving')
      } else {
        tries++
        // What nobody has judged always looks better than what somebody has: late, it is gone on with what there is.
        const judged =
          open.length > 0 || next.offers.some((x) => x.fails) ? yield* this.allJudged(next, o, isLate) : next
        if (isLate() && this.isEnough()) return
        const daily = yield* this.withDaily(judged, o, isLate)
        const { plan, readings } = this.standing(this.withLastPlaces(daily), o)
        no.push(next, judged, plan)
        if (this.isLike(plan)) continue
        const found = provenRoom(aim, this.inTheirRoom(readings), this)
        this.proven.push(found)
        yield this.state('proving')
        if (found.measures.troubles === 0) {
          this.taken.push(plan)
          return
        }
        this.failed.push(next, plan)
      }
    }
  }

  /** What is used every day and has no place is given that of what is used less, if all that is judged is better so. */
  private *withDaily(first: Plan, o: SearchOptions, isLate: () => boolean): Generator<Planning, Plan> {
    let plan = first
    for (let k = 0; k < DAILY_TRIES && !(isLate() && this.isEnough()); k++) {
      const lot = plan.homeless.filter((g) => this.urgency(g.goodsId) >= WANTED.daily).slice(0, 1)
      if (lot.length === 0) break
      const given = withRoomFor(plan, lot, this.market, o)
      const judged = given && (yield* this.allJudged(given, o, isLate))
      if (judged && this.measuresOf(judged).homeless < this.measuresOf(plan).homeless) plan = judged
    }
    return plan
  }

  /** With what has no place otherwise where walls are still free, those first that are wanted most. */
  private withLastPlaces(plan: Plan): Plan {
    const wanted = [...plan.homeless].sort((a, b) => this.urgency(b.goodsId) - this.urgency(a.goodsId))
    const last = this.market.lastPlaces(plan.offers, wanted)
    const housed = last.flatMap((x) => x.housed)
    return last.length === 0 ? plan : { offers: [...plan.offers, ...last], homeless: lotWithout(plan.homeless, housed) }
  }

  /** A plan with all its builds judged; once there is one that holds, none is judged to its end past its time. */
  private *allJudged(first: Plan, o: SearchOptions, isLate: () => boolean): Generator<Planning, Plan> {
    const judging = allJudged(first, this.market, this.shelf, o, {
      isOver: () => isLate() && this.isEnough(),
    })
    for (;;) {
      const step = judging.next()
      if (step.done) return step.value
      yield this.state('proving')
    }
  }

  /** Whether a plan was found that holds; past all time one that was proven will do, whatever is not known of it. */
  private isEnough(): boolean {
    return this.proven.some((x) => x.measures.troubles === 0) || (this.proven.length > 0 && this.isOver())
  }

  /** The same builds where nobody keeps them from the studs: a plan is taken into the room as it is. */
  private inTheirRoom(readings: BuildReading[]): BuildReading[] {
    if (this.wishes.noHolesIn.length === 0) return readings
    const builds = readings.map((r) => r.build)
    const all = { ...this.p, room: this.given.room, builds: [...this.p.builds, ...builds] }
    return readingsOf(readBuilds(all)).filter((r) => builds.some((b) => b.id === r.build.id))
  }

  /** Whether it is much like one that is shown. */
  private readonly isLike = (plan: Plan): boolean => this.taken.some((x) => differ(x, plan) < LEAST_APART)

  /** A plan judged where it stands; what it turns out to have no place for beside the rest is given another. */
  private standing(first: Plan, o: SearchOptions): { plan: Plan; readings: BuildReading[] } {
    let plan = first
    let readings = proven(this.p, plan)
    for (let i = 0; i < PLACED_AGAIN; i++) {
      const now = new Map(readings.map((r) => [r.build.id, r.build]))
      const offers = plan.offers.flatMap((x) => {
        const build = now.get(x.build.id)
        return build ? [{ ...x, build, housed: build.goods }] : []
      })
      const fewer = keeping(plan, offers)
      if (fewer.homeless.length === plan.homeless.length) break
      plan = withoutFailing(mended(fewer, this.market, o), this.market, o)
      readings = proven(this.p, plan)
    }
    // What holds by itself and fails beside the others is no part of a plan either.
    for (let bad = toDrop(readings); bad.size > 0 && bad.size < plan.offers.length; bad = toDrop(readings)) {
      plan = keeping(
        plan,
        plan.offers.filter((x) => !bad.has(x.build.id)),
      )
      readings = proven(this.p, plan)
    }
    return { plan, readings }
  }

  private readonly shown = (): PlannedRoom[] => worthShowing(this.proven)

  /** All a plan is measured by: with what no kind of build keeps. */
  private measuresOf(plan: Plan): Measures {
    return measuresWith(plan, this)
  }

  /** Whether a plan would not be shown beside what was proven already. */
  private leavesFarMore(plan: Plan): boolean {
    const sound = this.proven.filter((x) => x.measures.troubles === 0)
    return sound.length > 0 && leavesFarMore(this.measuresOf(plan), sound)
  }

  private state(doing: Planning['doing']): Planning {
    const proven = this.shown().slice(0, SHOWN)
    const looked = AIMS.flatMap((aim): PlannedRoom[] => {
      const best = this.shelf.best({ aim, budgetMinor: this.wishes.budgetMinor })
      return best ? [lookedAt(best.plan, aim, this)] : []
    })
    const { begun } = this.shelf
    if (begun && looked.length === 0) looked.push(lookedAt(begun, AIMS[0], this))
    const distinct = looked.filter((x, i) => looked.findIndex((y) => sameBuilds(x, y)) === i)
    return {
      plans: proven.length > 0 ? proven : doing === 'done' ? [] : distinct,
      looks: this.market.looks,
      seen: this.shelf.seen,
      doing,
    }
  }
}

/**
 * Builds that are no part of a plan: all of which something fails; else of those that only fall short together, of what they
 * share, the one that keeps least.
 */
export function toDrop(readings: readonly Pick<BuildReading, 'build' | 'checks'>[]): ReadonlySet<string> {
  const failing = readings.filter((r) => r.checks.some((c) => c.state === 'fails'))
  if (failing.length > 0) return new Set(failing.map((r) => r.build.id))
  const kept = (r: Pick<BuildReading, 'build'>) => r.build.goods.reduce((n, g) => n + g.count, 0)
  const onlyTogether = readings.filter((r) => {
    const open = r.checks.filter(isTrouble)
    return open.length > 0 && open.every((c) => c.check === 'shared-hold')
  })
  const [least] = onlyTogether.sort((a, b) => kept(a) - kept(b))
  return new Set(least ? [least.build.id] : [])
}

/** Things without a place. */
const left = (plan: Plan): number => plan.homeless.reduce((n, g) => n + g.count, 0)

/** Rounds of the search between two tellings of how far it is. */
const TOLD_EVERY = 10

/**
 * Plans of a whole room for everything kept that has no home yet: a first one at once, better ones as they come, at the
 * end up to three that were proven and differ. The builds that are there stay.
 * @param seed the same plans come of the same seed, as far as one looks
 * @param turn which aim comes first, and has most of the time: of several searches at once each has another
 * @param rounds how often part of a plan is torn down and grown again
 * @param shouldStop asked with the share of the time that may have passed by then
 */
export function planningRoom(
  p: Project,
  wishes: Wishes,
  {
    seed = 1,
    turn = 0,
    rounds = 300,
    shouldStop = () => false,
  }: { seed?: number; turn?: number; rounds?: number; shouldStop?: (share: number) => boolean } = {},
): Generator<Planning, Planning> {
  return new RoomPlanner(p, wishes, seed, turn).run(rounds, shouldStop)
}
