<script setup lang="ts">
import { computed, shallowRef, toRaw, watch } from 'vue'
import type { Build } from '../../../core/project/project.ts'
import { waitsForRating, type RatingWanted } from '../../../core/project/rating-wanted.ts'
import { plural, sayRating } from '../../../core/wording/say.ts'
import AnchorRating from '../../components/AnchorRating.vue'
import { useHeavy } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** Anchors nobody has rated: from what rating on this build is proven, and a place to say it, once for all builds. */
const props = defineProps<{ build: Build }>()
const doc = useDocument()
const readings = useReadings()
const waiting = computed(() => readings.readings.filter(waitsForRating).map((r) => r.build))
const isAsked = computed(() => waiting.value.some((b) => b.id === props.build.id))
const others = computed(() => waiting.value.filter((b) => b.id !== props.build.id).length)

const wanted = shallowRef<RatingWanted | null>(null)
/** What was asked last: an answer to anything older is none. */
let asked = 0
watch(
  () => [isAsked.value, props.build, doc.project?.settings],
  async () => {
    const mine = ++asked
    wanted.value = null
    if (!isAsked.value || !doc.project) return
    const found = await useHeavy().ratingWanted(toRaw(doc.project), props.build.id)
    if (mine === asked) wanted.value = found
  },
  { immediate: true },
)
</script>

<template>
  <section v-if="isAsked" class="card-sheet rate" aria-labelledby="rate-h">
    <h2 id="rate-h">Nobody has rated the anchors yet</h2>
    <p role="status">
      <template v-if="!wanted">From what rating on it holds is being worked out …</template>
      <template v-else-if="wanted.unknown">
        From what rating on it holds cannot be said while something else of it is not known, a weight mostly: see below.
      </template>
      <template v-else-if="wanted.n === null">
        No anchor one can buy would do: fewer things on it, more fixings, or another place. See below.
      </template>
      <template v-else>
        It {{ wanted.elseToo ? 'holds at the wall or the slab' : 'holds' }} with anchors that are rated for
        <strong>{{ sayRating(wanted.n, readings.say) }}</strong> each, pulled out of just what is there: brick, block or
        concrete. Buy such, and say here what is printed on the packet.
        {{ wanted.elseToo ? 'Something else of it does not hold all the same: see below.' : '' }}
        {{
          others > 0 ? `${plural(others, 'more build')} ${others === 1 ? 'waits' : 'wait'} for the same figure.` : ''
        }}
      </template>
    </p>
    <AnchorRating class="field" />
  </section>
</template>

<style scoped>
.rate {
  margin-bottom: 1rem;
}
.field {
  width: 290px;
}
</style>
