import { NotBuildable, type Draft } from '../../assembly/draft.ts'
import { asStrong, SPRING_SIZES, SPRING_WIDE_MM, STROKE_LEFT_MM, type GasSpring } from '../../catalogue/gas-springs.ts'
import { HINGE } from '../../catalogue/hardware.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Box } from '../../geometry/box.ts'
import { sub, unit, type Vec3 } from '../../geometry/vec.ts'
import { lately } from '../../measure/lately.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { newtons } from '../../measure/units.ts'
import {
  COLD_C,
  HAND_N,
  handForces,
  HOLDS_MORE,
  springAt,
  springMoment,
  weightMoment,
  type LiftedLeaf,
} from '../../mechanics/gas-spring.ts'
import { GAP_MM, OPEN_RAD } from './hinged.ts'

/*
 * Leaves that turn up, hinged under the panel over each and carried by a gas spring at both sides:
 *
 *        =====o   hinge line: the outer upper edge of the leaf        open:   =====o-----------
 *        |   /|                                                               |   ·
 *        |  · | leaf          · spring, shut: its line runs behind            |  ·   foot where it was
 *        | ·  |               the hinge line and keeps the leaf shut          | ·
 */

/** Leaves are no higher where there is a shelf to part them, mm: over one's head the edge is out of reach. Product decision. */
const MOST_HIGH_MM = 600

/** From one leaf's lower to its upper edge, and the panel its hinges are under. */
export interface Row {
  footMm: number
  headMm: number
  /** Lower face of that panel, and top of what lies next below it. */
  underMm: number
  overMm: number
  /** Which shelf that panel is, from the one over the lowest; null where it is the last, be it a top or a shelf. */
  shelf: number | null
}

/** Rows of leaves that turn up; refused where no gas spring goes in beside one of them. */
export function sprung(rows: Row[], leaf: Omit<Parameters<typeof roomFor>[0], keyof Row>): Result<Row[]> {
  const without = rows.findIndex((r) => springFor(roomFor({ ...r, ...leaf })) === null)
  return without < 0 ? good(rows) : bad('no-spring-room', { mm: rows[without].underMm - rows[without].overMm }, 'front')
}

/** Leaves one over the other: one over all where it is low enough, else one for each shelf. */
export function rowsOf(
  footMm: number,
  headMm: number,
  topsMm: readonly number[],
  lastUnderMm: number,
  sheetMm: number,
): Row[] {
  const whole = headMm - footMm <= MOST_HIGH_MM
  const last = topsMm.length - 1
  const row = (i: number): Row => {
    const next = topsMm[i + 1]
    const middle = (z: number) => z - sheetMm / 2
    return {
      footMm: i === 0 ? footMm : middle(topsMm[i]) + GAP_MM / 2,
      headMm: i === last ? headMm : middle(next) - GAP_MM / 2,
      underMm: i === last ? lastUnderMm : next - sheetMm,
      overMm: topsMm[i],
      shelf: i === last ? null : i + 1,
    }
  }
  return whole ? [{ ...row(last), footMm }] : topsMm.map((_z, i) => row(i))
}

export interface Fitted {
  spring: GasSpring
  leaf: LiftedLeaf
}

/** What a leaf and the room behind it are, mm. */
interface Room {
  highMm: number
  wideMm: number
  sheet: Sheet
  /** Free behind the leaf beside the upright: how deep, and from the hinge line down to between where. */
  deepMm: number
  fromMm: number
  toMm: number
}

/** The grid on which places are tried, mm. */
const STEP_MM = 12
/** From an edge to the middle of what is screwed to it, mm. */
const EDGE_MM = 20
/** Shut, its line runs no further behind the hinge line, mm: what it is to be torn open with. */
const BEHIND_MM = 20

/** Shut it leans no further off the leaf than this: its end meets the leaf there. Product decision. */
const MOST_LEAN = Math.tan((40 * Math.PI) / 180)

/** Springs for leaves met before. */
const met = lately<Fitted | null>(64)

/**
 * The shortest spring, where it goes and how strong it is, that holds a leaf open in the cold and is pulled down by
 * hand; where none does both, the one that holds it best. Null where none goes in.
 */
export function springFor(r: Room): Fitted | null {
  const key = [r.highMm, r.wideMm, r.sheet.id, r.deepMm, r.fromMm, r.toMm]
    .map((x) => (typeof x === 'number' ? x.toFixed(1) : x))
    .join()
  return met(key, () => search(r))
}

function search(r: Room): Fitted | null {
  const t = r.sheet.thicknessMm
  const bare = {
    weightN: newtons((r.sheet.densityKgM3 * t * r.highMm * r.wideMm) / 1e9),
    centre: [-t / 2, -r.highMm / 2] as const,
    edgeMm: r.highMm,
    springs: 2,
  }
  let best: Fitted | null = null
  let held = 0
  for (const size of SPRING_SIZES) {
    const places = placesFor(size, r)
    if (!places) continue
    const leaf: LiftedLeaf = { ...bare, ...places }
    for (const spring of asStrong(size)) {
      const ratio = springMoment(leaf, spring, OPEN_RAD, COLD_C) / (HOLDS_MORE * weightMoment(leaf, OPEN_RAD))
      const { liftN, pullN } = handForces(leaf, spring, OPEN_RAD)
      if (ratio >= 1 && Math.max(liftN, pullN) <= HAND_N) return { spring, leaf }
      if (ratio > held) [best, held] = [{ spring, leaf }, ratio]
      if (ratio >= 1) break
    }
  }
  return best
}

/** Where a spring of a size has most lever on the open leaf, still keeps it shut, and stays within its stroke. */
function placesFor(size: GasSpring, r: Room): Pick<LiftedLeaf, 'foot' | 'head'> | null {
  const t = r.sheet.thicknessMm
  const [shortest, longest] = [size.outMm - size.strokeMm + STROKE_LEFT_MM, size.outMm - STROKE_LEFT_MM]
  let best: Pick<LiftedLeaf, 'foot' | 'head'> | null = null
  let lever = 0
  for (let b = r.fromMm; b <= r.highMm - EDGE_MM && b < size.outMm; b += STEP_MM)
    for (let back = EDGE_MM; back <= r.deepMm - EDGE_MM && back < size.outMm; back += STEP_MM)
      for (let down = b; down <= r.toMm && down < b + size.outMm; down += STEP_MM) {
        if (back > MOST_LEAN * (down - b)) continue
        const out = -t - SPRING_WIDE_MM / 2
        const places = { head: [out, -b] as const, foot: [out - back, -down] as const }
        const [shut, open] = [springAt(places, 0), springAt(places, OPEN_RAD)]
        if (shut.longMm < shortest || open.longMm > longest) continue
        if (shut.leverMm > 0 || shut.leverMm < -BEHIND_MM || open.leverMm <= lever) continue
        best = places
        lever = open.leverMm
      }
  return best
}

interface LiftUp extends Row {
  id: string
  sheet: Sheet
  left: number
  right: number
  frontMm: number
  /** How far back the uprights reach behind the front. */
  deepMm: number
  /** Uprights on either side, and their faces that look into the opening. */
  uprights: readonly [string, string]
  faces: readonly [number, number]
  /** The panel the hinges are under. */
  panel: string
  /** What stands out of the uprights under that panel is so high, mm: springs go below it. */
  cleatMm?: number
}

/** What a leaf needs a spring for. */
export const roomFor = (l: Omit<LiftUp, 'id' | 'uprights' | 'panel' | 'faces' | 'shelf'>): Room => ({
  highMm: l.headMm - l.footMm,
  wideMm: l.right - l.left,
  sheet: l.sheet,
  deepMm: l.deepMm,
  fromMm: l.headMm - l.underMm + Math.max(HINGE.intoMm, l.cleatMm ?? 0) + SPRING_WIDE_MM,
  toMm: l.headMm - l.overMm - SPRING_WIDE_MM,
})

/** Hinges of a leaf: two, and one more for every 600 mm beyond 900. Usual tables of makers for flaps. */
const hingesAcross = (wideMm: number): number => 2 + Math.max(0, Math.ceil((wideMm - 900) / 600))
/** Middle of the outer hinges from the sides of the opening, mm; on narrow leaves just past the springs. */
const HINGE_FROM_END_MM = 90
const PAST_SPRING_MM = SPRING_WIDE_MM + HINGE.highMm / 2 + 5
/** From the middle of one hinge to the next at least, mm. */
const HINGE_APART_MM = HINGE.highMm + 10

/** Middles of the hinges across an opening. @throws NotBuildable where it is too narrow for them */
function hingePlaces([left, right]: readonly [number, number], n: number): number[] {
  const across = (n - 1) * HINGE_APART_MM
  const endMm = Math.min(HINGE_FROM_END_MM, (right - left - across) / 2)
  if (endMm < PAST_SPRING_MM)
    throw new NotBuildable('a leaf is too narrow for its hinges', 'door', 'hardware', {
      code: 'lift-too-narrow',
      data: { mm: right - left, leastMm: across + 2 * PAST_SPRING_MM },
      field: 'clearMm',
    })
  const [from, to] = [left + endMm, right - endMm]
  return Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
}

export type LiftBox = Pick<LiftUp, 'sheet' | 'frontMm' | 'deepMm' | 'cleatMm'>
/** One opening with its leaves one over the other, and the panel each is hinged under. */
export interface LiftOpening extends Pick<LiftUp, 'left' | 'right' | 'uprights' | 'faces'> {
  rows: readonly Row[]
  panelOf(row: Row): string
}

/** Leaves one over the other in every opening. */
export function placeLiftUps(d: Draft, openings: readonly LiftOpening[], box: LiftBox): void {
  openings.forEach(({ rows, panelOf, ...o }, k) =>
    rows.forEach((row, i) => placeLiftUp(d, { id: `lift-${k}-${i}`, panel: panelOf(row), ...o, ...box, ...row })),
  )
}
/** Panels of a box that has a top. */
export const boxPanels =
  (k: number) =>
  ({ shelf }: Row): string =>
    shelf === null ? `top-${k}` : `shelf-${k}-${shelf}`

/** A leaf that turns up, its hinges and its springs. Whether a spring goes in was asked before. */
function placeLiftUp(d: Draft, l: LiftUp): void {
  const fitted = springFor(roomFor(l))
  if (!fitted) throw new NotBuildable(`${l.id} has no room for a spring`, 'door', 'hardware')
  const t = l.sheet.thicknessMm
  d.square({
    id: l.id,
    role: 'door',
    stock: { kind: 'sheet', sheet: l.sheet.id },
    min: [l.left, l.frontMm, l.footMm],
    size: [l.right - l.left, t, l.headMm - l.footMm],
    along: 'x',
    across: 'z',
  })
  const places = hingePlaces(l.faces, hingesAcross(l.right - l.left))
  const hinges = places.map((x, i) => hinge(d, l, `${l.id}-hinge-${i}`, x))
  const springs = ([0, 1] as const).map((side) => spring(d, l, fitted, side))
  const body = `leaf-${l.id}`
  d.body(body, [l.id, ...hinges.map((h) => h.id), ...springs], [])
  for (const h of hinges)
    d.hold({
      from: { body, through: h.id },
      on: { kind: 'part', part: l.panel },
      contact: h.lies,
      push: [0, 0, 1],
      way: 'both',
      via: 'fasteners',
    })
  // Level the panel hands on to the uprights what the hinges push and pull; and a spring acts by its lever on the open
  // leaf: so far under the hinge line that its moment is what it is.
  const { leverMm } = springAt(fitted.leaf, OPEN_RAD)
  for (const side of [0, 1] as const) {
    const x = edgeOf(d, l, side)
    const hold = (z: number, push: Vec3) => {
      const at: Vec3 = [x, l.frontMm, z]
      const on = { kind: 'part', part: l.uprights[side] } as const
      d.hold({ from: { body, through: l.id }, on, contact: { min: at, max: at }, push, way: 'both', via: 'fasteners' })
    }
    hold(l.headMm, [1, 0, 0])
    hold(l.headMm, [0, 1, 0])
    hold(l.headMm - leverMm, [0, 1, 0])
  }
  d.motion({
    kind: 'swing',
    parts: [l.id],
    at: [l.left, l.frontMm + t, l.headMm],
    axis: [1, 0, 0],
    byRad: OPEN_RAD,
  })
}

/** Middle of what a leaf covers of the front edge of an upright. */
function edgeOf(d: Draft, l: LiftUp, side: 0 | 1): number {
  const { min, max } = d.box(l.uprights[side])
  return ((side === 0 ? Math.max(min[0], l.left) : Math.min(max[0], l.right)) + l.faces[side]) / 2
}

function hinge(d: Draft, l: LiftUp, id: string, x: number): { id: string; lies: Box } {
  const { intoMm, backMm, highMm } = HINGE
  d.square({
    id,
    role: 'hardware',
    stock: { kind: 'bought', item: HINGE.item, massKg: HINGE.massKg },
    min: [x - highMm / 2, l.frontMm - backMm, l.underMm - intoMm],
    size: [highMm, backMm, intoMm],
    along: 'x',
    across: 'y',
  })
  for (const far of [l.panel, l.id]) d.joint({ kind: 'hinged', near: id, far, fasteners: [] })
  const { min, max } = d.box(id)
  return { id, lies: { min: [min[0], min[1], l.underMm], max } }
}

function spring(d: Draft, l: LiftUp, { spring: s, leaf }: Fitted, side: 0 | 1): string {
  const id = `${l.id}-spring-${side}`
  const x = l.faces[side] + (side === 0 ? 1 : -1) * (SPRING_WIDE_MM / 2)
  const at = ([out, up]: readonly [number, number]): Vec3 => [x, l.frontMm + l.sheet.thicknessMm + out, l.headMm + up]
  d.strut({
    id,
    role: 'hardware',
    stock: { kind: 'bought', item: s.item, massKg: s.massKg },
    from: at(leaf.foot),
    to: at(leaf.head),
    widthMm: SPRING_WIDE_MM,
    thicknessMm: SPRING_WIDE_MM,
    facing: [1, 0, 0],
  })
  const [foot, head] = [at(leaf.foot), at(leaf.head)]
  // The corner of its end that comes nearest to the leaf, and half way from there to it.
  const [, y, z] = unit(sub(head, foot))
  const corner: Vec3 = [
    x,
    head[1] + (SPRING_WIDE_MM / 2) * Math.abs(z),
    head[2] - (SPRING_WIDE_MM / 2) * y * Math.sign(z),
  ]
  const met: Vec3 = [x, (corner[1] + l.frontMm) / 2, corner[2]]
  d.joint({ kind: 'hinged', near: id, far: l.uprights[side], fasteners: [], at: [l.faces[side], foot[1], foot[2]] })
  d.joint({ kind: 'hinged', near: id, far: l.id, fasteners: [], at: met })
  return id
}
