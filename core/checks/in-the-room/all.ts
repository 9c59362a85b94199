import type { AnyRoomCheck } from '../room-check.ts'
import { carryIn } from './carry-in.ts'
import { clearance } from './clearance.ts'
import { doorSweep } from './door-sweep.ts'
import { heads } from './heads.ts'
import { fixing } from './fixing.ts'
import { keeping } from './keeping.ts'
import { litInside } from './lit-inside.ts'
import { packed } from './packed.ts'
import { reach } from './reach.ts'
import { sharedHold } from './shared-hold.ts'
import { standUpClear } from './stand-up.ts'
import { tiltIn } from './tilt-in.ts'
import { tied } from './tied.ts'
import { underCeiling } from './under-ceiling.ts'
import { workedAt } from './worked-at.ts'

/** Every check of a build in its room. A new one is its file and one line here. */
export const ROOM_CHECKS: readonly AnyRoomCheck[] = [
  clearance,
  doorSweep,
  underCeiling,
  fixing,
  sharedHold,
  standUpClear,
  carryIn,
  tiltIn,
  packed,
  reach,
  heads,
  keeping,
  workedAt,
  litInside,
  tied,
]
