import type { CheckResult } from '../checks/check.ts'
import { isTrouble } from '../checks/verdict.ts'
import { ONLY_MET } from '../clearance/conflicts.ts'
import { FEATURE_DEFAULTS, type Feature, type FeatureKind } from '../room/features.ts'
import { inches, type UnitSystem } from '../measure/units.ts'
import type { Project } from './project.ts'
import type { BuildReading } from './read-build.ts'
import { checksInRoom, surroundingsOf, type Surroundings } from './room-checks.ts'
import { outline } from '../room/outline.ts'

/* The other way out of a conflict: what is in the way is moved, not the build. */

/** What somebody can have moved without rebuilding the house. */
const MOVABLE: ReadonlySet<FeatureKind> = new Set(['light', 'outlet', 'switch', 'bench', 'car', 'other'])
/** Steps that are tried, mm: what is moved is set anew on the next round measure. */
const STEPS_MM: Record<UnitSystem, readonly number[]> = {
  metric: [25, 50, 100, 150, 200, 300, 400, 500, 600, 800, 1000, 1200],
  imperial: [1, 2, 4, 6, 8, 12, 16, 20, 24, 32, 40, 48].map(inches),
}

export type ObstacleWay = 'left' | 'right' | 'out' | 'back'
const WAYS: Record<ObstacleWay, readonly [along: number, out: number]> = {
  left: [-1, 0],
  right: [1, 0],
  out: [0, 1],
  back: [0, -1],
}

export interface ObstacleMove {
  feature: Feature
  way: ObstacleWay
  mm: number
  /** The build has no other trouble in the room then. */
  allHold: boolean
}

/**
 * Ways to move what a clearance is about so that it clears, the shortest of each direction, the shortest first. Nothing
 * that was clear of it may meet it then.
 * @param target a failing clearance of the reading
 */
export function obstacleMoves(s: Surroundings, reading: BuildReading, target: CheckResult): ObstacleMove[] {
  const feature = s.p.room.features.find((f) => f.id === target.data.featureId)
  if (target.check !== 'clearance' || !isTrouble(target) || !feature || !MOVABLE.has(feature.kind)) return []
  const wall = s.p.room.walls.find((w) => w.id === feature.wallId)
  if (!wall) return []
  const others = s.placed.map((b) => b.reading).filter((r) => r.build.id !== reading.build.id)
  const all = [reading, ...others]
  const troublesIn = (around: Surroundings) => all.map((r) => checksInRoom(around, r, ONLY_MET).filter(isTrouble))
  const before = troublesIn(s).map((list) => list.length)
  const ways = (Object.keys(WAYS) as ObstacleWay[]).filter((w) => goesOut(feature) || w === 'left' || w === 'right')
  return ways
    .flatMap((way): ObstacleMove[] => {
      for (const mm of STEPS_MM[s.p.settings.yard]) {
        const there = moved(feature, way, mm)
        if (there.atMm < 0 || there.outMm < 0 || there.atMm + there.wideMm > wall.lengthMm) return []
        const found = troublesIn(withFeature(s, there))
        const gone = !found[0].some((c) => c.id === target.id)
        if (gone && found.every((list, i) => list.length <= before[i]))
          return [{ feature: there, way, mm, allHold: found[0].length === 0 }]
      }
      return []
    })
    .sort((a, b) => Number(b.allHold) - Number(a.allHold) || a.mm - b.mm)
}

/** What hangs or stands in the room goes out from its wall too; what is on the wall stays on it. */
const goesOut = (f: Feature): boolean => FEATURE_DEFAULTS[f.kind].on !== 'wall'

const moved = (f: Feature, way: ObstacleWay, mm: number): Feature => ({
  ...f,
  atMm: f.atMm + WAYS[way][0] * mm,
  outMm: f.outMm + WAYS[way][1] * mm,
})

/** The same room with one thing of it elsewhere. */
function withFeature(s: Surroundings, there: Feature): Surroundings {
  const room = { ...s.p.room, features: s.p.room.features.map((f) => (f.id === there.id ? there : f)) }
  const p: Project = { ...s.p, room }
  return surroundingsOf(
    p,
    outline(room),
    s.placed.map((b) => b.reading),
  )
}
