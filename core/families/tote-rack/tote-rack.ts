import { canHoldTie } from '../../room/room.ts'
import { exampleContext, exampleGoods } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { onRails } from '../../goods/ways.ts'
import { toteRackLevers, toteRackSavers } from './levers.ts'
import { startingParams, toteRackParams, type ToteRackParams, UPGRADES } from './parameters.ts'
import { bodyGap } from './plan-out.ts'
import { shapeToteRack } from './shape.ts'
import { toteRackSteps } from './steps.ts'
import { findSection } from '../../catalogue/lumber.ts'

/** Whether a body with this lid passes between rails of this thickness at the smoothest play. */
const passes = (ctx: ShapeContext, p: ToteRackParams): boolean => {
  const t = findSection(p.railSection)!.thicknessMm
  return ctx.goods.every((g) => !g.item.tote || bodyGap(g.item, g.item.acrossMm + 12.7, t) >= 0)
}

/** Racks for more totes than this are too heavy for two people to tilt up whole. */
const TILT_MOST = 12

function start(ctx: ShapeContext): ToteRackParams {
  const many = ctx.goods.reduce((n, g) => n + g.count, 0) > TILT_MOST
  const p: ToteRackParams = {
    ...startingParams(ctx.settings.yard, 'rim', canHoldTie(ctx.space)),
    raise: many ? 'in-place' : 'tilt',
  }
  if (!ctx.goods.some((g) => g.item.tote)) return { ...p, carry: 'base' }
  if (passes(ctx, p)) return p
  const thin = { ...p, railSection: ctx.settings.yard === 'imperial' ? '1x4' : '18x94mm' }
  return passes(ctx, thin) ? thin : p
}

/** A1: columns and rows of totes that slide on pairs of rails. */
export const toteRack = family<ToteRackParams>({
  id: 'tote-rack',
  hangs: false,
  schema: toteRackParams,
  upgrades: UPGRADES,
  start,
  shape: shapeToteRack,
  levers: toteRackLevers,
  savers: toteRackSavers,
  steps: toteRackSteps,
  suits: onRails,
  propose(ctx) {
    if (!ctx.goods.some((g) => g.item.tote)) return []
    const rim = start(ctx)
    const totes = ctx.goods.filter((g) => g.item.tote).reduce((n, g) => n + g.count, 0)
    return totes >= 4
      ? [rim, { ...rim, rows: 2, top: ctx.settings.yard === 'imperial' ? 'ply-23/32' : 'ply-18mm' }]
      : [rim]
  },
  examples: () => [
    {
      name: 'twelve totes by the rim, imperial',
      params: startingParams('imperial', 'rim', true),
      context: exampleContext('imperial', [exampleGoods('imperial', 'tote', 12)]),
    },
    {
      name: 'boxes on their base, metric, free standing, topped',
      params: {
        ...startingParams('metric', 'base', false),
        railSection: '38x89mm',
        rows: 3,
        top: 'ply-18mm',
        raise: 'in-place',
      },
      context: exampleContext('metric', [exampleGoods('metric', 'tote', 9)]),
    },
    {
      name: 'six totes behind a curtain',
      params: { ...startingParams('imperial', 'rim', true), front: 'curtain' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'tote', 6)]),
    },
    {
      name: 'nine totes in three columns behind doors, topped, a board behind each, metric',
      params: {
        ...startingParams('metric', 'rim', true),
        columns: 3,
        front: 'doors',
        catch: 'board',
        top: 'ply-18mm',
        raise: 'in-place',
      },
      context: exampleContext('metric', [
        exampleGoods('metric', 'tote', 6),
        {
          ...exampleGoods('metric', 'tote', 3),
          item: { ...exampleGoods('metric', 'tote', 3).item, id: 'odd', acrossMm: 340, deepMm: 420, tallMm: 240 },
        },
      ]),
    },
    {
      name: 'two sizes, ripped rails, no brace',
      params: { ...startingParams('imperial', 'rim', true), brace: false, backRails: 3, railRip: 'half' },
      context: exampleContext('imperial', [
        exampleGoods('imperial', 'tote', 7),
        {
          ...exampleGoods('imperial', 'tote', 5),
          item: { ...exampleGoods('imperial', 'tote', 5).item, id: 'small', acrossMm: 380, tallMm: 260 },
        },
      ]),
    },
    {
      name: 'a whole wall, plates and back rails spliced',
      params: { ...startingParams('imperial', 'rim', true), columns: 10, rows: 4, top: 'ply-23/32', raise: 'in-place' },
      context: exampleContext('imperial', [exampleGoods('imperial', 'tote', 40)]),
    },
  ],
})
