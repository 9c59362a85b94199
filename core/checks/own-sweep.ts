import type { Motion, Part } from '../assembly/assembly.ts'
import { movedPart } from '../assembly/moved.ts'
import { turnedBox } from '../assembly/part-box.ts'
import { penetration, type Box, type TurnedBox } from '../geometry/box.ts'
import { mid, sub, scale } from '../geometry/vec.ts'
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

/** A motion done in part. */
const partly = (m: Motion, share: number): Motion =>
  m.kind === 'slide' ? { ...m, by: scale(m.by, share) } : { ...m, byRad: m.byRad * share }

/** How deep what moves reaches into the worst of what stands still, and what that is. */
function worstOnTheWay(m: Motion, moving: readonly Part[], others: readonly Thing[]): { id: string; mm: number } {
  let worst = { id: '', mm: -Infinity }
  for (let i = 0; i <= STEPS; i++) {
    const here = moving.map((p) => turnedBox(movedPart(partly(m, i / STEPS), p)))
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
      .map((p) => ({ id: p.id, solid: turnedBox(p) }))
    const goods: Thing[] = a.bays.flatMap((b) => b.items.map((i) => ({ id: i.goodsId, solid: boxed(i.box) })))
    return a.motions.map((m) => {
      const moving = a.parts.filter((p) => m.parts.includes(p.id))
      const worst = worstOnTheWay(m, moving, [...parts.filter((p) => !m.parts.includes(p.id)), ...goods])
      const hit = a.parts.find((p) => p.id === worst.id)
      return measured({
        check: 'own-sweep',
        link: 'whole',
        code: hit ? 'opens-past-piece' : 'opens-past-goods',
        quantity: 'length',
        subject: m.id,
        demand: Math.max(0, worst.mm),
        capacity: TOUCH_MM,
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
