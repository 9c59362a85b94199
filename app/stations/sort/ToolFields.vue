<script setup lang="ts">
import { useFileDialog } from '@vueuse/core'
import { ref } from 'vue'
import { HELD, TOOL_LIMITS, type Held, type ToolShape } from '../../../core/goods/tool.ts'
import { capital } from '../../../core/wording/say.ts'
import { HELD_NAMES, measuresOf } from '../../../core/wording/tools.ts'
import MeasureField from '../../components/MeasureField.vue'
import { smallPicture } from './small-picture.ts'

/** How a tool is kept, what of it has to be measured for that, and what else is worth knowing of it. */
defineProps<{ tool: ToolShape; name: string }>()
const emit = defineEmits<{ set: [part: Partial<ToolShape>] }>()
const heldOptions = HELD.map((value) => ({ value, text: capital(HELD_NAMES[value]) }))

const problem = ref('')
const { open: choosePicture, onChange, reset } = useFileDialog({ accept: 'image/*', multiple: false })
onChange(async (files) => {
  const file = files?.[0]
  if (!file) return
  problem.value = ''
  try {
    emit('set', { picture: await smallPicture(file) })
  } catch {
    problem.value = `${file.name} is no picture this browser can read: JPEG, PNG or WebP.`
  }
  reset()
})
</script>

<template>
  <div class="wide">
    <label class="form-label" for="tool-held">Kept on a wall in</label>
    <BFormSelect
      id="tool-held"
      size="sm"
      :model-value="tool.held"
      :options="heldOptions"
      @update:model-value="emit('set', { held: $event as Held })"
    />
  </div>
  <MeasureField
    v-for="m in measuresOf(tool.held)"
    :key="m.key"
    :label="m.label"
    :value="tool[m.key]"
    :min="TOOL_LIMITS[m.key][0]"
    :max="TOOL_LIMITS[m.key][1]"
    @change="(v) => v !== null && emit('set', { [m.key]: v, assumed: false })"
  />
  <p v-if="tool.assumed && measuresOf(tool.held).length > 0" class="small mb-0 wide">
    These are assumed from its size.
    <button type="button" class="btn btn-sm btn-link p-0 align-baseline" @click="emit('set', { assumed: false })">
      I measured: they are right
    </button>
  </p>
  <div class="wide picture">
    <img v-if="tool.picture" :src="tool.picture" :alt="`Picture of ${name}`" />
    <button type="button" class="btn btn-sm btn-outline-secondary" @click="choosePicture()">
      {{ tool.picture ? 'Another picture …' : 'Add a picture …' }}
    </button>
    <button v-if="tool.picture" type="button" class="btn btn-sm btn-link" @click="emit('set', { picture: null })">
      Take it away
    </button>
    <p v-if="problem" class="text-trouble small mb-0" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
.picture {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem;
}
.picture img {
  width: 72px;
  height: 72px;
  object-fit: cover;
  border: 1px solid var(--line);
}
</style>
