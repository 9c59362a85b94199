import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { HEIGHTS } from '../bench-sizes.ts'
import { SEVERAL } from '../ledger-screws.ts'
import { dim, section, sheet } from '../params.ts'

/** The end at which its corner is. */
export const SIDES = ['left', 'right'] as const
/** What carries its back: a board on the wall, or posts that are tied to it. */
export const BACKS = ['ledger', 'posts'] as const

export const cornerBenchParams = z.object({
  /** What the height of the benches beside it follows, or its own where its top is level with theirs. */
  heightFrom: z.enum(HEIGHTS),
  machineMm: dim(300, 1400),
  underMm: dim(100, 1300),
  heightMm: dim(350, 1500),
  /** How much lower its own top is: the table of a machine over its foot. */
  tableMm: dim(0, 700),
  side: z.enum(SIDES),
  /** Its front, across the corner. */
  frontMm: dim(200, 1600),
  /** Its two ends: as deep as the benches that meet it along its own wall and along the other. */
  depthMm: dim(250, 1000),
  otherDepthMm: dim(250, 1000),
  /** Room about a machine. */
  sidePlayMm: dim(0, 100),
  crossEveryMm: dim(150, 800),
  sheet,
  frameSection: section,
  postSection: section,
  back: z.enum(BACKS),
  ledgerScrews: z.enum(SEVERAL),
})
export type CornerBenchParams = z.infer<typeof cornerBenchParams>

const STOCK: Record<UnitSystem, Pick<CornerBenchParams, 'sheet' | 'frameSection' | 'postSection'>> = {
  imperial: { sheet: 'ply-23/32', frameSection: '2x4', postSection: '2x4' },
  metric: { sheet: 'ply-18mm', frameSection: '38x89mm', postSection: '38x89mm' },
}

export const startingParams = (system: UnitSystem, side: CornerBenchParams['side']): CornerBenchParams => ({
  heightFrom: 'general',
  machineMm: null,
  underMm: null,
  heightMm: null,
  tableMm: null,
  side,
  frontMm: null,
  depthMm: null,
  otherDepthMm: null,
  sidePlayMm: null,
  crossEveryMm: null,
  ...STOCK[system],
  back: 'posts',
  ledgerScrews: 'two',
})
