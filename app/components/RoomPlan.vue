<script setup lang="ts">
import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import { computed, onMounted, shallowRef, useTemplateRef } from 'vue'
import { snapStretch } from '../../core/clearance/snapping.ts'
import { planDrawing } from '../../core/drawing/unroll.ts'
import type { Point } from '../../core/geometry/hull.ts'
import { formatLength } from '../../core/measure/format.ts'
import { FEATURE_NAMES } from '../../core/wording/features.ts'
import { snapLinesFor, useMoves } from '../composables/moves.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'
import ZoomedSvg from './ZoomedSvg.vue'

/**
 * The room from above, to scale: walls, things with the space they keep, door swings, and builds, which are moved here
 * too.
 */
defineProps<{ wall?: string; build?: string; thing?: string }>()
const emit = defineEmits<{ wall: [id: string]; build: [id: string]; thing: [id: string] }>()
const doc = useDocument()
const readings = useReadings()
const { move, keys } = useMoves()
const drawing = useTemplateRef('drawing')
const d = computed(() =>
  readings.plan ? planDrawing(readings.plan.room, readings.plan.outline, readings.placed) : null,
)
const MARGIN = 520
const box = computed(() => {
  const [l, b, r, t] = d.value?.bounds ?? [0, 0, 1000, 1000]
  return { x: l - MARGIN, y: -t - MARGIN, w: r - l + 2 * MARGIN, h: t - b + 2 * MARGIN }
})
const points = (p: readonly Point[]) => p.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(' ')
const held = shallowRef<{ id: string; dx: number; dy: number } | null>(null)
const trouble = computed(
  () =>
    new Set(
      readings.readings
        .filter((r) => r.checks.some((c) => c.state === 'fails' && c.link === 'room'))
        .map((r) => r.build.id),
    ),
)
const bar = computed(() => (readings.units.system === 'imperial' ? 914.4 : 1000))
const text = computed(() => box.value.w / 38)

onMounted(() => {
  const svg = drawing.value?.svg
  if (!svg) return
  const scale = () =>
    Math.max(box.value.w / (svg.clientWidth || 1), box.value.h / (svg.clientHeight || 1)) / (drawing.value?.scale ?? 1)
  select(svg).call(
    drag<SVGSVGElement, unknown>()
      .filter(
        (e: MouseEvent | TouchEvent) =>
          !('button' in e && e.button) && (e.target as Element).closest('.build') !== null,
      )
      .on('start', (e: D3DragEvent<SVGSVGElement, unknown, unknown>) => {
        const id = (e.sourceEvent.target as Element).closest('.build')!.getAttribute('data-build')!
        held.value = { id, dx: 0, dy: 0 }
        emit('build', id)
      })
      .on('drag', (e: D3DragEvent<SVGSVGElement, unknown, unknown>) => {
        if (held.value)
          held.value = { ...held.value, dx: held.value.dx + e.dx * scale(), dy: held.value.dy + e.dy * scale() }
      })
      .on('end', () => {
        const h = held.value
        held.value = null
        const b = h && readings.placed.find((x) => x.id === h.id)
        if (!h || !b || Math.hypot(h.dx, h.dy) < 4 * scale()) return
        const { along, inward, wall } = b.frame.wall
        // The page has y downward, the map upward.
        const alongMm = b.frame.place.alongMm + h.dx * along[0] - h.dy * along[1]
        const outMm = b.frame.place.outMm + h.dx * inward[0] - h.dy * inward[1]
        const s = snapStretch(
          alongMm,
          b.frame.alongMm,
          snapLinesFor(doc.project!, readings.placed, wall.id, h.id),
          10 * scale(),
        )
        move(h.id, { offsetMm: s.mm, outMm: outMm < 15 * scale() ? 0 : outMm })
      }),
  )
})
</script>

<template>
  <ZoomedSvg ref="drawing" v-slot="{ scale }" class="plan" :box="box" held=".build" label="The room from above">
    <defs>
      <pattern id="plan-keep" width="110" height="110" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V110" class="keep-line" />
      </pattern>
    </defs>
    <template v-if="d && readings.plan">
      <component :is="d.closed ? 'polygon' : 'polyline'" :points="points(d.corners)" class="room" />
      <g
        v-for="w in readings.plan.outline.walls"
        :key="w.wall.id"
        class="edge"
        :class="{ chosen: w.wall.id === wall }"
        @click="emit('wall', w.wall.id)"
      >
        <line :x1="w.from[0]" :y1="-w.from[1]" :x2="w.to[0]" :y2="-w.to[1]" :class="w.wall.construction.kind" />
        <text
          :x="(w.from[0] + w.to[0]) / 2 - w.inward[0] * 270"
          :y="-(w.from[1] + w.to[1]) / 2 + w.inward[1] * 270"
          :font-size="text / scale"
          :transform="
            Math.abs(w.along[1]) > 0.7
              ? `rotate(-90 ${(w.from[0] + w.to[0]) / 2 - w.inward[0] * 270} ${-(w.from[1] + w.to[1]) / 2 + w.inward[1] * 270})`
              : undefined
          "
        >
          {{ w.wall.name }}
        </text>
      </g>
      <g
        v-for="t in d.things"
        :key="t.feature.id"
        class="thing"
        :class="[t.feature.kind, { chosen: t.feature.id === thing }]"
        @click="emit('thing', t.feature.id)"
      >
        <title>{{ FEATURE_NAMES[t.feature.kind].name }} {{ t.feature.name }}</title>
        <polygon v-if="t.keep" :points="points(t.keep)" class="halo" />
        <polygon v-if="t.leaf" :points="points(t.leaf)" class="leaf" />
        <polygon :points="points(t.foot)" class="body" />
      </g>
      <g
        v-for="b in d.builds"
        :key="b.id"
        class="build"
        :class="{ chosen: b.id === build, trouble: trouble.has(b.id) }"
        :data-build="b.id"
        role="button"
        tabindex="0"
        :aria-label="`${b.name}, from above. Arrow keys move it, R turns it, M mirrors it.`"
        :transform="held?.id === b.id ? `translate(${held.dx} ${held.dy})` : undefined"
        @click="emit('build', b.id)"
        @keydown="keys(b.id, $event)"
      >
        <polygon :points="points(b.foot)" />
        <polygon v-for="(g, i) in b.goods" :key="i" :points="points(g)" class="goods" />
      </g>
      <g aria-hidden="true" :transform="`translate(${box.x + 120} ${box.y + box.h - 130})`" class="bar">
        <path :d="`M0 -60V0H${bar}V-60`" />
        <text :x="bar / 2" y="-50" :font-size="(text * 0.9) / scale" class="on-line">
          {{ formatLength(bar, readings.units, { feet: true }) }}
        </text>
      </g>
    </template>
  </ZoomedSvg>
</template>

<style scoped>
.plan {
  display: block;
  width: 100%;
  height: clamp(260px, 40vh, 460px);
}
.room {
  fill: var(--sheet);
  stroke: none;
}
polygon,
line,
path {
  vector-effect: non-scaling-stroke;
}
.edge line {
  stroke: var(--ink);
  stroke-width: 5;
}
.edge line.thin {
  stroke-dasharray: 7 5;
  stroke-width: 3;
}
.edge.chosen line {
  stroke: var(--chalk);
}
.edge {
  cursor: pointer;
}
text {
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--ink);
}
.on-line {
  dominant-baseline: auto;
}
.thing .body {
  fill: var(--chalk-soft);
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.thing.walkway .body,
.thing.car .body,
.thing.beam .body,
.thing.light .body {
  fill-opacity: 0.35;
  stroke-dasharray: 4 3;
}
.thing.chosen .body {
  stroke: var(--chalk);
  stroke-width: 2.4;
}
.halo {
  fill: url('#plan-keep');
}
.plan .keep-line {
  vector-effect: none;
  stroke: var(--line-strong);
  stroke-width: 14;
}
.leaf {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
  stroke-dasharray: 3 3;
}
.build polygon {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 1;
}
.build .goods {
  fill: none;
  stroke: var(--goods-line);
  stroke-width: 0.6;
}
.build.trouble > polygon:first-child {
  stroke: var(--trouble);
  stroke-width: 2.4;
}
.build.chosen > polygon:first-child {
  stroke: var(--chalk);
  stroke-width: 2.4;
}
.build {
  cursor: grab;
}
.bar path {
  fill: none;
  stroke: var(--ink-soft);
}
</style>
