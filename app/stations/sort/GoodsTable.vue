<script setup lang="ts">
import { computed } from 'vue'
import { DECISIONS, GOODS_LIMITS, OFTEN, type Goods } from '../../../core/goods/goods.ts'
import { CARE_NAMES } from '../../../core/wording/goods.ts'
import { HEAVIEST_KG } from '../../../core/measure/schema.ts'
import IconTrash from '~icons/bi/trash'
import MeasureField from '../../components/MeasureField.vue'
import SizeField from './SizeField.vue'

const props = defineProps<{ goods: readonly Goods[]; selected: string | null }>()
const emit = defineEmits<{ select: [id: string]; update: [id: string, part: Partial<Goods>]; remove: [id: string] }>()

/** By group, in the order the groups first appear. */
const sorted = computed(() => {
  const order = [...new Set(props.goods.map((g) => g.group))]
  return [...props.goods].sort((a, b) => order.indexOf(a.group) - order.indexOf(b.group))
})
const DECISION_NAMES = { keep: 'keep', pass: 'pass on', bin: 'bin' }
const text = (e: Event) => (e.target as HTMLInputElement).value
const { maxCount } = GOODS_LIMITS
</script>

<template>
  <div class="wrap">
    <table class="table table-sm table-hover align-middle">
      <thead>
        <tr>
          <th scope="col">group</th>
          <th scope="col">thing</th>
          <th scope="col">count</th>
          <th scope="col">across x deep x tall</th>
          <th scope="col">mass each</th>
          <th scope="col">how often</th>
          <th scope="col">kept now</th>
          <th scope="col">decision</th>
          <th scope="col"><span class="visually-hidden">remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="g in sorted"
          :key="g.id"
          :class="[g.decision, { chosen: g.id === selected }]"
          @click="emit('select', g.id)"
          @focusin="emit('select', g.id)"
        >
          <td data-label="group">
            <input
              class="form-control form-control-sm group"
              :value="g.group"
              :aria-label="`Group of ${g.name}`"
              maxlength="60"
              @change="emit('update', g.id, { group: text($event).trim() })"
            />
          </td>
          <td data-label="thing">
            <input
              class="form-control form-control-sm name"
              :value="g.name"
              :aria-label="`Name of ${g.name}`"
              maxlength="80"
              @change="text($event).trim() && emit('update', g.id, { name: text($event).trim() })"
            />
            <span v-if="g.care.length > 0" class="cares">{{ g.care.map((c) => CARE_NAMES[c]).join(' · ') }}</span>
          </td>
          <td class="n" data-label="count">
            <MeasureField
              hide-label
              :label="`Count of ${g.name}`"
              quantity="count"
              :value="g.count"
              :min="1"
              :max="maxCount"
              @change="(v) => v !== null && emit('update', g.id, { count: v })"
            />
          </td>
          <td data-label="size"><SizeField :goods="g" @change="(size) => emit('update', g.id, size)" /></td>
          <td class="m" data-label="mass each">
            <MeasureField
              hide-label
              optional
              :label="`Mass of one ${g.name}`"
              quantity="mass"
              :value="g.massKg"
              :max="HEAVIEST_KG"
              @change="(v) => emit('update', g.id, { massKg: v })"
            />
          </td>
          <td data-label="how often">
            <select
              class="form-select form-select-sm often"
              :value="g.often"
              :aria-label="`How often ${g.name} is needed`"
              @change="emit('update', g.id, { often: text($event) as Goods['often'] })"
            >
              <option v-for="o in OFTEN" :key="o" :value="o">{{ o }}</option>
            </select>
          </td>
          <td data-label="kept now">
            <input
              class="form-control form-control-sm where"
              :value="g.whereNow"
              :aria-label="`Where ${g.name} is kept now`"
              maxlength="120"
              @change="emit('update', g.id, { whereNow: text($event) })"
            />
          </td>
          <td data-label="decision">
            <select
              class="form-select form-select-sm decision"
              :value="g.decision"
              :aria-label="`Decision for ${g.name}`"
              @change="emit('update', g.id, { decision: text($event) as Goods['decision'] })"
            >
              <option v-for="d in DECISIONS" :key="d" :value="d">{{ DECISION_NAMES[d] }}</option>
            </select>
          </td>
          <td class="last">
            <button
              type="button"
              class="btn btn-sm btn-link p-1"
              :aria-label="`Remove ${g.name}`"
              @click.stop="emit('remove', g.id)"
            >
              <IconTrash aria-hidden="true" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.wrap {
  position: relative;
  container-type: inline-size;
}
td {
  padding: 0.12rem 0.05rem;
}
.form-control,
.form-select,
td :deep(.form-control) {
  border-color: transparent;
  background-color: transparent;
  padding-top: 0.15rem;
  padding-bottom: 0.15rem;
}
.form-control:hover,
.form-select:hover,
td :deep(.form-control:hover),
td :deep(.form-control:focus) {
  border-color: var(--line-strong);
  background-color: var(--sheet);
}
.group {
  width: 5.3rem;
}
.name {
  width: 9rem;
  font-weight: 600;
}
.cares {
  display: block;
  padding: 0 0.5rem 0.2rem;
  font-size: 0.78rem;
  line-height: 1.1;
  color: var(--ink-soft);
}
.n {
  width: 3.4rem;
}
.n :deep(.form-control) {
  padding-right: 0.4rem;
}
.m {
  width: 4.8rem;
}
.m :deep(.form-control) {
  padding-left: 0.1rem;
  padding-right: 1.6rem;
}

.where {
  width: 6.9rem;
}
.often {
  width: 5.6rem;
  padding-left: 0.3rem;
}
.decision {
  width: 5.4rem;
  padding-left: 0.3rem;
}
tr.chosen > td {
  background: var(--chalk-soft);
}
tr.pass .name,
tr.bin .name {
  text-decoration: line-through;
  font-weight: 400;
}
/* Where the columns do not fit side by side each thing is a card, with what its columns are called. */
@container (max-width: 790px) {
  table,
  tbody {
    display: block;
  }
  thead {
    position: absolute;
    left: -9999px;
  }
  tbody tr {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(8.4rem, 1fr));
    gap: 0 0.5rem;
    position: relative;
    border-bottom: 1px solid var(--line-strong);
    padding: 0.3rem 2.2rem 0.4rem 0.2rem;
  }
  tr.chosen {
    background: var(--chalk-soft);
  }
  tbody td {
    display: block;
    border: 0;
    min-width: 0;
    width: auto;
    background: none;
  }
  td::before {
    content: attr(data-label);
    font-size: 0.78rem;
    color: var(--ink-soft);
    padding-left: 0.3rem;
  }
  tr.chosen > td {
    background: none;
  }
  td :deep(.size) {
    width: 100%;
  }
  td.last {
    position: absolute;
    right: 0.1rem;
    top: 0.2rem;
  }
  .group,
  .name,
  .where,
  .often,
  .decision {
    width: 100%;
  }
  .form-control,
  .form-select,
  td :deep(.form-control) {
    text-align: left;
    min-height: 34px;
    padding-left: 0.3rem;
    border-color: var(--line);
  }
}
</style>
