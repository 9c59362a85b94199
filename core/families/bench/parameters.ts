import { CROSS_SCREWS, RAIL_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, dims, keys, section, sheet } from '../params.ts'
import { feet } from '../stands-alone.ts'

export const LIMITS = { shelves: 3, wells: 4 } as const
export const HEIGHTS = ['fine', 'general', 'heavy', 'machine', 'under'] as const
export type HeightFrom = (typeof HEIGHTS)[number]

/** A stretch of the bench that is lower, for a machine whose table is then level with the top. */
const well = z.object({
  leftMm: z.number().min(0).max(15_000),
  wideMm: z.number().min(250).max(2400),
  tableMm: z.number().min(20).max(700),
})
export type Well = z.infer<typeof well>

export const benchParams = z.object({
  /** What its height follows: the work, the table of a machine that stands beside it, or what must go under. */
  heightFrom: z.enum(HEIGHTS),
  machineMm: dim(300, 1400),
  underMm: dim(100, 1300),
  heightMm: dim(350, 1500),
  lengthMm: dim(500, 12_000),
  /** Of the top, from the wall. */
  depthMm: dim(300, 1250),
  /** What the top stands out in front of the legs. */
  overhangMm: dim(0, 150),
  legsApartMm: dim(300, 2400),
  crossEveryMm: dim(150, 1300),
  floorBay: z.boolean(),
  shelves: countDim(0, LIMITS.shelves),
  topMm: dims(60, 1400, LIMITS.shelves),
  abovePlayMm: dim(0, 300),
  sidePlayMm: dim(0, 100),
  wells: z.array(well).max(LIMITS.wells),
  sheet,
  layers: z.enum(['one', 'two']),
  shelfSheet: sheet,
  frameSection: section,
  postSection: section,
  railJoint: z.enum([...keys(RAIL_SCREWS), 'bolts']),
  crossJoint: z.enum([...keys(CROSS_SCREWS), 'hangers']),
  /** What keeps it from folding: the wall, or panels of sheet at its back and its ends. */
  stiff: z.enum(['wall', 'panels']),
  feet,
  /** An end that stands in a corner of the room, and whether it meets the bench along the other wall or that wall. */
  corner: z.enum(['none', 'left', 'right']),
  meets: z.enum(['bench', 'wall']),
  otherDepthMm: dim(200, 1250),
})
export type BenchParams = z.infer<typeof benchParams>

type Stocks = Pick<BenchParams, 'sheet' | 'shelfSheet' | 'frameSection' | 'postSection'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: {
    sheet: 'ply-23/32',
    shelfSheet: 'ply-15/32',
    frameSection: '2x4',
    postSection: '2x4',
  },
  metric: {
    sheet: 'ply-18mm',
    shelfSheet: 'ply-12mm',
    frameSection: '38x89mm',
    postSection: '38x89mm',
  },
}

export const startingParams = (system: UnitSystem, onWall: boolean): BenchParams => ({
  heightFrom: 'general',
  machineMm: null,
  underMm: null,
  heightMm: null,
  lengthMm: null,
  depthMm: null,
  overhangMm: null,
  legsApartMm: null,
  crossEveryMm: null,
  floorBay: true,
  shelves: null,
  topMm: [],
  abovePlayMm: null,
  sidePlayMm: null,
  wells: [],
  ...STOCK[system],
  layers: 'one',
  railJoint: system === 'imperial' ? 'bolts' : 'more-screws',
  crossJoint: 'hangers',
  stiff: onWall ? 'wall' : 'panels',
  feet: 'standing',
  corner: 'none',
  meets: 'bench',
  otherDepthMm: null,
})

/** The first form knew no corners, the second no feet held down. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ corner: 'none', meets: 'bench', otherDepthMm: null, ...raw }),
  (raw: Raw): Raw => ({ feet: 'standing', ...raw }),
]
