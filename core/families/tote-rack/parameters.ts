import { slidingFront } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, dims, section, sheet } from '../params.ts'

export const LIMITS = { columns: 24, rows: 12 } as const

export const toteRackParams = z.object({
  /** Totes hang by the rim between two rails, or stand with their base on them. */
  carry: z.enum(['rim', 'base']),
  columns: countDim(1, LIMITS.columns),
  rows: countDim(1, LIMITS.rows),
  sidePlayMm: dim(1, 100),
  abovePlayMm: dim(1, 300),
  topExtraMm: dim(0, 600),
  /** Clear width of each column, from the left. */
  clearMm: dims(60, 3000, LIMITS.columns),
  /** Height of the lowest rails' tops above the floor. */
  firstMm: dim(60, 3000),
  /** From one row of rails to the next, from below. */
  pitchMm: dims(60, 3000, LIMITS.rows),
  railLengthMm: dim(150, 4800),
  railSection: section,
  /** Rails of the full section, or ripped down the middle: two from one. */
  railRip: z.enum(['full', 'half']),
  postSection: section,
  plateSection: section,
  backSection: section,
  /** Boards across the back. */
  backRails: countDim(0, 6),
  brace: z.boolean(),
  tie: z.boolean(),
  top: z.union([z.literal('none'), sheet]),
  raise: z.enum(['tilt', 'in-place']),
  front: slidingFront,
  /** Leaves and panels, where there are some. */
  doorSheet: sheet,
  /** A board behind each column, that stops what is pushed in. */
  catch: z.enum(['none', 'board']),
})
export type ToteRackParams = z.infer<typeof toteRackParams>

const STOCK: Record<
  UnitSystem,
  Pick<ToteRackParams, 'railSection' | 'postSection' | 'plateSection' | 'backSection' | 'doorSheet'>
> = {
  imperial: { railSection: '2x4', postSection: '2x4', plateSection: '2x4', backSection: '1x4', doorSheet: 'ply-15/32' },
  metric: {
    railSection: '38x63mm',
    postSection: '38x89mm',
    plateSection: '38x89mm',
    backSection: '18x94mm',
    doorSheet: 'ply-12mm',
  },
}

export const startingParams = (
  system: UnitSystem,
  carry: ToteRackParams['carry'],
  canTie: boolean,
): ToteRackParams => ({
  carry,
  columns: null,
  rows: null,
  sidePlayMm: null,
  abovePlayMm: null,
  topExtraMm: null,
  clearMm: [],
  firstMm: null,
  pitchMm: [],
  railLengthMm: null,
  ...STOCK[system],
  railRip: 'full',
  backRails: null,
  brace: true,
  tie: canTie,
  top: 'none',
  raise: 'tilt',
  front: 'open',
  catch: 'none',
})

/** The first form knew no fronts, the second no leaves and nothing behind the totes. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ front: 'open', ...raw }),
  (raw: Raw): Raw => ({
    doorSheet: /mm$/.test(String(raw.postSection)) ? STOCK.metric.doorSheet : STOCK.imperial.doorSheet,
    catch: 'none',
    ...raw,
  }),
]
