import { planCuts, type CutPlan, type Planners } from '../takeoff/cut-plan.ts'
import { purchases, type Bill } from '../takeoff/purchases.ts'
import { screwLines, type ScrewLine } from '../takeoff/screws.ts'
import { boardJobs, sheetJobs } from '../takeoff/instances.ts'
import type { Project } from './project.ts'
import { priceBook, type BuildReading } from './read-build.ts'

export interface Procurement {
  cutPlan: CutPlan
  screws: ScrewLine[]
  bill: Bill
}

/** Tells two sets of pieces, stock and prices apart: a plan made for one is good for no other. */
export function cutKey(p: Pick<Project, 'settings' | 'prices' | 'onHand'>, readings: Pick<BuildReading, 'pieces'>[]): string {
  const prices = priceBook(p)
  const lines = readings.flatMap((r) => r.pieces)
  const text = JSON.stringify([...boardJobs(lines, p.settings, prices, p.onHand), ...sheetJobs(lines, p.settings, prices, p.onHand)].map((j) => j.instance))
  // Two 32-bit hashes (FNV-1a with different starts): a clash would need both to.
  let [a, b] = [0x811c9dc5, 0x9747b28c]
  for (let i = 0; i < text.length; i++) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193)
    b = Math.imul(b ^ text.charCodeAt(i), 0x01000193) ^ (b >>> 13)
  }
  return `${text.length}-${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`
}

/** What is bought and how it is cut, for all builds of a project together. Heavy: runs in a worker. */
export function procure(p: Pick<Project, 'settings' | 'prices' | 'onHand'>, readings: Pick<BuildReading, 'pieces' | 'shaped'>[], planners?: Planners): Procurement {
  const prices = priceBook(p)
  const cutPlan = planCuts(readings.flatMap((r) => r.pieces), p.settings, prices, planners, p.onHand)
  const screws = screwLines(readings.map((r) => r.shaped.assembly))
  return { cutPlan, screws, bill: purchases(cutPlan, screws, prices) }
}
