import type { Assembly, Bay, Part, Placed } from '../assembly/assembly.ts'
import { turnedBox } from '../assembly/part-box.ts'
import { brick, extruded, prism, type Convex } from '../geometry/convex.ts'
import type { Point } from '../geometry/hull.ts'
import { thirdAxis, type Box } from '../geometry/box.ts'
import { isConvex } from '../geometry/pieces.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'
import { onPlan, type WallLine } from '../room/outline.ts'
import { sweptBodies } from './motions.ts'

/**
 * Quarter turns of a build about an upright axis, seen from above, against the hands of a clock as one faces its wall.
 */
export const TURNS = [0, 1, 2, 3] as const
export type Turn = (typeof TURNS)[number]

/** Where a build stands: the corner of its footprint nearest to the wall's left end, along the wall and out from it. */
export interface Place {
  alongMm: number
  outMm: number
  turn: Turn
}

/** A build's own frame laid into the room: own x and y (mm) to a place of the plan. */
export interface Frame {
  toPlan(x: number, y: number): Point
  /** A direction of the build in the room. */
  direction(v: Vec3): Vec3
  /** Size of its footprint along the wall and out from it. */
  alongMm: number
  outMm: number
  wall: WallLine
  place: Place
  /** Its own floor above that of the room: what it stands on. */
  liftMm: number
}

/**
 * @param wideMm size of the build along its own x
 * @param deepMm and along its own y
 */
export function frameOf(wall: WallLine, place: Place, wideMm: number, deepMm: number, liftMm = 0): Frame {
  const turned = (x: number, y: number): Point => {
    switch (place.turn) {
      case 0:
        return [x, y]
      case 1:
        return [y, wideMm - x]
      case 2:
        return [wideMm - x, deepMm - y]
      case 3:
        return [deepMm - y, x]
    }
  }
  const toPlan = (x: number, y: number): Point => {
    const [u, v] = turned(x, y)
    return onPlan(wall, place.alongMm + u, place.outMm + v)
  }
  const o = toPlan(0, 0)
  const [ex, ey] = [toPlan(1, 0), toPlan(0, 1)]
  const sideways = place.turn % 2 === 1
  return {
    toPlan,
    wall,
    place,
    liftMm,
    direction: (v) => [
      v[0] * (ex[0] - o[0]) + v[1] * (ey[0] - o[0]),
      v[0] * (ex[1] - o[1]) + v[1] * (ey[1] - o[1]),
      v[2],
    ],
    alongMm: sideways ? deepMm : wideMm,
    outMm: sideways ? wideMm : deepMm,
  }
}

/** An upright box of the build's frame, in the room. */
export function placedBox(f: Frame, b: Box): Convex {
  const foot: Point[] = [
    f.toPlan(b.min[0], b.min[1]),
    f.toPlan(b.max[0], b.min[1]),
    f.toPlan(b.max[0], b.max[1]),
    f.toPlan(b.min[0], b.max[1]),
  ]
  return prism(foot, b.min[2] + f.liftMm, b.max[2] + f.liftMm)
}

/** Goods in the room, at the angle they stand at. */
export function placedGoods(f: Frame, { box, turned }: Pick<Placed, 'box' | 'turned'>): Convex {
  if (!turned) return placedBox(f, box)
  const [x, y] = [0, 1].map((i) => (box.min[i] + box.max[i]) / 2)
  const [c, s] = [Math.cos(turned.rad), Math.sin(turned.rad)]
  const [u, v] = [turned.acrossMm / 2, turned.deepMm / 2]
  const foot = [
    [-u, -v],
    [u, -v],
    [u, v],
    [-u, v],
  ].map(([a, b]) => f.toPlan(x + a * c - b * s, y + a * s + b * c))
  return prism(foot, box.min[2] + f.liftMm, box.max[2] + f.liftMm)
}

/** A part of the build, at whatever angle, in the room: by its outline where that has no corner that points inwards. */
export function placedPart(f: Frame, p: Part): Convex {
  const t = turnedBox(p)
  if (t.outline && isConvex(t.outline)) {
    const through = scale(thirdAxis(t), t.size[2])
    const corner = ([u, v]: readonly [number, number]): Vec3 =>
      add(add(t.centre, scale(through, -1 / 2)), add(scale(t.along, u), scale(t.across, v)))
    return extruded(
      t.outline.map((c) => inRoom(f, corner(c))),
      f.direction(through),
    )
  }
  const [cx, cy] = f.toPlan(t.centre[0], t.centre[1])
  const along = f.direction(t.along)
  const across = f.direction(t.across)
  const third: Vec3 = [
    along[1] * across[2] - along[2] * across[1],
    along[2] * across[0] - along[0] * across[2],
    along[0] * across[1] - along[1] * across[0],
  ]
  return brick([cx, cy, t.centre[2] + f.liftMm], [along, across, third], t.size)
}

const inRoom = (f: Frame, p: Vec3): Vec3 => {
  const [x, y] = f.toPlan(p[0], p[1])
  return [x, y, p[2] + f.liftMm]
}

/** Taken up by a build: its pieces, its goods, and what its goods need on their way out. */
export interface BuildSolids {
  parts: { id: string; body: Convex }[]
  goods: { id: string; bay: string; body: Convex }[]
  /** For bays whose goods slide on rails, or come out at an end: the way out, as long as the goods are. */
  ways: { bay: string; goods: string; body: Convex }[]
  /** Where leaves, lids and drawers go. */
  swept: { motion: string; body: Convex }[]
  whole: Convex
}

/** Hands in front of a drawn tote, mm. Product decision. */
const HANDS_MM = 50

/** What is drawn out on rails, to the front; and what is long, at an end, past what else lies there: its whole length. */
function wayOut(f: Frame, b: Bay): BuildSolids['ways'] {
  const axis = Math.abs(b.exit[0]) > Math.abs(b.exit[1]) ? 0 : 1
  if (axis === 1 && b.holds !== 'rim' && b.holds !== 'base') return []
  return b.items.map(({ goodsId, box }) => {
    const long = Math.min(box.max[axis] - box.min[axis], b.wayMm ?? Infinity) + HANDS_MM
    const way: Box = { min: [...box.min], max: [...box.max] }
    if (b.exit[axis] < 0) {
      way.max[axis] = Math.min(box.min[axis], b.clear.min[axis])
      way.min[axis] = way.max[axis] - long
    } else {
      way.min[axis] = Math.max(box.max[axis], b.clear.max[axis])
      way.max[axis] = way.min[axis] + long
    }
    return { bay: b.id, goods: goodsId, body: placedBox(f, way) }
  })
}

/** The ways out of all its bays alone. */
export const waysOut = (f: Frame, a: Assembly): Convex[] => a.bays.flatMap((b) => wayOut(f, b).map((w) => w.body))

export function solidsOf(f: Frame, a: Assembly): BuildSolids {
  const parts = a.parts.filter((p) => !p.temporary).map((p) => ({ id: p.id, body: placedPart(f, p) }))
  const goods = a.bays.flatMap((b) => b.items.map((i) => ({ id: i.goodsId, bay: b.id, body: placedGoods(f, i) })))
  const all = [...parts, ...goods].flatMap((s) => s.body.points)
  const range = (i: number): [number, number] =>
    all.reduce(([lo, hi], p) => [Math.min(lo, p[i]), Math.max(hi, p[i])], [Infinity, -Infinity])
  const [x, y, z] = [range(0), range(1), range(2)]
  return {
    parts,
    goods,
    ways: a.bays.flatMap((b) => wayOut(f, b)),
    swept: a.motions.flatMap((m) =>
      sweptBodies(m, a.parts).map((s) => ({
        motion: m.id,
        body: extruded(
          s.figure.map((p) => inRoom(f, p)),
          f.direction(s.by),
        ),
      })),
    ),
    whole: prism(
      [
        [x[0], y[0]],
        [x[1], y[0]],
        [x[1], y[1]],
        [x[0], y[1]],
      ],
      z[0],
      z[1],
    ),
  }
}
