import { THIN_BACK } from '../../blocks/carcass/standing.ts'
import { benchFront, latch } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { PLAIN_ENDS, scribedAtCorner } from '../bench-corner.ts'
import type { Raw } from '../family.ts'
import { inDrawers, usualDrawers } from '../in-drawers.ts'
import { countDim, dim, dims, sheet } from '../params.ts'
import { feet } from '../stands-alone.ts'

export const LIMITS = { bays: 10, shelves: 4, wells: 3 } as const
/** What its height follows: nothing is rolled under a box. */
export const BOX_HEIGHTS = ['fine', 'general', 'heavy', 'machine'] as const

/** A box that is lower, for a machine whose table is then level with the top. */
export const WELL = { wideMm: [250, 1500], tableMm: [20, 700] } as const
const well = z.object({
  /** Openings of the bench on its left. */
  after: z.number().int().min(0).max(LIMITS.bays),
  /** Between its neighbours. */
  wideMm: z.number().min(WELL.wideMm[0]).max(WELL.wideMm[1]),
  tableMm: z.number().min(WELL.tableMm[0]).max(WELL.tableMm[1]),
})
export type BoxWell = z.infer<typeof well>

export const boxBenchParams = z.object({
  heightFrom: z.enum(BOX_HEIGHTS),
  machineMm: dim(300, 1400),
  heightMm: dim(350, 1500),
  /** Openings side by side, between dividers. */
  bays: countDim(1, LIMITS.bays),
  /** Clear width of one opening. */
  clearMm: dim(200, 1500),
  /** Of the top, from the wall. */
  depthMm: dim(300, 1250),
  /** What the top stands out before the boxes and what closes them. */
  overhangMm: dim(0, 150),
  kickMm: dim(40, 200),
  /** Over the bottoms. */
  shelves: countDim(0, LIMITS.shelves),
  topMm: dims(40, 1400, LIMITS.shelves),
  abovePlayMm: dim(0, 300),
  sidePlayMm: dim(0, 100),
  topSheet: sheet,
  layers: z.enum(['one', 'two']),
  sheet,
  backSheet: sheet,
  front: benchFront,
  latch,
  ...inDrawers,
  tie: z.boolean(),
  wells: z.array(well).max(LIMITS.wells),
  ...scribedAtCorner,
  feet,
})
export type BoxBenchParams = z.infer<typeof boxBenchParams>

const STOCK: Record<UnitSystem, Pick<BoxBenchParams, 'topSheet' | 'sheet' | 'backSheet'>> = {
  imperial: { topSheet: 'lc-3/4', sheet: 'ply-23/32', backSheet: THIN_BACK.imperial },
  metric: { topSheet: 'ply-18mm', sheet: 'ply-18mm', backSheet: THIN_BACK.metric },
}

const STIFF_BACK: Record<UnitSystem, string> = { imperial: 'ply-3/8', metric: 'ply-9mm' }

export const startingParams = (system: UnitSystem, canTie: boolean, canPin = false): BoxBenchParams => ({
  heightFrom: 'general',
  machineMm: null,
  heightMm: null,
  bays: null,
  clearMm: null,
  depthMm: null,
  overhangMm: null,
  kickMm: null,
  shelves: null,
  topMm: [],
  abovePlayMm: null,
  sidePlayMm: null,
  ...STOCK[system],
  // What no tie helps is kept from folding by its backs alone.
  ...(canTie ? {} : { backSheet: STIFF_BACK[system] }),
  layers: 'two',
  front: 'open',
  latch: 'magnet',
  ...usualDrawers(system),
  tie: canTie,
  wells: [],
  ...PLAIN_ENDS,
  feet: !canTie && canPin ? 'pinned' : 'standing',
})

/** The first form knew no wells, no corners and no feet held down, the second no drawers. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ wells: [], ...PLAIN_ENDS, feet: 'standing', ...raw }),
  (raw: Raw): Raw => ({ ...usualDrawers(String(raw.sheet).endsWith('mm') ? 'metric' : 'imperial'), ...raw }),
]
