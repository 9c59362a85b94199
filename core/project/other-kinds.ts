import { isTrouble } from '../checks/verdict.ts'
import { propose } from './proposals.ts'
import type { Build, Project } from './project.ts'
import { procure } from './plan.ts'
import { readBuild, readingsOf, roomPlan, type BuildReading } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import type { Remedy } from './remedies.ts'
import { checksInRoom, surroundingsOf, withRoom } from './room-checks.ts'

/** Other kinds that are offered. */
const MOST = 2

const housed = (r: BuildReading) => r.shaped.assembly.bays.reduce((n, b) => n + b.items.length, 0)

/**
 * Other kinds of build for the same things in the same place: those that hold all of them where this one does not,
 * the cheapest first. None for what carries another build.
 */
export function otherKinds(p: Project, build: Build): Remedy[] {
  if (p.builds.some((b) => b.standsOn === build.id) || build.standsOn !== null || build.goods.length === 0) return []
  const base = readBuild(p, build)
  if (!base.ok) return []
  const without = { ...p, builds: p.builds.filter((b) => b.id !== build.id) }
  const round = surroundingsOf(without, roomPlan(p.room).outline, readingsOf(readBuilds(without)))
  const minor = (r: BuildReading) => procure(p, [r]).bill.totalMinor
  const before = { minor: minor(base.reading), housed: housed(base.reading) }
  return propose(without, build.wallId, build.offsetMm, build.goods, build.id)
    .filter((x) => x.build.family !== build.family && x.leftOut === 0)
    .flatMap((x): Remedy[] => {
      const changed: Build = { ...x.build, name: build.name }
      const r = readBuild(without, changed)
      if (!r.ok) return []
      // With what things really weigh, and where it would stand.
      if (withRoom(r.reading.checks, checksInRoom(round, r.reading)).some(isTrouble)) return []
      return [
        {
          changes: [{ code: 'other-kind', data: { family: changed.family } }],
          build: changed,
          deltaMinor: minor(r.reading) - before.minor,
          deltaKg: r.reading.massKg - base.reading.massKg,
          deltaHoused: housed(r.reading) - before.housed,
          allHold: true,
        },
      ]
    })
    .sort((a, b) => a.deltaMinor - b.deltaMinor)
    .slice(0, MOST)
}
