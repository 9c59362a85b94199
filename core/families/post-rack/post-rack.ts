import { canHoldTie } from '../../room/room.ts'
import { betweenWalls, exampleContext, exampleGoods, highThing, thinWalls } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { belongsOnFloor } from '../house-on-shelves.ts'
import { holdsBeside } from '../../blocks/mounts/side-tie.ts'
import { onFramedShelves } from '../../goods/ways.ts'
import { postRackLevers, postRackSavers } from './levers.ts'
import { LIMITS, UPGRADES, postRackParams, startingParams, type PostRackParams } from './parameters.ts'
import { shapePostRack } from './shape.ts'
import { postRackSteps } from './steps.ts'

const start = (ctx: ShapeContext): PostRackParams =>
  startingParams(ctx.settings.yard, canHoldTie(ctx.space), ctx.space.floor === 'slab')

/** Something on the floor this much higher than all else wants a bay of its own height. Product decision. */
const HIGHER = 1.6
/** A module of a whole sheet, mm. About. */
const USUAL_MODULE_MM = 2440
/** From one shelf to the next, besides what stands there: play, frame and sheet, mm. About. */
const BETWEEN_MM = 160

/**
 * Shelves a module leaves out for what stands on the floor and is far higher than all else: the first, or the last, which
 * may be no longer than that is wide.
 */
function highBays(ctx: ShapeContext): PostRackParams['leftOut'][] {
  const tallest = (down: boolean) =>
    Math.max(0, ...ctx.goods.filter((g) => belongsOnFloor(g.item, ctx.settings) === down).map((g) => g.item.tallMm))
  const [high, rest] = [tallest(true), tallest(false)]
  if (rest === 0 || high < HIGHER * rest) return []
  const n = Math.min(LIMITS.shelves - 1, Math.max(1, Math.round(high / (rest + BETWEEN_MM))))
  const modules = Math.min(LIMITS.modules, Math.ceil(ctx.space.lengthMm / USUAL_MODULE_MM))
  return [...new Set([1, modules])].map((module) => Array.from({ length: n }, (_, i) => ({ module, shelf: i + 1 })))
}

/** A2: posts, shelf frames of rails and cross pieces, sheet shelves. */
export const postRack = family<PostRackParams>({
  id: 'post-rack',
  hangs: false,
  turnsGoods: true,
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
    const [left, right] = (['left', 'right'] as const).map((end) => holdsBeside(ctx.space, end))
    const between: PostRackParams[] =
      !p.tie && left && right && ctx.space.lengthMm <= USUAL_MODULE_MM
        ? [{ ...p, follow: 'wall', sides: 'tied', ends: 'open', feet: 'standing' }]
        : []
    const high = highBays(ctx).map((leftOut): PostRackParams => ({ ...p, leftOut }))
    return [p, ...between, ...high, { ...p, follow: 'wall' }, { ...p, ...light }]
  },
  examples: () => [
    {
      name: 'cartons in a shed whose walls carry nothing',
      params: { ...startingParams('imperial', false, true), shelves: 3 },
      context: thinWalls(exampleContext('imperial', [exampleGoods('imperial', 'box', 12)])),
    },
    {
      name: 'cartons between two walls that hold, the one behind does not, metric',
      params: {
        ...startingParams('metric', false, true),
        ...{ follow: 'wall', sides: 'tied', ends: 'open', feet: 'standing', shelves: 3 },
      },
      context: betweenWalls(exampleContext('metric', [exampleGoods('metric', 'box', 10)], 2200)),
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
      name: 'a high bay for a freezer beside three shelves, metric',
      params: {
        ...startingParams('metric', true),
        lengthMm: 3600,
        shelves: 3,
        leftOut: [
          { module: 1, shelf: 1 },
          { module: 1, shelf: 2 },
        ],
      },
      context: exampleContext('metric', [highThing(), exampleGoods('metric', 'box', 14)]),
    },
    {
      name: 'cartons behind panels that slide, metric',
      params: { ...startingParams('metric', true), front: 'sliding', shelves: 3, midPosts: 2 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 10)]),
    },
    {
      name: 'cartons behind panels that slide along more than a board, metric',
      params: { ...startingParams('metric', true), front: 'sliding', shelves: 3, lengthMm: 6000 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 10)]),
    },
    {
      name: 'cartons, the uppermost frame on the posts, metric',
      params: { ...startingParams('metric', true), topFrame: 'on-posts', shelves: 3, floorBay: false },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 12)]),
    },
    {
      name: 'cartons, rails on pieces beside the posts',
      params: { ...startingParams('imperial', true), supports: 'doubled', shelves: 3, raise: 'in-place' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 12)]),
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
    {
      name: 'a bench bay beside shelves, metric',
      params: {
        ...startingParams('metric', true),
        ...{ lengthMm: 3200, shelves: 3, topMm: [300, 1100, 1700], floorBay: false },
        ownTops: [{ module: 2, shelf: 2, topMm: 920 }],
      },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 8)]),
    },
  ],
})
