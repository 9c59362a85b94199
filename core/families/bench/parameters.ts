import { SUPPORTS } from '../../blocks/frame/doubled-post.ts'
import { CROSS_SCREWS, RAIL_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { SEVERAL } from '../ledger-screws.ts'
import { PLAIN_ENDS, scribedAtCorner } from '../bench-corner.ts'
import { HEIGHTS } from '../bench-sizes.ts'
import { countDim, dim, dims, keys, section, sheet } from '../params.ts'
import { feet } from '../stands-alone.ts'

export const LIMITS = { shelves: 3, wells: 4 } as const
/** What carries its back: legs, or a batten on the wall, the rear piece of each frame. */
export const BACKS = ['legs', 'batten'] as const

/** A machine stands on a stretch of the top that is lower, or on a platform under an opening through it. */
export const WELL_WAYS = ['lowered', 'dropped-in'] as const
/** The least of the top before an opening, mm: a rail and what lies beside it. */
export const LEAST_FRONT_MM = 60

/** A place for a machine whose table is then level with the top. */
const well = z.object({
  leftMm: z.number().min(0).max(15_000),
  wideMm: z.number().min(250).max(2400),
  tableMm: z.number().min(20).max(700),
  way: z.enum(WELL_WAYS),
  /** Of the top before an opening. */
  frontMm: z.number().min(LEAST_FRONT_MM).max(800),
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
  /** A rail is held by its fasteners, or bears on a piece beside each leg as well. */
  supports: z.enum(SUPPORTS),
  crossJoint: z.enum([...keys(CROSS_SCREWS), 'hangers']),
  /** What keeps it from folding: the wall, or panels of sheet at its back and its ends. */
  stiff: z.enum(['wall', 'panels']),
  back: z.enum(BACKS),
  /** Of a batten in each stud. */
  ledgerScrews: z.enum(SEVERAL),
  feet,
  ...scribedAtCorner,
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

export const startingParams = (system: UnitSystem, onWall: boolean, canPin = false): BenchParams => ({
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
  // What a 2x4 gives its bolts does not carry who sits on the top; behind panels there is no room for pieces under rails.
  ...(system === 'imperial' && onWall
    ? { railJoint: 'screws', supports: 'doubled' }
    : { railJoint: system === 'imperial' ? 'bolts' : 'more-screws', supports: 'single' }),
  crossJoint: 'hangers',
  stiff: onWall ? 'wall' : 'panels',
  back: 'legs',
  ledgerScrews: 'four',
  feet: !onWall && canPin ? 'pinned' : 'standing',
  ...PLAIN_ENDS,
})

const wellsLowered = (wells: unknown) =>
  Array.isArray(wells) ? wells.map((w: object) => ({ way: 'lowered', frontMm: 120, ...w })) : wells

/** The first form knew no corners, the second no feet held down, the third no batten on the wall and no machine let through. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ ...PLAIN_ENDS, ...raw }),
  (raw: Raw): Raw => ({ feet: 'standing', ...raw }),
  (raw: Raw): Raw => ({
    back: 'legs',
    ledgerScrews: 'four',
    supports: 'single',
    ...raw,
    wells: wellsLowered(raw.wells),
  }),
]

/** Sides at which legs stand. */
export const rowsOf = (p: BenchParams): readonly ('rear' | 'front')[] =>
  p.back === 'batten' ? ['front'] : ['rear', 'front']
