<script setup lang="ts">
import { useTemplateRef, watch } from 'vue'
import type { Problem } from '../../../core/measure/result.ts'
import ProblemLine from './ProblemLine.vue'

/** What became of files that were imported: why they were not, what was changed in them, and the way to them. */
export interface ImportOutcome {
  file: string
  /** Project it is now; null where nothing was taken. */
  id: string | null
  list: Problem[]
}
const props = defineProps<{ outcomes: readonly ImportOutcome[] }>()
defineEmits<{ understood: [] }>()
const told = useTemplateRef<HTMLElement>('told')
watch(
  () => props.outcomes,
  () => told.value?.scrollIntoView({ block: 'nearest' }),
  { flush: 'post', immediate: true },
)
</script>

<template>
  <div v-if="outcomes.length" ref="told" class="mt-3">
    <div v-for="(o, i) in outcomes" :key="i" :role="o.id ? 'status' : 'alert'">
      <strong v-if="o.id === null" class="text-trouble"
        >{{ o.file }} was not imported. Nothing stored was touched.</strong
      >
      <strong v-else>{{ o.file }} was imported{{ o.list.length > 0 ? ', with changes' : '' }}.</strong>
      {{ ' ' }}
      <RouterLink v-if="o.id" :to="{ name: 'sort', params: { project: o.id } }"
        >Open it<span class="visually-hidden"> {{ o.file }}</span></RouterLink
      >
      <ul v-if="o.list.length > 0" class="mb-1">
        <li v-for="(p, k) in o.list" :key="k">
          <ProblemLine :problem="p" />
        </li>
      </ul>
    </div>
    <p class="mt-2 mb-0">
      <button type="button" class="btn btn-sm btn-outline-secondary" @click="$emit('understood')">Understood</button>
    </p>
  </div>
</template>
