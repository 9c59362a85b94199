import type { Part, Support } from '../assembly/assembly.ts'
import { findRod, washerFor, type Rod } from '../catalogue/steel.ts'
import { rodTension, rodTensionEc3, washerBearing } from '../mechanics/hung.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { woodOf } from './wood.ts'

/*
 * What hangs on threaded rods: the rod pulled, and the washers under its nuts pressed into the wood they hold. Nuts and
 * coupling nuts are at least as strong as their rod.
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'settings' | 'method' | 'goods'>

/** What is bought on a rod is rated by its maker. */
const WOODEN: readonly Part['stock']['kind'][] = ['board', 'sheet', 'existing']

/** Wood that a nut of the rod holds or hangs on. */
const woods = (rod: Part, c: Given): { part: Part; support: Support }[] =>
  c.assembly.supports.flatMap((s) => {
    if (!('part' in s.from) || s.on.kind !== 'part') return []
    const other = s.from.part === rod.id ? s.on.part : s.on.part === rod.id ? s.from.part : null
    const part = other === null ? undefined : c.parts.get(other)
    return part && WOODEN.includes(part.stock.kind) ? [{ part, support: s }] : []
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

/** Up and down in an earthquake as well: ASCE 7-16 12.4.2.2. */
const shakenBy = (c: Given): number => 1 + 0.2 * (c.settings.seismicG ?? 0)

const given = { check: 'rods', link: 'rail' as const, quantity: 'force' as const }

function tension(p: Part, rod: Rod, pulledN: number, c: Given): CheckResult {
  const { n, source } = rodGives(rod, c)
  const inputs: Input[] = [
    { symbol: 'pulled', value: pulledN, quantity: 'force', source: c.method.loadFactor.source },
    { symbol: '1 + 0.2·SDS', value: shakenBy(c), quantity: 'ratio', source: 'ASCE 7-16 12.4.2.2' },
    { symbol: 'fu', value: rod.fu, quantity: 'stress', source: rod.source },
    { symbol: 'diameter', value: rod.diameterMm, quantity: 'length', source: rod.source },
  ]
  return measured({
    ...given,
    subject: 'rod',
    code: 'rod',
    demand: pulledN * shakenBy(c),
    capacity: n,
    parts: [p.id],
    data: { rod: rod.id, pulledN },
    working: { formula: 'N ≤ what the rod gives', inputs, source },
  })
}

/** A washer on a piece of wood; null where nobody knows the wood. */
function washerOn(
  p: Part,
  rod: Rod,
  { part, support }: { part: Part; support: Support },
  c: Given,
): CheckResult | null {
  const [washer, capacity] = [washerFor(rod), washerGives(rod, part, c)]
  if (!washer || capacity === null) return null
  const load = Math.abs(c.design.reactions.get(support.id) ?? 0)
  return measured({
    ...given,
    subject: 'washer',
    code: 'washer',
    demand: load * shakenBy(c),
    capacity,
    parts: [part.id, p.id],
    data: { rod: rod.id, pulledN: load, role: part.role },
    working: {
      formula: 'N ≤ π/4·(D² − d²) · strength across the grain',
      inputs: [
        { symbol: 'pressed', value: load, quantity: 'force', source: c.method.loadFactor.source },
        { symbol: '1 + 0.2·SDS', value: shakenBy(c), quantity: 'ratio', source: 'ASCE 7-16 12.4.2.2' },
        { symbol: 'D', value: washer.outerMm, quantity: 'length', source: washer.source },
        { symbol: 'd', value: washer.holeMm, quantity: 'length', source: washer.source },
      ],
      source: 'across the grain by the method',
    },
  })
}

const lost = (p: Part, code: string, data: CheckResult['data'] = {}): CheckResult =>
  plain({ ...given, subject: 'rod', code, state: 'unknown', parts: [p.id], data: { role: p.role, ...data } })

/** One rod: its tension and its washers, or the one thing that is not known. */
function ofRod(p: Part, c: Given): CheckResult[] {
  const rod = p.stock.kind === 'steel' ? findRod(p.stock.rod) : undefined
  const state = c.design.members.get(p.id)?.state
  if (state?.kind === 'unknown')
    return [lost(p, `unknown-${state.reason}`, { goods: c.goods.get(c.design.notWeighed[0])?.name ?? '' })]
  // A rod only pulls.
  if (!rod || state?.kind !== 'strut' || state.axial.pressedN > 0) return [lost(p, 'unknown-no-strength')]
  const washers = woods(p, c).map((w) => washerOn(p, rod, w, c))
  return washers.some((w) => w === null)
    ? [lost(p, 'unknown-no-strength')]
    : [tension(p, rod, state.axial.pulledN, c), ...washers.map((w) => w!)]
}

export const rods = defineCheck({
  id: 'rods',
  reads: ['assembly', 'parts', 'design', 'settings', 'method', 'goods'],
  run(c): CheckResult[] {
    // One that only keeps things in hangs nothing.
    const steel = c.assembly.parts.filter((p) => p.stock.kind === 'steel' && p.axial)
    if (steel.length === 0) return []
    const all = steel.flatMap((p) => ofRod(p, c))
    const unknown = all.find((r) => r.state === 'unknown')
    if (unknown) return [unknown]
    const ids = new Set(steel.map((p) => p.id))
    const covers = [
      ...ids,
      ...c.assembly.joints.filter((j) => ids.has(j.near) || ids.has(j.far)).map((j) => j.id),
      ...c.assembly.supports
        .filter((s) => ('part' in s.from && ids.has(s.from.part)) || (s.on.kind === 'part' && ids.has(s.on.part)))
        .map((s) => s.id),
    ]
    const worst = ['rod', 'washer'].flatMap((code) => {
      const list = all.filter((r) => r.code === code)
      return list.length > 0 ? [list.reduce((a, b) => (hard(b) > hard(a) ? b : a))] : []
    })
    return [...worst.map((r) => ({ ...r, covers })), ...swings(steel[0], c)]
  },
})

const hard = (r: CheckResult) => r.ratio ?? Infinity

/** What hangs on rods and is screwed to nothing swings in an earthquake, and nobody has worked out how far. */
const swings = (p: Part, c: Given): CheckResult[] =>
  c.settings.seismicG && c.assembly.anchors.length === 0
    ? [
        plain({
          ...given,
          subject: 'swing',
          code: 'rods-swing',
          state: 'unknown',
          parts: [p.id],
          data: { role: p.role },
        }),
      ]
    : []
