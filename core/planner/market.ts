import { wishedWay } from '../goods/ways.ts'
import type { AnyFamily } from '../families/family.ts'
import { allFamilies } from '../families/registry.ts'
import { isTooNear } from '../checks/in-the-room/keeping.ts'
import { doorways } from '../clearance/keep-outs.ts'
import { gapBetween, type Convex } from '../geometry/convex.ts'
import { kept } from '../measure/kept.ts'
import { fingerprint } from '../measure/fingerprint.ts'
import { newBuild } from '../project/new-build.ts'
import type { Project } from '../project/project.ts'
import { nextOnWall, priceBook, readingsOf, roomPlan } from '../project/read-build.ts'
import { readAlone } from '../project/read-builds.ts'
import { placeBuilds, roomKeeps } from '../project/room-checks.ts'
import { RoughPrices } from '../takeoff/rough-cost.ts'
import { preparedAt } from '../room/prepared.ts'
import type { WallLine } from '../room/outline.ts'
import { beside, HIGH, isHigh } from './beside.ts'
import { judgedOffer, judgeFor, lessonsFor, type Judge } from './judged-offer.ts'
import { facesOf, isFree } from './face.ts'
import {
  BEFORE_STUD_MM,
  BESIDE_MM,
  BETWEEN_MM,
  Fitting,
  HIGH_UNDER_MM,
  isHungKind,
  LEAST_DEEP_MM,
  LEAST_MM,
  overAll,
  TOUCH_MM,
  type Asking,
  type Held,
  type Manner,
  type Sight,
} from './fitting.ts'
import type { LessWell } from './ill-placed.ts'
import { howMany, looked, offersAt, raised, taught, type Lot, type Offer, type Shop } from './offer.ts'
import { lotKey, Seen } from './seen.ts'
import { inOrder, together } from './lots.ts'
import type { Wishes } from '../project/wishes.ts'

/** What is as it was elsewhere on a wall and would meet something by more than this surely does, whatever studs it finds, mm. */
const SURELY_MM = 25
/** The same of what was seen at another wall: studs and what the floor falls are otherwise there. */
const SURELY_OTHER_MM = 100
/** Places where one that hangs found nothing before it is none at all: studs, joists and what was prepared are elsewhere at each. */
const NONE_HUNG = 2
/** What begins nearer to a wall than this stands at it, mm. */
const AT_WALL_MM = 50
/** Places along one wall that are tried for one build. */
const STARTS = 6

/** A build beside others of which some hang higher for it. */
export interface Raised {
  offer: Offer
  others: readonly Offer[]
}

/** What builds can be had, and where: asked again and again, it answers the same. */
export interface Market {
  walls: readonly string[]
  /** Kinds of build that keep all of some goods, what suits them best first; with how well. */
  kindsFor(lot: Lot): { kind: string; score: number }[]
  /**
   * A build of a kind at a wall for some goods beside what stands there; it may leave some of them out. Null where
   * nothing of it can be.
   */
  offer(kind: string, wallId: string, lot: Lot, others: readonly Offer[], manner?: Manner): Offer | null
  /** The same build with more goods, where it is. */
  extended(offer: Offer, lot: Lot, others: readonly Offer[], manner?: Manner): Offer | null
  /**
   * A build that stands on the floor under what hangs at a wall, which is raised over it with all it holds; null where
   * there is none, or that would be too high.
   */
  under(kind: string, wallId: string, lot: Lot, others: readonly Offer[], manner?: Manner): Raised | null
  /** The same build judged, and changed so that it holds; from then on it is what is offered in its place. */
  settled(offer: Offer): Offer
  /** One that was judged and fails, with so few of its goods that it holds; itself where even that does not help. */
  lightened(offer: Offer): Offer
  /** The same build as it is known by now. */
  latest(offer: Offer): Offer
  /** Whether a build can stand beside others. */
  fits(offer: Offer, others: readonly Offer[]): boolean
  /** Walls that may be built at and a build stands before: its own, and one it stands at the end of. */
  wallsBy(offer: Offer): readonly string[]
}

/** Everything that stands in a room already, or keeps space there. */
const bodiesOf = (p: Project): Convex[] => {
  const { outline } = roomPlan(p.room)
  return [
    ...roomKeeps(p.room, outline).map((k) => k.body),
    ...doorways(p.room, outline),
    ...placeBuilds(outline, readingsOf(readAlone(p, undefined, 'as-drawn'))).map((b) => b.solids.whole),
  ]
}

/** Where nothing is put, however little room there is. */
const NEVER: readonly LessWell['why'][] = ['over-eyes', 'near-flame']

/** Whether something of one build stands beside what it is not to be beside in another, or in its own. */
const areTooNear = (a: Offer, b: Offer): boolean => a.asking.some((x) => b.asking.some((y) => isTooNear(x, y)))

/** What can be had in the room of a project. */
export class RoomMarket implements Market, Sight {
  readonly walls: readonly string[]
  /** First looks taken so far. */
  looks = 0
  readonly shop: Shop
  private readonly standing: readonly Convex[]
  private readonly kinds: readonly AnyFamily[]
  private readonly lastKinds: readonly AnyFamily[]
  private readonly known = new Map<string, readonly Offer[]>()
  private readonly seen = new Seen(({ kind, w }) => (isHungKind(kind) || this.isUneven(w.wall.id) ? NONE_HUNG : 1))
  private readonly judged = new Map<Offer, Offer>()
  /** Judged ones that hold with none of their goods. */
  private readonly hopeless = new Set<Offer>()
  private readonly judge: Judge
  private readonly fitting = new Fitting(this)
  private readonly rooms = new Map<string, Map<number, Project['room']>>()
  private readonly classes = new Map<string, string>()

  constructor(
    readonly p: Project,
    private readonly wishes: Wishes,
  ) {
    const kinds = allFamilies().filter((f) => f.needsGoods)
    this.kinds = kinds.filter((f) => !f.lastResort)
    this.lastKinds = kinds.filter((f) => f.lastResort)
    const prices = priceBook(p)
    const score = (id: string) => {
      const g = p.goods.find((x) => x.id === id)!
      return Math.max(0, ...kinds.map((k) => wishedWay(k, g)?.score ?? 0))
    }
    this.shop = {
      p,
      outline: roomPlan(p.room).outline,
      best: new Map(p.goods.map((g) => [g.id, score(g.id)])),
      prices,
      rough: new RoughPrices(prices, p.settings),
      alone: wishes.alone,
    }
    this.standing = bodiesOf(p)
    this.judge = judgeFor(this.shop)
    this.walls = p.room.walls.map((w) => w.id).filter((id) => !wishes.keepFree.includes(id))
  }

  kindsFor(lot: Lot): { kind: string; score: number }[] {
    const goods = lot.map((g) => this.p.goods.find((x) => x.id === g.goodsId)!)
    const of = (kinds: readonly AnyFamily[]) =>
      kinds
        .flatMap((k) => {
          const scores = goods.map((g) => wishedWay(k, g)?.score ?? 0)
          return scores.every((s) => s > 0) ? [{ kind: k.id, score: Math.min(...scores) }] : []
        })
        .sort((a, b) => b.score - a.score)
    const found = of(this.kinds)
    // What is wished so, or goes nowhere else, is no last resort.
    return found.length > 0 ? found : of(this.lastKinds)
  }

  /** What has no place otherwise, beside builds that hold: whatever of it holds as well, where a wall is free. */
  lastPlaces(offers: readonly Offer[], homeless: Lot): Offer[] {
    const found: Offer[] = []
    for (const g of homeless) {
      const item = this.p.goods.find((x) => x.id === g.goodsId)!
      for (const kind of this.lastKinds.filter((k) => wishedWay(k, item)))
        for (const wallId of this.walls) {
          const others = [...offers, ...found]
          if (found.some((x) => x.housed.some((h) => h.goodsId === g.goodsId))) break
          const offer = this.offer(kind.id, wallId, [g], others)
          const so = offer && this.settled(offer)
          if (so && !so.fails && so.troubles === 0 && this.fits(so, others)) found.push(so)
        }
    }
    return found
  }

  offer(kind: string, wallId: string, lot: Lot, others: readonly Offer[], manner: Manner = {}): Offer | null {
    const w = this.lineOf(wallId)
    const faces = this.kindOf(kind).hangsFrom ? null : this.facesFor(w, lot, others, !isHungKind(kind))
    if (faces && !faces()) return null
    const inTheWay = [
      ...this.standing.map((b) => ({ gap: BESIDE_MM, ...beside(w, b) })),
      ...others.map((o) => ({ gap: BETWEEN_MM, ...beside(w, o.body) })),
    ].filter((b) => b.outMm < w.wall.depthMm && b.to > 0 && b.to < w.wall.lengthMm - LEAST_MM)
    // After each of them, and over what is low.
    const highMm = this.kindOf(kind).hangsAt ? HIGH_UNDER_MM : HIGH.toMm
    const over = inTheWay.filter((b) => !isHigh(b, highMm)).map((b) => Math.max(0, Math.ceil(b.from)))
    const starts = [...new Set([0, ...over, ...inTheWay.map((b) => Math.ceil(b.to + b.gap))])].sort((a, b) => a - b)
    // Where something high stands close by nothing is built; over what is low something may hang.
    const isOpen = (at: number) =>
      at <= w.wall.lengthMm - LEAST_MM &&
      !inTheWay.some((b) => isHigh(b, highMm) && b.outMm < LEAST_DEEP_MM && b.to > at && b.from < at + LEAST_MM)
    // It may begin a little before or after that, at a stud.
    const { construction: c } = w.wall
    const offMm = c.kind === 'studs' ? c.spacingMm + BEFORE_STUD_MM : 0
    const hasFace = (at: number) => !faces || faces({ from: at - offMm, to: at + offMm })
    let best: Offer | null = null
    for (const at of starts.filter((x) => isOpen(x) && hasFace(x)).slice(0, STARTS)) {
      const found = this.fitting.at({ kind, w, lot, others, ...manner }, at)
      if (found && (!best || howMany(found.housed) > howMany(best.housed))) best = found
      if (best && howMany(best.housed) === howMany(lot)) break
    }
    return best
  }

  extended(offer: Offer, lot: Lot, others: readonly Offer[], manner: Manner = {}): Offer | null {
    const { family: kind, wallId, offsetMm } = offer.build
    const all = together(offer.housed, lot)
    const found = this.fitting.at({ kind, w: this.lineOf(wallId), lot: all, others, ...manner }, offsetMm)
    // Nothing that has its place may lose it.
    const keeps =
      found && offer.housed.every((g) => (found.housed.find((x) => x.goodsId === g.goodsId)?.count ?? 0) >= g.count)
    return keeps && howMany(found.housed) > howMany(offer.housed) ? found : null
  }

  under(kind: string, wallId: string, lot: Lot, others: readonly Offer[], manner: Manner = {}): Raised | null {
    const hangs = (o: Offer) => o.build.wallId === wallId && this.kindOf(o.build.family).hangsAt !== undefined
    if (this.kindOf(kind).hangsFrom || isHungKind(kind) || !others.some(hangs)) return null
    const all: Offer[] = others.filter((o) => !hangs(o))
    const offer = this.offer(kind, wallId, lot, all, manner)
    if (!offer) return null
    // What hangs highest stays highest.
    const hung = others.filter(hangs).sort((a, b) => a.body.min[2] - b.body.min[2])
    for (const x of hung) {
      const there = [offer, ...all]
      const up = this.fits(x, there) ? x : this.raised(x, there)
      if (!up) return null
      all.push(up)
    }
    return { offer, others: all }
  }

  /** What hangs, over what stands below it, with all it holds. */
  private raised(offer: Offer, others: readonly Offer[]): Offer | null {
    const w = this.lineOf(offer.build.wallId)
    const kind = this.kindOf(offer.build.family)
    const overMm = overAll(w, offer.body, this.metBy(offer, others))
    if (overMm === null) return null
    const builds = [...this.p.builds, ...others.filter((o) => !this.kindOf(o.build.family).hangsAt).map((o) => o.build)]
    const found = raised({ ...this.shop, p: { ...this.p, builds } }, kind, offer, overMm)
    return found && this.allowed(found) && this.fits(found, others) ? found : null
  }

  /**
   * Tells whether a face as large as any of these things turned any way is free on a wall, or begins free in a part of it:
   * without it none of them is kept there.
   */
  private facesFor(w: WallLine, lot: Lot, others: readonly Offer[], onFloor: boolean) {
    const taken = [...this.standing, ...others.map((o) => o.body)]
      .map((b) => beside(w, b))
      .filter((b) => b.outMm < AT_WALL_MM && b.deepMm > AT_WALL_MM && b.to > 0 && b.from < w.wall.lengthMm)
    const face = { longMm: w.wall.lengthMm, highMm: w.wall.heightMm }
    const sides = lot.flatMap(({ goodsId }) => facesOf(this.p.goods.find((g) => g.id === goodsId)!))
    return (between?: { from: number; to: number }) =>
      sides.some((f) => isFree(face, taken, { onFloor, ...f }, between))
  }

  /** What stands where a build would, or in the way of its goods; or whose goods come out where it would stand. */
  metBy(offer: Offer, others: readonly Offer[], touchMm: number = TOUCH_MM): Convex[] {
    const meets = (a: Convex, b: Convex) => gapBetween(a, b) < -touchMm
    const blocks = (b: Convex) => meets(offer.body, b) || offer.ways.some((w) => meets(w, b))
    return [
      ...this.standing.filter(blocks),
      ...others.filter((o) => blocks(o.body) || o.ways.some((w) => meets(w, offer.body))).map((o) => o.body),
    ]
  }

  fits(offer: Offer, others: readonly Offer[]): boolean {
    return (
      this.allowed(offer) &&
      !this.isPastWall(offer) &&
      this.metBy(offer, others).length === 0 &&
      !others.some((o) => areTooNear(offer, o))
    )
  }

  /** Past the end of its wall there may be no other wall to meet. */
  private isPastWall({ build, body }: Offer): boolean {
    const w = this.lineOf(build.wallId)
    return beside(w, body).to > w.wall.lengthMm + TOUCH_MM
  }

  wallsBy({ body }: Offer): readonly string[] {
    return this.shop.outline.walls.flatMap((w) => {
      const b = beside(w, body)
      const isThere = b.outMm < w.wall.depthMm && b.to > 0 && b.from < w.wall.lengthMm
      return isThere && this.walls.includes(w.wall.id) ? [w.wall.id] : []
    })
  }

  latest(offer: Offer): Offer {
    return this.judged.get(offer) ?? offer
  }

  settled(offer: Offer): Offer {
    if (offer.judged) return offer
    const seen = this.judged.get(offer)
    if (seen) return seen
    const found = judgedOffer(this.shop, this.kindOf(offer.build.family), offer, this.judge)
    this.judged.set(offer, found)
    return found
  }

  lightened(offer: Offer): Offer {
    const now = this.settled(offer)
    if (!now.fails || this.hopeless.has(now)) return now
    const kind = this.kindOf(now.build.family)
    const found = judgedOffer(this.shop, kind, { ...now, judged: false }, this.judge, true)
    this.judged.set(offer, found)
    this.judged.set(now, found)
    if (found.fails) this.hopeless.add(found)
    return found
  }

  /** The longest stretch of a wall that nothing stands before, mm. */
  freeMm(wallId: string, others: readonly Offer[]): number {
    const w = this.lineOf(wallId)
    const taken = [...this.standing, ...others.map((o) => o.body)]
      .map((b) => beside(w, b))
      .filter((b) => b.outMm < w.wall.depthMm && b.to > 0 && b.from < w.wall.lengthMm && b.outMm > -TOUCH_MM)
      .sort((a, b) => a.from - b.from)
    let [at, most] = [0, 0]
    for (const b of [...taken, { from: w.wall.lengthMm, to: w.wall.lengthMm }]) {
      most = Math.max(most, b.from - at)
      at = Math.max(at, b.to)
    }
    return most
  }

  look({ kind, w, lot: given, others, haste }: Asking, offsetMm: number, held: Held): Offer | null {
    const family = this.kindOf(kind)
    const wallId = w.wall.id
    const lot = inOrder(given)
    const { mostDeepMm, mostLongMm, leastLongMm, overMm } = held
    const room = mostDeepMm === null ? this.p.room : this.shallower(wallId, mostDeepMm)
    // What hangs at heights of its own takes no length of what else does: where they meet is seen afterwards.
    const sharing = others.filter((o) => !family.hangsAt || !this.kindOf(o.build.family).hangsAt)
    const bare = newBuild({ id: '', wallId, offsetMm, family: kind, params: {} })
    const there = { ...this.p, room, builds: [...this.p.builds, ...sharing.map((o) => o.build)] }
    // As long as if another one of its kind began where it has to end.
    const end = mostLongMm === null ? [] : [{ ...bare, id: 'end', offsetMm: offsetMm + mostLongMm }]
    const p = { ...there, builds: [...there.builds, ...end] }
    const next = nextOnWall(p, bare)
    const bounds = [mostDeepMm, leastLongMm, overMm].join('|')
    const key = fingerprint([kind, wallId, offsetMm, bounds, mostLongMm, next, haste ?? '', lotKey(lot)].join('|'))
    let ways = this.known.get(key)
    if (!ways) {
      const freeMm = Math.min(next - offsetMm, w.wall.lengthMm - offsetMm, mostLongMm ?? Infinity)
      const asked = { kind, w, wallClass: this.wallClass(wallId), offsetMm, freeMm, bounds, lot }
      const same = this.seen.elsewhere(asked)
      const surelyMm = same?.ownWall ? SURELY_MM : SURELY_OTHER_MM
      if (same?.ways.every((x) => this.metBy(x, others, surelyMm).length > 0)) return same.ways[0]
      if (this.p.room.ceiling.slope === null && this.seen.isNone(asked)) return null
      this.looks++
      const within = {
        asDeep: mostDeepMm !== null,
        asLong: mostLongMm !== null,
        ...(leastLongMm === null ? {} : { leastLongMm }),
        ...(overMm === null ? {} : { overMm }),
        ...(haste ? { haste } : {}),
      }
      const shop = { ...this.shop, p }
      // Two of a kind may hang at one place, one over the other: they are told apart by what they keep, and how.
      const at = { id: `plan-${kind}-${wallId}-${offsetMm}-${key}`, wallId, offsetMm }
      const seen = offersAt(shop, family, at, lot, within)
      // Where nothing ends it, it is as it was made to end.
      const found = end.length === 0 ? seen : seen.flatMap((x) => looked({ ...shop, p: there }, family, x.build) ?? [])
      ways = found.map((one, i) => {
        const x = { ...one, build: { ...one.build, id: `${at.id}-${i}` } }
        const [lesson] = this.judge.learned.get(lessonsFor(x)) ?? []
        return lesson ? taught(shop, family, x, lesson) : x
      })
      this.known.set(key, ways)
      this.seen.note(asked, ways)
    }
    const now = ways.map((x) => this.latest(x))
    return now.find((x) => this.fits(x, others)) ?? now[0] ?? null
  }

  /** Walls of one class are as deep, as high, made the same way and under the same ceiling: what is seen at one is much the same at another. */
  readonly wallClass = (wallId: string): string => kept(this.classes, wallId, () => this.classOf(wallId))
  private classOf(wallId: string): string {
    const { wall, along } = this.lineOf(wallId)
    const { ceiling } = this.p.room
    const joists = ceiling.alongWallId === null ? null : this.lineOf(ceiling.alongWallId).along
    const runs = joists && Math.round(100 * Math.abs(along[0] * joists[0] + along[1] * joists[1]))
    const made = JSON.stringify({ ...wall.construction, firstMm: 0, found: [] })
    const own = this.isUneven(wallId) || ceiling.slope !== null ? wallId : ''
    return [wall.depthMm, wall.heightMm, made, runs, own].join()
  }

  /** Something was prepared to be fixed to at some places of a wall, and nowhere else. */
  private isUneven(wallId: string): boolean {
    return preparedAt(this.p.room.features, wallId, 0).length > 0
  }

  kindOf(id: string): AnyFamily {
    return [...this.kinds, ...this.lastKinds].find((k) => k.id === id)!
  }

  private lineOf(wallId: string): WallLine {
    return this.shop.outline.walls.find((x) => x.wall.id === wallId)!
  }

  /** The room with one wall of less depth. */
  private shallower(wallId: string, depthMm: number): Project['room'] {
    const rooms = kept(this.rooms, wallId, () => new Map<number, Project['room']>())
    return kept(rooms, depthMm, () => ({
      ...this.p.room,
      walls: this.p.room.walls.map((w) => (w.id === wallId ? { ...w, depthMm } : w)),
    }))
  }

  /** What is charged where it is kept is nowhere else. */
  private isNever({ why, goodsId }: LessWell): boolean {
    const isCharged = () => this.p.goods.some((g) => g.id === goodsId && g.care.includes('charging'))
    return NEVER.includes(why) || (why === 'far-from-outlet' && isCharged())
  }

  allowed(o: Offer): boolean {
    const { noHolesIn, nothingOverhead, comesApart } = this.wishes
    return !(
      (o.inWall && noHolesIn.includes(o.build.wallId)) ||
      (o.overhead && nothingOverhead) ||
      (o.glued && comesApart) ||
      o.needsTwo ||
      areTooNear(o, o) ||
      o.lessWell.some((x) => this.isNever(x))
    )
  }
}
