<script setup lang="ts">
import { computed, shallowRef, toRaw, watch } from 'vue'
import { presumedMass } from '../../../core/goods/presumed.ts'
import { LEAST_KG, notWeighed, type MassLimit } from '../../../core/project/mass-limit.ts'
import type { Build } from '../../../core/project/project.ts'
import { sayPresumedShort } from '../../../core/wording/room-plans.ts'
import { listed } from '../../../core/wording/say.ts'
import MeasureField from '../../components/MeasureField.vue'
import { useHeavy } from '../../composables/heavy.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** Things of a build that nobody has weighed: up to what mass all of it holds, and a place to say what they weigh. */
const props = defineProps<{ build: Build }>()
/** Told whether all of it holds with what is presumed; null while nobody knows. */
const emit = defineEmits<{ presumed: [holds: boolean | null] }>()
const doc = useDocument()
const readings = useReadings()
const goods = computed(() => (doc.project ? notWeighed(toRaw(doc.project), props.build) : []))
const itemOf = (id: string) => doc.project!.goods.find((g) => g.id === id)!

const presumed = computed(() =>
  listed(
    goods.value.map(({ goodsId, count }) => {
      const item = itemOf(goodsId)
      return sayPresumedShort(presumedMass(item), { name: item.name, count }, readings.say)
    }),
  ),
)

const limit = shallowRef<MassLimit | null>(null)
/** What was asked last: an answer to anything older is none. */
let asked = 0
watch(
  // All that it is judged by: what else is in the room too.
  () => [props.build, ...(['settings', 'goods', 'room', 'builds', 'prices'] as const).map((k) => doc.project?.[k])],
  async () => {
    const mine = ++asked
    limit.value = null
    emit('presumed', null)
    if (goods.value.length === 0 || !doc.project) return
    const found = await useHeavy().massLimit(toRaw(doc.project), props.build.id)
    if (mine !== asked) return
    limit.value = found
    emit('presumed', found?.asPresumed ?? null)
  },
  { immediate: true },
)
const weigh = (id: string, massKg: number | null) =>
  doc.change(`mass of ${itemOf(id).name}`, (d) => {
    const g = d.goods.find((x) => x.id === id)
    if (g) g.massKg = massKg
  })
</script>

<template>
  <section v-if="goods.length" class="card-sheet weigh" aria-labelledby="weigh-h">
    <h2 id="weigh-h">Nobody has weighed these yet</h2>
    <p role="status">
      <template v-if="!limit">Up to what they may weigh is being worked out …</template>
      <template v-else-if="limit.asPresumed">
        It holds if they weigh no more than is presumed of them, on the heavy side:
        {{ presumed }}. Weigh the first of them first: most of the weight is theirs.
      </template>
      <template v-else-if="limit.kg !== null">
        It holds if {{ goods.length > 1 || goods[0].count > 1 ? 'none of them weighs' : 'it weighs no' }} more than
        <strong>{{ readings.say.mass(limit.kg) }}</strong>. Weigh
        {{ goods.length > 1 ? 'the first of these first: most of the weight is theirs' : 'one' }}, as it is stored. With
        what is presumed of them, on the heavy side, it does not hold: {{ presumed }}.
      </template>
      <template v-else>
        With as little as {{ readings.say.mass(LEAST_KG) }} each something of it does not hold, or is not proven for
        another reason: see below.
      </template>
    </p>
    <div class="fields">
      <MeasureField
        v-for="g in goods"
        :key="g.goodsId"
        :label="`${itemOf(g.goodsId).name}${g.count > 1 ? `, one of ${g.count}` : ''}`"
        quantity="mass"
        optional
        :value="null"
        :min="0.05"
        :max="2000"
        @change="(v) => v !== null && weigh(g.goodsId, v)"
      />
    </div>
  </section>
</template>

<style scoped>
.weigh {
  margin-bottom: 1rem;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.2rem;
}
.fields > * {
  width: 190px;
}
</style>
