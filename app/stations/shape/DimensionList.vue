<script setup lang="ts">
import { chosenOf, type Choice, type Dim, type Preset } from '../../../core/families/family.ts'
import { choiceName, dimName, optionName } from '../../../core/wording/dims.ts'
import { sayReason } from '../../../core/wording/reasons.ts'
import IconPin from '~icons/bi/pin-angle'
import IconPinned from '~icons/bi/pin-fill'
import MeasureField from '../../components/MeasureField.vue'
import { useReadings } from '../../stores/readings.ts'

defineProps<{
  dims: readonly Dim[]
  choices: readonly Choice[]
  presets: readonly Preset[]
  params: unknown
  refused: { path: string; text: string } | null
  part: string | null
}>()
const emit = defineEmits<{
  set: [path: string, value: unknown, stepped?: boolean]
  'set-all': [values: Preset['options'][string], path: string]
}>()
const readings = useReadings()

function choose(c: Choice, raw: string) {
  emit(
    'set',
    c.path,
    c.options.find((o) => String(o) === raw),
  )
}

function preset(p: Preset, option: string) {
  if (p.options[option]) emit('set-all', p.options[option], p.code)
}
</script>

<template>
  <ul class="list">
    <li v-for="d in dims" :key="d.path" :class="{ fixed: !d.tacked, chosen: part && d.drag?.parts.includes(part) }">
      <div class="row-line">
        <MeasureField
          class="field"
          :label="dimName(d)"
          :quantity="d.quantity"
          :value="d.value"
          :min="d.min"
          :max="d.max"
          :error="refused?.path === d.path ? refused.text : ''"
          @change="(v, stepped) => v !== null && emit('set', d.path, v, stepped)"
        />
        <button
          type="button"
          class="pin"
          :aria-label="`${d.tacked ? 'tacked' : 'fixed'}: ${dimName(d)}`"
          :aria-pressed="!d.tacked"
          :title="
            d.tacked ? 'Tacked: follows the goods. Press to fix it.' : 'Fixed by you. Press to let it follow again.'
          "
          @click="emit('set', d.path, d.tacked ? d.value : null)"
        >
          <component :is="d.tacked ? IconPin : IconPinned" aria-hidden="true" />
          {{ d.tacked ? 'tacked' : 'fixed' }}
        </button>
      </div>
      <p class="why">{{ sayReason(d, readings.say) }}</p>
    </li>
  </ul>
  <h3 class="mt-3">Choices</h3>
  <div v-for="p in presets" :key="p.code" class="choice">
    <label :for="`p-${p.code}`" class="form-label">{{ choiceName(p) }}</label>
    <select
      :id="`p-${p.code}`"
      class="form-select form-select-sm"
      :value="chosenOf(p, params) ?? ''"
      @change="preset(p, ($event.target as HTMLSelectElement).value)"
    >
      <option v-if="chosenOf(p, params) === null" value="">as chosen below</option>
      <option v-for="o in Object.keys(p.options)" :key="o" :value="o">
        {{ optionName({ code: p.code, of: 'code' }, o) }}
      </option>
    </select>
    <p v-if="refused?.path === p.code" class="text-danger small mb-0" role="alert">{{ refused.text }}</p>
  </div>
  <div v-for="c in choices" :key="c.path" class="choice">
    <label :for="`c-${c.path}`" class="form-label">{{ choiceName(c) }}</label>
    <select
      :id="`c-${c.path}`"
      class="form-select form-select-sm"
      :value="String(c.value)"
      @change="choose(c, ($event.target as HTMLSelectElement).value)"
    >
      <option
        v-for="o in c.options.includes(c.value) ? c.options : [c.value, ...c.options]"
        :key="String(o)"
        :value="String(o)"
      >
        {{ optionName(c, o) }}
      </option>
    </select>
  </div>
</template>

<style scoped>
.list {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  border-bottom: 1px solid var(--line);
  padding: 0.3rem 0;
}
li.chosen {
  background: var(--chalk-soft);
}
.row-line {
  display: grid;
  grid-template-columns: 1fr 76px;
  gap: 0.4rem;
  align-items: end;
}
.field :deep(.measure),
.field {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 104px;
  align-items: center;
  gap: 0.3rem;
}
.field :deep(.form-label) {
  margin: 0;
  color: var(--ink);
  font-size: 0.9rem;
  line-height: 1.15;
}
.field :deep(p) {
  grid-column: 1 / -1;
}
.pin {
  display: flex;
  align-items: center;
  gap: 0.3rem;
  height: 31px;
  padding: 0 0.4rem;
  font-size: 0.82rem;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
  color: var(--ink-soft);
}
.fixed .pin {
  background: var(--chalk);
  border-color: var(--chalk);
  color: var(--sheet);
}
.why {
  margin: 0.15rem 0 0;
  font-size: 0.8rem;
  line-height: 1.25;
  color: var(--ink-soft);
}
.choice {
  margin-bottom: 0.45rem;
}
</style>
