import { applyPatches, enablePatches } from 'immer'
import { readProject, writeProject } from '../../core/project/file.ts'
import type { Project } from '../../core/project/project.ts'
import type { Problem } from '../../core/measure/result.ts'
import { db, type Change, type StoredProject } from './db.ts'

enablePatches()

/** Changes kept for undo, in each project. */
const KEPT = 100

export type SaveOutcome = { kind: 'saved'; rev: number } | { kind: 'merged'; rev: number; doc: Project } | { kind: 'conflict'; stored: StoredProject } | { kind: 'failed'; full: boolean; message: string }

const now = () => new Date().toISOString()
const isFull = (e: unknown): boolean => {
  const names = [e, (e as { inner?: unknown })?.inner].map((x) => (x as { name?: string } | undefined)?.name)
  return names.includes('QuotaExceededError')
}

export const listProjects = (): Promise<StoredProject[]> => db.projects.orderBy('touchedAt').reverse().toArray()
export const loadProject = (id: string): Promise<StoredProject | undefined> => db.projects.get(id)
export const loadHistory = async (id: string): Promise<{ past: Change[]; future: Change[] }> => (await db.history.get(id)) ?? { past: [], future: [] }

export async function addProject(doc: Project): Promise<void> {
  await db.projects.add({ id: doc.id, rev: 1, touchedAt: now(), binnedAt: null, doc })
}

/**
 * Saves a project over the revision it was read at. If another tab saved in between, this tab's last changes are laid over
 * that newer state when they still make a valid project; else the newer state wins and nothing is overwritten.
 */
export async function saveProject(doc: Project, rev: number, history: { past: Change[]; future: Change[] }, sinceSave: Change[]): Promise<SaveOutcome> {
  const kept = { id: doc.id, past: history.past.slice(-KEPT), future: history.future.slice(-KEPT) }
  try {
    return await db.transaction('rw', db.projects, db.history, async (): Promise<SaveOutcome> => {
      const stored = await db.projects.get(doc.id)
      if (!stored || stored.rev === rev) {
        const next = (stored?.rev ?? rev) + 1
        await db.projects.put({ id: doc.id, rev: next, touchedAt: now(), binnedAt: stored?.binnedAt ?? null, doc })
        await db.history.put(kept)
        return { kind: 'saved', rev: next }
      }
      const merged = layOver(stored.doc, sinceSave)
      if (!merged) return { kind: 'conflict', stored }
      await db.projects.put({ ...stored, rev: stored.rev + 1, touchedAt: now(), doc: merged })
      await db.history.put({ id: doc.id, past: kept.past.slice(-sinceSave.length), future: [] })
      return { kind: 'merged', rev: stored.rev + 1, doc: merged }
    })
  } catch (e) {
    return { kind: 'failed', full: isFull(e), message: e instanceof Error ? e.message : String(e) }
  }
}

function layOver(doc: Project, changes: Change[]): Project | null {
  try {
    const merged = changes.reduce((d, c) => applyPatches(d, c.patches), doc)
    const read = readProject(writeProject(merged))
    return read.ok ? read.project : null
  } catch {
    return null
  }
}

export const binProject = (id: string): Promise<number> => db.projects.update(id, { binnedAt: now() })
export const takeBack = (id: string): Promise<number> => db.projects.update(id, { binnedAt: null })
export async function deleteForGood(id: string): Promise<void> {
  await db.transaction('rw', db.projects, db.history, async () => {
    await db.projects.delete(id)
    await db.history.delete(id)
  })
}

/** Reads a file and stores it as a project of its own; an id that is taken gets a new one. Nothing stored is touched when it fails. */
export async function importProject(text: string, newId: () => string): Promise<{ ok: true; id: string } | { ok: false; problems: Problem[] }> {
  const read = readProject(text)
  if (!read.ok) return read
  const taken = await db.projects.get(read.project.id)
  const doc = taken ? { ...read.project, id: newId(), name: `${read.project.name} (imported)`.slice(0, 80) } : read.project
  await addProject(doc)
  return { ok: true, id: doc.id }
}

/** Lays the demo project in a store that has never had anything in it, unless the server was started empty. */
export async function firstVisit(): Promise<void> {
  if (await db.marks.get('visited')) return
  const start = await fetch('/api/start').then((r) => r.json() as Promise<{ start: string }>).catch(() => ({ start: 'demo' }))
  if (start.start !== 'empty' && (await db.projects.count()) === 0) await addDemos(() => `demo-${crypto.randomUUID().slice(0, 8)}`)
  await db.marks.put({ key: 'visited', value: now() })
}

/** The demo projects, laid on the shelf; where one lies already under its own id, a copy beside it. */
export async function addDemos(newId: () => string): Promise<void> {
  for (const load of [() => import('../../demo/potter.tackloft.json'), () => import('../../demo/beekeeper.tackloft.json')]) {
    const read = readProject(JSON.stringify((await load()).default))
    if (!read.ok) throw new Error('A demo project does not read.')
    const taken = await db.projects.get(read.project.id)
    await addProject(taken ? { ...read.project, id: newId() } : read.project)
  }
}
