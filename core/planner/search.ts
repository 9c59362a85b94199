import { grow, growing, told, type Growth } from './grow.ts'
import type { Market } from './market.ts'
import { lotWithout, type Lot, type Offer } from './offer.ts'
import {
  byBulk,
  byOften,
  byRoom,
  lotsOf,
  mostUrgent,
  shuffled,
  triedAgain,
  wantedOf,
  type SearchOptions,
} from './orders.ts'
import { isAllJudged, keeping, leavesMany, likeness, measuresOf, worthOf, type Plan, type Shelf } from './plans.ts'

/*
 * Which builds keep a heap of things, and where: sets of builds are grown lot by lot, in several orders, the best or the few
 * best kept at every lot; then part of one is torn down and grown again, over and over (ruin and recreate). What is looked
 * at is kept, so that plans that are best in something else are at hand.
 */

/** Plans kept at every lot while one is grown. */
const BEAM = 3
/** More lots than this are a large heap. */
const MANY_LOTS = 24
/** Ways to go on from each of them that are looked at: kinds of build, and walls. */
const MOST_KINDS = 4
const FEW_KINDS = 2

/** Walls that are tried when part of a plan is grown again. */
const WALLS_AGAIN = 3
/** Of a lot torn down its things are lots of their own this often. */
const APART = 0.5
/** Where things have no place, what is torn down goes into what still stands, if that takes it, this often. */
const DENSE = 0.6
/** So often the first place that takes all of some things is good enough. */
const HASTY = 0.6
/** Where room is short more ways are worth more than the best of each. */
const hurry = (plan: Plan, random: () => number): Pick<Growth, 'hasty' | 'haste'> =>
  leavesMany(plan) ? { hasty: true, haste: 'enough' } : { hasty: random() < HASTY }
/** A worse plan is gone on from when it is no worse than this, falling to nought. */
const WARM = 0.05

/** What the search is at, each time it tells. */
export type Stage = 'growing' | 'first' | 'grown' | 'judged' | 'round'

const NOTHING: Plan = { offers: [], homeless: [] }
/** How much what has no place in a plan is wanted. */
const leftIn = (x: Plan, { urgency }: SearchOptions): number => measuresOf(x, urgency).homeless

/**
 * The first plan of all, told as it grows: what takes most room first, each into what is there already, so that much soon
 * has a place. Where that turns out to leave many without one, what takes least room.
 * @param orders of these things, for the one and for the other; for the other alone where that is known before
 */
function* firstOf(
  orders: readonly (readonly Lot[])[],
  market: Market,
  shelf: Shelf,
  o: SearchOptions,
  g: Growth,
): Generator<'growing', { plan: Plan; isShort: boolean }> {
  let best: Plan | null = null
  let isShort = false
  for (const [i, order] of orders.entries()) {
    const isLast = i === orders.length - 1
    const steps = growing(NOTHING, order, market, o, { ...g, dense: true, hasty: true, haste: 'first' })
    let step = steps.next()
    while (!step.done && (isLast || !leavesMany(step.value.plan))) {
      const so = told(step.value)
      if (!shelf.begun || leftIn(so, o) <= leftIn(shelf.begun, o)) shelf.begun = so
      yield 'growing'
      step = steps.next()
    }
    const plan = step.done ? step.value : told(step.value)
    shelf.add(plan)
    if (!best || leftIn(plan, o) < leftIn(best, o)) best = plan
    isShort = i > 0 || leavesMany(plan)
    if (step.done) break
  }
  shelf.begun = null
  return { plan: best!, isShort }
}

/**
 * Grows a plan quickly where the shelf is empty, then others with care, then tears down and grows again until told to stop.
 * Only what holds is gone on with. What was found is on the shelf.
 */
export function* searching(
  heap: Lot,
  market: Market,
  shelf: Shelf,
  o: SearchOptions,
  rounds: number,
): Generator<Stage> {
  const worth = (x: Plan) => worthOf(measuresOf(x, o.urgency), o) + likeness(x, o.unlike)
  const left = (x: Plan) => leftIn(x, o)
  const loose: Growth = { kinds: MOST_KINDS, walls: market.walls, beam: 1, shake: 0, hasty: false }
  const few = { ...loose, kinds: FEW_KINDS }
  const [lots, singles] = [lotsOf(heap, market, o.urgency), heap.map((g): Lot => [g])]
  const orders: [() => Lot[], Growth][] = [
    [() => byBulk(singles, o), few],
    [() => byBulk(lots, o), loose],
    // What is hardest to keep first, then in any order: for what has no place yet.
    [() => lots, { ...loose, beam: lots.length > MANY_LOTS ? 1 : BEAM }],
    [() => shuffled(lots, o.random), { ...loose, dense: true }],
  ]
  let [now, isShort] = [NOTHING, shelf.isShort()]
  if (shelf.kept.length === 0) {
    const first = yield* firstOf([...(o.isTight ? [] : [byBulk(singles, o)]), byRoom(lots, o)], market, shelf, o, few)
    ;[now, isShort] = [first.plan, first.isShort]
    yield 'first'
  }
  // Where there is room: many small builds are lighter than few full ones.
  for (const [i, [order, g]] of (isShort ? [] : orders).entries()) {
    if (i > 0 && o.isGrown?.()) break
    if (i > 1 && left(now) === 0) break
    const other = grow(NOTHING, order(), market, o, g)
    // What beats it, or is the same, would keep it off the shelf.
    if (i === 0 && left(other) <= left(now)) shelf.drop(now)
    shelf.add(other)
    if (i === 0 ? left(other) <= left(now) || now === NOTHING : worth(other) < worth(now)) now = other
    yield 'grown'
  }
  // What was found for another aim may be better for this one too.
  const known = shelf.best(o)?.plan
  if (known && (now === NOTHING || worth(known) < worth(now))) now = known
  if (isShort) now = yield* packed(now, market, shelf, o, rounds)
  now = yield* allJudged(now, market, shelf, o)
  for (let round = 0; round < rounds; round++) {
    const again = regrown(now, market, o, round)
    // What nobody has judged looks better than it is: what would be gone on with is judged first.
    const isJudged = isAllJudged(again)
    if (isJudged) shelf.add(again)
    if (isJudged && worth(again) <= worth(now) * (1 + WARM * (1 - round / rounds))) now = again
    else if (!isJudged && worth(again) < worth(now)) {
      // Where room is short another way is sooner found than how little of one would hold.
      const judged = yield* allJudged(again, market, shelf, o, { asItIs: leavesMany(again) })
      if (worth(judged) < worth(now)) now = judged
    }
    yield 'round'
  }
}

/** Of the rounds there are at most this share goes by before anything is judged, where room is short. */
const UNJUDGED = 0.25

/**
 * Where room is short, a plan torn down and grown again as it is looked at: most of what it begins with is torn down
 * anyway, and judging it takes as long as a dozen rounds.
 */
function* packed(
  first: Plan,
  market: Market,
  shelf: Shelf,
  o: SearchOptions,
  rounds: number,
): Generator<'round', Plan> {
  const worth = (x: Plan) => worthOf(measuresOf(x, o.urgency), o) + likeness(x, o.unlike)
  let [now, best] = [first, first]
  for (let round = 0; round < UNJUDGED * rounds && !o.isGrown?.(); round++) {
    const again = regrown(now, market, o, round)
    if (worth(again) <= worth(now) * (1 + WARM * (1 - round / (UNJUDGED * rounds)))) now = again
    if (worth(now) < worth(best)) {
      shelf.drop(best)
      shelf.add(now)
      best = now
    }
    yield 'round'
  }
  return best
}

/** Times all builds of a plan are judged. */
const SETTLED_AGAIN = 4

/** A plan with all its builds judged, those built otherwise that do not hold or no longer fit, until none is new. */
export function* allJudged(
  first: Plan,
  market: Market,
  shelf: Shelf,
  o: SearchOptions,
  { isOver = () => false, asItIs = false }: { isOver?: () => boolean; asItIs?: boolean } = {},
): Generator<'judged', Plan> {
  let plan = first
  for (let i = 0; i < SETTLED_AGAIN && !isAllJudged(plan); i++) {
    for (const x of plan.offers) {
      if (isOver()) return plan
      if (x.judged) continue
      market.settled(x)
      yield 'judged'
    }
    plan = refitted(plan, market, o)
  }
  // What no change makes hold is no part of a plan: its things are placed once more, or told to have no place.
  for (const last of [false, true]) {
    const before = plan
    plan = withoutFailing(plan, market, o, asItIs)
    if (last || plan.homeless.length === 0) break
    plan = mended(plan, market, o, before)
    yield 'judged'
  }
  shelf.refresh(market)
  shelf.add(plan)
  return plan
}

type Wanting = Pick<SearchOptions, 'urgency'>

/** Of some builds those that go beside each other: where two do not, what holds what is used most often stays. */
function besideEachOther(offers: readonly Offer[], market: Market, o: Wanting): Offer[] {
  const most = ({ housed }: Offer) => mostUrgent(housed, o)
  const stays: Offer[] = []
  for (const x of [...offers].sort((a, b) => most(b) - most(a))) if (market.fits(x, stays)) stays.push(x)
  return offers.filter((x) => stays.includes(x))
}

/**
 * A plan without the builds that were judged and fail; what they held is without a place.
 * @param asItIs nobody looks whether one holds with fewer goods
 */
export function withoutFailing(plan: Plan, market: Market, o: Wanting, asItIs = false): Plan {
  const judged = asItIs ? plan.offers : plan.offers.map((x) => market.lightened(x))
  const offers = besideEachOther(
    judged.filter((x) => !x.fails),
    market,
    o,
  )
  // A plan of nothing helps nobody: then what fails is told.
  return offers.length === 0 ? { ...plan, offers: judged } : keeping(plan, offers)
}

/**
 * A plan with what is known of its builds by now: what no longer goes beside the rest, or does not hold, is built
 * otherwise.
 */
export function refitted(plan: Plan, market: Market, o: SearchOptions): Plan {
  const latest = plan.offers.map((x) => market.latest(x))
  return mended(keeping(plan, besideEachOther(latest, market, o)), market, o, plan)
}

/**
 * A plan in which what does not hold is built otherwise, and what lost its place has another.
 * @param before the plan it was made of: what had no place in that is looked at only where something is another now
 */
export function mended(plan: Plan, market: Market, o: SearchOptions, before?: Plan): Plan {
  const bad = plan.offers.filter((x) => x.troubles > 0)
  // Where room is short only what lost its place is looked at: for the rest there is time later.
  const isShort = before !== undefined && leavesMany(before)
  const { lots: homeless, rest } = isShort ? newlyLeft(plan, before) : triedAgain(plan.homeless, o)
  const lots = byOften([...bad.map((x) => x.housed), ...homeless], o)
  if (lots.length === 0) return plan
  const stays = plan.offers.filter((x) => !bad.includes(x))
  const gone = before?.offers.filter((x) => !stays.some((y) => y.build.id === x.build.id && takesAsMuch(y, x))) ?? []
  const tried = new Set(homeless.filter(([g]) => before?.homeless.includes(g)))
  const again = grow({ offers: stays, homeless: rest }, lots, market, o, {
    kinds: MOST_KINDS,
    walls: market.walls,
    tried: { lots: tried, opened: wallsOf(gone, market) },
    beam: 1,
    shake: 0,
    hasty: isShort,
    ...(isShort ? { haste: 'enough' as const } : {}),
  })
  const worth = (x: Plan) => worthOf(measuresOf(x, o.urgency), o)
  return worth(again) < worth(plan) ? again : plan
}

/** Whether one build leaves no room free that another takes. */
const takesAsMuch = (a: Offer, b: Offer): boolean =>
  [0, 1, 2].every((i) => a.body.min[i] <= b.body.min[i] + LEAVES_MM && a.body.max[i] >= b.body.max[i] - LEAVES_MM)
/** Less than this nothing goes into, mm. Product decision. */
const LEAVES_MM = 20

/** What has a place in one plan and none in another, and what has none in either. */
function newlyLeft(plan: Plan, before: Plan): ReturnType<typeof triedAgain> {
  const known = new Set(before.homeless)
  const isNew = plan.homeless.filter((g) => !known.has(g))
  return { lots: isNew.map((g) => [g]), rest: plan.homeless.filter((g) => known.has(g)) }
}

/** Walls at which something is free without some builds. */
const wallsOf = (gone: readonly Offer[], market: Market) => [...new Set(gone.flatMap((x) => market.wallsBy(x)))]

/** So often, where things have no place, one of them is given that of others. */
const GIVEN_ROOM = 0.5
/** Places for it that are looked at, each time with so many of the builds thought away. */
const ROOM_WAYS = 6
const THOUGHT_AWAY = 0.5

/** One kind of some things, the more often the more it is wanted. */
function oneWanted(heap: Lot, o: SearchOptions): Lot {
  let left = o.random() * wantedOf(heap, o)
  return [heap.find((g) => (left -= wantedOf([g], o)) <= 0) ?? heap[heap.length - 1]]
}

/** A build beside all of some others that it leaves room for, those whose goods are wanted most first; and the rest. */
function givingWay(
  offer: Offer,
  others: readonly Offer[],
  market: Market,
  o: SearchOptions,
): Record<'stays' | 'gone', Offer[]> {
  const [stays, gone]: [Offer[], Offer[]] = [[offer], []]
  for (const x of [...others].sort((a, b) => wantedOf(b.housed, o) - wantedOf(a.housed, o)))
    (market.fits(x, stays) ? stays : gone).push(x)
  return { stays, gone }
}

/**
 * A plan in which something that had no place has one, and what stood there is placed after it: of some places that where
 * least is wanted. Null where none was found.
 */
export function withRoomFor(plan: Plan, lot: Lot, market: Market, o: SearchOptions): Plan | null {
  const { random } = o
  const kinds = market.kindsFor(lot).slice(0, FEW_KINDS)
  if (kinds.length === 0 || market.walls.length === 0) return null
  let best: { offer: Offer; stays: Offer[]; gone: Offer[]; lost: number } | null = null
  for (let i = 0; i < ROOM_WAYS; i++) {
    const [{ kind }] = shuffled(kinds, random)
    const [wallId] = shuffled(market.walls, random)
    const some = plan.offers.filter(() => random() > THOUGHT_AWAY)
    const offer = market.offer(kind, wallId, lot, some)
    if (!offer) continue
    const { stays, gone } = givingWay(offer, plan.offers, market, o)
    const lost =
      wantedOf(
        gone.flatMap((x) => x.housed),
        o,
      ) - wantedOf(offer.housed, o)
    if (!best || lost < best.lost) best = { offer, stays, gone, lost }
  }
  if (!best) return null
  const { offer, stays, gone } = best
  const { lots: homeless, rest } = triedAgain(lotWithout(plan.homeless, offer.housed), o)
  const freed = gone.flatMap(({ housed }) => (random() < APART ? housed.map((g): Lot => [g]) : [housed]))
  return grow({ offers: stays, homeless: rest }, byBulk([...freed, ...homeless], o), market, o, {
    kinds: MOST_KINDS,
    walls: market.walls,
    tried: { lots: new Set(homeless), opened: wallsOf(gone, market) },
    beam: 1,
    shake: 0,
    ...hurry(plan, random),
    dense: random() < DENSE,
  })
}

/** A plan with part of it torn down and grown again. */
function regrown(plan: Plan, market: Market, o: SearchOptions, round: number): Plan {
  const { random } = o
  if (plan.homeless.length > 0 && random() < GIVEN_ROOM) {
    const found = withRoomFor(plan, oneWanted(plan.homeless, o), market, o)
    if (found) return found
  }
  // One build or two are torn down, what does not hold first; with the others at one wall now and then.
  const bad = plan.offers.filter((x) => x.troubles > 0)
  const [hit] = shuffled(bad.length > 0 && random() < 0.7 ? bad : plan.offers, random)
  const second = random() < 0.5 ? shuffled(plan.offers, random)[0] : hit
  const wall = random() < 0.3 ? hit?.build.wallId : null
  const stays = plan.offers.filter((x) => x !== hit && x !== second && x.build.wallId !== wall)
  const { lots: homeless, rest } = triedAgain(plan.homeless, o)
  const gone = plan.offers.filter((x) => !stays.includes(x))
  const opened = wallsOf(gone, market)
  const freed = gone.flatMap(({ housed }) => (random() < APART ? housed.map((g): Lot => [g]) : [housed]))
  const parts = [...freed, ...homeless].filter((l) => l.length > 0)
  return grow({ offers: stays, homeless: rest }, shuffled(parts, random), market, o, {
    kinds: MOST_KINDS,
    walls: shuffled(market.walls, random).slice(0, WALLS_AGAIN),
    tried: { lots: new Set(homeless), opened },
    beam: 1,
    // Now and then nothing is shaken, so that the best of what is near is found.
    shake: round % 3 === 0 ? 0 : 0.2,
    // More rounds are worth more than the best place for each lot.
    ...hurry(plan, random),
    dense: plan.homeless.length > 0 && random() < DENSE,
  })
}
