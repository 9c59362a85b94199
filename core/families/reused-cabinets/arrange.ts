import { alongWall, linedUp, type Blocked, type InRow, type Row, type RowSpec } from '../../blocks/sizing/along-wall.ts'
import { FROM_END_MM } from '../../blocks/mounts/wall-fixing.ts'
import type { FreeSpace } from '../../room/room.ts'
import type { Cabinet, ReusedCabinetsParams } from './parameters.ts'

/** A stretch in height. */
export interface Reach {
  footMm: number
  headMm: number
}

/** What is in the way of a box of a depth over a stretch of the wall's height. */
export const blockedBy = (space: FreeSpace, r: Reach, deepMm: number): Blocked[] =>
  space.obstacles
    .filter((o) => o.footMm < r.headMm && o.headMm > r.footMm && o.outMm < deepMm)
    .map((o) => ({ from: o.left, to: o.right }))

/**
 * The question which cabinet comes where. @param reachOf its height on the wall, with what it is lifted by
 * @param boardMm what its sides take of its own rails
 */
export function rowOf(
  p: Pick<ReusedCabinetsParams, 'cabinets' | 'row' | 'order'>,
  space: FreeSpace,
  reachOf: (c: Cabinet) => Reach,
  boardMm: number,
): RowSpec {
  const things = p.cabinets.map((c): InRow => {
    const blocked = blockedBy(space, reachOf(c), c.deepMm)
    return { wideMm: c.wideMm, blocked, kind: JSON.stringify([c.wideMm, blocked]) }
  })
  // As listed they stand side by side, whatever lies behind them.
  const asked = p.row === 'wall' && p.order === 'search' && space.construction.kind === 'studs'
  const studsMm = asked ? space.studsMm : []
  return { things, lengthMm: space.lengthMm, studsMm, insideMm: boardMm + FROM_END_MM }
}

/** Rows found before, by their question: most changes of a build leave it as it is. */
const found = new Map<string, Row>()
const MOST_FOUND = 32
function rowFor(s: RowSpec, order: 'listed' | 'best'): Row {
  const key = JSON.stringify([s, order])
  const known = found.get(key)
  if (known) return known
  const row = alongWall(s, order)
  if (found.size >= MOST_FOUND) found.delete(found.keys().next().value!)
  found.set(key, row)
  return row
}

/** Which cabinet comes where, and slid to line up with what stands below. */
export function arrange(p: ReusedCabinetsParams, s: RowSpec): Row {
  const row = rowFor(s, p.order === 'listed' ? 'listed' : 'best')
  const edges = p.edges.map((e) => e.atMm)
  return edges.length > 0 ? linedUp(s, row, edges) : row
}

/** Cabinets beside each other, from left to right; a wider gap, or one with something in it, begins another group. */
export function groups(
  list: readonly { left: number; wideMm: number; index: number }[],
  gapMm: number,
  blocked: readonly Blocked[],
): { left: number; wideMm: number; index: number }[][] {
  const sorted = [...list].sort((a, b) => a.left - b.left)
  const out: (typeof sorted)[] = []
  for (const x of sorted) {
    const last = out[out.length - 1]
    const before = last?.[last.length - 1]
    const end = before ? before.left + before.wideMm : 0
    const open = blocked.every((b) => b.to <= end || b.from >= x.left)
    if (before && open && x.left - end <= gapMm) last.push(x)
    else out.push([x])
  }
  return out
}
