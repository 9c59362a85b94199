import { produce, type Draft } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef } from 'vue'
import type { Problem } from '../../core/measure/result.ts'
import { changed, rebased, redoOne, undoOne, without, type Held } from '../../core/project/held.ts'
import type { NotKept } from '../../core/project/merge.ts'
import type { Project } from '../../core/project/project.ts'
import {
  addProject,
  confirmSaved,
  loadHistory,
  loadProject,
  saveProject,
  type Loaded,
} from '../persistence/projects.ts'
import { noStore } from '../persistence/store.ts'

/** Changes under one key within this time are one step of undo, ms: a drag, or stepping a number. */
const SAME_GESTURE_MS = 1200
/** A change is on disk at most this much later, ms: one write for many frames of a drag. */
const SAVE_AFTER_MS = 120
/** A save that failed is tried again this much later, ms. */
const RETRY_AFTER_MS = 10_000

export type SaveState = 'saved' | 'saving' | 'failed' | 'full' | 'gone' | 'memory'
export type Opened =
  'open' | 'missing' | 'binned' | Extract<Loaded, { kind: 'damaged' }> | { kind: 'failed'; message: string }

/** A project with its builds in the present form of their kinds, which are read only once a project is opened. */
async function loadPresent(id: string): Promise<Loaded> {
  const [loaded, { upgradedProject }] = await Promise.all([loadProject(id), import('../../core/project/upgrade.ts')])
  if (loaded.kind !== 'there') return loaded
  return { ...loaded, project: { ...loaded.project, doc: upgradedProject(loaded.project.doc) } }
}

/** The open project: every change goes through `change`, can be undone, and is saved as it is made. */
export const useDocument = defineStore('document', () => {
  const held = shallowRef<Held | null>(null)
  /** Projects that were left while something of theirs was not saved: kept for as long as this tab is open. */
  const parked = shallowReactive(new Map<string, { held: Held; gone: boolean }>())
  const saveState = ref<SaveState>('saved')
  const notice = ref('')
  /** Why the last change was not taken over; null once one was. */
  const refused = shallowRef<Problem | null>(null)
  let timer: ReturnType<typeof setTimeout> | null = null
  let saving: Promise<void> | null = null
  let gesture: { key: string; at: number } | null = null
  let opening = 0

  const unsaved = computed(() => (held.value?.pending.length ?? 0) > 0 || saveState.value === 'gone')
  const settled = (): SaveState => (noStore.value ? 'memory' : 'saved')

  async function open(id: string): Promise<Opened> {
    const mine = ++opening
    if (held.value?.project.id === id) return 'open'
    await close()
    const kept = parked.get(id)
    if (kept) {
      parked.delete(id)
      take(kept.held)
      if (kept.gone) saveState.value = 'gone'
      else void flush()
      return 'open'
    }
    try {
      const [loaded, history] = await Promise.all([loadPresent(id), loadHistory(id)])
      if (loaded.kind !== 'there') return loaded.kind === 'missing' ? 'missing' : loaded
      if (loaded.project.binnedAt) return 'binned'
      // Someone went on to another project while this one was read.
      if (mine !== opening) return 'open'
      take({ project: loaded.project.doc, ...history, rev: loaded.project.rev, pending: [] })
      if (loaded.renamed.length > 0)
        notice.value = `${loaded.renamed.length} things here shared an id with another and have one of their own now.`
      return 'open'
    } catch (e) {
      return { kind: 'failed', message: e instanceof Error ? e.message : String(e) }
    }
  }
  function take(next: Held | null) {
    held.value = next
    gesture = null
    refused.value = null
    saveState.value = next && next.pending.length > 0 ? 'saving' : settled()
  }

  /**
   * Makes one change; false when it was refused (`refused` says why). Changes of one `key` in quick succession are
   * undone together; those of one held gesture however long it takes.
   */
  function change(label: string, recipe: (draft: Draft<Project>) => void, key?: string, held_ = false): boolean {
    const h = held.value
    if (!h) return false
    const at = Date.now()
    const joins = key !== undefined && gesture?.key === key && (held_ || at - gesture.at < SAME_GESTURE_MS)
    const next = changed(h, label, produce(h.project, recipe), joins)
    refused.value = next.ok ? null : next.problem
    if (!next.ok) return false
    gesture = key === undefined ? null : { key, at }
    went(h, next.held)
    return true
  }
  function undo() {
    stepped(undoOne, 'past', 'undone')
  }
  function redo() {
    stepped(redoOne, 'future', 'done again')
  }
  function stepped(way: typeof undoOne, from: 'past' | 'future', word: string) {
    const h = held.value
    if (!h) return
    const next = way(h)
    gesture = null
    refused.value = null
    if (next.ok) return went(h, next.held)
    notice.value = `"${h[from][h[from].length - 1].label}" can not be ${word}: another tab changed the same since.`
    held.value = without(h, from)
  }
  function went(before: Held, after: Held) {
    if (after === before) return
    held.value = after
    if (after.pending.length === 0) return
    if (saveState.value !== 'gone')
      saveState.value = saveState.value === 'full' || saveState.value === 'failed' ? saveState.value : 'saving'
    later(SAVE_AFTER_MS)
  }
  function later(ms: number) {
    timer ??= setTimeout(() => void flush(), ms)
  }

  /** Writes what is not on disk yet. */
  async function flush(): Promise<void> {
    if (timer) clearTimeout(timer)
    timer = null
    if (saving) await saving
    if (!held.value || held.value.pending.length === 0 || saveState.value === 'gone') return
    saving ??= write().finally(() => (saving = null))
    await saving
  }
  async function write() {
    const h = held.value!
    const outcome = await saveProject(h.project, h.rev, { past: h.past, future: h.future }, h.pending)
    // What was changed while it was being written comes behind what was written.
    const now = held.value
    if (now?.project.id !== h.project.id) return
    const since = now.pending.slice(h.pending.length)
    switch (outcome.kind) {
      case 'saved':
        held.value = { ...now, rev: outcome.rev, pending: since }
        break
      case 'merged': {
        const next = rebased({ project: outcome.doc, ...outcome.history, rev: outcome.rev }, since)
        held.value = next.held
        notice.value = told([...outcome.lost, ...next.lost])
        break
      }
      case 'gone':
        saveState.value = 'gone'
        return
      case 'failed':
        saveState.value = outcome.full ? 'full' : 'failed'
        later(RETRY_AFTER_MS)
        return
    }
    saveState.value = since.length > 0 ? 'saving' : settled()
    if (since.length > 0) later(SAVE_AFTER_MS)
  }

  /** Another tab saved: take its state. With something waiting here the next save lays it over. */
  async function refresh() {
    const h = held.value
    if (!h || h.pending.length > 0 || saving || saveState.value === 'gone') return
    const id = h.project.id
    const read = await Promise.all([loadPresent(id), loadHistory(id)]).catch(() => null)
    // Only if nothing was changed while it was read.
    if (!read || held.value !== h || saving) return
    const [loaded, history] = read
    if (loaded.kind === 'missing') saveState.value = 'gone'
    if (loaded.kind !== 'there' || loaded.project.rev === h.rev) return
    take({ project: loaded.project.doc, ...history, rev: loaded.project.rev, pending: [] })
  }

  /** Lets the project go; what could not be saved of it is kept in this tab. */
  async function close(): Promise<void> {
    await flush()
    const h = held.value
    if (h && unsaved.value) parked.set(h.project.id, { held: h, gone: saveState.value === 'gone' })
    if (timer) clearTimeout(timer)
    timer = null
    take(null)
  }
  /** Saves what was kept when projects were left; true when all of it is on disk now. */
  async function saveParked(): Promise<boolean> {
    for (const [id, { held: h, gone }] of [...parked]) {
      if (gone) continue
      const outcome = await saveProject(h.project, h.rev, { past: h.past, future: h.future }, h.pending)
      if (outcome.kind === 'saved' || outcome.kind === 'merged') parked.delete(id)
      if (outcome.kind === 'merged') notice.value = told(outcome.lost)
    }
    return parked.size === 0
  }

  /** Puts a project that was deleted for good elsewhere back on the shelf, as one of its own; its new id. */
  async function keepAsNew(id: string): Promise<string> {
    const h = held.value!
    const project = { ...h.project, id }
    await addProject(project)
    take({ ...h, project, rev: 1, pending: [] })
    return id
  }

  /** Whether what is open here is on the disk, asked after trouble when nothing waits to be saved. */
  async function confirm(): Promise<void> {
    const h = held.value
    if (h && h.pending.length === 0) await confirmSaved(h.project.id, h.rev)
    else if (!h) await confirmSaved(null, 0)
  }

  return {
    confirm,
    project: computed(() => held.value?.project ?? null),
    saveState,
    notice,
    refused,
    unsaved,
    parked,
    open,
    change,
    undo,
    redo,
    flush,
    refresh,
    close,
    saveParked,
    keepAsNew,
    canUndo: computed(() => (held.value?.past.length ?? 0) > 0),
    canRedo: computed(() => (held.value?.future.length ?? 0) > 0),
    undoLabel: computed(() => held.value?.past.at(-1)?.label ?? ''),
    redoLabel: computed(() => held.value?.future.at(-1)?.label ?? ''),
  }
})

/** What became of two tabs' changes. */
function told(lost: readonly NotKept[]): string {
  if (lost.length === 0) return 'This project was also changed in another tab. Both changes are kept.'
  const labels = [...new Set(lost.map((l) => `"${l.label}"`))]
  const gone = lost.every((l) => l.why.code === 'edit-gone')
  return `Not kept: ${labels.join(', ')}. Another tab ${gone ? 'took away what it concerns' : 'changed the same'}. Everything else of both tabs is kept.`
}
