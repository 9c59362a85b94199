<script setup lang="ts">
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import type { Choice } from '../../../core/families/family.ts'
import { withValue } from '../../../core/families/params.ts'
import { formatMoney } from '../../../core/measure/money.ts'
import type { Variant } from '../../../core/project/compare.ts'
import type { BuildReading } from '../../../core/project/read-build.ts'
import type { Remedy } from '../../../core/project/remedies.ts'
import { choiceName, optionName } from '../../../core/wording/dims.ts'
import { sayLever } from '../../../core/wording/levers.ts'
import VerdictMark from '../../components/VerdictMark.vue'
import { useHeavy, working } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/**
 * The same build in two or three materials, sections or ways to build it side by side; and where it is stronger than it need be, what can
 * be saved.
 */
const props = defineProps<{ reading: BuildReading }>()
const doc = useDocument()
const readings = useReadings()
const choices = computed(() => props.reading.shaped.choices.filter((c) => c.of !== 'code' || c.compared))
const path = ref(
  (choices.value.find((c) => c.compared) ?? choices.value.find((c) => c.of === 'sheet') ?? choices.value[0])?.path ??
    '',
)
const choice = computed((): Choice | undefined => choices.value.find((c) => c.path === path.value))
const picked = ref<(string | number | boolean)[]>([])
watch(choice, (c) => (picked.value = c ? [c.value, ...c.options.filter((o) => o !== c.value).slice(0, 2)] : []), {
  immediate: true,
})
const rows = shallowRef<Variant[] | null>(null)
const saved = shallowRef<Remedy[] | null>(null)
const busy = ref('')
watch([path, picked, () => props.reading], () => (rows.value = null), { deep: true })
watch(
  () => props.reading,
  () => (saved.value = null),
)
async function ask() {
  const { build } = props.reading
  rows.value = await working(busy, 'compare', '', () =>
    useHeavy().compare(toRaw(doc.project!), build.id, path.value, [...picked.value]),
  )
}
async function save() {
  const { build } = props.reading
  saved.value = await working(busy, 'save', '', () => useHeavy().savings(toRaw(doc.project!), build.id))
}
const toggle = (o: string | number | boolean) =>
  (picked.value = picked.value.includes(o) ? picked.value.filter((x) => x !== o) : [...picked.value, o].slice(-4))
const money = (minor: number) => formatMoney(minor, doc.project!.settings.currency)
function take(build: Remedy['build'], label: string) {
  doc.change(label, (d) => {
    const i = d.builds.findIndex((b) => b.id === build.id)
    d.builds[i] = structuredClone(toRaw(build)) as (typeof d.builds)[number]
  })
}
const use = (v: Variant) =>
  take(
    { ...toRaw(props.reading.build), params: withValue(toRaw(props.reading.build.params), path.value, v.option) },
    `use ${optionName(choice.value!, v.option)}`,
  )
const words = (r: Remedy) =>
  r.changes.map((c) => sayLever(c.code, c.data, readings.say, props.reading.shaped.dims)).join(', and ')
</script>

<template>
  <section class="card-sheet mt-3 no-print" aria-labelledby="compare-h">
    <h2 id="compare-h">Side by side</h2>
    <div v-if="choice" class="d-flex flex-wrap gap-2 align-items-center">
      <label class="visually-hidden" for="compare-what">What to compare</label>
      <select id="compare-what" v-model="path" class="form-select form-select-sm what">
        <option v-for="c in choices" :key="c.path" :value="c.path">{{ choiceName(c) }}</option>
      </select>
      <BFormCheckbox
        v-for="o in choice.options"
        :key="String(o)"
        inline
        :model-value="picked.includes(o)"
        @update:model-value="toggle(o)"
        >{{ optionName(choice, o) }}</BFormCheckbox
      >
      <button
        type="button"
        class="btn btn-sm btn-outline-secondary"
        :disabled="busy !== '' || picked.length < 2"
        @click="ask"
      >
        {{ busy === 'compare' ? 'Working it out …' : 'Compare' }}
      </button>
    </div>
    <div v-if="rows && choice" class="table-responsive">
      <table class="table table-sm mt-2">
        <thead>
          <tr>
            <th scope="col">{{ choiceName(choice) }}</th>
            <th scope="col" class="number">costs</th>
            <th scope="col" class="number">wood</th>
            <th scope="col" class="number">sheets</th>
            <th scope="col" class="number">room across</th>
            <th scope="col" class="number">sag in the long run</th>
            <th scope="col" class="number">hardest worked</th>
            <th scope="col">proof</th>
            <th scope="col"><span class="visually-hidden">Use</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="v in rows" :key="String(v.option)">
            <th scope="row">{{ optionName(choice, v.option) }}<span v-if="v.now" class="soft small ms-1">now</span></th>
            <td class="number">{{ money(v.minor) }}</td>
            <td class="number">{{ readings.say.mass(v.massKg) }}</td>
            <td class="number">{{ v.sheets }}</td>
            <td class="number">{{ readings.say.length(v.openMm) }}</td>
            <td class="number">
              {{ v.sagMm === null ? '–' : `${readings.say.sag(v.sagMm)} (${readings.say.percent(v.sagShare ?? 0)})` }}
            </td>
            <td class="number">{{ readings.say.percent(v.strength) }}</td>
            <td><VerdictMark :state="v.verdict" words /></td>
            <td>
              <button
                v-if="!v.now"
                type="button"
                class="btn btn-sm btn-outline-secondary"
                :aria-label="`Use ${optionName(choice, v.option)}`"
                @click="use(v)"
              >
                Use
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <h3 class="mt-3">Stronger than it need be?</h3>
    <button type="button" class="btn btn-sm btn-outline-secondary" :disabled="busy !== ''" @click="save">
      {{ busy === 'save' ? 'Trying changes …' : 'What can be saved' }}
    </button>
    <p v-if="saved?.length === 0" class="soft small mt-2 mb-0" role="status">
      Nothing: every cheaper change makes something fail, or works something hard.
    </p>
    <ul v-if="saved?.length" class="saved">
      <li v-for="(r, i) in saved" :key="i">
        <span>{{ words(r) }}</span><span class="soft">−{{ money(-r.deltaMinor) }}</span
        ><button
          type="button"
          class="btn btn-sm btn-outline-secondary"
          :aria-label="`Do it: ${words(r)}`"
          @click="take(r.build, words(r))"
        >
          Do it
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.what {
  width: auto;
}
.saved {
  list-style: none;
  padding: 0;
  margin: 0.5rem 0 0;
}
.saved li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 0.7rem;
  align-items: center;
  padding: 0.25rem 0;
  border-bottom: 1px solid var(--line);
}
</style>
