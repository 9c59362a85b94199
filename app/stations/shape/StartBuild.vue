<script setup lang="ts">
import { sayThings } from '../../../core/wording/things.ts'
import { computed, onUnmounted, reactive, ref, shallowRef, toRaw, watch } from 'vue'
import { findFamily } from '../../../core/families/registry.ts'
import { wishedWay } from '../../../core/goods/ways.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { formatMoney } from '../../../core/measure/money.ts'
import { nextOffset, nextWall } from '../../../core/project/next-place.ts'
import type { Proposal, Proposing } from '../../../core/project/proposals.ts'
import { tradesOf } from '../../../core/planner/trade.ts'
import type { Build } from '../../../core/project/project.ts'
import { readBuild, type BuildReading } from '../../../core/project/read-build.ts'
import { sayCheck } from '../../../core/wording/checks.ts'
import { familyName } from '../../../core/wording/dims.ts'
import { stocksOf } from '../../../core/wording/names.ts'
import { sayTrade } from '../../../core/wording/room-plans.ts'
import { capital, plural } from '../../../core/wording/say.ts'
import { WAYS } from '../../../core/wording/ways.ts'
import MeasureField from '../../components/MeasureField.vue'
import VerdictMark from '../../components/VerdictMark.vue'
import { callback, startLong } from '../../composables/heavy.ts'
import IsoScene from '../../drawing/IsoScene.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import OwnKind from './OwnKind.vue'
import { newId } from '../../persistence/new-id.ts'

defineProps<{ homeless: { goodsId: string; count: number }[] }>()
const emit = defineEmits<{ made: [id: string, otherwise: string]; cancel: [] }>()
const doc = useDocument()
const readings = useReadings()

const taken = reactive(new Map<string, number>())
const wallId = ref(nextWall(doc.project!))
const offsetMm = ref(doc.project ? nextOffset(doc.project, wallId.value) : 0)
watch(wallId, (w) => (offsetMm.value = doc.project ? nextOffset(doc.project, w) : 0))
const proposals = shallowRef<Proposal[] | null>(null)
/** What would do but for something in its way there. */
const blocked = shallowRef<Proposal[]>([])
const working = ref(false)
/** Kinds that do not hold as they were tacked and are still worked at. */
const open = ref(0)
const itemOf = (id: string) => doc.project!.goods.find((g) => g.id === id)!
const chosen = computed(() => [...taken].map(([goodsId, count]) => ({ goodsId, count })))
/** Where, and for what: the same as long as nothing of it changes. */
const at = computed(() => ({ wallId: wallId.value, offsetMm: offsetMm.value, goods: chosen.value }))
const toggle = (id: string, count: number) => (taken.has(id) ? taken.delete(id) : taken.set(id, count))
watch(at, () => (proposals.value = null))

const ceilingUnknown = computed(() => doc.project!.room.ceiling.kind === 'unknown')

let search: ReturnType<typeof startLong> | null = null
function stop() {
  search?.end()
  search = null
  working.value = false
  open.value = 0
}
async function ask() {
  stop()
  working.value = true
  blocked.value = []
  const mine = startLong()
  search = mine
  const report = callback((so: Proposing) => {
    if (search !== mine) return
    proposals.value = so.found
    open.value = so.open
  })
  try {
    const found = await mine.work.propose(toRaw(doc.project!), { ...at.value, id: newId('b') }, report)
    // Stopped, or asked again meanwhile.
    if (search !== mine) return
    const isShown = (x: Proposal) => found.some((f) => f.build.family === x.build.family)
    blocked.value = (proposals.value ?? []).filter((x) => x.meets && !isShown(x))
    proposals.value = found
  } finally {
    if (search === mine) stop()
  }
}
onUnmounted(stop)
/** What of the chosen things it does not hold, by name. */
function leftOutOf(build: Build, { shaped }: BuildReading): string {
  const count = (list: readonly { goodsId: string; count: number }[], id: string) =>
    list.filter((g) => g.goodsId === id).reduce((n, g) => n + g.count, 0)
  return chosen.value
    .map((g) => ({
      name: itemOf(g.goodsId).name,
      n: g.count - count(build.goods, g.goodsId) + count(shaped.unhoused, g.goodsId),
    }))
    .filter((x) => x.n > 0)
    .map((x) => `${x.n} ${x.name}`)
    .join(', ')
}
/** How this kind keeps the things, in a sentence for each way. */
function keptSo(build: Build): string {
  const kind = findFamily(build.family)
  const codes = build.goods.flatMap((g) => (kind && wishedWay(kind, itemOf(g.goodsId))?.code) ?? [])
  return [...new Set(codes)].map((c) => `${capital(WAYS[c])}.`).join(' ')
}
const drawn = computed(() =>
  (proposals.value ?? []).flatMap((p) => {
    const r = readBuild(doc.project!, p.build)
    return r.ok
      ? [
          {
            p,
            assembly: r.reading.shaped.assembly,
            options: { goods: r.reading.goods },
            stocks: stocksOf(r.reading.pieces),
            kept: keptSo(p.build),
            leftOut: leftOutOf(p.build, r.reading),
          },
        ]
      : []
  }),
)
const sayIt = computed(() => ({ ...readings.say, currency: doc.project!.settings.currency }))
const trades = computed(() =>
  tradesOf(drawn.value.map(({ p }) => ({ minor: p.minor, hours: p.hours, lengthMm: p.lengthMm, homeless: p.leftOut }))),
)
function take(build: Build, otherwise = '') {
  const same = doc.project!.builds.filter((b) => b.family === build.family).length
  const name = `${familyName(build.family)}${same ? ` ${same + 1}` : ''}`
  if (doc.change(`start ${name}`, (d) => void d.builds.push({ ...build, name }))) emit('made', build.id, otherwise)
}
</script>

<template>
  <div class="start">
    <div class="two">
      <section class="card-sheet" aria-labelledby="which">
        <h2 id="which">1. For which goods?</h2>
        <p v-if="doc.project!.goods.length === 0" class="empty">
          Nothing is to be kept yet. <RouterLink :to="{ name: 'sort' }">Say what you have in Sort</RouterLink>, then
          come back. A kind that is there for its own sake, a bench, can be begun beside.
        </p>
        <p v-else-if="homeless.length === 0" class="soft">Everything kept has a home in a build already.</p>
        <ul>
          <li v-for="h in homeless" :key="h.goodsId">
            <BFormCheckbox :model-value="taken.has(h.goodsId)" @update:model-value="toggle(h.goodsId, h.count)"
              >{{ sayThings(h.count, itemOf(h.goodsId)) }}
              <span class="soft small">{{ itemOf(h.goodsId).kind }}</span></BFormCheckbox
            >
            <MeasureField
              v-if="taken.has(h.goodsId)"
              hide-label
              class="how-many"
              :label="`How many ${itemOf(h.goodsId).name}`"
              quantity="count"
              :value="taken.get(h.goodsId)!"
              :min="1"
              :max="h.count"
              @change="(v) => v !== null && taken.set(h.goodsId, v)"
            />
          </li>
        </ul>
        <button
          v-if="homeless.length > 1"
          type="button"
          class="btn btn-sm btn-outline-secondary"
          @click="homeless.forEach((h) => taken.set(h.goodsId, h.count))"
        >
          All of them
        </button>
      </section>
      <section class="card-sheet" aria-labelledby="where">
        <h2 id="where">2. Where?</h2>
        <label class="form-label" for="start-wall">Wall</label>
        <BFormSelect
          id="start-wall"
          v-model="wallId"
          size="sm"
          :options="
            doc.project!.room.walls.map((w) => ({
              value: w.id,
              text: `${w.name}, ${formatLength(w.lengthMm, readings.units, { feet: true })}`,
            }))
          "
        />
        <MeasureField
          class="mt-2"
          label="From its left corner"
          :value="offsetMm"
          :max="50000"
          @change="(v) => v !== null && (offsetMm = v)"
        />
        <button type="button" class="btn btn-primary mt-3" :disabled="chosen.length === 0 || working" @click="ask">
          {{ working ? 'Working it out …' : 'Show me what would do' }}
        </button>
        <button v-if="working" type="button" class="btn btn-link mt-3" @click="stop">Stop</button>
        <button v-else-if="doc.project!.builds.length" type="button" class="btn btn-link mt-3" @click="emit('cancel')">
          Cancel
        </button>
        <p v-if="homeless.length && chosen.length === 0" class="soft small mb-0 mt-1">
          Tick on the left which goods it is for, then ask.
        </p>
        <OwnKind :at="at" :busy="working" @take="take" />
      </section>
    </div>
    <section v-if="proposals" aria-labelledby="take">
      <h2 id="take">3. Take one, then change it</h2>
      <p v-if="open" class="soft small" role="status">
        {{ open === 1 ? 'One kind does' : `${open} kinds do` }} not hold as first tacked; changes that would make
        {{ open === 1 ? 'it' : 'them' }} hold are being tried.
      </p>
      <p v-if="drawn.length === 0 && !working" class="text-trouble" role="alert">
        No kind of build takes these goods here. A longer wall, more depth, or fewer goods would help.
      </p>
      <p v-if="blocked.length" class="small">
        {{ capital([...new Set(blocked.map((x) => familyName(x.build.family).toLowerCase()))].join(', ')) }}: left out,
        for something is in the way there. {{ sayCheck(blocked[0].meets!, readings.say) }}
      </p>
      <p v-if="ceilingUnknown" class="soft small">
        Nothing is hung from the ceiling here: nobody has said what is over it.
        <RouterLink :to="{ name: 'survey' }">Say in Survey</RouterLink> how its joists run and how far they span.
      </p>
      <div class="cards">
        <article v-for="(d, i) in drawn" :key="`${d.p.build.family} ${d.p.minor} ${d.p.lengthMm}`" class="card-sheet">
          <h3>{{ familyName(d.p.build.family) }}</h3>
          <p class="small mb-1">{{ d.kept }}</p>
          <p v-if="drawn.length > 1" class="small mb-1">{{ sayTrade(trades[i], sayIt) }}</p>
          <div class="pic">
            <IsoScene plain :assembly="d.assembly" :options="d.options" :title="familyName(d.p.build.family)" />
          </div>
          <dl class="facts">
            <dt>holds</dt>
            <dd>
              {{ d.p.holds }}<span v-if="d.p.leftOut" class="text-trouble"> (not {{ d.leftOut }})</span>
            </dd>
            <dt>long</dt>
            <dd>{{ formatLength(d.p.lengthMm, readings.units, { feet: true }) }}</dd>
            <template v-if="d.p.build.offsetMm !== offsetMm">
              <dt>begins at</dt>
              <dd>
                {{ formatLength(d.p.build.offsetMm, readings.units, { feet: true }) }} from the left: two studs hold it
                there
              </dd>
            </template>
            <dt>made of</dt>
            <dd>{{ d.stocks }}</dd>
            <dt>work</dt>
            <dd>about {{ plural(Math.max(1, Math.round(d.p.hours)), 'hour') }} for one</dd>
            <dt>costs about</dt>
            <dd>{{ formatMoney(d.p.minor, doc.project!.settings.currency) }}</dd>
            <dt>proof</dt>
            <dd><VerdictMark :state="d.p.verdict" words /></dd>
          </dl>
          <p v-if="d.p.meets" class="small text-trouble mb-2">{{ sayCheck(d.p.meets, readings.say) }}</p>
          <button type="button" class="btn btn-primary" @click="take(d.p.build)">Take this one</button>
        </article>
      </div>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1.4fr 1fr;
  gap: 1rem;
  margin-bottom: 1.2rem;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  min-height: 38px;
}
.how-many {
  width: 76px;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 1rem;
}
.pic {
  height: 190px;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
