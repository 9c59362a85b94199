import type { Assembly, Part, Stock } from './assembly.ts'

const tenth = (mm: number) => Math.round(mm * 10)

/** Two stocks with the same key are bought alike. */
export function stockKey(s: Stock): string {
  switch (s.kind) {
    case 'board':
      return `${s.section}/${s.grade}/${s.treated}`
    case 'sheet':
      return s.sheet
    case 'bought':
      return `${s.item}/${s.massKg}`
    case 'existing':
      return `${s.name}/${s.massKg}`
  }
}

/** Two parts with the same key are cut alike and may change places. */
export const cutKey = (p: Part): string => {
  const s = p.size
  const sides = p.stock.kind === 'sheet' ? p.grain : tenth(s.thicknessMm)
  const work = p.machining.length === 0 ? '' : JSON.stringify(p.machining)
  return `${p.role}|${p.stock.kind}|${stockKey(p.stock)}|${tenth(s.lengthMm)}|${tenth(s.widthMm)}|${sides}|${work}`
}

export interface Alike {
  key: string
  /** A, B, … Z, AA: what is written on the pieces. */
  letter: string
  parts: Part[]
}

const letterOf = (i: number): string => (i >= 26 ? letterOf(Math.floor(i / 26) - 1) : '') + String.fromCharCode(65 + (i % 26))

/** Parts in groups that are cut alike, in the order they come, with letters from `firstLetter` on. */
export function alike(a: Assembly, firstLetter = 0): Alike[] {
  const groups = new Map<string, Part[]>()
  for (const p of a.parts) {
    const key = cutKey(p)
    const list = groups.get(key)
    if (list) list.push(p)
    else groups.set(key, [p])
  }
  return [...groups].map(([key, parts], i) => ({ key, letter: letterOf(firstLetter + i), parts }))
}

/** What is written on each piece: `A1`, `A2`, `B1`. */
export function labels(groups: readonly Alike[]): Map<string, string> {
  const out = new Map<string, string>()
  for (const g of groups) g.parts.forEach((p, i) => out.set(p.id, g.parts.length === 1 ? g.letter : `${g.letter}${i + 1}`))
  return out
}
