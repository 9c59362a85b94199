import type { Assembly } from '../assembly/assembly.ts'
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
