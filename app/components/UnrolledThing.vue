<script setup lang="ts">
import type { UnrolledThing } from '../../core/drawing/unroll.ts'
import { formatLength } from '../../core/measure/format.ts'
import { FEATURE_NAMES } from '../../core/wording/features.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'

/** A thing of the room on its unrolled walls, with the room it keeps round it and what it takes of the floor. */
defineProps<{ thing: UnrolledThing; chosen: boolean; compact?: boolean }>()
const emit = defineEmits<{ pick: [] }>()
const doc = useDocument()
const readings = useReadings()
const says = ({ feature: t }: UnrolledThing) =>
  `${FEATURE_NAMES[t.kind].name}${t.name ? ` ${t.name}` : ''}, at ${doc.project!.room.walls.find((w) => w.id === t.wallId)?.name}, ${formatLength(t.atMm, readings.units, { feet: true })} from its left end`
</script>

<template>
  <g
    class="thing"
    :class="[thing.feature.kind, { chosen, going: thing.feature.comesDown }]"
    :role="compact ? undefined : 'button'"
    :tabindex="compact ? undefined : 0"
    :aria-label="compact ? undefined : says(thing)"
    @click="emit('pick')"
    @keydown.enter="emit('pick')"
  >
    <rect
      v-if="thing.halo && !compact"
      :x="thing.halo.x"
      :y="-thing.halo.y - thing.halo.h"
      :width="thing.halo.w"
      :height="thing.halo.h"
      class="halo"
    />
    <rect
      :x="thing.rect.x"
      :y="-thing.rect.y - thing.rect.h"
      :width="thing.rect.w"
      :height="thing.rect.h"
      class="body"
    />
    <rect
      v-if="thing.floor && !compact"
      :x="thing.floor.x"
      :y="-thing.floor.y - thing.floor.h"
      :width="thing.floor.w"
      :height="thing.floor.h"
      class="foot"
    />
  </g>
</template>

<style scoped>
.thing {
  cursor: pointer;
}
rect {
  vector-effect: non-scaling-stroke;
}
.thing .body,
.thing .foot {
  fill: var(--chalk-soft);
  fill-opacity: 0.75;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.thing .foot {
  fill: none;
  stroke-dasharray: 4 3;
}
.thing.going .body {
  fill: none;
  stroke-dasharray: 5 4;
}
.thing.sectional-door .body,
.thing.walkway .body,
.thing.car .body {
  fill-opacity: 0.35;
}
/* Set in the wall: small, and to be found. */
.thing.blocking .body,
.thing.ceiling-blocking .body {
  fill: none;
  stroke: var(--ink);
  stroke-dasharray: 6 3;
}
.thing.bolt .body,
.thing.ceiling-bolt .body {
  fill: var(--ink);
  stroke: var(--ink);
  stroke-width: 6;
}
.halo {
  fill: url('#keep');
  stroke: none;
}
.thing.chosen .body {
  stroke: var(--chalk);
  stroke-width: 2.4;
}
</style>
