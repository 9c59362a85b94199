import type { Assembly, Part } from './assembly.ts'
import { opens } from './moved.ts'
import { isUpright, type PartBoxes } from './part-box.ts'
import { sharesMoreThan, type Box } from '../geometry/box.ts'

/*
 * How a level sheet comes to where it lies once its uprights stand: laid down from above or from the front, passed
 * between two uprights at a slant, slid in from an end between their rows, or not at all: then it lies before they stand.
 */
export type WayIn = 'laid' | 'tilted' | 'from-its-end' | 'before-uprights'

/** Tag of a subassembly that is screwed over a front, and taken off whole. */
export const SCREWED_FRONT = 'screwed-front'

/** Pieces this near to each other touch, mm. */
const TOUCH_MM = 1

/**
 * Whether a flat piece passes an opening with one of its ends up: the steeper it is held, the less wide and the higher.
 * Across it is `long·cos + thick·sin`, up it is `long·sin + thick·cos`; the flattest that passes across is the lowest.
 * @param long length and `thick` thickness of the piece, `wide` and `high` the clear opening, all mm
 */
export function passesTilted(long: number, thick: number, wide: number, high: number): boolean {
  if (long <= wide) return thick <= high
  const flattest = Math.atan2(thick, long) + Math.acos(Math.min(1, wide / Math.hypot(long, thick)))
  return flattest <= Math.PI / 2 && long * Math.sin(flattest) + thick * Math.cos(flattest) <= high
}

/** The widest clear way between two uprights side by side, mm; no end to it where there is one, or none. */
function widestBetween(uprights: readonly Box[]): number {
  const sorted = [...uprights].sort((a, b) => a.min[0] - b.min[0])
  if (sorted.length < 2) return Infinity
  return Math.max(...sorted.slice(1).map((u, i) => u.min[0] - sorted[i].max[0]))
}

/**
 * How each level sheet of a build comes in: what is in the way of any of them is looked up once.
 * @returns asked with a sheet that lies level, its build standing with its back to a wall
 */
export function waysIn(a: Assembly, boxes: PartBoxes): (sheet: Part) => WayIn {
  // Leaves and panels over its front come last.
  const later = new Set([
    ...a.motions.filter(opens).flatMap((m) => m.parts),
    ...a.subassemblies.filter((x) => x.tags?.use === SCREWED_FRONT).flatMap((x) => x.parts),
  ])
  const others = a.parts
    .filter((p) => !p.temporary && p.stock.kind !== 'bought' && !later.has(p.id))
    .map((p) => ({ id: p.id, box: boxes.get(p.id)!, isUpright: isUpright(p) }))
  const uprights = others.filter((o) => o.isUpright)
  const boxesBut = (id: string, of: typeof others) => of.filter((o) => o.id !== id).map((o) => o.box)
  return (sheet) => wayBetween(boxes.get(sheet.id)!, boxesBut(sheet.id, others), boxesBut(sheet.id, uprights))
}

function wayBetween(s: Box, others: readonly Box[], uprights: readonly Box[]): WayIn {
  const shares = (b: Box, i: number) => Math.min(b.max[i], s.max[i]) - Math.max(b.min[i], s.min[i]) > TOUCH_MM
  const over = others.filter((b) => b.min[2] > s.max[2] - TOUCH_MM && shares(b, 0) && shares(b, 1))
  if (over.length === 0) return 'laid'
  const passing = uprights.filter((b) => b.min[2] < s.min[2] && b.max[2] > s.max[2] + TOUCH_MM)
  if (passing.some((b) => sharesMoreThan(b, s, TOUCH_MM))) return 'before-uprights'
  const before = passing.filter((b) => b.min[1] > s.max[1] - TOUCH_MM && shares(b, 0))
  const highMm = Math.min(...over.map((b) => b.min[2])) - s.min[2]
  const [long, thick] = [s.max[0] - s.min[0], s.max[2] - s.min[2]]
  if (passesTilted(long, thick, widestBetween(before), highMm)) return before.length === 0 ? 'laid' : 'tilted'
  // Between the rows of uprights it slides along, unless what stands at both its ends is in its way.
  const ends = passing.filter((b) => shares(b, 1))
  const [left, right] = [
    ends.some((b) => b.max[0] < s.min[0] + TOUCH_MM),
    ends.some((b) => b.min[0] > s.max[0] - TOUCH_MM),
  ]
  return left && right ? 'before-uprights' : 'from-its-end'
}
