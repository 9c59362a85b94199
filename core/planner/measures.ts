import type { Placed } from '../assembly/assembly.ts'
import type { Goods } from '../goods/goods.ts'
import { BODY } from '../goods/person.ts'

/** What plans are compared by: less is better in each. */
export interface Measures {
  /** Things without a place; what is used daily counts for more than what is used seldom. */
  homeless: number
  /** Checks that fail or could not be made, once all is judged. */
  troubles: number
  /** Things kept in a way that is only possible for them, though a better one is known. */
  makeshift: number
  minor: number
  /** Floor that something stands on, m². */
  floorM2: number
  /** How often a thing is wanted times how far it is from easy reach, in metres a week. */
  reach: number
  /** Different kinds of build, each to be learned and set up for, and builds in all. */
  kinds: number
  builds: number
}
export const MEASURES: readonly (keyof Measures)[] = [
  'homeless',
  'troubles',
  'makeshift',
  'minor',
  'floorM2',
  'reach',
  'kinds',
  'builds',
]

/** Times a week. Product decision. */
export const A_WEEK: Record<Goods['often'], number> = { daily: 7, weekly: 1, seldom: 0.1 }

/** Differences smaller than this share of the larger of the two are rounding. */
const SAME = 1e-9

/**
 * Whether a plan is no worse in anything and better in something: then the other is not worth showing. How far things are
 * from the hand is no merit of a plan that leaves out what the other keeps.
 */
export function beats(a: Measures, b: Measures): boolean {
  const by = MEASURES.map((k) => {
    const off = k === 'reach' && b.homeless > a.homeless ? Math.max(0, b.reach - a.reach) : b[k] - a[k]
    return Math.abs(off) <= SAME * Math.max(Math.abs(a[k]), Math.abs(b[k])) ? 0 : off
  })
  return by.every((d) => d >= 0) && by.some((d) => d > 0)
}

/** Where hands reach without bending or stretching: from hanging hands to the shoulder, as shares of stature. */
const EASY = { from: BODY.knuckle, to: BODY.shoulder }

/** How far a thing's middle is below or above easy reach, m. */
export function pastReachM(i: Pick<Placed, 'box'>, personMm: number, floorMm = 0): number {
  const z = (i.box.min[2] + i.box.max[2]) / 2 + floorMm
  return Math.max(0, EASY.from * personMm - z, z - EASY.to * personMm) / 1000
}
