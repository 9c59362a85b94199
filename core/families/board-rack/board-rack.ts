import { newGoods, type Goods } from '../../goods/goods.ts'
import { inches, pounds } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
import { exampleContext } from '../example-context.ts'
import { family, type ShapeContext } from '../family.ts'
import { onArms } from '../../goods/ways.ts'
import { boardRackLevers, boardRackSavers } from './levers.ts'
import { BETWEEN_MM } from '../../blocks/arms/stacking.ts'
import { boardRackParams, LIMITS, startingParams, type BoardRackParams } from './parameters.ts'
import { isLong } from '../../goods/goods.ts'
import { shapeBoardRack } from './shape.ts'
import { boardRackSteps } from './steps.ts'

/** Where the lowest arm may be over a bench, drums or a low rack, mm. Product decision. */
const OVER_MM = [48, 56, 64, 72].map(inches)

const long = (
  given: { id: string; name: string; kind?: Goods['kind']; count: number },
  [acrossMm, deepMm, tallMm]: [number, number, number],
  massKg: number,
): { item: Goods; count: number } => ({
  item: newGoods({ kind: 'board', ...given, acrossMm, deepMm, tallMm, massKg }),
  count: given.count,
})

const inchBoards = (): ShapeContext['goods'] => [
  long({ id: 'studs', name: 'Stud', count: 14 }, [inches(96), inches(3.5), inches(1.5)], pounds(9)),
  long({ id: 'oak', name: 'Oak board', count: 8 }, [inches(72), inches(6), inches(1)], pounds(12)),
  long({ id: 'trim', name: 'Moulding', count: 12 }, [inches(120), inches(2.5), inches(0.75)], pounds(3)),
]
const metricBoards = (): ShapeContext['goods'] => [
  long({ id: 'battens', name: 'Batten', count: 20 }, [3000, 48, 24], 1.6),
  long({ id: 'planks', name: 'Plank', count: 6 }, [2400, 190, 32], 6.5),
]
const sheets = () => long({ id: 'ply', name: 'Sheet of plywood', kind: 'sheet', count: 4 }, [2440, 18, 1220], 29)

/** Boards, pipes and mouldings on arms in bored holes of uprights on studs; sheets stand below. */
export const boardRack = family<BoardRackParams>({
  id: 'board-rack',
  hangs: true,
  hangsAt: 'lowestMm',
  schema: boardRackParams,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeBoardRack,
  levers: boardRackLevers,
  savers: boardRackSavers,
  steps: boardRackSteps,
  suits: (g) => onArms(g, LIMITS.armMm - 2 * BETWEEN_MM),
  propose(ctx) {
    const fits = ctx.goods.every((g) => isLong(g.item) || g.item.kind === 'sheet')
    const some = ctx.goods.some((g) => isLong(g.item))
    if (!fits || !some || !canHoldTie(ctx.space)) return []
    const p = startingParams(ctx.settings.yard)
    // Sheets stand below; boards alone may as well hang over something low.
    const over = ctx.goods.some((g) => g.item.kind === 'sheet') ? [] : OVER_MM
    return [p, ...over.map((lowestMm) => ({ ...p, lowestMm }))]
  },
  examples: () => [
    {
      name: 'boards on tubes, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', inchBoards()),
    },
    {
      name: 'boards over sheets, metric',
      params: { ...startingParams('metric'), wallScrews: 'two' },
      context: exampleContext('metric', [...metricBoards(), sheets()]),
    },
    {
      name: 'mouldings on dowels, close uprights, three levels',
      params: { ...startingParams('imperial'), arm: 'dowel', apartMm: 400, levels: 3, armMm: 200, riseMm: 250 },
      context: exampleContext('imperial', inchBoards().slice(2)),
    },
  ],
})
