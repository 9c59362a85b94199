import type { CheckResult } from '../checks/check.ts'
import type { Room } from '../room/room.ts'
import { readBuild, type BuildReading } from './read-build.ts'
import type { Build, Project } from './project.ts'

/** What one anchor must be rated for a build to be proven, as its maker prints it. */
export interface RatingWanted {
  /** N; null where none that people can buy would do, or what hangs on them cannot be judged for another reason. */
  n: number | null
  /** No rating says whether it holds: something else of it, a weight mostly, is not known yet. */
  unknown: boolean
  /** With the best of them something else of it still does not hold, or is not proven. */
  elseToo: boolean
}

/**
 * What a room is planned with where nobody has said what the maker of its anchors rates them for, N: it holds only with
 * such, and is told so. Product decision: what makers of frame plugs of 10 mm say for solid brick.
 */
export const PRESUMED_RATING_N = 4000

/** Ratings that are tried, N: from a light anchor in old brick to a heavy one in concrete, each so much more than the last. */
const [LEAST_N, MOST_N, MORE] = [200, 30_000, 1.1]
const RATINGS = Array.from(
  { length: 1 + Math.ceil(Math.log(MOST_N / LEAST_N) / Math.log(MORE)) },
  (_, i) => LEAST_N * MORE ** i,
)
/** Told in steps of this, upwards, N. */
const STEP_N = 50

/** What is not judged for want of the rating of an anchor: its maker's word is all that is known of it. */
export const isUnrated = (c: Pick<CheckResult, 'state' | 'code' | 'data'>): boolean =>
  c.state === 'unknown' && c.code === 'unknown-anchor' && [undefined, 'rated'].includes(c.data.weakest as string)
/** Whether a build waits for one. */
export const waitsForRating = ({ checks }: Pick<BuildReading, 'checks'>): boolean => checks.some(isUnrated)
/** Walls in which what is fixed is known by its maker's rating only, while nobody has said that. */
export const unratedWalls = ({ settings, room }: Pick<Project, 'settings' | 'room'>): Room['walls'] =>
  settings.anchorRatedN === null ? room.walls.filter((w) => ['masonry', 'concrete'].includes(w.construction.kind)) : []

const isOpen = ({ state }: CheckResult): boolean => state === 'fails' || state === 'unknown'

/**
 * The least rating of its anchors with which all that waits for one is proven, wherever the goods do worst, and all else
 * as far as the best of them help: a stronger anchor never holds less.
 */
export function ratingWanted(p: Project, build: Build): RatingWanted {
  const checksAt = (anchorRatedN: number | null) => {
    const r = readBuild({ ...p, settings: { ...p.settings, anchorRatedN } }, build)
    return r.ok ? r.reading.checks : null
  }
  const waiting = new Set(
    checksAt(null)
      ?.filter(isUnrated)
      .map((c) => c.check),
  )
  const most = checksAt(RATINGS[RATINGS.length - 1])
  const best = most?.filter(isOpen) ?? []
  const unheld = best.filter((c) => waiting.has(c.check))
  if (!most || unheld.length > 0)
    return { n: null, unknown: unheld.every((c) => c.state === 'unknown'), elseToo: best.length > 0 }
  let [low, high] = [-1, RATINGS.length - 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    const open = checksAt(RATINGS[middle])?.filter(isOpen)
    if (!open || open.length > best.length || open.some((c) => waiting.has(c.check))) low = middle
    else high = middle
  }
  return { n: Math.ceil(RATINGS[high] / STEP_N) * STEP_N, unknown: false, elseToo: best.length > 0 }
}
