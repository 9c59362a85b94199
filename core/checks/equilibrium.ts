import { partFeet } from '../assembly/feet.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { arrived, inEquilibrium, type LoadPath } from '../loads/load-path.ts'
import { defineCheck, plain, type CheckResult, type Input } from './check.ts'

const AXES = ['along the wall', 'out from the wall', 'up'] as const

/**
 * Couples that members leave to the ground as one, of all weights, mm: a sheet that ends on an arm lies half its width
 * beside its middle. Product decision.
 */
const BESIDE_MM = 8
/**
 * Of what is held up by the wall and stands on the floor, or stands on two rows of feet, as a share of the way from the
 * one to the other: there the couple only shifts weight between the two, which is done before fixings and feet are
 * judged. Product decision.
 */
const BESIDE_SHARE = 0.05

/** What couples may be left to the ground, mm. */
function mostBeside(a: Assembly): number {
  const up = a.supports.filter((s) => s.on.kind === 'wall' && s.anchor !== null && s.push[2] > 0.9)
  const feet = partFeet(a)
  if (feet.length === 0) return BESIDE_MM
  const ys = feet.map((s) => (s.contact.min[1] + s.contact.max[1]) / 2)
  const [near, far] = [Math.min(...ys), Math.max(...ys)]
  return Math.max(BESIDE_MM, BESIDE_SHARE * (up.length > 0 ? near : far - near))
}

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
  reads: ['assembly', 'service', 'design'],
  run({ assembly, service, design }): CheckResult[] {
    const sumsUp = inEquilibrium(service) && inEquilibrium(design)
    const good = sumsUp && service.besideMm <= mostBeside(assembly)
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
