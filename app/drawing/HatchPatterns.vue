<script setup lang="ts">
/** How what is cut through is hatched: boards, sheets, and masonry or a slab. Used by name, inside `defs`. */
const GRIT = [
  [16, 6],
  [28, 13],
  [9, 24],
  [19, 31],
  [31, 30],
] as const
</script>

<template>
  <pattern id="hatch-board" width="30" height="30" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
    <rect width="30" height="30" class="hatch-ground" />
    <path d="M0 0V30" class="hatch-line" />
  </pattern>
  <pattern id="hatch-sheet" width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
    <rect width="14" height="14" class="hatch-ground sheet" />
    <path d="M0 0V14" class="hatch-line" />
  </pattern>
  <pattern id="hatch-ground" width="34" height="34" patternUnits="userSpaceOnUse">
    <rect width="34" height="34" class="hatch-ground stone" />
    <path d="M5 8h5l-2.5 4zM22 22h5l-2.5 4z" class="hatch-line thin" />
    <circle v-for="[x, y] in GRIT" :key="x" :cx="x" :cy="y" r="1.3" class="grit" />
  </pattern>
</template>

<style scoped>
.hatch-ground {
  fill: var(--wood-cut);
}
.hatch-ground.sheet {
  fill: var(--panel);
}
.hatch-ground.stone {
  fill: var(--sheet);
}
.hatch-line.thin {
  fill: none;
  stroke-width: 1;
}
.grit {
  fill: var(--ink);
  opacity: 0.55;
}
.hatch-line {
  stroke: var(--ink);
  stroke-width: 3;
  opacity: 0.55;
}
</style>
