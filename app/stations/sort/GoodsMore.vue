<script setup lang="ts">
import { computed } from 'vue'
import { CARES, type Care } from '../../../core/goods/care.ts'
import { asUsed, GOODS_LIMITS, TIMES, type Goods } from '../../../core/goods/goods.ts'
import { CARE_NAMES, TIME_NAMES } from '../../../core/wording/goods.ts'
import MeasureField from '../../components/MeasureField.vue'
import SizeField from './SizeField.vue'

/** What a thing asks for beside its size: care, time, whose it is, room in use; and where it goes when it goes. */
const props = defineProps<{ goods: Goods }>()
const emit = defineEmits<{ update: [part: Partial<Goods>] }>()

const told = computed(
  () =>
    props.goods.care.length +
    Number(props.goods.whose !== '') +
    Number(props.goods.time !== 'here') +
    Number(props.goods.spare > 0) +
    Number(props.goods.inUse !== null),
)
const setCare = (care: Care, on: boolean) =>
  emit('update', { care: CARES.filter((c) => (c === care ? on : props.goods.care.includes(c))) })
const sizeInUse = computed(() => asUsed(props.goods))
const text = (e: Event) => (e.target as HTMLInputElement).value.trim()
const setLeaving = (part: Partial<Goods['leaving']>) => emit('update', { leaving: { ...props.goods.leaving, ...part } })
</script>

<template>
  <section v-if="goods.decision !== 'keep'" class="more" aria-labelledby="goes-h">
    <h3 id="goes-h">Where it goes</h3>
    <label class="form-label" for="goes-to">To whom</label>
    <input
      id="goes-to"
      class="form-control form-control-sm"
      maxlength="80"
      :value="goods.leaving.to"
      @change="setLeaving({ to: text($event) })"
    />
    <label class="form-label" for="goes-first">What is cut up or emptied first</label>
    <input
      id="goes-first"
      class="form-control form-control-sm"
      maxlength="80"
      :value="goods.leaving.first"
      @change="setLeaving({ first: text($event) })"
    />
    <BFormCheckbox :model-value="goods.leaving.gone" @update:model-value="setLeaving({ gone: $event === true })"
      >it is gone</BFormCheckbox
    >
  </section>
  <details class="more" :open="told > 0">
    <summary>What it asks for{{ told > 0 ? '' : ' …' }}</summary>
    <fieldset class="cares">
      <legend class="visually-hidden">Care</legend>
      <BFormCheckbox
        v-for="c in CARES"
        :key="c"
        :model-value="goods.care.includes(c)"
        @update:model-value="setCare(c, $event === true)"
        >{{ CARE_NAMES[c] }}</BFormCheckbox
      >
    </fieldset>
    <BFormCheckbox
      :model-value="goods.inUse !== null"
      @update:model-value="
        emit('update', {
          inUse: $event ? { acrossMm: goods.acrossMm, deepMm: goods.deepMm, tallMm: goods.tallMm } : null,
        })
      "
      >is larger in use than at rest</BFormCheckbox
    >
    <template v-if="goods.inUse">
      <span class="form-label">Across x deep x tall in use</span>
      <SizeField :goods="sizeInUse" in-use @change="(size) => emit('update', { inUse: size })" />
    </template>
    <label class="form-label" for="goods-time">Where it is</label>
    <select
      id="goods-time"
      class="form-select form-select-sm"
      :value="goods.time"
      @change="emit('update', { time: text($event) as Goods['time'] })"
    >
      <option v-for="t in TIMES" :key="t" :value="t">{{ TIME_NAMES[t] }}</option>
    </select>
    <MeasureField
      label="So many lie on each other, at most"
      quantity="count"
      :value="goods.pile"
      :min="1"
      :max="GOODS_LIMITS.mostPiled"
      @change="(v) => v !== null && emit('update', { pile: v })"
    />
    <MeasureField
      label="Places kept for more of them"
      quantity="count"
      :value="goods.spare"
      :min="0"
      :max="GOODS_LIMITS.maxCount"
      @change="(v) => v !== null && emit('update', { spare: v })"
    />
    <label class="form-label" for="goods-whose">Somebody else’s</label>
    <input
      id="goods-whose"
      class="form-control form-control-sm"
      maxlength="60"
      placeholder="whose: ask first"
      :value="goods.whose"
      @change="emit('update', { whose: text($event) })"
    />
  </details>
</template>

<style scoped>
.more {
  grid-column: 1 / -1;
  border-top: 1px solid var(--line);
  padding-top: 0.4rem;
}
.more h3 {
  font-size: 0.95rem;
  margin-bottom: 0.2rem;
}
.more summary {
  font-weight: 600;
  cursor: pointer;
}
.cares {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 0.6rem;
  margin: 0.3rem 0;
  font-size: 0.92rem;
}
</style>
