<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatMoney } from '../../../core/measure/money.ts'
import { MOST_PRICES_LOGGED } from '../../../core/project/project.ts'
import { carriage } from '../../../core/takeoff/carriage.ts'
import { AISLES, inCart, isBought, tickedCart, type Purchase } from '../../../core/takeoff/purchases.ts'
import { sawWork } from '../../../core/takeoff/saw-work.ts'
import { stockOfBatch } from '../../../core/wording/cuts.ts'
import { plural } from '../../../core/wording/say.ts'
import ExportTable from '../../components/ExportTable.vue'
import CannotCut from '../../components/CannotCut.vue'
import NotBuilt from '../../components/NotBuilt.vue'
import NumberField from '../../components/NumberField.vue'
import { useYard } from '../../composables/yard.ts'
import { priceBook } from '../../../core/project/read-build.ts'
import { shoppingRows } from '../../../core/takeoff/rows.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

const doc = useDocument()
const readings = useReadings()
readings.showPlan()
const bill = computed(() => readings.procurement?.bill ?? null)
const money = (minor: number | null) =>
  minor === null ? 'no price' : formatMoney(minor, doc.project!.settings.currency)
const AISLE_NAMES = {
  lumber: 'Lumber',
  sheets: 'Sheets',
  fasteners: 'Screws and bolts',
  finish: 'Glue and finish',
  hardware: 'Hardware',
}
const aisles = computed(() =>
  AISLES.map((aisle) => {
    const lines = bill.value?.lines.filter((l) => l.aisle === aisle) ?? []
    return { aisle, lines, total: lines.reduce((n, l) => n + (l.totalMinor ?? 0), 0) }
  }).filter((a) => a.lines.length > 0),
)
/** Stock no plan could be made for: none of it is in the list. */
const cannot = computed(() => readings.procurement?.cutPlan.cannot ?? [])
/** The list is of the plan that is being cut: builds may ask for other pieces by now. */
const changed = computed(() => readings.procurement?.sawing === 'builds-changed')
const unlisted = computed(() => [
  ...cannot.value.map((c) => stockOfBatch(c.key)),
  ...readings.notBuilt.map((b) => `"${b.name}"`),
  ...(changed.value ? ['what has changed since cutting began'] : []),
])
const cart = computed(() => doc.project!.progress)
const tick = (l: Purchase) =>
  doc.change('tick the shopping list', (d) => void Object.assign(d.progress, tickedCart(l, d.progress)))

const setPrice = (key: string, minor: number) =>
  doc.change('change a price', (d) => {
    d.prices[key] = minor
    d.priceLog = [...d.priceLog, { key, minor, at: new Date().toISOString(), from: 'typed' as const }].slice(
      -MOST_PRICES_LOGGED,
    )
  })
const setSpent = (key: string, minor: number | null) =>
  doc.change('note what was paid', (d) => {
    if (minor === null) delete d.progress.spent[key]
    else d.progress.spent[key] = minor
  })
const setReadyMade = (minor: number | null) =>
  doc.change('price of a ready-made one', (d) => void (d.readyMadeMinor = minor))
const setHave = (key: string, n: number | null) =>
  doc.change('what is there already', (d) => {
    if (!n) delete d.progress.have[key]
    else d.progress.have[key] = n
  })
const spent = computed(() => Object.values(doc.project!.progress.spent).reduce((a, b) => a + b, 0))
const plannedOfSpent = computed(() =>
  (bill.value?.lines ?? [])
    .filter((l) => l.key in doc.project!.progress.spent)
    .reduce((n, l) => n + (l.totalMinor ?? 0), 0),
)
const perBuild = computed(() =>
  (readings.procurement?.perBuild ?? []).map((b) => ({
    name: doc.project!.builds.find((x) => x.id === b.build)?.name ?? '',
    minor: b.minor,
  })),
)
/** Prices of a key over time, oldest first, for its history. */
const history = (key: string) => doc.project!.priceLog.filter((l) => l.key === key)
const shownHistory = ref<string | null>(null)
const dateOf = (iso: string) =>
  new Date(iso).toLocaleDateString(undefined, { year: 'numeric', month: 'short', day: 'numeric' })

const { busy, trouble, inStock, reservation, lastKnown, refresh, reserve } = useYard()
const toReserve = computed(() =>
  (bill.value?.lines ?? []).filter((l) => l.buy > 0).map((l) => ({ key: l.key, count: l.buy })),
)
const labelOf = (key: string) => book.value.find((l) => l.key === key)?.label ?? key
const book = computed(() => priceBook(doc.project!))
const whole = ref(false)
const shownBook = computed(() =>
  book.value.filter((l) => whole.value || bill.value?.lines.some((b) => b.key === l.key)),
)
const work = computed(() =>
  readings.procurement ? sawWork(readings.procurement.cutPlan, doc.project!.settings) : null,
)
const load = computed(() =>
  readings.procurement ? carriage(readings.procurement.cutPlan, doc.project!.settings) : null,
)
const print = () => window.print()
</script>

<template>
  <div class="station">
    <div class="station-head">
      <h1>Buy</h1>
      <span class="soft no-print">What do I need and what does it cost?</span>
      <span v-if="bill" class="ms-auto d-flex gap-2 no-print">
        <ExportTable label="Export the list" name="shopping-list" :rows="() => shoppingRows(bill!, cart, unlisted)" />
        <button type="button" class="btn btn-sm btn-outline-secondary" @click="print">Print</button>
      </span>
    </div>
    <p class="print-only">{{ doc.project!.name }}</p>
    <p v-if="doc.project!.builds.length === 0" class="empty">
      Nothing to buy yet. <RouterLink :to="{ name: 'shape' }">Shape a build</RouterLink> first.
    </p>
    <p v-else-if="!bill" class="soft" role="status">Working out boards and sheets …</p>
    <div v-else class="columns">
      <section class="card-sheet" aria-labelledby="list-h">
        <h2 id="list-h">Shopping list</h2>
        <div class="yard no-print">
          <button type="button" class="btn btn-sm btn-outline-secondary" :disabled="busy" @click="refresh">
            {{ busy ? 'Asking the yard …' : 'Take over the yard’s prices' }}
          </button>
          <button
            type="button"
            class="btn btn-sm btn-outline-secondary"
            :disabled="busy || toReserve.length === 0"
            @click="reserve(toReserve)"
          >
            Have the list put aside
          </button>
          <span class="small" role="status">
            <span v-if="trouble" class="text-trouble">The yard: {{ trouble }}. </span>
            <span v-if="lastKnown" class="soft"
              >Prices of {{ dateOf(lastKnown) }}<span v-if="trouble">, the last known</span>.</span
            >
            <span v-else class="soft">Starting prices: nobody has asked the yard yet.</span>
          </span>
        </div>
        <div v-if="reservation" class="put-aside" role="status">
          <strong>Put aside under {{ reservation.number }} for {{ reservation.days }} days.</strong>
          <ul v-if="reservation.lines.some((l) => l.short > 0)" class="mb-0">
            <li v-for="l in reservation.lines.filter((x) => x.short > 0)" :key="l.key">
              {{ l.short }} × {{ labelOf(l.key) }} short<span v-if="l.instead.length"
                >; instead: {{ l.instead.map((i) => `${i.label} (${money(i.minor)})`).join(' or ') }}</span
              ><span v-else>; nothing there that would do</span>
            </li>
          </ul>
          <span v-else> All of it is there.</span>
        </div>
        <p v-if="changed" class="text-trouble" role="alert">
          The builds have changed since cutting began: this list is of the plan that is being cut.
          <RouterLink :to="{ name: 'cut' }">Plan what is left in Cut</RouterLink>, and it says what is to be bought on
          top.
        </p>
        <NotBuilt lead="Not in this list: " />
        <CannotCut :cannot="cannot" lead="Not in this list: " />
        <div class="scroll" tabindex="0" role="region" aria-label="Shopping list, scrolls sideways">
          <table class="table table-sm align-middle">
            <thead>
              <tr>
                <th scope="col"><span class="visually-hidden">in the cart</span></th>
                <th scope="col">item</th>
                <th scope="col" class="number">need</th>
                <th scope="col" class="number">have</th>
                <th scope="col" class="number">buy</th>
                <th scope="col" class="number wide">each</th>
                <th scope="col" class="number">total</th>
                <th scope="col" class="number no-print">paid</th>
              </tr>
            </thead>
            <tbody v-for="a in aisles" :key="a.aisle">
              <tr class="aisle">
                <th colspan="5" scope="colgroup">{{ AISLE_NAMES[a.aisle] }}</th>
                <td class="wide"></td>
                <td class="number soft">{{ money(a.total) }}</td>
                <td class="no-print"></td>
              </tr>
              <tr v-for="l in a.lines" :key="l.key" :class="{ done: isBought(l, cart) }">
                <td class="tick">
                  <input
                    type="checkbox"
                    class="form-check-input"
                    :checked="isBought(l, cart)"
                    :aria-label="`${l.label} is in the cart`"
                    @change="tick(l)"
                  />
                </td>
                <td>
                  {{ l.label }}<span v-if="l.holds" class="soft small"> ({{ l.holds }} needed)</span>
                  <span v-if="cart.bought.includes(l.key) && !isBought(l, cart)" class="text-trouble small d-block">
                    {{ inCart(l, cart) }} in the cart, {{ l.buy - inCart(l, cart) }} more asked for since</span
                  >
                  <span v-if="inStock.get(l.key) === 0" class="text-trouble small"> out at the yard</span
                  ><span v-else-if="(inStock.get(l.key) ?? Infinity) < l.buy" class="text-trouble small">
                    only {{ inStock.get(l.key) }} there</span
                  >
                </td>
                <td class="number">{{ l.count }}</td>
                <td class="number">
                  <NumberField
                    class="few"
                    kind="count"
                    optional
                    :value="l.have || null"
                    :label="`${l.label}: how many are there already`"
                    @change="(n) => setHave(l.key, n)"
                  />
                </td>
                <td class="number">
                  <strong>{{ l.buy }}</strong>
                </td>
                <td class="number wide">{{ money(l.eachMinor) }}</td>
                <td class="number">{{ money(l.totalMinor) }}</td>
                <td class="number no-print">
                  <NumberField
                    class="paid"
                    kind="money"
                    optional
                    :value="doc.project!.progress.spent[l.key] ?? null"
                    :label="`${l.label}: paid in all`"
                    @change="(n) => setSpent(l.key, n)"
                  />
                </td>
              </tr>
            </tbody>
            <tfoot>
              <tr>
                <th colspan="5" scope="row">
                  Total<span v-if="bill.unpriced" class="text-trouble">
                    without {{ plural(bill.unpriced, 'line') }} of no known price</span
                  ><span v-if="unlisted.length" class="text-trouble"> without {{ unlisted.join(', ') }}</span>
                </th>
                <td class="wide"></td>
                <td class="number">
                  <strong>{{ money(bill.totalMinor) }}</strong>
                </td>
                <td class="number no-print">
                  <strong>{{ spent ? money(spent) : '' }}</strong>
                </td>
              </tr>
            </tfoot>
          </table>
        </div>
        <p v-if="spent" class="small">
          Paid {{ money(spent) }} for what was planned at {{ money(plannedOfSpent) }}:
          {{
            spent > plannedOfSpent
              ? `${money(spent - plannedOfSpent)} more`
              : spent < plannedOfSpent
                ? `${money(plannedOfSpent - spent)} less`
                : 'as planned'
          }}.
        </p>
        <dl v-if="work && load" class="money small mb-0">
          <dt>Carriage</dt>
          <dd>
            {{ readings.say.mass(load.massKg) }} in {{ plural(load.trips, 'trip') }}; longest
            {{ formatLength(work.longestMm, readings.units, { feet: true }) }}, heaviest piece
            {{ readings.say.mass(work.heaviestKg)
            }}<span v-if="work.yardCuts"> after {{ plural(work.yardCuts, 'cut') }} at the yard</span>.<strong
              v-if="work.stuck.length"
              class="text-trouble"
            >
              {{ plural(work.stuck.length, 'piece') }} too large for the vehicle.</strong
            >
          </dd>
          <template v-if="perBuild.length > 1">
            <dt>Each build</dt>
            <dd>{{ perBuild.map((b) => `${b.name} ${money(b.minor)}`).join(' · ') }}</dd>
          </template>
          <dt><label for="ready-made">Ready-made it would cost</label></dt>
          <dd>
            <NumberField
              class="ready"
              field-id="ready-made"
              label=""
              kind="money"
              optional
              :value="doc.project!.readyMadeMinor"
              @change="setReadyMade"
            />
            <span v-if="doc.project!.readyMadeMinor !== null">
              {{
                doc.project!.readyMadeMinor >= bill.totalMinor
                  ? `building saves ${money(doc.project!.readyMadeMinor - bill.totalMinor)}`
                  : `building costs ${money(bill.totalMinor - doc.project!.readyMadeMinor)} more`
              }}</span
            >
          </dd>
        </dl>
        <p class="small mb-0 mt-2 no-print">
          <RouterLink class="btn btn-sm btn-link p-0 align-baseline" :to="{ name: 'prove' }"
            >Compare sheets and sections side by side</RouterLink
          >, on cost, mass, sag and strength.
        </p>
        <p class="soft small mb-0 mt-1">
          All builds together. Screws, glue and finish with a tenth to spare. The yard’s own price counts.
        </p>
      </section>
      <section class="card-sheet no-print" aria-labelledby="book-h">
        <h2 id="book-h">Price book</h2>
        <BFormCheckbox v-model="whole" class="mb-2">show everything the yard sells</BFormCheckbox>
        <div class="book">
          <table class="table table-sm align-middle">
            <tbody>
              <tr v-for="l in shownBook" :key="l.key">
                <td>
                  <label :for="`price-${l.key}`">{{ l.label }}</label>
                  <button
                    v-if="history(l.key).length"
                    type="button"
                    class="btn btn-sm btn-link p-0 ms-1"
                    :aria-expanded="shownHistory === l.key"
                    @click="shownHistory = shownHistory === l.key ? null : l.key"
                  >
                    history
                  </button>
                  <ul v-if="shownHistory === l.key" class="small soft mb-0">
                    <li v-for="(h, i) in history(l.key)" :key="i">
                      {{ dateOf(h.at) }}: {{ money(h.minor) }}, {{ h.from === 'yard' ? 'the yard' : 'typed' }}
                    </li>
                  </ul>
                </td>
                <td class="price">
                  <NumberField
                    :field-id="`price-${l.key}`"
                    label=""
                    kind="money"
                    :value="l.minor"
                    @change="(n) => n !== null && setPrice(l.key, n)"
                  />
                </td>
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
.yard {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
  margin-bottom: 0.6rem;
}
.put-aside {
  border-left: 4px solid var(--chalk);
  padding-left: 0.8rem;
  margin-bottom: 0.6rem;
}
.scroll {
  overflow-x: auto;
}
.few {
  width: 52px;
}
.paid {
  width: 84px;
}
.few,
.paid {
  margin-left: auto;
}
.money {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 0.2rem 0.8rem;
  align-items: center;
}
.money dd {
  margin: 0;
}
.ready {
  width: 110px;
  display: inline-block;
}
.price {
  width: 104px;
}
.book {
  max-height: 60vh;
  overflow-y: auto;
}
@media (max-width: 500px) {
  .wide {
    display: none;
  }
  .paid {
    width: 60px;
  }
  .few {
    width: 40px;
  }
  .scroll td,
  .scroll th {
    padding-left: 0.15rem;
    padding-right: 0.15rem;
  }
  .tick {
    width: 32px;
  }
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
