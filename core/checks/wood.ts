import type { Part } from '../assembly/assembly.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Wood } from '../mechanics/methods/method.ts'

/** What a part is made of, as the methods of design see it; null for what is bought or was there already. */
export const woodOf = (p: Part): Wood | null => {
  if (p.stock.kind === 'board') {
    const grade = findGrade(p.stock.grade)
    return grade ? { kind: 'lumber', grade } : null
  }
  const sheet = p.stock.kind === 'sheet' ? findSheet(p.stock.sheet) : undefined
  return sheet ? { kind: 'sheet', sheet } : null
}
