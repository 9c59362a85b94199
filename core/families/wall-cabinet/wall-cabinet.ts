import { exampleContext, exampleGoods, handTools, smallTins } from '../example-context.ts'
import { family } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { behindDoors } from '../../goods/ways.ts'
import { countedKg } from '../../goods/presumed.ts'
import { wallCabinetLevers, wallCabinetSavers } from './levers.ts'
import { UPGRADES, startingParams, wallCabinetParams, type WallCabinetParams } from './parameters.ts'
import { shapeWallCabinet } from './shape.ts'
import { wallCabinetSteps } from './steps.ts'

/** Heavier, deeper or taller things than this do not belong over a head, kg and mm: product decision. */
const LIGHT_KG = 12
const SHALLOW_MM = 400
const LOW_MM = 450

/** A box of sheet with a back and fixed shelves, hung on the wall. */
export const wallCabinet = family<WallCabinetParams>({
  id: 'wall-cabinet',
  hangs: true,
  hangsAt: 'hangMm',
  turnsGoods: true,
  schema: wallCabinetParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeWallCabinet,
  levers: wallCabinetLevers,
  savers: (p) => wallCabinetSavers(p),
  steps: wallCabinetSteps,
  suits: (g) => behindDoors(g, LIGHT_KG),
  propose(ctx) {
    const fits = (g: (typeof ctx.goods)[number]['item']) =>
      countedKg(g) <= LIGHT_KG && g.deepMm <= SHALLOW_MM && g.tallMm <= LOW_MM
    return allOnWall(ctx, fits) ? [startingParams(ctx.settings.yard)] : []
  },
  examples: () => [
    {
      name: 'cartons, imperial, on a bevelled strip',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 3)]),
    },
    {
      name: 'cartons and pails, metric, two openings, screwed through its rail',
      params: {
        ...startingParams('metric'),
        hang: 'rail',
        bays: 2,
        clearMm: 620,
        railSection: '38x89mm',
        railScrews: 'three',
      },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 4), exampleGoods('metric', 'pail', 2)]),
    },
    {
      name: 'two openings with doors, one of them with a pair',
      params: { ...startingParams('metric'), front: 'doors', bays: 2, clearMm: 640, wallScrews: 'five' },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 4)]),
    },
    {
      name: 'loose shelves on pins, butt joints, a curtain',
      params: { ...startingParams('metric'), shelfHold: 'pins', corner: 'butt', front: 'curtain', shelves: 2 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 3)]),
    },
    {
      name: 'leaves that are boxes, bottom and top in dadoes, holes for cords',
      params: {
        ...startingParams('metric'),
        corner: 'dado',
        front: 'deep-doors',
        backSheet: 'ply-12mm',
        clearMm: 860,
        wallScrews: 'five',
        cordHoles: [
          { in: 'back', upMm: 150, alongMm: 200, diameterMm: 60 },
          { in: 'right', upMm: 200, alongMm: 120, diameterMm: 40 },
        ],
      },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 2), smallTins('metric')]),
    },
    {
      name: 'two openings whose leaves turn up on gas springs',
      params: { ...startingParams('metric'), front: 'lift-up', bays: 2, clearMm: 700, shelves: 1, hang: 'rail' },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 4)]),
    },
    {
      name: 'two openings with panels that slide',
      params: { ...startingParams('metric'), front: 'sliding', bays: 2, clearMm: 700, shelves: 1 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 4)]),
    },
    {
      name: 'four leaves on pins with hand tools on both faces, metric',
      params: { ...startingParams('metric'), front: 'pivots', leaves: 4, clearMm: 900, shelves: 1 },
      context: exampleContext('metric', handTools('metric')),
    },
    {
      name: 'on two strips',
      params: { ...startingParams('metric'), hang: 'two-strips', shelves: 1, clearMm: 860 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 2)]),
    },
    {
      name: 'three openings, thinner, at a fixed height',
      params: { ...startingParams('metric'), sheet: 'ply-15mm', bays: 3, clearMm: 450, hangMm: 1200 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 6)]),
    },
  ],
})
