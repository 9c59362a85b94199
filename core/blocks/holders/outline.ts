import { SECTIONS, type Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { cleatFoot, footOver, plateFoot, type Strips } from './frame.ts'
import { clearFor, type HolderSize } from './sizes.ts'

/*
 * What a holder takes of its wall: heights from the strip it hooks over, width from its tools.
 */

/** What holders of one wall are made of. */
export interface HolderStock {
  system: UnitSystem
  grade: string
  sheet: Sheet
  divider: Sheet
  rail: Section
  railScrews: number
  /** Webs and ledges under a deck, and bars. */
  bar: Section
  plate: Section
  peg: Section
}

export interface Holder {
  id: string
  strips: Strips
  row: number
  left: number
  size: HolderSize
  count: number
  stock: HolderStock
  play: { sideMm: number; aboveMm: number }
}

/** What has sides is at least so high, mm: they lean on the wall well under where they hook. Product decision. */
const LEAST_HIGH_MM = 160
/** As high as this share of how far it stands out: so what pulls it off stays small. Product decision. */
const HIGH_SHARE = 1.2

/** What is kept stands out from one board. */
export const onPlate = (s: HolderSize): boolean => s.held === 'pegs' || s.held === 'hook'
/** What stands in it stands on its bottom. */
export const isBox = (s: HolderSize): boolean => s.held === 'box' || s.held === 'hinged-box'

/** What a holder takes of the wall, from the height of the strip it hooks over. */
export interface Outline {
  wideMm: number
  outMm: number
  /** Lower and upper end of its wood, and of what it keeps. */
  footMm: number
  headMm: number
  /** Lower edges of the rails, or of its plate. */
  leanMm: number
  upperMm: number
  lowMm: number
  highMm: number
}

export function outlineOf(h: Pick<Holder, 'strips' | 'row' | 'size' | 'count' | 'stock'>): Outline {
  const { strips: s, row, size, stock } = h
  const y = s.backMm + s.section.thicknessMm
  const clear = clearFor(size, h.count)
  if (onPlate(size)) {
    const { plate } = stock
    const foot = plateFoot(s, row, plate)
    const z = foot + plate.widthMm * PEG_UP
    return {
      wideMm: clear,
      outMm: y + plate.thicknessMm + size.deepMm,
      footMm: foot,
      headMm: foot + plate.widthMm,
      leanMm: foot,
      upperMm: foot,
      lowMm: Math.min(foot, z - size.underMm),
      highMm: Math.max(foot + plate.widthMm, z + size.overMm),
    }
  }
  const t = stock.sheet.thicknessMm
  // A deck lies over the upper rail, a bottom under the lower one.
  const head = cleatFoot(s, row) + Math.max(stock.rail.widthMm + t, s.cleat.widthMm)
  const bottom = isBox(size) ? t : 0
  const deep = stock.rail.thicknessMm + size.deepMm
  const bodyMm = isBox(size)
    ? size.boardMm + 2 * t
    : size.held === 'drill-slots'
      ? size.boardMm + t + stock.bar.thicknessMm
      : 0
  const high = Math.max(LEAST_HIGH_MM, HIGH_SHARE * deep, bodyMm, 2 * stock.rail.widthMm + t + bottom)
  const lean = footOver(s, head - high + bottom, stock.rail.widthMm)
  const foot = lean - bottom
  const carrier = isBox(size) ? foot + t : size.held === 'drill-slots' ? head - t - size.boardMm : head
  return {
    wideMm: clear + 2 * t,
    outMm: y + deep,
    footMm: foot,
    headMm: head,
    leanMm: lean,
    upperMm: head - t - stock.rail.widthMm,
    lowMm: Math.min(foot, carrier - size.underMm),
    highMm: Math.max(head, carrier + size.overMm),
  }
}
/** Pegs and hooks sit so far up their plate. */
export const PEG_UP = 0.6

/** Boards that webs and ledges are ripped from: the narrowest as thick as bars are; null where none is wide enough. */
export function teeSections(size: HolderSize, stock: Pick<HolderStock, 'bar' | 'system'>): [Section, Section] | null {
  const wide = (mm: number) =>
    SECTIONS.filter(
      (s) => s.system === stock.system && !s.round && s.thicknessMm === stock.bar.thicknessMm && s.widthMm >= mm - 1e-6,
    ).sort((a, b) => a.widthMm - b.widthMm)[0]
  const [web, flange] = [wide(size.boardMm), wide(stock.bar.thicknessMm + size.keyMm - size.openMm)]
  return web && flange ? [web, flange] : null
}
