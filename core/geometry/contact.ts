import { boxUnion, edgeWays, outlineOf, thirdAxis, type Box, type TurnedBox } from './box.ts'
import { convexPieces } from './pieces.ts'
import { add, cross, dot, norm, scale, sub, type Vec3 } from './vec.ts'

/** Where two solids meet: the middle of what they share, and the upright box around it. */
export interface Contact {
  at: Vec3
  box: Box
}

/** Planes whose normals agree as well as this are parallel. */
const PARALLEL = 1 - 1e-6

/** Area two solids have in common where they lie against each other, faces apart by `slackMm` at most, mm². */
export function contactArea(a: TurnedBox, b: TurnedBox, slackMm: number): number {
  let sum = 0
  for (const p of convexPieces(a)) {
    for (const q of convexPieces(b)) {
      const [inB, near] = [halfSpaces(q, 0), halfSpaces(q, slackMm)]
      sum += Math.max(0, ...faces(p).map((f) => areaOf(sharedBy(f, inB, near)).area))
    }
  }
  return sum
}

/** What of a face lies in a solid: within its edges, and no further than so much before its faces. */
function sharedBy(face: Vec3[], within: readonly HalfSpace[], near: readonly HalfSpace[]): Vec3[] {
  const [a, b, c] = face
  const n = cross(sub(b, a), sub(c, a))
  const size = norm(n)
  return within.reduce((f, h, i) => clipped(f, Math.abs(dot(h.out, n)) > PARALLEL * size ? near[i] : h), face)
}

/** What lies against `out` from `atMm` along it. */
export interface HalfSpace {
  out: Vec3
  atMm: number
}

/** A solid without a corner that points inwards, as what its faces bound. @param slackMm how far they are moved out */
export function halfSpaces(b: TurnedBox, slackMm: number): HalfSpace[] {
  const third = thirdAxis(b)
  const flat = [1, -1].map((sign): HalfSpace => {
    const out = scale(third, sign)
    return { out, atMm: dot(b.centre, out) + b.size[2] / 2 + slackMm }
  })
  const edges = b.outline ? edgeWays(b) : [b.along, b.across, scale(b.along, -1), scale(b.across, -1)]
  const outline = outlineOf(b)
  return edges
    .map((way, i): HalfSpace => {
      const out = cross(way, third)
      const [u, v] = outline[i]
      const corner = add(b.centre, add(scale(b.along, u), scale(b.across, v)))
      return { out, atMm: dot(corner, out) + slackMm }
    })
    .concat(flat)
}

/** Its faces: those of its edges in their order, then the one its third axis looks to, then the one behind. */
export function faces(b: TurnedBox): Vec3[][] {
  const half = scale(thirdAxis(b), b.size[2] / 2)
  const middle = outlineOf(b).map(([u, v]) => add(b.centre, add(scale(b.along, u), scale(b.across, v))))
  const [near, far] = [middle.map((c) => add(c, half)), middle.map((c) => sub(c, half))]
  const sides = middle.map((_, i) => {
    const k = (i + 1) % middle.length
    return [near[i], near[k], far[k], far[i]]
  })
  return [...sides, near, far]
}

/** What of a flat figure lies on the inner side of a plane (Sutherland and Hodgman's clipping). */
export function clipped(figure: readonly Vec3[], h: HalfSpace): Vec3[] {
  const out: Vec3[] = []
  figure.forEach((p, i) => {
    const q = figure[(i + 1) % figure.length]
    const [dp, dq] = [dot(p, h.out) - h.atMm, dot(q, h.out) - h.atMm]
    if (dp <= 0) out.push(p)
    if (dp < 0 !== dq < 0 && dp !== dq) out.push(add(p, scale(sub(q, p), dp / (dp - dq))))
  })
  return out
}

/** Area of a flat convex figure and its middle. */
function areaOf(figure: Vec3[]): { area: number; middle: Vec3 } {
  let [area, sum]: [number, Vec3] = [0, [0, 0, 0]]
  for (let i = 2; i < figure.length; i++) {
    const [a, b, c] = [figure[0], figure[i - 1], figure[i]]
    const part = norm(cross(sub(b, a), sub(c, a))) / 2
    area += part
    sum = add(sum, scale(add(a, add(b, c)), part / 3))
  }
  return { area, middle: area > 0 ? scale(sum, 1 / area) : figure[0] }
}

/**
 * Where two boxes turned any way meet, faces apart by `slackMm` at most; null where they do not. What the faces of each
 * have in the other: no more is looked at than the boxes themselves, so notches and dadoes are filled in.
 */
export function contactOf(a: TurnedBox, b: TurnedBox, slackMm: number): Contact | null {
  const met = convexPieces(a).flatMap((p) =>
    convexPieces(b).flatMap((q) => {
      const c = contactOfTwo(p, q, slackMm)
      return c ? [c] : []
    }),
  )
  if (met.length <= 1) return met[0] ?? null
  const box = boxUnion(met.map((c) => c.box))
  const area = met.reduce((s, c) => s + c.area, 0)
  const at =
    area > 0
      ? met.reduce<Vec3>((s, c) => add(s, scale(c.at, c.area / area)), [0, 0, 0])
      : scale(add(box.min, box.max), 0.5)
  return { at, box }
}

/** The same for two without a corner that points inwards. */
function contactOfTwo(a: TurnedBox, b: TurnedBox, slackMm: number): (Contact & { area: number }) | null {
  const [inA, inB] = [halfSpaces(a, slackMm), halfSpaces(b, slackMm)]
  const shared = [
    ...faces(a).map((f) => inB.reduce(clipped, f)),
    ...faces(b).map((f) => inA.reduce(clipped, f)),
  ].filter((f) => f.length > 0)
  if (shared.length === 0) return null
  const box = boxUnion(shared.flat().map((p) => ({ min: p, max: p })))
  const each = shared.map(areaOf)
  const area = each.reduce((s, e) => s + e.area, 0)
  const at =
    area > 0
      ? each.reduce<Vec3>((s, e) => add(s, scale(e.middle, e.area / area)), [0, 0, 0])
      : scale(add(box.min, box.max), 0.5)
  return { at, box, area }
}

/**
 * How far a point lies outside a turned box, mm; nought inside. Beside a corner that is no right angle it is told a
 * little less than it is.
 */
export const outsideBy = (b: TurnedBox, p: Vec3): number => Math.min(...convexPieces(b).map((x) => outsideOne(x, p)))

function outsideOne(b: TurnedBox, p: Vec3): number {
  if (!b.outline) return outsideBrick(b, p)
  const over = halfSpaces(b, 0).map((h) => Math.max(0, dot(p, h.out) - h.atMm))
  return Math.hypot(Math.max(...over.slice(0, -2)), ...over.slice(-2))
}

/** Of a rectangle: past its half size along each of its own axes. */
function outsideBrick(b: TurnedBox, p: Vec3): number {
  const from = sub(p, b.centre)
  const past = (axis: Vec3, size: number) => Math.max(0, Math.abs(dot(from, axis)) - size / 2)
  return Math.hypot(past(b.along, b.size[0]), past(b.across, b.size[1]), past(thirdAxis(b), b.size[2]))
}

/** How far one can go from a point inside a turned box before leaving it, mm; nought outside. @param way unit */
export function roomTowards(b: TurnedBox, from: Vec3, way: Vec3): number {
  const pieces = convexPieces(b)
  let room = 0
  // From one piece into the next, each once.
  for (let i = 0; i < pieces.length; i++) {
    const at = add(from, scale(way, room + (room > 0 ? STEP_IN_MM : 0)))
    const more = Math.max(...pieces.map((x) => roomInOne(x, at, way)))
    if (more <= 0) break
    room += more + (room > 0 ? STEP_IN_MM : 0)
  }
  return room
}
/** Past the face between two pieces, mm. */
const STEP_IN_MM = 1e-6

function roomInOne(b: TurnedBox, from: Vec3, way: Vec3): number {
  let room = Infinity
  for (const h of halfSpaces(b, 0)) {
    const [left, against] = [h.atMm - dot(from, h.out), dot(way, h.out)]
    if (left < 0) return 0
    if (against > 1e-9) room = Math.min(room, left / against)
  }
  return room
}
