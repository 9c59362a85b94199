import { exampleContext, exampleGoods } from '../example-context.ts'
import { family } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { onShelf } from '../../goods/ways.ts'
import { countedKg } from '../../goods/presumed.ts'
import { bracketShelfLevers, bracketShelfSavers } from './levers.ts'
import { bracketShelfParams, startingParams, UPGRADES, type BracketShelfParams } from './parameters.ts'
import { shapeBracketShelf } from './shape.ts'
import { bracketShelfSteps } from './steps.ts'

/** Heavier or deeper things than this do not belong on a bracket, kg and mm: product decision. */
const LIGHT_KG = 25
const SHALLOW_MM = 500

/** Shelves on brackets that are screwed to studs: a leg, an arm, and a gusset or a brace on both sides. */
export const bracketShelf = family<BracketShelfParams>({
  id: 'bracket-shelf',
  hangs: true,
  hangsAt: 'topMm.0',
  turnsGoods: true,
  schema: bracketShelfParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeBracketShelf,
  levers: bracketShelfLevers,
  savers: bracketShelfSavers,
  steps: bracketShelfSteps,
  suits: (g) => onShelf(g, LIGHT_KG, 1),
  propose(ctx) {
    const fits = (g: (typeof ctx.goods)[number]['item']) =>
      g.kind !== 'drum' && g.kind !== 'equipment' && countedKg(g) <= LIGHT_KG && g.deepMm <= SHALLOW_MM
    if (!allOnWall(ctx, fits)) return []
    const start = startingParams(ctx.settings.yard)
    return [start, { ...start, bracket: 'knee' }]
  },
  examples: () => [
    {
      name: 'cartons on gussets, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 4)]),
    },
    {
      name: 'cartons and pails on braces, metric, two shelves',
      params: {
        ...startingParams('metric'),
        bracket: 'knee',
        wallScrews: 'four',
        cornerScrews: 'two',
        sheet: 'ply-21mm',
        shelves: 2,
        bays: 4,
      },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 6), exampleGoods('metric', 'pail', 2)]),
    },
    {
      name: 'over a door: braces above, nothing below',
      params: {
        ...startingParams('imperial'),
        stand: 'above',
        bracket: 'knee',
        topMm: [2050],
        shelves: 1,
        bays: 2,
        kneeSection: '1x2',
        cornerScrews: 'two',
        pairScrews: 'three',
      },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 2)]),
    },
    {
      name: 'its right front corner hung from the joists',
      params: { ...startingParams('imperial'), end: 'hung', shelves: 1, bays: 2 },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 2)]),
    },
    {
      name: 'whole sections on every stud, a shelf in two sheets',
      params: {
        ...startingParams('imperial'),
        frame: 'whole',
        frameSection: '2x3',
        apartMm: 400,
        bays: 8,
        depthMm: 300,
      },
      context: exampleContext('imperial', [exampleGoods('imperial', 'pail', 6)]),
    },
  ],
})
