import type { Draft } from '../../assembly/draft.ts'
import type { Rod } from '../../catalogue/steel.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import type { Prepared } from '../../room/prepared.ts'
import { boreFrom, hangsAt, nutted, pastNuts, pieceOfRod, type RodRow } from './on-rods.ts'
import { UP } from './wall-fixing.ts'

/*
 * Rods on bolts that were set in the ceiling before it was lined: a coupling nut joins the end of each to its bolt, and
 * nobody need go up over the ceiling.
 */

/** Bolts this little out of one line along the wall are in one row, mm: a rod is bent that far by hand. */
const ONE_ROW_MM = 5

/** Bolts over one line along the wall. */
export interface BoltRow {
  xs: number[]
  outMm: number
  bolts: Prepared[]
}

const middle = (p: Prepared): readonly [number, number] => [(p.left + p.right) / 2, (p.from + p.to) / 2]

/** How far out the furthest bolt of a ceiling is, mm; nought where there is none. */
export const furthestBolt = (prepared: readonly Prepared[]): number =>
  Math.max(0, ...prepared.filter((p) => p.on === 'ceiling' && p.kind === 'bolt').map((p) => middle(p)[1]))

/** The row of at least two bolts over a length of wall that is the nearest past a line. */
export function boltRow(
  prepared: readonly Prepared[],
  b: { lengthMm: number; outMm: number; edgeMm: number },
): Result<BoltRow> {
  const over = prepared
    .filter((p) => p.on === 'ceiling' && p.kind === 'bolt')
    .filter((p) => middle(p)[0] >= b.edgeMm / 2 && middle(p)[0] <= b.lengthMm - b.edgeMm / 2)
    .filter((p) => middle(p)[1] >= b.outMm - ONE_ROW_MM)
    .sort((p, q) => middle(p)[0] - middle(q)[0])
  const rowOf = (y: number) => over.filter((p) => Math.abs(middle(p)[1] - y) <= ONE_ROW_MM)
  const found = over
    .map((p) => middle(p)[1])
    .sort((p, q) => p - q)
    .find((y) => rowOf(y).length >= 2)
  if (found === undefined) return bad('too-few-bolts', { count: over.length, outMm: b.outMm })
  const bolts = rowOf(found)
  return good({ xs: bolts.map((p) => middle(p)[0]), outMm: Math.max(...bolts.map((p) => middle(p)[1])), bolts })
}

/** Hangs a row of places each on a bolt of its own. @returns the rods */
export function hangOnBolts(
  d: Draft,
  h: { rod: Rod; ceilingMm: number },
  row: RodRow,
  bolts: readonly Prepared[],
): string[] {
  return row.rods.map(({ x, id, from }, k) => {
    const { of, holdsN, thickMm } = bolts[k]
    const rod = `rod-${id}`
    const topMm = h.ceilingMm - thickMm
    const at = { x, y: row.y, acrossMm: h.rod.diameterMm }
    for (const wood of from) boreFrom(d, wood, at, h.rod)
    pieceOfRod(d, h.rod, { ...at, id: rod }, d.box(from[0]).min[2] - pastNuts(h.rod), topMm)
    for (const wood of from) hangsAt(d, at, [wood, rod], d.box(wood).min[2], nutted(h.rod))
    const top: Vec3 = [x, row.y, topMm]
    const anchor = d.anchor({
      part: rod,
      into: 'bolt',
      at: top,
      count: 1,
      fastener: `coupler-${h.rod.id}`,
      embedMm: 0,
      holds: ['z'],
      prepared: { of, field: 0, on: 'ceiling', holdsN },
    })
    const contact = { min: top, max: top }
    d.hold({ from: { part: rod }, on: { kind: 'ceiling' }, contact, push: UP, way: 'push', via: 'hanging', anchor })
    return rod
  })
}
