<script setup lang="ts">
import { computed } from 'vue'
import { numbersApart } from '../../../core/drawing/numbers-apart.ts'
import { planDrawing } from '../../../core/drawing/unroll.ts'
import type { Point } from '../../../core/geometry/hull.ts'
import { useReadings } from '../../stores/readings.ts'

/** The room from above with the builds of a plan in it, numbered as in its list: what hangs is dashed, what stands there already is pale. */
const props = defineProps<{
  feet: readonly Point[][]
  label: string
  left: ReadonlySet<number>
  hung: ReadonlySet<number>
}>()
const readings = useReadings()
const d = computed(() =>
  readings.plan ? planDrawing(readings.plan.room, readings.plan.outline, readings.placed) : null,
)
const MARGIN = 180
const box = computed(() => {
  const [x0, y0, x1, y1] = d.value?.bounds ?? [0, 0, 1000, 1000]
  // A room of one wall is no deeper than what is planned at it.
  const all = props.feet.flat()
  const [l, r] = [Math.min(x0, ...all.map((p) => p[0])), Math.max(x1, ...all.map((p) => p[0]))]
  const [b, t] = [Math.min(y0, ...all.map((p) => p[1])), Math.max(y1, ...all.map((p) => p[1]))]
  return { x: l - MARGIN, y: -t - MARGIN, w: r - l + 2 * MARGIN, h: t - b + 2 * MARGIN }
})
const text = computed(() => Math.max(box.value.w / 26, box.value.h / 20))
const points = (p: readonly Point[]) => p.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(' ')
const drawn = computed(() => {
  const inside: Point = [box.value.x + box.value.w / 2, -(box.value.y + box.value.h / 2)]
  const at = numbersApart(props.feet, text.value, inside)
  return props.feet.map((foot, i) => ({ foot, i, at: at[i] }))
})
</script>

<template>
  <svg v-if="d" class="picture" :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" role="img" :aria-label="label">
    <component :is="d.closed ? 'polygon' : 'polyline'" :points="points(d.corners)" class="room" />
    <g v-for="t in d.things" :key="t.feature.id">
      <polygon v-if="t.leaf" :points="points(t.leaf)" class="leaf" />
      <polygon :points="points(t.foot)" class="thing" />
    </g>
    <polygon v-for="b in d.builds" :key="b.id" :points="points(b.foot)" class="there" />
    <g v-for="b in drawn" :key="b.i" :class="{ left: left.has(b.i), hung: hung.has(b.i) }">
      <polygon :points="points(b.foot)" class="build" />
      <text :x="b.at[0]" :y="-b.at[1]" :font-size="text" :stroke-width="text / 5">{{ b.i + 1 }}</text>
    </g>
  </svg>
</template>

<style scoped>
.picture {
  display: block;
  width: 100%;
  max-height: 210px;
  min-height: 70px;
  margin: 0.5rem 0;
}
polygon,
polyline {
  vector-effect: non-scaling-stroke;
}
.room {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 3;
}
.thing {
  fill: var(--chalk-soft);
  stroke: var(--ink-soft);
  stroke-width: 0.8;
}
.leaf {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.8;
  stroke-dasharray: 3 3;
}
.there {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.build {
  fill: var(--wood);
  fill-opacity: 0.75;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.hung .build {
  fill-opacity: 0.25;
  stroke-dasharray: 7 3;
}
.left .build {
  fill: none;
  stroke-dasharray: 4 3;
}
text {
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  font-weight: 700;
}
</style>
