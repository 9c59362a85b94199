<script setup lang="ts">
import { useReadings } from '../stores/readings.ts'

/** A better cut plan is being looked for: how far it is, and a way to stop with what there is. */
const readings = useReadings()
</script>

<template>
  <p v-if="readings.improving !== null" class="improving small" role="status">
    <progress :value="readings.improving" max="1" aria-label="Looking for a cheaper cut plan" /> Looking for a cheaper
    plan …
    <button type="button" class="btn btn-sm btn-link p-0" @click="readings.stopImproving()">
      Stop: this one will do
    </button>
  </p>
</template>

<style scoped>
.improving {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
}
</style>
