import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { behindDoors } from '../../goods/ways.ts'
import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods, handTools } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { closetFrontLevers, closetFrontSavers } from './levers.ts'
import { closetFrontParams, startingParams, UPGRADES, type ClosetFrontParams } from './parameters.ts'
import { shapeClosetFront } from './shape.ts'
import { closetFrontSteps } from './steps.ts'

/** Heavier or deeper things than this belong on a rack, kg and mm; for fewer nobody closes a wall. Product decision. */
const LIGHT_KG = 25
const SHALLOW_MM = 600
const LEAST_THINGS = 12
const KEPT_FROM: readonly string[] = ['dust', 'light']

const start = (ctx: ShapeContext): ClosetFrontParams => startingParams(ctx.settings.yard, canHoldTie(ctx.space))
const metric = startingParams('metric', true)
const wall = (mm: number, boxes: number, pails = 0) =>
  exampleContext(
    'metric',
    [exampleGoods('metric', 'box', boxes), ...(pails > 0 ? [exampleGoods('metric', 'pail', pails)] : [])],
    mm,
  )

/** A whole wall of bays, closed. */
export const closetFront = family<ClosetFrontParams>({
  id: 'closet-front',
  hangs: false,
  turnsGoods: true,
  schema: closetFrontParams,
  upgrades: UPGRADES,
  start,
  shape: shapeClosetFront,
  levers: closetFrontLevers,
  savers: (p) => closetFrontSavers(p),
  steps: closetFrontSteps,
  suits: (g) => behindDoors(g, LIGHT_KG),
  propose(ctx) {
    const fits = (g: Goods) => countedKg(g) <= LIGHT_KG && g.deepMm <= SHALLOW_MM
    // Nobody closes a whole wall for what needs no closing.
    const closed = ctx.goods.filter((g) => g.item.keptAs === 'closed' || g.item.care.some((c) => KEPT_FROM.includes(c)))
    const things = closed.reduce((n, g) => n + g.count, 0)
    return things >= LEAST_THINGS && allOnWall(ctx, fits) ? [start(ctx)] : []
  },
  examples: () => [
    { name: 'a wall of cartons and pails behind doors', params: metric, context: wall(2000, 9, 3) },
    {
      name: 'a box for each bay, doors below, leaves that turn up above',
      params: { ...metric, school: 'boxes', front: 'both' },
      context: wall(1300, 6),
    },
    {
      name: 'a box for each bay, doors on a face frame',
      params: { ...metric, school: 'boxes', face: 'frame' },
      context: wall(1900, 6),
    },
    {
      name: 'shared sides, panels that slide before a face frame',
      params: { ...metric, face: 'frame', front: 'sliding' },
      context: wall(1900, 6),
    },
    {
      name: 'ladders with skins, every leaf turns up',
      params: { ...metric, school: 'ladders', front: 'lift-up', shelves: 4 },
      context: wall(1350, 6),
    },
    {
      name: 'light frames with a thin skin, behind doors',
      params: { ...metric, school: 'frames' },
      context: wall(1900, 6),
    },
    {
      name: 'light frames behind panels that slide',
      params: { ...metric, school: 'frames', front: 'sliding' },
      context: wall(1900, 6),
    },
    {
      name: 'ladders with skins behind panels that slide',
      params: { ...metric, school: 'ladders', front: 'sliding' },
      context: wall(2000, 6),
    },
    {
      name: 'drawers below, shelves behind doors above',
      params: { ...metric, front: 'drawers' },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 6), ...handTools('metric')], 1500),
    },
    {
      name: 'boxes with drawers in grooves below, imperial',
      params: { ...startingParams('imperial', true), school: 'boxes', front: 'drawers', runs: 'grooves', hand: 'hole' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 4), ...handTools('imperial')], 1400),
    },
    {
      name: 'imperial, a curtain, no strips at the walls',
      params: { ...startingParams('imperial', true), front: 'curtain', fillers: false, bays: 2 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 10)], 1900),
    },
  ],
})
