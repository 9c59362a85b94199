<script setup lang="ts">
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import type { SafeLoad } from '../../../core/project/safe-load.ts'
import { CHECK_NAMES } from '../../../core/wording/check-names.ts'
import { useHeavy, working } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** What each shelf can carry, as labels to print and stick on. */
const props = defineProps<{ buildId: string; name: string }>()
const doc = useDocument()
const readings = useReadings()
const loads = shallowRef<SafeLoad[] | null>(null)
const busy = ref(false)
watch(
  () => [props.buildId, doc.project?.builds, doc.project?.settings],
  () => (loads.value = null),
)
async function ask() {
  loads.value = await working(busy, true, false, () => useHeavy().safeLoads(toRaw(doc.project!), props.buildId))
}
/** Places that are told by one number. */
const NUMBERED: Record<string, (l: SafeLoad) => string> = {
  place: (l) => `column ${l.name.column}, row ${l.name.row}`,
  holder: (l) => `holder ${l.name.column}`,
  hook: (l) => `hook ${l.name.column}`,
  level: (l) => `level ${l.name.row}`,
  pair: (l) => `pair ${l.name.column}, row ${l.name.row}`,
}
const place = (l: SafeLoad) =>
  NUMBERED[l.name.code]
    ? NUMBERED[l.name.code](l)
    : `shelf ${l.name.row}${l.bays.length === 1 && l.name.column > 1 ? `, opening ${l.name.column}` : ''}`
/** Places that carry alike share a card on the screen; printed, each has its own label. */
const cards = computed(() => {
  const out = new Map<string, { first: SafeLoad; others: SafeLoad[] }>()
  for (const l of loads.value ?? []) {
    const key = `${l.spreadKg.toFixed(2)} ${l.singleKg.toFixed(2)} ${l.by}`
    const card = out.get(key)
    if (card) card.others.push(l)
    else out.set(key, { first: l, others: [] })
  }
  return [...out.values()]
})
const print = () => window.print()
</script>

<template>
  <section class="card-sheet mt-3" aria-labelledby="safe-h">
    <div class="d-flex gap-2 align-items-center">
      <h2 id="safe-h" class="mb-0">What can each shelf carry?</h2>
      <button type="button" class="btn btn-sm btn-outline-secondary no-print" :disabled="busy" @click="ask">
        {{ busy ? 'Working it out …' : 'Work it out' }}
      </button>
      <button v-if="loads" type="button" class="btn btn-sm btn-outline-secondary no-print" @click="print">
        Print the labels
      </button>
    </div>
    <ul v-if="loads" class="labels">
      <template v-for="c in cards" :key="c.first.bays[0]">
        <li v-for="(l, i) in [c.first, ...c.others]" :key="l.bays[0]" :class="{ alike: i > 0 }">
          <span class="soft small"
            >{{ name }}, {{ place(l)
            }}<span v-if="i === 0 && c.others.length" class="no-print">
              and {{ c.others.length }} more like it</span
            ></span
          >
          <strong>{{ readings.say.mass(l.spreadKg) }} spread out</strong>
          <span>{{ readings.say.mass(l.singleKg) }} in one place in the middle</span>
          <span v-if="l.by" class="soft small no-print">First to fail: {{ CHECK_NAMES[l.by] ?? l.by }}</span>
        </li>
      </template>
    </ul>
    <p v-if="loads" class="soft small mb-0">
      Each while the shelves like it carry as much. A planning aid, not a rating: a maker’s figure or a licensed
      person’s comes first.
    </p>
  </section>
</template>

<style scoped>
.labels {
  list-style: none;
  padding: 0;
  margin: 0.7rem 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 0.6rem;
}
.labels li {
  display: flex;
  flex-direction: column;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  padding: 0.4rem 0.6rem;
  break-inside: avoid;
}
.labels li.alike {
  display: none;
}
@media print {
  .labels li.alike {
    display: flex;
  }
}
strong {
  font-size: 1.15rem;
}
</style>
