import type { Assembly, Part } from '../assembly/assembly.ts'
import { thicknessAxis, turnedBox } from '../assembly/part-box.ts'
import { findSheet, type Sheet } from '../catalogue/sheets.ts'
import { roomTowards } from '../geometry/contact.ts'
import { add, cross, mid, norm, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import type { DesignMethod, Strength } from '../mechanics/methods/method.ts'
import { measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'

/*
 * A gusset as the strut it is at least: a straight strip of the plate from its fastenings on one piece to those on the
 * other, as wide on either side of that line as the plate is on its narrower. What the rest of the plate does is not
 * counted.
 */

/**
 * Share of its weaker bending strength a sheet is counted with when it is pressed or pulled in its own plane, at any
 * angle to its grain. EN 12369-1 gives 0.5 to 0.9 of it for plywood, strand board, particleboard and fibreboard.
 * Product decision.
 */
const IN_PLANE_SHARE = 0.5
/** Euler's load is divided by this: creep, curved sheets and fastenings off the line. Product decision. */
const BUCKLING_SAFETY = 3
/** Places along the strip at which its width is looked at. */
const LOOKED_AT = [0.1, 0.25, 0.5, 0.75, 0.9]

/** Where a force enters a plate and leaves it. */
function endsOf(p: Part, a: Assembly): [Vec3, Vec3] | null {
  const at = a.supports.flatMap((s): Vec3[] =>
    ('part' in s.from && s.from.part === p.id) || (s.on.kind === 'part' && s.on.part === p.id)
      ? [mid(s.contact.min, s.contact.max)]
      : [],
  )
  return at.length === 2 ? [at[0], at[1]] : null
}

export interface Strip {
  lengthMm: number
  widthMm: number
}

/** The strip of a plate along a line in it. */
export function stripOf(p: Part, [from, to]: [Vec3, Vec3]): Strip {
  const way = unit(sub(to, from))
  const side = unit(cross(thicknessAxis(p), way))
  const solid = turnedBox(p)
  const widths = LOOKED_AT.map((k) => {
    const at = add(from, scale(sub(to, from), k))
    return 2 * Math.min(roomTowards(solid, at, side), roomTowards(solid, at, scale(side, -1)))
  })
  return { lengthMm: norm(sub(to, from)), widthMm: Math.min(...widths) }
}

/** In-plane strength, MPa, from the weaker of its bending strengths: σ = 6·M/t². */
function inPlane(
  sheet: Sheet,
  method: DesignMethod,
  c: CheckContext['settings'],
): { mpa: number; of: Strength } | null {
  const both = [true, false].map((along) => method.panelMoment(sheet, along, c))
  if (!both[0] || !both[1]) return null
  const of = both[0].value < both[1].value ? both[0] : both[1]
  return { mpa: (IN_PLANE_SHARE * 6 * of.value) / sheet.thicknessMm ** 2, of }
}

type Given = Pick<CheckContext, 'assembly' | 'settings' | 'method'>

/** Pressed and pulled, N, both positive. */
export function plateStrut(p: Part, n: { pulledN: number; pressedN: number }, c: Given): CheckResult {
  const given = { check: 'along', link: 'rail' as const, quantity: 'ratio' as const, subject: p.id, parts: [p.id] }
  const sheet = p.stock.kind === 'sheet' ? findSheet(p.stock.sheet) : undefined
  const ends = endsOf(p, c.assembly)
  const strong = sheet && inPlane(sheet, c.method, c.settings)
  const lost = plain({ ...given, code: 'unknown-no-strength', state: 'unknown', data: { role: p.role } })
  if (!sheet || !ends || !strong) return lost
  const { lengthMm, widthMm } = stripOf(p, ends)
  // A line that leaves the plate: nothing of it is known to carry.
  if (widthMm <= 0) return lost
  const t = sheet.thicknessMm
  const ei = Math.min(sheet.ei.along, sheet.ei.across)
  const euler = (Math.PI ** 2 * ei * widthMm) / lengthMm ** 2 / BUCKLING_SAFETY
  const crushed = strong.mpa * widthMm * t
  const inputs: Input[] = [
    { symbol: 'pressed', value: n.pressedN, quantity: 'force', source: c.method.loadFactor.source },
    { symbol: 'pulled', value: n.pulledN, quantity: 'force', source: c.method.loadFactor.source },
    { symbol: 'width of the strip', value: widthMm, quantity: 'length', source: 'twice the narrower side of its line' },
    { symbol: 'length of the strip', value: lengthMm, quantity: 'length' },
    {
      symbol: 'strength in its plane',
      value: strong.mpa,
      quantity: 'stress',
      source: `half its weaker bending strength, product decision after EN 12369-1; ${strong.of.source}`,
    },
    { symbol: 'Euler over 3', value: euler, quantity: 'force', source: 'π²·EI·b / L² / 3, the less stiff axis' },
  ]
  const most = n.pressedN > 0 ? Math.min(euler, crushed) : crushed
  return measured({
    ...given,
    code: n.pressedN > 0 && euler < crushed ? 'along-plate-bows' : 'along',
    demand: Math.max(n.pressedN, n.pulledN) / most,
    capacity: 1,
    data: { role: p.role, pulledN: n.pulledN, pressedN: n.pressedN, lengthMm, thickMm: t },
    working: { formula: 'force ≤ min(strength · b · t, π²·EI·b / L² / 3)', inputs, source: strong.of.source },
  })
}
