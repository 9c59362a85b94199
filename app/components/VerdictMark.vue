<script setup lang="ts">
import { SHOWN_NAMES, type Shown } from '../../core/wording/check-names.ts'

/** A state by shape as well as colour: tick, half-filled disc, cross, question mark, dash. */
defineProps<{ state: Shown; words?: boolean }>()
</script>

<template>
  <span class="verdict-mark" :class="state">
    <svg viewBox="0 0 16 16" width="17" height="17" aria-hidden="true">
      <path v-if="state === 'holds'" d="M2.5 8.5l3.5 4 7.5-9" class="stroke" />
      <g v-else-if="state === 'hard-worked'">
        <circle cx="8" cy="8" r="6" class="ring" />
        <path d="M8 2a6 6 0 0 1 0 12z" class="fill" />
      </g>
      <path v-else-if="state === 'fails'" d="M3 3l10 10M13 3L3 13" class="stroke heavy" />
      <text v-else-if="state === 'unknown'" x="8" y="13" text-anchor="middle" class="query">?</text>
      <path v-else d="M3 8h10" class="stroke" />
    </svg>
    <span :class="{ 'visually-hidden': !words }">{{ SHOWN_NAMES[state] }}</span>
  </span>
</template>

<style scoped>
.verdict-mark {
  display: inline-flex;
  align-items: center;
  gap: 0.3rem;
  font-weight: 600;
  white-space: nowrap;
  flex: none;
}
.stroke {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.heavy {
  stroke-width: 3;
}
.ring {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.8;
}
.fill {
  fill: currentcolor;
}
.query {
  font-weight: 800;
  font-size: 14px;
  fill: currentcolor;
}
.fails {
  color: var(--trouble);
}
.unknown,
.hard-worked {
  color: var(--doubt);
}
.not-applicable {
  color: var(--ink-soft);
}
</style>
