import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods, exampleSaw, inCorner, ratedSlab } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { atBench } from '../../goods/ways.ts'
import { benchLevers, benchSavers } from './levers.ts'
import { benchParams, startingParams, UPGRADES, type BenchParams } from './parameters.ts'
import { shapeBench } from './shape.ts'
import { benchSteps } from './steps.ts'

/** Nothing taller than this stands under a bench, mm. */
const LOW_MM = 700

const start = (ctx: ShapeContext): BenchParams =>
  startingParams(ctx.settings.yard, canHoldTie(ctx.space), ctx.space.floor === 'slab')

/** The same wall with a stud near the left end of the bench: who sits there sits beside a fixing. */
const studAtEnd = (c: ShapeContext): ShapeContext => {
  const [first] = c.space.studsMm
  return { ...c, space: { ...c.space, studsMm: c.space.studsMm.map((x) => x - first + NEAR_END_MM) } }
}
/** Of that stud from the end of the bench. */
const NEAR_END_MM = 60

/** A worktop on legs, with shelves under it and wells for machines. */
export const bench = family<BenchParams>({
  id: 'bench',
  hangs: false,
  needsGoods: false,
  schema: benchParams,
  upgrades: UPGRADES,
  start,
  shape: shapeBench,
  levers: benchLevers,
  savers: benchSavers,
  steps: benchSteps,
  suits: (g) => atBench(g, LOW_MM),
  propose: (ctx) =>
    ctx.goods.length > 0 && ctx.goods.every((g) => g.item.tallMm <= LOW_MM && g.item.kind !== 'drum')
      ? [start(ctx)]
      : [],
  examples: () => [
    {
      name: 'in a corner of 88.7 degrees, against the bench along the other wall',
      params: { ...startingParams('metric', true), lengthMm: 2000, depthMm: 600, corner: 'left' },
      context: inCorner(exampleContext('metric', [exampleGoods('metric', 'box', 4)]), 88.7, 620),
    },
    {
      name: 'six feet on a wall, cartons under it',
      params: startingParams('imperial', true),
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 6)]),
    },
    {
      name: 'a machine let down through the top, metric, two layers',
      params: {
        ...startingParams('metric', true),
        ...{ lengthMm: 1520, depthMm: 800, shelves: 0, layers: 'two', supports: 'doubled' },
        wells: [{ leftMm: 440, wideMm: 620, tableMm: 330, way: 'dropped-in', frontMm: 140 }],
      },
      context: exampleContext('metric', [exampleSaw()]),
    },
    {
      name: 'on a batten at the wall, metric, one shelf',
      params: { ...startingParams('metric', true), lengthMm: 1800, back: 'batten', shelves: 1 },
      context: studAtEnd(exampleContext('metric', [exampleGoods('metric', 'box', 4)])),
    },
    {
      name: 'free standing, metric, two layers, level with a machine',
      params: {
        ...startingParams('metric', false),
        heightFrom: 'machine',
        machineMm: 850,
        layers: 'two',
        lengthMm: 1800,
        shelves: 1,
        depthMm: 720,
        feet: 'pinned',
      },
      context: ratedSlab(exampleContext('metric', [exampleGoods('metric', 'pail', 4)])),
    },
    {
      name: 'a long one with a well for a machine, nothing under it',
      params: {
        ...startingParams('imperial', true),
        lengthMm: 3200,
        shelves: 0,
        wells: [{ leftMm: 1300, wideMm: 700, tableMm: 89, way: 'lowered', frontMm: 120 }],
      },
      context: exampleContext('imperial', []),
    },
  ],
})
