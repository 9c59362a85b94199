<script setup lang="ts">
import { useRafFn } from '@vueuse/core'
import { computed, ref, useId, watch } from 'vue'
import { doorSide } from '../../core/checks/in-the-room/door-side.ts'
import type { Feature } from '../../core/room/features.ts'
import { formatLength } from '../../core/measure/format.ts'
import { useReadings } from '../stores/readings.ts'
import ZoomedSvg from './ZoomedSvg.vue'

/** A rolling door from the side, moved by hand or by itself, with what stands near it and the least gap. */
const props = defineProps<{ door: Feature; build?: string }>()
const readings = useReadings()
const id = useId()
const share = ref(0)
const way = ref(1)

const side = computed(() => {
  const w = readings.plan?.outline.walls.find((x) => x.wall.id === props.door.wallId)
  return w
    ? doorSide(
        w,
        props.door,
        readings.solids.filter((s) => !props.build || s.id === props.build).map((s) => s.solids),
      )
    : null
})
/** The worst moment first: that is what one has come to see. */
watch(side, (s, before) => s && !before && (share.value = s.worst?.share ?? 0.45), { immediate: true })
const sections = computed(() => side.value?.at(share.value) ?? [])
const { pause, resume, isActive } = useRafFn(
  ({ delta }) => {
    share.value += (way.value * delta) / 4200
    if (share.value >= 1 || share.value <= 0) {
      share.value = Math.min(1, Math.max(0, share.value))
      way.value = -way.value
    }
  },
  { immediate: false },
)
const box = computed(() => side.value?.bounds ?? [0, 0, 1000, 1000])
const points = (p: readonly (readonly [number, number])[]) =>
  p.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(' ')
</script>

<template>
  <figure v-if="side" class="sweep mb-0">
    <ZoomedSvg
      class="side"
      :box="{ x: box[0], y: -box[3], w: box[2] - box[0], h: box[3] - box[1] }"
      role="img"
      :label="
        side.worst
          ? `The door from the side. Least gap ${formatLength(side.worst.gapMm, readings.units)}`
          : 'The door from the side'
      "
    >
      <line :x1="box[0]" :x2="box[2]" y1="0" y2="0" class="floor" />
      <line x1="0" x2="0" y1="0" :y2="-box[3]" class="floor" />
      <polyline :points="points(side.track)" class="track" />
      <polyline :points="points(side.envelope)" class="envelope" />
      <polygon
        v-for="(b, i) in side.bodies"
        :key="i"
        :points="points(b.outline)"
        class="body"
        :class="{ hit: b.gapMm < 0 }"
      />
      <polygon v-for="(s, i) in sections" :key="i" :points="points(s)" class="section" />
    </ZoomedSvg>
    <figcaption class="small">
      <button
        type="button"
        class="btn btn-sm btn-outline-secondary"
        :aria-pressed="isActive"
        @click="isActive ? pause() : resume()"
      >
        {{ isActive ? 'Stop' : 'Move the door' }}
      </button>
      <label class="visually-hidden" :for="id">How far open</label>
      <input
        :id="id"
        v-model.number="share"
        type="range"
        min="0"
        max="1"
        step="0.005"
        class="form-range"
        @input="pause()"
      />
      <button
        v-if="side.worst"
        type="button"
        class="btn btn-sm btn-link"
        @click="(pause(), (share = side.worst.share))"
      >
        worst moment
      </button>
      <span v-if="side.worst">least gap {{ formatLength(side.worst.gapMm, readings.units) }}</span
      ><span v-else class="soft">nothing near it</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.side {
  height: 260px;
  background: var(--sheet);
  border: 1px solid var(--line);
}
polygon,
polyline,
line {
  vector-effect: non-scaling-stroke;
}
.floor {
  stroke: var(--ink);
  stroke-width: 2;
}
.track {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
}
.envelope {
  fill: none;
  stroke: var(--trouble);
  stroke-width: 1;
  stroke-dasharray: 5 4;
}
.section {
  fill: var(--chalk-soft);
  stroke: var(--chalk);
  stroke-width: 1.2;
}
.body {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 0.8;
}
.body.hit {
  stroke: var(--trouble);
  stroke-width: 2.2;
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
  margin-top: 0.3rem;
}
.form-range {
  flex: 1;
  min-width: 120px;
}
</style>
