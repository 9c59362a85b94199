import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Rod } from '../../catalogue/steel.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import type { FreeSpace, Joists } from '../../room/room.ts'
import { UP } from './wall-fixing.ts'

/*
 * A box on two cross pieces, each hung at both ends by a threaded rod that goes up through the ceiling to a spreader
 * lying over the joists.
 *
 *     =====●=========●=====  spreader over joists ●         A coupling nut under the ceiling lets the box come down again. The rods only pull, and
 *   -------|---------|------ ceiling                        the joists only push up: what hangs is held by six equations of the box, the beam of each
 *          |[ box  ]|                                       cross piece and of each spreader.
 *        ==|=========|==     cross piece
 */

/** Joists whose size and span somebody has measured. */
export type KnownJoists = Joists & { size: NonNullable<Joists['size']> }

/** What rods can hang from over a build; or why nothing may. */
export function joistsToHangFrom({ joists }: Pick<FreeSpace, 'joists'>): Result<KnownJoists> {
  if (!joists) return bad('no-joists-known')
  if (joists.kind === 'trusses') return bad('hung-from-trusses')
  if (joists.kind === 'sloped') return bad('hung-under-slope')
  const { size } = joists
  return size ? good({ ...joists, size }) : bad('no-joist-size')
}

/** What is needed to hang anything from joists. */
type Hangs = Pick<OnRods, 'spreader' | 'rod' | 'joists' | 'ceilingMm'>

export interface OnRods {
  body: string
  /** The box: its outer faces along the wall, back and front, its underside above the floor. */
  left: number
  right: number
  backMm: number
  frontMm: number
  footMm: number
  /** Sides of the box, which stand on the cross pieces. */
  sides: readonly [string, string]
  cross: { section: Section; stock: Stock }
  spreader: { section: Section; stock: Stock }
  rod: Rod
  joists: KnownJoists
  ceilingMm: number
}

/**
 * Middle of a rod from the side of the box, and from the end of its cross piece, mm: room for a washer, and four
 * diameters of wood past it.
 */
export const FROM_BOX_MM = 30
export const CROSS_END_MM = 45
/** What a rod stands out past a nut, mm. */
const PAST_NUT_MM = 20
/** The coupling nut sits this far under the ceiling, mm, in reach of a spanner. */
export const COUPLER_UNDER_MM = 80
/** A rod passes a joist with this much wood left alone beside it, mm. */
const BESIDE_JOIST_MM = 15
/** A rod is moved out from where it would be by no more than this to miss a joist, mm. */
const MOST_MOVED_MM = 160
const STEP_MM = 5
/** A spreader reaches past the last joist it lies on by this much, mm. */
const PAST_JOIST_MM = 40
/** A hole is a millimetre wider than what goes through. */
const HOLE_OVER_MM = 1

export interface RodPlan {
  xs: [number, number]
  ys: [number, number]
  /** Joists each spreader lies over, and where it begins and ends across them. */
  over: number[]
  from: number
  to: number
}

/** From the middle of a joist to that of a rod beside it, mm. */
export const besideJoist = (j: OnRods['joists'], rod: Rod): number =>
  j.size.wideMm / 2 + rod.diameterMm / 2 + BESIDE_JOIST_MM

/**
 * How far out from the wall the back of a box must be so that its rear rods have a joist behind them, mm; nought where
 * joists run out.
 */
export function pastFirstJoist(j: OnRods['joists'], rod: Rod, crossMm: number): number {
  if (j.run === 'out') return 0
  const first = Math.min(...j.atMm.filter((y) => y >= 0))
  const rear = crossMm / 2
  const behind = j.atMm.some((y) => y <= rear - besideJoist(j, rod))
  return behind ? 0 : Math.max(0, first + besideJoist(j, rod) - rear)
}

/** Where four rods can hang between the joists. */
export function planRods(
  r: Pick<OnRods, 'left' | 'right' | 'backMm' | 'frontMm' | 'rod' | 'joists'> & { crossMm: number },
): Result<RodPlan> {
  const { joists: j } = r
  const near = besideJoist(j, r.rod)
  const clear = (from: number, way: 1 | -1): number | null => {
    for (let moved = 0; moved <= MOST_MOVED_MM; moved += STEP_MM) {
      const at = from + way * moved
      if (j.atMm.every((x) => Math.abs(x - at) >= near)) return at
    }
    return null
  }
  const half = r.crossMm / 2
  const out = j.run === 'out'
  const [x0, x1] = [r.left - FROM_BOX_MM, r.right + FROM_BOX_MM]
  const [y0, y1] = [r.backMm + half, r.frontMm - half]
  const xs = out ? [clear(x0, -1), clear(x1, 1)] : [x0, x1]
  const ys = out ? [y0, y1] : [clear(y0, 1), clear(y1, -1)]
  const across = out ? xs : ys
  const [first, last] = across
  if (first === null || last === null) return bad('rod-in-joist', {}, 'clearMm')
  const before = j.atMm.filter((x) => x < first)
  const after = j.atMm.filter((x) => x > last)
  if (before.length === 0 || after.length === 0) return bad('no-joist-over', {}, 'clearMm')
  const [lo, hi] = [Math.max(...before), Math.min(...after)]
  const past = j.size.wideMm / 2 + PAST_JOIST_MM
  return good({
    xs: xs as [number, number],
    ys: ys as [number, number],
    over: j.atMm.filter((x) => x >= lo && x <= hi),
    from: lo - past,
    to: hi + past,
  })
}

/** Hangs the box. @returns ids of cross pieces, rods below and above the couplings, and spreaders */
export function hangOnRods(d: Draft, r: OnRods, plan: RodPlan) {
  const t = r.cross.section.thicknessMm
  const end = CROSS_END_MM
  const crosses = plan.ys.map((y, i) => {
    const id = `cross-${i}`
    const w = r.cross.section.widthMm
    d.square({
      id,
      role: 'cross',
      stock: r.cross.stock,
      min: [plan.xs[0] - end, y - w / 2, r.footMm - t],
      size: [plan.xs[1] - plan.xs[0] + 2 * end, w, t],
      along: 'x',
      across: 'y',
    })
    for (const x of plan.xs) bore(d, id, x - plan.xs[0] + end, w / 2, r.rod)
    for (const side of r.sides) standsOn(d, r, side, id)
    return id
  })
  const out = r.joists.run === 'out'
  const spreaders = plan[out ? 'ys' : 'xs'].map((at, i) =>
    spreader(d, r, { ...plan, rods: out ? plan.xs : plan.ys }, { at, id: `spreader-${i}` }),
  )
  const rods = plan.ys.flatMap((y, i) =>
    plan.xs.map((x, k) => {
      const over = spreaders[out ? i : k]
      return oneRod(d, r, { x, y, id: `${i}-${k}`, from: crosses[i], bottomMm: r.footMm - t, over })
    }),
  )
  return { crosses, spreaders, lower: rods.map((x) => x.lower), upper: rods.map((x) => x.upper) }
}

function bore(d: Draft, part: string, atMm: number, offMm: number, rod: Rod) {
  d.machine(part, {
    kind: 'hole',
    face: 'over',
    atMm,
    offMm,
    diameterMm: rod.diameterMm + HOLE_OVER_MM,
    depthMm: null,
    tiltRad: 0,
  })
}

/** A side of the box stands on a cross piece. */
function standsOn(d: Draft, r: OnRods, side: string, cross: string) {
  const [a, b] = [d.box(side), d.box(cross)]
  const contact: Box = {
    min: [a.min[0], Math.max(a.min[1], b.min[1]), r.footMm],
    max: [a.max[0], Math.min(a.max[1], b.max[1]), r.footMm],
  }
  d.hold({
    from: { body: r.body, through: side },
    on: { kind: 'part', part: cross },
    contact,
    push: UP,
    way: 'push',
    via: 'bearing',
  })
}

function spreader(
  d: Draft,
  r: Hangs,
  plan: Pick<RodPlan, 'over' | 'from' | 'to'> & { rods: readonly number[] },
  s: { at: number; id: string },
): string {
  const { widthMm: w, thicknessMm: t } = r.spreader.section
  const out = r.joists.run === 'out'
  const { id } = s
  const spreadZ = r.ceilingMm + r.joists.size.deepMm
  const long = plan.to - plan.from
  d.square({
    id,
    role: 'spreader',
    stock: r.spreader.stock,
    min: out ? [plan.from, s.at - w / 2, spreadZ] : [s.at - w / 2, plan.from, spreadZ],
    size: out ? [long, w, t] : [w, long, t],
    along: out ? 'x' : 'y',
    across: out ? 'y' : 'x',
  })
  for (const x of plan.rods) bore(d, id, x - plan.from, w / 2, r.rod)
  const { min, max } = d.box(id)
  const half = r.joists.size.wideMm / 2
  for (const x of plan.over) {
    const contact: Box = out
      ? { min: [x - half, min[1], min[2]], max: [x + half, max[1], min[2]] }
      : { min: [min[0], x - half, min[2]], max: [max[0], x + half, min[2]] }
    d.hold({ from: { part: id }, on: { kind: 'ceiling' }, contact, push: UP, way: 'push', via: 'bearing' })
  }
  return id
}

/** A rod in two lengths with a coupling nut between, a nut and a washer at either end. */
function oneRod(
  d: Draft,
  r: Pick<Hangs, 'rod' | 'ceilingMm'>,
  at: { x: number; y: number; id: string; from: string; bottomMm: number; over: string },
): { lower: string; upper: string } {
  const { rod } = r
  const dia = rod.diameterMm
  const stock: Stock = { kind: 'steel', rod: rod.id }
  const splitMm = r.ceilingMm - COUPLER_UNDER_MM
  const bottom = at.bottomMm
  const topMm = d.box(at.over).max[2]
  const [lower, upper] = [`rod-${at.id}-lower`, `rod-${at.id}-upper`]
  const piece = (id: string, from: number, to: number) =>
    d.square({
      id,
      role: 'rod',
      stock,
      min: [at.x - dia / 2, at.y - dia / 2, from],
      size: [dia, dia, to - from],
      along: 'z',
      across: 'x',
      axial: true,
    })
  piece(lower, bottom - PAST_NUT_MM, splitMm)
  piece(upper, splitMm, topMm + PAST_NUT_MM)
  const hang = (from: string, on: string, z: number, fastener: string, count: number) => {
    d.joint({ kind: 'hung', near: from, far: on, fasteners: [{ fastener, count, into: 'end' }] })
    const [lo, hi]: [Vec3, Vec3] = [
      [at.x - dia / 2, at.y - dia / 2, z],
      [at.x + dia / 2, at.y + dia / 2, z],
    ]
    d.hold({
      from: { part: from },
      on: { kind: 'part', part: on },
      contact: { min: lo, max: hi },
      push: UP,
      way: 'push',
      via: 'hanging',
    })
  }
  // Two nuts above the cross piece and below it keep it from sliding up the rod when it is lifted.
  hang(at.from, lower, bottom, `nut-${rod.id}`, 2)
  hang(lower, upper, splitMm, `coupler-${rod.id}`, 1)
  hang(upper, at.over, topMm, `nut-${rod.id}`, 2)
  return { lower, upper }
}

/** Bores a piece for the rod that goes through it at a place. */
function boreFrom(d: Draft, from: string, at: { x: number; y: number }, rod: Rod) {
  const box = d.box(from)
  const i = d.part(from).at.along.findIndex((v) => Math.abs(v) > 0.9)
  const k = i === 0 ? 1 : 0
  bore(d, from, [at.x, at.y][i] - box.min[i], [at.x, at.y][k] - box.min[k], rod)
}

/** Pieces that hang from the front ends of one row, each by a rod of its own. */
export interface RodRow {
  y: number
  bottomMm: number
  rods: readonly { x: number; id: string; from: string }[]
}

/**
 * Hangs a row of places along the wall: each from a spreader over the two joists beside it, or, where joists run out
 * from the wall, all from one spreader over the joists they hang between. @returns what it made, or why it cannot
 */
export function hangRow(
  d: Draft,
  h: Hangs,
  row: RodRow,
): Result<{ spreaders: string[]; rods: { lower: string; upper: string }[] }> {
  const { joists: j } = h
  if (j.run === 'along') {
    const each: { spreader: string; lower: string; upper: string }[] = []
    for (const r of row.rods) {
      const one = hangOne(d, h, { ...r, y: row.y, bottomMm: row.bottomMm })
      if (!one.ok) return one
      each.push(one.value)
    }
    return good({ spreaders: each.map((x) => x.spreader), rods: each })
  }
  const xs = row.rods.map((r) => r.x)
  if (xs.some((x) => j.atMm.some((v) => Math.abs(v - x) < besideJoist(j, h.rod)))) return bad('rod-in-joist')
  const [first, last] = [Math.min(...xs), Math.max(...xs)]
  const [before, after] = [j.atMm.filter((x) => x < first), j.atMm.filter((x) => x > last)]
  if (before.length === 0 || after.length === 0) return bad('no-joist-over')
  const [lo, hi] = [Math.max(...before), Math.min(...after)]
  const past = j.size.wideMm / 2 + PAST_JOIST_MM
  const over = j.atMm.filter((x) => x >= lo && x <= hi)
  const id = spreader(d, h, { over, from: lo - past, to: hi + past, rods: xs }, { at: row.y, id: 'spreader-0' })
  const rods = row.rods.map((r) => {
    boreFrom(d, r.from, { x: r.x, y: row.y }, h.rod)
    return oneRod(d, h, { ...r, y: row.y, bottomMm: row.bottomMm, over: id })
  })
  return good({ spreaders: [id], rods })
}

/**
 * Hangs one place of a piece by a rod from a spreader over the two joists beside it. @returns what it made, or why it
 * cannot
 */
export function hangOne(
  d: Draft,
  h: Hangs,
  at: { x: number; y: number; id: string; from: string; bottomMm: number },
): Result<{ spreader: string; lower: string; upper: string }> {
  const { joists: j } = h
  const out = j.run === 'out'
  const place = out ? at.x : at.y
  if (j.atMm.some((x) => Math.abs(x - place) < besideJoist(j, h.rod))) return bad('rod-in-joist')
  const [before, after] = [j.atMm.filter((x) => x < place), j.atMm.filter((x) => x > place)]
  if (before.length === 0 || after.length === 0) return bad('no-joist-over')
  const over = [Math.max(...before), Math.min(...after)]
  const past = j.size.wideMm / 2 + PAST_JOIST_MM
  const lies = { over, from: over[0] - past, to: over[1] + past, rods: [place] }
  const id = spreader(d, h, lies, { at: out ? at.y : at.x, id: `spreader-${at.id}` })
  boreFrom(d, at.from, at, h.rod)
  return good({ spreader: id, ...oneRod(d, h, { ...at, over: id }) })
}
