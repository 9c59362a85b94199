<script setup lang="ts">
import { computed } from 'vue'
import type { Goods } from '../../core/goods/goods.ts'
import { personOutline, silhouette } from '../../core/goods/silhouette.ts'

/** All things to scale on one floor line beside a standing person. */
const props = defineProps<{ goods: readonly Goods[]; selected: string | null }>()
const emit = defineEmits<{ select: [id: string] }>()

const GAP = 90
const ROW = 3600
const laid = computed(() => {
  let [x, row, tallest] = [320, 0, 1700]
  const rows: number[] = []
  const items = props.goods.map((g) => {
    if (x + g.acrossMm > ROW && x > 320) {
      rows.push(tallest)
      ;[x, tallest] = [60, 0]
      row++
    }
    const item = { g, x: x + g.acrossMm / 2, row }
    x += g.acrossMm + GAP
    tallest = Math.max(tallest, g.tallMm)
    return item
  })
  rows.push(tallest)
  const floors = rows.map((_, i) => rows.slice(0, i + 1).reduce((a, b) => a + b + 170, 0))
  return { items, floors, height: floors[floors.length - 1] + 140 }
})
const points = (list: [number, number][], x: number, floor: number) =>
  list.map(([px, z]) => `${(px + x).toFixed(1)},${(floor - z).toFixed(1)}`).join(' ')
</script>

<template>
  <svg
    class="line-up"
    :viewBox="`0 0 ${ROW} ${laid.height}`"
    role="group"
    aria-label="All things to scale beside a standing person"
  >
    <line v-for="f in laid.floors" :key="f" x1="0" :x2="ROW" :y1="f" :y2="f" class="floor" />
    <polygon v-for="(o, i) in personOutline()" :key="i" :points="points(o, 190, laid.floors[0])" class="person" />
    <g
      v-for="i in laid.items"
      :key="i.g.id"
      role="button"
      tabindex="0"
      :aria-label="`${i.g.count} ${i.g.name}`"
      :aria-pressed="i.g.id === selected"
      @click="emit('select', i.g.id)"
      @keydown.enter="emit('select', i.g.id)"
    >
      <polygon
        :points="points(silhouette(i.g), i.x, laid.floors[i.row])"
        :class="['thing', i.g.decision, { chosen: i.g.id === selected }]"
      />
      <text :x="i.x" :y="laid.floors[i.row] + 105" font-size="88">{{ i.g.count }}</text>
    </g>
  </svg>
</template>

<style scoped>
.line-up {
  width: 100%;
  max-height: 330px;
}
.floor {
  stroke: var(--ink-soft);
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
.person {
  fill: var(--line);
}
.thing {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
  cursor: pointer;
}
.thing.pass,
.thing.bin {
  fill: none;
  stroke-dasharray: 4 3;
  stroke: var(--ink-soft);
}
.thing.chosen {
  fill: var(--chalk-soft);
  stroke: var(--chalk);
  stroke-width: 2.2;
}
text {
  text-anchor: middle;
  fill: var(--ink-soft);
}
</style>
