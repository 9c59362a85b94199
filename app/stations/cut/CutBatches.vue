<script setup lang="ts">
import type { CutBatch, SawCut } from '../../../core/takeoff/cut-order.ts'
import { isMade } from '../../../core/takeoff/cut-order.ts'
import { sayCare, sayOutcome, saySetting, stockOfBatch } from '../../../core/wording/cuts.ts'
import { useReadings } from '../../stores/readings.ts'

/** Numbered cuts, those at one setting together. */
defineProps<{ batches: CutBatch[]; names: ReadonlyMap<string, string>; done: ReadonlySet<string> }>()
const emit = defineEmits<{ tick: [cut: SawCut] }>()
const readings = useReadings()
</script>

<template>
  <ol class="batches">
    <li v-for="b in batches" :key="b.id">
      <p class="setting">
        <strong>{{ saySetting(b, readings.say) }}</strong> <span class="soft">{{ stockOfBatch(b.stock) }}</span>
      </p>
      <ul>
        <li v-for="c in b.cuts" :key="c.n" :class="{ made: isMade(c, done) }">
          <label>
            <input type="checkbox" class="form-check-input" :checked="isMade(c, done)" @change="emit('tick', c)" />
            <span class="n">{{ c.n }}</span>
            <span
              ><strong>{{ names.get(c.on) }}</strong
              >: {{ sayOutcome(c, readings.say)
              }}<span v-for="x in c.care" :key="x" class="care"> {{ sayCare(x) }}</span></span
            >
          </label>
        </li>
      </ul>
    </li>
  </ol>
</template>

<style scoped>
.batches,
.batches ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
.setting {
  margin: 0.5rem 0 0.1rem;
  border-bottom: 1.3px solid var(--ink);
}
label {
  display: grid;
  grid-template-columns: 28px 2.4rem 1fr;
  align-items: start;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--line);
  break-inside: avoid;
}
.n {
  font-variant-numeric: tabular-nums;
  text-align: right;
  padding-right: 0.6rem;
  color: var(--ink-soft);
}
input {
  width: 22px;
  height: 22px;
  margin: 0;
}
.made {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.care {
  border-left: 3px solid var(--doubt);
  padding-left: 0.35rem;
  margin-left: 0.35rem;
}
</style>
