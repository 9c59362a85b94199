import { boxUnion, thirdAxis, type Box, type TurnedBox } from './box.ts'
import { add, cross, dot, norm, scale, sub, type Vec3 } from './vec.ts'

/** Where two solids meet: the middle of what they share, and the upright box around it. */
export interface Contact {
  at: Vec3
  box: Box
}

interface HalfSpace {
  out: Vec3
  atMm: number
}

const axesOf = (b: TurnedBox): Vec3[] => [b.along, b.across, thirdAxis(b)]

function halfSpaces(b: TurnedBox, slackMm: number): HalfSpace[] {
  return axesOf(b).flatMap((axis, i) =>
    [1, -1].map((sign): HalfSpace => {
      const out = scale(axis, sign)
      return { out, atMm: dot(b.centre, out) + b.size[i] / 2 + slackMm }
    }),
  )
}

function faces(b: TurnedBox): Vec3[][] {
  const axes = axesOf(b)
  return axes.flatMap((axis, i) =>
    [1, -1].map((sign) => {
      const middle = add(b.centre, scale(axis, (sign * b.size[i]) / 2))
      const [j, k] = [(i + 1) % 3, (i + 2) % 3]
      return [
        [1, 1],
        [1, -1],
        [-1, -1],
        [-1, 1],
      ].map(([u, v]) => add(middle, add(scale(axes[j], (u * b.size[j]) / 2), scale(axes[k], (v * b.size[k]) / 2))))
    }),
  )
}

/** What of a flat figure lies on the inner side of a plane (Sutherland and Hodgman's clipping). */
function clipped(figure: Vec3[], h: HalfSpace): Vec3[] {
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
 * Where two boxes turned any way meet, faces apart by `slackMm` at most; null where they do not. What the faces of each have in the other:
 * no more is looked at than the boxes themselves, so notches and dadoes are filled in.
 */
export function contactOf(a: TurnedBox, b: TurnedBox, slackMm: number): Contact | null {
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
  return { at, box }
}

/** How far a point lies outside a turned box, mm; nought inside. */
export function outsideBy(b: TurnedBox, p: Vec3): number {
  const v = sub(p, b.centre)
  return norm(axesOf(b).map((axis, i) => Math.max(0, Math.abs(dot(v, axis)) - b.size[i] / 2)) as Vec3)
}
