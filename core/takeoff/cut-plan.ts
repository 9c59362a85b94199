import type { Settings } from '../assembly/settings.ts'
import type { PriceLine } from '../catalogue/prices.ts'
import { planBoardsGreedy } from '../cutting/boards-greedy.ts'
import type { CannotCut, Cut1dInstance, Cut1dPlan, Cut2dInstance, Cut2dPlan, Planner } from '../cutting/format.ts'
import { planSheetsGreedy } from '../cutting/sheets-greedy.ts'
import { boardJobs, fromCutUnit, sheetJobs, type BoardJob, type SheetJob } from './instances.ts'
import type { PieceLine } from './pieces.ts'

/** A piece on a board: what is written on it; a strip stands for all the labels that are ripped from one length. */
export interface BoardCut {
  line: string
  labels: string[]
  lengthMm: number
  /** Where it starts on the board, from the raw end. */
  atMm: number
  /** Width to rip to afterwards; null for a full section. */
  ripMm: number | null
}
export interface BoardLaid {
  id: string
  stockKey: string
  section: string
  treated: boolean
  lengthMm: number
  cuts: BoardCut[]
  leftoverMm: number
}
export interface SheetCut {
  line: string
  label: string
  xMm: number
  yMm: number
  wMm: number
  hMm: number
}
export interface SheetLaid {
  id: string
  stockKey: string
  sheet: string
  lengthMm: number
  widthMm: number
  cuts: SheetCut[]
  usedShare: number
}
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

/** Hands out the labels of a line one after the other. */
function labelPen() {
  const next = new Map<string, number>()
  return (line: PieceLine): string | null => {
    const key = `${line.build}/${line.letter}`
    const n = next.get(key) ?? 0
    if (n >= line.count) return null
    next.set(key, n + 1)
    return line.count === 1 ? line.letter : `${line.letter}${n + 1}`
  }
}

/** Lays all pieces of a project's builds out on boards and sheets. */
export function planCuts(lines: readonly PieceLine[], settings: Settings, prices: readonly PriceLine[], planners: Planners = FIRST_PLANNERS): CutPlan {
  const plan: CutPlan = { boards: [], sheets: [], claims: [], cannot: [] }
  const label = labelPen()
  for (const job of boardJobs(lines, settings, prices)) {
    const r = planners.boards(job.instance)
    if (!r.ok) plan.cannot.push({ key: job.key, why: r.why })
    else {
      plan.claims.push({ key: job.key, ...r.plan.claim })
      plan.boards.push(...layBoards(job, r.plan, settings, label))
    }
  }
  for (const job of sheetJobs(lines, settings, prices)) {
    const r = planners.sheets(job.instance)
    if (!r.ok) plan.cannot.push({ key: job.key, why: r.why })
    else {
      plan.claims.push({ key: job.key, ...r.plan.claim })
      plan.sheets.push(...laySheets(job, r.plan, label))
    }
  }
  return plan
}

function layBoards(job: BoardJob, plan: Cut1dPlan, settings: Settings, label: (l: PieceLine) => string | null): BoardLaid[] {
  const out: BoardLaid[] = []
  for (const b of plan.boards) {
    const stock = job.instance.stock.find((s) => s.id === b.stock)!
    for (let n = 0; n < b.count; n++) {
      let at = settings.squaringTrimMm
      const cuts = b.cuts.map((id): BoardCut => {
        const { line, strips } = job.lines[id]
        const cut: BoardCut = {
          line: id, lengthMm: line.cut.lengthMm, atMm: at, ripMm: line.ripped ? Math.max(line.widthMm, line.thicknessMm) : null,
          labels: Array.from({ length: strips }, () => label(line)).filter((x): x is string => x !== null),
        }
        at += line.cut.lengthMm + settings.kerfMm
        return cut
      })
      const lengthMm = fromCutUnit(stock.length)
      out.push({ id: `${job.key}-${out.length + 1}`, stockKey: b.stock, section: job.section, treated: job.treated, lengthMm, cuts, leftoverMm: Math.max(0, lengthMm - at) })
    }
  }
  return out
}

function laySheets(job: SheetJob, plan: Cut2dPlan, label: (l: PieceLine) => string | null): SheetLaid[] {
  const out: SheetLaid[] = []
  const sizes = new Map(job.instance.parts.map((p) => [p.id, p]))
  for (const s of plan.sheets) {
    const stock = job.instance.stock.find((x) => x.id === s.stock)!
    for (let n = 0; n < s.count; n++) {
      const cuts = s.placements.map((q): SheetCut => {
        const p = sizes.get(q.part)!
        return {
          line: q.part, label: label(job.lines[q.part]) ?? '', xMm: fromCutUnit(q.x), yMm: fromCutUnit(q.y),
          wMm: fromCutUnit(q.rotated ? p.h : p.w), hMm: fromCutUnit(q.rotated ? p.w : p.h),
        }
      })
      const [lengthMm, widthMm] = [fromCutUnit(stock.w), fromCutUnit(stock.h)]
      const used = cuts.reduce((a, c) => a + c.wMm * c.hMm, 0) / (lengthMm * widthMm)
      out.push({ id: `${job.key}-${out.length + 1}`, stockKey: s.stock, sheet: job.sheet, lengthMm, widthMm, cuts, usedShare: used })
    }
  }
  return out
}
