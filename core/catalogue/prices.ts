import { MM_PER_FOOT, type UnitSystem } from '../measure/units.ts'
import { lengthsOf, SECTIONS } from './lumber.ts'
import { NUTS, OTHER_FASTENERS, SCREWS } from './fasteners.ts'
import { EYE_NUTS, HARDWARE_MINOR, PINS } from './hardware.ts'
import { isLine, SOFT_UNIT, softLabel, SOFTS } from './soft.ts'
import { sundryKey, UNIT_SIZES } from './sundries.ts'
import { findBar, ROD_LENGTHS, RODS, TUBES } from './steel.ts'
import { SHEETS, type Sheet } from './sheets.ts'

/** One line of the price book: minor units for one board, sheet, box, tin or piece. */
export interface PriceLine {
  key: string
  label: string
  per: 'board' | 'sheet' | 'box' | 'piece'
  minor: number
}

export const boardKey = (section: string, lengthMm: number, treated: boolean): string =>
  `board:${section}${treated ? ':treated' : ''}:${Math.round(lengthMm)}`
export const sheetKey = (sheet: string): string => `sheet:${sheet}`

/**
 * Shares of a sheet a yard sells ready cut, and what they cost against their share of a whole one. Made up for the demo
 * yard.
 */
const SHARES = [
  { of: 'half', across: 2, along: 1, dearer: 1.15 },
  { of: 'quarter', across: 2, along: 2, dearer: 1.3 },
] as const

/**
 * The sizes a sheet is sold in: whole, half (cut across) and quarter, with the grain still along the length given
 * first.
 */
export const soldSizes = (
  s: Pick<Sheet, 'id' | 'lengthMm' | 'widthMm'>,
): { key: string; of: 'whole' | 'half' | 'quarter'; lengthMm: number; widthMm: number }[] => [
  { key: sheetKey(s.id), of: 'whole', lengthMm: s.lengthMm, widthMm: s.widthMm },
  ...SHARES.map((x) => ({
    key: `${sheetKey(s.id)}:${x.of}`,
    of: x.of,
    lengthMm: s.lengthMm / x.across,
    widthMm: s.widthMm / x.along,
  })),
]
export const screwKey = (screw: string): string => `screw:${screw}`

// Starting prices, minor units per metre: made up for the demo yard, of the right order; everyone replaces them.
const PER_METRE: Record<string, number> = {
  '1x2': 62,
  '1x3': 88,
  '1x4': 118,
  '1x6': 185,
  '1x8': 245,
  '2x2': 108,
  '2x3': 132,
  '2x4': 158,
  '2x6': 248,
  '2x8': 335,
  '2x10': 452,
  '2x12': 585,
  '4x4': 425,
  '18x44mm': 95,
  '18x69mm': 140,
  '18x94mm': 190,
  '18x144mm': 285,
  'dowel-5/8': 210,
  'dowel-3/4': 265,
  'dowel-1': 390,
  'dowel-16mm': 190,
  'dowel-20mm': 260,
  'dowel-25mm': 360,
  '38x38mm': 135,
  '38x63mm': 175,
  '38x89mm': 240,
  '47x100mm': 330,
  '47x150mm': 490,
  '47x200mm': 680,
  '70x70mm': 520,
}
/** Steel tube and conduit, by the kilogram. */
const TUBE_PER_KG = 460
/** Zinc-plated rod, by the square of its diameter. */
const ROD_PER_MM2_M = 3.4
const TREATED_FACTOR = 1.45
/** Longer boards cost more by the metre. */
const longBoard = (lengthMm: number) => (lengthMm > 15 * MM_PER_FOOT ? 1.18 : lengthMm > 11 * MM_PER_FOOT ? 1.08 : 1)

const PER_SHEET: Record<string, number> = {
  'ply-15/32': 3148,
  'ply-19/32': 3998,
  'ply-23/32': 4798,
  'osb-7/16': 1648,
  'osb-15/32': 1998,
  'osb-23/32': 2998,
  'mdf-3/4': 4298,
  'pb-3/4': 3898,
  'ply-3/8': 2498,
  'osb-19/32': 2398,
  'mdf-1/2': 3298,
  'mdf-5/8': 3798,
  'pb-5/8': 3298,
  'hb-1/4': 1498,
  'hb-1/8': 998,
  'lc-3/4': 6498,
  'solid-3/4': 3498,
  'ply-9mm': 2650,
  'ply-15mm': 4150,
  'ply-21mm': 5650,
  'osb3-22mm': 3390,
  'mdf-12mm': 2390,
  'mdf-16mm': 2890,
  'mdf-22mm': 3990,
  'hb-3mm': 890,
  'hb-6mm': 1490,
  'lc-18mm': 5900,
  'solid-18mm': 3900,
  'ply-12mm': 3450,
  'ply-18mm': 4890,
  'osb3-15mm': 2390,
  'osb3-18mm': 2790,
  'mdf-18mm': 3290,
  'pb-18mm': 5900,
}

/** The price book a new project starts from. */
export function startingPrices(system: UnitSystem): PriceLine[] {
  const boards = SECTIONS.filter((s) => s.system === system).flatMap((s) =>
    lengthsOf(s.id, system).flatMap((lengthMm) =>
      [false, true]
        // Only 2 in (38 mm) stock and thicker is sold treated.
        .filter((treated) => !treated || s.thicknessMm > 30)
        .map((treated): PriceLine => {
          const rate = PER_METRE[s.id] * longBoard(lengthMm) * (treated ? TREATED_FACTOR : 1)
          const long = system === 'imperial' ? `${Math.round(lengthMm / MM_PER_FOOT)} ft` : `${lengthMm / 1000} m`
          return {
            key: boardKey(s.id, lengthMm, treated),
            label: `${s.label} ${long}${treated ? ', treated' : ''}`,
            per: 'board',
            minor: Math.round((rate * lengthMm) / 1000),
          }
        }),
    ),
  )
  const sheets = SHEETS.filter((s) => s.system === system).flatMap((s): PriceLine[] => [
    { key: sheetKey(s.id), label: s.label, per: 'sheet', minor: PER_SHEET[s.id] },
    ...SHARES.map((x): PriceLine => ({
      key: `${sheetKey(s.id)}:${x.of}`,
      label: `${s.label}, ${x.of} sheet`,
      per: 'sheet',
      minor: Math.round((PER_SHEET[s.id] * x.dearer) / (x.across * x.along)),
    })),
  ])
  const screws = [...SCREWS, ...OTHER_FASTENERS, ...NUTS]
    .filter((s) => s.system === system)
    .map((s): PriceLine => ({
      key: screwKey(s.id),
      label: `${s.label}, box of ${s.box}`,
      per: 'box',
      minor: Math.round(s.box * (3 + s.lengthMm * s.diameterMm * 0.028)),
    }))
  const sundries = (['finish', 'glue', 'banding'] as const).map((kind): PriceLine => ({
    key: sundryKey(kind),
    label: UNIT_SIZES[system][kind].label,
    per: 'piece',
    minor: UNIT_SIZES[system][kind].minor,
  }))
  const rods = RODS.filter((r) => r.system === system).flatMap((r) =>
    ROD_LENGTHS[system].map((lengthMm): PriceLine => ({
      key: boardKey(r.id, lengthMm, false),
      label: `${r.label}, ${system === 'imperial' ? `${Math.round(lengthMm / MM_PER_FOOT)} ft` : `${lengthMm / 1000} m`}`,
      per: 'piece',
      minor: Math.round((ROD_PER_MM2_M * r.diameterMm ** 2 * lengthMm) / 1000),
    })),
  )
  const tubes = TUBES.filter((t) => t.system === system).flatMap((t) => {
    const bar = findBar(t.id)!
    return bar.lengths.map((lengthMm): PriceLine => ({
      key: boardKey(t.id, lengthMm, false),
      label: `${t.label}, ${system === 'imperial' ? `${Math.round(lengthMm / MM_PER_FOOT)} ft` : `${lengthMm / 1000} m`}`,
      per: 'piece',
      minor: Math.round((TUBE_PER_KG * bar.kgPerM * lengthMm) / 1000),
    }))
  })
  const ready = (label: string, minor: number): PriceLine => ({
    key: sundryKey('ready', label),
    label,
    per: 'piece',
    minor,
  })
  const others = system === 'metric' ? 'imperial' : 'metric'
  const other = [PINS[others].item, ...EYE_NUTS.filter((e) => e.system === others).map((e) => e.item)]
  const hardware = Object.entries(HARDWARE_MINOR)
    .filter(([item]) => !other.includes(item))
    .map(([item, minor]) => ready(item, minor))
  const { m, m2 } = SOFT_UNIT[system]
  const softs = SOFTS.filter((s) => !isLine(s) || s.system === system).map((s) =>
    ready(softLabel(s, system), Math.round(isLine(s) ? s.minorPerM * m : s.minorPerM2 * m2)),
  )
  return [...boards, ...rods, ...tubes, ...sheets, ...screws, ...sundries, ...hardware, ...softs]
}
