import { download } from './download.ts'

/** Rows as a CSV file; cells that a spreadsheet would run as a formula are made harmless. */
export async function downloadCsv(name: string, rows: Record<string, string | number>[], columns?: string[]) {
  const { default: Papa } = await import('papaparse')
  download(name, Papa.unparse(rows, { escapeFormulae: true, ...(columns ? { columns } : {}) }), 'text/csv')
}
