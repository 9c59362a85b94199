<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { GOODS_LIMITS, type Goods } from '../../../core/goods/goods.ts'
import { parseSizes } from '../../../core/goods/parse-line.ts'
import { lengthForField } from '../../../core/measure/format.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { useReadings } from '../../stores/readings.ts'

/** Across x deep x tall in one field, typed as one says it. */
const props = defineProps<{ goods: Goods; inUse?: boolean }>()
const emit = defineEmits<{ change: [size: Pick<Goods, 'acrossMm' | 'deepMm' | 'tallMm'>] }>()
const readings = useReadings()
const id = useId()
const shown = computed(() =>
  [props.goods.acrossMm, props.goods.deepMm, props.goods.tallMm]
    .map((mm) => lengthForField(mm, readings.units))
    .join(' x '),
)
const text = ref(shown.value)
const problem = ref('')
watch(shown, (s) => {
  text.value = s
  problem.value = ''
})
function commit() {
  if (text.value.trim() === shown.value) {
    problem.value = ''
    return
  }
  const read = parseSizes(text.value, readings.units.system)
  problem.value = read.ok ? '' : sayProblem(read.problem, readings.say)
  if (read.ok) emit('change', read.value)
}
function restore() {
  text.value = shown.value
  problem.value = ''
}
</script>

<template>
  <input
    :id="id"
    v-model="text"
    class="form-control form-control-sm size"
    :class="{ 'is-invalid': problem, plain: !inUse }"
    :aria-label="`Size of ${goods.name}${inUse ? ' in use' : ''}: across x deep x tall, ${GOODS_LIMITS.minMm} mm at least`"
    :aria-invalid="problem ? 'true' : undefined"
    :aria-describedby="problem ? `${id}-e` : undefined"
    autocomplete="off"
    spellcheck="false"
    @change="commit"
    @blur="commit"
    @keydown.enter="commit"
    @keydown.esc.stop="restore"
  />
  <p v-if="problem" :id="`${id}-e`" class="text-trouble small mb-0" role="alert">{{ problem }}</p>
</template>

<style scoped>
.size {
  width: 11rem;
  padding: 0.15rem 0.3rem;
}
.size.plain {
  border-color: transparent;
  background: transparent;
}
.size.plain:hover,
.size.plain:focus {
  border-color: var(--line-strong);
  background: var(--sheet);
}
.size.size.is-invalid {
  border-color: var(--trouble);
}
</style>
