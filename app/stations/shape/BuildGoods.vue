<script setup lang="ts">
import { sayThings } from '../../../core/wording/things.ts'
import { computed } from 'vue'
import type { Build } from '../../../core/project/project.ts'
import MeasureField from '../../components/MeasureField.vue'
import PlaceFields from './PlaceFields.vue'
import { useDocument } from '../../stores/document.ts'

const props = defineProps<{ build: Build; homeless: { goodsId: string; count: number }[] }>()
const doc = useDocument()
const itemOf = (id: string) => doc.project?.goods.find((g) => g.id === id) ?? { name: id, count: 0 }
const nameOf = (id: string) => itemOf(id).name
const limit = (id: string, count: number) => count + (props.homeless.find((h) => h.goodsId === id)?.count ?? 0)
const others = computed(() => props.homeless.filter((h) => !props.build.goods.some((g) => g.goodsId === h.goodsId)))
const edit = (label: string, recipe: (b: Build) => void) =>
  doc.change(label, (d) => recipe(d.builds.find((b) => b.id === props.build.id) as Build))
const setCount = (id: string, count: number) =>
  edit('change what a build holds', (b) => void (b.goods.find((g) => g.goodsId === id)!.count = count))
const takeOut = (id: string) =>
  edit('take goods out of a build', (b) => void (b.goods = b.goods.filter((g) => g.goodsId !== id)))
const putIn = (h: { goodsId: string; count: number }) =>
  edit('put goods in a build', (b) => void b.goods.push({ ...h }))
</script>

<template>
  <h2>Holds</h2>
  <ul>
    <li v-for="g in build.goods" :key="g.goodsId">
      <span>{{ nameOf(g.goodsId) }}</span>
      <span class="line">
        <MeasureField
          hide-label
          :label="`How many ${nameOf(g.goodsId)}`"
          quantity="count"
          :value="g.count"
          :min="1"
          :max="limit(g.goodsId, g.count)"
          @change="(v) => v !== null && setCount(g.goodsId, v)"
        />
        <button type="button" class="btn btn-sm btn-link p-0" @click="takeOut(g.goodsId)">
          out<span class="visually-hidden">: {{ nameOf(g.goodsId) }}</span>
        </button>
      </span>
    </li>
  </ul>
  <template v-if="others.length">
    <h3>Without a home</h3>
    <ul>
      <li v-for="h in others" :key="h.goodsId">
        <span>{{ sayThings(h.count, itemOf(h.goodsId)) }}</span>
        <button type="button" class="btn btn-sm btn-link p-0" @click="putIn(h)">
          put in<span class="visually-hidden">: {{ nameOf(h.goodsId) }}</span>
        </button>
      </li>
    </ul>
  </template>
  <PlaceFields :build="build" />
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  flex-direction: column;
  padding: 0.2rem 0;
  border-bottom: 1px solid var(--line);
  font-size: 0.92rem;
  line-height: 1.2;
}
li .btn-link {
  align-self: flex-start;
}
.line {
  display: grid;
  grid-template-columns: 74px auto;
  gap: 0.5rem;
  align-items: center;
  justify-content: start;
}
.line .btn-link {
  align-self: center;
}
</style>
