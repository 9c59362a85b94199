import { cutTree, settingsOf } from './cut-tree.ts'

/** What lies on a sheet: its corner and its size as it lies. */
export interface Lying {
  x: number
  y: number
  w: number
  h: number
}

/**
 * Area of the widest strip left over along one edge of a sheet, within its trimmed edges.
 * @param trim taken off on every edge
 */
export function edgeLeftover(sheet: { w: number; h: number }, trim: number, laid: Iterable<Lying>): number {
  let [mx, my] = [trim, trim]
  for (const l of laid) {
    mx = Math.max(mx, l.x + l.w)
    my = Math.max(my, l.y + l.h)
  }
  return Math.max((sheet.w - trim - mx) * (sheet.h - 2 * trim), (sheet.h - trim - my) * (sheet.w - 2 * trim))
}

/** How tidily a sheet is laid: area left over along one edge, and how often the fence is set to free the pieces. */
export interface Neatness {
  over: number
  settings: number
}

export function neatness(
  sheet: { w: number; h: number },
  trim: number,
  kerf: number,
  laid: readonly Lying[],
): Neatness {
  const tree = cutTree(laid, { x: trim, y: trim, w: sheet.w - 2 * trim, h: sheet.h - 2 * trim }, kerf, 'either')
  return { over: edgeLeftover(sheet, trim, laid), settings: tree ? settingsOf(tree) : Infinity }
}

/** Leftovers within this share of each other are alike. */
const ALIKE = 0.001
/** The larger leftover is neater; of two alike the one with fewer settings. */
export const isNeater = (a: Neatness, b: Neatness): boolean =>
  a.over > b.over * (1 + ALIKE) || (a.over >= b.over * (1 - ALIKE) && a.settings < b.settings)
