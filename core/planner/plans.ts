import type { Market } from './market.ts'
import { beats, type Measures } from './measures.ts'
import { howMany, lotWithout, type Lot, type Offer } from './offer.ts'

/*
 * Plans of a room: what they are worth, how far they are alike, and the shelf of those none of which beats another.
 */

/** What a plan is to be good at. */
export const AIMS = ['cost', 'floor', 'reach'] as const
export type Aim = (typeof AIMS)[number]

/** A set of builds, and what has no place in any of them. */
export interface Plan {
  offers: readonly Offer[]
  homeless: Lot
}

/** How much more it matters that a thing of every day has a place than one used seldom, and what it is worth. */
export type Urgency = (goodsId: string) => number

/** Whether every build of a plan was judged: what nobody has judged looks better than it is. */
export const isAllJudged = (x: Plan): boolean => x.offers.every((offer) => offer.judged)

/** What plans are compared for. */
export interface Aimed {
  aim: Aim
  budgetMinor: number | null
}

/**
 * What a measure is worth against the others, in whole coins: a square metre of floor, a metre a week of reaching, a
 * thing kept in a makeshift way, one more kind of build, one more build. Product decision: what is aimed at outweighs the rest.
 */
const WORTH: Record<
  Aim,
  { coin: number; floor: number; reach: number; makeshift: number; kind: number; build: number }
> = {
  cost: { coin: 1, floor: 10, reach: 0.2, makeshift: 8, kind: 12, build: 15 },
  floor: { coin: 0.15, floor: 250, reach: 0.5, makeshift: 8, kind: 12, build: 12 },
  reach: { coin: 0.15, floor: 10, reach: 12, makeshift: 12, kind: 8, build: 10 },
}
/** A thing without a place is worse than anything it could cost, in coins; so is a build that does not hold. */
export const HOMELESS = 20_000
const TROUBLE = 2_000

/** Kinds of build in a plan. */
const kindsIn = (offers: readonly Offer[]) => new Set(offers.map((o) => o.build.family)).size
const sum = (offers: readonly Offer[], of: (o: Offer) => number) => offers.reduce((n, o) => n + of(o), 0)

/** What a plan measures as far as it is known: what nobody has judged yet has no troubles. */
export const measuresOf = (plan: Plan, urgency: Urgency): Measures => ({
  homeless: plan.homeless.reduce((n, g) => n + g.count * urgency(g.goodsId), 0),
  troubles: sum(plan.offers, (o) => o.troubles),
  makeshift: sum(plan.offers, (o) => howMany(o.lessWell)),
  minor: sum(plan.offers, (o) => o.minor),
  floorM2: sum(plan.offers, (o) => o.floorM2),
  reach: sum(plan.offers, (o) => o.reach),
  kinds: kindsIn(plan.offers),
  builds: plan.offers.length,
})

/** What a plan is worth for an aim: less is better. */
export function worthOf(m: Measures, { aim, budgetMinor }: Aimed): number {
  const w = WORTH[aim]
  const over = budgetMinor === null ? 0 : Math.max(0, m.minor - budgetMinor) / 100
  return (
    HOMELESS * m.homeless +
    TROUBLE * m.troubles +
    // A plan past the budget is none, but better than nothing while it is grown.
    10 * over +
    (w.coin * m.minor) / 100 +
    w.floor * m.floorM2 +
    w.reach * m.reach +
    w.makeshift * m.makeshift +
    w.kind * m.kinds +
    w.build * m.builds
  )
}

/** What it is worth that a plan is not like one that is there already, in coins for all of it. Product decision. */
const LIKE = 250
export const likeness = (x: Plan, unlike: readonly Plan[]): number =>
  LIKE * unlike.reduce((n, y) => n + (1 - differ(x, y)), 0)

/** Which kinds of build keep which things. */
type Keeping = readonly { family: string; goods: Lot }[]

/** What share of the things is kept by another kind of build. */
export const differ = (a: Plan, b: Plan): number => keptOtherwise(keepingOf(a), keepingOf(b))
const keepingOf = ({ offers }: Plan): Keeping => offers.map((o) => ({ family: o.build.family, goods: o.housed }))
export function keptOtherwise(a: Keeping, b: Keeping): number {
  const by = (x: Keeping) => {
    const out = new Map<string, number>()
    for (const { family, goods } of x)
      for (const g of goods) {
        const key = `${g.goodsId} ${family}`
        out.set(key, (out.get(key) ?? 0) + g.count)
      }
    return out
  }
  const [of, other] = [by(a), by(b)]
  const all = [...of.values()].reduce((n, x) => n + x, 0)
  const same = [...of].reduce((n, [key, count]) => n + Math.min(count, other.get(key) ?? 0), 0)
  return all > 0 ? 1 - same / all : 0
}

/** A plan of other builds, in which what has no place in them any more has none. */
export function keeping(plan: Plan, offers: readonly Offer[]): Plan {
  const all = plan.offers.flatMap((x) => x.housed)
  const lost = offers.reduce<Lot>((left, x) => lotWithout(left, x.housed), all)
  return { offers, homeless: [...plan.homeless, ...lost] }
}

/** So many kinds of things without a place, and a room is short of walls. */
const MANY_LEFT = 6
export const leavesMany = ({ homeless }: Pick<Plan, 'homeless'>): boolean => homeless.length >= MANY_LEFT

/** Plans that none beats in everything, as far as they were looked at. */
export class Shelf {
  readonly kept: { plan: Plan; measures: Measures }[] = []
  /** Plans looked at. */
  seen = 0
  /** The first of all as far as it is grown: shown while there is no other. */
  begun: Plan | null = null

  constructor(private readonly urgency: Urgency) {}

  /** Whether room is short: every plan so far leaves many kinds of things without a place. */
  isShort(): boolean {
    return this.kept.length > 0 && this.kept.every(({ plan }) => leavesMany(plan))
  }

  add(plan: Plan): void {
    this.seen++
    this.keep(plan)
  }

  private keep(plan: Plan): void {
    const measures = measuresOf(plan, this.urgency)
    const isSame = (x: Measures) => Object.entries(x).every(([k, v]) => v === measures[k as keyof Measures])
    // What nobody has judged looks better than it is: what is judged stays beside it.
    const outdoes = (a: Plan, b: Plan) => isAllJudged(a) || !isAllJudged(b)
    if (this.kept.some((x) => outdoes(x.plan, plan) && (beats(x.measures, measures) || isSame(x.measures)))) return
    const left = this.kept.filter((x) => !(outdoes(plan, x.plan) && beats(measures, x.measures)))
    this.kept.splice(0, this.kept.length, ...left, { plan, measures })
  }

  /** A plan that is none any more. */
  drop(plan: Plan): void {
    const at = this.kept.findIndex((x) => x.plan === plan)
    if (at >= 0) this.kept.splice(at, 1)
  }

  /** What is known better by now takes the place of what was looked at; plans it no longer goes into are dropped. */
  refresh(market: Market): void {
    const all = this.kept.splice(0)
    for (const { plan } of all) {
      const now = withLatest(plan, market)
      if (now) this.keep(now)
    }
  }

  /**
   * The best of those kept for an aim.
   * @param judged only of those all builds of which are judged
   */
  best(o: Aimed, but: readonly Plan[] = [], judged = false): { plan: Plan; measures: Measures } | null {
    const open = this.kept.filter((x) => !but.includes(x.plan) && (!judged || isAllJudged(x.plan)))
    return open.reduce<(typeof open)[number] | null>(
      (b, x) => (b && worthOf(b.measures, o) <= worthOf(x.measures, o) ? b : x),
      null,
    )
  }
}

/** A plan with what is known of its builds by now; null where they no longer go together. */
function withLatest(plan: Plan, market: Market): Plan | null {
  const offers = plan.offers.map((o) => market.latest(o))
  const isNew = offers.map((o, i) => o !== plan.offers[i])
  if (!isNew.includes(true)) return plan
  const others = (i: number) => offers.filter((_, k) => k !== i)
  if (!offers.every((o, i) => !isNew[i] || market.fits(o, others(i)))) return null
  return keeping(plan, offers)
}
