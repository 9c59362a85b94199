<script setup lang="ts">
import { computed } from 'vue'
import { leftovers } from '../../../core/takeoff/replan.ts'
import type { OnHandPiece } from '../../../core/takeoff/on-hand.ts'
import HandForm from '../../components/HandForm.vue'
import HandPieces from '../../components/HandPieces.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import { newId } from '../../persistence/new-id.ts'

/** Boards and sheets that are there already: cut from first, and free. */
const props = defineProps<{ allCut: boolean }>()
const doc = useDocument()
const readings = useReadings()

/** Shorter ends and smaller rests than these are firewood. */
const WORTH = { boardMm: 300, sheetMm: 200 }
const plan = computed(() => readings.procurement?.cutPlan ?? null)
const worth = computed(() => (props.allCut && plan.value ? leftovers(plan.value, doc.project!.settings, WORTH) : []))
/** What was used is gone from the stock, what is left over is in it; the plan is done. */
function keep() {
  const used = new Set(
    [...plan.value!.boards, ...plan.value!.sheets].map((x) => x.handId).filter((x): x is string => x !== null),
  )
  const fresh = worth.value.map((w) => ({ ...w, id: newId('h'), note: 'left over' }) as OnHandPiece)
  doc.change('keep the leftovers', (d) => {
    d.onHand = [...d.onHand.filter((x) => !used.has(x.id)), ...fresh]
    d.progress.leftoversKept = true
  })
}
</script>

<template>
  <section class="card-sheet no-print" aria-labelledby="hand-h">
    <h2 id="hand-h">On hand</h2>
    <p class="soft">Boards and sheets that are there already are cut from first, and cost nothing.</p>
    <HandPieces />
    <div v-if="worth.length && !doc.project!.progress.leftoversKept" class="keep" role="status">
      All is cut. Worth keeping: {{ worth.length }} {{ worth.length === 1 ? 'leftover' : 'leftovers' }}.
      <button type="button" class="btn btn-sm btn-primary" @click="keep">Put them on hand</button>
    </div>
    <HandForm v-if="!doc.project!.progress.sawing" />
    <p v-else-if="!doc.project!.progress.leftoversKept" class="soft small mb-0">
      While a plan is being cut, the stock on hand stays as it was.
    </p>
  </section>
</template>

<style scoped>
.keep {
  border-left: 4px solid var(--chalk);
  padding: 0.4rem 0.8rem;
  margin-bottom: 0.6rem;
}
</style>
