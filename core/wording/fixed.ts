import { plural, type Data } from './say.ts'

const KINDS = ['screw', 'bolt', 'lag', 'nail', 'nut'] as const
const NAMES = { screw: 'screw', bolt: 'bolt', lag: 'lag screw', nail: 'nail', nut: 'nut' } as const
/** "2 bolts and 4 screws", as the joints of the build have them; "the fasteners listed" where none were counted. */
export function fixed(d: Data): string {
  const each = KINDS.flatMap((k) => {
    const [least, most] = [Number(d[`${k}s`] ?? 0), Number(d[`${k}sMost`] ?? 0)]
    if (most === 0) return []
    return [least === most ? plural(most, NAMES[k]) : `${least} to ${most} ${NAMES[k]}s`]
  })
  return each.length === 0 ? 'the fasteners listed' : each.join(' and ')
}
