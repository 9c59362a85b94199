import { latch, standingFront } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { deepLeaf, usualLeaf } from '../deep-leaves.ts'
import { drawersBelow, MOST_DRAWERS, usualBelow } from '../drawers-below.ts'
import { leavesOnPins, usualPins } from '../leaves-on-pins.ts'
import { countDim, dim, dims, section, sheet } from '../params.ts'
import { feet } from '../stands-alone.ts'

export const LIMITS = { bays: 6, shelves: 10, drawers: MOST_DRAWERS } as const

export const shelfUnitParams = z.object({
  /** Openings side by side, between uprights. */
  bays: countDim(1, LIMITS.bays),
  /** Clear width of one opening. */
  clearMm: dim(150, 2400),
  depthMm: dim(100, 800),
  shelves: countDim(1, LIMITS.shelves),
  /** Height of each shelf's top above the floor, from below. */
  topMm: dims(40, 3000, LIMITS.shelves),
  abovePlayMm: dim(0, 600),
  sidePlayMm: dim(0, 100),
  sheet,
  /** Shelves stand in dadoes cut into the uprights, or lie on cleats screwed to them. */
  hold: z.enum(['dado', 'cleats']),
  cleatSection: section,
  /** A strip under the front edge of each shelf: none, screwed, or glued and screwed (then the two bend as one). */
  strip: z.enum(['none', 'screwed', 'glued']),
  stripSection: section,
  /** One under the rear edge too. */
  rearStrip: z.boolean(),
  front: standingFront,
  ...deepLeaf,
  latch,
  ...leavesOnPins,
  ...drawersBelow,
  /** A thin sheet across the back, which keeps it from folding. */
  back: z.boolean(),
  tie: z.boolean(),
  feet,
  raise: z.enum(['tilt', 'in-place']),
})
export type ShelfUnitParams = z.infer<typeof shelfUnitParams>

const STOCK: Record<UnitSystem, Pick<ShelfUnitParams, 'sheet' | 'cleatSection' | 'stripSection'>> = {
  imperial: { sheet: 'ply-23/32', cleatSection: '2x2', stripSection: '1x2' },
  metric: { sheet: 'ply-18mm', cleatSection: '38x38mm', stripSection: '18x44mm' },
}
export const startingParams = (system: UnitSystem, canTie: boolean, canPin = false): ShelfUnitParams => ({
  bays: null,
  clearMm: null,
  depthMm: null,
  shelves: null,
  topMm: [],
  abovePlayMm: null,
  sidePlayMm: null,
  ...STOCK[system],
  hold: 'dado',
  strip: 'none',
  rearStrip: false,
  front: 'open',
  ...usualLeaf(),
  latch: 'magnet',
  ...usualPins(),
  ...usualBelow(system),
  back: true,
  tie: canTie,
  feet: !canTie && canPin ? 'pinned' : 'standing',
  raise: 'tilt',
})

/** The first form knew no fronts, the second no feet held down, the third no strips at the back, the fourth no leaves but flat ones and no drawers. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ front: 'open', latch: 'none', ...raw }),
  (raw: Raw): Raw => ({ feet: 'standing', ...raw }),
  (raw: Raw): Raw => ({ rearStrip: false, ...raw }),
  (raw: Raw): Raw => ({
    ...{ ...usualLeaf(), ...usualPins() },
    ...usualBelow(String(raw.sheet).endsWith('mm') ? 'metric' : 'imperial'),
    ...raw,
  }),
]
