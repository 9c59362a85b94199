import { inches } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods, handTools, ratedSlab, smallTins, thinWalls } from '../example-context.ts'
import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { family } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { onShelf } from '../../goods/ways.ts'
import { shelfUnitLevers, shelfUnitSavers } from './levers.ts'
import { shelfUnitParams, startingParams, UPGRADES, type ShelfUnitParams } from './parameters.ts'
import { shapeShelfUnit } from './shape.ts'
import { shelfUnitSteps } from './steps.ts'

/** Heavier or deeper things than this belong on a rack, kg and mm: product decision. */
const LIGHT_KG = 25
const SHALLOW_MM = 520

/** Uprights of sheet, shelves on cleats between them, strips under their front edges. */
export const shelfUnit = family<ShelfUnitParams>({
  id: 'shelf-unit',
  hangs: false,
  turnsGoods: true,
  schema: shelfUnitParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard, canHoldTie(ctx.space), ctx.space.floor === 'slab'),
  shape: shapeShelfUnit,
  levers: shelfUnitLevers,
  savers: shelfUnitSavers,
  steps: shelfUnitSteps,
  suits: (g) => onShelf(g, LIGHT_KG, 2),
  propose(ctx) {
    // Empty and untied, a child pulls it over.
    const fits = (g: Goods) => countedKg(g) <= LIGHT_KG && g.deepMm <= SHALLOW_MM
    return allOnWall(ctx, fits) ? [startingParams(ctx.settings.yard, true)] : []
  },
  examples: () => [
    {
      name: 'cartons, imperial',
      params: startingParams('imperial', true),
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 16)]),
    },
    {
      name: 'bags, metric, glued strips, no back, free standing',
      params: { ...startingParams('metric', false), strip: 'glued', back: false, sheet: 'mdf-18mm', clearMm: 800 },
      context: exampleContext('metric', [exampleGoods('metric', 'bag', 14), exampleGoods('metric', 'box', 6)]),
    },
    {
      name: 'cartons where no wall holds anything, its feet held down, on cleats, metric',
      params: { ...startingParams('metric', false, true), hold: 'cleats', shelves: 4, bays: 2 },
      context: ratedSlab(thinWalls(exampleContext('metric', [exampleGoods('metric', 'box', 12)]))),
    },
    {
      name: 'two bays behind doors',
      params: { ...startingParams('metric', true), front: 'doors', bays: 2, shelves: 4 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 10)]),
    },
    {
      name: 'two bays behind panels that slide, glued strips',
      params: { ...startingParams('metric', true), front: 'sliding', bays: 2, shelves: 3, strip: 'glued' },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 8)]),
    },
    {
      name: 'one bay behind panels that slide, on cleats',
      params: { ...startingParams('imperial', true), front: 'sliding', bays: 1, shelves: 2, hold: 'cleats' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 2)]),
    },
    {
      name: 'on cleats, leaves that turn up on gas springs, metric',
      params: { ...startingParams('metric', true), front: 'lift-up', bays: 1, shelves: 3, hold: 'cleats' },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 5)]),
    },
    {
      name: 'drawers under the shelves, metric',
      params: { ...startingParams('metric', true), front: 'drawers', bays: 2 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 4), ...handTools('metric')]),
    },
    {
      name: 'drawers in grooves with hand holes under the shelves, held down, imperial',
      params: {
        ...startingParams('imperial', false, true),
        ...{ front: 'drawers', runs: 'grooves', hand: 'hole', drawerRows: 4, shelves: 2 },
      },
      context: ratedSlab(thinWalls(exampleContext('imperial', [smallTins('imperial')]))),
    },
    {
      name: 'behind leaves that are boxes, small tins in them, metric',
      params: { ...startingParams('metric', true), front: 'deep-doors', bays: 1 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 4), smallTins('metric')]),
    },
    {
      name: 'hand tools on leaves on pins, on cleats, imperial',
      params: {
        ...startingParams('imperial', true),
        ...{ front: 'pivots', hold: 'cleats', clearMm: inches(30), leaves: 2 },
      },
      context: exampleContext('imperial', [...handTools('imperial'), exampleGoods('imperial', 'box', 2)]),
    },
    {
      name: 'behind a curtain',
      params: { ...startingParams('imperial', true), front: 'curtain', shelves: 4 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 8)]),
    },
    {
      name: 'a wide bay on cleats, metric, glued strips under both edges',
      params: {
        ...{ ...startingParams('metric', true), hold: 'cleats', clearMm: 1100, bays: 1 },
        ...{ strip: 'glued', rearStrip: true, stripSection: '38x63mm' },
      },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 8)]),
    },
    {
      name: 'three bays, screwed strips',
      params: { ...startingParams('imperial', true), strip: 'screwed', stripSection: '1x3', bays: 3, shelves: 4 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 20)]),
    },
  ],
})
