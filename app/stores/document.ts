import { applyPatches, enablePatches, produceWithPatches, type Draft } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Project } from '../../core/project/project.ts'
import type { Change } from '../persistence/db.ts'
import { loadHistory, loadProject, saveProject } from '../persistence/projects.ts'

enablePatches()

/** Changes under one key within this time are one step of undo, ms: a drag, or stepping a number. */
const SAME_GESTURE_MS = 1200
/** A change is on disk at most this much later, ms: one write for many frames of a drag. */
const SAVE_AFTER_MS = 120

export type SaveState = 'saved' | 'saving' | 'failed' | 'full'

/** The open project: every change goes through `change`, can be undone, and is saved as it is made. */
export const useDocument = defineStore('document', () => {
  const project = shallowRef<Project | null>(null)
  const past = shallowRef<Change[]>([])
  const future = shallowRef<Change[]>([])
  const saveState = ref<SaveState>('saved')
  const notice = ref('')
  let rev = 0
  let sinceSave: Change[] = []
  let timer: ReturnType<typeof setTimeout> | null = null
  let saving: Promise<void> | null = null
  let gesture: { key: string; at: number } | null = null

  async function open(id: string): Promise<boolean> {
    if (project.value?.id === id) return true
    await flush()
    const [stored, history] = await Promise.all([loadProject(id), loadHistory(id)])
    if (!stored || stored.binnedAt) return false
    rev = stored.rev
    project.value = stored.doc
    past.value = history.past
    future.value = history.future
    sinceSave = []
    gesture = null
    saveState.value = 'saved'
    return true
  }

  /** Makes one change. Changes of one `key` in quick succession are undone together; those of one held gesture however long it takes. */
  function change(label: string, recipe: (draft: Draft<Project>) => void, key?: string, held = false) {
    if (!project.value) return
    const [next, patches, inverse] = produceWithPatches(project.value, recipe)
    if (patches.length === 0) return
    project.value = next
    const made: Change = { label, patches, inverse }
    const at = Date.now()
    const joins = key !== undefined && gesture?.key === key && (held || at - gesture.at < SAME_GESTURE_MS) && past.value.length > 0
    past.value = joins ? [...past.value.slice(0, -1), joined(past.value[past.value.length - 1], made)] : [...past.value, made]
    gesture = key === undefined ? null : { key, at }
    future.value = []
    queue(made)
  }

  function undo() {
    const last = past.value[past.value.length - 1]
    if (!last || !project.value) return
    project.value = applyPatches(project.value, last.inverse)
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, last]
    gesture = null
    queue({ label: last.label, patches: last.inverse, inverse: last.patches })
  }
  function redo() {
    const next = future.value[future.value.length - 1]
    if (!next || !project.value) return
    project.value = applyPatches(project.value, next.patches)
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, next]
    gesture = null
    queue(next)
  }

  function queue(made: Change) {
    sinceSave.push(made)
    saveState.value = 'saving'
    timer ??= setTimeout(() => void flush(), SAVE_AFTER_MS)
  }

  /** Writes what is not on disk yet. */
  async function flush(): Promise<void> {
    if (timer) clearTimeout(timer)
    timer = null
    if (saving) await saving
    if (!project.value || sinceSave.length === 0) return
    saving = write().finally(() => (saving = null))
    await saving
  }
  async function write() {
    const doc = project.value!
    const pending = sinceSave
    sinceSave = []
    const outcome = await saveProject(doc, rev, { past: past.value, future: future.value }, pending)
    switch (outcome.kind) {
      case 'saved':
        rev = outcome.rev
        saveState.value = sinceSave.length > 0 ? 'saving' : 'saved'
        break
      case 'merged':
        rev = outcome.rev
        project.value = outcome.doc
        saveState.value = 'saved'
        notice.value = 'This project was also changed in another tab. Both changes are kept.'
        break
      case 'conflict':
        rev = outcome.stored.rev
        project.value = outcome.stored.doc
        past.value = []
        future.value = []
        saveState.value = 'saved'
        notice.value = 'This project was changed in another tab in the same place. The other tab’s state is shown; the last change here was not kept.'
        break
      case 'failed':
        sinceSave = [...pending, ...sinceSave]
        saveState.value = outcome.full ? 'full' : 'failed'
        notice.value = outcome.full
          ? 'The browser has no room left, so the last change is not saved. It is still here: export the project, free some space, and change anything to try again.'
          : `Saving failed (${outcome.message}). The change is still here: export the project before you close this tab.`
    }
  }
  /** Another tab saved: take its state when nothing is waiting here. */
  async function refresh() {
    if (!project.value || sinceSave.length > 0 || saving) return
    const stored = await loadProject(project.value.id)
    if (!stored || stored.rev === rev) return
    rev = stored.rev
    project.value = stored.doc
    const history = await loadHistory(stored.id)
    past.value = history.past
    future.value = history.future
  }
  async function close() {
    await flush()
    project.value = null
  }

  return {
    project, saveState, notice, open, change, undo, redo, flush, refresh, close,
    canUndo: computed(() => past.value.length > 0), canRedo: computed(() => future.value.length > 0),
    undoLabel: computed(() => past.value[past.value.length - 1]?.label ?? ''), redoLabel: computed(() => future.value[future.value.length - 1]?.label ?? ''),
  }
})

/** Two changes as one; values that were only set again keep the first inverse and the last value. */
function joined(a: Change, b: Change): Change {
  const same = a.patches.length === 1 && b.patches.length === 1 && a.patches[0].path.join('/') === b.patches[0].path.join('/')
  return same ? { label: b.label, patches: b.patches, inverse: a.inverse } : { label: b.label, patches: [...a.patches, ...b.patches], inverse: [...b.inverse, ...a.inverse] }
}
