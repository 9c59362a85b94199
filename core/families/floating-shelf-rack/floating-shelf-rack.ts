import { canHoldTie } from '../../room/room.ts'
import { onShelf } from '../../goods/ways.ts'
import { exampleContext, exampleGoods, thinWalls } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { floatingShelfRackLevers, floatingShelfRackSavers } from './levers.ts'
import { floatingShelfRackParams, startingParams, UPGRADES, type FloatingShelfRackParams } from './parameters.ts'
import { shapeFloatingShelfRack } from './shape.ts'
import { floatingShelfRackSteps } from './steps.ts'

/** Heavier things do not belong on loose shelves of thin sheet, kg. Product decision. */
const LIGHT_KG = 20

const start = (ctx: ShapeContext): FloatingShelfRackParams =>
  startingParams(ctx.settings.yard, canHoldTie(ctx.space), ctx.space.floor === 'slab')

/** Ladder frames with cleats at a rise, loose shelves of thin sheet with strips under their edges. */
export const floatingShelfRack = family<FloatingShelfRackParams>({
  id: 'floating-shelf-rack',
  hangs: false,
  turnsGoods: true,
  schema: floatingShelfRackParams,
  upgrades: UPGRADES,
  start,
  shape: shapeFloatingShelfRack,
  levers: floatingShelfRackLevers,
  savers: floatingShelfRackSavers,
  steps: floatingShelfRackSteps,
  suits: (g) => onShelf(g, LIGHT_KG, 2),
  propose: (ctx) =>
    ctx.goods.length > 0 && ctx.goods.every((g) => onShelf(g.item, LIGHT_KG, 2) !== null) ? [start(ctx)] : [],
  examples: () => [
    {
      name: 'cartons, imperial, two bays',
      params: { ...startingParams('imperial', true), bays: 2, clearMm: 610 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 8)]),
    },
    {
      name: 'pails, metric, thicker shelves without strips',
      params: { ...startingParams('metric', true), strips: 'none', sheet: 'ply-18mm', clearMm: 500 },
      context: exampleContext('metric', [exampleGoods('metric', 'pail', 6)]),
    },
    {
      name: 'cartons between covered ends, metric',
      params: { ...startingParams('metric', true), cover: 'ends', bays: 2, clearMm: 610 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 6)]),
    },
    {
      name: 'cartons under planks to stand on, metric',
      params: { ...startingParams('metric', true), top: 'planks', bays: 2, clearMm: 560, depthMm: 420 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 6)]),
    },
    {
      name: 'cartons behind doors, metric',
      params: { ...startingParams('metric', true), front: 'doors', bays: 2, clearMm: 610 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 6)]),
    },
    {
      name: 'bags in a shed whose walls carry nothing',
      params: startingParams('metric', false, true),
      context: thinWalls(exampleContext('metric', [exampleGoods('metric', 'bag', 8)])),
    },
  ],
})
