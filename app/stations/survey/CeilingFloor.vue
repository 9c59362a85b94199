<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { KN_M2_PER_PSF } from '../../../core/measure/units.ts'
import { oddSpanKey, WITHOUT_STORAGE_KN_M2 } from '../../../core/room/ceiling.ts'
import { LONGEST_MM } from '../../../core/measure/schema.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { setCeilingHeight } from '../../../core/room/heights.ts'
import { FLOORS, type Ceiling } from '../../../core/room/room.ts'
import { sayFloor, sayOddSpan } from '../../../core/wording/survey.ts'
import MeasureField from '../../components/MeasureField.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

const doc = useDocument()
const readings = useReadings()
const room = computed(() => doc.project!.room)
const c = computed(() => room.value.ceiling)
const FLOOR_NAMES = { slab: 'concrete slab', timber: 'timber floor' }
const walls = computed(() => room.value.walls)
const set = (part: Partial<Ceiling>) =>
  doc.change(
    'change the ceiling',
    (d) => void Object.assign(d.room.ceiling, part),
    `ceiling:${Object.keys(part).join()}`,
  )
const setHeight = (mm: number) =>
  doc.change('change the ceiling', (d) => setCeilingHeight(d.room, mm), 'ceiling:heightMm')
/** Joists that are said to span less than they seem to, until somebody says that something bears them. */
const oddSpan = computed(() =>
  doc.project!.answered.includes(oddSpanKey(room.value)) ? '' : sayOddSpan(room.value, readings.say),
)
const bornOnTheWay = () => doc.change('answer a question', (d) => void d.answered.push(oddSpanKey(d.room)))
function setKind(kind: Ceiling['kind']) {
  set({ kind, alongWallId: kind === 'unknown' ? null : (c.value.alongWallId ?? walls.value[0]?.id ?? null) })
}
const JOIST_FIELDS = [
  { key: 'wideMm', label: 'A joist is wide', min: 20, max: 300 },
  { key: 'deepMm', label: 'and deep', min: 50, max: 600 },
  { key: 'spanMm', label: 'and spans', min: 300, max: 12000 },
] as const
/** What has been typed of a joist: kept together once all three are there. */
const typed = reactive<Record<string, number | null>>({})
type JoistKey = (typeof JOIST_FIELDS)[number]['key']
const joistValue = (key: JoistKey) => (key in typed ? typed[key] : (c.value.joist?.[key] ?? null))
function setJoist(key: JoistKey, v: number | null) {
  typed[key] = v
  const [wideMm, deepMm, spanMm] = JOIST_FIELDS.map((f) => joistValue(f.key))
  if (wideMm !== null && deepMm !== null && spanMm !== null) set({ joist: { wideMm, deepMm, spanMm } })
  else if (c.value.joist !== null) set({ joist: null })
}
const MOST_KN_M2 = 20
/** What a load on a ceiling is told in here. */
const spreadUnit = computed(() =>
  readings.units.system === 'imperial' ? { name: 'psf', knM2: KN_M2_PER_PSF } : { name: 'kN/m²', knM2: 1 },
)
const inSpread = (knM2: number) => `${Math.round((knM2 / spreadUnit.value.knM2) * 100) / 100}`
const allowanceProblem = ref('')
const setAllowance = (text: string) => {
  const n = Number(text.replace(',', '.')) * spreadUnit.value.knM2
  allowanceProblem.value =
    text.trim() === '' || (n >= 0 && n <= MOST_KN_M2)
      ? ''
      : `"${text}" is not taken: a number from 0 to ${Math.floor(MOST_KN_M2 / spreadUnit.value.knM2)}, or empty.`
  if (!allowanceProblem.value) set({ allowanceKnM2: text.trim() === '' ? null : n })
}
const point = reactive({ wallId: walls.value[0]?.id ?? '', atMm: 0, outMm: 200, downMm: null as number | null })
function add() {
  const { downMm } = point
  if (downMm === null) return
  const added = doc.change(
    'measure the floor',
    (d) => void d.room.floor.points.push({ wallId: point.wallId, atMm: point.atMm, outMm: point.outMm, downMm }),
  )
  if (added) point.downMm = null
}
const remove = (i: number) => doc.change('take a floor height back', (d) => void d.room.floor.points.splice(i, 1))
const nameOf = (id: string) => walls.value.find((w) => w.id === id)?.name ?? ''
</script>

<template>
  <div class="two">
    <section aria-labelledby="ceiling-h">
      <h2 id="ceiling-h">Ceiling</h2>
      <div class="grid">
        <MeasureField
          label="Ceiling height"
          :value="c.heightMm"
          :min="300"
          :max="12000"
          @change="(v) => v !== null && setHeight(v)"
        />
        <div>
          <label class="form-label" for="ceiling-kind">Above it</label>
          <select
            id="ceiling-kind"
            class="form-select form-select-sm"
            :value="c.kind"
            @change="setKind(($event.target as HTMLSelectElement).value as Ceiling['kind'])"
          >
            <option value="unknown">not known</option>
            <option value="joists">joists</option>
            <option value="trusses">trusses</option>
          </select>
        </div>
        <template v-if="c.kind !== 'unknown'">
          <div>
            <label class="form-label" for="ceiling-along">They run along</label>
            <select
              id="ceiling-along"
              class="form-select form-select-sm"
              :value="c.alongWallId"
              @change="set({ alongWallId: ($event.target as HTMLSelectElement).value })"
            >
              <option v-for="w in walls" :key="w.id" :value="w.id">{{ w.name }}</option>
            </select>
          </div>
          <MeasureField
            label="Spacing, centres"
            :value="c.spacingMm"
            :min="100"
            :max="2000"
            @change="(v) => v !== null && set({ spacingMm: v })"
          />
          <MeasureField
            label="First one from that wall"
            :value="c.firstMm"
            :max="2000"
            @change="(v) => v !== null && set({ firstMm: v })"
          />
        </template>
        <template v-if="c.kind === 'joists'">
          <MeasureField
            v-for="f in JOIST_FIELDS"
            :key="f.key"
            :label="f.label"
            :value="joistValue(f.key)"
            :min="f.min"
            :max="f.max"
            optional
            @change="(v) => setJoist(f.key, v)"
          />
        </template>
        <p v-if="oddSpan" class="caution whole small mb-0" role="status">
          {{ oddSpan }}
          <button type="button" class="btn btn-link btn-sm p-0 align-baseline" @click="bornOnTheWay">
            Something bears them
          </button>
        </p>
        <div v-if="c.kind === 'joists'">
          <label class="form-label" for="allow">May be added, {{ spreadUnit.name }}</label>
          <input
            id="allow"
            class="form-control form-control-sm"
            inputmode="decimal"
            :value="c.allowanceKnM2 === null ? '' : inSpread(c.allowanceKnM2)"
            :placeholder="inSpread(WITHOUT_STORAGE_KN_M2)"
            @change="setAllowance(($event.target as HTMLInputElement).value)"
          />
          <p v-if="allowanceProblem" class="text-trouble small mb-0" role="alert">{{ allowanceProblem }}</p>
        </div>
        <BFormCheckbox :model-value="c.finished" @update:model-value="set({ finished: Boolean($event) })"
          >lined</BFormCheckbox
        >
        <BFormCheckbox :model-value="c.fireSeparation" @update:model-value="set({ fireSeparation: Boolean($event) })"
          >keeps fire from the house</BFormCheckbox
        >
        <BFormCheckbox
          :model-value="c.slope !== null"
          @update:model-value="
            set({
              slope: $event ? { wallId: walls[0].id, startMm: Math.min(2000, c.heightMm), riseMmPerM: 300 } : null,
            })
          "
          >slopes</BFormCheckbox
        >
      </div>
      <div v-if="c.slope" class="grid mt-2">
        <div>
          <label class="form-label" for="slope-wall">Lowest at</label>
          <select
            id="slope-wall"
            class="form-select form-select-sm"
            :value="c.slope.wallId"
            @change="set({ slope: { ...c.slope!, wallId: ($event.target as HTMLSelectElement).value } })"
          >
            <option v-for="w in walls" :key="w.id" :value="w.id">{{ w.name }}</option>
          </select>
        </div>
        <MeasureField
          label="Height there"
          :value="c.slope.startMm"
          :min="300"
          :max="12000"
          @change="(v) => v !== null && set({ slope: { ...c.slope!, startMm: v } })"
        />
        <MeasureField
          :label="`Rises over ${formatLength(1000, readings.units)}`"
          :value="c.slope.riseMmPerM"
          :max="3000"
          @change="(v) => v !== null && set({ slope: { ...c.slope!, riseMmPerM: v } })"
        />
      </div>
      <p v-if="c.kind === 'trusses'" class="caution small mt-2">
        Trusses are made for the loads they were drawn for. Nothing is hung from them, cut or notched without an
        engineer.
      </p>
      <p v-if="c.fireSeparation" class="caution small mt-2">
        This lining keeps fire from the house. Every hole in it is closed again with what local code asks for.
      </p>
    </section>
    <section aria-labelledby="floor-h">
      <h2 id="floor-h">Floor</h2>
      <label class="form-label" for="floor">Floor</label>
      <BFormSelect
        id="floor"
        size="sm"
        :model-value="room.floor.kind"
        :options="FLOORS.map((f) => ({ value: f, text: FLOOR_NAMES[f] }))"
        @update:model-value="doc.change('floor', (d) => void (d.room.floor.kind = $event as 'slab' | 'timber'))"
      />
      <p class="small mt-2">{{ sayFloor(readings.plan?.floor ?? null, readings.say) }}</p>
      <form class="grid" @submit.prevent="add">
        <div>
          <label class="form-label" for="fp-wall">Down from the line, at</label
          ><select id="fp-wall" v-model="point.wallId" class="form-select form-select-sm">
            <option v-for="w in walls" :key="w.id" :value="w.id">{{ w.name }}</option>
          </select>
        </div>
        <MeasureField
          label="Along"
          :value="point.atMm"
          :max="LONGEST_MM"
          @change="(v) => v !== null && (point.atMm = v)"
        />
        <MeasureField
          label="Out"
          :value="point.outMm"
          :max="LONGEST_MM"
          @change="(v) => v !== null && (point.outMm = v)"
        />
        <MeasureField
          label="Down to the floor"
          optional
          :value="point.downMm"
          :max="12000"
          @change="(v) => (point.downMm = v)"
        />
        <button type="submit" class="btn btn-sm btn-outline-secondary" :disabled="point.downMm === null">
          Put down
        </button>
      </form>
      <ul class="plain small mt-2">
        <li v-for="(p, i) in room.floor.points" :key="i">
          {{ nameOf(p.wallId) }} {{ formatLength(p.atMm, readings.units, { feet: true }) }} along,
          {{ formatLength(p.outMm, readings.units) }} out: {{ formatLength(p.downMm, readings.units) }} down
          <button type="button" class="btn btn-sm btn-link p-0" @click="remove(i)">
            take back<span class="visually-hidden"> height {{ i + 1 }}</span>
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 1.2rem;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 0.5rem 0.8rem;
  align-items: end;
}
.plain {
  list-style: none;
  padding: 0;
}
.whole {
  grid-column: 1 / -1;
}
.caution {
  border-left: 4px solid var(--doubt);
  background: var(--doubt-soft);
  padding: 0.35rem 0.6rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
