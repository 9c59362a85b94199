import type { Part, Support } from '../assembly/assembly.ts'
import { partBox } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { boxSize, type Box } from '../geometry/box.ts'
import { dot, mid, sub, type Vec3 } from '../geometry/vec.ts'
import { strength, type Conditions, type DesignMethod, type Strength } from '../mechanics/methods/method.ts'
import { woodOf } from './wood.ts'
import { defineCheck, measured, plain, type CheckResult, type Input } from './check.ts'

/**
 * Pressure a panel's face, edge or a shoulder cut into it takes, MPa: about half of what softwood takes across its
 * grain. Product decision.
 */
export const PANEL_BEARING_MPA = 1

/** An axis this far along a direction runs that way. */
const SAME_WAY = 0.9

/** Length of a contact along the grain of the piece it presses on, and the wood before and behind it, mm. */
function contactOn(on: Part, contact: Box, areaMm2?: number): [number, number, number] {
  const i = on.at.along.findIndex((v) => Math.abs(v) > SAME_WAY)
  if (i < 0 && areaMm2) {
    // Of a piece at an angle: as long as its area is over all of its thickness.
    const lengthMm = areaMm2 / Math.min(on.size.thicknessMm, on.size.widthMm)
    const at = on.size.lengthMm / 2 + dot(sub(mid(contact.min, contact.max), on.at.centre), on.at.along)
    return [lengthMm, Math.max(0, at - lengthMm / 2), Math.max(0, on.size.lengthMm - at - lengthMm / 2)]
  }
  if (i < 0) return [0, 0, 0]
  const from = on.at.centre[i] - on.size.lengthMm / 2
  return [
    contact.max[i] - contact.min[i],
    Math.max(0, contact.min[i] - from),
    Math.max(0, from + on.size.lengthMm - contact.max[i]),
  ]
}

/** What a piece may be pressed with where something bears on it along a direction, MPa; null when nobody says. */
export function mayBear(
  p: Part,
  { contact, areaMm2, push }: Pick<Support, 'contact' | 'areaMm2' | 'push'>,
  method: DesignMethod,
  settings: Conditions,
): Strength | null {
  if (woodOf(p)?.kind === 'sheet') return strength('panel', PANEL_BEARING_MPA, 'product decision', [])
  if (p.stock.kind !== 'board') return null
  const grade = findGrade(p.stock.grade)
  if (!grade) return null
  if (Math.abs(dot(p.at.along, push)) > SAME_WAY)
    return method.compression(grade, findSection(p.stock.section)?.nominalWidth ?? null, settings)
  const [lengthMm, beforeMm, afterMm] = contactOn(p, contact, areaMm2)
  return method.bearing(grade, settings, { lengthMm, beforeMm, afterMm })
}

/** Area of a contact as the force sees it, mm². */
export function areaOf(contact: Box, push: Vec3): number {
  const size = boxSize(contact)
  const through = push.findIndex((v) => Math.abs(v) > SAME_WAY)
  return through < 0 ? 0 : size.reduce((a, v, i) => (i === through ? a : a * v), 1)
}

/** What turns about an edge presses so far to either side of it, as a share of the width that presses. Product decision. */
const EDGE_SHARE = 1 / 8

/** And no further along it than a stud or a joist is thick, mm. */
const EDGE_LONG_MM = 38

/** Where a piece presses that turns about an edge: a strip to either side of its resultant, on what both pieces share. */
function alongEdge(s: Support, from: Part, on: Part): Box {
  const [a, b] = [partBox(from), partBox(on)]
  const through = s.push.findIndex((v) => Math.abs(v) > SAME_WAY)
  const along = from.at.along.findIndex((v) => Math.abs(v) > SAME_WAY)
  const shared = (i: number) => Math.min(a.max[i], b.max[i]) - Math.max(a.min[i], b.min[i])
  const across = 3 - through - along
  const out: Box = { min: [...s.contact.min], max: [...s.contact.max] }
  const widen = (i: number, half: number) => {
    out.min[i] -= half
    out.max[i] += half
  }
  widen(across, EDGE_SHARE * shared(across))
  widen(along, Math.min(EDGE_LONG_MM, shared(along)) / 2)
  return out
}

interface Found {
  support: Support
  from: Part
  on: Part
  n: number
  areaMm2: number
  allowed: Strength
}

/** Where one piece lies or stands on another: neither is crushed. */
export const bearing = defineCheck({
  id: 'bearing',
  asksForTheMost: true,
  reads: ['assembly', 'parts', 'design', 'settings', 'method'],
  run({ assembly, parts, design, settings, method }): CheckResult[] {
    let worst: Found | null = null
    const covers: string[] = []
    const given = { check: 'bearing', link: 'post' as const, quantity: 'stress' as const, subject: 'post' }
    for (const s of assembly.supports) {
      if (s.via !== 'bearing' || 'bay' in s.from || s.on.kind === 'floor') continue
      const from = parts.get('part' in s.from ? s.from.part : s.from.through)!
      // A wall or a ceiling is harder than the wood that presses on it.
      const on = s.on.kind === 'part' ? parts.get(s.on.part)! : from
      const n = Math.abs(design.reactions.get(s.id) ?? 0)
      const contact = s.steadies ? alongEdge(s, from, on) : s.contact
      const areaMm2 = (s.steadies ? undefined : s.areaMm2) ?? areaOf(contact, s.push)
      // Steel is harder than any wood it presses on; what is soft gives way, and the wood under it is asked.
      const woods = [from, on].filter((p) => p.stock.kind !== 'steel' && p.stock.kind !== 'soft')
      const allowed = (woods.length > 0 ? woods : [from])
        .map((p) => mayBear(p, { ...s, contact }, method, settings))
        .reduce((a, b) => (a && b && b.value < a.value ? b : a && b ? a : null))
      const state = design.members.get(from.id)?.state
      if (state?.kind === 'unknown')
        return [
          plain({
            ...given,
            code: `unknown-${state.reason}`,
            state: 'unknown',
            parts: [on.id],
            data: { role: on.role },
          }),
        ]
      if (!allowed || areaMm2 <= 0)
        return [
          plain({ ...given, code: 'unknown-no-strength', state: 'unknown', parts: [on.id], data: { role: on.role } }),
        ]
      covers.push(s.id)
      const found = { support: s, from, on, n, areaMm2, allowed }
      if (!worst || n / areaMm2 / allowed.value > worst.n / worst.areaMm2 / worst.allowed.value) worst = found
    }
    if (!worst) return []
    const { support, from, on, n, areaMm2, allowed } = worst
    return [
      measured({
        code: 'bears',
        demand: n / areaMm2,
        capacity: allowed.value,
        parts: [on.id, from.id],
        covers,
        data: { role: support.on.kind === 'part' ? on.role : support.on.kind, from: from.role },
        working: {
          formula: 'N / contact area',
          inputs: [
            { symbol: 'N', value: n, quantity: 'force', source: method.loadFactor.source },
            { symbol: 'contact', value: areaMm2, quantity: 'area' },
            { symbol: allowed.baseSymbol, value: allowed.base, quantity: 'stress', source: allowed.source },
            ...allowed.factors.map((f): Input => ({
              symbol: f.symbol,
              value: f.value,
              quantity: 'ratio',
              source: f.source,
            })),
          ],
          source: allowed.source,
        },
        ...given,
      }),
    ]
  },
})
