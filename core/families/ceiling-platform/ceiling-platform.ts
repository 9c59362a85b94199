import { canHoldTie } from '../../room/room.ts'
import { alongTheWall, exampleContext, exampleGoods, withBolts } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { upHigh } from '../../goods/ways.ts'
import { countedKg } from '../../goods/presumed.ts'
import { ceilingPlatformLevers, ceilingPlatformSavers } from './levers.ts'
import { ceilingPlatformParams, startingParams, UPGRADES, type CeilingPlatformParams } from './parameters.ts'
import { shapeCeilingPlatform } from './shape.ts'
import { ceilingPlatformSteps } from './steps.ts'

/** Heavier things than this do not belong over a head, kg: product decision. */
const LIGHT_KG = 20

/** What its front can hang from: joists somebody has measured, else bolts that are rated. */
function hangsFrom({ space }: ShapeContext): 'joists' | 'bolts' | null {
  if (space.joists?.kind === 'joists' && space.joists.size !== null) return 'joists'
  if (space.joists && space.joists.kind !== 'joists') return null
  const bolts = space.prepared.filter((p) => p.on === 'ceiling' && p.kind === 'bolt' && p.holdsN !== null)
  return bolts.length >= 2 ? 'bolts' : null
}

/** A deck under the ceiling: on a cleat at the wall, and in front on bearers that hang from the joists by rods or boards, or from bolts. */
export const ceilingPlatform = family<CeilingPlatformParams>({
  id: 'ceiling-platform',
  hangs: true,
  hangsFrom: ['ceiling'],
  schema: ceilingPlatformParams,
  upgrades: UPGRADES,
  start: (ctx) => ({ ...startingParams(ctx.settings.yard), front: hangsFrom(ctx) === 'bolts' ? 'bolts' : 'rods' }),
  shape: shapeCeilingPlatform,
  levers: (p) => ceilingPlatformLevers(p),
  savers: (p) => ceilingPlatformSavers(p),
  steps: (_p, shaped) => ceilingPlatformSteps(shaped),
  suits: (g) => upHigh(g, LIGHT_KG),
  propose(ctx) {
    const hangs = hangsFrom(ctx)
    const light = ctx.goods.every((g) => g.item.kind !== 'drum' && countedKg(g.item) <= LIGHT_KG)
    return hangs && canHoldTie(ctx.space) && ctx.goods.length > 0 && light
      ? [{ ...startingParams(ctx.settings.yard), front: hangs === 'bolts' ? 'bolts' : 'rods' }]
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
      name: 'on drops of board from saddles over joists that run out, imperial',
      params: { ...startingParams('imperial'), front: 'drops', cleatScrews: 'three' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 4)]),
    },
    {
      name: 'on bolts set in a ceiling nobody has looked over, metric',
      params: { ...startingParams('metric'), front: 'bolts' },
      context: withBolts(exampleContext('metric', [exampleGoods('metric', 'box', 4)])),
    },
    {
      name: 'pails, a fixed length and height, stronger deck',
      params: { ...startingParams('imperial'), lengthMm: 1500, topMm: 1850, sheet: 'ply-23/32', crossJoint: 'three' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'pail', 2)]),
    },
  ],
})
