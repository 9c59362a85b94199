<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { radians } from '../../../core/measure/angle.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { LONGEST_MM } from '../../../core/measure/schema.ts'
import type { Courses } from '../../../core/room/courses.ts'
import { setWallHeight } from '../../../core/room/heights.ts'
import { parseRun } from '../../../core/room/parse-run.ts'
import { FINDINGS, studCentres, type Construction, type Wall } from '../../../core/room/room.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { wallChanged } from '../../../core/wording/undo.ts'
import IconTrash from '~icons/bi/trash'
import MeasureField from '../../components/MeasureField.vue'
import { useRefusal } from '../../composables/refusal.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import MeterReader from './MeterReader.vue'
import { newId } from '../../persistence/new-id.ts'

const props = defineProps<{ wall: Wall }>()
const emit = defineEmits<{ removed: [] }>()
const doc = useDocument()
const readings = useReadings()
const used = computed(() => doc.project!.builds.filter((b) => b.wallId === props.wall.id).length)
const KINDS: { value: Construction['kind']; text: string }[] = [
  { value: 'studs', text: 'studs' },
  { value: 'masonry', text: 'brick or block' },
  { value: 'concrete', text: 'concrete' },
  { value: 'thin', text: 'thin panel: can carry nothing' },
]
const FOUND: Record<(typeof FINDINGS)[number], string> = {
  stud: 'a stud',
  'no-stud': 'no stud',
  double: 'a double stud',
  pipe: 'a pipe or wire',
}

function set(part: Partial<Wall>) {
  const { id, name } = props.wall
  doc.change(
    wallChanged(name, part),
    (d) =>
      void Object.assign(
        d.room.walls.find((w) => w.id === id)!,
        part,
      ),
    `${id}:${Object.keys(part).join()}`,
  )
}
function setHeight(mm: number) {
  const { id, name } = props.wall
  doc.change(wallChanged(name, { heightMm: mm }), (d) => setWallHeight(d.room, id, mm), `${id}:heightMm`)
}
const imperial = computed(() => readings.units.system === 'imperial')
function setKind(kind: Construction['kind']) {
  set({
    construction:
      kind === 'studs'
        ? {
            kind,
            spacingMm: imperial.value ? 406.4 : 600,
            firstMm: imperial.value ? 381 : 600,
            studMm: 38.1,
            lined: true,
            liningMm: 12.7,
            found: [],
          }
        : { kind },
  })
}
const setStuds = (part: object) =>
  props.wall.construction.kind === 'studs' && set({ construction: { ...props.wall.construction, ...part } })
function setCourses(part: Partial<Courses>) {
  const c = props.wall.construction
  if (c.kind === 'masonry' && c.courses) set({ construction: { ...c, courses: { ...c.courses, ...part } } })
}
/** How far it is from joint to joint: with it, or without, courses are known or not. */
function setEvery(everyMm: number | null) {
  const c = props.wall.construction
  if (c.kind !== 'masonry') return
  if (everyMm === null) return set({ construction: { kind: 'masonry' } })
  const fresh = { firstMm: everyMm, jointMm: imperial.value ? 9.525 : 10, fixIn: 'units' as const }
  set({ construction: { ...c, courses: { ...fresh, ...c.courses, everyMm } } })
}
const count = computed(() => studCentres(props.wall).length)

const line = ref('')
const refusalOf = useRefusal()
const problem = ref('')
const said = ref('')
watch(
  () => props.wall.id,
  () => ((line.value = ''), (problem.value = ''), (said.value = '')),
)
/** A run of distances, as called from the tape. */
function call() {
  const read = parseRun(line.value, props.wall.id, readings.units.system, props.wall.lengthMm)
  if (!read.ok) return void (problem.value = sayProblem(read.problem, readings.say))
  const { features, totalMm } = read.value
  const placed = features.map((f) => ({ ...f, id: newId('f') }))
  problem.value = refusalOf(() =>
    doc.change(`measure along ${props.wall.name}`, (d) => void d.room.features.push(...placed)),
  )
  if (problem.value) return
  const off = totalMm === null ? 0 : totalMm - props.wall.lengthMm
  said.value =
    totalMm === null
      ? `${features.length} placed.`
      : Math.abs(off) < 3
        ? `The run comes to ${formatLength(totalMm, readings.units, { feet: true })}: it agrees with the wall.`
        : `The run comes to ${formatLength(totalMm, readings.units, { feet: true })}, ${formatLength(Math.abs(off), readings.units)} ${off > 0 ? 'more' : 'less'} than the wall. Measure again what you doubt.`
  line.value = ''
}

const atMm = ref<number | null>(null)
const what = ref<(typeof FINDINGS)[number]>('stud')
function found() {
  if (atMm.value === null || props.wall.construction.kind !== 'studs') return
  setStuds({ found: [...props.wall.construction.found, { atMm: atMm.value, what: what.value }] })
  atMm.value = null
}
function remove() {
  const { id, name } = props.wall
  doc.change(`remove ${name}`, (d) => {
    d.room.walls = d.room.walls.filter((w) => w.id !== id)
    d.room.features = d.room.features.filter((f) => f.wallId !== id)
    d.room.diagonals = d.room.diagonals.filter((x) => x.fromWallId !== id && x.toWallId !== id)
    d.room.floor.points = d.room.floor.points.filter((p) => p.wallId !== id)
  })
  emit('removed')
}
const example = computed(() =>
  imperial.value
    ? '24 1/2, door 32 x 80, 60, window 36 x 40 up 42, 63'
    : '620, door 810 x 2030, 1500, window 900 x 1000 up 1070, 640',
)
const byThemselves = computed(() =>
  imperial.value
    ? 'Stretch after stretch, or things by themselves: outlet at 24 and 72, up 15; garage door 9x7 in the middle; switch 18 from the right'
    : 'Stretch after stretch, or things by themselves: outlet at 600 and 1800, up 380; door 840 in the middle; switch 450 from the right',
)
</script>

<template>
  <div class="grid">
    <div>
      <label class="form-label" for="wall-name">Name</label>
      <input
        id="wall-name"
        class="form-control form-control-sm"
        :value="wall.name"
        maxlength="60"
        @change="
          ($event.target as HTMLInputElement).value.trim() &&
          set({ name: ($event.target as HTMLInputElement).value.trim() })
        "
      />
    </div>
    <div>
      <MeasureField
        label="Length"
        :value="wall.lengthMm"
        :min="300"
        :max="LONGEST_MM"
        @change="(v) => v !== null && set({ lengthMm: v })"
      />
      <MeterReader
        :what="`length of ${wall.name}`"
        :near-mm="wall.lengthMm"
        class="mt-1"
        @take="(mm) => set({ lengthMm: mm })"
      />
    </div>
    <MeasureField
      label="Height"
      :value="wall.heightMm"
      :min="300"
      :max="12000"
      @change="(v) => v !== null && setHeight(v)"
    />
    <MeasureField
      label="Depth available"
      :value="wall.depthMm"
      :min="50"
      :max="LONGEST_MM"
      @change="(v) => v !== null && set({ depthMm: v })"
    />
    <MeasureField
      label="Corner at its right end"
      quantity="angle"
      optional
      :value="wall.cornerRad"
      :min="radians(20)"
      :max="radians(340)"
      @change="(v) => set({ cornerRad: v })"
    />
    <MeasureField
      label="Skirting, how deep (empty: none)"
      optional
      :value="wall.skirting?.deepMm ?? null"
      :min="1"
      :max="100"
      @change="(v) => set({ skirting: v === null ? undefined : { highMm: 100, ...wall.skirting, deepMm: v } })"
    />
    <MeasureField
      v-if="wall.skirting"
      label="Skirting, how high"
      :value="wall.skirting.highMm"
      :min="5"
      :max="500"
      @change="(v) => v !== null && wall.skirting && set({ skirting: { ...wall.skirting, highMm: v } })"
    />
    <div>
      <label class="form-label" for="wall-kind">Made of</label>
      <BFormSelect
        id="wall-kind"
        size="sm"
        :model-value="wall.construction.kind"
        :options="KINDS"
        @update:model-value="setKind($event as Construction['kind'])"
      />
    </div>
    <template v-if="wall.construction.kind === 'studs'">
      <MeasureField
        label="Stud spacing, centres"
        :value="wall.construction.spacingMm"
        :min="100"
        :max="2000"
        @change="(v) => v !== null && setStuds({ spacingMm: v })"
      />
      <MeasureField
        label="First stud, centre from the left"
        :value="wall.construction.firstMm"
        :max="2000"
        @change="(v) => v !== null && setStuds({ firstMm: v })"
      />
      <MeasureField
        label="Stud width"
        :value="wall.construction.studMm"
        :min="20"
        :max="200"
        @change="(v) => v !== null && setStuds({ studMm: v })"
      />
      <MeasureField
        v-if="wall.construction.lined"
        label="Lining in front of them"
        :value="wall.construction.liningMm"
        :max="100"
        @change="(v) => v !== null && setStuds({ liningMm: v })"
      />
      <BFormCheckbox :model-value="wall.construction.lined" @update:model-value="setStuds({ lined: Boolean($event) })"
        >lined (board over the studs)</BFormCheckbox
      >
    </template>
    <template v-if="wall.construction.kind === 'masonry'">
      <MeasureField
        label="Joint to joint, up"
        optional
        :value="wall.construction.courses?.everyMm ?? null"
        :min="40"
        :max="600"
        @change="setEvery"
      />
      <template v-if="wall.construction.courses">
        <MeasureField
          label="Lowest joint"
          :value="wall.construction.courses.firstMm"
          :max="1200"
          @change="(v) => v !== null && setCourses({ firstMm: v })"
        />
        <MeasureField
          label="Height of a joint"
          :value="wall.construction.courses.jointMm"
          :min="1"
          :max="40"
          @change="(v) => v !== null && setCourses({ jointMm: v })"
        />
        <div>
          <label class="form-label" for="fix-in">Fixings go into</label>
          <select
            id="fix-in"
            class="form-select form-select-sm"
            :value="wall.construction.courses.fixIn"
            @change="setCourses({ fixIn: ($event.target as HTMLSelectElement).value as Courses['fixIn'] })"
          >
            <option value="units">bricks or blocks</option>
            <option value="joints">mortar joints</option>
          </select>
        </div>
      </template>
    </template>
  </div>
  <form class="run" @submit.prevent="call">
    <label class="form-label" for="run">Call the distances along it, from its left corner</label>
    <div class="d-flex gap-2">
      <input
        id="run"
        v-model="line"
        class="form-control"
        :class="{ 'is-invalid': problem }"
        :placeholder="example"
        autocomplete="off"
        spellcheck="false"
        :aria-describedby="problem ? 'run-e' : 'run-s'"
        @keydown.esc="((line = ''), (problem = ''))"
      />
      <button type="submit" class="btn btn-primary text-nowrap">Put down</button>
    </div>
    <p v-if="problem" id="run-e" class="text-trouble small mb-0" role="alert">{{ problem }}</p>
    <p v-else id="run-s" class="soft small mb-0" role="status">
      {{ said || byThemselves }}
    </p>
  </form>
  <template v-if="wall.construction.kind === 'studs'">
    <div class="found">
      <MeasureField
        label="Drilled or knocked at"
        optional
        :value="atMm"
        :max="wall.lengthMm"
        @change="(v) => (atMm = v)"
      />
      <div>
        <label class="form-label" for="found-what">and found</label>
        <select id="found-what" v-model="what" class="form-select form-select-sm">
          <option v-for="f in FINDINGS" :key="f" :value="f">{{ FOUND[f] }}</option>
        </select>
      </div>
      <button type="button" class="btn btn-sm btn-outline-secondary" :disabled="atMm === null" @click="found">
        Note it
      </button>
    </div>
    <ul v-if="wall.construction.found.length" class="finds">
      <li v-for="(f, i) in wall.construction.found" :key="i">
        {{ formatLength(f.atMm, readings.units) }}: {{ FOUND[f.what] }}
        <button
          type="button"
          class="btn btn-sm btn-link p-0"
          @click="
            setStuds({
              found: wall.construction.kind === 'studs' ? wall.construction.found.filter((_, k) => k !== i) : [],
            })
          "
        >
          take back<span class="visually-hidden"> {{ formatLength(f.atMm, readings.units) }}</span>
        </button>
      </li>
    </ul>
    <p class="soft small mt-2 mb-0">{{ count }} studs on this wall. Try each with a thin drill before you trust it.</p>
  </template>
  <p v-else-if="wall.construction.kind === 'thin'" class="small mt-2 mb-0">
    Nothing can be tied to this wall: builds stand free or are tied to a neighbour.
  </p>
  <button
    v-if="doc.project!.room.walls.length > 1"
    type="button"
    class="btn btn-sm btn-link ps-0 mt-2"
    :disabled="used > 0"
    @click="remove"
  >
    <IconTrash aria-hidden="true" /> Remove this wall<span v-if="used"> (a build stands at it)</span>
  </button>
</template>

<style scoped>
.grid,
.found {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 0.5rem 0.9rem;
  align-items: start;
}
.found {
  align-items: end;
  margin-top: 0.6rem;
}
.run {
  margin-top: 0.8rem;
}
.finds {
  margin: 0.4rem 0 0;
  padding-left: 1.1rem;
  font-size: 0.9rem;
}
</style>
