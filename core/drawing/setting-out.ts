import type { Anchor, Assembly, Part } from '../assembly/assembly.ts'
import { partBox } from '../assembly/part-box.ts'
import type { Box } from '../geometry/box.ts'
import type { Point } from '../geometry/hull.ts'
import type { FreeSpace } from '../room/room.ts'
import { inkOf } from './ink.ts'
import type { Ink, Mark, Scene } from './scene.ts'

/*
 * What is marked on a wall or a ceiling before anything goes up: every fixing and every hole from one corner and one
 * line. A wall as one faces it, with its level line; a ceiling from below, as one looks up facing the wall: left is left,
 * and the wall is at the lower edge.
 */

export interface SetRow {
  /** Of a wall: above its level line; of a ceiling: out from the wall. */
  awayMm: number
  /** Numbers and places of the marks, from the corner, in the order they are made. */
  marks: { n: number; atMm: number }[]
}
export interface SettingOut {
  on: 'wall' | 'ceiling'
  /** Of a wall: its level line above the floor. */
  levelMm: number
  /** What is marked: places of fixings, or of holes for rods. */
  what: 'fixings' | 'holes'
  boreMm: number | null
  rows: SetRow[]
  scene: Scene
}

/** Where a build begins, from the corner at the left end of its wall and out from that. */
export interface Corner {
  alongMm: number
  outMm: number
}

/** Marks nearer to one line than this are on it, mm. */
const ONE_LINE_MM = 1
/** A cross of a mark reaches this far, and its number stands so far from it, as shares of the drawing. */
const CROSS_SHARE = 0.012
const MARGIN_SHARE = 0.12

interface Spot {
  /** From the corner, and above the floor or out from the wall. */
  at: Point
}

type Space = Pick<FreeSpace, 'studsMm' | 'joists' | 'ceilingMm' | 'construction'>

/** Rows from the line up or out, marks in each from the corner on. */
function rowsOf(spots: readonly Spot[], fromMm: number): { rows: SetRow[]; numbered: { n: number; at: Point }[] } {
  const sorted = [...spots].sort((a, b) => a.at[1] - b.at[1] || a.at[0] - b.at[0])
  const lines: Spot[][] = []
  for (const s of sorted) {
    const last = lines[lines.length - 1]
    if (last && s.at[1] - last[0].at[1] <= ONE_LINE_MM) last.push(s)
    else lines.push([s])
  }
  let n = 0
  const numbered: { n: number; at: Point }[] = []
  const rows = lines.map((line) => ({
    awayMm: line[0].at[1] - fromMm,
    marks: line
      .sort((a, b) => a.at[0] - b.at[0])
      .map((s) => {
        numbered.push({ n: ++n, at: s.at })
        return { n, atMm: s.at[0] }
      }),
  }))
  return { rows, numbered }
}

/** @param anchors those that are marked: all of a step, or of the build */
export function settingOut(a: Assembly, anchors: readonly Anchor[], space: Space, corner: Corner): SettingOut[] {
  const up = anchors.filter((x) => x.into === 'joist' || x.prepared?.on === 'ceiling')
  // What goes into the floor, or into a wall beside it, is bored through what it holds, once that stands.
  const onWall = anchors.filter((x) => !up.includes(x) && x.into !== 'neighbour' && x.into !== 'slab' && !x.side)
  const out: SettingOut[] = []
  const shift = (p: Point): Point => [p[0] + corner.alongMm, p[1]]
  if (onWall.length > 0) {
    const spots = onWall.map((x): Spot => ({ at: shift([x.at[0], x.at[2]]) }))
    const levelMm = Math.min(...spots.map((s) => s.at[1]))
    const held = heldBy(a, onWall)
    const page = (b: Box): [Point, Point] => [shift([b.min[0], b.min[2]]), shift([b.max[0], b.max[2]])]
    const behind = space.construction.kind === 'studs' ? space.studsMm.map((x) => x + corner.alongMm) : []
    out.push({ on: 'wall', levelMm, what: 'fixings', boreMm: null, ...drawn(spots, held, page, { levelMm, behind }) })
  }
  if (up.length > 0) {
    const spots = up.map((x): Spot => ({ at: [x.at[0] + corner.alongMm, x.at[1] + corner.outMm] }))
    out.push(onCeiling(heldBy(a, up), spots, space, corner, 'fixings', null))
  }
  return out
}

/** Holes in a ceiling for what goes up through it; null where nothing does. */
export function holesThrough(a: Assembly, space: Space, corner: Corner): SettingOut | null {
  const through = a.parts.filter((p) => {
    const b = partBox(p)
    return p.stock.kind === 'steel' && b.min[2] < space.ceilingMm - 1 && b.max[2] > space.ceilingMm + 1
  })
  if (through.length === 0) return null
  const spots = through.map((p): Spot => ({ at: [p.at.centre[0] + corner.alongMm, p.at.centre[1] + corner.outMm] }))
  const wide = Math.max(...through.map((p) => p.size.widthMm))
  const standing = a.parts.filter((p) => partBox(p).max[2] < space.ceilingMm && !through.includes(p))
  return onCeiling(standing, spots, space, corner, 'holes', wide + HOLE_OVER_MM)
}
/** A hole through a lining is wider than its rod by this, mm: it need not be met to the millimetre. */
const HOLE_OVER_MM = 6

function onCeiling(
  held: readonly Part[],
  spots: readonly Spot[],
  space: Space,
  corner: Corner,
  what: SettingOut['what'],
  boreMm: number | null,
): SettingOut {
  const at = (x: number, y: number): Point => [x + corner.alongMm, y + corner.outMm]
  const page = (b: Box): [Point, Point] => [at(b.min[0], b.min[1]), at(b.max[0], b.max[1])]
  const joists = space.joists
  const shifted = joists
    ? { ...joists, atMm: joists.atMm.map((v) => v + (joists.run === 'out' ? corner.alongMm : corner.outMm)) }
    : null
  return {
    on: 'ceiling',
    levelMm: 0,
    what,
    boreMm,
    ...drawn(spots, held, page, {
      levelMm: 0,
      behind: shifted?.run === 'out' ? shifted.atMm : [],
      level: shifted?.run === 'along' ? shifted.atMm : [],
    }),
  }
}

const heldBy = (a: Assembly, anchors: readonly Anchor[]): Part[] =>
  a.parts.filter((p) => anchors.some((x) => x.part === p.id))

/** A wall no further off than this is drawn in any case, mm. */
const WALL_SEEN_MM = 1500

const chalk = (...points: Point[]): Mark => ({ kind: 'outline', points, ink: 'chalk' })

function drawn(
  spots: readonly Spot[],
  held: readonly Part[],
  page: (b: Box) => [Point, Point],
  lines: { levelMm: number; behind: readonly number[]; level?: readonly number[] },
): { rows: SetRow[]; scene: Scene } {
  const { rows, numbered } = rowsOf(spots, lines.levelMm)
  const boxes = held.map((p) => ({ p, on: page(partBox(p)) }))
  const xs = [...boxes.flatMap((b) => [b.on[0][0], b.on[1][0]]), ...spots.map((s) => s.at[0])]
  const ys = [...boxes.flatMap((b) => [b.on[0][1], b.on[1][1]]), ...spots.map((s) => s.at[1])]
  // A wall that is near enough is in the picture.
  const nearest = Math.min(...ys)
  const size0 = Math.max(...xs) - Math.min(...xs)
  const wall = lines.level !== undefined && nearest <= Math.max(size0, WALL_SEEN_MM)
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), wall ? 0 : nearest, Math.max(...ys)]
  const size = Math.max(right - left, high - low, 1)
  const m = MARGIN_SHARE * size
  const c = CROSS_SHARE * size
  const line = (from: Point, to: Point, ink: Ink = 'wall'): Mark => ({ kind: 'line', from, to, ink })
  const [first, last] = [wall ? low : low - m, high + m]
  const marks: Mark[] = [
    ...lines.behind.filter((x) => x > left - m && x < right + m).map((x) => line([x, first], [x, last])),
    ...(lines.level ?? []).filter((y) => y > first && y < last).map((y) => line([left - m, y], [right + m, y])),
    ...(wall ? [line([left - m, 0], [right + m, 0], 'floor')] : []),
    ...boxes.map(({ p, on: [q, r] }): Mark => ({
      kind: 'outline',
      points: [q, [r[0], q[1]], r, [q[0], r[1]]],
      ink: inkOf(p, false),
      part: p.id,
    })),
    ...(lines.level === undefined ? [chalk([left - m, lines.levelMm], [right + m, lines.levelMm])] : []),
    ...numbered.flatMap(({ n, at: [x, y] }): Mark[] => [
      chalk([x - c, y - c], [x + c, y + c], [x, y], [x - c, y + c], [x + c, y - c], [x, y]),
      { kind: 'label', at: [x + 2.4 * c, y + 2.2 * c], text: String(n), part: '', upright: false },
    ]),
  ]
  const stops = [...new Set(spots.map((s) => Math.round(s.at[0] * 10) / 10))].sort((p, q) => p - q)
  const over = high + m
  marks.push({ kind: 'running', fromMm: 0, atMm: over, stops })
  const levels = [...new Set(rows.map((r) => r.awayMm + lines.levelMm))]
  let from = lines.levelMm
  for (const y of levels) {
    if (y - from > ONE_LINE_MM)
      marks.push({ kind: 'dimension', from: [left, y], to: [left, from], offsetMm: -1.2 * m, mm: y - from })
    from = y
  }
  return {
    rows,
    scene: { marks, bounds: [left - 2.6 * m, first - (wall ? 0.5 : 0.4) * m, right + 1.6 * m, over + 0.3 * size] },
  }
}
