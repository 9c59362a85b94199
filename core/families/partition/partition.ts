import { exampleContext, exampleGoods, thinWalls } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { postRackLevers, postRackSavers } from '../post-rack/levers.ts'
import { postRackParams, startingParams, UPGRADES, type PostRackParams } from '../post-rack/parameters.ts'
import { shapePostRack } from '../post-rack/shape.ts'
import { postRackSteps } from '../post-rack/steps.ts'

/** A post rack that has no wall behind it: closed at its back and held down on both sides. */
const start = (ctx: ShapeContext): PostRackParams => ({
  ...startingParams(ctx.settings.yard, false, ctx.space.floor === 'slab'),
  cover: 'panels',
  // With its panels on nobody tilts it up.
  raise: 'in-place',
})

/** The middle of a floor, and anchors whose rating somebody has looked up. */
const inTheRoom = (c: ShapeContext): ShapeContext => {
  const thin = thinWalls(c)
  return { ...thin, space: { ...thin.space, away: true } }
}

/** A rack that divides a room, its back a wall of panels. */
export const partition = family<PostRackParams>({
  id: 'partition',
  hangs: false,
  turn: 1,
  turnsGoods: true,
  schema: postRackParams,
  upgrades: UPGRADES,
  start,
  shape: shapePostRack,
  levers: postRackLevers,
  savers: postRackSavers,
  steps: postRackSteps,
  // Whether a room is to be divided only a person says.
  suits: () => null,
  propose: () => [],
  examples: () => [
    {
      name: 'cartons on one side, panels on the other',
      params: { ...start(exampleContext('metric', [])), shelves: 4 },
      context: inTheRoom(exampleContext('metric', [exampleGoods('metric', 'box', 16)])),
    },
    {
      name: 'two modules, imperial',
      params: { ...start(exampleContext('imperial', [])), shelves: 3, lengthMm: 3600 },
      context: inTheRoom(exampleContext('imperial', [exampleGoods('imperial', 'box', 20)])),
    },
  ],
})
