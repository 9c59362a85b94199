import * as Comlink from 'comlink'
import { procure, type Procurement } from '../core/project/plan.ts'
import type { Build, Project } from '../core/project/project.ts'
import { readBuild, readBuilds, readingsOf } from '../core/project/read-build.ts'
import { propose, type Proposal } from '../core/project/proposals.ts'
import { compare, type Variant } from '../core/project/compare.ts'
import { safeLoads, type SafeLoad } from '../core/project/safe-load.ts'
import { savings } from '../core/project/savings.ts'
import { remedies, type Remedy } from '../core/project/remedies.ts'

/** What runs beside the interface: cut plans with their bill, and the search for remedies. */
const heavy = {
  procure(project: Project): Procurement {
    return procure(project, readingsOf(readBuilds(project)))
  },
  remedies(project: Project, buildId: string, checkId: string): Remedy[] {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? remedies(project, build, checkId) : []
  },
  savings(project: Project, buildId: string): Remedy[] {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? savings(project, build) : []
  },
  safeLoads(project: Project, buildId: string): SafeLoad[] {
    const build = project.builds.find((b) => b.id === buildId)
    const r = build && readBuild(project, build)
    return r?.ok ? safeLoads(project, r.reading) : []
  },
  compare(project: Project, buildId: string, path: string, options: Variant['option'][]): Variant[] {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? compare(project, build, path, options) : []
  },
  propose(project: Project, wallId: string, offsetMm: number, goods: Build['goods'], id: string): Proposal[] {
    return propose(project, wallId, offsetMm, goods, id)
  },
}
export type Heavy = typeof heavy

Comlink.expose(heavy)
