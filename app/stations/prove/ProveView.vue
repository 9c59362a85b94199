<script setup lang="ts">
import { arrived } from '../../../core/loads/load-path.ts'
import { computed, ref, watch } from 'vue'
import type { CheckResult } from '../../../core/checks/check.ts'
import { byUrgency, isStrength, strain } from '../../../core/checks/verdict.ts'
import { findingNames, findings } from '../../../core/wording/alike.ts'
import { HOLDS_AS_PRESUMED, sayCheck, sayVerdict } from '../../../core/wording/checks.ts'
import { CHECK_NAMES, LINK_NAMES, shown } from '../../../core/wording/check-names.ts'
import { PLANNING_AID } from '../../../core/wording/steps.ts'
import NotBuilt from '../../components/NotBuilt.vue'
import PressedButtons from '../../components/PressedButtons.vue'
import VerdictMark from '../../components/VerdictMark.vue'
import { useChosenBuild } from '../../composables/chosen-build.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import CompareVariants from './CompareVariants.vue'
import LinkDetail from './LinkDetail.vue'
import SafeLoads from './SafeLoads.vue'
import RateFirst from './RateFirst.vue'
import WeighFirst from './WeighFirst.vue'

const doc = useDocument()
const readings = useReadings()
const { build, reading, buildId } = useChosenBuild()
const openId = ref<string | null>(null)
watch(buildId, () => (openId.value = null))
/** Whether it holds with the masses that are presumed; null while nobody knows. */
const presumedHolds = ref<boolean | null>(null)
const isOpen = computed(() => reading.value?.verdict.state === 'unknown')

const all = ref(new Set<string>())
const LINKS: CheckResult['link'][] = ['goods', 'shelf', 'rail', 'post', 'ground', 'whole', 'room', 'handling']
const chain = computed(() =>
  LINKS.map((link) => {
    const results = byUrgency(
      (reading.value?.checks ?? []).filter((c) => c.link === link && c.state !== 'not-applicable'),
    )
    // What needs a look is always there; of the rest the hardest of each kind, until someone asks for all.
    const kinds = new Set<string>()
    const quiet = all.value.has(link)
      ? []
      : results.filter((r) => r.state === 'holds' && kinds.size === kinds.add(r.check).size)
    const looked = results.filter((r) => !quiet.includes(r))
    // What troubles in the same words is one line.
    const lines = all.value.has(link) ? looked.map((r) => ({ first: r, all: [r] })) : findings(looked, readings.say)
    const alike = looked.length - lines.length
    return { link, lines, quiet: quiet.length, alike }
  }).filter((l) => l.lines.length > 0),
)
const notApplying = computed(() => (reading.value?.checks ?? []).filter((c) => c.state === 'not-applicable'))
const opened = computed(
  () => reading.value?.checks.find((c) => c.id === openId.value) ?? reading.value?.verdict.weakest ?? null,
)
/** Where its load arrives: what it stands on, hangs from or is screwed to. */
const below = computed(() => {
  const lower = doc.project!.builds.find((b) => b.id === build.value?.standsOn)
  const names = {
    floor: lower ? `"${lower.name}"` : doc.project!.room.floor.kind === 'slab' ? 'the slab' : 'the floor',
    wall: 'the wall',
    ceiling: 'the ceiling',
  }
  const on = new Set(reading.value?.shaped.assembly.supports.map((s) => s.on.kind) ?? [])
  return (['floor', 'wall', 'ceiling'] as const).flatMap((k) => (on.has(k) ? [names[k]] : [])).join(' and ')
})
/** A link is drawn as thick as it works hard. */
const weight = (r: CheckResult) => `${2.5 + 9.5 * Math.min(1, r.state === 'fails' ? 1 : strain(r))}`
</script>

<template>
  <div class="station">
    <div class="station-head">
      <h1>Prove</h1>
      <span class="soft">Will it hold, sag, tip, and can I get it in?</span>
      <span class="ms-auto d-flex gap-2 flex-wrap">
        <PressedButtons :options="doc.project!.builds" :pressed="build?.id ?? null" @press="buildId = $event" />
      </span>
    </div>
    <NotBuilt />
    <p v-if="!reading && readings.notBuilt.length === 0" class="empty">
      Nothing to prove yet. <RouterLink :to="{ name: 'shape' }">Shape a build</RouterLink> first.
    </p>
    <template v-if="reading">
      <p class="sentence" :class="reading.verdict.state" role="status">
        <VerdictMark :state="reading.verdict.state" words />
        <span>{{ presumedHolds && isOpen ? HOLDS_AS_PRESUMED : sayVerdict(reading.verdict, readings.say) }}</span>
      </p>
      <RateFirst :key="`rate ${reading.build.id}`" :build="reading.build" />
      <WeighFirst :key="`weigh ${reading.build.id}`" :build="reading.build" @presumed="presumedHolds = $event" />
      <div class="columns">
        <ol class="chain" aria-label="From goods to ground">
          <li v-for="l in chain" :key="l.link">
            <h2>{{ LINK_NAMES[l.link] }}</h2>
            <button
              v-for="{ first: r, all: alike } in l.lines"
              :key="r.id"
              type="button"
              class="link"
              :class="[shown(r), { open: opened && alike.includes(opened) }]"
              :data-check="r.id"
              :aria-pressed="opened !== null && alike.includes(opened)"
              @click="openId = r.id"
            >
              <svg class="strain" width="14" viewBox="0 0 14 30" preserveAspectRatio="none" aria-hidden="true">
                <line x1="7" x2="7" y1="0" y2="30" :stroke-width="weight(r)" />
              </svg>
              <VerdictMark :state="shown(r)" />
              <span class="what"
                ><span v-for="n in findingNames({ first: r, all: alike })" :key="n.check" class="name"
                  >{{ n.check }} <span class="soft">{{ n.letters.join(', ') }}</span></span
                ></span
              >
              <span class="says"
                >{{ sayCheck(r, readings.say) }}
                <span v-if="alike.length > 1" class="times">{{ alike.length }} times so.</span></span
              >
              <span class="number share">{{
                r.ratio !== null && isStrength(r) ? readings.say.percent(r.ratio) : ''
              }}</span>
            </button>
            <button
              v-if="l.quiet || l.alike"
              type="button"
              class="btn btn-sm btn-link"
              @click="all = new Set([...all, l.link])"
            >
              {{ l.quiet ? `${l.quiet} more that hold` : 'each by itself' }}
            </button>
          </li>
          <li class="soft small">
            Down to {{ below }}: {{ readings.say.force(-arrived(reading.service).force[2]) }} in all.
          </li>
        </ol>
        <div>
          <LinkDetail v-if="opened" :key="`${build!.id}:${opened.id}`" :result="opened" :reading="reading" />
        </div>
      </div>
      <p v-for="n in notApplying" :key="n.id" class="soft small mb-1">
        {{ CHECK_NAMES[n.check] }} – {{ n.working ? 'reckoned, and nothing fails for it' : 'not judged' }}:
        {{ sayCheck(n, readings.say) }}
      </p>
      <SafeLoads :build-id="reading.build.id" :name="reading.build.name" />
      <CompareVariants :key="reading.build.id" :reading="reading" />
      <p class="soft small mt-2">{{ PLANNING_AID }}</p>
    </template>
  </div>
</template>

<style scoped>
.sentence {
  display: flex;
  gap: 0.8rem;
  align-items: baseline;
  font-size: 1.12rem;
  padding: 0.6rem 0.9rem;
  background: var(--sheet);
  border-left: 5px solid var(--ink);
}
.sentence.fails {
  border-color: var(--trouble);
  background: var(--trouble-soft);
}
.sentence.unknown,
.sentence.hard-worked {
  border-color: var(--doubt);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 1.2rem;
  align-items: start;
}
.chain {
  list-style: none;
  padding: 0;
}
.chain h2 {
  font-size: 0.92rem;
  margin: 0.6rem 0 0.2rem;
  color: var(--ink-soft);
}
.link {
  display: grid;
  grid-template-columns: 14px 20px 116px minmax(0, 1fr) 52px;
  gap: 0.5rem;
  align-items: center;
  width: 100%;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: var(--ink);
  padding: 0.15rem 0.4rem 0.15rem 0;
  min-height: 38px;
}
.link:hover {
  background: var(--sheet);
}
.link.open {
  background: var(--chalk-soft);
}
.strain {
  height: 100%;
  min-height: 34px;
}
.strain line {
  stroke: var(--line-strong);
}
.fails .strain line {
  stroke: var(--trouble);
}
.hard-worked .strain line,
.unknown .strain line {
  stroke: var(--doubt);
}
.what {
  font-weight: 600;
}
.what .name {
  display: block;
  line-height: 1.25;
}
.times {
  white-space: nowrap;
  color: var(--ink);
}
.says {
  font-size: 0.9rem;
  line-height: 1.2;
  color: var(--ink-soft);
}
.fails .says {
  color: var(--ink);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
  .link {
    grid-template-columns: 14px 20px minmax(0, 1fr) 46px;
  }
  .says {
    grid-column: 3 / -1;
  }
}
</style>
