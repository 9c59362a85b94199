import { LEDGER_SCREWS } from '../ledger-screws.ts'
import { CROSS_SCREWS, RAIL_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { LINE_WEIGHTS } from '../../catalogue/soft.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, dims, keys, rod, section, sheet } from '../params.ts'

export const LIMITS = { bays: 10, shelves: 8, cordHoles: 8 } as const
/** Sheets end at the front rail, or reach past it to the outer faces of the posts, notched round each. */
export const EDGES = ['at-rail', 'round-posts'] as const
export const FRONTS = ['posts', 'rods', 'chains'] as const

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
  /** What carries the front: posts, or rods or chains from the joists at the ends of flat bearers under the frame. */
  front: z.enum(FRONTS),
  edge: z.enum(EDGES),
  bearerSection: section,
  spreaderSection: section,
  rod,
  chain: z.enum(LINE_WEIGHTS),
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

type Hung = Pick<LedgerShelfParams, 'bearerSection' | 'spreaderSection' | 'rod' | 'chain'>
const HUNG: Record<UnitSystem, Hung> = {
  imperial: { bearerSection: '2x4', spreaderSection: '2x4', rod: 'rod-3/8', chain: 'light' },
  metric: { bearerSection: '38x89mm', spreaderSection: '38x89mm', rod: 'rod-M10', chain: 'light' },
}
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
  front: 'posts',
  edge: 'at-rail',
  ...HUNG[system],
  cordHoles: [],
})

/** First without holes for cords, then always on posts, then with sheets that end at the rail. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ cordHoles: [], ...raw }),
  (raw: Raw): Raw => ({
    front: 'posts',
    ...HUNG[findSection(String(raw.frameSection))?.system ?? 'metric'],
    ...raw,
  }),
  (raw: Raw): Raw => ({ edge: 'at-rail', ...raw }),
]
