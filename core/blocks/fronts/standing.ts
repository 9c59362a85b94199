import type { Draft } from '../../assembly/draft.ts'
import { stiffFrame } from '../mounts/stiff-frame.ts'
import { hangCurtain } from './curtain.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Front } from './front.ts'
import { GAP_MM, placeLeaves, type Leaves } from './hinged.ts'
import { placeLiftUps, type LiftBox, type LiftOpening } from './lift-up.ts'
import { SCREWED_FRONT, screwOver } from './screwed-panel.ts'
import { SLIDING_FRONT, slideOver, type SlidingFront } from './sliding.ts'

/** What one or two leaves close: from edge to edge, and what they hang on. */
interface Closed extends Pick<Leaves, 'left' | 'right' | 'uprights' | 'faces' | 'latch'> {
  /** Where they end, if not where all others do. */
  headMm?: number
}

/** The front of what stands on the floor between uprights of sheet or posts. */
export interface StandingFront {
  front: Front
  /** What leaves and panels are made of; a curtain alone needs none. */
  sheet: Sheet | null
  closed: readonly Closed[]
  /** All that stands, what of it a curtain rail is screwed to, and the plates it stands on. */
  uprights: readonly string[]
  plates?: readonly string[]
  railed: readonly string[]
  frontMm: number
  /** A curtain ends over this: what stands out in front at the floor. */
  footMm?: number
  headMm: number
  /** Leaves begin at this height; just over the floor where nothing is said. */
  underMm?: number
  /** What tracks are made of, where panels slide. */
  of?: Pick<SlidingFront, 'yard' | 'grade' | 'boardMm'>
  /** Heights of what lies between the uprights: no hinge there. */
  panelsMm: readonly number[]
  /** What leaves that turn up need, where they do; of each opening. */
  up?: Pick<LiftBox, 'deepMm' | 'cleatMm'> & { of(opening: number): Pick<LiftOpening, 'rows' | 'panelOf'> }
}

/** What stands side by side as high as its neighbour: a curtain hangs before each run of it. */
function runsOf(closed: readonly Closed[], headOf: (c: Closed) => number): Closed[][] {
  const out: Closed[][] = []
  for (const c of closed) {
    const last = out[out.length - 1]
    if (last && headOf(last[0]) === headOf(c)) last.push(c)
    else out.push([c])
  }
  return out
}

/** Leaves stop this far above the floor, mm: it is never quite level. */
export const OVER_FLOOR_MM = 15

/** Leaves or panels over the openings, or a curtain over all of them, in a piece of its own to put up. */
export function closeFront(d: Draft, s: StandingFront): void {
  const { front, sheet } = s
  if (front === 'open' || front === 'drawers' || (front !== 'curtain' && !sheet)) return
  const from = d.assembly.parts.length
  if (!sheet || front === 'curtain') curtains(d, s)
  else {
    // What hangs on one upright, or slides, asks them all to be stiff.
    if (front !== 'panel') stiffFrame(d, 'frame', s.uprights, s.plates)
    rigid(d, s, sheet)
  }
  const parts = d.assembly.parts.slice(from).map((x) => x.id)
  d.sub({
    id: 'front',
    name: 'unit',
    parts,
    built: 'in-place',
    ...(front === 'panel' ? { tags: SCREWED_FRONT } : front === 'sliding' ? { tags: SLIDING_FRONT } : {}),
  })
}

const headOf = (s: StandingFront, c: Closed): number => c.headMm ?? s.headMm

function curtains(d: Draft, s: StandingFront) {
  runsOf(s.closed, (c) => headOf(s, c)).forEach((run, k, all) =>
    hangCurtain(d, {
      id: k === 0 ? 'curtain' : `curtain-${k}`,
      left: Math.min(...run.map((c) => c.left)),
      right: Math.max(...run.map((c) => c.right)),
      frontMm: s.frontMm,
      headMm: headOf(s, run[0]),
      footMm: s.footMm ?? 0,
      on: all.length === 1 ? s.railed : [...new Set(run.flatMap((c) => c.uprights))],
    }),
  )
}

/** Leaves, panels that are screwed on and panels that slide. */
function rigid(d: Draft, s: StandingFront, sheet: Sheet) {
  const { frontMm, headMm, underMm: footMm = OVER_FLOOR_MM } = s
  if (s.front === 'sliding' && s.of) {
    const openings = s.closed.map((c) => ({ left: c.faces[0], right: c.faces[1], uprights: c.uprights }))
    return slideOver(d, { ...s.of, openings, frontMm, footMm, headMm })
  }
  if (s.front === 'lift-up' && s.up) {
    const { of, ...box } = s.up
    const openings = s.closed.map((c, k) => ({ ...c, ...of(k) }))
    return placeLiftUps(d, openings, { sheet, frontMm, ...box })
  }
  s.closed.forEach((c, k) => {
    if (s.front === 'panel') {
      const { left, right, uprights } = c
      screwOver(d, { id: `panel-${k}`, sheet, left, right, uprights, footMm, headMm: headOf(s, c), frontMm })
      return
    }
    placeLeaves(d, {
      id: `door-${k}`,
      stock: { kind: 'sheet', sheet: sheet.id },
      thicknessMm: sheet.thicknessMm,
      ...c,
      ...{ footMm, headMm: headOf(s, c), frontMm, panelsMm: s.panelsMm },
    })
  })
}

/** Leaves over uprights of sheet: from the middle of one to the middle of the next, the outer ones covered. */
export const overSheets = (
  openings: readonly { left: number; right: number }[],
  uprights: readonly string[],
  t: number,
  latch: (opening: number) => Leaves['latch'],
): Closed[] =>
  openings.map((o, k) => ({
    left: k === 0 ? o.left - t : o.left - t / 2 + GAP_MM / 2,
    right: k === openings.length - 1 ? o.right + t : o.right + t / 2 - GAP_MM / 2,
    uprights: [uprights[k], uprights[k + 1]],
    faces: [o.left, o.right],
    latch: latch(k),
  }))

/** Leaves cover this much of a post, mm, or what two of them leave of it. Product decision. */
const ON_POST_MM = 20

/** Leaves over openings between posts. @param posts the front ones, in any order */
export const overPosts = (
  d: Draft,
  openings: readonly { left: number; right: number }[],
  posts: readonly string[],
): Closed[] => {
  const thick = Math.min(...posts.map((id) => d.box(id).max[0] - d.box(id).min[0]))
  const coverMm = Math.min(ON_POST_MM, (thick - GAP_MM) / 2)
  return openings.map((o) => {
    const nearest = (x: number, side: 'min' | 'max') =>
      posts.reduce((a, b) => (Math.abs(d.box(b)[side][0] - x) < Math.abs(d.box(a)[side][0] - x) ? b : a))
    return {
      left: o.left - coverMm,
      right: o.right + coverMm,
      uprights: [nearest(o.left, 'max'), nearest(o.right, 'min')],
      faces: [o.left, o.right],
      latch: null,
    }
  })
}

/** Heights that stand for a stretch where no hinge goes, close enough that none slips between. */
export const stretch = (fromMm: number, toMm: number): number[] => {
  const n = Math.max(1, Math.ceil((toMm - fromMm) / EVERY_MM))
  return Array.from({ length: n + 1 }, (_, i) => fromMm + ((toMm - fromMm) * i) / n)
}
const EVERY_MM = 40
