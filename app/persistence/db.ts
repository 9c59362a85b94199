import Dexie, { type Table, type Transaction } from 'dexie'
import { applyPatches, enablePatches, type Patch } from 'immer'
import { changeOf, type Change } from '../../core/project/merge.ts'
import { migrate } from '../../core/project/migrate.ts'
import type { Procurement } from '../../core/project/plan.ts'
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
export interface StoredHistory {
  id: string
  past: Change[]
  future: Change[]
}
/** The best cut plan found for a project, and what it was made for. */
export interface StoredPlan {
  id: string
  key: string
  procurement: Pick<Procurement, 'cutPlan'>
}
const STORE_NAME = 'tack-loft'

/** Of the store's layout; the browser counts ten times as fast. A new form of project is a new layout: it is brought up. */
const LAYOUT = 9
/** The form of project this layout keeps. */
export const FORM = 9
export const NATIVE_VERSION = 10 * LAYOUT

export class LoftDb extends Dexie {
  projects!: Table<unknown, string>
  history!: Table<unknown, string>
  plans!: Table<unknown, string>
  marks!: Table<unknown, string>
  /** Written and taken away again to make the browser begin a fresh log: see `mend.ts`. */
  ballast!: Table<{ n: number; text: string }, number>

  constructor(name = STORE_NAME) {
    // A save is only reported once it is on the disk, not when the system has promised to write it.
    super(name, { chromeTransactionDurability: 'strict' })
    this.version(1).stores({ projects: 'id, touchedAt, binnedAt', history: 'id', marks: 'key' })
    this.version(2).upgrade(upToDate)
    this.version(3).stores({ plans: 'id' })
    // Plans of older builds say less than the screens ask.
    this.version(4).upgrade(async (tx) => {
      await upToDate(tx)
      await tx.table('plans').clear()
    })
    this.version(5).stores({ ballast: 'n' }).upgrade(historiesAsEdits)
    this.version(6).upgrade(upToDate)
    this.version(7).upgrade(upToDate)
    this.version(8).upgrade(upToDate)
    this.version(LAYOUT).upgrade(upToDate)
  }
}

/**
 * Documents of older versions are brought up to date where they lie; the schema stays. Undo of an older shape is let
 * go. One that can not be brought up to date stays as it is: it is shown as damaged and holds up no other.
 */
async function upToDate(tx: Transaction) {
  const older = new Set<string>()
  await tx
    .table('projects')
    .toCollection()
    .modify((p: StoredProject) => {
      const raw = p.doc as unknown as Record<string, unknown> | null
      if (typeof raw?.version !== 'number' || raw.version >= PROJECT_VERSION) return
      try {
        p.doc = migrate(raw, raw.version) as unknown as Project
        older.add(p.id)
      } catch {
        return
      }
    })
  await tx.table('history').bulkDelete([...older])
}

interface PatchedChange {
  label: string
  patches: Patch[]
  inverse: Patch[]
}

/**
 * Undo was kept as patches by place in a list; walking back from the present state says the same by what the items are
 * known by.
 */
async function historiesAsEdits(tx: Transaction) {
  enablePatches()
  const projects = new Map((await tx.table('projects').toArray()).map((p: StoredProject) => [p.id, p.doc]))
  await tx
    .table('history')
    .toCollection()
    .modify((h: { id: string; past: (PatchedChange | Change)[]; future: (PatchedChange | Change)[] }) => {
      const doc = projects.get(h.id)
      try {
        const past: Change[] = []
        let after = doc as Project
        for (const c of [...(h.past as PatchedChange[])].reverse()) {
          const before = applyPatches(after, c.inverse)
          past.unshift(changeOf(c.label, before, after))
          after = before
        }
        const future: Change[] = []
        let before = doc as Project
        for (const c of [...(h.future as PatchedChange[])].reverse()) {
          const next = applyPatches(before, c.patches)
          future.unshift(changeOf(c.label, before, next))
          before = next
        }
        Object.assign(h, { past, future })
      } catch {
        Object.assign(h, { past: [], future: [] })
      }
    })
}
