<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { exportProject } from '../persistence/export.ts'
import { useDocument } from '../stores/document.ts'

/** Asks before a project is left while something of it is not saved. */
const doc = useDocument()
const router = useRouter()
const open = ref(false)
let answer: ((go: boolean) => void) | null = null

router.beforeEach(async (to, from) => {
  if (!from.params.project || to.params.project === from.params.project) return true
  await doc.flush()
  if (!doc.unsaved) return true
  open.value = true
  return new Promise<boolean>((resolve) => (answer = resolve))
})
function decide(go: boolean) {
  answer?.(go)
  answer = null
  open.value = false
}
</script>

<template>
  <BModal v-model="open" title-tag="h2" title="Not everything is saved" no-footer lazy @hidden="decide(false)">
    <p>
      The last changes to <strong>{{ doc.project?.name }}</strong> are not on the disk. They stay in this tab while you
      look elsewhere, and are gone when the tab is closed.
    </p>
    <div class="d-flex flex-wrap gap-2">
      <button type="button" class="btn btn-primary" @click="decide(false)">Stay here</button>
      <button type="button" class="btn btn-outline-secondary" @click="doc.project && exportProject(doc.project)">
        Export the project file
      </button>
      <button type="button" class="btn btn-outline-secondary" @click="decide(true)">
        Leave, keep them in this tab
      </button>
    </div>
  </BModal>
</template>
