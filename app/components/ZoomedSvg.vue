<script setup lang="ts">
import { ref } from 'vue'
import { useDrawingZoom, type Viewed } from '../composables/drawing-zoom.ts'
import ZoomButtons from './ZoomButtons.vue'

/** A drawing that can be brought nearer and moved about; what lies in `still` stays where it is. */
const props = defineProps<{
  box: Viewed
  label: string
  role?: string
  /** What is dragged by something else, as a selector. */
  held?: string
}>()
const svg = ref<SVGSVGElement>()
const { scale, transform, toFit, by } = useDrawingZoom(
  svg,
  () => props.box,
  (e) => props.held !== undefined && (e.target as Element).closest(props.held) !== null,
)
defineExpose({ svg, scale })
</script>

<template>
  <div class="zoomed">
    <svg
      ref="svg"
      :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
      :class="{ near: scale > 1 }"
      :role="role ?? 'group'"
      :aria-label="label"
    >
      <slot name="still" />
      <g :transform="transform"><slot :scale="scale" /></g>
    </svg>
    <ZoomButtons :scale="scale" :label="`Size of the drawing: ${label}`" @by="by" @fit="toFit" />
  </div>
</template>

<style scoped>
.zoomed {
  position: relative;
}
svg {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: pan-y;
}
.near {
  touch-action: none;
  cursor: grab;
}
</style>
