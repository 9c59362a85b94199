import type { Draft } from '../../assembly/draft.ts'
import { PIVOT } from '../../catalogue/hardware.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { Box } from '../../geometry/box.ts'
import { OPEN_RAD } from './hinged.ts'

/*
 * Leaves of sheet one behind the other, things hung on both faces of each; they turn on pins at top and bottom, the
 * front ones out of the way of those behind them. Each pin is as far further in as it is further back: open, the leaves
 * stand beside each other as far apart as they lie behind each other when shut.
 *
 *    side |     p========   ========p     | side       seen from above, front at the bottom
 *         |  p===========   ===========p  |            p pins
 */

/** Between two things that pass each other, or a thing and a side, mm: fingers do not, and nothing hangs quite still. */
export const PASS_MM = 6
/** A pin is this far in from the edge of its leaf, mm: wood beside its plate's screws. */
const PIN_IN_MM = 20
/** Between the free edges of two leaves that meet, and one and a side, mm. */
const MEET_MM = 6
/** A leaf narrower than this takes nothing, mm. */
const LEAST_MM = 150
/** No thing hangs nearer to an edge of its leaf, mm. */
const EDGE_MM = 12

export interface LeafRoom {
  sheet: Sheet
  /** The opening they are in, mm: its sides, and its front. */
  left: number
  right: number
  frontMm: number
  /** From leaf to leaf, middle to middle, and what the deepest thing stands out from its face. */
  apartMm: number
  deepestMm: number
}

export interface Leaf {
  /** 0 on the left, 1 on the right; counted from the front. */
  hung: 0 | 1
  nth: number
  left: number
  right: number
  /** Line it turns about, and its middle plane, out from the wall. */
  pinMm: number
  outMm: number
}

/** Leaves that hang on one side: the left has one more of an odd number. */
const onSide = (count: number): number => Math.ceil(count / 2)

/** How far what hangs on a face, or the corner beside the pin as it turns, reaches from the middle of a leaf, mm. */
const turns = (r: Pick<LeafRoom, 'sheet' | 'deepestMm'>): number =>
  Math.max(r.sheet.thicknessMm / 2 + r.deepestMm, Math.hypot(PIN_IN_MM, r.sheet.thicknessMm / 2))

/** What leaves need in front of what is behind them, mm. */
export const zoneOf = (count: number, r: Omit<LeafRoom, 'left' | 'right' | 'frontMm'>): number =>
  2 * PASS_MM + r.deepestMm + r.sheet.thicknessMm / 2 + (onSide(count) - 1) * r.apartMm + turns(r)

/** Leaf to leaf so far apart that the deepest things on two faces pass each other, mm. */
export const apartFor = (sheet: Sheet, deepestMm: number): number => sheet.thicknessMm + 2 * deepestMm + PASS_MM

/** Where leaves are; null where one of them would be too narrow. */
export function leavesIn(count: number, r: LeafRoom): Leaf[] | null {
  const half = r.sheet.thicknessMm / 2
  // Open, what hangs on the front of the first one is beside the side; its corner turns past it.
  const first = turns(r) + PASS_MM
  const [middle, pair] = [(r.left + r.right) / 2, count > 1]
  const out: Leaf[] = []
  for (const hung of [0, 1] as const)
    for (let nth = 0; nth < (hung === 0 ? onSide(count) : count - onSide(count)); nth++) {
      const inMm = first + nth * r.apartMm
      const outMm = r.frontMm - PASS_MM - r.deepestMm - half - nth * r.apartMm
      const free = pair ? MEET_MM / 2 : 0
      const leaf =
        hung === 0
          ? { left: r.left + inMm - PIN_IN_MM, right: pair ? middle - free : r.right - MEET_MM, pinMm: r.left + inMm }
          : { left: middle + free, right: r.right - inMm + PIN_IN_MM, pinMm: r.right - inMm }
      if (leaf.right - leaf.left < LEAST_MM) return null
      out.push({ hung, nth, outMm, ...leaf })
    }
  return out
}

export interface Face {
  leaf: number
  front: boolean
  left: number
  wideMm: number
  highMm: number
}
/** Both faces of all leaves, without their edges. */
export const facesOf = (leaves: readonly Leaf[], highMm: number): Face[] =>
  leaves.flatMap((l, leaf) =>
    [true, false].map((front) => ({
      ...{ leaf, front, left: l.left + EDGE_MM },
      wideMm: l.right - l.left - 2 * EDGE_MM,
      highMm: highMm - 2 * EDGE_MM,
    })),
  )
export const FACE_EDGE_MM = EDGE_MM

export interface PivotLeaves {
  id: string
  sheet: Sheet
  leaves: readonly Leaf[]
  /** Panels the pins stand in, the upper face of the lower and the lower face of the upper one. */
  lower: string
  upper: string
  footMm: number
  headMm: number
}
/** Height of a leaf between panels. */
export const leafHigh = (openMm: number): number => openMm - 2 * PIVOT.highMm

/** @returns ids of the leaves */
export function placePivotLeaves(d: Draft, l: PivotLeaves): string[] {
  const t = l.sheet.thicknessMm
  const before: [string[], string[]] = [[], []]
  return l.leaves.map((leaf) => {
    const id = `${l.id}-${leaf.hung === 0 ? 'left' : 'right'}-${leaf.nth}`
    d.square({
      id,
      role: 'door',
      stock: { kind: 'sheet', sheet: l.sheet.id },
      min: [leaf.left, leaf.outMm - t / 2, l.footMm + PIVOT.highMm],
      size: [leaf.right - leaf.left, t, leafHigh(l.headMm - l.footMm)],
      along: 'z',
      across: 'x',
    })
    const pins = ([0, 1] as const).map((at) => pin(d, l, leaf, { id: `${id}-pin-${at}`, leaf: id, at }))
    d.body(`leaf-${id}`, [id, ...pins], [])
    pins.forEach((through, at) => {
      const z = at === 0 ? l.footMm : l.headMm
      const [x, y] = [PIVOT.wideMm / 2, PIVOT.deepMm / 2]
      const contact: Box = {
        min: [leaf.pinMm - x, leaf.outMm - y, z],
        max: [leaf.pinMm + x, leaf.outMm + y, z],
      }
      const on = { kind: 'part', part: at === 0 ? l.lower : l.upper } as const
      for (const push of at === 0 ? [OVER, ASIDE, OUT] : [ASIDE, OUT])
        d.hold({ from: { body: `leaf-${id}`, through }, on, contact, push, way: 'both', via: 'fasteners' })
    })
    const after = [...before[leaf.hung]]
    const motion = d.motion({
      kind: 'swing',
      parts: [id],
      at: [leaf.pinMm, leaf.outMm, l.footMm],
      axis: OVER,
      byRad: leaf.hung === 0 ? OPEN_RAD : -OPEN_RAD,
      ...(after.length > 0 ? { after } : {}),
    })
    before[leaf.hung].push(motion)
    return id
  })
}
const [ASIDE, OUT, OVER]: [Vec3, Vec3, Vec3] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

/** A pin between two plates, the one on the end of the leaf, the other on the panel. */
function pin(d: Draft, l: PivotLeaves, leaf: Leaf, p: { id: string; leaf: string; at: 0 | 1 }): string {
  const { wideMm, deepMm, highMm, item, massKg } = PIVOT
  d.square({
    id: p.id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg },
    min: [leaf.pinMm - wideMm / 2, leaf.outMm - deepMm / 2, p.at === 0 ? l.footMm : l.headMm - highMm],
    size: [wideMm, deepMm, highMm],
    along: 'x',
    across: 'y',
  })
  for (const far of [p.at === 0 ? l.lower : l.upper, p.leaf])
    d.joint({ kind: 'hinged', near: p.id, far, fasteners: [] })
  return p.id
}
