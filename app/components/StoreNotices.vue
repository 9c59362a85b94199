<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { exportProject } from '../persistence/export.ts'
import { listProjects } from '../persistence/projects.ts'
import { mend, noStore, trouble, tryStoreAgain, type NoStore } from '../persistence/store.ts'
import { loadFault, newVersion } from '../persistence/version.ts'
import { useDocument } from '../stores/document.ts'

/**
 * What stands above everything until it is over: no store, a store that failed, a part that did not load, a new
 * version.
 */
const doc = useDocument()
const busy = ref(false)
const result = ref('')

const WHY: Record<NoStore, string> = {
  missing: 'This browser has no store for web pages.',
  refused: 'This browser’s store can not be opened. Private windows, blocked site data and damaged profiles do this.',
  silent: 'This browser’s store does not answer.',
  blocked: 'Another tab holds an older version of Tack Loft open. Close the other tabs, then try again.',
  newer: 'What is stored here belongs to a newer version of Tack Loft. Load the page again to get that version.',
}
const RETRY_MS = 15_000

async function exportAll() {
  const open = doc.project
  if (open) exportProject(open)
  for (const h of doc.parked.values()) exportProject(h.held.project)
  const ids = new Set([open?.id, ...doc.parked.keys()])
  const shelf = await listProjects().catch(() => null)
  for (const p of shelf?.projects ?? []) if (!ids.has(p.id)) exportProject(p.doc)
  if (!shelf) result.value = 'The other projects can not be read now; the open one was exported.'
}
/** Mends the store and writes what waits; the warning goes when that was read back. */
async function tryAgain(sure: boolean) {
  if (busy.value) return
  busy.value = sure
  // What cannot be moved stays in memory, and the notice stays with it.
  if (noStore.value) await tryStoreAgain().catch(() => undefined)
  else if (await mend(sure)) await Promise.all([doc.flush(), doc.saveParked(), doc.confirm()])
  if (sure) result.value = trouble.value || noStore.value ? 'It still fails.' : ''
  busy.value = false
}
const timer = setInterval(() => trouble.value && void tryAgain(false), RETRY_MS)
onBeforeUnmount(() => clearInterval(timer))
const words = computed(() => (trouble.value ? trouble.value.message.slice(0, 160) : ''))
</script>

<template>
  <div class="notices no-print">
    <div v-if="trouble" class="bar grave" role="alert">
      <strong>{{
        trouble.full ? 'The disk is full: not everything is saved.' : 'Saving failed: not everything is saved.'
      }}</strong>
      <p>
        What you changed since is in this tab only, and the browser may have thrown away what it kept before: this tab
        puts back all it knows as soon as it can write. Keep it open. Export now, then
        {{ trouble.full ? 'free some space' : 'wait a moment or close other tabs' }} and try again. This stays until
        everything was written and read back. <span class="soft">({{ words }})</span>
      </p>
      <p>
        <button type="button" class="btn btn-sm btn-primary" @click="exportAll">Export everything</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" :disabled="busy" @click="tryAgain(true)">
          {{ busy ? 'Trying …' : trouble.full ? 'There is space now: try again' : 'Try again' }}
        </button>
        <span role="status">{{ result }}</span>
      </p>
    </div>
    <div v-else-if="noStore" class="bar grave" role="alert">
      <strong>Nothing is kept when this tab is closed.</strong>
      <p>
        {{ WHY[noStore.why] }} You can work here; export what you want to keep before you close the tab.
        <span class="soft">({{ noStore.message }})</span>
      </p>
      <p>
        <button type="button" class="btn btn-sm btn-primary" @click="exportAll">Export everything</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" :disabled="busy" @click="tryAgain(true)">
          {{ busy ? 'Trying …' : 'Try the store again' }}
        </button>
        <span role="status">{{ result }}</span>
      </p>
    </div>
    <div v-if="loadFault" class="bar grave" role="alert">
      <strong>A part of the application did not load.</strong>
      <p>
        {{ loadFault.words }} What you have entered is not touched.
        <button type="button" class="btn btn-sm btn-primary" @click="loadFault.again()">Load again</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="loadFault = null">Not now</button>
      </p>
    </div>
    <div v-if="newVersion" class="bar" role="status">
      <p>
        A new version of Tack Loft is here. This tab goes on with the old one until you load the page again.
        <button type="button" class="btn btn-sm btn-primary" @click="newVersion()">Load the new version</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="newVersion = null">Later</button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.bar {
  padding: 0.5rem 1.1rem;
  background: var(--doubt-soft);
  border-left: 5px solid var(--doubt);
  border-bottom: 1px solid var(--line-strong);
}
.grave {
  background: var(--trouble-soft);
  border-left-color: var(--trouble);
}
p {
  margin: 0.1rem 0 0;
  max-width: 75rem;
}
.btn {
  margin: 0.15rem 0.4rem 0.15rem 0;
}
</style>
