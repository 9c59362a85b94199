<script setup lang="ts">
import { ref } from 'vue'
import { parseMoney } from '../../core/measure/money.ts'
import { sayProblem } from '../../core/wording/problems.ts'
import { useRefusal } from '../composables/refusal.ts'
import { useTyped } from '../composables/typed.ts'
import { useReadings } from '../stores/readings.ts'

/**
 * Money or a count in a table cell: what is being typed stays while the page round it changes; what cannot be used
 * stays with its reason.
 */
const props = withDefaults(
  defineProps<{
    label: string
    value: number | null
    kind: 'money' | 'count'
    optional?: boolean
    max?: number
    fieldId?: string
  }>(),
  { max: 100_000, fieldId: undefined },
)
const emit = defineEmits<{ change: [value: number | null] }>()
const readings = useReadings()
const problem = ref('')
const refusalOf = useRefusal()
function report(value: number | null) {
  taken()
  problem.value = refusalOf(() => emit('change', value))
}
const shown = () =>
  props.value === null ? '' : props.kind === 'money' ? (props.value / 100).toFixed(2) : String(props.value)
const { text, taken } = useTyped(shown, () => (problem.value = ''))

function commit() {
  const typed = text.value.trim()
  problem.value = ''
  if (typed === shown()) return
  if (typed === '' && props.optional) return report(null)
  if (props.kind === 'money') {
    const read = parseMoney(typed)
    if (read.ok) report(read.value)
    else problem.value = sayProblem(read.problem, readings.say)
    return
  }
  const n = Number(typed)
  if (typed !== '' && Number.isInteger(n) && n >= 0 && n <= props.max) report(n)
  else problem.value = sayProblem({ code: 'count-range', data: { min: 0, max: props.max } }, readings.say)
}
</script>

<template>
  <div>
    <input
      :id="fieldId"
      ref="field"
      v-model="text"
      class="form-control form-control-sm"
      :class="{ 'is-invalid': problem }"
      :inputmode="kind === 'money' ? 'decimal' : 'numeric'"
      :aria-label="label || undefined"
      autocomplete="off"
      @change="commit"
      @keydown.enter="commit"
    />
    <p v-if="problem" class="text-trouble small mb-0" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
input {
  text-align: right;
}
</style>
