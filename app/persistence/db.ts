import Dexie, { type EntityTable } from 'dexie'
import type { Patch } from 'immer'
import type { Project } from '../../core/project/project.ts'

/** A stored project. `rev` grows with every save: two tabs never overwrite each other unseen. */
export interface StoredProject {
  id: string
  rev: number
  touchedAt: string
  /** Set while it lies in the bin. */
  binnedAt: string | null
  doc: Project
}

/** One change that can be taken back. */
export interface Change {
  label: string
  patches: Patch[]
  inverse: Patch[]
}
export interface StoredHistory {
  id: string
  past: Change[]
  future: Change[]
}

export class LoftDb extends Dexie {
  projects!: EntityTable<StoredProject, 'id'>
  history!: EntityTable<StoredHistory, 'id'>
  marks!: EntityTable<{ key: string; value: string }, 'key'>

  constructor(name = 'tack-loft') {
    super(name)
    this.version(1).stores({ projects: 'id, touchedAt, binnedAt', history: 'id', marks: 'key' })
  }
}

export const db = new LoftDb()
