import { inches, type UnitSystem } from '../measure/units.ts'

/*
 * Slides of steel on balls, one on each side of a drawer, that let all of it come out. Told by their length.
 */

export interface DrawerSlide {
  item: string
  lengthMm: number
  massKg: number
  /** What one of a pair carries with its drawer right out, N. */
  ratedN: number
}

/** Between a drawer's side and what the slide is screwed to: makers ask for 1/2 in and a hair. mm */
export const SLIDE_THICK_MM = 13
export const SLIDE_HIGH_MM = 45
/** Middle of its screws from its front end and from its rear end, mm; in each place two, in upright and in side. */
export const SLIDE_SCREWS = { frontMm: 37, rearMm: 32, count: 2, screw: { diameterMm: 3.5, threadMm: 13 } } as const
/** Product decision: about two thirds of what makers publish for a pair; the rating of what is bought counts. */
const PAIR_N = 300
/** Usual ones of this height weigh so much for each millimetre of their length, kg. */
const KG_PER_MM = 0.00125

const slide = (lengthMm: number, told: string): DrawerSlide => ({
  item: `drawer slide, ${told}, one of a pair`,
  lengthMm,
  massKg: Math.round(lengthMm * KG_PER_MM * 100) / 100,
  ratedN: PAIR_N / 2,
})
/** Usual lengths, shortest first. */
export const DRAWER_SLIDES: Record<UnitSystem, readonly DrawerSlide[]> = {
  metric: [250, 300, 350, 400, 450, 500, 550, 600].map((mm) => slide(mm, `${mm} mm`)),
  imperial: [10, 12, 14, 16, 18, 20, 22, 24].map((n) => slide(inches(n), `${n} in`)),
}
const all = Object.values(DRAWER_SLIDES).flat()
export const findSlide = (item: string): DrawerSlide | undefined => all.find((s) => s.item === item)
/** The longest that a drawer so deep takes; undefined where it takes none. */
export const slideFor = (deepMm: number, system: UnitSystem): DrawerSlide | undefined =>
  DRAWER_SLIDES[system].filter((s) => s.lengthMm <= deepMm + 1e-6).pop()
