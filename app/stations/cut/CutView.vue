<script setup lang="ts">
import { computed } from 'vue'
import { cutListRows, cutPlanRows } from '../../../core/takeoff/rows.ts'
import { lineId } from '../../../core/takeoff/instances.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { roleName, sectionName, sheetName, stockName } from '../../../core/wording/names.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { plural } from '../../../core/wording/say.ts'
import { downloadCsv } from '../../persistence/csv.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import BoardDiagram from './BoardDiagram.vue'
import ImprovingPlan from '../../components/ImprovingPlan.vue'
import SheetDiagram from './SheetDiagram.vue'

const doc = useDocument()
const readings = useReadings()
const plan = computed(() => readings.procurement?.cutPlan ?? null)
const lines = computed(() => readings.readings.flatMap((r) => r.pieces))
const names = computed(() => new Map(doc.project!.builds.map((b) => [b.id, b.name])))
const roles = computed(() => new Map(lines.value.map((l) => [lineId(l), roleName(l.role)])))
const done = computed(() => new Set(doc.project!.progress.cuts))
const len = (mm: number) => formatLength(mm, readings.units)

/** Boards that are cut alike stand together: same stock, same cuts. */
const groups = computed(() => {
  const list = (plan.value?.boards ?? []).map((b) => ({ b, key: `${b.stockKey}|${b.cuts.map((c) => c.line).join()}` }))
  return [...new Set(list.map((x) => x.key))].map((key) => list.filter((x) => x.key === key).map((x) => x.b))
})
function tick(id: string) {
  doc.change('tick a cut', (d) => {
    d.progress.cuts = d.progress.cuts.includes(id) ? d.progress.cuts.filter((c) => c !== id) : [...d.progress.cuts, id]
  })
}
const progress = computed(() => {
  const all = [...(plan.value?.boards ?? []).flatMap((b) => b.cuts.map((c) => `${b.id}/${c.labels.join('+')}`)), ...(plan.value?.sheets ?? []).flatMap((s) => s.cuts.map((c) => `${s.id}/${c.label}`))]
  return { all: all.length, done: all.filter((x) => done.value.has(x)).length }
})
const gap = computed(() => {
  const claims = plan.value?.claims ?? []
  const [cost, bound] = [claims.reduce((n, c) => n + c.cost, 0), claims.reduce((n, c) => n + c.lowerBound, 0)]
  return cost === bound ? 'Proved: no plan costs less.' : `At most ${Math.ceil(((cost - bound) / Math.max(bound, 1)) * 1000) / 10} % above the least any plan could cost.`
})
const print = () => window.print()
</script>

<template>
  <div class="station">
    <div class="station-head">
      <h1>Cut</h1>
      <span class="soft no-print">In what order do I cut it, and from which board?</span>
      <span v-if="plan" class="ms-auto d-flex gap-2 no-print">
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="downloadCsv('cut-list.csv', cutListRows(lines, names, readings.units))">Cut list CSV</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="downloadCsv('cut-plan.csv', cutPlanRows(plan))">Cut plan CSV</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="print">Print</button>
      </span>
    </div>
    <p class="print-only">{{ doc.project!.name }}</p>
    <p v-if="doc.project!.builds.length === 0" class="empty">Nothing to cut yet. <RouterLink :to="{ name: 'shape' }">Shape a build</RouterLink> first.</p>
    <p v-else-if="!plan" class="soft" role="status">Laying out boards and sheets …</p>
    <template v-else>
      <ImprovingPlan class="no-print" />
      <p class="soft">
        {{ plural(plan.boards.length, 'board') }}, {{ plural(plan.sheets.length, 'sheet') }}; kerf {{ len(doc.project!.settings.kerfMm) }}, {{ len(doc.project!.settings.squaringTrimMm) }} squared off each board. {{ gap }}
        <strong class="no-print">{{ progress.done }} of {{ progress.all }} pieces cut.</strong>
      </p>
      <p class="caution">Eye and ear protection; push stick for narrow rips; support long boards and sheets on both sides of the blade. Dust mask on until the dust has settled.</p>
      <p v-for="c in plan.cannot" :key="c.key" class="text-trouble" role="alert">{{ c.key }}: {{ sayProblem({ code: c.why.code, data: c.why.data }, readings.say) }}</p>

      <section aria-labelledby="sheets-h">
        <h2 v-if="plan.sheets.length" id="sheets-h">Sheets first: straight cuts from edge to edge</h2>
        <div class="sheets">
          <article v-for="(s, n) in plan.sheets" :key="s.id" class="card-sheet">
            <h3>Sheet {{ n + 1 }}: {{ sheetName(s.sheet) }} <span class="soft small">{{ len(s.lengthMm) }} x {{ len(s.widthMm) }}, {{ readings.say.percent(s.usedShare) }} used</span></h3>
            <SheetDiagram :sheet="s" :roles="roles" :done="done" @tick="tick" />
          </article>
        </div>
      </section>
      <section aria-labelledby="boards-h">
        <h2 id="boards-h">Boards: cuts of one length in one go</h2>
        <article v-for="g in groups" :key="g[0].id" class="board-group">
          <h3><strong>{{ g.length }} ×</strong> {{ sectionName(g[0].section) }}{{ g[0].treated ? ' treated' : '' }}, {{ formatLength(g[0].lengthMm, readings.units, { feet: true }) }} <span class="soft small">leaves {{ len(g[0].leftoverMm) }}</span></h3>
          <BoardDiagram v-for="b in g" :key="b.id" :board="b" :roles="roles" :done="done" @tick="tick" />
        </article>
      </section>
      <section aria-labelledby="parts-h">
        <h2 id="parts-h">Parts list: finished sizes</h2>
        <div class="scroll">
          <table class="table table-sm">
            <thead>
              <tr><th scope="col">label</th><th scope="col">build</th><th scope="col">part</th><th scope="col">from</th><th scope="col" class="number">count</th><th scope="col" class="number">length</th><th scope="col" class="number">width</th></tr>
            </thead>
            <tbody>
              <tr v-for="l in lines" :key="lineId(l)">
                <th scope="row">{{ l.letter }}</th><td>{{ names.get(l.build) }}</td><td>{{ roleName(l.role) }}</td><td>{{ stockName(l.stock) }}{{ l.ripped ? ', ripped' : '' }}</td>
                <td class="number">{{ l.count }}</td><td class="number">{{ len(l.lengthMm) }}</td><td class="number">{{ len(l.widthMm) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
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
