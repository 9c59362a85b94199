import type { RawRow } from './csv.ts'

/*
 * A sheet of a workbook as a list of goods: its first row that says anything names the columns.
 */

const isDay = (cell: unknown): cell is { toISOString(): string } =>
  typeof cell === 'object' && cell !== null && 'toISOString' in cell

/** As it would be typed: numbers without what is left over from binary fractions. */
function textOf(cell: unknown): string {
  if (typeof cell === 'number') return String(Number(cell.toPrecision(12)))
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no'
  if (isDay(cell)) return cell.toISOString().slice(0, 10)
  return typeof cell === 'string' ? cell.trim() : ''
}

export interface Table {
  headings: string[]
  rows: RawRow[]
}

/** @returns headings, those of two columns alike told apart, and what stands under each; columns without one are left out */
export function tableOf(cells: readonly (readonly unknown[])[]): Table {
  const [first = [], ...rest] = cells.map((row) => row.map(textOf)).filter((row) => row.some((x) => x !== ''))
  const seen = new Set<string>()
  const names = first.map((name) => {
    let own = name
    for (let n = 2; own !== '' && seen.has(own); n++) own = `${name} ${n}`
    seen.add(own)
    return own
  })
  const rows = rest.map((row): RawRow =>
    Object.fromEntries(names.flatMap((name, i) => (name ? [[name, row[i] ?? '']] : []))),
  )
  return { headings: names.filter((name) => name !== ''), rows }
}

/** The sheets of a workbook as one list: the first that has rows, and those whose columns are called the same. */
export function tableOfSheets(
  sheets: readonly { sheet: string; data: readonly (readonly unknown[])[] }[],
): Table & { notRead: string[] } {
  const filled = sheets.map(({ sheet, data }) => ({ sheet, ...tableOf(data) })).filter((t) => t.rows.length > 0)
  const calledIn = (t: Table) => JSON.stringify([...t.headings].sort())
  const isRead = (t: Table) => calledIn(t) === calledIn(filled[0])
  return {
    headings: filled[0]?.headings ?? [],
    rows: filled.filter(isRead).flatMap((t) => t.rows),
    notRead: filled.filter((t) => !isRead(t)).map((t) => t.sheet),
  }
}
