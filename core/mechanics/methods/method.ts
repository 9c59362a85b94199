import type { Grade } from '../../catalogue/lumber.ts'
import type { Sheet, SheetKind } from '../../catalogue/sheets.ts'

export type Moisture = 'dry' | 'unheated'
export type CreepMaterial = 'lumber' | SheetKind

/** A factor in a strength, beside its source. */
export interface Factor {
  symbol: string
  value: number
  source: string
}

/** What a material may be asked for, and how it came about. MPa, or N·mm/mm for panels' moments. */
export interface Strength {
  value: number
  base: number
  baseSymbol: string
  factors: Factor[]
  source: string
}

/** How a board lies when it bends. */
export interface BoardUse {
  depthMm: number
  /** Nominal width of its section in inches, null for metric. */
  nominalWidth: number | null
  /** Lying flat: the load on its broad face. */
  flat: boolean
}

/** One school of timber design. Every answer is null when the school has no value for the material: then nothing is proven. */
export interface DesignMethod {
  id: 'asd' | 'ec5'
  /** What loads are multiplied with for strength; sag always uses them as they are. */
  loadFactor: { self: number; goods: number; source: string }
  bending(g: Grade, use: BoardUse, m: Moisture): Strength | null
  shear(g: Grade, m: Moisture): Strength | null
  /** What the shear stress is worked out over: 1.5 V / (b·d·this). */
  shearWidthFactor: number
  /** Along the grain, before buckling. */
  compression(g: Grade, nominalWidth: number | null, m: Moisture): Strength | null
  /** Across the grain. */
  bearing(g: Grade, m: Moisture): Strength | null
  /** Buckling: what share of `compression` is left; null when too slender to be allowed. */
  buckling(g: Grade, compression: Strength, lengthMm: number, sideMm: number, m: Moisture): { factor: number | null; formula: string; source: string } | null
  panelMoment(s: Sheet, along: boolean, m: Moisture): Strength | null
  modulus(g: Grade, m: Moisture): Strength | null
  /** Long-term sag over first-day sag under a load that stays. */
  creep(material: CreepMaterial, m: Moisture): Factor
}

export const strength = (baseSymbol: string, base: number, source: string, factors: Factor[], divide = 1): Strength => ({
  value: factors.reduce((v, f) => v * f.value, base) / divide,
  base, baseSymbol, factors, source,
})
