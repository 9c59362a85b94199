import { CROSS_SCREWS } from '../../blocks/frame/shelf-frame.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, keys, rod, section, sheet } from '../params.ts'

export const LIMITS = { bearers: 8 } as const
/** What carries the front: threaded rods from over the joists, pairs of boards, or rods on bolts that are there. */
export const FRONTS = ['rods', 'drops', 'bolts'] as const
/** Screws of a drop into a bearer, and into a spreader. */
export const DROP_SCREWS = { two: 2, three: 3, four: 4 } as const
export const CLEAT_SCREWS = { one: 1, two: 2, three: 3 } as const

export const ceilingPlatformParams = z.object({
  lengthMm: dim(300, 6000),
  depthMm: dim(200, 1220),
  /** Upper face of the deck above the floor. */
  topMm: dim(600, 4500),
  /** Bearers under the frame, each with a rod at its front. */
  bearers: countDim(2, LIMITS.bearers),
  abovePlayMm: dim(0, 600),
  sidePlayMm: dim(0, 100),
  /** Most from one cross piece to the next. */
  crossEveryMm: dim(150, 1300),
  sheet,
  frameSection: section,
  bearerSection: section,
  spreaderSection: section,
  front: z.enum(FRONTS),
  rod,
  dropScrews: z.enum(keys(DROP_SCREWS)),
  cleatScrews: z.enum(keys(CLEAT_SCREWS)),
  crossJoint: z.enum(keys(CROSS_SCREWS)),
})
export type CeilingPlatformParams = z.infer<typeof ceilingPlatformParams>

type Stocks = Pick<CeilingPlatformParams, 'sheet' | 'frameSection' | 'bearerSection' | 'spreaderSection' | 'rod'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: {
    sheet: 'ply-15/32',
    frameSection: '2x3',
    bearerSection: '2x4',
    spreaderSection: '2x4',
    rod: 'rod-3/8',
  },
  metric: {
    sheet: 'ply-12mm',
    frameSection: '38x63mm',
    bearerSection: '38x89mm',
    spreaderSection: '38x89mm',
    rod: 'rod-M10',
  },
}

export const startingParams = (system: UnitSystem): CeilingPlatformParams => ({
  lengthMm: null,
  depthMm: null,
  topMm: null,
  bearers: null,
  abovePlayMm: null,
  sidePlayMm: null,
  crossEveryMm: null,
  ...STOCK[system],
  front: 'rods',
  dropScrews: 'two',
  cleatScrews: 'two',
  crossJoint: 'two',
})

/** First on rods alone. */
export const UPGRADES = [(raw: Raw): Raw => ({ front: 'rods', dropScrews: 'two', ...raw })]
