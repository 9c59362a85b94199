import type { Bay, Motion, Part } from '../assembly/assembly.ts'
import { movedPart, movedPoint, movedWay, opens, partly } from '../assembly/moved.ts'
import { profileBox } from '../assembly/part-box.ts'
import { penetration, type Box, type TurnedBox } from '../geometry/box.ts'
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
}

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
  let worst = { id: '', mm: -Infinity }
  for (let i = 0; i <= STEPS; i++) {
    const there = partly(m, i / STEPS)
    const here = [
      ...moving.map((p) => profileBox(movedPart(there, p))),
      ...carried.map(({ solid }) => ({
        ...solid,
        centre: movedPoint(there, solid.centre),
        along: movedWay(there, solid.along),
        across: movedWay(there, solid.across),
      })),
    ]
    for (const o of others)
      for (const solid of here) {
        const mm = penetration(solid, o.solid)
        if (mm > worst.mm) worst = { id: o.id, mm }
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
    const parts: Thing[] = a.parts
      .filter((p) => p.stock.kind !== 'bought')
      .map((p) => ({ id: p.id, solid: profileBox(p) }))
    const things = (bays: readonly Bay[]): Thing[] =>
      bays.flatMap((b) => b.items.map((i) => ({ id: i.goodsId, solid: boxed(i.box) })))
    return a.motions.map((m) => {
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
        code: hit ? 'opens-past-piece' : 'opens-past-goods',
        quantity: 'length',
        subject: m.id,
        demand: Math.max(0, worst.mm),
        capacity: TOUCH_MM,
        covers: opens(m) ? [] : [m.id],
        parts: [m.parts[0], ...(hit ? [hit.id] : [])],
        data: {
          role: moving[0].role,
          other: hit?.role ?? '',
          goods: hit ? '' : worst.id,
          byMm: Math.max(0, worst.mm),
        },
      })
    })
  },
})
