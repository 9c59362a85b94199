import type { Settings } from '../assembly/settings.ts'
import type { CutPlan } from './cut-plan.ts'
import { batched, boardCuts, sheetCuts, sheetTree, type CutBatch } from './cut-order.ts'
import { yardBoardCuts, yardSheetCuts, type YardWork } from './yard-cuts.ts'

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
  const yard: YardWork[] = [
    ...plan.sheets.map((s): YardWork =>
      s.handId === null
        ? yardSheetCuts(s, settings)
        : {
            on: s.id,
            cuts: [],
            made: new Set(),
            carried: [],
            tree: sheetTree(s, settings.kerfMm, settings.sheetTrimMm),
            stuck: false,
          },
    ),
    ...plan.boards.map((b) => yardBoardCuts(b, settings)),
  ]
  const [madeOn, treeOf] = [new Map(yard.map((y) => [y.on, y.made])), new Map(yard.map((y) => [y.on, y.tree]))]
  const yardBatches = batched(yard.flatMap((y) => y.cuts))
  const yardCuts = yardBatches.reduce((n, b) => n + b.cuts.length, 0)
  const onSheets = plan.sheets.flatMap((s) => {
    const tree = treeOf.get(s.id)
    return tree ? sheetCuts(s, tree, settings, madeOn.get(s.id)) : []
  })
  const sheetBatches = batched(onSheets, yardCuts + 1)
  const done = yardCuts + sheetBatches.reduce((n, b) => n + b.cuts.length, 0)
  const home = [...sheetBatches, ...batched(boardCuts(plan.boards, settings, madeOn), done + 1)]
  const carried = yard.flatMap((y) => y.carried)
  return {
    yard: yardBatches,
    home,
    freeCuts: settings.yardCuts.freeCuts,
    yardCuts,
    stuck: yard.filter((y) => y.stuck).map((y) => y.on),
    longestMm: Math.max(0, ...carried.map((c) => Math.max(c.lengthMm, c.widthMm))),
    heaviestKg: Math.max(0, ...carried.map((c) => c.massKg)),
    settings: home.length,
  }
}
