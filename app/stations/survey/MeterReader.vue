<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue'
import { averageReadings } from '../../../core/measure/readings.ts'
import { formatLength } from '../../../core/measure/format.ts'
import IconRuler from '~icons/bi/broadcast'
import { useReadings } from '../../stores/readings.ts'

/** Takes a length from the distance meter: repeated readings, averaged, the odd one put aside. */
const props = defineProps<{ what: string; nearMm: number }>()
const emit = defineEmits<{ take: [mm: number] }>()
const readings = useReadings()
const mm = ref<number[]>([])
const state = ref<'idle' | 'reading' | 'done' | 'away'>('idle')
let source: EventSource | null = null
const result = computed(() => averageReadings(mm.value))

function read() {
  stop()
  mm.value = []
  state.value = 'reading'
  source = new EventSource(`/api/meter?near=${Math.round(props.nearMm)}&count=9&seed=${Math.floor(Date.now() % 1e6)}`)
  source.onmessage = (e: MessageEvent<string>) => void mm.value.push((JSON.parse(e.data) as { mm: number }).mm)
  source.addEventListener('done', () => {
    state.value = 'done'
    stop()
  })
  source.onerror = () => {
    if (state.value === 'reading') state.value = mm.value.length >= 3 ? 'done' : 'away'
    stop()
  }
}
function stop() {
  source?.close()
  source = null
}
onUnmounted(stop)
function take() {
  if (result.value) emit('take', Math.round(result.value.meanMm))
  state.value = 'idle'
  mm.value = []
}
</script>

<template>
  <div class="meter">
    <button
      type="button"
      class="btn btn-sm btn-outline-secondary"
      :disabled="state === 'reading'"
      :aria-label="`Read ${what} from the distance meter`"
      @click="read"
    >
      <IconRuler aria-hidden="true" /> meter
    </button>
    <span v-if="state !== 'idle'" class="small" role="status">
      <template v-if="state === 'away'">The meter does not answer. Type the length; nothing was changed.</template>
      <template v-else>
        <span v-for="(r, i) in mm" :key="i" class="one" :class="{ odd: result?.odd.includes(i) }"
          >{{ formatLength(r, readings.units) }}<span v-if="result?.odd.includes(i)"> odd</span></span
        >
        <template v-if="state === 'done' && result && !result.agree">
          : these do not agree. Make sure nothing stands in its way, and read again.
        </template>
        <template v-else-if="state === 'done' && result">
          : {{ formatLength(result.meanMm, readings.units) }} ±
          {{ formatLength(result.spreadMm, { system: 'metric', fraction: 16 }) }} from {{ result.kept }}
          <button type="button" class="btn btn-sm btn-primary" @click="take">Take it</button>
        </template>
      </template>
    </span>
  </div>
</template>

<style scoped>
.meter {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}
.one {
  margin-right: 0.4rem;
}
.odd {
  text-decoration: line-through;
  color: var(--trouble);
}
</style>
