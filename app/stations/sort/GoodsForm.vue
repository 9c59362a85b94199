<script setup lang="ts">
import { computed } from 'vue'
import { GOODS_KINDS } from '../../../core/catalogue/containers.ts'
import { assumedTote, GOODS_LIMITS, type Goods, type ToteShape } from '../../../core/goods/goods.ts'
import { assumedTool, HELD, TOOL_LIMITS, type Held, type ToolShape } from '../../../core/goods/tool.ts'
import { HEAVIEST_KG } from '../../../core/measure/schema.ts'
import { capital } from '../../../core/wording/say.ts'
import { HELD_NAMES, measuresOf } from '../../../core/wording/tools.ts'
import MeasureField from '../../components/MeasureField.vue'

const props = defineProps<{ goods: Goods }>()
const emit = defineEmits<{ update: [part: Partial<Goods>] }>()
const { minMm, maxMm, maxCount } = GOODS_LIMITS
const tote = computed(() => props.goods.tote)
const measured = (part: Partial<ToteShape>) =>
  tote.value && emit('update', { tote: { ...tote.value, ...part, assumed: false } })
const tool = computed(() => props.goods.tool)
const setTool = (part: Partial<ToolShape>) => tool.value && emit('update', { tool: { ...tool.value, ...part } })
const heldOptions = HELD.map((value) => ({ value, text: capital(HELD_NAMES[value]) }))
const text = (e: Event) => (e.target as HTMLInputElement).value.trim()
const setKind = (kind: Goods['kind']) =>
  emit('update', {
    kind,
    tote: kind === 'tote' ? (tote.value ?? assumedTote(props.goods.acrossMm, props.goods.tallMm)) : null,
    tool: kind === 'tool' ? (tool.value ?? assumedTool(props.goods)) : null,
  })
</script>

<template>
  <div class="form">
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
    <template v-if="tool">
      <div class="wide">
        <label class="form-label" for="tool-held">How it is kept on a wall</label>
        <BFormSelect
          id="tool-held"
          size="sm"
          :model-value="tool.held"
          :options="heldOptions"
          @update:model-value="setTool({ held: $event as Held })"
        />
      </div>
      <MeasureField
        v-for="m in measuresOf(tool.held)"
        :key="m.key"
        :label="m.label"
        :value="tool[m.key]"
        :min="TOOL_LIMITS[m.key][0]"
        :max="TOOL_LIMITS[m.key][1]"
        @change="(v) => v !== null && setTool({ [m.key]: v, assumed: false })"
      />
      <p v-if="tool.assumed && measuresOf(tool.held).length > 0" class="small mb-0 wide">
        These are assumed from its size.
        <button type="button" class="btn btn-sm btn-link p-0 align-baseline" @click="setTool({ assumed: false })">
          I measured: they are right
        </button>
      </p>
      <div>
        <label class="form-label" for="tool-with">Stays with it</label>
        <input
          id="tool-with"
          class="form-control form-control-sm"
          maxlength="160"
          placeholder="battery, blade, key"
          :value="tool.accessories"
          @change="setTool({ accessories: text($event) })"
        />
      </div>
      <div>
        <label class="form-label" for="tool-idea">Idea for its place</label>
        <input
          id="tool-idea"
          class="form-control form-control-sm"
          maxlength="200"
          :value="tool.idea"
          @change="setTool({ idea: text($event) })"
        />
      </div>
      <div class="form-check wide">
        <input
          id="tool-travels"
          class="form-check-input"
          type="checkbox"
          :checked="tool.travels"
          @change="setTool({ travels: ($event.target as HTMLInputElement).checked })"
        />
        <label class="form-check-label" for="tool-travels">Travels: its holder comes along</label>
      </div>
    </template>
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
</style>
