import type { Grade } from '../../catalogue/lumber.ts'
import type { Sheet, SheetKind } from '../../catalogue/sheets.ts'
import type { Screw } from '../../catalogue/fasteners.ts'
import type { LoadRuns, Spacing } from '../spacing.ts'

/** Heated indoors; an unheated garage or shed; or wood that gets above 19 % moisture. */
export const MOISTURES = ['dry', 'unheated', 'wet'] as const
export type Moisture = (typeof MOISTURES)[number]
/** How long the goods stay: for good (permanent), or for years but changing (ten years; long-term). */
export const DURATIONS = ['permanent', 'long'] as const
/** Or for days only: a person on it. */
export type Duration = (typeof DURATIONS)[number] | 'short'
/** Where and for how long the wood is loaded. */
export interface Conditions {
  moisture: Moisture
  duration: Duration
}
export type CreepMaterial = 'lumber' | SheetKind

/** A factor in a strength, beside its source. */
export interface Factor {
  symbol: string
  value: number
  /** A stress in MPa; a plain number when left out. */
  stress?: true
  source: string
}

/** What a material may be asked for, and how it came about. MPa, N, or N·mm/mm for panels' moments. */
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

/** What a fastener goes through, or into. */
export type Wood = { kind: 'lumber'; grade: Grade } | { kind: 'sheet'; sheet: Sheet }

/** One fastener across its length: through `side`, into `main`. */
export interface LateralCase {
  fastener: Screw
  side: Wood
  sideMm: number
  main: Wood
  /** What of the fastener is in the main piece, mm. */
  mainMm: number
  /** Its point goes into side grain, into the end of a board, or into the edge of a sheet. */
  into: 'side' | 'end' | 'edge'
  /** Load across the grain of one of the two pieces. */
  acrossGrain: boolean
  /** Driven askew through the end of the near piece (a pocket screw). */
  askew: boolean
  /** Lining or air between the two pieces, mm. */
  gapMm?: number
}

/**
 * A post looked at one way: its size that way, the length between what holds it so, and the moment from what hangs off
 * its face.
 */
export interface PostAxis {
  depthMm: number
  unheldMm: number
  momentNmm: number
}
/** Compression along a post with its load off the axis, both ways. */
export interface PostCase {
  grade: Grade
  nominalWidth: number | null
  axialN: number
  axes: readonly [PostAxis, PostAxis]
}
export interface PostResult {
  /** At most 1; null when the post is too slender to be allowed. */
  ratio: number | null
  /** The way it gives first. */
  axis: 0 | 1
  formula: string
  source: string
  factors: Factor[]
}

/**
 * One school of timber design. Every answer is null when the school has no value for the material: then nothing is
 * proven.
 */
/** How a screw in wood is used up that is pushed across and pulled out at once. */
export interface Together {
  formula: string
  source: string
  /** @param v across, @param t pulled, N @param z what it gives across, @param w pulled, N; both above nought */
  share(v: number, t: number, z: number, w: number): number
}

export interface DesignMethod {
  id: 'asd' | 'ec5'
  screwTogether: Together
  /** What loads are multiplied with for strength; sag always uses them as they are. */
  loadFactor: { self: number; goods: number; source: string }
  bending(g: Grade, use: BoardUse, c: Conditions): Strength | null
  shear(g: Grade, c: Conditions): Strength | null
  /** What the shear stress is worked out over: 1.5 V / (b·d·this). */
  shearWidthFactor: number
  /** What is left of the shear strength of a beam at a notch on the tension side. `leftMm` of the depth stays. */
  notch(depthMm: number, leftMm: number, reachMm: number): Factor
  /** Along the grain, before buckling. */
  compression(g: Grade, nominalWidth: number | null, c: Conditions): Strength | null
  /** Pulled along the grain. */
  tension(g: Grade, nominalWidth: number | null, c: Conditions): Strength | null
  /** Pulled apart across the grain, as a ledge does that is bent off its board: it splits along. */
  acrossGrain(g: Grade, c: Conditions): Strength | null
  /** Across the grain, on a contact `lengthMm` long along the grain with wood before and behind it. */
  bearing(g: Grade, c: Conditions, contact: { lengthMm: number; beforeMm: number; afterMm: number }): Strength | null
  post(p: PostCase, c: Conditions): PostResult | null
  panelMoment(s: Sheet, along: boolean, c: Conditions): Strength | null
  modulus(g: Grade, c: Conditions): Strength | null
  /** Shear modulus beside the modulus above, MPa. */
  shearModulus(g: Grade, c: Conditions): Strength | null
  /** One fastener across its length, N; a value of nought where it may not be counted. */
  lateral(j: LateralCase, c: Conditions): Strength | null
  /** How far one fastener must stay from ends, edges and its neighbours, in its diameters. Bored: with a pilot hole. */
  spacing(f: Screw, w: Wood, runs: LoadRuns, bored: boolean): Spacing & { source: string }
  /**
   * What a fastener of a row along the grain gives, of what it gives alone; null where all count in full. `ea`: modulus
   * times area of both pieces, N.
   */
  group(f: Screw, count: number, alongMm: number, ea: () => [side: number, main: number]): Factor | null
  /** One fastener pulled out of the side grain of lumber, N. */
  withdrawal(f: Screw, g: Grade, threadMm: number, c: Conditions): Strength | null
  /** Head of one screw pulled through the piece under it, N. */
  headPull(f: Screw, w: Wood, thicknessMm: number, c: Conditions): Strength | null
  /** Long-term sag over first-day sag under a load that stays. */
  creep(material: CreepMaterial, c: Conditions): Factor
}

/**
 * Specific gravity of a panel without a stamped one: plywood and strand board, NDS 2018 table 12.3.3B; others, all
 * denser, are taken like it.
 */
export const PANEL_G = 0.42

/** Share a gap between two pieces leaves of a dowel, with its source. */
export const overGap = (value: number): Factor => ({ symbol: 'gap', value, source: 'AWC TR12 2018: dowel over a gap' })

export const strength = (baseSymbol: string, base: number, source: string, factors: Factor[]): Strength => ({
  value: factors.reduce((v, f) => v * f.value, base),
  base,
  baseSymbol,
  factors,
  source,
})
