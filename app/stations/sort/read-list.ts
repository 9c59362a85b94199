import type { RawRow } from '../../../core/goods/csv.ts'
import { useHeavy } from '../../composables/heavy.ts'

/** A list somebody keeps elsewhere: what its columns are called, and what stands under each. */
export interface List {
  headings: string[]
  rows: RawRow[]
  /** Sheets of it that are another list. */
  notRead: string[]
}

/** What a file begins with: a packed workbook, and the kind of workbook before that. */
const PACKED = [0x50, 0x4b]
const OLD = [0xd0, 0xcf, 0x11, 0xe0]

/** Reads a list out of a workbook or a text with columns. @throws with what would be read instead */
export async function readList(file: File): Promise<List> {
  const bytes = await file.arrayBuffer()
  const begins = (magic: readonly number[]) => {
    const head = new Uint8Array(bytes.slice(0, magic.length))
    return head.length === magic.length && magic.every((b, i) => head[i] === b)
  }
  if (begins(OLD)) throw new Error('an older kind of workbook: save it as .xlsx or as CSV')
  if (begins(PACKED)) {
    const found = await useHeavy().readWorkbook(bytes)
    if (!found) throw new Error('no workbook that can be read: save it as .xlsx or as CSV')
    return found
  }
  const { default: Papa } = await import('papaparse')
  const parsed = Papa.parse<RawRow>(new TextDecoder().decode(bytes), { header: true, skipEmptyLines: 'greedy' })
  return { headings: (parsed.meta.fields ?? []).filter((h) => h.trim() !== ''), rows: parsed.data, notRead: [] }
}
