import { download } from './download.ts'
import type { Rows } from './workbook.ts'

/** Rows as a CSV file; cells that a spreadsheet would run as a formula are made harmless. */
export async function downloadCsv(name: string, rows: Rows, columns?: readonly string[]) {
  const { default: Papa } = await import('papaparse')
  download(
    name,
    Papa.unparse([...rows], { escapeFormulae: true, ...(columns ? { columns: [...columns] } : {}) }),
    'text/csv',
  )
}
