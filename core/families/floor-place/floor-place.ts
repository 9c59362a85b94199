import { newGoods } from '../../goods/goods.ts'
import { onItsWheels } from '../../goods/ways.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { floorPlaceLevers, floorPlaceSavers } from './levers.ts'
import { floorPlaceParams, startingParams, type FloorPlaceParams } from './parameters.ts'
import { shapeFloorPlace } from './shape.ts'
import { floorPlaceSteps } from './steps.ts'

const start = (ctx: ShapeContext): FloorPlaceParams => startingParams(ctx.settings.yard)

const machine = (name: string, [acrossMm, deepMm, tallMm]: [number, number, number], massKg: number, count = 1) => ({
  item: newGoods({ ...{ id: name, name, kind: 'equipment', count }, acrossMm, deepMm, tallMm, massKg }),
  count,
})

const onTimber = (c: ShapeContext): ShapeContext => ({ ...c, space: { ...c.space, floor: 'timber' } })

/** A stop on the floor at the wall, and a marked place before it for each thing that stands by itself. */
export const floorPlace = family<FloorPlaceParams>({
  id: 'floor-place',
  hangs: false,
  lastResort: true,
  schema: floorPlaceParams,
  start,
  shape: shapeFloorPlace,
  levers: floorPlaceLevers,
  savers: floorPlaceSavers,
  steps: (_p, shaped) => floorPlaceSteps(shaped),
  suits: onItsWheels,
  propose: (ctx) => (allOnWall(ctx, (g) => onItsWheels(g) !== null) ? [start(ctx)] : []),
  examples: () => [
    {
      name: 'a mower, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [machine('Mower', [560, 900, 1020], 31)]),
    },
    {
      name: 'a freezer on a floor of timber, metric',
      params: startingParams('metric'),
      context: onTimber(exampleContext('metric', [machine('Freezer', [900, 600, 850], 60)])),
    },
    {
      name: 'a long row of low machines, a slim stop, metric',
      params: { ...startingParams('metric'), stopSection: '38x63mm', besideMm: 80 },
      context: exampleContext('metric', [machine('Dust extractor', [640, 560, 900], 22, 5)], 6000),
    },
  ],
})
