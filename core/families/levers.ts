import { findSheet, SHEETS, type Sheet } from '../catalogue/sheets.ts'
import { findRod, RODS, type Rod } from '../catalogue/steel.ts'
import { inches } from '../measure/units.ts'
import type { Lever, ShapeContext } from './family.ts'
import { fixedPaths, withValue } from './params.ts'

/*
 * Changes that several families offer, written once: what strengthens, what saves.
 */

/** Collects changes to the parameters of one build. */
export interface LeverPen<P> {
  out: Lever<P>[]
  add(code: string, change: Partial<P>, data?: Lever<P>['data']): void
}
export function leverPen<P extends object>(p: P): LeverPen<P> {
  const out: Lever<P>[] = []
  return {
    out,
    add: (code, change, data) => void out.push({ code, params: { ...p, ...change }, ...(data ? { data } : {}) }),
  }
}

/** A pen that begins with letting go what somebody fixed. */
export function strengthPen<P extends object>(p: P): LeverPen<P> {
  const pen = leverPen(p)
  for (const path of fixedPaths(p)) pen.out.push({ code: 'let-go', data: { path }, params: withValue(p, path, null) })
  return pen
}

/** A diagonal that bows when it is pressed is made of a thicker board. */
export const THICKER_BRACE: Readonly<Record<string, string[]>> = {
  '1x3': ['2x3', '2x4'],
  '1x4': ['2x3', '2x4'],
  '1x6': ['2x4', '2x6'],
  '18x69mm': ['38x63mm', '38x89mm'],
  '18x94mm': ['38x63mm', '38x89mm'],
}

/** Boards that are deeper, of those a frame is made of. */
export const DEEPER: Readonly<Record<string, string[]>> = {
  '2x3': ['2x4', '2x6'],
  '2x4': ['2x6'],
  '38x63mm': ['38x89mm', '47x100mm'],
  '38x89mm': ['47x100mm', '47x150mm'],
  '47x100mm': ['47x150mm'],
}

/** Rods of the same system that are thicker, or thinner. */
export function rodsLike(id: string, thicker: boolean): Rod[] {
  const now = findRod(id)!
  const wanted = (mm: number) => (thicker ? mm > now.diameterMm : mm < now.diameterMm)
  return RODS.filter((r) => r.system === now.system && wanted(r.diameterMm))
}

/** Stiffer or softer by less than this makes no difference worth a proposal. */
const WORTH = 0.05

const sheetsLike = (id: string, over: number, wanted: (s: Sheet, now: Sheet) => boolean): Sheet[] => {
  const now = findSheet(id)!
  return SHEETS.filter((s) => s.system === now.system && s.thicknessMm > over && wanted(s, now))
}
/** Sheets of the same system that are stiffer, thicker than a bound in mm. */
export const stifferSheets = (id: string, overMm = 0) =>
  sheetsLike(id, overMm, (s, now) => s.ei.along > now.ei.along * (1 + WORTH))
/** Those that are less stiff, and cost less. */
export const lighterSheets = (id: string, overMm: number) =>
  sheetsLike(id, overMm, (s, now) => s.ei.along < now.ei.along * (1 - WORTH))

/** Clear widths of a bay that are tried, from the widest, and the one taken while nobody fixed it. */
const NARROWER_IN = [30, 24, 20, 16]
/** Room a thing needs in its bay beside itself, in. */
const ROOM_IN = 1

/** Narrower bays that still take everything, mm. */
export const narrowerBays = (clearMm: number | null, ctx: ShapeContext): number[] =>
  NARROWER_IN.map(inches).filter(
    (mm) => mm < (clearMm ?? inches(NARROWER_IN[0])) && ctx.goods.every((g) => g.item.acrossMm + inches(ROOM_IN) <= mm),
  )
