import type { Draft } from '../../assembly/draft.ts'
import { SCREWED_FRONT as SCREWED } from '../../assembly/way-in.ts'
import type { Sheet } from '../../catalogue/sheets.ts'

/*
 * What is opened once a year is closed by a panel: screwed to the uprights on both its sides, and taken off whole. One
 * wider than its sheet is of several, one over the other.
 */

/** Screws of a panel along an upright are no further apart, mm: it keeps dust out and carries nothing. Product decision. */
const SCREWS_EVERY_MM = 300

export interface ScrewedPanel {
  id: string
  sheet: Sheet
  left: number
  right: number
  footMm: number
  headMm: number
  /** The front it lies on. */
  frontMm: number
  uprights: readonly [string, string]
}

/** Tells who writes the steps what of a front is screwed on. */
export const SCREWED_FRONT = { use: SCREWED } as const

export function screwOver(d: Draft, x: ScrewedPanel): void {
  const [wide, high] = [x.right - x.left, x.headMm - x.footMm]
  const n = wide > x.sheet.widthMm ? Math.ceil(high / x.sheet.widthMm) : 1
  const one = high / n
  const along = wide > x.sheet.widthMm ? 'x' : 'z'
  for (let i = 0; i < n; i++) {
    const id = n === 1 ? x.id : `${x.id}-${i}`
    d.square({
      id,
      role: 'face',
      stock: { kind: 'sheet', sheet: x.sheet.id },
      min: [x.left, x.frontMm, x.footMm + i * one],
      size: [wide, x.sheet.thicknessMm, one],
      along,
      across: along === 'x' ? 'z' : 'x',
      grain: 'any',
    })
    const screws = Math.max(2, 1 + Math.ceil(one / SCREWS_EVERY_MM))
    for (const on of x.uprights) {
      const upright = d.part(on)
      const joint =
        upright.stock.kind === 'sheet'
          ? d.screw(id, on, screws, 'edge', x.sheet.thicknessMm, 200)
          : d.screw(id, on, screws, 'side', x.sheet.thicknessMm, upright.size.thicknessMm)
      d.rest(id, on, 'fasteners', joint)
    }
  }
}
