import { drivenAlong } from '../checks/wall-fixing.ts'
import { overShoulderKg, wishedWay } from '../goods/ways.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { inTheRoom, partBoxes, wholeBox } from '../assembly/part-box.ts'
import { settled } from '../assembly/temporary.ts'
import { placedBox, waysOut } from '../clearance/placing.ts'
import type { PriceLine } from '../catalogue/prices.ts'
import type { AnyFamily, Shaped } from '../families/family.ts'
import { isBehind, type AskingThing } from '../checks/in-the-room/keeping.ts'
import { wantsCover } from '../goods/care.ts'
import { boxUnion, type Box } from '../geometry/box.ts'
import type { Convex } from '../geometry/convex.ts'
import type { Goods } from '../goods/goods.ts'
import { BODY, liftedToMm } from '../goods/person.ts'
import type { Outline } from '../room/outline.ts'
import type { Step } from '../steps/step.ts'
import type { RoughPrices } from '../takeoff/rough-cost.ts'
import { shapeInPlace, type BuildContext, type BuildReading } from '../project/read-build.ts'
import { frameInRoom } from '../project/room-checks.ts'
import { setAtWall } from '../project/new-build.ts'
import type { Build, Project } from '../project/project.ts'
import { unitsOf } from '../assembly/settings.ts'
import { fillsWall, withValue } from '../families/params.ts'
import { roundUp } from '../measure/rounding.ts'
import { illPlaced, type LessWell } from './ill-placed.ts'
import { A_WEEK, pastReachM } from './measures.ts'

/** What first looks are taken at: a project with its room, and for each thing the best score a kind of build gives it. */
export interface Shop {
  p: Project
  outline: Outline
  best: ReadonlyMap<string, number>
  prices: PriceLine[]
  rough: RoughPrices
  /** The person builds alone: only then it is looked at what needs two, by all steps of a build. */
  alone: boolean
}

/** Some things, by their ids and how many. */
export type Lot = readonly { goodsId: string; count: number }[]
export const howMany = (lot: Lot): number => lot.reduce((n, g) => n + g.count, 0)

/** A build at a place: shaped and priced by itself. */
export interface Offer {
  build: Build
  /** Its parameters without what others of its kind wanted to hold; none where it has nothing of that. */
  plain?: Build['params']
  /** Judged by itself and changed until it holds, or no change does: then what fails or could not be judged is counted. */
  judged: boolean
  troubles: number
  /** It was judged, and fails: not only that something of it is not known. */
  fails: boolean
  /** Ways its goods come out, in the room. */
  ways: readonly Convex[]
  /** All it takes up with its goods, in the room. */
  body: Convex
  /** What of its goods it has a place for. */
  housed: Lot
  minor: number
  floorM2: number
  reach: number
  /** What is kept less well than it could be. */
  lessWell: readonly LessWell[]
  /** Its things that ask for something, in the room. */
  asking: readonly AskingThing[]
  /** Something of it one person cannot lift, where that matters; and something is glued. */
  needsTwo: boolean
  glued: boolean
  /** It is screwed to its wall, or hangs from the ceiling. */
  inWall: boolean
  overhead: boolean
  /** Fixings into its wall. */
  fixings: number
}

/** A build may pass the space it has by so much, mm: rounding to a tape. */
const OVER_MM = 1

/** Whether anything of a build is screwed or hung to a wall. */
export const isInWall = (a: Assembly): boolean =>
  a.anchors.some((x) => x.into === 'stud' || x.into === 'masonry' || x.into === 'concrete')

/** Whether anything of a build is glued. */
export const isGlued = (a: Assembly): boolean => a.joints.some((j) => j.kind === 'glued-screwed')

/** Nearer to the floor than this nothing is swept or parked under it, mm. Product decision. */
const OFF_FLOOR_MM = 300

/** How many of each of the goods have a place. */
function housedOf(goods: Lot, unhoused: Shaped['unhoused']): Lot {
  return goods
    .map((g) => ({
      goodsId: g.goodsId,
      count: g.count - unhoused.filter((u) => u.goodsId === g.goodsId).reduce((n, u) => n + u.count, 0),
    }))
    .filter((g) => g.count > 0)
}

/** How deep kinds of build are is told by these of their parameters. */
const DEPTHS = ['depthMm', 'railLengthMm']
/** And how long they are by these. */
const LENGTHS = ['lengthMm', 'columns', 'bays', 'clearMm', 'apartMm']

/** Of the ways a kind would build it only the first is looked at; or the first that keeps everything will do. */
export type Haste = 'first' | 'enough'

/** What a first look is held to besides its wall. */
export interface Within {
  /** It keeps the depth it has here, whatever there would be room for. */
  asDeep?: boolean
  /** It keeps the length it has here, whatever there would be room for. */
  asLong?: boolean
  /** It is so long at least, mm, where its kind has a length. */
  leastLongMm?: number
  /** It hangs over what reaches so high, mm. */
  overMm?: number
  haste?: Haste
}

/**
 * First looks at a kind of build for some goods at a place: of the ways it proposes, those that leave least out first, and
 * of those the cheapest.
 * @returns none where it cannot be shaped there, or takes none of them
 */
export function offersAt(
  shop: Shop,
  kind: AnyFamily,
  at: Pick<Build, 'id' | 'wallId' | 'offsetMm'>,
  goods: Lot,
  within: Within = {},
): Offer[] {
  const set = setAtWall(shop.p, kind, { ...at, goods: goods.map((g) => ({ ...g })) }, shop.prices)
  if (!set) return []
  const { bare, ctx } = set
  const looks: Look[] = []
  const { leastLongMm } = within
  const proposed = kind.propose(ctx) as Build['params'][]
  const ways = within.haste === 'first' ? proposed.slice(0, 1) : proposed
  const given =
    leastLongMm === undefined ? ways : ways.map((x) => ('lengthMm' in x ? { ...x, lengthMm: leastLongMm } : x))
  for (const params of given) {
    const isWhole = looks.some((l) => howMany(l.offer.housed) === howMany(goods))
    // What has a place for all gains nothing by being as long as its wall.
    if (isWhole && (fillsWall(params) || within.haste === 'enough')) continue
    const found = look(shop, kind, { ...bare, params }, ctx, within)
    if (found) looks.push(found)
  }
  looks.sort((a, b) => howMany(b.offer.housed) - howMany(a.offer.housed) || a.offer.minor - b.offer.minor)
  const good = looks.filter((x) => howMany(x.tooHigh) === 0)
  if (good.length > 0 || looks.length === 0) return good.map((x) => x.offer)
  // What would be lifted over the shoulder, too heavy for that, goes elsewhere.
  const fewer = lotWithout(looks[0].offer.housed, looks[0].tooHigh)
  return howMany(fewer) > 0 && howMany(fewer) < howMany(goods) ? offersAt(shop, kind, at, fewer, within) : []
}

/** A first look at a build as it stands; null where it cannot be shaped there, or keeps nothing. */
export function looked(shop: Shop, kind: AnyFamily, { id, wallId, offsetMm, goods, params }: Build): Offer | null {
  const set = setAtWall(shop.p, kind, { id, wallId, offsetMm, goods }, shop.prices)
  const found = set && look(shop, kind, { ...set.bare, params }, set.ctx, {})
  return found && howMany(found.tooHigh) === 0 ? found.offer : null
}

/**
 * The same look with some parameters changed as another of its kind wanted it to hold; as it was where that keeps less.
 */
export function taught(shop: Shop, kind: AnyFamily, offer: Offer, lesson: Build['params']): Offer {
  const { id, wallId, offsetMm, goods, params } = offer.build
  const set = setAtWall(shop.p, kind, { id, wallId, offsetMm, goods }, shop.prices)
  const found = set && look(shop, kind, { ...offer.build, params: { ...params, ...lesson } }, set.ctx, {})
  const keeps = found && howMany(found.offer.housed) >= howMany(offer.housed) && howMany(found.tooHigh) === 0
  return keeps ? { ...found.offer, plain: params } : offer
}

/** What is in one lot and not in another. */
export function lotWithout(a: Lot, b: Lot): Lot {
  const left = new Map<string, number>()
  for (const g of a) left.set(g.goodsId, (left.get(g.goodsId) ?? 0) + g.count)
  for (const g of b) if (left.has(g.goodsId)) left.set(g.goodsId, left.get(g.goodsId)! - g.count)
  return [...left].flatMap(([goodsId, count]) => (count > 0 ? [{ goodsId, count }] : []))
}

/** Things heavier than one person lifts that would stand over the shoulder, or higher on something than two lift them. */
function tooHighIn({ bays }: Assembly, { p }: Shop): Lot {
  const counts = new Map<string, number>()
  const { personMm, onePersonKg } = p.settings
  const mostKg = new Map(p.goods.map((g) => [g.id, overShoulderKg(g, onePersonKg)]))
  for (const b of bays)
    for (const i of b.items)
      if (
        b.carriers.length > 0 &&
        (((i.massKg ?? 0) > (mostKg.get(i.goodsId) ?? onePersonKg) && i.box.min[2] > BODY.shoulder * personMm) ||
          (i.box.min[2] + i.box.max[2]) / 2 > liftedToMm(i.massKg ?? 0, onePersonKg))
      )
        counts.set(i.goodsId, (counts.get(i.goodsId) ?? 0) + 1)
  return [...counts].map(([goodsId, count]) => ({ goodsId, count }))
}

/** A first look, and what of its goods would be too high. */
interface Look {
  offer: Offer
  tooHigh: Lot
}

/** Of its shape all that it takes up with its goods, mm. */
const wholeOf = (a: Assembly) => boxUnion([wholeBox(partBoxes(a)), ...a.bays.flatMap((b) => b.items.map((i) => i.box))])

/** A build that hangs so much higher; null where it has no height to change, or cannot be shaped. */
function higher(kind: AnyFamily, build: Build, ctx: BuildContext, overMm: number): Build | null {
  const first = shapeInPlace(kind, build, ctx)
  const dim = first.ok && first.value.dims.find((x) => x.path === kind.hangsAt)
  if (!dim) return null
  const byMm = overMm - wholeOf(first.value.assembly).min[2]
  return byMm <= 0
    ? build
    : { ...build, params: withValue(build.params, dim.path, roundUp(dim.value + byMm, unitsOf(ctx.settings))) }
}

/**
 * The same build with all it holds, hung over what reaches so high, mm; null where that is not to be.
 */
export function raised(shop: Shop, kind: AnyFamily, { build, housed }: Offer, overMm: number): Offer | null {
  const set = setAtWall(shop.p, kind, build, shop.prices)
  const found = set && look(shop, kind, { ...set.bare, params: build.params }, set.ctx, { overMm })
  return found && howMany(found.tooHigh) === 0 && howMany(found.offer.housed) === howMany(housed) ? found.offer : null
}

function look(shop: Shop, kind: AnyFamily, given: Build, ctx: BuildContext, within: Within): Look | null {
  // How the floor falls makes posts longer by a little, and shaping twice as slow: whoever judges it looks at that.
  const { fallUnder: _fall, ...level } = ctx
  const { asDeep, asLong, overMm } = within
  const build = overMm === undefined ? given : higher(kind, given, level, overMm)
  if (!build) return null
  const first = shapeInPlace(kind, build, level)
  if (!first.ok) return null
  const { built } = settled(first.value.assembly)
  const shaped = { ...first.value, assembly: built }
  const found = measured(shop, kind, { build, shaped, boxes: partBoxes(built), liftMm: 0 }, () =>
    kind.steps(build.params, first.value),
  )
  if (!found || (build.goods.length > 0 && found.housed.length === 0)) return null
  // What lies over the joists it hangs from is not in the room.
  const { max } = wholeBox(inTheRoom(built, partBoxes(built)))
  if (max[1] > ctx.space.depthMm + OVER_MM || max[2] > ctx.space.heightMm + OVER_MM) return null
  // What stands on its highest shelf ends under the ceiling too.
  const tops = built.bays.flatMap((b) => b.items.map((i) => i.box.max[2]))
  if (Math.max(...tops) > ctx.space.ceilingMm + OVER_MM) return null
  // Beside others it hangs where it was seen, whatever they are.
  const kept = first.value.dims.filter(
    (x) => x.path === kind.hangsAt || (asDeep && DEPTHS.includes(x.path)) || (asLong && LENGTHS.includes(x.path)),
  )
  const params = kept.reduce((all, x) => withValue(all, x.path, x.value), build.params)
  const offer = {
    ...found,
    build: { ...build, params, goods: found.housed.map((g) => ({ ...g })) },
    minor: shop.rough.of(built),
    judged: false,
    troubles: 0,
    fails: false,
  }
  return { offer, tooHigh: tooHighIn(built, shop) }
}

/** What a build is measured by, beside its price; null where it has no wall. */
export function measured(
  { p, outline, best, alone }: Shop,
  kind: AnyFamily,
  r: Pick<BuildReading, 'build' | 'shaped' | 'boxes' | 'liftMm'>,
  steps: () => readonly Step[],
): Omit<Offer, 'minor' | 'judged' | 'troubles' | 'fails'> | null {
  const frame = frameInRoom(outline, r)
  if (!frame) return null
  const { build, boxes } = r
  const { assembly, unhoused } = r.shaped
  const items = assembly.bays.flatMap((b) => b.items)
  const whole = wholeOf(assembly)
  const of = new Map(p.goods.map((g): [string, Goods] => [g.id, g]))
  const own = items.flatMap((i) => (of.has(i.goodsId) ? [{ i, g: of.get(i.goodsId)! }] : []))
  const housed = housedOf(build.goods, unhoused)
  // One that is only possible for a thing, though another is good for it.
  const isMakeshift = (id: string) => (wishedWay(kind, of.get(id)!)?.score ?? 0) < Math.min(2, best.get(id) ?? 0)
  const open = (g: Goods, box: Box) => wantsCover(g) && !isBehind(box, assembly.parts, boxes)
  const bodies = own.map(({ i, g }) => ({ g, box: i.box, body: placedBox(frame, i.box) }))
  const placed = bodies.flatMap(({ g, box, body }): LessWell[] => {
    const why = open(g, box) ? 'open' : illPlaced(g, body, p, outline)
    return why ? [{ goodsId: g.id, why, count: 1 }] : []
  })
  const lessWell = [
    ...placed,
    ...housed.flatMap((g): LessWell[] => (isMakeshift(g.goodsId) ? [{ ...g, why: 'makeshift' }] : [])),
  ]
  const area = ((whole.max[0] - whole.min[0]) * (whole.max[1] - whole.min[1])) / 1e6
  return {
    build,
    body: placedBox(frame, whole),
    ways: waysOut(frame, assembly),
    housed,
    floorM2: whole.min[2] < OFF_FLOOR_MM ? area : 0,
    reach: own.reduce((s, { i, g }) => s + A_WEEK[g.often] * pastReachM(i, p.settings.personMm, r.liftMm), 0),
    lessWell,
    asking: bodies.flatMap(({ g, body }) => (g.care.length > 0 ? [{ care: g.care, body }] : [])),
    needsTwo: alone && steps().some((s) => s.cautions.includes('lift-two')),
    glued: isGlued(assembly),
    inWall: isInWall(assembly),
    overhead: assembly.supports.some((s) => s.on.kind === 'ceiling'),
    fixings: assembly.anchors.filter((x) => drivenAlong(x) === 1).length,
  }
}
