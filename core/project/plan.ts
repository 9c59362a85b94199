import { fastenersIn } from '../assembly/fasteners-in.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { lengthStock } from '../assembly/identical.ts'
import { findSection } from '../catalogue/lumber.ts'
import { fingerprint } from '../measure/fingerprint.ts'
import { planCuts, type CutPlan, type Planners } from '../takeoff/cut-plan.ts'
import { woodAtHand } from '../takeoff/on-hand.ts'
import { purchases, type Bill } from '../takeoff/purchases.ts'
import { chooseRips } from '../takeoff/rip-choice.ts'
import { stillFits } from '../takeoff/replan.ts'
import { screwLines, type ScrewLine } from '../takeoff/screws.ts'
import { sundryLines, type SundryLine } from '../takeoff/sundries.ts'
import { boardJobs, sheetJobs } from '../takeoff/instances.ts'
import type { PieceLine } from '../takeoff/pieces.ts'
import type { Project } from './project.ts'
import { priceBook, type BuildReading } from './read-build.ts'

export interface Procurement {
  cutPlan: CutPlan
  screws: ScrewLine[]
  sundries: SundryLine[]
  bill: Bill
  /**
   * What of the wood each build uses, minor units, by the length and area of its pieces; fasteners and the rest by
   * count.
   */
  perBuild: { build: string; minor: number }[]
  /** The plan is the one being cut; and whether it still makes what the builds ask for. */
  sawing: 'not-begun' | 'fits' | 'builds-changed'
}

type Priced = Pick<Project, 'settings' | 'prices' | 'onHand' | 'room'>
type Read = Pick<BuildReading, 'pieces' | 'shaped'> & Partial<Pick<BuildReading, 'build'>>

/** Tells two sets of pieces, stock and prices apart: a plan made for one is good for no other. */
export function cutKey(p: Priced, readings: readonly Pick<BuildReading, 'pieces'>[]): string {
  const [prices, hand] = [priceBook(p), woodAtHand(p)]
  const lines = chooseRips(
    readings.flatMap((r) => r.pieces),
    p.settings,
    prices,
    hand,
  )
  const boards = boardJobs(lines, p.settings, prices, hand)
  const sheets = sheetJobs(lines, p.settings, prices, hand)
  // Kept plans of strips from before a slanting rip was told are none of these.
  const slants = boards.flatMap((j) =>
    Object.entries(j.lines).flatMap(([id, { slantRad }]) => (slantRad === undefined ? [] : [[id, slantRad]])),
  )
  const asked = [...boards, ...sheets].map((j) => j.instance)
  return fingerprint(JSON.stringify(slants.length > 0 ? [...asked, slants] : asked))
}

/** What is bought and how it is cut for some builds, from a new plan. Heavy: runs in a worker. */
export function procure(p: Priced, readings: readonly Read[], planners?: Planners): Procurement {
  const prices = priceBook(p)
  return counted(
    p,
    readings,
    planCuts(
      readings.flatMap((r) => r.pieces),
      p.settings,
      prices,
      planners,
      woodAtHand(p),
    ),
    'not-begun',
  )
}

/** A cut plan found before, and what it is good for. */
export interface KeptPlan {
  key: string
  cutPlan: CutPlan
}

/**
 * The same for a whole project: once sawing has begun its plan stays as it is. Until then one found before for the same
 * pieces is kept; what else is bought is counted anew.
 * @param before plans found before, the best first
 */
export function procureProject(
  p: Priced & Pick<Project, 'progress'>,
  readings: readonly Read[],
  planners?: Planners,
  before: readonly KeptPlan[] = [],
): Procurement & { key: string } {
  const { sawing, have } = p.progress
  const key = cutKey(p, readings)
  if (!sawing) {
    const kept = before.find((b) => b.key === key)
    const r = kept ? counted(p, readings, kept.cutPlan, 'not-begun') : procure(p, readings, planners)
    return { ...r, key, bill: procureBill(p, r) }
  }
  const cutPlan: CutPlan = { boards: sawing.boards, sheets: sawing.sheets, claims: [], cannot: [] }
  const pieces = readings.flatMap((r) => r.pieces)
  return { ...counted(p, readings, cutPlan, stillFits(sawing, pieces) ? 'fits' : 'builds-changed', have), key }
}

/** The bill of a plan with what is there by now. */
const procureBill = (
  p: Priced & Pick<Project, 'progress'>,
  r: Pick<Procurement, 'cutPlan' | 'screws' | 'sundries'>,
): Bill => purchases(r.cutPlan, r.screws, priceBook(p), r.sundries, p.progress.have)

function counted(
  p: Priced,
  readings: readonly Read[],
  cutPlan: CutPlan,
  sawing: Procurement['sawing'],
  have: Readonly<Record<string, number>> = {},
): Procurement {
  const prices = priceBook(p)
  const assemblies = readings.map((r) => r.shaped.assembly)
  const screws = screwLines(assemblies)
  const sundries = sundryLines(assemblies, p.settings)
  const bill = purchases(cutPlan, screws, prices, sundries, have)
  return {
    cutPlan,
    screws,
    sundries,
    bill,
    perBuild: shares(readings, purchases(cutPlan, screws, prices, sundries), cutPlan),
    sawing,
  }
}

/** Wood is shared out by volume of the pieces cut from each kind of stock, the rest by what each build counts of it. */
function shares(
  readings: readonly Read[],
  bill: Bill,
  plan: Pick<CutPlan, 'boards' | 'sheets'>,
): Procurement['perBuild'] {
  const named = readings.filter((r): r is Read & Pick<BuildReading, 'build'> => r.build !== undefined)
  const kindOf = (l: PieceLine) => {
    const long = lengthStock(l.stock)
    if (long) return `board:${long.section}${long.treated ? ':treated' : ''}`
    return l.stock.kind === 'sheet' ? `sheet:${l.stock.sheet}` : null
  }
  const volume = (l: PieceLine) =>
    l.count *
    l.cut.lengthMm *
    l.cut.widthMm *
    (l.stock.kind === 'board' ? (findSection(l.stock.section)?.thicknessMm ?? l.thicknessMm) : l.thicknessMm)
  const byKind = new Map<string, Map<string, number>>()
  for (const r of named)
    for (const l of r.pieces) {
      const kind = kindOf(l)
      if (!kind) continue
      const m = byKind.get(kind) ?? new Map<string, number>()
      m.set(r.build.id, (m.get(r.build.id) ?? 0) + volume(l))
      byKind.set(kind, m)
    }
  const stockKind = new Map<string, string>([
    ...plan.boards.map((b) => [b.stockKey, `board:${b.section}${b.treated ? ':treated' : ''}`] as const),
    ...plan.sheets.map((s) => [s.stockKey, `sheet:${s.sheet}`] as const),
  ])
  const screwsOf = new Map(named.map((r) => [r.build.id, countFasteners(r.shaped.assembly)]))
  const out = new Map(named.map((r) => [r.build.id, 0]))
  for (const l of bill.lines) {
    if (!l.totalMinor) continue
    const weights = byKind.get(stockKind.get(l.key) ?? '') ?? screwsOf
    const all = [...weights.values()].reduce((a, b) => a + b, 0)
    for (const [build, w] of weights) if (all > 0) out.set(build, (out.get(build) ?? 0) + (l.totalMinor * w) / all)
  }
  return [...out].map(([build, minor]) => ({ build, minor: Math.round(minor) }))
}

const countFasteners = (a: Assembly): number =>
  fastenersIn(a.joints) + a.anchors.reduce((n, x) => n + (x.fastener ? x.count : 0), 0)
