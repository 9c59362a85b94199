import type { Assembly, Body, Part } from '../assembly/assembly.ts'
import { findSoft, isLine } from '../catalogue/soft.ts'
import { bodyKey, frameOf } from '../loads/frame.ts'
import { newtons } from '../measure/units.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'

type Given = Pick<CheckContext, 'assembly' | 'design' | 'service' | 'goods'>

/** Whether a body that was there is held by pieces that were not. */
const heldByNew = (b: Body, existing: ReadonlySet<string>, a: Assembly): boolean =>
  (frameOf(a).supportsOf.get(bodyKey(b.id)) ?? []).some((s) => 'body' in s.from && !existing.has(s.from.through))

/** What was there already carries in and on it no more than whoever knows it says; what moves of it goes with it. */
function ofExisting(p: Part, ratedN: number, { assembly: a, service, goods }: Given): CheckResult {
  const body = a.bodies.find((b) => b.parts.includes(p.id))
  const within = body ? a.parts.filter((x) => body.parts.includes(x.id) && x.stock.kind === 'existing') : [p]
  const ids = new Set(within.map((x) => x.id))
  const bays = a.bays.filter((b) => b.carriers.some((c) => ids.has(c)))
  const { supportsOf, onPart } = frameOf(a)
  const on = (onPart.get(p.id) ?? []).filter((s) => !('bay' in s.from))
  const items = bays.flatMap((b) => b.items)
  const unweighed = items.find((i) => i.massKg === null)
  const standing = supportsOf.get(p.id) ?? []
  const given = {
    check: 'ratings',
    link: 'whole' as const,
    quantity: 'force' as const,
    subject: p.id,
    parts: [p.id],
    bays: bays.map((b) => b.id),
    covers: [
      ...ids,
      // New pieces that hold it are fastened, and that is asked for by itself.
      ...(body && !heldByNew(body, ids, a) ? [body.id] : []),
      ...[...on, ...standing].map((s) => s.id),
      ...a.motions.filter((m) => m.kind !== 'stages' && m.parts.every((x) => ids.has(x))).map((m) => m.id),
    ],
    data: { item: p.stock.kind === 'existing' ? p.stock.name : '', existing: 1 },
  }
  if (unweighed) return notWeighed(given, unweighed.goodsId, goods)
  const n =
    items.reduce((sum, i) => sum + newtons(i.massKg ?? 0), 0) +
    on.reduce((sum, s) => sum + Math.max(0, s.push[2] * (service.reactions.get(s.id) ?? 0)), 0)
  if (ratedN <= 0) return plain({ ...given, code: 'unknown-existing', state: 'unknown', demand: n })
  return measured({
    code: 'existing',
    demand: n,
    capacity: ratedN,
    working: {
      formula: 'all that lies in it and on it ≤ what it is known to carry',
      inputs: [{ symbol: 'N', value: n, quantity: 'force' }],
      source: 'what it carried before, or its maker’s rating, as entered',
    },
    ...given,
  })
}

/** What is bought with a rating of its maker, or was there already, carries no more than that. */
export const ratings = defineCheck({
  id: 'ratings',
  reads: ['assembly', 'service', 'design', 'goods'],
  run(c): CheckResult[] {
    const existing = c.assembly.parts.flatMap((p) =>
      p.stock.kind === 'existing' && p.stock.ratedN !== undefined ? [ofExisting(p, p.stock.ratedN, c)] : [],
    )
    return [...ofBought(c), ...existing]
  },
})

/** What a bought piece is called, and what its maker says it carries; null where that is not what it is known by. */
function boughtAs({ stock }: Part): { item: string; ratedN: number } | null {
  if (stock.kind === 'bought') return stock.ratedN === undefined ? null : { item: stock.item, ratedN: stock.ratedN }
  const soft = stock.kind === 'soft' ? findSoft(stock.soft) : undefined
  return soft && isLine(soft) ? { item: soft.label, ratedN: soft.ratedN } : null
}

function ofBought({ assembly, design, goods }: Given): CheckResult[] {
  let worst: CheckResult | null = null
  let lost: Part | null = null
  const covers: string[] = []
  const { supportsOf, onPart } = frameOf(assembly)
  for (const p of assembly.parts) {
    const bought = boughtAs(p)
    if (!bought) continue
    // What hangs on nothing is left to whoever counts what nobody looked at.
    const body = assembly.bodies.find((b) => b.parts.length === 1 && b.parts[0] === p.id)
    const own = [...(supportsOf.get(p.id) ?? []), ...(body ? (supportsOf.get(bodyKey(body.id)) ?? []) : [])]
    if (own.length === 0) continue
    const rests = onPart.get(p.id) ?? []
    covers.push(
      p.id,
      ...(body ? [body.id] : []),
      ...[...own, ...rests].flatMap((s) => (s.joint === null ? [s.id] : [s.id, s.joint])),
    )
    // What is held at several places as one carries what comes to all of them.
    const each = own.map((s) => (body ? Math.max(0, s.push[2]) : 1) * (design.reactions.get(s.id) ?? 0))
    const n = body ? Math.abs(each.reduce((sum, v) => sum + v, 0)) : Math.max(0, ...each.map(Math.abs))
    const r = measured({
      check: 'ratings',
      link: 'whole',
      code: 'rating',
      quantity: 'force',
      subject: 'rating',
      demand: n,
      capacity: bought.ratedN,
      parts: [p.id],
      data: { item: bought.item },
      working: {
        formula: body
          ? 'all that hangs on it ≤ what its maker rates it for'
          : 'the most on one of its supports ≤ what its maker rates it for',
        inputs: [{ symbol: 'N', value: n, quantity: 'force' }],
        source: 'rating of the maker; what is bought may have another, which then counts',
      },
    })
    if (design.members.get(p.id)?.state.kind === 'unknown' && r.state === 'holds') lost ??= p
    if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
  }
  // How much one bears is not known where something on it could not be computed; that it is too much may be.
  if (lost && worst?.state !== 'fails') return [uncertain(lost, { design, goods })]
  return worst ? [{ ...worst, covers }] : []
}

/** What is rated, and carries what could not be computed: nobody knows whether its rating is enough. */
function uncertain(p: Part, { design, goods }: Pick<Given, 'design' | 'goods'>): CheckResult {
  const state = design.members.get(p.id)!.state
  const reason = state.kind === 'unknown' ? state.reason : ''
  const given = { check: 'ratings', link: 'whole' as const, quantity: 'force' as const, subject: 'rating' }
  const about = { ...given, parts: [p.id], data: { role: p.role, letter: '' } }
  return reason === 'not-weighed'
    ? notWeighed(about, design.notWeighed[0], goods)
    : plain({ ...about, code: `unknown-${reason}`, state: 'unknown' })
}
