<script setup lang="ts">
import { computed } from 'vue'
import { startingSettings, type Settings } from '../../core/assembly/settings.ts'
import { GRADES } from '../../core/catalogue/lumber.ts'
import { CURRENCIES } from '../../core/measure/money.ts'
import { settingsChanged } from '../../core/wording/undo.ts'
import { useDocument } from '../stores/document.ts'
import AnchorRating from './AnchorRating.vue'
import MeasureField from './MeasureField.vue'
import OwnSheets from './OwnSheets.vue'

const open = defineModel<boolean>({ required: true })
const doc = useDocument()
const s = computed(() => doc.project?.settings)

function set<K extends keyof Settings>(key: K, value: Settings[K]) {
  doc.change(settingsChanged({ [key]: value }), (d) => {
    d.settings[key] = value as never
  })
}
const METHODS = [
  { value: 'asd', text: 'North American, allowable stress' },
  { value: 'ec5', text: 'Eurocode 5, limit states' },
]
const MOISTURE = [
  { value: 'unheated', text: 'unheated garage or shed' },
  { value: 'dry', text: 'heated, indoors' },
  { value: 'wet', text: 'wet: above 19 % moisture' },
]
const DURATION = [
  { value: 'permanent', text: 'goods stay for good' },
  { value: 'long', text: 'goods change over the years' },
]
/** Regional presets of the simplified method; a figure from the authority comes first. */
const SEISMIC = [
  { value: null, text: 'not reckoned with' },
  { value: 0.17, text: 'low (SDS 0.17)' },
  { value: 0.5, text: 'moderate (SDS 0.5)' },
  { value: 1, text: 'high (SDS 1.0)' },
]
const SAG = [
  { value: 240, text: 'span / 240: storage' },
  { value: 360, text: 'span / 360: worktops' },
  { value: 384, text: 'span / 384: what the eye sees' },
]
const grades = GRADES.map((g) => ({
  value: g.id,
  text: `${g.label} (${[g.asd && 'North American', g.ec5 && 'Eurocode'].filter(Boolean).join(', ')})`,
}))
const rename = (name: string) =>
  name.trim() && doc.change('rename the project', (d) => void (d.name = name.trim().slice(0, 80)))
/** What the yard sells, saw and wood stay; tacked sizes follow the marks of the other tape. */
const setUnits = (system: 'imperial' | 'metric') => set('system', system)
const useDefaults = () =>
  doc.change('starting values of the units', (d) => void (d.settings = startingSettings(d.settings.system)))
</script>

<template>
  <BModal v-model="open" title-tag="h2" title="Project settings" no-footer lazy size="lg">
    <div v-if="s && doc.project" class="grid">
      <div>
        <label class="form-label" for="set-name">Name</label>
        <input
          id="set-name"
          class="form-control form-control-sm"
          :value="doc.project.name"
          maxlength="80"
          @change="rename(($event.target as HTMLInputElement).value)"
        />
      </div>
      <div>
        <span class="form-label d-block">Units</span>
        <BButtonGroup size="sm" aria-label="Units">
          <BButton
            :variant="s.system === 'imperial' ? 'primary' : 'outline-secondary'"
            :aria-pressed="s.system === 'imperial'"
            @click="setUnits('imperial')"
            >feet and inches</BButton
          >
          <BButton
            :variant="s.system === 'metric' ? 'primary' : 'outline-secondary'"
            :aria-pressed="s.system === 'metric'"
            @click="setUnits('metric')"
            >millimetres</BButton
          >
        </BButtonGroup>
      </div>
      <div v-if="s.system === 'imperial'">
        <label class="form-label" for="set-fraction">Smallest fraction</label>
        <BFormSelect
          id="set-fraction"
          size="sm"
          :model-value="s.fraction"
          :options="[
            { value: 16, text: '1/16 in' },
            { value: 32, text: '1/32 in' },
          ]"
          @update:model-value="set('fraction', Number($event) as 16 | 32)"
        />
      </div>
      <div>
        <label class="form-label" for="set-currency">Money</label>
        <BFormSelect
          id="set-currency"
          size="sm"
          :model-value="s.currency"
          :options="[...CURRENCIES]"
          @update:model-value="set('currency', $event as Settings['currency'])"
        />
      </div>
      <MeasureField label="Saw kerf" :value="s.kerfMm" :max="10" @change="(v) => v !== null && set('kerfMm', v)" />
      <MeasureField
        label="Squared off one end of a board"
        :value="s.squaringTrimMm"
        :max="100"
        @change="(v) => v !== null && set('squaringTrimMm', v)"
      />
      <MeasureField
        label="Trimmed off each edge of a sheet"
        :value="s.sheetTrimMm"
        :max="50"
        @change="(v) => v !== null && set('sheetTrimMm', v)"
      />
      <MeasureField
        label="Most one person lifts"
        quantity="mass"
        :value="s.onePersonKg"
        :min="1"
        :max="60"
        @change="(v) => v !== null && set('onePersonKg', v)"
      />
      <div>
        <label class="form-label" for="set-method">Design method</label>
        <BFormSelect
          id="set-method"
          size="sm"
          :model-value="s.method"
          :options="METHODS"
          @update:model-value="set('method', $event as Settings['method'])"
        />
      </div>
      <div>
        <label class="form-label" for="set-grade">Lumber</label>
        <BFormSelect
          id="set-grade"
          size="sm"
          :model-value="s.grade"
          :options="grades"
          @update:model-value="set('grade', String($event))"
        />
      </div>
      <div>
        <label class="form-label" for="set-moisture">Where it stands</label>
        <BFormSelect
          id="set-moisture"
          size="sm"
          :model-value="s.moisture"
          :options="MOISTURE"
          @update:model-value="set('moisture', $event as Settings['moisture'])"
        />
      </div>
      <div>
        <label class="form-label" for="set-duration">How long loads stay</label>
        <BFormSelect
          id="set-duration"
          size="sm"
          :model-value="s.duration"
          :options="DURATION"
          @update:model-value="set('duration', $event as Settings['duration'])"
        />
      </div>
      <div>
        <label class="form-label" for="set-seismic">Earthquakes (ask locally)</label>
        <BFormSelect
          id="set-seismic"
          size="sm"
          :model-value="s.seismicG"
          :options="SEISMIC"
          @update:model-value="set('seismicG', $event as Settings['seismicG'])"
        />
      </div>
      <MeasureField
        label="Height of who uses it"
        :value="s.personMm"
        :min="1200"
        :max="2200"
        @change="(v) => v !== null && set('personMm', v)"
      />
      <div>
        <label class="form-label" for="set-sag">Sag allowed in the long run</label>
        <BFormSelect
          id="set-sag"
          size="sm"
          :model-value="s.sagRatio"
          :options="SAG"
          @update:model-value="set('sagRatio', Number($event))"
        />
      </div>
      <AnchorRating />
    </div>
    <template v-if="s">
      <h3 class="mt-3">Bringing it home</h3>
      <div class="grid">
        <MeasureField
          label="Longest that goes into the vehicle"
          :value="s.carriage.longestMm"
          :min="500"
          :max="10000"
          @change="(v) => v !== null && set('carriage', { ...s!.carriage, longestMm: v })"
        />
        <MeasureField
          label="Widest"
          :value="s.carriage.widestMm"
          :min="300"
          :max="3000"
          @change="(v) => v !== null && set('carriage', { ...s!.carriage, widestMm: v })"
        />
        <MeasureField
          label="Most it carries"
          quantity="mass"
          :value="s.carriage.mostKg"
          :min="20"
          :max="5000"
          @change="(v) => v !== null && set('carriage', { ...s!.carriage, mostKg: v })"
        />
        <BFormCheckbox
          :model-value="s.yardCuts.use"
          @update:model-value="set('yardCuts', { ...s.yardCuts, use: Boolean($event) })"
          >the yard cuts for me</BFormCheckbox
        >
        <template v-if="s.yardCuts.use">
          <MeasureField
            label="Cuts that are free"
            quantity="count"
            :value="s.yardCuts.freeCuts"
            :max="50"
            @change="(v) => v !== null && set('yardCuts', { ...s!.yardCuts, freeCuts: v })"
          />
          <MeasureField
            label="Narrowest strip it cuts"
            :value="s.yardCuts.smallestStripMm"
            :max="600"
            @change="(v) => v !== null && set('yardCuts', { ...s!.yardCuts, smallestStripMm: v })"
          />
          <MeasureField
            label="How far off its cuts may be"
            :value="s.yardCuts.toleranceMm"
            :max="20"
            @change="(v) => v !== null && set('yardCuts', { ...s!.yardCuts, toleranceMm: v })"
          />
        </template>
      </div>
      <h3 class="mt-3">Finish</h3>
      <div class="grid">
        <MeasureField
          label="Coats on everything"
          quantity="count"
          :value="s.finish.coats"
          :max="6"
          @change="(v) => v !== null && set('finish', { ...s!.finish, coats: v })"
        />
        <MeasureField
          v-if="s.finish.coats"
          label="A litre covers, square metres"
          quantity="count"
          :value="s.finish.coverM2PerL"
          :min="1"
          :max="30"
          @change="(v) => v !== null && set('finish', { ...s!.finish, coverM2PerL: v })"
        />
        <BFormCheckbox :model-value="s.edgeBanding" @update:model-value="set('edgeBanding', Boolean($event))"
          >band the front edges of shelves</BFormCheckbox
        >
      </div>
    </template>
    <OwnSheets v-if="s" />
    <p class="soft small mt-3 mb-0">
      Changing units changes how lengths are shown; tacked sizes are rounded to that tape's marks. What the yard sells
      stays.
      <button type="button" class="btn btn-sm btn-link p-0 align-baseline" @click="useDefaults">
        Use the usual saw, method and wood for these units
      </button>
    </p>
  </BModal>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 0.8rem 1.1rem;
  align-items: start;
}
</style>
