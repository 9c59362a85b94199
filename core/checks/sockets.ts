import type { Joint, Part, Support } from '../assembly/assembly.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { dot } from '../geometry/vec.ts'
import { boredHolePressure } from '../mechanics/bearing.ts'
import type { Strength } from '../mechanics/methods/method.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { factorInputs } from './members.ts'

/*
 * Arms in bored holes: what lies on one pries it in its hole, which is pressed most at its mouth, across the grain of the
 * board it is in, or of the arm itself.
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'settings' | 'method' | 'goods'>

/** A long contact: no more than wood across its grain bears anywhere. */
const AS_LONG = { lengthMm: 1000, beforeMm: 0, afterMm: 0 }

function bears(parts: readonly Part[], c: Given): Strength | null {
  let least: Strength | null = null
  for (const p of parts) {
    if (p.stock.kind === 'steel') continue
    const grade = p.stock.kind === 'board' ? findGrade(p.stock.grade) : undefined
    const s = grade && c.method.bearing(grade, c.settings, AS_LONG)
    if (!s) return null
    if (!least || s.value < least.value) least = s
  }
  return least
}

const given = { check: 'sockets', link: 'rail' as const, quantity: 'stress' as const, subject: 'hole' }

function ofJoint(j: Joint, own: readonly Support[], c: Given): CheckResult {
  const [board, arm] = [c.parts.get(j.near)!, c.parts.get(j.far)!]
  const hole = board.machining.find((m) => m.kind === 'hole' && m.depthMm !== null)
  const across = own.filter((s) => Math.abs(dot(s.push, arm.at.along)) < 0.5)
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
  const s = bears([board, arm], c)
  if (!s || hole?.kind !== 'hole' || hole.depthMm === null || across.length !== 2) return lost('unknown-no-strength')
  const n = (x: Support) => c.design.reactions.get(x.id) ?? 0
  // The mouth is nearer to the arm's free end.
  const reach = (x: Support) => dot(x.contact.min, arm.at.along)
  const [mouth, bottom] = reach(across[0]) > reach(across[1]) ? across : [across[1], across[0]]
  // What holds it acts a sixth of the hole from either end.
  const { depthMm, diameterMm } = hole
  const acrossN = n(mouth) + n(bottom)
  const momentNmm = (-(n(mouth) + 5 * n(bottom)) * depthMm) / 6
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
    demand: boredHolePressure(Math.abs(acrossN), Math.abs(momentNmm), diameterMm, depthMm),
    capacity: s.value,
    parts: [arm.id, board.id],
    data: { ...data, deepMm: depthMm },
    working: { formula: 'p = (4V + 6M / L) / (d·L) ≤ strength across the grain', inputs, source: s.source },
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
