import type { Part } from '../assembly/assembly.ts'
import { isRoundPart } from '../assembly/part-box.ts'
import { extents, type Box } from '../geometry/box.ts'
import { dot, scale, sub, type Vec3 } from '../geometry/vec.ts'
import { solidOf } from './solid.ts'

/*
 * How new parts come to what stands already: the way they can be moved straight out again without meeting it. Parts that
 * share a way come together.
 */

/** Tried in this order: from the front, from above, from the sides, from below, from behind. */
const WAYS: Vec3[] = [
  [0, 1, 0],
  [0, 0, 1],
  [1, 0, 0],
  [-1, 0, 0],
  [0, 0, -1],
  [0, -1, 0],
]
/** Out of any build. */
const FAR_MM = 30_000
/** Boxes nearer than this only touch, mm. */
const TOUCH_MM = 0.5

const boxesOf = (p: Part): Box[] => solidOf(p).pieces.map(extents)

/** Whether a box moved by any part of a way meets another. */
function meets(a: Box, b: Box, way: Vec3): boolean {
  for (let k = 0; k < 3; k++) {
    const lo = a.min[k] + Math.min(0, way[k])
    const hi = a.max[k] + Math.max(0, way[k])
    if (lo >= b.max[k] - TOUCH_MM || hi <= b.min[k] + TOUCH_MM) return false
  }
  return true
}

/** What is round and stands in something comes out of it along itself, if nothing else is in that way. */
function outOfItsHole(p: Part, boxes: readonly Box[], there: readonly Box[]): Vec3 | null {
  if (!isRoundPart(p)) return null
  const around = there.filter((t) => boxes.some((b) => meets(b, t, [0, 0, 0])))
  if (around.length !== 1) return null
  const [{ min, max }] = around
  const out = sub(p.at.centre, [0, 1, 2].map((i) => (min[i] + max[i]) / 2) as Vec3)
  const way = scale(p.at.along, Math.sign(dot(out, p.at.along)) || 1)
  const others = there.filter((t) => t !== around[0])
  return boxes.some((b) => others.some((t) => meets(b, t, scale(way, FAR_MM)))) ? null : way
}

/**
 * Where the new parts are drawn before they go in: each moved out by `byMm` along the first way that is free of what
 * stands; one for which none is stays in its place.
 * @param standing what is there before
 */
export function waysIn(standing: readonly Part[], added: readonly Part[], byMm: number): Map<string, Vec3> {
  const there = standing.flatMap(boxesOf)
  const out = new Map<string, Vec3>()
  if (there.length === 0) return out
  const isFree = (parts: readonly Box[], way: Vec3) => !parts.some((p) => there.some((t) => meets(p, t, way)))
  const all = added.map((part) => ({ id: part.id, part, boxes: boxesOf(part) }))
  // One way for all of them where there is one: they keep together.
  const one = WAYS.find((w) =>
    isFree(
      all.flatMap((p) => p.boxes),
      scale(w, FAR_MM),
    ),
  )
  for (const { id, boxes, part } of all) {
    const way = one ?? WAYS.find((w) => isFree(boxes, scale(w, FAR_MM))) ?? outOfItsHole(part, boxes, there)
    if (way) out.set(id, scale(way, byMm))
  }
  return out
}

/**
 * A build taken apart: its groups in the order they go together, each moved out along the way it comes in, those that
 * come the same way one beyond the other.
 */
export function apart(groups: readonly (readonly Part[])[], byMm: number): Map<string, Vec3> {
  const out = new Map<string, Vec3>()
  const times = new Map<string, number>()
  const standing: Part[] = []
  for (const group of groups) {
    const ways = waysIn(standing, group, 1)
    for (const way of new Set([...ways.values()].map((w) => w.join()))) times.set(way, (times.get(way) ?? 0) + 1)
    for (const [id, way] of ways) out.set(id, scale(way, byMm * times.get(way.join())!))
    standing.push(...group)
  }
  return out
}
