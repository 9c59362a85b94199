import { jointsById } from '../assembly/by-id.ts'
import { misplaced, missing, type Flaw } from '../assembly/sound.ts'
import type { Assembly, Joint, Part, Support } from '../assembly/assembly.ts'
import { partMassKg } from '../assembly/mass.ts'
import { kept } from '../measure/kept.ts'
import { newtons } from '../measure/units.ts'
import type { LoadPath, Member } from '../loads/load-path.ts'
import { actsAlong } from './along.ts'
import { plain, type CheckResult } from './check.ts'

/*
 * What nobody judged is not safe. After all checks: whatever carries and was covered by none of them is named, and the
 * build is not proven.
 */

/** A part that bears this much more than itself carries something, as a share of its own weight. */
const MORE = 1e-3

const given = { check: 'unread', link: 'whole' as const, quantity: 'count' as const, subject: 'build' }

/** The answer for an assembly that names what it has not: nothing of it can be computed. */
export function broken(a: Assembly): CheckResult | null {
  const flaws = missing(a)
  return flaws.length === 0
    ? null
    : told(
        'missing',
        flaws.map((f) => f.id),
        a,
      )
}

function told(why: Flaw['code'] | 'unread' | 'not-held', ids: readonly string[], a: Assembly): CheckResult {
  const parts = a.parts.filter((p) => ids.includes(p.id))
  return plain({
    code: `unread-${why}`,
    state: 'unknown',
    demand: ids.length,
    capacity: 0,
    parts: parts.map((p) => p.id),
    covers: [...ids],
    data: { count: ids.length, role: parts[0]?.role ?? '', first: ids[0] },
    ...given,
  })
}

/** What must have been judged of which id. */
interface Asked {
  judges: readonly string[]
  id: string
}

/** What of a member needs judging; null where nothing is asked of it. */
function asksFor(p: Part, m: Member, single: ReadonlySet<string>): Asked | null {
  const s = m.state
  const alone = m.totalN <= (1 + MORE) * newtons(partMassKg(p)) + MORE
  if (alone && (s.kind === 'idle' || s.kind === 'column')) return null
  const along = actsAlong(m) ? ['along'] : []
  if (s.kind === 'beam' || s.kind === 'panel') return { judges: ['bending', ...along], id: p.id }
  if (s.kind === 'column') return { judges: [p.stock.kind === 'sheet' ? 'upright' : 'buckling', ...along], id: p.id }
  if (s.kind === 'strut') return { judges: ['along'], id: p.id }
  // Of a body of one piece nothing is fastened inside it: what holds it is asked for by itself.
  if (s.kind === 'joined') return single.has(s.body) ? null : { judges: ['body'], id: s.body }
  if (s.kind === 'idle') return { judges: ['idle'], id: p.id }
  return null
}

/** Whether what passes through a support passes through its joint too; what lies on wood is only kept there by it. */
const asksForJoint = (s: Support, joints: ReadonlyMap<string, Joint>): boolean =>
  s.joint !== null &&
  (s.via === 'fasteners' || ['on-pins', 'housed', 'socketed'].includes(joints.get(s.joint)?.kind ?? ''))

/** Checks whose results say which members they have judged, by the word that stands before the id. */
const JUDGES: Record<string, readonly string[]> = {
  bending: ['bending'],
  along: ['along'],
  rods: ['along'],
  tubes: ['bending', 'along'],
  buckling: ['buckling'],
  upright: ['upright', 'idle'],
  body: ['body'],
  hinges: ['body'],
  'on-slides': ['body'],
  ratings: ['idle', 'body', 'along'],
}

/**
 * Everything that carries more than itself, every support that is not plain bearing on the floor, every anchor and
 * every moving body must be covered by a result; what is not is told by name.
 * @param paths with weights as they are, in every arrangement of the goods
 */
export function unread(
  a: Assembly,
  parts: ReadonlyMap<string, Part>,
  paths: readonly LoadPath[],
  results: readonly CheckResult[],
): CheckResult {
  const wrong = misplaced(a)
  if (wrong.length > 0) return told(wrong[0].code, [...new Set(wrong.map((f) => f.id))], a)
  const notHeld = paths.flatMap((p) => p.notHeld)
  if (notHeld.length > 0) return told('not-held', [...new Set(notHeld)], a)
  const judged = new Map<string, Set<string>>()
  const covered = new Set<string>()
  for (const r of results) {
    for (const id of r.covers) covered.add(id)
    for (const judge of JUDGES[r.check] ?? []) {
      const ids = kept(judged, judge, () => new Set<string>())
      for (const id of r.parts) ids.add(id)
      for (const id of r.covers) ids.add(id)
    }
  }
  const open = new Set<string>()
  const single = new Set(a.bodies.filter((b) => b.parts.length === 1).map((b) => b.id))
  const joints = jointsById(a)
  for (const path of paths)
    for (const m of path.members.values()) {
      // What could not be computed has said so itself.
      if (m.state.kind === 'unknown') continue
      const asked = asksFor(parts.get(m.part)!, m, single)
      if (asked && !asked.judges.every((j) => judged.get(j)?.has(asked.id))) open.add(m.part)
    }
  for (const s of a.supports) {
    // Goods on a part are judged with the part; standing on the floor is judged as a foot.
    if ('bay' in s.from || (s.on.kind === 'floor' && s.via === 'bearing')) continue
    const looked = covered.has(s.id) && (!asksForJoint(s, joints) || covered.has(s.joint!))
    if (!looked && paths.some((p) => Math.abs(p.reactions.get(s.id) ?? 0) > MORE))
      open.add('part' in s.from ? s.from.part : s.from.through)
  }
  for (const x of a.anchors) if (!covered.has(x.id) && x.into !== 'neighbour') open.add(x.part)
  for (const m of a.motions) if (!covered.has(m.id)) open.add(m.parts[0])
  if (open.size > 0) return told('unread', [...open], a)
  return plain({
    code: 'all-read',
    state: 'holds',
    demand: 0,
    capacity: 0,
    data: { parts: a.parts.length, joints: a.joints.length },
    ...given,
  })
}
