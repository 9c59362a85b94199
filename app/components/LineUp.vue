<script setup lang="ts">
import { sayThings } from '../../core/wording/things.ts'
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import type { Goods } from '../../core/goods/goods.ts'
import { personOutline, silhouette } from '../../core/goods/silhouette.ts'
import { useReadings } from '../stores/readings.ts'

/** All things to scale on floor lines beside a standing person, several of a kind as a heap, each with its name. */
const props = defineProps<{ goods: readonly Goods[]; selected: string | null }>()
const emit = defineEmits<{ select: [id: string] }>()
const readings = useReadings()
const root = ref<HTMLElement>()
const { width } = useElementSize(root)

/** Between things, at the ends of a row, and of one row where nothing is longer, mm. */
const GAP = 110
const MARGIN = 40
const LEAST_ROW = 3000
/** Those behind the first of a heap, and by how much each stands off, mm. */
const BEHIND = 2
const OFF = 55
/** Letters on the screen, px, and how wide one is of its height. */
const TEXT_PX = 11.5
const LETTER = 0.54
/** A name takes no more of a row than this, mm. */
const NAME_MM = 1000

const heapOf = (g: Goods) => Math.min(BEHIND, g.count - 1)
/** What the picture shows from left to right, mm: as much as the longest thing takes. */
const across = computed(() => Math.max(LEAST_ROW, ...props.goods.map((g) => g.acrossMm + heapOf(g) * OFF + 2 * MARGIN)))
const mmPerPx = computed(() => across.value / (width.value || 286))
const textMm = computed(() => TEXT_PX * mmPerPx.value)
const letters = (mm: number) => Math.max(4, Math.floor(mm / (LETTER * textMm.value)))
const sizesOf = (g: Goods) => [g.acrossMm, g.deepMm, g.tallMm].map((mm) => readings.say.length(mm)).join(' x ')
const cut = (name: string, most: number) => (name.length > most ? `${name.slice(0, most - 1).trimEnd()}…` : name)

const laid = computed(() => {
  let [x, row, tallest] = [420, 0, 1700]
  const rows: number[] = []
  const items = props.goods.map((g) => {
    const heap = heapOf(g)
    const name = cut(g.name || g.kind, letters(Math.max(NAME_MM, g.acrossMm)))
    const wide = Math.max(g.acrossMm + heap * OFF, name.length * LETTER * textMm.value)
    if (x + wide > across.value - MARGIN && x > MARGIN) {
      rows.push(tallest)
      ;[x, tallest] = [MARGIN, 0]
      row++
    }
    const item = { g, heap, name, wide, x: x + wide / 2, row }
    x += wide + GAP
    tallest = Math.max(tallest, g.tallMm + heap * OFF)
    return item
  })
  rows.push(tallest)
  const under = 2.7 * textMm.value
  const floors = rows.map((_, i) => rows.slice(0, i + 1).reduce((a, b) => a + b + under + 60, -under))
  return { items, floors, height: floors[floors.length - 1] + under }
})
/** What is chosen in the table is found in the picture. */
watch(
  () => props.selected,
  async () => {
    await nextTick()
    const chosen = root.value?.querySelector('[aria-pressed="true"]')
    if (!root.value || !chosen) return
    const [box, own] = [root.value.getBoundingClientRect(), chosen.getBoundingClientRect()]
    if (own.top < box.top || own.bottom > box.bottom) root.value.scrollTop += own.top - box.top
  },
)
const points = (list: [number, number][], x: number, floor: number) =>
  list.map(([px, z]) => `${(px + x).toFixed(1)},${(floor - z).toFixed(1)}`).join(' ')
</script>

<template>
  <div ref="root" class="line-up">
    <svg
      :viewBox="`0 0 ${across} ${laid.height}`"
      :style="{ height: `${laid.height / mmPerPx}px` }"
      role="group"
      aria-label="All things to scale beside a standing person"
    >
      <line v-for="f in laid.floors" :key="f" x1="0" :x2="across" :y1="f" :y2="f" class="floor" />
      <polygon v-for="(o, i) in personOutline()" :key="i" :points="points(o, 210, laid.floors[0])" class="person" />
      <g
        v-for="i in laid.items"
        :key="i.g.id"
        role="button"
        tabindex="0"
        :aria-label="sayThings(i.g.count, i.g)"
        :aria-pressed="i.g.id === selected"
        @click="emit('select', i.g.id)"
        @keydown.enter="emit('select', i.g.id)"
      >
        <title>{{ i.g.name }}: {{ sizesOf(i.g) }}</title>
        <rect
          :x="i.x - i.wide / 2"
          :y="laid.floors[i.row] - i.g.tallMm - i.heap * OFF"
          :width="i.wide"
          :height="i.g.tallMm + i.heap * OFF + 2.5 * textMm"
          class="hit"
        />
        <polygon
          v-for="k in i.heap"
          :key="k"
          :points="
            points(
              silhouette(i.g),
              i.x + (i.heap - k + 1) * OFF - (i.heap * OFF) / 2,
              laid.floors[i.row] - (i.heap - k + 1) * OFF,
            )
          "
          :class="['thing', 'behind', i.g.decision]"
        />
        <polygon
          :points="points(silhouette(i.g), i.x - (i.heap * OFF) / 2, laid.floors[i.row])"
          :class="['thing', i.g.decision, { chosen: i.g.id === selected }]"
        />
        <text :x="i.x" :y="laid.floors[i.row] + 1.15 * textMm" :font-size="textMm">{{ i.name }}</text>
        <text v-if="i.g.count > 1" :x="i.x" :y="laid.floors[i.row] + 2.25 * textMm" :font-size="textMm" class="count">
          × {{ i.g.count }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.line-up {
  max-height: 340px;
  overflow-y: auto;
}
svg {
  display: block;
  width: 100%;
}
.hit {
  fill: transparent;
  cursor: pointer;
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
  fill: var(--ink);
}
.count {
  fill: var(--ink-soft);
}
</style>
