import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { findSection } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { fallAt, type FloorFall, type FreeSpace, THINNEST_SHIM_MM } from '../../room/room.ts'
import { tieToWall } from '../mounts/tie.ts'

/*
 *   |=|===========|=|===========|=|    front: uprights of sheet on the floor, something between them,
 *   | |           | |           | |    a thin back behind all, nailers at the top that go to the wall
 */

/** What closes the back of a box that stands, and what it is tied by. */
export const THIN_BACK: Record<UnitSystem, string> = { imperial: 'hb-1/4', metric: 'hb-6mm' }
export const NAILER: Record<UnitSystem, string> = { imperial: '1x4', metric: '18x94mm' }

/** Openings between uprights that stand on the floor; upright `k` is left of opening `k`. */
export interface StandingBox {
  openings: readonly { left: number; right: number }[]
  thicknessMm: number
  /** Where the uprights begin, out from the wall, and how deep and high they are, mm. */
  backMm: number
  deepMm: number
  highMm: number
}
export const uprightId = (k: number): string => `upright-${k}`

/** Shims are put this far inside the back and the front of an upright, mm. */
const SHIM_IN_MM = 20

/** The uprights, with shims where the floor falls. */
export function standUprights(d: Draft, b: StandingBox, sheet: string, fall: FloorFall): void {
  const t = b.thicknessMm
  const lefts = [...b.openings.map((o) => o.left - t), b.openings[b.openings.length - 1].right]
  lefts.forEach((leftMm, k) => standUpright(d, { id: uprightId(k), sheet, leftMm, ...b }, fall))
}

/** One upright of sheet on the floor. */
export function standUpright(
  d: Draft,
  u: Omit<StandingBox, 'openings'> & { id: string; sheet: string; leftMm: number },
  fall: FloorFall,
): void {
  d.square({
    id: u.id,
    role: 'side',
    stock: { kind: 'sheet', sheet: u.sheet },
    min: [u.leftMm, u.backMm, 0],
    size: [u.thicknessMm, u.deepMm, u.highMm],
    along: 'z',
    across: 'y',
  })
  d.rest(u.id, 'floor')
  const x = u.leftMm + u.thicknessMm / 2
  for (const at of [u.backMm + SHIM_IN_MM, u.backMm + u.deepMm - SHIM_IN_MM]) {
    const mm = fallAt(fall, x, at)
    if (mm >= THINNEST_SHIM_MM) d.shim(u.id, [x, at, 0], mm)
  }
}

/** Screws of a top into each upright it lies on. */
const TOP_SCREWS = 3

/** A sheet over all uprights, flush all round. @returns its id */
export function coverUprights(d: Draft, b: StandingBox, sheet: Sheet): string {
  const { left } = b.openings[0]
  const { right } = b.openings[b.openings.length - 1]
  d.square({
    id: 'top',
    role: 'top',
    stock: { kind: 'sheet', sheet: sheet.id },
    min: [left - b.thicknessMm, b.backMm, b.highMm],
    size: [right - left + 2 * b.thicknessMm, b.deepMm, sheet.thicknessMm],
    along: 'x',
    across: 'y',
  })
  for (let k = 0; k <= b.openings.length; k++)
    d.rest('top', uprightId(k), 'bearing', d.screw('top', uprightId(k), TOP_SCREWS, 'edge', sheet.thicknessMm, 100))
  return 'top'
}

/** Screws of a thin back are no further apart, and no fewer on an upright. */
const BACK_SCREWS_EVERY_MM = 250
const LEAST_BACK_SCREWS = 4

/**
 * A piece of thin back for each opening, from middle to middle of its uprights, up to `highMm`; none where no sheet is
 * large enough.
 */
export function closeBack(d: Draft, b: StandingBox, sheet: Sheet): void {
  const last = b.openings.length - 1
  b.openings.forEach((o, k) =>
    backOver(d, sheet, {
      id: `back-${k}`,
      from: o.left - (k === 0 ? b.thicknessMm : b.thicknessMm / 2),
      to: o.right + (k === last ? b.thicknessMm : b.thicknessMm / 2),
      on: [uprightId(k), uprightId(k + 1)],
      highMm: b.highMm,
    }),
  )
}

/**
 * One piece of thin back over two uprights, standing on the floor; none where no sheet is large enough.
 * @param x what it covers and is screwed to; its screws closer than usual where it is to keep something stiff that is low
 */
export function backOver(
  d: Draft,
  sheet: Sheet,
  x: { id: string; from: number; to: number; on: readonly string[]; highMm: number; everyMm?: number },
): void {
  const wide = x.to - x.from
  const upright = wide <= sheet.widthMm && x.highMm <= sheet.lengthMm
  if (!upright && (wide > sheet.lengthMm || x.highMm > sheet.widthMm)) return
  d.square({
    id: x.id,
    role: 'back',
    stock: { kind: 'sheet', sheet: sheet.id },
    min: [x.from, 0, 0],
    size: [wide, sheet.thicknessMm, x.highMm],
    along: upright ? 'z' : 'x',
    across: upright ? 'x' : 'z',
    grain: 'any',
  })
  d.rest(x.id, 'floor')
  const screws = Math.max(LEAST_BACK_SCREWS, Math.ceil(x.highMm / (x.everyMm ?? BACK_SCREWS_EVERY_MM)))
  for (const u of x.on) d.screw(x.id, u, screws, 'edge', sheet.thicknessMm, 100)
}

/** A nailer between two uprights, `topMm` its upper edge: ties go through it, and what is behind it, into the wall. */
export interface Nailer {
  section: string
  grade: string
  topMm: number
}
interface TiedTo {
  space: FreeSpace
  system: UnitSystem
}

/** A nailer between the uprights of each opening, in front of the thin back. */
export function tieNailers(d: Draft, b: StandingBox, n: Nailer, to: TiedTo): void {
  b.openings.forEach((o, k) =>
    tieNailer(d, n, to, {
      id: `tie-${k}`,
      ...o,
      backMm: b.backMm,
      on: [uprightId(k), uprightId(k + 1)],
    }),
  )
}

/** One of them. @param x what it is between */
export function tieNailer(
  d: Draft,
  n: Nailer,
  { space, system }: TiedTo,
  x: { id: string; left: number; right: number; backMm: number; on: readonly string[] },
): void {
  const { thicknessMm, widthMm } = findSection(n.section)!
  const stock: Stock = { kind: 'board', section: n.section, grade: n.grade, treated: false }
  d.square({
    id: x.id,
    role: 'back-rail',
    stock,
    min: [x.left, x.backMm, n.topMm - widthMm],
    size: [x.right - x.left, thicknessMm, widthMm],
    along: 'x',
    across: 'z',
  })
  for (const u of x.on) d.rest(x.id, u, 'fasteners', d.screw(u, x.id, 2, 'end', d.part(u).size.thicknessMm, 200))
  tieToWall(d, x.id, space, system, x.backMm)
}
