import { lengthsOf } from '../catalogue/lumber.ts'
import { boardKey, type PriceLine } from '../catalogue/prices.ts'
import type { UnitSystem } from '../measure/units.ts'
import type { ShapeContext } from './family.ts'

/** What lengths of a section the price book lists, with their prices. */
export function boardsOf(prices: readonly PriceLine[], system: UnitSystem): ShapeContext['boards'] {
  const minor = new Map(prices.map((p) => [p.key, p.minor]))
  return (section, treated) =>
    lengthsOf(section, system).flatMap((lengthMm) => {
      const price = minor.get(boardKey(section, lengthMm, treated))
      return price === undefined ? [] : [{ lengthMm, minor: price }]
    })
}
