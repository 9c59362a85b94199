import { alongTheWall, exampleContext, exampleGoods } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { upHigh } from '../../goods/ways.ts'
import { countedKg } from '../../goods/presumed.ts'
import { ceilingRunnersLevers, ceilingRunnersSavers } from './levers.ts'
import { ceilingRunnersParams, startingParams, type CeilingRunnersParams } from './parameters.ts'
import { shapeCeilingRunners } from './shape.ts'
import { ceilingRunnersSteps } from './steps.ts'

/** Heavier totes than this do not belong over a head, kg: product decision. */
const LIGHT_KG = 20

const deepRoom = (c: ShapeContext): ShapeContext => ({ ...c, space: { ...c.space, depthMm: 1500 } })

/** Totes under the ceiling, by their rims on pairs of runners that are screwed to the joists; neighbours share one. */
export const ceilingRunners = family<CeilingRunnersParams>({
  id: 'ceiling-runners',
  hangs: true,
  hangsFrom: ['ceiling'],
  schema: ceilingRunnersParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeCeilingRunners,
  levers: (p) => ceilingRunnersLevers(p),
  savers: (p) => ceilingRunnersSavers(p),
  steps: (_p, shaped) => ceilingRunnersSteps(shaped),
  suits: (g) => (g.tote ? upHigh(g, LIGHT_KG, 'under-ceiling') : null),
  propose(ctx) {
    const hangs = ctx.space.joists?.kind === 'joists' && ctx.space.joists.size !== null
    const fits = ctx.goods.every((g) => g.item.tote !== null && countedKg(g.item) <= LIGHT_KG)
    return hangs && ctx.goods.length > 0 && fits ? [startingParams(ctx.settings.yard)] : []
  },
  examples: () => [
    {
      name: 'totes across joists along the wall, imperial',
      params: startingParams('imperial'),
      context: alongTheWall(exampleContext('imperial', [exampleGoods('imperial', 'tote', 3)])),
    },
    {
      name: 'battens under joists that run out, metric, two deep',
      params: { ...startingParams('metric'), deep: 2 },
      context: deepRoom(exampleContext('metric', [exampleGoods('metric', 'tote', 6)])),
    },
    {
      name: 'higher webs and thicker flanges, a fixed opening',
      params: {
        ...startingParams('imperial'),
        webSection: '2x4',
        flangeSection: '2x6',
        battenScrews: 'three',
        clearMm: [540],
      },
      context: exampleContext('imperial', [exampleGoods('imperial', 'tote', 2)]),
    },
  ],
})
