<script setup lang="ts">
import { computed } from 'vue'
import { careOfAll, linesOf, ranges, type BatchLine } from '../../../core/takeoff/batch-lines.ts'
import type { CutBatch, SawCut } from '../../../core/takeoff/cut-order.ts'
import { sayCare, sayLine, sayOutcome, saySetting, stockOfBatch } from '../../../core/wording/cuts.ts'
import { useReadings } from '../../stores/readings.ts'

/** Numbered cuts, those at one setting together and alike ones in one line; each cut alone for who wants it. */
const props = defineProps<{ batches: CutBatch[]; names: ReadonlyMap<string, string>; made: ReadonlySet<string> }>()
const emit = defineEmits<{ tick: [cuts: SawCut[], on: boolean] }>()
const readings = useReadings()
const shown = computed(() =>
  props.batches.map((batch) => {
    const lines = linesOf(batch)
    return { batch, lines, care: careOfAll(lines) }
  }),
)
const isMade = (l: BatchLine) => l.cuts.every((c) => props.made.has(c.key))
const begun = (l: BatchLine) => !isMade(l) && l.cuts.some((c) => props.made.has(c.key))
const numbers = ({ cuts }: BatchLine) =>
  ranges(
    cuts.map((c) => `${c.n}`),
    '–',
  )
</script>

<template>
  <ol class="batches">
    <li v-for="{ batch: b, lines, care } in shown" :key="b.id">
      <p class="setting">
        <strong>{{ saySetting(b, readings.say) }}</strong>
        <span class="soft stock">{{ b.stocks.map(stockOfBatch).join(', ') }}</span>
        <span v-for="x in care" :key="x" class="care"> {{ sayCare(x) }}</span>
      </p>
      <ul>
        <li v-for="l in lines" :key="l.key" :class="{ made: isMade(l) }">
          <label>
            <input
              type="checkbox"
              class="form-check-input"
              :checked="isMade(l)"
              :indeterminate.prop="begun(l)"
              @change="emit('tick', l.cuts, !isMade(l))"
            />
            <span class="n">{{ numbers(l) }}</span>
            <span
              >{{ sayLine(l, names, readings.say)
              }}<span v-for="x in l.care.filter((c) => !care.includes(c))" :key="x" class="care">
                {{ sayCare(x) }}</span
              ></span
            >
          </label>
          <details v-if="l.cuts.length > 1" class="no-print">
            <summary>{{ l.cuts.length }} cuts, one by one</summary>
            <label v-for="c in l.cuts" :key="c.key" :class="{ made: made.has(c.key) }">
              <input
                type="checkbox"
                class="form-check-input"
                :checked="made.has(c.key)"
                @change="emit('tick', [c], !made.has(c.key))"
              />
              <span class="n">{{ c.n }}</span>
              <span>{{ names.get(c.on) }}: {{ sayOutcome(c, readings.say) }}</span>
            </label>
          </details>
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
.batches ul > li {
  border-bottom: 1px solid var(--line);
  break-inside: avoid;
}
label {
  display: grid;
  grid-template-columns: 30px minmax(2.2rem, max-content) 1fr;
  align-items: start;
  padding: 0.3rem 0;
}
.stock {
  margin-left: 0.6rem;
}
.n {
  font-variant-numeric: tabular-nums;
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
details {
  padding-left: 30px;
}
summary {
  color: var(--ink-soft);
  font-size: 0.9rem;
  padding-bottom: 0.3rem;
}
@media print {
  .batches {
    columns: 2;
    column-gap: 8mm;
    font-size: 8.5pt;
    line-height: 1.2;
  }
  label {
    grid-template-columns: 16px minmax(1.6rem, max-content) 1fr;
    padding: 0.05rem 0;
  }
  .setting {
    margin-top: 0.2rem;
    break-after: avoid;
    break-inside: avoid;
  }
  input {
    width: 11px;
    height: 11px;
  }
}
</style>
