<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, toRaw, watch } from 'vue'
import type { Planning } from '../../../core/planner/planned.ts'
import { tradesOf } from '../../../core/planner/trade.ts'
import type { Build } from '../../../core/project/project.ts'
import type { Wishes } from '../../../core/project/wishes.ts'
import { buildName } from '../../../core/wording/build-names.ts'
import { sayTrade, titlesOf } from '../../../core/wording/room-plans.ts'
import { listed, plural, sayRating } from '../../../core/wording/say.ts'
import { PRESUMED_RATING_N, unratedWalls } from '../../../core/project/rating-wanted.ts'
import AnchorRating from '../../components/AnchorRating.vue'
import NumberField from '../../components/NumberField.vue'
import { callback, startLong } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import PlanCard from './PlanCard.vue'
import { AIMS } from '../../../core/planner/plans.ts'
import { asOne } from '../../../core/planner/shown.ts'
import { newId } from '../../persistence/new-id.ts'

/** Plans of the whole room for everything kept that has no home yet: up to three that differ, taken whole or in part. */
const props = defineProps<{ homeless: { goodsId: string; count: number }[] }>()
const emit = defineEmits<{ made: [id: string] }>()
const doc = useDocument()
const readings = useReadings()

/** How long plans are looked for before the best are proven, s: within twenty nothing is begun any more. */
const SECONDS = 17.5

const walls = computed(() => doc.project!.room.walls)
/** Those nothing goes into are none of them. */
const unrated = computed(() => unratedWalls(doc.project!).filter((w) => !wishes.value.noHolesIn.includes(w.id)))
/** Walls that are gone are wished nothing of. */
const wishes = computed<Wishes>(() => {
  const known = new Set(walls.value.map((w) => w.id))
  const { noHolesIn, keepFree, ...rest } = doc.project!.wishes
  return { ...rest, noHolesIn: noHolesIn.filter((w) => known.has(w)), keepFree: keepFree.filter((w) => known.has(w)) }
})
const wish = (more: Partial<Wishes>) =>
  void doc.change('wishes of a plan', (d) => void (d.wishes = structuredClone({ ...toRaw(wishes.value), ...more })))
const toggled = (list: readonly string[], id: string, on: boolean) =>
  on ? [...list.filter((x) => x !== id), id] : list.filter((x) => x !== id)

const planning = shallowRef<Planning | null>(null)
const working = computed(() => planning.value !== null && planning.value.doing !== 'done')
/** How often plans were asked for: what was chosen in a plan of before says nothing of the next. */
const asked = ref(0)
/** Half a card more is drawn a frame, its builds after it: all at once would hold the page up. */
const halves = ref(0)
const wanted = computed(() => 2 * (planning.value?.plans.length ?? 0))
watch([wanted, halves], ([most, so]) => {
  if (most < so) halves.value = most
  else if (most > so) requestAnimationFrame(() => (halves.value = Math.min(so + 1, wanted.value)))
})
type Search = ReturnType<typeof startLong>
/** Searches beside each other, each with another aim first: one for every two processors. */
let searches: Search[] = []
const AT_ONCE = Math.max(1, Math.min(AIMS.length, Math.floor((navigator.hardwareConcurrency || 2) / 2)))
/** One that is begun while somebody still looks at the wishes, and goes as far as its first plan. */
let ahead: Search | null = null
let soon: ReturnType<typeof setTimeout> | undefined
function stop() {
  clearTimeout(soon)
  for (const x of [...searches, ahead]) x?.end()
  searches = []
  ahead = null
}
onUnmounted(stop)
/** Wishes are left alone for so long before a search is begun ahead, ms. */
const SETTLED_MS = 400
function begin() {
  if (props.homeless.length === 0) return
  const mine = startLong()
  ahead = mine
  // What fails here fails again when it is asked for, and is told then.
  mine.work.beginRoom(toRaw(doc.project!), toRaw(wishes.value), SECONDS).catch(() => {
    if (ahead === mine) ahead = null
  })
}
/** What was planned is no longer what is asked. */
watch(
  () => [doc.project?.goods, doc.project?.room, doc.project?.builds, doc.project?.settings, doc.project?.wishes],
  () => {
    stop()
    planning.value = null
    soon = setTimeout(begin, SETTLED_MS)
  },
  { immediate: true },
)
async function ask() {
  const first = ahead ?? startLong()
  ahead = null
  stop()
  asked.value++
  const mine = [first, ...Array.from({ length: AT_ONCE - 1 }, startLong)]
  const so = mine.map((): Planning => ({ plans: [], looks: 0, seen: 0, doing: 'growing' }))
  const tell = (k: number, found: Planning) => {
    so[k] = found
    if (searches === mine) planning.value = asOne(so)
  }
  searches = mine
  planning.value = asOne(so)
  const [project, wished] = [toRaw(doc.project!), toRaw(wishes.value)]
  try {
    const ended = await Promise.allSettled(
      mine.map(async ({ work }, turn) => {
        const told = callback((found: Planning) => tell(turn, found))
        tell(turn, await work.planRoom(project, wished, { seconds: SECONDS, turn }, told))
      }),
    )
    // One that failed is no reason to do without what the others found.
    const failed = ended.flatMap((x) => (x.status === 'rejected' ? [x.reason as unknown] : []))
    if (failed.length === mine.length) throw failed[0]
  } finally {
    // What failed is over as well, with what it had found.
    if (searches === mine) enough()
  }
}
/** What is there so far will do. */
function enough() {
  stop()
  if (planning.value) planning.value = { ...planning.value, doing: 'done' }
}

const trades = computed(() =>
  tradesOf(
    (planning.value?.plans ?? []).map((x) => ({
      minor: x.measures.minor,
      floorM2: x.measures.floorM2,
      reach: x.measures.reach,
      hours: x.hours,
      builds: x.measures.builds,
      makeshift: x.measures.makeshift,
      homeless: x.homeless.reduce((n, g) => n + g.count, 0),
    })),
  ),
)
const titles = computed(() => titlesOf(trades.value))
const sayIt = computed(() => ({ ...readings.say, currency: doc.project!.settings.currency }))

const DOING: Record<Planning['doing'], string> = {
  growing: 'Placing one thing after the other',
  looking: 'Looking for better plans',
  proving: 'Proving the best of them',
  done: 'Done',
}
function take(taken: readonly Build[]) {
  const names = new Set(doc.project!.builds.map((b) => b.name))
  // Builds of a plan have ids of their own; what is tied to another of them, or to one that stands there, stays so.
  const ids = new Map(taken.map((b) => [b.id, newId('b')]))
  for (const b of doc.project!.builds) ids.set(b.id, b.id)
  const builds = taken.map((b) => {
    const name = buildName(b, doc.project!.goods, names)
    names.add(name)
    return {
      ...structuredClone(toRaw(b)),
      id: ids.get(b.id)!,
      name,
      tiedTo: b.tiedTo.flatMap((id) => ids.get(id) ?? []),
    }
  })
  if (builds.length === 0) return
  if (doc.change('take a plan of the room', (d) => void d.builds.push(...builds))) emit('made', builds[0].id)
}
</script>

<template>
  <section class="plan-room" aria-labelledby="plan-room-h">
    <div class="card-sheet">
      <h2 id="plan-room-h">Plan the whole room</h2>
      <p>
        Everything kept that has no home yet, {{ plural(props.homeless.length, 'kind') }} of things, is given a place
        that suits it: which kind of build, at which wall, beside what is there. Up to three plans that differ are
        proven and shown.
      </p>
      <fieldset class="wishes">
        <legend>Wishes</legend>
        <div class="field">
          <label for="plan-budget">Not over ({{ doc.project!.settings.currency }})</label>
          <NumberField
            field-id="plan-budget"
            label="Not over"
            kind="money"
            optional
            :value="wishes.budgetMinor"
            @change="(v) => wish({ budgetMinor: v })"
          />
        </div>
        <div class="field">
          <BFormCheckbox
            :model-value="wishes.nothingOverhead"
            @update:model-value="(v) => wish({ nothingOverhead: v === true })"
            >Nothing hung from the ceiling</BFormCheckbox
          >
          <BFormCheckbox :model-value="wishes.comesApart" @update:model-value="(v) => wish({ comesApart: v === true })"
            >It must come apart again</BFormCheckbox
          >
          <BFormCheckbox :model-value="wishes.alone" @update:model-value="(v) => wish({ alone: v === true })"
            >I build alone</BFormCheckbox
          >
        </div>
        <div class="walls">
          <template v-for="w in walls" :key="w.id">
            <strong :id="`wish-${w.id}`" class="small">{{ w.name }}</strong>
            <BFormCheckbox
              :aria-describedby="`wish-${w.id}`"
              :model-value="wishes.noHolesIn.includes(w.id)"
              @update:model-value="(v) => wish({ noHolesIn: toggled(wishes.noHolesIn, w.id, v === true) })"
              >no holes in it</BFormCheckbox
            >
            <BFormCheckbox
              :aria-describedby="`wish-${w.id}`"
              :model-value="wishes.keepFree.includes(w.id)"
              @update:model-value="(v) => wish({ keepFree: toggled(wishes.keepFree, w.id, v === true) })"
              >keep it free</BFormCheckbox
            >
          </template>
        </div>
      </fieldset>
      <p class="soft small mb-2">
        A car, a walkway or a heater is kept clear of where <RouterLink :to="{ name: 'survey' }">Survey</RouterLink> has
        it.
      </p>
      <div v-if="unrated.length" class="rating">
        <p class="small mb-1">
          {{ listed(unrated.map((w) => w.name)) }}: what hangs or is tied there is proven only by the rating of the
          anchors. Look at a packet first, and every plan is judged by it; while nobody has, plans are made for
          {{ sayRating(PRESUMED_RATING_N, readings.say) }} each, and wait for it.
        </p>
        <AnchorRating class="rated" />
      </div>
      <button type="button" class="btn btn-primary" :disabled="props.homeless.length === 0 || working" @click="ask">
        {{ working ? 'Planning …' : planning ? 'Plan again' : 'Plan the room' }}
      </button>
      <button v-if="working" type="button" class="btn btn-link" @click="enough">Stop: these will do</button>
      <span v-if="planning" class="soft small ms-2" role="status">
        {{ DOING[planning.doing] }}: {{ plural(planning.looks, 'build') }} looked at,
        {{ plural(planning.seen, 'plan') }} compared.
      </span>
    </div>
    <p v-if="planning?.doing === 'done' && planning.plans.length === 0" class="text-trouble" role="alert">
      No plan was found. A wall kept free, or a wish less, would help.
    </p>
    <div v-if="planning?.plans.length" class="cards">
      <PlanCard
        v-for="(x, i) in planning.plans.slice(0, Math.ceil(halves / 2))"
        :key="`${asked} ${i}`"
        :class="{ single: planning.plans.length === 1 }"
        :plan="x"
        :title="titles[i]"
        :trade="planning.plans.length > 1 ? sayTrade(trades[i], sayIt) : ''"
        :doing="planning.doing"
        :listed="2 * i + 1 < halves"
        @take="take"
      />
    </div>
  </section>
</template>

<style scoped>
.rating {
  border-left: 4px solid var(--doubt);
  padding-left: 0.7rem;
  margin-bottom: 0.8rem;
}
.rated {
  width: 290px;
}
.wishes {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.6rem;
  margin-bottom: 0.6rem;
}
.wishes legend {
  float: none;
  width: 100%;
  font-size: 1rem;
  font-weight: 600;
  margin: 0;
}
.field {
  min-width: 150px;
}
.walls {
  display: grid;
  grid-template-columns: auto auto auto;
  gap: 0 1rem;
  align-items: center;
  max-height: 180px;
  overflow-y: auto;
}
.field label {
  display: block;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 1rem;
  margin-top: 1rem;
}
.single {
  max-width: 620px;
}
</style>
