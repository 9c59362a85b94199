<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { ranges } from '../../../core/takeoff/batch-lines.ts'
import { madeCuts, type SawCut } from '../../../core/takeoff/cut-order.ts'
import { addLetters, lettersOf } from '../../../core/project/letters.ts'
import { sawWork } from '../../../core/takeoff/saw-work.ts'
import type { BoardLaid } from '../../../core/takeoff/sawing.ts'
import { cutListRows, cutPlanRows } from '../../../core/takeoff/rows.ts'
import { lineId } from '../../../core/takeoff/instances.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { roleName, sectionName, sheetName, stockName } from '../../../core/wording/names.ts'
import { isSawn } from '../../../core/assembly/identical.ts'
import { sayCounts } from '../../../core/wording/counts.ts'
import { plural } from '../../../core/wording/say.ts'
import { sayWork } from '../../../core/wording/work.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import BoardDiagram from './BoardDiagram.vue'
import ExportTable from '../../components/ExportTable.vue'
import NotBuilt from '../../components/NotBuilt.vue'
import CannotCut from '../../components/CannotCut.vue'
import ImprovingPlan from '../../components/ImprovingPlan.vue'
import CutBatches from './CutBatches.vue'
import OnHand from './OnHand.vue'
import OneCut from './OneCut.vue'
import SheetDiagram from './SheetDiagram.vue'
import WentWrong from './WentWrong.vue'

const doc = useDocument()
const readings = useReadings()
readings.showPlan()
const plan = computed(() => readings.procurement?.cutPlan ?? null)
const lines = computed(() => readings.readings.flatMap((r) => r.pieces.filter((l) => isSawn(l.stock))))
const names = computed(() => new Map(doc.project!.builds.map((b) => [b.id, b.name])))
const labelsOf = (boards: readonly BoardLaid[]) => boards.flatMap((b) => b.cuts.flatMap((c) => c.labels))
const roles = computed(() => new Map(lines.value.map((l) => [lineId(l), roleName(l.role)])))
const done = computed(() => new Set(doc.project!.progress.cuts))
const len = (mm: number) => formatLength(mm, readings.units)

/** Boards that are cut alike stand together: same stock, same cuts. */
const groups = computed(() => {
  const list = (plan.value?.boards ?? []).map((b) => ({
    b,
    key: `${b.stockKey}|${b.fromMm}|${b.handId ?? ''}|${b.cuts.map((c) => c.line).join()}`,
  }))
  return [...new Set(list.map((x) => x.key))].map((key) => list.filter((x) => x.key === key).map((x) => x.b))
})
const work = computed(() => (plan.value ? sawWork(plan.value, doc.project!.settings) : null))
/** Where a sound stretch beyond a bad place begins. */
const stretch = (b: BoardLaid) => (b.fromMm > 0 ? ` from ${len(b.fromMm)}` : '')
/** Sheets and boards are counted through in the order they are drawn. */
const numbers = computed(
  () =>
    new Map([
      ...(plan.value?.sheets ?? []).map((s, i) => [s.id, `Sheet ${i + 1}`] as const),
      ...groups.value.flat().map((b, i) => [b.id, `Board ${i + 1}${stretch(b)}`] as const),
    ]),
)
const onHandNames = computed(() => new Map(doc.project!.onHand.map((h) => [h.id, h.note || 'on hand'])))
const fromWhere = (x: { handId: string | null }) =>
  x.handId === null
    ? ''
    : x.handId.startsWith('rest:')
      ? ', what is left of one begun'
      : `, ${onHandNames.value.get(x.handId) ?? 'on hand'}`

const sayLabels = (g: BoardLaid[]) => ranges(labelsOf(g), '–')
/** The first tick freezes the plan: from then on what is drawn is what is being cut. */
const tickAll = (keys: string[]) =>
  setTicks(
    keys,
    keys.some((k) => !done.value.has(k)),
  )
function setTicks(keys: string[], on: boolean) {
  doc.change(on ? 'tick a cut' : 'untick a cut', (d) => {
    if (on && !d.progress.sawing && plan.value)
      d.progress.sawing = { boards: plan.value.boards, sheets: plan.value.sheets, lost: [] }
    // A plan begun before letters were kept gets those it had.
    if (on && Object.keys(d.progress.letters).length === 0) addLetters(d.progress, lettersOf(readings.outcomes))
    d.progress.cuts = on
      ? [...new Set([...d.progress.cuts, ...keys])]
      : d.progress.cuts.filter((c) => !keys.includes(c))
  })
}
const made = computed(() => madeCuts([...(work.value?.yard ?? []), ...(work.value?.home ?? [])], done.value))
const tickCuts = (cuts: SawCut[], on: boolean) =>
  setTicks(
    cuts.flatMap((c) => (c.frees.length > 0 ? c.frees : [c.key])),
    on,
  )
function startOver() {
  doc.change('begin cutting anew', (d) => {
    d.progress.sawing = null
    d.progress.letters = {}
    d.progress.cuts = []
    d.progress.leftoversKept = false
  })
}
const labels = computed(() => [
  ...(plan.value?.sheets ?? []).flatMap((s) => s.cuts.map((c) => c.label)),
  ...labelsOf(plan.value?.boards ?? []),
])
const progress = computed(() => ({
  all: labels.value.length,
  done: labels.value.filter((x) => done.value.has(x)).length,
}))
const allCut = computed(() => progress.value.all > 0 && progress.value.done === progress.value.all)
const changed = computed(() => readings.procurement?.sawing === 'builds-changed')
/** Which of some labels are cut: what a drawing depends on besides the plan. */
const doneOf = (list: string[]) => list.filter((l) => done.value.has(l)).join()
const wrongOpen = ref(false)
const wrongLabels = ref<string[]>([])
function wrong(of: string[] | null) {
  wrongLabels.value = of ?? labels.value
  wrongOpen.value = true
}
const oneAtATime = useLocalStorage('cut-one-at-a-time', window.innerWidth < 600)
const gap = computed(() => {
  const claims = plan.value?.claims ?? []
  const [cost, bound] = [claims.reduce((n, c) => n + c.cost, 0), claims.reduce((n, c) => n + c.lowerBound, 0)]
  if (claims.length === 0) return ''
  return cost === bound
    ? 'Proved: no plan costs less.'
    : `At most ${Math.ceil(((cost - bound) / Math.max(bound, 1)) * 1000) / 10} % above the least any plan could cost.`
})
const print = () => window.print()
</script>

<template>
  <div class="station">
    <div class="station-head">
      <h1>Cut</h1>
      <span class="soft no-print">In what order do I cut it, and from which board?</span>
      <span v-if="plan" class="ms-auto d-flex flex-wrap gap-2 no-print">
        <ExportTable
          label="Export cut list"
          name="cut-list"
          :rows="() => cutListRows(lines, names, readings.units, (l) => sayWork(l, readings.say))"
        />
        <ExportTable label="Export cut plan" name="cut-plan" :rows="() => cutPlanRows(plan!)" />
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="print">Print</button>
      </span>
    </div>
    <p class="print-only">{{ doc.project!.name }}</p>
    <p v-if="doc.project!.builds.length === 0" class="empty">
      Nothing to cut yet. <RouterLink :to="{ name: 'shape' }">Shape a build</RouterLink> first.
    </p>
    <p v-else-if="!plan || !work" class="soft" role="status">Laying out boards and sheets …</p>
    <template v-else>
      <ImprovingPlan class="no-print" />
      <p class="soft">
        {{ sayCounts(plan) }}; kerf {{ len(doc.project!.settings.kerfMm) }}; the saw is set
        {{ plural(work.settings, 'time') }}. {{ gap }}
        <strong class="no-print">{{ progress.done }} of {{ progress.all }} pieces cut.</strong>
      </p>
      <p v-if="doc.project!.progress.sawing" class="begun no-print">
        This plan is being cut and stays as it is<span v-if="doc.project!.progress.sawing.lost.length"
          >; {{ plural(doc.project!.progress.sawing.lost.length, 'piece') }} went wrong so far</span
        >.
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="wrong(null)">A piece went wrong</button>
        <button type="button" class="btn btn-sm btn-link" @click="startOver">Begin anew</button>
      </p>
      <p v-if="changed" class="begun" role="alert">
        The builds have changed since cutting began.
        <button type="button" class="btn btn-sm btn-primary" @click="wrongOpen = true">Plan what is left</button>
      </p>
      <p class="caution">
        Eye and ear protection; push stick for narrow rips; support long boards and sheets on both sides of the blade.
        Dust mask on until the dust has settled.
      </p>
      <NotBuilt lead="Not among these cuts: " />
      <CannotCut :cannot="plan.cannot" />

      <section v-if="work.yard.length || work.stuck.length" aria-labelledby="yard-h" class="yard">
        <h2 id="yard-h">
          At the yard: {{ plural(work.yardCuts, 'cut')
          }}{{ work.yardCuts > work.freeCuts ? `, ${work.freeCuts} of them free` : work.yardCuts ? ', free' : '' }}
        </h2>
        <p class="soft mb-1">
          The fewest after which everything goes into the vehicle and can be carried alone. Longest to carry
          {{ len(work.longestMm) }}, heaviest {{ readings.say.mass(work.heaviestKg) }}.
        </p>
        <p v-if="work.stuck.length" class="text-trouble">
          Does not go into the vehicle however it is cut: {{ work.stuck.map((x) => numbers.get(x)).join(', ') }}. Have
          it delivered, or set the vehicle in the settings.
        </p>
        <CutBatches :batches="work.yard" :names="numbers" :made="made" @tick="tickCuts" />
      </section>

      <section aria-labelledby="home-h">
        <div class="d-flex flex-wrap align-items-center gap-3">
          <h2 id="home-h" class="mb-0">
            At home:
            {{
              plural(
                work.home.reduce((n, b) => n + b.cuts.length, 0),
                'cut',
              )
            }}
          </h2>
          <BFormCheckbox v-model="oneAtATime" switch class="no-print">one at a time</BFormCheckbox>
        </div>
        <OneCut
          v-if="oneAtATime"
          class="no-print"
          :batches="work.home"
          :names="numbers"
          :made="made"
          @tick="tickCuts"
          @wrong="wrong"
        />
        <div class="beside">
          <div>
            <h3 v-if="plan.sheets.length" id="sheets-h">Sheets: straight cuts from edge to edge</h3>
            <div class="sheets">
              <article
                v-for="s in plan.sheets"
                :key="s.id"
                v-memo="[s, numbers, roles, readings.units, doneOf(s.cuts.map((c) => c.label))]"
                class="card-sheet"
              >
                <h4>
                  {{ numbers.get(s.id) }}: {{ sheetName(s.sheet) }}{{ fromWhere(s) }}
                  <span class="soft small"
                    >{{ len(s.lengthMm) }} x {{ len(s.widthMm) }}, {{ readings.say.percent(s.usedShare) }} used</span
                  >
                </h4>
                <SheetDiagram :sheet="s" :roles="roles" :done="done" @tick="(l) => tickAll([l])" />
              </article>
            </div>
            <h3 v-if="plan.boards.length" id="boards-h">Boards</h3>
            <div class="boards">
              <article
                v-for="g in groups"
                :key="g[0].id"
                v-memo="[g[0], g.length, numbers, roles, readings.units, doneOf(labelsOf(g))]"
                class="board-group"
              >
                <h4>
                  <strong>{{ g.length }} ×</strong> {{ sectionName(g[0].section) }}{{ g[0].treated ? ' treated' : '' }},
                  {{ formatLength(g[0].lengthMm, readings.units, { feet: true }) }}{{ fromWhere(g[0]) }}
                  <span class="soft small"
                    >{{ numbers.get(g[0].id)
                    }}{{ g.length > 1 ? ` to ${numbers.get(g[g.length - 1].id)!.split(' ')[1]}` : '' }}, leaves
                    {{ len(g[0].leftoverMm) }}</span
                  >
                </h4>
                <p v-if="g.length > 1" class="print-only mb-0">{{ sayLabels(g) }}</p>
                <BoardDiagram
                  v-for="(b, i) in g"
                  :key="b.id"
                  :class="{ 'no-print': i > 0 }"
                  :board="b"
                  :roles="roles"
                  :done="done"
                  @tick="tickAll"
                />
              </article>
            </div>
          </div>
          <CutBatches
            :class="{ 'print-only': oneAtATime }"
            :batches="work.home"
            :names="numbers"
            :made="made"
            @tick="tickCuts"
          />
        </div>
      </section>
      <OnHand :all-cut="allCut" />
      <WentWrong v-model="wrongOpen" :labels="wrongLabels" :stale="changed" />
      <section aria-labelledby="parts-h">
        <h2 id="parts-h">Parts list: finished sizes</h2>
        <div class="scroll" tabindex="0" role="region" aria-label="Parts list, scrolls sideways">
          <table class="table table-sm">
            <thead>
              <tr>
                <th scope="col">label</th>
                <th scope="col">build</th>
                <th scope="col">part</th>
                <th scope="col">from</th>
                <th scope="col" class="number">count</th>
                <th scope="col" class="number">length</th>
                <th scope="col" class="number">width</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="l in lines" :key="lineId(l)">
                <th scope="row">{{ l.letter }}</th>
                <td>{{ names.get(l.build) }}</td>
                <td>
                  {{ roleName(l.role)
                  }}<span v-if="sayWork(l, readings.say)" class="soft small work">{{ sayWork(l, readings.say) }}</span>
                </td>
                <td>{{ stockName(l.stock) }}{{ l.ripped ? ', ripped' : '' }}</td>
                <td class="number">{{ l.count }}</td>
                <td class="number">{{ len(l.lengthMm) }}</td>
                <td class="number">{{ len(l.widthMm) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.work {
  display: block;
  max-width: 34rem;
}
.caution {
  border-left: 4px solid var(--doubt);
  background: var(--doubt-soft);
  padding: 0.4rem 0.8rem;
}
.sheets {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 1rem;
  margin-bottom: 1.2rem;
}
.beside {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(280px, 1fr);
  gap: 1.4rem;
}
h4 {
  font-size: 1rem;
}
.begun {
  border-left: 4px solid var(--chalk);
  padding-left: 0.8rem;
}
@media (max-width: 900px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .beside {
    display: flex;
    flex-direction: column-reverse;
    gap: 0.6rem;
  }
  .sheets {
    grid-template-columns: repeat(4, minmax(0, 1fr));
    gap: 3mm;
    margin-bottom: 0.5rem;
  }
  .sheets :deep(.card-sheet),
  .sheets .card-sheet {
    padding: 0;
    border: 0;
    break-inside: avoid;
  }
  .boards {
    columns: 2;
    column-gap: 8mm;
  }
  .board-group {
    break-inside: avoid;
    margin-bottom: 0.3rem;
  }
  h4,
  h4 .small,
  .table,
  p {
    font-size: 8.5pt;
    margin-bottom: 0.1rem;
  }
  section {
    margin-bottom: 0.4rem;
  }
  .table :deep(td),
  .table :deep(th) {
    padding: 0.05rem 0.3rem;
  }
}
.board-group {
  margin-bottom: 0.9rem;
}
section {
  margin-bottom: 1.4rem;
}
.scroll {
  overflow-x: auto;
}
@media (max-width: 500px) {
  .sheets {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
