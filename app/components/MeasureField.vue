<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { angleText, parseAngle } from '../../core/measure/angle.ts'
import { lengthForField } from '../../core/measure/format.ts'
import { parseLength } from '../../core/measure/parse-length.ts'
import { parseMass } from '../../core/measure/parse-mass.ts'
import { KG_PER_LB, stepMm } from '../../core/measure/units.ts'
import { sayProblem } from '../../core/wording/problems.ts'
import { useRefusal } from '../composables/refusal.ts'
import { useTyped } from '../composables/typed.ts'
import { useReadings } from '../stores/readings.ts'

/**
 * A length, mass or count that is typed, stepped or taken back; a value that cannot be used stays here with its reason.
 */
const props = withDefaults(
  defineProps<{
    label: string
    value: number | null
    min?: number
    max?: number
    quantity?: 'length' | 'mass' | 'count' | 'angle'
    optional?: boolean
    hideLabel?: boolean
    error?: string
  }>(),
  { min: 0, max: 1e6, quantity: 'length', error: '' },
)
const emit = defineEmits<{ change: [value: number | null, stepped: boolean] }>()
const readings = useReadings()
const id = useId()
const problem = ref('')
const refusalOf = useRefusal()
/** Reports a value; one the project would not take stays here with its reason. */
function report(value: number | null, stepped: boolean) {
  taken()
  problem.value = refusalOf(() => emit('change', value, stepped))
}

const shown = computed(() => {
  if (props.value === null) return ''
  if (props.quantity === 'length') return lengthForField(props.value, readings.units)
  if (props.quantity === 'count') return String(props.value)
  if (props.quantity === 'angle') return angleText(props.value)
  return String(Math.round((readings.units.system === 'imperial' ? props.value / KG_PER_LB : props.value) * 100) / 100)
})
const unit = computed(() =>
  props.quantity === 'count'
    ? ''
    : props.quantity === 'angle'
      ? '°'
      : props.quantity === 'mass'
        ? readings.units.system === 'imperial'
          ? 'lb'
          : 'kg'
        : readings.units.system === 'imperial'
          ? 'in'
          : 'mm',
)
const { text, taken } = useTyped(
  () => shown.value,
  () => (problem.value = ''),
)

function range(value: number): string {
  const { say } = readings
  if (props.quantity === 'count')
    return value < props.min || value > props.max
      ? sayProblem({ code: 'count-range', data: { min: props.min, max: props.max } }, say)
      : ''
  if (props.quantity === 'angle')
    return value < props.min || value > props.max ? `From ${angleText(props.min)}° to ${angleText(props.max)}°.` : ''
  if (props.quantity === 'mass')
    return value > props.max
      ? `At most ${say.mass(props.max)}.`
      : value < props.min
        ? `At least ${say.mass(props.min)}.`
        : ''
  if (value < props.min - 1e-6) return sayProblem({ code: 'too-small', data: { minMm: props.min } }, say)
  return value > props.max + 1e-6 ? sayProblem({ code: 'too-large', data: { maxMm: props.max } }, say) : ''
}
function commit() {
  if (text.value.trim() === shown.value) return void (problem.value = '')
  if (props.optional && text.value.trim() === '') {
    problem.value = ''
    return report(null, false)
  }
  const { system } = readings.units
  const read =
    props.quantity === 'length'
      ? parseLength(text.value, system)
      : props.quantity === 'mass'
        ? parseMass(text.value, system)
        : props.quantity === 'angle'
          ? parseAngle(text.value)
          : /^\s*\d{1,6}\s*$/.test(text.value)
            ? { ok: true as const, value: Number(text.value) }
            : {
                ok: false as const,
                problem: {
                  code: text.value.trim() === '' ? 'count-range' : 'not-whole',
                  data: { text: text.value, min: props.min, max: props.max },
                },
              }
  if (!read.ok) return void (problem.value = sayProblem(read.problem, readings.say))
  problem.value = range(read.value)
  if (!problem.value) report(read.value, false)
}
function step(by: number) {
  if (props.value === null) return
  const size =
    props.quantity === 'angle'
      ? Math.PI / 1800
      : props.quantity === 'length'
        ? stepMm(readings.units)
        : props.quantity === 'mass' && readings.units.system === 'imperial'
          ? KG_PER_LB
          : 1
  const next = props.value + by * size
  if (range(next) === '') report(next, true)
}
function restore() {
  text.value = shown.value
  problem.value = ''
}
const said = computed(() => problem.value || props.error)
</script>

<template>
  <div class="measure">
    <label :for="id" class="form-label" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <div class="box">
      <input
        :id="id"
        ref="field"
        v-model="text"
        type="text"
        class="form-control form-control-sm"
        :class="{ 'is-invalid': said }"
        inputmode="text"
        autocomplete="off"
        spellcheck="false"
        :aria-invalid="said ? 'true' : undefined"
        :aria-describedby="said ? `${id}-e` : undefined"
        @change="commit"
        @blur="commit"
        @keydown.enter="commit"
        @keydown.esc.stop="restore"
        @keydown.up.prevent="step(1)"
        @keydown.down.prevent="step(-1)"
      />
      <span class="unit" aria-hidden="true">{{ unit }}</span>
    </div>
    <p v-if="said" :id="`${id}-e`" class="text-trouble small mb-0" role="alert">{{ said }}</p>
  </div>
</template>

<style scoped>
.box {
  position: relative;
}
.form-control {
  padding-right: 2rem;
  text-align: right;
}
.unit {
  position: absolute;
  right: 0.5rem;
  top: 50%;
  transform: translateY(-50%);
  color: var(--ink-soft);
  font-size: 0.82rem;
  pointer-events: none;
}
</style>
