<script setup lang="ts">
import { computed } from 'vue'
import { packedOf } from '../../../core/assembly/packed.ts'
import type { BuildReading } from '../../../core/project/read-build.ts'
import { sayPacked } from '../../../core/wording/packing.ts'
import { useReadings } from '../../stores/readings.ts'

/** What a build that is knocked down travels as, piece by piece, at the step that takes it apart. */
const props = defineProps<{ reading: BuildReading; index: number }>()
const readings = useReadings()

const rows = computed(() => {
  const { shaped, steps, labels } = props.reading
  return steps[props.index].apart
    ? packedOf(shaped.assembly).map((p) => sayPacked(p, shaped.assembly, labels, readings.say))
    : []
})
</script>

<template>
  <section v-if="rows.length > 0" aria-label="Packing list">
    <h3>Packing list</h3>
    <table class="table table-sm">
      <thead>
        <tr>
          <th scope="col">Pieces</th>
          <th scope="col">What</th>
          <th scope="col">Sides</th>
          <th scope="col">Each</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.what + r.sides">
          <td>{{ r.count }}</td>
          <td>{{ r.what }}</td>
          <td class="text-nowrap">{{ r.sides }}</td>
          <td class="text-nowrap">{{ r.mass }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
