<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { StickMark } from '../../core/assembly/assembly.ts'
import { formatLength } from '../../core/measure/format.ts'
import { MARKS } from '../../core/wording/steps.ts'
import { useReadings } from '../stores/readings.ts'

/** The story stick: every height on one rod, from its lower end. */
const props = defineProps<{ marks: readonly StickMark[]; wanted?: readonly number[]; horizontal?: boolean }>()
const readings = useReadings()
const root = ref<SVGSVGElement>()
const { height } = useElementSize(root)
const top = computed(() => Math.max(100, ...props.marks.map((m) => m.zMm)) * 1.06)
const k = computed(() => top.value / Math.max(height.value, 60))
const laid = computed(() => {
  // Words keep 15 px apart, upward from the lowest mark.
  let last = -Infinity
  return [...props.marks]
    .sort((a, b) => a.zMm - b.zMm)
    .map((m) => {
      const text = Math.max(m.zMm, last + 15 * k.value)
      last = text
      return {
        m,
        text,
        words: `${formatLength(m.zMm, readings.units)}  ${MARKS[m.code] ?? m.code}${m.level ? ` ${m.level}` : ''}`,
      }
    })
})
</script>

<template>
  <svg
    ref="root"
    class="stick"
    :viewBox="`0 0 ${190 * k} ${top + 20 * k}`"
    role="img"
    :aria-label="`Story stick: ${laid.map((l) => l.words).join('; ')}`"
    preserveAspectRatio="xMinYMax meet"
  >
    <rect x="0" y="0" :width="16 * k" :height="top + 12 * k" class="rod" />
    <g v-for="(l, i) in laid" :key="i" :class="{ off: wanted && !wanted.includes(l.m.level) }">
      <path :d="`M0 ${top - l.m.zMm + 12 * k}H${16 * k}L${26 * k} ${top - l.text + 12 * k}`" class="mark" />
      <text :x="30 * k" :y="top - l.text + 12 * k" :font-size="12.5 * k" dominant-baseline="central">
        {{ l.words }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.stick {
  width: 190px;
  height: 100%;
  overflow: visible;
}
.rod {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}
.mark {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.3;
  vector-effect: non-scaling-stroke;
}
.off {
  opacity: 0.3;
}
text {
  fill: var(--ink);
}
</style>
