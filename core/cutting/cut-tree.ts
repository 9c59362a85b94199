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
/** Names of where a region begins and how large it is along a way. */
export const AXES = { x: ['x', 'w'], y: ['y', 'h'] } as const

/** A region in the hand, and how it is cut further. */
export interface CutNode {
  region: Rect
  /** Indices of the pieces in it; what is left over has none. */
  pieces: number[]
  /** The way it is cut; null for a finished piece and for what is left over. */
  way: Way | null
  /**
   * Where the blade goes through, its nearer side, one after the other; it takes a kerf, or the rest where that is less.
   */
  cuts: number[]
  /** What the cuts leave, one more than there are cuts; nothing left is a region without size. */
  parts: CutNode[]
  /** Only edges are taken off. */
  trims?: true
}

/** Less than this is no difference in wood, mm: a hundredth. */
export const EVEN_MM = 0.01

const leftOver = (region: Rect): CutNode => ({ region, pieces: [], way: null, cuts: [], parts: [] })
const endOf = (r: Rect, way: Way) => r[AXES[way][0]] + r[AXES[way][1]]
/** The part of a region between two places along a way. */
export const between = (region: Rect, way: Way, from: number, to: number): Rect => {
  const [o, s] = AXES[way]
  return { ...region, [o]: from, [s]: to - from }
}

/**
 * @param first way tried first; `either` takes the one with fewer cuts and settings
 * @returns null where straight cuts cannot part the pieces
 */
export function cutTree(
  rects: readonly Rect[],
  region: Rect,
  kerf: number,
  first: Way | 'either',
  pieces: readonly number[] = rects.map((_, i) => i),
): CutNode | null {
  const trees = (['x', 'y'] as const).map((way) => node(rects, pieces, region, kerf, way, false))
  const [x, y] = first === 'y' ? trees.reverse() : trees
  if (!x || !y || first !== 'either') return x ?? y
  return effort(y) < effort(x) ? y : x
}

/** What it takes to free everything in a region: setting a fence takes longer than a cut. */
const effort = (n: CutNode): number => countCuts(n) + 3 * settingsOf(n)
const countCuts = (n: CutNode): number => n.cuts.length + n.parts.reduce((sum, p) => sum + countCuts(p), 0)

/**
 * @param way the way it is cut, if anything is there to cut; else the other
 * @param turned nothing was to be cut the other way
 */
function node(
  rects: readonly Rect[],
  pieces: readonly number[],
  region: Rect,
  kerf: number,
  way: Way,
  turned: boolean,
): CutNode | null {
  if (pieces.length === 0) return leftOver(region)
  const [o, s] = AXES[way]
  const other: Way = way === 'x' ? 'y' : 'x'
  const groups = grouped(rects, pieces, way, kerf)
  const cuts: number[] = []
  const parts: CutNode[] = []
  let at = region[o]
  const cutAt = (place: number) => {
    cuts.push(place)
    at = place + kerf
  }
  for (const g of groups) {
    const from = Math.min(...g.map((i) => rects[i][o]))
    const to = Math.max(...g.map((i) => rects[i][o] + rects[i][s]))
    if (from - at > EVEN_MM) {
      parts.push(leftOver(between(region, way, at, Math.max(at, from - kerf))))
      cutAt(from - kerf)
    }
    const last = endOf(region, way) - to <= EVEN_MM
    const own = between(region, way, from, last ? endOf(region, way) : to)
    const part = g.length < pieces.length || cuts.length > 0 || !last ? node(rects, g, own, kerf, other, true) : null
    if (part === null) return uncut()
    parts.push(part)
    if (!last) cutAt(to)
  }
  if (parts.length === cuts.length) parts.push(leftOver(between(region, way, at, Math.max(at, endOf(region, way)))))
  return { region, pieces: [...pieces], way, cuts, parts }

  /** Nothing to cut this way: the other way, a finished piece, or pieces no straight cut parts. */
  function uncut(): CutNode | null {
    if (groups.length > 1 || cuts.length > 0) return null
    if (!turned) return node(rects, pieces, region, kerf, other, true)
    return pieces.length === 1 && isEven(rects[pieces[0]], region)
      ? { region, pieces: [...pieces], way: null, cuts: [], parts: [] }
      : null
  }
}
const isEven = (a: Rect, b: Rect) => (['x', 'y', 'w', 'h'] as const).every((k) => Math.abs(a[k] - b[k]) <= 2 * EVEN_MM)

/** Pieces in groups that a straight cut can part, in order. */
function grouped(rects: readonly Rect[], pieces: readonly number[], way: Way, kerf: number): number[][] {
  const [o, s] = AXES[way]
  const out: number[][] = []
  let reach = -Infinity
  for (const i of [...pieces].sort((a, b) => rects[a][o] - rects[b][o])) {
    if (out.length === 0 || rects[i][o] >= reach + kerf - EVEN_MM) out.push([i])
    else out[out.length - 1].push(i)
    reach = Math.max(reach, rects[i][o] + rects[i][s])
  }
  return out
}

/** What is left over when everything is cut. */
export function restsOf(n: CutNode): Rect[] {
  if (n.pieces.length === 0) return n.region.w > EVEN_MM && n.region.h > EVEN_MM ? [n.region] : []
  return n.parts.flatMap(restsOf)
}

/**
 * How often a fence or stop is set to free all pieces of a region: every width taken off in one direction counts once.
 */
export function settingsOf(tree: CutNode): number {
  const seen = new Set<string>()
  const walk = (n: CutNode) => {
    if (n.way) n.cuts.forEach((_, i) => seen.add(`${n.way}${Math.round(n.parts[i].region[AXES[n.way!][1]])}`))
    n.parts.forEach(walk)
  }
  walk(tree)
  return seen.size
}
