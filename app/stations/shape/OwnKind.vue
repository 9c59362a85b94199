<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, toRaw, watch } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { KIND_WORDS } from '../../../core/families/all-words.ts'
import { findFamily } from '../../../core/families/registry.ts'
import { formatLength } from '../../../core/measure/format.ts'
import type { Build } from '../../../core/project/project.ts'
import { startOf, type Begun } from '../../../core/project/proposals.ts'
import { sayLever } from '../../../core/wording/levers.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { callback, startLong } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import { newId } from '../../persistence/new-id.ts'

/** A kind that somebody takes without being shown: it need not be the best, nor hold all that is chosen. */
const props = defineProps<{ at: Pick<Build, 'wallId' | 'offsetMm' | 'goods'>; busy: boolean }>()
const emit = defineEmits<{ take: [build: Build, otherwise: string] }>()
const doc = useDocument()
const readings = useReadings()

const kinds = Object.entries(KIND_WORDS)
  .map(([value, f]) => ({ value, text: f.name }))
  .sort((a, b) => a.text.localeCompare(b.text))
const kind = ref(kinds[0].value)
const needsGoods = computed(() => findFamily(kind.value)?.needsGoods ?? true)
const refused = ref('')

/** As it stands while changes that make it hold are tried. */
const soFar = shallowRef<Begun | null>(null)
const trying = ref(false)
let search: ReturnType<typeof startLong> | null = null
function stop() {
  search?.end()
  search = null
  trying.value = false
  soFar.value = null
}
watch([kind, () => props.at], () => {
  stop()
  refused.value = ''
})
onUnmounted(stop)

/** What was made otherwise than it is first tacked, in words; empty where nothing was. */
function otherwise({ build, changes, state }: Begun): string {
  const away = build.offsetMm - props.at.offsetMm
  const moved = away === 0 ? [] : [`Moved along the wall by ${formatLength(Math.abs(away), readings.units)}`]
  // All moves together are said first.
  const others = changes.filter((c) => c.code !== 'move')
  const all = [...moved, ...others.map((c) => sayLever(c.code, c.data, readings.say))]
  if (all.length === 0) return ''
  return `${BEGUN[state]} ${all.join('. ')}.`
}
const BEGUN: Record<Begun['state'], string> = {
  holds: 'Begun so that it holds.',
  'hard-worked': 'Begun so that it holds.',
  fails: 'Begun otherwise than first tacked, and it does not hold yet.',
  unknown: 'Begun otherwise than first tacked; it is not proven yet.',
}
function end(begun: Begun | null) {
  stop()
  refused.value = begun?.problem ? sayProblem(begun.problem, readings.say) : ''
  if (begun && !begun.problem) emit('take', begun.build, otherwise(begun))
}
/** As the kind is first tacked. */
function first(at: Parameters<typeof startOf>[2]): Begun | null {
  const begun = startOf(toRaw(doc.project!), kind.value, at)
  return begun && { ...begun, changes: [], state: 'unknown' }
}
const given = () => ({ ...props.at, id: newId('b') })
// Somebody who goes on already finds it as it is by then.
onBeforeRouteLeave(() => {
  if (trying.value) end(soFar.value ?? first(given()))
})
async function start() {
  stop()
  refused.value = ''
  const mine = startLong()
  search = mine
  trying.value = true
  const at = given()
  const report = callback((so: Begun | null) => {
    if (search === mine) soFar.value = so
  })
  // Where nothing can be tried it is begun as it is first tacked.
  const begun = await mine.work.begin(toRaw(doc.project!), kind.value, at, report).catch(() => first(at))
  if (search === mine) end(begun)
}
</script>

<template>
  <div class="own">
    <label class="form-label" for="start-kind">Or take a kind yourself</label>
    <div class="pick">
      <BFormSelect id="start-kind" v-model="kind" size="sm" :options="kinds" />
      <button
        type="button"
        class="btn btn-sm btn-outline-secondary"
        :disabled="(at.goods.length === 0 && needsGoods) || busy || trying"
        @click="start"
      >
        Start it
      </button>
    </div>
    <p class="soft small mb-0">{{ KIND_WORDS[kind]?.blurb }}</p>
    <p v-if="trying" class="small mb-0" role="status">
      Changes that make it hold are being tried …
      <button v-if="soFar" type="button" class="btn btn-link btn-sm p-0" @click="end(soFar)">Take it as it is</button>
    </p>
    <p v-if="refused" class="text-trouble small mb-0" role="alert">{{ refused }}</p>
  </div>
</template>

<style scoped>
.own {
  border-top: 1px solid var(--line);
  margin-top: 1rem;
  padding-top: 0.7rem;
}
.pick {
  display: flex;
  gap: 0.5rem;
}
.pick button {
  white-space: nowrap;
}
</style>
