import type { Part, Stock } from '../../assembly/assembly.ts'
import { coursesOf, upAlong } from '../../room/courses.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Box } from '../../geometry/box.ts'
import { sub, unit, type Vec3 } from '../../geometry/vec.ts'
import { braceLine } from '../frame/brace-line.ts'
import { anchorAt, FROM_END_MM, holdsAt, OUT, UP, type Wall } from '../mounts/wall-fixing.ts'

/*
 * A bracket on a stud: a leg on the wall, an arm over its upper end, and on both sides a gusset or a brace from the arm
 * to the leg.
 *
 *   wall|‾‾‾‾‾‾‾‾‾‾‾‾|  arm          The arm presses on the leg and pulls at it; the pair is pressed between the two. Each of the pair passes its
 *       |_|_______.‾‾             force along the line from its screws in the leg to those in the arm: what it could do beside that is not counted.
 *       | |    .‾
 *       | | .‾     pair
 *       |_|‾
 *
 * Or over it: then the braces pull, the arm is pressed against the leg, and screws through the leg carry its end.
 */

export interface Bracket {
  /** Ids are told from this. */
  id: string
  /** Leg and braces over the arm instead of under it. */
  above: boolean
  /** Left face, mm, and how thick leg and arm are along the wall. */
  left: number
  wideMm: number
  /** How deep leg and arm are, from their faces. */
  deepMm: number
  stock: Stock
  armMm: number
  /** Upper face of the arm, and the end of the leg away from it, above the floor. */
  topMm: number
  footMm: number
  pair: Pair
  /** What braces are made of; gussets have their sheet. */
  braceStock: Stock
  /** Down through the arm into the end of the leg. */
  cornerScrews: number
  /** Screws of each of the pair in the arm, and as many in the leg. */
  pairScrews: number
  /** Through the leg into the wall, one over the other. */
  wallScrews: number
}
export type Pair =
  /** `outMm` along the arm, from the wall. */
  | { kind: 'gusset'; sheet: string; thicknessMm: number; outMm: number }
  | { kind: 'knee'; widthMm: number; thicknessMm: number; outMm: number }

export interface Placed {
  arm: string
  leg: string
  pair: string[]
}

/** Screws of a gusset stand within this share of where it lies on a piece, at the end away from the corner. */
const AT_END = 1 / 3
/** To the wall. */
const BACK: Vec3 = [0, -1, 0]

export const placeBracket = (d: Draft, b: Bracket, wall: Wall): Placed =>
  b.above ? placeAbove(d, b, wall) : placeBelow(d, b, wall)

const legOf = (d: Draft, b: Bracket, fromMm: number, highMm: number) =>
  d.square({
    id: `${b.id}-leg`,
    role: 'leg',
    stock: b.stock,
    min: [b.left, 0, fromMm],
    size: [b.wideMm, b.deepMm, highMm],
    along: 'z',
    across: 'y',
  })

/** @param fromMm where it begins, out from the wall */
const armOf = (d: Draft, b: Bracket, fromMm: number) =>
  d.square({
    id: `${b.id}-arm`,
    role: 'arm',
    stock: b.stock,
    min: [b.left, fromMm, b.topMm - b.deepMm],
    size: [b.wideMm, b.armMm - fromMm, b.deepMm],
    along: 'y',
    across: 'z',
  })

function placeBelow(d: Draft, b: Bracket, wall: Wall): Placed {
  const { id, deepMm, topMm } = b
  const [arm, leg] = [`${id}-arm`, `${id}-leg`]
  const high = topMm - deepMm - b.footMm
  legOf(d, b, b.footMm, high)
  armOf(d, b, 0)
  const corner = d.screw(arm, leg, b.cornerScrews, 'end', deepMm, 200)
  d.rest(arm, leg)
  d.hold({
    from: { part: arm },
    on: { kind: 'part', part: leg },
    push: BACK,
    way: 'both',
    via: 'fasteners',
    joint: corner,
  })
  const line = lineOf(b)
  const pair = (['left', 'right'] as const).map((side) => placeOne(d, b, side, line, { arm, leg }))
  fixLeg(d, b, wall, leg, [b.footMm, b.footMm + high])
  return { arm, leg, pair }
}

/** Screws through a leg into the wall behind it, spread over its height. */
function fixLeg(d: Draft, b: Bracket, wall: Wall, leg: string, [from, to]: [number, number]) {
  const x = b.left + b.wideMm / 2
  const [low, high] = [from + FROM_END_MM, to - FROM_END_MM]
  for (const z of upAlong(coursesOf(wall.space.construction), spread(low, high, b.wallScrews), [low, high]))
    holdsAt(d, { part: leg }, anchorAt(d, leg, { x, z, throughMm: b.deepMm }, wall), { x, z })
}

/** The arm under the braces: its end against the face of the leg, which runs up from there. */
function placeAbove(d: Draft, b: Bracket, wall: Wall): Placed {
  const { id, deepMm, topMm } = b
  const [arm, leg] = [`${id}-arm`, `${id}-leg`]
  const low = topMm - deepMm
  legOf(d, b, low, b.footMm - low)
  armOf(d, b, deepMm)
  const corner = d.screw(leg, arm, b.cornerScrews, 'end', deepMm, 200)
  const on = { kind: 'part', part: leg } as const
  d.hold({ from: { part: arm }, on, push: UP, way: 'both', via: 'fasteners', joint: corner })
  d.hold({ from: { part: arm }, on, push: OUT, way: 'push', via: 'bearing' })
  const line = lineOf(b)
  const pair = (['left', 'right'] as const).map((side) => placeOne(d, b, side, line, { arm, leg }))
  fixLeg(d, b, wall, leg, [low, b.footMm])
  return { arm, leg, pair }
}

const spread = (from: number, to: number, n: number): number[] =>
  Array.from({ length: n }, (_, i) => (n === 1 ? to : from + ((to - from) * i) / (n - 1)))

/** Where the force of the pair leaves the arm and reaches the leg, y and z. */
interface Line {
  arm: { y: number; z: number }
  leg: { y: number; z: number }
}

/**
 * Middles of the fastenings: of a gusset near the ends of where it lies on them, of a brace in the middle of what of
 * its own middle line does.
 */
export function lineOf(b: Pick<Bracket, 'above' | 'deepMm' | 'topMm' | 'footMm' | 'pair'>): Line {
  if (!b.above) return lineBelow(b)
  // What lies above is the same turned upside down about the middle of the arm.
  const turn = (p: Line['arm']) => ({ y: p.y, z: 2 * b.topMm - b.deepMm - p.z })
  const below = lineBelow({ ...b, footMm: 2 * b.topMm - b.deepMm - b.footMm })
  return { arm: turn(below.arm), leg: turn(below.leg) }
}

function lineBelow(b: Pick<Bracket, 'deepMm' | 'topMm' | 'footMm' | 'pair'>): Line {
  const { deepMm, topMm, footMm, pair } = b
  if (pair.kind === 'gusset')
    return {
      arm: { y: pair.outMm * (1 - AT_END / 2), z: topMm - deepMm / 2 },
      leg: { y: deepMm / 2, z: footMm + ((topMm - deepMm - footMm) * AT_END) / 2 },
    }
  const { from, to } = kneeAxis(b, pair)
  const slope = (to.z - from.z) / (to.y - from.y)
  const [armZ, legY] = [(Math.min(topMm, to.z) + topMm - deepMm) / 2, (Math.max(0, from.y) + deepMm) / 2]
  return {
    arm: { y: from.y + (armZ - from.z) / slope, z: armZ },
    leg: { y: legY, z: from.z + (legY - from.y) * slope },
  }
}

/**
 * Ends of the middle line of a brace with square ends that stays within leg and arm: from the foot of the leg to the
 * end it reaches on the arm.
 */
function kneeAxis(b: Pick<Bracket, 'topMm' | 'footMm'>, pair: Extract<Pair, { kind: 'knee' }>) {
  const line = braceLine(pair.outMm, b.topMm - b.footMm, pair.widthMm)!
  const run = { y: Math.cos(line.angleRad) * line.lengthMm, z: Math.sin(line.angleRad) * line.lengthMm }
  const middle = { y: pair.outMm / 2, z: (b.topMm + b.footMm) / 2 }
  return {
    from: { y: middle.y - run.y / 2, z: middle.z - run.z / 2 },
    to: { y: middle.y + run.y / 2, z: middle.z + run.z / 2 },
  }
}

function placeOne(
  d: Draft,
  b: Bracket,
  side: 'left' | 'right',
  line: Line,
  { arm, leg }: { arm: string; leg: string },
): string {
  const { pair } = b
  const id = `${b.id}-${pair.kind}-${side}`
  const t = pair.thicknessMm
  const face = side === 'left' ? b.left : b.left + b.wideMm
  const x0 = side === 'left' ? face - t : face
  if (pair.kind === 'gusset') gusset(d, b, pair, id, x0)
  else {
    const turned = 2 * b.topMm - b.deepMm
    const { from, to } = kneeAxis(b.above ? { ...b, footMm: turned - b.footMm } : b, pair)
    const up = (z: number) => (b.above ? turned - z : z)
    d.strut({
      id,
      role: 'brace',
      stock: b.braceStock,
      from: [x0 + t / 2, from.y, up(from.z)],
      to: [x0 + t / 2, to.y, up(to.z)],
      widthMm: pair.widthMm,
      thicknessMm: t,
      facing: [1, 0, 0],
      axial: true,
    })
  }
  const at = (p: { y: number; z: number }): Vec3 => [face, p.y, p.z]
  const push = unit(sub(at(line.arm), at(line.leg)))
  const on = (from: string, to: string, screwed: string, place: Vec3) => {
    const joint = d.screw(id, screwed, b.pairScrews, 'side', t, b.wideMm, { at: place })
    const contact: Box = { min: place, max: place }
    d.hold({
      from: { part: from },
      on: { kind: 'part', part: to },
      contact,
      push,
      way: 'both',
      via: 'fasteners',
      joint,
    })
  }
  on(arm, id, arm, at(line.arm))
  on(id, leg, leg, at(line.leg))
  return id
}

/** Five corners: along wall and arm, and square across the far ends of both, so that it lies on all their depth. */
function gusset(d: Draft, b: Bracket, pair: Extract<Pair, { kind: 'gusset' }>, id: string, x0: number): Part {
  const high = b.topMm - b.footMm
  return d.square({
    id,
    role: 'gusset',
    stock: { kind: 'sheet', sheet: pair.sheet },
    min: [x0, 0, b.footMm],
    size: [pair.thicknessMm, pair.outMm, high],
    along: 'y',
    across: 'z',
    grain: 'any',
    outline: [
      [0, 0],
      [b.deepMm, 0],
      [pair.outMm, high - b.deepMm],
      [pair.outMm, high],
      [0, high],
    ],
    axial: true,
  })
}

/** How far the leg of an arm that is hung at its front reaches down, mm: enough for its screws. Product decision. */
export const SHORT_LEG_MM = 180

/** An arm on a short leg at the wall: its front end hangs from above. @returns arm and leg */
export function placeHungArm(d: Draft, b: Bracket, wall: Wall): Placed {
  const { id, deepMm, topMm } = b
  const [arm, leg] = [`${id}-arm`, `${id}-leg`]
  const from = topMm - deepMm - SHORT_LEG_MM
  legOf(d, b, from, SHORT_LEG_MM)
  armOf(d, b, 0)
  d.screw(arm, leg, b.cornerScrews, 'end', deepMm, 200)
  d.rest(arm, leg)
  fixLeg(d, b, wall, leg, [from, from + SHORT_LEG_MM])
  return { arm, leg, pair: [] }
}

/** From the front end of an arm to the rod it hangs on, mm: four diameters of wood past it. */
export const FROM_FRONT_MM = 45
