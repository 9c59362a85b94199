import { fromWall, type WallLine } from '../room/outline.ts'
import type { Project } from './project.ts'
import { readingsOf, roomPlan } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { keepOuts } from '../clearance/keep-outs.ts'
import type { Convex } from '../geometry/convex.ts'
import { placeBuilds } from './room-checks.ts'

/** Space kept between two builds on a wall, mm: a hand's width to get a sheet past. Product decision. */
const BETWEEN_MM = 50

/** A build takes at least so much of a wall, and so much before it, mm. Product decisions. */
const [LEAST_LONG_MM, LEAST_DEEP_MM] = [600, 300]

/** What keeps space from so near the floor to so high stands in the way of most builds, mm; a socket does not. Product decision. */
const [LOW_MM, HIGH_MM] = [300, 500]

/**
 * Stretches of a wall at which nothing stands, of its own or reaching there from another wall, from the left; and where
 * its last build ends.
 */
function freeAt(p: Project, wallId: string): { free: [number, number][]; lastMm: number } {
  const { outline } = roomPlan(p.room)
  const line = outline.walls.find((w) => w.wall.id === wallId)
  if (!line) return { free: [], lastMm: 0 }
  const placed = placeBuilds(outline, readingsOf(readBuilds(p)))
  const [own, others] = [true, false].map((is) => placed.filter((x) => (x.reading.build.wallId === wallId) === is))
  const at = own.map(({ frame: { place, alongMm } }) => [place.alongMm, place.alongMm + alongMm])
  const standing = p.room.features
    .flatMap((f) => keepOuts(outline, f).map((k) => k.body))
    .filter((b) => b.min[2] < LOW_MM && b.max[2] > HIGH_MM)
  const reaching = [...others.map((x) => x.solids.whole), ...standing].flatMap((b) => reachOf(line, b))
  let from = 0
  const free: [number, number][] = []
  for (const [begins, ends] of [...at, ...reaching].sort((a, b) => a[0] - b[0])) {
    free.push([from, begins - BETWEEN_MM])
    from = Math.max(from, Math.ceil(ends + BETWEEN_MM))
  }
  free.push([from, line.wall.lengthMm])
  return {
    free: free.filter(([a, b]) => b - a >= LEAST_LONG_MM),
    lastMm: Math.ceil(Math.max(0, ...at.map(([, to]) => to + BETWEEN_MM))),
  }
}

/** From where to where along a wall a body stands before it, near enough to be in the way. */
function reachOf(line: WallLine, { points }: Convex): [number, number][] {
  const corners = points.map(([x, y]) => fromWall(line, [x, y]))
  const along = corners.map((c) => c.alongMm)
  return corners.some((c) => c.outMm < LEAST_DEEP_MM) ? [[Math.min(...along), Math.max(...along)]] : []
}

/**
 * Where the next build on a wall can start: past the last one standing there, and past doors and what stands or
 * reaches there; where nothing is left behind those, where most is left before them.
 */
export function nextOffset(p: Project, wallId: string): number {
  const { free, lastMm } = freeAt(p, wallId)
  const behind = free.find(([from]) => from >= lastMm)
  const [longest] = [...free].sort((a, b) => b[1] - b[0] - (a[1] - a[0]))
  return (behind ?? longest)?.[0] ?? lastMm
}
/** The first wall that has room left for a build; the first of all where none has. */
export const nextWall = (p: Project): string =>
  (p.room.walls.find((w) => freeAt(p, w.id).free.length > 0) ?? p.room.walls[0])?.id ?? ''
