<script setup lang="ts">
import { computed, ref } from 'vue'
import { SECTIONS } from '../../../core/catalogue/lumber.ts'
import { SHEETS } from '../../../core/catalogue/sheets.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { parseLength } from '../../../core/measure/parse-length.ts'
import { leftovers } from '../../../core/takeoff/replan.ts'
import type { OnHandPiece } from '../../../core/takeoff/on-hand.ts'
import { sectionName, sheetName } from '../../../core/wording/names.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import MeasureField from '../../components/MeasureField.vue'
import { useRefusal } from '../../composables/refusal.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import { newId } from '../../persistence/new-id.ts'

/** Boards and sheets that are there already: cut from first, and free. */
const props = defineProps<{ allCut: boolean }>()
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
const problem = ref('')
const refusalOf = useRefusal()
const len = (mm: number) => formatLength(mm, readings.units)

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
  const piece: OnHandPiece =
    kind.value === 'board'
      ? {
          id: newId('h'),
          kind: 'board',
          section: section.value,
          treated: treated.value,
          lengthMm: long.value,
          note: '',
          defects: holes,
        }
      : { id: newId('h'), kind: 'sheet', sheet: sheet.value, lengthMm: long.value, widthMm: wide.value!, note: '' }
  problem.value = refusalOf(() => doc.change('put a piece on hand', (d) => void d.onHand.push(piece)))
  if (!problem.value) bad.value = ''
}
const remove = (id: string) =>
  doc.change('take a piece off the stock on hand', (d) => void (d.onHand = d.onHand.filter((x) => x.id !== id)))

/** Shorter ends and smaller rests than these are firewood. */
const WORTH = { boardMm: 300, sheetMm: 200 }
const plan = computed(() => readings.procurement?.cutPlan ?? null)
const worth = computed(() => (props.allCut && plan.value ? leftovers(plan.value, doc.project!.settings, WORTH) : []))
/** What was used is gone from the stock, what is left over is in it; the plan is done. */
function keep() {
  const used = new Set(
    [...plan.value!.boards, ...plan.value!.sheets].map((x) => x.handId).filter((x): x is string => x !== null),
  )
  const fresh = worth.value.map((w) => ({ ...w, id: newId('h'), note: 'left over' }) as OnHandPiece)
  doc.change('keep the leftovers', (d) => {
    d.onHand = [...d.onHand.filter((x) => !used.has(x.id)), ...fresh]
    d.progress.leftoversKept = true
  })
}
</script>

<template>
  <section class="card-sheet no-print" aria-labelledby="hand-h">
    <h2 id="hand-h">On hand</h2>
    <p class="soft">Boards and sheets that are there already are cut from first, and cost nothing.</p>
    <ul v-if="doc.project!.onHand.length" class="list">
      <li v-for="h in doc.project!.onHand" :key="h.id">
        <span v-if="h.kind === 'board'"
          >{{ sectionName(h.section) }}{{ h.treated ? ' treated' : '' }}, {{ len(h.lengthMm)
          }}<span v-if="h.defects.length" class="soft">
            (bad at {{ h.defects.map((x) => `${len(x.fromMm)} to ${len(x.toMm)}`).join(', ') }})</span
          ></span
        >
        <span v-else>{{ sheetName(h.sheet) }}, {{ len(h.lengthMm) }} x {{ len(h.widthMm) }}</span>
        <span v-if="h.note" class="soft"> {{ h.note }}</span>
        <button
          type="button"
          class="btn btn-sm btn-link"
          :aria-label="`Remove ${h.kind === 'board' ? sectionName(h.section) : sheetName(h.sheet)} ${len(h.lengthMm)}`"
          @click="remove(h.id)"
        >
          remove
        </button>
      </li>
    </ul>
    <div v-if="worth.length && !doc.project!.progress.leftoversKept" class="keep" role="status">
      All is cut. Worth keeping: {{ worth.length }} {{ worth.length === 1 ? 'leftover' : 'leftovers' }}.
      <button type="button" class="btn btn-sm btn-primary" @click="keep">Put them on hand</button>
    </div>
    <form v-if="!doc.project!.progress.sawing" class="add" @submit.prevent="add">
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
      <button type="submit" class="btn btn-sm btn-outline-secondary">Add</button>
    </form>
    <p v-else-if="!doc.project!.progress.leftoversKept" class="soft small mb-0">
      While a plan is being cut, the stock on hand stays as it was.
    </p>
    <p v-if="problem" class="text-trouble small" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.list {
  padding-left: 1.1rem;
}
.add {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0.6rem;
  align-items: end;
}
.keep {
  border-left: 4px solid var(--chalk);
  padding: 0.4rem 0.8rem;
  margin-bottom: 0.6rem;
}
</style>
