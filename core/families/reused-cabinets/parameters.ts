import { EXISTING_FRONTS } from '../../blocks/carcass/existing-box.ts'
import { z } from '../../measure/schema.ts'
import { inches, pounds, type UnitSystem } from '../../measure/units.ts'
import { dim, keys, section, sheet } from '../params.ts'

export const LIMITS = { cabinets: 16, edges: 24, shelves: 6 } as const
export const WALL_SCREWS = { one: 1, two: 2, three: 3, four: 4, five: 5 } as const

/** A cabinet as it is found, measured over all, leaves not counted. */
const cabinet = z.object({
  wideMm: z.number().min(150).max(2400),
  deepMm: z.number().min(100).max(900),
  highMm: z.number().min(150).max(2400),
  massKg: z.number().min(0.1).max(300),
  /** What it is known to carry inside; nought while nobody knows. */
  holdsKg: z.number().min(0).max(1000),
  shelves: z.int().min(0).max(LIMITS.shelves),
  front: z.enum(EXISTING_FRONTS),
})
export type Cabinet = z.infer<typeof cabinet>

export const reusedCabinetsParams = z.object({
  cabinets: z.array(cabinet).max(LIMITS.cabinets),
  row: z.enum(['wall', 'floor']),
  order: z.enum(['search', 'listed']),
  /** Upper edges of all that hang, above the floor. */
  topMm: dim(400, 3200),
  /** What they are made of, and their own rails at the back: through and high. */
  boardMm: dim(6, 40),
  railMm: dim(6, 40),
  railHighMm: dim(30, 200),
  abovePlayMm: dim(0, 300),
  sidePlayMm: dim(0, 100),
  hang: z.enum(['strip', 'through']),
  stripSection: section,
  strip: z.enum(['ripped', 'whole']),
  wallScrews: z.enum(keys(WALL_SCREWS)),
  /** Edges of what stands below, along the wall: what hangs is slid until it lines up with them. */
  edges: z.array(z.object({ atMm: z.number().min(0).max(20000) })).max(LIMITS.edges),
  fillerSheet: sheet,
  worktop: z.enum(['none', 'one-length', 'spliced']),
  worktopSheet: sheet,
  overhangMm: dim(0, 150),
  supportSection: section,
})
export type ReusedCabinetsParams = z.infer<typeof reusedCabinetsParams>

type Stocks = Pick<
  ReusedCabinetsParams,
  'cabinets' | 'stripSection' | 'fillerSheet' | 'worktopSheet' | 'supportSection'
>
const usual = (wideMm: number, deepMm: number, highMm: number, massKg: number): Cabinet => ({
  wideMm,
  deepMm,
  highMm,
  massKg,
  holdsKg: 0,
  shelves: 1,
  front: 'pair',
})

const STOCK: Record<UnitSystem, Stocks> = {
  imperial: {
    cabinets: [
      usual(inches(30), inches(12), inches(30), pounds(45)),
      usual(inches(24), inches(12), inches(30), pounds(38)),
    ],
    stripSection: '2x4',
    fillerSheet: 'ply-23/32',
    worktopSheet: 'ply-23/32',
    supportSection: '2x4',
  },
  metric: {
    cabinets: [usual(800, 320, 720, 21), usual(600, 320, 720, 17)],
    stripSection: '38x89mm',
    fillerSheet: 'ply-18mm',
    worktopSheet: 'ply-18mm',
    supportSection: '38x89mm',
  },
}

export const startingParams = (system: UnitSystem): ReusedCabinetsParams => ({
  ...STOCK[system],
  row: 'wall',
  order: 'search',
  topMm: null,
  boardMm: null,
  railMm: null,
  railHighMm: null,
  abovePlayMm: null,
  sidePlayMm: null,
  hang: 'strip',
  strip: 'ripped',
  wallScrews: 'four',
  edges: [],
  worktop: 'none',
  overhangMm: null,
})
