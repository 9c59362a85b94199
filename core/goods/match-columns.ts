import type { RawRow, Row } from './csv.ts'

/*
 * Other people's lists of things have their own columns. What each of them is likely to be is guessed from its heading; a
 * person says the rest, and the rows are read as if they had been written for it.
 */

/** What a column may be. */
export const MATCHED = [
  'name',
  'count',
  'across',
  'deep',
  'tall',
  'mass',
  'kind',
  'group',
  'often',
  'where_now',
] as const
export type Matched = (typeof MATCHED)[number]
/** Without these no row can be read. */
export const NEEDED: readonly Matched[] = ['name', 'across', 'deep', 'tall']

/** Units bare numbers of a column are in; the project's own where left out. */
export const COLUMN_UNITS = ['mm', 'cm', 'm', 'in', 'ft', 'kg', 'g', 'lb', 'oz'] as const
export type ColumnUnit = (typeof COLUMN_UNITS)[number]

export interface ColumnMatch {
  /** Heading of the column; null where none is it. */
  column: string | null
  unit: ColumnUnit | null
}
export type Match = Record<Matched, ColumnMatch>

/** Headings as people write them, what fits best first. */
const HEADINGS: Record<Matched, RegExp[]> = {
  name: [/^(name|item|thing|article|object)s?\b/, /\b(description|what|title|contents?)\b/, /\bname\b/],
  count: [/^(count|qty|quantity|number|amount|pieces|pcs|no|#)\b/, /\bhow many\b/, /\b(count|quantity|qty)\b/],
  across: [/\bacross\b/, /\b(width|wide|w)\b/, /\b(length|long|l)\b/],
  deep: [/\bdeep\b/, /\b(depth|d)\b/, /\b(length|long|l)\b/, /\bdiameter\b/],
  tall: [/\btall\b/, /\b(height|high|h)\b/],
  mass: [/\bmass\b/, /\bweight\b/, /\b(kg|kgs|lb|lbs)\b/],
  kind: [/^(kind|type)\b/],
  group: [/^(group|category|room|set|project)\b/],
  often: [/\b(often|frequency|use|used)\b/],
  where_now: [/\b(where|location|place|kept)\b/],
}

const plain = (heading: string) =>
  heading
    .toLowerCase()
    .replace(/[_\-/]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

const UNIT_WORDS: Record<string, ColumnUnit> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  ft: 'ft',
  feet: 'ft',
  kg: 'kg',
  kgs: 'kg',
  g: 'g',
  lb: 'lb',
  lbs: 'lb',
  pounds: 'lb',
  oz: 'oz',
}
/** The unit a heading names: `Width (cm)`, `height [in]`, `mass kg`. */
export function unitOf(heading: string): ColumnUnit | null {
  const last = /[([]?\s*([a-z"]+)\s*[)\]]?$/.exec(plain(heading))
  return (last && UNIT_WORDS[last[1]]) || null
}

/** What each column of a list is likely to be; no column is two things. */
export function guessMatch(headings: readonly string[]): Match {
  const taken = new Set<string>()
  const out = Object.fromEntries(MATCHED.map((m) => [m, { column: null, unit: null }])) as unknown as Match
  const most = Math.max(...MATCHED.map((m) => HEADINGS[m].length))
  for (let rank = 0; rank < most; rank++)
    for (const m of MATCHED) {
      const pattern = HEADINGS[m][rank]
      if (!pattern || out[m].column !== null) continue
      const found = headings.find((h) => !taken.has(h) && pattern.test(plain(h)))
      if (found === undefined) continue
      taken.add(found)
      out[m] = { column: found, unit: unitOf(found) }
    }
  return out
}

/** What is still missing before rows can be read. */
export const missingIn = (m: Match): Matched[] => NEEDED.filter((k) => m[k].column === null)

/** A bare number, with a comma or a point. */
const BARE = /^\d+(?:[.,]\d+)?$/
/** Words for how often, as people write them. */
const OFTEN: readonly [string, RegExp][] = [
  ['daily', /dail|day|always|often/i],
  ['weekly', /week|regular|sometimes/i],
  ['seldom', /seldom|rare|year|month|season|never/i],
]

/** Rows of another list as this program's own, by what was matched. What is not matched is left out. */
export const matchedRows = (rows: readonly RawRow[], match: Match): Row[] =>
  rows.map((raw) => {
    const row: Row = {}
    for (const m of MATCHED) {
      const { column, unit } = match[m]
      if (column === null) continue
      const text = String(raw[column] ?? '').trim()
      if (text === '') continue
      if (m === 'often') row[m] = OFTEN.find(([, words]) => words.test(text))?.[0] ?? ''
      else if (m === 'count') row[m] = /\d+/.exec(text)?.[0] ?? text
      else row[m] = unit && BARE.test(text) ? `${text.replace(',', '.')} ${unit}` : text
    }
    return row
  })
