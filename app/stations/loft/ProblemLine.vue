<script setup lang="ts">
import type { Problem } from '../../../core/measure/result.ts'
import { METRIC } from '../../../core/measure/units.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { sayIn } from '../../../core/wording/say.ts'

/** Why a file was not taken, or what was changed in it: the field it is about, and a sentence. */
defineProps<{ problem: Problem }>()
const say = sayIn(METRIC)
</script>

<template>
  <span
    ><code v-if="problem.field">{{ problem.field }}</code> {{ sayProblem(problem, say) }}</span
  >
</template>
