import { inches, type UnitSystem } from '../measure/units.ts'
import { DRAWER_SLIDES } from './drawer-slides.ts'
import { GAS_SPRINGS } from './gas-springs.ts'

/** Sizes and screws of hinges that come with their own screws. mm, kg. */
export const HINGE = {
  item: 'door hinge',
  massKg: 0.1,
  /** Along the upright, into the opening, and back from its front edge. */
  highMm: 50,
  intoMm: 12,
  backMm: 40,
  /** In the upright, and as many in the leaf. */
  screws: 2,
  screw: { diameterMm: 3.5, threadMm: 13 },
  source: 'usual hinges of light cabinets: two 3.5 x 16 mm screws in each leaf, 3 mm of it in the hinge',
} as const

/** The same hinge laid open over the outer faces of a side and of a deep leaf, mm. */
export const FLAT_HINGE = { thicknessMm: 3, wideMm: 50 } as const

/**
 * A pin between two plates that a leaf turns on, one at its head and one at its foot; what each bears across its pin and
 * along it. mm, kg, N. Product decision: a third of what makers publish for pins of 8 mm with four screws in each plate.
 */
export const PIVOT = {
  item: 'pivot with plates',
  massKg: 0.06,
  acrossN: 300,
  alongN: 400,
  wideMm: 30,
  deepMm: 16,
  highMm: 4,
} as const

/** Pins with a flat that a loose shelf lies on, in holes bored in a row. mm, kg, MPa. */
export interface ShelfPin {
  item: string
  massKg: number
  diameterMm: number
  /** In the wood, where it is thick enough, and out of it. */
  inMm: number
  outMm: number
  /** Of its flat, across the shelf. */
  wideMm: number
  everyMm: number
  fy: number
  source: string
}
const PIN_SOURCE = 'usual steel pins with a flat, of S235 or better: EN 10025-2'
export const PINS: Record<UnitSystem, ShelfPin> = {
  metric: {
    item: 'shelf pin, 5 mm',
    massKg: 0.005,
    diameterMm: 5,
    inMm: 12,
    outMm: 16,
    wideMm: 10,
    everyMm: 32,
    fy: 235,
    source: PIN_SOURCE,
  },
  imperial: {
    item: 'shelf pin, 1/4 in',
    massKg: 0.007,
    diameterMm: inches(1 / 4),
    inMm: 12,
    outMm: 16,
    wideMm: 10,
    everyMm: inches(1.25),
    fy: 235,
    source: PIN_SOURCE,
  },
}
export const findPin = (item: string): ShelfPin | undefined => Object.values(PINS).find((p) => p.item === item)

/** Holds a leaf shut; what its two screws hold. mm, kg, N. */
export const MAGNET = { item: 'magnet catch', massKg: 0.03, ratedN: 40, longMm: 45, deepMm: 15, highMm: 14 } as const

/** A handle on the face of a drawer, two screws from inside; what those hold. mm, kg, N. */
export const PULL = { item: 'drawer pull', massKg: 0.06, ratedN: 150, wideMm: 110, highMm: 14, outMm: 30 } as const

/** A rail for a curtain, bought by its longest piece; what its maker says each bracket holds. mm, kg, N. */
export const CURTAIN_RAIL = { item: 'curtain rail', kgPerM: 0.35, sizeMm: 20, ratedN: 60 } as const

/** A hook with a plate for two screws, for tools and hoses; what its maker says it holds. mm, kg, N. */
export const TOOL_HOOK = {
  item: 'tool hook',
  massKg: 0.12,
  ratedN: 150,
  wideMm: 30,
  highMm: 60,
  outMm: 70,
  openMm: 45,
} as const

/** A hook that goes into the holes of a panel and is kept there by its back; what its maker says it holds. mm, kg, N. */
export const PEG_HOOK = { item: 'pegboard hook', massKg: 0.04, ratedN: 45, wideMm: 12, highMm: 42, outMm: 60 } as const

/**
 * A hook for a wheel, with a plate for screws of its own, bought by the rating in its name: 36 kg are 353 N. Its bend,
 * where the rim lies, is 90 mm out. mm, kg, N.
 */
export const WHEEL_HOOK = {
  item: 'wheel hook, rated 36 kg (80 lb)',
  massKg: 0.3,
  ratedN: 353,
  wideMm: 50,
  highMm: 80,
  outMm: 150,
  bendMm: 90,
} as const

/** A hanger for the end of a joist: how high a joist it is for, and what its maker says it carries. mm, kg, N. */
export interface JoistHanger {
  item: string
  highMm: number
  massKg: number
  ratedN: number
}
/**
 * Product decision: about two thirds of what makers publish for hangers of 1 mm steel with all their nails; the rating of
 * what is bought counts.
 */
export const JOIST_HANGERS: readonly JoistHanger[] = [
  { item: 'joist hanger, to 4 in (100 mm)', highMm: 102, massKg: 0.15, ratedN: 1800 },
  { item: 'joist hanger, to 6 in (150 mm)', highMm: 152, massKg: 0.22, ratedN: 2600 },
  { item: 'joist hanger, to 8 in (200 mm)', highMm: 203, massKg: 0.3, ratedN: 3200 },
  { item: 'joist hanger, to 12 in (300 mm)', highMm: 305, massKg: 0.45, ratedN: 3900 },
]
/** How far a joist lies in its hanger, and how thick that is below it, mm. */
export const HANGER_SEAT_MM = 50
export const HANGER_STEEL_MM = 2
export const hangerFor = (highMm: number): JoistHanger =>
  JOIST_HANGERS.find((h) => h.highMm >= highMm) ?? JOIST_HANGERS[JOIST_HANGERS.length - 1]

/** A nut with an eye, on the end of a threaded rod; what its maker says it carries along the rod. mm, kg, N. */
export interface EyeNut {
  item: string
  system: UnitSystem
  forMm: number
  highMm: number
  massKg: number
  ratedN: number
}
const eyeNut = (system: UnitSystem, name: string, forMm: number, highMm: number, massKg: number, ratedN: number) => ({
  item: `eye nut, ${name}`,
  system,
  forMm,
  highMm,
  massKg,
  ratedN,
})
/** DIN 582 rates M8 and M10 with 1.4 and 2.3 kN; about half of that is taken: the rating of what is bought counts. */
export const EYE_NUTS: readonly EyeNut[] = [
  eyeNut('imperial', '1/4 in', inches(1 / 4), 32, 0.05, 400),
  eyeNut('imperial', '5/16 in', inches(5 / 16), 36, 0.06, 700),
  eyeNut('imperial', '3/8 in', inches(3 / 8), 45, 0.09, 1100),
  eyeNut('imperial', '1/2 in', inches(1 / 2), 53, 0.16, 1700),
  eyeNut('metric', 'M6', 6, 32, 0.05, 350),
  eyeNut('metric', 'M8', 8, 36, 0.06, 700),
  eyeNut('metric', 'M10', 10, 45, 0.09, 1100),
  eyeNut('metric', 'M12', 12, 53, 0.16, 1700),
]
/** The one that goes on a rod. */
export const eyeNutFor = (rod: { system: UnitSystem; diameterMm: number }): EyeNut =>
  EYE_NUTS.find((e) => e.system === rod.system && e.forMm >= rod.diameterMm - 1e-6) ?? EYE_NUTS[0]

/**
 * An angle at the foot of a post, screwed to it as its maker says and held in the floor by one anchor; what it holds
 * pulled up. Product decision: half of what makers publish for light angles of 60 mm. mm, kg, N.
 */
export const FOOT_ANGLE = { item: 'foot angle, 60 mm', massKg: 0.15, sizeMm: 60, steelMm: 3, ratedN: 1500 } as const

/** Pressed on the end of a tube, so that nobody meets its edge; what keeps it there holds many times itself. mm, kg, N. */
export const END_CAP = { item: 'end cap for a tube', massKg: 0.015, ratedN: 10, longMm: 8, overMm: 3 } as const

/** Prices of what is bought ready by the piece, minor units: made up for the demo yard. */
export const HARDWARE_MINOR: Readonly<Record<string, number>> = {
  [HINGE.item]: 189,
  [PINS.metric.item]: 22,
  [PINS.imperial.item]: 24,
  [MAGNET.item]: 245,
  [PULL.item]: 290,
  [CURTAIN_RAIL.item]: 1490,
  [TOOL_HOOK.item]: 390,
  [PEG_HOOK.item]: 75,
  [WHEEL_HOOK.item]: 690,
  [END_CAP.item]: 35,
  [FOOT_ANGLE.item]: 245,
  ...Object.fromEntries(EYE_NUTS.map((e) => [e.item, 150 + Math.round(2000 * e.massKg)])),
  ...Object.fromEntries(GAS_SPRINGS.map((s) => [s.item, 640 + Math.round(s.outMm)])),
  ...Object.fromEntries(
    Object.values(DRAWER_SLIDES)
      .flat()
      .map((s) => [s.item, 380 + Math.round(s.lengthMm / 2)]),
  ),
  [JOIST_HANGERS[0].item]: 165,
  [JOIST_HANGERS[1].item]: 210,
  [JOIST_HANGERS[2].item]: 285,
  [JOIST_HANGERS[3].item]: 420,
}
