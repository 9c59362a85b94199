import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { atBench } from '../../goods/ways.ts'
import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods, exampleSaw, inCorner, ratedSlab, smallTins } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { boxBenchLevers, boxBenchSavers } from './levers.ts'
import { boxBenchParams, startingParams, UPGRADES, type BoxBenchParams } from './parameters.ts'
import { shapeBoxBench } from './shape.ts'
import { boxBenchSteps } from './steps.ts'

/** Nothing taller or heavier than this stands in a bench, mm and kg. Product decisions. */
const [LOW_MM, HEAVY_KG] = [600, 40]

const start = (ctx: ShapeContext): BoxBenchParams =>
  startingParams(ctx.settings.yard, canHoldTie(ctx.space), ctx.space.floor === 'slab')
const goesIn = (g: Goods): boolean =>
  g.kind !== 'equipment' && g.kind !== 'drum' && g.tallMm <= LOW_MM && countedKg(g) <= HEAVY_KG

/** A worktop on boxes of sheet with dividers and shelves in dadoes, or full of drawers. */
export const boxBench = family<BoxBenchParams>({
  id: 'box-bench',
  hangs: false,
  needsGoods: false,
  turnsGoods: true,
  schema: boxBenchParams,
  upgrades: UPGRADES,
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
      name: 'leaves that turn up under its top, metric',
      params: { ...startingParams('metric', true), front: 'lift-up', bays: 2, shelves: 0 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 2)]),
    },
    {
      name: 'drawers on slides with handles, imperial',
      params: { ...startingParams('imperial', true), front: 'drawers' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 2), smallTins('imperial')]),
    },
    {
      name: 'drawers in grooves beside a well, metric, hand holes',
      params: {
        ...startingParams('metric', true),
        ...{
          front: 'drawers',
          runs: 'grooves',
          hand: 'hole',
          bays: 3,
          wells: [{ after: 2, wideMm: 660, tableMm: 330 }],
        },
      },
      context: exampleContext('metric', [smallTins('metric'), exampleSaw()]),
    },
    {
      name: 'level with a machine, metric, nothing in it, behind a curtain',
      params: { ...startingParams('metric', true), heightFrom: 'machine', machineMm: 850, bays: 3, front: 'curtain' },
      context: exampleContext('metric', []),
    },
    {
      name: 'in a corner of 88.7 degrees, a saw in a well between doors, metric',
      params: {
        ...startingParams('metric', true),
        ...{ front: 'doors', bays: 3, clearMm: 500, depthMm: 600, corner: 'left' },
        wells: [{ after: 2, wideMm: 660, tableMm: 330 }],
      },
      context: inCorner(exampleContext('metric', [exampleGoods('metric', 'box', 4), exampleSaw()]), 88.7, 620),
    },
    {
      name: 'free standing, its feet held down, metric, behind a curtain',
      params: {
        ...startingParams('metric', false),
        ...{ front: 'curtain', bays: 2, feet: 'pinned', wells: [{ after: 0, wideMm: 500, tableMm: 120 }] },
      },
      context: ratedSlab(exampleContext('metric', [exampleGoods('metric', 'box', 4)])),
    },
  ],
})
