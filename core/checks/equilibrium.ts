import { inEquilibrium } from '../loads/load-path.ts'
import { defineCheck, plain, type CheckResult } from './check.ts'

/** Every weight put in must come out at floor, walls or ceiling, in the same place on plan: else no figure of the load path may be believed. */
export const equilibrium = defineCheck({
  id: 'equilibrium',
  reads: ['service', 'design'],
  run({ service, design }): CheckResult[] {
    const good = inEquilibrium(service) && inEquilibrium(design)
    return [
      plain({
        check: 'equilibrium', link: 'whole', code: good ? 'equilibrium' : 'unknown-equilibrium', quantity: 'force', subject: 'build', state: good ? 'holds' : 'unknown', demand: service.loadsN, capacity: service.arrivedN,
        data: { inN: service.loadsN, outN: service.arrivedN },
        working: {
          formula: 'Σ weights = Σ what arrives, and their middles agree', source: 'statics',
          inputs: [
            { symbol: 'put in', value: service.loadsN, quantity: 'force' }, { symbol: 'arrived', value: service.arrivedN, quantity: 'force' },
            ...([0, 1] as const).flatMap((i) => [
              { symbol: i === 0 ? 'middle along the wall, in' : 'middle out from the wall, in', value: service.loadsN > 0 ? service.loadsAt[i] / service.loadsN : 0, quantity: 'length' as const },
              { symbol: 'out', value: service.arrivedN > 0 ? service.arrivedAt[i] / service.arrivedN : 0, quantity: 'length' as const },
            ]),
          ],
        },
      }),
    ]
  },
})
