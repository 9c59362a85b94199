import { z } from '../../measure/schema.ts'
import type { Raw } from '../family.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, dims, rod, section, sheet } from '../params.ts'

export const LIMITS = { bays: 10, shelves: 5 } as const

export const bracketShelfParams = z.object({
  /** Openings between brackets. */
  bays: countDim(1, LIMITS.bays),
  /** Brackets are at least this far apart, centre to centre. */
  apartMm: dim(200, 1800),
  /** Shelf from the wall to its front edge. */
  depthMm: dim(100, 700),
  /** One over the other. */
  shelves: countDim(1, LIMITS.shelves),
  /** Top of each shelf above the floor, from below. */
  topMm: dims(100, 3000, LIMITS.shelves),
  /** How far a bracket reaches down, from the underside of the shelf. */
  reachMm: dim(100, 900),
  abovePlayMm: dim(0, 400),
  sidePlayMm: dim(0, 100),
  sheet,
  /** Leg and arm: a section, as it is or ripped down the middle. */
  frameSection: section,
  frame: z.enum(['ripped', 'whole']),
  bracket: z.enum(['gusset', 'knee']),
  /** Legs and braces under the shelves, or over them: nothing then hangs into a door or a window. */
  stand: z.enum(['below', 'above']),
  /** The right end on a bracket like the others, or its front corner hung from the joists by a rod. */
  end: z.enum(['bracket', 'hung']),
  rod,
  spreaderSection: section,
  gussetSheet: sheet,
  kneeSection: section,
  /** Screws through the arm into the end of its leg. */
  cornerScrews: z.enum(['one', 'two', 'three']),
  /** Screws of a gusset or brace in each piece it lies on. */
  pairScrews: z.enum(['two', 'three', 'four']),
  /** Screws through each leg into its stud. */
  wallScrews: z.enum(['two', 'three', 'four', 'five']),
})
export type BracketShelfParams = z.infer<typeof bracketShelfParams>
/** Over a shelf gussets would cut it in pieces: there it is braces. */
export const pairKind = (p: Pick<BracketShelfParams, 'bracket' | 'stand'>): BracketShelfParams['bracket'] =>
  p.stand === 'above' ? 'knee' : p.bracket
export const SCREWS = { one: 1, two: 2, three: 3, four: 4, five: 5 } as const

const HUNG: Record<UnitSystem, Pick<BracketShelfParams, 'rod' | 'spreaderSection'>> = {
  imperial: { rod: 'rod-3/8', spreaderSection: '2x4' },
  metric: { rod: 'rod-M8', spreaderSection: '38x89mm' },
}
type Stocks = Pick<BracketShelfParams, 'sheet' | 'frameSection' | 'gussetSheet' | 'kneeSection'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: { sheet: 'ply-23/32', frameSection: '2x4', gussetSheet: 'ply-15/32', kneeSection: '1x3' },
  metric: { sheet: 'ply-18mm', frameSection: '38x89mm', gussetSheet: 'ply-12mm', kneeSection: '18x69mm' },
}

export const startingParams = (system: UnitSystem): BracketShelfParams => ({
  bays: null,
  apartMm: null,
  depthMm: null,
  shelves: null,
  topMm: [],
  reachMm: null,
  abovePlayMm: null,
  sidePlayMm: null,
  ...STOCK[system],
  ...HUNG[system],
  frame: 'ripped',
  bracket: 'gusset',
  stand: 'below',
  end: 'bracket',
  cornerScrews: 'two',
  pairScrews: 'two',
  wallScrews: 'three',
})

/** The first form knew brackets under the shelves only. */
export const UPGRADES = [
  (raw: Raw): Raw => {
    const metric = String(raw.frameSection).endsWith('mm')
    return { stand: 'below', end: 'bracket', ...(metric ? HUNG.metric : HUNG.imperial), ...raw }
  },
]
