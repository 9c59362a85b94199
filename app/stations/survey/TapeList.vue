<script setup lang="ts">
import { computed } from 'vue'
import { formatLength, formatMass } from '../../../core/measure/format.ts'
import {
  clearOf,
  wayIn,
  FEATURE_DEFAULTS,
  FEATURE_KINDS,
  newFeature,
  type Feature,
  type FeatureKind,
} from '../../../core/room/features.ts'
import { FEATURE_NAMES } from '../../../core/wording/features.ts'
import { capital } from '../../../core/wording/say.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import ThingForm from './ThingForm.vue'
import { newId } from '../../persistence/new-id.ts'
const mass = (kg: number) => formatMass(kg, readings.units)

/** Every reading of the room, one line each, in the order a person walks. */
const props = defineProps<{ thing: string; wall: string }>()
const emit = defineEmits<{ thing: [id: string] }>()
const doc = useDocument()
const readings = useReadings()
const l = (mm: number) => formatLength(mm, readings.units, { feet: true })
const rows = computed(() =>
  doc.project!.room.walls.map((w) => ({
    wall: w,
    things: doc.project!.room.features.filter((f) => f.wallId === w.id).sort((a, b) => a.atMm - b.atMm),
  })),
)
const keeps = (f: Feature) => {
  const c = clearOf(f)
  return Math.max(c.leftMm, c.rightMm, c.frontMm, c.aboveMm, c.belowMm, wayIn(f)?.frontMm ?? 0)
}
function add(kind: FeatureKind) {
  const wallId = props.wall || doc.project!.room.walls[0]?.id
  const wall = doc.project!.room.walls.find((w) => w.id === wallId)
  if (!wall) return
  const id = newId('f')
  const f = newFeature({ id, kind, wallId, atMm: 0 })
  const added = doc.change(
    `add ${FEATURE_NAMES[kind].name}`,
    (d) =>
      void d.room.features.push({
        ...f,
        wideMm: Math.min(f.wideMm, wall.lengthMm),
        atMm: Math.max(0, Math.round((wall.lengthMm - f.wideMm) / 2)),
      }),
  )
  if (added) emit('thing', id)
}
</script>

<template>
  <div class="two">
    <div class="list">
      <div class="d-flex gap-2 align-items-center mb-2">
        <label class="form-label mb-0" for="add-thing">Add</label>
        <select
          id="add-thing"
          class="form-select form-select-sm"
          :value="''"
          @change="
            (add(($event.target as HTMLSelectElement).value as FeatureKind),
            (($event.target as HTMLSelectElement).value = ''))
          "
        >
          <option value="" disabled>a thing in the room …</option>
          <option v-for="k in FEATURE_KINDS" :key="k" :value="k">{{ FEATURE_NAMES[k].name }}</option>
        </select>
      </div>
      <template v-for="r in rows" :key="r.wall.id">
        <h2 class="wall">
          {{ r.wall.name }} <span class="soft small">{{ l(r.wall.lengthMm) }}</span>
        </h2>
        <p v-if="r.things.length === 0" class="soft small mb-1">nothing on it</p>
        <ul>
          <li v-for="f in r.things" :key="f.id">
            <button
              type="button"
              class="row-button"
              :class="{ open: f.id === thing }"
              :aria-pressed="f.id === thing"
              @click="emit('thing', f.id)"
            >
              <span class="at">{{ l(f.atMm) }}</span>
              <span
                >{{ capital(FEATURE_NAMES[f.kind].name)
                }}<span v-if="f.name" class="soft ms-1">{{ f.name }}</span></span
              >
              <span class="soft small"
                >{{ l(f.wideMm) }} wide<template v-if="f.upMm > 0">, {{ l(f.upMm) }} up</template
                ><template v-if="keeps(f) > 0">, keeps {{ l(keeps(f)) }}</template
                ><template v-if="f.comesDown">, comes down first</template
                ><template v-if="FEATURE_DEFAULTS[f.kind].prepared"
                  >, {{ f.holdsKg === null ? 'nobody said what it carries' : `carries ${mass(f.holdsKg)}` }}</template
                ></span
              >
            </button>
          </li>
        </ul>
      </template>
    </div>
    <ThingForm
      v-if="doc.project!.room.features.some((f) => f.id === thing)"
      :id="thing"
      :key="thing"
      @gone="emit('thing', '')"
    />
    <p v-else class="soft">Pick a thing to see its measures and the space it keeps, or add one.</p>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: 1rem;
}
.list {
  max-height: 480px;
  overflow-y: auto;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 0.5rem;
}
.row-button {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr);
  gap: 0 0.6rem;
  width: 100%;
  min-height: 38px;
  align-items: center;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: var(--ink);
  padding: 0.15rem 0.3rem;
}
.row-button .small {
  grid-column: 2;
}
.row-button:hover,
.row-button.open {
  background: var(--chalk-soft);
}
.at {
  text-align: right;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
.wall {
  font-size: 0.98rem;
  margin-bottom: 0.35rem;
}
</style>
