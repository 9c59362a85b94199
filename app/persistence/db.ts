import Dexie, { type EntityTable, type Transaction } from 'dexie'
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
    // Documents of older versions are brought up to date where they lie; the schema stays. Undo of an older shape is let go.
    const upToDate = async (tx: Transaction) => {
      const older = new Set<string>()
      await tx.table<StoredProject>('projects').toCollection().modify((p) => {
        const raw = p.doc as unknown as Record<string, unknown>
        if (typeof raw.version !== 'number' || raw.version >= PROJECT_VERSION) return
        p.doc = migrate(raw, raw.version) as unknown as Project
        older.add(p.id)
      })
      await tx.table<StoredHistory>('history').bulkDelete([...older])
    }
    this.version(2).upgrade(upToDate)
    this.version(3).stores({ plans: 'id' })
    // Plans of older builds say less than the screens ask.
    this.version(4).upgrade(async (tx) => {
      await upToDate(tx)
      await tx.table<StoredPlan>('plans').clear()
    })
  }
}

export const db = new LoftDb()
