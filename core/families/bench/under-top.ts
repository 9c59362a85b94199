import type { Goods } from '../../goods/goods.ts'
import { sumTerms } from '../dim-pen.ts'
import { belongsOnFloor, fill, LEAST_OPEN, type Level, type Lifters, type Opening } from '../house-on-shelves.ts'
import { framedTerms } from '../shelf-tops.ts'
import { LIMITS } from './parameters.ts'

/** The room under the top. */
export interface UnderTop {
  depthMm: number
  highMm: number
  frame: { frameMm: number; sheetMm: number; underMm: number }
  aboveMm: number
  sideMm: number
  floorBay: boolean
  lifters: Lifters
}

/**
 * What stands under the top: on the floor what belongs there, the rest on as few shelves as it needs; all of it on the
 * floor where there is to be no shelf.
 */
export function underneath(
  r: UnderTop,
  openings: Opening[],
  goods: readonly Goods[],
  shelves: number | null,
): { levels: Level[]; left: Goods[] } {
  const tries = Array.from({ length: shelves === null ? LIMITS.shelves : 1 }, (_, i) =>
    onShelves(r, openings, goods, shelves ?? i),
  )
  return tries.reduce((best, t) => (t.left.length < best.left.length ? t : best))
}

function onShelves(
  r: UnderTop,
  openings: Opening[],
  goods: readonly Goods[],
  shelves: number,
): { levels: Level[]; left: Goods[] } {
  const level = (floor: boolean, given: readonly Goods[], roomMm: number): { level: Level; left: Goods[] } => {
    const low = given.filter((g) => g.tallMm + r.aboveMm <= roomMm + 1e-6)
    const { spots, left } = fill(low, openings, r.depthMm, r.sideMm, 0)
    const tallest = spots.reduce<Goods | null>((t, s) => (!t || s.item.tallMm > t.tallMm ? s.item : t), null)
    return { level: { floor, spots, tallest }, left: [...left, ...given.filter((g) => !low.includes(g))] }
  }
  const levels: Level[] = []
  let queue = [...goods]
  if (r.floorBay) {
    const down = shelves === 0 ? queue : queue.filter((g) => belongsOnFloor(g, r.lifters))
    const on = level(true, down, r.highMm)
    if (on.level.spots.length > 0) levels.push(on.level)
    queue = [...on.left, ...queue.filter((g) => !down.includes(g))]
  }
  for (let i = 0; i < shelves; i++) {
    const top = framedTerms([...levels, { floor: false, spots: [], tallest: null }], r.frame, r.aboveMm).reduce(
      (sum, t) => sum + sumTerms(t),
      0,
    )
    if (r.highMm - top < LEAST_OPEN) break
    const on = level(false, queue, r.highMm - top)
    levels.push(on.level)
    queue = on.left
  }
  return { levels, left: queue }
}
