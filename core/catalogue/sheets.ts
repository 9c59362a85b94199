import { EI_PER_LB_IN2_FT, inches, MOMENT_PER_LB_IN_FT, type UnitSystem } from '../measure/units.ts'
import type { Confidence } from './sourced.ts'

export type SheetKind = 'plywood' | 'osb' | 'mdf' | 'particleboard'

/** A sheet material in one thickness. Stiffness and strength are per millimetre of width, along and across its strength axis. */
export interface Sheet {
  id: string
  label: string
  kind: SheetKind
  system: UnitSystem
  thicknessMm: number
  lengthMm: number
  widthMm: number
  densityKgM3: number
  /** Bending stiffness EI, N·mm²/mm. */
  ei: { along: number; across: number }
  /** Allowable bending moment at normal load duration, N·mm/mm, allowable-stress method. */
  asdMoment?: { along: number; across: number }
  /** Characteristic bending strength, MPa, Eurocode 5. */
  ec5Bending?: { along: number; across: number }
  source: string
  confidence: Confidence
}

interface Size { t: number; l: number; w: number; system: UnitSystem }
const inchSize = (t: number, l = 96, w = 48): Size => ({ t: inches(t), l: inches(l), w: inches(w), system: 'imperial' })
const mmSize = (t: number, l = 2440, w = 1220): Size => ({ t, l, w, system: 'metric' })
const dims = (s: Size) => ({ thicknessMm: s.t, lengthMm: s.l, widthMm: s.w, system: s.system })

/** A span-rated structural panel: EI in lb·in² per foot, strength in lb·in per foot. */
const rated = (ei: [number, number], moment: [number, number]) => ({
  ei: { along: ei[0] * EI_PER_LB_IN2_FT, across: ei[1] * EI_PER_LB_IN2_FT },
  asdMoment: { along: moment[0] * MOMENT_PER_LB_IN_FT, across: moment[1] * MOMENT_PER_LB_IN_FT },
})
/** A panel known by its moduli, MPa. */
const moduli = (t: number, e: [number, number], fm: [number, number]) => ({
  ei: { along: (e[0] * t ** 3) / 12, across: (e[1] * t ** 3) / 12 },
  ec5Bending: { along: fm[0], across: fm[1] },
})

const APA = 'Panel Design Specification (span-rated panels): EI and FbS by span rating; across-axis figures indicative'
const EN = 'EN 12369-1, mean moduli and characteristic bending strength by thickness'

export const SHEETS: readonly Sheet[] = [
  { id: 'ply-15/32', label: '1/2 in plywood, 32/16', kind: 'plywood', ...dims(inchSize(15 / 32)), densityKgM3: 560, ...rated([115000, 8100], [370, 92]), source: APA, confidence: 'medium' },
  { id: 'ply-19/32', label: '5/8 in plywood, 40/20', kind: 'plywood', ...dims(inchSize(19 / 32)), densityKgM3: 560, ...rated([225000, 18000], [625, 150]), source: APA, confidence: 'medium' },
  { id: 'ply-23/32', label: '3/4 in plywood, 48/24', kind: 'plywood', ...dims(inchSize(23 / 32)), densityKgM3: 560, ...rated([400000, 29500], [845, 225]), source: APA, confidence: 'medium' },
  { id: 'osb-7/16', label: '7/16 in OSB, 24/16', kind: 'osb', ...dims(inchSize(7 / 16)), densityKgM3: 620, ...rated([78000, 16000], [320, 140]), source: APA, confidence: 'medium' },
  { id: 'osb-15/32', label: '1/2 in OSB, 32/16', kind: 'osb', ...dims(inchSize(15 / 32)), densityKgM3: 620, ...rated([115000, 25000], [370, 165]), source: APA, confidence: 'medium' },
  { id: 'osb-23/32', label: '3/4 in OSB, 48/24', kind: 'osb', ...dims(inchSize(23 / 32)), densityKgM3: 620, ...rated([400000, 91500], [845, 405]), source: APA, confidence: 'medium' },
  { id: 'mdf-3/4', label: '3/4 in fibreboard (MDF)', kind: 'mdf', ...dims(inchSize(0.75, 97, 49)), densityKgM3: 740, ...moduli(inches(0.75), [3000, 3000], [18, 18]), source: EN, confidence: 'medium' },
  { id: 'pb-3/4', label: '3/4 in particleboard, melamine', kind: 'particleboard', ...dims(inchSize(0.75, 97, 49)), densityKgM3: 680, ...moduli(inches(0.75), [2900, 2900], [12.5, 12.5]), source: EN, confidence: 'medium' },
  { id: 'ply-12mm', label: 'Softwood plywood 12 mm', kind: 'plywood', ...dims(mmSize(12)), densityKgM3: 530, ...moduli(12, [8000, 3500], [20, 12]), source: 'EN 636 softwood plywood, indicative', confidence: 'low' },
  { id: 'ply-18mm', label: 'Softwood plywood 18 mm', kind: 'plywood', ...dims(mmSize(18)), densityKgM3: 530, ...moduli(18, [8000, 3500], [20, 12]), source: 'EN 636 softwood plywood, indicative', confidence: 'low' },
  { id: 'osb3-15mm', label: 'OSB3 15 mm', kind: 'osb', ...dims(mmSize(15, 2500, 1250)), densityKgM3: 620, ...moduli(15, [4930, 1980], [16.4, 8.2]), source: EN, confidence: 'medium' },
  { id: 'osb3-18mm', label: 'OSB3 18 mm', kind: 'osb', ...dims(mmSize(18, 2500, 1250)), densityKgM3: 620, ...moduli(18, [4930, 1980], [16.4, 8.2]), source: EN, confidence: 'medium' },
  { id: 'mdf-18mm', label: 'Fibreboard (MDF) 18 mm', kind: 'mdf', ...dims(mmSize(18)), densityKgM3: 740, ...moduli(18, [3000, 3000], [18, 18]), source: EN, confidence: 'medium' },
  { id: 'pb-18mm', label: 'Particleboard, melamine, 18 mm', kind: 'particleboard', ...dims(mmSize(18, 2800, 2070)), densityKgM3: 680, ...moduli(18, [2900, 2900], [12.5, 12.5]), source: EN, confidence: 'medium' },
]

export const findSheet = (id: string): Sheet | undefined => SHEETS.find((s) => s.id === id)
