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
      const own = assembly.supports.filter((s) => 'part' in s.from && s.from.part === p.id)
      if (own.length === 0) continue
      const rests = assembly.supports.filter((s) => s.on.kind === 'part' && s.on.part === p.id)
      covers.push(p.id, ...[...own, ...rests].flatMap((s) => (s.joint === null ? [s.id] : [s.id, s.joint])))
      const each = own.map((s) => Math.abs(design.reactions.get(s.id) ?? 0))
      const n = Math.max(0, ...each)
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
          formula: 'the most on one of its supports ≤ what its maker rates it for',
          inputs: [{ symbol: 'N', value: n, quantity: 'force' }],
          source: 'rating of the maker; what is bought may have another, which then counts',
        },
      })
      if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
    }
    return worst ? [{ ...worst, covers }] : []
  },
})
