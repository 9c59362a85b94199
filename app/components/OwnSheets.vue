<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { findSheet, ownSheetId, type SheetKind } from '../../core/catalogue/sheets.ts'
import { modulusFromSag } from '../../core/mechanics/section.ts'
import { inches, newtons } from '../../core/measure/units.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'
import MeasureField from './MeasureField.vue'

/** Sheets of one's own, with what a sag test says of their stiffness. */
const doc = useDocument()
const readings = useReadings()
const imperial = computed(() => readings.units.system === 'imperial')
const KINDS: Record<SheetKind, string> = {
  plywood: 'plywood',
  osb: 'OSB',
  mdf: 'fibreboard (MDF)',
  particleboard: 'particleboard',
  hardboard: 'hardboard',
  'lumber-core': 'lumber-core',
  solid: 'solid wood panel',
}
const f = reactive({
  label: '',
  kind: 'plywood' as SheetKind,
  thicknessMm: imperial.value ? inches(0.75) : 18,
  lengthMm: imperial.value ? inches(96) : 2440,
  widthMm: imperial.value ? inches(48) : 1220,
  densityKgM3: '550',
  testWidthMm: imperial.value ? inches(12) : 300,
  spanMm: imperial.value ? inches(36) : 900,
  massKg: 20 as number | null,
  sagMm: null as number | null,
  across: '0.45',
  bending: '',
})
const problem = ref('')
const e = computed(() =>
  f.sagMm && f.sagMm > 0.05 && f.massKg
    ? modulusFromSag(newtons(f.massKg), f.spanMm, f.testWidthMm, f.thicknessMm, f.sagMm)
    : null,
)
const number = (t: string) => Number(t.replace(',', '.'))
function add() {
  const [rho, share, fm] = [number(f.densityKgM3), number(f.across), f.bending.trim() === '' ? null : number(f.bending)]
  problem.value =
    f.label.trim() === ''
      ? 'Give it a name.'
      : !(rho >= 100 && rho <= 1500)
        ? 'Density: from 100 to 1500 kg/m³.'
        : !(share >= 0.02 && share <= 1)
          ? 'Stiffness across: a share from 0.02 to 1.'
          : fm !== null && !(fm >= 1 && fm <= 150)
            ? 'Bending strength: from 1 to 150 MPa, or empty when not known.'
            : e.value === null
              ? 'Enter the weight and the sag it caused.'
              : !(e.value >= 200 && e.value <= 30_000)
                ? `That test says ${Math.round(e.value)} MPa: boards lie between 200 and 30 000. Check weight, span and sag.`
                : ''
  if (problem.value) return
  const id = ownSheetId({
    label: f.label.trim().slice(0, 40),
    kind: f.kind,
    system: doc.project!.settings.yard,
    thicknessMm: f.thicknessMm,
    lengthMm: f.lengthMm,
    widthMm: f.widthMm,
    densityKgM3: rho,
    alongMpa: e.value!,
    acrossMpa: e.value! * share,
    bendingMpa: fm,
  })
  if (!doc.project!.settings.ownSheets.includes(id))
    doc.change(`add the sheet ${f.label}`, (d) => void d.settings.ownSheets.push(id))
}
const remove = (id: string) =>
  doc.change(
    'remove a sheet of my own',
    (d) => void (d.settings.ownSheets = d.settings.ownSheets.filter((x) => x !== id)),
  )
const mine = computed(() => doc.project?.settings.ownSheets.map((id) => ({ id, sheet: findSheet(id)! })) ?? [])
</script>

<template>
  <section aria-labelledby="own-h">
    <h3 id="own-h" class="mt-3">Sheets of your own</h3>
    <ul v-if="mine.length" class="small mb-2">
      <li v-for="m in mine" :key="m.id">
        {{ m.sheet.label }}, {{ readings.say.length(m.sheet.thicknessMm) }}:
        {{ Math.round((m.sheet.ei.along * 12) / m.sheet.thicknessMm ** 3) }} MPa
        <button type="button" class="btn btn-sm btn-link p-0" @click="remove(m.id)">
          remove<span class="visually-hidden"> {{ m.sheet.label }}</span>
        </button>
      </li>
    </ul>
    <p class="soft small mb-1">
      Lay a strip of it on two supports, put a known weight on the middle, and measure how far it sags there.
    </p>
    <form class="grid" @submit.prevent="add">
      <div>
        <label class="form-label" for="own-name">Name</label
        ><input id="own-name" v-model="f.label" class="form-control form-control-sm" maxlength="40" />
      </div>
      <div>
        <label class="form-label" for="own-kind">Kind</label
        ><select id="own-kind" v-model="f.kind" class="form-select form-select-sm">
          <option v-for="(name, k) in KINDS" :key="k" :value="k">{{ name }}</option>
        </select>
      </div>
      <MeasureField
        label="Thickness"
        :value="f.thicknessMm"
        :min="2"
        :max="60"
        @change="(v) => v !== null && (f.thicknessMm = v)"
      />
      <MeasureField
        label="Sheet length"
        :value="f.lengthMm"
        :min="300"
        :max="4000"
        @change="(v) => v !== null && (f.lengthMm = v)"
      />
      <MeasureField
        label="Sheet width"
        :value="f.widthMm"
        :min="200"
        :max="2500"
        @change="(v) => v !== null && (f.widthMm = v)"
      />
      <div>
        <label class="form-label" for="own-rho">Density, kg/m³</label
        ><input id="own-rho" v-model="f.densityKgM3" class="form-control form-control-sm" inputmode="decimal" />
      </div>
      <MeasureField
        label="Test strip, width"
        :value="f.testWidthMm"
        :min="20"
        :max="1300"
        @change="(v) => v !== null && (f.testWidthMm = v)"
      />
      <MeasureField
        label="Between the supports"
        :value="f.spanMm"
        :min="200"
        :max="3000"
        @change="(v) => v !== null && (f.spanMm = v)"
      />
      <MeasureField
        label="Weight on the middle"
        quantity="mass"
        :value="f.massKg"
        :min="0.1"
        :max="500"
        @change="(v) => (f.massKg = v)"
      />
      <MeasureField label="Sag it caused" optional :value="f.sagMm" :max="300" @change="(v) => (f.sagMm = v)" />
      <div>
        <label class="form-label" for="own-across">Stiffness across, share</label
        ><input id="own-across" v-model="f.across" class="form-control form-control-sm" inputmode="decimal" />
      </div>
      <div>
        <label class="form-label" for="own-fm">Bending strength, MPa (if known)</label
        ><input id="own-fm" v-model="f.bending" class="form-control form-control-sm" inputmode="decimal" />
      </div>
      <button type="submit" class="btn btn-sm btn-outline-secondary align-self-end">
        Add it{{ e ? `: ${Math.round(e)} MPa` : '' }}
      </button>
    </form>
    <p v-if="problem" class="text-trouble small mb-0" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 0.5rem 0.8rem;
  align-items: start;
}
</style>
