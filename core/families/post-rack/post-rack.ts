import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods, thinWalls } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { onFramedShelves } from '../../goods/ways.ts'
import { postRackLevers, postRackSavers } from './levers.ts'
import { UPGRADES, postRackParams, startingParams, type PostRackParams } from './parameters.ts'
import { shapePostRack } from './shape.ts'
import { postRackSteps } from './steps.ts'

const start = (ctx: ShapeContext): PostRackParams =>
  startingParams(ctx.settings.yard, canHoldTie(ctx.space), ctx.space.floor === 'slab')

/** A2: posts, shelf frames of rails and cross pieces, sheet shelves. */
export const postRack = family<PostRackParams>({
  id: 'post-rack',
  hangs: false,
  schema: postRackParams,
  upgrades: UPGRADES,
  start,
  shape: shapePostRack,
  levers: postRackLevers,
  savers: postRackSavers,
  steps: postRackSteps,
  suits: onFramedShelves,
  propose(ctx) {
    if (ctx.goods.length === 0) return []
    const p = start(ctx)
    const light =
      ctx.settings.yard === 'imperial'
        ? { sheet: 'osb-7/16', railSection: '2x3', crossEveryMm: 406.4 }
        : { sheet: 'osb3-15mm', railSection: '38x63mm', crossEveryMm: 400 }
    return [p, { ...p, follow: 'wall' }, { ...p, ...light }]
  },
  examples: () => [
    {
      name: 'cartons in a shed whose walls carry nothing',
      params: { ...startingParams('imperial', false, true), shelves: 3 },
      context: thinWalls(exampleContext('imperial', [exampleGoods('imperial', 'box', 12)])),
    },
    {
      name: 'pails and drums, imperial',
      params: startingParams('imperial', true),
      context: exampleContext('imperial', [exampleGoods('imperial', 'pail', 14), exampleGoods('imperial', 'drum', 2)]),
    },
    {
      name: 'cartons behind doors',
      params: { ...startingParams('imperial', true), front: 'doors', shelves: 3 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 12)]),
    },
    {
      name: 'pails on sheets notched round the posts, metric',
      params: { ...startingParams('metric', true), panels: 'round-posts', shelves: 3, raise: 'in-place' },
      context: exampleContext('metric', [exampleGoods('metric', 'pail', 24)]),
    },
    {
      name: 'a twenty-foot wall',
      params: { ...startingParams('imperial', true), follow: 'wall', shelves: 4 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 60), exampleGoods('imperial', 'tote', 12)]),
    },
    {
      name: 'bags, metric, free standing, fixed heights',
      params: {
        ...startingParams('metric', false),
        raise: 'in-place',
        topMm: [300, null, 1400],
        midPosts: 2,
        depthMm: 500,
      },
      context: exampleContext('metric', [exampleGoods('metric', 'bag', 30), exampleGoods('metric', 'pail', 20)]),
    },
  ],
})
