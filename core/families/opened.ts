import { draft, type Draft } from '../assembly/draft.ts'
import { unitsOf } from '../assembly/settings.ts'
import type { Goods } from '../goods/goods.ts'
import { bad, good, type Result } from '../measure/result.ts'
import { canHoldTie } from '../room/room.ts'
import { dimPen, type DimPen } from './dim-pen.ts'
import type { ShapeContext, Shaped } from './family.ts'

/** What a family works out before it places a piece. */
export interface Planned<Plan> {
  plan: Plan
  unhoused: Shaped['unhoused']
}
export interface Opened<Plan> extends Planned<Plan> {
  d: Draft
  pen: DimPen
}

/**
 * How shaping begins: there are goods, the wall holds what hangs on it, and all is planned out; then an empty draft.
 * @param onWall whether it needs a wall that holds a fixing
 */
export function opened<P, Plan>(
  p: P,
  ctx: ShapeContext,
  planOut: (p: P, ctx: ShapeContext, pen: DimPen) => Result<Planned<Plan>>,
  onWall = true,
): Result<Opened<Plan>> {
  if (ctx.goods.length === 0) return bad('no-goods')
  if (onWall && !canHoldTie(ctx.space)) return bad('no-wall-to-hang-on')
  const pen = dimPen(p, unitsOf(ctx.settings))
  const planned = planOut(p, ctx, pen)
  return planned.ok ? good({ d: draft(ctx.settings.yard), pen, ...planned.value }) : planned
}

/** Whether there are goods, each fit for it, and a wall that holds what hangs on it: else a kind proposes nothing. */
export const allOnWall = (ctx: ShapeContext, fits: (g: Goods) => boolean = () => true): boolean =>
  ctx.goods.length > 0 && canHoldTie(ctx.space) && ctx.goods.every((g) => fits(g.item))
