import { GRADES } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { CURRENCIES } from '../measure/money.ts'
import { lengthMm, z } from '../measure/schema.ts'
import { inches, type Units, type UnitSystem } from '../measure/units.ts'

/** Choices of a whole project that computing depends on. */
export const settings = z.object({
  /** How lengths and masses are shown and read. */
  system: z.enum(['imperial', 'metric']),
  /** What sizes the yard sells in: stays when only the display changes. */
  yard: z.enum(['imperial', 'metric']),
  fraction: z.union([z.literal(16), z.literal(32)]),
  currency: z.enum(CURRENCIES),
  /** What the blade turns to dust. */
  kerfMm: lengthMm(0, 10),
  /** Cut off one end of every board to square it. */
  squaringTrimMm: lengthMm(0, 100),
  /** Cut off each edge of a sheet. */
  sheetTrimMm: lengthMm(0, 50),
  method: z.enum(['asd', 'ec5']),
  /** Heated indoors (class 1), unheated garage or shed (class 2). */
  moisture: z.enum(['dry', 'unheated', 'wet']),
  /** How long goods stay: for good, or for years but changing. */
  duration: z.enum(['permanent', 'long']),
  /** Earthquakes to reckon with: spectral acceleration SDS in g; null leaves the check out. */
  seismicG: z.number().min(0).max(3).nullable(),
  grade: z.enum(GRADES.map((g) => g.id) as [string, ...string[]]),
  /** Span over this is how far a shelf may sag in the long term. */
  sagRatio: z.int().min(100).max(1000),
  /** Height of the person who uses it: what is in reach follows from it. */
  personMm: lengthMm(1200, 2200),
  /** Most one person should lift. */
  onePersonKg: z.number().min(1).max(60),
  /** Height over depth beyond which a freestanding build is called slender. */
  slenderness: z.number().min(1).max(10),
  /** The person's own sheets, by the ids that say what they are. */
  ownSheets: z
    .array(
      z
        .string()
        .max(200)
        .refine((id) => findSheet(id) !== undefined, 'a sheet with its properties'),
    )
    .max(40),
  /** Rated pull-out of one masonry or concrete anchor as its maker states it, N; null while nobody has entered it. */
  anchorRatedN: z.number().min(10).max(100_000).nullable(),
  /** What brings the wood home: longest and widest that goes in, and the most it may carry. */
  carriage: z.object({
    longestMm: lengthMm(500, 10_000),
    widestMm: lengthMm(300, 3000),
    mostKg: z.number().min(20).max(5000),
  }),
  /**
   * The yard cuts sheets on its panel saw: whether it is asked to, how many cuts are free, its narrowest strip, and how
   * true it cuts.
   */
  yardCuts: z.object({
    use: z.boolean(),
    freeCuts: z.int().min(0).max(50),
    smallestStripMm: lengthMm(0, 600),
    toleranceMm: lengthMm(0, 20),
  }),
  /** Coats of finish on everything that is built, and what a litre covers, m²: as the tin says. None with no coats. */
  finish: z.object({ coats: z.int().min(0).max(6), coverM2PerL: z.number().min(1).max(30) }),
  /** Front edges of shelves that are not edged with wood get banding tape. */
  edgeBanding: z.boolean(),
})
export type Settings = z.infer<typeof settings>

export const unitsOf = (s: Pick<Settings, 'system' | 'fraction'>): Units => ({ system: s.system, fraction: s.fraction })

/**
 * What a family car with a roof rack takes, what a yard's panel saw does, and a tin's usual cover. Product decisions:
 * the person changes them.
 */
export const startingCarriage = (
  yard: UnitSystem,
): Pick<Settings, 'carriage' | 'yardCuts' | 'finish' | 'edgeBanding'> => ({
  carriage: {
    longestMm: yard === 'imperial' ? inches(144) : 3600,
    widestMm: yard === 'imperial' ? inches(40) : 1000,
    mostKg: 350,
  },
  yardCuts: {
    use: true,
    freeCuts: yard === 'imperial' ? 2 : 4,
    smallestStripMm: yard === 'imperial' ? inches(12) : 300,
    toleranceMm: yard === 'imperial' ? inches(1 / 8) : 2,
  },
  finish: { coats: 0, coverM2PerL: 10 },
  edgeBanding: false,
})

/**
 * A new project's settings. Sag L/240: storage. One-person lift 23 kg: load constant of the revised NIOSH lifting
 * equation (1991). Slenderness 4: product decision, stricter than the 6 at which industrial rack must be tied (ANSI
 * MH16.1).
 */
export function startingSettings(system: UnitSystem): Settings {
  const imperial = system === 'imperial'
  return {
    system,
    yard: system,
    fraction: 16,
    currency: imperial ? 'USD' : 'EUR',
    kerfMm: imperial ? inches(1 / 8) : 3,
    squaringTrimMm: imperial ? inches(1 / 4) : 6,
    sheetTrimMm: 0,
    method: imperial ? 'asd' : 'ec5',
    moisture: 'unheated',
    duration: imperial ? 'permanent' : 'long',
    seismicG: null,
    grade: imperial ? 'spf-no2' : 'c16',
    sagRatio: 240,
    personMm: 1700,
    onePersonKg: 23,
    slenderness: 4,
    ownSheets: [],
    anchorRatedN: null,
    ...startingCarriage(system),
  }
}
