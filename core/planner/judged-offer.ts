import type { CheckResult } from '../checks/check.ts'
import { byUrgency, isTrouble } from '../checks/verdict.ts'
import { ONLY_MET } from '../clearance/conflicts.ts'
import type { AnyFamily } from '../families/family.ts'
import { OFTEN } from '../catalogue/usual-often.ts'
import type { Build, Project } from '../project/project.ts'
import { readBuild, readingsOf, type BuildReading } from '../project/read-build.ts'
import { readAlone, type KeptReadings } from '../project/read-builds.ts'
import { checksInRoom, surroundingsOf, withRoom, type Surroundings } from '../project/room-checks.ts'
import { remedies } from '../project/remedies.ts'
import { measured, type Lot, type Offer, type Shop } from './offer.ts'

/** Changes made to one build so that it holds, and readings taken to find each. */
const REPAIRS = 4
const BUDGET = 30
/** Shares of the mass of its goods that are tried where no change makes it hold with all; and changes to each. */
const FEWER = [0.65, 0.4]
const REPAIRS_OF_FEWER = 2

/** What does not hold of a build, the most pressing first. */
export const hardest = (checks: readonly CheckResult[]): CheckResult[] => byUrgency(checks.filter(isTrouble))

/** What judging needs beside the shop: what stands round, and readings that are kept from one offer to the next. */
export interface Judge {
  round: Surroundings
  kept: KeptReadings
  /** What of its parameters was changed so that a build held, by `lessonsFor`, the last first: tried with the next one. */
  learned: Map<string, Build['params'][]>
}
/** Builds of a kind that are fixed to their wall learn from each other, and those that only stand do. */
export const lessonsFor = (o: Pick<Offer, 'build' | 'fixings'>): string =>
  `${o.build.family} ${o.fixings > 0 ? 'fixed' : 'stands'}`
export const judgeFor = ({ p, outline }: Shop): Judge => {
  const kept: KeptReadings = new Map()
  return { round: surroundingsOf(p, outline, readingsOf(readAlone(p, kept))), kept, learned: new Map() }
}

/**
 * An offer judged, and changed until it holds with all its goods, or with fewer, or no change helps.
 * @param lighter where none does it is tried with some of its goods alone, and the others go elsewhere
 */
export function judgedOffer(shop: Shop, kind: AnyFamily, offer: Offer, judge: Judge, lighter = false): Offer {
  const read = (build: Build): BuildReading | null => {
    const r = readBuild(shop.p, build, shop.prices)
    return r.ok ? r.reading : null
  }
  // What was built with more because others wanted it may do without.
  const { plain, ...asLooked } = offer
  const bare = plain ? read({ ...offer.build, params: plain }) : null
  const isEnough = bare && bare.shaped.unhoused.length === 0 && !bare.checks.some(isTrouble)
  let reading = isEnough ? bare : read(offer.build)
  const lessons = lessonsFor(offer)
  const learned = judge.learned.get(lessons) ?? []
  const first = reading
  // How its kind is built for more is looked at before single changes are.
  const presets = (first?.shaped.presets ?? []).flatMap((x) => Object.values(x.options))
  for (const params of [...learned, ...presets]) {
    if (!reading?.checks.some(isTrouble)) break
    const again = read({ ...offer.build, params: { ...offer.build.params, ...params } })
    const all = again && again.shaped.unhoused.length <= first!.shaped.unhoused.length
    if (all && !again.checks.some(isTrouble)) reading = again
  }
  const repaired = (from: BuildReading, times: number): BuildReading => {
    let at = from
    for (let i = 0; i < times; i++) {
      const next = changeThatHelps(shop.p, at, judge.kept)
      const better = next && read(next)
      if (!better) break
      at = better
    }
    return at
  }
  reading &&= repaired(reading, REPAIRS)
  for (const goods of lighter && reading ? fewerOf(shop.p, reading.build.goods) : []) {
    if (!reading?.checks.some(isTrouble)) break
    const fewer = read({ ...offer.build, goods })
    const again = fewer && repaired(fewer, REPAIRS_OF_FEWER)
    if (again && !again.checks.some(isTrouble)) reading = again
  }
  if (reading && !reading.checks.some(isTrouble))
    judge.learned.set(lessons, remembered(learned, changed(plain ?? offer.build.params, reading.build)))
  const m = reading && measured(shop, kind, reading, () => reading!.steps)
  if (!reading || !m) return { ...asLooked, judged: true, troubles: 1, fails: true }
  const checks = withRoom(reading.checks, checksInRoom(judge.round, reading, ONLY_MET))
  return {
    ...m,
    minor: shop.rough.of(reading.shaped.assembly),
    judged: true,
    troubles: checks.filter(isTrouble).length,
    fails: checks.some((c) => c.state === 'fails'),
  }
}

/** Some of what a build was to hold: what is used most often with less and with nothing of the rest, then the lightest. */
export function fewerOf(p: Project, goods: Lot): Build['goods'][] {
  const often = new Map(p.goods.map((g) => [g.id, OFTEN.indexOf(g.often)]))
  const most = Math.min(...goods.map((g) => often.get(g.goodsId) ?? Infinity))
  const [first, rest] = [true, false].map((is) => goods.filter((g) => (often.get(g.goodsId) === most) === is))
  const some = lightest(p, rest, Math.min(...FEWER))
  const wanted = rest.length > 0 ? [...(some.length > 0 ? [[...first, ...some]] : []), [...first]] : []
  return [...wanted, ...FEWER.map((share) => lightest(p, goods, share))].filter((x) => x.length > 0)
}

/** The lighter of some goods, so many of them that they weigh a share of all. */
function lightest(p: Project, goods: Lot, share: number): Build['goods'] {
  const kgOf = (id: string) => p.goods.find((g) => g.id === id)?.massKg ?? 0
  const all = goods.reduce((kg, g) => kg + g.count * kgOf(g.goodsId), 0)
  let left = share * all
  const out: Build['goods'] = []
  for (const g of [...goods].sort((a, b) => kgOf(a.goodsId) - kgOf(b.goodsId))) {
    const kg = kgOf(g.goodsId)
    const count = Math.min(g.count, kg > 0 ? Math.floor(left / kg + 1e-9) : g.count)
    if (count > 0) out.push({ goodsId: g.goodsId, count })
    left -= count * kg
  }
  return out
}

/** So many ways in which one was made to hold are remembered of a kind of build. */
const REMEMBERED = 4
/** What was learned, with what was last of use first. */
function remembered(before: readonly Build['params'][], now: Build['params']): Build['params'][] {
  if (Object.keys(now).length === 0) return [...before]
  const key = JSON.stringify(now)
  return [now, ...before.filter((x) => JSON.stringify(x) !== key)].slice(0, REMEMBERED)
}

/** What of a build's parameters is another than it was. */
function changed(from: Build['params'], to: Build): Build['params'] {
  return Object.fromEntries(Object.entries(to.params).filter(([k, v]) => JSON.stringify(v) !== JSON.stringify(from[k])))
}

/** The cheapest change that mends the worst of a build where it is: with all its goods; else with fewer of them. */
function changeThatHelps(p: Project, reading: BuildReading, kept: KeptReadings): Build | null {
  const { build, checks } = reading
  const housed = reading.shaped.assembly.bays.reduce((n, b) => n + b.items.length, 0)
  const within = { ...p, builds: [...p.builds, build] }
  const [worst] = hardest(checks)
  if (!worst) return null
  const found = remedies(within, build, worst.id, { most: 8, budget: BUDGET, quick: true, kept }).filter(
    (x) => x.build.offsetMm === build.offsetMm && x.build.outMm === build.outMm,
  )
  // All its goods, or as many of them as can be; a change after which it holds none is no help.
  const best = [...found].sort((a, b) => Math.min(0, b.deltaHoused) - Math.min(0, a.deltaHoused))[0]
  const left = best ? housed + best.deltaHoused : 0
  return left > 0 ? best.build : null
}
