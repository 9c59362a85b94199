import { downloadBlob } from './download.ts'

type Cell = string | number | null
/** Rows of a table under the names of its columns. */
export type Rows = readonly Readonly<Record<string, string | number>>[]

const isPlainNumber = (text: string) => text !== '' && String(Number(text)) === text && Number.isFinite(Number(text))

/**
 * A table as the cells of a sheet, the names of its columns first. A column in which nothing but plain numbers stands is
 * one of numbers, so that a spreadsheet reckons with it; empty cells stay empty.
 */
export function cellsOf(rows: Rows, columns: readonly string[] = Object.keys(rows[0] ?? {})): Cell[][] {
  const isNumeric = new Set(
    columns.filter((c) => rows.every((r) => typeof r[c] !== 'string' || r[c] === '' || isPlainNumber(r[c]))),
  )
  const cell = (value: string | number | undefined, column: string): Cell =>
    value === undefined || value === '' ? null : isNumeric.has(column) ? Number(value) : value
  return [[...columns], ...rows.map((r) => columns.map((c) => cell(r[c], c)))]
}

/** Widest and least a column is shown, characters. */
const [LEAST_WIDE, MOST_WIDE] = [6, 40]

/** A table as a workbook with one sheet. @param name of the sheet, 31 letters at most */
export async function asWorkbook(name: string, rows: Rows, columns?: readonly string[]): Promise<Blob> {
  const { default: writeSheet } = await import('write-excel-file/universal')
  const [head, ...rest] = cellsOf(rows, columns)
  const wide = head.map((_, i) => Math.max(...[head, ...rest].map((row) => String(row[i] ?? '').length)))
  return writeSheet([head.map((value) => ({ value: String(value), fontWeight: 'bold' as const })), ...rest], {
    sheet: name,
    columns: wide.map((n) => ({ width: Math.min(MOST_WIDE, Math.max(LEAST_WIDE, n + 2)) })),
    stickyRowsCount: 1,
  }).toBlob()
}

export const downloadWorkbook = async (name: string, rows: Rows, columns?: readonly string[]): Promise<void> =>
  downloadBlob(`${name}.xlsx`, await asWorkbook(name, rows, columns))
