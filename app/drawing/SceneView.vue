<script setup lang="ts">
import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import { useElementSize } from '@vueuse/core'
import { computed, onMounted, ref, useId } from 'vue'
import type { Scene } from '../../core/drawing/scene.ts'
import type { Dim } from '../../core/families/family.ts'
import { formatLength } from '../../core/measure/format.ts'
import { stepMm } from '../../core/measure/units.ts'
import { MARKS } from '../../core/wording/steps.ts'
import {
  arrowShapes,
  dimensionLines,
  edgePaths,
  flip,
  grainKey,
  grainPatterns,
  marksOf,
  runningLines,
  stickRoom,
  stickShape,
} from './shapes.ts'
import HatchPatterns from './HatchPatterns.vue'
import UprightText from './UprightText.vue'
import ZoomButtons from '../components/ZoomButtons.vue'
import { useDrawingZoom } from '../composables/drawing-zoom.ts'
import { useReadings } from '../stores/readings.ts'

/**
 * A scene as SVG, to scale. Parts that belong to a dimension can be dragged, or moved with the arrow keys once
 * selected.
 */
const props = defineProps<{
  scene: Scene
  title: string
  dims?: readonly Dim[]
  selected?: ReadonlySet<string>
  pale?: boolean
  dark?: ReadonlySet<string>
  person?: boolean
  plain?: boolean
}>()
const emit = defineEmits<{
  select: [part: string | null]
  goods: [id: string]
  move: [path: string, value: number, drag?: number]
}>()
/** When the present drag began: it tells one gesture from another, each undone as a whole. */
let dragAt = 0

const readings = useReadings()
const root = ref<SVGSVGElement>()
const { width, height } = useElementSize(root)

const tell = (mm: number) => formatLength(mm, readings.units)
const stickName = (code: string, level: number) => `${MARKS[code] ?? code}${level ? ` ${level}` : ''}`

/** The bar of the scale has a strip of its own under the drawing, and what is written upright room over it, px. */
const [BAR_PX, OVER_PX] = [26, 34]
const box = computed(() => {
  const [l, b, right, t] = props.scene.bounds
  const h = Math.max(t - b, 1)
  // The words at a story stick are as wide however small the drawing is.
  const room = stickRoom(props.scene, tell, stickName)
  const left = width.value - (room?.px ?? 0)
  const r =
    room && left > 0 && height.value > 0
      ? Math.max(right, room.atMm + room.px * Math.max(h / height.value, (room.atMm - l) / left))
      : right
  const w = Math.max(r - l, 1)
  const mmAPx = width.value > 0 && height.value > 0 ? Math.max(w / width.value, h / height.value) : w / 700
  const [over, under] = props.plain ? [0, 0] : [OVER_PX * mmAPx, BAR_PX * mmAPx]
  return { x: l, y: -t - over, w, h: h + over + under }
})
const dimOf = (part: string): Dim | undefined => props.dims?.find((d) => d.drag?.parts.includes(part))
const { transform, scale, toFit, by } = useDrawingZoom(
  root,
  () => box.value,
  (e) => dimOf((e.target as Element).getAttribute('data-part') ?? '') !== undefined,
)
/** mm of the drawing for one pixel on the screen. */
const mmPerPx = computed(() => {
  const { w, h } = box.value
  const whole = width.value > 0 && height.value > 0 ? Math.max(w / width.value, h / height.value) : w / 700
  return whole / scale.value
})
const textMm = computed(() => 12.5 * mmPerPx.value)

const page = computed(() => ({
  mmPerPx: mmPerPx.value,
  textMm: textMm.value,
  tell,
}))
const outlines = computed(() => marksOf(props.scene, 'outline'))
const faces = computed(() => marksOf(props.scene, 'face'))
const lines = computed(() => marksOf(props.scene, 'line'))
const labels = computed(() => marksOf(props.scene, 'label'))
const edges = computed(() => edgePaths(props.scene))
const measured = computed(() => dimensionLines(props.scene, page.value))
const runs = computed(() => runningLines(props.scene, page.value))
const arrows = computed(() => arrowShapes(props.scene, page.value))
const grains = computed(() => grainPatterns(props.scene, page.value))
const patterns = useId()
const isPale = (part: string | undefined) => props.pale && !(part && props.dark?.has(part))
const stick = computed(() => stickShape(props.scene, page.value, stickName))

/** A bar of a round length for the scale, about a sixth of the width. */
const bar = computed(() => {
  const wanted = box.value.w / scale.value / 6
  const steps =
    readings.units.system === 'imperial'
      ? [25.4, 76.2, 152.4, 304.8, 609.6, 914.4, 1219.2, 1828.8]
      : [20, 50, 100, 250, 500, 1000, 2000]
  return steps.reduce((a, b) => (Math.abs(b - wanted) < Math.abs(a - wanted) ? b : a))
})

function nudge(part: string, e: KeyboardEvent) {
  const d = dimOf(part)
  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[e.key]
  if (!d?.drag || !by || (d.drag.axis === 'z') !== (e.key === 'ArrowUp' || e.key === 'ArrowDown')) return
  e.preventDefault()
  emit('move', d.path, d.value + by * d.drag.sign * stepMm(readings.units))
}

onMounted(() => {
  if (!props.dims || !root.value) return
  let held: { dim: Dim; start: number } | null = null
  let moved = 0
  const behaviour = drag<SVGSVGElement, unknown>()
    .filter((e: MouseEvent | TouchEvent) => {
      const part = (e.target as Element).getAttribute('data-part')
      return !('button' in e && e.button) && part !== null && dimOf(part) !== undefined
    })
    .on('start', (e: D3DragEvent<SVGSVGElement, unknown, unknown>) => {
      const part = (e.sourceEvent.target as Element).getAttribute('data-part')!
      const dim = dimOf(part)!
      held = { dim, start: dim.value }
      moved = 0
      dragAt = Date.now()
      emit('select', part)
    })
    .on('drag', (e: D3DragEvent<SVGSVGElement, unknown, unknown>) => {
      if (!held) return
      const { axis, sign } = held.dim.drag!
      moved += (axis === 'x' ? e.dx : -e.dy) * mmPerPx.value * sign
      // A press that hardly moves is a click, not a drag: it must not fix anything.
      if (Math.abs(moved) < 3 * mmPerPx.value) return
      const step = stepMm(readings.units)
      const value = Math.round((held.start + moved) / step) * step
      emit('move', held.dim.path, Math.min(held.dim.max, Math.max(held.dim.min, value)), dragAt)
    })
    .on('end', () => (held = null))
  select(root.value).call(behaviour)
})
</script>

<template>
  <div class="drawn">
    <svg
      ref="root"
      class="scene"
      :class="{ pale, plain, near: scale > 1 }"
      :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
      role="group"
      :aria-label="title"
    >
      <defs>
        <HatchPatterns />
        <pattern
          v-for="[key, g] in grains"
          :id="`${patterns}-${key}`"
          :key="key"
          :width="g.every"
          :height="g.every"
          patternUnits="userSpaceOnUse"
          :patternTransform="`rotate(${g.degrees})`"
        >
          <path :d="`M0 0V${g.every}`" class="grain-line" :stroke-width="mmPerPx" />
        </pattern>
      </defs>
      <g :transform="transform">
        <line
          v-for="(m, i) in lines"
          :key="`l${i}`"
          :x1="m.from[0]"
          :y1="-m.from[1]"
          :x2="m.to[0]"
          :y2="-m.to[1]"
          :class="['line', m.ink]"
        />
        <template v-for="(m, i) in faces" :key="`f${i}`">
          <polygon
            :points="m.points.map(flip).join(' ')"
            :data-part="m.part"
            :class="[
              'face',
              m.ink,
              m.tone,
              {
                chosen: m.part && selected?.has(m.part),
                dark: m.part && dark?.has(m.part),
                grip: m.part && dimOf(m.part),
              },
            ]"
            @click="m.part ? emit('select', m.part) : m.goods && emit('goods', m.goods)"
          />
          <polygon
            v-if="m.grain !== undefined && !isPale(m.part)"
            class="grain"
            :points="m.points.map(flip).join(' ')"
            :fill="`url(#${patterns}-${grainKey(m)})`"
          />
        </template>
        <path
          v-for="(m, i) in edges"
          :key="`e${i}`"
          :d="m.d"
          :class="['edge', m.ink, { hidden: m.hidden, dark: m.part && dark?.has(m.part) }]"
        />
        <template v-for="(m, i) in outlines" :key="i">
          <polygon
            v-if="m.part"
            :points="m.points.map(flip).join(' ')"
            :data-part="m.part"
            :tabindex="dimOf(m.part) ? 0 : undefined"
            :role="dimOf(m.part) ? 'button' : undefined"
            :aria-label="dimOf(m.part) ? `Move ${m.part}` : undefined"
            :class="[
              'part',
              m.ink,
              {
                chosen: selected?.has(m.part),
                dark: dark?.has(m.part),
                grip: dimOf(m.part),
                upright: dimOf(m.part)?.drag?.axis === 'z',
              },
            ]"
            @click="emit('select', m.part)"
            @keydown="nudge(m.part, $event)"
          />
          <polygon
            v-else
            :points="m.points.map(flip).join(' ')"
            :class="['thing', m.ink]"
            @click="m.goods && emit('goods', m.goods)"
          />
        </template>
        <g class="labels" aria-hidden="true">
          <UprightText
            v-for="(m, i) in labels"
            :key="i"
            :x="m.at[0]"
            :y="-m.at[1]"
            :upright="m.upright"
            :font-size="textMm * 0.82"
            dominant-baseline="central"
          >
            {{ m.text }}
          </UprightText>
        </g>
        <g v-for="(r, i) in runs" :key="`r${i}`" class="dims running">
          <path :d="`M${r.from} ${r.y}H${r.to}`" />
          <g v-for="(t, k) in r.stops" :key="k">
            <path :d="`M${t.x} ${r.y + 4 * mmPerPx}V${r.y - 4 * mmPerPx}L${t.textX} ${r.y - 9 * mmPerPx}`" />
            <UprightText upright :x="t.textX" :y="r.y - 12 * mmPerPx" :font-size="textMm" dominant-baseline="central">
              {{ t.text }}
            </UprightText>
          </g>
        </g>
        <g class="arrows" aria-hidden="true">
          <g v-for="(m, i) in arrows" :key="i">
            <path :d="m.line" />
            <path :d="m.head" class="head" />
            <text :x="m.x" :y="m.y" :font-size="textMm * 0.9" dominant-baseline="central">{{ m.text }}</text>
          </g>
        </g>
        <g class="dims">
          <g v-for="(m, i) in measured" :key="i">
            <path :d="m.d" />
            <path :d="m.ticks" class="slash" />
            <path v-if="m.leader" class="leader" :d="`M${m.leader[0]} ${m.leader[1]}L${m.leader[2]} ${m.leader[3]}`" />
          </g>
          <!-- One text may stand for several lines: over the ticks of all of them. -->
          <UprightText
            v-for="(m, i) in measured"
            :key="`t${i}`"
            :x="m.x"
            :y="m.y"
            :upright="m.upright"
            :font-size="textMm"
          >
            {{ m.text }}
          </UprightText>
        </g>
        <g
          v-if="stick"
          class="stick"
          role="img"
          :aria-label="`Story stick: ${stick.marks.map((m) => m.words).join('; ')}`"
        >
          <rect :x="stick.at" :y="-stick.top" :width="stick.wide" :height="stick.high" />
          <g v-for="(m, i) in stick.marks" :key="i">
            <path :d="`M${stick.at} ${-m.z}h${stick.wide}L${stick.at + 1.7 * stick.wide} ${-m.text}`" />
            <text :x="stick.at + 2 * stick.wide" :y="-m.text" :font-size="textMm" dominant-baseline="central">
              {{ m.words }}
            </text>
          </g>
        </g>
      </g>
      <g
        v-if="!plain"
        class="bar"
        aria-hidden="true"
        :transform="`translate(${box.x + 14 * mmPerPx * scale} ${box.y + box.h - 10 * mmPerPx * scale}) scale(${scale})`"
      >
        <path :d="`M0 ${-5 * mmPerPx}V0H${bar}V${-5 * mmPerPx}`" />
        <text :x="bar / 2" :y="-4 * mmPerPx" :font-size="textMm * 0.85">
          {{ formatLength(bar, readings.units, { feet: true }) }}
        </text>
      </g>
    </svg>
    <ZoomButtons v-if="width > 260" :scale="scale" :label="`Size of the drawing: ${title}`" @by="by" @fit="toFit" />
  </div>
</template>

<style scoped>
.drawn {
  position: relative;
  width: 100%;
  height: 100%;
}
.scene {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: pan-y;
}
.scene.near {
  touch-action: none;
  cursor: grab;
}
.grain {
  pointer-events: none;
}
.grain-line {
  stroke: var(--ink);
  opacity: 0.3;
}
.running text {
  text-anchor: start;
}
.arrows path {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
.arrows .head {
  fill: var(--chalk);
}
.arrows text {
  fill: var(--chalk);
  font-weight: 600;
}
.dims .leader {
  stroke-dasharray: 2 2;
}
.part {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 1.1;
  vector-effect: non-scaling-stroke;
}
.part.sheet {
  fill: var(--panel);
}
.part.cut-board {
  fill: url('#hatch-board');
  stroke-width: 1.8;
}
.part.cut-sheet {
  fill: url('#hatch-sheet');
  stroke-width: 1.8;
}
.part.cut-ground {
  fill: url('#hatch-ground');
  stroke-width: 1.8;
}
.part.grip {
  cursor: ew-resize;
}
.part.grip.upright {
  cursor: ns-resize;
}
.part.grip:hover {
  fill: var(--chalk-soft);
}
.part.chosen {
  fill: var(--chalk-soft);
  stroke: var(--chalk);
  stroke-width: 2.2;
}
.pale .part {
  opacity: 0.28;
}
.pale .part.dark {
  opacity: 1;
}
/* Paint of a face: the wood, lighter on top, darker at the side. */
.face {
  fill: var(--wood);
  /* Neighbouring faces of one colour show no seam. */
  shape-rendering: crispEdges;
}
.face.sheet {
  fill: var(--panel);
}
.face.goods {
  fill: color-mix(in srgb, var(--sheet) 82%, var(--goods-line));
}
.face.fitting {
  fill: var(--sheet);
}
.face.front {
  filter: brightness(0.94);
}
.face.side {
  filter: brightness(0.84);
}
.face.chosen {
  fill: var(--chalk-soft);
}
.pale .face:not(.dark) {
  fill: var(--sheet);
  filter: none;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.1;
  stroke-linecap: round;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}
.edge.goods {
  stroke: var(--goods-line);
  stroke-width: 0.9;
}
.edge.work {
  stroke-width: 0.8;
}
.edge.hidden {
  stroke-dasharray: 4 3;
  stroke-width: 0.9;
}
.pale .edge:not(.dark) {
  stroke: var(--line-strong);
}
.thing {
  fill: var(--goods);
  stroke: var(--goods-line);
  stroke-width: 0.9;
  vector-effect: non-scaling-stroke;
}
.thing.fitting {
  fill: var(--sheet);
  stroke: var(--ink);
  pointer-events: none;
}
.part.leaf:not(.dark):not(.chosen) {
  fill: none;
  stroke: var(--ink);
  pointer-events: stroke;
}
.thing.chalk {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 1.8;
  pointer-events: none;
}
.thing.work {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.8;
  stroke-dasharray: 3 2;
  pointer-events: none;
}
.line {
  stroke: var(--ink-soft);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
.line.wall {
  stroke-width: 3;
  stroke: var(--line-strong);
}
.dims path,
.bar path {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.8;
  vector-effect: non-scaling-stroke;
}
.dims .slash {
  stroke: var(--ink);
  stroke-width: 1.4;
}
text {
  font-family: 'Source Sans 3 Variable', system-ui, sans-serif;
  text-anchor: middle;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
  stroke-linejoin: round;
  vector-effect: non-scaling-stroke;
}
.stick rect {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}
.stick path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}
.stick text {
  text-anchor: start;
}
.labels text {
  font-weight: 600;
  pointer-events: none;
}
</style>
