import { partsById } from '../assembly/by-id.ts'
import { fastenersIn } from '../assembly/fasteners-in.ts'
import type { Assembly, Joint, Part } from '../assembly/assembly.ts'
import { turnedBox } from '../assembly/part-box.ts'
import { findScrew, headMm, type Screw } from '../catalogue/fasteners.ts'
import polygonClipping from 'polygon-clipping'
import type { TurnedBox } from '../geometry/box.ts'
import { clipped } from '../geometry/contact.ts'
import { hull, type Point } from '../geometry/hull.ts'
import { parting, reachAlong } from '../geometry/parting.ts'
import type { Polyhedron } from '../geometry/polyhedron.ts'
import type { Stretch } from '../geometry/stretch.ts'
import { add, cross, dot, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import { inkOf } from './ink.ts'
import type { FastenerArrow } from './iso.ts'
import type { Mark, Scene } from './scene.ts'
import { polyhedra, solidOf } from './solid.ts'

/*
 * A joint drawn large, cut through its fasteners: the way they go lies in the page, and the row they stand in.
 */

/** Where the fasteners of a joint find room, along two axes, and at what share of the distances asked for; 0: nowhere. */
export interface Places {
  share: number
  where: [Stretch, Stretch]
}

/** One kind of fastener of a joint. */
export interface DetailFastener {
  fastener: Screw
  count: number
  /** How much of it is in the wood before the far piece, and in that, mm. */
  throughMm: number
  intoMm: number
  /** From the outer one to the nearest end or edge of both pieces along the row, and across it, mm; null: nobody knows. */
  edgeMm: [along: number, across: number] | null
  /** The checks found no room for all of them. */
  crowded: boolean
  /** From one to the next in the row, mm; null where there is one, or nobody knows. */
  apartMm: number | null
}
export interface JointDetail {
  near: Part
  far: Part
  /** The way they go, in the build. */
  way: Vec3
  /** How deep the far piece sits in the near one, or the near in the far, mm: a dado or a rabbet. */
  housedMm: number
  slanted: boolean
  fasteners: DetailFastener[]
  /** So many fixings known by their maker only: how they are bored and how deep they go nobody here can draw. */
  byMaker?: number
  /** It is on a bolt that is there. */
  onBolt?: boolean
  /** The drawing: made when it is asked for. */
  draw(): Scene
}

/** Half of what is shown at least, and at most, mm. */
export const LEAST_HALF_MM = 70
const MOST_HALF_MM = 150
/** What is drawn of a fastener that comes in at a slant: from the square, the usual 15° of a pocket. */
const POCKET_RAD = Math.PI / 12
/** And so much of its length is in the piece it starts in, for the drawing. */
const IN_POCKET = 0.55
/** Pieces in each other by less than this only touch, mm. */
const HOUSED_MM = 1

export interface Page {
  /** In the build: the way fasteners go, the way of their row, and into the page. */
  way: Vec3
  row: Vec3
  middle: Vec3
  /** To the right and up on the page. */
  on(p: Vec3): Point
  half: number
}

const UPRIGHT: Vec3 = [0, 0, 1]

/** Places of n in a stretch: in its middle, or evenly from end to end. */
function spread(n: number, from: number, to: number): number[] {
  if (n === 1 || to - from < 1e-6) return Array.from({ length: n }, () => (from + to) / 2)
  return Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
}
const room = (s: Stretch) => (s.to < s.from ? 0 : Math.floor((s.to - s.from) / s.apartMm + 1e-9) + 1)

interface Placed {
  /** Along the row, and across it, from the origin of the build. */
  along: number[]
  across: number
  rowAxis: Vec3
  acrossAxis: Vec3
  known: boolean
}
const axisVector = (k: number): Vec3 => [k === 0 ? 1 : 0, k === 1 ? 1 : 0, k === 2 ? 1 : 0]

/** Where the fasteners of a joint stand: in the row the most of them find room in; upright where both are alike. */
function placeIn(j: Joint, way: Vec3, near: Part, far: Part, count: number, r: Places | null | undefined): Placed {
  if (r && r.share > 0) {
    const [a, b] = r.where
    const first = room(a) > room(b) || (room(a) === room(b) && a.axis === 2) ? a : b
    const other = first === a ? b : a
    const inRow = Math.min(count, room(first))
    // Fewer than there is room for may stand anywhere in it: evenly.
    const across = inRow < count ? other.from : (other.from + other.to) / 2
    return {
      along: spread(inRow, first.from, first.to),
      across,
      rowAxis: axisVector(first.axis),
      acrossAxis: axisVector(other.axis),
      known: true,
    }
  }
  // Askew, or of steel: along the far piece, round the middle of the joint; else across the near one, or along it.
  const flat = [far.at.along, near.at.across, near.at.along].map((v) => sub(v, scale(way, dot(v, way))))
  const rowAxis = unit(flat.find((v) => Math.hypot(...v) > 0.2)!)
  const at = dot(j.at, rowAxis)
  const apart = Math.min(40, near.size.widthMm / 3)
  return {
    along: Array.from({ length: count }, (_, i) => at + (i - (count - 1) / 2) * apart),
    across: dot(j.at, cross(way, rowAxis)),
    rowAxis,
    acrossAxis: cross(way, rowAxis),
    known: false,
  }
}

/** What a plane shows of a solid: its figure on the page, cut to what is in sight. */
function sectionOf(solid: Polyhedron, plane: { out: Vec3; atMm: number }, page: Page): Point[] {
  const points: Vec3[] = []
  for (const f of solid)
    f.forEach((p, i) => {
      const q = f[(i + 1) % f.length]
      const [dp, dq] = [dot(p, plane.out) - plane.atMm, dot(q, plane.out) - plane.atMm]
      if (dp < 0 !== dq < 0) points.push(add(p, scale(sub(q, p), dp / (dp - dq))))
    })
  if (points.length < 3) return []
  let figure: Vec3[] = hull(points.map(page.on)).map(([x, y]): Vec3 => [x, y, 0])
  for (const out of [
    [1, 0, 0],
    [-1, 0, 0],
    [0, 1, 0],
    [0, -1, 0],
  ] as Vec3[])
    if (figure.length > 2) figure = clipped(figure, { out, atMm: page.half })
  return figure.length > 2 ? figure.map(([x, y]): Point => [x, y]) : []
}

/** The hole to bore for a fastener, mm; null where it is driven. By its place in the joint. */
export type Bores = (f: Screw, nth: number) => number | null

/** A hole is bored this much deeper than its screw is long, mm. */
const BORE_PAST_MM = 3

/** A fastener from the side: head, shank, point; a nut or a washer where it has one, and the hole bored for it. */
function fastenerMarks(
  f: Screw,
  { from, way, heldMm, boreMm }: { from: Vec3; way: Vec3; heldMm: number; boreMm: number | null },
  page: Page,
): Mark[] {
  const side = unit(sub(page.row, scale(way, dot(page.row, way))))
  const at = (along: number, aside: number) => page.on(add(from, add(scale(way, along), scale(side, aside))))
  const outline = (points: [number, number][]): Mark => ({
    kind: 'outline',
    points: points.map(([a, s]) => at(a, s)),
    ink: 'fitting',
  })
  const r = f.diameterMm / 2
  if (f.kind === 'nut')
    return [
      outline([
        [-0.8 * f.diameterMm, -1.7 * r],
        [0, -1.7 * r],
        [0, 1.7 * r],
        [-0.8 * f.diameterMm, 1.7 * r],
      ]),
    ]
  const long = f.lengthMm
  const flat = f.kind === 'bolt' || f.kind === 'lag'
  const h = flat ? 1.8 * r : headMm(f) / 2 + r * 0.6
  const head: [number, number][] = flat
    ? [
        [-1.3 * r, -h],
        [0, -h],
        [0, h],
        [-1.3 * r, h],
      ]
    : [
        [0, -h],
        [1.6 * r, -r],
        [1.6 * r, r],
        [0, h],
      ]
  const tip = f.kind === 'bolt' ? 0 : 2.4 * r
  const shank: [number, number][] = [
    [0, -r],
    [long - tip, -r],
    [long, 0],
    [long - tip, r],
    [0, r],
  ]
  const nut: Mark[] =
    f.kind === 'bolt'
      ? [
          outline([
            [heldMm, -1.8 * r],
            [heldMm + 1.7 * r, -1.8 * r],
            [heldMm + 1.7 * r, 1.8 * r],
            [heldMm, 1.8 * r],
          ]),
        ]
      : []
  const deep = f.kind === 'bolt' ? heldMm : long + BORE_PAST_MM
  const hole: Mark[] =
    boreMm === null
      ? []
      : [
          {
            kind: 'outline',
            ink: 'work',
            points: [
              [0, -boreMm / 2],
              [deep, -boreMm / 2],
              [deep, boreMm / 2],
              [0, boreMm / 2],
            ].map(([a, s]) => at(a, s)),
          },
        ]
  return [outline(shank), outline(head), ...nut, ...hole]
}

/**
 * @param rooms what room each kind of its fasteners has, as the checks found it
 * @param bores the hole to bore for each kind
 * @returns null for a joint without fasteners, or of a piece that is gone
 */
export function jointDetail(
  a: Assembly,
  j: Joint,
  rooms: readonly (Places | null)[] | undefined,
  bores: Bores = () => null,
): JointDetail | null {
  const [near, far] = [j.near, j.far].map((id) => a.parts.find((p) => p.id === id))
  if (!near || !far || j.fasteners.length === 0) return null
  const [nearBox, farBox] = [turnedBox(near), turnedBox(far)]
  const { way, deepMm } = parting(nearBox, farBox)
  const housedMm = deepMm > HOUSED_MM ? deepMm : 0
  const gapMm = Math.max(0, -deepMm)
  const slanted = j.kind === 'pocket-screwed'
  // Where they come out of the near piece: on the face, or at the bottom of a housing.
  const inFace = reachAlong(nearBox, way)[1] - housedMm
  const outer = reachAlong(nearBox, way)[0]
  const marks: Mark[] = []
  let page: Page | null = null
  const fasteners = j.fasteners.flatMap((f, i): DetailFastener[] => {
    const fastener = findScrew(f.fastener)
    if (!fastener) return []
    const placed = placeIn(j, way, near, far, f.count, rooms?.[i])
    page ??= pageFor(fastener, way, placed, inFace)
    const before = f.beforeMm ?? 0
    const held = inFace + gapMm - outer + before
    const throughMm = fastener.kind === 'nut' ? 0 : Math.min(fastener.lengthMm, held)
    const intoMm =
      fastener.kind === 'nut'
        ? 0
        : Math.max(0, Math.min(fastener.lengthMm - throughMm, reachAlong(farBox, way)[1] - inFace - gapMm))
    for (const along of placed.along) {
      const at = (w: number) =>
        add(add(scale(way, w), scale(placed.rowAxis, along)), scale(placed.acrossAxis, placed.across))
      const into = slanted
        ? unit(add(scale(way, Math.cos(POCKET_RAD)), scale(placed.rowAxis, Math.sin(POCKET_RAD))))
        : way
      const start = slanted ? inFace - IN_POCKET * fastener.lengthMm : outer - before
      const shifted = slanted
        ? sub(at(start), scale(placed.rowAxis, IN_POCKET * fastener.lengthMm * Math.tan(POCKET_RAD)))
        : at(start)
      const heldMm = reachAlong(farBox, way)[1] - start
      marks.push(...fastenerMarks(fastener, { from: shifted, way: into, heldMm, boreMm: bores(fastener, i) }, page))
    }
    if (placed.known) marks.push(...distances(page, placed, nearBox, outer))
    return [
      {
        fastener,
        count: f.count,
        throughMm,
        intoMm,
        edgeMm: placed.known && !slanted ? edgesOf([nearBox, farBox], placed) : null,
        crowded: rooms?.[i]?.share === 0,
        apartMm: placed.known && placed.along.length > 1 ? Math.abs(placed.along[1] - placed.along[0]) : null,
      },
    ]
  })
  if (!page || fasteners.length === 0) return null
  const at: Page = page
  return { near, far, way, housedMm, slanted, fasteners, draw: () => sceneOf(a, [near.id, far.id], at, marks) }
}

/** The least distance of the fasteners to an end or edge of either piece, along their row and across it, mm. */
function edgesOf(boxes: readonly TurnedBox[], p: Placed): [number, number] {
  const least = (way: Vec3, at: readonly number[]) =>
    Math.min(
      ...boxes.flatMap((b) => {
        const [from, to] = reachAlong(b, way)
        return at.map((x) => Math.min(x - from, to - x))
      }),
    )
  return [least(p.rowAxis, p.along), least(p.acrossAxis, [p.across])]
}

function pageFor(f: Screw, way: Vec3, placed: Placed, inFace: number): Page {
  const [first, last] = [placed.along[0], placed.along[placed.along.length - 1]]
  const half = Math.min(MOST_HALF_MM, Math.max(LEAST_HALF_MM, 1.15 * f.lengthMm, (last - first) / 2 + 40))
  // A row longer than what can be shown: its first end.
  const along = last - first > 2 * (half - 20) ? first + half - 30 : (first + last) / 2
  const middle = add(add(scale(way, inFace), scale(placed.rowAxis, along)), scale(placed.acrossAxis, placed.across))
  const goesUp = Math.abs(way[2]) > 0.7
  // What goes up or down does so on the page too; a row that is upright stands upright.
  const up = goesUp ? UPRIGHT : placed.rowAxis[2] < -0.1 ? scale(placed.rowAxis, -1) : placed.rowAxis
  const right = goesUp ? placed.rowAxis : way
  const on = (p: Vec3): Point => [dot(sub(p, middle), right), dot(sub(p, middle), up)]
  return { way, row: placed.rowAxis, middle, on, half }
}

/** From the near piece's ends, where they are in sight, to the row and along it, on the side the fasteners come from. */
function distances(page: Page, placed: Placed, near: TurnedBox, outer: number): Mark[] {
  const [from, to] = reachAlong(near, placed.rowAxis)
  const middle = dot(page.middle, placed.rowAxis)
  const seen = (x: number) => Math.abs(x - middle) < page.half - 1
  const stops = [from, ...placed.along, to].filter(seen)
  const out = Math.max(outer, dot(page.middle, page.way) - page.half + 2)
  const at = (x: number) =>
    page.on(add(page.middle, add(scale(page.way, out - dot(page.middle, page.way)), scale(placed.rowAxis, x - middle))))
  return stops.slice(1).flatMap((x, i): Mark[] => {
    const mm = x - stops[i]
    if (mm < 1) return []
    const [p, q] = [at(stops[i]), at(x)]
    // To the left of the way from one to the other is outside.
    const way = page.on(add(page.middle, page.way))
    const left = -(q[1] - p[1]) * way[0] + (q[0] - p[0]) * way[1]
    const [a, b] = left < 0 ? [p, q] : [q, p]
    return [{ kind: 'dimension', from: a, to: b, offsetMm: 0.2 * page.half, mm }]
  })
}

/** Figures of the pieces of one part as one figure. */
function united(figures: readonly Point[][]): Point[][] {
  if (figures.length < 2) return [...figures]
  const [first, ...rest] = figures.map((f): [number, number][][] => [f.map(([x, y]) => [even(x), even(y)])])
  return polygonClipping.union(first, ...rest).map((rings) => rings[0].slice(0, -1))
}
/** Pieces of one part meet in the same places to the last digit. */
const even = (v: number) => Math.round(v * 1e5) / 1e5

/**
 * Everything the plane meets within sight; the two pieces hatched, whatever else is there plain.
 * @param ground the one that stands for masonry or a slab
 */
export function sceneOf(
  a: Assembly,
  joined: readonly string[],
  page: Page,
  marks: readonly Mark[],
  ground?: string,
): Scene {
  const out = cross(page.way, page.row)
  const plane = { out, atMm: dot(page.middle, out) + 0.01 }
  const parts = a.parts.flatMap((p): { mark: Mark; mine: boolean }[] => {
    const mine = joined.includes(p.id)
    const figures = polyhedra(solidOf(p)).flatMap((s) => {
      const points = sectionOf(s, plane, page)
      return points.length > 2 ? [points] : []
    })
    return united(figures).map((points) => ({
      mark: { kind: 'outline', points, ink: p.id === ground ? 'cut-ground' : inkOf(p, mine), part: p.id },
      mine,
    }))
  })
  const m = 0.46 * page.half
  return {
    marks: [...parts.filter((p) => !p.mine), ...parts.filter((p) => p.mine)].map((p) => p.mark).concat(marks),
    bounds: [-page.half - m, -page.half - m, page.half + m, page.half + m],
  }
}

/** Arrows for the fasteners of a build's joints: to where they enter the near piece, from the side they come from. */
export function fastenerArrows(a: Assembly, joints: readonly Joint[]): FastenerArrow[] {
  const byId = partsById(a)
  return joints.flatMap((j): FastenerArrow[] => {
    const [near, far] = [byId.get(j.near), byId.get(j.far)]
    const count = fastenersIn([j])
    if (!near || !far || count === 0) return []
    const box = turnedBox(near)
    const { way } = parting(box, turnedBox(far))
    const outer = reachAlong(box, way)[0]
    return [{ part: near.id, at: add(j.at, scale(way, outer - dot(j.at, way))), way, count }]
  })
}

/** What tells joints apart: those that are mirror images of each other, or lie elsewhere, are shown once. */
export function alike(d: JointDetail): string {
  const round = (_k: string, v: unknown) => (typeof v === 'number' ? Math.round(v * 2) / 2 || 0 : v)
  const pieces = [d.near, d.far].map((p) => [p.role, p.stock, p.size.thicknessMm])
  const [x, y, z] = d.way
  const fasteners = d.fasteners.map(({ fastener, ...f }) => ({ ...f, id: fastener.id }))
  const ways = [x, y, z].map(Math.abs)
  return JSON.stringify([pieces, ways, d.housedMm, d.slanted, fasteners, d.byMaker, d.onBolt], round)
}
