<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { formatMoney } from '../../core/measure/money.ts'
import { shown } from '../../core/wording/check-names.ts'
import { sayVerdict } from '../../core/wording/checks.ts'
import { sayCounts } from '../../core/wording/counts.ts'
import { plural } from '../../core/wording/say.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'
import VerdictMark from './VerdictMark.vue'

/** The line under every station: whether all of it holds, what it is made of, costs and weighs. */
const route = useRoute()
const doc = useDocument()
const readings = useReadings()

/** The state of all that is to be built, in a sentence: what cannot be built comes before what was judged. */
const whole = computed(() => {
  const [first, ...more] = readings.notBuilt
  if (first)
    return {
      state: 'fails' as const,
      text: `${readings.sayNotBuilt(first)}${more.length > 0 ? ` And ${plural(more.length, 'more build')} so.` : ''}`,
    }
  const { weakest } = readings.overall
  return {
    state: weakest && shown(weakest),
    text: readings.readings.length > 0 ? sayVerdict(readings.overall, readings.say) : 'Nothing built yet',
  }
})

const reckoning = computed(() => {
  const plan = readings.procurement
  return {
    boards: plan ? sayCounts(plan.cutPlan) : '…',
    cost: plan && doc.project ? formatMoney(plan.bill.totalMinor, doc.project.settings.currency) : '…',
    more: plan && (plan.cutPlan.cannot.length > 0 || plan.sawing === 'builds-changed' || readings.notBuilt.length > 0),
    mass: readings.say.mass(readings.readings.reduce((m, r) => m + r.massKg, 0)),
  }
})
</script>

<template>
  <footer class="reckoning no-print" aria-label="Reckoning">
    <RouterLink :to="{ name: 'prove', params: route.params }" class="verdict">
      <VerdictMark v-if="whole.state" :state="whole.state" />
      <span class="words">{{ whole.text }}</span>
    </RouterLink>
    <template v-if="doc.project?.builds.length">
      <RouterLink :to="{ name: 'cut', params: route.params }">{{ reckoning.boards }}</RouterLink>
      <RouterLink :to="{ name: 'buy', params: route.params }"
        >{{ reckoning.cost }}{{ reckoning.more ? ' and more' : '' }}</RouterLink
      >
      <RouterLink :to="{ name: 'shape', params: route.params }" class="wide">{{ reckoning.mass }} of wood</RouterLink>
    </template>
  </footer>
</template>

<style scoped>
.reckoning {
  display: flex;
  align-items: center;
  gap: 1.4rem;
  padding: 0.42rem 1.1rem;
  border-top: 1.5px solid var(--line-strong);
  background: var(--sheet);
  font-size: 0.92rem;
}
.reckoning a {
  color: var(--ink);
  text-decoration: none;
  white-space: nowrap;
}
.reckoning a:hover {
  text-decoration: underline;
}
.reckoning .verdict {
  flex: 1;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  min-width: 0;
  overflow: hidden;
}
.verdict .words {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 700px) {
  .reckoning {
    gap: 0.8rem;
    padding: 0.35rem 0.8rem;
    font-size: 0.84rem;
  }
  .wide {
    display: none;
  }
}
</style>
