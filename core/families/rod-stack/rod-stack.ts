import { alongTheWall, exampleContext, exampleGoods } from '../example-context.ts'
import { family } from '../family.ts'
import { upHigh } from '../../goods/ways.ts'
import { countedKg } from '../../goods/presumed.ts'
import { rodStackLevers, rodStackSavers } from './levers.ts'
import { UPGRADES, rodStackParams, startingParams, type RodStackParams } from './parameters.ts'
import { shapeRodStack } from './shape.ts'
import { rodStackSteps } from './steps.ts'

/** Heavier, deeper or taller things than this do not belong over a head, kg and mm: product decision. */
const LIGHT_KG = 12
const SHALLOW_MM = 500
const LOW_MM = 450

/**
 * A box of shelves hung from above the joists by four threaded rods, against a wall or in front of what stands there.
 */
export const rodStack = family<RodStackParams>({
  id: 'rod-stack',
  hangs: true,
  hangsFrom: ['wall', 'ceiling'],
  schema: rodStackParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeRodStack,
  levers: rodStackLevers,
  savers: (p) => rodStackSavers(p),
  steps: (_p, shaped) => rodStackSteps(shaped),
  suits: (g) => upHigh(g, LIGHT_KG),
  propose(ctx) {
    const fits = (g: (typeof ctx.goods)[number]['item']) =>
      countedKg(g) <= LIGHT_KG && g.deepMm <= SHALLOW_MM && g.tallMm <= LOW_MM
    const hangs = ctx.space.joists?.kind === 'joists' && ctx.space.joists.size !== null
    return hangs && ctx.goods.length > 0 && ctx.goods.every((g) => fits(g.item))
      ? [startingParams(ctx.settings.yard)]
      : []
  },
  examples: () => [
    {
      name: 'cartons under joists that run out from the wall, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 3)]),
    },
    {
      name: 'cartons under joists along the wall, metric, sheets behind',
      params: { ...startingParams('metric'), behindMm: 120, clearMm: 700 },
      context: alongTheWall(exampleContext('metric', [exampleGoods('metric', 'box', 3)])),
    },
    {
      name: 'three shelves behind doors, thinner rods, a fixed gap',
      params: { ...startingParams('metric'), rod: 'rod-M8', gapMm: 300, front: 'doors', shelves: 2, clearMm: 900 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 3)]),
    },
    {
      name: 'leaves that turn up on gas springs, imperial',
      params: { ...startingParams('imperial'), front: 'lift-up', shelves: 1 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 2)]),
    },
  ],
})
