import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { standUpright } from '../../blocks/carcass/standing.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { FloorFall } from '../../room/room.ts'
import type { School } from './parameters.ts'

/*
 * What stands between two bays, and at both ends, seen from above:
 *
 *   shared |        boxes ||        ladders |#|     # posts at the back and the front, rungs between them
 */

/** What stands between two bays, and the uprights that look into the bay on its left and on its right. */
export interface Wall {
  from: number
  to: number
  /** Null at an end, where no bay is. */
  left: string | null
  right: string | null
}

export interface WallSizes {
  outerMm: number
  innerMm: number
}
/** How wide they are, mm. */
export const wallSizes = (school: School, t: number, postMm: number): WallSizes =>
  school === 'shared'
    ? { outerMm: t, innerMm: t }
    : school === 'boxes'
      ? { outerMm: t, innerMm: 2 * t }
      : { outerMm: t + postMm, innerMm: 2 * t + postMm }

/** All walls of some bays from a left end. */
export function wallsOf(school: School, x0: number, bays: number, clearMm: number, s: WallSizes): Wall[] {
  let x = x0
  return Array.from({ length: bays + 1 }, (_, k) => {
    const from = x
    const to = from + (k === 0 || k === bays ? s.outerMm : s.innerMm)
    x = to + clearMm
    const [left, right] = school === 'shared' ? [`upright-${k}`, `upright-${k}`] : [`upright-${k}-a`, `upright-${k}-b`]
    return { from, to, left: k === 0 ? null : left, right: k === bays ? null : right }
  })
}

export interface Standing {
  walls: readonly Wall[]
  school: School
  sheet: Sheet
  post: Section
  postStock: Stock
  backMm: number
  deepMm: number
  highMm: number
  /** Heights in the middle of rungs. */
  rungsMm: readonly number[]
  fall: FloorFall
}

/** Screws along an upright, mm apart: side on side, and skin on post. */
const ALONG_MM = 400
const SKIN_MM = 250
const along = (highMm: number, everyMm: number) => 2 + Math.floor(highMm / everyMm)

/** Every upright, and the ladders between skins. @returns ids of what makes up ladders, skins not among them */
export function standWalls(d: Draft, s: Standing): string[] {
  const t = s.sheet.thicknessMm
  const ladders: string[] = []
  s.walls.forEach((w, k) => {
    if (w.left) upright(d, s, w.left, w.from)
    if (w.right && w.right !== w.left) upright(d, s, w.right, w.to - t)
    if (s.school === 'boxes' && w.left && w.right) d.screw(w.left, w.right, along(s.highMm, ALONG_MM), 'side', t, t)
    if (s.school === 'ladders') ladders.push(...ladder(d, s, w, k))
  })
  return ladders
}

const upright = (d: Draft, s: Standing, id: string, leftMm: number) =>
  standUpright(d, { ...s, id, leftMm, sheet: s.sheet.id, thicknessMm: s.sheet.thicknessMm }, s.fall)

/** Two posts and the rungs between them, and the skins on their faces. */
function ladder(d: Draft, s: Standing, w: Wall, k: number): string[] {
  const x = w.left ? w.from + s.sheet.thicknessMm : w.from
  const { thicknessMm, widthMm } = s.post
  const front = s.backMm + s.deepMm - widthMm
  const posts = [s.backMm, front].map((y, i) => {
    const id = `post-${k}-${i}`
    d.square({
      id,
      role: 'post',
      stock: s.postStock,
      min: [x, y, 0],
      size: [thicknessMm, widthMm, s.highMm],
      along: 'z',
      across: 'y',
    })
    d.rest(id, 'floor')
    return id
  })
  const rungs = s.rungsMm.map((z, i) => {
    const id = `rung-${k}-${i}`
    d.square({
      id,
      role: 'cross',
      stock: s.postStock,
      min: [x, s.backMm + widthMm, z - widthMm / 2],
      size: [thicknessMm, front - s.backMm - widthMm, widthMm],
      along: 'y',
      across: 'z',
    })
    for (const p of posts) d.rest(id, p, 'fasteners', d.screw(p, id, 2, 'end', widthMm, 200))
    return id
  })
  for (const skin of [w.left, w.right])
    if (skin)
      for (const p of posts) d.screw(skin, p, along(s.highMm, SKIN_MM), 'side', s.sheet.thicknessMm, thicknessMm)
  return [...posts, ...rungs]
}
