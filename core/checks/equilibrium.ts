import { arrived, inEquilibrium, type LoadPath } from '../loads/load-path.ts'
import { besideOf } from './beside.ts'
import { defineCheck, plain, type CheckResult, type Input } from './check.ts'

const AXES = ['along the wall', 'out from the wall', 'up'] as const

/** The six sums, in and out. */
function sums(p: LoadPath): Input[] {
  const out = arrived(p)
  return AXES.flatMap((axis, i): Input[] => [
    { symbol: `forces ${axis}, in`, value: p.weights.force[i], quantity: 'force' },
    { symbol: 'out', value: out.force[i], quantity: 'force' },
    { symbol: `moments about the line ${axis}, in`, value: p.weights.moment[i], quantity: 'moment' },
    { symbol: 'out', value: out.moment[i], quantity: 'moment' },
  ])
}

/**
 * Every weight put in must come out at floor, walls or ceiling, in all six sums: else no figure of the load path may be
 * believed.
 */
export const equilibrium = defineCheck({
  id: 'equilibrium',
  reads: ['assembly', 'parts', 'service', 'design'],
  run({ assembly, parts, service, design }): CheckResult[] {
    const sumsUp = inEquilibrium(service) && inEquilibrium(design)
    const good = sumsUp && besideOf({ assembly, parts }, service) !== 'open'
    const outN = -arrived(service).force[2]
    return [
      plain({
        check: 'equilibrium',
        link: 'whole',
        code: good ? 'equilibrium' : sumsUp ? 'unknown-beside' : 'unknown-equilibrium',
        quantity: 'force',
        subject: 'build',
        state: good ? 'holds' : 'unknown',
        demand: service.loadsN,
        capacity: outN,
        data: { inN: service.loadsN, outN },
        working: {
          formula: 'Σ forces and Σ moments of all weights = those of all that arrives, to 1 mm × weight',
          source: 'statics',
          inputs: sums(service),
        },
      }),
    ]
  },
})
