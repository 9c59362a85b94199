<script setup lang="ts">
import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import { useElementSize } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { snapStretch, type Snapped } from '../../core/clearance/snapping.ts'
import { unroll, type UnrolledBuild, type UnrolledThing as Unrolled } from '../../core/drawing/unroll.ts'
import { formatLength } from '../../core/measure/format.ts'
import { FEATURE_DEFAULTS } from '../../core/room/features.ts'
import { snapLinesFor, useMoves } from '../composables/moves.ts'
import { useDrawingZoom } from '../composables/drawing-zoom.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'
import UnrolledThing from './UnrolledThing.vue'
import ZoomButtons from './ZoomButtons.vue'

/**
 * The unrolled room: wall after wall, the ceiling over it above, the floor before it below, to one scale. Builds are
 * moved on it.
 */
const props = defineProps<{ wall?: string; build?: string; thing?: string; compact?: boolean; measuring?: boolean }>()
const emit = defineEmits<{ wall: [id: string]; build: [id: string]; thing: [id: string] }>()
const doc = useDocument()
const readings = useReadings()
const { move, keys } = useMoves()
const svg = ref<SVGSVGElement>()

const { width, height } = useElementSize(svg)
const u = computed(() => (readings.plan ? unroll(readings.plan.room, readings.plan.outline, readings.placed) : null))
/** What is in the wall is marked over what hangs before it, all that is measured where that is looked at: one looks for it. */
const isOver = (t: Unrolled) => props.measuring || FEATURE_DEFAULTS[t.feature.kind].prepared !== undefined
const box = computed(() => {
  const r = u.value
  if (!r) return { x: 0, y: 0, w: 1000, h: 1000 }
  const up = r.highMm + (props.compact ? 180 : r.gapMm + r.ceilingMm + 120)
  const w = r.wideMm + 320
  // Names of walls are as high on the screen whatever the scale: of a wide room they want more of the drawing.
  const names = Math.max(420, (NAMES_PX * w) / (width.value || 900), (up * NAMES_PX) / (COMPACT_PX - NAMES_PX))
  const down = props.compact ? names : r.gapMm + r.floorMm + 520
  return { x: -160, y: -up, w, h: up + down }
})

const {
  transform,
  scale: zoomed,
  toFit,
  by,
} = useDrawingZoom(
  svg,
  () => box.value,
  (e) => props.compact || (e.target as Element).closest('.build') !== null,
)
/** Height of the small drawing, as its style says, and of what is written under it. */
const [COMPACT_PX, NAMES_PX] = [118, 22]
/** Twelve pixels of text, in mm of the drawing. */
const text = computed(() => 12.5 * Math.max(box.value.w / (width.value || 900), box.value.h / (height.value || 300)))

/** What is being dragged, and where it would come to stand. */
const held = shallowRef<{
  build: UnrolledBuild
  dx: number
  dy: number
  wallId: string
  alongMm: number
  outMm: number
  snapped: Snapped['to']
} | null>(null)
const buildOf = (id: string) => doc.project!.builds.find((b) => b.id === id)!

onMounted(() => {
  if (!svg.value || props.compact) return
  const root = select(svg.value)
  const mm = () => box.value.w / (svg.value!.clientWidth || 1)
  const scale = () => Math.max(mm(), box.value.h / (svg.value!.clientHeight || 1)) / zoomed.value
  let moved = [0, 0]
  root.call(
    drag<SVGSVGElement, unknown>()
      .filter(
        (e: MouseEvent | TouchEvent) =>
          !('button' in e && e.button) && (e.target as Element).closest('.build') !== null,
      )
      .on('start', (e: D3DragEvent<SVGSVGElement, unknown, unknown>) => {
        const id = (e.sourceEvent.target as Element).closest('.build')!.getAttribute('data-build')!
        const build = u.value?.builds.find((b) => b.id === id)
        moved = [0, 0]
        held.value = build
          ? {
              build,
              dx: 0,
              dy: 0,
              wallId: build.wallId,
              alongMm: buildOf(id).offsetMm,
              outMm: buildOf(id).outMm,
              snapped: null,
            }
          : null
        emit('build', id)
      })
      .on('drag', (e: D3DragEvent<SVGSVGElement, unknown, unknown>) => {
        const h = held.value
        if (!h || !u.value) return
        moved = [moved[0] + e.dx * scale(), moved[1] + e.dy * scale()]
        const own = buildOf(h.build.id)
        const wide = h.build.floor.w
        const column = u.value.columns.reduce((a, c) =>
          h.build.left + own.offsetMm + moved[0] + wide / 2 > c.left ? c : a,
        )
        const free = h.build.left + own.offsetMm + moved[0] - column.left
        const wall = column.line.wall
        const s = snapStretch(free, wide, snapLinesFor(doc.project!, readings.placed, wall.id, h.build.id), 8 * scale())
        const alongMm = Math.min(Math.max(0, s.mm), Math.max(0, wall.lengthMm - 50))
        held.value = {
          ...h,
          wallId: wall.id,
          alongMm,
          outMm: Math.max(0, own.outMm + (Math.abs(moved[1]) > 6 * scale() ? moved[1] : 0)),
          snapped: s.to,
          dx: column.left + alongMm - h.build.left - own.offsetMm,
          dy: moved[1],
        }
      })
      .on('end', () => {
        const h = held.value
        held.value = null
        if (!h || Math.hypot(moved[0], moved[1]) < 4 * scale()) return
        // Straight along the wall unless it was drawn well away from it or was away before.
        const own = buildOf(h.build.id)
        move(own.id, { wallId: h.wallId, offsetMm: h.alongMm, ...(own.outMm > 0 ? { outMm: h.outMm } : {}) })
      }),
  )
})

const says = (id: string) => {
  const b = doc.project!.builds.find((x) => x.id === id)
  const w = doc.project!.room.walls.find((x) => x.id === b?.wallId)
  return b && w
    ? `${b.name}, at ${w.name}, ${formatLength(b.offsetMm, readings.units, { feet: true })} from its left end${b.outMm > 0 ? `, ${formatLength(b.outMm, readings.units)} out` : ''}. Arrow keys move it.`
    : ''
}
const trouble = computed(
  () =>
    new Set(
      readings.readings
        .filter((r) => r.checks.some((c) => c.state === 'fails' && c.link === 'room'))
        .map((r) => r.build.id),
    ),
)
</script>

<template>
  <div class="unrolled" :class="{ compact, measuring }">
    <svg ref="svg" :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" role="group" aria-label="The unrolled room">
      <defs>
        <pattern id="keep" width="90" height="90" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V90" class="keep-line" />
        </pattern>
      </defs>
      <g v-if="u" :transform="transform">
        <g v-for="c in u.columns" :key="c.line.wall.id">
          <g
            role="button"
            tabindex="0"
            :aria-label="`${c.line.wall.name}, ${formatLength(c.line.wall.lengthMm, readings.units, { feet: true })}`"
            :aria-pressed="c.line.wall.id === wall"
            class="pick"
            @click="emit('wall', c.line.wall.id)"
            @keydown.enter="emit('wall', c.line.wall.id)"
          >
            <polygon
              :points="`${c.left},0 ${c.left},${-c.topMm[0]} ${c.left + c.line.wall.lengthMm},${-c.topMm[1]} ${c.left + c.line.wall.lengthMm},0`"
              :class="['wall', c.line.wall.construction.kind, { chosen: c.line.wall.id === wall }]"
            />
            <rect
              v-if="c.line.wall.skirting"
              :x="c.left"
              :y="-c.line.wall.skirting.highMm"
              :width="c.line.wall.lengthMm"
              :height="c.line.wall.skirting.highMm"
              class="strip"
            />
            <path :d="c.studs.map((s) => `M${c.left + s} 0V${-Math.min(...c.topMm)}`).join('')" class="stud" />
            <text
              :x="c.left + c.line.wall.lengthMm / 2"
              :y="compact ? text * 1.2 : u.gapMm + u.floorMm + text * 1.25"
              :font-size="text"
              class="name"
            >
              {{ c.line.wall.name }} {{ formatLength(c.line.wall.lengthMm, readings.units, { feet: true }) }}
            </text>
          </g>
          <g v-if="!compact" aria-hidden="true">
            <rect
              :x="c.left"
              :y="-u.highMm - u.gapMm - u.ceilingMm"
              :width="c.line.wall.lengthMm"
              :height="u.ceilingMm"
              class="strip"
            />
            <path
              :d="
                c.joistsAcross.map((s) => `M${c.left + s} ${-u!.highMm - u!.gapMm}v${-u!.ceilingMm}`).join('') +
                c.joistsOut.map((s) => `M${c.left} ${-u!.highMm - u!.gapMm - s}h${c.line.wall.lengthMm}`).join('')
              "
              class="joist"
            />
            <rect :x="c.left" :y="u.gapMm" :width="c.line.wall.lengthMm" :height="u.floorMm" class="strip" />
            <line
              :x1="c.left"
              :x2="c.left + c.line.wall.lengthMm"
              :y1="u.gapMm + c.line.wall.depthMm"
              :y2="u.gapMm + c.line.wall.depthMm"
              class="depth"
            />
          </g>
        </g>
        <UnrolledThing
          v-for="t in u.things.filter((x) => !isOver(x))"
          :key="t.feature.id"
          :thing="t"
          :compact="compact"
          :chosen="t.feature.id === thing"
          @pick="emit('thing', t.feature.id)"
        />
        <line :x1="box.x" :x2="box.x + box.w" y1="0" y2="0" class="floor" />
        <g
          v-for="b in u.builds"
          :key="b.id"
          class="build"
          :class="{ chosen: b.id === build, trouble: trouble.has(b.id) }"
          :data-build="b.id"
          role="button"
          tabindex="0"
          :aria-label="says(b.id)"
          :transform="held?.build.id === b.id ? `translate(${held.dx} 0)` : undefined"
          @click.stop="emit('build', b.id)"
          @keydown.enter="emit('build', b.id)"
          @keydown="!compact && keys(b.id, $event)"
        >
          <rect v-for="p in b.rects" :key="p.part" :x="p.x" :y="-p.y - p.h" :width="p.w" :height="p.h" />
          <rect
            v-if="!compact"
            :x="b.floor.x"
            :y="-b.floor.y - b.floor.h"
            :width="b.floor.w"
            :height="b.floor.h"
            class="print"
          />
        </g>
        <UnrolledThing
          v-for="t in u.things.filter(isOver)"
          :key="t.feature.id"
          :thing="t"
          :compact="compact"
          :chosen="t.feature.id === thing"
          @pick="emit('thing', t.feature.id)"
        />
        <text
          v-if="held"
          :x="held.build.left + held.build.floor.x - held.build.left + held.dx"
          :y="-u.highMm - 30"
          :font-size="text * 1.1"
          class="tell"
        >
          {{ formatLength(held.alongMm, readings.units, { feet: true }) }}{{ held.snapped ? ` · ${held.snapped}` : '' }}
        </text>
      </g>
    </svg>
    <ZoomButtons v-if="!compact" :scale="zoomed" label="Size of the drawing" @by="by" @fit="toFit" />
  </div>
</template>

<style scoped>
.unrolled {
  position: relative;
}
svg {
  display: block;
  width: 100%;
  height: clamp(220px, 34vh, 300px);
  touch-action: pan-y;
}
.compact svg {
  height: 118px;
}
.wall,
.strip,
.build rect,
line,
path {
  vector-effect: non-scaling-stroke;
}
.wall {
  fill: var(--sheet);
  stroke: var(--ink-soft);
  stroke-width: 1.2;
}
.wall.masonry,
.wall.concrete {
  fill: var(--line);
}
.wall.thin {
  stroke-dasharray: 5 4;
}
.wall.chosen {
  stroke: var(--chalk);
  stroke-width: 2.5;
}
.strip {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 0.8;
}
.stud {
  stroke: var(--line-strong);
  stroke-width: 1;
  stroke-dasharray: 3 4;
}
.joist {
  stroke: var(--line-strong);
  stroke-width: 1;
}
.depth {
  stroke: var(--line-strong);
  stroke-width: 1;
  stroke-dasharray: 8 5;
}
.floor {
  stroke: var(--ink);
  stroke-width: 2;
}
svg .keep-line {
  vector-effect: none;
  stroke: var(--line-strong);
  stroke-width: 14;
}
.build rect {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 0.7;
}
.build .print,
.measuring .build rect {
  fill-opacity: 0.55;
}
.build.chosen rect {
  stroke: var(--chalk);
  stroke-width: 1.2;
}
.build.trouble rect {
  stroke: var(--trouble);
}
.build {
  cursor: grab;
}
.pick {
  cursor: pointer;
}
text {
  text-anchor: middle;
  fill: var(--ink);
}
.tell {
  text-anchor: start;
  fill: var(--chalk);
  font-weight: 700;
}
</style>
