import { partFeet } from '../assembly/feet.ts'
import { goodsWeights, selfWeights } from '../assembly/weights.ts'
import { boxUnion } from '../geometry/box.ts'
import { pinsDown, pinWeights } from './pins-down.ts'
import { tiesPulled, TIE_SOURCE } from './ties.ts'
import { defineCheck, measured, plain, type CheckResult } from './check.ts'

/** Rigid component on the ground floor, of no special importance: ASCE 7-16 table 13.5-1 and 13.1.3. */
const AP = 1.0
const RP = 2.5
const IP = 1.0

/**
 * Sideways force on something that stands in a building: Fp = 0.4·ap·SDS·Wp·(1 + 2z/h)/(Rp/Ip), 0.3 to 1.6·SDS·Ip·Wp.
 * ASCE 7-16 13.3-1 to 13.3-3; z/h = 0 at the ground.
 */
export const seismicShare = (sds: number, heightShare = 0): number =>
  Math.min(1.6 * sds * IP, Math.max(0.3 * sds * IP, (0.4 * AP * sds * (1 + 2 * heightShare)) / (RP / IP)))

/**
 * Share of the dead weight that resists while it shakes up and down as well: (0.9 − 0.2·SDS)·D with E, ASCE 7-16 2.3.6
 * and 12.4.2.2.
 */
export const restingShare = (sds: number): number => Math.max(0, 0.9 - 0.2 * sds)

const FREE = 'Fp × height ≤ (0.9 − 0.2·SDS) × restoring moment'

/** An earthquake by the simplified component method, where the project reckons with one. */
export const earthquake = defineCheck({
  id: 'earthquake',
  reads: ['assembly', 'settings', 'method', 'space'],
  run({ assembly, settings, method, space }): CheckResult[] {
    const sds = settings.seismicG
    const feet = partFeet(assembly).map((s) => s.contact)
    if (!sds || feet.length === 0) return []
    const given = { check: 'earthquake', link: 'whole' as const, quantity: 'force' as const, subject: 'build' }
    const items = assembly.bays.filter((b) => b.carriers.length > 0).flatMap((b) => b.items)
    if (items.some((i) => i.massKg === null))
      return [plain({ ...given, code: 'unknown-not-weighed', state: 'unknown' })]
    const weights = [...selfWeights(assembly), ...goodsWeights(assembly)]
    const share = seismicShare(sds)
    const foot = boxUnion(feet)
    const over = weights.reduce((s, w) => s + share * w.n * w.z, 0)
    const resting = restingShare(sds)
    const about = (arm: (w: (typeof weights)[number]) => number) =>
      resting * weights.reduce((s, w) => s + w.n * arm(w), 0)
    const pins = pinsDown(assembly, { method, settings })
    /** What feet held down add about an edge; nothing while nobody knows it. */
    const held = (arm: (x: number, y: number) => number) =>
      (pinWeights(pins, (x) => arm(x.at[0], x.at[1])) ?? []).reduce((s, w) => s + w.n * arm(w.x, w.y), 0)
    const forward = (_x: number, y: number) => foot.max[1] - y
    const backward = (_x: number, y: number) => y - foot.min[1]
    const restoring = Math.min(
      ...(space.away ? [forward, backward] : [forward]).map((arm) => about((w) => arm(w.x, w.y)) + held(arm)),
    )
    const inputs = [
      { symbol: 'SDS', value: sds, quantity: 'ratio' as const, source: 'project setting; ask locally' },
      {
        symbol: 'Fp / Wp',
        value: share,
        quantity: 'ratio' as const,
        source: 'ASCE 7-16 13.3-1, ap 1.0, Rp 2.5, Ip 1.0, z/h 0',
      },
      { symbol: 'overturning', value: over, quantity: 'moment' as const },
      {
        symbol: '0.9 − 0.2·SDS',
        value: resting,
        quantity: 'ratio' as const,
        source: 'ASCE 7-16 2.3.6 and 12.4.2.2: it shakes up and down as well',
      },
      { symbol: 'that share of the restoring moment', value: restoring, quantity: 'moment' as const },
    ]
    const ties = assembly.anchors.filter((x) => x.into !== 'slab' && x.holds.includes('y'))
    const each = tiesPulled(assembly, { method, settings })
    const lost = each.find((e) => e.n === null)
    const height = ties.length > 0 ? Math.min(...ties.map((x) => x.at[2])) : 0
    const need = ties.length > 0 ? Math.max(0, over - restoring) / height : 0
    const working = {
      formula: 'tie force = (Fp·height − (0.9 − 0.2·SDS)·restoring) / height of tie',
      inputs,
      source: 'ASCE 7-16 chapter 13, simplified',
    }
    // Along the wall nothing but its own width is counted on: screws that hold it to the wall are not looked at
    // sideways.
    const along = measured({
      ...given,
      subject: 'along',
      quantity: 'moment',
      code: 'quake-along',
      demand: over,
      capacity: Math.min(
        about((w) => w.x - foot.min[0]) + held((x) => x - foot.min[0]),
        about((w) => foot.max[0] - w.x) + held((x) => foot.max[0] - x),
      ),
      data: { sds },
      working: { ...working, formula: `${FREE}, about its left or right feet` },
    })
    // Feet are held down by what nobody has rated, and without it the build falls.
    const falls = [
      { missing: over - restoring, mm: foot.max[1] - foot.min[1] },
      { missing: over - along.capacity!, mm: foot.max[0] - foot.min[0] },
    ].filter((x) => x.missing > 0)
    if (pins.some((p) => p.n === null) && falls.length > 0) {
      const needN = Math.max(...falls.map((x) => x.missing / Math.max(1, x.mm)))
      const data = { needN, count: pins.length, into: 'slab', weakest: 'rated' }
      const held = pins.map((p) => p.anchor.part)
      return [plain({ ...given, code: 'unknown-anchor', state: 'unknown', demand: needN, parts: held, data })]
    }
    if (ties.length === 0)
      return [
        measured({
          ...given,
          quantity: 'moment',
          code: 'quake-free',
          demand: over,
          capacity: restoring,
          data: { sds },
          working: { ...working, formula: FREE },
        }),
        along,
      ]
    if (lost)
      return [
        plain({
          ...given,
          code: 'unknown-anchor',
          state: 'unknown',
          demand: need,
          parts: [lost.anchor.part],
          data: { needN: need, count: ties.length, into: lost.anchor.into, weakest: lost.weakest },
        }),
        along,
      ]
    const weakest = each.reduce((x, y) => (y.n! < x.n! ? y : x))
    const one = {
      symbol: 'one tie',
      value: weakest.n!,
      quantity: 'force' as const,
      source: TIE_SOURCE[weakest.weakest],
    }
    return [
      measured({
        ...given,
        code: 'quake-tied',
        demand: need,
        capacity: weakest.n! * ties.length,
        parts: [weakest.anchor.part],
        data: { sds, needN: need, count: ties.length, weakest: weakest.weakest },
        working: { ...working, inputs: [...inputs, one] },
      }),
      along,
    ]
  },
})
