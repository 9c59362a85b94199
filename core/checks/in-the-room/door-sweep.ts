import { doorTrack, leastGap, recordTravel, restingTopMm, type DoorTravel } from '../../clearance/sectional-door.ts'
import type { BuildSolids } from '../../clearance/placing.ts'
import type { Convex } from '../../geometry/convex.ts'
import { hull, type Point } from '../../geometry/hull.ts'
import type { Feature } from '../../room/features.ts'
import { fromWall, type WallLine } from '../../room/outline.ts'
import { defineRoomCheck } from '../room-check.ts'
import { measured, type CheckResult } from '../check.ts'

/** Kept between a moving door and anything still, mm: doors rattle, goods are put back askew. Product decision. */
export const DOOR_SPARE_MM = 25
/** The door's hardware reaches past its edges by this, mm. */
const BESIDE_MM = 60

/** A body as the door sees it from the side, or null when it is not in the door's width. */
export function besideDoor(w: WallLine, f: Feature, body: Convex): Point[] | null {
  const seen = body.points.map((p) => {
    const { alongMm, outMm } = fromWall(w, [p[0], p[1]])
    return { along: alongMm, out: outMm, up: p[2] }
  })
  const [lo, hi] = [Math.min(...seen.map((s) => s.along)), Math.max(...seen.map((s) => s.along))]
  if (hi <= f.atMm - BESIDE_MM || lo >= f.atMm + f.wideMm + BESIDE_MM) return null
  return hull(seen.map((s): Point => [s.out, s.up]))
}

const travels = new WeakMap<Feature, DoorTravel>()
/** The travel of a door of the room; the same door is looked at once. */
export function travelOf(f: Feature): DoorTravel | null {
  if (!f.sectional) return null
  const known = travels.get(f) ?? recordTravel(doorTrack(f, f.sectional))
  travels.set(f, known)
  return known
}

/** What of a build comes nearest to a door on its way, and when. */
export function nearestToDoor(
  w: WallLine,
  f: Feature,
  solids: BuildSolids,
): { gapMm: number; atMm: number; part: string | null; bay: string | null } | null {
  if (!f.sectional) return null
  const track = doorTrack(f, f.sectional)
  const whole = travelOf(f)!
  let best: ReturnType<typeof nearestToDoor> = null
  // Bodies alike from the side are looked at once: rails of a row, totes of a row.
  const seen = new Set<string>()
  const bodies = [
    ...solids.parts.map((p) => ({ body: p.body, part: p.id as string | null, bay: null as string | null })),
    ...solids.goods.map((g) => ({ body: g.body, part: null as string | null, bay: g.bay as string | null })),
  ]
  // The door only ever fills this much of the side view.
  const reach = {
    out: track.sectional.trackOutMm + track.sectional.radiusMm + track.sectional.horizontalMm + f.highMm,
    up: restingTopMm(track) + 400,
  }
  for (const b of bodies) {
    const outline = besideDoor(w, f, b.body)
    if (!outline || outline.every((p) => p[0] > reach.out || p[1] > reach.up)) continue
    const key = outline.map((p) => `${p[0].toFixed(1)},${p[1].toFixed(1)}`).join(' ')
    if (seen.has(key)) continue
    seen.add(key)
    const gap = leastGap(whole, outline, best?.gapMm)
    if (!best || gap.gapMm < best.gapMm) best = { ...gap, part: b.part, bay: b.bay }
  }
  return best
}

/** Heights are found to this, mm. */
const HEIGHT_MM = 0.5

/** How much lower what hangs over a door must be for the door to pass under it, mm; all of it where none would do. */
function shorterBy(whole: DoorTravel, side: readonly Point[]): number {
  const [low, high] = [Math.min(...side.map((p) => p[1])), Math.max(...side.map((p) => p[1]))]
  const passes = (by: number) =>
    leastGap(whole, hull(side.map((p): Point => [p[0], Math.max(p[1], low + by)])), DOOR_SPARE_MM).gapMm >=
    DOOR_SPARE_MM
  let [lo, hi] = [0, high - low - 1]
  if (hi <= 0 || !passes(hi)) return high - low
  while (hi - lo > HEIGHT_MM) {
    const middle = (lo + hi) / 2
    if (passes(middle)) hi = middle
    else lo = middle
  }
  return hi
}

/**
 * How near a door comes to something on its way, mm, and how tall that may be where it hangs, its top kept; null where it
 * is not in the door's width.
 */
export function underDoor(w: WallLine, f: Feature, body: Convex): { gapMm: number; tallMm: number } | null {
  const [whole, side] = [travelOf(f), besideDoor(w, f, body)]
  if (!whole || !side) return null
  const tall = body.max[2] - body.min[2]
  return { gapMm: leastGap(whole, side).gapMm, tallMm: Math.max(0, tall - shorterBy(whole, side)) }
}

/** Of the places whose goods a door strikes: which they are, and how tall what hangs there may be at most. */
function struckPlaces(w: WallLine, f: Feature, solids: BuildSolids) {
  const whole = travelOf(f)!
  const bays = new Map<string, number>()
  for (const g of solids.goods) {
    const side = besideDoor(w, f, g.body)
    if (!side || leastGap(whole, side).gapMm >= DOOR_SPARE_MM) continue
    bays.set(g.bay, Math.min(bays.get(g.bay) ?? Infinity, underDoor(w, f, g.body)!.tallMm))
  }
  return { bays: [...bays.keys()], tallMm: Math.min(...bays.values()) }
}

/** The way of a door that rolls up over its head, its top edge above the track on the bend. */
export const doorSweep = defineRoomCheck({
  id: 'door-sweep',
  reads: ['room', 'outline', 'solids'],
  run({ room, outline, solids }): CheckResult[] {
    return room.features.flatMap((f): CheckResult[] => {
      const w = outline.walls.find((x) => x.wall.id === f.wallId)
      if (!w || !f.sectional) return []
      const near = nearestToDoor(w, f, solids)
      if (!near) return []
      const track = doorTrack(f, f.sectional)
      const struck = near.gapMm < DOOR_SPARE_MM && near.bay ? struckPlaces(w, f, solids) : null
      return [
        measured({
          check: 'door-sweep',
          link: 'room',
          code: 'sweep',
          quantity: 'length',
          subject: f.id,
          demand: DOOR_SPARE_MM,
          capacity: Math.max(near.gapMm, 0),
          parts: near.part ? [near.part] : [],
          bays: struck?.bays ?? (near.bay ? [near.bay] : []),
          data: {
            name: f.name,
            gapMm: near.gapMm,
            wantedMm: DOOR_SPARE_MM,
            atMm: near.atMm,
            restMm: restingTopMm(track),
            door: f.id,
            ...(struck ? { places: struck.bays.length, tallMm: Math.max(0, struck.tallMm) } : {}),
          },
          working: {
            formula: 'least distance from the sections on their rollers, over the whole travel',
            inputs: [
              { symbol: 'gap', value: near.gapMm, quantity: 'length' },
              { symbol: 'wanted', value: DOOR_SPARE_MM, quantity: 'length', source: 'product decision' },
              { symbol: 'track radius', value: f.sectional.radiusMm, quantity: 'length' },
              { symbol: 'top roller to top edge', value: f.sectional.topEdgeMm, quantity: 'length' },
              { symbol: 'horizontal track', value: track.levelMm, quantity: 'length' },
              { symbol: 'open door, outside face', value: restingTopMm(track), quantity: 'length' },
            ],
            source: 'rigid sections between rollers on the track',
          },
        }),
      ]
    })
  },
})
