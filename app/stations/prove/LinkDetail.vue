<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, toRaw } from 'vue'
import type { CheckResult } from '../../../core/checks/check.ts'
import { isHardWorked, isStrength } from '../../../core/checks/verdict.ts'
import { drawView } from '../../../core/drawing/view.ts'
import { formatMoney } from '../../../core/measure/money.ts'
import type { Bent } from '../../../core/loads/load-path.ts'
import type { BuildReading } from '../../../core/project/read-build.ts'
import type { Remedy } from '../../../core/project/remedies.ts'
import { sayCheck, sayInput } from '../../../core/wording/checks.ts'
import { CHECK_NAMES, shown } from '../../../core/wording/check-names.ts'
import { sayLever } from '../../../core/wording/levers.ts'
import VerdictMark from '../../components/VerdictMark.vue'
import { useHeavy, working } from '../../composables/heavy.ts'
import SceneView from '../../drawing/SceneView.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import DoorSweep from '../../components/DoorSweep.vue'
import RoomPlan from '../../components/RoomPlan.vue'
import PlacesByDoor from './PlacesByDoor.vue'
import SagDrawing from './SagDrawing.vue'
import SagYears from './SagYears.vue'

/** One link opened: what was asked, what it can do, the working, the sag drawn, and what would make it hold. */
const props = defineProps<{ result: CheckResult; reading: BuildReading }>()
const doc = useDocument()
const readings = useReadings()
const found = shallowRef<Remedy[] | null>(null)
const searching = ref(false)
const trouble = computed(
  () => props.result.state === 'fails' || props.result.state === 'unknown' || isHardWorked(props.result),
)

async function search() {
  const { build } = props.reading
  found.value = await working(searching, true, false, () =>
    useHeavy().remedies(toRaw(doc.project!), build.id, props.result.id),
  )
}
onMounted(() => {
  if (trouble.value) void search()
})
const words = (r: Remedy) =>
  r.changes.map((c) => sayLever(c.code, c.data, readings.say, props.reading.shaped.dims)).join(', and ')
function price(r: Remedy): string {
  const parts = [
    r.feature || r.goods
      ? 'what that costs is not known here'
      : r.deltaMinor === 0
        ? 'same cost'
        : `${r.deltaMinor > 0 ? '+' : '−'}${formatMoney(Math.abs(r.deltaMinor), doc.project!.settings.currency)}`,
  ]
  if (Math.abs(r.deltaKg) > 0.5) parts.push(`${r.deltaKg > 0 ? '+' : '−'}${readings.say.mass(Math.abs(r.deltaKg))}`)
  if (r.deltaHoused !== 0) parts.push(`${r.deltaHoused > 0 ? '+' : '−'}${Math.abs(r.deltaHoused)} stored`)
  return parts.join(', ')
}
const apply = (r: Remedy) =>
  doc.change(words(r), (d) => {
    const i = d.builds.findIndex((b) => b.id === r.build.id)
    d.builds[i] = structuredClone(toRaw(r.build)) as (typeof d.builds)[number]
    const { feature, goods } = r
    if (goods) d.goods = d.goods.map((g) => (g.id === goods.id ? structuredClone(toRaw(goods)) : g))
    if (feature) d.room.features = d.room.features.map((f) => (f.id === feature.id ? { ...f, ...toRaw(feature) } : f))
  })

const bent = computed((): Bent | null => {
  if (props.result.check !== 'sag') return null
  const state = props.reading.service.members.get(props.result.parts[0])?.state
  if (state?.kind === 'beam') return state.bent
  return state?.kind === 'panel'
    ? state.strips.reduce((a, b) => (Math.abs(b.result.sag.mm) > Math.abs(a.result.sag.mm) ? b : a))
    : null
})
/** What of the room a clearance is about. */
const thing = computed(() => props.result.id.split(':').pop() ?? '')
const door = computed(() =>
  props.result.check === 'door-sweep' ? doc.project!.room.features.find((f) => f.id === thing.value) : undefined,
)
const parts = computed(() => new Set(props.result.parts))
const scene = computed(() =>
  drawView(props.reading.shaped.assembly, 'front', {
    boxes: props.reading.boxes,
    goods: props.reading.goods,
    over: props.reading.space,
    showDimensions: false,
  }),
)
</script>

<template>
  <section class="card-sheet detail" aria-labelledby="detail-h">
    <h2 id="detail-h"><VerdictMark :state="shown(result)" /> {{ CHECK_NAMES[result.check] }}</h2>
    <p>{{ sayCheck(result, readings.say) }}</p>
    <dl v-if="result.demand !== null && result.capacity !== null" class="numbers">
      <div>
        <dt>asked</dt>
        <dd>{{ sayInput({ value: result.demand, quantity: result.quantity }, readings.say) }}</dd>
      </div>
      <div>
        <dt>can do</dt>
        <dd>{{ sayInput({ value: result.capacity, quantity: result.quantity }, readings.say) }}</dd>
      </div>
      <div v-if="result.ratio !== null && isStrength(result)">
        <dt>used</dt>
        <dd>{{ readings.say.percent(result.ratio) }}</dd>
      </div>
    </dl>
    <SagDrawing
      v-if="bent"
      :bent="bent"
      :factor="Number(result.data.endMm) / Math.max(1e-9, Number(result.data.firstMm))"
      :limit-mm="Number(result.data.limitMm)"
    />
    <template v-if="door">
      <DoorSweep :door="door" :build="reading.build.id" />
      <PlacesByDoor :door="door" :reading="reading" />
    </template>
    <RoomPlan v-else-if="result.link === 'room'" :build="reading.build.id" :thing="thing" />
    <SceneView
      v-else-if="result.parts.length && result.check !== 'sag'"
      class="where"
      plain
      pale
      :scene="scene"
      :dark="parts"
      title="Where it is"
    />

    <template v-if="trouble">
      <h3>{{ isHardWorked(result) ? 'What would ease it' : 'What would make it hold' }}</h3>
      <p v-if="searching" class="soft" role="status">Trying changes …</p>
      <p v-else-if="found?.length === 0" class="soft">
        {{
          result.state === 'unknown'
            ? 'Enter what is missing, as said above.'
            : 'No single change or pair of changes found. Let go of fixed dimensions, or hold less here.'
        }}
      </p>
      <ul class="remedies">
        <li v-for="(r, i) in found ?? []" :key="i">
          <span>{{ words(r) }}<span v-if="!r.allHold" class="soft small"> (other checks still fail)</span></span>
          <span class="small soft">{{ price(r) }}</span>
          <button
            type="button"
            class="btn btn-sm btn-outline-secondary"
            :aria-label="`Do it: ${words(r)}`"
            @click="apply(r)"
          >
            Do it
          </button>
        </li>
      </ul>
    </template>
    <SagYears
      v-if="result.check === 'sag' && Number(result.data.endMm) >= 0"
      :first-mm="Number(result.data.firstMm)"
      :end-mm="Number(result.data.endMm)"
      :limit-mm="Number(result.data.limitMm)"
    />
    <details v-if="result.working" class="working">
      <summary>Working</summary>
      <p class="formula">{{ result.working.formula }}</p>
      <table class="table table-sm">
        <tbody>
          <tr v-for="(i, n) in result.working.inputs" :key="n">
            <th scope="row">{{ i.symbol }}</th>
            <td class="number">{{ sayInput(i, readings.say) }}</td>
            <td class="small soft">{{ i.source }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small soft mb-0">{{ result.working.source }}</p>
    </details>
  </section>
</template>

<style scoped>
.detail {
  position: sticky;
  top: 0.5rem;
}
.numbers {
  display: flex;
  gap: 1.6rem;
  margin: 0 0 0.6rem;
}
.numbers dt {
  font-weight: 400;
  font-size: 0.82rem;
  color: var(--ink-soft);
}
.numbers dd {
  margin: 0;
  font-size: 1.12rem;
  font-weight: 600;
}
.where {
  height: 210px;
}
.remedies {
  list-style: none;
  padding: 0;
}
.remedies li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 0.7rem;
  align-items: center;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--line);
}
.working {
  margin-top: 0.7rem;
}
.working th {
  min-width: 8.5em;
}
.working td.number {
  white-space: nowrap;
}
summary {
  cursor: pointer;
  font-weight: 600;
}
.formula {
  font-family: 'Bitter Variable', serif;
  margin: 0.4rem 0;
}
</style>
