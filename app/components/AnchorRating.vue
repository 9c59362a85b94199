<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { settingsChanged } from '../../core/wording/undo.ts'
import { useDocument } from '../stores/document.ts'

/** What the maker of the anchors says that one holds, pulled out. */
const doc = useDocument()
const id = useId()
const rated = computed(() => doc.project?.settings.anchorRatedN ?? null)
const problem = ref('')
function setTo(field: HTMLInputElement) {
  const n = field.value.trim() === '' ? null : Number(field.value)
  problem.value =
    n !== null && !(n >= 10 && n <= 100_000)
      ? 'A force from 10 to 100,000 N, as printed on the packet; empty when not known.'
      : ''
  if (problem.value) return
  doc.change(settingsChanged({ anchorRatedN: n }), (d) => {
    d.settings.anchorRatedN = n
  })
}
</script>

<template>
  <div>
    <label class="form-label" :for="id">One masonry anchor, maker's rated pull-out (N)</label>
    <input
      :id="id"
      class="form-control form-control-sm"
      inputmode="numeric"
      :value="rated ?? ''"
      placeholder="from the packet"
      @change="setTo($event.target as HTMLInputElement)"
    />
    <p v-if="problem" class="text-trouble small mb-0" role="alert">{{ problem }}</p>
  </div>
</template>
