import { canHoldTie } from '../../room/room.ts'
import { newGoods } from '../../goods/goods.ts'
import { inDrawer } from '../../goods/ways.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { drawerBankLevers, drawerBankSavers } from './levers.ts'
import { plain, UPGRADES, drawerBankParams, startingParams, type DrawerBankParams } from './parameters.ts'
import { shapeDrawerBank } from './shape.ts'
import { drawerBankSteps } from './steps.ts'

/** Heavier or higher things do not belong in a drawer on a thin bottom, kg and mm. Product decision. */
const LIGHT_KG = 8
const LOW_MM = 180

const start = (ctx: ShapeContext): DrawerBankParams => startingParams(ctx.settings.yard, canHoldTie(ctx.space))

const small = (name: string, count: number, acrossMm: number, deepMm: number, tallMm: number, massKg: number) => ({
  item: newGoods({ id: name, name, kind: 'box', count, acrossMm, deepMm, tallMm, massKg }),
  count,
})
/** What is laid down, or stands in a hole. */
const asTool = (g: ReturnType<typeof small>) => ({ ...g, item: { ...g.item, kind: 'tool' as const } })
const fittings = [
  small('Box of screws', 18, 110, 90, 50, 0.9),
  small('Reel of cord', 4, 160, 160, 90, 1.2),
  small('Case of bits', 6, 180, 110, 40, 0.7),
]

/** A box with grooves at one pitch, and drawers on thin bottoms that run in them. */
export const drawerBank = family<DrawerBankParams>({
  id: 'drawer-bank',
  hangs: false,
  schema: drawerBankParams,
  upgrades: UPGRADES,
  start,
  shape: shapeDrawerBank,
  levers: drawerBankLevers,
  savers: drawerBankSavers,
  steps: drawerBankSteps,
  suits: (g) => inDrawer(g, LIGHT_KG, LOW_MM),
  // Where nothing ties it, it falls forward with its drawers out.
  propose: (ctx) => (allOnWall(ctx, (g) => inDrawer(g, LIGHT_KG, LOW_MM) !== null) ? [start(ctx)] : []),
  examples: () => [
    {
      name: 'fittings, metric',
      params: startingParams('metric', true),
      context: exampleContext('metric', fittings),
    },
    {
      name: 'three heights in two columns, imperial, as listed',
      params: {
        ...startingParams('imperial', true),
        drawers: [plain(1, 8), plain(2, 4), plain(3, 2)],
        columns: 2,
      },
      context: exampleContext('imperial', fittings),
    },
    {
      name: 'rooms, foam, a bored board and a flat tray, metric',
      params: {
        ...startingParams('metric', true),
        clearMm: 400,
        drawers: [
          { ...plain(1, 2), make: 'tray' },
          { ...plain(2, 1), rooms: 3 },
          { ...plain(1, 1), insert: 'foam' },
          { ...plain(2, 1), insert: 'bored', rooms: 2 },
        ],
      },
      context: exampleContext('metric', [
        small('Box of screws', 6, 110, 90, 50, 0.9),
        small('Rule', 3, 60, 180, 12, 0.3),
        asTool(small('Router bit', 20, 24, 24, 70, 0.1)),
      ]),
    },
    {
      name: 'on bought slides, metric',
      params: { ...startingParams('metric', true), runs: 'slides', hand: 'pull', drawers: [plain(1, 6), plain(2, 6)] },
      context: exampleContext('metric', fittings),
    },
    {
      name: 'on bought slides, imperial, with rooms and foam',
      params: {
        ...startingParams('imperial', true),
        runs: 'slides',
        drawers: [
          { ...plain(2, 2), rooms: 2 },
          { ...plain(2, 1), insert: 'foam' },
        ],
      },
      context: exampleContext('imperial', fittings.slice(0, 1)),
    },
    {
      name: 'low and wide, thicker bottoms, no hand holes',
      params: {
        ...startingParams('metric', true),
        hand: 'none',
        bottomSheet: 'ply-12mm',
        drawers: [plain(2, 6)],
        clearMm: 340,
      },
      context: exampleContext('metric', fittings.slice(0, 1)),
    },
  ],
})
