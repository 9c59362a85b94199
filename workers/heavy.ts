import * as Comlink from 'comlink'
import { planBoardsExact } from '../core/cutting/boards-exact.ts'
import { longestLeftoverPlan } from '../core/cutting/boards-leftover.ts'
import type {
  Cut1dInstance,
  Cut1dPlan,
  Cut2dInstance,
  Cut2dPlan,
  CutControl,
  CutResult,
} from '../core/cutting/format.ts'
import type { SolveInteger } from '../core/cutting/integer.ts'
import { planSheetsBest } from '../core/cutting/sheets-best.ts'
import { largestLeftoverPlan } from '../core/cutting/sheets-leftover.ts'
import { procureProject, type KeptPlan, type Procurement } from '../core/project/plan.ts'
import type { Build, Project } from '../core/project/project.ts'
import type { CheckResult } from '../core/checks/check.ts'
import { priceBook, readBuild, readingsOf } from '../core/project/read-build.ts'
import { deeperLook, readBuilds } from '../core/project/read-builds.ts'
import { beginning, proposing, type Begun, type Proposal, type Proposing } from '../core/project/proposals.ts'
import { toEnd } from '../core/project/to-end.ts'
import { compare, type Variant } from '../core/project/compare.ts'
import { safeLoads, type SafeLoad } from '../core/project/safe-load.ts'
import { glanceAt, type Glance } from '../core/project/glance.ts'
import { massLimit, type MassLimit } from '../core/project/mass-limit.ts'
import { ratingWanted, type RatingWanted } from '../core/project/rating-wanted.ts'
import { savings } from '../core/project/savings.ts'
import { sizeHints, type SizeHint } from '../core/project/size-hints.ts'
import { lowerBoxes } from '../core/project/lower-boxes.ts'
import { otherKinds } from '../core/project/other-kinds.ts'
import { remedies, type Remedy } from '../core/project/remedies.ts'
import { tableOfSheets } from '../core/goods/sheet.ts'
import { nowAndThen } from '../core/planner/told.ts'
import { HeldPlanning } from '../core/planner/held.ts'
import type { Planning } from '../core/planner/planned.ts'
import type { Wishes } from '../core/project/wishes.ts'
import { replan, type Mishap, type Replanned } from '../core/takeoff/replan.ts'
import { loadSolver } from './solver.ts'

/** Boards at least cost, and of those plans the one that leaves the longest piece. */
function bestBoards(
  i: Cut1dInstance,
  solver: SolveInteger | null,
  control: CutControl<Cut1dPlan>,
): CutResult<Cut1dPlan> {
  const r = planBoardsExact(i, solver, control)
  return r.ok ? { ok: true, plan: longestLeftoverPlan(i, r.plan, solver, control).plan } : r
}

/** Sheets at least cost, and of those plans one that leaves a large piece. */
function bestSheets(
  i: Cut2dInstance,
  solver: SolveInteger | null,
  control: CutControl<Cut2dPlan>,
): CutResult<Cut2dPlan> {
  const r = planSheetsBest(i, solver, control)
  return r.ok ? { ok: true, plan: largestLeftoverPlan(i, r.plan, solver, control) } : r
}

const now = () => performance.now()
/** Plans of a room that were begun in this worker, for what they are then asked for. */
let held: HeldPlanning | null = null
/** So often what goes on unasked listens whether it is asked for, ms. */
const HEARS_EVERY_MS = 40

/** What runs beside the interface: cut plans with their bill, and the search for remedies. */
const heavy = {
  glance: (project: Project): Glance => glanceAt(project),
  procure: (project: Project, before: readonly KeptPlan[]): Procurement & { key: string } =>
    procureProject(project, readingsOf(readBuilds(project)), undefined, before),
  /** The best plan within some seconds, shared out over the kinds of stock; tells which kind it is at. */
  async procureBest(
    project: Project,
    seconds: number,
    report: (done: number, of: number) => void,
  ): Promise<Procurement & { key: string }> {
    const readings = readingsOf(readBuilds(project))
    const solver = await loadSolver()
    const first = procureProject(project, readings)
    const open = first.cutPlan.claims.filter((c) => !c.proved).length
    let done = 0
    const control = () => {
      report(++done, Math.max(1, first.cutPlan.claims.length))
      const end = performance.now() + (1000 * seconds) / Math.max(1, open)
      return { shouldStop: () => performance.now() > end, secondsLeft: () => (end - performance.now()) / 1000 }
    }
    const best = procureProject(project, readings, {
      boards: (i) => bestBoards(i, solver, control()),
      sheets: (i) => bestSheets(i, solver, control()),
    })
    return best.bill.totalMinor <= first.bill.totalMinor ? best : first
  },
  /** The plan anew from what is left after a mishap, or after the builds changed; the best within some seconds. */
  async replan(project: Project, mishap: Mishap | null, seconds: number): Promise<Replanned | null> {
    const { sawing, cuts } = project.progress
    if (!sawing) return null
    const solver = await loadSolver()
    const end = performance.now() + 1000 * seconds
    const control = { shouldStop: () => performance.now() > end, secondsLeft: () => (end - performance.now()) / 1000 }
    const lines = readingsOf(readBuilds(project)).flatMap((r) => r.pieces)
    return replan(sawing, new Set(cuts), mishap, lines, project.settings, priceBook(project), project.onHand, {
      boards: (i) => planBoardsExact(i, solver, control),
      sheets: (i) => planSheetsBest(i, solver, control),
    })
  },
  /** Moves that a quick look at a crowded room left open. */
  deeperLook(project: Project, builds: string[]): { id: string; checks: CheckResult[] }[] {
    return deeperLook(project, builds)
  },
  remedies(project: Project, buildId: string, checkId: string): Remedy[] {
    const build = project.builds.find((b) => b.id === buildId)
    if (!build) return []
    const found = [...remedies(project, build, checkId, { obstacles: true }), ...lowerBoxes(project, build, checkId)]
    // Where no change of it is enough, another kind may be.
    return found.some((r) => r.allHold && r.deltaHoused >= 0) ? found : [...found, ...otherKinds(project, build)]
  },
  savings(project: Project, buildId: string): Remedy[] {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? savings(project, build) : []
  },
  sizeHints(project: Project, buildId: string): SizeHint[] {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? sizeHints(project, build) : []
  },
  safeLoads(project: Project, buildId: string): SafeLoad[] {
    const build = project.builds.find((b) => b.id === buildId)
    const r = build && readBuild(project, build)
    return r?.ok ? safeLoads(project, r.reading) : []
  },
  massLimit(project: Project, buildId: string): MassLimit | null {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? massLimit(project, build) : null
  },
  ratingWanted(project: Project, buildId: string): RatingWanted | null {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? ratingWanted(project, build) : null
  },
  compare(project: Project, buildId: string, path: string, options: Variant['option'][]): Variant[] {
    const build = project.builds.find((b) => b.id === buildId)
    return build ? compare(project, build, path, options) : []
  },
  /** A workbook as a list of goods; null where there is none to read. */
  async readWorkbook(bytes: ArrayBuffer): Promise<ReturnType<typeof tableOfSheets> | null> {
    const { default: readSheets } = await import('read-excel-file/universal')
    const sheets = await readSheets(bytes).catch(() => null)
    return sheets && tableOfSheets(sheets)
  },
  /**
   * Begins plans of the whole room before anybody asks for them: the first is there when they do, or as much of it as
   * was grown by then.
   */
  async beginRoom(project: Project, wishes: Wishes, seconds: number): Promise<void> {
    const mine = new HeldPlanning(project, wishes, seconds, now)
    held = mine
    let since = now()
    for (const _ of mine.toFirst()) {
      if (now() - since < HEARS_EVERY_MS) continue
      await new Promise((heard) => setTimeout(heard))
      if (held !== mine) return
      since = now()
    }
  },
  /** Plans of the whole room, told as they come; searched for so long, then proven. Gone on with where they were begun. */
  planRoom(
    project: Project,
    wishes: Wishes,
    { seconds, turn }: { seconds: number; turn: number },
    report: (so: Planning) => void,
  ): Planning {
    const search = (held ?? new HeldPlanning(project, wishes, seconds, now, turn)).goOn()
    held = null
    return toEnd(search, nowAndThen(report, now))
  },
  /** Ways to hold some goods, told as they come. */
  propose(
    project: Project,
    at: { wallId: string; offsetMm: number; goods: Build['goods']; id: string },
    report: (so: Proposing) => void,
  ): Proposal[] {
    return toEnd(proposing(project, at.wallId, at.offsetMm, at.goods, at.id), report)
  },
  /** A build of a kind somebody chose, told as it is made to hold. */
  begin(
    project: Project,
    kind: string,
    at: Parameters<typeof beginning>[2],
    report: (so: Begun | null) => void,
  ): Begun | null {
    return toEnd(beginning(project, kind, at), report)
  },
}
export type Heavy = typeof heavy

Comlink.expose(heavy)
