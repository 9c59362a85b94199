import type { Settings } from '../../assembly/settings.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { roundDown } from '../../measure/rounding.ts'

/** A length that goes so many times into that of a sheet. */
export interface Share {
  n: number
  mm: number
}

/** In more parts than this no sheet is divided, unless said otherwise. */
const MOST = 8

/**
 * The smallest equal part of a sheet's length or width, kerfs and trimmed edges off, that is as long as wanted; where
 * none is, the longest there may be. All in mm.
 */
export function shareOf(
  sheetMm: number,
  settings: Settings,
  o: { wantedMm: number; leastMm: number; mostMm: number; parts?: number },
): Share | undefined {
  const { kerfMm, sheetTrimMm } = settings
  const most = o.parts ?? MOST
  const all = Array.from({ length: most }, (_, i) => most - i)
    .map((n) => ({ n, mm: roundDown((sheetMm - 2 * sheetTrimMm - (n - 1) * kerfMm) / n, unitsOf(settings)) }))
    .filter((r) => r.mm >= o.leastMm && r.mm <= o.mostMm)
  return all.find((r) => r.mm >= o.wantedMm) ?? all[all.length - 1]
}
