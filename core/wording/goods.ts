import type { Care } from '../goods/care.ts'
import type { TIMES } from '../goods/goods.ts'

/** What a thing asks for, as one ticks it. */
export const CARE_NAMES: Record<Care, string> = {
  light: 'keep out of the light',
  dust: 'keep from dust',
  damp: 'keep dry',
  frost: 'must not freeze',
  heat: 'keep from heat',
  food: 'food',
  liquid: 'may leak',
  aerosol: 'burns: fuel, spray, solvent',
  gas: 'gas under pressure',
  charging: 'is charged there',
}
export const TIME_NAMES: Record<(typeof TIMES)[number], string> = {
  here: 'here',
  shown: 'out on show',
  lent: 'lent',
  seasonal: 'in use for a season',
  'to-come': 'still to come',
}
