/** What lies on a sheet: its corner and its size as it lies. */
export interface Lying { x: number; y: number; w: number; h: number }

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
