import type { Vec3 } from '../../geometry/vec.ts'
import { boxedFeatures } from '../../room/near-feature.ts'
import type { Outline } from '../../room/outline.ts'
import type { Room } from '../../room/room.ts'
import { plain, type CheckResult, type Input } from '../check.ts'

/*
 * Lamps of a room whose brightness somebody told, and what is said of the light they give. Light is not a matter of
 * strength: too little of it is said, and fails nothing.
 */

export interface Lamp {
  /** Lumens that leave it: what its cover lets through. */
  lumens: number
  /** Middle of its underside, in the room. */
  at: Vec3
}

/** Those that stay, and are told how bright they are. */
export const toldLamps = (room: Room, outline: Outline): Lamp[] =>
  boxedFeatures(['light'], room.features, outline).flatMap(({ feature, box: { min, max } }): Lamp[] => {
    if (feature.lumens === undefined) return []
    const lumens = feature.lumens * (feature.coverShare ?? 1)
    return [{ lumens, at: [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, min[2]] }]
  })

interface Lit {
  check: string
  subject: string
  codes: { enough: string; dim: string }
  lux: number
  wantedLux: number
  lamps: number
  parts?: string[]
  bays?: string[]
  working: { formula: string; inputs: Input[]; source: string }
}
/** Whether some light is enough. */
export const light = ({ codes, lux, wantedLux, lamps, ...rest }: Lit): CheckResult =>
  plain({
    ...{ link: 'handling', quantity: 'count', ...rest },
    code: lux >= wantedLux ? codes.enough : codes.dim,
    state: lux >= wantedLux ? 'holds' : 'not-applicable',
    data: { lux, wantedLux, lamps },
  })
