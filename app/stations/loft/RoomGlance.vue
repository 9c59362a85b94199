<script setup lang="ts">
import { computed } from 'vue'
import type { Point } from '../../../core/geometry/hull.ts'
import type { Glance } from '../../../core/project/glance.ts'

/** A project's room from above, to a scale that all of them share: what hangs is dashed. */
const props = defineProps<{ glance: Glance; pxPerMm: number }>()
/** Round the room for its walls, mm. */
const MARGIN = 90
const box = computed(() => {
  const [l, b, r, t] = props.glance.bounds
  return { x: l - MARGIN, y: -t - MARGIN, w: r - l + 2 * MARGIN, h: t - b + 2 * MARGIN }
})
const points = (p: readonly Point[]) => p.map(([x, y]) => `${x.toFixed(0)},${(-y).toFixed(0)}`).join(' ')
</script>

<template>
  <svg
    class="room-glance"
    :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
    :width="box.w * pxPerMm"
    :height="box.h * pxPerMm"
    aria-hidden="true"
  >
    <component :is="glance.closed ? 'polygon' : 'polyline'" :points="points(glance.corners)" class="room" />
    <polygon v-for="(l, i) in glance.leaves" :key="`l${i}`" :points="points(l)" class="leaf" />
    <polygon v-for="(t, i) in glance.things" :key="`t${i}`" :points="points(t)" class="thing" />
    <polygon
      v-for="(b, i) in glance.builds"
      :key="`b${i}`"
      :points="points(b.foot)"
      :class="['build', { hung: b.hung }]"
    />
  </svg>
</template>

<style scoped>
.room-glance {
  display: block;
  max-width: 100%;
}
polygon,
polyline {
  vector-effect: non-scaling-stroke;
}
.room {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.leaf {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.7;
  stroke-dasharray: 3 3;
}
.thing {
  fill: var(--chalk-soft);
  stroke: var(--ink-soft);
  stroke-width: 0.6;
}
.build {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 1;
}
.build.hung {
  fill-opacity: 0.35;
  stroke-dasharray: 5 3;
}
</style>
