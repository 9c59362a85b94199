import type { Machining } from '../assembly/assembly.ts'
import { planBoardsGreedy } from '../cutting/boards-greedy.ts'
import type { Cut1dInstance } from '../cutting/format.ts'
import type { PieceLine } from './pieces.ts'

/*
 * Two pieces whose ends are cut at one angle lie with these ends in each other, one of them turned round: one slanting cut
 * makes both.
 *
 *     +-----------------/ /---------------+
 *     |     first      / /    second      |
 *     +---------------/ /-----------------+
 */

type CutPart = Cut1dInstance['parts'][number]
type Mitre = Extract<Machining, { kind: 'mitre' }>
/** The slanting cut that parts a piece from the one before it: how far from square, and how much wood it goes through. */
export interface Lean {
  angleRad: number
  deepMm: number
}

/** Length one slanting cut saves between two pieces told over their long points, mm. */
export const sharedMm = ({ angleRad, deepMm }: Lean, kerfMm: number): number =>
  deepMm * Math.tan(angleRad) - kerfMm / Math.cos(angleRad)

/** What lies in the end of another piece: its line, and the cut between. */
export interface Beside {
  line: PieceLine
  lean: Lean
}
/** What the planner lays as one length. */
export interface Laid {
  line: PieceLine
  strips: number
  slantRad?: number
  beside?: Beside
}
interface Job {
  instance: Cut1dInstance
  lines: Record<string, Laid>
}

/** More pieces of one angle than this are not paired piece by piece. */
const MOST_PAIRED = 400

/** The steeper of a piece's slanting ends; null where it has none, or another piece cannot lie in it. */
function leanOf({ line }: Laid): Lean | null {
  if (line.ripped || line.outline || line.machining.some((m) => m.kind === 'scribe')) return null
  const mitres = line.machining.filter((m): m is Mitre => m.kind === 'mitre')
  const angles = mitres.map((m): Lean => ({
    angleRad: Math.abs(m.angleRad),
    deepMm: m.through === 'width' ? line.widthMm : line.thicknessMm,
  }))
  return angles.sort((a, b) => b.angleRad - a.angleRad)[0] ?? null
}

/**
 * The same job with pieces of one angle in pairs where that costs less; itself where it does not.
 * @param lengthOf of a pair in the unit of the instance, mm given
 */
export function nestMitres<J extends Job>(job: J, kerfMm: number, lengthOf: (mm: number) => number): J {
  const groups = new Map<string, { lean: Lean; pieces: string[] }>()
  for (const { id, qty } of job.instance.parts) {
    const lean = leanOf(job.lines[id])
    if (!lean || sharedMm(lean, kerfMm) <= 0) continue
    const key = `${lean.deepMm.toFixed(2)}|${lean.angleRad.toFixed(4)}`
    const group = groups.get(key) ?? { lean, pieces: [] }
    groups.set(key, group)
    for (let i = 0; i < qty && group.pieces.length < MOST_PAIRED; i++) group.pieces.push(id)
  }
  const long = (id: string) => job.lines[id].line.cut.lengthMm
  for (const g of groups.values()) g.pieces.sort((a, b) => long(b) - long(a))
  const paired = [...groups.values()].filter((g) => g.pieces.length > 1)
  if (paired.length === 0) return job
  const costOf = (j: J) => {
    const r = planBoardsGreedy(j.instance)
    return r.ok ? r.plan.claim.cost : Infinity
  }
  let [best, cost] = [job, costOf(job)]
  for (const ways of [nextTo, longWithShort]) {
    const made = withPairs(
      job,
      paired.flatMap(({ lean, pieces }) => ways(pieces).map((pair) => ({ lean, pair }))),
      kerfMm,
      lengthOf,
    )
    const c = costOf(made)
    if (c < cost) [best, cost] = [made, c]
  }
  return best
}

type Pair = readonly [string, string]
const nextTo = (pieces: readonly string[]): Pair[] =>
  Array.from({ length: Math.floor(pieces.length / 2) }, (_, i) => [pieces[2 * i], pieces[2 * i + 1]])
const longWithShort = (pieces: readonly string[]): Pair[] =>
  Array.from({ length: Math.floor(pieces.length / 2) }, (_, i) => [pieces[i], pieces[pieces.length - 1 - i]])

function withPairs<J extends Job>(
  job: J,
  pairs: readonly { lean: Lean; pair: Pair }[],
  kerfMm: number,
  lengthOf: (mm: number) => number,
): J {
  const left = new Map(job.instance.parts.map((p) => [p.id, p.qty]))
  const made = new Map<string, CutPart>()
  const lines = { ...job.lines }
  for (const { lean, pair } of pairs) {
    const [a, b] = pair.map((id) => job.lines[id].line)
    const id = pair.join('+')
    const part = made.get(id) ?? {
      id,
      length: lengthOf(a.cut.lengthMm + b.cut.lengthMm - sharedMm(lean, kerfMm)),
      qty: 0,
    }
    part.qty++
    made.set(id, part)
    lines[id] = { line: a, strips: 1, beside: { line: b, lean } }
    for (const one of pair) left.set(one, left.get(one)! - 1)
  }
  const single = job.instance.parts.map((p) => ({ ...p, qty: left.get(p.id)! })).filter((p) => p.qty > 0)
  return { ...job, lines, instance: { ...job.instance, parts: [...single, ...made.values()] } }
}
