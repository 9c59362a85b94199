import { byId } from './by-id.ts'
import type { UnitSystem } from '../measure/units.ts'

/** What hangs and folds: sold by area. */
export interface Cloth {
  id: string
  label: string
  kgPerM2: number
  /** Width of stuff for each width of opening: what folds needs more of it. */
  fullness: number
  source: string
  /** A square metre of it, minor units: made up for the demo yard. */
  minorPerM2: number
}
/** What only pulls: sold by length, with what its maker says it carries. mm, N. */
export interface Line {
  id: string
  label: string
  system: UnitSystem
  weight: LineWeight
  kgPerM: number
  /** Across its links. */
  wideMm: number
  ratedN: number
  source: string
  /** A metre of it, minor units: made up for the demo yard. */
  minorPerM: number
}
/** Each yard keeps a light one and a heavy one. */
export const LINE_WEIGHTS = ['light', 'heavy'] as const
export type LineWeight = (typeof LINE_WEIGHTS)[number]
export type Soft = Cloth | Line
export const isLine = (s: Soft): s is Line => 'kgPerM' in s

const CANVAS = 'plain cotton canvas, 10 oz/sq yd; makers’ tables 300 to 400 g/m²'

/** What lies flat in a drawer round things, and how thick it is bought, mm. */
export const FOAM = { id: 'foam', thickMm: 30 } as const

const CLOTHS: readonly Cloth[] = [
  {
    id: FOAM.id,
    label: 'foam 30 mm',
    kgPerM2: 0.9,
    fullness: 1,
    source: 'closed-cell polyethylene; makers’ tables 25 to 35 kg/m³',
    minorPerM2: 1490,
  },
  { id: 'canvas', label: 'canvas curtain', kgPerM2: 0.35, fullness: 1.5, source: CANVAS, minorPerM2: 780 },
  {
    id: 'mesh',
    label: 'mesh curtain',
    kgPerM2: 0.25,
    fullness: 1.1,
    source: 'polyester dust mesh; makers’ tables 200 to 300 g/m²',
    minorPerM2: 520,
  },
]

/*
 * Welded steel chain. EN 818-3 and makers' tables of proof chain: 5 mm about 2.0 kN, 6 mm about 3.2 kN; 3/16 in and 1/4 in
 * of grade 30 (ASTM A413) 3.6 and 5.8 kN. About half of that is taken here: yours may have another, which then counts.
 */
const CHAIN = 'half of the working load in ASTM A413 grade 30 and makers’ tables of short-link chain'
export const CHAINS: readonly Line[] = [
  {
    id: 'chain-3/16',
    label: '3/16 in chain',
    system: 'imperial',
    weight: 'light',
    kgPerM: 0.6,
    wideMm: 18,
    ratedN: 1600,
    source: CHAIN,
    minorPerM: 640,
  },
  {
    id: 'chain-1/4',
    label: '1/4 in chain',
    system: 'imperial',
    weight: 'heavy',
    kgPerM: 0.95,
    wideMm: 24,
    ratedN: 2600,
    source: CHAIN,
    minorPerM: 890,
  },
  {
    id: 'chain-5mm',
    label: '5 mm chain',
    system: 'metric',
    weight: 'light',
    kgPerM: 0.5,
    wideMm: 18,
    ratedN: 1000,
    source: CHAIN,
    minorPerM: 480,
  },
  {
    id: 'chain-6mm',
    label: '6 mm chain',
    system: 'metric',
    weight: 'heavy',
    kgPerM: 0.8,
    wideMm: 22,
    ratedN: 1600,
    source: CHAIN,
    minorPerM: 690,
  },
]
export const chainOf = (weight: LineWeight, system: UnitSystem): Line =>
  CHAINS.find((c) => c.weight === weight && c.system === system)!
export const SOFTS: readonly Soft[] = [...CLOTHS, ...CHAINS]

export const findSoft: (id: string) => Soft | undefined = byId(SOFTS)

/** What cloth is sold by, an area, and a line by, a length; and what each is called. */
export const SOFT_UNIT: Record<UnitSystem, { m2: number; name: string; m: number; long: string }> = {
  metric: { m2: 1, name: 'm²', m: 1, long: 'm' },
  imperial: { m2: (36 * 0.0254) ** 2, name: 'sq yd', m: 0.3048, long: 'ft' },
}
export const softLabel = (s: Soft, system: UnitSystem): string =>
  `${s.label}, ${isLine(s) ? SOFT_UNIT[system].long : SOFT_UNIT[system].name}`
