import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { DRAWER_STOCK, inDrawers } from '../in-drawers.ts'
import { countDim, dim, sheet } from '../params.ts'

export const LIMITS = { columns: 6, units: 6, kinds: 12, drawers: 120, rooms: 12 } as const

/** A drawer has sides as high as itself, a tray lips all round. */
export const MAKES = ['drawer', 'tray'] as const
/** What lies in it round the things: nothing, foam with a place for each, or a board with a hole for each. */
export const INSERTS = ['none', 'foam', 'bored'] as const
export type Insert = (typeof INSERTS)[number]

const drawers = z.object({
  /** How many units of the pitch one of them is high. */
  units: z.int().min(1).max(LIMITS.units),
  count: z.int().min(1).max(60),
  make: z.enum(MAKES),
  /** Rooms beside each other, with dividers between them. */
  rooms: z.int().min(1).max(LIMITS.rooms),
  insert: z.enum(INSERTS),
})
export type DrawerKind = z.infer<typeof drawers>
/** What is made where nobody says anything else. */
export const PLAIN = { make: 'drawer', rooms: 1, insert: 'none' } as const
export const plain = (units: number, count: number): DrawerKind => ({ ...PLAIN, units, count })

export const drawerBankParams = z.object({
  /** Drawers as a list; what is in it is built whether something lies in it or not. Empty: as many as the goods need. */
  drawers: z.array(drawers).max(LIMITS.kinds),
  columns: countDim(1, LIMITS.columns),
  /** From one groove to the next. */
  unitMm: dim(30, 200),
  /** Clear width of a column. */
  clearMm: dim(150, 1200),
  depthMm: dim(200, 900),
  /** Under the lowest panel. */
  kickMm: dim(0, 300),
  sheet,
  ...inDrawers,
  tie: z.boolean(),
})
export type DrawerBankParams = z.infer<typeof drawerBankParams>

const BOX: Record<UnitSystem, string> = { imperial: 'ply-23/32', metric: 'ply-18mm' }
/** The first form knew only plain drawers, the second only grooves. */
export const UPGRADES = [
  (raw: Raw): Raw => ({
    ...raw,
    drawers: Array.isArray(raw.drawers) ? raw.drawers.map((x: object) => ({ ...PLAIN, ...x })) : raw.drawers,
  }),
  (raw: Raw): Raw => ({ ...raw, runs: 'grooves' }),
]

export const startingParams = (system: UnitSystem, canTie: boolean): DrawerBankParams => ({
  drawers: [],
  columns: null,
  unitMm: null,
  clearMm: null,
  depthMm: null,
  kickMm: null,
  sheet: BOX[system],
  ...DRAWER_STOCK[system],
  runs: 'grooves',
  hand: 'hole',
  tie: canTie,
})
