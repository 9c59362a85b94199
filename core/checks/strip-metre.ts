import type { Part, Support } from '../assembly/assembly.ts'
import { anchorGives } from './anchors.ts'
import { defineCheck, plain, type CheckContext, type CheckResult } from './check.ts'
import { jointGives } from './ties.ts'

/*
 * What a metre of a strip on a wall carries, hung as what hangs there now: so much that its fixings are used up. Told
 * beside the fullest metre, for who wants to hang more. Its bending between fixings is asked elsewhere.
 *
 *   q·s·(1 / Z + k / W) ≤ 1: fixings s apart, each with Z across and W pulled out, k newtons of pull to one that hangs
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'design' | 'service' | 'settings' | 'method'>

const METRE = 1000

interface Hung {
  x: number
  upN: number
}

/** What loads are multiplied by. */
const factorOf = (c: Given): number => c.design.loadsN / c.service.loadsN

/** What hangs on a strip, by body: where, and how hard it pulls for what it weighs. */
function hungOn(strip: Part, c: Given): { all: Hung[]; pullShare: number } {
  const all: Hung[] = []
  const bodies = new Map<string, { up: number; pull: number }>()
  for (const s of c.assembly.supports) {
    if (!('body' in s.from) || s.on.kind !== 'part' || s.on.part !== strip.id) continue
    const n = Math.abs(c.design.reactions.get(s.id) ?? 0) / factorOf(c)
    const body = bodies.get(s.from.body) ?? { up: 0, pull: 0 }
    bodies.set(s.from.body, body)
    if (s.push[2] > 0.9) {
      body.up += n
      all.push({ x: (s.contact.min[0] + s.contact.max[0]) / 2, upN: n })
    } else if (s.way === 'pull') body.pull += n
  }
  const pullShare = Math.max(0, ...[...bodies.values()].map((b) => (b.up > 0 ? b.pull / b.up : 0)))
  return { all, pullShare }
}

/** The heaviest stretch of a metre, N. */
const fullest = (all: readonly Hung[]): number =>
  Math.max(0, ...all.map(({ x }) => all.reduce((n, h) => (h.x >= x && h.x <= x + METRE ? n + h.upN : n), 0)))

/** What one fixing of a strip gives across and pulled out, N. */
function fixingGives(s: Support, c: Given): { slidN: number; pulledN: number } | null {
  if (s.anchor !== null) {
    const x = c.assembly.anchors.find((a) => a.id === s.anchor)
    return x ? anchorGives(x, c) : null
  }
  const j = c.assembly.joints.find((x) => x.id === s.joint)
  const [slidN, pulledN] = j
    ? [2 as const, 1 as const].map((axis) => jointGives(j, axis, c.parts, c.boxes, c))
    : [null, null]
  return slidN === null || pulledN === null ? null : { slidN, pulledN }
}

function ofStrip(strip: Part, all: readonly Hung[], pullShare: number, c: Given): CheckResult | null {
  const own = c.assembly.supports.filter(
    (s) => 'part' in s.from && s.from.part === strip.id && s.via === 'fasteners' && s.push[2] > 0.9,
  )
  const at = own.map((s) => s.contact.min[0]).sort((a, b) => a - b)
  const gives = own.map((s) => fixingGives(s, c))
  if (at.length < 2 || gives.some((g) => g === null || g.slidN <= 0 || g.pulledN <= 0)) return null
  const apart = Math.max(...at.slice(1).map((x, i) => x - at[i]))
  const worst = gives.reduce((a, b) => (b!.slidN + b!.pulledN < a!.slidN + a!.pulledN ? b : a))!
  const factor = factorOf(c)
  const carries = METRE / (apart * factor * (1 / worst.slidN + pullShare / worst.pulledN))
  const n = fullest(all)
  // Told, not judged: each fixing is judged by itself.
  return plain({
    check: 'strip-metre',
    link: 'ground',
    code: 'strip-metre',
    quantity: 'force',
    subject: 'metre',
    state: 'holds',
    demand: n,
    capacity: carries,
    parts: [strip.id],
    data: { nowN: n, carriesN: carries, apartMm: apart },
    working: {
      formula: 'q·s·(1 / Z + k / W) ≤ 1',
      inputs: [
        { symbol: 's', value: apart, quantity: 'length' },
        { symbol: 'Z', value: worst.slidN, quantity: 'force' },
        { symbol: 'W', value: worst.pulledN, quantity: 'force' },
        { symbol: 'k', value: pullShare, quantity: 'ratio', source: 'of what hangs there, the one that pulls hardest' },
        { symbol: 'factor', value: factor, quantity: 'ratio', source: c.method.loadFactor.source },
      ],
      source: 'shares of both add, as for each fixing',
    },
  })
}

/** Strips that several things hook over; the fullest of them tells. */
export const stripMetre = defineCheck({
  id: 'strip-metre',
  asksForTheMost: true,
  reads: ['assembly', 'parts', 'boxes', 'design', 'service', 'settings', 'method'],
  run(c): CheckResult[] {
    const strips = new Set(c.assembly.supports.flatMap((s) => (s.wedged && s.on.kind === 'part' ? [s.on.part] : [])))
    const several = new Set(c.assembly.supports.flatMap((s) => (s.wedged && 'body' in s.from ? [s.from.body] : [])))
    if (several.size < 2 || c.design.notWeighed.length > 0) return []
    let worst: CheckResult | null = null
    for (const id of strips) {
      const strip = c.parts.get(id)!
      const { all, pullShare } = hungOn(strip, c)
      const r = ofStrip(strip, all, pullShare, c)
      if (r && (!worst || r.demand! > worst.demand!)) worst = r
    }
    return worst ? [worst] : []
  },
})
