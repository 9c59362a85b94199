import { isFields, same } from '../../core/edits/edit.ts'
import type { Problem } from '../../core/measure/result.ts'
import { readProject } from '../../core/project/file.ts'
import { layChanges, together, type Change, type NotKept } from '../../core/project/merge.ts'
import type { Project } from '../../core/project/project.ts'
import type { StoredPlan, StoredProject } from './db.ts'
import { confirmed, isFull, reason, store, trouble } from './store.ts'
import { checkHistory, checkStored, type Damaged } from './stored.ts'
import type { Writing } from './tables.ts'
import { newId } from './new-id.ts'

/** Changes kept for undo, in each project. */
const KEPT = 100
/** The server says how it was started within this time, or the demo is laid out, ms. */
const ASK_SERVER_MS = 3000

export interface History {
  past: Change[]
  future: Change[]
}
export type SaveOutcome =
  | { kind: 'saved'; rev: number }
  /** Laid over what another tab saved in between; `lost` was not kept. */
  | { kind: 'merged'; rev: number; doc: Project; history: History; lost: NotKept[] }
  /** Deleted for good in another tab: it does not come back by itself. */
  | { kind: 'gone' }
  | { kind: 'failed'; full: boolean; message: string }

const now = () => new Date().toISOString()

export interface Shelf {
  projects: StoredProject[]
  damaged: Damaged[]
}
/** All projects, the last touched first, and what lies there that is none. */
export async function listProjects(): Promise<Shelf> {
  const read = (await (await store()).all('projects')).map(checkStored)
  return {
    projects: read
      .flatMap((r) => (r.ok ? [r.project] : []))
      .sort((a, b) => (a.touchedAt < b.touchedAt ? 1 : a.touchedAt > b.touchedAt ? -1 : 0)),
    damaged: read.flatMap((r) => (r.ok ? [] : [r.damaged])),
  }
}

export type Loaded =
  | { kind: 'there'; project: StoredProject; renamed: Problem[] }
  | { kind: 'missing' }
  | { kind: 'damaged'; damaged: Damaged }
export async function loadProject(id: string): Promise<Loaded> {
  const raw = await (await store()).get('projects', id)
  if (raw === undefined) return { kind: 'missing' }
  const read = checkStored(raw)
  return read.ok
    ? { kind: 'there', project: read.project, renamed: read.renamed }
    : { kind: 'damaged', damaged: read.damaged }
}
export const loadHistory = async (id: string): Promise<History> =>
  checkHistory(await (await store()).get('history', id).catch(() => undefined))

export async function addProject(doc: Project): Promise<void> {
  await (await store()).write((w) => putNew(w, doc))
  await confirmed('projects', doc.id, (r) => isFields(r) && same(r.doc, doc))
}
async function putNew(w: Writing, doc: Project): Promise<void> {
  if ((await w.get('projects', doc.id)) !== undefined)
    throw new Error(`a project with the id "${doc.id}" is there already`)
  await w.put('projects', { id: doc.id, rev: 1, touchedAt: now(), binnedAt: null, doc })
}

let asked = false
/** Asks the browser, once there is work of the person's own, not to throw it away when it wants room. It may say no. */
function askToKeep(): void {
  if (asked || typeof navigator === 'undefined') return
  asked = true
  void navigator.storage?.persist?.().catch(() => false)
}

const revOf = (record: unknown) => (isFields(record) && typeof record.rev === 'number' ? record.rev : 0)

/**
 * Saves a project over the revision it was read at. If another tab saved in between, this tab's last changes are laid
 * over that newer state; those that can not be are told, and what the other tab saved stays.
 */
export async function saveProject(
  doc: Project,
  rev: number,
  history: History,
  sinceSave: Change[],
): Promise<SaveOutcome> {
  try {
    const outcome = await (await store()).write((w) => saveIn(w, doc, rev, history, sinceSave))
    askToKeep()
    if (!trouble.value || outcome.kind === 'gone') return outcome
    const kept = outcome.kind === 'merged' ? outcome.doc : doc
    if (await confirmed('projects', doc.id, (r) => isFields(r) && r.rev === outcome.rev && same(r.doc, kept)))
      return outcome
    return { kind: 'failed', full: trouble.value?.full ?? false, message: 'what was written could not be read back' }
  } catch (e) {
    return { kind: 'failed', full: isFull(e), message: reason(e) }
  }
}

/**
 * After trouble, with nothing waiting to be saved: whether a project of that revision, or any mark, can be read back.
 */
export const confirmSaved = (id: string | null, rev: number): Promise<boolean> =>
  id === null
    ? confirmed('marks', 'mended', (r) => r !== undefined)
    : confirmed('projects', id, (r) => isFields(r) && r.rev === rev)

async function saveIn(
  w: Writing,
  doc: Project,
  rev: number,
  history: History,
  sinceSave: Change[],
): Promise<Exclude<SaveOutcome, { kind: 'failed' }>> {
  const record = await w.get('projects', doc.id)
  if (record === undefined) return { kind: 'gone' }
  const binnedAt = isFields(record) && typeof record.binnedAt === 'string' ? record.binnedAt : null
  const next = Math.max(revOf(record), rev) + 1
  const stored = revOf(record) === rev ? null : checkStored(record)
  // A smaller number than was read before: the store went back to an older state, and what is held here is the newer
  // one.
  if (!stored?.ok || revOf(record) < rev) {
    await w.put('projects', { id: doc.id, rev: next, touchedAt: now(), binnedAt, doc })
    await w.put('history', { id: doc.id, past: history.past.slice(-KEPT), future: history.future.slice(-KEPT) })
    return { kind: 'saved', rev: next }
  }
  const laid = layChanges(stored.project.doc, sinceSave)
  const theirs = checkHistory(await w.get('history', doc.id))
  if (laid.kept.length === 0)
    return { kind: 'merged', rev: revOf(record), doc: laid.doc, history: theirs, lost: laid.lost }
  const past = [...theirs.past, ...inSteps(laid.kept)].slice(-KEPT)
  await w.put('projects', { id: doc.id, rev: next, touchedAt: now(), binnedAt, doc: laid.doc })
  await w.put('history', { id: doc.id, past, future: [] })
  return { kind: 'merged', rev: next, doc: laid.doc, history: { past, future: [] }, lost: laid.lost }
}

/** Changes of one name behind each other are one step of undo: the frames of a drag. */
const inSteps = (changes: readonly Change[]): Change[] =>
  changes.reduce<Change[]>((list, c) => {
    const last = list[list.length - 1]
    return last?.label === c.label ? [...list.slice(0, -1), together(last, c)] : [...list, c]
  }, [])

/** Into the bin, or out of it. */
const binned = async (id: string, binnedAt: string | null): Promise<void> => {
  await (
    await store()
  ).write(async (w) => {
    const record = await w.get('projects', id)
    if (isFields(record)) await w.put('projects', { ...record, binnedAt })
  })
}
export const binProject = (id: string): Promise<void> => binned(id, now())
export const takeBack = (id: string): Promise<void> => binned(id, null)

export async function deleteForGood(id: string): Promise<void> {
  await (
    await store()
  ).write(async (w) => {
    for (const table of ['projects', 'history', 'plans'] as const) await w.drop(table, id)
  })
}

export interface Imported {
  id: string
  renamed: Problem[]
}
/**
 * Reads a file and stores it as a project of its own; an id that is taken gets a new one. Nothing stored is touched
 * when it fails.
 */
export async function importProject(
  text: string,
  newId: () => string,
): Promise<({ ok: true } & Imported) | { ok: false; problems: Problem[] }> {
  const read = readProject(text)
  if (!read.ok) return read
  const taken = (await (await store()).get('projects', read.project.id)) !== undefined
  const doc = taken
    ? { ...read.project, id: newId(), name: `${read.project.name.slice(0, 69)} (imported)` }
    : read.project
  await addProject(doc)
  return { ok: true, id: doc.id, renamed: read.renamed }
}

/** The best cut plan kept for a project; undefined where there is none that can be used. */
export async function loadPlan(id: string): Promise<StoredPlan | undefined> {
  const raw = await (await store()).get('plans', id).catch(() => undefined)
  if (!isFields(raw) || typeof raw.key !== 'string' || !isFields(raw.procurement)) return undefined
  const { cutPlan } = raw.procurement
  return isFields(cutPlan) && [cutPlan.boards, cutPlan.sheets, cutPlan.claims].every(Array.isArray)
    ? (raw as unknown as StoredPlan)
    : undefined
}
/**
 * Keeps a plan beside its project, unless that was deleted meanwhile. A plan can be found again: a failure is not told.
 */
export async function keepPlan(plan: StoredPlan): Promise<void> {
  if (trouble.value) return
  await (
    await store()
  )
    .write(async (w) => {
      if ((await w.get('projects', plan.id)) !== undefined) await w.put('plans', plan)
    })
    .catch(() => undefined)
}

/** Lays the demo projects in a store that has never had anything in it, unless the server was started empty. */
export async function firstVisit(): Promise<void> {
  const s = await store()
  if (await s.get('marks', 'visited')) return
  const start = await fetch('/api/start', { signal: AbortSignal.timeout(ASK_SERVER_MS) })
    .then((r) => r.json() as Promise<{ start: string }>)
    .catch(() => ({ start: 'demo' }))
  if (start.start !== 'empty' && (await s.all('projects')).length === 0) await addDemos(() => newId('demo'))
  await s.write((w) => w.put('marks', { key: 'visited', value: now() }))
}

/** The demo projects, laid on the shelf; where one lies already under its own id, a copy beside it. */
export async function addDemos(newId: () => string): Promise<void> {
  for (const load of [
    () => import('../../demo/theatre.tackloft.json'),
    () => import('../../demo/potter.tackloft.json'),
    () => import('../../demo/boats.tackloft.json'),
    () => import('../../demo/beekeeper.tackloft.json'),
  ]) {
    const read = readProject(JSON.stringify((await load()).default))
    if (!read.ok) throw new Error('A demo project does not read.')
    const taken = (await (await store()).get('projects', read.project.id)) !== undefined
    await addProject(taken ? { ...read.project, id: newId() } : read.project)
  }
}
