import type { Settings } from '../../assembly/settings.ts'
import { unitsOf } from '../../assembly/settings.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { roundDown } from '../../measure/rounding.ts'

export interface Rip {
  /** Strips that come out of the width of a sheet. */
  n: number
  mm: number
}

/** A strip narrower than this is none of a shelf, mm. */
const NARROWEST_MM = 100
/** Most strips a sheet is ripped into. */
const MOST = 6

/**
 * Widths that a sheet divides into with its trims and kerfs, narrowest first, as deep as there is room for.
 * @returns the narrowest that is deep enough, else the deepest; none where not even that fits
 */
export function economicalRip(
  sheet: Pick<Sheet, 'widthMm'>,
  settings: Settings,
  wantedMm: number,
  mostMm: number,
): Rip | undefined {
  const { kerfMm, sheetTrimMm } = settings
  const rips = Array.from({ length: MOST - 1 }, (_, i) => MOST - i)
    .map((n) => ({ n, mm: roundDown((sheet.widthMm - 2 * sheetTrimMm - (n - 1) * kerfMm) / n, unitsOf(settings)) }))
    .filter((r) => r.mm >= NARROWEST_MM && r.mm <= mostMm)
  return rips.find((r) => r.mm >= wantedMm) ?? rips[rips.length - 1]
}
