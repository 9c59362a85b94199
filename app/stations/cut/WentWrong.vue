<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Replanned } from '../../../core/takeoff/replan.ts'
import { replanDifference } from '../../../core/takeoff/replan.ts'
import { MISHAPS } from '../../../core/takeoff/sawing.ts'
import { priceBook } from '../../../core/project/read-build.ts'
import { addLetters, lettersOf } from '../../../core/project/letters.ts'
import { formatMoney } from '../../../core/measure/money.ts'
import { plural } from '../../../core/wording/say.ts'
import { useHeavy, working } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import CannotCut from '../../components/CannotCut.vue'

/**
 * A piece that went wrong: what happened, the new plan from what is left, and what changes; nothing is kept before it
 * is taken.
 */
const props = defineProps<{ labels: string[]; stale: boolean }>()
const open = defineModel<boolean>({ required: true })
const doc = useDocument()
const readings = useReadings()
const label = ref('')
const why = ref<(typeof MISHAPS)[number]>('miscut')
const busy = ref(false)
const result = shallowRef<Replanned | null>(null)
watch(open, (o) => {
  if (!o) return
  label.value = props.labels[0] ?? ''
  result.value = null
})
/** Seconds the new plan may take: somebody stands at the saw. Where none was found in them, so many more. */
const SECONDS = [3, 20]
/** More labels than this are only counted. */
const MOST_NAMED = 30
const WHY = {
  miscut: 'it came out wrong: too short, torn, the wrong angle',
  'bad-wood': 'the wood is bad there: a split, a knot, warped; what follows on it is no use',
}

async function plan() {
  const mishap = props.stale ? null : { label: label.value, why: why.value, at: new Date().toISOString() }
  result.value = await working(busy, true, false, async () => {
    let found: Replanned | null = null
    for (const seconds of SECONDS) {
      found = await useHeavy().replan(doc.project!, mishap, seconds)
      if (!found?.cannot.some((c) => c.why.code === 'none-found')) break
    }
    return found
  })
}
const difference = computed(() => {
  const now = doc.project!.progress.sawing
  return result.value && now
    ? replanDifference(now, result.value.sawing, new Map(priceBook(doc.project!).map((l) => [l.key, l])))
    : null
})
function take() {
  doc.change(props.stale ? 'plan what is left anew' : `plan anew after ${label.value} went wrong`, (d) => {
    d.progress.sawing = result.value!.sawing
    addLetters(d.progress, lettersOf(readings.outcomes))
    if (!props.stale) d.progress.cuts = d.progress.cuts.filter((c) => c !== label.value)
  })
  open.value = false
}
</script>

<template>
  <BModal
    v-model="open"
    title-tag="h2"
    :title="stale ? 'The builds have changed' : 'This one went wrong'"
    no-footer
    lazy
  >
    <p v-if="stale">
      The builds ask for other pieces than the plan that is being cut. What is cut stays; the rest is planned anew from
      what is bought and left.
    </p>
    <template v-else>
      <label class="form-label" for="wrong-label">Which piece</label>
      <select id="wrong-label" v-model="label" class="form-select mb-2">
        <option v-for="l in labels" :key="l" :value="l">{{ l }}</option>
      </select>
      <fieldset class="mb-2">
        <legend class="form-label">What happened</legend>
        <BFormRadio v-for="w in MISHAPS" :key="w" v-model="why" :value="w">{{ WHY[w] }}</BFormRadio>
      </fieldset>
    </template>
    <button type="button" class="btn btn-primary" :disabled="busy || (!stale && !label)" @click="plan">
      {{ busy ? 'Planning what is left …' : 'Plan what is left' }}
    </button>
    <div v-if="result && difference" class="mt-3" role="status">
      <CannotCut :cannot="result.cannot" />
      <p v-if="difference.buy.length === 0"><strong>Nothing more to buy.</strong> What is left is enough.</p>
      <template v-else>
        <p class="mb-1"><strong>To buy on top:</strong></p>
        <ul>
          <li v-for="b in difference.buy" :key="b.key">
            {{ b.count }} × {{ b.label
            }}<span v-if="b.minor !== null"
              >, {{ formatMoney(b.minor * b.count, doc.project!.settings.currency) }}</span
            >
          </li>
        </ul>
      </template>
      <p v-if="difference.moved.length" class="soft">
        Laid out anew:
        {{
          difference.moved.length <= MOST_NAMED ? difference.moved.join(' ') : plural(difference.moved.length, 'piece')
        }}. Everything else stays where it was.
      </p>
      <button type="button" class="btn btn-primary" :disabled="result.cannot.length > 0" @click="take">
        Go on with this plan
      </button>
      <button type="button" class="btn btn-link" @click="open = false">Leave it as it was</button>
    </div>
  </BModal>
</template>
