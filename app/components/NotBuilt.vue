<script setup lang="ts">
import { useReadings } from '../stores/readings.ts'

/** Builds that cannot be built as they are: nothing of them is judged, bought, cut or built. */
defineProps<{ lead?: string }>()
const readings = useReadings()
</script>

<template>
  <p v-for="b in readings.notBuilt" :key="b.id" class="text-trouble" role="alert">
    {{ lead }}{{ readings.sayNotBuilt(b) }}
    <RouterLink :to="{ name: 'shape' }">See to it in Shape</RouterLink>
  </p>
</template>
