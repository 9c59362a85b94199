import type { Bay, Placed } from '../assembly/assembly.ts'
import { DOOR_SPARE_MM, underDoor } from '../checks/in-the-room/door-sweep.ts'
import { solidsOf, type Frame } from '../clearance/placing.ts'
import type { Box } from '../geometry/box.ts'
import type { Goods } from '../goods/goods.ts'
import type { Feature } from '../room/features.ts'
import type { WallLine } from '../room/outline.ts'
import type { BuildReading } from './read-build.ts'

/** One place that hangs over the way of a door, and what may hang there. */
export interface PlaceByDoor {
  bay: string
  name: Bay['name']
  /** The tallest tote that clears the door here, mm. */
  tallestMm: number
  /** Each size of tote: how near the door comes to it, mm; null where it does not go into the place at all. */
  sizes: { goodsId: string; gapMm: number | null; clears: boolean }[]
}

const rimOf = (g: Goods): number => g.tote?.rimMm ?? 0

/** A tote of another size where one hangs: by its rim on the same runners, from the same place on. */
function insteadOf(i: Placed, hangs: Goods, g: Goods): Box {
  const middle = (i.box.min[0] + i.box.max[0]) / 2
  const railMm = i.box.max[2] - rimOf(hangs)
  return {
    min: [middle - g.acrossMm / 2, i.box.min[1], railMm - (g.tallMm - rimOf(g))],
    max: [middle + g.acrossMm / 2, i.box.min[1] + g.deepMm, railMm + rimOf(g)],
  }
}

/** Which places of a build that hangs by rims take which totes under a door that rolls up over it. */
export function placesByDoor(
  { shaped, goods }: Pick<BuildReading, 'shaped' | 'goods'>,
  at: { frame: Frame; wall: WallLine; door: Feature },
  totes: readonly Goods[],
): PlaceByDoor[] {
  const sizes = totes.filter((g) => g.tote !== null)
  const deepest = Math.max(0, ...sizes.map((g) => g.deepMm))
  return shaped.assembly.bays.flatMap((b): PlaceByDoor[] => {
    const [first] = b.items
    const hangs = first && goods.get(first.goodsId)
    if (b.holds !== 'rim' || !hangs) return []
    const look = (box: Box) => {
      const item: Placed = { ...first, box }
      const body = solidsOf(at.frame, { ...shaped.assembly, parts: [], motions: [], bays: [{ ...b, items: [item] }] })
      return underDoor(at.wall, at.door, body.goods[0].body)
    }
    const wide = b.clear.max[0] - b.clear.min[0]
    // As tall as it could hang: down to the floor.
    const railMm = first.box.max[2] - rimOf(hangs)
    const tall = { ...hangs, deepMm: Math.max(deepest, hangs.deepMm), tallMm: railMm + rimOf(hangs) }
    const most = look(insteadOf(first, hangs, tall))
    if (!most) return []
    return [
      {
        bay: b.id,
        name: b.name,
        tallestMm: most.tallMm,
        sizes: sizes.map((g) => {
          const seen = g.acrossMm <= wide ? look(insteadOf(first, hangs, g)) : null
          return { goodsId: g.id, gapMm: seen?.gapMm ?? null, clears: seen !== null && seen.gapMm >= DOOR_SPARE_MM }
        }),
      },
    ]
  })
}
