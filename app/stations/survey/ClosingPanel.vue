<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength } from '../../../core/measure/format.ts'
import { closing, cornerReadings } from '../../../core/room/outline.ts'
import { diagonalName, sayClosing, sayCorner } from '../../../core/wording/survey.ts'
import MeasureField from '../../components/MeasureField.vue'
import VerdictMark from '../../components/VerdictMark.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import { newId } from '../../persistence/new-id.ts'
import MeterReader from './MeterReader.vue'

/** Whether the figure closes, its corners, and the diagonals that prove it. */
const doc = useDocument()
const readings = useReadings()
const room = computed(() => doc.project!.room)
const verdict = computed(() => sayClosing(room.value, closing(room.value), readings.say))
const corners = computed(() => cornerReadings(room.value))
const overMm = ref(600)
const from = ref('')
const to = ref('')
const walls = computed(() => room.value.walls)
const name = (id: string) => walls.value.find((w) => w.id === id)?.name ?? ''
/** What the plan says the diagonal should be: a start for the meter, and for typing. */
function expected(a: string, b: string): number {
  const at = (id: string) => readings.plan?.outline.walls.find((w) => w.wall.id === id)?.from ?? [0, 0]
  const [p, q] = [at(a), at(b)]
  return Math.max(300, Math.round(Math.hypot(p[0] - q[0], p[1] - q[1])))
}
function add() {
  const [a, b] = [from.value, to.value]
  if (!a || !b || a === b) return
  doc.change(
    'add a diagonal',
    (d) =>
      void d.room.diagonals.push({
        id: newId('d'),
        fromWallId: a,
        toWallId: b,
        lengthMm: expected(a, b),
      }),
  )
}
const set = (id: string, mm: number) =>
  doc.change('measure a diagonal', (d) => void (d.room.diagonals.find((x) => x.id === id)!.lengthMm = mm), id)
const remove = (id: string) =>
  doc.change('remove a diagonal', (d) => void (d.room.diagonals = d.room.diagonals.filter((x) => x.id !== id)))
</script>

<template>
  <section aria-labelledby="closing-h">
    <h2 id="closing-h">Does it close?</h2>
    <BFormCheckbox
      :model-value="room.closed"
      @update:model-value="doc.change('close the room', (d) => void (d.room.closed = Boolean($event)))"
      >the last wall ends where the first begins</BFormCheckbox
    >
    <p class="verdict" :class="verdict.state" role="status">
      <VerdictMark :state="verdict.state" /> {{ verdict.words }}
    </p>
    <ul v-if="room.diagonals.length" class="plain">
      <li v-for="d in room.diagonals" :key="d.id">
        <MeasureField
          :label="diagonalName(room, d.id)"
          :value="d.lengthMm"
          :min="300"
          :max="100000"
          @change="(v) => v !== null && set(d.id, v)"
        />
        <div class="d-flex gap-2 align-items-center mt-1">
          <MeterReader :what="diagonalName(room, d.id)" :near-mm="d.lengthMm" @take="(mm) => set(d.id, mm)" /><button
            type="button"
            class="btn btn-sm btn-link p-0"
            @click="remove(d.id)"
          >
            remove<span class="visually-hidden"> the {{ diagonalName(room, d.id) }}</span>
          </button>
        </div>
      </li>
    </ul>
    <form v-if="walls.length >= 3" class="d-flex flex-wrap gap-2 align-items-end" @submit.prevent="add">
      <div>
        <label class="form-label" for="dia-a">Diagonal from the left end of</label
        ><select id="dia-a" v-model="from" class="form-select form-select-sm">
          <option v-for="w in walls" :key="w.id" :value="w.id">{{ w.name }}</option>
        </select>
      </div>
      <div>
        <label class="form-label" for="dia-b">to the left end of</label
        ><select id="dia-b" v-model="to" class="form-select form-select-sm">
          <option v-for="w in walls" :key="w.id" :value="w.id">{{ w.name }}</option>
        </select>
      </div>
      <button type="submit" class="btn btn-sm btn-outline-secondary" :disabled="!from || !to || from === to">
        Add
      </button>
    </form>
    <h3 class="mt-3">Corners</h3>
    <MeasureField
      class="over"
      label="Out of square over"
      :value="overMm"
      :min="50"
      :max="5000"
      @change="(v) => v !== null && (overMm = v)"
    />
    <ul class="plain small">
      <li v-for="(c, i) in corners" :key="c.wallId">
        <strong>{{ name(c.wallId) }} / {{ walls[(i + 1) % walls.length]?.name }}</strong>
        {{ sayCorner(c, overMm, readings.say) }}
      </li>
    </ul>
    <p v-if="readings.plan?.outline.closed" class="soft small mb-0">
      Lengths and corners are adjusted to agree:
      {{
        readings.plan.outline.walls
          .map((w) =>
            formatLength(Math.hypot(w.to[0] - w.from[0], w.to[1] - w.from[1]), readings.units, { feet: true }),
          )
          .join(' · ')
      }}
    </p>
  </section>
</template>

<style scoped>
.verdict {
  margin: 0.4rem 0 0.6rem;
}
.fails {
  border-left: 4px solid var(--trouble);
  background: var(--trouble-soft);
  padding: 0.3rem 0.6rem;
}
.plain {
  list-style: none;
  padding: 0;
}
.plain li {
  margin-bottom: 0.4rem;
}
.over {
  max-width: 160px;
  margin-bottom: 0.4rem;
}
</style>
