import { findGrade } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Part } from './assembly.ts'

/** Mass of a part, kg, from its finished size and its stock's density; unknown stock weighs nothing (the validator refuses it). */
export function partMassKg(p: Part): number {
  if (p.stock.kind === 'bought' || p.stock.kind === 'existing') return p.stock.massKg
  const density =
    p.stock.kind === 'board' ? findGrade(p.stock.grade)?.densityKgM3 : findSheet(p.stock.sheet)?.densityKgM3
  return ((p.size.lengthMm * p.size.widthMm * p.size.thicknessMm) / 1e9) * (density ?? 0)
}
