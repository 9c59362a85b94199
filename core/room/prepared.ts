import { newtons } from '../measure/units.ts'
import { FEATURE_DEFAULTS, type Feature } from './features.ts'

/*
 * What was set in a wall or a ceiling before it was lined, so that things can be fixed there later: wood between studs
 * or joists, and bolts, each with what it carries.
 */

/** Something prepared, as a build in front of it or under it meets it; mm from the left end of its space. */
export interface Prepared {
  /** The thing of the survey. */
  of: string
  kind: 'blocking' | 'bolt'
  on: 'wall' | 'ceiling'
  left: number
  right: number
  /** Up from the floor, or out from the wall where it is in the ceiling. */
  from: number
  to: number
  /** Of its wood, behind the lining. */
  thickMm: number
  /** What one bolt carries, or blocking from one stud or joist to the next, N; null while nobody said. */
  holdsN: number | null
}

/** What is prepared at a wall and in the ceiling before it. @param offsetMm where the space begins along the wall */
export const preparedAt = (features: readonly Feature[], wallId: string, offsetMm: number): Prepared[] =>
  features.flatMap((f): Prepared[] => {
    const { prepared: kind, on } = FEATURE_DEFAULTS[f.kind]
    if (!kind || on === 'floor' || f.wallId !== wallId) return []
    const [from, highMm, thickMm] = on === 'wall' ? [f.upMm, f.highMm, f.deepMm] : [f.outMm, f.deepMm, f.highMm]
    const holdsN = f.holdsKg === null ? null : newtons(f.holdsKg)
    const left = f.atMm - offsetMm
    return [{ of: f.id, kind, on, left, right: left + f.wideMm, from, to: from + highMm, thickMm, holdsN }]
  })

/** The same as something sees it that begins further along, higher up, or further out. */
export const preparedFrom = (
  list: readonly Prepared[],
  by: { alongMm?: number; upMm?: number; outMm?: number },
): Prepared[] =>
  list.map((p) => {
    const mm = p.on === 'wall' ? (by.upMm ?? 0) : (by.outMm ?? 0)
    const along = by.alongMm ?? 0
    return { ...p, left: p.left - along, right: p.right - along, from: p.from - mm, to: p.to - mm }
  })

/** The same as something sees it that runs out from the wall: along and out change places. */
export const preparedAcross = (p: Prepared): Prepared => ({
  ...p,
  left: p.from,
  right: p.to,
  from: p.left,
  to: p.right,
})

/** A place to fix to in something prepared. */
export interface PreparedSpot {
  /** Along the wall, and up, or out where it is in the ceiling. */
  at: readonly [number, number]
  prepared: Prepared
  /** Which stretch of it from one stud or joist to the next. */
  field: number
}

/** Fixings beside each other are no nearer than this, mm. */
export const APART_MM = 60
/** Of a bolt so much stands out past what it holds, for a washer and a nut, mm. Product decision. */
export const NUT_MM = 15
/** Fixings keep this far from the edges of blocking, and of what is fixed to it, mm. */
const FROM_EDGE_MM = 20
/** Blocking that is not divided takes a fixing this often, mm: about the spacing of studs. */
const EVERY_MM = 400

/** A stretch as a fixing needs it: without its edges. */
export interface Band {
  left: number
  right: number
  low: number
  high: number
}

/**
 * Where something that lies before a stretch of wall or ceiling can be fixed to what is prepared behind it.
 * @param band all of it @param wanted where across the band fixings are best
 * @param divided along the wall, or out from it in the ceiling: where studs or joists divide blocking that lies across
 */
export function preparedBehind(
  list: readonly Prepared[],
  on: Prepared['on'],
  { left, right, low, high }: Band,
  wanted: number,
  divided: readonly number[],
): PreparedSpot[] {
  return list.flatMap((p): PreparedSpot[] => {
    if (p.on !== on) return []
    if (p.kind === 'bolt') {
      const at = [(p.left + p.right) / 2, (p.from + p.to) / 2] as const
      const inside = at[0] >= left && at[0] <= right && at[1] >= low + FROM_EDGE_MM && at[1] <= high - FROM_EDGE_MM
      return inside ? [{ at, prepared: p, field: 0 }] : []
    }
    // A batten narrower than both its edges takes its screws in the middle.
    const edge = Math.min(FROM_EDGE_MM, (high - low) / 2)
    const [lo, hi] = [Math.max(low + edge, p.from + FROM_EDGE_MM), Math.min(high - edge, p.to - FROM_EDGE_MM)]
    if (hi < lo) return []
    const across = Math.min(hi, Math.max(lo, wanted))
    const [from, to] = [Math.max(left, p.left + FROM_EDGE_MM), Math.min(right, p.right - FROM_EDGE_MM)]
    const ends = [p.left, ...divided.filter((x) => x > p.left && x < p.right), p.right]
    return ends.slice(1).flatMap((end, field) => {
      const [a, b] = [Math.max(from, ends[field]), Math.min(to, end)]
      if (b - a < 0) return []
      const n = divided.length > 0 ? 1 : Math.max(1, Math.ceil((b - a) / EVERY_MM))
      return Array.from({ length: n }, (_, i) => ({
        at: [a + ((b - a) * (i + 0.5)) / n, across] as const,
        prepared: p,
        field,
      }))
    })
  })
}
