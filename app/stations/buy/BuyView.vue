<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatMoney, parseMoney } from '../../../core/measure/money.ts'
import { priceBook } from '../../../core/project/read-build.ts'
import { shoppingRows } from '../../../core/takeoff/rows.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { downloadCsv } from '../../persistence/csv.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

const doc = useDocument()
const readings = useReadings()
const bill = computed(() => readings.procurement?.bill ?? null)
const money = (minor: number | null) => (minor === null ? 'no price' : formatMoney(minor, doc.project!.settings.currency))
const AISLES = { lumber: 'Lumber', sheets: 'Sheets', fasteners: 'Screws' }
const aisles = computed(() => (['lumber', 'sheets', 'fasteners'] as const).map((aisle) => {
  const lines = bill.value?.lines.filter((l) => l.aisle === aisle) ?? []
  return { aisle, lines, total: lines.reduce((n, l) => n + (l.totalMinor ?? 0), 0) }
}).filter((a) => a.lines.length > 0))
const bought = computed(() => new Set(doc.project!.progress.bought))
const tick = (key: string) =>
  doc.change('tick the shopping list', (d) => {
    d.progress.bought = d.progress.bought.includes(key) ? d.progress.bought.filter((k) => k !== key) : [...d.progress.bought, key]
  })

const problems = ref<Record<string, string>>({})
function setPrice(key: string, e: Event) {
  const text = (e.target as HTMLInputElement).value
  const read = parseMoney(text)
  if (!read.ok) {
    problems.value = { ...problems.value, [key]: sayProblem(read.problem, readings.say) }
    return
  }
  const { [key]: _, ...rest } = problems.value
  problems.value = rest
  doc.change('change a price', (d) => void (d.prices[key] = read.value))
}
const book = computed(() => priceBook(doc.project!))
const whole = ref(false)
const shownBook = computed(() => book.value.filter((l) => whole.value || bill.value?.lines.some((b) => b.key === l.key)))
const longest = computed(() => Math.max(0, ...(readings.procurement?.cutPlan.boards.map((b) => b.lengthMm) ?? []), ...(readings.procurement?.cutPlan.sheets.map((s) => s.lengthMm) ?? [])))
const print = () => window.print()
</script>

<template>
  <div class="station">
    <div class="station-head">
      <h1>Buy</h1>
      <span class="soft no-print">What do I need and what does it cost?</span>
      <span v-if="bill" class="ms-auto d-flex gap-2 no-print">
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="downloadCsv('shopping-list.csv', shoppingRows(bill, doc.project!.progress.bought))">Export CSV</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="print">Print</button>
      </span>
    </div>
    <p class="print-only">{{ doc.project!.name }}</p>
    <p v-if="doc.project!.builds.length === 0" class="empty">Nothing to buy yet. <RouterLink :to="{ name: 'shape' }">Shape a build</RouterLink> first.</p>
    <p v-else-if="!bill" class="soft" role="status">Working out boards and sheets …</p>
    <div v-else class="columns">
      <section class="card-sheet" aria-labelledby="list-h">
        <h2 id="list-h">Shopping list</h2>
        <table class="table table-sm align-middle">
          <thead>
            <tr><th scope="col"><span class="visually-hidden">in the cart</span></th><th scope="col">item</th><th scope="col" class="number">need</th><th scope="col" class="number">each</th><th scope="col" class="number">total</th></tr>
          </thead>
          <tbody v-for="a in aisles" :key="a.aisle">
            <tr class="aisle"><th colspan="4" scope="colgroup">{{ AISLES[a.aisle] }}</th><td class="number soft">{{ money(a.total) }}</td></tr>
            <tr v-for="l in a.lines" :key="l.key" :class="{ done: bought.has(l.key) }">
              <td class="tick"><input type="checkbox" class="form-check-input" :checked="bought.has(l.key)" :aria-label="`${l.label} is in the cart`" @change="tick(l.key)" /></td>
              <td>{{ l.label }}<span v-if="l.holds" class="soft small"> ({{ l.holds }} needed)</span></td>
              <td class="number"><strong>{{ l.count }}</strong></td>
              <td class="number">{{ money(l.eachMinor) }}</td>
              <td class="number">{{ money(l.totalMinor) }}</td>
            </tr>
          </tbody>
          <tfoot>
            <tr><th colspan="4" scope="row">Total<span v-if="bill.unpriced" class="text-trouble"> without {{ bill.unpriced }} lines that have no price</span></th><td class="number"><strong>{{ money(bill.totalMinor) }}</strong></td></tr>
          </tfoot>
        </table>
        <p class="soft small mb-0">All builds together. Longest piece to carry home: {{ formatLength(longest, readings.units, { feet: true }) }}. Screws with a tenth to spare. Prices are what the price book says; the yard's own price counts.</p>
      </section>
      <section class="card-sheet no-print" aria-labelledby="book-h">
        <h2 id="book-h">Price book</h2>
        <BFormCheckbox v-model="whole" class="mb-2">show everything the yard sells</BFormCheckbox>
        <div class="book">
          <table class="table table-sm align-middle">
            <tbody>
              <tr v-for="l in shownBook" :key="l.key">
                <td><label :for="`price-${l.key}`">{{ l.label }}</label><p v-if="problems[l.key]" class="text-trouble small mb-0" role="alert">{{ problems[l.key] }}</p></td>
                <td class="price"><input :id="`price-${l.key}`" class="form-control form-control-sm" :class="{ 'is-invalid': problems[l.key] }" inputmode="decimal" :value="(l.minor / 100).toFixed(2)" @change="setPrice(l.key, $event)" /></td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(280px, 1fr);
  gap: 1.2rem;
  align-items: start;
}
.aisle > * {
  background: var(--paper);
}
.tick {
  width: 42px;
}
.tick input {
  width: 22px;
  height: 22px;
}
.done td {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.price {
  width: 104px;
}
.price input {
  text-align: right;
}
.book {
  max-height: 60vh;
  overflow-y: auto;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .columns {
    display: block;
  }
}
</style>
