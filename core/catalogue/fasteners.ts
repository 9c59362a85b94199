import { byId } from './by-id.ts'
import { RODS, type Rod } from './steel.ts'
import { inches, psi, type UnitSystem } from '../measure/units.ts'

export type FastenerKind = 'screw' | 'lag' | 'bolt' | 'nail' | 'nut'

/**
 * A fastener of dowel type. Diameters: shank or thread outside, and root (inside the thread; the shank of nails and
 * bolts), mm.
 */
export interface Screw {
  id: string
  kind: FastenerKind
  label: string
  system: UnitSystem
  diameterMm: number
  rootMm: number
  lengthMm: number
  /** Length of the tapered tip of a lag screw, mm. */
  tipMm?: number
  /**
   * Bending yield strength, MPa. NDS 2018 appendix I: screws and nails by diameter; bolts and lags of 3/8 in and up 45
   * ksi.
   */
  fyb: number
  /** How many a box holds. */
  box: number
}

/**
 * Head of a flat-headed wood screw, of its shank: 1.78 times is the least the standard allows (0.315 in of a #9), about
 * twice is usual. ANSI/ASME B18.6.1.
 */
export const headMm = (f: Pick<Screw, 'diameterMm'>): number => 1.78 * f.diameterMm

/**
 * Bending yield strength of screws and nails, MPa: the thinner, the harder drawn. NDS 2018 appendix I. @param
 * diameterMm outside
 */
export function wireYield(diameterMm: number): number {
  const d = diameterMm / inches(1)
  return psi(d <= 0.142 ? 100_000 : d <= 0.177 ? 90_000 : d <= 0.236 ? 80_000 : d <= 0.273 ? 70_000 : 60_000)
}

// Diameters: ANSI/ASME B18.6.1 wood screws.
const GAUGE: Record<number, [number, number]> = {
  6: [0.138, 0.113],
  8: [0.164, 0.131],
  9: [0.177, 0.142],
  10: [0.19, 0.152],
  12: [0.216, 0.171],
  14: [0.242, 0.196],
}
const lengthName = (n: number) => {
  const whole = Math.floor(n)
  const eighths = Math.round((n - whole) * 8)
  const text: Record<number, string> = { 0: '', 1: '1/8', 2: '1/4', 3: '3/8', 4: '1/2', 5: '5/8', 6: '3/4', 7: '7/8' }
  return [whole || '', text[eighths]].filter(Boolean).join(' ')
}
const gauge = (g: number, length: number, box: number): Screw => ({
  kind: 'screw',
  fyb: wireYield(inches(GAUGE[g][0])),
  id: `screw-${g}x${length}`,
  label: `#${g} x ${lengthName(length)} in screw`,
  system: 'imperial',
  diameterMm: inches(GAUGE[g][0]),
  rootMm: inches(GAUGE[g][1]),
  lengthMm: inches(length),
  box,
})
// Root about 0.65 of the outside diameter, the lower end of what EN 14592 screws show.
const metric = (d: number, length: number, box: number): Screw => ({
  kind: 'screw',
  fyb: wireYield(d),
  id: `screw-${d}x${length}mm`,
  label: `${d} x ${length} mm screw`,
  system: 'metric',
  diameterMm: d,
  rootMm: 0.65 * d,
  lengthMm: length,
  box,
})

/** In each system from short to long. */
export const SCREWS: readonly Screw[] = [
  gauge(8, 1.25, 100),
  gauge(8, 1.625, 100),
  gauge(8, 2, 100),
  gauge(9, 2.5, 100),
  gauge(8, 2.5, 100),
  gauge(9, 3, 100),
  gauge(10, 3.5, 50),
  gauge(10, 4, 50),
  gauge(14, 5, 50),
  gauge(14, 6, 50),
  metric(4, 30, 200),
  metric(4, 40, 200),
  metric(4, 50, 200),
  metric(5, 60, 100),
  metric(5, 70, 100),
  metric(5, 80, 100),
  metric(6, 90, 100),
  metric(5, 90, 100),
  metric(6, 100, 50),
  metric(6, 120, 50),
  metric(6, 140, 50),
]

/** `5/16x3.5` as one says it: 5/16 x 3 1/2. */
const spoken = (name: string) => name.replace('x', ' x ').replace('.5', ' 1/2')
const bolt = (name: string, d: number, length: number, system: UnitSystem, box: number, fyb: number): Screw => ({
  id: `bolt-${name}`,
  kind: 'bolt',
  label: `${spoken(name)}${system === 'imperial' ? ' in' : ''} carriage bolt, nut and washer`,
  system,
  diameterMm: d,
  rootMm: d,
  lengthMm: length,
  fyb,
  box,
})
const lag = (d: number, root: number, tip: number, length: number, name: string, fybPsi: number): Screw => ({
  tipMm: inches(tip),
  id: `lag-${name}`,
  kind: 'lag',
  label: `${spoken(name)} in lag screw`,
  system: 'imperial',
  diameterMm: inches(d),
  rootMm: inches(root),
  lengthMm: inches(length),
  fyb: psi(fybPsi),
  box: 25,
})
const nail = (name: string, d: number, length: number, type = 'common'): Screw => ({
  id: `nail-${name}${type === 'common' ? '' : `-${type}`}`,
  kind: 'nail',
  label: `${name} ${type} nail`,
  system: 'imperial',
  diameterMm: inches(d),
  rootMm: inches(d),
  lengthMm: inches(length),
  fyb: wireYield(inches(d)),
  box: 100,
})
/**
 * On a rod: a nut with its wide washer, or a coupling nut between two rods; at least as strong as the rod (ISO 898-2,
 * ASTM A563).
 */
const nut = (r: Rod, what: 'nut' | 'coupler'): Screw => ({
  kind: 'nut',
  id: `${what}-${r.id}`,
  label: `${r.label.replace(' threaded rod', '')} ${what === 'nut' ? 'nut and wide washer' : 'coupling nut'}`,
  system: r.system,
  diameterMm: r.diameterMm,
  rootMm: r.diameterMm,
  // ISO 4032: 0.8 of its thread high; couplings are three times their thread, DIN 6334.
  lengthMm: (what === 'nut' ? 0.8 : 3) * r.diameterMm,
  fyb: 0,
  box: what === 'nut' ? 10 : 1,
})
/**
 * Bolts, lag screws and nails, called by name where a joint wants them. Lag roots and tips: ASME B18.2.1; nails: ASTM
 * F1667.
 */
export const OTHER_FASTENERS: readonly Screw[] = [
  bolt('5/16x3.5', inches(5 / 16), inches(3.5), 'imperial', 10, psi(45_000)),
  bolt('3/8x3.5', inches(3 / 8), inches(3.5), 'imperial', 10, psi(45_000)),
  // Class 4.6: fu 400, bending yield taken as the mean of yield and ultimate.
  bolt('M8x90', 8, 90, 'metric', 10, 320),
  bolt('M10x90', 10, 90, 'metric', 10, 320),
  // Long ones, for pairs of posts: the shortest that passes both is taken.
  ...[5, 6, 8, 10].map((l) => bolt(`3/8x${l}`, inches(3 / 8), inches(l), 'imperial', 5, psi(45_000))),
  ...[120, 160, 200, 240].map((l) => bolt(`M10x${l}`, 10, l, 'metric', 5, 320)),
  lag(0.25, 0.173, 5 / 32, 3, '1/4x3', 70_000),
  lag(0.3125, 0.227, 3 / 16, 3.5, '5/16x3.5', 60_000),
  lag(0.375, 0.265, 7 / 32, 4, '3/8x4', 45_000),
  lag(0.5, 0.371, 5 / 16, 5, '1/2x5', 45_000),
  nail('6d', 0.113, 2),
  nail('8d', 0.131, 2.5),
  nail('10d', 0.148, 3),
  nail('12d', 0.148, 3.25),
  nail('16d', 0.162, 3.5),
  nail('20d', 0.192, 4),
  nail('16d', 0.135, 3.5, 'box'),
  nail('16d', 0.148, 3.25, 'sinker'),
]

/** Nuts with their washers and coupling nuts for every rod: they hold it along itself, and nothing across it. */
export const NUTS: readonly Screw[] = RODS.flatMap((r) => [nut(r, 'nut'), nut(r, 'coupler')])

/** A fastener of the catalogue by its id, of whatever kind. */
export const findScrew: (id: string) => Screw | undefined = byId(SCREWS, OTHER_FASTENERS, NUTS)

/**
 * What a bolt is longer than what it holds together: two washers, the nut and two turns of thread, mm. ISO 4032, ISO
 * 7089 for 10 mm.
 */
const BOLT_OVER_MM = 15

/** The shortest bolt through a thickness; undefined where none is long enough. */
export const boltFor = (throughMm: number, system: UnitSystem): Screw | undefined =>
  OTHER_FASTENERS.filter(
    (f) => f.kind === 'bolt' && f.system === system && f.lengthMm >= throughMm + BOLT_OVER_MM,
  ).sort((a, b) => a.lengthMm - b.lengthMm || a.diameterMm - b.diameterMm)[0]

/** What a carriage bolt is longer than what it holds: a washer, the nut and a turn of thread, mm. ISO 4034, ISO 7093. */
const CARRIAGE_OVER_MM = 12.5
/** Bolts that frames are put together with, mm: 3/8 in, M10. */
const FRAME_BOLT_MM = 9.5

/** The shortest of the bolts frames are put together with that goes through a thickness; the longest where none does. */
export function frameBolt(throughMm: number, system: UnitSystem): Screw {
  const all = OTHER_FASTENERS.filter((f) => f.kind === 'bolt' && f.system === system && f.diameterMm >= FRAME_BOLT_MM)
  const sorted = [...all].sort((a, b) => a.lengthMm - b.lengthMm)
  return sorted.find((f) => f.lengthMm >= throughMm + CARRIAGE_OVER_MM) ?? sorted[sorted.length - 1]
}

/** What must stay between a screw's point and daylight, mm: points that poke through cut hands. */
const POINT_COVER_MM = 3

/** A point shorter than this many diameters in the far piece does not count: NDS 2018 12.1.5, EN 1995-1-1 8.7.2. */
export const LEAST_POINT = 6

/**
 * The screw for a joint: the shortest with about as much thread in the far piece as it passes through in the near one,
 * and six diameters at least, that does not come out on the other side; if none does all, the longest that stays
 * inside, of those with six diameters if there are any.
 * @param throughMm thickness of the near piece
 * @param intoMm thickness of wood behind it
 */
export function screwFor(throughMm: number, intoMm: number, system: UnitSystem): Screw {
  let longest: Screw | null = null
  let counted: Screw | null = null
  for (const s of SCREWS) {
    if (s.system !== system) continue
    if (s.lengthMm > throughMm + intoMm - POINT_COVER_MM) break
    if (s.lengthMm >= 1.95 * throughMm && s.lengthMm - throughMm >= LEAST_POINT * s.diameterMm) return s
    longest = s
    if (s.lengthMm - throughMm >= LEAST_POINT * s.diameterMm) counted = s
  }
  return counted ?? longest ?? SCREWS.find((s) => s.system === system)!
}

/** The screw that is driven at a slant, from a pocket or across a seam, where a piece is too broad to go through. */
export const pocketScrew = (system: UnitSystem): string => (system === 'imperial' ? 'screw-9x2.5' : 'screw-5x60mm')
/** The same into a stile of 38 mm: what of it goes in there is six diameters at least and does not come out in front. */
export const slantedInFace = (system: UnitSystem): string => (system === 'imperial' ? 'screw-8x2' : 'screw-4x50mm')
