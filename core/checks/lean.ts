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

/** What some of the things of a slot push with for each millimetre that is free of it, N/mm, and how thick they are, mm. */
interface Some {
  push: number
  thick: number
}
/** Of more kept at once than this, those nearest to each other are taken for one that pushes as the harder of them. */
const MOST_KEPT = 600

/**
 * The hardest that what stands in a slot leans, across it along an axis: with all of it in there, or with whatever adds
 * more room than weight taken out. Of two choices of things of which one is thinner and pushes harder, the other never is
 * the hardest, whatever else comes beside them. Where they touch nobody knows: at the height of any of them.
 */
export function leanIn(bay: Bay, axis: 0 | 1, factor: number): Lean {
  const clearMm = bay.clear.max[axis] - bay.clear.min[axis]
  let choices: Some[] = [{ push: 0, thick: 0 }]
  for (const { box, massKg } of bay.items) {
    const one = {
      push: (newtons(massKg ?? 0) * factor) / (2 * (box.max[2] - box.min[2])),
      thick: box.max[axis] - box.min[axis],
    }
    const withIt = choices.map((c) => ({ push: c.push + one.push, thick: c.thick + one.thick }))
    choices = fewer(thinnest([...choices, ...withIt].filter((c) => c.thick < clearMm)), clearMm / MOST_KEPT)
  }
  let [n, freeMm] = [0, Math.max(0, clearMm)]
  for (const c of choices) {
    const free = clearMm - c.thick
    if (c.push * free > n) [n, freeMm] = [c.push * free, free]
  }
  const highsMm = bay.items.map(({ box }) => box.max[2] - box.min[2])
  return { bay, n, highsMm: [...new Set(highsMm)], freeMm }
}

/** Those of which none other is thinner and pushes as hard, from the thinnest to the thickest. */
function thinnest(list: Some[]): Some[] {
  const out: Some[] = []
  for (const c of list.sort((a, b) => a.thick - b.thick || b.push - a.push))
    if (out.length === 0 || c.push > out[out.length - 1].push) out.push(c)
  return out
}
/** Where there are very many, of all within a step one as thin as the thinnest that pushes as the hardest: never less. */
function fewer(list: Some[], stepMm: number): Some[] {
  if (list.length <= MOST_KEPT) return list
  const out: Some[] = []
  for (const c of list) {
    const last = out[out.length - 1]
    if (last && c.thick - last.thick < stepMm) last.push = c.push
    else out.push({ ...c })
  }
  return out
}
