import { byId } from './by-id.ts'
import { inches, MM_PER_FOOT, N_PER_LBF, type UnitSystem } from '../measure/units.ts'
import type { Grade, Section } from './lumber.ts'
import { SHEETS, type Sheet } from './sheets.ts'

/*
 * Strips ripped from a sheet, its face grain along them: laid, screwed and reckoned like a board of a wood of its own.
 *
 *     ________________________________
 *    |________________________________|   b = what the sheet is thick
 *      d = as wide as it is ripped
 *
 * Bent on edge the sheet works in its plane, and its outermost fibre may have what the sheet may have pulled or pressed
 * in its plane, whichever is less: EN 1995-1-1 9.1.1(7). Bent flat it may have more, which is not counted.
 */

/** What is ripped from a sheet. */
export interface Strip extends Section {
  sheet: string
}

/** In the plane of a sheet, along its strength axis. */
interface InPlane {
  asd?: NonNullable<Grade['asd']>
  ec5?: NonNullable<Grade['ec5']>
  source: string
}

/** Rolling shear of layers of softwood, edges not bonded, MPa: EN 16351:2015 (lower value). */
const ROLLING_MPA = 0.7
/** Across a contact, MPa: what any sheet is taken to bear. Product decision. */
const PRESSED_MPA = 1
/** 5th percentile of the modulus over its mean: EN 338:2016 5.3 for softwood, which panels vary no more than. */
const E05_SHARE = 0.67
/** Characteristic over mean density: EN 338:2016, softwood classes. */
const RHO_SHARE = 0.83
/** Emin from E: NDS 2018 D.4, with the coefficient of variation of visually graded lumber, 0.25. */
const EMIN_SHARE = (1.03 * (1 - 1.645 * 0.25)) / 1.66
/** Strips up to 8 in wide give half of what a panel 24 in wide does: Panel Design Specification, panel size factor. */
const NARROW = 0.5

/**
 * By span rating, of plywood and strand board whichever is less: what a foot of width may be pulled and pressed with,
 * lbf, its EA, 10⁶ lbf, and the planar shear it may have when it is bent flat, lbf.
 */
const RATED = { '40/20': [2900, 4200, 5, 205], '48/24': [4000, 5000, 5.85, 250] } as const
const rated = (rating: keyof typeof RATED, t: number): InPlane => {
  const [ft, fc, ea, planar] = RATED[rating]
  const stress = (lbfPerFoot: number) => (lbfPerFoot * N_PER_LBF) / MM_PER_FOOT / t
  const e = stress(ea * 1e6)
  return {
    source:
      'Panel Design Specification (span-rated panels): axial, in plane, along the strength axis; EN 1995-1-1 9.1.1(7)',
    asd: {
      fb: NARROW * Math.min(stress(ft), stress(fc)),
      ft: NARROW * stress(ft),
      fc: NARROW * stress(fc),
      // Bent flat the shear is planar, the weaker of the two: Fs(lb/Q) a foot, 1.5 V / A over the whole thickness.
      fv: 1.5 * stress(planar),
      fcPerp: PRESSED_MPA,
      e,
      eMin: EMIN_SHARE * e,
      g: 0.42,
      sizeFactor: 'none',
    },
  }
}
const ec5 = (
  v: { pulled: number; pressed: number; e: number; rolling: number; density: number },
  source: string,
): InPlane => ({
  source,
  ec5: {
    fm: Math.min(v.pulled, v.pressed),
    ft0: v.pulled,
    fc0: v.pressed,
    fc90: PRESSED_MPA,
    fv: v.rolling,
    eMean: v.e,
    e05: E05_SHARE * v.e,
    rhoK: RHO_SHARE * v.density,
  },
})
/** A plywood of a class by its bending strength and its modulus along the face grain, MPa. */
const ofClass = (fm: number, e: number, density: number): InPlane =>
  ec5(
    { pulled: 0.4 * fm, pressed: 0.4 * fm, e: 0.5 * e, rolling: ROLLING_MPA, density },
    'EN 12369-2:2011: in plane 0.4 of its bending strength and half its modulus; EN 1995-1-1 9.1.1(7)',
  )
const strandBoard = (pulled: number, pressed: number, density: number): InPlane =>
  ec5({ pulled, pressed, e: 3800, rolling: 1, density }, 'EN 12369-1:2001 (OSB/3), in plane; EN 1995-1-1 9.1.1(7)')

/** In their plane, of the sheets strips are ripped from: fibre and particle boards hold no screw in an edge. */
const IN_PLANE: Readonly<Record<string, (s: Sheet) => InPlane>> = {
  'ply-19/32': (s) => rated('40/20', s.thicknessMm),
  'ply-23/32': (s) => rated('48/24', s.thicknessMm),
  'osb-19/32': (s) => rated('40/20', s.thicknessMm),
  'osb-23/32': (s) => rated('48/24', s.thicknessMm),
  'ply-15mm': (s) => ofClass(20, 8000, s.densityKgM3),
  'ply-18mm': (s) => ofClass(20, 8000, s.densityKgM3),
  'ply-21mm': (s) => ofClass(19, 7800, s.densityKgM3),
  'osb3-15mm': (s) => strandBoard(9.4, 15.4, s.densityKgM3),
  'osb3-18mm': (s) => strandBoard(9.4, 15.4, s.densityKgM3),
  'osb3-22mm': (s) => strandBoard(9, 14.8, s.densityKgM3),
}

const SOURCES = SHEETS.filter((s) => s.id in IN_PLANE)
/** As wide as the boards they stand in for, mm. */
const WIDTHS: Record<UnitSystem, readonly { id: string; said: string; mm: number }[]> = {
  imperial: (
    [
      ['1.5', '1 1/2'],
      ['2.5', '2 1/2'],
      ['3.5', '3 1/2'],
      ['5.5', '5 1/2'],
    ] as const
  ).map(([n, said]) => ({ id: `${n}in`, said: `${said} in`, mm: inches(Number(n)) })),
  metric: [44, 69, 94, 144].map((mm) => ({ id: `${mm}mm`, said: `${mm} mm`, mm })),
}

export const STRIPS: readonly Strip[] = SOURCES.flatMap((s) =>
  WIDTHS[s.system].map(({ id, said, mm }) => ({
    id: `${id}-of-${s.id}`,
    // Without its rating, which says nothing of it on edge.
    label: `${said} strip, ${s.label.replace(/^Softwood /, '').replace(/, \d+\/\d+$/, '')}`,
    system: s.system,
    thicknessMm: s.thicknessMm,
    widthMm: mm,
    nominalWidth: null,
    sheet: s.id,
  })),
)

export const findStrip = byId(STRIPS)

/** The wood of strips, one of each sheet, by the sheet's id. */
export const STRIP_GRADES: readonly Grade[] = SOURCES.map((s) => ({
  id: s.id,
  label: `Strips of ${s.label}`,
  densityKgM3: s.densityKgM3,
  confidence: 'medium',
  of: s,
  ...IN_PLANE[s.id](s),
}))
