import { findSection } from '../catalogue/lumber.ts'
import { boxUnion, extents, type Box, type TurnedBox } from '../geometry/box.ts'
import { add, cross, scale, type Vec3 } from '../geometry/vec.ts'
import type { Assembly, Face, Part, Support } from './assembly.ts'

export const turnedBox = (p: Part): TurnedBox => ({
  centre: p.at.centre,
  along: p.at.along,
  across: p.at.across,
  size: [p.size.lengthMm, p.size.widthMm, p.size.thicknessMm],
  ...(p.outline
    ? { outline: p.outline.map(([u, v]) => [u - p.size.lengthMm / 2, v - p.size.widthMm / 2] as const) }
    : {}),
})

/**
 * A board whose edges are bevelled as what it is: its profile, along its whole length. Others as their box.
 */
export function profileBox(p: Part): TurnedBox {
  const bevels = p.machining.filter((m) => m.kind === 'bevel')
  if (bevels.length === 0 || p.outline) return turnedBox(p)
  const { lengthMm, widthMm: w, thicknessMm: t } = p.size
  // Corners: low edge under, low over, high over, high under; a bevel takes its face's corner in by its rise.
  const inBy = (edge: 'low' | 'high', face: Face) =>
    bevels.reduce((s, m) => (m.edge === edge && m.face === face ? t * Math.tan(m.angleRad) : s), 0)
  return {
    centre: p.at.centre,
    along: p.at.across,
    across: thicknessAxis(p),
    size: [w, t, lengthMm],
    outline: [
      [-w / 2 + inBy('low', 'under'), -t / 2],
      [w / 2 - inBy('high', 'under'), -t / 2],
      [w / 2 - inBy('high', 'over'), t / 2],
      [-w / 2 + inBy('low', 'over'), t / 2],
    ],
  }
}

/** The upright box around a part. */
export const partBox = (p: Part): Box => extents(turnedBox(p))

/** The upright boxes of all parts, by id: worked out once for a list of parts and shared by all that look at it. */
export type PartBoxes = ReadonlyMap<string, Box>
const boxesOf = new WeakMap<readonly Part[], PartBoxes>()
export function partBoxes({ parts }: Pick<Assembly, 'parts'>): PartBoxes {
  const seen = boxesOf.get(parts)
  // While a build is drawn its list still grows.
  if (seen?.size === parts.length) return seen
  const boxes = new Map(parts.map((p) => [p.id, partBox(p)]))
  boxesOf.set(parts, boxes)
  return boxes
}
/** The box around the whole build. */
export const wholeBox = (boxes: PartBoxes): Box => boxUnion([...boxes.values()])

/** Whether a part stands square to the room: its axes run along the room's. */
export const standsSquare = (p: Part): boolean => runsSquare(p.at.along) && runsSquare(p.at.across)
/** Whether a way runs along one of the room's axes. */
export const runsSquare = (v: Vec3): boolean => Math.max(Math.abs(v[0]), Math.abs(v[1]), Math.abs(v[2])) > 1 - 1e-9
/** Whether it is the upright box around it: it stands square, and its face is a rectangle. */
export const isSquare = (p: Part): boolean => p.outline === undefined && standsSquare(p)

export const thicknessAxis = (p: Part): Vec3 => cross(p.at.along, p.at.across)

/** Size of the upward part of an axis that runs up. */
const UP = 0.9
/** Whether a piece stands with its length upright, or lies with its broad face up: what it is by where it is. */
export const isUpright = (p: Part): boolean => Math.abs(p.at.along[2]) > UP
/** Its broad face looks up. */
export const isFlat = (p: Part): boolean => Math.abs(thicknessAxis(p)[2]) > UP
export const isLevelSheet = (p: Part): boolean => p.stock.kind === 'sheet' && isFlat(p)

/**
 * A round piece bends like a square of this share of its diameter: of the same section modulus, π·d³/32 = s³/6; that is
 * softer and thinner than it, so on the safe side for all else.
 */
const ROUND_AS_SQUARE = ((6 * Math.PI) / 32) ** (1 / 3)
export const isRoundBoard = (p: Part): boolean =>
  p.stock.kind === 'board' && findSection(p.stock.section)?.round === true

/** Round through its length: a rod, a tube, a dowel. */
export const isRoundPart = (p: Part): boolean => p.stock.kind === 'steel' || isRoundBoard(p)

/** Width and thickness a piece is counted with, mm. */
export function countedSize(p: Part): { widthMm: number; thicknessMm: number } {
  const { widthMm, thicknessMm } = p.size
  return isRoundBoard(p)
    ? { widthMm: ROUND_AS_SQUARE * widthMm, thicknessMm: ROUND_AS_SQUARE * thicknessMm }
    : { widthMm, thicknessMm }
}

/** Depth (vertical) and breadth of a member lying flat or on edge, mm. */
export function bendingSection(p: Part): { depthMm: number; breadthMm: number; onEdge: boolean } {
  const onEdge = Math.abs(p.at.across[2]) >= Math.abs(thicknessAxis(p)[2])
  const { widthMm, thicknessMm } = countedSize(p)
  return onEdge
    ? { depthMm: widthMm, breadthMm: thicknessMm, onEdge }
    : { depthMm: thicknessMm, breadthMm: widthMm, onEdge }
}

/**
 * What of a build is in the room: without what lies over the joists, and rods that go up to it through the ceiling.
 * Boards that do so are in it as high as all else is.
 */
export function inTheRoom(a: Assembly, boxes: PartBoxes): PartBoxes {
  const onCeiling = a.supports.filter((s) => s.on.kind === 'ceiling')
  const partsOf = (list: readonly Support[]) => new Set(list.flatMap((s) => ('part' in s.from ? [s.from.part] : [])))
  const lies = (s: Support) => s.via === 'bearing' && s.way === 'push' && s.push[2] > UP
  // What lies on the joists has them under it, and so has what lies on that; what is screwed under them hangs in the room.
  const over = partsOf(onCeiling.filter(lies))
  const lain = a.supports.filter(lies)
  for (let n = -1; n < over.size;) {
    n = over.size
    for (const s of lain) if (s.on.kind === 'part' && over.has(s.on.part) && 'part' in s.from) over.add(s.from.part)
  }
  const above = new Set([...partsOf(onCeiling), ...over])
  const through = partsOf(a.supports.filter((s) => s.on.kind === 'part' && over.has(s.on.part)))
  const within = a.parts.filter((p) => p.stock.kind !== 'steel' && !above.has(p.id))
  const others = within.filter((p) => !through.has(p.id))
  const topMm = others.length > 0 ? Math.max(...others.map((p) => boxes.get(p.id)!.max[2])) : Infinity
  return new Map(
    within.map((p) => {
      const { min, max } = boxes.get(p.id)!
      return [p.id, { min, max: through.has(p.id) ? [max[0], max[1], Math.min(max[2], topMm)] : max }]
    }),
  )
}

/** Both ends of the middle line of a part, its start first. */
export const partEnds = ({ at, size }: Pick<Part, 'at' | 'size'>): [Vec3, Vec3] => [
  add(at.centre, scale(at.along, -size.lengthMm / 2)),
  add(at.centre, scale(at.along, size.lengthMm / 2)),
]
