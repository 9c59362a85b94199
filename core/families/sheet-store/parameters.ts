import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, dims, section, sheet } from '../params.ts'

export const LIMITS = { slots: 8, frames: 6 } as const

export const EDGES = ['long', 'short'] as const
/** The room sees its sheets, or panels on the front posts keep dust and hands off them: they come out at the end all the same. */
export const FRONTS = ['open', 'panel'] as const

export const sheetStoreParams = z.object({
  /** From the first frame to the last, over all. */
  lengthMm: dim(300, 3600),
  frames: countDim(2, LIMITS.frames),
  /** Clear from the bar at the floor to that over the sheets. */
  openMm: dim(150, 2600),
  /** What is wanted over the tallest sheet, to lift it on and off the bars. */
  marginMm: dim(10, 400),
  /** Room kept free in each compartment for what is bought later, of what stands there. */
  sparePct: countDim(0, 200),
  /** How far a sheet stands from flat in its middle: in each compartment so much more room, whatever else stands there. */
  bowMm: dim(0, 150),
  /** Clear widths of the compartments, the one at the wall first. */
  slotMm: dims(25, 800, LIMITS.slots),
  /** The edge sheets stand on. */
  edge: z.enum(EDGES),
  /** The end at which sheets are drawn out. */
  entry: z.enum(['left', 'right']),
  frameSection: section,
  backSection: section,
  tieScrews: z.enum(['two', 'three']),
  front: z.enum(FRONTS),
  frontSheet: sheet,
})
export type SheetStoreParams = z.infer<typeof sheetStoreParams>

const STOCK: Record<UnitSystem, Pick<SheetStoreParams, 'frameSection' | 'backSection' | 'frontSheet'>> = {
  imperial: { frameSection: '2x4', backSection: '2x4', frontSheet: 'ply-15/32' },
  metric: { frameSection: '38x89mm', backSection: '38x89mm', frontSheet: 'ply-12mm' },
}

export const startingParams = (system: UnitSystem): SheetStoreParams => ({
  lengthMm: null,
  frames: null,
  openMm: null,
  marginMm: null,
  sparePct: null,
  bowMm: null,
  slotMm: [],
  edge: 'long',
  entry: 'right',
  ...STOCK[system],
  tieScrews: 'two',
  front: 'open',
})

/** In the first form all stood on their long edges, in the second all were flat, in the third none had a front. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ edge: 'long', ...raw }),
  (raw: Raw): Raw => ({ bowMm: 0, ...raw }),
  (raw: Raw): Raw => ({ front: 'open', frontSheet: STOCK[systemOf(raw)].frontSheet, ...raw }),
]
/** By the boards it was made of. */
const systemOf = (raw: Raw): UnitSystem => (String(raw.frameSection).endsWith('mm') ? 'metric' : 'imperial')
