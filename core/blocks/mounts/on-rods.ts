import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import { findScrew } from '../../catalogue/fasteners.ts'
import { WASHER_MM, type Rod } from '../../catalogue/steel.ts'
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
export type Hangs = Pick<OnRods, 'spreader' | 'rod' | 'joists' | 'ceilingMm'>

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
/** A rod goes past wood by this at least, and past its nuts by a turn, mm. Product decisions. */
const [PAST_WOOD_MM, TURN_MM] = [20, 1]
/** How far a rod goes past a piece of wood, mm: by a washer and two nuts at least. */
export const pastNuts = (rod: Pick<Rod, 'id'>): number =>
  Math.max(PAST_WOOD_MM, Math.ceil(2 * (findScrew(`nut-${rod.id}`)?.lengthMm ?? 0) + WASHER_MM + TURN_MM))
/** The coupling nut sits this far under the ceiling, mm, in reach of a spanner. */
export const COUPLER_UNDER_MM = 80
/** The highest upper face of what lies on bearers that hang: their couplings, or eye nuts, are over them. mm */
export const highestHung = (ceilingMm: number, overBearersMm: number): number =>
  ceilingMm - COUPLER_UNDER_MM + overBearersMm
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

/** What goes up between joists: how wide it is across them. */
type Wide = Pick<Rod, 'diameterMm'>
/** From the middle of a joist to that of a rod beside it, mm. */
export const besideJoist = (j: OnRods['joists'], rod: Wide): number =>
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
  const clear = (from: number, way: 1 | -1) => clearOf(j, r.rod, from, way)
  const half = r.crossMm / 2
  const out = j.run === 'out'
  const [x0, x1] = [r.left - FROM_BOX_MM, r.right + FROM_BOX_MM]
  const [y0, y1] = [r.backMm + half, r.frontMm - half]
  const xs = out ? [clear(x0, -1), clear(x1, 1)] : [x0, x1]
  const ys = out ? [y0, y1] : [clear(y0, 1), clear(y1, -1)]
  const across = out ? xs : ys
  const [first, last] = across
  if (first === null || last === null) return bad('rod-in-joist', {}, 'clearMm')
  const lies = overJoists(j, first, last)
  return lies
    ? good({ xs: xs as [number, number], ys: ys as [number, number], ...lies })
    : bad('no-joist-over', {}, 'clearMm')
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
      return oneRod(d, r, { x, y, id: `${i}-${k}`, from: [crosses[i]], over })
    }),
  )
  return { crosses, spreaders, lower: rods.flatMap((x) => x.lower), upper: rods.map((x) => x.upper) }
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

/** A board flat over joists, bored where rods go through it. */
export function spreader(
  d: Draft,
  r: Omit<Hangs, 'rod'> & { rod?: Rod },
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
  for (const x of plan.rods) if (r.rod) bore(d, id, x - plan.from, w / 2, r.rod)
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

/** Where something hangs on one line: pieces of wood on it, the lowest first, and the spreader it hangs from. */
export interface Column {
  x: number
  y: number
  id: string
  from: readonly string[]
  over: string
}

/** A piece of rod along such a line. */
export function pieceOfRod(d: Draft, rod: Rod, at: { x: number; y: number; id: string }, from: number, to: number) {
  const dia = rod.diameterMm
  d.square({
    id: at.id,
    role: 'rod',
    stock: { kind: 'steel', rod: rod.id },
    min: [at.x - dia / 2, at.y - dia / 2, from],
    size: [dia, dia, to - from],
    along: 'z',
    across: 'x',
    axial: true,
  })
}

/** One piece hangs on another at a height of that line, by what is bought for it. */
export function hangsAt(
  d: Draft,
  at: { x: number; y: number; acrossMm: number },
  [from, on]: readonly [string, string],
  z: number,
  fasteners: { fastener: string; count: number; into: 'end' }[],
) {
  const half = at.acrossMm / 2
  const [lo, hi]: [Vec3, Vec3] = [
    [at.x - half, at.y - half, z],
    [at.x + half, at.y + half, z],
  ]
  d.joint({ kind: 'hung', near: from, far: on, fasteners })
  d.hold({
    from: { part: from },
    on: { kind: 'part', part: on },
    contact: { min: lo, max: hi },
    push: UP,
    way: 'push',
    via: 'hanging',
  })
}
/** Two nuts above a piece of wood and below it keep it from sliding up the rod when it is lifted. */
export const nutted = (rod: Rod) => [{ fastener: `nut-${rod.id}`, count: 2, into: 'end' as const }]

/** A rod in two lengths with a coupling nut between, a nut and a washer under every piece of wood on it. */
export function oneRod(d: Draft, r: Pick<Hangs, 'rod' | 'ceilingMm'>, c: Column): Hung {
  const { rod } = r
  const splitMm = r.ceilingMm - COUPLER_UNDER_MM
  const under = (id: string) => d.box(id).min[2]
  const topMm = d.box(c.over).max[2]
  const [lower, upper] = [`rod-${c.id}-lower`, `rod-${c.id}-upper`]
  pieceOfRod(d, rod, { ...c, id: lower }, under(c.from[0]) - pastNuts(rod), splitMm)
  pieceOfRod(d, rod, { ...c, id: upper }, splitMm, topMm + pastNuts(rod))
  const at = { ...c, acrossMm: rod.diameterMm }
  for (const from of c.from) hangsAt(d, at, [from, lower], under(from), nutted(rod))
  hangsAt(d, at, [lower, upper], splitMm, [{ fastener: `coupler-${rod.id}`, count: 1, into: 'end' }])
  hangsAt(d, at, [upper, c.over], topMm, nutted(rod))
  return { lower: [lower], upper }
}
/** What hangs under the ceiling on one line, and what goes up through it to the spreader. */
export interface Hung {
  lower: string[]
  upper: string
}

/** Bores a piece for the rod that goes through it at a place. */
export function boreFrom(d: Draft, from: string, at: { x: number; y: number }, rod: Rod) {
  const box = d.box(from)
  const i = d.part(from).at.along.findIndex((v) => Math.abs(v) > 0.9)
  const k = i === 0 ? 1 : 0
  bore(d, from, [at.x, at.y][i] - box.min[i], [at.x, at.y][k] - box.min[k], rod)
}

/** Pieces that hang from the front ends of one row, each by what hangs on a line of its own. */
export interface RodRow {
  y: number
  rods: readonly { x: number; id: string; from: readonly string[] }[]
}
/** How a column is made: a rod, or what is bought to hang on a short one. */
export type MakeColumn = (d: Draft, h: Hangs, c: Column) => Hung

/**
 * Hangs a row of places along the wall: each from a spreader over the two joists beside it, or, where joists run out
 * from the wall, all from one spreader over the joists they hang between. @returns what it made, or why it cannot
 */
export function hangRow(
  d: Draft,
  h: Hangs,
  row: RodRow,
  make: MakeColumn = oneRod,
): Result<{ spreaders: string[]; rods: Hung[] }> {
  const { joists: j } = h
  if (j.run === 'along') {
    const each: (Hung & { spreader: string })[] = []
    for (const r of row.rods) {
      const one = hangOne(d, h, { ...r, y: row.y }, make)
      if (!one.ok) return one
      each.push(one.value)
    }
    return good({ spreaders: each.map((x) => x.spreader), rods: each })
  }
  const xs = row.rods.map((r) => r.x)
  if (xs.some((x) => j.atMm.some((v) => Math.abs(v - x) < besideJoist(j, h.rod)))) return bad('rod-in-joist')
  const lies = overJoists(j, Math.min(...xs), Math.max(...xs))
  if (!lies) return bad('no-joist-over')
  const id = spreader(d, h, { ...lies, rods: xs }, { at: row.y, id: 'spreader-0' })
  const rods = row.rods.map((r) => {
    for (const from of r.from) boreFrom(d, from, { x: r.x, y: row.y }, h.rod)
    return make(d, h, { ...r, y: row.y, over: id })
  })
  return good({ spreaders: [id], rods })
}

/** From the last joist before a stretch to the first one after it: what lies over them, and where it begins and ends. */
export function overJoists(j: KnownJoists, first: number, last: number): Pick<RodPlan, 'over' | 'from' | 'to'> | null {
  const [before, after] = [j.atMm.filter((x) => x < first), j.atMm.filter((x) => x > last)]
  if (before.length === 0 || after.length === 0) return null
  const [lo, hi] = [Math.max(...before), Math.min(...after)]
  const past = j.size.wideMm / 2 + PAST_JOIST_MM
  return { over: j.atMm.filter((x) => x >= lo && x <= hi), from: lo - past, to: hi + past }
}

/**
 * Hangs one place of one or more pieces above each other from a spreader over the two joists beside it. @returns what it
 * made, or why it cannot
 */
export function hangOne(
  d: Draft,
  h: Hangs,
  at: Omit<Column, 'over'>,
  make: MakeColumn = oneRod,
): Result<Hung & { spreader: string }> {
  const { joists: j } = h
  const out = j.run === 'out'
  const place = out ? at.x : at.y
  if (j.atMm.some((x) => Math.abs(x - place) < besideJoist(j, h.rod))) return bad('rod-in-joist')
  const lies = overJoists(j, place, place)
  if (!lies) return bad('no-joist-over')
  const id = spreader(d, h, { ...lies, rods: [place] }, { at: out ? at.y : at.x, id: `spreader-${at.id}` })
  for (const from of at.from) boreFrom(d, from, at, h.rod)
  return good({ spreader: id, ...make(d, h, { ...at, over: id }) })
}

/** The nearest place to one wanted where no joist is in the way of a rod; null where there is none near. */
export function clearOf(j: KnownJoists, rod: Wide, wanted: number, way: 1 | -1): number | null {
  for (let moved = 0; moved <= MOST_MOVED_MM; moved += STEP_MM) {
    const at = wanted + way * moved
    if (j.atMm.every((x) => Math.abs(x - at) >= besideJoist(j, rod))) return at
  }
  return null
}

/**
 * Where the rods of a row can be: evenly from end to end of what hangs there, within the joists they hang from, each
 * moved where a joist is in the way. @param outMm how far out from the wall they are wanted
 */
export function rowPlaces(
  j: KnownJoists,
  rod: Wide,
  b: { lengthMm: number; outMm: number; edgeMm: number; count: number },
): Result<{ xs: number[]; outMm: number }> {
  const out = j.run === 'out'
  const [lo, hi] = out
    ? [Math.min(...j.atMm) + besideJoist(j, rod), Math.max(...j.atMm) - besideJoist(j, rod)]
    : [-Infinity, Infinity]
  const [first, last] = [Math.max(lo, b.edgeMm / 2), Math.min(hi, b.lengthMm - b.edgeMm / 2)]
  const even = Array.from({ length: b.count }, (_, i) => first + ((last - first) * i) / (b.count - 1))
  const outMm = out ? b.outMm : clearOf(j, rod, b.outMm, 1)
  const xs = out ? even.map((x, i) => clearOf(j, rod, x, i === b.count - 1 ? -1 : 1)) : even
  const apart = xs.every((x, i) => i === 0 || (x !== null && x - xs[i - 1]! > 2 * b.edgeMm))
  return outMm === null || !apart || xs[0] === null
    ? bad('rod-in-joist', {}, 'bearers')
    : good({ xs: xs as number[], outMm })
}

/** From the front of a frame to the middle of a rod, and wood past it, mm: a washer, and four diameters. */
export const ROD_OUT_MM = 32
export const PAST_ROD_MM = 45
