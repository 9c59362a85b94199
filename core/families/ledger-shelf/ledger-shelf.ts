import { alongTheWall, exampleContext, exampleGoods } from '../example-context.ts'
import { family } from '../family.ts'
import { allOnWall } from '../opened.ts'
import { onFramedShelves } from '../../goods/ways.ts'
import { ledgerShelfLevers, ledgerShelfSavers } from './levers.ts'
import { ledgerShelfParams, startingParams, UPGRADES, type LedgerShelfParams } from './parameters.ts'
import { shapeLedgerShelf } from './shape.ts'
import { ledgerShelfSteps } from './steps.ts'

/** Shelves whose back is a ledger on the wall and whose front stands on posts. */
export const ledgerShelf = family<LedgerShelfParams>({
  id: 'ledger-shelf',
  hangs: false,
  turnsGoods: true,
  schema: ledgerShelfParams,
  upgrades: UPGRADES,
  start: (ctx) => startingParams(ctx.settings.yard),
  shape: shapeLedgerShelf,
  levers: (p) => ledgerShelfLevers(p),
  savers: (p) => ledgerShelfSavers(p),
  steps: (_p, shaped) => ledgerShelfSteps(shaped),
  suits: onFramedShelves,
  propose(ctx) {
    if (!allOnWall(ctx)) return []
    const start = startingParams(ctx.settings.yard)
    return [start, { ...start, follow: 'wall' }]
  },
  examples: () => [
    {
      name: 'totes and cartons, imperial',
      params: startingParams('imperial'),
      context: exampleContext('imperial', [exampleGoods('imperial', 'tote', 8), exampleGoods('imperial', 'box', 12)]),
    },
    {
      name: 'along a whole wall, ledgers in pieces',
      params: { ...startingParams('imperial'), follow: 'wall', shelves: 2, topMm: [600] },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 22)]),
    },
    {
      name: 'its front on rods from joists that run out, imperial',
      params: { ...startingParams('imperial'), front: 'rods', shelves: 2, floorBay: false, topMm: [1500] },
      context: exampleContext('imperial', [exampleGoods('imperial', 'box', 8)]),
    },
    {
      name: 'its front on chains from joists along the wall, metric',
      params: { ...startingParams('metric'), front: 'chains', shelves: 2, floorBay: false, topMm: [1400] },
      context: alongTheWall(exampleContext('metric', [exampleGoods('metric', 'box', 6)])),
    },
    {
      name: 'sheets notched round its posts, metric',
      params: { ...startingParams('metric'), edge: 'round-posts', shelves: 3 },
      context: exampleContext('metric', [exampleGoods('metric', 'box', 14)]),
    },
    {
      name: 'pails over drums, metric, posts close, bolted',
      params: {
        ...startingParams('metric'),
        railJoint: 'bolts',
        ledgerScrews: 'three',
        crossJoint: 'three',
        apartMm: 900,
        crossEveryMm: 400,
        cordHoles: [{ shelf: 1, alongMm: 210, outMm: 90, diameterMm: 50 }],
      },
      context: exampleContext('metric', [exampleGoods('metric', 'pail', 10), exampleGoods('metric', 'drum', 2)]),
    },
  ],
})
