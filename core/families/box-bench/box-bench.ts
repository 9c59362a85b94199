import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { atBench } from '../../goods/ways.ts'
import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { boxBenchLevers, boxBenchSavers } from './levers.ts'
import { boxBenchParams, startingParams, type BoxBenchParams } from './parameters.ts'
import { shapeBoxBench } from './shape.ts'
import { boxBenchSteps } from './steps.ts'

/** Nothing taller or heavier than this stands in a bench, mm and kg. Product decisions. */
const [LOW_MM, HEAVY_KG] = [600, 40]

const start = (ctx: ShapeContext): BoxBenchParams => startingParams(ctx.settings.yard, canHoldTie(ctx.space))
const goesIn = (g: Goods): boolean =>
  g.kind !== 'equipment' && g.kind !== 'drum' && g.tallMm <= LOW_MM && countedKg(g) <= HEAVY_KG

/** A worktop on boxes of sheet with dividers and shelves in dadoes. */
export const boxBench = family<BoxBenchParams>({
  id: 'box-bench',
  hangs: false,
  needsGoods: false,
  schema: boxBenchParams,
  start,
  shape: shapeBoxBench,
  levers: boxBenchLevers,
  savers: boxBenchSavers,
  steps: boxBenchSteps,
  suits: (g) => (goesIn(g) ? atBench(g, LOW_MM) : null),
  propose: (ctx) => (ctx.goods.length > 0 && ctx.goods.every((g) => goesIn(g.item)) ? [start(ctx)] : []),
  examples: () => [
    {
      name: 'six feet, cartons in it, imperial',
      params: startingParams('imperial', true),
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 6)]),
    },
    {
      name: 'two boxes behind doors, metric',
      params: { ...startingParams('metric', true), front: 'doors', bays: 5, clearMm: 560 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 8)]),
    },
    {
      name: 'level with a machine, metric, nothing in it, behind a curtain',
      params: { ...startingParams('metric', true), heightFrom: 'machine', machineMm: 850, bays: 3, front: 'curtain' },
      context: exampleContext('metric', []),
    },
  ],
})
