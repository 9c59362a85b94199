import { bad, good, type Result } from '../measure/result.ts'
import { sumTerms, type DimPen } from './dim-pen.ts'
import type { Term } from './family.ts'
import { LEAST_OPEN, type Level } from './house-on-shelves.ts'

/*
 * Heights of shelves one over the other, from what stands between them.
 */

/**
 * What the levels of a box need from its underside up, as terms for each of them: the bottom alone, then what stands
 * below.
 */
export const levelTerms = (levels: readonly Level[], aboveMm: number, sheetMm: number, trackMm = 0): Term[][] =>
  levels.map((_l, i) => {
    const below = levels[i - 1]
    return below
      ? [
          { name: 'tallest', mm: below.tallest?.tallMm ?? LEAST_OPEN },
          { name: 'above-play', mm: aboveMm },
          // What stands on the bottom is lifted out over the track there.
          ...(i === 1 && trackMm > 0 ? [{ name: 'track', mm: trackMm }] : []),
          { name: 'sheet', mm: sheetMm },
        ]
      : [{ name: 'sheet', mm: sheetMm }]
  })

/** The lowest shelf keeps this much room for a broom and a level foot, mm. */
const KICK = 100

/**
 * What framed shelves over a floor need from below up, as terms for each: every opening is its tallest thing and the
 * play; frame and sheet come on top.
 */
export function framedTerms(
  levels: readonly Level[],
  f: { frameMm: number; sheetMm: number },
  aboveMm: number,
): Term[][] {
  const out: Term[][] = []
  let below = levels[0]?.floor ? levels[0] : null
  for (const level of levels.filter((l) => !l.floor)) {
    const frame: Term[] = [
      { name: 'frame', mm: f.frameMm },
      { name: 'sheet', mm: f.sheetMm },
    ]
    out.push(
      below
        ? [
            { name: out.length === 0 ? 'on-floor' : 'tallest', mm: below.tallest?.tallMm ?? 0 },
            { name: 'above-play', mm: aboveMm },
            ...frame,
          ]
        : [{ name: 'kick', mm: KICK }, ...frame],
    )
    below = level
  }
  return out
}

/**
 * Heights of framed shelves from what stands below them, noted as `topMm`; each clear of the one before, and of what is
 * under its own frame.
 */
export function framedTops(
  levels: readonly Level[],
  f: { frameMm: number; sheetMm: number; underMm?: number },
  aboveMm: number,
  pen: DimPen,
  max = 4000,
): Result<number[]> {
  const tops: number[] = []
  for (const [i, terms] of framedTerms(levels, f, aboveMm).entries()) {
    const from: Term[] = i === 0 ? terms : [{ name: 'shelf-below', mm: tops[i - 1] }, ...terms]
    const asked = { path: `topMm.${i}`, code: 'shelf-top', data: { shelf: i + 1 }, min: 60, max }
    tops.push(pen.sum(asked, from, i === 0 && !levels[0].floor ? 'kick' : 'goods-below'))
    const leastMm = (tops[i - 1] ?? 0) + f.frameMm + f.sheetMm + (f.underMm ?? 0)
    if (tops[i] < leastMm) return bad('shelves-overlap', { mm: tops[i], leastMm, shelf: i + 1 }, `topMm.${i}`)
  }
  return good(tops)
}

/**
 * Tops of the bottom and the shelves of a box, from its underside: what is tacked follows the goods, what is fixed may
 * not overlap.
 */
export function topsInside(
  levels: readonly Level[],
  aboveMm: number,
  sheetMm: number,
  pen: DimPen,
  o: Inside = INSIDE,
): Result<number[]> {
  const tops = [o.startMm + sheetMm]
  levelTerms(levels, aboveMm, sheetMm, o.trackMm).forEach((terms, i) => {
    if (i === 0) return
    const below = { name: i === 1 ? 'bottom' : 'shelf-below', mm: tops[i - 1] }
    const asked = { path: `${o.path}.${i - 1}`, code: o.code, data: { shelf: i }, min: 40, max: 2200 }
    if (o.seat) {
      const seat = o.seat(sumTerms([below, ...terms]), 'up')
      tops.push(pen.length(asked, seat, { code: 'goods-below-on-pins', terms: [below, ...terms] }))
    } else tops.push(pen.sum(asked, [below, ...terms], 'goods-below'))
  })
  for (let i = 1; i < tops.length; i++)
    if (tops[i] < tops[i - 1] + sheetMm)
      return bad('shelves-overlap', { mm: tops[i], leastMm: tops[i - 1] + sheetMm, shelf: i }, `topMm.${i - 1}`)
  for (const [i, mm] of tops.slice(1).entries()) {
    if (!o.seat) break
    const [lowMm, highMm] = [o.seat(mm, 'down'), o.seat(mm, 'up')]
    if (Math.min(Math.abs(mm - lowMm), Math.abs(highMm - mm)) > SEAT_MM)
      return bad('not-on-pins', { mm, lowMm, highMm, shelf: i + 1 }, `${o.path}.${i}`)
  }
  return good(tops)
}

/** Where tops are told, from what they begin, and what heights there are when not all are possible. */
export interface Inside {
  path: string
  code: string
  startMm: number
  /** Height of a track on the bottom; nought where none is. */
  trackMm?: number
  /** The nearest height a shelf can have, up or down. */
  seat?: (mm: number, way: 'up' | 'down') => number
}
const INSIDE: Inside = { path: 'topMm', code: 'shelf-top-inside', startMm: 0 }
/** A height this near to one over a hole is that one, mm: less than a tape shows. */
const SEAT_MM = 0.5
