<script setup lang="ts">
import { computed } from 'vue'
import { baseAcross, bodyAcross, type Goods } from '../../core/goods/goods.ts'
import { silhouette } from '../../core/goods/silhouette.ts'
import { formatLength } from '../../core/measure/format.ts'
import UprightText from '../drawing/UprightText.vue'
import { useReadings } from '../stores/readings.ts'

/** One thing large, with call-outs that show where to put the tape. */
const props = defineProps<{ goods: Goods }>()
const readings = useReadings()
const say = (mm: number) => formatLength(mm, readings.units)

const view = computed(() => {
  const g = props.goods
  const m = Math.max(g.acrossMm, g.tallMm) * 0.52
  return {
    x: -g.acrossMm / 2 - m,
    y: -g.tallMm - m * 0.5,
    w: g.acrossMm + 2 * m,
    h: g.tallMm + m * 0.95,
    f: Math.max(g.acrossMm + 2 * m, (g.tallMm + m) * 1.5) / 26,
  }
})
const calls = computed(() => {
  const g = props.goods
  const [a, h, f] = [g.acrossMm / 2, g.tallMm, view.value.f]
  const out: { d: string; x: number; y: number; text: string; anchor: string; up?: boolean }[] = [
    {
      d: `M${-a} ${-h - f}H${a}`,
      x: 0,
      y: -h - 1.4 * f,
      text: `${g.tote ? 'lid' : 'across'} ${say(g.acrossMm)}`,
      anchor: 'middle',
    },
    { d: `M${-a - f} 0V${-h}`, x: -a - 1.5 * f, y: -h / 2, text: `tall ${say(h)}`, anchor: 'middle', up: true },
  ]
  if (g.tote) {
    const rim = h - g.tote.rimMm
    out.push({
      d: `M${a + f} ${-rim}V${-h}`,
      x: a + 1.4 * f,
      y: -h + g.tote.rimMm / 2 + f / 3,
      text: `rim ${say(g.tote.rimMm)}`,
      anchor: 'start',
    })
    out.push({
      d: `M${-bodyAcross(g) / 2} ${-rim + f * 1.3}H${bodyAcross(g) / 2}`,
      x: 0,
      y: -rim + f * 2.5,
      text: `body ${say(bodyAcross(g))}`,
      anchor: 'middle',
    })
    out.push({
      d: `M${-baseAcross(g) / 2} ${f}H${baseAcross(g) / 2}`,
      x: 0,
      y: 2.2 * f,
      text: `base ${say(baseAcross(g))}`,
      anchor: 'middle',
    })
  }
  return out
})
</script>

<template>
  <svg
    class="figure"
    :viewBox="`${view.x} ${view.y} ${view.w} ${view.h}`"
    role="img"
    :aria-label="`${goods.name}: where to measure`"
  >
    <polygon
      :points="
        silhouette(goods)
          .map(([x, z]) => `${x},${-z}`)
          .join(' ')
      "
      class="body"
    />
    <g v-for="(c, i) in calls" :key="i">
      <path :d="c.d" class="call" />
      <UprightText :x="c.x" :y="c.y" :font-size="view.f" :text-anchor="c.anchor" :upright="c.up">
        {{ c.text }}
      </UprightText>
    </g>
  </svg>
</template>

<style scoped>
.figure {
  width: 100%;
  max-height: 250px;
}
.body {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
.call {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
text {
  fill: var(--ink);
}
</style>
