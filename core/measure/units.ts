/** Conversion factors: the only ones in the program. All exact by definition unless a source says otherwise. */
export const MM_PER_INCH = 25.4
export const MM_PER_FOOT = 304.8
/** kg per pound: exact, international avoirdupois pound (1959). */
export const KG_PER_LB = 0.45359237
/** Standard gravity, m/s²: exact, 3rd CGPM (1901). */
export const GRAVITY = 9.80665
/** MPa per psi, from the exact pound, inch and gravity. */
export const MPA_PER_PSI = (KG_PER_LB * GRAVITY) / (MM_PER_INCH * MM_PER_INCH)
/** kN/m² of a pound on a square foot. */
export const KN_M2_PER_PSF = (MPA_PER_PSI * 1000) / 144
/** N per pound-force. */
export const N_PER_LBF = KG_PER_LB * GRAVITY
/** N·mm²/mm for one lb·in² per foot of width: stiffness of panels as the panel industry lists it. */
export const EI_PER_LB_IN2_FT = (N_PER_LBF * MM_PER_INCH * MM_PER_INCH) / MM_PER_FOOT
/** N·mm/mm for one lb·in per foot of width: bending strength of panels as the panel industry lists it. */
export const MOMENT_PER_LB_IN_FT = (N_PER_LBF * MM_PER_INCH) / MM_PER_FOOT

export type UnitSystem = 'imperial' | 'metric'

export interface Units {
  system: UnitSystem
  /** Smallest fraction of an inch shown and stepped: 16 means 1/16 in. Ignored in metric. */
  fraction: 16 | 32
}

export const IMPERIAL: Units = { system: 'imperial', fraction: 16 }
export const METRIC: Units = { system: 'metric', fraction: 16 }

/** The step by which a length field moves, in mm: the project's fraction, or 1 mm. */
export const stepMm = (units: Units): number => (units.system === 'imperial' ? MM_PER_INCH / units.fraction : 1)

export const inches = (n: number): number => n * MM_PER_INCH
export const feet = (n: number): number => n * MM_PER_FOOT
export const pounds = (n: number): number => n * KG_PER_LB
export const psi = (n: number): number => n * MPA_PER_PSI
export const newtons = (massKg: number): number => massKg * GRAVITY
export const kilograms = (forceN: number): number => forceN / GRAVITY
