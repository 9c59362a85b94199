/*
 * From pieces lying on a sheet to the straight cuts that free them: each region is cut through along one direction at
 * all places where that can be done, and what comes off is cut the other way, until every piece is free. Plain
 * rectangles; knows nothing of what they are.
 */

export interface Rect {
  x: number
  y: number
  w: number
  h: number
}
/** `x`: cuts across the x axis (each at one x), `y`: along it (each at one y). */
export type Way = 'x' | 'y'

/** A region in the hand, and how it is cut further. */
export interface CutNode {
  region: Rect
  /** Indices of the pieces in it. */
  pieces: number[]
  /**
   * The way it is cut, and what comes off one after the other, each as wide as what lies in it; absent where it is a
   * finished piece.
   */
  way: Way | null
  parts: CutNode[]
  /** What is left beyond the last cut, when anything is; a whole region without pieces has none. */
  rest: Rect | null
}

const SLACK = 1e-4
/** A rest smaller than this share of its region is a sliver. */
const SLIVER = 0.12

/**
 * @param first way tried first in every region that can be cut both ways; `either` takes the one with fewer cuts
 * @returns null where straight cuts cannot part the pieces
 */
export function cutTree(rects: readonly Rect[], region: Rect, kerf: number, first: Way | 'either'): CutNode | null {
  const all = rects.map((_, i) => i)
  return node(rects, all, region, kerf, first, null)
}

function node(
  rects: readonly Rect[],
  pieces: number[],
  region: Rect,
  kerf: number,
  first: Way | 'either',
  last: Way | null,
): CutNode | null {
  if (pieces.length === 0) return { region, pieces, way: null, parts: [], rest: null }
  const ways: Way[] = first === 'y' ? ['y', 'x'] : ['x', 'y']
  const options = ways.flatMap((way) => {
    if (way === last) return []
    const groups = grouped(rects, pieces, way, kerf)
    const [o, s] = way === 'x' ? (['x', 'w'] as const) : (['y', 'h'] as const)
    const end = Math.max(...pieces.map((i) => rects[i][o] + rects[i][s]))
    const start = Math.min(...pieces.map((i) => rects[i][o]))
    const trims = region[o] + region[s] - end > SLACK || start - region[o] > SLACK
    const sliver = groups.length === 1 && region[o] + region[s] - end < SLIVER * region[s]
    return groups.length > 1 || trims ? [{ way, groups, sliver, cuts: groups.length - 1 + (trims ? 1 : 0) }] : []
  })
  if (options.length === 0) return pieces.length === 1 ? { region, pieces, way: null, parts: [], rest: null } : null
  // What only takes a sliver off waits until the large pieces are apart.
  if (first === 'either') options.sort((a, b) => Number(a.sliver) - Number(b.sliver) || a.cuts - b.cuts)
  for (const { way, groups } of options) {
    const [o, s] = way === 'x' ? (['x', 'w'] as const) : (['y', 'h'] as const)
    let at = region[o]
    const parts: CutNode[] = []
    for (const g of groups) {
      const to = Math.max(...g.map((i) => rects[i][o] + rects[i][s]))
      // What lies before the first piece of a group goes with the cut before it.
      const from = Math.min(...g.map((i) => rects[i][o]))
      const part = node(rects, g, { ...region, [o]: from, [s]: to - from }, kerf, first, way)
      if (!part) break
      parts.push(part)
      at = to + kerf
    }
    if (parts.length < groups.length) continue
    const left = region[o] + region[s] - at
    return { region, pieces, way, parts, rest: left > SLACK ? { ...region, [o]: at, [s]: left } : null }
  }
  return null
}

/** Pieces in groups that a straight cut can part, in order. */
function grouped(rects: readonly Rect[], pieces: readonly number[], way: Way, kerf: number): number[][] {
  const [o, s] = way === 'x' ? (['x', 'w'] as const) : (['y', 'h'] as const)
  const out: number[][] = []
  let reach = -Infinity
  for (const i of [...pieces].sort((a, b) => rects[a][o] - rects[b][o])) {
    if (out.length === 0 || rects[i][o] >= reach + kerf - SLACK) out.push([i])
    else out[out.length - 1].push(i)
    reach = Math.max(reach, rects[i][o] + rects[i][s])
  }
  return out
}

/**
 * How often a fence or stop is set to free all pieces of a region: every width taken off in one direction counts once.
 */
export function settingsOf(tree: CutNode): number {
  const seen = new Set<string>()
  const walk = (n: CutNode) => {
    for (const p of n.parts) {
      seen.add(`${n.way}${Math.round(n.way === 'x' ? p.region.w : p.region.h)}`)
      walk(p)
    }
  }
  walk(tree)
  return seen.size
}
