<script setup lang="ts">
import { computed } from 'vue'
import type { Goods } from '../../../core/goods/goods.ts'
import { leaving } from '../../../core/goods/leaving.ts'
import { formatArea, formatMass } from '../../../core/measure/format.ts'
import { plural } from '../../../core/wording/say.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** What does not stay: loads, bags and the floor it leaves, ticked when it is gone. */
const emit = defineEmits<{ select: [id: string]; update: [id: string, part: Partial<Goods>] }>()
const doc = useDocument()
const readings = useReadings()
const all = computed(() => leaving(doc.project!.goods, doc.project!.settings.carriage))
const lines = computed(() => {
  const l = all.value
  const u = readings.units
  const rest = [
    ...(l.loads > 0 ? [plural(l.loads, 'load')] : []),
    ...(l.bags > 0 ? [plural(l.bags, 'bag')] : []),
    ...(l.massKg > 0 ? [formatMass(l.massKg, u)] : []),
    ...(l.notWeighed > 0 ? [`${l.notWeighed} not weighed`] : []),
  ]
  return [
    `${plural(l.things, 'thing goes', 'things go')}, ${l.gone} gone.${rest.length > 0 ? ` Still ${rest.join(', ')}.` : ''} ${formatArea(l.floorMm2, u)} of floor won.`,
    ...l.tooLong.map((g) => `"${g.name}" is longer than what fetches it: cut it up first, or have it fetched.`),
  ]
})
</script>

<template>
  <section v-if="all.goods.length > 0" class="goes" aria-labelledby="what-goes">
    <h2 id="what-goes">What goes</h2>
    <p v-for="l in lines" :key="l" class="mb-1">{{ l }}</p>
    <ul>
      <li v-for="g in all.goods" :key="g.id">
        <BFormCheckbox
          :model-value="g.leaving.gone"
          :aria-label="`${g.name} is gone`"
          @update:model-value="emit('update', g.id, { leaving: { ...g.leaving, gone: $event === true } })"
        />
        <button type="button" class="btn btn-link btn-sm p-0" @click="emit('select', g.id)">
          {{ g.count }} {{ g.name }}
        </button>
        <span class="soft small"
          >{{ g.decision === 'bin' ? 'thrown away' : g.leaving.to ? `to ${g.leaving.to}` : 'to whom?'
          }}{{ g.leaving.first ? `; first: ${g.leaving.first}` : '' }}{{ g.whose ? `; ask ${g.whose}` : '' }}</span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.goes {
  border-top: 1px solid var(--line);
  margin-top: 0.8rem;
  padding-top: 0.5rem;
}
.goes h2 {
  font-size: 1.05rem;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
