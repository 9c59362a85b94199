import { HINGE } from '../../catalogue/hardware.ts'
import { inches } from '../../measure/units.ts'
import { z } from '../../measure/schema.ts'

/**
 * How openings are closed: not at all, or with flat leaves on hinges. Builds stored before there were doors have none.
 */
export const front = z.enum(['open', 'doors']).default('open')
export type Front = z.infer<typeof front>

/** What a thing may stand out of an open front. Product decision. */
const STICK_OUT = inches(1 / 2)
/** What a thing may stand out in front: nothing where doors shut. */
export const standsOut = (f: Front): number => (f === 'doors' ? 0 : STICK_OUT)

/** What hinges leave of an opening. */
export function besideHinges<T extends { left: number; right: number }>(f: Front, o: T): T {
  const mm = takenByHinges(f) / 2
  return { ...o, left: o.left + mm, right: o.right - mm }
}
/** Clear width that hinges take on both sides together. */
export const takenByHinges = (f: Front): number => (f === 'doors' ? 2 * HINGE.intoMm : 0)
