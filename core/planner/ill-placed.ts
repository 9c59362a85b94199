import { usualThing } from '../catalogue/find-usual.ts'
import { usualCare } from '../catalogue/usual-care.ts'
import { isPluggedIn } from '../catalogue/usual-plugged.ts'
import { CORD_MM, FROM_FLAME_MM } from '../checks/in-the-room/keeping.ts'
import type { Convex } from '../geometry/convex.ts'
import { burns, runsOut } from '../goods/care.ts'
import type { Goods } from '../goods/goods.ts'
import { BODY } from '../goods/person.ts'
import type { Project } from '../project/project.ts'
import type { Outline } from '../room/outline.ts'
import { cordWayMm, nearestFeature } from '../room/near-feature.ts'

/*
 * Where a thing stands badly in a room, though the build under it holds: things with a plug far from every outlet, paint
 * and what else burns over the eyes or beside a flame.
 */

type IllPlaced = 'far-from-outlet' | 'over-eyes' | 'near-flame'

/** Things kept less well than they could be: in a way that is only possible for them, in the open, or in a bad place. */
export interface LessWell {
  goodsId: string
  why: 'makeshift' | 'open' | IllPlaced
  count: number
}

/**
 * What is bad about the place of a thing, the worst of it; null where nothing is.
 * @param body the thing, in the room
 */
export function illPlaced(g: Goods, body: Convex, p: Project, o: Outline): IllPlaced | null {
  const from = (...kinds: Parameters<typeof nearestFeature>[1]) => nearestFeature(body, kinds, p.room.features, o)?.mm
  const charges = g.care.includes('charging')
  // Where no outlet was surveyed nobody knows.
  const far = () => (nearestFeature(body, ['outlet'], p.room.features, o, cordWayMm)?.mm ?? 0) > CORD_MM
  const runs = g.kind === 'equipment' && g.often !== 'seldom' && isPluggedIn(g.name)
  if ((charges || runs) && far()) return 'far-from-outlet'
  const isTin = g.kind === 'pail' && mayHoldPaint(g.name)
  const leaks = isTin || runsOut(g.care)
  if (leaks && body.max[2] > BODY.eye * p.settings.personMm) return 'over-eyes'
  const spoiltByHeat = isTin || burns(g.care) || g.care.includes('heat')
  return spoiltByHeat && (from('water-heater', 'furnace') ?? Infinity) < FROM_FLAME_MM ? 'near-flame' : null
}

/** A pail holds paint or the like until its name says that it is something else. */
const mayHoldPaint = (name: string): boolean => usualCare(name).length > 0 || !usualThing(name)
