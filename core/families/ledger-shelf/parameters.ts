import { CROSS_SCREWS, RAIL_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, dims, keys, section, sheet } from '../params.ts'

export const LIMITS = { bays: 10, shelves: 8, cordHoles: 8 } as const
export const LEDGER_SCREWS = { one: 1, two: 2, three: 3, four: 4 } as const

export const ledgerShelfParams = z.object({
  /** Fill the wall, or be only as long as the goods need. */
  follow: z.enum(['goods', 'wall']),
  /** Openings between posts, and from post to post, centre to centre. */
  bays: countDim(1, LIMITS.bays),
  apartMm: dim(300, 2400),
  depthMm: dim(150, 1220),
  /** Heavy and bulky goods stand on the floor under the lowest shelf. */
  floorBay: z.boolean(),
  shelves: countDim(1, LIMITS.shelves),
  /** Height of each shelf's top above the floor, from below. */
  topMm: dims(60, 4000, LIMITS.shelves),
  abovePlayMm: dim(0, 600),
  sidePlayMm: dim(0, 100),
  /** Most from one cross piece to the next. */
  crossEveryMm: dim(150, 1300),
  frameSection: section,
  postSection: section,
  sheet,
  /** Screws of the ledger in each stud. */
  ledgerScrews: z.enum(keys(LEDGER_SCREWS)),
  railJoint: z.enum([...keys(RAIL_SCREWS), 'bolts']),
  crossJoint: z.enum(keys(CROSS_SCREWS)),
  /** Through a shelf, counted from below: its middle from the left end, and out from the wall. */
  cordHoles: z
    .array(
      z.object({
        shelf: z.int().min(1).max(LIMITS.shelves),
        alongMm: z.number().min(0).max(20000),
        outMm: z.number().min(0).max(1220),
        diameterMm: z.number().min(10).max(120),
      }),
    )
    .max(LIMITS.cordHoles),
})
export type LedgerShelfParams = z.infer<typeof ledgerShelfParams>

const STOCK: Record<UnitSystem, Pick<LedgerShelfParams, 'frameSection' | 'postSection' | 'sheet'>> = {
  imperial: { frameSection: '2x4', postSection: '2x4', sheet: 'ply-23/32' },
  metric: { frameSection: '38x89mm', postSection: '38x89mm', sheet: 'ply-18mm' },
}

export const startingParams = (system: UnitSystem): LedgerShelfParams => ({
  follow: 'goods',
  bays: null,
  apartMm: null,
  depthMm: null,
  floorBay: true,
  shelves: null,
  topMm: [],
  abovePlayMm: null,
  sidePlayMm: null,
  crossEveryMm: null,
  ...STOCK[system],
  ledgerScrews: 'two',
  railJoint: 'screws',
  crossJoint: 'two',
  cordHoles: [],
})

/** First without holes for cords. */
export const UPGRADES = [(raw: Raw): Raw => ({ cordHoles: [], ...raw })]
