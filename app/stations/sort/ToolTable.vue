<script setup lang="ts">
import { HELD, type Held, type ToolShape } from '../../../core/goods/tool.ts'
import type { Goods } from '../../../core/goods/goods.ts'
import { capital } from '../../../core/wording/say.ts'
import { HELD_NAMES } from '../../../core/wording/tools.ts'

/** All tools, how each is kept, what stays with it, whether it travels, and ideas for its place. */
defineProps<{ tools: readonly (Goods & { tool: ToolShape })[]; selected: string | null }>()
const emit = defineEmits<{ select: [id: string]; set: [goods: Goods, part: Partial<ToolShape>] }>()
const text = (e: Event) => (e.target as HTMLInputElement).value.trim()
</script>

<template>
  <div class="wrap">
    <table class="table table-sm table-hover align-middle">
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">picture</span></th>
          <th scope="col">tool</th>
          <th scope="col">kept in</th>
          <th scope="col">stays with it</th>
          <th scope="col">travels</th>
          <th scope="col">idea for its place</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="g in tools"
          :key="g.id"
          :class="{ chosen: g.id === selected }"
          @click="emit('select', g.id)"
          @focusin="emit('select', g.id)"
        >
          <td class="p"><img v-if="g.tool.picture" :src="g.tool.picture" :alt="`Picture of ${g.name}`" /></td>
          <td class="name">
            {{ g.name }}<span v-if="g.count > 1" class="soft"> · {{ g.count }}</span>
          </td>
          <td>
            <select
              class="form-select form-select-sm"
              :value="g.tool.held"
              :aria-label="`${g.name} is kept in`"
              @change="emit('set', g, { held: text($event) as Held })"
            >
              <option v-for="h in HELD" :key="h" :value="h">{{ capital(HELD_NAMES[h]) }}</option>
            </select>
          </td>
          <td>
            <input
              class="form-control form-control-sm"
              maxlength="160"
              :value="g.tool.accessories"
              :aria-label="`What stays with ${g.name}`"
              @change="emit('set', g, { accessories: text($event) })"
            />
          </td>
          <td class="t">
            <input
              class="form-check-input"
              type="checkbox"
              :checked="g.tool.travels"
              :aria-label="`${g.name} travels with its holder`"
              @change="emit('set', g, { travels: ($event.target as HTMLInputElement).checked })"
            />
          </td>
          <td>
            <input
              class="form-control form-control-sm"
              maxlength="200"
              :value="g.tool.idea"
              :aria-label="`Idea for the place of ${g.name}`"
              @change="emit('set', g, { idea: text($event) })"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.wrap {
  overflow-x: auto;
}
.table {
  min-width: 44rem;
}
.name {
  font-weight: 600;
  white-space: nowrap;
}
.p {
  width: 44px;
}
.p img {
  width: 36px;
  height: 36px;
  object-fit: cover;
  border: 1px solid var(--line);
}
.t {
  text-align: center;
}
tr.chosen > td {
  background: var(--chalk-soft);
}
</style>
