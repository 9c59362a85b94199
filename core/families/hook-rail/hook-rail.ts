import { byItsWheel } from '../../goods/ways.ts'
import { inches, pounds } from '../../measure/units.ts'
import { exampleBicycles, exampleContext } from '../example-context.ts'
import { family } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { hookRailLevers, hookRailSavers } from './levers.ts'
import { hookRailParams, startingParams, type HookRailParams } from './parameters.ts'
import { shapeHookRail } from './shape.ts'
import { hookRailSteps } from './steps.ts'

/** Heavier ones are not lifted by a wheel to a hook, kg: product decision, well within what the hook is rated for. */
const MOST_KG = 30

/** A rail on the wall with a hook for each bicycle, which hangs upright by a wheel. */
export const hookRail = family<HookRailParams>({
  id: 'hook-rail',
  hangs: true,
  schema: hookRailParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeHookRail,
  levers: hookRailLevers,
  savers: hookRailSavers,
  steps: (_p, shaped) => hookRailSteps(shaped),
  suits: (g) => byItsWheel(g, MOST_KG),
  propose: (ctx) => (allOnWall(ctx, (g) => byItsWheel(g, MOST_KG) !== null) ? [startingParams(ctx.settings.yard)] : []),
  examples: () => [
    {
      name: 'four in a row, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [
        exampleBicycles(
          { id: 'road', name: 'Road bicycle', count: 3 },
          [inches(67), inches(18), inches(39)],
          pounds(22),
        ),
        exampleBicycles(
          { id: 'child', name: 'Small bicycle', count: 1 },
          [inches(48), inches(20), inches(30)],
          pounds(24),
        ),
      ]),
    },
    {
      name: 'two with one screw in each stud, metric',
      params: { ...startingParams('metric'), wallScrews: 'one' },
      context: exampleContext('metric', [
        exampleBicycles({ id: 'town', name: 'Town bicycle', count: 2, often: 'daily' }, [1780, 610, 1080], 17),
      ]),
    },
  ],
})
