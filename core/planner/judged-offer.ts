import type { CheckResult } from '../checks/check.ts'
import { byUrgency, isTrouble } from '../checks/verdict.ts'
import { ONLY_MET } from '../clearance/conflicts.ts'
import type { AnyFamily } from '../families/family.ts'
import type { Build, Project } from '../project/project.ts'
import { readBuild, readingsOf, type BuildReading } from '../project/read-build.ts'
import { readAlone, type KeptReadings } from '../project/read-builds.ts'
import { checksInRoom, surroundingsOf, withRoom, type Surroundings } from '../project/room-checks.ts'
import { remedies } from '../project/remedies.ts'
import { measured, type Offer, type Shop } from './offer.ts'

/** Changes made to one build so that it holds, and readings taken to find each. */
const REPAIRS = 4
const BUDGET = 30

/** What does not hold of a build, the most pressing first. */
export const hardest = (checks: readonly CheckResult[]): CheckResult[] => byUrgency(checks.filter(isTrouble))

/** What judging needs beside the shop: what stands round, and readings that are kept from one offer to the next. */
export interface Judge {
  round: Surroundings
  kept: KeptReadings
  /** By kind of build, what of its parameters was changed so that one held: tried first with the next one. */
  learned: Map<string, Build['params']>
}
export const judgeFor = ({ p, outline }: Shop): Judge => {
  const kept: KeptReadings = new Map()
  return { round: surroundingsOf(p, outline, readingsOf(readAlone(p, kept))), kept, learned: new Map() }
}

/** An offer judged, and changed until it holds with all its goods, or with fewer, or no change helps. */
export function judgedOffer(shop: Shop, kind: AnyFamily, offer: Offer, judge: Judge): Offer {
  const read = (build: Build): BuildReading | null => {
    const r = readBuild(shop.p, build, shop.prices)
    return r.ok ? r.reading : null
  }
  let reading = read(offer.build)
  const learned = judge.learned.get(kind.id)
  if (reading && learned && reading.checks.some(isTrouble)) {
    const again = read({ ...offer.build, params: { ...offer.build.params, ...learned } })
    const all = again && again.shaped.unhoused.length <= reading.shaped.unhoused.length
    if (all && !again.checks.some(isTrouble)) reading = again
  }
  for (let i = 0; i < REPAIRS && reading; i++) {
    const next = changeThatHelps(shop.p, reading, judge.kept)
    const better = next && read(next)
    if (!better) break
    reading = better
  }
  if (reading && !reading.checks.some(isTrouble))
    judge.learned.set(kind.id, changed(offer.build, reading.build, learned))
  const m = reading && measured(shop, kind, reading)
  if (!reading || !m) return { ...offer, judged: true, troubles: 1 }
  const checks = withRoom(reading.checks, checksInRoom(judge.round, reading, ONLY_MET))
  return {
    ...m,
    minor: shop.rough.of(reading.shaped.assembly),
    judged: true,
    troubles: checks.filter(isTrouble).length,
  }
}

/** What of a build's parameters is another than it was, beside what was learned before. */
function changed(from: Build, to: Build, before: Build['params'] = {}): Build['params'] {
  const own = Object.entries(to.params).filter(([k, v]) => JSON.stringify(v) !== JSON.stringify(from.params[k]))
  return own.length > 0 ? { ...before, ...Object.fromEntries(own) } : before
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
