import type { Draft } from '../../assembly/draft.ts'
import type { ListChoice } from '../../families/family.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { z } from '../../measure/schema.ts'

/** A hole for a cord: in a side or in the back of the first opening, and where. */
export const cordHole = z.object({
  in: z.enum(['left', 'right', 'back']),
  /** Above the underside of the box. */
  upMm: z.number().min(0).max(2400),
  /** In a side from the wall, in a back from its left edge. */
  alongMm: z.number().min(0).max(2400),
  diameterMm: z.number().min(10).max(120),
})
export type CordHole = z.infer<typeof cordHole>

/** Wood left between a hole and an edge, a panel or another hole, mm. Product decision. */
const LEFT_MM = 12

export interface Bored {
  part: string
  /** Measures of the hole's middle: from the start of the part, and from its lower edge. */
  atMm: number
  offMm: number
  /** How far these may go. */
  lengthMm: number
  widthMm: number
}

/** Where a hole is, and what lies against the other side of its panel along one measure of it. */
export interface HolePlace extends Bored {
  /** Its middle in that measure, and from where to where something lies there. */
  seenMm: number
  /** What lies under both of its long edges, so wide. */
  rimMm?: number
  taken: readonly { fromMm: number; toMm: number }[]
}

/** Bores holes, or says which of them has no room. @param place where on what part a hole is */
export function boreCordHoles<H extends { diameterMm: number }>(
  d: Draft,
  holes: readonly H[],
  place: (h: H) => HolePlace,
): Result<null> {
  const done: { part: string; atMm: number; offMm: number; r: number }[] = []
  for (const [i, h] of holes.entries()) {
    const { part, atMm, offMm, lengthMm, widthMm, seenMm, rimMm = 0, taken } = place(h)
    const r = h.diameterMm / 2
    const field = `cordHoles.${i}`
    const edge = Math.min(atMm - r, lengthMm - atMm - r, offMm - r - rimMm, widthMm - offMm - r - rimMm)
    if (edge < LEFT_MM) return bad('hole-near-edge', { leftMm: edge, leastMm: LEFT_MM, hole: i + 1 }, field)
    const panel = taken.map((x) => Math.max(x.fromMm - seenMm, seenMm - x.toMm, 0) - r)
    if (Math.min(Infinity, ...panel) < LEFT_MM)
      return bad('hole-at-panel', { leftMm: Math.max(0, Math.min(...panel)), leastMm: LEFT_MM, hole: i + 1 }, field)
    const near = done.filter((x) => x.part === part).map((x) => Math.hypot(x.atMm - atMm, x.offMm - offMm) - x.r - r)
    if (Math.min(Infinity, ...near) < LEFT_MM)
      return bad('holes-near', { leftMm: Math.max(0, Math.min(...near)), leastMm: LEFT_MM, hole: i + 1 }, field)
    done.push({ part, atMm, offMm, r })
    d.machine(part, { kind: 'hole', face: 'over', atMm, offMm, diameterMm: h.diameterMm, depthMm: null, tiltRad: 0 })
  }
  return good(null)
}

/** A new hole begins this wide, and this far over what lies lowest behind the back, mm. */
const FRESH = { diameterMm: 50, overMm: 50 }

/** @param overMm height over the underside up to which something lies behind the back */
export const cordHoleList = (path: string, holes: readonly CordHole[], most: number, overMm: number): ListChoice => ({
  path,
  code: 'cord-holes',
  items: holes.map((h) => ({ ...h })),
  fields: [
    { key: 'in', code: 'hole-in', options: ['left', 'right', 'back'] },
    { key: 'upMm', code: 'hole-up', quantity: 'length', min: 0, max: 2400 },
    { key: 'alongMm', code: 'hole-along', quantity: 'length', min: 0, max: 2400 },
    { key: 'diameterMm', code: 'hole-diameter', quantity: 'length', min: 10, max: 120 },
  ],
  most,
  fresh: { in: 'back', upMm: Math.round(overMm + FRESH.overMm), alongMm: 100, diameterMm: FRESH.diameterMm },
  step: { alongMm: 90 },
})
