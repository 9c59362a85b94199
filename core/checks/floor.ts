import { partFeet } from '../assembly/feet.ts'
import { partMassKg } from '../assembly/mass.ts'
import { boxUnion } from '../geometry/box.ts'
import { newtons } from '../measure/units.ts'
import { PANEL_BEARING_MPA } from './bearing.ts'
import { defineCheck, measured, plain, type CheckResult } from './check.ts'

/** Spread load a timber floor of a dwelling is meant for, kN/m²: 40 psf, IRC table R301.5. Ask locally. */
const TIMBER_KN_M2 = 1.92
/**
 * Pressure a house slab takes under a foot without cracking up, MPa: a quarter of the 10 MPa of poor concrete. Product
 * decision.
 */
const SLAB_MPA = 2.5
/** What is pressed under single feet. */
const UNDER_FEET = {
  slab: { code: 'slab', most: SLAB_MPA, source: 'a quarter of 10 MPa, poor concrete: product decision' },
  top: { code: 'top-pressed', most: PANEL_BEARING_MPA, source: 'what a face of sheet takes: product decision' },
}

/** What comes down to the floor: under each foot, and spread over the footprint. */
export const floorBearing = defineCheck({
  id: 'floor',
  reads: ['assembly', 'service', 'space', 'goods'],
  run({ assembly, service, space }): CheckResult[] {
    const feet = partFeet(assembly)
    // What stands on the floor itself, with the room it has there.
    const places = assembly.bays.filter((b) => b.carriers.length === 0 && b.items.length > 0).map((b) => b.clear)
    if (feet.length === 0 && (places.length === 0 || space.floor !== 'timber')) return []
    const given = { check: 'floor', link: 'ground' as const }
    const items = assembly.bays.flatMap((x) => x.items)
    const unweighed = service.notWeighed.length > 0
    if (space.floor !== 'timber') {
      const under = UNDER_FEET[space.floor]
      const worst = feet
        .map((s) => ({
          s,
          n: service.reactions.get(s.id) ?? 0,
          area: s.areaMm2 ?? (s.contact.max[0] - s.contact.min[0]) * (s.contact.max[1] - s.contact.min[1]),
        }))
        .reduce((a, b) => (b.n * a.area > a.n * b.area ? b : a))
      if (unweighed || worst.area <= 0)
        return [
          plain({ ...given, quantity: 'stress', code: 'unknown-not-weighed', subject: 'floor', state: 'unknown' }),
        ]
      return [
        measured({
          quantity: 'stress',
          code: under.code,
          subject: 'floor',
          demand: worst.n / worst.area,
          capacity: under.most,
          parts: [worst.s.from.part],
          data: { n: worst.n },
          working: {
            formula: 'load / foot',
            inputs: [
              { symbol: 'load', value: worst.n, quantity: 'force' },
              { symbol: 'foot', value: worst.area, quantity: 'area' },
            ],
            source: under.source,
          },
          ...given,
        }),
      ]
    }
    if (unweighed || items.some((i) => i.massKg === null))
      return [plain({ ...given, quantity: 'stress', code: 'unknown-not-weighed', subject: 'floor', state: 'unknown' })]
    const b = boxUnion(feet.length > 0 ? feet.map((s) => s.contact) : places)
    const area = Math.max(1, (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]))
    const kg = assembly.parts.reduce((m, p) => m + partMassKg(p), 0) + items.reduce((m, i) => m + (i.massKg ?? 0), 0)
    const pressure = newtons(kg) / area
    return [
      measured({
        ...given,
        quantity: 'stress',
        code: 'timber-floor',
        subject: 'floor',
        demand: pressure,
        capacity: TIMBER_KN_M2 / 1000,
        data: { kg, knM2: pressure * 1000, allowedKnM2: TIMBER_KN_M2 },
        working: {
          formula: 'all weight / footprint',
          inputs: [
            { symbol: 'weight', value: newtons(kg), quantity: 'force' },
            { symbol: 'footprint', value: area, quantity: 'area' },
          ],
          source: 'IRC table R301.5, 40 psf; ask locally what your floor is made for',
        },
      }),
    ]
  },
})
