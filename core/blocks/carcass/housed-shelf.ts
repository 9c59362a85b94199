import type { Draft } from '../../assembly/draft.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { roundNearest } from '../../measure/rounding.ts'
import type { Units } from '../../measure/units.ts'

/** A dado is a third of the upright deep: builders' usual rule. mm */
export const dadoDepth = (thicknessMm: number, units: Units): number => roundNearest(thicknessMm / 3, units)

export interface HousedShelf {
  id: string
  role: 'shelf' | 'top'
  sheet: Sheet
  /** Clear opening it spans, mm; it reaches into both uprights by the depth of their dadoes. */
  left: number
  right: number
  fromMm: number
  deepMm: number
  topMm: number
  dadoMm: number
  uprights: readonly [string, string]
  /** Height of the lower ends of the uprights: dadoes are told from there. */
  footMm: number
  /** At the end of its uprights: a rabbet instead of a dado. */
  at?: 'start' | 'end'
}

/** A shelf, a bottom or a top standing in dadoes or rabbets of two uprights, and those cut into them. */
export function housedShelf(d: Draft, s: HousedShelf): void {
  const t = s.sheet.thicknessMm
  d.square({
    id: s.id,
    role: s.role,
    stock: { kind: 'sheet', sheet: s.sheet.id },
    min: [s.left - s.dadoMm, s.fromMm, s.topMm - t],
    size: [s.right - s.left + 2 * s.dadoMm, s.deepMm, t],
    along: 'x',
    across: 'y',
  })
  for (const upright of s.uprights) {
    d.rest(s.id, upright, 'bearing', d.house(s.id, upright, t - s.dadoMm))
    d.machine(
      upright,
      s.at
        ? { kind: 'rabbet', edge: s.at, widthMm: t, depthMm: s.dadoMm }
        : { kind: 'dado', atMm: s.topMm - t - s.footMm, offMm: 0, widthMm: t, depthMm: s.dadoMm, stopped: false },
    )
  }
}
