<script setup lang="ts">
import { computed } from 'vue'
import type { SheetLaid } from '../../../core/takeoff/sawing.ts'
import { formatLength } from '../../../core/measure/format.ts'
import ZoomedSvg from '../../components/ZoomedSvg.vue'
import { useReadings } from '../../stores/readings.ts'

/** One sheet to scale; the grain runs across the picture. */
const props = defineProps<{ sheet: SheetLaid; roles: ReadonlyMap<string, string>; done: ReadonlySet<string> }>()
const emit = defineEmits<{ tick: [label: string] }>()
const readings = useReadings()
const font = computed(() => props.sheet.lengthMm / 23)
/** A letter is about so wide, of its height. */
const LETTER = 0.52
type Cut = SheetLaid['cuts'][number]
const sizeOf = (c: Cut) => `${formatLength(c.wMm, readings.units)} x ${formatLength(c.hMm, readings.units)}`
const sizeFont = (c: Cut) => Math.min(font.value, c.hMm / 2.8)
/** Its size is told on it where there is room; the list of cuts tells it in any case. */
const hasRoom = (c: Cut) => sizeOf(c).length * LETTER * sizeFont(c) < c.wMm
const labelFont = (c: Cut) => Math.min(font.value * 1.25, c.hMm / 2.4, c.wMm / (LETTER * 1.2 * c.label.length))
</script>

<template>
  <ZoomedSvg :box="{ x: -12, y: -12, w: sheet.lengthMm + 24, h: sheet.widthMm + 24 }" label="Sheet">
    <rect :width="sheet.lengthMm" :height="sheet.widthMm" class="raw" />
    <g
      v-for="c in sheet.cuts"
      :key="c.label"
      role="button"
      tabindex="0"
      :aria-pressed="done.has(c.label)"
      :aria-label="`${roles.get(c.line)} ${c.label}, ${formatLength(c.wMm, readings.units)} by ${formatLength(c.hMm, readings.units)}`"
      @click="emit('tick', c.label)"
      @keydown.enter="emit('tick', c.label)"
      @keydown.space.prevent="emit('tick', c.label)"
    >
      <rect
        :x="c.xMm"
        :y="sheet.widthMm - c.yMm - c.hMm"
        :width="c.wMm"
        :height="c.hMm"
        class="piece"
        :class="{ done: done.has(c.label) }"
      />
      <text
        :x="c.xMm + c.wMm / 2"
        :y="sheet.widthMm - c.yMm - c.hMm / 2 + (hasRoom(c) ? 0 : labelFont(c) / 3)"
        :font-size="labelFont(c)"
        class="label"
      >
        {{ c.label }}
      </text>
      <text
        v-if="hasRoom(c)"
        :x="c.xMm + c.wMm / 2"
        :y="sheet.widthMm - c.yMm - c.hMm / 2 + Math.min(font, c.hMm / 2.6)"
        :font-size="sizeFont(c)"
      >
        {{ sizeOf(c) }}
      </text>
    </g>
  </ZoomedSvg>
</template>

<style scoped>
.raw {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
}
.piece {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
  cursor: pointer;
}
.piece.done {
  fill: var(--chalk-soft);
}
text {
  text-anchor: middle;
  fill: var(--ink);
  pointer-events: none;
}
.label {
  font-weight: 700;
}
</style>
