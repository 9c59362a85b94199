import { canHoldTie } from '../../room/room.ts'
import { alongTheWall, exampleContext, exampleGoods } from '../example-context.ts'
import { family } from '../family.ts'
import { upHigh } from '../../goods/ways.ts'
import { ceilingPlatformLevers, ceilingPlatformSavers } from './levers.ts'
import { ceilingPlatformParams, startingParams, UPGRADES, type CeilingPlatformParams } from './parameters.ts'
import { shapeCeilingPlatform } from './shape.ts'
import { ceilingPlatformSteps } from './steps.ts'

/** Heavier things than this do not belong over a head, kg: product decision. */
const LIGHT_KG = 20

/** A deck under the ceiling: on a cleat at the wall, and in front on bearers that hang from the joists by rods or by boards. */
export const ceilingPlatform = family<CeilingPlatformParams>({
  id: 'ceiling-platform',
  hangs: true,
  schema: ceilingPlatformParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeCeilingPlatform,
  levers: (p) => ceilingPlatformLevers(p),
  savers: (p) => ceilingPlatformSavers(p),
  steps: (_p, shaped) => ceilingPlatformSteps(shaped),
  suits: (g) => upHigh(g, LIGHT_KG),
  propose(ctx) {
    const hangs = ctx.space.joists?.kind === 'joists' && ctx.space.joists.size !== null
    const light = ctx.goods.every((g) => g.item.kind !== 'drum' && (g.item.massKg ?? 0) <= LIGHT_KG)
    return hangs && canHoldTie(ctx.space.construction) && ctx.goods.length > 0 && light
      ? [startingParams(ctx.settings.yard)]
      : []
  },
  examples: () => [
    {
      name: 'cartons under joists that run out, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 4)]),
    },
    {
      name: 'boxes under joists along the wall, metric, three bearers',
      params: { ...startingParams('metric'), bearers: 3, cleatScrews: 'three' },
      context: alongTheWall(exampleContext('metric', [exampleGoods('metric', 'box', 5)])),
    },
    {
      name: 'on drops of board from joists along the wall, metric',
      params: { ...startingParams('metric'), front: 'drops', bearers: 3, cleatScrews: 'three' },
      context: alongTheWall(exampleContext('metric', [exampleGoods('metric', 'box', 4)])),
    },
    {
      name: 'pails, a fixed length and height, stronger deck',
      params: { ...startingParams('imperial'), lengthMm: 1500, topMm: 1850, sheet: 'ply-23/32', crossJoint: 'three' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'pail', 2)]),
    },
  ],
})
