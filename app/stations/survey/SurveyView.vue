<script setup lang="ts">
import { computed, ref } from 'vue'
import { LONGEST_MM } from '../../../core/measure/schema.ts'
import { FLOORS, studCentres, type Construction, type Wall } from '../../../core/room/room.ts'
import IconPlus from '~icons/bi/plus-lg'
import IconTrash from '~icons/bi/trash'
import MeasureField from '../../components/MeasureField.vue'
import WallStrip from '../../components/WallStrip.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

const doc = useDocument()
const readings = useReadings()
const room = computed(() => doc.project!.room)
const chosenId = ref(room.value.walls[0]?.id ?? '')
const wall = computed(() => room.value.walls.find((w) => w.id === chosenId.value) ?? room.value.walls[0])
const used = computed(() => doc.project!.builds.filter((b) => b.wallId === wall.value?.id).length)

const KINDS: { value: Construction['kind']; text: string }[] = [
  { value: 'studs', text: 'studs' }, { value: 'masonry', text: 'brick or block' }, { value: 'concrete', text: 'concrete' }, { value: 'thin', text: 'thin panel: can carry nothing' },
]
const FLOOR_NAMES = { slab: 'concrete slab', timber: 'timber floor' }
function set(part: Partial<Wall>) {
  const id = wall.value!.id
  doc.change(`change ${Object.keys(part)[0]} of ${wall.value!.name}`, (d) => void Object.assign(d.room.walls.find((w) => w.id === id)!, part), `${id}:${Object.keys(part).join()}`)
}
function setKind(kind: Construction['kind']) {
  const imperial = readings.units.system === 'imperial'
  set({ construction: kind === 'studs' ? { kind, spacingMm: imperial ? 406.4 : 600, firstMm: imperial ? 381 : 600, studMm: 38.1, lined: true } : { kind } })
}
const setStuds = (part: object) => wall.value?.construction.kind === 'studs' && set({ construction: { ...wall.value.construction, ...part } })
function addWall() {
  const last = room.value.walls[room.value.walls.length - 1] ?? wall.value
  const id = `wall-${crypto.randomUUID().slice(0, 6)}`
  doc.change('add a wall', (d) => void d.room.walls.push({ ...JSON.parse(JSON.stringify(last)), id, name: `Wall ${d.room.walls.length + 1}` }))
  chosenId.value = id
}
function removeWall() {
  const id = wall.value!.id
  doc.change(`remove ${wall.value!.name}`, (d) => void (d.room.walls = d.room.walls.filter((w) => w.id !== id)))
  chosenId.value = room.value.walls[0]?.id ?? ''
}
const text = (e: Event) => (e.target as HTMLInputElement).value
const count = computed(() => (wall.value ? studCentres(wall.value).length : 0))
</script>

<template>
  <div class="station">
    <div class="station-head">
      <h1>Survey</h1>
      <span class="soft">What room have I really got?</span>
    </div>
    <div class="card-sheet mb-3"><WallStrip :chosen="wall?.id" @wall="chosenId = $event" /></div>
    <div class="columns">
      <section class="card-sheet" aria-labelledby="walls-h">
        <h2 id="walls-h">Walls</h2>
        <div class="walls">
          <button v-for="w in room.walls" :key="w.id" type="button" class="btn btn-sm" :class="w.id === wall?.id ? 'btn-primary' : 'btn-outline-secondary'" :aria-pressed="w.id === wall?.id" @click="chosenId = w.id">{{ w.name }}</button>
          <button type="button" class="btn btn-sm btn-outline-secondary" @click="addWall"><IconPlus aria-hidden="true" /> wall</button>
        </div>
        <div v-if="wall" class="grid">
          <div>
            <label class="form-label" for="wall-name">Name</label>
            <input id="wall-name" class="form-control form-control-sm" :value="wall.name" maxlength="60" @change="text($event).trim() && set({ name: text($event).trim() })" />
          </div>
          <MeasureField label="Length" :value="wall.lengthMm" :min="300" :max="LONGEST_MM" @change="(v) => v !== null && set({ lengthMm: v })" />
          <MeasureField label="Height" :value="wall.heightMm" :min="300" :max="12000" @change="(v) => v !== null && set({ heightMm: v })" />
          <MeasureField label="Depth available" :value="wall.depthMm" :min="50" :max="LONGEST_MM" @change="(v) => v !== null && set({ depthMm: v })" />
          <div>
            <label class="form-label" for="wall-kind">Made of</label>
            <BFormSelect id="wall-kind" size="sm" :model-value="wall.construction.kind" :options="KINDS" @update:model-value="setKind($event as Construction['kind'])" />
          </div>
          <template v-if="wall.construction.kind === 'studs'">
            <MeasureField label="Stud spacing, centres" :value="wall.construction.spacingMm" :min="100" :max="2000" @change="(v) => v !== null && setStuds({ spacingMm: v })" />
            <MeasureField label="First stud, centre from the left" :value="wall.construction.firstMm" :max="2000" @change="(v) => v !== null && setStuds({ firstMm: v })" />
            <MeasureField label="Stud width" :value="wall.construction.studMm" :min="20" :max="200" @change="(v) => v !== null && setStuds({ studMm: v })" />
            <BFormCheckbox :model-value="wall.construction.lined" @update:model-value="setStuds({ lined: Boolean($event) })">lined (board over the studs)</BFormCheckbox>
          </template>
        </div>
        <p v-if="wall?.construction.kind === 'studs'" class="soft small mt-2 mb-0">{{ count }} studs on this wall. Try each with a thin drill before you trust it.</p>
        <p v-else-if="wall?.construction.kind === 'thin'" class="small mt-2 mb-0">Nothing can be tied to this wall: builds stand free or are tied to a neighbour.</p>
        <button v-if="room.walls.length > 1 && wall" type="button" class="btn btn-sm btn-link ps-0 mt-2" :disabled="used > 0" @click="removeWall"><IconTrash aria-hidden="true" /> Remove this wall<span v-if="used"> (a build stands at it)</span></button>
      </section>
      <section class="card-sheet" aria-labelledby="room-h">
        <h2 id="room-h">Room</h2>
        <div class="grid">
          <div>
            <label class="form-label" for="room-name">Name</label>
            <input id="room-name" class="form-control form-control-sm" :value="room.name" maxlength="80" @change="doc.change('name the room', (d) => void (d.room.name = text($event)))" />
          </div>
          <MeasureField label="Ceiling height" :value="room.ceiling.heightMm" :min="300" :max="12000" @change="(v) => v !== null && doc.change('ceiling height', (d) => void (d.room.ceiling.heightMm = v), 'ceiling')" />
          <div>
            <label class="form-label" for="floor">Floor</label>
            <BFormSelect id="floor" size="sm" :model-value="room.floor.kind" :options="FLOORS.map((f) => ({ value: f, text: FLOOR_NAMES[f] }))" @update:model-value="doc.change('floor', (d) => void (d.room.floor.kind = $event as 'slab' | 'timber'))" />
          </div>
        </div>
        <p class="soft small mt-2 mb-0">{{ room.floor.kind === 'slab' ? 'Wood that stands on the slab is planned preservative-treated.' : '' }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 1rem;
  align-items: start;
}
.walls {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-bottom: 0.7rem;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 0.5rem 0.9rem;
  align-items: end;
}
@media (max-width: 800px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
