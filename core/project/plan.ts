import { planCuts, type CutPlan, type Planners } from '../takeoff/cut-plan.ts'
import { purchases, type Bill } from '../takeoff/purchases.ts'
import { screwLines, type ScrewLine } from '../takeoff/screws.ts'
import type { Project } from './project.ts'
import { priceBook, type BuildReading } from './read-build.ts'

export interface Procurement {
  cutPlan: CutPlan
  screws: ScrewLine[]
  bill: Bill
}

/** What is bought and how it is cut, for all builds of a project together. Heavy: runs in a worker. */
export function procure(p: Pick<Project, 'settings' | 'prices'>, readings: Pick<BuildReading, 'pieces' | 'shaped'>[], planners?: Planners): Procurement {
  const prices = priceBook(p)
  const cutPlan = planCuts(readings.flatMap((r) => r.pieces), p.settings, prices, planners)
  const screws = screwLines(readings.map((r) => r.shaped.assembly))
  return { cutPlan, screws, bill: purchases(cutPlan, screws, prices) }
}
