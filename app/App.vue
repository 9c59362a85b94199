<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { BApp } from 'bootstrap-vue-next/components/BApp'
import { computed, onErrorCaptured, ref } from 'vue'
import { useRouter } from 'vue-router'
import LeaveUnsaved from './components/LeaveUnsaved.vue'
import StoreNotices from './components/StoreNotices.vue'
import { exportProject } from './persistence/export.ts'
import { noStore, trouble } from './persistence/store.ts'
import { isLoadFault, noteLoadFault } from './persistence/version.ts'
import { useDocument } from './stores/document.ts'

const doc = useDocument()
const router = useRouter()

/** A screen that failed says so in its place; the rest stays, and nothing that was entered is lost. */
const broken = ref('')
onErrorCaptured((e) => {
  if (isLoadFault(e)) noteLoadFault(() => location.reload())
  else {
    broken.value = e instanceof Error ? e.message : String(e)
    console.error(e)
  }
  return false
})
router.onError((e, to) => {
  if (isLoadFault(e)) noteLoadFault(() => location.assign(to.fullPath))
  else broken.value = e instanceof Error ? e.message : String(e)
})
router.afterEach(() => (broken.value = ''))

/** Something would be lost with this tab. */
const atRisk = computed(() => doc.unsaved || doc.parked.size > 0 || trouble.value !== null || noStore.value !== null)
useEventListener(window, 'beforeunload', (e) => {
  void doc.flush()
  if (atRisk.value) e.preventDefault()
})
</script>

<template>
  <BApp>
    <div class="whole">
      <StoreNotices />
      <div class="page">
        <div v-if="broken" class="station" role="alert">
          <h1>This screen failed</h1>
          <p>
            Nothing you entered is lost by it. <span class="soft">({{ broken }})</span>
          </p>
          <p class="d-flex flex-wrap gap-2">
            <button v-if="doc.project" type="button" class="btn btn-primary" @click="exportProject(doc.project)">
              Export the project file
            </button>
            <button type="button" class="btn btn-outline-secondary" @click="doc.canUndo && (doc.undo(), (broken = ''))">
              Undo the last change
            </button>
            <a class="btn btn-outline-secondary" href="/">All projects</a>
          </p>
        </div>
        <RouterView v-else />
      </div>
    </div>
    <LeaveUnsaved />
  </BApp>
</template>

<style>
.whole {
  display: flex;
  flex-direction: column;
  height: 100dvh;
}
.whole > .page {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
@media print {
  .whole,
  .whole > .page {
    display: block;
    height: auto;
    overflow: visible;
  }
}
</style>
