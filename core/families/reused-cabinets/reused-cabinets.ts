import type { Obstacle } from '../../room/room.ts'
import { newGoods } from '../../goods/goods.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { exampleContext, smallTins } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { reusedCabinetsLevers, reusedCabinetsSavers } from './levers.ts'
import { reusedCabinetsParams, startingParams, type Cabinet, type ReusedCabinetsParams } from './parameters.ts'
import { shapeReusedCabinets } from './shape.ts'
import { reusedCabinetsSteps } from './steps.ts'

/** A cabinet for examples. */
export const cabinet = (wideMm: number, highMm: number, over: Partial<Cabinet> = {}): Cabinet => ({
  wideMm,
  highMm,
  deepMm: 320,
  massKg: Math.round((wideMm * highMm) / 26000),
  holdsKg: 60,
  shelves: 1,
  front: 'open',
  ...over,
})
/** Jars that stand in any cabinet. */
const jars = (system: UnitSystem): ShapeContext['goods'][number] => ({
  item: newGoods({
    id: `jars-${system}`,
    name: 'Crate of jars',
    kind: 'box',
    count: 6,
    acrossMm: 300,
    deepMm: 200,
    tallMm: 180,
    massKg: 6,
  }),
  count: 6,
})
const outlet: Obstacle = { name: 'Outlet', left: 1380, right: 1530, footMm: 1400, headMm: 1600, outMm: 0 }
const window: Obstacle = { name: 'Window', left: 2300, right: 3200, footMm: 1070, headMm: 1970, outMm: 0 }

const context = (obstacles: Obstacle[]): ShapeContext => {
  const c = exampleContext('metric', [jars('metric'), smallTins('metric')])
  return { ...c, space: { ...c.space, obstacles } }
}

/** Cabinets that are there already, in a row on the wall or on the floor. */
export const reusedCabinets = family<ReusedCabinetsParams>({
  id: 'reused-cabinets',
  hangs: (p) => p.row === 'wall',
  schema: reusedCabinetsParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeReusedCabinets,
  levers: reusedCabinetsLevers,
  savers: reusedCabinetsSavers,
  steps: reusedCabinetsSteps,
  // Nobody knows from the goods what cabinets a person has.
  // Nobody knows from goods that a person has old cabinets.
  suits: () => null,
  propose: () => [],
  examples: () => [
    {
      name: 'the usual two, imperial, nobody knows what they carry',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [jars('imperial'), smallTins('imperial')]),
    },
    {
      name: 'five round an outlet and a window, on strips',
      params: {
        ...startingParams('metric'),
        cabinets: [
          cabinet(800, 720, { front: 'pair' }),
          cabinet(600, 720, { front: 'left' }),
          cabinet(600, 720, { front: 'right' }),
          cabinet(400, 900, { shelves: 2 }),
          cabinet(500, 360, { shelves: 0 }),
        ],
      },
      context: context([outlet, window]),
    },
    {
      name: 'three through their own rails, as listed, from end to end',
      params: {
        ...startingParams('metric'),
        cabinets: [cabinet(850, 720), cabinet(900, 500), cabinet(850, 720, { front: 'pair' })],
        hang: 'through',
        order: 'listed',
        edges: [{ atMm: 850 }, { atMm: 1750 }],
      },
      context: context([]),
    },
    {
      name: 'panels that slide, and a leaf that turns up',
      params: {
        ...startingParams('metric'),
        cabinets: [cabinet(1200, 720, { front: 'sliding' }), cabinet(600, 400, { shelves: 0, front: 'up' })],
      },
      context: context([]),
    },
    {
      name: 'three bases under a worktop in pieces',
      params: {
        ...startingParams('metric'),
        row: 'floor',
        cabinets: [
          cabinet(800, 720, { deepMm: 560, front: 'pair', holdsKg: 120 }),
          cabinet(600, 720, { deepMm: 560, front: 'left', holdsKg: 120 }),
          cabinet(1200, 720, { deepMm: 560, front: 'pair', holdsKg: 120 }),
        ],
        worktop: 'spliced',
      },
      context: context([]),
    },
  ],
})
