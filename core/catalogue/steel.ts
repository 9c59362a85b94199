import { byId } from './by-id.ts'
import { inches, psi, type UnitSystem } from '../measure/units.ts'
import type { Confidence } from './sourced.ts'

/** Density of steel, kg/m³: EN 1991-1-1 table A.4, 77 to 78.5 kN/m³. */
export const STEEL_KG_M3 = 7850

/** Threaded rod, hung from and screwed to with nuts. Lengths mm, strength MPa. */
export interface Rod {
  id: string
  label: string
  system: UnitSystem
  diameterMm: number
  /** From one thread to the next. */
  pitchMm: number
  /** Least tensile strength. */
  fu: number
  source: string
  confidence: Confidence
}

/** Low-carbon rod as sold: ASTM A307 grade A, 60 ksi. Threads: ASME B1.1, coarse series. */
const inchRod = (name: string, d: number, perInch: number): Rod => ({
  id: `rod-${name}`,
  label: `${name}-${perInch} threaded rod`,
  system: 'imperial',
  diameterMm: inches(d),
  pitchMm: inches(1 / perInch),
  fu: psi(60_000),
  source: 'ASTM A307 grade A; ASME B1.1 coarse thread',
  confidence: 'high',
})
/** Rod of class 4.6 or better: ISO 898-1; threads: ISO 261 coarse. */
const metricRod = (d: number, pitchMm: number): Rod => ({
  id: `rod-M${d}`,
  label: `M${d} threaded rod`,
  system: 'metric',
  diameterMm: d,
  pitchMm,
  fu: 400,
  source: 'ISO 898-1 class 4.6; ISO 261 coarse thread',
  confidence: 'high',
})
export const RODS: readonly Rod[] = [
  inchRod('1/4', 1 / 4, 20),
  inchRod('5/16', 5 / 16, 18),
  inchRod('3/8', 3 / 8, 16),
  inchRod('1/2', 1 / 2, 13),
  metricRod(6, 1),
  metricRod(8, 1.25),
  metricRod(10, 1.5),
  metricRod(12, 1.75),
]

export const findRod: (id: string) => Rod | undefined = byId(RODS)
/** Lengths a yard keeps, mm. */
export const ROD_LENGTHS: Record<UnitSystem, readonly number[]> = {
  imperial: [36, 72, 120].map(inches),
  metric: [1000, 2000, 3000],
}

/** Washers that press on wood. Diameters mm. */
export interface Washer {
  id: string
  label: string
  system: UnitSystem
  forMm: number
  outerMm: number
  holeMm: number
  source: string
  confidence: Confidence
}
const inchWasher = (name: string, d: number, outer: number, hole: number): Washer => ({
  id: `washer-${name}`,
  label: `${name} in washer`,
  system: 'imperial',
  forMm: inches(d),
  outerMm: inches(outer),
  holeMm: inches(hole),
  source: 'ASME B18.21.1 type A, wide',
  confidence: 'medium',
})
const metricWasher = (d: number, outerMm: number, holeMm: number): Washer => ({
  id: `washer-M${d}`,
  label: `M${d} washer, wide`,
  system: 'metric',
  forMm: d,
  outerMm,
  holeMm,
  source: 'ISO 7093-1',
  confidence: 'high',
})
export const WASHERS: readonly Washer[] = [
  inchWasher('1/4', 1 / 4, 0.734, 0.312),
  inchWasher('5/16', 5 / 16, 0.875, 0.375),
  inchWasher('3/8', 3 / 8, 1, 0.438),
  inchWasher('1/2', 1 / 2, 1.375, 0.562),
  metricWasher(6, 18, 6.4),
  metricWasher(8, 24, 8.4),
  metricWasher(10, 30, 10.5),
  metricWasher(12, 37, 13),
]

/** How thick a wide washer is, mm: ISO 7093 for M8 to M10. */
export const WASHER_MM = 2.5
/** The wide washer under a nut on a rod or a bolt. */
export const washerFor = (r: Pick<Rod, 'system' | 'diameterMm'>): Washer | undefined =>
  WASHERS.find((w) => w.system === r.system && Math.abs(w.forMm - r.diameterMm) < 0.1)

/** Round tube, as arms in bored holes or as rails. Diameters mm. */
export interface Tube {
  id: string
  label: string
  system: UnitSystem
  outerMm: number
  wallMm: number
  /** Yield strength, MPa; null where its standard guarantees none. */
  fy: number | null
  source: string
  confidence: Confidence
}
const conduit = (trade: string, outer: number, wall: number): Tube => ({
  id: `conduit-${trade}`,
  label: `${trade} in thin-wall conduit`,
  system: 'imperial',
  outerMm: inches(outer),
  wallMm: inches(wall),
  fy: null,
  source: 'ANSI C80.3, sizes; no structural strength guaranteed',
  confidence: 'high',
})
const pipe = (trade: string, outer: number, wall: number): Tube => ({
  id: `pipe-${trade}`,
  label: `${trade} in pipe, schedule 40`,
  system: 'imperial',
  outerMm: inches(outer),
  wallMm: inches(wall),
  fy: psi(30_000),
  source: 'ASME B36.10; ASTM A53 grade A, 30 ksi',
  confidence: 'high',
})
const metricTube = (outerMm: number, wallMm: number): Tube => ({
  id: `tube-${outerMm}x${wallMm}`,
  label: `Steel tube ${outerMm} x ${wallMm} mm`,
  system: 'metric',
  outerMm,
  wallMm,
  fy: 195,
  source: 'EN 10255 medium series, S195T',
  confidence: 'high',
})
export const TUBES: readonly Tube[] = [
  conduit('1/2', 0.706, 0.042),
  conduit('3/4', 0.922, 0.049),
  conduit('1', 1.163, 0.057),
  pipe('1/2', 0.84, 0.109),
  pipe('3/4', 1.05, 0.113),
  pipe('1', 1.315, 0.133),
  metricTube(21.3, 2.6),
  metricTube(26.9, 2.6),
  metricTube(33.7, 3.2),
]

/** Mass of a metre of rod (its thread taken as nine tenths of the full round) or of tube, kg. */
export const rodKgPerM = (r: Rod): number => 0.9 * (Math.PI / 4) * r.diameterMm ** 2 * 1e-6 * STEEL_KG_M3
export const tubeKgPerM = (t: Tube): number =>
  (Math.PI / 4) * (t.outerMm ** 2 - (t.outerMm - 2 * t.wallMm) ** 2) * 1e-6 * STEEL_KG_M3

export const findTube: (id: string) => Tube | undefined = byId(TUBES)

/** Round steel sold by length and sawn like a board: a threaded rod or a tube. */
export interface Bar {
  id: string
  label: string
  system: UnitSystem
  /** Outside. */
  diameterMm: number
  kgPerM: number
  /** Lengths a yard keeps, mm. */
  lengths: readonly number[]
}
/** Conduit and pipe: ten feet; tube: three and six metres. */
const TUBE_LENGTHS: Record<UnitSystem, readonly number[]> = { imperial: [inches(120)], metric: [3000, 6000] }

const BARS = new Map<string, Bar>([
  ...RODS.map((r): [string, Bar] => [r.id, { kgPerM: rodKgPerM(r), lengths: ROD_LENGTHS[r.system], ...r }]),
  ...TUBES.map((t): [string, Bar] => [
    t.id,
    { diameterMm: t.outerMm, kgPerM: tubeKgPerM(t), lengths: TUBE_LENGTHS[t.system], ...t },
  ]),
])
export const findBar = (id: string): Bar | undefined => BARS.get(id)
