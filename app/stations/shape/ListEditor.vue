<script setup lang="ts">
import type { ListChoice } from '../../../core/families/family.ts'
import { fieldLabel, fieldOption, listName } from '../../../core/wording/dims.ts'
import { capital } from '../../../core/wording/say.ts'
import IconDown from '~icons/bi/arrow-down'
import IconUp from '~icons/bi/arrow-up'
import IconCopy from '~icons/bi/copy'
import IconTrash from '~icons/bi/trash'
import MeasureField from '../../components/MeasureField.vue'

/** A list among the parameters of a build: things are added, repeated, moved and taken away. */
const props = defineProps<{ list: ListChoice; refused: { path: string; text: string } | null }>()
const emit = defineEmits<{ set: [path: string, value: unknown, stepped?: boolean] }>()
type Item = ListChoice['items'][number]

const put = (items: readonly Item[]) => emit('set', props.list.path, items)
const change = (i: number, key: string, value: number | string, stepped = false) =>
  emit('set', `${props.list.path}.${i}.${key}`, value, stepped)
/** One more like it, moved on by its step so that the two are not in one place. */
function repeat(i: number) {
  const item = props.list.items[i]
  const moved = Object.fromEntries(
    Object.entries(item).map(([key, v]) => [key, typeof v === 'number' ? v + (props.list.step[key] ?? 0) : v]),
  )
  put(props.list.items.toSpliced(i + 1, 0, moved))
}
const move = (i: number, by: 1 | -1) => put(props.list.items.toSpliced(i, 1).toSpliced(i + by, 0, props.list.items[i]))
/** What is wrong with a new list of things is said below it. */
const atItem = (i: number) => {
  const path = props.refused?.path
  return path === `${props.list.path}.${i}` || path?.startsWith(`${props.list.path}.${i}.`) ? props.refused!.text : ''
}
const name = (i: number) => `${listName(props.list.code).one} ${i + 1}`
</script>

<template>
  <section class="mt-3" :aria-label="listName(list.code).label">
    <h3>{{ listName(list.code).label }}</h3>
    <p v-if="list.items.length === 0" class="soft small mb-1">{{ listName(list.code).none }}</p>
    <ol class="items">
      <li v-for="(item, i) in list.items" :key="i">
        <div class="head">
          <span class="slab small">{{ capital(name(i)) }}</span>
          <button type="button" :disabled="i === 0" :aria-label="`Move ${name(i)} up`" @click="move(i, -1)">
            <IconUp aria-hidden="true" />
          </button>
          <button
            type="button"
            :disabled="i === list.items.length - 1"
            :aria-label="`Move ${name(i)} down`"
            @click="move(i, 1)"
          >
            <IconDown aria-hidden="true" />
          </button>
          <button
            type="button"
            :disabled="list.items.length >= list.most"
            :aria-label="`Repeat ${name(i)}`"
            @click="repeat(i)"
          >
            <IconCopy aria-hidden="true" />
          </button>
          <button type="button" :aria-label="`Remove ${name(i)}`" @click="put(list.items.toSpliced(i, 1))">
            <IconTrash aria-hidden="true" />
          </button>
        </div>
        <div class="fields">
          <template v-for="f in list.fields" :key="f.key">
            <label v-if="'options' in f" class="choice">
              <span class="form-label">{{ fieldLabel(f.code) }}</span>
              <select
                class="form-select form-select-sm"
                :value="String(item[f.key])"
                @change="change(i, f.key, ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="o in f.options" :key="o" :value="o">{{ f.names?.[o] ?? fieldOption(f.code, o) }}</option>
              </select>
            </label>
            <MeasureField
              v-else
              :label="fieldLabel(f.code)"
              :quantity="f.quantity"
              :value="Number(item[f.key])"
              :min="f.min"
              :max="f.max"
              @change="(v, stepped) => v !== null && change(i, f.key, v, stepped)"
            />
          </template>
        </div>
        <p v-if="atItem(i)" class="text-trouble small mb-0" role="alert">{{ atItem(i) }}</p>
      </li>
    </ol>
    <p v-if="refused?.path === list.path" class="text-trouble small mb-1" role="alert">{{ refused.text }}</p>
    <button
      type="button"
      class="btn btn-sm btn-outline-secondary"
      :disabled="list.items.length >= list.most"
      @click="put([...list.items, list.fresh])"
    >
      Add a {{ listName(list.code).one }}
    </button>
  </section>
</template>

<style scoped>
.items {
  list-style: none;
  padding: 0;
  margin: 0 0 0.4rem;
}
.items li {
  border-bottom: 1px solid var(--line);
  padding: 0.35rem 0;
}
.head {
  display: flex;
  align-items: center;
  gap: 0.15rem;
}
.head .slab {
  flex: 1;
}
.head button {
  border: 0;
  background: none;
  color: var(--ink-soft);
  padding: 0.2rem 0.35rem;
  line-height: 1;
}
.head button:disabled {
  opacity: 0.35;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.3rem 0.5rem;
  align-items: end;
}
.fields :deep(.form-label) {
  margin: 0;
  font-size: 0.82rem;
  line-height: 1.15;
  color: var(--ink-soft);
}
.choice {
  display: block;
}
</style>
