import type { Part } from '../assembly/assembly.ts'
import { isFlat, partBox } from '../assembly/part-box.ts'
import type { Box } from '../geometry/box.ts'
import type { Axis } from '../geometry/vec.ts'
import { frameOf } from '../loads/frame.ts'
import type { Patch } from '../loads/load-path.ts'
import { bendsAlongStrength } from '../loads/panel.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult } from './check.ts'
import { factorInputs, linkOf } from './members.ts'
import { woodOf } from './wood.ts'

/*
 * A flat piece that is held along its middle and loaded beside it: its edges are ledges, bent across the grain. Wood is
 * weak that way, and splits along.
 *
 *        |web|
 *   ====flange====      m = N · e / length,  σ = 6 m / t²
 *      ↓ e |
 */

interface Ledge {
  /** From the face of what holds it to the middle of the load, mm. */
  armMm: number
  /** Moment by the millimetre along it, N·mm/mm. */
  nmm: number
  /** Fastened and loaded along so much of it, mm. */
  longMm: number
  n: number
}

/** The hardest loaded ledge of a flat piece held by one other; null where nothing lies beside what holds it. */
function ledgeOf(p: Part, loads: readonly Patch[], holder: Box): Ledge | null {
  const [across, along] = [p.at.across, p.at.along].map((v) => v.findIndex((x) => Math.abs(x) > 0.9) as Axis)
  let worst: Ledge | null = null
  for (const x of loads) {
    const at = (x.box.min[across] + x.box.max[across]) / 2
    const armMm = Math.max(at - holder.max[across], holder.min[across] - at)
    const longMm = x.box.max[along] - x.box.min[along]
    if (armMm <= 0 || longMm <= 0 || x.n <= 0) continue
    const nmm = (x.n * armMm) / longMm
    if (!worst || nmm > worst.nmm) worst = { armMm, nmm, longMm, n: x.n }
  }
  return worst
}

type Given = Pick<CheckContext, 'settings' | 'method'>

/** Moment across the grain a piece may have, N·mm/mm, and how it comes about. */
function mayBear(p: Part, c: Given) {
  const wood = p.stock.kind === 'existing' ? null : woodOf(p)
  if (wood?.kind === 'sheet') {
    const s = c.method.panelMoment(wood.sheet, bendsAlongStrength(p, false), c.settings)
    return s ? { s, nmm: s.value, quantity: 'moment-per-width' as const } : null
  }
  const s = wood && c.method.acrossGrain(wood.grade, c.settings)
  return s ? { s, nmm: (s.value * p.size.thicknessMm ** 2) / 6, quantity: 'stress' as const } : null
}

export const ledge = defineCheck({
  id: 'ledge',
  reads: ['assembly', 'arranged', 'parts', 'design', 'settings', 'method'],
  run({ assembly, arranged, parts, design, settings, method }): CheckResult[] {
    const holders = new Map<string, Set<string>>()
    for (const s of assembly.supports) {
      const p = 'part' in s.from ? parts.get(s.from.part)! : undefined
      if (!p || s.on.kind !== 'part' || s.steadies || s.push[2] < 0.9 || !isFlat(p)) continue
      // What bends of a bought piece its maker has seen to.
      if (p.stock.kind === 'bought' && p.stock.ratedN !== undefined) continue
      holders.set(p.id, (holders.get(p.id) ?? new Set()).add(s.on.part))
    }
    let worst: { p: Part; l: Ledge; may: NonNullable<ReturnType<typeof mayBear>> } | null = null
    const covers: string[] = []
    // Loads are where a piece is when it is open; so must be the piece, and what holds it.
    const there = frameOf(arranged).byPart
    for (const [id, on] of holders) {
      const [p, only] = [there.get(id)!, there.get([...on][0])!]
      // Held all along by one piece under or over its middle; by several it spans between them.
      if (on.size > 1 || !runsAlong(p, only)) continue
      const l = ledgeOf(p, design.members.get(id)?.loads ?? [], partBox(only))
      if (!l) continue
      const may = mayBear(p, { settings, method })
      const given = { check: 'ledge', link: linkOf(p), subject: 'ledge', parts: [id] }
      if (!may)
        return [
          plain({ ...given, code: 'unknown-no-strength', quantity: 'ratio', state: 'unknown', data: { role: p.role } }),
        ]
      covers.push(id)
      if (!worst || l.nmm / may.nmm > worst.l.nmm / worst.may.nmm) worst = { p, l, may }
    }
    if (!worst) return []
    const { p, l, may } = worst
    return [
      measured({
        check: 'ledge',
        link: linkOf(p),
        code: 'ledge',
        quantity: 'moment-per-width',
        subject: 'ledge',
        parts: [p.id],
        covers,
        demand: l.nmm,
        capacity: may.nmm,
        data: { role: p.role, armMm: l.armMm, edges: covers.length },
        working: {
          formula: may.quantity === 'moment-per-width' ? 'm = N·e / length' : 'm = N·e / length ≤ f·t² / 6',
          inputs: [
            { symbol: 'N', value: l.n, quantity: 'force', source: method.loadFactor.source },
            { symbol: 'e', value: l.armMm, quantity: 'length' },
            { symbol: 'length', value: l.longMm, quantity: 'length' },
            { symbol: 't', value: p.size.thicknessMm, quantity: 'length' },
            ...factorInputs(may.s, may.quantity),
          ],
          source: may.s.source,
        },
      }),
    ]
  },
})

const runsAlong = (p: Part, q: Part): boolean =>
  Math.abs(p.at.along.reduce((s, v, i) => s + v * q.at.along[i], 0)) > 0.9
