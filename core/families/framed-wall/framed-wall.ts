import { alongTheWall, exampleContext, thinWalls } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { framedWallLevers, framedWallSavers } from './levers.ts'
import { framedWallParams, startingParams, type FramedWallParams } from './parameters.ts'
import { takesPanels } from './plan-out.ts'
import { shapeFramedWall } from './shape.ts'
import { framedWallSteps } from './steps.ts'

/** The middle of a floor, a ceiling of joists above, and anchors whose rating somebody has looked up. */
const inTheRoom = (system: 'imperial' | 'metric', lengthMm: number): ShapeContext => {
  const c = thinWalls(exampleContext(system, [], lengthMm))
  return { ...c, space: { ...c.space, away: true } }
}
/** A joist right over it. */
const underOne = (c: ShapeContext, y: number): ShapeContext => {
  const { space } = alongTheWall(c)
  const size = { wideMm: 45, deepMm: 220, spanMm: 7200 }
  return {
    ...c,
    space: { ...space, joists: { ...space.joists!, atMm: [y - 406.4, y, y + 406.4], fromMm: -300, size } },
  }
}

/** A wall of studs that divides a room, held by the slab and the ceiling. */
export const framedWall = family<FramedWallParams>({
  id: 'framed-wall',
  hangs: false,
  needsGoods: false,
  turn: 1,
  schema: framedWallParams,
  start: (ctx) => {
    const usual = startingParams(ctx.settings.yard)
    return takesPanels(usual, ctx) ? usual : { ...usual, faces: 'none' }
  },
  shape: shapeFramedWall,
  levers: (p) => framedWallLevers(p),
  savers: (p) => framedWallSavers(p),
  steps: framedWallSteps,
  // Whether a room is to be divided only a person says.
  suits: () => null,
  propose: () => [],
  examples: () => [
    {
      name: 'a door in the middle, one face closed, metric',
      params: startingParams('metric'),
      context: inTheRoom('metric', 3600),
    },
    {
      name: 'both faces closed, no door, imperial',
      params: { ...startingParams('imperial'), faces: 'both', doorMm: 0 },
      context: inTheRoom('imperial', 3048),
    },
    {
      name: 'along a joist, longer than a board, open studs, metric',
      params: { ...startingParams('metric'), faces: 'none', doorAtMm: 600 },
      context: underOne(inTheRoom('metric', 6600), 50),
    },
  ],
})
