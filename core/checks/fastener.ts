import type { Joint, Part } from '../assembly/assembly.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import { meetingAxis, type Box } from '../geometry/box.ts'
import type { Strength } from '../mechanics/methods/method.ts'
import { woodOf } from './wood.ts'
import type { CheckContext } from './check.ts'

/**
 * Wood of the near and the far part of a joint along the way its fasteners are driven: the axis on which they touch. A
 * screw through an upright into what stands in its dado or rabbet passes only what that leaves of it.
 */
export function passedIn(j: Pick<Joint, 'kind'>, a: Box, b: Box): { throughMm: number; behindMm: number } {
  const axis = meetingAxis(a, b)
  const letInMm = j.kind === 'housed' ? Math.min(a.max[axis], b.max[axis]) - Math.max(a.min[axis], b.min[axis]) : 0
  return { throughMm: a.max[axis] - a.min[axis] - Math.max(0, letInMm), behindMm: b.max[axis] - b.min[axis] }
}

/**
 * A pocket screw leaves about a third of its length in the piece it starts in: NDS 2018 12.1.6 for fasteners driven
 * askew.
 */
const POCKET_SHARE = 1 / 3

/** What one fastener of a joint gives, N; null when the method has no value for the woods. */
export function oneFastener(
  j: Joint,
  f: Joint['fasteners'][number],
  parts: ReadonlyMap<string, Part>,
  boxes: PartBoxes,
  c: Pick<CheckContext, 'method' | 'settings'>,
): Strength | null {
  const [near, far] = [parts.get(j.near)!, parts.get(j.far)!]
  const fastener = findScrew(f.fastener)
  const [side, main] = [woodOf(near), woodOf(far)]
  if (!fastener || !side || !main) return null
  const pocket = j.kind === 'pocket-screwed'
  const { throughMm, behindMm: behind } = passedIn(j, boxes.get(near.id)!, boxes.get(far.id)!)
  const sideMm = pocket ? fastener.lengthMm * POCKET_SHARE : throughMm
  const mainMm = Math.max(
    0,
    Math.min(
      fastener.kind === 'bolt' ? behind : fastener.lengthMm - sideMm - (f.beforeMm ?? 0) - (f.betweenMm ?? 0),
      f.into === 'end' ? Infinity : behind,
    ),
  )
  if (mainMm <= 0) return null
  // The load runs down: along the grain of an upright, across that of everything level.
  const acrossGrain = Math.abs(near.at.along[2]) < 0.5 || Math.abs(far.at.along[2]) < 0.5
  return c.method.lateral(
    {
      fastener,
      side,
      sideMm,
      main,
      mainMm,
      into: f.into,
      acrossGrain,
      askew: pocket,
      ...(f.betweenMm ? { gapMm: f.betweenMm } : {}),
    },
    c.settings,
  )
}
