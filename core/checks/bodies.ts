import type { Assembly, Body, Joint, Support } from '../assembly/assembly.ts'
import { add, scale, type Axis, type Vec3 } from '../geometry/vec.ts'
import { addTo } from '../measure/add-to.ts'
import { kept } from '../measure/kept.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { jointGives } from './ties.ts'

/*
 * Parts that act as one are held by some of them. All that hangs there passes through the fastenings of those to the
 * rest: across them and along them at once, their shares added. Every cut a body names is asked.
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'design' | 'settings' | 'method' | 'goods'>

/** Where a body is cut: what holds the pieces cut off, and their fastenings to the rest. No load changes it. */
interface Cut {
  supports: Support[]
  joints: Joint[]
}
const cuts = new WeakMap<readonly string[], { of: readonly Support[]; found: Cut }>()
function cutOf(b: Body, cut: readonly string[], a: Assembly): Cut {
  const known = cuts.get(cut)
  if (known?.of === a.supports) return known.found
  const { through, within } = kept(byBody, a.supports, () => sorted(a))
  const off = new Set(cut)
  const found = {
    supports: (through.get(b.id) ?? []).filter((s) => off.has(s.from.through)),
    joints: (within.get(b.id) ?? []).filter((j) => off.has(j.near) !== off.has(j.far)),
  }
  cuts.set(cut, { of: a.supports, found })
  return found
}

type OfBody = Support & { from: { body: string; through: string } }
/** What bodies are held by, and the joints between their pieces, by body. */
interface ByBody {
  through: Map<string, OfBody[]>
  within: Map<string, Joint[]>
}
const byBody = new WeakMap<readonly Support[], ByBody>()
function sorted({ bodies, supports, joints }: Assembly): ByBody {
  const through: ByBody['through'] = new Map()
  const within: ByBody['within'] = new Map()
  const bodiesOf = new Map<string, string[]>()
  for (const s of supports) if ('body' in s.from) addTo(through, s.from.body, s as OfBody)
  for (const b of bodies) for (const part of b.parts) addTo(bodiesOf, part, b.id)
  for (const j of joints)
    for (const body of bodiesOf.get(j.near) ?? []) if (bodiesOf.get(j.far)?.includes(body)) addTo(within, body, j)
  return { through, within }
}

/** What the supports through some pieces of a body do to it, N. */
const through = ({ supports }: Cut, { design }: Given): Vec3 =>
  supports.reduce<Vec3>((f, s) => add(f, scale(s.push, design.reactions.get(s.id) ?? 0)), [0, 0, 0])

/** What gives less than this gives nothing, N: a share far past one, and still a number. */
const LEAST_N = 1e-3

interface Shared {
  axis: Axis
  n: number
  gives: number | null
}

function ofCut(b: Body, cut: string[], index: number, c: Given): CheckResult {
  const at = cutOf(b, cut, c.assembly)
  const { joints } = at
  const force = through(at, c)
  const shares = ([0, 1, 2] as const).flatMap((axis): Shared[] => {
    const n = Math.abs(force[axis])
    if (n < 1e-6) return []
    const each = joints.map((j) => jointGives(j, axis, c.parts, c.boxes, c))
    return [{ axis, n, gives: each.some((g) => g === null) ? null : each.reduce<number>((s, g) => s + g!, 0) }]
  })
  const role = c.parts.get(cut[0])!.role
  const unweighed = c.design.notWeighed[0]
  const given = {
    check: 'body',
    link: 'whole' as const,
    quantity: 'ratio' as const,
    subject: `${b.id}-${index}`,
    parts: cut,
    covers: [b.id, ...joints.map((j) => j.id)],
    data: { role, slidN: Math.abs(force[2]), pulledN: Math.abs(force[1]), joints: joints.length },
  }
  if (unweighed !== undefined) return notWeighed(given, unweighed, c.goods)
  if (shares.some((s) => s.gives === null))
    return plain({ ...given, code: 'unknown-joint', state: 'unknown', data: { near: role, far: 'side', role } })
  const names = ['along the wall', 'out from the wall', 'up'] as const
  return measured({
    code: 'body',
    demand: shares.reduce((s, x) => s + x.n / Math.max(x.gives!, LEAST_N), 0),
    capacity: 1,
    working: {
      formula: 'Σ force / what all its fastenings give that way ≤ 1',
      source: 'statics of the cut; fasteners by the method',
      inputs: shares.flatMap((s): Input[] => [
        { symbol: `force ${names[s.axis]}`, value: s.n, quantity: 'force', source: c.method.loadFactor.source },
        { symbol: 'its fastenings give', value: s.gives!, quantity: 'force' },
      ]),
    },
    ...given,
  })
}

export const bodies = defineCheck({
  id: 'body',
  reads: ['assembly', 'parts', 'boxes', 'design', 'settings', 'method', 'goods'],
  run: (c): CheckResult[] => c.assembly.bodies.flatMap((b) => b.cuts.map((cut, i) => ofCut(b, cut, i, c))),
})
