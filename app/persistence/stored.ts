import { readDocument } from '../../core/project/file.ts'
import { isFields } from '../../core/edits/edit.ts'
import type { Problem } from '../../core/measure/result.ts'
import type { Change } from '../../core/project/merge.ts'
import type { StoredProject } from './db.ts'

/** A record of the store that is no project: shown as such, to be taken out as it is. */
export interface Damaged {
  id: string
  /** What it was called, as far as that can be read. */
  name: string
  problems: Problem[]
  raw: unknown
}
export type Stored = { ok: true; project: StoredProject; renamed: Problem[] } | { ok: false; damaged: Damaged }

/**
 * What a record of the store holds, checked as a file is: what lies there may be old, damaged, or from a newer version.
 */
export function checkStored(raw: unknown): Stored {
  const record = isFields(raw) ? raw : {}
  const doc = isFields(record.doc) ? record.doc : {}
  const id = typeof record.id === 'string' ? record.id : ''
  const read = readDocument(doc)
  if (!read.ok)
    return {
      ok: false,
      damaged: { id, name: typeof doc.name === 'string' ? doc.name.slice(0, 80) : '', problems: read.problems, raw },
    }
  return {
    ok: true,
    renamed: read.renamed,
    project: {
      // A record is found under its own id; one that says another belongs to it all the same.
      id,
      rev: typeof record.rev === 'number' && Number.isSafeInteger(record.rev) ? record.rev : 0,
      touchedAt: typeof record.touchedAt === 'string' ? record.touchedAt : read.project.createdAt,
      binnedAt: typeof record.binnedAt === 'string' ? record.binnedAt : null,
      doc: read.project.id === id ? read.project : { ...read.project, id },
    },
  }
}

/** The steps of undo of a record; none where it is damaged: undo is a help, the project is what counts. */
export function checkHistory(raw: unknown): { past: Change[]; future: Change[] } {
  const list = (v: unknown): Change[] => (Array.isArray(v) && v.every(isChange) ? v : [])
  return isFields(raw) ? { past: list(raw.past), future: list(raw.future) } : { past: [], future: [] }
}
const isChange = (c: unknown): c is Change =>
  isFields(c) &&
  typeof c.label === 'string' &&
  Array.isArray(c.edits) &&
  c.edits.every((e) => isFields(e) && typeof e.kind === 'string' && Array.isArray(e.path))
