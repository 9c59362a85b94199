import { countedKg } from '../../goods/presumed.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { alongCeiling } from '../../goods/ways.ts'
import { inches, pounds } from '../../measure/units.ts'
import { BETWEEN_MM } from '../../blocks/arms/stacking.ts'
import { alongTheWall, exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { ceilingCradlesLevers, ceilingCradlesSavers } from './levers.ts'
import { ceilingCradlesParams, LIMITS, startingParams, type CeilingCradlesParams } from './parameters.ts'
import { shapeCeilingCradles } from './shape.ts'
import { ceilingCradlesSteps } from './steps.ts'

/** One person lifts no more than this over the head, kg: product decision. */
const LIGHT_KG = 20
const suits = (g: Goods) => alongCeiling(g, LIGHT_KG, LIMITS.clearMm - 2 * BETWEEN_MM)

const long = (
  given: { id: string; name: string; count: number; often?: Goods['often'] },
  [acrossMm, deepMm, tallMm]: [number, number, number],
  massKg: number,
): { item: Goods; count: number } => ({
  item: newGoods({ kind: 'board', often: 'seldom', ...given, acrossMm, deepMm, tallMm, massKg }),
  count: given.count,
})
const inchOnes = (): ShapeContext['goods'] => [
  long({ id: 'trim', name: 'Moulding', count: 10 }, [inches(120), inches(2.5), inches(0.75)], pounds(3)),
  long({ id: 'pipe', name: 'Pipe', count: 4 }, [inches(96), inches(1.5), inches(1.5)], pounds(5)),
]
const metricOnes = (): ShapeContext['goods'] => [
  long({ id: 'battens', name: 'Batten', count: 12 }, [3000, 48, 24], 1.6),
  long({ id: 'ladder', name: 'Ladder', count: 1 }, [2600, 400, 90], 11),
]

/** What is long and light under the ceiling, across flat bearers each of which hangs from the joists by two rods. */
export const ceilingCradles = family<CeilingCradlesParams>({
  id: 'ceiling-cradles',
  hangs: true,
  hangsFrom: ['ceiling'],
  schema: ceilingCradlesParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeCeilingCradles,
  levers: (p) => ceilingCradlesLevers(p),
  savers: (p) => ceilingCradlesSavers(p),
  steps: ceilingCradlesSteps,
  suits,
  propose(ctx) {
    const hangs = ctx.space.joists?.kind === 'joists' && ctx.space.joists.size !== null
    const fit = ctx.goods.length > 0 && ctx.goods.every((g) => suits(g.item) !== null)
    if (!hangs || !fit) return []
    const heavy = ctx.goods.some((g) => countedKg(g.item) > LIGHT_KG)
    const start = startingParams(ctx.settings.yard)
    const from = [start, { ...start, from: 'left' as const }]
    return heavy ? from.map((x) => ({ ...x, apartMm: inches(32) })) : from
  },
  examples: () => [
    {
      name: 'mouldings and pipe under joists along the wall, imperial',
      params: startingParams('imperial'),
      context: alongTheWall(exampleContext('imperial', inchOnes())),
    },
    {
      name: 'a ladder and battens under joists that run out, metric',
      params: { ...startingParams('metric'), from: 'left' },
      context: exampleContext('metric', metricOnes(), 4200),
    },
    {
      name: 'battens on four close cradles at a fixed height, metric',
      params: { ...startingParams('metric'), cradles: 4, apartMm: 800, topMm: 2050, rod: 'rod-M12' },
      context: alongTheWall(exampleContext('metric', metricOnes().slice(0, 1))),
    },
  ],
})
