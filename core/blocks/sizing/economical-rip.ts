import type { Settings } from '../../assembly/settings.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
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
