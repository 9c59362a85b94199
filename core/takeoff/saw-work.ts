import type { Settings } from '../assembly/settings.ts'
import type { CutPlan } from './cut-plan.ts'
import { boardCuts } from './board-cuts.ts'
import { batched, settingsMade, type CutBatch } from './cut-order.ts'
import { sheetCuts } from './sheet-cuts.ts'
import { yardBoardCuts, yardSheetCuts } from './yard-cuts.ts'

/** Everything there is to saw: what the yard does, then the rest at home, numbered through. */
export interface SawWork {
  yard: CutBatch[]
  home: CutBatch[]
  /** How many cuts the yard makes for nothing, and how many are asked for. */
  freeCuts: number
  yardCuts: number
  /** Boards and sheets that do not go into the vehicle, whatever the yard does. */
  stuck: string[]
  /** What is carried home, the longest and the heaviest of it. */
  longestMm: number
  heaviestKg: number
  /** How often a stop or fence is set at home. */
  settings: number
}

/** A cut plan as work. Pieces on hand are at home already: the yard does nothing to them. */
export function sawWork(plan: Pick<CutPlan, 'boards' | 'sheets'>, settings: Settings): SawWork {
  const sheets = plan.sheets.map((s) => ({ s, yard: yardSheetCuts(s, settings) }))
  const boards = plan.boards.map((b) => ({ b, yard: yardBoardCuts(b, settings) }))
  const asked = [...sheets, ...boards].map((x) => x.yard)
  const yard = batched(asked.flatMap((y) => y.cuts))
  const yardCuts = countOf(yard)
  const ofSheets = batched(
    sheets.flatMap(({ s, yard: y }) => y.loads.flatMap((l) => sheetCuts(s, l, settings, l.after))),
    yardCuts + 1,
  )
  const ofBoards = batched(
    boards.flatMap(({ b, yard: y }) => y.loads.flatMap((l) => boardCuts(b, l, settings, l.after))),
    yardCuts + countOf(ofSheets) + 1,
  )
  const carried = asked.flatMap((y) => y.carried)
  return {
    yard,
    home: [...ofSheets, ...ofBoards],
    freeCuts: settings.yardCuts.freeCuts,
    yardCuts,
    stuck: asked.filter((y) => y.stuck).map((y) => y.on),
    longestMm: Math.max(0, ...carried.map((c) => Math.max(c.lengthMm, c.widthMm))),
    heaviestKg: Math.max(0, ...carried.map((c) => c.massKg)),
    settings: settingsMade([...ofSheets, ...ofBoards]),
  }
}
const countOf = (batches: readonly CutBatch[]): number => batches.reduce((n, b) => n + b.cuts.length, 0)
