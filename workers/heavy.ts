import * as Comlink from 'comlink'
import { planBoardsExact } from '../core/cutting/boards-exact.ts'
import { planSheetsBest } from '../core/cutting/sheets-best.ts'
import { cutKey, procure, type Procurement } from '../core/project/plan.ts'
import type { Build, Project } from '../core/project/project.ts'
import { readBuild, readBuilds, readingsOf } from '../core/project/read-build.ts'
import { propose, type Proposal } from '../core/project/proposals.ts'
import { compare, type Variant } from '../core/project/compare.ts'
import { safeLoads, type SafeLoad } from '../core/project/safe-load.ts'
import { savings } from '../core/project/savings.ts'
import { remedies, type Remedy } from '../core/project/remedies.ts'
import { loadSolver } from './solver.ts'

/** What runs beside the interface: cut plans with their bill, and the search for remedies. */
const heavy = {
  procure(project: Project): Procurement & { key: string } {
    const readings = readingsOf(readBuilds(project))
    return { ...procure(project, readings), key: cutKey(project, readings) }
  },
  /** The best plan within some seconds, shared out over the kinds of stock; tells which kind it is at. */
  async procureBest(project: Project, seconds: number, report: (done: number, of: number) => void): Promise<Procurement & { key: string }> {
    const readings = readingsOf(readBuilds(project))
    const solver = await loadSolver()
    const first = procure(project, readings)
    const open = first.cutPlan.claims.filter((c) => !c.proved).length
    let done = 0
    const control = () => {
      report(++done, Math.max(1, first.cutPlan.claims.length))
      const end = performance.now() + (1000 * seconds) / Math.max(1, open)
      return { shouldStop: () => performance.now() > end }
    }
    const best = procure(project, readings, { boards: (i) => planBoardsExact(i, solver, control()), sheets: (i) => planSheetsBest(i, solver, control()) })
    return { ...(best.bill.totalMinor <= first.bill.totalMinor ? best : first), key: cutKey(project, readings) }
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
