import { fromWall } from '../room/outline.ts'
import type { Project } from './project.ts'
import { readingsOf, roomPlan } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { placeBuilds } from './room-checks.ts'

/** Space kept between two builds on a wall, mm: a hand's width to get a sheet past. Product decision. */
const BETWEEN_MM = 50

/** A build takes at least so much of a wall, and so much before it, mm. Product decisions. */
const [LEAST_LONG_MM, LEAST_DEEP_MM] = [600, 300]

/** Stretches of a wall that no build stands at, nor reaches into from another wall, from the left; and where its last build ends. */
function freeAt(p: Project, wallId: string): { free: [number, number][]; lastMm: number } {
  const { outline } = roomPlan(p.room)
  const line = outline.walls.find((w) => w.wall.id === wallId)
  if (!line) return { free: [], lastMm: 0 }
  const placed = placeBuilds(outline, readingsOf(readBuilds(p)))
  const [own, others] = [true, false].map((is) => placed.filter((x) => (x.reading.build.wallId === wallId) === is))
  const at = own.map(({ frame: { place, alongMm } }) => [place.alongMm, place.alongMm + alongMm])
  const reaching = others.flatMap(({ solids: { whole } }) => {
    const corners = whole.points.map(([x, y]) => fromWall(line, [x, y]))
    const along = corners.map((c) => c.alongMm)
    return corners.some((c) => c.outMm < LEAST_DEEP_MM) ? [[Math.min(...along), Math.max(...along)]] : []
  })
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

/**
 * Where the next build on a wall can start: past the last one standing there, and past what reaches there from other walls;
 * where nothing is left behind those, where most is left before them.
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
