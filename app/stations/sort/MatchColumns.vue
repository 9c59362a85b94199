<script setup lang="ts">
import { computed, nextTick, onMounted, reactive, useTemplateRef } from 'vue'
import type { RawRow } from '../../../core/goods/csv.ts'
import {
  COLUMN_UNITS,
  guessMatch,
  MATCHED,
  matchedRows,
  missingIn,
  NEEDED,
  type ColumnUnit,
  type Matched,
} from '../../../core/goods/match-columns.ts'
import { listed, plural } from '../../../core/wording/say.ts'

/** Which column of somebody's list is what: guessed, shown beside its first rows, and corrected before it is read. */
const props = defineProps<{ name: string; headings: string[]; rows: RawRow[] }>()
const emit = defineEmits<{ rows: [rows: RawRow[]]; cancel: [] }>()
const match = reactive(guessMatch(props.headings))
const missing = computed(() => missingIn(match))

const NAMES: Record<Matched, string> = {
  name: 'thing',
  count: 'count',
  across: 'across',
  deep: 'deep, front to back',
  tall: 'tall',
  mass: 'mass of one',
  kind: 'kind',
  group: 'group',
  often: 'how often used',
  where_now: 'kept now',
}
const LENGTHS: readonly ColumnUnit[] = COLUMN_UNITS.slice(0, 5)
const MASSES: readonly ColumnUnit[] = COLUMN_UNITS.slice(5)
const unitsOf = (m: Matched) => (m === 'mass' ? MASSES : ['across', 'deep', 'tall'].includes(m) ? LENGTHS : [])
const SHOWN = 3
const sample = (column: string | null) =>
  column === null
    ? ''
    : props.rows
        .slice(0, SHOWN)
        .map((r) => String(r[column] ?? '').trim())
        .filter(Boolean)
        .join(' · ')
const text = (e: Event) => (e.target as HTMLSelectElement).value
function setColumn(m: Matched, column: string | null) {
  const unit = column === null ? null : guessMatch([column])[m].unit
  match[m] = { column, unit: unit ?? match[m].unit }
}
const heading = useTemplateRef('heading')
onMounted(() => nextTick(() => heading.value?.focus()))
</script>

<template>
  <section class="card-sheet match" aria-labelledby="match-h">
    <h2 id="match-h" ref="heading" tabindex="-1">Which column is what?</h2>
    <p class="small">
      {{ name }} has {{ plural(rows.length, 'row') }} under headings of its own. Say what each is; what is left out is
      not read. Usual things need no size.
    </p>
    <table>
      <thead>
        <tr>
          <th scope="col">here</th>
          <th scope="col">column of the file</th>
          <th scope="col">bare numbers are</th>
          <th scope="col">first rows</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in MATCHED" :key="m">
          <th scope="row">{{ NAMES[m] }}</th>
          <td>
            <select
              class="form-select form-select-sm"
              :aria-label="`Column for ${NAMES[m]}`"
              :value="match[m].column ?? ''"
              @change="setColumn(m, text($event) || null)"
            >
              <option value="">{{ NEEDED.includes(m) ? 'choose …' : 'none' }}</option>
              <option v-for="h in headings" :key="h" :value="h">{{ h }}</option>
            </select>
          </td>
          <td>
            <select
              v-if="unitsOf(m).length && match[m].column !== null"
              class="form-select form-select-sm unit"
              :aria-label="`Unit of ${NAMES[m]}`"
              :value="match[m].unit ?? ''"
              @change="match[m].unit = (text($event) || null) as ColumnUnit | null"
            >
              <option value="">as the project</option>
              <option v-for="u in unitsOf(m)" :key="u" :value="u">{{ u }}</option>
            </select>
          </td>
          <td class="soft small sample">{{ sample(match[m].column) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="missing.length" class="small" role="status">
      Not said yet: {{ listed(missing.map((m) => NAMES[m])) }}. Only usual things can be read without a size.
    </p>
    <button
      type="button"
      class="btn btn-primary"
      :disabled="match.name.column === null"
      @click="emit('rows', matchedRows(rows, match))"
    >
      Read {{ plural(rows.length, 'row') }}
    </button>
    <button type="button" class="btn btn-link" @click="emit('cancel')">Cancel</button>
  </section>
</template>

<style scoped>
.match {
  margin-top: 0.8rem;
}
table {
  width: 100%;
  margin-bottom: 0.6rem;
}
th {
  font-weight: 400;
  text-align: left;
}
thead th {
  color: var(--ink-soft);
}
td,
th {
  padding: 0.15rem 0.6rem 0.15rem 0;
}
.unit {
  min-width: 120px;
}
.sample {
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
