<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { isMade, type CutBatch, type SawCut } from '../../../core/takeoff/cut-order.ts'
import { sayCare, sayOutcome, saySetting, stockOfBatch } from '../../../core/wording/cuts.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { useReadings } from '../../stores/readings.ts'

/** One cut at a time, in large type: what is set, what comes off, what to write on it. */
const props = defineProps<{ batches: CutBatch[]; names: ReadonlyMap<string, string>; done: ReadonlySet<string> }>()
const emit = defineEmits<{ tick: [cut: SawCut]; wrong: [cut: SawCut] }>()
const readings = useReadings()
const all = computed(() => props.batches.flatMap((batch) => batch.cuts.map((cut, i) => ({ cut, batch, i }))))
const firstOpen = computed(() => {
  const i = all.value.findIndex((x) => !isMade(x.cut, props.done))
  return i < 0 ? all.value.length - 1 : i
})
const at = ref(firstOpen.value)
watch(
  () => all.value.length,
  () => (at.value = firstOpen.value),
)
const now = computed(() => all.value[Math.min(at.value, all.value.length - 1)])
const made = computed(() => now.value && isMade(now.value.cut, props.done))
function next() {
  if (!made.value) emit('tick', now.value!.cut)
  at.value = Math.min(at.value + 1, all.value.length - 1)
}
const size = (c: SawCut) =>
  `${formatLength(c.inHand.widthMm, readings.units)} x ${formatLength(c.inHand.lengthMm, readings.units)}`
</script>

<template>
  <div v-if="now" class="one card-sheet">
    <p class="soft mb-1">
      Cut {{ now.cut.n }} of {{ all[all.length - 1].cut.n }} · {{ names.get(now.cut.on) }} ·
      {{ stockOfBatch(now.batch.stock) }}
    </p>
    <p class="set" :class="{ made }">{{ saySetting(now.batch, readings.say) }}</p>
    <p v-if="now.i > 0" class="soft">The same setting as before, {{ now.i + 1 }} of {{ now.batch.cuts.length }}.</p>
    <p v-if="now.cut.frees.length" class="label">
      Write on it: <strong>{{ now.cut.frees.join(' · ') }}</strong>
    </p>
    <p>In the hand: {{ size(now.cut) }}. It {{ sayOutcome(now.cut, readings.say) }}.</p>
    <p v-for="x in now.cut.care" :key="x" class="care">{{ sayCare(x) }}</p>
    <div class="keys">
      <button type="button" class="btn btn-outline-secondary" :disabled="at === 0" @click="at--">Back</button>
      <button type="button" class="btn btn-primary" @click="next">{{ made ? 'Next' : 'Cut, next' }}</button>
    </div>
    <div class="d-flex flex-wrap gap-2 mt-2">
      <button v-if="made" type="button" class="btn btn-sm btn-link" @click="emit('tick', now.cut)">
        Not cut yet after all
      </button>
      <button
        v-if="now.cut.frees.length"
        type="button"
        class="btn btn-sm btn-outline-secondary"
        @click="emit('wrong', now.cut)"
      >
        This one went wrong
      </button>
    </div>
  </div>
</template>

<style scoped>
.set {
  font-size: 1.9rem;
  line-height: 1.15;
  font-weight: 700;
  margin-bottom: 0.4rem;
}
.made {
  text-decoration: line-through;
}
.label {
  font-size: 1.4rem;
  margin-bottom: 0.4rem;
}
.care {
  border-left: 4px solid var(--doubt);
  background: var(--doubt-soft);
  padding: 0.3rem 0.6rem;
}
.keys {
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: 0.6rem;
}
.keys .btn {
  min-height: 56px;
  font-size: 1.2rem;
}
</style>
