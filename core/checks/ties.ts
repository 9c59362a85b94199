import type { Anchor, Assembly, Joint, Part } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { preparedShare } from '../assembly/prepared-share.ts'
import { jointsOf } from '../assembly/joints-of.ts'
import { partBoxes, type PartBoxes } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findScrew, type Screw } from '../catalogue/fasteners.ts'
import { washerFor } from '../catalogue/steel.ts'
import { boxOverlap, meetingAxis } from '../geometry/box.ts'
import type { Axis, Vec3 } from '../geometry/vec.ts'
import { kept } from '../measure/kept.ts'
import { sectionModulus } from '../mechanics/section.ts'
import { pulledTogether } from '../mechanics/withdrawal.ts'
import { areaOf, mayBear } from './bearing.ts'
import type { CheckContext } from './check.ts'
import { oneFastener, passedIn } from './fastener.ts'
import { drivenAlong, isRated, ratedGives, screwGives } from './wall-fixing.ts'
import { woodOf } from './wood.ts'

/*
 * A tie to a wall, end to end: the screw in the stud, its head in the board, the board between what it is fastened to,
 * and those fastenings. It gives what the weakest of them gives.
 */

export type TieCode = 'stud' | 'rated' | 'prepared' | 'head' | 'board' | 'frame'
/** Where the figure of the weakest comes from. */
export const TIE_SOURCE: Record<TieCode, string> = {
  stud: 'its screw in a stud of the lightest usual wood: NDS 2018 12.2-2 and 12.3.1, EN 1995-1-1 8.7; over a lining AWC TR12',
  rated: 'the maker’s rating over 4',
  prepared: 'what it is fixed to was said to carry, shared evenly',
  head: 'the head pulled through the board: NDS 2018 12.2-6',
  board: 'the board bent between its fastenings: M = F·a·b / L',
  frame: 'what fastens the board to the build, or its ends pressed on what it fits between',
}
export interface TieGives {
  anchor: Anchor
  /** N; null when something of it is not known. */
  n: number | null
  /** What gives first, or is not known. */
  weakest: TieCode
}
type Given = Pick<CheckContext, 'method' | 'settings'>

/** What one tie of a part is asked to hold by, with the fixings of that part to the rest of its build. */
export interface TieSite {
  part: Part
  joints: readonly Joint[]
  parts: ReadonlyMap<string, Part>
  boxes: PartBoxes
}

/** Every tie of a build against what pulls it out from the wall behind. */
export const tiesPulled = (a: Assembly, c: Given): TieGives[] => tiesGive(a, c, 1)

/** Every tie of a build against what pushes it along the wall behind. */
export const tiesAlong = (a: Assembly, c: Given): TieGives[] => tiesGive(a, c, 0)

/** What one gives in its wall along an axis: pulled straight off it, or pushed across the length of its screw. */
function inWall(x: Anchor, site: TieSite, axis: Axis, c: Given): Link[] {
  const off = drivenAlong(x) === axis
  const bends = () => (off ? boardBends(x, site, c) : [])
  if (isRated(x)) return [['rated', ratedGives(x, c)], ...bends()]
  const [one, many] = [screwGives(x, site.part, c), pulledTogether(x.count)]
  if (!off) return [['stud', unfactored(one && one.across.value * x.count, c)]]
  if (!one) return [[woodOf(site.part) ? 'stud' : 'head', null]]
  return [['stud', unfactored(one.thread.value * many, c)], ['head', unfactored(one.head.value * many, c)], ...bends()]
}

type Link = [TieCode, number | null]

/** A strength of the method against loads as they are. */
const unfactored = (n: number | null, c: Given): number | null => n && n / c.method.loadFactor.goods

function tiesGive(a: Assembly, c: Given, axis: Axis): TieGives[] {
  // What holds in the slab is no tie: it holds where nothing falls.
  const holding = a.anchors.filter((x) => x.into !== 'slab' && x.holds.includes(axis === 1 ? 'y' : 'x'))
  if (holding.length === 0) return []
  const [parts, boxes] = [partsById(a), partBoxes(a)]
  return holding.map((anchor) => {
    const part = parts.get(anchor.part)!
    const joints = jointsOf(a, part.id)
    const mates = holding.filter((x) => x.part === part.id).length
    const site = { part, joints, parts, boxes }
    const frame = handsOn(site, axis, c)
    const share = preparedShare(a, anchor)
    const links: Link[] = [
      ...(anchor.prepared ? [['prepared', share] satisfies Link] : []),
      ...inWall(anchor, site, axis, c),
      ['frame', frame && frame / mates],
    ]
    const unknown = links.find(([, n]) => n === null)
    const [weakest, n] = unknown ?? links.reduce((x, y) => (y[1]! < x[1]! ? y : x))
    return { anchor, n, weakest }
  })
}

/** What a tied board hands on to its build, N: by its fastenings, or pressed between two pieces. */
function handsOn(site: TieSite, axis: Axis, c: Given): number | null {
  const held = heldTogether(site.joints, axis, site, c)
  const pressed = axis === 0 ? betweenTwo(site, axis, c) : 0
  return pressed > 0 ? Math.max(pressed, held ?? 0) : held
}

/** A board's end this near to what stands there presses on it, mm. */
const TOUCH_MM = 0.5

/**
 * What a board that fits between others hands on along itself, whichever way it is pushed, N: one of its ends presses on
 * the face there, and no screw in its end grain is asked. Nought where nothing stands at one of its ends.
 */
function betweenTwo({ part, joints, parts, boxes }: TieSite, axis: Axis, c: Given): number {
  const own = boxes.get(part.id)!
  const mates = [...new Set(joints.map((j) => (j.near === part.id ? j.far : j.near)))].map((id) => parts.get(id)!)
  const push: Vec3 = [0, 0, 0]
  push[axis] = 1
  const sides = [-1, 1].map((side) =>
    mates.reduce((sum, mate) => {
      const box = boxes.get(mate.id)!
      const gapMm = side < 0 ? own.min[axis] - box.max[axis] : box.min[axis] - own.max[axis]
      const contact = Math.abs(gapMm) > TOUCH_MM ? null : boxOverlap(own, box, TOUCH_MM)
      if (!contact) return sum
      const allowed = [part, mate].map((p) => mayBear(p, { contact, push }, c.method, c.settings)?.value ?? 0)
      return sum + areaOf(contact, push) * Math.min(...allowed)
    }, 0),
  )
  return Math.min(...sides) / c.method.loadFactor.goods
}

/**
 * What some joints together give along an axis against loads as they are, N: what nobody knows of some of them is left
 * out; of none of them, it is not known.
 */
export function heldTogether(
  joints: readonly Joint[],
  axis: Axis,
  { parts, boxes }: Pick<TieSite, 'parts' | 'boxes'>,
  c: Given,
): number | null {
  const held = joints.map((j) => jointGives(j, axis, parts, boxes, c))
  const known = held.filter((n) => n !== null)
  return held.length > 0 && known.length === 0
    ? null
    : unfactored(
        known.reduce((s, n) => s + n, 0),
        c,
      )
}

/**
 * The board as a beam on its broad side, from one fastening to the next, pulled at the tie; beyond the last one a
 * cantilever.
 */
function boardBends(x: Anchor, { part, joints }: TieSite, c: Given): Link[] {
  if (part.stock.kind !== 'board') return [['board', null]]
  const section = findSection(part.stock.section)
  const grade = findGrade(part.stock.grade)
  const { thicknessMm: t, widthMm: w } = part.size
  const fb =
    section &&
    grade &&
    c.method.bending(grade, { depthMm: t, nominalWidth: section.nominalWidth, flat: true }, c.settings)
  if (!fb) return [['board', null]]
  const run = drivenAlong(x) === 0 ? 1 : 0
  const [at, own] = [joints.map((j) => j.at[run]), x.at[run]]
  const left = Math.min(...at.map((v) => (v <= own ? own - v : Infinity)))
  const right = Math.min(...at.map((v) => (v >= own ? v - own : Infinity)))
  if (left === Infinity && right === Infinity) return [['board', null]]
  const armMm = left === Infinity ? right : right === Infinity ? left : (left * right) / Math.max(left + right, 1)
  return [['board', armMm <= 0 ? Infinity : unfactored((fb.value * sectionModulus(w, t)) / armMm, c)]]
}

/** What joints gave before, by axis, of the same pieces by the same method under the same settings: no load changes it. */
const gave = new WeakMap<PartBoxes, WeakMap<Given['method'], WeakMap<Given['settings'], GaveUnder>>>()
type GaveUnder = WeakMap<Joint, Map<Axis, number | null>>

/**
 * What a joint gives against a force along one of the build's axes, N: pulled apart along its fasteners, or slid across
 * them; null when not known.
 */
export function jointGives(
  j: Joint,
  axis: Axis,
  parts: ReadonlyMap<string, Part>,
  boxes: PartBoxes,
  c: Given,
): number | null {
  const ofPieces = kept(gave, boxes, () => new WeakMap())
  const under = kept(
    kept(ofPieces, c.method, () => new WeakMap<Given['settings'], GaveUnder>()),
    c.settings,
    (): GaveUnder => new WeakMap(),
  )
  return kept(
    kept(under, j, () => new Map<Axis, number | null>()),
    axis,
    () => jointGivesAnew({ j, axis, parts, boxes }, c),
  )
}

function jointGivesAnew(
  { j, axis, parts, boxes }: { j: Joint; axis: Axis; parts: ReadonlyMap<string, Part>; boxes: PartBoxes },
  c: Given,
): number | null {
  const [near, far] = [parts.get(j.near)!, parts.get(j.far)!]
  const [a, b] = [boxes.get(near.id)!, boxes.get(far.id)!]
  const driven = meetingAxis(a, b)
  if (driven === axis && j.kind === 'glued-screwed' && j.fasteners.every((f) => f.into === 'edge')) {
    const contact = boxOverlap(a, b, TOUCH_MM)
    return contact ? GLUED_MPA * areaOf(contact, [0, 1, 2].map((i) => (i === axis ? 1 : 0)) as Vec3) : 0
  }
  let sum = 0
  for (const f of j.fasteners) {
    const screw = findScrew(f.fastener)
    if (!screw) return null
    const nearMm = passedIn(j, a, b).throughMm
    const passedMm = nearMm + (f.beforeMm ?? 0) + (f.betweenMm ?? 0)
    const one =
      driven === axis && j.kind !== 'pocket-screwed'
        ? pulledApart(screw, f.into, near, far, { nearMm, passedMm, farMm: b.max[driven] - b.min[driven] }, c)
        : (oneFastener(j, f, parts, boxes, c)?.value ?? null)
    if (one === null) return null
    sum += one * (driven === axis ? pulledTogether(f.count) : f.count)
  }
  return sum
}

/**
 * A glued edge of a sheet pulled off, MPa: a tenth of what softwood has across its grain (EN 338:2016 table 1). Product
 * decision.
 */
const GLUED_MPA = 0.04

/**
 * One fastener pulled along its length: its thread in the far piece, and its head in the near one. End grain and edges
 * of sheets hold nothing that counts.
 */
function pulledApart(
  f: Screw,
  into: 'side' | 'end' | 'edge',
  near: Part,
  far: Part,
  { nearMm, passedMm, farMm }: { nearMm: number; passedMm: number; farMm: number },
  c: Given,
): number | null {
  const [side, main] = [woodOf(near), woodOf(far)]
  if (!side || !main) return null
  if (into !== 'side') return 0
  if (f.kind === 'bolt') return boltPulled(f, [side, main], c)
  const head = c.method.headPull(f, side, nearMm, c.settings)
  if (!head || main.kind !== 'lumber') return null
  const thread = c.method.withdrawal(f, main.grade, Math.max(0, Math.min(f.lengthMm - passedMm, farMm)), c.settings)
  return thread && Math.min(head.value, thread.value)
}

/** The mushroom head of a carriage bolt is at least so many times as wide as the bolt: ISO 8677, ASME B18.5. */
const HEAD_SHARE = 2

/**
 * A bolt pulled along its length holds by what its head and its washer press on, across the grain: the lesser; null where
 * one of them lies on no lumber. No more is taken for what lies beside them (EN 1995-1-1 8.5.2 would allow three times).
 */
function boltPulled(f: Screw, woods: readonly NonNullable<ReturnType<typeof woodOf>>[], c: Given): number | null {
  const wide = Math.min(HEAD_SHARE * f.diameterMm, washerFor(f)?.outerMm ?? 0)
  const areaMm2 = (Math.PI / 4) * Math.max(0, wide ** 2 - (f.diameterMm + HOLE_OVER_MM) ** 2)
  const each = woods.map((w) =>
    w.kind === 'lumber'
      ? (c.method.bearing(w.grade, c.settings, { lengthMm: 1000, beforeMm: 0, afterMm: 0 })?.value ?? null)
      : null,
  )
  return each.some((x) => x === null) ? null : areaMm2 * Math.min(...each.map((x) => x!))
}
/** A hole is a millimetre wider than its bolt. */
const HOLE_OVER_MM = 1
