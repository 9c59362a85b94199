import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, keys, section, sheet } from '../params.ts'

export const LIMITS = { panels: 6 } as const
export const SCREWS = { one: 1, two: 2 } as const

export const pegboardParams = z.object({
  panels: countDim(1, LIMITS.panels),
  /** Of one panel. */
  panelWideMm: dim(200, 2440),
  panelHighMm: dim(200, 2440),
  /** Lower edge above the floor. */
  lowestMm: dim(0, 2400),
  /** From one batten behind it to the next, at most. */
  battenEveryMm: dim(150, 900),
  sidePlayMm: dim(0, 100),
  sheet,
  /** How far the panel stands off the wall is how thick they are. */
  battenSection: section,
  wallScrews: z.enum(keys(SCREWS)),
  /** Along each batten. */
  panelScrewsMm: dim(60, 400),
})
export type PegboardParams = z.infer<typeof pegboardParams>

const STOCK: Record<UnitSystem, Pick<PegboardParams, 'sheet' | 'battenSection'>> = {
  imperial: { sheet: 'ply-3/8', battenSection: '2x2' },
  metric: { sheet: 'ply-9mm', battenSection: '38x38mm' },
}

export const startingParams = (system: UnitSystem): PegboardParams => ({
  panels: null,
  panelWideMm: null,
  panelHighMm: null,
  lowestMm: null,
  battenEveryMm: null,
  sidePlayMm: null,
  ...STOCK[system],
  wallScrews: 'one',
  panelScrewsMm: null,
})
