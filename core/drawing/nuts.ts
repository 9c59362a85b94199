import { partsById } from '../assembly/by-id.ts'
import { fastenersIn } from '../assembly/fasteners-in.ts'
import type { Assembly, Part } from '../assembly/assembly.ts'
import { partBox } from '../assembly/part-box.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import { WASHER_MM, washerFor } from '../catalogue/steel.ts'
import type { TurnedBox } from '../geometry/box.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { circle } from './solid.ts'

/*
 * Nuts and washers of what hangs on rods, where they sit: under what a rod carries, over what it hangs from. Fasteners
 * are no parts; these are large enough to be looked for.
 *
 *      ▄▆▄   two nuts and a washer       ▆▆
 *   ━━━━┃━━━ the piece over which       ━━┃━━  a piece on the rod:
 *       ┃    the rod hangs              ▄▆▄    washer and nut under it, the other nut over it
 */

/** Across the flats of a nut, times its thread: ISO 4032, M6 to M12 are 1.5 to 1.67. */
const FLATS = 1.6
const CORNERS = FLATS / Math.cos(Math.PI / 6)

/** What stands round the line of a rod, upright, its outline across it. */
const round = ([x, y]: readonly [number, number], fromMm: number, highMm: number, outline: Outline): TurnedBox => {
  const wide = 2 * Math.max(...outline.map(([u]) => Math.abs(u)))
  return {
    centre: [x, y, fromMm + highMm / 2],
    along: [1, 0, 0],
    across: [0, 1, 0],
    size: [wide, wide, highMm],
    outline,
  }
}
type Outline = NonNullable<TurnedBox['outline']>

/** Solids of the nuts and washers on each upright rod, by the rod's id. */
export function nutsOf(a: Assembly): Map<string, TurnedBox[]> {
  const found = new Map<string, TurnedBox[]>()
  const byId = partsById(a)
  const isRod = (p: Part) => p.stock.kind === 'steel' && p.role === 'rod' && Math.abs(p.at.along[2]) > 0.99
  for (const j of a.joints) {
    const nut = j.fasteners.map((f) => findScrew(f.fastener)).find((f) => f?.kind === 'nut')
    const [near, far] = [byId.get(j.near), byId.get(j.far)]
    const rod = near && isRod(near) ? near : far && isRod(far) ? far : null
    if (!nut || !near || !far || !rod) continue
    const other = rod === near ? far : near
    const line: readonly [number, number] = [rod.at.centre[0], rod.at.centre[1]]
    const hexagon = circle(CORNERS * nut.diameterMm, CORNERS * nut.diameterMm, 6)
    const put = (fromMm: number, highMm: number, outline: Outline = hexagon) =>
      found.set(rod.id, [...(found.get(rod.id) ?? []), round(line, fromMm, highMm, outline)])
    if (isRod(other)) {
      const meet: Vec3 = partBox(rod).min[2] < partBox(other).min[2] ? partBox(rod).max : partBox(rod).min
      put(meet[2] - nut.lengthMm / 2, nut.lengthMm)
      continue
    }
    const wide = washerFor({ system: nut.system, diameterMm: nut.diameterMm })?.outerMm ?? 2 * FLATS * nut.diameterMm
    const washer = circle(wide, wide)
    const { min, max } = partBox(other)
    const count = fastenersIn([j])
    const over = rod === near
    put(over ? max[2] : min[2] - WASHER_MM, WASHER_MM, washer)
    if (over) for (let i = 0; i < count; i++) put(max[2] + WASHER_MM + i * nut.lengthMm, nut.lengthMm)
    else {
      put(min[2] - WASHER_MM - nut.lengthMm, nut.lengthMm)
      for (let i = 1; i < count; i++) put(max[2] + (i - 1) * nut.lengthMm, nut.lengthMm)
    }
  }
  return found
}
