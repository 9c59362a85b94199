<script setup lang="ts">
import { computed } from 'vue'
import { isSquare } from '../../core/assembly/part-box.ts'
import { studCentres } from '../../core/room/room.ts'
import { formatLength } from '../../core/measure/format.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'

/** The unrolled room: wall after wall on one floor line, to one scale, builds standing on it. */
defineProps<{ chosen?: string; build?: string; compact?: boolean }>()
const emit = defineEmits<{ wall: [id: string]; build: [id: string] }>()
const doc = useDocument()
const readings = useReadings()

const GAP = 160
const laid = computed(() => {
  let x = 0
  const walls = (doc.project?.room.walls ?? []).map((w) => {
    const left = x
    x += w.lengthMm + GAP
    return { w, left, studs: studCentres(w).map((s) => left + s) }
  })
  const high = Math.max(1, ...walls.map((l) => l.w.heightMm))
  const builds = readings.readings.flatMap((r) => {
    const at = walls.find((l) => l.w.id === r.build.wallId)
    return at ? [{ r, x: at.left + r.build.offsetMm }] : []
  })
  return { walls, builds, high, wide: x - GAP }
})
/** Parts from the front, square ones only: at this size a brace is a hair. */
const boxes = (r: (typeof laid.value.builds)[number]['r']) =>
  r.shaped.assembly.parts.filter((p) => isSquare(p) && p.role !== 'cross').map((p) => ({ id: p.id, b: r.boxes.get(p.id)! })).sort((a, b) => a.b.max[1] - b.b.max[1])
</script>

<template>
  <svg class="strip" :class="{ compact }" :viewBox="`-120 ${-laid.high - 260} ${laid.wide + 240} ${laid.high + 640}`" role="group" aria-label="The unrolled room">
    <g v-for="l in laid.walls" :key="l.w.id" role="button" tabindex="0" :aria-label="l.w.name" :aria-pressed="l.w.id === chosen" @click="emit('wall', l.w.id)" @keydown.enter="emit('wall', l.w.id)">
      <rect :x="l.left" :y="-l.w.heightMm" :width="l.w.lengthMm" :height="l.w.heightMm" :class="['wall', l.w.construction.kind, { chosen: l.w.id === chosen }]" />
      <path :d="l.studs.map((s) => `M${s} 0v${-l.w.heightMm}`).join('')" class="stud" />
      <line :x1="l.left" :x2="l.left + l.w.lengthMm" :y1="-(doc.project?.room.ceiling.heightMm ?? 0)" :y2="-(doc.project?.room.ceiling.heightMm ?? 0)" class="ceiling" />
      <text :x="l.left + l.w.lengthMm / 2" :y="compact ? 330 : 260" class="name">{{ l.w.name }}  {{ formatLength(l.w.lengthMm, readings.units, { feet: true }) }}</text>
    </g>
    <line x1="-120" :x2="laid.wide + 120" y1="0" y2="0" class="floor" />
    <g v-for="b in laid.builds" :key="b.r.build.id" :transform="`translate(${b.x} 0)`" class="build" :class="{ chosen: b.r.build.id === build }" role="button" tabindex="0" :aria-label="b.r.build.name" @click.stop="emit('build', b.r.build.id)" @keydown.enter="emit('build', b.r.build.id)">
      <rect v-for="p in boxes(b.r)" :key="p.id" :x="p.b.min[0]" :y="-p.b.max[2]" :width="p.b.max[0] - p.b.min[0]" :height="p.b.max[2] - p.b.min[2]" />
    </g>
  </svg>
</template>

<style scoped>
.strip {
  display: block;
  width: 100%;
  height: 210px;
}
.strip.compact {
  height: 118px;
}
.wall {
  fill: var(--sheet);
  stroke: var(--ink-soft);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
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
.stud {
  stroke: var(--line-strong);
  stroke-width: 1;
  stroke-dasharray: 3 4;
  vector-effect: non-scaling-stroke;
}
.ceiling {
  stroke: var(--ink-soft);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
.floor {
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.build rect {
  fill: var(--wood);
  stroke: var(--ink);
  stroke-width: 0.7;
  vector-effect: non-scaling-stroke;
}
.build.chosen rect {
  stroke: var(--chalk);
  stroke-width: 1.2;
}
.build,
.wall {
  cursor: pointer;
}
text {
  text-anchor: middle;
  font-size: 190px;
  fill: var(--ink);
}
.compact text {
  font-size: 300px;
}
</style>
