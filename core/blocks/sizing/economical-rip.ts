import type { Settings } from '../../assembly/settings.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import type { Units } from '../../measure/units.ts'
import { shareOf, type Share } from './share-of.ts'

/** A strip narrower than this is none of a shelf, mm. */
const NARROWEST_MM = 100
/** Most strips a sheet is ripped into. */
const MOST = 6

/**
 * Widths that a sheet divides into with its trims and kerfs, narrowest first, as deep as there is room for.
 * @returns the narrowest that is deep enough, else the deepest; none where not even that fits
 */
export const economicalRip = (
  sheet: Pick<Sheet, 'widthMm'>,
  settings: Settings,
  wantedMm: number,
  mostMm: number,
): Share | undefined => shareOf(sheet.widthMm, settings, { wantedMm, leastMm: NARROWEST_MM, mostMm, parts: MOST })

/**
 * Depth of what stands, mm: a rip of the sheet; where none there is room for is deep enough just what is needed; and where
 * that does not go in either, the deepest rip that does.
 * @param wantedMm what is needed, as far as it may not stand out @param mostMm what there is room for
 */
export function standingDepth(
  rip: Share | undefined,
  { wantedMm, mostMm, deepestMm }: { wantedMm: number; mostMm: number; deepestMm: number },
  units: Units,
): { mm: number; why: 'economical-rip' | 'depth-no-rip' | 'rip-for-space' } | undefined {
  if (rip && rip.mm >= wantedMm) return { mm: rip.mm, why: 'economical-rip' }
  // All of the deepest thing stands on it where there is room for that too.
  if (wantedMm > 0 && wantedMm <= mostMm) {
    const roomMm = Math.max(roundDown(mostMm, units), wantedMm)
    return { mm: Math.min(roundUp(deepestMm, units), roomMm), why: 'depth-no-rip' }
  }
  return rip && { mm: rip.mm, why: 'rip-for-space' }
}
