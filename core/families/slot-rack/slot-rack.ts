import { canHoldTie } from '../../room/room.ts'
import { newGoods } from '../../goods/goods.ts'
import { flatThing, inSlot } from '../../goods/ways.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { slotRackLevers, slotRackSavers } from './levers.ts'
import { slotRackParams, startingParams, UPGRADES, type SlotRackParams } from './parameters.ts'
import { shapeSlotRack } from './shape.ts'
import { slotRackSteps } from './steps.ts'

/** Nobody draws heavier things out of a slot, kg. Product decision. */
const LIGHT_KG = 20

const start = (ctx: ShapeContext): SlotRackParams => startingParams(ctx.settings.yard, canHoldTie(ctx.space))

const flat = (name: string, count: number, thickMm: number, deepMm: number, tallMm: number, massKg: number) => ({
  item: newGoods({ id: name, name, kind: 'other', count, acrossMm: thickMm, deepMm, tallMm, massKg }),
  count,
})

/** Uprights of sheet, decks between them, dividers in grooves: flat things on edge. */
export const slotRack = family<SlotRackParams>({
  id: 'slot-rack',
  hangs: false,
  schema: slotRackParams,
  upgrades: UPGRADES,
  start,
  shape: shapeSlotRack,
  levers: slotRackLevers,
  savers: slotRackSavers,
  steps: slotRackSteps,
  suits: (g) => inSlot(g, LIGHT_KG),
  propose: (ctx) => (allOnWall(ctx, flatThing) ? [start(ctx)] : []),
  examples: () => [
    {
      name: 'pictures and trays, metric',
      params: startingParams('metric', true),
      context: exampleContext('metric', [
        flat('Framed picture', 12, 40, 620, 800, 4),
        flat('Tray', 10, 25, 400, 300, 0.8),
        flat('Small picture', 14, 30, 300, 400, 1.2),
      ]),
    },
    {
      name: 'pictures that travel, knocked down, behind panels',
      params: { ...startingParams('metric', true), made: 'knock-down', front: 'panel' },
      context: exampleContext('metric', [
        flat('Framed picture', 8, 40, 500, 700, 4),
        flat('Tray', 10, 25, 400, 300, 0.8),
      ]),
    },
    {
      name: 'trays behind panels that slide',
      params: { ...startingParams('metric', true), front: 'sliding' },
      context: exampleContext('metric', [
        flat('Framed picture', 6, 40, 500, 700, 4),
        flat('Tray', 10, 25, 400, 300, 0.8),
      ]),
    },
    {
      name: 'panels, imperial, two columns, thick dividers',
      params: { ...startingParams('imperial', true), columns: 2, dividerSheet: 'ply-3/8', perSlot: 2, clearMm: 400 },
      context: exampleContext('imperial', [flat('Panel', 16, 19, 500, 700, 5)]),
    },
  ],
})
