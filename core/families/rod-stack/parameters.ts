import { boxFront, latch } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { Raw } from '../family.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, dims, rod, section, sheet } from '../params.ts'

export const LIMITS = { shelves: 6 } as const

export const rodStackParams = z.object({
  /** Clear width between the sides. */
  clearMm: dim(150, 1500),
  /** Clear depth in front of the back. */
  depthMm: dim(80, 700),
  /** Shelves over the bottom. */
  shelves: countDim(0, LIMITS.shelves),
  /** Height of each shelf's top above the underside of the box, from below; the bottom is none of them. */
  topMm: dims(40, 2200, LIMITS.shelves),
  /** From the top of the box to the ceiling. */
  gapMm: dim(0, 2000),
  /** Room behind the back, for sheets that stand there. */
  behindMm: dim(0, 800),
  abovePlayMm: dim(0, 400),
  sidePlayMm: dim(0, 100),
  front: boxFront,
  latch,
  sheet,
  backSheet: sheet,
  crossSection: section,
  spreaderSection: section,
  rod,
})
export type RodStackParams = z.infer<typeof rodStackParams>

type Stocks = Pick<RodStackParams, 'sheet' | 'backSheet' | 'crossSection' | 'spreaderSection' | 'rod'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: {
    sheet: 'ply-23/32',
    backSheet: 'ply-15/32',
    crossSection: '2x4',
    spreaderSection: '2x4',
    rod: 'rod-3/8',
  },
  metric: {
    sheet: 'ply-18mm',
    backSheet: 'ply-12mm',
    crossSection: '38x89mm',
    spreaderSection: '38x89mm',
    rod: 'rod-M10',
  },
}

export const startingParams = (system: UnitSystem): RodStackParams => ({
  clearMm: null,
  depthMm: null,
  shelves: null,
  topMm: [],
  gapMm: null,
  behindMm: null,
  abovePlayMm: null,
  sidePlayMm: null,
  front: 'open',
  latch: 'magnet',
  ...STOCK[system],
})

/** The first form knew less. */
export const UPGRADES = [(raw: Raw): Raw => ({ front: 'open', latch: 'none', ...raw })]
