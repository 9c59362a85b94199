<script setup lang="ts">
/** A row of buttons of which one is pressed. */
defineProps<{ options: readonly { id: string; name: string }[]; pressed: string | null }>()
const emit = defineEmits<{ press: [id: string] }>()
</script>

<template>
  <button
    v-for="o in options"
    :key="o.id"
    type="button"
    class="btn btn-sm"
    :class="o.id === pressed ? 'btn-primary' : 'btn-outline-secondary'"
    :aria-pressed="o.id === pressed"
    @click="emit('press', o.id)"
  >
    {{ o.name }}
  </button>
</template>
