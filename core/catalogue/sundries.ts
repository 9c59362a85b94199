import type { UnitSystem } from '../measure/units.ts'

/** What is bought by the tin, the bottle and the roll; and what comes ready by the piece. */
export type Sundry = 'finish' | 'glue' | 'banding' | 'ready'
interface Unit {
  label: string
  holds: number
  minor: number
}

/** Litres in a tin, kg in a bottle, metres on a roll: common sizes. Prices are made up for the demo yard. */
export const UNIT_SIZES: Record<UnitSystem, Record<Exclude<Sundry, 'ready'>, Unit>> = {
  imperial: {
    finish: { label: 'Clear finish, quart', holds: 0.946, minor: 2198 },
    glue: { label: 'Wood glue, 16 fl oz', holds: 0.5, minor: 748 },
    banding: { label: 'Edge banding, 25 ft roll', holds: 7.62, minor: 1298 },
  },
  metric: {
    finish: { label: 'Clear finish, 1 l', holds: 1, minor: 2290 },
    glue: { label: 'Wood glue, 0.5 kg', holds: 0.5, minor: 690 },
    banding: { label: 'Edge banding, 10 m roll', holds: 10, minor: 1190 },
  },
}
export const sundryKey = (kind: Sundry, label = ''): string => (kind === 'ready' ? `ready:${label}` : `sundry:${kind}`)
