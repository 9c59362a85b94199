import type { Assembly } from '../assembly/assembly.ts'
import { fastenersIn } from '../assembly/fasteners-in.ts'

/*
 * How long a build takes one person, roughly: what is counted times what each of it takes somebody who has done such a
 * thing before. Said so that plans can be compared, not to promise a Saturday.
 */

/**
 * Minutes for each piece measured, cut and carried; each piece of work on it; each joint held and lined up; each fastener
 * driven; each fixing found, bored and driven into a building; and each step read, set up and checked. Product decisions.
 */
const MINUTES = { piece: 4, machining: 3, joint: 1.5, fastener: 0.4, anchor: 7, step: 6 } as const
/** Fetching, looking for things and tidying up, as a share of that. Product decision. */
const BETWEEN = 0.3

/** Hours one person builds. @param steps of its build order */
export function hoursOf(a: Pick<Assembly, 'parts' | 'joints' | 'anchors'>, steps: number): number {
  const made = a.parts.filter((p) => p.stock.kind !== 'bought' && p.stock.kind !== 'existing')
  const minutes =
    MINUTES.piece * made.length +
    MINUTES.machining * made.reduce((n, p) => n + p.machining.length, 0) +
    MINUTES.joint * a.joints.length +
    MINUTES.fastener * fastenersIn(a.joints) +
    MINUTES.anchor * a.anchors.reduce((n, x) => n + x.count, 0) +
    MINUTES.step * steps
  return (minutes * (1 + BETWEEN)) / 60
}
