import type { Goods } from '../../goods/goods.ts'
import type { ShapeContext, Shaped, Term } from '../family.ts'
import {
  belongsOnFloor,
  fill,
  house,
  tallestOf,
  type Grown,
  type Level,
  type Lifters,
  type Opening,
  type Spot,
} from '../house-on-shelves.ts'

/*
 * Bays of unequal height side by side: a module leaves shelves out that its neighbours have, and is so high there.
 *
 *    |===|===|        the left module leaves out its first shelf: a bay for drums with a pump in the bung,
 *    |   |===|        for an appliance, or to sit at
 *    |   |   |
 */

/** A shelf a module has not: both counted from one, as they are told. */
export interface LeftOut {
  module: number
  shelf: number
}
/** From the floor (-1) or a shelf to the next one there is over it. */
export interface TallBay {
  module: number
  from: number
  over: number
}
type InModule = Opening & { module: number }

export const isAt = (x: LeftOut, module: number, shelf: number): boolean =>
  x.module === module + 1 && x.shelf === shelf + 1
export const isOut = (list: readonly LeftOut[], module: number, shelf: number): boolean =>
  list.some((x) => isAt(x, module, shelf))

/** Bays over which a shelf is left out, from below. */
export function tallBays(list: readonly LeftOut[]): TallBay[] {
  const modules = [...new Set(list.map((x) => x.module - 1))].sort((a, b) => a - b)
  return modules.flatMap((module) => {
    const out: TallBay[] = []
    const last = Math.max(...list.filter((x) => x.module === module + 1).map((x) => x.shelf - 1))
    for (let i = 0; i <= last; i++) {
      if (!isOut(list, module, i)) continue
      const from = i - 1
      while (isOut(list, module, i + 1)) i++
      out.push({ module, from, over: i + 1 })
    }
    return out
  })
}

/** Things lower than this share of the tallest are not what a high bay is for. Product decision. */
const TALL_SHARE = 0.6

/** What goes into the high bays, the tallest first; the rest is left. */
function inTallBays(
  goods: ShapeContext['goods'],
  bays: readonly TallBay[],
  openings: readonly InModule[],
  f: { depthMm: number; sideMm: number; outMm: number; lifters: Lifters },
): { spots: Spot[][]; placed: Map<string, number> } {
  const least = TALL_SHARE * Math.max(0, ...goods.map((g) => g.item.tallMm))
  let queue = [...goods]
    .filter((g) => g.item.tallMm > least)
    .sort((a, b) => b.item.tallMm - a.item.tallMm)
    .flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const placed = new Map<string, number>()
  const spots = bays.map((b) => {
    const fits = (g: Goods) => b.from < 0 || !belongsOnFloor(g, f.lifters)
    const { spots: own, left } = fill(
      queue.filter(fits),
      only(openings, (o) => o.module === b.module),
      f.depthMm,
      f.sideMm,
      f.outMm,
    )
    queue = [...queue.filter((g) => !fits(g)), ...left]
    for (const s of own) placed.set(s.item.id, (placed.get(s.item.id) ?? 0) + 1)
    return own
  })
  return { spots, placed }
}

/** The same openings, those that are meant; the others take nothing. */
const only = (openings: readonly InModule[], meant: (o: InModule) => boolean): Opening[] =>
  openings.map((o) => (meant(o) ? o : { left: o.left, right: o.left }))

export interface Housed {
  /** Shelves and floor, with what stands in bays as high as one of them. */
  levels: Level[]
  /** What stands in each high bay. */
  tall: Spot[][]
  unhoused: Shaped['unhoused']
}

interface Room {
  goods: ShapeContext['goods']
  floorBay: boolean
  lifters: Lifters
  shelves: number | null
  openings: readonly InModule[]
  depthMm: number
  sideMm: number
  outMm: number
  /** Whether there is room for these levels, with what stands in the high bays. */
  grows: (levels: Level[], tall: readonly Spot[][]) => Grown
  most: number
}

/** Houses goods on floor and shelves, those that are high in the bays that are. */
export function houseUnequal(r: Room, list: readonly LeftOut[]): Housed {
  const bays = tallBays(list)
  const { spots, placed } = inTallBays(r.goods, bays, r.openings, r)
  const rest = r.goods.map((g) => ({ ...g, count: g.count - (placed.get(g.item.id) ?? 0) })).filter((g) => g.count > 0)
  // A bay that is high, and a shelf that is not there, take nothing more.
  const at = (shelf: number) =>
    only(
      r.openings,
      (o) => !isOut(list, o.module, shelf) && !bays.some((b) => b.module === o.module && b.from === shelf),
    )
  const grows = (levels: Level[]) => r.grows(levels, spots)
  const { levels, unhoused } = house(
    ...([rest, r.floorBay ? r.lifters : null, r.shelves, at, r.depthMm, r.sideMm, r.outMm, grows, r.most] as const),
  )
  // A high bay has its shelf over it, whether anything has its place there or not.
  const needed = 1 + Math.max(-1, ...bays.map((b) => b.over))
  const missing = r.shelves === null ? needed - levels.filter((l) => !l.floor).length : 0
  const empty = Array.from({ length: Math.max(0, missing) }, (): Level => ({ floor: false, spots: [], tallest: null }))
  return { levels: [...levels, ...empty], unhoused, tall: spots }
}

/** What the shelf over high bays needs more than its neighbours do, as terms. */
export function tallTerms(
  bays: readonly TallBay[],
  tall: readonly Spot[][],
  at: { shelf: number; tops: readonly number[]; sumMm: number; aboveMm: number; frameMm: number },
): Term[] {
  const wanted = bays.map((b, n) => {
    const item = tallestOf(tall[n])
    if (b.over !== at.shelf || !item) return 0
    return (b.from < 0 ? 0 : at.tops[b.from]) + item.tallMm + at.aboveMm + at.frameMm
  })
  const mm = Math.max(0, ...wanted) - at.sumMm
  return mm > 0 ? [{ name: 'tall-bay', mm }] : []
}
