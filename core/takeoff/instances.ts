import { lengthStock } from '../assembly/identical.ts'
import type { Settings } from '../assembly/settings.ts'
import { findSection, lengthsOf } from '../catalogue/lumber.ts'
import { boardKey, soldSizes, type PriceLine } from '../catalogue/prices.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Cut1dInstance, Cut2dInstance } from '../cutting/format.ts'
import { soundStretches, type OnHandPiece } from './on-hand.ts'
import { nestMitres, type Laid } from './nested-mitres.ts'
import type { PieceLine } from './pieces.ts'

/**
 * Cutting is computed in whole hundredths of a micrometre: 1/32 in is a whole number of them, so nothing is rounded.
 */
export const CUT_UNIT = '0.00001mm'
const PER_MM = 1e5
const up = (mm: number) => Math.ceil(Math.round(mm * PER_MM * 100) / 100)
const down = (mm: number) => Math.floor(Math.round(mm * PER_MM * 100) / 100)
export const fromCutUnit = (n: number): number => n / PER_MM

/**
 * What is cut from one kind of board. A strip is a piece narrower than its board: `strips` of them come out of one
 * length.
 */
export interface BoardJob {
  key: string
  section: string
  treated: boolean
  instance: Cut1dInstance
  /** Piece lines by the instance's part id. */
  lines: Record<string, Laid>
}
export interface SheetJob {
  key: string
  sheet: string
  instance: Cut2dInstance
  lines: Record<string, PieceLine>
}

/** How many strips of a width come out of a board. */
export const stripsOf = (boardMm: number, stripMm: number, kerfMm: number): number =>
  Math.max(1, Math.floor((boardMm + kerfMm + 1e-6) / (stripMm + kerfMm)))

/**
 * How many come out where each has one slanting edge: one slanting cut makes those of two, and both are as wide as the
 * cut leans over. Width over their long points.
 */
function bevelledStrips(boardMm: number, line: PieceLine, kerfMm: number): { strips: number; slantRad?: number } {
  const [stripMm, thickMm] = [line.widthMm, line.thicknessMm]
  const plain = stripsOf(boardMm, Math.max(stripMm, thickMm), kerfMm)
  const bevels = line.machining.filter((m) => m.kind === 'bevel')
  if (bevels.length !== 1 || line.machining.length !== 1 || stripMm <= thickMm) return { strips: plain }
  const { angleRad } = bevels[0]
  const pair = slantedPairMm(stripMm, thickMm, angleRad, kerfMm)
  const paired = 2 * Math.floor((boardMm + kerfMm + 1e-6) / (pair + kerfMm))
  return paired > plain ? { strips: paired, slantRad: angleRad } : { strips: plain }
}

/** Width two strips take that one slanting cut parts, mm. */
export const slantedPairMm = (stripMm: number, thickMm: number, slantRad: number, kerfMm: number): number =>
  2 * stripMm - thickMm * Math.tan(slantRad) + kerfMm / Math.cos(slantRad)

export const lineId = (l: PieceLine): string => `${l.build}/${l.letter}`

/**
 * What there is to cut from besides what the yard sells: free, and only so many. Ids begin with `hand:` (a person's
 * stock) or `bought:`.
 */
export type AtHand = OnHandPiece & { count?: number; stockKey?: string }

/** A stretch of a board shorter than this is not offered to the planner, mm: nothing is made of it. */
const LEAST_STRETCH_MM = 100

const handBoards = (section: string, treated: boolean, hand: readonly AtHand[]): Cut1dInstance['stock'] =>
  hand.flatMap((h) =>
    h.kind === 'board' && h.section === section && h.treated === treated
      ? soundStretches(h, LEAST_STRETCH_MM).map((s) => ({
          id: `${h.id}@${s.fromMm}`,
          length: down(s.toMm - s.fromMm),
          price: 0,
          available: h.count ?? 1,
          offcut: true,
        }))
      : [],
  )

export function boardJobs(
  lines: readonly PieceLine[],
  settings: Settings,
  prices: readonly PriceLine[],
  hand: readonly AtHand[] = [],
): BoardJob[] {
  const price = new Map(prices.map((p) => [p.key, p.minor]))
  const jobs = new Map<string, BoardJob>()
  for (const line of lines) {
    const long = lengthStock(line.stock)
    if (!long) continue
    const { section, treated } = long
    const key = `${section}${treated ? ':treated' : ''}`
    const job = jobs.get(key) ?? {
      key,
      section,
      treated,
      lines: {},
      instance: {
        format: 'cut1d-instance',
        version: 1,
        name: key,
        unit: CUT_UNIT,
        kerf: up(settings.kerfMm),
        trimStart: up(settings.squaringTrimMm),
        trimEnd: 0,
        parts: [],
        stock: [
          ...handBoards(section, treated, hand),
          ...lengthsOf(section, settings.yard).flatMap((mm) => {
            const minor = price.get(boardKey(section, mm, treated))
            return minor === undefined
              ? []
              : [{ id: boardKey(section, mm, treated), length: down(mm), price: minor, available: null, offcut: false }]
          }),
        ],
      },
    }
    jobs.set(key, job)
    const ripped = line.ripped ? bevelledStrips(findSection(section)!.widthMm, line, settings.kerfMm) : { strips: 1 }
    const { strips } = ripped
    job.lines[lineId(line)] = { line, ...ripped }
    job.instance.parts.push({ id: lineId(line), length: up(line.cut.lengthMm), qty: Math.ceil(line.count / strips) })
  }
  return [...jobs.values()].map((j) => nestMitres(j, settings.kerfMm, up))
}

export function sheetJobs(
  lines: readonly PieceLine[],
  settings: Settings,
  prices: readonly PriceLine[],
  hand: readonly AtHand[] = [],
): SheetJob[] {
  const price = new Map(prices.map((p) => [p.key, p.minor]))
  const jobs = new Map<string, SheetJob>()
  for (const line of lines) {
    if (line.stock.kind !== 'sheet') continue
    const sheet = findSheet(line.stock.sheet)!
    const job = jobs.get(sheet.id) ?? {
      key: sheet.id,
      sheet: sheet.id,
      lines: {},
      instance: {
        format: 'cut2d-instance',
        version: 1,
        name: sheet.id,
        unit: CUT_UNIT,
        kerf: up(settings.kerfMm),
        trim: up(settings.sheetTrimMm),
        maxStages: null,
        parts: [],
        stock: [
          ...hand.flatMap((h) =>
            h.kind === 'sheet' && h.sheet === sheet.id
              ? [{ id: h.id, w: down(h.lengthMm), h: down(h.widthMm), price: 0, available: h.count ?? 1, offcut: true }]
              : [],
          ),
          ...soldSizes(sheet).flatMap((size) => {
            const minor = price.get(size.key)
            return minor === undefined
              ? []
              : [
                  {
                    id: size.key,
                    w: down(size.lengthMm),
                    h: down(size.widthMm),
                    price: minor,
                    available: null,
                    offcut: false,
                  },
                ]
          }),
        ],
      },
    }
    jobs.set(sheet.id, job)
    const [w, h] =
      line.grain === 'width' ? [line.cut.widthMm, line.cut.lengthMm] : [line.cut.lengthMm, line.cut.widthMm]
    job.lines[lineId(line)] = line
    job.instance.parts.push({ id: lineId(line), w: up(w), h: up(h), qty: line.count, rotate: line.grain === 'any' })
  }
  return [...jobs.values()]
}
