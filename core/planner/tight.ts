import type { Project } from '../project/project.ts'
import type { Lot } from './offer.ts'
import type { Bulk } from './orders.ts'

/** What of a wall begins lower than this leaves no room for anything to stand before it, mm. Product decision. */
const AT_FLOOR_MM = 300
/**
 * Things as large as this share of the space before the walls do not all go there: between them, over them and before
 * doors much of it stays free. Product decision: households that had a place had 0.15 at most, those that had none 0.28.
 */
const TIGHT = 0.22

/**
 * Whether some things are surely more than there is room for before the walls of a room, told by their sizes alone.
 * @param litresOf one of a thing
 * @param walls ids of those where something may stand
 */
export function isTight(room: Project['room'], heap: Lot, litresOf: Bulk, walls: readonly string[]): boolean {
  const asked = heap.reduce((sum, g) => sum + g.count * litresOf(g.goodsId), 0)
  const there = room.walls
    .filter((w) => walls.includes(w.id))
    .reduce((sum, w) => {
      const taken = room.features.filter((f) => f.wallId === w.id && f.upMm < AT_FLOOR_MM && !f.comesDown)
      const free = w.lengthMm - taken.reduce((mm, f) => mm + f.wideMm, 0)
      return sum + (Math.max(0, free) * w.depthMm * w.heightMm) / 1e6
    }, 0)
  return asked > TIGHT * there
}
