<script setup lang="ts">
import { shallowRef, toRaw, watch } from 'vue'
import type { SizeHint } from '../../../core/project/size-hints.ts'
import type { Build } from '../../../core/project/project.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { formatMoney } from '../../../core/measure/money.ts'
import { dimName } from '../../../core/wording/dims.ts'
import { plural } from '../../../core/wording/say.ts'
import { useHeavy } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** Sizes that, a little smaller, save a sheet or a board: looked for beside, once the build rests. */
const props = defineProps<{ build: Build }>()
const doc = useDocument()
const readings = useReadings()
const hints = shallowRef<SizeHint[]>([])
/** A build that is being dragged is not asked about, ms. */
const REST_MS = 900
let waiting: ReturnType<typeof setTimeout> | undefined
let asked = 0
watch(
  () => [props.build, doc.project!.prices, doc.project!.settings],
  () => {
    hints.value = []
    clearTimeout(waiting)
    const mine = ++asked
    waiting = setTimeout(() => {
      void useHeavy()
        .sizeHints(toRaw(doc.project!), props.build.id)
        .then((found) => {
          if (mine === asked) hints.value = found
        })
        // Without them nothing is amiss.
        .catch(() => undefined)
    }, REST_MS)
  },
  { immediate: true },
)
function take(h: SizeHint) {
  doc.change(
    'a little smaller, and cheaper',
    (d) => void (d.builds.find((b) => b.id === props.build.id)!.params = h.build.params),
  )
}
const saves = (h: SizeHint) =>
  [h.sheets > 0 ? plural(h.sheets, 'sheet') : '', h.boards > 0 ? plural(h.boards, 'board') : '']
    .filter(Boolean)
    .join(' and ')
</script>

<template>
  <div role="status">
    <ul v-if="hints.length" class="hints">
      <li v-for="h in hints" :key="h.path">
        {{ dimName(h) }}: {{ formatLength(h.toMm, readings.units) }} instead of
        {{ formatLength(h.fromMm, readings.units) }} saves {{ saves(h) }} ({{
          formatMoney(-h.deltaMinor, doc.project!.settings.currency)
        }}).
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="take(h)">Take it</button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.hints {
  list-style: none;
  padding: 0.4rem 0.7rem;
  border-left: 4px solid var(--chalk);
  margin-bottom: 0.6rem;
}
</style>
