import type { Part, Support } from '../assembly/assembly.ts'
import { findRod, washerFor, type Rod } from '../catalogue/steel.ts'
import { rodTension, rodTensionEc3, washerBearing } from '../mechanics/hung.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { woodOf } from './wood.ts'

/*
 * What hangs on threaded rods: the rod pulled, and the washers under its nuts pressed into the wood they hold. Nuts and coupling nuts are at least as
 * strong as their rod.
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'settings' | 'method' | 'goods'>

/** Wood that a nut of the rod holds or hangs on. */
const woods = (rod: Part, c: Given): { part: Part; support: Support }[] =>
  c.assembly.supports.flatMap((s) => {
    if (!('part' in s.from) || s.on.kind !== 'part') return []
    const other = s.from.part === rod.id ? s.on.part : s.on.part === rod.id ? s.from.part : null
    const part = other === null ? undefined : c.parts.get(other)
    return part && part.stock.kind !== 'steel' ? [{ part, support: s }] : []
  })

/** Tension a rod is counted with, N. */
const rodGives = (r: Rod, c: Given): { n: number; source: string } =>
  c.method.id === 'ec5'
    ? { n: rodTensionEc3(r.fu, r.diameterMm, r.pitchMm), source: 'EN 1993-1-8 table 3.4: 0.9·fu·As / 1.25' }
    : { n: rodTension(r.fu, r.diameterMm), source: 'AISC 360-16 table J3.2: 0.75·Fu·A / 2' }

/** What a washer on wood holds, N; null where nobody knows the wood across its grain. */
function washerGives(r: Rod, part: Part, c: Given): number | null {
  const [washer, wood] = [washerFor(r), woodOf(part)]
  if (!washer || wood?.kind !== 'lumber') return null
  const d = washer.outerMm
  // Without what the wood beside the washer adds.
  const s = c.method.bearing(wood.grade, c.settings, { lengthMm: 1000, beforeMm: 0, afterMm: 0 })
  return s && washerBearing(d, washer.holeMm, s.value)
}

export const rods = defineCheck({
  id: 'rods',
  reads: ['assembly', 'parts', 'design', 'settings', 'method', 'goods'],
  run(c): CheckResult[] {
    const given = { check: 'rods', link: 'rail' as const, quantity: 'force' as const }
    let worst: { subject: string; result: CheckResult }[] = []
    const covers: string[] = []
    for (const p of c.assembly.parts) {
      if (p.stock.kind !== 'steel') continue
      const [rod, state] = [findRod(p.stock.rod), c.design.members.get(p.id)?.state]
      const lost = (code: string) =>
        plain({ ...given, subject: 'rod', code, state: 'unknown', parts: [p.id], data: { role: p.role } })
      if (!rod || !state || state.kind === 'unknown')
        return [lost(`unknown-${state?.kind === 'unknown' ? state.reason : 'no-strength'}`)]
      if (state.kind !== 'strut') continue
      const { pulledN, pressedN } = state.axial
      if (pressedN > 0) return [lost('unknown-no-strength')]
      covers.push(p.id, ...c.assembly.joints.filter((j) => j.near === p.id || j.far === p.id).map((j) => j.id))
      for (const s of c.assembly.supports)
        if (('part' in s.from && s.from.part === p.id) || (s.on.kind === 'part' && s.on.part === p.id))
          covers.push(s.id)
      const { n, source } = rodGives(rod, c)
      const inputs: Input[] = [
        { symbol: 'pulled', value: pulledN, quantity: 'force', source: c.method.loadFactor.source },
        { symbol: 'fu', value: rod.fu, quantity: 'stress', source: rod.source },
        { symbol: 'diameter', value: rod.diameterMm, quantity: 'length', source: rod.source },
      ]
      const data = { rod: rod.id, pulledN }
      const add = (subject: string, result: CheckResult) => (worst = keepWorst(worst, subject, result))
      add(
        'rod',
        measured({
          ...given,
          subject: 'rod',
          code: 'rod',
          demand: pulledN,
          capacity: n,
          parts: [p.id],
          data,
          working: { formula: 'N ≤ what the rod gives', inputs, source },
        }),
      )
      for (const { part, support } of woods(p, c)) {
        const gives = washerGives(rod, part, c)
        const load = Math.abs(c.design.reactions.get(support.id) ?? 0)
        if (gives === null) return [lost('unknown-no-strength')]
        add(
          'washer',
          measured({
            ...given,
            subject: 'washer',
            code: 'washer',
            demand: load,
            capacity: gives,
            parts: [part.id, p.id],
            data: { ...data, role: part.role },
            working: {
              formula: 'N ≤ π/4·(D² − d²) · strength across the grain',
              inputs: [
                { symbol: 'pressed', value: load, quantity: 'force', source: c.method.loadFactor.source },
                { symbol: 'D', value: washerFor(rod)!.outerMm, quantity: 'length', source: washerFor(rod)!.source },
                { symbol: 'd', value: washerFor(rod)!.holeMm, quantity: 'length', source: washerFor(rod)!.source },
              ],
              source: 'across the grain by the method',
            },
          }),
        )
      }
    }
    if (worst.length === 0) return []
    if (c.design.notWeighed.length > 0)
      return [
        plain({
          ...given,
          subject: 'rod',
          code: 'unknown-not-weighed',
          state: 'unknown',
          parts: covers.slice(0, 1),
          data: { goods: c.goods.get(c.design.notWeighed[0])?.name ?? '' },
        }),
      ]
    return worst.map(({ result }) => ({ ...result, covers }))
  },
})

const hard = (r: CheckResult) => r.ratio ?? Infinity
function keepWorst(list: { subject: string; result: CheckResult }[], subject: string, result: CheckResult) {
  const seen = list.find((x) => x.subject === subject)
  if (!seen) return [...list, { subject, result }]
  return hard(result) > hard(seen.result) ? list.map((x) => (x === seen ? { subject, result } : x)) : list
}
