import type { PartBoxes } from '../assembly/part-box.ts'
import { isSquare } from '../assembly/part-box.ts'
import type { Assembly } from '../assembly/assembly.ts'
import { leafSweep } from '../clearance/keep-outs.ts'
import { placedBox, placedGoods, type Frame } from '../clearance/placing.ts'
import { area } from '../geometry/plane.ts'
import type { Point } from '../geometry/hull.ts'
import { joistTicks, ceilingAt } from '../room/ceiling.ts'
import { clearOf, FEATURE_DEFAULTS, wayIn, type Feature } from '../room/features.ts'
import { onPlan, type Outline, type WallLine } from '../room/outline.ts'
import { studCentres, type Room } from '../room/room.ts'

/*
 * The unrolled room: wall after wall on one floor line, the strip of ceiling over each above it, the strip of floor
 * before it below, all to one scale. Coordinates mm: x to the right along all walls, y up from the floor line; the
 * floor strip lies below nought.
 */

export interface Rect {
  x: number
  y: number
  w: number
  h: number
}

export interface Column {
  line: WallLine
  left: number
  /** Top edge of the wall as the ceiling meets it: left end, right end. */
  topMm: [number, number]
  studs: number[]
  joistsAcross: number[]
  joistsOut: number[]
}
export interface UnrolledThing {
  feature: Feature
  rect: Rect
  /** The space it keeps, in the same strip. */
  halo: Rect | null
  /** Its footprint in the floor strip, when it stands on the floor or its leaf swings there. */
  floor: Rect | null
}
export interface UnrolledBuild {
  id: string
  name: string
  wallId: string
  /** From the left end of its column. */
  rects: (Rect & { part: string })[]
  floor: Rect
  /** Where its column begins. */
  left: number
}
export interface Unrolled {
  columns: Column[]
  things: UnrolledThing[]
  builds: UnrolledBuild[]
  highMm: number
  wideMm: number
  /** How deep the strips of floor and ceiling are shown. */
  floorMm: number
  ceilingMm: number
  gapMm: number
}

export interface PlacedForDrawing {
  id: string
  name: string
  frame: Frame
  assembly: Assembly
  boxes: PartBoxes
}

/** Between strips, and how much of floor and ceiling is shown, mm. */
const GAP_MM = 140
const CEILING_MM = 700
const FLOOR_MM = 1250

export function unroll(room: Room, outline: Outline, placed: readonly PlacedForDrawing[]): Unrolled {
  let x = 0
  const columns = outline.walls.map((line): Column => {
    const left = x
    x += line.wall.lengthMm + GAP_MM
    const ticks = joistTicks(room, outline, line)
    const top = (p: Point) => Math.min(line.wall.heightMm, ceilingAt(room, outline, p))
    return {
      line,
      left,
      topMm: [top(line.from), top(line.to)],
      studs: studCentres(line.wall),
      joistsAcross: ticks.across,
      joistsOut: ticks.out.filter((d) => d < CEILING_MM),
    }
  })
  const highMm = Math.max(1, ...columns.flatMap((c) => c.topMm))
  const things = room.features.flatMap((f): UnrolledThing[] => {
    const c = columns.find((k) => k.line.wall.id === f.wallId)
    if (!c) return []
    const k = clearOf(f)
    const { on, prepared } = FEATURE_DEFAULTS[f.kind]
    // On the ceiling it is drawn where it hangs over the strip; all else from the front.
    const rect: Rect =
      on === 'ceiling'
        ? { x: c.left + f.atMm, y: highMm + GAP_MM + f.outMm, w: f.wideMm, h: f.deepMm }
        : { x: c.left + f.atMm, y: f.upMm, w: f.wideMm, h: f.highMm }
    const halo: Rect | null =
      on === 'ceiling' || Math.max(k.leftMm, k.rightMm, k.aboveMm, k.belowMm, k.frontMm) === 0
        ? null
        : {
            x: rect.x - k.leftMm,
            y: Math.max(0, rect.y - k.belowMm),
            w: rect.w + k.leftMm + k.rightMm,
            h: rect.h + k.aboveMm + Math.min(k.belowMm, rect.y),
          }
    const swings = f.leaf?.opens === 'in' ? f.wideMm : 0
    // What was prepared is in the wall.
    const deep = Math.max(on === 'ceiling' || prepared ? 0 : f.deepMm, swings)
    const floor: Rect | null =
      deep > 20 && f.outMm < FLOOR_MM
        ? {
            x: rect.x,
            y: -GAP_MM - Math.min(f.outMm + deep, FLOOR_MM),
            w: rect.w,
            h: Math.min(deep, FLOOR_MM - f.outMm),
          }
        : null
    return on === 'ceiling' && f.outMm > CEILING_MM
      ? []
      : [
          {
            feature: f,
            rect: on === 'ceiling' ? { ...rect, h: Math.min(rect.h, CEILING_MM - f.outMm) } : rect,
            halo,
            floor,
          },
        ]
  })
  const builds = placed.flatMap((b): UnrolledBuild[] => {
    const c = columns.find((k) => k.line.wall.id === b.frame.wall.wall.id)
    if (!c) return []
    const { from, along, inward } = c.line
    const seen = b.assembly.parts
      .filter((p) => isSquare(p))
      .map((p) => {
        const body = placedBox(b.frame, b.boxes.get(p.id)!)
        const at = body.points.map((q) => ({
          a: (q[0] - from[0]) * along[0] + (q[1] - from[1]) * along[1],
          o: (q[0] - from[0]) * inward[0] + (q[1] - from[1]) * inward[1],
        }))
        const [a0, a1] = [Math.min(...at.map((q) => q.a)), Math.max(...at.map((q) => q.a))]
        return {
          part: p.id,
          x: c.left + a0,
          y: body.min[2],
          w: a1 - a0,
          h: body.max[2] - body.min[2],
          near: Math.max(...at.map((q) => q.o)),
        }
      })
    seen.sort((p, q) => p.near - q.near)
    const { place, alongMm, outMm } = b.frame
    return [
      {
        id: b.id,
        name: b.name,
        wallId: c.line.wall.id,
        left: c.left,
        rects: seen.map(({ near: _near, ...r }) => r),
        floor: {
          x: c.left + place.alongMm,
          y: -GAP_MM - Math.min(place.outMm + outMm, FLOOR_MM),
          w: alongMm,
          h: Math.max(0, Math.min(outMm, FLOOR_MM - place.outMm)),
        },
      },
    ]
  })
  return {
    columns,
    things,
    builds,
    highMm,
    wideMm: Math.max(1, x - GAP_MM),
    floorMm: FLOOR_MM,
    ceilingMm: CEILING_MM,
    gapMm: GAP_MM,
  }
}

export interface PlanThing {
  feature: Feature
  foot: Point[]
  keep: Point[] | null
  leaf: Point[] | null
}
export interface RoomDrawing {
  /** Corners of the room in order; open when the walls do not close. */
  corners: Point[]
  closed: boolean
  areaMm2: number
  things: PlanThing[]
  builds: { id: string; name: string; foot: Point[]; goods: Point[][] }[]
  bounds: [number, number, number, number]
}

/** The room from above, in map coordinates. */
export function planDrawing(room: Room, outline: Outline, placed: readonly PlacedForDrawing[]): RoomDrawing {
  const walls = outline.walls
  const corners = outline.closed
    ? walls.map((w) => w.from)
    : walls.length > 0
      ? [walls[0].from, ...walls.map((w) => w.to)]
      : []
  const rectangle = (w: WallLine, a0: number, a1: number, o0: number, o1: number): Point[] => [
    onPlan(w, a0, o0),
    onPlan(w, a1, o0),
    onPlan(w, a1, o1),
    onPlan(w, a0, o1),
  ]
  const things = room.features.flatMap((feature): PlanThing[] => {
    const w = walls.find((x) => x.wall.id === feature.wallId)
    if (!w || FEATURE_DEFAULTS[feature.kind].prepared) return []
    const { atMm, wideMm, outMm, deepMm } = feature
    const k = clearOf(feature)
    const way = wayIn(feature)
    const keep = way
      ? rectangle(w, atMm + way.besideMm, atMm + wideMm - way.besideMm, outMm, outMm + way.frontMm)
      : Math.max(k.leftMm, k.rightMm, k.frontMm) > 0
        ? rectangle(w, atMm - k.leftMm, atMm + wideMm + k.rightMm, outMm, outMm + deepMm + k.frontMm)
        : null
    return [
      {
        feature,
        foot: rectangle(w, atMm, atMm + wideMm, outMm, outMm + Math.max(deepMm, 60)),
        keep,
        leaf: leafSweep(w, feature),
      },
    ]
  })
  const builds = placed.map((b) => {
    const { alongMm, outMm, place, wall } = b.frame
    return {
      id: b.id,
      name: b.name,
      foot: rectangle(wall, place.alongMm, place.alongMm + alongMm, place.outMm, place.outMm + outMm),
      goods: b.assembly.bays.flatMap((bay) =>
        bay.items.map((i) =>
          placedGoods(b.frame, i)
            .points.slice(0, 4)
            .map((p): Point => [p[0], p[1]]),
        ),
      ),
    }
  })
  const all = [...corners, ...builds.flatMap((b) => b.foot)]
  const bound = (i: 0 | 1, of: (...n: number[]) => number, none: number) =>
    all.length > 0 ? of(...all.map((p) => p[i])) : none
  return {
    corners,
    closed: outline.closed,
    areaMm2: outline.closed ? area(corners) : 0,
    things,
    builds,
    bounds: [bound(0, Math.min, 0), bound(1, Math.min, 0), bound(0, Math.max, 1000), bound(1, Math.max, 1000)],
  }
}
