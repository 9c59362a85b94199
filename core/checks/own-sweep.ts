import type { Motion } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { inLineWith } from '../assembly/in-line.ts'
import { movedPoint, movedWay, opens, partly } from '../assembly/moved.ts'
import { profileBox, runsSquare } from '../assembly/part-box.ts'
import { boxUnion, extents, penetration, sharesMoreThan, type Box, type TurnedBox } from '../geometry/box.ts'
import { add, mid, sub, type Vec3 } from '../geometry/vec.ts'
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
  /** It is that box. */
  square: boolean
  /** Itself, or what it stands on. */
  by: readonly string[]
}
const thing = (id: string, solid: TurnedBox, by: readonly string[]): Thing => ({
  id,
  solid,
  by,
  around: extents(solid),
  square: !solid.outline && runsSquare(solid.along) && runsSquare(solid.across),
})

const boxed = (b: Box): TurnedBox => ({
  centre: mid(b.min, b.max),
  along: [1, 0, 0],
  across: [0, 1, 0],
  size: sub(b.max, b.min),
})

/** A thing once a motion is done: what goes straight keeps its shape. */
function movedThing(m: Motion, t: Thing): Thing {
  const { solid, around } = t
  const there = { ...solid, centre: movedPoint(m, solid.centre) }
  if (m.kind === 'swing')
    return thing(t.id, { ...there, along: movedWay(m, solid.along), across: movedWay(m, solid.across) }, t.by)
  const by = sub(there.centre, solid.centre)
  return { ...t, solid: there, around: { min: add(around.min, by), max: add(around.max, by) } }
}

/** Shares of a way that are looked at. */
const SHARES = Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS)
/** Shares between which all goes straight, and no further than at these: what else lies nowhere near is known by them. */
const cornersOf = (m: Motion): number[] =>
  m.kind === 'swing' ? SHARES : m.kind === 'slide' ? [0, 1] : m.by.map((_v, i) => (i + 1) / m.by.length).concat(0)

/**
 * How deep what moves reaches into the worst of what stands still, and what that is.
 * @param moving its pieces and what stands in it, at rest. @param stays whether a thing is none of these
 */
function worstOnTheWay(
  m: Motion,
  moving: readonly Thing[],
  others: readonly Thing[],
  stays: (t: Thing) => boolean,
  letIn: ReadonlySet<string>,
): { id: string; mm: number } {
  let worst = { id: '', mm: 0 }
  const straight = m.kind === 'slide' && m.by.filter((mm) => mm !== 0).length === 1 ? m.by : null
  const corners = cornersOf(m).map((share) => partly(m, share))
  const ways = m.kind === 'swing' ? [] : corners.map((by) => movedPoint(by, ORIGIN))
  const all = moving.map((t) => {
    const turns = m.kind === 'swing' ? corners.map((by) => movedThing(by, t)) : []
    return { t, turns, whole: m.kind === 'swing' ? boxUnion(turns.map((x) => x.around)) : swept(t.around, ways) }
  })
  // What shares no more with their way than it does when it touches lies nowhere near: most of the build.
  const around = boxUnion(all.map((x) => x.whole))
  const close = others.filter((o) => sharesMoreThan(around, o.around, TOUCH_MM) && stays(o))
  for (const { t, turns, whole } of all) {
    const near = close.filter((o) => {
      if (!sharesMoreThan(whole, o.around, TOUCH_MM) || letIn.has(`${t.id} ${o.id}`)) return false
      if (!straight || !t.square || !o.square) return true
      const mm = deepestAlong(t.around, o.around, straight)
      if (mm > Math.max(worst.mm, TOUCH_MM)) worst = { id: o.id, mm }
      return false
    })
    if (near.length === 0) continue
    for (const there of m.kind === 'swing' ? turns : SHARES.map((share) => movedThing(partly(m, share), t)))
      for (const o of near) {
        if (!sharesMoreThan(there.around, o.around, TOUCH_MM)) continue
        const mm = penetration(there.solid, o.solid, worst.mm)
        if (mm > worst.mm) worst = { id: o.id, mm }
      }
  }
  return worst
}

const ORIGIN: Vec3 = [0, 0, 0]

/** The box around a box in all these places. */
function swept({ min, max }: Box, ways: readonly Vec3[]): Box {
  const out: Box = { min: [Infinity, Infinity, Infinity], max: [-Infinity, -Infinity, -Infinity] }
  for (const by of ways)
    for (const i of [0, 1, 2]) {
      out.min[i] = Math.min(out.min[i], min[i] + by[i])
      out.max[i] = Math.max(out.max[i], max[i] + by[i])
    }
  return out
}

/** How deep a square box reaches into another where it does so most on its straight way along one axis, mm. */
function deepestAlong(a: Box, b: Box, by: Vec3): number {
  const shares = [0, 1, 2].map((i) => {
    const apart = (b.min[i] + b.max[i] - a.min[i] - a.max[i]) / 2
    // It stops, or passes, where the middles of both are nearest.
    const done = Math.min(Math.max(apart, Math.min(0, by[i])), Math.max(0, by[i]))
    return (a.max[i] - a.min[i] + b.max[i] - b.min[i]) / 2 - Math.abs(apart - done)
  })
  return Math.min(...shares)
}

const NOTHING: ReadonlySet<string> = new Set()

export const ownSweep = defineCheck({
  id: 'own-sweep',
  reads: ['assembly'],
  run({ assembly: a }): CheckResult[] {
    if (a.motions.length === 0) return []
    // Fittings give way: a hinge moves with its leaf.
    const parts: Thing[] = a.parts.flatMap((p) =>
      p.stock.kind === 'bought' ? [] : [thing(p.id, profileBox(p), [p.id])],
    )
    const things = new Map(parts.map((p) => [p.id, p]))
    const goods = a.bays.flatMap((b) => b.items.map((i) => thing(i.goodsId, boxed(i.box), b.carriers)))
    const all = [...parts, ...goods]
    const at = new Map(a.parts.map((p, i) => [p.id, i]))
    // What slides goes along in the groove of what it runs in, or is kept upright by.
    const slid = new Set(a.motions.flatMap((m) => (m.kind === 'slide' ? m.parts : [])))
    const byId = partsById(a)
    const runOf = (id: string) => inLineWith(byId.get(id)!, a.parts)
    const grooved = new Set(
      a.joints.flatMap((j) => {
        if (j.kind !== 'housed') return []
        const [own, on] = slid.has(j.far) ? [j.far, j.near] : [j.near, j.far]
        return slid.has(own) ? runOf(on).map((p) => `${own} ${p.id}`) : []
      }),
    )
    const ofMotion = (m: Motion): CheckResult => {
      const own = new Set(m.parts)
      const stays = (t: Thing) => !t.by.some((id) => own.has(id))
      // What is put on or taken off is empty then, and takes along what is fixed to it.
      const carried = opens(m) ? goods.filter((t) => !stays(t)) : []
      // What has gone before is no longer where it was, nor is what hangs on it.
      const gone = a.motions.filter((x) => m.kind === 'swing' && m.after?.includes(x.id))
      const there = (t: Thing): Thing => {
        const by = gone.find((x) => t.by.some((id) => x.parts.includes(id)))
        return by ? movedThing(by, t) : t
      }
      const others = opens(m) ? all : parts
      const letIn = m.kind === 'slide' ? grooved : NOTHING
      const moving = [...own].sort((x, y) => at.get(x)! - at.get(y)!).map((id) => byId.get(id)!)
      const atRest = [...moving.map((p) => things.get(p.id) ?? thing(p.id, profileBox(p), [p.id])), ...carried]
      const worst = worstOnTheWay(m, atRest, gone.length === 0 ? others : others.map(there), stays, letIn)
      const hit = byId.get(worst.id)
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
        data: {
          role: m.kind === 'slide' && own.size > 1 ? 'drawer' : moving[0].role,
          other: hit?.role ?? '',
          goods: hit ? '' : worst.id,
          byMm: worst.mm,
        },
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
