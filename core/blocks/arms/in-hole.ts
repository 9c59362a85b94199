import type { Part, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { END_CAP } from '../../catalogue/hardware.ts'
import type { Box } from '../../geometry/box.ts'
import { add, scale, type Vec3 } from '../../geometry/vec.ts'
import { UP } from '../mounts/wall-fixing.ts'

/*
 * A round arm in a hole bored into the face of a board, with its outer end a little up: what lies on it pries it in the
 * hole, which presses up near the face and down at the bottom of the hole.
 *
 *      |‾‾|
 *      |↓_|___________   pressure along the hole changes evenly from its mouth to its bottom: what each half gives acts
 *      |_↑|‾‾‾‾‾‾‾‾‾‾‾   a sixth of the hole from its end
 *      |  |
 */

/** What lies on an arm stays on it: raised by this. Builders' usual five degrees. */
export const TILT_RAD = (5 * Math.PI) / 180
/** The middle of what each half of the pressure gives, from its end, as a share of the hole. */
export const PRESS_SHARE = 1 / 6

/** The way an arm goes out from its board. */
const outward = (tiltRad: number): Vec3 => [0, Math.cos(tiltRad), Math.sin(tiltRad)]

const SIDEWAYS: Vec3 = [1, 0, 0]

export interface InHole {
  id: string
  role: Part['role']
  stock: Stock
  diameterMm: number
  /** The board it stands in, where it comes out of its face, and how far it reaches out from that. */
  into: string
  x: number
  z: number
  faceMm: number
  outMm: number
  depthMm: number
  tiltRad: number
}

/** Bores the hole and sets the arm into it. @returns its id */
export function setInHole(d: Draft, a: InHole): string {
  const way = outward(a.tiltRad)
  const up: Vec3 = [0, -Math.sin(a.tiltRad), Math.cos(a.tiltRad)]
  const mouth: Vec3 = [a.x, a.faceMm, a.z]
  const inMm = a.depthMm / Math.cos(a.tiltRad)
  const at = (mm: number): Vec3 => add(mouth, scale(way, mm))
  d.strut({
    id: a.id,
    role: a.role,
    stock: a.stock,
    from: at(-inMm),
    to: at(a.outMm / Math.cos(a.tiltRad)),
    widthMm: a.diameterMm,
    thicknessMm: a.diameterMm,
    facing: [1, 0, 0],
  })
  const joint = d.joint({ kind: 'socketed', near: a.into, far: a.id, fasteners: [] })
  const [from, on] = [{ part: a.id }, { kind: 'part', part: a.into } as const]
  const third = (mm: number): Box => {
    const [x, y, z] = at(mm)
    const [r, dy] = [a.diameterMm / 2, (inMm * PRESS_SHARE) / 2]
    return { min: [x - r, y - dy, z - r], max: [x + r, y + dy, z + r] }
  }
  // The hole is all round it.
  for (const push of [up, SIDEWAYS])
    for (const share of [PRESS_SHARE, 1 - PRESS_SHARE])
      d.hold({ from, on, contact: third(-share * inMm), push, way: 'both', via: 'bearing', joint })
  // It would slide in: the bottom of its hole keeps it.
  const [x, y, z] = at(-inMm)
  const half = a.diameterMm / 2
  d.hold({
    from,
    on,
    contact: { min: [x - half, y, z - half], max: [x + half, y, z + half] },
    push: way,
    way: 'push',
    via: 'bearing',
    joint,
  })
  const board = d.part(a.into)
  const { min } = d.box(a.into)
  const upright = Math.abs(board.at.along[2]) > 0.9
  const [u, v] = [a.x - min[0], a.z - min[2]]
  d.machine(a.into, {
    kind: 'hole',
    face: d.face(a.into, a.id),
    ...(upright ? { atMm: v, offMm: u } : { atMm: u, offMm: v }),
    diameterMm: a.diameterMm,
    depthMm: a.depthMm,
    tiltRad: a.tiltRad,
    ...(a.tiltRad === 0 ? {} : { towards: upwards(board) }),
  })
  return a.id
}

/** Which of its ends or edges is up. */
function upwards({ at: { along, across } }: Part): 'start' | 'end' | 'low' | 'high' {
  if (Math.abs(along[2]) > 0.9) return along[2] > 0 ? 'end' : 'start'
  return across[2] > 0 ? 'high' : 'low'
}

/** Closes the outer end of an arm. @returns the cap's id */
export function capOn(
  d: Draft,
  a: Pick<InHole, 'id' | 'x' | 'z' | 'diameterMm' | 'faceMm' | 'outMm' | 'tiltRad'>,
): string {
  const id = `${a.id}-cap`
  const way = outward(a.tiltRad)
  const end = add([a.x, a.faceMm, a.z], scale(way, a.outMm / Math.cos(a.tiltRad)))
  const wide = a.diameterMm + END_CAP.overMm
  d.strut({
    id,
    role: 'hardware',
    stock: { kind: 'bought', item: END_CAP.item, massKg: END_CAP.massKg, ratedN: END_CAP.ratedN },
    from: end,
    to: add(end, scale(way, END_CAP.longMm)),
    widthMm: wide,
    thicknessMm: wide,
    facing: [1, 0, 0],
  })
  // Beside its middle: what is turned then lies elsewhere.
  const rim = 0.35 * a.diameterMm
  const up: Vec3 = [rim, -rim * Math.sin(a.tiltRad), rim * Math.cos(a.tiltRad)]
  d.joint({ kind: 'hung', near: id, far: a.id, fasteners: [], at: add(end, up) })
  const on = { kind: 'part', part: a.id } as const
  d.hold({ from: { part: id }, on, contact: { min: end, max: end }, push: UP, way: 'both', via: 'hanging' })
  return id
}
