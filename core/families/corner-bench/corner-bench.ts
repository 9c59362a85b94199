import { newGoods } from '../../goods/goods.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { cornerBenchLevers, cornerBenchSavers } from './levers.ts'
import { cornerBenchParams, startingParams, type CornerBenchParams } from './parameters.ts'
import { shapeCornerBench } from './shape.ts'
import { cornerBenchSteps } from './steps.ts'

/** A small saw that swings, on four feet: its table is low. */
const saw: ShapeContext['goods'][number] = {
  item: newGoods({
    ...{ id: 'mitre-saw', name: 'Mitre saw', kind: 'equipment', count: 1 },
    ...{ acrossMm: 560, deepMm: 500, tallMm: 540, massKg: 19 },
  }),
  count: 1,
}

/** The same wall with a corner at one end of what stands there. */
const inCorner = (c: ShapeContext, side: 'left' | 'right', degrees: number, fromMm: number): ShapeContext => {
  const corner = { rad: (degrees * Math.PI) / 180, fromMm }
  return {
    ...c,
    space: { ...c.space, corners: side === 'left' ? { left: corner, right: null } : { left: null, right: corner } },
  }
}

/** The end that is nearer to a corner. */
function nearer({ space }: ShapeContext): CornerBenchParams['side'] {
  const { left, right } = space.corners ?? { left: null, right: null }
  if (!left || !right) return right ? 'right' : 'left'
  return Math.abs(left.fromMm) <= Math.abs(right.fromMm - space.lengthMm) ? 'left' : 'right'
}

/** A top in a corner of the room whose front runs across it, on trestles and a ledger. */
export const cornerBench = family<CornerBenchParams>({
  id: 'corner-bench',
  hangs: false,
  needsGoods: false,
  schema: cornerBenchParams,
  start: (ctx) => startingParams(ctx.settings.yard, nearer(ctx)),
  shape: shapeCornerBench,
  levers: (p) => cornerBenchLevers(p),
  savers: (p) => cornerBenchSavers(p),
  steps: cornerBenchSteps,
  // Whether a machine is worked at across a corner only a person says.
  suits: () => null,
  propose: () => [],
  examples: () => [
    {
      name: 'lowered for a machine, metric, a corner of 89.2 degrees',
      params: { ...startingParams('metric', 'left'), tableMm: 95, otherDepthMm: 520 },
      context: inCorner(exampleContext('metric', [saw]), 'left', 89.2, -16),
    },
    {
      name: 'level with the benches beside it, at its right end, imperial',
      params: { ...startingParams('imperial', 'right'), depthMm: 508 },
      context: inCorner(exampleContext('imperial', []), 'right', 90, 1015),
    },
  ],
})
