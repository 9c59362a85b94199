import type { Market } from './market.ts'
import { lotWithout, type Haste, type Lot, type Offer } from './offer.ts'
import { wantedOf, type SearchOptions } from './orders.ts'
import { HOMELESS, likeness, measuresOf, worthOf, type Plan } from './plans.ts'

/*
 * A plan grown lot by lot: each lot goes into a build that is there, or into a new one, and the best way or the few best
 * are gone on with.
 */

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

export interface Growing {
  plan: Plan
  todo: readonly Lot[]
}

/** A lot is parted so often before what is left of it is given up. */
const PARTS = 4

/** How a plan is grown: at most so many kinds of build for each lot, in these walls' order, this wide. */
export interface Growth {
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
export function grow(...of: Parameters<typeof growing>): Plan {
  const steps = growing(...of)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** What was not looked at yet is without a place. */
export const told = ({ plan, todo }: Growing): Plan => ({ ...plan, homeless: [...plan.homeless, ...todo.flat()] })

/** The same, told after each lot. */
export function* growing(
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
