import { byId } from './by-id.ts'
import { inches, psi, type UnitSystem } from '../measure/units.ts'
import type { Confidence } from './sourced.ts'
import type { Sheet } from './sheets.ts'
import { findBar } from './steel.ts'
import { STRIP_GRADES, STRIPS } from './strips.ts'

/** A board's cross-section as sold. Dressed sizes are what is computed with; the id is only a name. */
export interface Section {
  id: string
  label: string
  system: UnitSystem
  /** The smaller dressed dimension, mm. */
  thicknessMm: number
  /** The larger dressed dimension, mm. */
  widthMm: number
  /** Nominal width, inches: what the size factors are tabulated by. Null for metric sections. */
  nominalWidth: number | null
  /** A dowel: as thick as it is wide, and round. */
  round?: true
}

// Dressed sizes: American Softwood Lumber Standard PS 20, dry.
const DRESSED: Record<number, number> = { 1: 0.75, 2: 1.5, 3: 2.5, 4: 3.5, 6: 5.5, 8: 7.25, 10: 9.25, 12: 11.25 }
const inchSection = (t: number, w: number): Section => ({
  id: `${t}x${w}`,
  label: `${t}x${w}`,
  system: 'imperial',
  thicknessMm: inches(DRESSED[t]),
  widthMm: inches(DRESSED[w]),
  nominalWidth: w,
})
const metricSection = (t: number, w: number): Section => ({
  id: `${t}x${w}mm`,
  label: `${t} x ${w}`,
  system: 'metric',
  thicknessMm: t,
  widthMm: w,
  nominalWidth: null,
})

const INCH_SIZES: [number, number][] = [
  [1, 2],
  [1, 3],
  [1, 4],
  [1, 6],
  [1, 8],
  [2, 2],
  [2, 3],
  [2, 4],
  [2, 6],
  [2, 8],
  [2, 10],
  [2, 12],
  [4, 4],
]
// Common regularised and planed sizes, EN 336 tolerance class 2.
const METRIC_SIZES: [number, number][] = [
  [18, 44],
  [18, 69],
  [18, 94],
  [18, 144],
  [38, 38],
  [38, 63],
  [38, 89],
  [47, 100],
  [47, 150],
  [47, 200],
  [70, 70],
]
/** Hardwood dowels for pegs. They are counted as no stronger than the project's softwood. */
const dowel = (name: string, system: UnitSystem, mm: number): Section => ({
  id: `dowel-${name}`,
  label: `${name}${system === 'imperial' ? ' in' : ''} dowel`,
  system,
  thicknessMm: mm,
  widthMm: mm,
  nominalWidth: null,
  round: true,
})
const DOWELS: readonly Section[] = [
  dowel('5/8', 'imperial', inches(5 / 8)),
  dowel('3/4', 'imperial', inches(3 / 4)),
  dowel('1', 'imperial', inches(1)),
  dowel('16mm', 'metric', 16),
  dowel('20mm', 'metric', 20),
  dowel('25mm', 'metric', 25),
]
export const SECTIONS: readonly Section[] = [
  ...INCH_SIZES.map(([t, w]) => inchSection(t, w)),
  ...METRIC_SIZES.map(([t, w]) => metricSection(t, w)),
  ...DOWELS,
]

/** Base design values, MPa, of one species group and grade. */
export interface Grade {
  id: string
  label: string
  /** Mean density as it stands in a garage, kg/m³: used for self-weight. */
  densityKgM3: number
  source: string
  confidence: Confidence
  /** No lumber: what strips of this sheet are, along its strength axis. */
  of?: Sheet
  /** Reference values of the North American allowable-stress method. Fb and Fc before the size factor. */
  asd?: {
    fb: number
    ft: number
    fv: number
    fcPerp: number
    fc: number
    e: number
    eMin: number
    g: number
    /** Which size-factor column applies; `none` where the values are already listed by width. */
    sizeFactor: 'no2' | 'stud' | 'none'
    /** Values listed by nominal width in inches, narrowest first; the ones above are those of the widest. */
    byWidth?: readonly { upTo: number; fb: number; ft: number; fc: number }[]
    /** What a wider board of the same stamp counts as, with its column of size factors: a Stud ends at 6 in. */
    wider?: { over: number; as: string; fb: number; ft: number; fc: number; sizeFactor: 'no2' }
  }
  /** Characteristic values of a strength class, EN 338. */
  ec5?: { fm: number; ft0: number; fc0: number; fc90: number; fv: number; eMean: number; e05: number; rhoK: number }
}

const NDS = 'NDS Supplement 2018, table 4A (visually graded dimension lumber, 2 to 4 in thick)'
const asd = (
  fb: number,
  ft: number,
  fv: number,
  fcPerp: number,
  fc: number,
  e: number,
  eMin: number,
  g: number,
  sizeFactor: 'no2' | 'stud' | 'none' = 'no2',
): NonNullable<Grade['asd']> => ({
  fb: psi(fb),
  ft: psi(ft),
  fv: psi(fv),
  fcPerp: psi(fcPerp),
  fc: psi(fc),
  e: psi(e * 1e6),
  eMin: psi(eMin * 1e6),
  g,
  sizeFactor,
})
/**
 * Boards stamped Stud of 8 in nominal and wider take the values of No. 3 and its size factors: table 4A, adjustment
 * factors.
 */
const asNo3 = (stud: NonNullable<Grade['asd']>, fb: number, ft: number, fc: number): NonNullable<Grade['asd']> => ({
  ...stud,
  wider: { over: 6, as: 'No. 3', fb: psi(fb), ft: psi(ft), fc: psi(fc), sizeFactor: 'no2' },
})
/** Table 4B of the same, No. 2: nominal width, Fb, Ft, Fc in psi. */
const SOUTHERN_PINE = [
  [4, 1100, 675, 1450],
  [6, 1000, 600, 1400],
  [8, 925, 550, 1350],
  [10, 800, 475, 1300],
  [12, 750, 450, 1250],
].map(([upTo, fb, ft, fc]) => ({ upTo, fb: psi(fb), ft: psi(ft), fc: psi(fc) }))
const C16: Grade['ec5'] = { fm: 16, ft0: 8.5, fc0: 17, fc90: 2.2, fv: 3.2, eMean: 8000, e05: 5400, rhoK: 310 }
const C24: Grade['ec5'] = { fm: 24, ft0: 14.5, fc0: 21, fc90: 2.5, fv: 4.0, eMean: 11000, e05: 7400, rhoK: 350 }

export const GRADES: readonly Grade[] = [
  {
    id: 'spf-no2',
    label: 'Spruce-pine-fir No. 2',
    densityKgM3: 450,
    source: NDS,
    confidence: 'high',
    asd: asd(875, 450, 135, 425, 1150, 1.4, 0.51, 0.42),
  },
  {
    id: 'spf-stud',
    label: 'Spruce-pine-fir Stud',
    densityKgM3: 450,
    source: NDS,
    confidence: 'high',
    asd: asNo3(asd(675, 350, 135, 425, 725, 1.2, 0.44, 0.42, 'stud'), 500, 250, 650),
  },
  {
    id: 'hf-no2',
    label: 'Hem-fir No. 2',
    densityKgM3: 460,
    source: NDS,
    confidence: 'high',
    asd: asd(850, 525, 150, 405, 1300, 1.3, 0.47, 0.43),
  },
  {
    id: 'hf-stud',
    label: 'Hem-fir Stud',
    densityKgM3: 460,
    source: NDS,
    confidence: 'high',
    asd: asNo3(asd(675, 400, 150, 405, 800, 1.2, 0.44, 0.43, 'stud'), 500, 300, 725),
  },
  {
    id: 'dfl-no2',
    label: 'Douglas fir-larch No. 2',
    densityKgM3: 530,
    source: NDS,
    confidence: 'high',
    asd: asd(900, 575, 180, 625, 1350, 1.6, 0.58, 0.5),
  },
  {
    id: 'dfl-stud',
    label: 'Douglas fir-larch Stud',
    densityKgM3: 530,
    source: NDS,
    confidence: 'high',
    asd: asNo3(asd(700, 450, 180, 625, 850, 1.4, 0.51, 0.5, 'stud'), 525, 325, 775),
  },
  {
    id: 'syp-no2',
    label: 'Southern pine No. 2',
    densityKgM3: 590,
    source: 'NDS Supplement 2018, table 4B, by width',
    confidence: 'medium',
    asd: { ...asd(750, 450, 175, 565, 1250, 1.4, 0.51, 0.55, 'none'), byWidth: SOUTHERN_PINE },
  },
  { id: 'c16', label: 'Softwood C16', densityKgM3: 370, source: 'EN 338:2016, table 1', confidence: 'high', ec5: C16 },
  { id: 'c24', label: 'Softwood C24', densityKgM3: 420, source: 'EN 338:2016, table 1', confidence: 'high', ec5: C24 },
]

/** A rod or a tube is bought by length and sawn like a board: as wide and thick as it is outside. */
const rodSection = (id: string): Section | undefined => {
  const bar = findBar(id)
  return bar && { ...bar, thicknessMm: bar.diameterMm, widthMm: bar.diameterMm, nominalWidth: null }
}
const ofTheYard = byId<Section>(SECTIONS, STRIPS)
export const findSection = (id: string): Section | undefined => ofTheYard(id) ?? rodSection(id)
export const findGrade: (id: string) => Grade | undefined = byId(GRADES, STRIP_GRADES)

/** Stock lengths a yard usually keeps, mm. */
export const BOARD_LENGTHS: Record<UnitSystem, readonly number[]> = {
  imperial: [96, 120, 144, 192].map(inches),
  metric: [2400, 3000, 3600, 4800],
}

/** Lengths a yard keeps dowels in, mm. */
const DOWEL_LENGTHS: Record<UnitSystem, readonly number[]> = { imperial: [36, 48].map(inches), metric: [1000, 2000] }

/** Lengths in which a section or a rod is sold, mm. */
export const lengthsOf = (section: string, system: UnitSystem): readonly number[] =>
  findBar(section)?.lengths ?? (findSection(section)?.round ? DOWEL_LENGTHS[system] : BOARD_LENGTHS[system])
