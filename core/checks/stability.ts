import { isFoot } from '../assembly/feet.ts'
import type { Anchor, Assembly, Motion } from '../assembly/assembly.ts'
import { massCentre, partMassKg } from '../assembly/mass.ts'
import { movedPoint, opens } from '../assembly/moved.ts'
import { wholeBox } from '../assembly/part-box.ts'
import { goodsWeights, selfWeights, type Weight } from '../assembly/weights.ts'
import { boxUnion } from '../geometry/box.ts'
import { mid, type Vec3 } from '../geometry/vec.ts'
import { newtons } from '../measure/units.ts'
import { pinsDown, pinWeights } from './pins-down.ts'
import { tiesPulled, TIE_SOURCE } from './ties.ts'
import { defineCheck, measured, notWeighed, plain, type CheckResult, type Input } from './check.ts'

/** A child's pull at the top edge, N, and the height it reaches at most, mm. Product decision. */
export const PULL_N = 220
export const PULL_REACH_MM = 1500
/** Share of every weight that acts sideways: floors slope, posts lean, goods are slid about. Product decision. */
export const LEAN = 0.05
/** Restoring over overturning moment wanted with the worst partial filling, and under the pull. Product decision. */
export const SAFETY_FILLED = 1.5
const SAFETY_PULL = 1

/**
 * Weights with whatever opens standing where it stands furthest out, what is in drawers with them; null when nothing
 * opens.
 */
function openedWeights(a: Assembly): { self: Weight[]; goods: Weight[] } | null {
  const motions = a.motions.filter(opens)
  if (motions.length === 0) return null
  const motionOf = new Map(motions.flatMap((m) => m.parts.map((id) => [id, m] as const)))
  const out = (m: Motion | undefined, at: Vec3): Vec3 => {
    const to = m ? movedPoint(m, at) : at
    return to[1] > at[1] ? to : at
  }
  const weight = (n: number, at: Vec3): Weight => ({ n, x: at[0], y: at[1], z: at[2] })
  return {
    self: a.parts.map((p) => weight(newtons(partMassKg(p)), out(motionOf.get(p.id), massCentre(p)))),
    goods: a.bays
      .filter((b) => b.carriers.length > 0)
      .flatMap((b) => {
        const m = b.carriers.map((c) => motionOf.get(c)).find((x) => x !== undefined)
        return b.items.map(({ massKg, box: { min, max } }) => weight(newtons(massKg ?? 0), out(m, mid(min, max))))
      }),
  }
}

/** Edges of what stands on the floor. */
function feet(a: Assembly): { back: number; front: number; left: number; right: number } {
  const standing = a.supports.filter(isFoot).map((s) => s.contact)
  const b = boxUnion(standing)
  return { back: b.min[1], front: b.max[1], left: b.min[0], right: b.max[0] }
}

/**
 * The filling that stands worst: what adds less restoring than overturning moment (weighted) goes in, the rest stays
 * out; repeated until it settles.
 * @returns both moments, N·mm
 */
export function worstFilling<W>(
  self: readonly W[],
  goods: readonly W[],
  arm: (w: W) => number,
  lean: (w: W) => number,
): { restoring: number; overturning: number } {
  const sum = (list: readonly W[], of: (w: W) => number) => list.reduce((s, w) => s + of(w), 0)
  let ratio = Infinity
  let chosen = self
  for (let i = 0; i < 6; i++) {
    chosen = [...self, ...goods.filter((w) => arm(w) < ratio * lean(w))]
    const next = sum(chosen, arm) / sum(chosen, lean)
    if (Math.abs(next - ratio) < 1e-9) break
    ratio = next
  }
  return { restoring: sum(chosen, arm), overturning: sum(chosen, lean) }
}

/** A wall between floor and ceiling neither stands by itself nor falls: `pushed` asks what keeps it there. */
const dividesRoom = (a: Assembly): boolean => a.subassemblies.some((s) => s.tags?.use === 'divides')
const heldAbove = (of: Pick<CheckResult, 'check' | 'quantity' | 'code'> & { subject: string }): CheckResult =>
  plain({ ...of, link: 'whole', state: 'not-applicable' })

/** Whether an anchor keeps a build from falling forward: one into a wall beside it may hold it along the other only. */
const keepsUpright = (x: Anchor): boolean => !x.side || x.holds.includes('y')

export const slenderness = defineCheck({
  id: 'slenderness',
  reads: ['assembly', 'boxes', 'settings'],
  run({ assembly, boxes, settings }): CheckResult[] {
    if (!assembly.supports.some(isFoot)) return []
    if (dividesRoom(assembly))
      return [heldAbove({ check: 'slenderness', code: 'slender-held', subject: 'build', quantity: 'ratio' })]
    const { back, front, left, right } = feet(assembly)
    const deep = Math.min(front - back, right - left)
    const high = wholeBox(boxes).max[2]
    const given = {
      check: 'slenderness',
      link: 'whole' as const,
      quantity: 'ratio' as const,
      subject: 'build',
      data: { highMm: high, deepMm: deep, most: settings.slenderness },
    }
    const held = assembly.anchors.filter(keepsUpright)
    if (held.length > 0) {
      const pinned = held.every((x) => x.into === 'slab')
      return [plain({ code: pinned ? 'slender-pinned' : 'slender-tied', state: 'not-applicable', ...given })]
    }
    return [
      measured({
        ...given,
        code: 'slender',
        demand: high / deep,
        capacity: settings.slenderness,
        working: {
          formula: 'height / depth of the feet, or their width where that is less ≤ limit',
          inputs: [
            { symbol: 'height', value: high, quantity: 'length' },
            { symbol: 'depth', value: deep, quantity: 'length' },
            {
              symbol: 'limit',
              value: settings.slenderness,
              quantity: 'ratio',
              source: 'project setting; industrial rack is tied from 6 (ANSI MH16.1)',
            },
          ],
          source: 'project setting',
        },
      }),
    ]
  },
})

/**
 * Tipping over the front feet, over the rear ones where nothing is behind it, and over those at an end: leaning under the
 * worst partial filling, and pulled at the top edge.
 */
export const tipOver = defineCheck({
  id: 'tip-over',
  reads: ['assembly', 'boxes', 'settings', 'method', 'goods', 'space'],
  run({ assembly, boxes, settings, method, goods, space }): CheckResult[] {
    if (!assembly.supports.some(isFoot)) return []
    if (dividesRoom(assembly))
      return [heldAbove({ check: 'tip-over', code: 'held-above', subject: 'pull', quantity: 'moment' })]
    const { back, front, left, right } = feet(assembly)
    const self = selfWeights(assembly)
    const goodsIn = goodsWeights(assembly)
    const unweighed = assembly.bays.flatMap((b) =>
      b.carriers.length > 0 ? b.items.filter((i) => i.massKg === null) : [],
    )
    const lean = (w: Weight) => LEAN * w.n * w.z
    const pins = pinsDown(assembly, { method, settings })
    const pinIds = pins.map((p) => p.anchor.id)
    /** About one edge: what stands and what is held down, as weights; pins nobody knows hold nothing. */
    const about = (way: 'forward' | 'backward' | 'sideways', fromEdge: (x: number, y: number) => number) => ({
      way,
      over: (w: Weight) => w.n * fromEdge(w.x, w.y),
      pinned: pinWeights(pins, (x) => fromEdge(x.at[0], x.at[1])) ?? [],
    })
    const forward = about('forward', (_x, y) => front - y)
    const arm = forward.over
    // Forward, or sideways where it is narrow; ties to the wall behind keep it from that. What those beside it give is not
    // asked here: it is judged as if they were not there.
    const sideways = assembly.anchors.some((x) => x.holds.includes('x') && !x.side)
      ? []
      : [about('sideways', (x) => x - left), about('sideways', (x) => right - x)]
    const acrosses = space.away ? [forward, about('backward', (_x, y) => y - back)] : [forward]
    const ways = [...acrosses, ...sideways].map((w) => ({
      ...w,
      ...worstFilling([...self, ...w.pinned], goodsIn, w.over, lean),
    }))
    const worstWay = ways.reduce((a, b) => (b.restoring / b.overturning < a.restoring / a.overturning ? b : a))
    const { restoring, overturning } = worstWay
    const results: CheckResult[] = []
    const given = { check: 'tip-over', link: 'whole' as const, quantity: 'moment' as const }
    /** What must be held down is not known to be. */
    const pinsUnknown = (subject: string, missingNmm: number): CheckResult => {
      const needN = missingNmm / Math.max(1, front - Math.min(...pins.map((p) => p.anchor.at[1])))
      return plain({
        ...given,
        quantity: 'force',
        code: 'unknown-anchor',
        subject,
        state: 'unknown',
        demand: needN,
        data: { needN, count: pins.length, into: 'slab', weakest: 'rated' },
        parts: pins.map((p) => p.anchor.part),
        covers: pinIds,
      })
    }
    const pinsLost = pins.some((p) => p.n === null)
    if (unweighed.length > 0) results.push(notWeighed({ ...given, subject: 'filled' }, unweighed[0].goodsId, goods))
    else if (pinsLost && restoring < SAFETY_FILLED * overturning)
      results.push(pinsUnknown('filled', SAFETY_FILLED * overturning - restoring))
    else
      results.push(
        measured({
          code: 'tip-filled',
          subject: 'filled',
          demand: overturning * SAFETY_FILLED,
          capacity: restoring,
          covers: pinIds,
          data: { safety: restoring / overturning, wanted: SAFETY_FILLED, way: worstWay.way, pins: pins.length },
          working: {
            formula:
              'restoring moment / overturning moment ≥ 1.5, about the front feet, the rear ones where nothing is behind it, or those at an end, whichever is worst, with those goods in that make it worst',
            inputs: [
              ...(pins.length > 0 ? [pinned(sum(worstWay.pinned, worstWay.over))] : []),
              { symbol: 'restoring', value: restoring, quantity: 'moment' },
              {
                symbol: 'overturning',
                value: overturning,
                quantity: 'moment',
                source: `${LEAN} of every weight sideways at its height: product decision`,
              },
            ],
            source: 'moment balance; goods only where they make it worse',
          },
          ...given,
        }),
      )

    const opened = openedWeights(assembly)
    if (opened && unweighed.length === 0) {
      // Every leaf open and every drawer out, with those goods in that make it worst; ties hold what is missing.
      const worst = worstFilling([...opened.self, ...forward.pinned], opened.goods, arm, lean)
      const gives = tiesPulled(assembly, { method, settings })
      const lowest = Math.min(...gives.map((g) => g.anchor.at[2]))
      const tied = gives.length === 0 ? 0 : Math.min(...gives.map((g) => g.n ?? 0)) * lowest * gives.length
      const missing = SAFETY_FILLED * worst.overturning - worst.restoring
      const lost = gives.find((g) => g.n === null)
      if (missing > tied && pinsLost && !lost) results.push(pinsUnknown('opened', missing - tied))
      else if (missing > 0 && lost) {
        const needN = missing / lowest
        results.push(
          plain({
            ...given,
            quantity: 'force',
            code: 'unknown-anchor',
            subject: 'opened',
            state: 'unknown',
            demand: needN,
            data: { needN, count: gives.length, into: lost.anchor.into, weakest: lost.weakest },
            parts: [lost.anchor.part],
            covers: gives.map((g) => g.anchor.id),
          }),
        )
      } else
        results.push(
          measured({
            code: 'tip-opened',
            subject: 'opened',
            demand: worst.overturning * SAFETY_FILLED,
            capacity: Math.max(0, worst.restoring + tied),
            data: {
              safety: (worst.restoring + tied) / worst.overturning,
              wanted: SAFETY_FILLED,
              motions: assembly.motions.filter(opens).length,
              ties: gives.length,
            },
            working: {
              formula:
                'restoring moment with everything open + ties × their height ≥ 1.5 × overturning moment, about the front feet',
              inputs: [
                { symbol: 'restoring', value: worst.restoring, quantity: 'moment' },
                { symbol: 'ties', value: tied, quantity: 'moment' },
                {
                  symbol: 'overturning',
                  value: worst.overturning,
                  quantity: 'moment',
                  source: `${LEAN} of every weight sideways at its height: product decision`,
                },
              ],
              source: 'moment balance; all doors open, all drawers out',
            },
            ...given,
          }),
        )
    }

    const high = Math.min(wholeBox(boxes).max[2], PULL_REACH_MM)
    const held = (x: (typeof acrosses)[number]) => sum([...self, ...x.pinned], x.over)
    const light = acrosses.reduce((a, b) => (held(b) < held(a) ? b : a))
    const empty = held(light)
    const pull = PULL_N * high
    const inputs: Input[] = [
      {
        symbol: 'pull',
        value: PULL_N,
        quantity: 'force',
        source: 'a child at the top edge or at 1.5 m, whichever is lower: product decision',
      },
      { symbol: 'height', value: high, quantity: 'length' },
      { symbol: 'own weight × arm', value: sum(self, light.over), quantity: 'moment' },
      ...(pins.length > 0 ? [pinned(sum(light.pinned, light.over))] : []),
    ]
    const ties = assembly.anchors.filter((x) => x.holds.includes('y'))
    if (ties.length === 0 && pinsLost && empty < pull * SAFETY_PULL)
      return [...results, pinsUnknown('pull', pull - empty)]
    if (ties.length === 0) {
      results.push(
        measured({
          ...given,
          code: pins.length > 0 ? 'tip-pinned' : 'tip-pull',
          subject: 'pull',
          demand: pull * SAFETY_PULL,
          capacity: Math.max(empty, 0),
          covers: pinIds,
          data: { pins: pins.length, pullN: PULL_N, highMm: high, safety: empty / pull, way: light.way },
          working: {
            formula: 'own weight × arm ≥ pull × height, empty',
            inputs,
            source: `moment balance about the ${light.way === 'backward' ? 'rear' : 'front'} feet`,
          },
        }),
      )
      return results
    }
    const each = tiesPulled(assembly, { method, settings })
    const need = Math.max(0, (pull - empty) / Math.min(...ties.map((x) => x.at[2])))
    const lost = each.find((e) => e.n === null)
    if (lost) {
      results.push(
        plain({
          ...given,
          quantity: 'force',
          code: 'unknown-anchor',
          subject: 'pull',
          state: 'unknown',
          demand: need,
          data: { needN: need, count: ties.length, into: lost.anchor.into, weakest: lost.weakest },
          parts: [lost.anchor.part],
        }),
      )
      return results
    }
    // What fails first is the weakest tie under its even share.
    const weakest = each.reduce((x, y) => (y.n! < x.n! ? y : x))
    const capacity = weakest.n! * ties.length
    results.push(
      measured({
        code: 'tip-tied',
        subject: 'pull',
        demand: need,
        capacity,
        parts: [...new Set(ties.map((x) => x.part))],
        covers: [...ties.map((x) => x.id), ...pinIds],
        data: { needN: need, count: ties.length, capacityN: capacity, into: ties[0].into, weakest: weakest.weakest },
        working: {
          formula: 'tie force = (pull × height − own weight × arm) / height of tie ≤ what the ties give',
          inputs: [
            ...inputs,
            { symbol: 'ties', value: ties.length, quantity: 'count' },
            {
              symbol: 'one tie',
              value: capacity / ties.length,
              quantity: 'force',
              source: TIE_SOURCE[weakest.weakest],
            },
          ],
          source: 'moment balance; NDS 2018 12.2',
        },
        ...given,
        quantity: 'force',
      }),
    )
    return results
  },
})

/** What pins hold, in the working of a check. */
const pinned = (nmm: number): Input => ({
  symbol: 'feet held down',
  value: nmm,
  quantity: 'moment',
  source: 'the furthest with all it gives, the others by their distance from the edge; the maker’s rating over 4',
})

const sum = (list: Weight[], of: (w: Weight) => number) => list.reduce((s, w) => s + of(w), 0)
