import type { Part } from '../assembly/assembly.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Wood } from '../mechanics/methods/method.ts'

/** What a part is made of, as the methods of design see it; null for what is bought, or was there and nobody knows. */
export const woodOf = (p: Part): Wood | null => {
  if (p.stock.kind === 'board') {
    const grade = findGrade(p.stock.grade)
    if (grade?.of) return { kind: 'sheet', sheet: grade.of }
    return grade ? { kind: 'lumber', grade } : null
  }
  const id = p.stock.kind === 'sheet' ? p.stock.sheet : p.stock.kind === 'existing' ? p.stock.like : undefined
  const sheet = id === undefined ? undefined : findSheet(id)
  return sheet ? { kind: 'sheet', sheet } : null
}
