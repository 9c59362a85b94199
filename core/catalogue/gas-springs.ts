/*
 * Springs of gas that carry what turns on a level hinge line. Told by their length when out, their stroke and their
 * force when out at 20 °C, as makers tell them.
 */

export interface GasSpring {
  item: string
  /** From eye to eye when all the way out, and how far it goes in, mm. */
  outMm: number
  strokeMm: number
  /** Nearly all the way out, at 20 °C, N. */
  forceN: number
  massKg: number
}

/** How much more it pushes all the way in than out: makers give 1.2 to 1.4. */
export const PROGRESSION = 1.3
/** Of its force less for every kelvin colder: the gas law, 1/293 K. */
export const PER_KELVIN = 0.0035
export const RATED_CELSIUS = 20
/** Across, with its ends, mm: usual light ones. */
export const SPRING_WIDE_MM = 15
/** Its ends are never used: so much of the stroke is left at both, mm. Product decision. */
export const STROKE_LEFT_MM = 3

const SIZES: readonly (readonly [outMm: number, strokeMm: number, massKg: number])[] = [
  [165, 55, 0.08],
  [205, 75, 0.1],
  [245, 95, 0.12],
  [285, 115, 0.14],
  [355, 150, 0.18],
]
const FORCES = [50, 60, 80, 100, 120, 150, 200] as const

/** Usual light springs; sizes and forces are ours, between what makers sell: what is bought counts. */
export const GAS_SPRINGS: readonly GasSpring[] = SIZES.flatMap(([outMm, strokeMm, massKg]) =>
  FORCES.map((forceN) => ({
    item: `gas spring ${outMm} mm, ${forceN} N`,
    outMm,
    strokeMm,
    forceN,
    massKg,
  })),
)
export const SPRING_SIZES: readonly GasSpring[] = GAS_SPRINGS.filter((s) => s.forceN === FORCES[0])
export const findGasSpring = (item: string): GasSpring | undefined => GAS_SPRINGS.find((s) => s.item === item)
/** The same spring with other gas in it, weakest first. */
export const asStrong = (size: Pick<GasSpring, 'outMm'>): GasSpring[] =>
  GAS_SPRINGS.filter((s) => s.outMm === size.outMm)
