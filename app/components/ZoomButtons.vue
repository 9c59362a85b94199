<script setup lang="ts">
/** Nearer, back, and all of it: for drawings that can be zoomed. */
defineProps<{ scale: number; label: string }>()
defineEmits<{ by: [times: number]; fit: [] }>()
const TIMES = 1.5
</script>

<template>
  <div class="zoom no-print" role="group" :aria-label="label">
    <button type="button" class="btn btn-sm btn-outline-secondary" aria-label="Larger" @click="$emit('by', TIMES)">
      +
    </button>
    <template v-if="scale > 1">
      <button
        type="button"
        class="btn btn-sm btn-outline-secondary"
        aria-label="Smaller"
        @click="$emit('by', 1 / TIMES)"
      >
        −
      </button>
      <button type="button" class="btn btn-sm btn-outline-secondary" @click="$emit('fit')">fit</button>
    </template>
  </div>
</template>

<style scoped>
.zoom {
  position: absolute;
  right: 0;
  bottom: 0;
  display: flex;
  gap: 0.2rem;
}
.btn {
  padding: 0 0.5rem;
  background: var(--sheet);
}
</style>
