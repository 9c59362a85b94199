import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { isLight, onDeck } from '../../goods/ways.ts'
import { loftDeckLevers, loftDeckSavers } from './levers.ts'
import { loftDeckParams, startingParams, type LoftDeckParams } from './parameters.ts'
import { shapeLoftDeck } from './shape.ts'
import { loftDeckSteps } from './steps.ts'

/** Heavier things than this are not carried up a ladder, kg. Product decision. */
const LIGHT_KG = 20
/** Under less than this there is no room for a person and things on top of each other, mm. */
const LEAST_CEILING_MM = 2600

const highRoom = (c: ShapeContext, mm = 3100): ShapeContext => ({
  ...c,
  space: { ...c.space, heightMm: mm, ceilingMm: mm, depthMm: 2600 },
})

/** A framed deck for storage: a ledger on the wall, joists in hangers, a rim on posts or on a framed wall. */
export const loftDeck = family<LoftDeckParams>({
  id: 'loft-deck',
  hangs: false,
  schema: loftDeckParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeLoftDeck,
  levers: (p) => loftDeckLevers(p),
  savers: (p) => loftDeckSavers(p),
  steps: loftDeckSteps,
  suits: (g) => onDeck(g, LIGHT_KG),
  propose(ctx) {
    const light = ctx.goods.every((g) => g.item.kind !== 'drum' && isLight(g.item, LIGHT_KG))
    return ctx.goods.length > 0 &&
      light &&
      canHoldTie(ctx.space) &&
      Math.min(ctx.space.ceilingMm, ctx.space.heightMm) >= LEAST_CEILING_MM
      ? [startingParams(ctx.settings.yard)]
      : []
  },
  examples: () => [
    {
      name: 'totes and cartons on posts, imperial',
      params: startingParams('imperial'),
      context: highRoom(
        exampleContext('imperial', [exampleGoods('imperial', 'tote', 6), exampleGoods('imperial', 'box', 8)]),
      ),
    },
    {
      name: 'a whole wall over a framed room with a door, sheets in two rows, metric',
      params: { ...startingParams('metric'), follow: 'wall', front: 'wall', depthMm: 2000, uprightSection: '47x100mm' },
      context: highRoom(exampleContext('metric', [exampleGoods('metric', 'box', 12)], 4200)),
    },
    {
      name: 'long, rim in two pieces, joists close',
      params: { ...startingParams('imperial'), follow: 'wall', joistEveryMm: 304.8, depthMm: 1000 },
      context: highRoom(exampleContext('imperial', [exampleGoods('imperial', 'box', 14)], 7000)),
    },
  ],
})
