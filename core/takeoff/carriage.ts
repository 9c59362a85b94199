import type { Settings } from '../assembly/settings.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findBar } from '../catalogue/steel.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { CutPlan } from './cut-plan.ts'

/** What is fetched from the yard: its mass, and how often one has to drive. */
export interface Load {
  massKg: number
  trips: number
}

/** The wood that is bought, boards at the density of the project's grade, in loads the vehicle may carry. */
export function carriage(
  plan: Pick<CutPlan, 'boards' | 'sheets'>,
  settings: Pick<Settings, 'carriage' | 'grade'>,
): Load {
  const density = findGrade(settings.grade)?.densityKgM3 ?? 0
  let massKg = 0
  for (const b of plan.boards) {
    const s = b.handId === null ? findSection(b.section) : undefined
    const bar = findBar(b.section)
    if (s) massKg += bar ? (bar.kgPerM * b.lengthMm) / 1000 : (s.widthMm * s.thicknessMm * b.lengthMm * density) / 1e9
  }
  for (const s of plan.sheets) {
    const sheet = s.handId === null ? findSheet(s.sheet) : undefined
    if (sheet) massKg += (s.lengthMm * s.widthMm * sheet.thicknessMm * sheet.densityKgM3) / 1e9
  }
  return { massKg, trips: massKg === 0 ? 0 : Math.max(1, Math.ceil(massKg / settings.carriage.mostKg)) }
}
