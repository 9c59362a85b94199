import type { AnyCheck } from './check.ts'
import { contentsFit } from './contents-fit.ts'
import { heaviestLift, tiltUp } from './handling.ts'
import { bending, sag, shear } from './members.ts'
import { bearing, postBuckling } from './posts.ts'
import { roomFit } from './room-fit.ts'
import { slenderness, sway, tipOver } from './stability.ts'

/** Every check there is, in the order of the chain from goods to ground. A new one is its file and one line here. */
export const CHECKS: readonly AnyCheck[] = [contentsFit, bending, shear, sag, postBuckling, bearing, slenderness, tipOver, sway, roomFit, tiltUp, heaviestLift]
