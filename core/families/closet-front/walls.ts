import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { standUpright } from '../../blocks/carcass/standing.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { fallAt, THINNEST_SHIM_MM, type FloorFall } from '../../room/room.ts'
import { isFramed, type School } from './parameters.ts'

/*
 * What stands between two bays, and at both ends, seen from above:
 *
 *   shared |     boxes ||     ladders |#|     frames #|     # posts at the back and the front, rungs between them
 */

/** What looks into a bay: what a leaf hangs on, what a tie is between, and what a back is screwed to. */
export interface Face {
  front: string
  tie: string
  back: string
}
/** What stands between two bays, and what of it looks into the bay on its left and on its right. */
export interface Wall {
  from: number
  to: number
  /** Null at an end, where no bay is. */
  left: Face | null
  right: Face | null
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
      : { outerMm: t + postMm, innerMm: (school === 'ladders' ? 2 * t : t) + postMm }

/** All walls of some bays from a left end. */
export function wallsOf(school: School, x0: number, bays: number, clearMm: number, s: WallSizes): Wall[] {
  let x = x0
  return Array.from({ length: bays + 1 }, (_, k) => {
    const from = x
    const to = from + (k === 0 || k === bays ? s.outerMm : s.innerMm)
    x = to + clearMm
    const [left, right] = facesOf(school, k)
    return { from, to, left: k === 0 ? null : left, right: k === bays ? null : right }
  })
}

/** A light frame has its skin on the left: leaves hang on the posts of its open face. */
function facesOf(school: School, k: number): [Face, Face] {
  const sheet = (id: string): Face => ({ front: id, tie: id, back: id })
  if (school === 'shared') return [sheet(`upright-${k}`), sheet(`upright-${k}`)]
  if (school !== 'frames') return [sheet(`upright-${k}-a`), sheet(`upright-${k}-b`)]
  const [back, skin] = [`post-${k}-0`, `upright-${k}`]
  return [
    { front: skin, tie: skin, back },
    { front: `post-${k}-1`, tie: back, back },
  ]
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
    const sheets = s.school === 'frames' ? [{ id: `upright-${k}`, side: 'left' as const }] : sheetsOf(w)
    const place = s.school === 'frames' ? hungSkin : upright
    for (const x of sheets) place(d, s, x.id, x.side === 'left' ? w.from : w.to - t)
    if (s.school === 'boxes' && sheets.length > 1)
      d.screw(sheets[0].id, sheets[1].id, along(s.highMm, ALONG_MM), 'side', t, t)
    if (!isFramed(s)) return
    const x = sheets.some((y) => y.side === 'left') ? w.from + t : w.from
    ladders.push(...ladder(d, s, { x, k, skins: sheets.map((y) => y.id) }))
  })
  return ladders
}

interface Placed {
  id: string
  side: 'left' | 'right'
}
/** The sheets of a wall, one where both its faces are one. */
function sheetsOf(w: Wall): Placed[] {
  const [left, right] = [w.left?.front, w.right?.front]
  return [
    ...(left ? [{ id: left, side: 'left' as const }] : []),
    ...(right && right !== left ? [{ id: right, side: 'right' as const }] : []),
  ]
}
const upright = (d: Draft, s: Standing, id: string, leftMm: number) =>
  standUpright(d, { id, leftMm, thicknessMm: s.sheet.thicknessMm, ...s, sheet: s.sheet.id }, s.fall)

/** A thin skin ends this far over the floor: what is spilt does not reach it, mm. */
const SKIN_UP_MM = 10

/** A thin skin stands on nothing: the posts it is screwed to carry it. */
const hungSkin = (d: Draft, s: Standing, id: string, leftMm: number) =>
  d.square({
    ...{ id, role: 'side', stock: { kind: 'sheet', sheet: s.sheet.id }, along: 'z', across: 'y' },
    min: [leftMm, s.backMm, SKIN_UP_MM],
    size: [s.sheet.thicknessMm, s.deepMm, s.highMm - SKIN_UP_MM],
  })

/** Two posts and the rungs between them, and the skins on their faces. */
function ladder(d: Draft, s: Standing, { x, k, skins }: { x: number; k: number; skins: readonly string[] }): string[] {
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
    // Elsewhere the skins stand beside them, on shims of their own.
    const fall = s.school === 'frames' ? fallAt(s.fall, x + thicknessMm / 2, y + widthMm / 2) : 0
    if (fall >= THINNEST_SHIM_MM) d.shim(id, [x + thicknessMm / 2, y + widthMm / 2, 0], fall)
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
  for (const skin of skins)
    for (const p of posts) {
      const joint = d.screw(skin, p, along(s.highMm, SKIN_MM), 'side', s.sheet.thicknessMm, thicknessMm)
      if (s.school === 'frames') d.rest(skin, p, 'fasteners', joint)
    }
  return [...posts, ...rungs]
}
