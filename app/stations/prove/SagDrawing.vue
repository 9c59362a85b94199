<script setup lang="ts">
import { computed } from 'vue'
import { beamCurve } from '../../../core/mechanics/beam.ts'
import type { Bent } from '../../../core/loads/load-path.ts'
import { useReadings } from '../../stores/readings.ts'

/** Sag against a straight-edge, day one and in the long run, to a stated exaggeration. */
const props = defineProps<{ bent: Bent; factor: number; limitMm: number }>()
const readings = useReadings()

const W = 1000
const H = 210
const drawn = computed(() => {
  const { spec } = props.bent
  const curve = beamCurve(spec)
  const deepest = Math.max(Math.abs(props.bent.result.sag.mm) * props.factor, props.limitMm, 1e-6)
  const kx = W / spec.lengthMm
  const rough = 105 / (deepest * kx)
  // A round number of times.
  const power = 10 ** Math.floor(Math.log10(rough))
  const times = Math.max(1, Math.floor(rough / power) * power)
  const line = (f: number) =>
    Array.from(
      { length: 81 },
      (_, i) => `${(i / 80) * W},${60 + (curve?.sagAt((i / 80) * spec.lengthMm) ?? 0) * f * kx * times}`,
    ).join(' ')
  return {
    first: line(1),
    end: line(props.factor),
    supports: spec.supports.map((s) => s.atMm * kx),
    times,
    limit: 60 + props.limitMm * kx * times,
    at: props.bent.result.sag.atMm * kx,
  }
})
</script>

<template>
  <figure class="mb-2">
    <svg :viewBox="`-30 0 ${W + 60} ${H}`" role="img" :aria-label="`Sag drawn ${drawn.times} times too large`">
      <line x1="0" :x2="W" y1="60" y2="60" class="edge" />
      <line :x1="drawn.at - 130" :x2="drawn.at + 130" :y1="drawn.limit" :y2="drawn.limit" class="limit" />
      <text :x="drawn.at + 140" :y="drawn.limit + 9" class="limit-word">limit</text>
      <polyline :points="drawn.end" class="end" />
      <polyline :points="drawn.first" class="first" />
      <path v-for="s in drawn.supports" :key="s" :d="`M${s} 60l-16 28h32z`" class="support" />
    </svg>
    <figcaption class="small soft">
      Sag drawn {{ readings.say.number(drawn.times) }} times too large: thin line day one, thick line in the long run,
      against a straight-edge.
    </figcaption>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
}
.edge {
  stroke: var(--ink-soft);
  stroke-dasharray: 8 6;
  stroke-width: 1.5;
}
.first,
.end {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.end {
  stroke: var(--chalk);
  stroke-width: 6;
}
.limit {
  stroke: var(--trouble);
  stroke-width: 3;
}
.limit-word {
  fill: var(--trouble);
  font-size: 28px;
}
.support {
  fill: var(--ink);
}
</style>
