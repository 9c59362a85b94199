import { inches } from '../../measure/units.ts'
import type { DimPen } from '../dim-pen.ts'
import type { Opening } from '../house-on-shelves.ts'
import { LIMITS, type PostRackParams } from './parameters.ts'

/* Where posts and cross pieces stand along a run of modules. */

/** Cross pieces no further apart: the span for which 3/4 in panels are rated. */
const CROSS_EVERY = inches(24)

export interface ModulePlan {
  left: number
  lengthMm: number
  /** Left edges of its posts, ends included. */
  posts: number[]
  crosses: number[]
}

/** What of the stock says where posts stand, mm. */
export interface AlongTheRun {
  postWidth: number
  railThick: number
  /** Posts no further apart, mm. */
  postsEvery: number
  /** Nor nearer: what the rack is for goes between them. */
  leastApart: number
  /** Clear width of one opening of the first module, for what is a little wider than the others; nought where nothing is. mm */
  wideMm: number
}

/** Middle posts a whole module needs. */
const midPostsFor = (lengthMm: number, s: AlongTheRun): number => {
  const room = lengthMm - s.postWidth
  const most = s.leastApart > 0 ? Math.floor(room / s.leastApart + 1e-9) : Infinity
  return Math.min(LIMITS.midPosts, Math.max(0, Math.min(Math.ceil(room / s.postsEvery - 1e-9), most) - 1))
}

/** Where a middle post of a module stands: evenly, or past one opening that is wider than the others. */
function midAt(
  { left, lengthMm }: Pick<ModulePlan, 'left' | 'lengthMm'>,
  i: number,
  n: number,
  { wideMm, postWidth }: AlongTheRun,
  isFirst: boolean,
): { mm: number; why: 'evenly' | 'post-past-wide' } {
  const evenMm = lengthMm / (n + 1)
  const firstMm = postWidth + wideMm + postWidth / 2
  // The rest of the module is shared by the other openings.
  const restMm = (lengthMm - firstMm) / n
  if (!isFirst || firstMm <= evenMm || restMm < 3 * postWidth) return { mm: left + i * evenMm, why: 'evenly' }
  return { mm: left + firstMm + (i - 1) * restMm, why: 'post-past-wide' }
}

/** Modules with their posts and cross pieces; a shorter module gets its share of the middle posts. */
export function modulesOf(
  lengths: number[],
  p: PostRackParams,
  s: AlongTheRun,
  startMm: number,
): { modules: ModulePlan[]; fault?: { field: string; code: string; data: Record<string, number> } } {
  const modules: ModulePlan[] = []
  const longest = Math.max(...lengths)
  const whole = p.midPosts ?? midPostsFor(longest, s)
  let left = startMm
  let nth = 0
  for (const lengthMm of lengths) {
    const n = Math.floor((whole * lengthMm) / longest + 0.25)
    const posts = [left]
    for (let i = 1; i <= n; i++, nth++) {
      const centre = p.midAtMm[nth] ?? midAt({ left, lengthMm }, i, n, s, modules.length === 0).mm
      const [least, most] = [posts[posts.length - 1] + 1.5 * s.postWidth, left + lengthMm - 1.5 * s.postWidth]
      if (centre < least || centre > most)
        return {
          modules,
          fault: { field: `midAtMm.${nth}`, code: 'post-outside', data: { mm: centre, leastMm: least, mostMm: most } },
        }
      posts.push(centre - s.postWidth / 2)
    }
    posts.push(left + lengthMm - s.postWidth)
    const every = p.crossEveryMm ?? CROSS_EVERY
    const bays = Math.max(1, Math.ceil((lengthMm - s.railThick) / every - 1e-9))
    const crosses = Array.from({ length: bays + 1 }, (_, i) => left + ((lengthMm - s.railThick) * i) / bays)
    modules.push({ left, lengthMm, posts, crosses })
    left += lengthMm
  }
  return { modules }
}

/** Notes what was settled for posts and cross pieces, once the run is chosen. */
export function notePosts(modules: ModulePlan[], s: AlongTheRun, pen: DimPen) {
  const longest = modules.reduce((a, b) => (b.lengthMm > a.lengthMm ? b : a))
  pen.count({ path: 'midPosts', code: 'mid-posts', min: 0, max: LIMITS.midPosts }, midPostsFor(longest.lengthMm, s), {
    terms: [],
    ...(s.leastApart > s.postsEvery
      ? { code: 'posts-as-wide', data: { apartMm: s.leastApart } }
      : { code: 'post-spacing', data: { everyMm: s.postsEvery } }),
  })
  pen.length({ path: 'crossEveryMm', code: 'cross-every', min: 150, max: 1300 }, CROSS_EVERY, {
    code: 'sheet-span',
    terms: [],
    data: { everyMm: CROSS_EVERY },
  })
  let nth = 0
  for (const m of modules) {
    const mids = m.posts.slice(1, -1)
    mids.forEach((_, i) => {
      const { mm, why } = midAt(m, i + 1, mids.length, s, m === modules[0])
      pen.length(
        { path: `midAtMm.${nth}`, code: 'mid-post-at', data: { post: nth + 1 }, min: m.left, max: m.left + m.lengthMm },
        mm,
        { code: why, terms: [], data: { parts: mids.length + 1 } },
      )
      nth++
    })
  }
}

/** What is between the posts, from left to right, each with its module. */
export const openingsOf = (modules: ModulePlan[], s: AlongTheRun): (Opening & { module: number })[] =>
  modules.flatMap((m, module) => m.posts.slice(1).map((x, i) => ({ module, left: m.posts[i] + s.postWidth, right: x })))
