import { canHoldTie } from '../../room/room.ts'
import { newGoods } from '../../goods/goods.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { inStore } from '../../goods/ways.ts'
import { sheetStoreLevers, sheetStoreSavers } from './levers.ts'
import { sheetStoreParams, startingParams, UPGRADES, type SheetStoreParams } from './parameters.ts'
import { shapeSheetStore } from './shape.ts'
import { sheetStoreSteps } from './steps.ts'

const sheet = (system: UnitSystem, name: string, longMm: number, tallMm: number, count: number, massKg: number) => ({
  item: newGoods({
    id: `${name}-${system}`,
    name,
    kind: 'sheet',
    count,
    acrossMm: longMm,
    deepMm: 18,
    tallMm,
    massKg,
  }),
  count,
})

/** Sheets on edge along the wall, in compartments by height. */
export const sheetStore = family<SheetStoreParams>({
  id: 'sheet-store',
  hangs: false,
  schema: sheetStoreParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeSheetStore,
  levers: (p) => sheetStoreLevers(p),
  savers: (p) => sheetStoreSavers(p),
  steps: sheetStoreSteps,
  suits: inStore,
  propose: (ctx: ShapeContext) =>
    canHoldTie(ctx.space) && ctx.goods.some((g) => g.item.kind === 'sheet')
      ? [startingParams(ctx.settings.yard), { ...startingParams(ctx.settings.yard), entry: 'left' }]
      : [],
  examples: () => [
    {
      name: 'whole sheets, halves and offcuts, metric',
      params: startingParams('metric'),
      context: exampleContext('metric', [
        sheet('metric', 'Whole sheet', 2440, 1220, 6, 29),
        sheet('metric', 'Half sheet', 1220, 1220, 4, 14),
        sheet('metric', 'Offcut', 900, 500, 8, 4),
      ]),
    },
    {
      name: 'halves on their short edges behind panels, metric',
      params: { ...startingParams('metric'), edge: 'short', front: 'panel' },
      context: exampleContext('metric', [sheet('metric', 'Half sheet', 1220, 610, 8, 7)]),
    },
    {
      name: 'offcuts only, imperial, two frames, to the left',
      params: { ...startingParams('imperial'), entry: 'left', frames: 2 },
      context: exampleContext('imperial', [sheet('imperial', 'Offcut', 1100, 610, 12, 5)]),
    },
  ],
})
