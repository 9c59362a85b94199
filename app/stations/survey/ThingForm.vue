<script setup lang="ts">
import { computed } from 'vue'
import { radians } from '../../../core/measure/angle.ts'
import { HEAVIEST_KG, LONGEST_MM } from '../../../core/measure/schema.ts'
import {
  BRIGHTEST_LM,
  clearOf,
  FEATURE_DEFAULTS,
  TAKEN_DOWN,
  type Clear,
  type Feature,
  type Leaf,
  type Sectional,
} from '../../../core/room/features.ts'
import { FEATURE_CAUTIONS, FEATURE_NAMES } from '../../../core/wording/features.ts'
import { capital } from '../../../core/wording/say.ts'
import IconTrash from '~icons/bi/trash'
import HandForm from '../../components/HandForm.vue'
import HandPieces from '../../components/HandPieces.vue'
import DoorSweep from '../../components/DoorSweep.vue'
import MeasureField from '../../components/MeasureField.vue'
import NumberField from '../../components/NumberField.vue'
import { useDocument } from '../../stores/document.ts'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ gone: [] }>()
const doc = useDocument()
const f = computed(() => doc.project!.room.features.find((x) => x.id === props.id) as Feature)
const name = computed(() => FEATURE_NAMES[f.value.kind].name)
const d = computed(() => FEATURE_DEFAULTS[f.value.kind])
const clear = computed(() => clearOf(f.value))

function set(part: Partial<Feature>) {
  doc.change(
    `change the ${name.value}`,
    (p) =>
      void Object.assign(
        p.room.features.find((x) => x.id === props.id)!,
        part,
      ),
    `${props.id}:${Object.keys(part).join()}`,
  )
}
const setClear = (part: Partial<Clear>) => set({ clear: { ...clear.value, ...part } })
const setLeaf = (part: Partial<Leaf>) => f.value.leaf && set({ leaf: { ...f.value.leaf, ...part } })
const setDoor = (part: Partial<Sectional>) => f.value.sectional && set({ sectional: { ...f.value.sectional, ...part } })
function remove() {
  doc.change(
    `remove the ${name.value}`,
    (p) => void (p.room.features = p.room.features.filter((x) => x.id !== props.id)),
  )
  emit('gone')
}
const SIDES: [keyof Clear, string][] = [
  ['leftMm', 'left'],
  ['rightMm', 'right'],
  ['frontMm', 'in front'],
  ['aboveMm', 'above'],
  ['belowMm', 'below'],
]
const DOOR: [keyof Sectional, string][] = [
  ['radiusMm', 'Radius of the track'],
  ['horizontalMm', 'Horizontal track'],
  ['beforeBendMm', 'Top roller to where the bend begins'],
  ['topEdgeMm', 'Top roller to top edge of the door'],
  ['thicknessMm', 'Thickness of the sections'],
  ['rollerMm', 'Rollers in from the sections'],
  ['trackOutMm', 'Rollers out from the wall'],
  ['bottomEdgeMm', 'Lowest roller to bottom edge'],
]
</script>

<template>
  <section aria-label="The chosen thing">
    <div class="d-flex gap-2 align-items-end mb-2">
      <div class="flex-grow-1">
        <label class="form-label" for="thing-name">{{ capital(name) }}: what you call it</label>
        <input
          id="thing-name"
          class="form-control form-control-sm"
          :value="f.name"
          maxlength="60"
          @change="set({ name: ($event.target as HTMLInputElement).value.trim() })"
        />
      </div>
      <button type="button" class="btn btn-sm btn-link" :aria-label="`Remove the ${name}`" @click="remove">
        <IconTrash aria-hidden="true" />
      </button>
    </div>
    <div class="grid">
      <div>
        <label class="form-label" for="thing-wall">At</label>
        <select
          id="thing-wall"
          class="form-select form-select-sm"
          :value="f.wallId"
          @change="set({ wallId: ($event.target as HTMLSelectElement).value })"
        >
          <option v-for="w in doc.project!.room.walls" :key="w.id" :value="w.id">{{ w.name }}</option>
        </select>
      </div>
      <MeasureField
        label="Left edge from its left corner"
        :value="f.atMm"
        :max="LONGEST_MM"
        @change="(v) => v !== null && set({ atMm: v })"
      />
      <MeasureField
        label="Wide"
        :value="f.wideMm"
        :min="1"
        :max="LONGEST_MM"
        @change="(v) => v !== null && set({ wideMm: v })"
      />
      <MeasureField label="High" :value="f.highMm" :max="12000" @change="(v) => v !== null && set({ highMm: v })" />
      <MeasureField
        label="Up from the floor"
        :value="f.upMm"
        :max="12000"
        @change="(v) => v !== null && set({ upMm: v })"
      />
      <MeasureField
        label="Deep"
        :value="f.deepMm"
        :max="LONGEST_MM"
        @change="(v) => v !== null && set({ deepMm: v })"
      />
      <MeasureField
        label="Out from the wall"
        :value="f.outMm"
        :max="LONGEST_MM"
        @change="(v) => v !== null && set({ outMm: v })"
      />
      <MeasureField
        v-if="d.prepared"
        :label="
          d.prepared === 'bolt' ? 'It carries (empty: nobody said)' : 'Each stretch of it carries (empty: nobody said)'
        "
        quantity="mass"
        optional
        :value="f.holdsKg"
        :max="HEAVIEST_KG"
        @change="(v) => set({ holdsKg: v })"
      />
      <div v-if="f.kind === 'light'">
        <label class="form-label" for="lumens">Its light, lumens (empty: nobody said)</label>
        <NumberField
          field-id="lumens"
          label="Its light, lumens"
          kind="count"
          optional
          :value="f.lumens ?? null"
          :max="BRIGHTEST_LM"
          @change="(v) => set(v === null ? { lumens: undefined, coverShare: undefined } : { lumens: v })"
        />
      </div>
      <div v-if="f.kind === 'light' && f.lumens !== undefined">
        <label class="form-label" for="cover">Its cover lets through, % (empty: counted already)</label>
        <NumberField
          field-id="cover"
          label="Its cover lets through, %"
          kind="count"
          optional
          :value="f.coverShare === undefined ? null : Math.round(100 * f.coverShare)"
          :min="1"
          :max="100"
          @change="(v) => set({ coverShare: v === null ? undefined : v / 100 })"
        />
      </div>
    </div>
    <BFormCheckbox
      v-if="TAKEN_DOWN.has(f.kind)"
      class="mt-2"
      :model-value="f.comesDown === true"
      @update:model-value="set({ comesDown: $event === true ? true : undefined })"
      >comes down before anything is built here</BFormCheckbox
    >
    <section v-if="f.comesDown" class="mt-2" aria-labelledby="wood-h">
      <h2 id="wood-h" class="part">Its wood, used again</h2>
      <p class="soft small mb-1">
        Boards and sheets it gives, as long as they are sound: they are cut from first, and cost nothing. Nails and
        screws out before they meet a blade.
      </p>
      <HandPieces :from="f.id" />
      <HandForm v-if="!doc.project!.progress.sawing" :from="f.id" />
    </section>
    <template v-if="f.leaf">
      <h2 class="mt-3 part">Leaf</h2>
      <div class="grid">
        <div>
          <label class="form-label" for="leaf-hinge">Hinges</label>
          <select
            id="leaf-hinge"
            class="form-select form-select-sm"
            :value="f.leaf.hinge"
            @change="setLeaf({ hinge: ($event.target as HTMLSelectElement).value as Leaf['hinge'] })"
          >
            <option value="left">at its left</option>
            <option value="right">at its right</option>
          </select>
        </div>
        <div>
          <label class="form-label" for="leaf-opens">Opens</label>
          <select
            id="leaf-opens"
            class="form-select form-select-sm"
            :value="f.leaf.opens"
            @change="setLeaf({ opens: ($event.target as HTMLSelectElement).value as Leaf['opens'] })"
          >
            <option value="in">into the room</option>
            <option value="out">out of the room</option>
          </select>
        </div>
        <MeasureField
          label="How far"
          quantity="angle"
          :value="f.leaf.openRad"
          :min="radians(10)"
          :max="radians(180)"
          @change="(v) => v !== null && setLeaf({ openRad: v })"
        />
        <MeasureField
          label="Passage outside (empty: open air)"
          optional
          :value="f.leaf.outsideMm"
          :min="300"
          :max="LONGEST_MM"
          @change="(v) => setLeaf({ outsideMm: v })"
        />
      </div>
    </template>
    <template v-if="f.sectional">
      <h2 class="mt-3 part">Door and track</h2>
      <div class="grid">
        <MeasureField
          label="Sections"
          quantity="count"
          :value="f.sectional.sections"
          :min="2"
          :max="12"
          @change="(v) => v !== null && setDoor({ sections: v })"
        />
        <MeasureField
          v-for="[key, label] in DOOR"
          :key="key"
          :label="label"
          :value="f.sectional[key] as number"
          :max="8000"
          @change="(v) => v !== null && setDoor({ [key]: v })"
        />
        <div>
          <label class="form-label" for="springs">Springs</label>
          <select
            id="springs"
            class="form-select form-select-sm"
            :value="f.sectional.springs"
            @change="setDoor({ springs: ($event.target as HTMLSelectElement).value as Sectional['springs'] })"
          >
            <option value="torsion">on a shaft over the door</option>
            <option value="extension">along the tracks</option>
            <option value="none">none</option>
          </select>
        </div>
        <BFormCheckbox :model-value="f.sectional.opener" @update:model-value="setDoor({ opener: Boolean($event) })"
          >opener with a rail</BFormCheckbox
        >
      </div>
      <DoorSweep :door="f" class="mt-2" />
    </template>
    <template v-if="d.prepared">
      <p class="soft small mt-2 mb-0">
        {{
          d.prepared === 'bolt'
            ? 'Deep is how far it stands out of the wall or ceiling; wide is its diameter. What is fixed there is bored for it.'
            : 'Deep is how thick its wood is behind the lining. What it carries counts from one stud or joist to the next, for all that is fixed there together.'
        }}
      </p>
    </template>
    <template v-else-if="!f.comesDown">
      <h2 class="mt-3 part">Space it keeps</h2>
      <div class="grid five">
        <MeasureField
          v-for="[key, label] in SIDES"
          :key="key"
          :label="label"
          :value="clear[key]"
          :max="5000"
          @change="(v) => v !== null && setClear({ [key]: v })"
        />
      </div>
      <BFormCheckbox
        v-if="d.wayIn"
        class="mt-2"
        :model-value="f.walkedThrough !== false"
        @update:model-value="set({ walkedThrough: Boolean($event) })"
        >one walks in through it</BFormCheckbox
      >
      <p class="soft small mt-1 mb-0">
        {{ f.clear ? 'Set by you' : capital(d.source) }}.
        <button
          v-if="f.clear"
          type="button"
          class="btn btn-sm btn-link p-0 align-baseline"
          @click="set({ clear: null })"
        >
          Back to the usual: {{ d.source }}
        </button>
      </p>
    </template>
    <p v-if="FEATURE_CAUTIONS[f.kind]" class="caution small mt-2 mb-0">{{ FEATURE_CAUTIONS[f.kind] }}</p>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 0.45rem 0.7rem;
  align-items: end;
}
.five {
  grid-template-columns: repeat(auto-fill, minmax(92px, 1fr));
}
.caution {
  border-left: 4px solid var(--doubt);
  background: var(--doubt-soft);
  padding: 0.35rem 0.6rem;
}
.part {
  font-size: 0.98rem;
}
</style>
