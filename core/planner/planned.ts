import type { CheckResult } from '../checks/check.ts'
import { isUnratedIn } from '../checks/wall-fixing.ts'
import { findFamily } from '../families/registry.ts'
import type { Point } from '../geometry/hull.ts'
import { presumedMass, type Presumed } from '../goods/presumed.ts'
import { procure } from '../project/plan.ts'
import type { Build, Project } from '../project/project.ts'
import { withoutHome } from '../project/proposals.ts'
import { PRESUMED_RATING_N } from '../project/rating-wanted.ts'
import type { BuildReading } from '../project/read-build.ts'
import type { Wishes } from '../project/wishes.ts'
import { hoursOf } from '../takeoff/hours.ts'
import { whyHomeless, type Homeless, type Wants } from './help.ts'
import type { LessWell } from './ill-placed.ts'
import { hardest } from './judged-offer.ts'
import type { RoomMarket } from './market.ts'
import type { Measures } from './measures.ts'
import { isInWall, lotWithout, measured, type Lot, type Offer } from './offer.ts'
import { measuresOf, type Aim, type Plan, type Urgency } from './plans.ts'

/*
 * A plan of a room as it is told: as it was looked at, or as it was proven.
 */

/** A plan of a room: builds where they go, what they come to, and what is left without a place. */
export interface PlannedRoom {
  /** What it was looked for. */
  aim: Aim
  builds: Build[]
  /** Where each of them is on the plan of the room, its corners in order. */
  feet: Point[][]
  measures: Measures
  /** Looked at, or proven: then its troubles are counted. */
  proven: boolean
  hours: number
  boards: number
  sheets: number
  /** So much over what was wished, minor units. */
  overMinor: number
  /** Builds that would be screwed to a wall that is to have no holes. */
  holed: string[]
  homeless: Homeless[]
  /** Things it presumes a mass of, what weighs most in all first. */
  presumed: ({ goodsId: string; count: number } & Presumed)[]
  /** So many of its builds wait for the rating of anchors that nobody has said, and what is presumed of it, N. */
  unrated: { builds: number; presumedN: number } | null
  /** What is kept less well than it could be, by what is bad about it. */
  lessWell: LessWell[]
  /** What fails or could not be made to hold, the worst of each build. */
  troubles: { build: string; check: CheckResult }[]
}

export interface Planning {
  plans: PlannedRoom[]
  /** First looks at builds, and whole plans compared, so far. */
  looks: number
  seen: number
  /** `growing`: the first plan is not whole yet, what was not looked at so far has no place in it. */
  doing: 'growing' | 'looking' | 'proving' | 'done'
}

/** What is planned: everything kept of a project without a home, in its room. */
export interface Planned {
  given: Project
  /** As planning sees it. */
  p: Project
  wishes: Wishes
  market: RoomMarket
  wants: Wants
  urgency: Urgency
  /** What no kind of build keeps. */
  keptByNone: Lot
}

/** All a plan is measured by: with what no kind of build keeps. */
export const measuresWith = ({ offers, homeless }: Plan, { keptByNone, urgency }: Planned): Measures =>
  measuresOf({ offers, homeless: [...homeless, ...keptByNone] }, urgency)

/** As it was looked at, judged by nobody. */
export const lookedAt = (plan: Plan, aim: Aim, of: Planned): PlannedRoom => ({
  aim,
  builds: plan.offers.map((o) => o.build),
  feet: plan.offers.map(footOf),
  measures: measuresWith(plan, of),
  proven: false,
  hours: 0,
  boards: 0,
  sheets: 0,
  overMinor: 0,
  holed: [],
  homeless: [
    ...plan.homeless.map((g) => ({ ...g, why: 'no-room' as const })),
    ...of.keptByNone.map((g) => ({ ...g, why: 'no-kind' as const })),
  ],
  presumed: [],
  unrated: null,
  lessWell: [],
  troubles: [],
})

/** As it was judged where it stands. */
export function provenRoom(aim: Aim, readings: readonly BuildReading[], of: Planned): PlannedRoom {
  const { p, wishes, market, wants, urgency } = of
  const offers = readings.flatMap((r): Offer[] => {
    const m = measured(market.shop, findFamily(r.build.family)!, r, () => r.steps)
    return m ? [{ ...m, minor: 0, judged: true, troubles: 0, fails: false }] : []
  })
  const { bill, cutPlan } = procure(p, readings)
  const homeless = offers.reduce<Lot>((left, o) => lotWithout(left, o.housed), withoutHome(p))
  const troubles = readings.flatMap((r) => hardest(r.checks).map((check) => ({ build: r.build.id, check })))
  const holed = readings
    .filter((r) => wishes.noHolesIn.includes(r.build.wallId) && isInWall(r.shaped.assembly))
    .map((r) => r.build.id)
  const overMinor = Math.max(0, bill.totalMinor - (wishes.budgetMinor ?? Infinity))
  return {
    aim,
    builds: offers.map((o) => o.build),
    feet: offers.map(footOf),
    measures: {
      ...measuresOf({ offers, homeless }, urgency),
      minor: bill.totalMinor,
      troubles: troubles.length + holed.length + (overMinor > 0 ? 1 : 0),
    },
    proven: true,
    hours: readings.reduce((h, r) => h + hoursOf(r.shaped.assembly, r.steps.length), 0),
    boards: cutPlan.boards.length,
    sheets: cutPlan.sheets.length,
    overMinor,
    holed,
    homeless: homeless.map((g) => whyHomeless(p, wishes, market, offers, wants, g)),
    presumed: presumedIn(offers, of.given),
    unrated: unratedIn(readings, of.given),
    lessWell: summed(offers.flatMap((o) => o.lessWell)),
    troubles,
  }
}

/** What is presumed to weigh so much of what has a place. */
function presumedIn(offers: readonly Offer[], { goods }: Project): PlannedRoom['presumed'] {
  const counts = new Map<string, number>()
  for (const o of offers) for (const g of o.housed) counts.set(g.goodsId, (counts.get(g.goodsId) ?? 0) + g.count)
  return goods
    .filter((g) => g.massKg === null && counts.has(g.id))
    .map((g) => ({ goodsId: g.id, count: counts.get(g.id)!, ...presumedMass(g) }))
    .sort((a, b) => b.count * b.kg - a.count * a.kg)
}

/** Builds whose anchors hold what their maker says, where nobody has said that. */
function unratedIn(readings: readonly BuildReading[], given: Project): PlannedRoom['unrated'] {
  const waits = (r: BuildReading) => r.shaped.assembly.anchors.some((x) => isUnratedIn(given.settings, x))
  const builds = readings.filter(waits).length
  return builds > 0 ? { builds, presumedN: PRESUMED_RATING_N } : null
}

/** Those of one thing with the same about them as one. */
function summed(list: readonly LessWell[]): LessWell[] {
  const by = new Map<string, LessWell>()
  for (const x of list) {
    const key = `${x.why} ${x.goodsId}`
    by.set(key, { ...x, count: x.count + (by.get(key)?.count ?? 0) })
  }
  return [...by.values()]
}

/** A body that was raised from its plan has the corners of that first. */
const footOf = ({ body }: Offer): Point[] => body.points.slice(0, body.points.length / 2).map(([x, y]): Point => [x, y])

/** Whether two are the same builds, whatever they were looked for. */
export const sameBuilds = (a: PlannedRoom, b: PlannedRoom): boolean =>
  a.builds.length === b.builds.length && a.builds.every((x, i) => x === b.builds[i])
