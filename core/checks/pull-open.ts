import type { Motion } from '../assembly/assembly.ts'
import { partMassKg } from '../assembly/mass.ts'
import { newtons } from '../measure/units.ts'
import { defineCheck, measured, notWeighed, type CheckContext, type CheckResult } from './check.ts'

/*
 * What it takes to start a drawer, drawn straight: all it weighs, full, times what wood on wood resists with.
 */

/** Wood on wood, dry, at rest: usual tables give 0.25 to 0.5. */
const RUBS = 0.4
/** Two hands on a handle at the height of a bench or below, N: product decision, half of what most people can. */
export const PULL_N = 150

interface Pulled {
  motion: Motion
  loadN: number
  unweighed: string | null
}

function pulled(m: Motion, c: Pick<CheckContext, 'assembly' | 'parts'>): Pulled {
  const items = c.assembly.bays.filter((b) => b.carriers.some((id) => m.parts.includes(id))).flatMap((b) => b.items)
  const own = m.parts.reduce((n, id) => n + newtons(partMassKg(c.parts.get(id)!)), 0)
  return {
    motion: m,
    loadN: items.reduce((n, i) => n + newtons(i.massKg ?? 0), own),
    unweighed: items.find((i) => i.massKg === null)?.goodsId ?? null,
  }
}

/** The hardest of all drawers to start; one with something in it that nobody weighed is not known. */
export const pullOpen = defineCheck({
  id: 'pull-open',
  reads: ['assembly', 'parts', 'goods'],
  run({ assembly, parts, goods }): CheckResult[] {
    const all = assembly.motions.filter((m) => m.kind === 'slide').map((m) => pulled(m, { assembly, parts }))
    if (all.length === 0) return []
    const given = { check: 'pull-open', link: 'handling' as const, quantity: 'force' as const, subject: 'drawers' }
    const hardest = all.reduce((a, b) => (b.loadN > a.loadN ? b : a))
    const open = all.find((x) => x.unweighed !== null)
    if (open && RUBS * hardest.loadN <= PULL_N)
      return [notWeighed({ ...given, parts: open.motion.parts.slice(0, 1) }, open.unweighed!, goods)]
    return [
      measured({
        code: 'pull-open',
        demand: RUBS * hardest.loadN,
        capacity: PULL_N,
        parts: hardest.motion.parts.slice(0, 1),
        data: { role: parts.get(hardest.motion.parts[0])!.role },
        working: {
          formula: 'μ·W ≤ what two hands pull',
          inputs: [
            {
              symbol: 'μ',
              value: RUBS,
              quantity: 'ratio',
              source: 'wood on wood, dry, at rest: usual tables, 0.25 to 0.5',
            },
            { symbol: 'W', value: hardest.loadN, quantity: 'force' },
            { symbol: 'two hands', value: PULL_N, quantity: 'force', source: 'product decision' },
          ],
          source: 'Coulomb',
        },
        ...given,
      }),
    ]
  },
})
