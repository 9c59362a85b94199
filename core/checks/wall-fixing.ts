import type { Anchor, Part } from '../assembly/assembly.ts'
import { partBox } from '../assembly/part-box.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import { findGrade } from '../catalogue/lumber.ts'
import type { Axis } from '../geometry/vec.ts'
import type { Strength } from '../mechanics/methods/method.ts'
import { kept } from '../measure/kept.ts'
import { pulledTogether } from '../mechanics/withdrawal.ts'
import type { CheckContext } from './check.ts'
import { woodOf } from './wood.ts'

/*
 * What one anchor gives: a screw into a stud or joist nobody has looked at, or what the maker rated it for.
 */

/** Wood nobody has looked at behind a lining: the lightest usual group, of stud grade. NDS table 12.3.3A. */
const HIDDEN = { asd: 'spf-stud', ec5: 'c16' } as const
/** Rated values of masonry anchors are divided by this unless the maker says otherwise. Product decision. */
const ANCHOR_SAFETY = 4

type Given = Pick<CheckContext, 'method' | 'settings'>

/** Which way an anchor is driven: into the wall beside it or behind it, up into the ceiling, down into the floor. */
export const drivenAlong = (x: Anchor): Axis =>
  x.into === 'joist' || x.into === 'slab' || x.prepared?.on === 'ceiling' ? 2 : x.side ? 0 : 1

/** Known by its maker's rating only. */
export const isRated = (x: Anchor) => ['masonry', 'concrete', 'slab', 'bolt'].includes(x.into)

/** Whether nobody has said that rating yet. */
export const isUnratedIn = (settings: Given['settings'], x: Anchor): boolean =>
  settings.anchorRatedN === null && isRated(x) && !x.prepared

/** What a rated anchor is counted with, N; null while nobody said its rating: a bolt by what it was said to carry. */
export const ratedGives = (x: Anchor, c: Given): number | null =>
  x.into === 'bolt'
    ? (x.prepared?.holdsN ?? null)
    : c.settings.anchorRatedN === null
      ? null
      : (c.settings.anchorRatedN / ANCHOR_SAFETY) * pulledTogether(x.count)

interface ScrewGives {
  thread: Strength
  head: Strength
  across: Strength
}
/** What screws gave before in the same pieces, by the same method under the same settings: no load changes it. */
const gave = new WeakMap<Given['method'], WeakMap<Given['settings'], WeakMap<Part, Map<Anchor, ScrewGives | null>>>>()

/**
 * One screw of an anchor in wood: its thread, its head in the part, and across its length; null where one is not known.
 */
export function screwGives(x: Anchor, part: Part, c: Given): ScrewGives | null {
  const under = kept(
    kept(gave, c.method, () => new WeakMap<Given['settings'], WeakMap<Part, Map<Anchor, ScrewGives | null>>>()),
    c.settings,
    () => new WeakMap<Part, Map<Anchor, ScrewGives | null>>(),
  )
  return kept(
    kept(under, part, () => new Map<Anchor, ScrewGives | null>()),
    x,
    () => screwGivesAnew(x, part, c),
  )
}

function screwGivesAnew(x: Anchor, part: Part, c: Given): ScrewGives | null {
  const [screw, side] = [x.fastener === null ? undefined : findScrew(x.fastener), woodOf(part)]
  const grade = findGrade(HIDDEN[c.method.id])!
  if (!screw || !side) return null
  const through = partBox(part)
  const i = drivenAlong(x)
  const sideMm = through.max[i] - through.min[i]
  // A lining between, and wood of other parts that the screw passes, leave it alone with its bending.
  const gapMm = Math.max(0, screw.lengthMm - sideMm - x.embedMm)
  const head = c.method.headPull(screw, side, sideMm, c.settings)
  const thread = c.method.withdrawal(screw, grade, x.embedMm, c.settings)
  const across = c.method.lateral(
    {
      fastener: screw,
      side,
      sideMm,
      main: { kind: 'lumber', grade },
      mainMm: x.embedMm,
      into: 'side',
      acrossGrain: true,
      askew: false,
      gapMm,
    },
    c.settings,
  )
  return head && thread && across && { thread, head, across }
}
