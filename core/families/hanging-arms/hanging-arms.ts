import { byItsBar } from '../../goods/ways.ts'
import { inches, pounds } from '../../measure/units.ts'
import { exampleBicycles, exampleContext } from '../example-context.ts'
import { family } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { hangingArmsLevers, hangingArmsSavers } from './levers.ts'
import { hangingArmsParams, startingParams, type HangingArmsParams } from './parameters.ts'
import { shapeHangingArms } from './shape.ts'
import { hangingArmsSteps } from './steps.ts'

/** Heavier ones are not lifted onto arms by one person, kg: product decision. */
const LIGHT_KG = 30

const inchOnes = () => [
  exampleBicycles({ id: 'road', name: 'Road bicycle', count: 2 }, [inches(67), inches(18), inches(39)], pounds(22)),
  exampleBicycles({ id: 'child', name: 'Small bicycle', count: 1 }, [inches(48), inches(20), inches(30)], pounds(24)),
]
const metricOnes = () => [
  exampleBicycles({ id: 'town', name: 'Town bicycle', count: 2, often: 'daily' }, [1780, 610, 1080], 17),
  exampleBicycles({ id: 'hill', name: 'Hill bicycle', count: 2 }, [1820, 740, 1090], 14),
]

/** Pairs of arms on a wall, each for a bicycle that hangs by its frame. */
export const hangingArms = family<HangingArmsParams>({
  id: 'hanging-arms',
  hangs: true,
  hangsAt: 'lowestMm',
  schema: hangingArmsParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeHangingArms,
  levers: hangingArmsLevers,
  savers: hangingArmsSavers,
  steps: (_p, shaped) => hangingArmsSteps(shaped),
  suits: (g) => byItsBar(g, LIGHT_KG),
  propose(ctx) {
    if (!allOnWall(ctx, (g) => byItsBar(g, LIGHT_KG) !== null)) return []
    const start = startingParams(ctx.settings.yard)
    const many = ctx.goods.reduce((n, g) => n + g.count, 0) > 1
    return many ? [start, { ...start, rows: 2 }] : [start]
  },
  examples: () => [
    {
      name: 'three in a row, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', inchOnes()),
    },
    {
      name: 'four in two rows, metric',
      params: { ...startingParams('metric'), rows: 2, uprightScrews: 'three' },
      context: exampleContext('metric', metricOnes(), 4200),
    },
    {
      name: 'two small ones on thin tubes, metric',
      params: { ...startingParams('metric'), tube: 'tube-21.3x2.6', uprightSection: '70x70mm', wallScrews: 'one' },
      context: exampleContext('metric', [
        exampleBicycles({ id: 'small', name: 'Small bicycle', count: 2 }, [1150, 480, 740], 9),
      ]),
    },
  ],
})
