import type { Bay, Motion, Part } from '../assembly/assembly.ts'
import { movedPart, movedPoint, movedWay, opens, partly } from '../assembly/moved.ts'
import { profileBox } from '../assembly/part-box.ts'
import { boxOverlap, boxUnion, extents, penetration, type Box, type TurnedBox } from '../geometry/box.ts'
import { mid, sub } from '../geometry/vec.ts'
import { defineCheck, measured, type CheckResult } from './check.ts'

/*
 * What opens against its own build: on the way of a leaf, a lid or a drawer no other piece, no thing in a bay and no
 * other leaf, shut, may be.
 */

/** Reaching this little into each other is touching, mm. */
const TOUCH_MM = 0.5
/** Places on the way that are looked at: five degrees apart on a quarter turn. */
const STEPS = 18

interface Thing {
  id: string
  solid: TurnedBox
  /** The upright box around it. */
  around: Box
}
const thing = (id: string, solid: TurnedBox): Thing => ({ id, solid, around: extents(solid) })

const boxed = (b: Box): TurnedBox => ({
  centre: mid(b.min, b.max),
  along: [1, 0, 0],
  across: [0, 1, 0],
  size: sub(b.max, b.min),
})

/** How deep what moves, and what stands in it, reaches into the worst of what stands still, and what that is. */
function worstOnTheWay(
  m: Motion,
  moving: readonly Part[],
  carried: readonly Thing[],
  others: readonly Thing[],
): { id: string; mm: number } {
  let worst = { id: '', mm: 0 }
  for (let i = 0; i <= STEPS; i++) {
    const there = partly(m, i / STEPS)
    const here = [
      ...moving.map((p) => thing(p.id, profileBox(movedPart(there, p)))),
      ...carried.map(({ id, solid }) =>
        thing(id, {
          ...solid,
          centre: movedPoint(there, solid.centre),
          along: movedWay(there, solid.along),
          across: movedWay(there, solid.across),
        }),
      ),
    ]
    // Most lies nowhere near.
    const all = boxUnion(here.map((x) => x.around))
    for (const o of others) {
      if (!boxOverlap(all, o.around)) continue
      for (const { solid, around } of here) {
        if (!boxOverlap(around, o.around)) continue
        const mm = penetration(solid, o.solid)
        if (mm > worst.mm) worst = { id: o.id, mm }
      }
    }
  }
  return worst
}

export const ownSweep = defineCheck({
  id: 'own-sweep',
  reads: ['assembly'],
  run({ assembly: a }): CheckResult[] {
    if (a.motions.length === 0) return []
    // Fittings give way: a hinge moves with its leaf.
    const parts: Thing[] = a.parts.filter((p) => p.stock.kind !== 'bought').map((p) => thing(p.id, profileBox(p)))
    const things = (bays: readonly Bay[]): Thing[] =>
      bays.flatMap((b) => b.items.map((i) => thing(i.goodsId, boxed(i.box))))
    const ofMotion = (m: Motion): CheckResult => {
      const goesAlong = (b: Bay) => b.carriers.some((c) => m.parts.includes(c))
      const goods = things(a.bays.filter((b) => !goesAlong(b)))
      const moving = a.parts.filter((p) => m.parts.includes(p.id))
      // What is put on or taken off is empty then, and takes along what is fixed to it.
      const still = parts.filter((p) => !m.parts.includes(p.id))
      const carried = opens(m) ? things(a.bays.filter(goesAlong)) : []
      const worst = worstOnTheWay(m, moving, carried, opens(m) ? [...still, ...goods] : still)
      const hit = a.parts.find((p) => p.id === worst.id)
      return measured({
        check: 'own-sweep',
        link: 'whole',
        code: !opens(m) ? 'comes-off' : worst.id !== '' && !hit ? 'opens-past-goods' : 'opens-past-piece',
        quantity: 'length',
        subject: m.id,
        demand: worst.mm,
        capacity: TOUCH_MM,
        covers: opens(m) ? [] : [m.id],
        parts: [m.parts[0], ...(hit ? [hit.id] : [])],
        data: { role: moving[0].role, other: hit?.role ?? '', goods: hit ? '' : worst.id, byMm: worst.mm },
      })
    }
    // All that is taken off is one question: the hardest of them answers for all.
    const off = a.motions.filter((m) => !opens(m)).map(ofMotion)
    const hardest = off.reduce<CheckResult | null>((w, r) => (w && w.demand! >= r.demand! ? w : r), null)
    return [
      ...a.motions.filter(opens).map(ofMotion),
      ...(hardest ? [{ ...hardest, covers: off.flatMap((r) => r.covers) }] : []),
    ]
  },
})
