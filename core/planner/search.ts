import type { Market } from './market.ts'
import { lotWithout, type Haste, type Lot, type Offer } from './offer.ts'
import {
  HOMELESS,
  isAllJudged,
  keeping,
  leavesMany,
  likeness,
  measuresOf,
  worthOf,
  type Aimed,
  type Plan,
  type Shelf,
  type Urgency,
} from './plans.ts'

/*
 * Which builds keep a heap of things, and where: sets of builds are grown lot by lot, in several orders, the best or the few
 * best kept at every lot; then part of one is torn down and grown again, over and over (ruin and recreate). What is looked
 * at is kept, so that plans that are best in something else are at hand.
 */

/** How much room one of a thing takes, in any unit. */
export type Bulk = (goodsId: string) => number

export interface SearchOptions extends Aimed {
  urgency: Urgency
  bulk: Bulk
  /** Plans there are already: others are worth more. */
  unlike: readonly Plan[]
  /** Numbers from 0 up to 1, the same ones each time. */
  random: () => number
  /** Whether this share of the time for looking has passed. */
  isLate?: (share: number) => boolean
  /** Whether so much of it has passed that no further plan is grown from nothing. */
  isGrown?: () => boolean
}

/** How much it matters that some things have a place. */
const wantedOf = (lot: Lot, { urgency }: Pick<SearchOptions, 'urgency'>): number =>
  lot.reduce((n, g) => n + g.count * urgency(g.goodsId), 0)

/** Plans kept at every lot while one is grown. */
const BEAM = 3
/** More lots than this are a large heap. */
const MANY_LOTS = 24
/** Ways to go on from each of them that are looked at: kinds of build, and walls. */
const MOST_KINDS = 4
const FEW_KINDS = 2

/** All ways to keep a lot in a plan, or as much of it as goes. @param squeezed in new builds only, as short as there is room */
function* waysOn(
  plan: Plan,
  lot: Lot,
  market: Market,
  { kinds, walls: anywhere, dense, tried, haste }: Pick<Growth, 'kinds' | 'walls' | 'dense' | 'tried' | 'haste'>,
  squeezed = false,
): Generator<Plan> {
  const those = market.kindsFor(lot)
  const best = those[0]?.score ?? 0
  let all = false
  const opened = tried?.lots.has(lot) ? tried.opened : null
  const walls = opened ?? anywhere
  for (const [i, o] of squeezed ? [] : plan.offers.entries()) {
    const known = those.find((k) => k.kind === o.build.family)
    if (!known || (opened && !opened.includes(o.build.wallId))) continue
    const others = plan.offers.filter((_, j) => j !== i)
    const more = market.extended(o, lot, others, { haste })
    if (!more) continue
    const way = withOffer(plan, [...others, more], lot, lotWithout(more.housed, o.housed))
    all ||= known.score >= Math.min(2, best) && way.homeless.length === plan.homeless.length
    yield way
  }
  if (dense && all) return
  // A kind that goes to none of these walls is none of those looked at.
  let looked = 0
  for (const { kind } of those) {
    if (looked === kinds) break
    let found = false
    for (const wallId of walls) {
      const offer = market.offer(kind, wallId, lot, plan.offers, { squeezed, haste })
      if (offer) yield withOffer(plan, [...plan.offers, offer], lot, offer.housed)
      found ||= offer !== null
    }
    if (found) looked++
  }
}

/** The same; where there are none, what is made as short as there is room. */
function* anyWayOn(plan: Plan, lot: Lot, market: Market, g: Growth): Generator<Plan> {
  let any = false
  for (const way of waysOn(plan, lot, market, g)) {
    any = true
    yield way
  }
  if (any || g.haste === 'first') return
  for (const way of waysOn(plan, lot, market, g, true)) {
    any = true
    yield way
  }
  if (!any) yield* waysUnder(plan, lot, market, g)
}

/** Ways to keep a lot under what hangs, which is raised for it. */
function* waysUnder(plan: Plan, lot: Lot, market: Market, { kinds, walls, tried }: Growth): Generator<Plan> {
  const opened = tried?.lots.has(lot) ? tried.opened : walls
  for (const { kind } of market.kindsFor(lot).slice(0, kinds))
    for (const wallId of opened) {
      const found = market.under(kind, wallId, lot, plan.offers)
      if (found) yield withOffer(plan, [...found.others, found.offer], lot, found.offer.housed)
    }
}

const withOffer = (plan: Plan, offers: readonly Offer[], lot: Lot, housed: Lot): Plan => ({
  offers,
  homeless: [...plan.homeless, ...lotWithout(lot, housed)],
})

interface Growing {
  plan: Plan
  todo: readonly Lot[]
}

/** A lot is parted so often before what is left of it is given up. */
const PARTS = 4

/** How a plan is grown: at most so many kinds of build for each lot, in these walls' order, this wide. */
interface Growth {
  kinds: number
  /** Where a build that is there takes all of a lot no other is looked for. */
  dense?: boolean
  walls: readonly string[]
  /** Lots that had no place before what was torn down: only at the walls where that was they may have one now. */
  tried?: { lots: ReadonlySet<Lot>; opened: readonly string[] }
  beam: number
  /** How much the worth of a way is shaken, as a share. */
  shake: number
  /** The first way that takes a whole lot is taken. */
  hasty: boolean
  /** After the first way a kind would build it what has no place is not tried as short as there is room either. */
  haste?: Haste
}

/** Grows a plan until every lot has been looked at. */
function grow(...of: Parameters<typeof growing>): Plan {
  const steps = growing(...of)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** What was not looked at yet is without a place. */
const told = ({ plan, todo }: Growing): Plan => ({ ...plan, homeless: [...plan.homeless, ...todo.flat()] })

/** The same, told after each lot. */
function* growing(
  from: Plan,
  lots: readonly Lot[],
  market: Market,
  o: SearchOptions,
  g: Growth,
): Generator<Growing, Plan> {
  const worth = (plan: Plan) => worthOf(measuresOf(plan, o.urgency), o) + likeness(plan, o.unlike)
  let beam: Growing[] = [{ plan: from, todo: lots }]
  for (let round = 0; round < PARTS * lots.length && beam.some((b) => b.todo.length > 0); round++) {
    // Late the first way that is found is taken: what is begun is ended soon.
    const now = o.isLate?.(1) ? { ...g, kinds: 1, beam: 1, hasty: true } : g
    const next: (Growing & { worth: number })[] = []
    for (const { plan, todo } of beam) {
      if (todo.length === 0) {
        next.push({ plan, todo, worth: worth(plan) })
        continue
      }
      const [lot, ...rest] = todo
      let any = false
      for (const way of anyWayOn(plan, lot, market, now)) {
        any = true
        // What a build leaves out of a lot is a lot of its own.
        const left = way.homeless.slice(plan.homeless.length)
        const on: Growing = {
          plan: { ...way, homeless: plan.homeless },
          todo: left.length > 0 ? [left, ...rest] : rest,
        }
        const open = wantedOf(on.todo.flat(), o)
        const shaken = 1 + now.shake * (o.random() - 0.5)
        next.push({ ...on, worth: worth(on.plan) * shaken + HOMELESS * open })
        if (now.hasty && left.length === 0) break
      }
      const given: Growing = { plan: { ...plan, homeless: [...plan.homeless, ...lot] }, todo: rest }
      if (!any) next.push({ ...given, worth: worth(given.plan) })
    }
    beam = next.sort((a, b) => a.worth - b.worth).slice(0, now.beam)
    yield beam[0]
  }
  return told(beam[0])
}

/** Things that go to the same kinds of build equally well are one lot; what is hardest to keep, and wanted most, first. */
export function lotsOf(heap: Lot, market: Market, urgency: Urgency): Lot[] {
  const by = new Map<string, { lot: { goodsId: string; count: number }[]; kinds: number }>()
  for (const g of heap) {
    const kinds = market.kindsFor([g])
    const key = kinds.map((k) => `${k.kind} ${k.score}`).join()
    const known = by.get(key) ?? { lot: [], kinds: kinds.length }
    known.lot.push(g)
    by.set(key, known)
  }
  const wanted = (lot: Lot) => wantedOf(lot, { urgency })
  return [...by.values()].sort((a, b) => a.kinds - b.kinds || wanted(b.lot) - wanted(a.lot)).map((x) => x.lot)
}

/** What takes most room first, and what is wanted most: what is small goes in beside it. */
function byBulk(lots: readonly Lot[], { bulk, urgency }: Pick<SearchOptions, 'bulk' | 'urgency'>): Lot[] {
  const of = (lot: Lot) => lot.reduce((n, g) => n + g.count * bulk(g.goodsId) * urgency(g.goodsId), 0)
  return [...lots].sort((a, b) => of(b) - of(a))
}

/** Of a lot what takes more than so many times the room of its smallest is a lot of its own. */
const FAR_LARGER = 8

/**
 * What is wanted most first, and of that what takes least room for it: what has no place in the end is what is used least,
 * and as little as can be.
 */
function byRoom(lots: readonly Lot[], { bulk, urgency }: Pick<SearchOptions, 'bulk' | 'urgency'>): Lot[] {
  const parted = lots.flatMap((lot) => {
    const out: Lot[] = []
    let first: Lot[number] | null = null
    const order = [...lot].sort((a, b) => urgency(b.goodsId) - urgency(a.goodsId) || bulk(a.goodsId) - bulk(b.goodsId))
    for (const g of order) {
      const isAlike =
        first && urgency(g.goodsId) === urgency(first.goodsId) && bulk(g.goodsId) <= FAR_LARGER * bulk(first.goodsId)
      if (isAlike) out.push([...out.pop()!, g])
      else {
        out.push([g])
        first = g
      }
    }
    return out
  })
  const each = ([{ goodsId }]: Lot) => urgency(goodsId)
  const of = (lot: Lot) => wantedOf(lot, { urgency }) / lot.reduce((n, g) => n + g.count * bulk(g.goodsId), 0)
  return parted.sort((a, b) => each(b) - each(a) || of(b) - of(a))
}

const shuffled = <T>(list: readonly T[], random: () => number): T[] => {
  const out = [...list]
  for (let i = out.length - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1))
    ;[out[i], out[k]] = [out[k], out[i]]
  }
  return out
}

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

/** Of what has no place so many kinds of things are tried again each time, the more wanted the likelier. */
const TRIED_AGAIN = 12

/** What had no place: some of it to be tried once more, and what is not looked at this time. */
function triedAgain(homeless: Lot, o: SearchOptions): { lots: Lot[]; rest: Lot } {
  if (homeless.length <= TRIED_AGAIN) return { lots: homeless.map((g) => [g]), rest: [] }
  const order = homeless
    .map((g) => ({ g, at: o.random() ** (1 / wantedOf([g], o)) }))
    .sort((a, b) => b.at - a.at)
    .map(({ g }) => g)
  return { lots: order.slice(0, TRIED_AGAIN).map((g) => [g]), rest: order.slice(TRIED_AGAIN) }
}

/** What the search is at, each time it tells. */
export type Stage = 'growing' | 'first' | 'grown' | 'judged' | 'round'

const NOTHING: Plan = { offers: [], homeless: [] }
/** How much what has no place in a plan is wanted. */
const leftIn = (x: Plan, { urgency }: SearchOptions): number => measuresOf(x, urgency).homeless

/**
 * The first plan of all, told as it grows: what takes most room first, each into what is there already, so that much soon
 * has a place. Where that turns out to leave many without one, what takes least room.
 * @param orders of these things, for the one and for the other
 */
function* firstOf(
  orders: readonly [readonly Lot[], readonly Lot[]],
  market: Market,
  shelf: Shelf,
  o: SearchOptions,
  g: Growth,
): Generator<'growing', { plan: Plan; isShort: boolean }> {
  let best: Plan | null = null
  let isShort = false
  for (const order of orders) {
    const steps = growing(NOTHING, order, market, o, { ...g, dense: true, hasty: true, haste: 'first' })
    let step = steps.next()
    while (!step.done && (isShort || !leavesMany(step.value.plan))) {
      const so = told(step.value)
      if (!shelf.begun || leftIn(so, o) <= leftIn(shelf.begun, o)) shelf.begun = so
      yield 'growing'
      step = steps.next()
    }
    const plan = step.done ? step.value : told(step.value)
    shelf.add(plan)
    if (!best || leftIn(plan, o) < leftIn(best, o)) best = plan
    if (step.done) break
    isShort = true
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
    const first = yield* firstOf([byBulk(singles, o), byRoom(lots, o)], market, shelf, o, few)
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
    plan = withoutFailing(plan, market, asItIs)
    if (last || plan.homeless.length === 0) break
    plan = mended(plan, market, o, before)
    yield 'judged'
  }
  shelf.refresh(market)
  shelf.add(plan)
  return plan
}

/**
 * A plan without the builds that were judged and fail; what they held is without a place.
 * @param asItIs nobody looks whether one holds with fewer goods
 */
export function withoutFailing(plan: Plan, market: Market, asItIs = false): Plan {
  const judged = asItIs ? plan.offers : plan.offers.map((x) => market.lightened(x))
  const offers: Offer[] = []
  for (const x of judged) if (!x.fails && market.fits(x, offers)) offers.push(x)
  // A plan of nothing helps nobody: then what fails is told.
  return offers.length === 0 ? { ...plan, offers: judged } : keeping(plan, offers)
}

/**
 * A plan with what is known of its builds by now: what no longer goes beside the rest, or does not hold, is built
 * otherwise.
 */
export function refitted(plan: Plan, market: Market, o: SearchOptions): Plan {
  const stays: Offer[] = []
  for (const offer of plan.offers.map((x) => market.latest(x))) if (market.fits(offer, stays)) stays.push(offer)
  return mended(keeping(plan, stays), market, o, plan)
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
  const lots = [...bad.map((x) => x.housed), ...homeless]
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
function withRoomFor(plan: Plan, market: Market, o: SearchOptions): Plan | null {
  const { random } = o
  const lot = oneWanted(plan.homeless, o)
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
    const found = withRoomFor(plan, market, o)
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
