<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import IconPlus from '~icons/bi/plus-lg'
import PressedButtons from '../../components/PressedButtons.vue'
import RoomPlan from '../../components/RoomPlan.vue'
import UnrolledRoom from '../../components/UnrolledRoom.vue'
import { useChosenBuild } from '../../composables/chosen-build.ts'
import { useDocument } from '../../stores/document.ts'
import { newId } from '../../persistence/new-id.ts'
import CeilingFloor from './CeilingFloor.vue'
import ClosingPanel from './ClosingPanel.vue'
import RoomExchange from './RoomExchange.vue'
import TapeList from './TapeList.vue'
import WallPanel from './WallPanel.vue'

const doc = useDocument()
const { buildId, build } = useChosenBuild()
const room = computed(() => doc.project!.room)
const chosenId = ref(room.value.walls[0]?.id ?? '')
const wall = computed(() => room.value.walls.find((w) => w.id === chosenId.value) ?? room.value.walls[0])
const thing = ref('')
type Tab = 'walls' | 'things' | 'ceiling'
const tab = useSessionStorage<Tab>('survey-tab', 'walls')
const TABS: { id: Tab; name: string }[] = [
  { id: 'walls', name: 'Walls' },
  { id: 'things', name: 'Things in the room' },
  { id: 'ceiling', name: 'Ceiling and floor' },
]

function pickWall(id: string) {
  chosenId.value = id
}
function pickThing(id: string) {
  thing.value = id
  if (id) tab.value = 'things'
  const f = room.value.features.find((x) => x.id === id)
  if (f) chosenId.value = f.wallId
}
function addWall() {
  const last = room.value.walls[room.value.walls.length - 1] ?? wall.value
  const id = newId('wall')
  const added = doc.change(
    'add a wall',
    (d) =>
      void d.room.walls.push({
        ...JSON.parse(JSON.stringify(last)),
        id,
        name: `Wall ${d.room.walls.length + 1}`,
        cornerRad: null,
      }),
  )
  if (added) chosenId.value = id
}
</script>

<template>
  <div class="station">
    <div class="station-head">
      <h1>Survey</h1>
      <span class="soft">What room have I really got?</span>
      <span class="ms-auto d-flex gap-2 align-items-center">
        <label class="form-label mb-0" for="room-name">Room</label>
        <input
          id="room-name"
          class="form-control form-control-sm"
          :value="room.name"
          maxlength="80"
          @change="doc.change('name the room', (d) => void (d.room.name = ($event.target as HTMLInputElement).value))"
        />
      </span>
    </div>
    <div class="card-sheet mb-3">
      <UnrolledRoom
        measuring
        :wall="wall?.id"
        :thing="thing"
        :build="build?.id"
        @wall="pickWall"
        @thing="pickThing"
        @build="buildId = $event"
      />
    </div>
    <div class="columns">
      <section class="card-sheet" aria-label="What was measured">
        <div class="tabs" role="group" aria-label="What to measure">
          <PressedButtons :options="TABS" :pressed="tab" @press="tab = $event as Tab" />
        </div>
        <template v-if="tab === 'walls'">
          <div class="walls">
            <button
              v-for="w in room.walls"
              :key="w.id"
              type="button"
              class="btn btn-sm"
              :class="w.id === wall?.id ? 'btn-primary' : 'btn-outline-secondary'"
              :aria-pressed="w.id === wall?.id"
              @click="chosenId = w.id"
            >
              {{ w.name }}
            </button>
            <button type="button" class="btn btn-sm btn-outline-secondary" @click="addWall">
              <IconPlus aria-hidden="true" /> wall
            </button>
          </div>
          <WallPanel v-if="wall" :wall="wall" @removed="chosenId = room.walls[0]?.id ?? ''" />
        </template>
        <TapeList v-else-if="tab === 'things'" :thing="thing" :wall="wall?.id ?? ''" @thing="pickThing" />
        <CeilingFloor v-else />
      </section>
      <div>
        <section class="card-sheet mb-3" aria-label="Plan">
          <RoomPlan
            :wall="wall?.id"
            :thing="thing"
            :build="build?.id"
            @wall="pickWall"
            @thing="pickThing"
            @build="buildId = $event"
          />
          <p class="soft small mb-0">
            Drag a build, or focus it: arrows move it, R turns it, M mirrors it, Page keys change its wall.
          </p>
        </section>
        <section class="card-sheet mb-3"><ClosingPanel /></section>
        <section class="card-sheet" aria-label="The room as a file"><RoomExchange /></section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.45fr) minmax(0, 1fr);
  gap: 1rem;
  align-items: start;
}
.tabs,
.walls {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-bottom: 0.7rem;
}
.tabs {
  border-bottom: 1px solid var(--line);
  padding-bottom: 0.6rem;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
