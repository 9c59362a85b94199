import { TOOL_HOOK } from '../../catalogue/hardware.ts'
import type { Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { exampleTools } from '../strip-wall/strip-wall.ts'
import { asTool } from '../../goods/ways.ts'
import { pegboardLevers, pegboardSavers } from './levers.ts'
import { pegboardParams, startingParams, type PegboardParams } from './parameters.ts'
import { shapePegboard } from './shape.ts'
import { pegboardSteps } from './steps.ts'

/** Heavier tools than this are too much for a hook in a hole, kg: product decision. */
const LIGHT_KG = 3

const light = (system: 'imperial' | 'metric'): ShapeContext['goods'] =>
  exampleTools(system).filter(
    (g) => countedKg(g.item) <= 2.5 && g.item.deepMm <= TOOL_HOOK.outMm * 3 && g.item.tallMm <= 560,
  )

/** A panel with holes before battens on a wall: a bought hook for each tool. */
export const pegboard = family<PegboardParams>({
  id: 'pegboard',
  hangs: true,
  hangsAt: 'lowestMm',
  schema: pegboardParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapePegboard,
  levers: (p) => pegboardLevers(p),
  savers: (p) => pegboardSavers(p),
  steps: (_p, shaped) => pegboardSteps(shaped),
  suits: (g) => asTool(g, LIGHT_KG, 'on-hook'),
  propose(ctx) {
    const fits = (g: Goods) => g.tool !== null && countedKg(g) <= LIGHT_KG
    return allOnWall(ctx, fits) ? [startingParams(ctx.settings.yard)] : []
  },
  examples: () => [
    {
      name: 'hand tools, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', light('imperial')),
    },
    {
      name: 'one high panel, battens close, metric',
      params: {
        ...startingParams('metric'),
        panelWideMm: 1000,
        panelHighMm: 1500,
        battenEveryMm: 300,
        wallScrews: 'two',
        lowestMm: 600,
      },
      context: exampleContext('metric', light('metric')),
    },
  ],
})
