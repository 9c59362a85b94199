<script setup lang="ts">
/** A text of a drawing, written along or up: about the place it is written at. */
defineProps<{ x: number; y: number; upright?: boolean }>()
</script>

<template>
  <text :x="x" :y="y" :transform="upright ? `rotate(-90 ${x} ${y})` : undefined"><slot /></text>
</template>
