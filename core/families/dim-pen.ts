import { roundLength } from '../measure/rounding.ts'
import { inches, stepMm, type Units } from '../measure/units.ts'
import type { Dim, Reason, Term } from './family.ts'
import { valueAt } from './params.ts'

export const sumTerms = (terms: Term[]): number => terms.reduce((s, t) => s + t.mm * (t.times ?? 1), 0)

interface Asked {
  path: string
  code: string
  data?: Record<string, number>
  min: number
  max: number
  drag?: Dim['drag']
}

/**
 * Notes the dimensions of a build while a family works them out: the fixed value wins, the tacked one is kept beside
 * it.
 */
export function dimPen(params: unknown, units: Units) {
  const dims: Dim[] = []
  const note = (a: Asked, quantity: Dim['quantity'], tackedValue: number, why: Reason): number => {
    const given = valueAt(params, a.path)
    const tacked = typeof given !== 'number'
    const value = tacked ? tackedValue : given
    dims.push({ quantity, value, tacked, tackedValue, why, ...a })
    return value
  }
  return {
    dims,
    /** A length that is a sum of terms, rounded to the project's step. */
    sum(a: Asked, terms: Term[], code = 'sum', way: 'up' | 'down' = 'up'): number {
      const rounded = roundLength(sumTerms(terms), stepMm(units), way)
      const moved = Math.abs(rounded.movedMm) > 1e-6
      return note(a, 'length', rounded.mm, { code, terms, ...(moved ? { rounded } : {}) })
    },
    /** A length that comes about in another way. */
    length: (a: Asked, tackedMm: number, why: Reason): number => note(a, 'length', tackedMm, why),
    count: (a: Asked, tackedCount: number, why: Reason): number => note(a, 'count', tackedCount, why),
    /** Adds what moves on the drawing with a dimension noted before. */
    drag(path: string, drag: NonNullable<Dim['drag']>) {
      const d = dims.find((x) => x.path === path)
      if (d) d.drag = drag
    },
  }
}
export type DimPen = ReturnType<typeof dimPen>

/** Usual room beside each thing on a shelf, mm. Product decision. */
const PLAY_SIDE = inches(1 / 2)

/** Usual room above the tallest thing on a shelf, to lift it out, mm: builders' usual figure. */
const PLAY_ABOVE = inches(1.5)

/** The room above and beside things on shelves, mm. @param mostAboveMm the most anyone may ask for above them */
export const shelfPlay = (pen: DimPen, mostAboveMm: number, usualAboveMm = PLAY_ABOVE) => ({
  aboveMm: pen.length({ path: 'abovePlayMm', code: 'above-play', min: 0, max: mostAboveMm }, usualAboveMm, {
    code: 'play-above',
    terms: [],
  }),
  sideMm: pen.length({ path: 'sidePlayMm', code: 'side-play', min: 0, max: 100 }, PLAY_SIDE, {
    code: 'play-between',
    terms: [],
  }),
})
