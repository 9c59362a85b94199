import { byId } from './by-id.ts'
import { EI_PER_LB_IN2_FT, inches, MOMENT_PER_LB_IN_FT, type UnitSystem } from '../measure/units.ts'
import type { Confidence } from './sourced.ts'

export type SheetKind = 'plywood' | 'osb' | 'mdf' | 'particleboard' | 'hardboard' | 'lumber-core' | 'solid'

/**
 * A sheet material in one thickness. Stiffness and strength are per millimetre of width, along and across its strength
 * axis.
 */
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

interface Size {
  t: number
  l: number
  w: number
  system: UnitSystem
}
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

/** Thickness in inches and a modulus for sheets that have no strength axis. */
const plain = (
  id: string,
  label: string,
  kind: SheetKind,
  t: number,
  e: number,
  fm: number,
  rho: number,
  l = 97,
  w = 49,
): Sheet => ({
  id,
  label,
  kind,
  ...dims(inchSize(t, l, w)),
  densityKgM3: rho,
  ...moduli(inches(t), [e, e], [fm, fm]),
  source: EN,
  confidence: 'medium',
})
const plainMm = (
  id: string,
  label: string,
  kind: SheetKind,
  t: number,
  e: number,
  fm: number,
  rho: number,
  l = 2440,
  w = 1220,
): Sheet => ({
  id,
  label,
  kind,
  ...dims(mmSize(t, l, w)),
  densityKgM3: rho,
  ...moduli(t, [e, e], [fm, fm]),
  source: EN,
  confidence: 'medium',
})
const wood = (e: [number, number], fm: [number, number], t: number) => moduli(t, e, fm)

const APA = 'Panel Design Specification (span-rated panels): EI and FbS by span rating; across-axis figures indicative'
const EN = 'EN 12369-1, mean moduli and characteristic bending strength by thickness'

export const SHEETS: readonly Sheet[] = [
  {
    id: 'ply-3/8',
    label: '3/8 in plywood, 24/0',
    kind: 'plywood',
    ...dims(inchSize(3 / 8)),
    densityKgM3: 560,
    ...rated([60000, 3600], [250, 54]),
    source: APA,
    confidence: 'medium',
  },
  {
    id: 'osb-19/32',
    label: '5/8 in OSB, 40/20',
    kind: 'osb',
    ...dims(inchSize(19 / 32)),
    densityKgM3: 620,
    ...rated([225000, 56000], [625, 275]),
    source: APA,
    confidence: 'medium',
  },
  plain('mdf-1/2', '1/2 in fibreboard (MDF)', 'mdf', 0.5, 3000, 20, 750),
  plain('mdf-5/8', '5/8 in fibreboard (MDF)', 'mdf', 0.625, 3000, 18, 740),
  plain('pb-5/8', '5/8 in particleboard, melamine', 'particleboard', 0.625, 2900, 14.2, 690),
  plain('hb-1/4', '1/4 in hardboard', 'hardboard', 0.25, 4600, 32, 900, 96, 48),
  plain('hb-1/8', '1/8 in hardboard', 'hardboard', 0.125, 4800, 37, 900, 96, 48),
  {
    id: 'lc-3/4',
    label: '3/4 in lumber-core (blockboard)',
    kind: 'lumber-core',
    ...dims(inchSize(0.75)),
    densityKgM3: 480,
    ...wood([6500, 3000], [25, 12], inches(0.75)),
    source: 'Wood Handbook and makers, indicative',
    confidence: 'low',
  },
  {
    id: 'solid-3/4',
    label: '3/4 in glued pine panel',
    kind: 'solid',
    ...dims(inchSize(0.75, 72, 24)),
    densityKgM3: 450,
    ...wood([9000, 400], [24, 3], inches(0.75)),
    source: 'as C24 without its knots judged, indicative',
    confidence: 'low',
  },
  {
    id: 'ply-9mm',
    label: 'Softwood plywood 9 mm',
    kind: 'plywood',
    ...dims(mmSize(9)),
    densityKgM3: 530,
    ...moduli(9, [8500, 3000], [21, 11]),
    source: 'EN 636 softwood plywood, indicative',
    confidence: 'low',
  },
  {
    id: 'ply-15mm',
    label: 'Softwood plywood 15 mm',
    kind: 'plywood',
    ...dims(mmSize(15)),
    densityKgM3: 530,
    ...moduli(15, [8000, 3500], [20, 12]),
    source: 'EN 636 softwood plywood, indicative',
    confidence: 'low',
  },
  {
    id: 'ply-21mm',
    label: 'Softwood plywood 21 mm',
    kind: 'plywood',
    ...dims(mmSize(21)),
    densityKgM3: 530,
    ...moduli(21, [7800, 3800], [19, 13]),
    source: 'EN 636 softwood plywood, indicative',
    confidence: 'low',
  },
  {
    id: 'osb3-22mm',
    label: 'OSB3 22 mm',
    kind: 'osb',
    ...dims(mmSize(22, 2500, 1250)),
    densityKgM3: 620,
    ...moduli(22, [4930, 1980], [14.8, 7.4]),
    source: EN,
    confidence: 'medium',
  },
  plainMm('mdf-12mm', 'Fibreboard (MDF) 12 mm', 'mdf', 12, 3000, 20, 750),
  plainMm('mdf-16mm', 'Fibreboard (MDF) 16 mm', 'mdf', 16, 3000, 18, 740),
  plainMm('mdf-22mm', 'Fibreboard (MDF) 22 mm', 'mdf', 22, 2900, 17, 730),
  plainMm('hb-3mm', 'Hardboard 3 mm', 'hardboard', 3.2, 4800, 37, 900),
  plainMm('hb-6mm', 'Hardboard 6 mm', 'hardboard', 6, 4600, 32, 900),
  {
    id: 'lc-18mm',
    label: 'Blockboard 18 mm',
    kind: 'lumber-core',
    ...dims(mmSize(18)),
    densityKgM3: 480,
    ...wood([6500, 3000], [25, 12], 18),
    source: 'makers, indicative',
    confidence: 'low',
  },
  {
    id: 'solid-18mm',
    label: 'Glued pine panel 18 mm',
    kind: 'solid',
    ...dims(mmSize(18, 2400, 600)),
    densityKgM3: 450,
    ...wood([9000, 400], [24, 3], 18),
    source: 'as C24 without its knots judged, indicative',
    confidence: 'low',
  },
  {
    id: 'ply-15/32',
    label: '1/2 in plywood, 32/16',
    kind: 'plywood',
    ...dims(inchSize(15 / 32)),
    densityKgM3: 560,
    ...rated([115000, 8100], [370, 92]),
    source: APA,
    confidence: 'medium',
  },
  {
    id: 'ply-19/32',
    label: '5/8 in plywood, 40/20',
    kind: 'plywood',
    ...dims(inchSize(19 / 32)),
    densityKgM3: 560,
    ...rated([225000, 18000], [625, 150]),
    source: APA,
    confidence: 'medium',
  },
  {
    id: 'ply-23/32',
    label: '3/4 in plywood, 48/24',
    kind: 'plywood',
    ...dims(inchSize(23 / 32)),
    densityKgM3: 560,
    ...rated([400000, 29500], [845, 225]),
    source: APA,
    confidence: 'medium',
  },
  {
    id: 'osb-7/16',
    label: '7/16 in OSB, 24/16',
    kind: 'osb',
    ...dims(inchSize(7 / 16)),
    densityKgM3: 620,
    ...rated([78000, 16000], [320, 140]),
    source: APA,
    confidence: 'medium',
  },
  {
    id: 'osb-15/32',
    label: '1/2 in OSB, 32/16',
    kind: 'osb',
    ...dims(inchSize(15 / 32)),
    densityKgM3: 620,
    ...rated([115000, 25000], [370, 165]),
    source: APA,
    confidence: 'medium',
  },
  {
    id: 'osb-23/32',
    label: '3/4 in OSB, 48/24',
    kind: 'osb',
    ...dims(inchSize(23 / 32)),
    densityKgM3: 620,
    ...rated([400000, 91500], [845, 405]),
    source: APA,
    confidence: 'medium',
  },
  {
    id: 'mdf-3/4',
    label: '3/4 in fibreboard (MDF)',
    kind: 'mdf',
    ...dims(inchSize(0.75, 97, 49)),
    densityKgM3: 740,
    ...moduli(inches(0.75), [3000, 3000], [18, 18]),
    source: EN,
    confidence: 'medium',
  },
  {
    id: 'pb-3/4',
    label: '3/4 in particleboard, melamine',
    kind: 'particleboard',
    ...dims(inchSize(0.75, 97, 49)),
    densityKgM3: 680,
    ...moduli(inches(0.75), [2900, 2900], [12.5, 12.5]),
    source: EN,
    confidence: 'medium',
  },
  {
    id: 'ply-12mm',
    label: 'Softwood plywood 12 mm',
    kind: 'plywood',
    ...dims(mmSize(12)),
    densityKgM3: 530,
    ...moduli(12, [8000, 3500], [20, 12]),
    source: 'EN 636 softwood plywood, indicative',
    confidence: 'low',
  },
  {
    id: 'ply-18mm',
    label: 'Softwood plywood 18 mm',
    kind: 'plywood',
    ...dims(mmSize(18)),
    densityKgM3: 530,
    ...moduli(18, [8000, 3500], [20, 12]),
    source: 'EN 636 softwood plywood, indicative',
    confidence: 'low',
  },
  {
    id: 'osb3-15mm',
    label: 'OSB3 15 mm',
    kind: 'osb',
    ...dims(mmSize(15, 2500, 1250)),
    densityKgM3: 620,
    ...moduli(15, [4930, 1980], [16.4, 8.2]),
    source: EN,
    confidence: 'medium',
  },
  {
    id: 'osb3-18mm',
    label: 'OSB3 18 mm',
    kind: 'osb',
    ...dims(mmSize(18, 2500, 1250)),
    densityKgM3: 620,
    ...moduli(18, [4930, 1980], [16.4, 8.2]),
    source: EN,
    confidence: 'medium',
  },
  {
    id: 'mdf-18mm',
    label: 'Fibreboard (MDF) 18 mm',
    kind: 'mdf',
    ...dims(mmSize(18)),
    densityKgM3: 740,
    ...moduli(18, [3000, 3000], [18, 18]),
    source: EN,
    confidence: 'medium',
  },
  {
    id: 'pb-18mm',
    label: 'Particleboard, melamine, 18 mm',
    kind: 'particleboard',
    ...dims(mmSize(18, 2800, 2070)),
    densityKgM3: 680,
    ...moduli(18, [2900, 2900], [12.5, 12.5]),
    source: EN,
    confidence: 'medium',
  },
]

/*
 * A person's own sheet is named by its properties, so that a project carries it wherever it goes:
 * `own:kind:label:thickness:length:width:density:E along:E across:fm`, lengths mm, density kg/m³, moduli and bending
 * strength MPa; no strength known: 0.
 */
export interface OwnSheet {
  label: string
  kind: SheetKind
  system: UnitSystem
  thicknessMm: number
  lengthMm: number
  widthMm: number
  densityKgM3: number
  alongMpa: number
  acrossMpa: number
  /** Characteristic bending strength; null when nobody knows it: then its strength is not proven. */
  bendingMpa: number | null
}
const KINDS: readonly SheetKind[] = ['plywood', 'osb', 'mdf', 'particleboard', 'hardboard', 'lumber-core', 'solid']

export const ownSheetId = (o: OwnSheet): string =>
  [
    'own',
    o.kind,
    o.system,
    encodeURIComponent(o.label),
    o.thicknessMm,
    o.lengthMm,
    o.widthMm,
    o.densityKgM3,
    Math.round(o.alongMpa),
    Math.round(o.acrossMpa),
    o.bendingMpa ?? 0,
  ].join(':')

function ownSheet(id: string): Sheet | undefined {
  const [own, kind, system, label, ...numbers] = id.split(':')
  const n = numbers.map(Number)
  if (
    own !== 'own' ||
    n.length !== 7 ||
    n.some((x) => !Number.isFinite(x)) ||
    n.slice(0, 6).some((x) => !(x > 0)) ||
    !KINDS.includes(kind as SheetKind)
  )
    return undefined
  const [t, l, w, rho, along, across, fm] = n
  return {
    id,
    label: decodeURIComponent(label),
    kind: kind as SheetKind,
    system: system === 'metric' ? 'metric' : 'imperial',
    thicknessMm: t,
    lengthMm: l,
    widthMm: w,
    densityKgM3: rho,
    ei: { along: (along * t ** 3) / 12, across: (across * t ** 3) / 12 },
    ...(fm > 0 ? { ec5Bending: { along: fm, across: (fm * across) / along } } : {}),
    source: 'your own measurement',
    confidence: 'medium',
  }
}

const ofTheYard = byId(SHEETS)
/** A sheet of the catalogue, or a person's own by what its id says. */
export const findSheet = (id: string): Sheet | undefined => ofTheYard(id) ?? ownSheet(id)
