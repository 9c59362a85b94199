import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, sheet } from '../params.ts'

export const LIMITS = { columns: 6, units: 6, kinds: 12, drawers: 120 } as const

const drawers = z.object({
  /** How many units of the pitch one of them is high. */
  units: z.int().min(1).max(LIMITS.units),
  count: z.int().min(1).max(60),
})

export const drawerBankParams = z.object({
  /** Drawers as a list; what is in it is built whether something lies in it or not. Empty: as many as the goods need. */
  drawers: z.array(drawers).max(LIMITS.kinds),
  columns: countDim(1, LIMITS.columns),
  /** From one groove to the next. */
  unitMm: dim(30, 200),
  /** Clear width of a column. */
  clearMm: dim(150, 1200),
  depthMm: dim(200, 900),
  /** Under the lowest panel. */
  kickMm: dim(0, 300),
  sheet,
  drawerSheet: sheet,
  bottomSheet: sheet,
  hand: z.enum(['hole', 'none']),
  tie: z.boolean(),
})
export type DrawerBankParams = z.infer<typeof drawerBankParams>

type Stocks = Pick<DrawerBankParams, 'sheet' | 'drawerSheet' | 'bottomSheet'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: { sheet: 'ply-23/32', drawerSheet: 'ply-15/32', bottomSheet: 'ply-3/8' },
  metric: { sheet: 'ply-18mm', drawerSheet: 'ply-12mm', bottomSheet: 'ply-9mm' },
}
export const startingParams = (system: UnitSystem, canTie: boolean): DrawerBankParams => ({
  drawers: [],
  columns: null,
  unitMm: null,
  clearMm: null,
  depthMm: null,
  kickMm: null,
  ...STOCK[system],
  hand: 'hole',
  tie: canTie,
})
