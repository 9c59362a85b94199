import { labelsOf } from '../assembly/identical.ts'
import type { Settings } from '../assembly/settings.ts'
import type { PriceLine } from '../catalogue/prices.ts'
import { planBoardsGreedy } from '../cutting/boards-greedy.ts'
import type { CannotCut, Cut1dInstance, Cut1dPlan, Cut2dInstance, Cut2dPlan, Planner } from '../cutting/format.ts'
import { planSheetsGreedy } from '../cutting/sheets-greedy.ts'
import { keepingHold } from './holding.ts'
import { sharedMm } from './nested-mitres.ts'
import { tidied } from './sheet-cuts.ts'
import { boardJobs, fromCutUnit, lineId, sheetJobs, type AtHand, type BoardJob, type SheetJob } from './instances.ts'
import type { PieceLine } from './pieces.ts'
import { chooseRips } from './rip-choice.ts'
import type { BoardCut, BoardLaid, SheetCut, SheetLaid } from './sawing.ts'

export interface CutPlan {
  boards: BoardLaid[]
  sheets: SheetLaid[]
  /** For each kind of stock, the cost and the least it could be. */
  claims: { key: string; cost: number; lowerBound: number; proved: boolean }[]
  cannot: { key: string; why: CannotCut }[]
}

export interface Planners {
  boards: Planner<Cut1dInstance, Cut1dPlan>
  sheets: Planner<Cut2dInstance, Cut2dPlan>
}
export const FIRST_PLANNERS: Planners = { boards: planBoardsGreedy, sheets: planSheetsGreedy }

export type LabelPen = (line: PieceLine) => string | null

/** Hands out the labels of a line one after the other. */
function labelPen(): LabelPen {
  const left = new Map<string, string[]>()
  return (line) => {
    const key = lineId(line)
    const list = left.get(key) ?? labelsOf(line)
    left.set(key, list)
    return list.shift() ?? null
  }
}

/** Lays all pieces of a project's builds out on boards and sheets, those at hand first. */
export function planCuts(
  asked: readonly PieceLine[],
  settings: Settings,
  prices: readonly PriceLine[],
  planners: Planners = FIRST_PLANNERS,
  hand: readonly AtHand[] = [],
  label = labelPen(),
): CutPlan {
  const plan: CutPlan = { boards: [], sheets: [], claims: [], cannot: [] }
  const lines = chooseRips(asked, settings, prices, hand)
  for (const job of boardJobs(lines, settings, prices, hand)) {
    const r = planners.boards(job.instance)
    if (!r.ok) plan.cannot.push({ key: job.key, why: r.why })
    else {
      plan.claims.push({ key: job.key, ...r.plan.claim })
      plan.boards.push(...layBoards(job, r.plan, settings, label, hand))
    }
  }
  for (const job of sheetJobs(lines, settings, prices, hand)) {
    const r = planners.sheets(job.instance)
    if (!r.ok) plan.cannot.push({ key: job.key, why: r.why })
    else {
      plan.claims.push({ key: job.key, ...r.plan.claim })
      plan.sheets.push(
        ...laySheets(job, r.plan, label, hand).map((s) => tidied(s, settings.kerfMm, settings.sheetTrimMm)),
      )
    }
  }
  return plan
}

/** Pieces shorter than this are cut while the rest is long enough to hold, mm. Product decision. */
const SMALL_MM = 200
const HOLD_MM = 300

const atHandOf = (stock: string, hand: readonly AtHand[]) =>
  hand.find((h) => stock === h.id || stock.startsWith(`${h.id}@`))

function layBoards(
  job: BoardJob,
  plan: Cut1dPlan,
  settings: Settings,
  label: LabelPen,
  hand: readonly AtHand[],
): BoardLaid[] {
  const out: BoardLaid[] = []
  for (const b of plan.boards) {
    const stock = job.instance.stock.find((s) => s.id === b.stock)!
    const longOf = (id: string) => fromCutUnit(job.instance.parts.find((p) => p.id === id)!.length)
    for (let n = 0; n < b.count; n++) {
      let at = settings.squaringTrimMm
      const cuts = keepingHold(b.cuts, longOf, {
        roomMm: fromCutUnit(stock.length) - settings.squaringTrimMm,
        kerfMm: settings.kerfMm,
        smallMm: SMALL_MM,
        holdMm: HOLD_MM,
      }).flatMap((id): BoardCut[] => {
        const { line, strips, slantRad, beside } = job.lines[id]
        const cut: BoardCut = {
          line: lineId(line),
          lengthMm: line.cut.lengthMm,
          atMm: at,
          ripMm: line.ripped ? Math.max(line.widthMm, line.thicknessMm) : null,
          ...(slantRad === undefined ? {} : { slantRad }),
          labels: Array.from({ length: strips }, () => label(line)).filter((x): x is string => x !== null),
        }
        at += line.cut.lengthMm + settings.kerfMm
        if (!beside) return [cut]
        const { line: second, lean } = beside
        at -= settings.kerfMm + sharedMm(lean, settings.kerfMm)
        const { lengthMm } = second.cut
        const nested: BoardCut = {
          ...{ line: lineId(second), lengthMm, atMm: at, ripMm: null, lean },
          labels: [label(second)].filter((x): x is string => x !== null),
        }
        at += lengthMm + settings.kerfMm
        return [cut, nested]
      })
      const lengthMm = fromCutUnit(stock.length)
      const from = atHandOf(b.stock, hand)
      out.push({
        id: `${job.key}-${out.length + 1}`,
        stockKey: from?.stockKey ?? b.stock,
        section: job.section,
        treated: job.treated,
        lengthMm,
        cuts,
        leftoverMm: Math.max(0, lengthMm - at),
        handId: from ? from.id : null,
        fromMm: from ? Number(b.stock.split('@')[1] ?? 0) : 0,
      })
    }
  }
  return out
}

function laySheets(job: SheetJob, plan: Cut2dPlan, label: LabelPen, hand: readonly AtHand[]): SheetLaid[] {
  const out: SheetLaid[] = []
  const sizes = new Map(job.instance.parts.map((p) => [p.id, p]))
  for (const s of plan.sheets) {
    const stock = job.instance.stock.find((x) => x.id === s.stock)!
    for (let n = 0; n < s.count; n++) {
      const cuts = s.placements.map((q): SheetCut => {
        const p = sizes.get(q.part)!
        return {
          line: q.part,
          label: label(job.lines[q.part]) ?? '',
          xMm: fromCutUnit(q.x),
          yMm: fromCutUnit(q.y),
          wMm: fromCutUnit(q.rotated ? p.h : p.w),
          hMm: fromCutUnit(q.rotated ? p.w : p.h),
        }
      })
      const [lengthMm, widthMm] = [fromCutUnit(stock.w), fromCutUnit(stock.h)]
      const used = cuts.reduce((a, c) => a + c.wMm * c.hMm, 0) / (lengthMm * widthMm)
      const from = atHandOf(s.stock, hand)
      out.push({
        id: `${job.key}-${out.length + 1}`,
        stockKey: from?.stockKey ?? s.stock,
        sheet: job.sheet,
        lengthMm,
        widthMm,
        cuts,
        usedShare: used,
        handId: from ? from.id : null,
      })
    }
  }
  return out
}
