import type { Point } from '../geometry/hull.ts'
import { convexGap } from '../geometry/plane.ts'
import type { Feature, Sectional } from '../room/features.ts'

/*
 * A door of hinged sections drawn up over its head. Seen from the side in [out, up], mm: out from the wall's face into
 * the room, up from the floor. Every roller is on the track; between neighbouring rollers a section is a rigid bar, so
 * on the bend it cuts the corner as a chord, while what reaches past its roller (the top edge) swings out above the
 * track.
 */

export interface DoorTrack {
  heightMm: number
  sectional: Sectional
  bottomMm: number
  /** Where the bend begins, and the height of the horizontal track. */
  bendMm: number
  levelMm: number
  /** Length of track from the lowest place of the lowest roller to its end. */
  lengthMm: number
  /** Distances of the rollers from the bottom edge along the shut door, from below. */
  rollers: number[]
}

export function doorTrack(f: Pick<Feature, 'highMm' | 'upMm'>, s: Sectional): DoorTrack {
  const h = f.highMm / s.sections
  const bottomEdge = Math.min(s.bottomEdgeMm, h / 2)
  const topEdge = Math.min(s.topEdgeMm, h / 2)
  const rollers = [bottomEdge, ...Array.from({ length: s.sections - 1 }, (_, i) => (i + 1) * h), f.highMm - topEdge]
  const bendMm = f.upMm + f.highMm - topEdge + s.beforeBendMm
  return {
    heightMm: f.highMm,
    sectional: s,
    bottomMm: f.upMm,
    bendMm,
    levelMm: bendMm + s.radiusMm,
    rollers,
    lengthMm: bendMm - f.upMm + (s.radiusMm * Math.PI) / 2 + s.horizontalMm,
  }
}

/** The place on the track at a length from the floor, measured along it. */
export function onTrack(t: DoorTrack, alongMm: number): Point {
  const { radiusMm: r, trackOutMm } = t.sectional
  const upright = t.bendMm - t.bottomMm
  if (alongMm <= upright) return [trackOutMm, t.bottomMm + alongMm]
  const turn = (alongMm - upright) / r
  if (turn <= Math.PI / 2) return [trackOutMm + r - r * Math.cos(turn), t.bendMm + r * Math.sin(turn)]
  return [trackOutMm + r + (alongMm - upright - (r * Math.PI) / 2), t.levelMm]
}

/** The length at which the next lower roller sits, a straight `chordMm` away. */
function behind(t: DoorTrack, alongMm: number, chordMm: number): number {
  const p = onTrack(t, alongMm)
  const far = (s: number) => {
    const q = onTrack(t, s)
    return Math.hypot(p[0] - q[0], p[1] - q[1])
  }
  // Track is never shorter than its chord, and at most √2 longer on a quarter bend.
  let [lo, hi] = [alongMm - 1.5 * chordMm - 1, alongMm]
  for (let i = 0; i < 50; i++) {
    const m = (lo + hi) / 2
    if (far(m) > chordMm) lo = m
    else hi = m
  }
  return (lo + hi) / 2
}

/** The sections as quadrilaterals when the top roller is at a length of the track, lowest section first. */
export function sectionsAt(t: DoorTrack, topRollerMm: number): Point[][] {
  const s = t.sectional
  const n = t.rollers.length
  const lengths = new Array<number>(n)
  lengths[n - 1] = topRollerMm
  for (let i = n - 2; i >= 0; i--) lengths[i] = behind(t, lengths[i + 1], t.rollers[i + 1] - t.rollers[i])
  const pins = lengths.map((l) => onTrack(t, l))
  const h = t.heightMm / s.sections
  return Array.from({ length: s.sections }, (_, k): Point[] => {
    const [p, q] = [pins[k], pins[k + 1]]
    const l = t.rollers[k + 1] - t.rollers[k]
    const u: Point = [(q[0] - p[0]) / l, (q[1] - p[1]) / l]
    const out: Point = [-u[1], u[0]]
    const at = (along: number, off: number): Point => [
      p[0] + along * u[0] + off * out[0],
      p[1] + along * u[1] + off * out[1],
    ]
    const [a0, a1] = [k * h - t.rollers[k], (k + 1) * h - t.rollers[k]]
    const [near, far] = [s.rollerMm, s.rollerMm + s.thicknessMm]
    return [at(a0, near), at(a1, near), at(a1, far), at(a0, far)]
  })
}

/**
 * Where the top roller is when the door is shut, and when it is open: its bottom edge up at the lintel, or the track at
 * its end.
 */
export function travel(t: DoorTrack): { shutMm: number; openMm: number } {
  const shutMm = t.rollers[t.rollers.length - 1]
  let [lo, hi] = [shutMm, t.lengthMm]
  const lowest = (s: number) => Math.min(...sectionsAt(t, s)[0].map((p) => p[1]))
  const wanted = t.bottomMm + t.heightMm
  if (lowest(hi) < wanted) return { shutMm, openMm: hi }
  for (let i = 0; i < 40; i++) {
    const m = (lo + hi) / 2
    if (lowest(m) < wanted) lo = m
    else hi = m
  }
  return { shutMm, openMm: hi }
}

/**
 * Height of the outside of the open door over the horizontal track: what the plain drawing of a track shows as the
 * ceiling of the door.
 */
export const restingTopMm = (t: DoorTrack): number => t.levelMm + t.sectional.rollerMm + t.sectional.thicknessMm

/** Places of the door looked at along its travel; in between the nearest is found by narrowing. */
const LOOKS = 160
const NARROWINGS = 22
/** Gaps wider than this need no narrowing, mm. */
const NEAR_ENOUGH_MM = 150

export interface DoorGap {
  /** Least gap on the way, mm; negative when the door would run into it. */
  gapMm: number
  /** Top roller's place on the track at that moment. */
  atMm: number
}

/** The whole travel of a door, looked at place by place: worked out once for all that stands near it. */
export interface DoorTravel {
  track: DoorTrack
  shutMm: number
  openMm: number
  moments: { atMm: number; sections: { figure: Point[]; box: Bounds }[] }[]
}
type Bounds = [number, number, number, number]
const boundsOf = (p: readonly Point[]): Bounds => [
  Math.min(...p.map((q) => q[0])),
  Math.min(...p.map((q) => q[1])),
  Math.max(...p.map((q) => q[0])),
  Math.max(...p.map((q) => q[1])),
]
/** Two upright boxes are at least this far apart; 0 when they meet. */
const apart = (a: Bounds, b: Bounds): number =>
  Math.hypot(Math.max(0, a[0] - b[2], b[0] - a[2]), Math.max(0, a[1] - b[3], b[1] - a[3]))

export function recordTravel(track: DoorTrack): DoorTravel {
  const { shutMm, openMm } = travel(track)
  const moments = Array.from({ length: LOOKS + 1 }, (_, i) => {
    const atMm = shutMm + ((openMm - shutMm) * i) / LOOKS
    return { atMm, sections: sectionsAt(track, atMm).map((figure) => ({ figure, box: boundsOf(figure) })) }
  })
  return { track, shutMm, openMm, moments }
}

/**
 * The least gap between the moving door and a convex outline seen from the side, over the whole travel.
 * @param beat only what comes closer than this is of interest; when nothing does, this is given back
 */
export function leastGap(d: DoorTravel, outline: readonly Point[], beat = Infinity): DoorGap {
  const box = boundsOf(outline)
  let best: DoorGap = { gapMm: beat, atMm: d.shutMm }
  for (const m of d.moments)
    for (const s of m.sections) {
      if (apart(s.box, box) >= Math.max(best.gapMm, 0) && best.gapMm >= 0) continue
      if (best.gapMm < 0 && apart(s.box, box) > 0) continue
      const g = convexGap(s.figure, outline)
      if (g < best.gapMm) best = { gapMm: g, atMm: m.atMm }
    }
  const gap = (at: number) => Math.min(...sectionsAt(d.track, at).map((q) => convexGap(q, outline)))
  const step = (d.openMm - d.shutMm) / LOOKS
  let [lo, hi] = [Math.max(d.shutMm, best.atMm - step), Math.min(d.openMm, best.atMm + step)]
  // Far away, a look every few centimetres says enough.
  if (best.gapMm > NEAR_ENOUGH_MM || best.gapMm === beat) return best
  const golden = (Math.sqrt(5) - 1) / 2
  for (let i = 0; i < NARROWINGS; i++) {
    const [a, b] = [hi - golden * (hi - lo), lo + golden * (hi - lo)]
    if (gap(a) < gap(b)) hi = b
    else lo = a
  }
  const m = (lo + hi) / 2
  const g = gap(m)
  return g < best.gapMm ? { gapMm: g, atMm: m } : best
}

/** How far some sections reach up at a distance out from the wall; null where they are not. */
function topOf(sections: readonly (readonly Point[])[], outMm: number): number | null {
  let top = -Infinity
  for (const q of sections)
    q.forEach((p, k) => {
      const r = q[(k + 1) % 4]
      const [a, b] = p[0] < r[0] ? [p, r] : [r, p]
      if (outMm < a[0] || outMm > b[0]) return
      top = Math.max(
        top,
        b[0] === a[0] ? Math.max(a[1], b[1]) : a[1] + ((outMm - a[0]) / (b[0] - a[0])) * (b[1] - a[1]),
      )
    })
  return top === -Infinity ? null : top
}

/**
 * A wave of the door's top this far below the highest look may still hide the peak, mm: more than a corner rises in one
 * look.
 */
const MAY_HIDE_MM = 40
/** On a level stretch of track every look is as high as the next, mm. */
const SAME_HEIGHT_MM = 1e-6
/** Halvings that pin down when a corner passes a place, and thirds that pin down the top of a wave. */
const HALVED = 40
const THIRDS = 40

/**
 * The highest the door reaches at a distance out from the wall, over the whole travel, mm; null where it never comes.
 * An edge over that place is highest at the top of a wave, or just as a corner passes.
 */
export function sweepTopAt(t: DoorTrack, outMm: number, looks = 240): number | null {
  const { shutMm, openMm } = travel(t)
  const placeOf = (i: number) => shutMm + ((openMm - shutMm) * i) / looks
  const seen = Array.from({ length: looks + 1 }, (_, i) => sectionsAt(t, placeOf(i)))
  const tops = seen.map((s) => topOf(s, outMm) ?? -Infinity)
  let top = Math.max(...tops)
  for (let i = 1; i <= looks; i++)
    seen[i].forEach((q, k) =>
      q.forEach((p, c) => {
        const before = seen[i - 1][k][c]
        if (before[0] - outMm > 0 === p[0] - outMm > 0) return
        if (Math.max(before[1], p[1]) > top - MAY_HIDE_MM) top = Math.max(top, passing(t, k, c, outMm, i, placeOf))
      }),
    )
  if (top === -Infinity) return null
  for (let i = 0; i <= looks; i++) {
    const [a, b, c] = [tops[i - 1] ?? -Infinity, tops[i], tops[i + 1] ?? -Infinity]
    if (b < a + SAME_HEIGHT_MM || b < c || b < top - MAY_HIDE_MM) continue
    let [lo, hi] = [placeOf(Math.max(0, i - 1)), placeOf(Math.min(looks, i + 1))]
    for (let n = 0; n < THIRDS; n++) {
      const [x, y] = [lo + (hi - lo) / 3, hi - (hi - lo) / 3]
      const [at, later] = [x, y].map((s) => topOf(sectionsAt(t, s), outMm) ?? -Infinity)
      top = Math.max(top, at, later)
      if (at < later) lo = x
      else hi = y
    }
  }
  return top
}

/** How high a corner of a section is as it passes a distance out from the wall, between two looks. */
function passing(
  t: DoorTrack,
  section: number,
  corner: number,
  outMm: number,
  look: number,
  placeOf: (i: number) => number,
) {
  let [lo, hi] = [placeOf(look - 1), placeOf(look)]
  const at = (s: number) => sectionsAt(t, s)[section][corner]
  const before = at(lo)[0] - outMm > 0
  for (let n = 0; n < HALVED; n++) {
    const m = (lo + hi) / 2
    if (at(m)[0] - outMm > 0 === before) lo = m
    else hi = m
  }
  return at((lo + hi) / 2)[1]
}
