import { isTrouble } from '../checks/verdict.ts'
import type { Build, Project } from '../project/project.ts'
import { readingsOf, type BuildReading } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { savings } from '../project/savings.ts'

/** Changes tried on one build, one after the other. */
const CHANGES = 2

/**
 * Builds of a plan that holds, with less wood where they hold with less all the same: each as it stands beside the others,
 * the dearest first. Told after each build, so that whoever waits may end it; what was found until then counts.
 * @param builds the dearest first
 */
export function* thriftier(p: Project, builds: readonly Build[], isLate: () => boolean): Generator<void, Build[]> {
  let all = [...builds]
  for (const { id } of builds)
    for (let i = 0; i < CHANGES && !isLate(); i++) {
      const build = all.find((b) => b.id === id)!
      const [saving] = savings({ ...p, builds: [...p.builds, ...all] }, build, 1)
      if (!saving) break
      all = all.map((b) => (b.id === id ? saving.build : b))
      yield
    }
  return all
}

/** Those builds read in their room; null where something of them does not hold there, or has no place. */
export function holdingIn(p: Project, builds: readonly Build[]): BuildReading[] | null {
  const own = new Set(builds.map((b) => b.id))
  const readings = readingsOf(readBuilds({ ...p, builds: [...p.builds, ...builds] })).filter((r) => own.has(r.build.id))
  const holds = readings.every((r) => r.shaped.unhoused.length === 0 && !r.checks.some(isTrouble))
  return holds && readings.length === builds.length ? readings : null
}
