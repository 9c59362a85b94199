import * as Comlink from 'comlink'
import { procure, type Procurement } from '../core/project/plan.ts'
import type { Build, Project } from '../core/project/project.ts'
import { readBuilds, readingsOf } from '../core/project/read-build.ts'
import { propose, type Proposal } from '../core/project/proposals.ts'
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
  propose(project: Project, wallId: string, offsetMm: number, goods: Build['goods'], id: string): Proposal[] {
    return propose(project, wallId, offsetMm, goods, id)
  },
}
export type Heavy = typeof heavy

Comlink.expose(heavy)
