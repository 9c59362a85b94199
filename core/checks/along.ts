import type { Part } from '../assembly/assembly.ts'
import { netModulus, netSection } from '../assembly/net-section.ts'
import { countedSize, thicknessAxis } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { dot, mid, sub } from '../geometry/vec.ts'
import type { Bent, Member } from '../loads/load-path.ts'
import type { PostAxis } from '../mechanics/methods/method.ts'
import { sectionModulus } from '../mechanics/section.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { factorInputs, LEAST_NET, linkOf, netInput } from './members.ts'
import { plateStrut } from './plate-strut.ts'

/*
 * Members that are pulled or pressed along themselves, alone or while they bend, and those that bend both ways at once.
 */

interface Acting {
  bent: Bent[]
  pulledN: number
  pressedN: number
}

/** What acts along a member, or on it both ways; null where it only bends one way or only stands. */
export function actsAlong(m: Member): Acting | null {
  const s = m.state
  if (s.kind === 'strut') return { bent: [], ...s.axial }
  if (s.kind === 'column') return (s.pulledN ?? 0) > 0 ? { bent: s.bent ?? [], pulledN: s.pulledN!, pressedN: 0 } : null
  if (s.kind !== 'beam' || (!s.other && !s.axial)) return null
  return { bent: [s.bent, ...(s.other ? [s.other] : [])], ...(s.axial ?? { pulledN: 0, pressedN: 0 }) }
}

type Given = Pick<CheckContext, 'assembly' | 'design' | 'parts' | 'settings' | 'method'>

/** Nearer to the middle line than this is on it, mm. */
const BESIDE_MM = 0.5

/**
 * What presses less than this is no column, whatever its length, N: couples that share themselves out along a plate. The
 * thinnest dowel, 2 m long, buckles at sixty times as much (Euler).
 */
const COLUMN_FROM_N = 1

/** How far beside its middle line a force enters a member or leaves it, through its thickness and its width, mm. */
function besideMm(p: Part, a: CheckContext['assembly']): { through: number; across: number } {
  const out = { through: 0, across: 0 }
  for (const s of a.supports) {
    const touches = ('part' in s.from && s.from.part === p.id) || (s.on.kind === 'part' && s.on.part === p.id)
    if (!touches) continue
    const off = sub(mid(s.contact.min, s.contact.max), p.at.centre)
    out.through = Math.max(out.through, Math.abs(dot(off, thicknessAxis(p))))
    out.across = Math.max(out.across, Math.abs(dot(off, p.at.across)))
  }
  return out
}

/** Longest free length while it is pressed: between what holds it in one plane, its whole length where nothing does. */
const freeMm = (p: Part, bent: readonly Bent[]) => {
  const at = bent.flatMap((b) => b.spec.supports.map((s) => s.atMm)).sort((a, b) => a - b)
  const gaps = [0, ...at, p.size.lengthMm]
  return at.length < 2 ? p.size.lengthMm : Math.max(...gaps.slice(1).map((x, i) => x - gaps[i]))
}

function ofMember(p: Part, a: Acting, c: Given): CheckResult {
  if (p.stock.kind === 'sheet') return plateStrut(p, a, c)
  const given = { check: 'along', link: linkOf(p), quantity: 'ratio' as const, subject: p.id, parts: [p.id] }
  const lost = plain({ code: 'unknown-no-strength', state: 'unknown', data: { role: p.role }, ...given })
  const stock = p.stock
  const grade = stock.kind === 'board' ? findGrade(stock.grade) : undefined
  if (stock.kind !== 'board' || !grade) return lost
  const nominal = findSection(stock.section)?.nominalWidth ?? null
  const { widthMm: w, thicknessMm: t } = countedSize(p)
  const net = netSection(p)
  const depthOf = (b: Bent) => b.depthMm ?? Math.max(w, t)
  const bends = a.bent.map((b) => {
    const depthMm = depthOf(b)
    const fb = c.method.bending(grade, { depthMm, nominalWidth: nominal, flat: depthMm < Math.max(w, t) }, c.settings)
    const share = netModulus(p, depthMm)
    const nmm = Math.abs(b.result.moment.nmm) / Math.max(share, LEAST_NET)
    return { fb, stress: nmm / sectionModulus(b.widthMm, depthMm), depthMm, nmm }
  })
  // A strut that is pulled by one face bends by that much of its pull. One that is pressed is a column in its middle line.
  if (a.bent.length === 0 && a.pulledN > 0) {
    const off = besideMm(p, c.assembly)
    for (const [beside, depthMm, breadthMm] of [
      [off.through, t, w],
      [off.across, w, t],
    ]) {
      const nmm = (a.pulledN * beside) / Math.max(netModulus(p, depthMm), LEAST_NET)
      const fb = c.method.bending(grade, { depthMm, nominalWidth: nominal, flat: depthMm < Math.max(w, t) }, c.settings)
      if (beside > BESIDE_MM) bends.push({ fb, stress: nmm / sectionModulus(breadthMm, depthMm), depthMm, nmm })
    }
  }
  const ft = c.method.tension(grade, nominal, c.settings)
  if (!ft || bends.some((b) => !b.fb)) return lost
  const bending = bends.reduce((s, b) => s + b.stress / b.fb!.value, 0)
  const tension = a.pulledN / (w * t * Math.max(net.area, LEAST_NET)) / ft.value
  const momentAt = (depth: number) =>
    bends.filter((b) => Math.abs(b.depthMm - depth) < 0.1).reduce((m, b) => Math.max(m, b.nmm), 0)
  const heldIn = (depth: number) => a.bent.filter((b) => Math.abs(depthOf(b) - depth) < 0.1)
  const way = (depthMm: number): PostAxis => ({
    depthMm,
    unheldMm: freeMm(p, heldIn(depthMm)),
    momentNmm: momentAt(depthMm),
  })
  const free = Math.max(freeMm(p, heldIn(t)), freeMm(p, heldIn(w)))
  const pressed =
    a.pressedN > COLUMN_FROM_N
      ? c.method.post({ grade, nominalWidth: nominal, axialN: a.pressedN, axes: [way(t), way(w)] }, c.settings)
      : null
  if (a.pressedN > COLUMN_FROM_N && !pressed) return lost
  const data = { role: p.role, pulledN: a.pulledN, pressedN: a.pressedN, lengthMm: free, thickMm: Math.min(w, t) }
  const inputs: Input[] = [
    { symbol: 'pulled', value: a.pulledN, quantity: 'force', source: c.method.loadFactor.source },
    { symbol: 'pressed', value: a.pressedN, quantity: 'force', source: c.method.loadFactor.source },
    ...netInput(Math.min(net.flat, net.edge)),
    ...factorInputs(ft, 'stress'),
    ...bends.map((b): Input => ({ symbol: 'σm', value: b.stress, quantity: 'stress', source: 'M / (b·d²/6)' })),
    ...(pressed?.factors ?? []).map((f): Input => ({
      symbol: f.symbol,
      value: f.value,
      quantity: f.stress ? 'stress' : 'ratio',
      source: f.source,
    })),
  ]
  const working = {
    formula: 'σt/Ft + Σ σm/Fb ≤ 1, and pressed as a column between what holds it',
    inputs,
    source: `${ft.source}; NDS 2018 3.9.1, EN 1995-1-1 6.17, without the relief of km`,
  }
  const over = pressed && pressed.ratio === null
  if (over || pressed?.ratio === Infinity)
    return plain({ ...given, code: over ? 'along-slender' : 'along', state: 'fails', data, working })
  return measured({
    code: 'along',
    demand: Math.max(tension + bending, pressed?.ratio ?? 0),
    capacity: 1,
    data,
    working,
    ...given,
  })
}

/** The worst of each role, covering all of them. */
export const along = defineCheck({
  id: 'along',
  reads: ['assembly', 'design', 'parts', 'settings', 'method'],
  run(c): CheckResult[] {
    const worst = new Map<string, CheckResult>()
    for (const m of c.design.members.values()) {
      const acting = actsAlong(m)
      if (!acting) continue
      const p = c.parts.get(m.part)!
      // What only pulls is judged by its thread, or by what its maker says.
      if (p.stock.kind === 'steel' || p.stock.kind === 'soft') continue
      const r = ofMember(p, acting, c)
      const known = worst.get(p.role)
      const covers = [...(known?.covers ?? []), p.id]
      const hard = (x: CheckResult) => (x.state === 'unknown' ? Infinity : (x.ratio ?? 1e9))
      worst.set(p.role, { ...(known && hard(known) >= hard(r) ? known : r), covers })
    }
    return [...worst].map(([role, r]) => ({ ...r, id: `along:${role}` }))
  },
})
