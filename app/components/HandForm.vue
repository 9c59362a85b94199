<script setup lang="ts">
import { computed, ref } from 'vue'
import { SECTIONS } from '../../core/catalogue/lumber.ts'
import { SHEETS } from '../../core/catalogue/sheets.ts'
import { parseLength } from '../../core/measure/parse-length.ts'
import type { OnHandPiece } from '../../core/takeoff/on-hand.ts'
import { sheetName } from '../../core/wording/names.ts'
import { sayProblem } from '../../core/wording/problems.ts'
import { useRefusal } from '../composables/refusal.ts'
import { newId } from '../persistence/new-id.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'
import MeasureField from './MeasureField.vue'
import NumberField from './NumberField.vue'

/** Puts boards and sheets on hand. @prop from what in the room they are the wood of */
const props = defineProps<{ from?: string }>()
const doc = useDocument()
const readings = useReadings()
const yard = computed(() => doc.project!.settings.yard)
/** Those of the yard, and one's own. */
const sheets = computed(() => [
  ...SHEETS.filter((s) => s.system === yard.value).map((s) => s.id),
  ...doc.project!.settings.ownSheets,
])
const kind = ref<'board' | 'sheet'>('board')
const section = ref(SECTIONS.find((s) => s.system === yard.value)!.id)
const sheet = ref(SHEETS.find((s) => s.system === yard.value)!.id)
const treated = ref(false)
const long = ref<number | null>(null)
const wide = ref<number | null>(null)
const bad = ref('')
const count = ref(1)
const problem = ref('')
const refusalOf = useRefusal()
/** A bad place said as one number is taken this wide to either side, mm. */
const SPOT_MM = 25
/** "20 to 24, 61": stretches from the raw end, or a place with a hand's width round it. */
function defects(): { fromMm: number; toMm: number }[] | null {
  const out: { fromMm: number; toMm: number }[] = []
  for (const part of bad.value
    .split(',')
    .map((s) => s.trim())
    .filter(Boolean)) {
    const [from, to] = part.split(/\s+to\s+/i)
    const [a, b] = [parseLength(from, readings.units.system), parseLength(to ?? from, readings.units.system)]
    if (!a.ok || !b.ok) {
      problem.value = `"${part}": ${!a.ok ? sayProblem(a.problem, readings.say) : !b.ok ? sayProblem(b.problem, readings.say) : ''} Write it as "20 to 24".`
      return null
    }
    const [x, y] = [Math.min(a.value, b.value), Math.max(a.value, b.value)]
    out.push(to === undefined ? { fromMm: Math.max(0, x - SPOT_MM), toMm: x + SPOT_MM } : { fromMm: x, toMm: y })
  }
  return out
}
function add() {
  problem.value = ''
  if (long.value === null || (kind.value === 'sheet' && wide.value === null)) {
    problem.value = kind.value === 'board' ? 'How long is it?' : 'How long and how wide is it?'
    return
  }
  const holes = kind.value === 'board' ? defects() : []
  if (!holes) return
  const about = { lengthMm: long.value, note: '', ...(props.from === undefined ? {} : { from: props.from }) }
  const piece = (): OnHandPiece =>
    kind.value === 'board'
      ? {
          id: newId('h'),
          kind: 'board',
          section: section.value,
          treated: treated.value,
          ...about,
          defects: holes.map((x) => ({ ...x })),
        }
      : { id: newId('h'), kind: 'sheet', sheet: sheet.value, widthMm: wide.value!, ...about }
  const pieces = Array.from({ length: count.value }, piece)
  problem.value = refusalOf(() =>
    doc.change(
      count.value > 1 ? `put ${count.value} pieces on hand` : 'put a piece on hand',
      (d) => void d.onHand.push(...pieces),
    ),
  )
  if (!problem.value) bad.value = ''
}
</script>

<template>
  <form class="add" @submit.prevent="add">
    <div>
      <label class="form-label" for="hand-kind">What</label>
      <select id="hand-kind" v-model="kind" class="form-select form-select-sm">
        <option value="board">a board</option>
        <option value="sheet">a sheet or part of one</option>
      </select>
    </div>
    <div v-if="kind === 'board'">
      <label class="form-label" for="hand-section">Section</label>
      <select id="hand-section" v-model="section" class="form-select form-select-sm">
        <option v-for="s in SECTIONS.filter((x) => x.system === yard)" :key="s.id" :value="s.id">
          {{ s.label }}
        </option>
      </select>
    </div>
    <div v-else>
      <label class="form-label" for="hand-sheet">Sheet</label>
      <select id="hand-sheet" v-model="sheet" class="form-select form-select-sm">
        <option v-for="id in sheets" :key="id" :value="id">{{ sheetName(id) }}</option>
      </select>
    </div>
    <BFormCheckbox v-if="kind === 'board'" v-model="treated">treated</BFormCheckbox>
    <MeasureField
      :label="kind === 'board' ? 'Length' : 'Along the grain'"
      :value="long"
      :min="50"
      :max="kind === 'board' ? 8000 : 4000"
      @change="(v) => (long = v)"
    />
    <MeasureField
      v-if="kind === 'sheet'"
      label="Across"
      :value="wide"
      :min="50"
      :max="4000"
      @change="(v) => (wide = v)"
    />
    <div v-else>
      <label class="form-label" for="hand-bad">Bad places, from one end</label>
      <input id="hand-bad" v-model="bad" class="form-control form-control-sm" placeholder="20 to 24, 61" />
    </div>
    <div>
      <label class="form-label" for="hand-count">How many</label>
      <NumberField
        field-id="hand-count"
        label="How many"
        kind="count"
        :value="count"
        :min="1"
        :max="100"
        @change="(v) => (count = v ?? 1)"
      />
    </div>
    <button type="submit" class="btn btn-sm btn-outline-secondary">Add</button>
  </form>
  <p v-if="problem" class="text-trouble small" role="alert">{{ problem }}</p>
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0.6rem;
  align-items: end;
}
</style>
