import type { Convex } from '../geometry/convex.ts'
import type { Goods } from '../goods/goods.ts'
import { BODY } from '../goods/person.ts'
import { onPlan, type Outline } from '../room/outline.ts'
import type { Project } from '../project/project.ts'

/*
 * Where a thing stands badly in a room, though the build under it holds: things with a plug far from every outlet, paint
 * over the eyes or beside what burns.
 */

/** Cord of a household machine, mm: six feet. Product decision. */
const CORD_MM = 1800
/** What gives off vapour stands no nearer to a flame or a burner, mm. Product decision; local codes say more. */
const FROM_FLAME_MM = 1000

const middle = (b: Convex): [number, number] => [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2]

/** How far a thing is from the nearest of some kinds of feature on the plan, mm; Infinity where there is none. */
function fromFeature(body: Convex, kinds: readonly string[], p: Project, o: Outline): number {
  const [x, y] = middle(body)
  return p.room.features.reduce((least, f) => {
    const w = kinds.includes(f.kind) ? o.walls.find((l) => l.wall.id === f.wallId) : undefined
    if (!w) return least
    const [fx, fy] = onPlan(w, f.atMm + f.wideMm / 2, f.outMm + f.deepMm / 2)
    return Math.min(least, Math.hypot(x - fx, y - fy))
  }, Infinity)
}

/** @param body the thing, in the room */
export function isIllPlaced(g: Goods, body: Convex, p: Project, o: Outline): boolean {
  if (g.kind === 'equipment' && g.often !== 'seldom') {
    const outlet = fromFeature(body, ['outlet'], p, o)
    // Where no outlet was surveyed nobody knows.
    return outlet < Infinity && outlet > CORD_MM + (body.max[0] - body.min[0]) / 2
  }
  if (g.kind !== 'pail') return false
  return (
    body.max[2] > BODY.eye * p.settings.personMm ||
    fromFeature(body, ['water-heater', 'furnace'], p, o) < FROM_FLAME_MM + (body.max[0] - body.min[0]) / 2
  )
}
