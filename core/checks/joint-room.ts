import type { Assembly, Part } from '../assembly/assembly.ts'
import { betweenOf } from '../assembly/sound.ts'
import { stockKey } from '../assembly/identical.ts'
import { standsSquare, turnedBox, type PartBoxes } from '../assembly/part-box.ts'
import { findScrew, type Screw } from '../catalogue/fasteners.ts'
import { boxOverlap, meetingAxis, type Box, type TurnedBox } from '../geometry/box.ts'
import { contactOf } from '../geometry/contact.ts'
import type { Stretch } from '../geometry/stretch.ts'
import type { DesignMethod, Wood } from '../mechanics/methods/method.ts'
import { roomFor, type Field, type LoadRuns, type Spacing } from '../mechanics/spacing.ts'
import { woodOf } from './wood.ts'

/** Parts touch within this, mm. */
const TOUCH_MM = 0.5
/**
 * Distances may be cut down to this share, bored, the joint's strength with them: NDS 2018 12.5.1.2, taken for thin
 * screws and EN 1995 too. Product decision.
 */
export const CLOSEST_SHARE = 0.5
/** Shares tried between the full distances and the closest. */
const STEPS = 10

const axisOf = (v: readonly number[]): number => v.findIndex((x) => Math.abs(x) > 0.9)

/**
 * How the load on a joint's fasteners runs in one of its pieces: down a post, across what lies level, along a diagonal
 * towards its ends.
 */
const runsIn = (p: Part): LoadRuns => {
  const up = Math.abs(p.at.along[2])
  return up > 0.9 ? 'along' : up > 0.1 ? 'to-end' : 'across'
}

type Rule = Spacing & { source: string }
/** A part as its fasteners see it; no wood where it runs askew or nothing is known of it. */
interface Piece {
  box: Box
  solid: TurnedBox
  grain: number
  runs: LoadRuns
  wood: Wood | null
  /** Rules by fastener, driven and bored: shared by all pieces of the same stock under the same load. */
  rules: Map<string, [driven: Rule, bored: Rule]>
}
interface Face {
  box: Box
  u: number
  v: number
}

/** The face two pieces share, upright around it, and the two axes that lie in it. */
function faceOf(p: Piece, q: Piece, betweenMm: number): Face | null {
  const [a, b] = [p.box, q.box]
  const shaped = p.solid.outline || q.solid.outline
  const box = shaped ? contactOf(p.solid, q.solid, TOUCH_MM)?.box : boxOverlap(a, b, TOUCH_MM + betweenMm)
  if (!box) return null
  const through = meetingAxis(a, b)
  return { box, u: through === 0 ? 1 : 0, v: through === 2 ? 1 : 2 }
}

/**
 * Room along one axis of a face, and how far apart two fasteners must be that way. @param d what a distance in
 * diameters is multiplied with, mm
 */
function alongAxis(face: Face, pieces: [Piece, Piece], rules: [Rule, Rule], d: number, axis: number): Stretch {
  let lo = face.box.min[axis]
  let hi = face.box.max[axis]
  let apart = 0
  for (let i = 0; i < 2; i++) {
    const { box, grain } = pieces[i]
    const rule = rules[i]
    const along = axis === grain
    // A level piece is pressed down on its fasteners: its upper edge is the loaded one.
    const up = along ? rule.end : axis === 2 && grain !== 2 ? rule.loadedEdge : rule.edge
    lo = Math.max(lo, box.min[axis] + (along ? rule.end : rule.edge) * d)
    hi = Math.min(hi, box.max[axis] - up * d)
    apart = Math.max(apart, (along ? rule.along : rule.across) * d)
  }
  return { axis, from: lo, to: hi, apartMm: apart }
}

/** The part of a face in which fasteners may stand, along its two axes. */
const stretchesOf = (face: Face, pieces: [Piece, Piece], rules: [Rule, Rule], d: number): [Stretch, Stretch] => [
  alongAxis(face, pieces, rules, d, face.u),
  alongAxis(face, pieces, rules, d, face.v),
]
const fieldOf = ([wide, high]: [Stretch, Stretch]): Field => ({
  wideMm: wide.to - wide.from,
  highMm: high.to - high.from,
  apartWideMm: wide.apartMm,
  apartHighMm: high.apartMm,
})

export interface JointRoom {
  fastener: Screw
  count: number
  /** All distances are kept with the fasteners simply driven. */
  driven: boolean
  /**
   * Share of the bored distances at which all of them find room: 1 in full, 0 when there is none even at the closest.
   */
  share: number
  /** How far apart they then stand along the grain of the piece that asks for most, mm. */
  alongMm: number
  /** Where they may stand. */
  where: [Stretch, Stretch]
  /** What the near and the far piece ask for. */
  rules: [Rule, Rule]
  source: string
}
/** By joint, one for each of its kinds of fasteners; null where one piece runs askew or the woods say nothing. */
export type JointRooms = ReadonlyMap<string, readonly (JointRoom | null)[]>

/** Room every joint of a build has for its fasteners. */
export function jointRooms(a: Assembly, boxes: PartBoxes, method: DesignMethod): JointRooms {
  const shared = new Map<string, Piece['rules']>()
  const pieces = new Map(
    a.parts.map((p): [string, Piece] => {
      const runs = runsIn(p)
      const key = `${stockKey(p.stock)}|${runs}`
      const rules: Piece['rules'] = shared.get(key) ?? new Map<string, [Rule, Rule]>()
      shared.set(key, rules)
      return [
        p.id,
        {
          box: boxes.get(p.id)!,
          grain: axisOf(p.at.along),
          runs,
          solid: turnedBox(p),
          wood: standsSquare(p) ? woodOf(p) : null,
          rules,
        },
      ]
    }),
  )
  const rulesFor = (p: Piece, f: Screw): [Rule, Rule] => {
    const seen = p.rules.get(f.id)
    if (seen) return seen
    const both: [Rule, Rule] = [method.spacing(f, p.wood!, p.runs, false), method.spacing(f, p.wood!, p.runs, true)]
    p.rules.set(f.id, both)
    return both
  }
  return new Map(
    a.joints.map((j) => {
      const [near, far] = [pieces.get(j.near)!, pieces.get(j.far)!]
      const face = j.fasteners.length > 0 && near.wood && far.wood ? faceOf(near, far, betweenOf(j)) : null
      return [
        j.id,
        j.fasteners.map((f) => {
          const fastener = findScrew(f.fastener)
          return fastener && face
            ? roomOf(face, fastener, f.count, [near, far], rulesFor(near, fastener), rulesFor(far, fastener))
            : null
        }),
      ]
    }),
  )
}

function roomOf(
  face: Face,
  fastener: Screw,
  count: number,
  pieces: [Piece, Piece],
  near: [Rule, Rule],
  far: [Rule, Rule],
): JointRoom {
  const stretches = (rules: [Rule, Rule], share: number) =>
    stretchesOf(face, pieces, rules, fastener.diameterMm * share)
  const fits = (where: [Stretch, Stretch]) => roomFor(fieldOf(where)) >= count
  let rules: [Rule, Rule] = [near[0], far[0]]
  let where = stretches(rules, 1)
  const driven = fits(where)
  let share = driven ? 1 : 0
  if (!driven) rules = [near[1], far[1]]
  // What may be driven may be bored.
  for (let i = 0; i <= STEPS && share === 0; i++) {
    const s = 1 - ((1 - CLOSEST_SHARE) * i) / STEPS
    where = stretches(rules, s)
    if (fits(where)) share = s
  }
  const [a, b] = rules
  const worst = b.end + b.edge > a.end + a.edge ? b : a
  return {
    fastener,
    count,
    driven,
    share,
    where,
    alongMm: worst.along * fastener.diameterMm * share,
    rules,
    source: worst.source,
  }
}
