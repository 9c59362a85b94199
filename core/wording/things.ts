import pluralize from 'pluralize'
import type { GoodsTotals } from '../goods/totals.ts'
import { formatMass } from '../measure/format.ts'
import type { Units } from '../measure/units.ts'

/** What follows one of these says of what, or with what: it is not what there is more of. */
const HEAD = /^(.*?)( of | for | with | from |,| \()/

/** The name of one of some things: "pair of skis" of "pairs of skis". */
export function oneOf(name: string): string {
  const head = HEAD.exec(name)?.[1] ?? name
  const [, before, last] = /^(.*?)(\p{L}+)$/u.exec(head) ?? [head, head, '']
  return last && pluralize.isPlural(last) ? before + pluralize.singular(last) + name.slice(head.length) : name
}

/** So many of a thing, whose name was given to all there are. */
export const sayThings = (count: number, g: { name: string; count: number }): string =>
  `${count} ${count === 1 && g.count > 1 ? oneOf(g.name) : g.name}`

/** What all of some goods weigh, as far as anybody weighed them. */
export function sayMassOf({ things, massKg, notWeighed }: GoodsTotals, units: Units): string {
  if (things > 0 && notWeighed === things) return 'none weighed'
  return formatMass(massKg, units) + (notWeighed > 0 ? `, ${notWeighed} not weighed` : '')
}
