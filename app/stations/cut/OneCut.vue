<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { linesOf, ranges, type BatchLine } from '../../../core/takeoff/batch-lines.ts'
import type { CutBatch, SawCut } from '../../../core/takeoff/cut-order.ts'
import { sayCare, sayLine, saySetting, stockOfBatch } from '../../../core/wording/cuts.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { useReadings } from '../../stores/readings.ts'

/** One line of cuts at a time, in large type: what is set, what comes off, what to write on it. */
const props = defineProps<{ batches: CutBatch[]; names: ReadonlyMap<string, string>; made: ReadonlySet<string> }>()
const emit = defineEmits<{ tick: [cuts: SawCut[], on: boolean]; wrong: [labels: string[]] }>()
const readings = useReadings()
const singly = useLocalStorage('cut-singly', false)
const alone = (c: SawCut): BatchLine => ({ ...c, cuts: [c], on: [c.on], each: 1 })
const all = computed(() =>
  props.batches.flatMap((batch) =>
    (singly.value ? batch.cuts.map(alone) : linesOf(batch)).map((line, i, { length }) => ({ batch, line, i, length })),
  ),
)
const isMade = (l: BatchLine) => l.cuts.every((c) => props.made.has(c.key))
const firstOpen = computed(() => {
  const i = all.value.findIndex((x) => !isMade(x.line))
  return i < 0 ? all.value.length - 1 : i
})
const at = ref(firstOpen.value)
/** Another plan, or the same cuts in another order: then one goes on where the first is open. */
watch(
  () => all.value.map((x) => x.line.cuts[0].key).join('|'),
  () => (at.value = firstOpen.value),
)
const now = computed(() => all.value[Math.min(at.value, all.value.length - 1)])
const isDone = computed(() => now.value && isMade(now.value.line))
const numbers = ({ cuts }: BatchLine) =>
  cuts.length > 1
    ? `Cuts ${ranges(
        cuts.map((c) => `${c.n}`),
        ' to ',
      )}`
    : `Cut ${cuts[0].n}`
const last = computed(() => Math.max(...props.batches.flatMap((b) => b.cuts.map((c) => c.n))))
/** One that is cut is ticked, and what was cut out of turn is passed over; one that is looked at again leads to the next. */
function next() {
  const beyond = Math.min(at.value + 1, all.value.length - 1)
  if (isDone.value) return void (at.value = beyond)
  emit('tick', now.value!.line.cuts, true)
  const open = all.value.findIndex((x, i) => i > at.value && !isMade(x.line))
  at.value = open < 0 ? beyond : open
}
const size = (c: SawCut) =>
  `${formatLength(c.inHand.widthMm, readings.units)} x ${formatLength(c.inHand.lengthMm, readings.units)}`
</script>

<template>
  <div v-if="now" class="one card-sheet">
    <p class="soft mb-1">{{ numbers(now.line) }} of {{ last }} · {{ now.batch.stocks.map(stockOfBatch).join(', ') }}</p>
    <p class="set" :class="{ made: isDone }">{{ saySetting(now.batch, readings.say) }}</p>
    <p v-if="now.i > 0" class="soft">The same setting as before, {{ now.i + 1 }} of {{ now.length }}.</p>
    <p class="what">{{ sayLine(now.line, names, readings.say) }}</p>
    <p v-if="now.line.frees.length" class="label">
      Write on {{ now.line.frees.length > 1 ? 'them' : 'it' }}: <strong>{{ ranges(now.line.frees, ' to ') }}</strong>
    </p>
    <p class="soft">In the hand at first: {{ size(now.line.cuts[0]) }}.</p>
    <p v-for="x in now.line.care" :key="x" class="care">{{ sayCare(x) }}</p>
    <div class="keys">
      <button type="button" class="btn btn-outline-secondary" :disabled="at === 0" @click="at--">Back</button>
      <button type="button" class="btn btn-primary" @click="next">{{ isDone ? 'Next' : 'Cut, next' }}</button>
    </div>
    <div class="d-flex flex-wrap align-items-center gap-3 mt-2">
      <BFormCheckbox v-model="singly" switch>each cut alone</BFormCheckbox>
      <button v-if="isDone" type="button" class="btn btn-sm btn-link" @click="emit('tick', now.line.cuts, false)">
        Not cut yet after all
      </button>
      <button
        v-if="now.line.frees.length"
        type="button"
        class="btn btn-sm btn-outline-secondary"
        @click="emit('wrong', now.line.frees)"
      >
        {{ now.line.frees.length > 1 ? 'One of these went wrong' : 'This one went wrong' }}
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
.what {
  font-size: 1.2rem;
  margin-bottom: 0.4rem;
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
