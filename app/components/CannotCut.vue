<script setup lang="ts">
import { fromCutUnit } from '../../core/takeoff/instances.ts'
import type { CutPlan } from '../../core/takeoff/cut-plan.ts'
import { sayCannot, stockOfBatch } from '../../core/wording/cuts.ts'
import { useReadings } from '../stores/readings.ts'

/** What no plan could be made for, and why. */
defineProps<{ cannot: CutPlan['cannot']; lead?: string }>()
const readings = useReadings()
</script>

<template>
  <p v-for="c in cannot" :key="c.key" class="text-trouble" role="alert">
    {{ lead }}{{ stockOfBatch(c.key) }}: {{ sayCannot(c.why, (n) => readings.say.length(fromCutUnit(n))) }}
  </p>
</template>
