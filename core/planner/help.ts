import type { Goods } from '../goods/goods.ts'
import { countedKg } from '../goods/presumed.ts'
import { kept } from '../measure/kept.ts'
import type { Project } from '../project/project.ts'
import { RoomMarket, type Market } from './market.ts'
import type { Lot, Offer } from './offer.ts'
import type { Wishes } from '../project/wishes.ts'

/** Why some things have no place in a plan, and what would make one. */
export type Homeless = { goodsId: string; count: number } & (
  | { why: 'no-kind' }
  /** No build takes them here, however long the wall and however deep the strip before it. */
  | { why: 'too-large' }
  /** Kept with its other side along the wall, which is so long. */
  | { why: 'turned'; alongMm: number }
  /** A strip so deep before a wall that is long enough would do. */
  | { why: 'deeper'; deepMm: number }
  /** So much more of a wall, free from here on, would do. */
  | { why: 'more-wall'; wallId: string; moreMm: number }
  /** What would keep it is fixed to a wall, and none of those that may be built at holds a fixing. */
  | { why: 'bare-walls' }
  /** Nothing here holds with one so heavy; one that weighs no more than the least would be held, where any would. */
  | { why: 'too-heavy'; kg: number; mostKg: number | null }
  | { why: 'no-room' }
)

/** A wall as long as this is long enough for whatever goes on a wall at all, mm. */
const LONG_MM = 20_000
/** So much more of the strip before a wall is tried, mm, least first: beyond the last nothing is built any deeper. */
const DEEPER_MM = [50, 100, 200, 400, 800, 1600, 2400]

/** The room as if one wall went on and on with nothing at it. */
const endless = (p: Project, wallId: string): Project => ({
  ...p,
  builds: [],
  room: {
    ...p.room,
    closed: false,
    diagonals: [],
    features: [],
    walls: p.room.walls.filter((w) => w.id === wallId).map((w) => ({ ...w, lengthMm: LONG_MM, cornerRad: null })),
    ceiling: { ...p.room.ceiling, slope: null, alongWallId: wallId },
  },
})

/** The same room with walls that hold fixings wherever one is set. */
const solid = (p: Project): Project => ({
  ...p,
  room: { ...p.room, walls: p.room.walls.map((w) => ({ ...w, construction: { kind: 'concrete' } })) },
})

/** The same room with more of a strip before each wall. */
const deeper = (p: Project, byMm: number): Project => ({
  ...p,
  room: { ...p.room, walls: p.room.walls.map((w) => ({ ...w, depthMm: w.depthMm + byMm })) },
})

/** What one of a thing would want at an endless wall like one of a room's. */
export interface Wants {
  /** How far a build of some kind for it goes along that, mm; null where none does. */
  mm(wallId: string, goodsId: string): number | null
  /** Whether one of some kind holds there. */
  isHeld(wallId: string, goodsId: string): boolean
}

/** The same for a project, each asked once of walls of one class. */
export function wantsIn(p: Project, wishes: Wishes, { wallClass }: Pick<RoomMarket, 'wallClass'>): Wants {
  const markets = new Map<string, RoomMarket>()
  const [far, held] = [new Map<string, number | null>(), new Map<string, boolean>()]
  const market = (wallId: string) => kept(markets, wallId, () => new RoomMarket(endless(p, wallId), wishes))
  const once =
    <T>(known: Map<string, T>, work: (m: RoomMarket, wallId: string, one: Lot) => T) =>
    (wallId: string, goodsId: string) => {
      const key = `${wallClass(wallId)} ${goodsId}`
      if (!known.has(key)) known.set(key, work(market(wallId), wallId, [{ goodsId, count: 1 }]))
      return known.get(key)!
    }
  return {
    mm: once(far, (m, wallId, one) => wantsMm(m, wallId, one, 0, true) ?? wantsMm(m, wallId, one)),
    isHeld: once(held, (m, _wall, one) => offersFor(m, [], one).some((o) => !m.settled(o).fails)),
  }
}

/**
 * How far a build of some kind for these things goes along a wall, or out from it, mm; null where none does.
 * @param quick the first way each kind would build it will do
 */
function wantsMm(market: Market, wallId: string, lot: Lot, axis: 0 | 1 = 0, quick = false): number | null {
  const sizes = market
    .kindsFor(lot)
    .flatMap(({ kind }) => market.offer(kind, wallId, lot, [], quick ? { haste: 'first' } : {}) ?? [])
    .map((o) => Math.max(o.body.max[axis] - o.body.min[axis], 0))
  return sizes.length > 0 ? Math.min(...sizes) : null
}

/** Shares of what a thing weighs that are tried where nothing holds with it as heavy as it is. */
const LIGHTER = [0.75, 0.5, 0.35, 0.2, 0.1, 0.05]
/** Nothing lighter than this is told, kg: what a shelf holds at all it holds so much of. */
const LEAST_KG = 0.5

/** What would be built for a thing beside the rest, were there nothing to hold: the first of each kind, at whatever wall. */
const offersFor = (market: Pick<Market, 'walls' | 'kindsFor' | 'offer'>, offers: readonly Offer[], lot: Lot): Offer[] =>
  market.kindsFor(lot).flatMap(({ kind }) => {
    for (const wallId of market.walls) {
      const found = market.offer(kind, wallId, lot, offers)
      if (found) return [found]
    }
    return []
  })

/** The same project with one of its things otherwise. */
const withThing = (p: Project, goodsId: string, over: Partial<Goods>): Project => ({
  ...p,
  goods: p.goods.map((g) => (g.id === goodsId ? { ...g, ...over } : g)),
})

/** What is told is within so many halvings of what would be held and what would not. */
const HALVINGS = 3

/** How heavy one of a thing may be for something here beside the rest to hold with it, kg; null where weight is no help. */
function heldAtKg(p: Project, wishes: Wishes, offers: readonly Offer[], one: Lot[number], kg: number): number | null {
  const isHeld = (massKg: number) => {
    const market = new RoomMarket(withThing(p, one.goodsId, { massKg }), wishes)
    return offersFor(market, offers, [one]).some((o) => !market.settled(o).fails)
  }
  const halfKg = (x: number) => Math.floor(2 * x) / 2
  const tried = LIGHTER.map((share) => halfKg(share * kg)).filter((x) => x >= LEAST_KG)
  const first = tried.findIndex(isHeld)
  if (first < 0) return null
  let [held, not] = [tried[first], tried[first - 1] ?? kg]
  for (let i = 0; i < HALVINGS; i++) {
    const between = halfKg((held + not) / 2)
    if (between <= held) break
    if (isHeld(between)) held = between
    else not = between
  }
  return held
}

/** What keeps one of the things left out from having a place. */
export function whyHomeless(
  p: Project,
  wishes: Wishes,
  market: Pick<RoomMarket, 'walls' | 'freeMm' | 'kindsFor' | 'offer' | 'settled'>,
  offers: readonly Offer[],
  wants: Wants,
  g: Lot[number],
): Homeless {
  const one = { ...g, count: 1 }
  const wanted = market.walls.flatMap((wallId) => {
    // What is told is what one of them wants.
    const mm = wants.mm(wallId, g.goodsId)
    return mm === null ? [] : [{ wallId, moreMm: mm - market.freeMm(wallId, offers) }]
  })
  const least = wanted.reduce<(typeof wanted)[number] | null>((a, b) => (a && a.moreMm <= b.moreMm ? a : b), null)
  if (!least) return whyNever(p, wishes, market.walls, offers, g)
  if (least.moreMm > 0) return { ...g, why: 'more-wall', ...least }
  const seen = offersFor(market, offers, [one])
  if (seen.length === 0 || seen.some((o) => !market.settled(o).fails)) return { ...g, why: 'no-room' }
  // Where it goes it meets something, or does not hold: at another wall it would.
  const other = wanted.filter((x) => x.moreMm > 0 && wants.isHeld(x.wallId, g.goodsId))
  return other.length > 0
    ? { ...g, why: 'more-wall', ...other.reduce((a, b) => (a.moreMm <= b.moreMm ? a : b)) }
    : tooHeavy(p, wishes, offers, g)
}

/** The same, told of a thing that is too heavy as it is. */
function tooHeavy(p: Project, wishes: Wishes, offers: readonly Offer[], g: Lot[number]): Homeless {
  const kg = countedKg(p.goods.find((x) => x.id === g.goodsId)!)
  const one = { ...g, count: 1 }
  const mostKg = heldAtKg(p, wishes, offers, one, kg) ?? heldAtKg(p, wishes, [], one, kg)
  return { ...g, why: 'too-heavy', kg, mostKg }
}

/** The same, told of a thing for which nothing can be built here, however long the wall. */
function whyNever(
  p: Project,
  wishes: Wishes,
  walls: readonly string[],
  offers: readonly Offer[],
  g: Lot[number],
): Homeless {
  const one = { ...g, count: 1 }
  const thing = p.goods.find((x) => x.id === g.goodsId)!
  const { acrossMm, deepMm } = thing
  const light = withThing(p, g.goodsId, { massKg: LIGHTER.at(-1)! * countedKg(thing) })
  const sizes = (q: Project, axis: 0 | 1) =>
    walls.flatMap((wallId) => wantsMm(new RoomMarket(endless(q, wallId), wishes), wallId, [one], axis) ?? [])
  const isKept = (q: Project) => sizes(q, 0).length > 0
  if (deepMm > acrossMm && !thing.tote && isKept(withThing(p, g.goodsId, { acrossMm: deepMm, deepMm: acrossMm })))
    return { ...g, why: 'turned', alongMm: deepMm }
  if (!isKept(deeper(solid(light), DEEPER_MM.at(-1)!)))
    return { ...g, why: new RoomMarket(light, wishes).kindsFor([one]).length > 0 ? 'too-large' : 'no-kind' }
  if (isKept(light)) return tooHeavy(p, wishes, offers, g)
  if (isKept(solid(light))) return { ...g, why: 'bare-walls' }
  for (const byMm of DEEPER_MM) {
    const deep = sizes(deeper(p, byMm), 1)
    if (deep.length > 0) return { ...g, why: 'deeper', deepMm: Math.min(...deep) }
  }
  return { ...g, why: 'too-large' }
}
