import type { CheckResult } from '../checks/check.ts'
import { byUrgency } from '../checks/verdict.ts'
import { ONLY_MET } from '../clearance/conflicts.ts'
import { procure } from './plan.ts'
import type { Build, Project } from './project.ts'
import { readBuild, type BuildReading } from './read-build.ts'
import type { KeptReadings } from './read-builds.ts'
import { remedies, type Remedy } from './remedies.ts'
import { checksInRoom, withRoom, type Surroundings } from './room-checks.ts'

export interface Mended {
  build: Build
  reading: BuildReading
  /** All that was changed, in order. */
  changes: Remedy['changes']
}

/** What is known of a reading beside the other builds of its room, short of ways out of what is met there. */
export const besideOthers = (round: Surroundings, r: BuildReading): CheckResult[] =>
  withRoom(r.checks, checksInRoom(round, r, ONLY_MET))

/** What a change of the build itself may end: what is read of it alone, and where its fixings land. All else is met in the room. */
function failing(round: Surroundings, r: BuildReading): { own: CheckResult[]; met: CheckResult[] } {
  const alone = new Set(r.checks.map((c) => c.id))
  const all = byUrgency(besideOthers(round, r)).filter((c) => c.state === 'fails')
  const isOwn = (c: CheckResult) => alone.has(c.id) || c.check === 'fixing'
  return { own: all.filter(isOwn), met: all.filter((c) => !isOwn(c)) }
}
/** The worst of what it meets. */
export const inItsWay = (round: Surroundings, r: BuildReading): CheckResult | null => failing(round, r).met[0] ?? null

/** Kinds of check that fail for which a change is looked for, the most pressing first, before it is left as it is. */
const LINKS = 2

/** It may begin further along its wall by this, for the next stud, mm. Product decision. */
const FARTHEST_MM = 650

interface Mending {
  /** Changes. */
  most: number
  /** A change makes it dearer by no more than this share of what it costs: who pays more chooses it themselves. */
  dearerBy?: number
  kept?: KeptReadings
}

/**
 * A build made to hold: for its most pressing failure the cheapest change that leaves it where it is, or at the next stud,
 * and keeps all it holds, until nothing fails, nothing helps, or so many were made. Told after each.
 */
export function* mending(
  p: Project,
  round: Surroundings,
  first: Pick<Mended, 'build' | 'reading'>,
  o: Mending,
): Generator<Mended, Mended> {
  let now: Mended = { ...first, changes: [] }
  for (let i = 0; i < o.most; i++) {
    const { own } = failing(round, now.reading)
    const links = own.filter((c, k) => own.findIndex((o) => o.check === c.check) === k).slice(0, LINKS)
    const next = mendedOnce(p, now, links, o)
    if (!next) return now
    now = next
    yield now
  }
  return now
}

function mendedOnce(p: Project, now: Mended, links: readonly CheckResult[], o: Mending): Mended | null {
  const { build } = now
  const within = { ...p, builds: [...p.builds.filter((b) => b.id !== build.id), build] }
  const dearerMinor = o.dearerBy ? o.dearerBy * procure(p, [now.reading]).bill.totalMinor : Infinity
  const leavesAll = (x: Remedy) =>
    x.deltaHoused >= 0 &&
    !x.feature &&
    !x.goods &&
    x.build.offsetMm >= build.offsetMm &&
    x.build.offsetMm - build.offsetMm <= FARTHEST_MM &&
    x.deltaMinor <= dearerMinor
  for (const link of links) {
    const found = remedies(within, build, link.id, { most: 8, kept: o.kept }).find(leavesAll)
    const read = found && readBuild(p, found.build)
    if (read?.ok) return { build: found!.build, reading: read.reading, changes: [...now.changes, ...found!.changes] }
  }
  return null
}
