import type { BuildSolids } from '../../clearance/placing.ts'
import { leastGap, onTrack, restingTopMm, sectionsAt, sweepTopAt } from '../../clearance/sectional-door.ts'
import type { Point } from '../../geometry/hull.ts'
import type { Feature } from '../../room/features.ts'
import type { WallLine } from '../../room/outline.ts'
import { besideDoor, travelOf } from './door-sweep.ts'

/** A rolling door and what stands near it, seen from the side in [out, up], mm, for drawing. */
export interface DoorSide {
  track: Point[]
  /** The highest the door ever reaches, over the distance from the wall. */
  envelope: Point[]
  bodies: { outline: Point[]; gapMm: number }[]
  worst: { gapMm: number; share: number } | null
  bounds: [number, number, number, number]
  /** The sections when the door is this share of the way open. */
  at(share: number): Point[][]
}

/** Bodies further than this from the door's space are left out of the drawing, mm. */
const NEAR_MM = 500
const PLACES = 60

export function doorSide(w: WallLine, f: Feature, solids: readonly BuildSolids[]): DoorSide | null {
  const whole = travelOf(f)
  if (!whole) return null
  const { track: t, shutMm, openMm } = whole
  const end = onTrack(t, t.lengthMm)[0]
  const seen = new Map<string, { outline: Point[]; gapMm: number; atMm: number }>()
  for (const s of solids)
    for (const { body } of [...s.parts, ...s.goods]) {
      const outline = besideDoor(w, f, body)
      if (!outline || outline.every((p) => p[0] > end + NEAR_MM)) continue
      const key = outline.map((p) => `${p[0].toFixed(1)},${p[1].toFixed(1)}`).join(' ')
      if (!seen.has(key)) seen.set(key, { outline, ...leastGap(whole, outline) })
    }
  const bodies = [...seen.values()]
  const worst = bodies.reduce<(typeof bodies)[number] | null>((a, b) => (!a || b.gapMm < a.gapMm ? b : a), null)
  const track = Array.from({ length: PLACES + 1 }, (_, i) => onTrack(t, (t.lengthMm * i) / PLACES))
  const envelope = Array.from({ length: PLACES + 1 }, (_, i): Point | null => {
    const out = (end * i) / PLACES
    const top = sweepTopAt(t, out, 160)
    return top === null ? null : [out, top]
  }).filter((p) => p !== null)
  return {
    track,
    envelope,
    bodies,
    worst: worst && { gapMm: worst.gapMm, share: (worst.atMm - shutMm) / Math.max(openMm - shutMm, 1) },
    bounds: [
      -150,
      -80,
      end + 250,
      Math.max(restingTopMm(t), ...bodies.flatMap((b) => b.outline.map((p) => Math.min(p[1], restingTopMm(t) + 600)))) +
        180,
    ],
    at: (share) => sectionsAt(t, shutMm + share * (openMm - shutMm)),
  }
}
