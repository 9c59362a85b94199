import { slidingFront } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { countDim, dim, section, sheet } from '../params.ts'
import { ends, feet, tiedOrAlone } from '../stands-alone.ts'

export const LIMITS = { bays: 6, shelves: 12, places: 30 } as const

export const COVERS = ['none', 'ends'] as const
export const TOPS = ['open', 'planks'] as const

export const floatingShelfRackParams = z.object({
  bays: countDim(1, LIMITS.bays),
  /** Clear between the posts of two frames. */
  clearMm: dim(250, 1300),
  depthMm: dim(200, 900),
  highMm: dim(600, 2600),
  /** From one pair of cleats to the next. */
  riseMm: dim(60, 400),
  /** Shelves in each bay; there are more places than shelves. */
  shelves: countDim(1, LIMITS.shelves),
  abovePlayMm: dim(0, 600),
  sidePlayMm: dim(0, 100),
  postSection: section,
  cleatSection: section,
  stripSection: section,
  /** Boards along the top, ties and diagonals. */
  backSection: section,
  sheet,
  strips: z.enum(['glued', 'screwed', 'none']),
  tie: z.boolean(),
  ends,
  feet,
  /** Panels over the outer faces of both ends, which then need no diagonals. */
  cover: z.enum(COVERS),
  coverSheet: sheet,
  /** Over all of it: nothing, or planks somebody may stand on. */
  top: z.enum(TOPS),
  plankSection: section,
  front: slidingFront,
})
export type FloatingShelfRackParams = z.infer<typeof floatingShelfRackParams>

type Stocks = Pick<
  FloatingShelfRackParams,
  'postSection' | 'cleatSection' | 'stripSection' | 'backSection' | 'sheet' | 'coverSheet' | 'plankSection'
>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: {
    postSection: '2x3',
    cleatSection: '1x2',
    stripSection: '1x2',
    backSection: '1x4',
    sheet: 'ply-15/32',
    coverSheet: 'ply-3/8',
    plankSection: '2x6',
  },
  metric: {
    postSection: '38x63mm',
    cleatSection: '18x44mm',
    stripSection: '18x44mm',
    backSection: '18x94mm',
    sheet: 'ply-12mm',
    coverSheet: 'ply-9mm',
    plankSection: '47x150mm',
  },
}
export const startingParams = (system: UnitSystem, canTie: boolean, canPin = false): FloatingShelfRackParams => ({
  bays: null,
  clearMm: null,
  depthMm: null,
  highMm: null,
  riseMm: null,
  shelves: null,
  abovePlayMm: null,
  sidePlayMm: null,
  ...STOCK[system],
  ...tiedOrAlone(system, canTie, canPin),
  strips: 'glued',
  cover: 'none',
  top: 'open',
  front: 'open',
})

/** The first form had open ends, the second no front, the third nothing over it. */
export const UPGRADES = [
  (raw: Raw): Raw => {
    const { coverSheet } = stockOf(raw)
    return { cover: 'none', coverSheet, ...raw }
  },
  (raw: Raw): Raw => ({ front: 'open', ...raw }),
  (raw: Raw): Raw => {
    const { plankSection } = stockOf(raw)
    return { top: 'open', plankSection, ...raw }
  },
]
/** The usual stock of the system a stored form is of. */
function stockOf(raw: Raw): Stocks {
  return STOCK[String(raw.postSection).endsWith('mm') ? 'metric' : 'imperial']
}
