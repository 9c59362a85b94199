import type { Bay } from '../assembly/assembly.ts'
import { newtons } from '../measure/units.ts'

/*
 * Things on edge in a slot lean: foot at one side, upper edge at the other.
 *
 *    |\ |     about its foot each pushes N = W·f / (2·h): f what is free of the slot, h its own height
 *    | \|
 *  ==.====
 */

export interface Lean {
  bay: Bay
  /** What all that lean push with, N, and how high over their feet they may touch, mm. */
  n: number
  highsMm: number[]
  /** What is free of the slot while they do, mm. */
  freeMm: number
}

/**
 * The hardest that what stands in a slot leans, across it along an axis: with all of it in there, or with what adds more
 * room than weight taken out. Things are taken in by what they push with for the room they take; where they touch nobody
 * knows: at the height of any of them.
 */
export function leanIn(bay: Bay, axis: 0 | 1, factor: number): Lean {
  const clearMm = bay.clear.max[axis] - bay.clear.min[axis]
  const things = bay.items.map(({ box, massKg }) => ({
    thickMm: box.max[axis] - box.min[axis],
    highMm: box.max[2] - box.min[2],
    n: newtons(massKg ?? 0) * factor,
  }))
  const push = (x: (typeof things)[number]) => x.n / (2 * x.highMm)
  const sorted = [...things].sort((a, b) => push(b) / b.thickMm - push(a) / a.thickMm)
  let [n, freeMm] = [0, Math.max(0, clearMm)]
  let [pushing, thick] = [0, 0]
  for (const x of sorted) {
    pushing += push(x)
    thick += x.thickMm
    const free = Math.max(0, clearMm - thick)
    if (pushing * free > n) [n, freeMm] = [pushing * free, free]
  }
  return { bay, n, highsMm: [...new Set(things.map((x) => x.highMm))], freeMm }
}
