import type { Joint, Part, Support } from '../assembly/assembly.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { dot, type Vec3 } from '../geometry/vec.ts'
import { boredHolePressure } from '../mechanics/bearing.ts'
import type { Strength } from '../mechanics/methods/method.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { factorInputs } from './members.ts'

/*
 * Arms in bored holes: what lies on one pries it in its hole, which is pressed most at its mouth: along the grain of an
 * upright, across that of a rail, and across that of the arm itself.
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'settings' | 'method' | 'goods'>

/** A long contact: no more than wood across its grain bears anywhere. */
const AS_LONG = { lengthMm: 1000, beforeMm: 0, afterMm: 0 }

/** The weaker of what a board and an arm in it bear along a direction: along the grain of an upright, across that of a rail. */
function bears(parts: readonly Part[], way: Vec3, c: Given): Strength | null {
  let least: Strength | null = null
  for (const p of parts) {
    if (p.stock.kind === 'steel') continue
    const grade = p.stock.kind === 'board' ? findGrade(p.stock.grade) : undefined
    const alongGrain = Math.abs(dot(p.at.along, way)) > ALONG_GRAIN
    const s =
      grade &&
      (alongGrain ? c.method.compression(grade, null, c.settings) : c.method.bearing(grade, c.settings, AS_LONG))
    if (!s) return null
    if (!least || s.value < least.value) least = s
  }
  return least
}
/** An arm that leans presses a few degrees off the grain. */
const ALONG_GRAIN = 0.98

const given = { check: 'sockets', link: 'rail' as const, quantity: 'stress' as const, subject: 'hole' }

/** What acts across an arm at the mouth of its hole, one way: N and N·mm. What holds it acts a sixth from either end. */
function forcesAt(pair: readonly Support[], arm: Part, depthMm: number, c: Given): { n: number; nmm: number } {
  // The mouth is nearer to the arm's free end.
  const reach = (x: Support) => dot(x.contact.min, arm.at.along)
  const [mouth, bottom] = [...pair].sort((a, b) => reach(b) - reach(a)).map((x) => c.design.reactions.get(x.id) ?? 0)
  return { n: mouth + bottom, nmm: (-(mouth + 5 * bottom) * depthMm) / 6 }
}

function ofJoint(j: Joint, own: readonly Support[], c: Given): CheckResult {
  const [board, arm] = [c.parts.get(j.near)!, c.parts.get(j.far)!]
  const hole = board.machining.find((m) => m.kind === 'hole' && m.depthMm !== null)
  // Two supports each way across it: at the mouth and at the bottom of its hole.
  const across = own.filter((s) => Math.abs(dot(s.push, arm.at.along)) < 0.5)
  const ways = [0, 1].map((k) => across.filter((s) => Math.abs(s.push[0]) > 0.5 === (k === 1)))
  const state = c.design.members.get(arm.id)?.state
  const data = { role: arm.role, into: board.role }
  const lost = (code: string) =>
    plain({
      ...given,
      code,
      state: 'unknown',
      parts: [arm.id, board.id],
      data: { ...data, goods: c.goods.get(c.design.notWeighed[0])?.name ?? '' },
    })
  if (state?.kind === 'unknown') return lost(`unknown-${state.reason}`)
  const s = ways.every((w) => w.length === 2) ? bears([board, arm], ways[0][0].push, c) : null
  if (!s || hole?.kind !== 'hole' || hole.depthMm === null) return lost('unknown-no-strength')
  const { depthMm, diameterMm } = hole
  const [up, aside] = ways.map((w) => forcesAt(w, arm, depthMm, c))
  const [acrossN, momentNmm] = [Math.hypot(up.n, aside.n), Math.hypot(up.nmm, aside.nmm)]
  const inputs: Input[] = [
    { symbol: 'V', value: acrossN, quantity: 'force', source: c.method.loadFactor.source },
    { symbol: 'M', value: momentNmm, quantity: 'moment', source: 'at the mouth of the hole' },
    { symbol: 'L', value: depthMm, quantity: 'length' },
    { symbol: 'd', value: diameterMm, quantity: 'length' },
    ...factorInputs(s, 'stress'),
  ]
  return measured({
    ...given,
    code: 'socket',
    demand: boredHolePressure(acrossN, momentNmm, diameterMm, depthMm),
    capacity: s.value,
    parts: [arm.id, board.id],
    data: { deepMm: depthMm, ...data },
    working: { formula: 'p = (4V + 6M / L) / (d·L) ≤ strength of the wood that way', inputs, source: s.source },
  })
}

export const sockets = defineCheck({
  id: 'sockets',
  reads: ['assembly', 'parts', 'design', 'settings', 'method', 'goods'],
  run(c): CheckResult[] {
    const joints = c.assembly.joints.filter((j) => j.kind === 'socketed')
    if (joints.length === 0) return []
    const of = new Map<string, Support[]>(joints.map((j) => [j.id, []]))
    for (const s of c.assembly.supports) if (s.joint !== null) of.get(s.joint)?.push(s)
    const all = joints.map((j) => ofJoint(j, of.get(j.id)!, c))
    const hard = (r: CheckResult) => (r.state === 'unknown' ? Infinity : (r.ratio ?? Infinity))
    const worst = all.reduce((a, b) => (hard(b) > hard(a) ? b : a))
    const covers = [...of].flatMap(([id, list]) => [id, ...list.map((s) => s.id)])
    return [worst.state === 'unknown' ? worst : { ...worst, covers }]
  },
})
