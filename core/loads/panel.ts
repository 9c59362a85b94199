import type { Part, Support } from '../assembly/assembly.ts'
import type { Box } from '../geometry/box.ts'
import { add, dot, scale, sub, type Vec3 } from '../geometry/vec.ts'
import type { BeamLoad, BeamSpec } from '../mechanics/beam.ts'
import type { Bent, Patch } from './load-path.ts'
import { solveHeld, type Held } from './solve-held.ts'

/*
 * A panel on rails and cross pieces is worked out as strips side by side that all span one way: along its strength axis
 * or across it. Any such split that is in equilibrium under-rates the panel's strength, never over-rates it
 * (lower-bound theorem, strip method of Hillerborg), so the stiffer of the two ways is taken. Loads are carried by the
 * strips they stand on, all of them together, and by no wood beside them. A panel that is screwed down cannot lift off
 * a support; one that lies loose can.
 */

interface Range {
  from: number
  to: number
}
interface Local {
  u: Range
  v: Range
}

const range = (a: number, b: number): Range => ({ from: Math.min(a, b), to: Math.max(a, b) })
const shared = (a: Range, b: Range) => Math.min(a.to, b.to) - Math.max(a.from, b.from)

/** A box of the build in the panel's own coordinates: u along its length from the start, v across from the low edge. */
export function local(p: Part, b: Box): Local {
  return { u: coordinate(p, b, p.at.along, p.size.lengthMm), v: coordinate(p, b, p.at.across, p.size.widthMm) }
}
function coordinate(p: Part, b: Box, axis: Vec3, size: number): Range {
  const shift = size / 2 - dot(p.at.centre, axis)
  return range(dot(b.min, axis) + shift, dot(b.max, axis) + shift)
}

/** Cuts a box of the build down to the strip's width. */
function cutTo(p: Part, b: Box, axis: Vec3, size: number, strip: Range): Box {
  const i = axis.findIndex((c) => Math.abs(c) > 0.5)
  const offset = p.at.centre[i] - (size / 2) * Math.sign(axis[i])
  const r = range(offset + Math.sign(axis[i]) * strip.from, offset + Math.sign(axis[i]) * strip.to)
  const out: Box = { min: [...b.min], max: [...b.max] }
  out.min[i] = Math.max(b.min[i], r.from)
  out.max[i] = Math.min(b.max[i], r.to)
  return out
}

/** A strip that hangs this far past its support, or has its load this far from its middle, hands it on where it is, mm. */
const ASIDE_MM = 0.5

/**
 * Where a strip hands its load on: over what of it lies on the support; where that is not all of it, or loads of other
 * strips came to it, at the middle of all loads, or their moment would be lost.
 */
function handedOn(p: Part, contact: Box, across: { axis: Vec3; size: number }, v: Range, middle: number): Box {
  const cut = cutTo(p, contact, across.axis, across.size, v)
  const i = across.axis.findIndex((c) => Math.abs(c) > 0.5)
  const lies = cut.max[i] - cut.min[i]
  const aside = Math.abs(middle - (v.from + v.to) / 2)
  if (v.to - v.from - lies <= ASIDE_MM && aside <= ASIDE_MM) return cut
  const at = p.at.centre[i] + Math.sign(across.axis[i]) * (middle - across.size / 2)
  // No further than the support goes on either side of it.
  const half = Math.max(0, Math.min(lies / 2, at - contact.min[i], contact.max[i] - at))
  cut.min[i] = at - half
  cut.max[i] = at + half
  return cut
}

/** Where a strip whose loads have their middle there crosses a board that runs askew. */
function onLine(p: Part, [a, b]: readonly [Vec3, Vec3], across: { axis: Vec3; size: number }, middle: number): Box {
  const at = (x: Vec3) => dot(x, across.axis) + across.size / 2 - dot(p.at.centre, across.axis)
  const [from, to] = [at(a), at(b)]
  const t = Math.abs(to - from) > THIN_MM ? Math.min(1, Math.max(0, (middle - from) / (to - from))) : 1 / 2
  const spot = add(a, scale(sub(b, a), t))
  return { min: spot, max: spot }
}

export interface PanelSolution {
  along: boolean
  strips: Bent[]
  passed: { support: string; patch: Patch }[]
}

/** Edges of loads nearer than this are one, mm: a strip of a hair's width says nothing. */
const THIN_MM = 0.05

/**
 * A support holds a strip when it crosses at least this share of the strip's width and is no longer than half the span.
 */
export const CROSSES = 0.5

/** One way a panel may span: what holds it, by where that is along the span and across it. */
interface PanelWay {
  along: boolean
  ei: number
  gap: number
  contacts: Contacted[]
}
interface Contacted {
  s: Support
  at: Local
  /** Of one that runs askew: where along the span its ends are, each with where across. */
  line?: readonly [Place, Place]
}
interface Place {
  u: number
  v: number
}
/** Under a board that runs askew strips are no wider, mm: each is held where its middle crosses it. */
const ASKEW_STRIP_MM = 50

/** Where along the span a strip is held: the middle of the contact, or where a board that runs askew crosses it. */
function heldAt({ at, line }: Contacted, v: number): number {
  if (!line) return (at.u.from + at.u.to) / 2
  const [a, b] = line
  const t = Math.abs(b.v - a.v) > THIN_MM ? (v - a.v) / (b.v - a.v) : 1 / 2
  return a.u + Math.min(1, Math.max(0, t)) * (b.u - a.u)
}
const acrossOf = ([a, b]: readonly [Place, Place]): Range => range(a.v, b.v)
/** Edges of strips over boards that run askew. */
const cutsOver = (contacts: readonly Contacted[]): number[] =>
  contacts.flatMap(({ line }) => {
    if (!line) return []
    const { from, to } = acrossOf(line)
    const n = Math.max(1, Math.ceil((to - from) / ASKEW_STRIP_MM))
    return Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n)
  })
/** The ways a panel may span, the stiffer first. */
export type PanelSite = readonly PanelWay[]

function spanning(p: Part, patches: readonly Patch[], way: PanelWay): PanelSolution | null {
  const { along, ei, contacts } = way
  const [length, width] = along ? [p.size.lengthMm, p.size.widthMm] : [p.size.widthMm, p.size.lengthMm]
  const turn = (l: Local): Local => (along ? l : { u: l.v, v: l.u })
  const crossAxis = along ? p.at.across : p.at.along
  const lies = contacts.some((c) => c.line)

  const spots = patches.map((patch) => {
    const at = turn(local(p, patch.box))
    const v = range(Math.max(0, at.v.from), Math.min(width, at.v.to))
    // What is thinner than this stands on so much wood all the same.
    if (v.to - v.from < 1) v.to = Math.min(width, (v.from = Math.max(0, v.from - 0.5)) + 1)
    return { n: patch.n, v, u: range(Math.max(0, at.u.from), Math.min(length, at.u.to)) }
  })
  const crossing = (v: Range) =>
    contacts.filter(
      ({ at, line }) =>
        shared(line ? acrossOf(line) : at.v, v) >= CROSSES * (v.to - v.from) &&
        (line !== undefined || at.u.to - at.u.from <= 0.5 * length),
    )
  const strips = heldStrips(width, spots, cutsOver(contacts), (v) => {
    const on = crossing(v).map(({ at }) => at.v)
    return on.length < 2 ? null : { from: Math.max(...on.map((x) => x.from)), to: Math.min(...on.map((x) => x.to)) }
  })
  if (!strips) return null
  const out: PanelSolution = { along, strips: [], passed: [] }
  for (const strip of strips) {
    const { v, loads: onStrip } = strip
    const stripWidth = v.to - v.from
    const on = crossing(v)
    const heldBy = (loose: boolean) =>
      on.map((c): Held => ({ id: c.s.id, atMm: heldAt(c, (v.from + v.to) / 2), loose }))
    // By the millimetre of width, so that strips under the same things are one beam to solve.
    const loads = onStrip.map(({ n, u }): BeamLoad =>
      u.to - u.from < 1
        ? { kind: 'point', atMm: (u.from + u.to) / 2, n: n / stripWidth }
        : {
            kind: 'line',
            fromMm: u.from,
            toMm: u.to,
            startNPerMm: n / stripWidth / (u.to - u.from),
            endNPerMm: n / stripWidth / (u.to - u.from),
          },
    )
    // Short strips at a slant only lie on what is under them, wherever that will do: what they would lift stands alone.
    const lying = p.loose || lies ? solveHeld(length, { ei }, heldBy(true), loads) : null
    const solved = lying ?? (p.loose ? null : solveHeld(length, { ei }, heldBy(false), loads))
    if (!solved) return null
    const middle = middleOf(strip)
    out.strips.push({ widthMm: 1, stripMm: stripWidth, ...solved })
    solved.supports.forEach((id, i) => {
      const { contact, line } = contacts.find(({ s }) => s.id === id)!.s
      const across = { axis: crossAxis, size: along ? p.size.widthMm : p.size.lengthMm }
      out.passed.push({
        support: id,
        patch: {
          box: line ? onLine(p, line, across, middle) : handedOn(p, contact, across, v, middle),
          n: solved.result.reactions[i] * stripWidth,
        },
      })
    })
  }
  return out
}

/** Supports that run along a panel for most of its length: rails. */
export const longUnder = (p: Part, supports: readonly Support[]): { s: Support; u: Range; v: Range }[] =>
  supports.flatMap((s) => {
    const { u, v } = local(p, s.contact)
    return u.to - u.from > RUNS * p.size.lengthMm && v.to - v.from < CROSSES * p.size.widthMm ? [{ s, u, v }] : []
  })
/** What runs along so much of a panel is a rail under it. */
const RUNS = 0.8
/** What has its middle this near to that of a rail, or beyond it, is borne by the rails, mm. Product decision. */
export const NEAR_RAIL_MM = 60

/**
 * What is heavy on little room and stands at a rail goes into the rails and not through cross pieces: the rail takes it,
 * and where it stands beside the rail's middle the other rail holds the sheet level, by statics of the sheet from the one
 * to the other.
 */
export function intoRails(
  p: Part,
  patches: readonly Patch[],
  supports: readonly Support[],
): { down: { support: Support; patch: Patch }[]; rest: Patch[] } {
  const down: { support: Support; patch: Patch }[] = []
  const heavy = patches.filter((x) => isConcentrated(p, x))
  const rails = heavy.length > 0 ? longUnder(p, supports) : []
  if (rails.length === 0) return { down, rest: [...patches] }
  const middle = (r: Range) => (r.from + r.to) / 2
  const sorted = rails.map((r) => ({ at: middle(r.v), ...r })).sort((x, y) => x.at - y.at)
  const [low, high] = [sorted[0], sorted[sorted.length - 1]]
  const rest = patches.filter((patch) => {
    if (!heavy.includes(patch)) return true
    const { u, v } = local(p, patch.box)
    const at = middle(v)
    const near = at < low.at + NEAR_RAIL_MM ? low : at > high.at - NEAR_RAIL_MM ? high : null
    if (!near) return true
    const other = near === low ? high : low
    const share = other === near ? 1 : (at - other.at) / (near.at - other.at)
    for (const [rail, part] of [
      [near, share],
      [other, 1 - share],
    ] as const)
      if (Math.abs(part) > 1e-9) down.push({ support: rail.s, patch: onRail(p, rail.s.contact, u, patch, part) })
    return false
  })
  return { down, rest }
}

/** A load of a panel, or part of it, over the middle of a rail where it stands along it. */
function onRail(p: Part, contact: Box, u: Range, patch: Patch, share: number): Patch {
  const box = cutTo(p, contact, p.at.along, p.size.lengthMm, u)
  return { ...patch, box, n: patch.n * share }
}

/** So heavy on less than so wide is a plate's, N and mm; the wood beside it helps. Product decision. */
const HEAVY_N = 400
const NARROW_MM = 150

/** Whether this stands on so little room that strips as wide would say far too much. */
export const isConcentrated = (p: Part, x: Patch): boolean => x.n >= HEAVY_N && isNarrow(p, x)

function isNarrow(p: Part, x: Patch): boolean {
  const { u, v } = local(p, x.box)
  return Math.max(u.to - u.from, v.to - v.from) < NARROW_MM
}

/** What brings less on little room, all together, strips may well bear, N. Product decision, a foot of what two lift. */
const LIGHT_N = 60
/** What sags by less of its span is far from any limit, of sag or of strength. Product decision. */
const STIFF_SHARE = 1 / 1000

/**
 * Whether strips say more of what stands on little room than the wood beside it would let happen: a machine of 60 kg on
 * four feet would be too much for what bears one of 180 kg.
 */
export function saysTooMuch(p: Part, patches: readonly Patch[], { strips }: PanelSolution): boolean {
  let narrowN = 0
  for (const x of patches) if (isNarrow(p, x)) narrowN += x.n
  const spanOf = ({ supports, lengthMm }: BeamSpec) => widestSpan(supports.map((s) => s.atMm), lengthMm) // prettier-ignore
  return narrowN >= LIGHT_N && strips.some((x) => Math.abs(x.result.sag.mm) > STIFF_SHARE * spanOf(x.spec))
}

/** Widest span between supports at these places, overhangs counted twice, mm. */
function widestSpan(places: readonly number[], length: number): number {
  const at = [...places].sort((a, b) => a - b)
  return Math.max(2 * at[0], 2 * (length - at[at.length - 1]), ...at.slice(1).map((x, i) => x - at[i]))
}

/** Less than this both ways is a pin's plate, mm. */
const PIN_MM = 40
/** Whether a fitting holds something there on so little that a strip as wide as it says nothing at all. */
export function isPointed(p: Part, x: Patch): boolean {
  if (!x.held) return false
  const { u, v } = local(p, x.box)
  return Math.max(u.to - u.from, v.to - v.from) < PIN_MM
}

interface Spot {
  n: number
  u: Range
  v: Range
}
/** A strip of a panel. */
interface Strip {
  v: Range
  /** How far what holds it goes across; null where too few supports cross it. */
  reach: Range | null
  /** Its share of each load over it, and where across the middle of that share is. */
  loads: (Spot & { vMm: number })[]
}
/** The middle of a strip's loads across, of an idle one its own. */
function middleOf({ v, loads }: Strip): number {
  let [all, moment] = [0, 0]
  for (const l of loads) {
    all += Math.abs(l.n)
    moment += Math.abs(l.n) * l.vMm
  }
  return all > 0 ? moment / all : (v.from + v.to) / 2
}
/**
 * Strips side by side over the whole width, cut wherever the edge of a load lies, each with its share of every load
 * over it: what stands on the same wood adds up. The load of a strip that too few supports cross goes to the nearest
 * that is held, without its wood; where all loads of an outer strip then have their middle past what holds it, the strip
 * inside it holds it down, and both are one.
 * @param cuts where else they are cut. @param reach how far what holds a strip goes across; null where too few do
 * @returns null when none is held
 */
function heldStrips(width: number, spots: readonly Spot[], cuts: readonly number[], reach: (v: Range) => Range | null) {
  const loaded = spots.flatMap(({ v }) => [v.from, v.to])
  const edges = [...new Set([0, width, ...loaded, ...cuts.filter((v) => v > 0 && v < width)])].sort((a, b) => a - b)
  const places = edges.filter((x, i) => i === 0 || x - edges[i - 1] > THIN_MM || x === width)
  const strips = places.slice(1).map((to, i): Strip => {
    const v = { from: places[i], to }
    return { v, reach: reach(v), loads: [] }
  })
  const held = strips.filter((s) => s.reach !== null)
  if (held.length === 0) return null
  const middle = (v: Range) => (v.from + v.to) / 2
  const nearest = (v: Range) =>
    held.reduce((best, s) => (Math.abs(middle(s.v) - middle(v)) < Math.abs(middle(best.v) - middle(v)) ? s : best))
  for (const spot of spots) {
    let sum = 0
    for (const s of strips) sum += Math.max(0, shared(s.v, spot.v))
    for (const s of strips) {
      const over = shared(s.v, spot.v)
      if (over <= 0) continue
      const vMm = (Math.max(s.v.from, spot.v.from) + Math.min(s.v.to, spot.v.to)) / 2
      ;(s.reach ? s : nearest(s.v)).loads.push({ vMm, u: spot.u, v: spot.v, n: (spot.n * over) / sum })
    }
  }
  const leansOut = (s: Strip, side: 'from' | 'to') => {
    const at = middleOf(s)
    const edge = s.reach?.[side] ?? at
    return side === 'from' ? at < edge - THIN_MM : at > edge + THIN_MM
  }
  const asOne = (a: Strip, b: Strip): Strip => {
    const v = { from: a.v.from, to: b.v.to }
    return { v, reach: reach(v), loads: [...a.loads, ...b.loads] }
  }
  while (held.length > 1 && leansOut(held[0], 'from')) held.splice(0, 2, asOne(held[0], held[1]))
  while (held.length > 1 && leansOut(held[held.length - 1], 'to'))
    held.push(asOne(...(held.splice(-2) as [Strip, Strip])))
  return held.filter((s) => s.loads.length > 0)
}

/** Widest gap between the supports that cross a panel one way, overhangs counted twice; null when fewer than two do. */
function widestGap(contacts: PanelWay['contacts'], length: number, width: number): number | null {
  const places: number[] = []
  for (const {
    at: { u, v },
  } of contacts) {
    if (v.to - v.from >= CROSSES * width && u.to - u.from <= 0.5 * length) places.push((u.from + u.to) / 2)
  }
  if (places.length < 2) return null
  return widestSpan(places, length)
}

/**
 * A panel under its loads, spanning the way in which it is stiffer: sag goes with span⁴ over EI. The other way is taken
 * when the supports cannot hold it so.
 * @returns null when they cannot hold it either way
 */
export function solvePanel(p: Part, patches: readonly Patch[], site: PanelSite): PanelSolution | null {
  for (const way of site) {
    const solution = spanning(p, patches, way)
    if (solution) return solution
  }
  return null
}

/** @param ei its stiffness by the millimetre of width, along and across its strength axis, N·mm²/mm */
export function panelSite(p: Part, supports: readonly Support[], ei: { along: number; across: number }): PanelSite {
  const middle = (axis: Vec3, size: number, x: Vec3) => dot(x, axis) + size / 2 - dot(p.at.centre, axis)
  const spot = (x: Vec3): Place => ({
    u: middle(p.at.along, p.size.lengthMm, x),
    v: middle(p.at.across, p.size.widthMm, x),
  })
  const turned = ({ u, v }: Place): Place => ({ u: v, v: u })
  const places = supports.map((s): Contacted => ({
    s,
    at: local(p, s.contact),
    ...(s.line ? { line: [spot(s.line[0]), spot(s.line[1])] as const } : {}),
  }))
  return [true, false]
    .flatMap((along): PanelWay[] => {
      const contacts = along
        ? places
        : places.map(({ s, at, line }): Contacted => ({
            s,
            at: { u: at.v, v: at.u },
            ...(line ? { line: [turned(line[0]), turned(line[1])] as const } : {}),
          }))
      const [length, width] = along ? [p.size.lengthMm, p.size.widthMm] : [p.size.widthMm, p.size.lengthMm]
      const gap = widestGap(contacts, length, width)
      return gap === null ? [] : [{ along, gap, contacts, ei: bendsAlongStrength(p, along) ? ei.along : ei.across }]
    })
    .sort((a, b) => a.gap ** 4 / a.ei - b.gap ** 4 / b.ei)
}

/**
 * Whether a panel that spans along its length then bends along its strength axis. One that may be laid on its sheet
 * either way is as weak as across, whichever way it spans.
 */
export const bendsAlongStrength = (p: Part, along: boolean): boolean =>
  p.grain !== 'any' && along === (p.grain !== 'width')
