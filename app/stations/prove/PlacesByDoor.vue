<script setup lang="ts">
import { computed, toRaw } from 'vue'
import { formatLength } from '../../../core/measure/format.ts'
import { placesByDoor } from '../../../core/project/places-by-door.ts'
import type { BuildReading } from '../../../core/project/read-build.ts'
import type { Feature } from '../../../core/room/features.ts'
import IconCheck from '~icons/bi/check-lg'
import IconX from '~icons/bi/x-lg'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** Which places over a door's way take which size of tote. */
const props = defineProps<{ door: Feature; reading: BuildReading }>()
const doc = useDocument()
const readings = useReadings()
const totes = computed(() => doc.project!.goods.filter((g) => g.tote !== null && g.decision === 'keep').map(toRaw))
const rows = computed(() => {
  const wall = readings.plan?.outline.walls.find((w) => w.wall.id === props.door.wallId)
  const frame = readings.placed.find((b) => b.id === props.reading.build.id)?.frame
  return wall && frame ? placesByDoor(toRaw(props.reading), { frame, wall, door: toRaw(props.door) }, totes.value) : []
})
const said = (gapMm: number, clears: boolean) =>
  clears ? `clears by ${long(gapMm)}` : gapMm < 0 ? `struck by ${long(-gapMm)}` : `only ${long(gapMm)} free`
const long = (mm: number) => formatLength(mm, readings.units)
</script>

<template>
  <template v-if="rows.length > 0">
    <h3 class="mt-3">Which place takes which tote</h3>
    <div class="table-responsive">
      <table class="table table-sm places">
        <thead>
          <tr>
            <th scope="col">Place</th>
            <th v-for="g in totes" :key="g.id" scope="col">{{ g.name }}, {{ long(g.tallMm) }} tall</th>
            <th scope="col" class="number">At most</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.bay">
            <th scope="row">{{ r.name.column }}</th>
            <td v-for="s in r.sizes" :key="s.goodsId">
              <template v-if="s.gapMm === null">too wide</template>
              <template v-else>
                <component
                  :is="s.clears ? IconCheck : IconX"
                  :class="s.clears ? 'holds' : 'text-trouble'"
                  aria-hidden="true"
                />
                {{ said(s.gapMm, s.clears) }}
              </template>
            </td>
            <td class="number">{{ long(Math.floor(r.tallestMm)) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small soft">Gap to the door on its whole way, each tote by its rim where one hangs now.</p>
  </template>
</template>

<style scoped>
.places th {
  font-weight: 400;
}
.places thead th {
  color: var(--bs-secondary-color);
}
.holds {
  color: var(--holds, inherit);
}
</style>
