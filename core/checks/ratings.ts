import { defineCheck, measured, type CheckResult } from './check.ts'

/** What is bought with a rating of its maker carries no more than that. */
export const ratings = defineCheck({
  id: 'ratings',
  reads: ['assembly', 'design'],
  run({ assembly, design }): CheckResult[] {
    let worst: CheckResult | null = null
    const covers: string[] = []
    for (const p of assembly.parts) {
      if (p.stock.kind !== 'bought' || p.stock.ratedN === undefined) continue
      // What hangs on nothing is left to whoever counts what nobody looked at.
      const body = assembly.bodies.find((b) => b.parts.length === 1 && b.parts[0] === p.id)
      const own = assembly.supports.filter((s) =>
        'part' in s.from ? s.from.part === p.id : 'body' in s.from && s.from.body === body?.id,
      )
      if (own.length === 0) continue
      const rests = assembly.supports.filter((s) => s.on.kind === 'part' && s.on.part === p.id)
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
        capacity: p.stock.ratedN,
        parts: [p.id],
        data: { item: p.stock.item },
        working: {
          formula: body
            ? 'all that hangs on it ≤ what its maker rates it for'
            : 'the most on one of its supports ≤ what its maker rates it for',
          inputs: [{ symbol: 'N', value: n, quantity: 'force' }],
          source: 'rating of the maker; what is bought may have another, which then counts',
        },
      })
      if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
    }
    return worst ? [{ ...worst, covers }] : []
  },
})
