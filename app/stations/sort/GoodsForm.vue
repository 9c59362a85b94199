<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { GOODS_KINDS } from '../../../core/catalogue/containers.ts'
import { assumedTote, GOODS_LIMITS, type Goods, type ToteShape } from '../../../core/goods/goods.ts'
import { assumedTool } from '../../../core/goods/tool.ts'
import { presumedMass } from '../../../core/goods/presumed.ts'
import { neverOf } from '../../../core/goods/ways.ts'
import { waysToKeep } from '../../../core/project/ways-to-keep.ts'
import { familyName } from '../../../core/wording/dims.ts'
import { sayPresumed } from '../../../core/wording/room-plans.ts'
import { capital, plural } from '../../../core/wording/say.ts'
import { NEVER, WAYS } from '../../../core/wording/ways.ts'
import { HEAVIEST_KG } from '../../../core/measure/schema.ts'
import MeasureField from '../../components/MeasureField.vue'
import { useReadings } from '../../stores/readings.ts'
import GoodsMore from './GoodsMore.vue'
import ToolFields from './ToolFields.vue'

const props = defineProps<{ goods: Goods }>()
const emit = defineEmits<{ update: [part: Partial<Goods>] }>()
const readings = useReadings()
const { minMm, maxMm, maxCount } = GOODS_LIMITS
const tote = computed(() => props.goods.tote)
const measured = (part: Partial<ToteShape>) =>
  tote.value && emit('update', { tote: { ...tote.value, ...part, assumed: false } })
const tool = computed(() => props.goods.tool)
const allWays = computed(() => waysToKeep(props.goods))
/** The best of them, and the one that is chosen: the rest is read by who asks for it. */
const SHOWN = 3
const all = ref(false)
watch(
  () => props.goods.id,
  () => (all.value = false),
)
const ways = computed(() => allWays.value.filter((w, i) => all.value || i < SHOWN || w.code === props.goods.keptAs))
const more = computed(() => allWays.value.length - ways.value.length)
/** A way somebody chose that no kind offers for it any more. */
const lostWay = computed(() => (allWays.value.some((w) => w.code === props.goods.keptAs) ? null : props.goods.keptAs))
const never = computed(() => neverOf(props.goods))
const setKind = (kind: Goods['kind']) =>
  emit('update', {
    kind,
    keptAs: null,
    tote: kind === 'tote' ? (tote.value ?? assumedTote(props.goods.acrossMm, props.goods.tallMm)) : null,
    tool: kind === 'tool' ? (tool.value ?? assumedTool(props.goods)) : null,
  })
</script>

<template>
  <div class="form">
    <section class="ways wide small" aria-labelledby="ways-h">
      <h3 id="ways-h">How it is best kept</h3>
      <p v-if="goods.massKg === null" class="soft small mb-1">
        Until somebody weighs it, plans reckon with
        {{ sayPresumed(presumedMass(goods), goods.name || 'it', readings.say) }}, on the heavy side.
      </p>
      <fieldset v-if="ways.length" class="m-0">
        <legend class="visually-hidden">How it is to be kept</legend>
        <label v-for="w in ways" :key="w.code" class="way">
          <input
            type="radio"
            name="kept-as"
            class="form-check-input"
            :checked="goods.keptAs === w.code"
            @change="emit('update', { keptAs: w.code })"
          />
          <span
            >{{ capital(WAYS[w.code]) }}. <span class="soft">{{ w.families.map(familyName).join(', ') }}</span></span
          >
        </label>
        <label class="way">
          <input
            type="radio"
            name="kept-as"
            class="form-check-input"
            :checked="goods.keptAs === null"
            @change="emit('update', { keptAs: null })"
          />
          <span>As plans find best</span>
        </label>
      </fieldset>
      <p v-else class="soft mb-1">No kind of build here keeps such a thing yet.</p>
      <p v-if="lostWay" class="mb-1">
        It is to be kept {{ WAYS[lostWay] }}: nothing here keeps it so as it is now. Choose another way.
      </p>
      <button v-if="more > 0" type="button" class="btn btn-link btn-sm p-0" @click="all = true">
        {{ plural(more, 'other way', 'other ways') }}
      </button>
      <p v-for="n in never" :key="n" class="mb-0">Never {{ NEVER[n] }}.</p>
    </section>
    <div>
      <label class="form-label" for="goods-kind">Kind</label>
      <BFormSelect
        id="goods-kind"
        size="sm"
        :model-value="goods.kind"
        :options="[...GOODS_KINDS]"
        @update:model-value="setKind($event as Goods['kind'])"
      />
    </div>
    <MeasureField
      label="Count"
      quantity="count"
      :value="goods.count"
      :min="1"
      :max="maxCount"
      @change="(v) => v !== null && emit('update', { count: v })"
    />
    <MeasureField
      :label="tote ? 'Lid width (across)' : 'Across'"
      :value="goods.acrossMm"
      :min="minMm"
      :max="maxMm"
      @change="(v) => v !== null && emit('update', { acrossMm: v })"
    />
    <MeasureField
      :label="tote ? 'Lid length (deep)' : 'Deep'"
      :value="goods.deepMm"
      :min="minMm"
      :max="maxMm"
      @change="(v) => v !== null && emit('update', { deepMm: v })"
    />
    <MeasureField
      :label="tote ? 'Height over the lid' : 'Tallest point'"
      :value="goods.tallMm"
      :min="minMm"
      :max="maxMm"
      @change="(v) => v !== null && emit('update', { tallMm: v })"
    />
    <MeasureField
      label="Mass of one"
      optional
      quantity="mass"
      :value="goods.massKg"
      :max="HEAVIEST_KG"
      @change="(v) => emit('update', { massKg: v })"
    />
    <template v-if="tote">
      <MeasureField
        label="Rim: lid top to under the rim"
        :value="tote.rimMm"
        :min="1"
        :max="400"
        @change="(v) => v !== null && measured({ rimMm: v })"
      />
      <MeasureField
        label="Lid stands out past body, each side"
        :value="tote.overhangMm"
        :max="300"
        @change="(v) => v !== null && measured({ overhangMm: v })"
      />
      <MeasureField
        label="Body taper, rim to base, each side"
        :value="tote.taperMm"
        :max="300"
        @change="(v) => v !== null && measured({ taperMm: v })"
      />
      <p v-if="tote.assumed" class="small mb-0 wide">
        Rim, overhang and taper are assumed from its size.
        <button type="button" class="btn btn-sm btn-link p-0 align-baseline" @click="measured({})">
          I measured: they are right
        </button>
      </p>
    </template>
    <ToolFields
      v-if="tool"
      :tool="tool"
      :name="goods.name"
      @set="(part) => emit('update', { tool: { ...tool!, ...part } })"
    />
    <GoodsMore :goods="goods" @update="(part) => emit('update', part)" />
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.45rem 0.8rem;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
.ways {
  border-bottom: 1px solid var(--line);
  padding-bottom: 0.5rem;
}
.ways h3 {
  font-size: 0.95rem;
  margin-bottom: 0.2rem;
}
.way {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
  padding: 0.15rem 0;
}
.way input {
  flex: none;
}
</style>
