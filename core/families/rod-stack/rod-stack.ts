import type { Joists } from '../../room/room.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { rodStackLevers, rodStackSavers } from './levers.ts'
import { rodStackParams, startingParams, type RodStackParams } from './parameters.ts'
import { shapeRodStack } from './shape.ts'
import { rodStackSteps } from './steps.ts'

/** Heavier, deeper or taller things than this do not belong over a head, kg and mm: product decision. */
const LIGHT_KG = 12
const SHALLOW_MM = 500
const LOW_MM = 450

/** A garage ceiling as one finds it, for examples: 2 in joists every 16 in, made for a little storage. */
const joists = (run: Joists['run']): Joists => ({
  kind: 'joists',
  run,
  atMm: Array.from({ length: 14 }, (_, i) => 150 + i * 406.4),
  spacingMm: 406.4,
  fromMm: 0,
  size: { wideMm: 38.1, deepMm: 184, spanMm: 3600 },
  allowanceKnM2: 0.96,
})
const under = (c: ShapeContext, run: Joists['run']): ShapeContext => ({
  ...c,
  space: { ...c.space, joists: joists(run) },
})

/** A box of shelves hung from above the joists by four threaded rods, against a wall or in front of what stands there. */
export const rodStack = family<RodStackParams>({
  id: 'rod-stack',
  hangs: true,
  schema: rodStackParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeRodStack,
  levers: rodStackLevers,
  savers: (p) => rodStackSavers(p),
  steps: (_p, shaped) => rodStackSteps(shaped),
  propose(ctx) {
    const fits = (g: (typeof ctx.goods)[number]['item']) =>
      (g.massKg ?? 0) <= LIGHT_KG && g.deepMm <= SHALLOW_MM && g.tallMm <= LOW_MM
    const hangs = ctx.space.joists?.kind === 'joists' && ctx.space.joists.size !== null
    return hangs && ctx.goods.length > 0 && ctx.goods.every((g) => fits(g.item))
      ? [startingParams(ctx.settings.yard)]
      : []
  },
  examples: () => [
    {
      name: 'cartons under joists that run out from the wall, imperial',
      params: startingParams('imperial'),
      context: under(exampleContext('imperial', [exampleGoods('imperial', 'box', 3)]), 'out'),
    },
    {
      name: 'cartons under joists along the wall, metric, sheets behind',
      params: { ...startingParams('metric'), behindMm: 120, clearMm: 700 },
      context: under(exampleContext('metric', [exampleGoods('metric', 'box', 3)]), 'along'),
    },
    {
      name: 'three shelves, thinner rods, a fixed gap',
      params: { ...startingParams('metric'), rod: 'rod-M8', gapMm: 300, shelves: 2, clearMm: 900 },
      context: under(exampleContext('metric', [exampleGoods('metric', 'box', 3)]), 'out'),
    },
  ],
})
