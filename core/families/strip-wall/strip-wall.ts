import { newGoods, type Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { assumedTool, type Held, type ToolShape } from '../../goods/tool.ts'
import { inches, pounds, type UnitSystem } from '../../measure/units.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { asTool } from '../../goods/ways.ts'
import { stripWallLevers, stripWallSavers } from './levers.ts'
import { startingParams, stripWallParams, UPGRADES, type StripWallParams } from './parameters.ts'
import { shapeStripWall } from './shape.ts'
import { stripWallSteps } from './steps.ts'

/** Heavier tools than this do not hang on strips, kg: product decision, what one lifts off with one hand. */
const LIGHT_KG = 15

/** A tool for examples; sizes mm. */
function tool(
  system: UnitSystem,
  given: { name: string; held: Held; size: [number, number, number]; kg: number; count?: number } & Partial<ToolShape>,
): { item: Goods; count: number } {
  const { name, held, size, kg, count = 1, ...measures } = given
  // An inch tool is measured to the sixteenth, and weighed in ounces.
  const step = system === 'imperial' ? inches(1 / 16) : 1
  const even = (mm: number) => Math.max(step, Math.round(mm / step) * step)
  const [acrossMm, deepMm, tallMm] = size.map(even)
  const at = Object.fromEntries(
    Object.entries(measures).map(([k, v]) => [k, typeof v === 'number' ? even(v) : v]),
  ) as Partial<ToolShape>
  const massKg = system === 'imperial' ? Math.round(kg / pounds(1 / 16)) * pounds(1 / 16) : kg
  const item = newGoods({ id: `${held}-${system}`, name, kind: 'tool', count, acrossMm, deepMm, tallMm, massKg })
  return { item: { ...item, tool: { ...assumedTool(item, held), assumed: false, ...at } }, count }
}

/** One of every way of keeping a tool. */
export const exampleTools = (system: UnitSystem): ShapeContext['goods'] => [
  tool(system, {
    name: 'Claw hammer',
    held: 'slotted-rail',
    size: [130, 40, 330],
    kg: 0.7,
    count: 2,
    neckMm: 22,
    handleMm: 32,
    headMm: 60,
    hangMm: 290,
  }),
  tool(system, {
    name: 'Screwdriver',
    held: 'bored-rail',
    size: [36, 36, 260],
    kg: 0.15,
    count: 8,
    neckMm: 9,
    headMm: 30,
    hangMm: 160,
  }),
  tool(system, {
    name: 'Drill',
    held: 'drill-slots',
    size: [80, 200, 240],
    kg: 1.9,
    count: 3,
    neckMm: 44,
    headMm: 78,
    hangMm: 170,
  }),
  tool(system, { name: 'Hand saw', held: 'pegs', size: [130, 40, 560], kg: 0.5, neckMm: 30, headMm: 110, hangMm: 500 }),
  tool(system, {
    name: 'Bar clamp',
    held: 'clamp-bar',
    size: [45, 120, 700],
    kg: 1.6,
    count: 6,
    neckMm: 80,
    hangMm: 640,
  }),
  tool(system, { name: 'Can of spray', held: 'box', size: [66, 66, 200], kg: 0.4, count: 6 }),
  tool(system, { name: 'Charger', held: 'shelf', size: [160, 180, 110], kg: 0.9, count: 2 }),
  tool(system, { name: 'Jacket', held: 'hang-rail', size: [60, 350, 900], kg: 1.2, count: 5, neckMm: 35, hangMm: 860 }),
  tool(system, {
    name: 'Extension cord',
    held: 'hook',
    size: [220, 80, 380],
    kg: 2.4,
    count: 3,
    neckMm: 30,
    hangMm: 350,
  }),
  tool(system, {
    name: 'Router',
    held: 'cutout',
    size: [180, 160, 230],
    kg: 3.4,
    neckMm: 92,
    handleMm: 92,
    headMm: 150,
    hangMm: 80,
  }),
  tool(system, { name: 'Box of bits', held: 'hinged-box', size: [150, 60, 120], kg: 0.6, count: 2 }),
]

const context = (system: UnitSystem, held?: readonly Held[]): ShapeContext => {
  const goods = exampleTools(system).filter((g) => !held || held.includes(g.item.tool!.held))
  return exampleContext(system, goods)
}
const onMasonry = (c: ShapeContext): ShapeContext => ({
  ...c,
  space: { ...c.space, construction: { kind: 'masonry' }, studsMm: [] },
  settings: { ...c.settings, anchorRatedN: 6000 },
})

/** Tools on a wall: holders made to them hook over bevelled strips. */
export const stripWall = family<StripWallParams>({
  id: 'strip-wall',
  hangs: true,
  hangsAt: 'lowestMm',
  schema: stripWallParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeStripWall,
  levers: (p) => stripWallLevers(p),
  savers: (p) => stripWallSavers(p),
  steps: stripWallSteps,
  suits: (g) => asTool(g, LIGHT_KG, 'own-holder'),
  propose(ctx) {
    const fits = (g: Goods) => g.tool !== null && countedKg(g) <= LIGHT_KG
    return allOnWall(ctx, fits) ? [startingParams(ctx.settings.yard)] : []
  },
  examples: () => [
    {
      name: 'a tool for every kind of holder, imperial',
      params: startingParams('imperial'),
      context: context('imperial'),
    },
    {
      name: 'a few tools, whole boards as strips, metric',
      params: { ...startingParams('metric'), strip: 'whole', stripSection: '18x94mm', riseMm: 350, follow: 'wall' },
      context: context('metric', ['bored-rail', 'box', 'pegs', 'drill-slots']),
    },
    {
      name: 'on battens over masonry, one tool kept otherwise than its table says',
      params: {
        ...startingParams('metric'),
        mount: 'battens',
        holders: [{ tool: 'slotted-rail-metric', held: 'shelf', row: 2, atMm: 150 }],
      },
      context: onMasonry(context('metric', ['slotted-rail', 'hook', 'clamp-bar'])),
    },
    {
      name: 'on battens with a backing of panels over masonry, metric',
      params: { ...startingParams('metric'), mount: 'battens', backing: 'panels' },
      context: onMasonry(context('metric', ['slotted-rail', 'box', 'clamp-bar'])),
    },
  ],
})
