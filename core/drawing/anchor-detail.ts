import type { Anchor, Assembly, Part } from '../assembly/assembly.ts'
import { turnedBox } from '../assembly/part-box.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import type { Point } from '../geometry/hull.ts'
import { reachAlong } from '../geometry/parting.ts'
import { add, dot, scale, sub, type Vec3 } from '../geometry/vec.ts'
import type { FreeSpace } from '../room/room.ts'
import { jointDetail, LEAST_HALF_MM, sceneOf, type Bores, type JointDetail, type Page } from './joint-detail.ts'
import type { Mark } from './scene.ts'

/*
 * Fixings into what was there before: studs and joists with the lining before them, masonry, the slab.
 */

/** A stud or joist of a usual depth, and what is drawn of its length, mm. */
const STUD_DEEP_MM = 89
const SEEN_MM = 900
/** A wall or slab is drawn as deep as the page shows, mm. */
const SOLID_DEEP_MM = 300

type Behind = Pick<FreeSpace, 'construction' | 'joists' | 'sides'>
interface Ground {
  /** A stud or joist seen on end, or null for what goes on all round. */
  wideMm: number | null
  liningMm: number
  along: Vec3
  /** Which way a fixing is driven. */
  way: Vec3
}

/** What a fixing goes into; null where that is not known. */
function groundOf(x: Anchor, { construction, joists, sides }: Behind): Ground | null {
  const wall = x.side ? sides?.[x.side]?.construction : construction
  if (!wall) return null
  const up: Vec3 = [0, 0, 1]
  const intoWall: Vec3 = x.side ? [x.side === 'left' ? -1 : 1, 0, 0] : [0, -1, 0]
  if (x.into === 'stud' && wall.kind === 'studs')
    return { wideMm: wall.studMm, liningMm: wall.lined ? wall.liningMm : 0, along: up, way: intoWall }
  if (x.into === 'joist' && joists?.size)
    return {
      wideMm: joists.size.wideMm,
      liningMm: joists.liningMm,
      along: joists.run === 'out' ? [0, 1, 0] : [1, 0, 0],
      way: up,
    }
  if (x.into === 'masonry' || x.into === 'concrete') return { wideMm: null, liningMm: 0, along: up, way: intoWall }
  if (x.into === 'bolt')
    return {
      wideMm: null,
      liningMm: 0,
      along: x.prepared?.on === 'ceiling' ? [1, 0, 0] : up,
      way: x.prepared?.on === 'ceiling' ? up : intoWall,
    }
  if (x.into === 'slab') return { wideMm: null, liningMm: 0, along: [1, 0, 0], way: [0, 0, -1] }
  return null
}

/**
 * A fixing, cut through: a screw into a stud or joist as deep as it was judged, one known by its maker only as the line
 * along which it goes, with nothing told of what it looks like. Null where nobody knows what it goes into.
 */
export function anchorDetail(a: Assembly, x: Anchor, behind: Behind, bores?: Bores): JointDetail | null {
  const near = a.parts.find((p) => p.id === x.part)
  const there = groundOf(x, behind)
  if (!near || !there) return null
  const { liningMm, along, way } = there
  // The face it stands on: the wall's, the underside of the ceiling, the floor.
  const face = reachAlong(turnedBox(near), way)[1]
  const block = (id: string, from: number, deepMm: number, wideMm: number): Part => ({
    ...near,
    id,
    role: 'post',
    stock: { kind: 'existing', name: '', massKg: 0 },
    size: { lengthMm: SEEN_MM, widthMm: deepMm, thicknessMm: wideMm },
    at: { centre: add(x.at, scale(way, face + from + deepMm / 2 - dot(x.at, way))), along, across: way },
    outline: undefined,
    machining: [],
  })
  const lining = liningMm > 0 ? [block(`${x.id}-lining`, 0, liningMm, SEEN_MM)] : []
  const screw = x.fastener === null ? undefined : findScrew(x.fastener)
  if (there.wideMm === null || !screw) {
    if (x.fastener !== null && x.into !== 'bolt') return null
    const solid = block(`${x.id}-ground`, liningMm, SOLID_DEEP_MM, there.wideMm ?? SEEN_MM)
    return byMaker({ ...a, parts: [...a.parts, ...lining, solid] }, x, { near, far: solid, way, along, face })
  }
  const stud: Part = {
    ...block(`${x.id}-stud`, liningMm, STUD_DEEP_MM, there.wideMm),
    stock: { kind: 'board', section: '', grade: '', treated: false },
  }
  // Its head lies so far before the piece that its point is where it was judged to be.
  const outer = reachAlong(turnedBox(near), way)[0]
  const beforeMm = Math.max(0, screw.lengthMm - x.embedMm - liningMm - (face - outer))
  return jointDetail(
    { ...a, parts: [...a.parts, stud, ...lining] },
    {
      id: x.id,
      kind: 'screwed',
      near: near.id,
      far: stud.id,
      at: x.at,
      fasteners: [{ fastener: screw.id, count: x.count, into: 'side', beforeMm }],
    },
    undefined,
    bores,
  )
}

/** How far the line of a fixing runs on into the wall, as a share of half the page: not how deep it is. */
const RUNS_ON = 0.6

/** What is only known by its maker: the pieces, and the line it goes along. */
function byMaker(
  a: Assembly,
  x: Anchor,
  g: { near: Part; far: Part; way: Vec3; along: Vec3; face: number },
): JointDetail {
  const { near, far, way, along, face } = g
  const middle = add(x.at, scale(way, face - dot(x.at, way)))
  const half = LEAST_HALF_MM
  const goesUp = Math.abs(way[2]) > 0.7
  const on: Page['on'] = (p) => {
    const [r, s] = [dot(sub(p, middle), way), dot(sub(p, middle), along)]
    return goesUp ? [s, way[2] < 0 ? -r : r] : [r, s]
  }
  const page: Page = { way, row: along, middle, on, half }
  const outer = Math.max(reachAlong(turnedBox(near), way)[0] - face, -0.9 * half)
  const at = (r: number, aside = 0) => on(add(middle, add(scale(way, r), scale(along, aside))))
  const stroke = (from: Point, to: Point): Mark => ({ kind: 'outline', points: [from, to], ink: 'work' })
  const [from, to] = [outer - OUT_MM, RUNS_ON * half]
  const dashes = Math.round((to - from) / DASH_MM / 2)
  const marks = [
    stroke(at(outer, -HEAD_MM / 2), at(outer, HEAD_MM / 2)),
    ...Array.from({ length: dashes }, (_, i) => stroke(at(from + 2 * i * DASH_MM), at(from + (2 * i + 1) * DASH_MM))),
  ]
  return {
    near,
    far,
    way,
    housedMm: 0,
    slanted: false,
    fasteners: [],
    byMaker: x.count,
    ...(x.into === 'bolt' ? { onBolt: true } : {}),
    draw: () => sceneOf(a, [near.id], page, marks, far.id),
  }
}
/** Where its head lies is marked this wide, and its line begins so far before it, mm: for the drawing. */
const [HEAD_MM, OUT_MM, DASH_MM] = [14, 8, 4]
