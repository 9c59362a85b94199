<script setup lang="ts">
import { scaleLinear, scalePow } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'
import { sagAfter } from '../../../core/mechanics/creep.ts'
import { useReadings } from '../../stores/readings.ts'

/**
 * Sag against years, with the limit drawn in. The curve between day one and the end is an approximation, and says so.
 */
const props = defineProps<{
  firstMm: number
  endMm: number
  limitMm: number
  readingsMm?: { years: number; mm: number }[]
}>()
const readings = useReadings()
const [W, H, L, B] = [420, 200, 66, 44]
const YEARS = [0, 1, 5, 10, 25, 50]
const plot = computed(() => {
  // Early years matter most: the axis is drawn out there.
  const x = scalePow()
    .exponent(0.45)
    .domain([0, 50])
    .range([L, W - 12])
  const y = scaleLinear()
    .domain([0, 1.12 * Math.max(props.endMm, props.limitMm)])
    .range([10, H - B])
  const factor = props.endMm / Math.max(props.firstMm, 1e-9)
  const points = Array.from({ length: 81 }, (_, i): [number, number] => {
    const t = 50 * (i / 80) ** 2.2
    return [x(t), y(sagAfter(props.firstMm, factor, t))]
  })
  const past = YEARS.concat(Array.from({ length: 50 }, (_, i) => i + 1))
    .sort((a, b) => a - b)
    .find((t) => sagAfter(props.firstMm, factor, t) > props.limitMm)
  return {
    path: line()(points) ?? '',
    limit: y(props.limitMm),
    ticks: YEARS.map((t) => ({
      t,
      x: x(t),
      sag: sagAfter(props.firstMm, factor, t),
      y: y(sagAfter(props.firstMm, factor, t)),
    })),
    past,
  }
})
const said = computed(
  () =>
    `Sag ${readings.say.sag(props.firstMm)} on day one, ${readings.say.sag(plot.value.ticks[1].sag)} after a year, ${readings.say.sag(plot.value.ticks[3].sag)} after ten, ${readings.say.sag(props.endMm)} in the long run; ${readings.say.sag(props.limitMm)} is allowed.`,
)
</script>

<template>
  <figure class="mb-2">
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="said">
      <line :x1="L" :x2="W - 12" y1="10" y2="10" class="axis" />
      <g v-for="k in plot.ticks" :key="k.t">
        <line :x1="k.x" :x2="k.x" y1="10" :y2="H - B" class="grid" />
        <text :x="k.x" :y="H - 28" text-anchor="middle">{{ k.t === 0 ? 'day 1' : k.t }}</text>
        <circle :cx="k.x" :cy="k.y" r="3.2" />
      </g>
      <line :x1="L" :x2="W - 12" :y1="plot.limit" :y2="plot.limit" class="limit" />
      <text :x="L - 6" :y="plot.limit + 4" text-anchor="end" class="limit-word">limit</text>
      <path :d="plot.path" class="curve" />
      <text :x="L - 6" :y="plot.ticks[0].y + 4" text-anchor="end">{{ readings.say.sag(firstMm) }}</text>
      <text :x="L - 6" :y="plot.ticks[5].y + (Math.abs(plot.ticks[5].y - plot.limit) < 13 ? 15 : 4)" text-anchor="end">
        {{ readings.say.sag(endMm) }}
      </text>
      <text :x="(W + L) / 2" :y="H - 8" text-anchor="middle" class="what">years</text>
    </svg>
    <figcaption class="small soft">
      {{ said
      }}<template v-if="plot.past !== undefined && endMm > limitMm">
        Past the limit
        {{
          plot.past === 0 ? 'from the first day' : `after about ${plot.past} ${plot.past === 1 ? 'year' : 'years'}`
        }}.</template
      >
      The curve between the first day and the end is an approximation.
    </figcaption>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 480px;
}
.axis {
  stroke: var(--ink-soft);
}
.grid {
  stroke: var(--line);
}
.limit {
  stroke: var(--trouble);
  stroke-width: 1.6;
  stroke-dasharray: 6 4;
}
.limit-word {
  fill: var(--trouble);
}
.curve {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 2.4;
}
circle {
  fill: var(--chalk);
}
text {
  font-size: 12px;
  fill: var(--ink);
}
</style>
