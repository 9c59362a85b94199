import { cabinetFront, latch } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { cordHole } from '../../blocks/carcass/cord-holes.ts'
import { deepLeaf, usualLeaf } from '../deep-leaves.ts'
import { leavesOnPins, usualPins } from '../leaves-on-pins.ts'
import { countDim, dim, dims, section, sheet } from '../params.ts'

export const LIMITS = { bays: 4, shelves: 6, cordHoles: 8 } as const

export const wallCabinetParams = z.object({
  /** Openings side by side, between dividers. */
  bays: countDim(1, LIMITS.bays),
  /** Clear width of one opening. */
  clearMm: dim(150, 1800),
  /** Clear depth in front of the back. */
  depthMm: dim(80, 600),
  /** Shelves over the bottom. */
  shelves: countDim(0, LIMITS.shelves),
  /** Height of each shelf's top above the underside of the cabinet, from below; the bottom is none of them. */
  topMm: dims(40, 2200, LIMITS.shelves),
  /** Underside above the floor. */
  hangMm: dim(0, 2600),
  abovePlayMm: dim(0, 400),
  sidePlayMm: dim(0, 100),
  sheet,
  backSheet: sheet,
  /** Hooked on a bevelled strip or on two, or screwed to the wall through the rail under its top. */
  hang: z.enum(['strip', 'two-strips', 'rail']),
  /** How shelves are held: in dadoes, by screws through the uprights, or loose on pins in rows of holes. */
  shelfHold: z.enum(['dado', 'butt', 'pins']),
  /** How top and bottom meet the sides. */
  corner: z.enum(['rabbet', 'dado', 'butt']),
  /**
   * Bare, with flat leaves or with leaves that are boxes themselves, on hinges, with leaves that turn up, panels that slide,
   * a curtain; or leaves one behind the other that turn on pins, things hung on both their faces.
   */
  front: cabinetFront,
  ...deepLeaf,
  latch,
  ...leavesOnPins,
  /** Holes for cords, from the lower end and the back edge of a side, or from the lower left corner of a back. */
  cordHoles: z.array(cordHole).max(LIMITS.cordHoles),
  railSection: section,
  /** Screws from the top into the rail, and from the sides into each of its ends. */
  railScrews: z.enum(['two', 'three']),
  /** Screws into each stud. */
  wallScrews: z.enum(['two', 'three', 'four', 'five']),
})
export type WallCabinetParams = z.infer<typeof wallCabinetParams>
export const SCREWS = { two: 2, three: 3, four: 4, five: 5 } as const

const STOCK: Record<UnitSystem, Pick<WallCabinetParams, 'sheet' | 'backSheet' | 'railSection'>> = {
  imperial: { sheet: 'ply-23/32', backSheet: 'hb-1/4', railSection: '1x4' },
  metric: { sheet: 'ply-18mm', backSheet: 'hb-6mm', railSection: '38x63mm' },
}

export const startingParams = (system: UnitSystem): WallCabinetParams => ({
  bays: null,
  clearMm: null,
  depthMm: null,
  shelves: null,
  topMm: [],
  hangMm: null,
  abovePlayMm: null,
  sidePlayMm: null,
  ...STOCK[system],
  shelfHold: 'dado',
  corner: 'rabbet',
  front: 'open',
  ...usualLeaf(),
  latch: 'magnet',
  ...usualPins(),
  cordHoles: [],
  hang: 'strip',
  railScrews: 'two',
  wallScrews: 'five',
})

/** First without doors, then without all that came after them, then without leaves on pins. */
export const UPGRADES = [
  (raw: Raw): Raw => ({
    front: 'open',
    shelfHold: 'dado',
    corner: 'rabbet',
    ...usualLeaf(),
    latch: 'none',
    cordHoles: [],
    ...raw,
  }),
  (raw: Raw): Raw => ({ ...usualPins(), ...raw }),
]
