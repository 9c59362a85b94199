import { prism, type Convex } from '../geometry/convex.ts'
import type { Point } from '../geometry/hull.ts'
import { sector } from '../geometry/plane.ts'
import { clearOf, FEATURE_DEFAULTS, wayIn, type Feature } from '../room/features.ts'
import type { Room } from '../room/room.ts'
import { onPlan, type Outline, type WallLine } from '../room/outline.ts'

/** What a kept space is kept for; the words are made from it. */
export type KeepCode = 'solid' | 'skirting' | 'clear' | 'leaf' | 'springs' | 'opener' | 'track' | 'wall'

/** A space nothing may stand in. */
export interface KeepOut {
  feature: Feature | null
  wall: WallLine
  code: KeepCode
  body: Convex
}

const rectangle = (w: WallLine, at0: number, at1: number, out0: number, out1: number): Point[] => [
  onPlan(w, at0, out0),
  onPlan(w, at1, out0),
  onPlan(w, at1, out1),
  onPlan(w, at0, out1),
]

/** Walls are drawn this thick outside the room, mm: nothing that leaves the room by less than that is missed. */
const WALL_MM = 400

/** The walls themselves, as what stands outside the room. */
export const wallBodies = (o: Outline): KeepOut[] =>
  o.walls.map((w) => ({
    feature: null,
    wall: w,
    code: 'wall',
    body: prism(rectangle(w, 0, w.wall.lengthMm, 0, -WALL_MM), -10, w.wall.heightMm),
  }))

/** Boards along the feet of walls. */
export const skirtings = (o: Outline): KeepOut[] =>
  o.walls.flatMap((w): KeepOut[] => {
    const s = w.wall.skirting
    return s
      ? [
          {
            feature: null,
            wall: w,
            code: 'skirting',
            body: prism(rectangle(w, 0, w.wall.lengthMm, 0, s.deepMm), 0, s.highMm),
          },
        ]
      : []
  })

/** The leaf of a door in all its positions, as a sector of the floor. */
export function leafSweep(w: WallLine, f: Feature): Point[] | null {
  const l = f.leaf
  if (!l || l.opens === 'out') return null
  const atLeft = l.hinge === 'left'
  const hinge = onPlan(w, atLeft ? f.atMm : f.atMm + f.wideMm, 0)
  const shut = Math.atan2(w.along[1], w.along[0]) + (atLeft ? 0 : Math.PI)
  // From the wall into the room: against the clock seen from the left hinge's side of the map, with it from the right.
  const inward = Math.atan2(w.inward[1], w.inward[0])
  const way = Math.sign(Math.sin(inward - shut)) || 1
  return sector(hinge, f.wideMm, shut, shut + way * l.openRad)
}

/**
 * Space kept before springs and shaft, and round an opener's motor, mm: never to be touched, and serviced by a trained
 * person. Product decision.
 */
const SPRING_MM = { high: 300, deep: 250 }
const MOTOR_MM = { wide: 350, long: 500, high: 250 }
/** Track, hanger and roller beside the door, mm. */
const TRACK_MM = 90

function sectionalKeeps(w: WallLine, f: Feature): KeepOut[] {
  const s = f.sectional
  if (!s) return []
  const top = f.upMm + f.highMm
  const level = top - s.topEdgeMm + s.beforeBendMm + s.radiusMm
  const end = s.trackOutMm + s.radiusMm + s.horizontalMm
  const keep = (code: KeepCode, foot: Point[], z0: number, z1: number): KeepOut => ({
    feature: f,
    wall: w,
    code,
    body: prism(foot, z0, z1),
  })
  const out: KeepOut[] = []
  for (const side of [f.atMm - TRACK_MM, f.atMm + f.wideMm]) {
    out.push(keep('track', rectangle(w, side, side + TRACK_MM, 0, s.trackOutMm + 30), f.upMm, level))
    out.push(keep('track', rectangle(w, side, side + TRACK_MM, s.trackOutMm, end), level - 40, level + 40))
    if (s.springs === 'extension')
      out.push(
        keep('springs', rectangle(w, side, side + TRACK_MM, s.trackOutMm + s.radiusMm, end), level - 40, level + 160),
      )
  }
  if (s.springs === 'torsion')
    out.push(
      keep(
        'springs',
        rectangle(w, f.atMm - TRACK_MM, f.atMm + f.wideMm + TRACK_MM, 0, SPRING_MM.deep),
        top,
        Math.max(level, top + SPRING_MM.high),
      ),
    )
  if (s.opener) {
    const middle = f.atMm + f.wideMm / 2
    const motor = Math.max(end, s.trackOutMm + f.highMm + 300)
    out.push(
      keep(
        'opener',
        rectangle(w, middle - MOTOR_MM.wide / 2, middle + MOTOR_MM.wide / 2, motor, motor + MOTOR_MM.long),
        level,
        level + MOTOR_MM.high,
      ),
    )
    out.push(
      keep(
        'opener',
        rectangle(w, middle - 40, middle + 40, 0, motor),
        level + s.rollerMm + s.thicknessMm,
        level + s.rollerMm + s.thicknessMm + 100,
      ),
    )
  }
  return out
}

/** Before a door that rolls up nothing is planned: so far out, and to either side of it. mm. Product decision. */
const DOORWAY = { outMm: 1000, besideMm: 60 } as const

/** Where what comes and goes through a door that rolls up passes, and its sections run: what a plan leaves free. */
export const doorways = ({ features }: Room, outline: Outline): Convex[] =>
  features.flatMap((f) => {
    const w = f.sectional && outline.walls.find((x) => x.wall.id === f.wallId)
    const [from, to] = [f.atMm - DOORWAY.besideMm, f.atMm + f.wideMm + DOORWAY.besideMm]
    return w ? [prism(rectangle(w, from, to, 0, DOORWAY.outMm), 0, f.upMm + f.highMm)] : []
  })

/**
 * What one thing in the room keeps: itself, what moves of it, and the space round it. A thing's own body comes before
 * what it keeps.
 */
export function keepOuts(o: Outline, f: Feature): KeepOut[] {
  const w = o.walls.find((x) => x.wall.id === f.wallId)
  if (!w || f.comesDown) return []
  const d = FEATURE_DEFAULTS[f.kind]
  const out: KeepOut[] = []
  const [x0, x1, y0, y1] = [f.atMm, f.atMm + f.wideMm, f.outMm, f.outMm + Math.max(f.deepMm, 1)]
  const [z0, z1] = [f.upMm, f.upMm + f.highMm]
  if (d.solid || f.kind === 'walkway')
    out.push({ feature: f, wall: w, code: 'solid', body: prism(rectangle(w, x0, x1, y0, y1), z0, z1) })
  const leaf = leafSweep(w, f)
  // A sector of more than a quarter is not convex enough for one body: halves.
  if (leaf && f.leaf) {
    const cut = 2 + Math.floor((leaf.length - 3) / 2)
    for (const foot of f.leaf.openRad > Math.PI / 2 + 0.01
      ? [leaf.slice(0, cut + 1), [leaf[0], ...leaf.slice(cut)]]
      : [leaf])
      out.push({ feature: f, wall: w, code: 'leaf', body: prism(foot, z0, z1) })
  }
  out.push(...sectionalKeeps(w, f))
  const way = wayIn(f)
  if (way) {
    const foot = rectangle(w, x0 + way.besideMm, x1 - way.besideMm, y0, y0 + way.frontMm)
    out.push({ feature: f, wall: w, code: 'clear', body: prism(foot, z0, z1) })
  }
  const c = clearOf(f)
  if (Math.max(c.leftMm, c.rightMm, c.frontMm, c.aboveMm, c.belowMm) > 0)
    out.push({
      feature: f,
      wall: w,
      code: 'clear',
      body: prism(
        rectangle(w, x0 - c.leftMm, x1 + c.rightMm, y0, y1 + c.frontMm),
        Math.max(0, z0 - c.belowMm),
        z1 + c.aboveMm,
      ),
    })
  return out
}

/** The body of what comes down before anything is built; null where its wall is gone. */
export function takenDown(o: Outline, f: Feature): Convex | null {
  const w = f.comesDown ? o.walls.find((x) => x.wall.id === f.wallId) : undefined
  if (!w) return null
  const foot = rectangle(w, f.atMm, f.atMm + f.wideMm, f.outMm, f.outMm + Math.max(f.deepMm, 1))
  return prism(foot, f.upMm, f.upMm + Math.max(f.highMm, 1))
}
