import type { Assembly, Motion, Part } from '../assembly/assembly.ts'
import { inLineWith } from '../assembly/in-line.ts'
import { jointsOf } from '../assembly/joints-of.ts'
import { partBox, thicknessAxis } from '../assembly/part-box.ts'
import type { Box } from '../geometry/box.ts'
import { dot, sub } from '../geometry/vec.ts'
import { defineCheck, measured, type CheckResult } from './check.ts'

/*
 * Panels that slide in the grooves of two boards: lifted into the upper groove each must come off the lower one, and
 * pushed from end to end it may not leave its tracks. What it weighs on the lower one is asked with all that bears.
 *
 *     |_| b |_|   upper groove, g deep          lifts out where g − b ≥ a
 *       |   |
 *     |‾|   |‾|   a deep in the lower one
 */

type Slide = Motion & { kind: 'slide' }

interface Slid {
  motion: Slide
  panel: Part
  /** So deep in the lower groove; and left over it in the upper one. mm */
  inLowMm: number
  leftMm: number
  /** How far it would stand past the nearer end of a track at either end of its way, mm. */
  pastMm: number
}

/** Ends of a part's box along x before and after a motion. */
const reach = (m: Slide, i: number, lo: number, hi: number): [number, number] => [
  lo + Math.min(0, m.by[i]),
  hi + Math.max(0, m.by[i]),
]

/** The boards of a track from one end to the other. */
interface Track {
  boxes: Box[]
  /** The least of the grooves the panel runs in, mm. */
  grooveMm: number
}

/** How far a stretch stands past either end of a track, mm. */
const past = ({ boxes }: Track, from: number, to: number): number =>
  Math.max(Math.min(...boxes.map((b) => b.min[0])) - from, to - Math.max(...boxes.map((b) => b.max[0])))

/** What a panel runs in and is kept upright by: boards below and boards above it; null where it slides otherwise. */
function slid(m: Slide, a: Assembly, parts: ReadonlyMap<string, Part>): Slid | null {
  const panel = parts.get(m.parts[0])!
  const held = jointsOf(a, panel.id).filter((j) => j.kind === 'housed')
  const met = held.map((j) => parts.get(j.near === panel.id ? j.far : j.near)!)
  const boards = [...new Set(met.flatMap((t) => inLineWith(t, a.parts)))]
  const below = boards.filter((t) => partBox(t).max[2] <= panel.at.centre[2])
  const above = boards.filter((t) => partBox(t).min[2] >= panel.at.centre[2])
  // A drawer has what it runs in on both sides.
  if (below.length === 0 || above.length === 0 || below.length + above.length < boards.length) return null
  const groove = (t: Part, up: 1 | -1) => {
    const face = Math.sign(thicknessAxis(t)[2]) === up ? 'over' : 'under'
    // How far across the track the panel's middle is.
    const at = dot(sub(panel.at.centre, t.at.centre), t.at.across) + t.size.widthMm / 2
    const x = t.machining.find(
      (g) => g.kind === 'groove' && g.face === face && at > g.offMm && at < g.offMm + g.widthMm,
    )
    return x?.kind === 'groove' ? x.depthMm : 0
  }
  const trackOf = (list: readonly Part[], up: 1 | -1): Track => ({
    boxes: list.map(partBox),
    grooveMm: Math.min(...list.map((t) => groove(t, up))),
  })
  const [low, high, box] = [trackOf(below, 1), trackOf(above, -1), partBox(panel)]
  const inLowMm = Math.max(...low.boxes.map((b) => b.max[2])) - box.min[2]
  const inHighMm = box.max[2] - Math.min(...high.boxes.map((b) => b.min[2]))
  const [from, to] = reach(m, 0, box.min[0], box.max[0])
  return {
    ...{ motion: m, panel },
    inLowMm: Math.min(inLowMm, low.grooveMm),
    leftMm: high.grooveMm - inHighMm,
    pastMm: Math.max(past(low, from, to), past(high, from, to)),
  }
}

export const slides = defineCheck({
  id: 'slides',
  reads: ['assembly', 'parts'],
  run({ assembly, parts }): CheckResult[] {
    const all = assembly.motions.flatMap((m) => (m.kind === 'slide' ? (slid(m, assembly, parts) ?? []) : []))
    if (all.length === 0) return []
    const given = { check: 'slides', link: 'whole' as const, quantity: 'length' as const, subject: 'panels' }
    const covers = all.map((x) => x.motion.id)
    const past = all.find((x) => x.pastMm > PAST_MM)
    if (past)
      return [
        measured({
          ...{ ...given, code: 'slides-off', demand: past.pastMm, capacity: PAST_MM, parts: [past.panel.id], covers },
          data: { mm: past.pastMm, panels: all.length },
        }),
      ]
    // The one that is lifted hardest: a panel that stands in nothing below falls out by itself.
    const worst = all.reduce((p, q) => (q.leftMm - q.inLowMm < p.leftMm - p.inLowMm ? q : p))
    const loose = all.find((x) => x.inLowMm <= 0)
    const x = loose ?? worst
    return [
      measured({
        ...{ ...given, code: 'slides', parts: [x.panel.id], covers },
        ...{ demand: loose ? 1 : x.inLowMm, capacity: loose ? 0 : x.leftMm },
        data: { panels: all.length, inMm: x.inLowMm, leftMm: x.leftMm },
        working: {
          formula: 'a ≤ g − b: lifted into the upper groove it comes off the lower one',
          inputs: [
            { symbol: 'a', value: x.inLowMm, quantity: 'length' },
            { symbol: 'g − b', value: x.leftMm, quantity: 'length' },
          ],
          source: 'geometry',
        },
      }),
    ]
  },
})
/** A panel may stand past the end of its tracks by this, mm. */
const PAST_MM = 1
