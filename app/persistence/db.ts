import Dexie, { type EntityTable } from 'dexie'
import type { Patch } from 'immer'
import type { Procurement } from '../../core/project/plan.ts'
import { migrate } from '../../core/project/migrate.ts'
import { PROJECT_VERSION, type Project } from '../../core/project/project.ts'

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

/** The best cut plan found for a project, and what it was made for. */
export interface StoredPlan {
  id: string
  key: string
  procurement: Procurement
}

export class LoftDb extends Dexie {
  projects!: EntityTable<StoredProject, 'id'>
  history!: EntityTable<StoredHistory, 'id'>
  plans!: EntityTable<StoredPlan, 'id'>
  marks!: EntityTable<{ key: string; value: string }, 'key'>

  constructor(name = 'tack-loft') {
    super(name)
    this.version(1).stores({ projects: 'id, touchedAt, binnedAt', history: 'id', marks: 'key' })
    this.version(3).stores({ plans: 'id' })
    // Documents of version 1 are brought up to date where they lie; the schema stays.
    this.version(2).upgrade((tx) =>
      tx.table<StoredProject>('projects').toCollection().modify((p) => {
        const raw = p.doc as unknown as Record<string, unknown>
        if (typeof raw.version === 'number' && raw.version < PROJECT_VERSION) p.doc = migrate(raw, raw.version) as unknown as Project
      }),
    )
  }
}

export const db = new LoftDb()
