import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { hangUnder } from '../mounts/under-joists.ts'

/*
 * Two boards as a T upside down, out from the wall: a web on edge, and under it a flange whose edges are ledges. What
 * hangs by a rim, or lies on a body broader than its grip, slides in between two of them.
 *
 *      |web|
 *   ===flange===
 */

/** The first screw of a flange into its web is this far from its end, mm. */
const FROM_END_MM = 40
/** In short ones no nearer to the end than this share. */
const END_SHARE = 0.2

interface Board {
  id: string
  stock: Stock
  thicknessMm: number
  widthMm: number
}

export interface Tee {
  web: Board
  flange: Board
  /** Middle of the web along the wall, and where both begin and end out from it. */
  middleMm: number
  fromMm: number
  toMm: number
  /** Upper edge of the web. */
  topMm: number
  /** Screws of the flange at most this far apart. */
  screwsEveryMm: number
}

export function placeTee(d: Draft, t: Tee): void {
  const { web, flange, middleMm: x, fromMm } = t
  const long = t.toMm - fromMm
  const foot = t.topMm - web.widthMm
  d.square({
    id: web.id,
    role: 'web',
    stock: web.stock,
    min: [x - web.thicknessMm / 2, fromMm, foot],
    size: [web.thicknessMm, long, web.widthMm],
    along: 'y',
    across: 'z',
  })
  d.square({
    id: flange.id,
    role: 'flange',
    stock: flange.stock,
    min: [x - flange.widthMm / 2, fromMm, foot - flange.thicknessMm],
    size: [flange.widthMm, long, flange.thicknessMm],
    along: 'y',
    across: 'x',
  })
  const end = Math.min(FROM_END_MM, END_SHARE * long)
  const n = Math.max(1, Math.ceil((long - 2 * end) / t.screwsEveryMm))
  const ys = Array.from({ length: n + 1 }, (_, i) => fromMm + end + ((long - 2 * end) * i) / n)
  hangUnder(
    d,
    flange.id,
    web.id,
    ys.map((y) => ({ x, y })),
  )
}
