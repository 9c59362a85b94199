import { HELD } from '../../goods/tool.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, keys, section, sheet } from '../params.ts'

export const LIMITS = { rows: 8, holders: 40 } as const
export const STRIP_SCREWS = { one: 1, two: 2, three: 3 } as const
export const RAIL_SCREWS = { two: 2, three: 3, four: 4 } as const

/**
 * How one tool is kept when it is not as its table says; over which strip, from below, and where its first holder begins
 * from the left end of the strips: 0 where use and weight say.
 */
const holder = z.object({
  tool: z.string().max(100),
  held: z.enum(HELD),
  row: z.int().min(0).max(LIMITS.rows),
  atMm: z.number().min(0).max(15000),
})

export const BACKINGS = ['none', 'panels'] as const

export const stripWallParams = z.object({
  follow: z.enum(['goods', 'wall']),
  /** Along the wall. */
  lengthMm: dim(250, 15000),
  rows: countDim(1, LIMITS.rows),
  /** Upper edge of the lowest strip above the floor, and from one to the next. */
  lowestMm: dim(250, 2600),
  riseMm: dim(120, 900),
  /** All round a tool in its opening together. */
  fitMm: dim(0, 25),
  sidePlayMm: dim(0, 100),
  abovePlayMm: dim(0, 300),
  stripSection: section,
  /** Ripped down the middle by one cut at 45°: two strips from one board; or a board for each. */
  strip: z.enum(['ripped', 'whole']),
  stripScrews: z.enum(keys(STRIP_SCREWS)),
  /** On masonry: strips on it, or on upright battens. */
  mount: z.enum(['direct', 'battens']),
  battenSection: section,
  /** Over the battens: nothing, or panels that meet on them, whole ones or what is left of others. */
  backing: z.enum(BACKINGS),
  backingSheet: sheet,
  sheet,
  dividerSheet: sheet,
  cleatSection: section,
  railSection: section,
  /** Through the sides of a holder into each end of its rails. */
  railScrews: z.enum(keys(RAIL_SCREWS)),
  barSection: section,
  plateSection: section,
  pegSection: section,
  holders: z.array(holder).max(LIMITS.holders),
})
export type StripWallParams = z.infer<typeof stripWallParams>

type Stocks = Pick<
  StripWallParams,
  | 'stripSection'
  | 'battenSection'
  | 'backingSheet'
  | 'sheet'
  | 'dividerSheet'
  | 'cleatSection'
  | 'railSection'
  | 'barSection'
  | 'plateSection'
  | 'pegSection'
>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: {
    stripSection: '1x6',
    battenSection: '2x3',
    backingSheet: 'ply-3/8',
    sheet: 'ply-19/32',
    dividerSheet: 'ply-3/8',
    cleatSection: '1x3',
    railSection: '2x3',
    barSection: '1x4',
    plateSection: '2x4',
    pegSection: 'dowel-3/4',
  },
  metric: {
    stripSection: '18x144mm',
    battenSection: '38x63mm',
    backingSheet: 'ply-9mm',
    sheet: 'ply-15mm',
    dividerSheet: 'ply-9mm',
    cleatSection: '18x69mm',
    railSection: '38x63mm',
    barSection: '18x94mm',
    plateSection: '38x89mm',
    pegSection: 'dowel-20mm',
  },
}

export const startingParams = (system: UnitSystem): StripWallParams => ({
  follow: 'goods',
  lengthMm: null,
  rows: null,
  lowestMm: null,
  riseMm: null,
  fitMm: null,
  sidePlayMm: null,
  abovePlayMm: null,
  ...STOCK[system],
  strip: 'ripped',
  stripScrews: 'two',
  railScrews: 'three',
  mount: 'direct',
  backing: 'none',
  holders: [],
})

/** First without a place along the strips for a holder, then without a backing. */
export const UPGRADES = [
  (raw: Raw): Raw => ({
    ...raw,
    holders: Array.isArray(raw.holders) ? raw.holders.map((h: object) => ({ atMm: 0, ...h })) : raw.holders,
  }),
  (raw: Raw): Raw => ({
    backing: 'none',
    backingSheet: STOCK[findSection(String(raw.stripSection))?.system ?? 'metric'].backingSheet,
    ...raw,
  }),
]
