import type { Assembly } from '../assembly/assembly.ts'
import type { Draft } from '../assembly/draft.ts'
import { stepsWith, type Step } from '../steps/step.ts'
import type { Goods } from '../goods/goods.ts'
import { countedKg } from '../goods/presumed.ts'
import type { ShapeContext } from './family.ts'

/** Room for a machine in a well of a bench, mm. */
export interface WellRoom {
  wideMm: number
  deepMm: number
}

/** Machines into the wells, each the first that goes in; and all other goods one by one, the heaviest first. */
export function intoWells(
  goods: ShapeContext['goods'],
  wells: readonly WellRoom[],
): { machines: (Goods | null)[]; rest: Goods[] } {
  const rest = goods
    .flatMap((g) => Array.from({ length: g.count }, () => g.item))
    .sort((a, b) => countedKg(b) - countedKg(a) || b.tallMm - a.tallMm)
  const machines = wells.map((w) => {
    const i = rest.findIndex((g) => g.kind === 'equipment' && g.acrossMm <= w.wideMm && g.deepMm <= w.deepMm)
    return i < 0 ? null : rest.splice(i, 1)[0]
  })
  return { machines, rest }
}

/** What is said of machines that stand on a lower top. */
export interface WellStep {
  'bench-machines': { count: number; upMm: number }
}
const step = stepsWith<WellStep>()

/** Machines go into their wells last, each level with the top beside it. */
export function wellStep(a: Pick<Assembly, 'bays'>): Step | false {
  const wells = a.bays.filter((b) => b.name.code === 'well')
  return (
    wells.length > 0 &&
    step({
      id: 'machines',
      code: 'bench-machines',
      data: { count: wells.length, upMm: Math.max(...wells.map((b) => b.clear.min[2])) },
      parts: [],
      on: wells.flatMap((b) => b.carriers),
      cautions: ['lift-two'],
      hold: { code: 'table-level' },
    })
  )
}

/** A stretch of a bench, or a box of it, by the height of its top. */
interface Topped {
  topMm: number
  lowered: boolean
  parts: string[]
}

/** Heights of the top and of what is lower than it, on the story stick. @param level of the top, over all shelves */
export function markTops(d: Pick<Draft, 'mark'>, tops: readonly Topped[], heightMm: number, level: number): void {
  const partsAt = (list: readonly Topped[]) => list.flatMap((t) => t.parts)
  d.mark(heightMm, 'worktop', level, partsAt(tops.filter((t) => !t.lowered)))
  const low = tops.filter((t) => t.lowered)
  const heights = [...new Set(low.map((t) => t.topMm))].sort((a, b) => b - a)
  heights.forEach((mm, i) => d.mark(mm, 'well-top', level + 1 + i, partsAt(low.filter((t) => t.topMm === mm))))
}
