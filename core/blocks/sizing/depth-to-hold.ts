import { unitsOf, type Settings } from '../../assembly/settings.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import type { Reason } from '../../families/family.ts'
import { economicalRip } from './economical-rip.ts'

/** A rip this much deeper than what goes in is still taken. Product decision. */
const WASTED = 1.15

/**
 * Depth of what hangs: a rip of the sheet where one is hardly deeper than the deepest thing, else as deep as that; what
 * hangs is made no deeper than it must be.
 * @param takenMm what of the room's depth goes to rails and a back, or to what stands in front
 * @param sheetMm how much deeper than it its deepest sheets are: sides that close over rails and a back
 * @param outMm what a thing may stand out in front
 */
export function depthToHold(
  sheet: Sheet,
  c: { settings: Settings; spaceMm: number },
  deepestMm: number,
  { takenMm, sheetMm, outMm }: { takenMm: number; sheetMm: number; outMm: number },
): { mm: number; why: Reason } {
  const wanted = sheetMm + deepestMm
  const rip = economicalRip(sheet, c.settings, wanted - outMm, c.spaceMm - takenMm + sheetMm)
  const ripped = rip !== undefined && rip.mm >= wanted - outMm && rip.mm <= WASTED * wanted
  const units = unitsOf(c.settings)
  const roomMm = roundDown(c.spaceMm - takenMm, units)
  return {
    mm: ripped ? rip.mm - sheetMm : Math.min(roundUp(deepestMm, units), roomMm),
    why: {
      code: ripped ? 'economical-rip' : 'depth-deepest',
      terms: [],
      data: {
        parts: rip?.n ?? 1,
        sheetMm: sheet.widthMm,
        kerfMm: c.settings.kerfMm,
        deepestMm,
        spaceMm: c.spaceMm,
      },
    },
  }
}
