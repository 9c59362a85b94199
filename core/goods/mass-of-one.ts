import { parseMass } from '../measure/parse-mass.ts'
import { bad, type Result } from '../measure/result.ts'
import type { UnitSystem } from '../measure/units.ts'

/** Nobody keeps one thing heavier than this in a garage, kg: a slip of the keyboard is likelier. Product decision. */
const MOST_KG = 5000

/** `14 kg each`: the mass of one, as it is said after what it is. Fails with `not-a-mass`, `too-heavy`. */
export function massOfOne(text: string, system: UnitSystem): Result<number> {
  const mass = parseMass(text.replace(/\b(each|apiece|full)\b/gi, '').trim(), system)
  return mass.ok && mass.value > MOST_KG ? bad('too-heavy', { text }, 'massKg') : mass
}
