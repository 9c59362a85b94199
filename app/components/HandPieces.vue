<script setup lang="ts">
import { computed } from 'vue'
import { formatLength } from '../../core/measure/format.ts'
import { staysIn, type OnHandPiece } from '../../core/takeoff/on-hand.ts'
import { metName } from '../../core/wording/features.ts'
import { sectionName, sheetName } from '../../core/wording/names.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'

/** Boards and sheets that are there already. @prop from only the wood of this, and without saying so */
const props = defineProps<{ from?: string }>()
const doc = useDocument()
const readings = useReadings()
const features = computed(() => doc.project!.room.features)
const pieces = computed(() => doc.project!.onHand.filter((h) => props.from === undefined || h.from === props.from))
const len = (mm: number) => formatLength(mm, readings.units)
/** What is alike in one line. */
const lines = computed(() => {
  const alike = new Map<string, OnHandPiece[]>()
  for (const h of pieces.value) {
    const key = JSON.stringify({ ...h, id: '' })
    alike.set(key, [...(alike.get(key) ?? []), h])
  }
  return [...alike.values()].map((all) => ({ h: all[0], count: all.length }))
})
const remove = (id: string) =>
  doc.change('take a piece off the stock on hand', (d) => void (d.onHand = d.onHand.filter((x) => x.id !== id)))
/** What it comes from: where that stays after all it is cut from nothing. */
const origin = (h: OnHandPiece) => {
  const of = features.value.find((f) => f.id === h.from)
  return props.from === undefined && of
    ? { of: metName(of.kind, of.name), stays: staysIn(h, features.value) !== null }
    : null
}
</script>

<template>
  <ul v-if="lines.length" class="list">
    <li v-for="{ h, count } in lines" :key="h.id">
      <template v-if="count > 1">{{ count }} × </template>
      <span v-if="h.kind === 'board'"
        >{{ sectionName(h.section) }}{{ h.treated ? ' treated' : '' }}, {{ len(h.lengthMm)
        }}<span v-if="h.defects.length" class="soft">
          (bad at {{ h.defects.map((x) => `${len(x.fromMm)} to ${len(x.toMm)}`).join(', ') }})</span
        ></span
      >
      <span v-else>{{ sheetName(h.sheet) }}, {{ len(h.lengthMm) }} x {{ len(h.widthMm) }}</span>
      <span v-if="h.note" class="soft"> {{ h.note }}</span>
      <template v-if="origin(h)">
        <span v-if="origin(h)!.stays" class="text-trouble"> of {{ origin(h)!.of }}, which stays: not counted</span>
        <span v-else class="soft"> of {{ origin(h)!.of }}, which comes down first</span>
      </template>
      <button
        type="button"
        class="btn btn-sm btn-link"
        :aria-label="`Remove ${count > 1 ? `one of ${count} ` : ''}${h.kind === 'board' ? sectionName(h.section) : sheetName(h.sheet)} ${len(h.lengthMm)}`"
        @click="remove(h.id)"
      >
        {{ count > 1 ? 'remove one' : 'remove' }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
.list {
  padding-left: 1.1rem;
}
</style>
